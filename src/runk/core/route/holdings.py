"""Ways this workshop has of holding a part: what each grips, and what it leaves free."""

from __future__ import annotations

from collections.abc import Iterator

from runk.core.machines.machine import Holding as Way
from runk.core.machines.machine import MachineKind
from runk.core.route.feature_question import INSIDE
from runk.core.route.hold import LEAST_GRIP_MM, OTHER_END, Hold, keys_of, thin_over, too_wide
from runk.core.route.operations import HARDEN, PART_OFF, TEMPER, Operation, spare
from runk.core.route.other_holds import blocks, bonded, less_usual, on_its_rod, without_a_head
from runk.core.route.part import EPS, FLAT_SIDES, Feature, Part, is_round
from runk.core.tools import ToolKind, usable
from runk.core.tools.collets import grips
from runk.core.workshop import Workshop

GRIP_MM = 10.0
"""Jaws cover so much of a long outside."""


def holds_of(part: Part, operations: tuple[Operation, ...], workshop: Workshop) -> tuple[Hold, ...]:
    """Every way of holding a part that this workshop has.

    >>> from runk.core.route.operations import operations_of
    >>> from runk.core.route.reading import part_of
    >>> from runk.demo.back_shed import WORKSHOP
    >>> part = part_of("stub", "brass", "bar 12", ["outside 10, from 0 to 8", "face at 0"])
    >>> holds_of(part, operations_of(part), WORKSHOP)[0].key
    'on its bar in the chuck, right end out'
    """
    if part.turned:
        found = list(_turned(part, operations, workshop))
        found += bonded(part, operations, found)
        if part.schools.get("piston") == "rod":
            found = list(on_its_rod(part, operations, found))
    else:
        found = list(blocks(part, operations, bool(usable(workshop.tools, ToolKind.ROTARY_TABLE))))
    hot = frozenset(one.key for one in operations if one.verb in (HARDEN, TEMPER))
    cold = frozenset(one.key for one in operations if one.access.way == "none") - hot
    if hot:
        found.append(Hold("at the hearth", Way.VICE, "bench", frozenset(), bars=cold))
    if cold:
        found.append(Hold("in the bench vice", Way.VICE, "bench", frozenset(), bars=hot))
    if not workshop.dividers:
        found = list(without_a_head(part, operations, found))
    kinds = {machine.kind for machine in workshop.machines}
    here = {"lathe": MachineKind.LATHE in kinds, "mill": MachineKind.MILL in kinds, "bench": True}
    return tuple(one for one in found if here[one.machine])


def _faces(operations: tuple[Operation, ...]) -> frozenset[str]:
    return frozenset(one.key for one in operations if one.verb == "face")


def _turned(part: Part, operations: tuple[Operation, ...], workshop: Workshop) -> Iterator[Hold]:
    off = frozenset({PART_OFF}) if part.bar else frozenset()
    if part.bar:
        yield Hold(
            "on its bar in the chuck, right end out",
            Way.THREE_JAW,
            "lathe",
            frozenset({"right", "outside"}),
            (part.long, part.long + 1.0),
            gone=off,
            cuts_off=True,
        )
        behind = (part.long, part.long + GRIP_MM)
        yield Hold(
            "in the dividing head by its bar",
            Way.VICE,
            "mill",
            frozenset({"across"}),
            behind,
            gone=off,
        )
        yield Hold(
            "upright on the mill by its bar, right end up",
            Way.VICE,
            "mill",
            frozenset({"right"}),
            behind,
            gone=off,
        )
    else:
        yield from _rough(part, operations, workshop)
    yield from _on_outsides(part, operations, workshop, off)
    yield from _on_bores(part, operations, off)
    yield from _centres(part, operations, off)
    yield from _flat(part, operations, off)
    yield from less_usual(part, operations, off)


def _rough(part: Part, operations: tuple[Operation, ...], workshop: Workshop) -> Iterator[Hold]:
    """Jaws on what has not been machined yet, at the end that is not worked on."""
    cast = part.cast
    # Nothing flat or cast is round enough for three jaws.
    four = cast or part.blank.kind == "plate"
    way, chuck = (Way.FOUR_JAW, "four-jaw") if four else (Way.THREE_JAW, "chuck")
    outsides = sorted((f for f in part.features if f.round_outside), key=lambda f: f.span)
    if spare(part):
        yield Hold(
            f"in the {chuck} on its spare end, right end out",
            way,
            "lathe",
            frozenset({"right", "outside"}),
            (part.long, part.long + GRIP_MM),
            gone=_left(part, operations),
        )
    skin = "as cast" if cast else "as sawn"
    for out in ("right", "left"):
        ends = frozenset({out, "outside"})
        if not outsides:
            cut = frozenset(o.key for o in operations if o.access.way in ("outside", "die"))
            yield Hold(
                f"in the {chuck} on its outside, {out} end out",
                way,
                "lathe",
                ends,
                (part.begin - 1, part.long + 1),
                gone=cut - _faces(operations),
            )
        for one in outsides[::-1] if out == "right" else outsides:
            if one.throw or one.span[1] - one.span[0] < LEAST_GRIP_MM:
                continue
            if not _goes_in(part, one, out, _bore_mm(workshop)):
                continue
            yield Hold(
                f"in the {chuck} on {one.key} {skin}, {out} end out",
                way,
                "lathe",
                ends,
                _as_cast(part, one, out),
                one.key,
                gone=keys_of(operations, one),
            )
    if cast:
        yield from _angle_plate(part, operations)
        for out in ("right", "left"):
            face = part.face_at(OTHER_END[out])
            if face is not None:
                yield Hold(
                    f"on the faceplate, {out} end out",
                    Way.FACEPLATE,
                    "lathe",
                    frozenset({out, "outside"}),
                    None,
                    face.key,
                    needs=keys_of(operations, face),
                )


