"""Work that turns on a spigot thinner than itself: how light a cut that stands."""

from __future__ import annotations

from dataclasses import dataclass
from math import pi

from runk.core.cutting import bend
from runk.core.cutting.outcome import RADIAL_SHARE
from runk.core.cutting.question import SpeedQuestion
from runk.core.cutting.spindle import Cut
from runk.core.figures import Caution, Figure, Link, Num, Working, law, stop
from runk.core.metals import Metal
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import PRACTICE

YIELD_SHARE = 1 / 3
"""Share of its yield a spigot is bent or twisted to in a light cut: common practice."""
MOST_SPRUNG_MM = 0.02
"""A spigot that bends farther lets the work climb on the tool: common practice."""


@law("Bends the spigot to", "32 × {force_n} × {arm_mm} ÷ (π × {diameter_mm}³)")
def bent_n_per_mm2(force_n: Num, arm_mm: Num, diameter_mm: Num) -> Num:
    """Bending stress at the root of a round spigot.

    Args:
        force_n: Cutting force.
        arm_mm: From the spigot's root to the cut.
        diameter_mm: Of the spigot.

    Source: mechanics, M / W with W = π d³ / 32.

    >>> round(bent_n_per_mm2(50.0, 20.0, 5.0), 1)
    81.5
    """
    return 32.0 * force_n * arm_mm / (pi * diameter_mm**3)


@law("Twists it to", "16000 × {torque_nm} ÷ (π × {diameter_mm}³)")
def twisted_n_per_mm2(torque_nm: Num, diameter_mm: Num) -> Num:
    """Shear stress of a round spigot that is twisted; twice it counts against the yield.

    >>> round(twisted_n_per_mm2(1.0, 5.0), 1)
    40.7
    """
    return 16000.0 * torque_nm / (pi * diameter_mm**3)


@law("It stands", "{yield_n_per_mm2} ÷ 3", PRACTICE)
def stands_n_per_mm2(yield_n_per_mm2: Num) -> Num:
    """What a spigot is loaded to at most: a third of its yield.

    >>> stands_n_per_mm2(240.0)
    80.0
    """
    return yield_n_per_mm2 * YIELD_SHARE


@dataclass(frozen=True, slots=True)
class OnSpigot:
    """What a spigot is loaded to, and what to mind."""

    bent: Figure | None = None
    spring: Figure | None = None
    cautions: tuple[Caution, ...] = ()


def on_spigot(w: Working, question: SpeedQuestion, metal: Metal, cut: Cut) -> OnSpigot:
    """The load of a cut on the spigot its work turns on.

    Raises:
        Refused: A spigot as thick as the work, or no word of how far it stands from the cut.
    """
    if question.spigot is None or cut.force is None or cut.torque is None:
        return OnSpigot()
    if question.spigot >= question.diameter:
        raise Refused("A spigot is thinner than the work that turns on it.", field="spigot")
    arm = question.overhang if question.overhang is not None else question.length
    if arm is None:
        raise Refused(
            "How far is the cut from the root of the spigot?", field="overhang", suggest="15 mm out"
        )
    thick, since = float(question.spigot), len(w.steps)
    stands = w(
        stands_n_per_mm2,
        yield_n_per_mm2=metal["rp02_n_per_mm2"],
        source=metal.source("rp02_n_per_mm2"),
    )
    bent = w.of(
        bent_n_per_mm2, since=since, force_n=cut.force.value, arm_mm=float(arm), diameter_mm=thick
    )
    twisted = w(twisted_n_per_mm2, torque_nm=cut.torque.value, diameter_mm=thick)
    since = len(w.steps)
    section = w(bend.second_moment_mm4, diameter_mm=thick)
    sprung = w(
        bend.cantilever_mm,
        force_n=cut.force.value * RADIAL_SHARE,
        length_mm=float(arm),
        e_gpa=metal["e_gpa"],
        section_mm4=section,
    )
    spring = w.figure(sprung, "spring_mm", since=since, places=3)
    # Force goes with depth, and so do all three.
    over = max(bent.value / stands, 2 * twisted / stands, sprung / MOST_SPRUNG_MM)
    if over <= 1 or cut.depth is None:
        return OnSpigot(bent, spring)
    least = cut.depth.value / over
    instead = (
        f"take {mm_said(least, 2)} a cut at most"
        if least > 0.02
        else "hold it by something thicker"
    )
    says = (
        f"This cut bends the {mm_said(thick)} spigot by {mm_said(sprung, 3)} and loads it to "
        f"{max(bent.value, 2 * twisted):.0f} N/mm² where {stands:.0f} is safe."
    )
    return OnSpigot(bent, spring, (stop("the spigot", instead, says, "depth_mm", PRACTICE),))


def bonded_there(question: SpeedQuestion, cut: Cut) -> tuple[Link, ...]:
    """What compound on such a spigot would stand of this very cut."""
    if question.spigot is None or cut.depth is None or cut.per_rev is None:
        return ()
    sizes = (
        ("size", float(question.spigot)),
        ("hub", float(question.diameter)),
        ("turned", float(question.diameter)),
        ("cut", cut.depth.value),
        ("feed", cut.per_rev.value),
    )
    asked = (("boss_metal", question.metal), *((name, f"{mm:.6g} mm") for name, mm in sizes))
    return (Link("bond", asked, "Held there by compound alone: what of this cut it bears"),)
