"""``bond``: a joint held by compound: its gap, what it holds, and whether it stands a cut."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.cutting import laws as cutting
from runk.core.cutting.question import SpeedQuestion, Surface, Tool
from runk.core.cutting.speed import speed
from runk.core.cutting.spindle import EDGE
from runk.core.cutting.target import SpeedShop
from runk.core.figures import Caution, Figure, Link, Working, stop
from runk.core.fits import pressed
from runk.core.fits.bond_question import BondQuestion
from runk.core.fits.classes import bounds_of
from runk.core.fits.compounds import Compound, compounds, gap_share, heat_share, strength_mpa
from runk.core.fits.joint import (
    SAFETY,
    Joint,
    bonded,
    bonds_share,
    joint_of,
    links_to,
    sheared,
    taken,
)
from runk.core.fits.joint_question import JointShop
from runk.core.fits.joint_question import needs as of_joint
from runk.core.fits.joint_ways import Way, ways
from runk.core.fits.question import duties, made_first
from runk.core.lengths import Reading
from runk.core.machines import MachineKind
from runk.core.machines.machine import Holding
from runk.core.refusals import Refused
from runk.core.said import mm_said, thou_said
from runk.core.shown import Rank, Show, Table
from runk.core.sources import PRACTICE
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop

KEY_WALL_MM = 0.5
"""Metal that stays outside a key's hole, at least: common practice."""
LIGHT_MM, LIGHT_MM_PER_REV = 0.25, 0.05
"""Depth and feed of a light cut, where only one of them is said: common practice."""
_SPARE = 0.75
"""A dull edge takes a third more: a cut that asks over this share leaves no margin."""


