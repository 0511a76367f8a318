"""``shrink``: how hot, or how cold, so that two tight parts go together by themselves."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, stop
from runk.core.fits import heat
from runk.core.fits.joint import (
    AtWork,
    Joint,
    Tight,
    at_work,
    joint_of,
    limits_of_both,
    links_to,
    loosest_holds,
    most_by_heat_mm,
    press,
    shrink_class,
    strained,
    taken,
    tight_figures,
    tightness,
    usual_free_mm,
)
from runk.core.fits.joint_question import LEAST_FIELD, TIGHT_FIELD, JointQuestion, JointShop, needs
from runk.core.fits.joint_ways import Way, ways
from runk.core.kinds import Length, Temperature
from runk.core.said import thou_said
from runk.core.shown import Rank, Show, Table
from runk.core.sources import PRACTICE
from runk.core.units import PageUnit, unit_of

FREEZER_C, LIQUID_C = -18.0, -196.0
"""What a kitchen freezer and liquid nitrogen reach."""
OVEN_C = 250.0


@dataclass(frozen=True, slots=True)
class ShrinkQuestion(JointQuestion):
    """Two parts put together by heat or cold.

    Args:
        tight: Interference; by the class for shrinking where left out.
        free: Room to spare as they go together.
        room: What both begin at, Celsius.
    """

    tight: Annotated[Fraction | None, TIGHT_FIELD] = None
    least: Annotated[Fraction | None, LEAST_FIELD] = None
    free: Annotated[
        Fraction | None,
        Length(
            "room to spare",
            ("spare", "to spare", "free"),
            usual=(0.005, 0.2),
            high=2.0,
            placeholder="as usual",
        ),
    ] = None
    room: Annotated[
        float,
        Temperature(
            "temperature of the shop",
            ("shop at", "room", "room at"),
            before=("from",),
            high=60.0,
            low=-40.0,
        ),
    ] = heat.ROOM_C


@dataclass(frozen=True, slots=True, kw_only=True)
class ShrinkAnswer:
    """How hot the boss, or how cold the shaft."""

    heat_c: Annotated[Figure, Show("Heat the boss to", Rank.BIG)]
    cool_c: Annotated[Figure | None, Show("Or cool the shaft to", Rank.BIG)]
    both_c: Annotated[Figure, Show("Boss, with the shaft out of a freezer at -18 °C", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    taken: Annotated[str, Show("Taken", Rank.SAYS)]
    tight_low_mm: Annotated[Figure, Show("Interference, least")]
    tight_high_mm: Annotated[Figure, Show("Interference, most")]
    free_mm: Annotated[Figure, Show("Room to spare hot")]
    bears_c: Annotated[Figure, Show("The boss's metal bears")]
    pressure_mpa: Annotated[Figure, Show("Pressure once cold, at most")]
    hoop_mpa: Annotated[Figure, Show("Hoop stress at the bore of the boss")]
    torque_nm: Annotated[Figure, Show("Torque it then holds, at least")]
    holds_n: Annotated[Figure, Show("Push along it that it holds, at least")]
    ways: Annotated[tuple[Way, ...], Table("Ways of joining these two, side by side")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


def compute(question: ShrinkQuestion, shop: JointShop) -> ShrinkAnswer:
    """How hot or how cold, and what the joint then holds.

    Args:
        question: The joint, its interference and the room to spare.
        shop: Both metals.

    Raises:
        Refused: No metal round the bore, or none left of the shaft.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = ShrinkQuestion(Fraction(20), tight=Fraction("0.03"), free=Fraction("0.02"))
    >>> round(compute(asked, needs(asked, WORKSHOP)).heat_c.value)
    234
    """
    w = Working()
    joint = joint_of(w, question, shop)
    free = usual_free_mm(joint.size) if question.free is None else float(question.free)
    if question.tight is None:
        tight = shrink_class(joint, question.room, free)
    else:
        tight = tightness(joint, question.tight, question.least, "shrink")
    warm = most_by_heat_mm(joint, question.room, free)
    worst = at_work(joint, tight, question.hot)
    found = press(w, joint, worst.least, worst.most)
    boss, shaft = shop.boss["expansion_um_per_m_k"], shop.shaft["expansion_um_per_m_k"]
    hot = w.of(
        heat.heat_c,
        room_c=question.room,
        tight_mm=tight.high,
        free_mm=free,
        size_mm=joint.size,
        expansion_um_per_m_k=boss,
        source=shop.boss.source("expansion_um_per_m_k"),
    )
    cold = heat.cool_c(question.room, tight.high, free, joint.size, shaft)
    cool = (
        w.of(
            heat.cool_c,
            room_c=question.room,
            tight_mm=tight.high,
            free_mm=free,
            size_mm=joint.size,
            expansion_um_per_m_k=shaft,
            source=shop.shaft.source("expansion_um_per_m_k"),
        )
        if cold >= LIQUID_C
        else None
    )
    both = w.of(
        heat.both_c,
        alone_c=hot.value,
        shaft_um_per_m_k=shaft,
        boss_um_per_m_k=boss,
        room_c=question.room,
        cold_c=FREEZER_C,
    )
    bears = heat.bears(shop.boss)
    least, most = tight_figures(tight)
    return ShrinkAnswer(
        heat_c=hot,
        cool_c=cool,
        both_c=both,
        says=_says(hot.value),
        taken=taken(question, joint, tight.why),
        tight_low_mm=least,
        tight_high_mm=most,
        free_mm=Figure(free, unit_of("free_mm"), (), 3),
        bears_c=Figure(bears.bears_c, unit_of("bears_c")),
        pressure_mpa=found.pressure,
        hoop_mpa=found.hoop,
        torque_nm=found.torque,
        holds_n=found.holds,
        ways=ways(joint),
        cautions=_cautions(joint, worst, hot.value, both.value, warm),
        links=_links(question, joint, tight),
    )


def _says(hot_c: float) -> str:
    how = "In an oven, all through" if hot_c <= OVEN_C else "Evenly, all round, with a flame"
    return (
        f"{how}. Everything laid ready and tried cold first; in one push to its shoulder, held "
        "there until it grips."
    )


def _cautions(
    joint: Joint, worst: AtWork, hot_c: float, both_c: float, warm_mm: float
) -> tuple[Caution, ...]:
    metal, bears = joint.shop.boss, heat.bears(joint.shop.boss)
    hot = []
    if hot_c > bears.bears_c + 0.5:
        if both_c <= bears.bears_c:
            instead = f"{both_c:.0f} °C, with the shaft out of a freezer"
        elif warm_mm > 0:
            instead = f"{thou_said(warm_mm)} of interference at most, or compound"
        else:
            instead = "compound, or press it"
        says = f"{metal.name.capitalize()} bears {bears.bears_c:.0f} °C: {bears.why}."
        hot.append(stop("the heat", instead, says, "heat_c", bears.source))
    most = warm_mm if hot and warm_mm > 0 else None
    cold = strained(joint, worst.most, "tight_high_mm", most)
    says = (
        "Gloves, tongs and nothing that burns near. It grips in seconds: a part that stops half "
        "way is there for good. Oil on it smokes and may catch."
    )
    # What a freezer makes good for is told after what it does not.
    stops = [*cold, *hot] if warm_mm > 0 else [*hot, *cold]
    return (*stops, *loosest_holds(worst), Caution("Mind", "hot metal", says, None, PRACTICE))


def _links(question: ShrinkQuestion, joint: Joint, tight: Tight) -> tuple[Link, ...]:
    reasons = {"press": "The same pressed in cold", "bond": "The same by compound"}
    limits = limits_of_both(question, joint, tight, "shrink")
    return (*links_to(joint, question, tight, reasons), limits)


def headline(answer: ShrinkAnswer, page: PageUnit) -> str:
    """How hot; how cold instead."""
    cold = f" · or the shaft to {answer.cool_c.words(page)}" if answer.cool_c else ""
    return f"boss to {answer.heat_c.words(page)}{cold}"


SHRINK = Calculator(
    name="shrink",
    title="Shrunk on: how hot, or how cold",
    door=Door("/fits/shrink", "Fits", "Shrink"),
    opening={
        "size": "20 mm",
        "hub": "40 mm",
        "length": "15 mm",
        "boss_metal": "mild-steel",
        "shaft_metal": "mild-steel",
    },
    question=ShrinkQuestion,
    answers=(ShrinkAnswer,),
    compute=compute,
    needs=needs,
    sentences={
        "": "Shrink {boss_metal}[ {hub} outside] on {size} {shaft_metal}[, {tight} tight]"
        "[, {free} to spare][, {length} long][, shaft hollow {hollow}][, at least {least}]"
        "[, working at {hot}], from {room}"
    },
    calls=(
        "heat",
        "shrink",
        "shrink on",
        "shrink in",
        "shrink onto",
        "heat to shrink",
        "how hot to shrink",
        "heat for a shrink fit",
        "temperature to shrink",
    ),
    headline=headline,
)
