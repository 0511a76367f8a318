"""``pairs``: several bores and several pistons, and which goes with which."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from fractions import Fraction
from statistics import median

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, law, told
from runk.core.fits.classes import between_limit_mm, duty_limit_mm
from runk.core.fits.pairing import Assigned, assigned
from runk.core.fits.pairs_question import (
    Known,
    MadeAnswer,
    Missed,
    Paired,
    PairsAnswer,
    PairsQuestion,
)
from runk.core.fits.question import duties
from runk.core.lengths import Reading
from runk.core.lengths.members import Member
from runk.core.refusals import Refused
from runk.core.said import mm_said, number_said, thou_said
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_SCRAP_TIMES = 1.0
"""Looser than the most by this many times the whole range, a part goes in none of this kind."""


@law("Fit as they come", "share of {hole_mm} × {shaft_mm} in which the clearance is as wanted")
def fits_percent(
    hole_mm: float, shaft_mm: float, lowest_mm: float, least_mm: float, most_mm: float
) -> float:
    """Chance that a hole and a shaft, each anywhere inside its limits, fit.

    Args:
        hole_mm: Width of the hole's limits; ``shaft_mm`` of the shaft's.
        lowest_mm: Least clearance that may come.
        least_mm: Clearance a pair must have; ``most_mm`` may have.

    >>> round(fits_percent(0.02, 0.02, 0.0, 0.01, 0.03), 6)
    75.0
    """

    def under(x: float) -> float:
        # Area of the rectangle of both limits where the clearance is x or less.
        x = min(max(x - lowest_mm, 0.0), hole_mm + shaft_mm)
        if not hole_mm or not shaft_mm:
            return x / (hole_mm + shaft_mm) if hole_mm + shaft_mm else 1.0
        corners = x**2 - max(x - hole_mm, 0.0) ** 2 - max(x - shaft_mm, 0.0) ** 2
        return corners / (2 * hole_mm * shaft_mm)

    if not hole_mm and not shaft_mm:
        return 100.0 if least_mm - 1e-9 <= lowest_mm <= most_mm + 1e-9 else 0.0
    return max(under(most_mm) - under(least_mm), 0.0) * 100.0


def needs(_: PairsQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def settle(question: PairsQuestion, _: Workshop, __: Mapping[str, Reading]) -> PairsQuestion:
    """Both ends of the clearance, the right way round; one that was left out is said back.

    Raises:
        Refused: The most is under the least.
    """
    if question.least is None and question.most is None:
        return question
    least = question.least or Fraction(0)
    most = 2 * least if question.most is None else question.most
    if most < least:
        raise Refused("The most clearance is under the least.", field="most")
    return replace(question, least=least, most=most)


def _wanted(w: Working, question: PairsQuestion, size: float) -> tuple[Figure, Figure]:
    if question.least is not None and question.most is not None:
        return told(float(question.least), "least_mm"), told(float(question.most), "most_mm")
    duty = duties()[question.duty]
    found = [
        w.of(duty_limit_mm, key, per_inch=per, size_mm=size, besides=besides, source=duty.source)
        for key, (per, besides) in (("least_mm", duty.low), ("most_mm", duty.high))
    ]
    return replace(found[0], places=3), replace(found[1], places=3)


def pairs(question: PairsQuestion, _: None = None) -> PairsAnswer | MadeAnswer:
    """Which goes with which; or how many will, made to limits.

    >>> from runk.core.fits.measured import Station
    >>> from fractions import Fraction
    >>> row = lambda *sizes: tuple(Station(str(n), (Fraction(s),)) for n, s in enumerate(sizes, 1))
    >>> asked = PairsQuestion(holes=row("22.00", "22.02"), shafts=row("21.99", "21.97"))
    >>> [(p.hole, p.shaft) for p in pairs(asked).pairs]
    [('1', '2'), ('2', '1')]
    """
    return _made(question) if question.known is Known.MADE else _measured(question)


def _measured(question: PairsQuestion) -> PairsAnswer:
    w = Working()
    # What decides is the smallest a bore measures anywhere, and the largest of a piston.
    holes = [(one.name, float(min(one.sizes))) for one in question.holes]
    shafts = [(one.name, float(max(one.sizes))) for one in question.shafts]
    least, most = _wanted(w, question, median(size for _, size in holes))
    found = assigned([s for _, s in holes], [s for _, s in shafts], least.value, most.value)
    rows = [_paired(w, holes[i], shafts[j]) for i, j in found.pairs]
    rows.sort(key=lambda one: one.hole_mm.value)
    missed = _missed(found, holes, shafts, least.value, most.value)
    clear = [one.clearance_mm for one in rows]
    return PairsAnswer(
        fit=len(rows),
        tightest_mm=min(clear, key=lambda f: f.value, default=None),
        loosest_mm=max(clear, key=lambda f: f.value) if len(clear) > 1 else None,
        says=_says(len(rows), len(holes), len(shafts)),
        least_mm=least,
        most_mm=most,
        pairs=tuple(rows),
        missed=missed,
        cautions=_cautions(question, least.value, most.value),
        links=_links(question, found, holes, shafts, most.value),
    )


def _paired(w: Working, hole: tuple[str, float], shaft: tuple[str, float]) -> Paired:
    clearance = w.of(between_limit_mm, "clearance_mm", hole_mm=hole[1], shaft_mm=shaft[1])
    return Paired(
        hole=hole[0],
        hole_mm=told(hole[1], "hole_mm"),
        shaft=shaft[0],
        shaft_mm=told(shaft[1], "shaft_mm"),
        clearance_mm=replace(clearance, places=3),
    )


def _missed(
    found: Assigned,
    holes: list[tuple[str, float]],
    shafts: list[tuple[str, float]],
    least: float,
    most: float,
) -> tuple[Missed, ...]:
    """Every part left over, against the one left over of the others that is nearest to it."""
    out = []
    rest = [holes[at] for at in found.holes]
    for at in found.shafts:
        name, size = shafts[at]
        out.append(_of_shaft(name, size, rest or holes, bool(rest), least, most))
    spare = [shafts[at] for at in found.shafts]
    for at in found.holes:
        name, size = holes[at]
        says = "For a shaft still to be made: see the link." if not spare else "Waits for its mate."
        out.append(Missed(part=f"hole {name}", size_mm=_size(size), off_mm=None, says=says))
    return tuple(out)


def _size(mm: float) -> Figure:
    return told(mm, "size_mm")


def _of_shaft(
    name: str, size: float, holes: list[tuple[str, float]], left: bool, least: float, most: float
) -> Missed:
    part = f"shaft {name}"
    # Metal can still come off: the largest bore it enters after the least is taken off it.
    tight = [(size - (bore - least), called, bore) for called, bore in holes if bore - size < least]
    loose = [(bore - size - most, called, bore) for called, bore in holes if bore - size > most]
    if tight:
        off, called, _ = min(tight)
        words = f"Take {thou_said(off)} off it and it goes in hole {called}"
        if not left:
            words += ", which has its own: it is one too many"
        return Missed(part=part, size_mm=_size(size), off_mm=_size(off), says=f"{words}.")
    if loose:
        off, called, _ = min(loose)
        if off > (most - least) * _SCRAP_TIMES:
            words = "Too small for every hole there: scrap here, or sleeve a hole for it."
        else:
            words = f"A near miss: in hole {called} it is {thou_said(off)} too loose."
        return Missed(part=part, size_mm=_size(size), off_mm=_size(off), says=words)
    return Missed(part=part, size_mm=_size(size), off_mm=None, says="One too many: a spare.")


def _says(fit: int, holes: int, shafts: int) -> str:
    could = min(holes, shafts)
    if fit == could:
        every = "They go together" if fit == 1 else "Every hole has its shaft"
        if holes > shafts:
            every = "Every shaft has its hole"
        return f"{every}. Mark each pair with the same number before they are parted again."
    if not fit:
        return "None of them go together as they are."
    return (
        f"{fit} of {could} have their mate; mark them as pairs. What to do with the rest is below."
    )


def _cautions(question: PairsQuestion, least: float, most: float) -> tuple[Caution, ...]:
    apart = [
        one.name
        for one in (*question.holes, *question.shafts)
        if float(max(one.sizes) - min(one.sizes)) > most - least
    ]
    if not apart:
        return ()
    says = (
        f"{', '.join(apart[:4])}: out of round or tapered by more than the whole of "
        f"{number_said(least, 3)} to {mm_said(most, 3)}. It fits at one place and not at another."
    )
    return (Caution("Mind", "the shape", says[0].upper() + says[1:], None, MECHANICS),)


def _links(
    question: PairsQuestion,
    found: Assigned,
    holes: list[tuple[str, float]],
    shafts: list[tuple[str, float]],
    most: float,
) -> tuple[Link, ...]:
    if not found.holes:
        return ()
    hole = holes[found.holes[0]][1]
    handed = [("make", "shaft"), ("there", f"{hole:.4f} mm")]
    if question.least is not None and question.most is not None:
        handed.append(("free", f"{float(question.least):.4f} mm"))
        handed.append(("most", f"{float(question.most):.4f} mm"))
    else:
        handed.append(("duty", question.duty))
    # Only what still has metal on it can be made to that hole.
    large = [size for _, size in (shafts[at] for at in found.shafts) if size > hole - most]
    if large:
        handed.append(("made", f"{min(large):.4f} mm"))
    return (Link("mate", tuple(handed), "Make one to the hole that is left"),)


def _made(question: PairsQuestion) -> MadeAnswer:
    # Fetched when wanted: it brings NumPy with it.
    from runk.core.fits.pairs_drawn import drawn

    w = Working()
    hole, shaft = question.hole[0], question.shaft[0]
    least, most = _wanted(w, question, float(hole.middle))
    ends = float(hole.low - shaft.high), float(hole.high - shaft.low)
    come = w.of(
        fits_percent,
        "as_they_come_percent",
        hole_mm=_width(hole),
        shaft_mm=_width(shaft),
        lowest_mm=ends[0],
        least_mm=least.value,
        most_mm=most.value,
    )
    chosen, every = drawn(hole, shaft, question.count, least.value, most.value)
    return MadeAnswer(
        chosen_percent=told(chosen, "chosen_percent", None),
        as_they_come_percent=come,
        all_percent=told(every, "all_percent", None),
        says=(
            f"{question.count} of each, made anywhere inside their limits: {come.value:.0f} of 100 "
            f"fit as they come, {chosen:.0f} when each is given its best mate."
        ),
        least_mm=least,
        most_mm=most,
        low_mm=told(ends[0], "low_mm"),
        high_mm=told(ends[1], "high_mm"),
        count=question.count,
        cautions=_too_wide(least.value, most.value, ends),
        links=(),
    )


def _width(member: Member) -> float:
    return float(member.high - member.low)


def _too_wide(least: float, most: float, ends: tuple[float, float]) -> tuple[Caution, ...]:
    if ends[0] >= least - 1e-9 and ends[1] <= most + 1e-9:
        return ()
    says = (
        f"Their limits let {number_said(ends[0], 3)} to {mm_said(ends[1], 3)} come, and "
        f"{number_said(least, 3)} to {mm_said(most, 3)} is wanted: make one to the other instead."
    )
    return (Caution("Mind", "the limits", says, None, PRACTICE),)


def headline(answer: PairsAnswer | MadeAnswer, page: PageUnit) -> str:
    """How many fit, and between which clearances."""
    if isinstance(answer, MadeAnswer):
        return (
            f"{answer.as_they_come_percent.words(page)} fit as they come · "
            f"{answer.chosen_percent.words(page)} when chosen"
        )
    one = f"{answer.fit} fit"
    if answer.tightest_mm is None:
        return one
    if answer.loosest_mm is None:
        return f"{one} · {answer.tightest_mm.words(page)} clear"
    return f"{one} · {answer.tightest_mm.shown(page)} to {answer.loosest_mm.words(page)} clear"


_TAIL = "[, as {duty}][, free {least}][, at most {most}]"
_MADE_TAIL = f", {{count}} of each{_TAIL}"
_HOLES = "<bores|holes|bearings|covers|bushes|cylinders>"
_SHAFTS = "<pistons|shafts|journals|registers|spigots>"
PAIRS = Calculator[PairsQuestion, None, PairsAnswer | MadeAnswer](
    name="pairs",
    title="Which shaft in which hole",
    door=Door("/fits/pairs", "Fits", "Pairs"),
    opening={"holes": "22.00; 22.01; 22.03", "shafts": "21.99; 21.96; 21.98; 21.90"},
    question=PairsQuestion,
    answers=(PairsAnswer, MadeAnswer),
    compute=pairs,
    needs=needs,
    settle=settle,
    sentences={
        "measured": f"{{known}}: holes {{holes}}, shafts {{shafts}}{_TAIL}",
        "made": f"{{known}}: hole {{hole}}, shaft {{shaft}}{_MADE_TAIL}",
    },
    lines=(
        f"{{call}} {_HOLES} {{holes}}, {_SHAFTS} {{shafts}}{_TAIL}",
        f"{{call}} {_SHAFTS} {{shafts}}, {_HOLES} {{holes}}{_TAIL}",
        f"{{known}}<:|> <bore|hole|bearing> {{hole}}, <piston|shaft|journal|register> {{shaft}}"
        f"{_MADE_TAIL}",
    ),
    calls=(
        "pair what is measured",
        "pair up",
        "pair",
        "which shaft in which hole",
        "how many will fit",
        "how many fit",
    ),
    headline=headline,
)
