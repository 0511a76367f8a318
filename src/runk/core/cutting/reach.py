"""Work that stands out: how far, the speed it whirls at, and when it has to be held at its end."""

from __future__ import annotations

from dataclasses import replace
from math import pi, sqrt

from runk.core.cutting.operations import Operation
from runk.core.cutting.question import SetUp, SpeedQuestion
from runk.core.figures import Caution, Figure, Holds, Num, Working, law, stop
from runk.core.machines.machine import Holding
from runk.core.metals import Metal
from runk.core.said import mm_said
from runk.core.sources import MECHANICS, PRACTICE

LONG_FREE, LONG_HELD, LONG_BAR = 4.0, 10.0, 4.0
"""Overhangs in diameters: past these work wants a centre, a steady; a bar a warning."""
FREE_MOST = 10.0
"""Longer than so many diameters, work with a free end is not turned: common practice."""
WHIRL_SHARE = 1 / 3
"""Share of the first whirling speed that work standing out is kept under: common practice."""
_SPRUNG_MOST = 0.1
"""Bent by more than this share of its diameter, work climbs on the tool: common practice."""
_HELD_BOTH = frozenset({Holding.CENTRES, Holding.CHUCK_AND_CENTRE, Holding.MANDREL})
_ALONG = frozenset({Operation.TURN, Operation.KNURL, Operation.FORM, Operation.SCREW_CUT})
_FILED = frozenset({Operation.CHAMFER, Operation.DEBURR, Operation.FILE, Operation.EMERY})
_STANDS = frozenset({*_ALONG, *_FILED, Operation.FACE, Operation.PART, Operation.GROOVE})
FACED_OUT = 2.5
"""A face that stands out by more of its diameters is cut lighter: common practice."""
HOLD_IT = "give its end a centre, or hold it shorter"


@law(
    "Whirls from",
    "60 ÷ (2π) × 3.516 × √({e_gpa} × 10⁹ ÷ ({density_g_cm3} × 1000)) × {diameter_mm} ÷ 4000 "
    "÷ ({length_mm} ÷ 1000)²",
    holds=Holds(
        "it is at least five times as long as thick",
        lambda diameter_mm, length_mm: length_mm >= 5 * diameter_mm,
    ),
)
def whirl_rpm(e_gpa: float, density_g_cm3: float, diameter_mm: float, length_mm: float) -> float:
    """First whirling speed of a round bar held at one end, in revolutions a minute.

    Args:
        e_gpa: Young's modulus.
        density_g_cm3: Of the metal.
        diameter_mm: Of the bar.
        length_mm: How far it stands out, free at its end.

    Source: mechanics, first bending mode of a cantilever, 3.516 √(E I / (m L⁴)), with
    I / m = d² / (16 ρ) for a round bar.

    >>> round(whirl_rpm(97.0, 8.47, 6.0, 400.0))
    1065
    """
    wave = sqrt(e_gpa * 1e9 / (density_g_cm3 * 1000.0))
    return 60.0 / (2.0 * pi) * 3.516 * wave * diameter_mm / 4000.0 / (length_mm / 1000.0) ** 2


@law("Kept under", "{whirl_rpm} × {share}", PRACTICE)
def unwhirled_rpm(whirl_rpm: Num, share: Num) -> Num:
    """The fastest work standing out is turned, well under where it whirls.

    >>> unwhirled_rpm(900.0, 1 / 3)
    300.0
    """
    return whirl_rpm * share


def reach_mm(question: SpeedQuestion) -> float | None:
    """How far work stands out: as said, and never less than it is turned long."""
    said = float(question.overhang) if question.overhang is not None else 0.0
    if question.operation in _ALONG and question.length is not None:
        said = max(said, float(question.length))
    return said or None


def times_out(question: SpeedQuestion) -> float:
    """How many of its own diameters the work stands out; 0 where nobody said."""
    if question.operation not in _STANDS:
        return 0.0
    return (reach_mm(question) or 0.0) / float(question.diameter)


