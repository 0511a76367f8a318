"""One way of holding a part: what it grips, what it leaves free, what it reaches."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.machines.machine import Holding as Way
from runk.core.route.feature_question import INSIDE
from runk.core.route.operations import Operation
from runk.core.route.part import EPS, Feature, Part, is_round

OTHER_END = {"right": "left", "left": "right"}
THIN_WALL = 0.1
"""A ring with a wall under this share of its diameter goes three-cornered in jaws: practice."""
MOST_ON_STUB = 4.0
"""A mandrel or a stub turns nothing of more than this many of its diameters: common practice."""
LEAST_GRIP_MM = 3.0
"""Jaws on less than this hold nothing: common practice."""
ENOUGH_MM = 8.0
"""So much is enough for jaws on a disc of any size: common practice."""


@dataclass(frozen=True, slots=True)
class Hold:
    """One way of holding one part.

    Args:
        key: ``jaws on outside 30, left end out``: its words are its key.
        way: As the machine's limits know it.
        machine: ``lathe``, ``mill`` or ``bench``.
        out: Ends or sides that stand free.
        grips: The length of the axis that is covered; None where none is.
        on: Name of the feature it bears on; empty for the blank.
        needs: Operations that must be done for it to be there.
        gone: Operations after which it is no longer there.
        throw: How far off the part's axis it turns.
        inside: Whether holes on the axis are reached.
        faces: Whether faces are.
        cuts_off: Whether the part is still on its bar.
        thin: Whether it bears on a wall that gives.
        bars: Operations it stands in the way of, or does not bear.
    """

    key: str
    way: Way
    machine: str
    out: frozenset[str]
    grips: tuple[float, float] | None = None
    on: str = ""
    needs: frozenset[str] = frozenset()
    gone: frozenset[str] = frozenset()
    throw: float = 0.0
    inside: bool = True
    faces: bool = True
    cuts_off: bool = False
    thin: bool = False
    bars: frozenset[str] = frozenset()

    def reaches(self, one: Operation) -> bool:
        """Whether an operation can be done so held."""
        access = one.access
        if one.key in self.bars:
            return False
        if access.way == "none":
            return self.machine == "bench"
        if one.machine != self.machine or self.machine == "bench":
            return False
        if one.verb == "part off":
            return self.cuts_off
        if access.way == "side":
            return bool(access.ends & self.out)
        if access.way in ("end", "inside"):
            if self.throw or (not self.inside if access.way == "inside" else not self.faces):
                return False
            return bool(access.ends & self.out)
        if access.way == "across":
            return "across" in self.out and self._free(access.span)
        if access.way == "die" and not access.ends & self.out:
            return False
        return (
            "outside" in self.out
            and abs(access.throw - self.throw) < EPS
            and self._free(access.span)
            and (access.span[0] < access.span[1] or bool(access.ends & self.out))
        )

    def _free(self, span: tuple[float, float]) -> bool:
        if self.grips is None:
            return True
        first, last = self.grips
        free_right, free_left = span[1] <= first + EPS, span[0] >= last - EPS
        if self.machine == "mill":
            return free_right or free_left
        return ("right" in self.out and free_right) or ("left" in self.out and free_left)


def keys_of(operations: tuple[Operation, ...], feature: Feature) -> frozenset[str]:
    """Everything that is done to a feature."""
    return frozenset(one.key for one in operations if one.feature == feature.key)


def thin_over(part: Part, outside: Feature) -> tuple[Feature, ...]:
    """Bores that leave so thin a wall under an outside that jaws press it out of round."""
    return tuple(
        f
        for f in part.features
        if f.kind in INSIDE
        and f.overlaps(outside)
        and (outside.size - f.size) / 2 < THIN_WALL * outside.size
    )


def too_wide(part: Part, operations: tuple[Operation, ...], stub: Feature) -> frozenset[str]:
    """What is turned so far out that a mandrel or stub slips or bends; facing is light."""
    return frozenset(
        one.key
        for one in operations
        if one.machine == "lathe"
        and one.verb in ("turn", "rough", "groove", "knurl")
        and one.feature
        and is_round(part.by_key[one.feature])
        and part.by_key[one.feature].size > MOST_ON_STUB * stub.size
    )


def too_short(part: Part, hold: Hold) -> bool:
    """Whether jaws have so little to close on that the work tips out."""
    on = part.surface(hold.on)
    if hold.grips is None or hold.machine != "lathe" or on is None:
        return False
    long, size = hold.grips[1] - hold.grips[0], on.size
    return long < max(LEAST_GRIP_MM, min(size / 4, ENOUGH_MM)) - 1e-9
