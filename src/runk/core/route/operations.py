"""Operations of a part: each feature's own, and those of the whole."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.cutting.reach import FREE_MOST, LONG_FREE
from runk.core.route.feature_question import HOLES, INSIDE, ROUND
from runk.core.route.part import EPS, FLAT_SIDES, Feature, Part, on_axis
from runk.core.route.verbs import verbs_of

LEAST_CENTRE_MM = 2.0
"""A thinner end takes no centre: common practice."""
DOG_MM = 8.0
"""What a dog needs to sit on: common practice."""
DEEP = 8.0
"""A drill goes deeper than this many of its diameters only where it must: common practice."""
BOTH = frozenset({"right", "left"})


@dataclass(frozen=True, slots=True)
class Access:
    """From where an operation is done.

    Args:
        way: ``outside`` along a length, ``end`` on an end, ``inside`` through an end, ``die``
            along a length from an end, ``across`` square to the axis, ``side`` of a block,
            ``none`` where it lies loose.
        span: The length of the axis it needs free.
        ends: The ends or sides that will do.
        throw: How far off the axis it turns.
    """

    way: str
    span: tuple[float, float] = (0.0, 0.0)
    ends: frozenset[str] = BOTH
    throw: float = 0.0


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
        speed = _speed(part, "part", part.outside_at(part.long))
        access = Access("outside", span)
        found.append(Operation(PART_OFF, "", "part off", "lathe", "parting tool", access, speed))
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
    speed = _speed(part, "centre", 3.0)
    found = [
        Operation(f"{end} end: centre", "", "centre", "lathe", "centre drill",
                  Access("inside", ends=frozenset({end})), speed)
        for end in ends
    ]  # fmt: skip
    for throw in sorted({f.throw for f in part.features if f.kind == "crankpin"}):
        found += [
            Operation(f"{end} end, {throw:g} off: centre", "", "centre", "mill", "centre drill",
                      Access("end", ends=frozenset({end})), speed)
            for end in ends
        ]  # fmt: skip
    return found


def _end_mm(part: Part) -> float:
    """How thick the right end is when it is done."""
    found = [
        min(f.size, float(f.asked.small or f.size)) for f in part.features
        if is_round(f) and abs(f.span[0] - part.begin) < EPS
    ]  # fmt: skip
    return min(found, default=part.across)


def _speed(part: Part, operation: str, size: float, **more: str) -> tuple[tuple[str, str], ...]:
    typed = {"operation": operation, "diameter": f"{size:.4f} mm", "metal": part.metal, **more}
    return tuple(typed.items())


def _of_feature(part: Part, feature: Feature) -> list[Operation]:
    if _as_bought(part, feature):
        return []
    cored = part.cast and part.blank.cored is not None
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
            tool=_tool(feature, verb, milled),
            access=_die(part, feature) if verb == "cut thread" else _access(part, feature),
            speed=_speed_of(part, feature, verb, milled),
        )
        for verb in verbs
    ]


_FLATS_OF = {"hexagon": 6, "square": 4}
"""How many flats a bar has that is not round."""


def pilot(part: Part, hole: Feature) -> Feature | None:
    """The smaller hole on the axis that is drilled first from the same end, and leads this one."""
    smaller = [f for f in _in_line(part, hole) if not goes_on(part, hole, f)]
    return min(smaller, key=lambda f: f.size, default=None)


def _in_line(part: Part, hole: Feature) -> list[Feature]:
    """Smaller holes that go on where one on the axis ends, from the same end."""
    if not _on_line(hole):
        return []
    ends = _line_ends(part, hole)
    return [
        f for f in part.features
        if f is not hole and _on_line(f) and f.size < hole.size - EPS
        and _line_ends(part, f) & ends and (f.kind in INSIDE or f.asked.deep is None)
    ]  # fmt: skip


def goes_on(part: Part, hole: Feature, small: Feature) -> bool:
    """Whether a small hole is so deep that it is drilled on from the bottom of a larger one.

    Args:
        part: The part.
        hole: The larger, from the same end.
        small: The smaller.
    """
    first, last = small.span if small.kind in INSIDE else (part.begin, part.long)
    blind = hole.kind in INSIDE or hole.asked.deep is not None
    return blind and last - first > DEEP * small.size


def drilled_on(part: Part, small: Feature) -> tuple[Feature, ...]:
    """Larger holes from whose bottom a deep small one is drilled on.

    >>> from runk.core.route.reading import part_of
    >>> lines = ["outside 6, from 0 to 15", "drilled 0.6", "drilled 3, 12 deep"]
    >>> jet = part_of("jet", "brass", "bar 8", lines)
    >>> [one.key for one in drilled_on(jet, jet.features[1])]
    ['drilled 3']
    """
    return tuple(
        hole for hole in part.features
        if small in _in_line(part, hole) and goes_on(part, hole, small)
    )  # fmt: skip


def _on_line(feature: Feature) -> bool:
    return feature.kind == "bore" or (feature.kind in HOLES and on_axis(feature))


def _line_ends(part: Part, hole: Feature) -> frozenset[str]:
    return part.open_ends(hole) if hole.kind in INSIDE else _mouth(part, hole)


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


def _access(part: Part, feature: Feature) -> Access:
    kind, span = feature.kind, feature.span
    if kind == "split":
        return Access("none")
    if feature.side in FLAT_SIDES or not part.turned:
        return Access("side", ends=frozenset({feature.side or "top"}))
    if kind == "holes" or (kind in (*HOLES, "passage", "slot") and feature.side in BOTH):
        if kind in HOLES and not feature.throw:
            return Access("inside", ends=_mouth(part, feature))
        return Access("end", ends=frozenset({feature.side or "right"}))
    if kind in INSIDE:
        return Access("inside", ends=part.open_ends(feature) or BOTH)
    if kind in HOLES and feature.throw:
        return Access("end", ends=frozenset({feature.side or "right"}))
    if kind in HOLES and on_axis(feature):
        return Access("inside", ends=_mouth(part, feature))
    if kind == "bore-keyway":
        bores = [f for f in part.features if f.kind in INSIDE and f.overlaps(feature)]
        return Access("inside", ends=part.open_ends(bores[0]) if bores else BOTH)
    if kind in ("keyway", "flats", "slot", "passage", *HOLES):
        half = feature.size / 2 if kind in (*HOLES, "passage") else 0.0
        return Access("across", (span[0] - half, span[1] + half))
    if kind == "face":
        return _face(part, feature)
    return Access("outside", span, throw=feature.throw)


def _die(part: Part, feature: Feature) -> Access:
    """From which end a die is run on: nothing thicker than the thread's core stands before it."""
    core = feature.asked.screw.minor_mm if feature.asked.screw is not None else feature.size
    ends = set()
    for end in ("right", "left"):
        before = [
            f for f in part.features
            if is_round(f) and f is not feature and f.size > core
            and (f.span[1] <= feature.span[0] + EPS if end == "right"
                 else f.span[0] >= feature.span[1] - EPS)
        ]  # fmt: skip
        if not before:
            ends.add(end)
    # Between two shoulders no die passes: it is screw-cut, from anywhere.
    return Access("die" if ends else "outside", feature.span, frozenset(ends or BOTH))


