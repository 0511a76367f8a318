"""A crankshaft of one piece drawn anew as shaft, webs and pins to be joined."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from runk.core.refusals import Refused
from runk.core.route.part import EPS, Feature, Part
from runk.core.route.reading import part_of


@dataclass(frozen=True, slots=True)
class Piece:
    """One of the parts a crank is built up from.

    Args:
        part: It.
        blank: What it is made from, as a line.
        features: Its lines.
        goes_in: Of what it goes into: the piece, its hole, the feature that goes in, the duty.
    """

    part: Part
    blank: str
    features: tuple[str, ...]
    goes_in: tuple[tuple[str, str, str, str], ...] = ()


def built_up(part: Part) -> tuple[Piece, ...]:
    """Shaft, webs and pins of a crank that was drawn in one piece.

    The shaft goes through from end to end and is cut away between the webs when the joints have
    set; both webs of a throw are reamed together at one setting: common practice.

    Args:
        part: A part with crankpins.

    Raises:
        Refused: It has no crankpin, no journal, or no web beside a pin.

    >>> lines = ["face at 0", "face at 80", "journal 10 h6, from 0 to 30",
    ...          "outside 28, from 30 to 36", "crankpin 8 h6, throw 9, from 36 to 44",
    ...          "outside 28, from 44 to 50", "journal 10 h6, from 50 to 80"]
    >>> crank = part_of("crank", "silver-steel", "bar 30, 90 long", lines)
    >>> [(one.part.name, one.part.alike) for one in built_up(crank)]
    [('crank: shaft', 1), ('crank: webs', 2), ('crank: pin', 1)]
    """
    pins = sorted((f for f in part.features if f.kind == "crankpin"), key=lambda f: f.span)
    mains = [f for f in part.features if f.kind == "journal"]
    if not pins or not mains:
        raise Refused(f"{part.name} has no crankpin between journals.", field="features")
    main = max(f.size for f in mains)
    thick = {pin.key: _webs(part, pin) for pin in pins}
    shaft = tuple(_shaft(part, main))
    found = [_piece(part, "shaft", f"bar {main:g}, {part.long - part.begin + 12:g} long", shaft)]
    for n, group in enumerate(_alike(pins, thick), 1):
        pin, (left, right) = group[0], thick[group[0].key]
        tail = "" if n == 1 else f" {n}"
        web = min(left, right)
        high = 2 * max(main, pin.size)
        lines = (
            "plane, from the top",
            "plane, from the bottom",
            f"reamed {main:g} H7, from the top, at {main:g} by {high / 2:g}, called shaft hole",
            f"reamed {pin.size:g} H7, from the top, at {main + pin.throw:g} by {high / 2:g}, "
            "called pin hole",
            "profile, from the top",
        )
        blank = f"plate {main + pin.throw + pin.size:g} by {high:g} by {web:g}"
        found.append(_piece(part, f"webs{tail}", blank, lines, 2 * len(group)))
        long = pin.span[1] - pin.span[0] + left + right
        body = (
            "face at 0",
            f"face at {long:g}",
            f"outside {pin.size:g} h6, from 0 to {long:g}, called pin",
        )
        webs = (f"{part.name}: webs{tail}", "pin hole", "pin", "web")
        found.append(_piece(part, f"pin{tail}", f"bar {pin.size + 2:g}", body, len(group), (webs,)))
    mains_in = (f"{part.name}: webs", "shaft hole", "shaft", "web")
    first = found[0]
    found[0] = Piece(first.part, first.blank, first.features, (mains_in,))
    return tuple(found)


def _piece(
    part: Part,
    name: str,
    blank: str,
    lines: tuple[str, ...],
    alike: int = 1,
    goes_in: tuple[tuple[str, str, str, str], ...] = (),
) -> Piece:
    made = part_of(f"{part.name}: {name}", part.metal, blank, lines, alike=alike)
    return Piece(made, blank, lines, goes_in)


def _shaft(part: Part, main: float) -> Iterator[str]:
    yield f"face at {part.begin:g}"
    yield f"face at {part.long:g}"
    # Ground bar keeps its surface.
    yield f"outside {main:g}, from {part.begin:g} to {part.long:g}, called shaft"
    for one in part.features:
        if one.kind == "keyway":
            wide, deep = float(one.asked.wide or 0), float(one.asked.deep or 0)
            first, last = one.span
            yield f"keyway {wide:g} wide, {deep:g} deep, from {first:g} to {last:g}"


def _webs(part: Part, pin: Feature) -> tuple[float, float]:
    """Thickness of the web at each end of a pin."""
    found = []
    for x in pin.span:
        beside = [
            f
            for f in part.features
            if f.kind == "outside" and any(abs(x - end) < EPS for end in f.span)
        ]
        if not beside:
            raise Refused(f"{pin.key} has no web beside it to be joined to.", field=pin.key)
        found.append(min(f.span[1] - f.span[0] for f in beside))
    return found[0], found[1]


def _alike(pins: list[Feature], thick: dict[str, tuple[float, float]]) -> Iterator[list[Feature]]:
    """Pins that are the same but for their place."""
    groups: dict[tuple[float, ...], list[Feature]] = {}
    for pin in pins:
        long = pin.span[1] - pin.span[0]
        groups.setdefault((pin.size, pin.throw, long, *sorted(thick[pin.key])), []).append(pin)
    yield from groups.values()