def _angle_plate(part: Part, operations: tuple[Operation, ...]) -> Iterator[Hold]:
    """Bolted by a flat foot to an angle plate on the faceplate: brackets and bearings."""
    for foot in (f for f in part.features if f.kind == "plane"):
        for out in ("right", "left"):
            yield Hold(
                f"on an angle plate by {foot.key}, {out} end out",
                Way.FACEPLATE,
                "lathe",
                frozenset({out}),
                None,
                foot.key,
                needs=keys_of(operations, foot),
            )


def _left(part: Part, operations: tuple[Operation, ...]) -> frozenset[str]:
    face = part.face_at("left")
    return frozenset() if face is None else keys_of(operations, face)


def _covered(one: Feature, out: str) -> tuple[float, float]:
    """What jaws cover of an outside: the end of it away from the one that stands out."""
    first, last = one.span
    if last - first < 2 * GRIP_MM:
        return one.span
    return (last - GRIP_MM, last) if out == "right" else (first, first + GRIP_MM)


def _as_cast(part: Part, one: Feature, out: str) -> tuple[float, float]:
    """The same on a casting, whose hidden end is longer yet by what comes off its face."""
    first, last = _covered(one, out)
    more = float(part.blank.surplus or 0)
    if out == "right":
        return first, last + more * (abs(last - part.long) < EPS)
    return first - more * (abs(first - part.begin) < EPS), last


def _on_outsides(
    part: Part, operations: tuple[Operation, ...], workshop: Workshop, off: frozenset[str]
) -> Iterator[Hold]:
    collets = usable(workshop.tools, ToolKind.COLLET)
    throws = sorted({f.throw for f in part.features if f.kind == "eccentric"})
    for feature in (*part.features, *part.plain):
        first, last = feature.span
        if not feature.round_outside or feature.throw or last - first < LEAST_GRIP_MM - EPS:
            continue
        needs, thin = keys_of(operations, feature) | off, bool(thin_over(part, feature))
        rough = keys_of(operations, feature) & {f"{feature.key}: rough"}
        in_collet = any(grips(c.mm, feature.size) for c in collets)
        for out in ("right", "left"):
            ends, covers = frozenset({out, "outside"}), _covered(feature, out)
            if _passes(part, feature, out, workshop):
                covers = _covered(feature, OTHER_END[out])
            if in_collet and _goes_in(part, feature, out):
                yield Hold(
                    f"in a collet on {feature.key}, {out} end out",
                    Way.COLLET,
                    "lathe",
                    ends,
                    covers,
                    feature.key,
                    needs,
                )
            yield Hold(
                f"upright on the mill by {feature.key}, {out} end up",
                Way.VICE,
                "mill",
                frozenset({out}),
                covers,
                feature.key,
                needs,
            )
            if not _goes_in(part, feature, out, _bore_mm(workshop)):
                continue
            yield Hold(
                f"jaws on {feature.key}, {out} end out",
                Way.THREE_JAW,
                "lathe",
                ends,
                covers,
                feature.key,
                needs,
                thin=thin,
            )
            if rough and not off:
                yield Hold(
                    f"jaws on {feature.key} as roughed, {out} end out",
                    Way.THREE_JAW,
                    "lathe",
                    ends,
                    covers,
                    feature.key,
                    rough,
                    keys_of(operations, feature) - rough,
                    thin=thin,
                )
            for throw in throws:
                yield Hold(
                    f"four-jaw on {feature.key}, {throw:g} off, {out} end out",
                    Way.FOUR_JAW,
                    "lathe",
                    ends,
                    covers,
                    feature.key,
                    needs,
                    throw=throw,
                )
        for end in ("left", "right") if last - first >= 2 * GRIP_MM else ("",):
            where = f"the {end} of {feature.key}" if end else feature.key
            covers = _covered(feature, OTHER_END[end]) if end else feature.span
            yield Hold(
                f"in the dividing head by {where}",
                Way.VICE,
                "mill",
                frozenset({"across"}),
                covers,
                feature.key,
                needs,
            )


