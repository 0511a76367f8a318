"""Operations of a part: each feature's own, and those of the whole."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.cutting.reach import FREE_MOST, LONG_FREE
from runk.core.route.access import Access, access_of, die_of
from runk.core.route.feature_question import HOLES, INSIDE
from runk.core.route.in_line import pilot
from runk.core.route.part import EPS, Feature, Part, is_round, on_axis
from runk.core.route.tooling import speed, speed_of, tool_of
from runk.core.route.verbs import verbs_of

LEAST_CENTRE_MM = 2.0
"""A thinner end takes no centre: common practice."""
DOG_MM = 8.0
"""What a dog needs to sit on: common practice."""


@dataclass(frozen=True, slots=True)
class Operation:
    """One thing done to a part.

    Args:
        key: ``bore 22: finish``.
        feature: Name of its feature; empty where it is of the whole.
        verb: What is done.
        machine: ``lathe``, ``mill`` or ``bench``.
        tool: What does it; two operations with the same need no change.
        access: From where.
        speed: The question of its belt, as typed; empty where nothing turns.
    """

    key: str
    feature: str
    verb: str
    machine: str
    tool: str
    access: Access
    speed: tuple[tuple[str, str], ...] = ()


PART_OFF = "part off"
HARDEN, TEMPER = "harden", "temper"
BY_HAND = ("tap", "cut thread", "slot")
"""Verbs done by hand in the lathe, its drive isolated."""


def operations_of(part: Part) -> tuple[Operation, ...]:
    """Every operation of a part, feature by feature.

    >>> from runk.core.route.reading import part_of
    >>> part = part_of("gland", "brass", "bar 12", ["outside 10, from 0 to 8", "face at 0"])
    >>> [one.key for one in operations_of(part)]
    ['outside 10: turn', 'face 0: face', 'part off']
    """
    found = [one for feature in part.features for one in _of_feature(part, feature)]
    found += _centres(part)
    if part.bar:
        span = (part.long, part.long)
        off = speed(part, "part", part.outside_at(part.long))
        access = Access("outside", span)
        found.append(Operation(PART_OFF, "", "part off", "lathe", "parting tool", access, off))
    if part.harden:
        found += [
            Operation(verb, "", verb, "bench", verb, Access("none")) for verb in (HARDEN, TEMPER)
        ]
    return tuple(found)


def thrown(part: Part) -> bool:
    """Whether it is turned on offset centres: a crankshaft from the solid."""
    return any(f.kind == "crankpin" for f in part.features)


def slender(part: Part) -> bool:
    """Whether a part springs when metal comes off it: long for its thickness, or thrown."""
    return thrown(part) or (part.across > 0 and part.long - part.begin > LONG_FREE * part.across)


def spare(part: Part) -> bool:
    """Whether its blank leaves something at the left end for a dog, cut off later."""
    long = part.stock_long
    return long is not None and not part.bar and long - (part.long - part.begin) >= DOG_MM


def _centres(part: Part) -> list[Operation]:
    """Centre holes: in both ends of a thrown part, in the free end of a slender one."""
    if not part.turned or any(f.kind in INSIDE for f in part.features):
        return []
    thin = any(f.span[1] - f.span[0] > FREE_MOST * f.size for f in part.features if is_round(f))
    carried = thin or (part.across > 0 and part.long - part.begin > FREE_MOST * part.across)
    ends = ("right", "left") if thrown(part) else ("right",) if carried else ()
    if _end_mm(part) < LEAST_CENTRE_MM:
        # No centre drill goes into so thin an end.
        ends = ()
    slow = speed(part, "centre", 3.0)
    found = [
        Operation(
            f"{end} end: centre",
            "",
            "centre",
            "lathe",
            "centre drill",
            Access("inside", ends=frozenset({end})),
            slow,
        )
        for end in ends
    ]
    for throw in sorted({f.throw for f in part.features if f.kind == "crankpin"}):
        found += [
            Operation(
                f"{end} end, {throw:g} off: centre",
                "",
                "centre",
                "mill",
                "centre drill",
                Access("end", ends=frozenset({end})),
                slow,
            )
            for end in ends
        ]
    return found


def _end_mm(part: Part) -> float:
    """How thick the right end is when it is done."""
    found = [
        min(f.size, float(f.asked.small or f.size))
        for f in part.features
        if is_round(f) and abs(f.span[0] - part.begin) < EPS
    ]
    return min(found, default=part.across)


def _of_feature(part: Part, feature: Feature) -> list[Operation]:
    if _as_bought(part, feature):
        return []
    cored = part.blank.cored is not None
    verbs = verbs_of(feature.asked, cored and feature.kind in INSIDE)
    if (
        feature.kind == "holes"
        and feature.key in part.tries
        and part.schools.get("holes") == "through"
    ):
        # The mate's own holes lead the drill.
        verbs = tuple(verb for verb in verbs if verb != "spot")
    milled, loose = _milled(part, feature), feature.kind == "split"
    if not milled and pilot(part, feature) is not None:
        verbs = tuple(verb for verb in verbs if verb != "centre")
    return [
        Operation(
            key=f"{feature.key}: {verb}",
            feature=feature.key,
            verb=verb,
            machine="bench" if loose else "mill" if milled else "lathe",
            tool=tool_of(feature, verb, milled),
            access=die_of(part, feature) if verb == "cut thread" else access_of(part, feature),
            speed=speed_of(part, feature, verb, milled),
        )
        for verb in verbs
    ]


_FLATS_OF = {"hexagon": 6, "square": 4}
"""How many flats a bar has that is not round."""


def _as_bought(part: Part, feature: Feature) -> bool:
    """Whether an outside, or its flats, are the bar's own: nothing is cut there."""
    dia, section = part.blank.dia, part.blank.section or "round"
    if part.blank.kind != "bar" or dia is None:
        return False
    if feature.kind == "flats":
        own = _FLATS_OF.get(section) == feature.asked.count and feature.limits is None
    else:
        # Ground bar keeps its surface, limits or none: there is nothing on it to turn.
        own = feature.kind in ("outside", "journal") and section == "round"
    return own and abs(feature.size - float(dia)) < 1e-3


def _milled(part: Part, feature: Feature) -> bool:
    if feature.kind in ("keyway", "flats", "slot", "plane", "profile", "holes", "passage"):
        return True
    return feature.kind in HOLES and not (part.turned and on_axis(feature))
