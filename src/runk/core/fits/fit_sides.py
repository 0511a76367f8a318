"""Both sides of a fit: by the standard's classes, by what they do, to the one made first."""

from __future__ import annotations

from dataclasses import replace

from runk.core.figures import Figure, Working
from runk.core.fits import heat
from runk.core.fits.classes import HOLE_SHARE, duty_limit_mm, limit_mm
from runk.core.fits.iso import ToleranceClass, limits_um
from runk.core.fits.question import Basis, Duty, FitQuestion
from runk.core.refusals import Refused
from runk.core.sources import PRACTICE
from runk.core.units import unit_of

Side = tuple[Figure, Figure]
FINE_UM = 2.5
"""Limits nearer to each other than this are no limits to measure to: one is made to the other."""


def pair_of(question: FitQuestion) -> tuple[ToleranceClass, ToleranceClass]:
    """Both classes; on the bar as it comes a fit on a hole of H is turned round."""
    assert question.hole is not None
    assert question.shaft is not None
    pair = (question.hole, question.shaft)
    return turned_round(pair) if question.basis is Basis.SHAFT and pair[0].letter == "h" else pair


def turned_round(
    pair: tuple[ToleranceClass, ToleranceClass],
) -> tuple[ToleranceClass, ToleranceClass]:
    """A fit on a hole of H as the same fit on a shaft of h, or back.

    >>> from runk.core.fits.iso import read_class
    >>> [str(one) for one in turned_round((read_class("H7", True), read_class("g6", False)))]
    ['G7', 'h6']
    """
    hole, shaft = pair
    return (
        ToleranceClass(shaft.letter, hole.grade, True),
        ToleranceClass(hole.letter, shaft.grade, False),
    )


def sides(
    w: Working,
    question: FitQuestion,
    duty: Duty | None,
    pair: tuple[ToleranceClass, ToleranceClass] | None,
    size: float,
) -> tuple[Side, Side]:
    """Limits of the hole and of the shaft.

    Raises:
        Refused: A class the tables do not have there.
    """
    if pair is not None:
        hole, shaft = (
            _limits(w, side, one, size) for side, one in zip(("hole", "shaft"), pair, strict=True)
        )
    else:
        hole, shaft = _by_clearance(w, question, duty, size)
    if question.made is None:
        return hole, shaft
    return _to_made(w, question, hole, shaft)


def _to_made(w: Working, question: FitQuestion, hole: Side, shaft: Side) -> tuple[Side, Side]:
    """The one made first as it measures, the other to it: the whole clearance is its own."""
    assert question.made is not None
    made = float(question.made)
    least = hole[0].value - shaft[1].value
    most = hole[1].value - shaft[0].value
    mine = Figure(made, unit_of("hole_low_mm"), (), 3)
    if question.basis is Basis.HOLE:
        low = w.of(heat.shaft_free_limit_mm, "shaft_low_mm", hole_mm=made, free_mm=most)
        high = w.of(heat.shaft_free_limit_mm, "shaft_high_mm", hole_mm=made, free_mm=least)
        return (mine, mine), (replace(low, places=3), replace(high, places=3))
    low = w.of(heat.hole_free_limit_mm, "hole_low_mm", shaft_mm=made, free_mm=least)
    high = w.of(heat.hole_free_limit_mm, "hole_high_mm", shaft_mm=made, free_mm=most)
    return (replace(low, places=3), replace(high, places=3)), (mine, mine)


def _limits(w: Working, side: str, one: ToleranceClass, size: float) -> tuple[Figure, Figure]:
    try:
        low, high = limits_um(one, size)
    except Refused as refused:
        raise refused.on(refused.field or side) from None
    why = f"{one} by the table"
    return (
        replace(
            w.of(limit_mm, f"{side}_low_mm", size_mm=size, deviation_um=low, why=why), places=3
        ),
        replace(
            w.of(limit_mm, f"{side}_high_mm", size_mm=size, deviation_um=high, why=why), places=3
        ),
    )


def _by_clearance(
    w: Working, question: FitQuestion, duty: Duty | None, size: float
) -> tuple[tuple[Figure, Figure], tuple[Figure, Figure]]:
    """The one made first at its nominal; the other so that every pair is as free as told."""
    source, basis = PRACTICE, question.basis
    if question.least is not None and question.most is not None:
        least, most = float(question.least), float(question.most)
    else:
        assert duty is not None
        source = duty.source
        least, most = (
            w(duty_limit_mm, per_inch=per_inch, size_mm=size, besides=besides, source=source)
            for per_inch, besides in (duty.low, duty.high)
        )
    room = (most - least) * 1000
    hole_um = (0.0, room * HOLE_SHARE)
    shaft_um = (-(most * 1000 - hole_um[1]), -least * 1000)
    if basis is Basis.SHAFT:
        shaft_um = (-hole_um[1], 0.0)
        hole_um = (least * 1000, most * 1000 + shaft_um[0])
    found, before = [], len(w.steps)
    # Where both are nearer than a comparator tells, a place more keeps them apart.
    places = 4 if room / 2 < FINE_UM else 3
    for side, (low, high) in (("hole", hole_um), ("shaft", shaft_um)):
        for end, value in (("low", low), ("high", high)):
            figure = w.of(
                limit_mm, f"{side}_{end}_mm", size_mm=size, deviation_um=value, source=source
            )
            steps = (*w.steps[:before], *figure.steps)
            found.append(replace(figure, places=places, steps=steps))
    return (found[0], found[1]), (found[2], found[3])
