"""A pass and what should come of it; where a cut stands after it."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from runk.core.machines.dials import JUDGED
from runk.core.plan.laws import comes_off_mm
from runk.core.plan.spec import CutSpec


class PassKind(StrEnum):
    """Which kind of pass it is."""

    FIRST = "first"
    ROUGH = "rough"
    MEASURE = "measure"
    LAST = "last"
    SPRING = "spring"
    FINE = "fine"
    """By less than the dial can be judged to: the top slide set over, or an indicator."""


@dataclass(frozen=True, slots=True)
class Standing:
    """Where a cut stands.

    Args:
        left_mm: Metal left to the size aimed at.
        load_mm: What the last pass took, a finishing one at its share: what springs.
        ratio: Spring for each millimetre of a roughing cut, as known by now, at the size aimed at.
        wound: Divisions wound on in all since the dial stood at nought.
        spring_passes: Spring passes made since the last real cut.
        finishing: Whether the last cut was a finishing one.
    """

    left_mm: float
    load_mm: float
    ratio: float
    wound: float = 0.0
    spring_passes: int = 0
    finishing: bool = False
    softer: float = 1.0
    """How much more the work bent at the last pass than it does at the size aimed at."""
    end: int = 1
    """Which end of a length the last pass was made at."""
    nought: float = 0.0
    """Divisions wound on when the dial was last set to nought: each end has its own."""

    @property
    def lag_mm(self) -> float:
        """What the last pass left behind, sprung away from."""
        return self.ratio * self.softer * self.load_mm

    def ratio_now(self, spec: CutSpec) -> float:
        """The spring ratio of a cut at the size the work has now."""
        return self.ratio * spec.softer(self.left_mm)


@dataclass(frozen=True, slots=True)
class Pass:
    """A pass: what is wound on, and what should come of it."""

    kind: PassKind
    divisions: float
    wound_mm: float
    takes_mm: float
    load_mm: float
    leaves_mm: float
    end: int = 1
    softer: float = 1.0


def safe_to_touch(spec: CutSpec, at: Standing) -> bool:
    """Whether the least that can be wound on would stay clear of the other limit.

    A size that reads inside, but not by enough to be sure, is only cut again where that
    cannot spoil it.
    """
    fine = at.ratio_now(spec) * spec.finish_share
    least = comes_off_mm(spec.division * JUDGED, at.lag_mm, fine)
    guard = spec.most_left - spec.sure_left
    return at.left_mm - least - spec.division * JUDGED / 2 >= spec.least_left + guard


def made_pass(spec: CutSpec, at: Standing, kind: PassKind, divisions: float, end: int = 1) -> Pass:
    """A pass with so many divisions wound on, and what should come of it."""
    wound = divisions * spec.division
    share = 1.0 if kind is PassKind.ROUGH else spec.finish_share
    takes = comes_off_mm(wound, at.lag_mm, at.ratio_now(spec) * share)
    softer = spec.softer(at.left_mm)
    return Pass(kind, divisions, wound, takes, share * takes, at.left_mm - takes, end, softer)


def after(at: Standing, made: Pass) -> Standing:
    """Where a cut stands once a pass has come out as predicted."""
    spring = made.kind is PassKind.SPRING
    # Built anew rather than replaced: a plan takes this step for every pass, at every reading.
    return Standing(
        made.leaves_mm,
        made.load_mm,
        at.ratio,
        at.wound + made.divisions,
        at.spring_passes + 1 if spring else 0,
        made.kind is not PassKind.ROUGH,
        made.softer,
        made.end,
        nought_of(at, made),
    )


def turned_round(at: Standing, made: Pass) -> bool:
    """Whether the work is turned end for end before a pass: touched again, the dial at nought."""
    return made.end != at.end


def nought_of(at: Standing, made: Pass) -> float:
    """Divisions wound on in all where the dial stood at nought for a pass."""
    return at.wound if turned_round(at, made) else at.nought