def _passes(part: Part, feature: Feature, out: str, workshop: Workshop) -> bool:
    """Whether all behind a grip goes into the spindle: then it is gripped near its free end."""
    return max(feature.size, _behind(part, feature, out)) < _bore_mm(workshop)


def _bore_mm(workshop: Workshop) -> float:
    return max((m.spindle_bore_mm for m in workshop.machines if m.spindle_bore_mm), default=0.0)


def _behind(part: Part, feature: Feature, out: str) -> float:
    """The largest outside there is behind a grip; 0 where it is the last."""
    first, last = feature.span
    return max(
        (
            part.outside_at((f.span[0] + f.span[1]) / 2)
            for f in part.features
            if f.span[1] > f.span[0]
            and is_round(f)
            and (f.span[0] >= last - EPS if out == "right" else f.span[1] <= first + EPS)
        ),
        default=0.0,
    )


def _goes_in(part: Part, feature: Feature, out: str, bore_mm: float = 0.0) -> bool:
    """Whether what is behind a grip goes in before it: jaws and collets close on no waist."""
    behind = _behind(part, feature, out)
    return behind <= feature.size + EPS or behind < bore_mm


def _on_bores(part: Part, operations: tuple[Operation, ...], off: frozenset[str]) -> Iterator[Hold]:
    for feature in part.features:
        through = feature.kind in INSIDE or (feature.kind == "reamed" and not feature.asked.deep)
        if not through or feature.side == "across":
            continue
        if feature.kind in INSIDE and feature.span[1] - feature.span[0] < LEAST_GRIP_MM:
            continue
        needs = keys_of(operations, feature) | off
        yield Hold(
            f"on a mandrel in {feature.key}",
            Way.MANDREL,
            "lathe",
            frozenset({"right", "left", "outside"}),
            None,
            feature.key,
            needs,
            inside=False,
            bars=too_wide(part, operations, feature),
        )
        yield Hold(
            f"in the dividing head on a mandrel in {feature.key}",
            Way.MANDREL,
            "mill",
            frozenset({"across"}),
            None,
            feature.key,
            needs,
        )


def _centres(part: Part, operations: tuple[Operation, ...], off: frozenset[str]) -> Iterator[Hold]:
    """Between centres: on a dog at one end, or on what the blank leaves for one."""
    drilled = {o.key for o in operations if o.verb == "centre" and not o.feature}
    if "left end: centre" not in drilled:
        return
    right, left = (
        frozenset(keys_of(operations, face)) if face is not None else frozenset[str]()
        for face in (part.face_at("right"), part.face_at("left"))
    )
    stands = off | right | (frozenset() if spare(part) else left)
    gone = left if spare(part) else frozenset[str]()
    plain = stands | {key for key in drilled if " off:" not in key}
    outsides = sorted((f for f in part.features if f.round_outside), key=lambda f: f.span)
    both = frozenset({"right", "left", "outside"})
    if spare(part):
        yield Hold(
            "between centres, dog on the spare end",
            Way.CENTRES,
            "lathe",
            both,
            None,
            "",
            plain,
            gone,
            inside=False,
            faces=False,
        )
    else:
        for end, one in (("left", outsides[-1]), ("right", outsides[0])) if outsides else ():
            yield Hold(
                f"between centres, dog on the {end} end",
                Way.CENTRES,
                "lathe",
                frozenset({OTHER_END[end], "outside"}),
                one.span,
                "",
                plain,
                inside=False,
                faces=False,
            )
    for throw in sorted({f.throw for f in part.features if f.kind == "crankpin"}):
        spun = stands | {key for key in drilled if f" {throw:g} off:" in key}
        yield Hold(
            f"between centres {throw:g} off",
            Way.CENTRES,
            "lathe",
            both,
            None,
            "",
            spun,
            gone,
            throw=throw,
            inside=False,
            faces=False,
        )
        for end, faced in (("right", right), ("left", stands)):
            yield Hold(
                f"in V-blocks, {end} end up",
                Way.VICE,
                "mill",
                frozenset({end}),
                needs=off | faced,
                gone=gone,
            )


def _flat(part: Part, operations: tuple[Operation, ...], off: frozenset[str]) -> Iterator[Hold]:
    """Bolted down, stood on an end or a side: for what is milled on a turned part."""
    for end in ("right", "left"):
        foot = part.face_at(OTHER_END[end])
        if foot is not None:
            yield Hold(
                f"stood on {foot.key} and clamped, {end} end up",
                Way.CLAMPS,
                "mill",
                frozenset({end}),
                None,
                foot.key,
                keys_of(operations, foot) | off,
            )
    sides = {f.side for f in part.features if f.side in FLAT_SIDES}
    for side in sorted(sides):
        # What is round has no foot to be bolted down on.
        how = "in V-blocks" if part.blank.kind == "bar" else "bolted down"
        yield Hold(f"{how}, {side} up", Way.CLAMPS, "mill", frozenset({side}), needs=off)
