"""Sums of a size: revolutions for another, a share of one, a temperature in both scales."""

from __future__ import annotations

from runk.core.cutting.laws import surface_m_min
from runk.core.figures import Figure, Num, Working, law, told
from runk.core.refusals import Refused
from runk.core.sources import MECHANICS
from runk.core.sums.answers import HeatAnswer, RevsAnswer, ShareAnswer
from runk.core.sums.question import SumQuestion


@law("Revolutions", "{speed_rpm} × {at_mm} ÷ {other_mm}", MECHANICS)
def other_rpm(speed_rpm: Num, at_mm: Num, other_mm: Num) -> Num:
    """Revolutions that move another diameter's edge as fast.

    >>> other_rpm(250.0, 18.0, 12.0)
    375.0
    """
    return speed_rpm * at_mm / other_mm


@law("A share", "{of_mm} × {percent} ÷ 100")
def share_limit_mm(of_mm: Num, percent: Num) -> Num:
    """So many hundredths of a size.

    >>> share_limit_mm(22.0, 50.0)
    11.0
    """
    return of_mm * percent / 100.0


def heat(_: Working, question: SumQuestion) -> HeatAnswer:
    """A temperature, and how far over the shop's it is."""
    if question.heat is None:
        raise Refused("Which temperature?", field="heat", suggest="350 F")
    over = question.heat - 20
    return HeatAnswer(
        heat_c=told(question.heat, "heat_c", 0),
        says=f"{abs(over):.0f} °C {'over' if over >= 0 else 'under'} a shop at 20 °C.",
    )


def share(w: Working, question: SumQuestion) -> ShareAnswer:
    """So many hundredths of a size, and what is left of it."""
    of, percent = float(question.of or 0), question.percent or 0.0
    part = w.of(share_limit_mm, "share_mm", of_mm=of, percent=percent)
    return ShareAnswer(
        share_mm=Figure(part.value, part.unit, part.steps, 3),
        rest_mm=told(of - part.value, "rest_mm", 3),
    )


def revs(w: Working, question: SumQuestion) -> RevsAnswer:
    """Revolutions that move another size's edge as fast."""
    if question.rpm is None or question.at is None or question.other is None:
        raise Refused("Revolutions at one size, and the other size.", field="rpm", suggest="250")
    at, other = float(question.at), float(question.other)
    return RevsAnswer(
        speed_rpm=w.of(other_rpm, "speed_rpm", speed_rpm=question.rpm, at_mm=at, other_mm=other),
        surface_speed_m_min=w.of(
            surface_m_min, "surface_speed_m_min", speed_rpm=question.rpm, diameter_mm=at
        ),
    )
