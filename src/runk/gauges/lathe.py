"""A lathe that is not there: honest spring, wear, backlash and noise, all from a seed."""

from __future__ import annotations

import random

from runk.core.plan.spec import CutSpec

_SPRING_SPREAD = (0.7, 1.4)
_MORE_SPRING = 0.04
_TOUCH_DIVISIONS = 0.5
_SET_DIVISIONS = 0.06
_WEAR = 0.002


class SimulatedLathe:
    """A piece of work on a lathe, known only through its dial and its gauges.

    Everything is in the size's own sense. The true spring differs from the bending sum, the
    dial was never set to nought quite right, and the edge wears as it cuts.

    Args:
        spec: The cut to be made on it.
        seed: The same seed is the same lathe, cut for cut.

    """

    def __init__(self, spec: CutSpec, seed: int) -> None:
        self.spec, self.random = spec, random.Random(seed)
        spread = self.random.uniform(*_SPRING_SPREAD)
        self.ratio = spec.spring_ratio * spread + self.random.uniform(0, _MORE_SPRING)
        self.wear_share = self.random.uniform(0, _WEAR)
        self.left_mm = spec.left(spec.now_mm)
        touch = self.random.gauss(0, _TOUCH_DIVISIONS) * spec.division
        self._tool_left_mm = self.left_mm + abs(touch)
        self._slack = 0.0
        self.removed_mm = 0.0
        self.passes = 0

    @property
    def size_mm(self) -> float:
        """The true size, which nobody can see."""
        return self.spec.size(self.left_mm)

    def wind(self, divisions: float) -> None:
        """Turn the dial on, or back where less than 0: coming back, the slack is lost first."""
        if divisions < 0:
            self._slack = min(self.spec.backlash, self._slack - divisions)
            self._tool_left_mm -= min(0.0, divisions + self.spec.backlash) * self.spec.division
            return
        moved = max(0.0, divisions - self._slack)
        self._slack = max(0.0, self._slack - divisions)
        if moved:
            moved += self.random.gauss(0, _SET_DIVISIONS)
        self._tool_left_mm -= moved * self.spec.division

    def cut(self, *, fine: bool) -> float:
        """Run the tool along the work once; gives what came off, which is not told to anybody.

        Args:
            fine: At the finishing feed, which springs less.
        """
        self.passes += 1
        share = self.spec.finish_share if fine else 1.0
        deep = self.left_mm - self._tool_left_mm
        took = max(0.0, deep / (1 + self.ratio * self.spec.softer(self.left_mm) * share))
        self.left_mm -= took
        self.removed_mm += took
        # The edge wears back, so that the tool stands further out than its dial says.
        self._tool_left_mm += took * self.wear_share
        return took