def far_sprung(question: SpeedQuestion, spring_mm: float) -> bool:
    """Whether work bends so far that no figure of it means anything: no beam bends as a beam."""
    return spring_mm > _SPRUNG_MOST * float(question.diameter)


def free(held: Holding) -> bool:
    """Whether the end of the work is free."""
    return held not in _HELD_BOTH


def as_long(question: SpeedQuestion, held: Holding) -> SpeedQuestion:
    """The same cut with the factor for long work, where it is that long by its own sizes."""
    most = LONG_FREE if free(held) else LONG_HELD
    return replace(question, set_up=SetUp.LONG) if times_out(question) > most else question


def whirls(w: Working, question: SpeedQuestion, metal: Metal, held: Holding) -> Figure | None:
    """The fastest this work may be turned for its length; None where its end is held, or it is
    no longer than usual."""
    reach = reach_mm(question)
    if reach is None or not free(held) or times_out(question) <= LONG_FREE:
        return None
    start = len(w.steps)
    first = w(
        whirl_rpm,
        e_gpa=metal["e_gpa"],
        density_g_cm3=metal["density_g_cm3"],
        diameter_mm=float(question.diameter),
        length_mm=reach,
    )
    return w.of(unwhirled_rpm, "target_rpm", since=start, whirl_rpm=first, share=WHIRL_SHARE)


def of_reach(
    question: SpeedQuestion, held: Holding, spring: Figure | None, worth_a_pass_mm: float
) -> list[Caution]:
    """What to mind about work or boring bar that stands out."""
    if question.operation is Operation.BORE:
        return _of_bar(question, spring, worth_a_pass_mm)
    times = times_out(question)
    thick = float(question.diameter)
    bent = spring is not None and far_sprung(question, spring.value)
    if free(held) and (times > FREE_MOST or bent):
        springs = ", it bends out of the way" if bent else ""
        return [
            stop(
                "the length",
                HOLD_IT,
                f"{times:.0f} times as long as thick, with its end free{springs}: it climbs on the "
                f"tool. Hold it within "
                f"{mm_said(LONG_FREE * thick)}, or bring up a centre or a steady.",
                "spring_mm",
                MECHANICS,
            )
        ]
    most, cure = (
        (LONG_FREE, "Give its end a centre.") if free(held) else (LONG_HELD, "Give it a steady.")
    )
    says = [f"{times:.1f} times as long as thick. {cure}"] if times > most else []
    if question.operation is Operation.FACE and free(held) and FACED_OUT < times <= most:
        says = [
            f"{times:.1f} times as long as thick: half the depth, and a pass or two at the last "
            "setting. A steady near the face does it better."
        ]
    if question.operation is Operation.FORM and spring is not None:
        return _formed(says, spring, worth_a_pass_mm)
    return _springs(says, "work", spring, worth_a_pass_mm)


def _formed(says: list[str], spring: Figure, worth_a_pass_mm: float) -> list[Caution]:
    """A broad tool pushes with its whole width: the work chatters before it springs back."""
    if 2 * spring.value <= worth_a_pass_mm:
        return []
    text = (
        f"Its whole width bends the work by {spring.words()}, twice that on the diameter: it "
        "chatters. A steady opposite it, or a narrower tool, slow."
    )
    return [Caution("Mind", "the work", " ".join([*says, text]), "spring_mm", MECHANICS)]


def _of_bar(
    question: SpeedQuestion, spring: Figure | None, worth_a_pass_mm: float
) -> list[Caution]:
    if question.bar is None or question.overhang is None:
        return []
    times = float(question.overhang / question.bar)
    says = (
        [f"{times:.1f} times as long as thick. Use a thicker bar or less overhang."]
        if times > LONG_BAR
        else []
    )
    return _springs(says, "boring bar", spring, worth_a_pass_mm)


def _springs(
    says: list[str], what: str, spring: Figure | None, worth_a_pass_mm: float
) -> list[Caution]:
    if spring is not None and 2 * spring.value > worth_a_pass_mm:
        says.append(f"It springs about {spring.words()}: leave two passes at the last setting.")
    if not says:
        return []
    return [Caution("Mind", f"the {what}", " ".join(says), "spring_mm", PRACTICE)]