@dataclass(frozen=True, slots=True, kw_only=True)
class BondAnswer:
    """The gap to make, and what the bond holds in the gap there is."""

    aim_low_mm: Annotated[Figure, Show("Make it free by", Rank.BIG)]
    aim_high_mm: Annotated[Figure, Show("to", Rank.BIG)]
    holds_nm: Annotated[Figure, Show("It holds a torque of", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    taken: Annotated[str, Show("Taken", Rank.SAYS)]
    gap_low_mm: Annotated[Figure, Show("Gap it holds fully in, least")]
    gap_high_mm: Annotated[Figure, Show("Gap it holds fully in, most")]
    strength_mpa: Annotated[Figure, Show("Strength counted on")]
    holds_n: Annotated[Figure, Show("Push along it that it holds")]
    stands_nm: Annotated[Figure, Show("May be asked of it, a third")]
    cut_nm: Annotated[Figure | None, Show("Torque of that cut")]
    stands: Annotated[str, Show("The cut", Rank.SAYS)]
    pin_nm: Annotated[Figure | None, Show("The pin alone shears at")]
    handle: Annotated[str, Show("May be handled after")]
    full: Annotated[str, Show("Full strength after")]
    lets_go_c: Annotated[Figure, Show("Undone near, and it fumes")]
    ways: Annotated[tuple[Way, ...], Table("Ways of joining these two, side by side")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


def compute(question: BondQuestion, shop: JointShop) -> BondAnswer:
    """The gap, what the bond holds, and whether it stands a cut.

    Args:
        question: The joint, its gap, and what is to be done with it.
        shop: Both metals.

    Raises:
        Refused: No metal round the bore, or none left of the shaft.

    >>> from fractions import Fraction
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = BondQuestion(Fraction(10), length=Fraction(10))
    >>> round(compute(asked, needs(asked, WORKSHOP)).holds_nm.value, 1)
    23.6
    """
    w, one = Working(), compounds()[question.compound]
    joint = joint_of(w, question, shop)
    low, high = gap_aimed(one, joint.size)
    gap = high if question.gap is None else float(question.gap)
    since = len(w.steps)
    strength = w.of(
        strength_mpa,
        shear_mpa=one.shear_mpa,
        metals_share=bonds_share(shop.boss, shop.shaft),
        gap_share=gap_share(one, gap),
        heat_share=heat_share(one, question.hot),
        source=one.source,
    )
    force, torque = bonded(w, joint, strength.value, since)
    may = w.of(pressed.allowed_nm, "stands_nm", holds_nm=torque.value, safety=SAFETY)
    cut = _cut(w, question, shop)
    return BondAnswer(
        aim_low_mm=Figure(low, unit_of("aim_low_mm"), (), 3),
        aim_high_mm=Figure(high, unit_of("aim_high_mm"), (), 3),
        holds_nm=torque,
        says=(
            "Both parts degreased and dry; turned a little as they go together, to its shoulder; "
            "the squeezed-out bead wiped before it sets, off the skin and out of the eyes."
        ),
        taken=taken(question, joint),
        gap_low_mm=Figure(one.gap_low_mm, unit_of("gap_low_mm"), (), 3),
        gap_high_mm=Figure(one.gap_high_mm, unit_of("gap_high_mm"), (), 3),
        strength_mpa=strength,
        holds_n=force,
        stands_nm=may,
        cut_nm=cut,
        stands=_stands(cut, may, question, shop),
        pin_nm=_pin(w, question, joint),
        handle=one.handle if bonds_share(shop.boss, shop.shaft) == 1 else f"twice {one.handle}",
        full=one.full if bonds_share(shop.boss, shop.shaft) == 1 else "two days",
        lets_go_c=Figure(one.lets_go_c, unit_of("lets_go_c")),
        ways=ways(joint),
        cautions=_cautions(question, shop, joint, one, gap, (torque, cut, may)),
        links=_links(question, joint),
    )


def needs(question: BondQuestion, workshop: Workshop) -> JointShop:
    """Both metals, and the cut its own room would take there."""
    shop = of_joint(question, workshop)
    if question.turned is None:
        return shop
    cast = shop.boss.family in ("iron",) or shop.boss.kind in ("gunmetal", "cast-aluminium")
    asked = SpeedQuestion(
        question.boss_metal,
        question.turned,
        surface=Surface.SKIN if cast else Surface.SOUND,
        held=Holding.THREE_JAW,
    )
    try:
        lathe = workshop.machine("", (MachineKind.LATHE,))
        found = speed(asked, SpeedShop(lathe, shop.boss))
    except Refused:
        return shop
    if found.depth_mm is None or found.feed_mm_per_rev is None:
        return shop
    return replace(shop, usual=(found.depth_mm.value, found.feed_mm_per_rev.value))


def settle(question: BondQuestion, _: Workshop, __: Mapping[str, Reading]) -> BondQuestion:
    """What is turned on it is the boss, where no other outside is told."""
    wider = question.turned is not None and question.turned > question.size
    if question.hub is None and wider:
        return replace(question, hub=question.turned)
    return question


def _cut(w: Working, question: BondQuestion, shop: JointShop) -> Figure | None:
    if question.turned is None:
        return None
    since = len(w.steps)
    depth, feed = _depth_and_feed(question, shop)
    metal = shop.boss
    kc = w(
        cutting.specific_n_per_mm2,
        kc11_n_per_mm2=metal["kc11_n_per_mm2"],
        mc=metal["mc"],
        chip_mm=feed,
        edge=EDGE[Tool.HSS],
        source=metal.source("kc11_n_per_mm2"),
        why="high-speed steel, the edge not new",
    )
    force = w(cutting.cutting_n, specific_n_per_mm2=kc, chip_mm2=depth * feed)
    return w.of(
        cutting.cut_nm, "cut_nm", since=since, force_n=force, diameter_mm=float(question.turned)
    )


def _depth_and_feed(question: BondQuestion, shop: JointShop) -> tuple[float, float]:
    """Of the cut: as said, or the one its own room would give that metal there, skin and all."""
    usual = shop.usual
    if question.cut is None and question.feed is None and usual is not None:
        return usual
    return (
        LIGHT_MM if question.cut is None else float(question.cut),
        LIGHT_MM_PER_REV if question.feed is None else float(question.feed),
    )


def _stands(cut: Figure | None, may: Figure, question: BondQuestion, shop: JointShop) -> str:
    if cut is None:
        return ""
    depth, feed = _depth_and_feed(question, shop)
    it = f"{mm_said(depth, 2)} deep, {mm_said(feed, 3)} a turn, in {shop.boss.name}"
    if cut.value <= may.value:
        left = may.value / cut.value
        return (
            f"It stands a cut {it}: {cut.words()} of the {may.words()} it may be asked; one "
            f"{mm_said(depth * left, 2)} deep is the most."
        )
    return f"It does not stand a cut {it}: {cut.words()}, and {may.words()} may be asked of it."


def _pin(w: Working, question: BondQuestion, joint: Joint) -> Figure | None:
    if question.pin is None:
        return None
    return sheared(w, joint, float(question.pin), question.pin_as == "across")


def _pin_cautions(question: BondQuestion, joint: Joint) -> list[Caution]:
    """Whether a pin or key stands inside what it is to hold."""
    if question.pin is None:
        return []
    pin, size, hub = float(question.pin), joint.size, joint.hub
    if question.pin_as == "endways":
        wall = (hub - size - pin) / 2
        if wall < max(KEY_WALL_MM, pin / 4) - 1e-9:
            says = (
                f"Half in each, its hole reaches {mm_said(size + pin, 2)} across in a boss of "
                f"{mm_said(hub, 2)}."
            )
            most = (hub - size) / 2
            instead = f"{mm_said(most, 1)} at most here, or a pin right across"
            return [stop("the key", instead, says, "pin_nm", PRACTICE)]
        if pin > size / 3 + 1e-9:
            says = "A key over a third of the shaft leaves little shaft beside it."
            return [Caution("Mind", "the key", says, "pin_nm", PRACTICE)]
        return []
    if pin > size / 2 + 1e-9:
        says = (
            f"A {mm_said(pin, 2)} hole across leaves less than half of a {mm_said(size, 2)} shaft."
        )
        instead = f"{mm_said(size / 3, 1)} at most, or a key endways"
        return [stop("the pin", instead, says, "pin_nm", PRACTICE)]
    if pin > size / 3 + 1e-9:
        says = (
            "A pin over a third of the shaft leaves little shaft beside it: the shaft goes before "
            "the pin."
        )
        return [Caution("Mind", "the pin", says, "pin_nm", PRACTICE)]
    return []


def _cautions(
    question: BondQuestion,
    shop: JointShop,
    joint: Joint,
    one: Compound,
    gap: float,
    loads: tuple[Figure, Figure | None, Figure],
) -> tuple[Caution, ...]:
    holds, cut, may = loads
    found = []
    if gap_share(one, gap) == 0:
        says = f"{one.label.capitalize()} does not fill {thou_said(gap)}."
        found.append(
            stop("the gap", "sleeve it, or make the shaft anew", says, "gap_high_mm", one.source)
        )
    elif gap < one.gap_low_mm:
        says = (
            f"Under {mm_said(one.gap_low_mm)} free it is wiped off as they go together: "
            f"{gap_share(one, gap) * 100:.0f} % of its strength is counted on there."
        )
        found.append(Caution("Mind", "the gap", says, "gap_low_mm", one.source))
    elif gap > one.gap_high_mm:
        says = f"{thou_said(gap)} is wide for it: it holds {gap_share(one, gap) * 100:.0f} % there."
        found.append(Caution("Mind", "the gap", says, "gap_high_mm", one.source))
    if question.hot is not None and question.hot > one.half_at_c:
        says = (
            f"At {question.hot:.0f} °C it holds under half, and it lets go near "
            f"{one.lets_go_c:.0f} °C."
        )
        found.append(
            stop("the heat", "press, shrink or silver-solder it", says, "lets_go_c", one.source)
        )
    if cut is not None and cut.value > may.value and holds.value > 0:
        depth, _ = _depth_and_feed(question, shop)
        less = depth * may.value / cut.value
        instead = (
            f"{mm_said(less, 2)} deep at most, or a pin in first"
            if less >= 0.02
            else "hold the boss itself for that cut"
        )
        says = f"The cut asks {cut.words()} of a bond that may be asked {may.words()}."
        found.append(stop("the cut", instead, says, "cut_nm", PRACTICE))
    elif cut is not None and cut.value > may.value * _SPARE:
        depth, _ = _depth_and_feed(question, shop)
        says = (
            f"The cut asks {cut.words()} of the {may.words()} it may be asked: nothing is left for "
            f"a dull edge. {mm_said(depth / 2, 2)} a cut leaves half."
        )
        found.append(Caution("Mind", "no margin", says, "cut_nm", PRACTICE))
    found += _pin_cautions(question, joint)
    if bonds_share(shop.boss, shop.shaft) < 1:
        says = "On stainless it cures slowly and holds about half; an activator helps."
        found.append(Caution("Mind", "stainless", says, "strength_mpa", one.source))
    return tuple(found)


def _links(question: BondQuestion, joint: Joint) -> tuple[Link, ...]:
    reasons = {"press": "The same pressed in", "shrink": "The same shrunk on"}
    one = compounds()[question.compound]
    # Bar keeps its surface: the hole is made to it.
    limits = (
        *made_first(joint.size, "web"),
        *_for_gap(question, joint, one),
        ("hole_metal", question.boss_metal),
        ("shaft_metal", question.shaft_metal),
    )
    return (
        *links_to(joint, question, None, reasons),
        Link("fit", limits, "Limits of both parts for that gap"),
    )


def _for_gap(question: BondQuestion, joint: Joint, one: Compound) -> tuple[tuple[str, str], ...]:
    """Least and most of the gap where it is not the usual one: a typed gap is the widest."""
    low, high = gap_aimed(one, joint.size)
    if question.gap is not None and one.gap_low_mm <= question.gap <= one.half_at_mm:
        high = float(question.gap)
        low = max(one.gap_low_mm, min(low, high / 2))
    elif one.key != "epoxy":
        return ()
    return (("least", f"{low:.4f} mm"), ("most", f"{high:.4f} mm"))


def gap_aimed(one: Compound, size: float) -> tuple[float, float]:
    """The gap a compound is given, on diameter: a web's, or for epoxy its own."""
    if one.key == "epoxy":
        return one.gap_low_mm, one.gap_high_mm
    return bounds_of(duties()["web"], size)


def headline(answer: BondAnswer, page: PageUnit) -> str:
    """The gap and what it holds."""
    gap = f"{answer.aim_low_mm.shown(page)} to {answer.aim_high_mm.words(page)}"
    return f"free by {gap} · holds {answer.holds_nm.words(page)}"


BOND = Calculator(
    name="bond",
    title="Held by compound: the gap and what it holds",
    door=Door("/fits/bond", "Fits", "Bond"),
    opening={
        "size": "11 mm",
        "hub": "24 mm",
        "length": "8 mm",
        "boss_metal": "mild-steel",
        "shaft_metal": "silver-steel",
    },
    question=BondQuestion,
    answers=(BondAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "": "A joint of {size}, {boss_metal}[ {hub} outside] on {shaft_metal}[, {length} long], by "
        "{compound}[, {gap} free][, working at {hot}][, a {pin} pin {pin_as}]"
        "[, then turned at {turned}][, {cut} deep][, {feed} a turn][, shaft hollow {hollow}]"
    },
    nouns=("threadlocker",),
    calls=(
        "bond",
        "bonded",
        "glue",
        "glued",
        "epoxy",
        "heat to release",
        "heat to let go",
        "temperature to release",
        "release",
        "retaining compound",
        "compound",
        "retain",
        "stick",
    ),
    headline=headline,
)
