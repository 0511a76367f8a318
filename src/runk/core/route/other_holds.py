"""Ways of holding that are made for one part: stubs, bushes, fixtures, adhesive."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace

from runk.core.cutting.reach import LONG_FREE
from runk.core.machines.machine import Holding as Way
from runk.core.route.hold import LEAST_GRIP_MM, OTHER_END, Hold, keys_of, too_short, too_wide
from runk.core.route.operations import Operation
from runk.core.route.part import Part, on_axis

LIGHT = ("face", "chamfer", "finish")
"""Cuts an adhesive bears: common practice."""
VICE_MM = 80.0
"""The jaws of a small machine vice open so far: common practice."""
THIN_MM = 3.0
"""A plate thinner than this bends in a vice: common practice."""


def _indexed(part: Part, operations: tuple[Operation, ...]) -> frozenset[str]:
    """What is turned round between cuts: more flats than two."""
    many = {f.key for f in part.features if f.kind == "flats" and f.asked.count not in (None, 2)}
    return frozenset(one.key for one in operations if one.feature in many)


def less_usual(
    part: Part, operations: tuple[Operation, ...], off: frozenset[str]
) -> Iterator[Hold]:
    """By flats, by a thread in it, by a thread on it.

    Args:
        part: The part.
        operations: Its operations.
        off: What cuts it off its bar.

    >>> from runk.core.route.operations import operations_of
    >>> from runk.core.route.reading import part_of
    >>> nut = part_of("nut", "brass", "hexagon bar 10", ["tapped M6", "6 flats 10, from 0 to 5"])
    >>> [one.key for one in less_usual(nut, operations_of(nut), frozenset({"part off"}))][0]
    'in the dividing head on a screwed stub in tapped M6'
    """
    right, left = part.face_at("right"), part.face_at("left")
    long = part.long - part.begin
    # A thin one bows between the jaws.
    if right and left and long <= min(VICE_MM, LONG_FREE * part.across):
        both = keys_of(operations, right) | keys_of(operations, left) | off
        yield Hold(
            "in the vice by its ends",
            Way.VICE,
            "mill",
            frozenset({"across"}),
            needs=both,
            bars=_indexed(part, operations),
        )
    for feature in part.features:
        needs = keys_of(operations, feature) | off
        if feature.kind == "tapped" and on_axis(feature):
            yield Hold(
                f"in the dividing head on a screwed stub in {feature.key}",
                Way.MANDREL,
                "mill",
                frozenset({"across"}),
                None,
                feature.key,
                needs,
            )
        elif feature.kind == "thread":
            yield Hold(
                f"in the dividing head by a split bush round {feature.key}",
                Way.COLLET,
                "mill",
                frozenset({"across"}),
                feature.span,
                feature.key,
                needs,
            )
        grip = feature.span[1] - feature.span[0]
        for out in ("right", "left"):
            ends = frozenset({out, "outside"})
            if feature.kind == "flats" and feature.asked.count in (4, 6) and grip >= LEAST_GRIP_MM:
                way = Way.THREE_JAW if feature.asked.count == 6 else Way.FOUR_JAW
                jaws = "jaws" if feature.asked.count == 6 else "four-jaw"
                yield Hold(
                    f"{jaws} on {feature.key}, {out} end out",
                    way,
                    "lathe",
                    ends,
                    feature.span,
                    feature.key,
                    needs,
                )
            elif feature.kind == "tapped" and on_axis(feature):
                # It is screwed on from the end its thread opens at.
                if feature.asked.deep is None or feature.side == OTHER_END[out]:
                    yield Hold(
                        f"on a screwed stub in {feature.key}, {out} end out",
                        Way.MANDREL,
                        "lathe",
                        ends,
                        None,
                        feature.key,
                        needs,
                        inside=False,
                        bars=too_wide(part, operations, feature),
                    )
            elif feature.kind == "thread" and grip >= LEAST_GRIP_MM:
                yield Hold(
                    f"in a split bush round {feature.key}, {out} end out",
                    Way.COLLET,
                    "lathe",
                    ends,
                    feature.span,
                    feature.key,
                    needs,
                )


def on_its_rod(
    part: Part, operations: tuple[Operation, ...], found: Sequence[Hold]
) -> Iterator[Hold]:
    """A piston by the school that finishes it on its own rod: nowhere else is its outside finished.

    Args:
        part: The part.
        operations: Its operations.
        found: The other ways there are.
    """
    tried = {f.key for f in part.features if f.kind == "outside" and f.fine}
    finishes = frozenset(
        one.key for one in operations if one.verb == "finish" and one.feature in tried
    )
    yield from (replace(hold, bars=hold.bars | finishes) for hold in found)
    off = frozenset(o.key for o in operations if o.verb == "part off")
    for feature in part.features:
        if feature.kind in ("tapped", "reamed") and on_axis(feature) and feature.key in part.tries:
            yield Hold(
                f"on its own rod in {feature.key}, the rod in a collet",
                Way.COLLET,
                "lathe",
                frozenset({"right", "left", "outside"}),
                None,
                feature.key,
                keys_of(operations, feature) | off,
                inside=False,
            )


def without_a_head(
    part: Part, operations: tuple[Operation, ...], found: Sequence[Hold]
) -> Iterator[Hold]:
    """The same ways where no dividing head is owned: in V-blocks, where nothing is indexed round.

    Args:
        part: The part.
        operations: Its operations.
        found: The ways there would be.
    """
    round_ = _indexed(part, operations)
    for hold in found:
        if "in the dividing head" in hold.key:
            key = hold.key.replace("in the dividing head", "in V-blocks")
            yield replace(hold, key=key, bars=hold.bars | round_)
        else:
            yield hold


def bonded(part: Part, operations: tuple[Operation, ...], found: Sequence[Hold]) -> Iterator[Hold]:
    """By adhesive on a stub turned true, where nothing else reaches an end well.

    Args:
        part: The part.
        operations: Its operations.
        found: The other ways there are.
    """
    for end in ("right", "left"):
        facing = [
            one
            for one in operations
            if one.verb == "face" and one.access.way == "end" and one.access.ends == {end}
        ]
        held = [h for h in found if any(h.reaches(one) for one in facing)]
        if not facing or any(not too_short(part, hold) and not hold.thin for hold in held):
            continue
        foot = part.face_at(OTHER_END[end])
        if foot is not None:
            off = frozenset(o.key for o in operations if o.verb == "part off")
            yield Hold(
                f"bonded by {foot.key} to a stub turned true, {end} end out",
                Way.BONDED,
                "lathe",
                frozenset({end, "outside"}),
                None,
                foot.key,
                keys_of(operations, foot) | off,
                bars=frozenset(one.key for one in operations if one.verb not in LIGHT),
            )


def blocks(part: Part, operations: tuple[Operation, ...], rotary: bool = False) -> Iterator[Hold]:
    """A block: in the vice, clamped down, on a fixture by its holes, on tape where it is thin.

    Args:
        part: The part.
        operations: Its operations.
        rotary: Whether a rotary table is owned.

    >>> from runk.core.route.operations import operations_of
    >>> from runk.core.route.reading import part_of
    >>> features = ["reamed 6, from the top", "profile, from the top"]
    >>> web = part_of("web", "brass", "plate 30 by 12 by 6", features)
    >>> [one.key for one in blocks(web, operations_of(web))]
    ['in the vice, top up', 'clamped to the table, top up', 'on a fixture by reamed 6, top up']
    """
    outlines = [f for f in part.features if f.kind == "profile"]
    outline = frozenset(k for f in outlines for k in keys_of(operations, f))
    planes = frozenset(
        k for f in part.features if f.kind == "plane" for k in keys_of(operations, f)
    )
    high = float(part.blank.high or 0)
    for side in sorted({f.side or "top" for f in part.features}):
        up = frozenset({side})
        if not 0 < high < THIN_MM:
            # Once its outline is cut there is nothing parallel to close on.
            yield Hold(f"in the vice, {side} up", Way.VICE, "mill", up, gone=outline, bars=outline)
        else:
            yield Hold(f"on tape, {side} up", Way.BONDED, "mill", up)
        if not any((f.side or "top") == side for f in outlines):
            continue
        yield Hold(f"clamped to the table, {side} up", Way.CLAMPS, "mill", up, bars=planes)
        through = [
            f
            for f in part.features
            if f.kind in ("reamed", "drilled") and (f.side or "top") == side and not f.asked.deep
        ]
        if through:
            needs = frozenset(k for f in through for k in keys_of(operations, f))
            by = " and ".join(f.key for f in through[:2])
            yield Hold(
                f"on a fixture by {by}, {side} up",
                Way.CLAMPS,
                "mill",
                up,
                None,
                through[0].key,
                needs,
                bars=planes,
            )
            if rotary:
                yield Hold(
                    f"on the rotary table about {through[0].key}, {side} up",
                    Way.CLAMPS,
                    "mill",
                    up,
                    None,
                    through[0].key,
                    needs,
                    bars=planes,
                )
