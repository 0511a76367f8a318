"""A bar on a lathe from first principles: not the law Runk plans by, nor its practice lathe.

The tool is carried along the bar in steps. Between chuck and tool the bar is still as thick as
before the pass; it bends there by the unit-load integral, so that each step comes off as much as
the force of its own chip lets it. Slides out of line, a touch that errs and a gauge that errs go
with it.
"""

from __future__ import annotations

import random
from dataclasses import dataclass, field
from math import pi

from runk.core.plan.events import Event, EventKind
from runk.core.plan.follow import begin, follow
from runk.core.plan.made import PassKind
from runk.core.plan.passes import next_pass
from runk.core.plan.plan import PLAN, to_follow
from runk.core.questions import read_question
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

STEPS = 24
_MOST_PASSES = 60
_PUSHES = 0.5
"""Share of the cutting force that goes sideways: 0.3 to 0.6 by practice."""


@dataclass
class Bar:
    """Work in a chuck, or a bore on a bar that is as stiff all the time.

    Args:
        now_mm: Diameter at the start.
        out_mm: Standing out, all of it turned; of a boring bar, its overhang.
        e_gpa: Of what bends.
        bar_mm: A boring bar's own diameter; 0 where the work bends.
        n_per_mm: Sideways force for each millimetre of depth, at the roughing feed.
    """

    now_mm: float
    out_mm: float
    e_gpa: float
    bar_mm: float
    n_per_mm: float
    seed: int
    fine_share: float
    at_mm: list[float] = field(default_factory=list)

    def __post_init__(self) -> None:
        self.random = random.Random(self.seed)
        self.at_mm = [self.now_mm / 2] * STEPS
        self.tool_mm = self.now_mm / 2 + self.sign * abs(self.random.gauss(0, 0.012))
        self.n_per_mm *= self.random.uniform(0.75, 1.3)
        # The slides are out of line by so much from chuck to end.
        self.taper_mm = self.random.uniform(-0.004, 0.004)
        # Chuck, headstock and slides give as well.
        self.gives_mm_per_n = self.random.uniform(0, 2e-5)

    @property
    def sign(self) -> int:
        """Which way the size goes: a bore grows."""
        return -1 if self.bar_mm else 1

    def _yields(self, step: int) -> float:
        """Millimetres the tool and the work part for each newton, the tool at that step."""
        if self.bar_mm:
            inertia = pi * self.bar_mm**4 / 64
            return self.out_mm**3 / (3000 * self.e_gpa * inertia) + self.gives_mm_per_n
        h, total = self.out_mm / STEPS, 0.0
        here = (step + 0.5) * h
        for part in range(step + 1):
            x = (part + 0.5) * h
            wide = h if part < step else h / 2
            inertia = pi * (2 * self.at_mm[part]) ** 4 / 64
            total += (here - x) ** 2 / (1000 * self.e_gpa * inertia) * wide
        return total + self.gives_mm_per_n

    def pass_mm(self, wind_mm: float, *, fine: bool) -> None:
        """Wind so much on, on the radius, and run the tool along from the end to the chuck."""
        if wind_mm:
            wind_mm += self.random.gauss(0, 0.0008)
        self.tool_mm -= self.sign * wind_mm
        push = self.n_per_mm * (self.fine_share if fine else 1.0)
        for step in range(STEPS - 1, -1, -1):
            tool = self.tool_mm + self.taper_mm * step / STEPS
            deep = self.sign * (self.at_mm[step] - tool)
            if deep <= 0:
                continue
            # What comes off is what is left of the depth once its own force has bent it away.
            self.at_mm[step] -= self.sign * deep / (1 + push * self._yields(step))

    def gauge_mm(self, resolution_mm: float) -> float:
        """The diameter as read at its free end, where it is measured."""
        felt = 2 * self.at_mm[-1] + self.random.gauss(0, 0.3 * resolution_mm)
        return round(felt / resolution_mm) * resolution_mm

    @property
    def size_mm(self) -> float:
        """The true diameter where it is measured."""
        return 2 * self.at_mm[-1]


@dataclass(frozen=True)
class Case:
    """A cut to be followed: its question's fields, and what bends."""

    job: str
    metal: str
    now: str
    wanted: str
    out: str
    bar: str = ""

    @property
    def name(self) -> str:
        """In words."""
        on = f" on a {self.bar} mm bar" if self.bar else ""
        return f"{self.metal} {self.now} to {self.wanted}{on}, {self.out} out"

    @property
    def typed(self) -> dict[str, str]:
        """The question as it would be typed, limits plus or minus 0.02 mm."""
        fields = {
            "job": self.job,
            "metal": self.metal,
            "now": self.now,
            "wanted": self.wanted,
            "limits": "+0.02 -0.02",
            "overhang": self.out,
        }
        return fields | ({"bar": self.bar} if self.bar else {})


CASES = (
    Case("outside", "mild-steel", "10", "6", "55"),
    Case("outside", "mild-steel", "12", "6", "55"),
    Case("outside", "brass", "6", "3", "28"),
    Case("bore", "grey-iron", "14", "16", "40", "10"),
)
TOO_LONG = (
    Case("outside", "mild-steel", "10", "6", "70"),
    Case("outside", "brass", "6", "3", "60"),
)


def ends_inside(case: Case, workshop: Workshop, seeds: int) -> int:
    """How many of so many bars, every pass measured, end inside their limits at their end."""
    question = read_question(PLAN, case.typed, PageUnit.MM, workshop).question
    cut = to_follow(question, PLAN.needs(question, workshop))
    spec, rough = cut.spec, cut.rough
    assert rough is not None
    assert rough.force_n is not None
    assert rough.depth_mm is not None
    push = _PUSHES * rough.force_n.value / rough.depth_mm.value
    stiff = 205.0 if case.bar else workshop.metals[case.metal]["e_gpa"]
    inside = 0
    for seed in range(seeds):
        bar = Bar(
            now_mm=float(case.now),
            out_mm=float(case.out),
            e_gpa=stiff,
            bar_mm=float(case.bar or 0),
            n_per_mm=push,
            seed=seed,
            fine_share=spec.finish_share,
        )
        where = begin(spec)
        for number in range(1, _MOST_PASSES):
            told = next_pass(spec, where.at)
            if told is None or where.at.left_mm < spec.least_left:
                break
            bar.pass_mm(told.wound_mm / 2, fine=told.kind is not PassKind.ROUGH)
            read = bar.gauge_mm(spec.resolution_mm)
            where = follow(spec, [Event(number, EventKind.READING, (read,))], where)
        inside += spec.low_mm <= bar.size_mm <= spec.high_mm
    return inside