def _mouth(part: Part, feature: Feature) -> frozenset[str]:
    """Ends from which a hole on the axis is drilled: both where it goes right through."""
    if feature.side in BOTH:
        return frozenset({feature.side}) if feature.asked.deep is not None else BOTH
    if feature.asked.deep is not None:
        middle = (part.begin + part.long) / 2
        return frozenset({"left" if feature.span[0] > middle else "right"})
    return BOTH


def _face(part: Part, feature: Feature) -> Access:
    x = feature.span[0]
    if abs(x - part.begin) < EPS:
        return Access("end", (x, x), frozenset({"right"}))
    if abs(x - part.long) < EPS:
        return Access("end", (x, x), frozenset({"left"}))
    # A shoulder: it faces the end towards which the part is thinner.
    thinner_right = part.outside_at(x - 0.01) <= part.outside_at(x + 0.01)
    return Access("outside", (x, x), frozenset({"right" if thinner_right else "left"}))


_TOOLS = {
    "face": "knife tool",
    "turn": "knife tool",
    "rough": "knife tool",
    "finish": "finishing tool",
    "groove": "grooving tool",
    "chamfer": "chamfer tool",
    "knurl": "knurling tool",
    "centre": "centre drill",
    "spot": "centre drill",
    "saw": "saw",
    "bolt": "bolts",
}


def _tool(feature: Feature, verb: str, milled: bool) -> str:
    if feature.kind in INSIDE and verb in ("rough", "finish"):
        return "boring bar"
    if verb == "drill":
        size = feature.asked.screw.name if feature.asked.screw is not None else f"{feature.size:g}"
        return f"drill for {size}"
    if verb in ("ream", "tap", "cut thread"):
        size = feature.asked.screw.name if feature.asked.screw is not None else f"{feature.size:g}"
        return f"{ {'ream': 'reamer', 'tap': 'tap', 'cut thread': 'die'}[verb] } {size}"
    if verb == "slot":
        return f"slotting tool {feature.size:g}"
    if milled and verb == "mill":
        return _cutter(feature)
    return _TOOLS[verb]


def _cutter(feature: Feature) -> str:
    if feature.kind in ("keyway", "slot"):
        return f"slot drill {float(feature.asked.wide or 0):g}"
    return "end mill"


def _speed_of(part: Part, feature: Feature, verb: str, milled: bool) -> tuple[tuple[str, str], ...]:
    size = feature.size
    if verb in ("centre", "spot"):
        return _speed(part, "centre", min(max(size / 3, 1.0), 5.0))
    if verb == "drill":
        return _speed(part, "drill", _drill_mm(feature))
    if verb == "ream":
        return _speed(part, "ream", size)
    if verb in ("tap", "cut thread", "slot", "saw", "bolt"):
        return ()
    if feature.kind in INSIDE:
        return _speed(part, "bore", size, stage="finish" if verb == "finish" else "rough")
    if verb == "mill":
        wide = float(feature.asked.wide or 0) or 10.0
        return _speed(part, "slot" if feature.kind in ("slot", "keyway") else "end-mill", wide)
    turned = size + 2 * feature.throw
    if verb == "face" or verb == "chamfer":
        at = part.outside_at(feature.span[0]) or part.across
        return _speed(part, "face", at) if at else ()
    if verb in ("groove", "knurl"):
        return _speed(part, verb, max(turned, 1.0))
    return _speed(part, "turn", turned, stage="finish" if verb == "finish" else "rough")


def _drill_mm(feature: Feature) -> float:
    """Near enough for a belt: the very drill is the hole's own question."""
    if feature.asked.screw is not None:
        return feature.asked.screw.minor_mm
    if feature.kind in INSIDE:
        return max(min(feature.size - 1.0, 13.0), feature.size * 0.5)
    return feature.size


def is_round(feature: Feature) -> bool:
    """Whether it is turned outside."""
    return feature.kind in (*ROUND, "taper", "thread")
