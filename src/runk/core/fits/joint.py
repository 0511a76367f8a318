"""A boss on a shaft: what an interference does, what holds, what the parts bear."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction
from math import floor

from runk.core.figures import Caution, Figure, Link, Working, stop
from runk.core.fits import heat, pressed
from runk.core.fits.classes import bounds_of
from runk.core.fits.joint_question import JointQuestion, JointShop
from runk.core.fits.question import duties
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.said import mm_said, thou_said
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.threads.stud import SHEAR_SHARE
from runk.core.units import unit_of

USUAL_BOSS = 2
"""A boss nobody measured is taken as so many times its bore across: common practice."""
IRON_SHARE = 0.5
"""Iron does not yield before it breaks: so much of its strength counts as its yield."""
VICE_N = 8000.0
"""Push of a small bench vice, from memory."""
HAND_N, TAPS_N = 150.0, 1000.0
SAFETY = 3.0
"""A joint that must not move is asked a third of what it holds: common practice."""


@dataclass(frozen=True, slots=True)
class Joint:
    """A joint as it is worked with: every size known, in millimetres.

    Args:
        give: How both give for each N/mm², as a share of the diameter.
        boss: Stress at the boss's bore for each N/mm².
        steps: How many steps of working that took.
    """

    size: float
    hub: float
    length: float
    hollow: float
    give: float
    boss: float
    shop: JointShop
    steps: int


def joint_of(w: Working, question: JointQuestion, shop: JointShop) -> Joint:
    """A joint with what nobody said filled in.

    Raises:
        Refused: A boss no larger than its bore, or a shaft that is all bore.
    """
    size = float(question.size)
    hub = size * USUAL_BOSS if question.hub is None else float(question.hub)
    hollow = 0.0 if question.hollow is None else float(question.hollow)
    if hub <= size:
        raise Refused(
            f"A boss of {mm_said(hub)} has no metal round a {mm_said(size)} bore.",
            field="hub",
            suggest=f"{size * USUAL_BOSS:g} mm",
        )
    if hollow >= size:
        raise Refused("The bore through the shaft leaves no shaft.", field="hollow")
    boss = w(pressed.boss_ratio, outside_mm=hub, size_mm=size)
    shaft = w(pressed.shaft_ratio, size_mm=size, hollow_mm=hollow)
    give = w(
        pressed.give_ratio,
        boss_ratio=boss,
        boss_poisson=shop.boss["poisson"],
        boss_gpa=shop.boss["e_gpa"],
        shaft_ratio=shaft,
        shaft_poisson=shop.shaft["poisson"],
        shaft_gpa=shop.shaft["e_gpa"],
        source=shop.boss.source("e_gpa"),
    )
    length = size if question.length is None else float(question.length)
    return Joint(size, hub, length, hollow, give, boss, shop, len(w.steps))


def taken(question: JointQuestion, joint: Joint, why: str = "") -> str:
    """What was taken because nobody said it; empty where all was said.

    Args:
        why: Besides.
    """
    said = []
    if question.hub is None:
        said.append(f"the boss {mm_said(joint.hub)} across")
    if question.length is None:
        said.append(f"the joint {mm_said(joint.length)} long")
    sizes = " and ".join(said)
    sizes = f"{sizes[0].upper()}{sizes[1:]}: say if it is not." if sizes else ""
    return f"{sizes} {why}".strip()


@dataclass(frozen=True, slots=True)
class Tight:
    """Least and most interference, and why it is not what the class asks; empty where it is."""

    low: float
    high: float
    why: str = ""


def tightness(joint: Joint, tight: Fraction | None, least: Fraction | None, duty: str) -> Tight:
    """Least and most interference: as said, or by a class of the workshop as far as it is borne.

    Raises:
        Refused: The least is over the most.
    """
    if tight is None:
        return by_class(joint, duty)
    most = float(tight)
    if least is not None and least > tight:
        raise Refused("The least interference is over the interference.", field="least")
    return Tight(most if least is None else float(least), most)


def by_class(joint: Joint, duty: str) -> Tight:
    """A class of the workshop, kept to what boss and shaft bear."""
    low, high = bounds_of(duties()[duty], joint.size)
    asked = Tight(max(-high, 0.0), -low)
    most = borne_mm(joint)[0]
    if asked.high <= most:
        return asked
    why = (
        f"The class asks for {thou_said(asked.high)}; this {borne_mm(joint)[1]} bears "
        f"{thou_said(most)}."
    )
    return Tight(asked.low * most / asked.high, most, why)


def most_by_heat_mm(joint: Joint, room_c: float, free_mm: float) -> float:
    """Interference that the heat the boss bears opens it by, room to spare counted."""
    metal = joint.shop.boss
    span = heat.bears(metal).bears_c - room_c
    return joint.size * metal["expansion_um_per_m_k"] * span * 1e-6 - free_mm


def shrink_class(joint: Joint, room_c: float, free_mm: float) -> Tight:
    """The class for shrinking, kept to what the parts bear and to what their heat opens."""
    tight, warm = by_class(joint, "shrink"), most_by_heat_mm(joint, room_c, free_mm)
    if not 0 < warm < tight.high:
        return tight
    why = f"Its metal bears heat for {thou_said(warm)} of interference: made to that."
    return Tight(tight.low * warm / tight.high, warm, why)


def borne_mm(joint: Joint) -> tuple[float, str]:
    """Interference at which the weaker of boss and shaft yields, and which that is.

    A ductile boss yields where hoop and pressure together come to its yield (Tresca at the bore),
    iron cracks by the hoop alone. A solid shaft stands under the same pressure on every side but
    its ends: it yields at that.
    """
    ductile = not is_brittle(joint.shop.boss)
    pressure = bears_mpa(joint.shop.boss) / (joint.boss + ductile)
    part = "boss"
    squeezed, name = 1.0, "shaft"
    if joint.hollow:
        squeezed = pressed.squeezed_mpa(1.0, joint.size, joint.hollow)
        name = "hollow shaft"
    stands = bears_mpa(joint.shop.shaft) / squeezed
    if stands < pressure:
        pressure, part = stands, name
    return pressure * joint.size * joint.give, part


@dataclass(frozen=True, slots=True)
class Pressed:
    """What an interference does at its least and at its most."""

    pressure_low: Figure
    pressure: Figure
    hoop: Figure
    loaded: Figure
    force: Figure
    holds: Figure
    torque: Figure


@dataclass(frozen=True, slots=True)
class AtWork:
    """A joint's interference where it works, and at the worst of cold and hot.

    Args:
        low: Least, hot; ``high`` most.
        least: The least of cold and hot: what it is counted on to hold by.
        most: The most of both: what strains it.
        hot_c: Where it works; None where it works cold.
    """

    low: float
    high: float
    least: float
    most: float
    hot_c: float | None


def at_work(joint: Joint, tight: Tight, hot_c: float | None) -> AtWork:
    """What working heat makes of an interference, metals that grow unlike counted."""
    if hot_c is None:
        return AtWork(tight.low, tight.high, tight.low, tight.high, None)
    shaft, boss = (m["expansion_um_per_m_k"] for m in (joint.shop.shaft, joint.shop.boss))
    low, high = (
        pressed.work_tight_mm(mm, joint.size, shaft, boss, hot_c) for mm in (tight.low, tight.high)
    )
    return AtWork(low, high, min(low, tight.low), max(high, tight.high), hot_c)


def press(w: Working, joint: Joint, low_mm: float, high_mm: float) -> Pressed:
    """Stress and push at the tightest; at the loosest what it holds, its surfaces flattened.

    Args:
        low_mm: The least interference, cold or hot; ``high_mm`` the most.
    """

    def at(tight_mm: float, key: str, friction: float) -> tuple[Figure, Figure]:
        since = len(w.steps)
        if friction == pressed.HOLDS_BY:
            tight_mm = w(pressed.left_tight_mm, tight_mm=tight_mm, flattens_mm=pressed.FLATTENS_MM)
        pressure = w.of(
            pressed.pressure_mpa,
            key,
            since=since,
            tight_mm=tight_mm,
            size_mm=joint.size,
            give_ratio=joint.give,
        )
        pressure = Figure(pressure.value, pressure.unit, (*w.steps[: joint.steps], *pressure.steps))
        push = w.of(
            pressed.push_n,
            since=since,
            friction=friction,
            pressure_mpa=pressure.value,
            size_mm=joint.size,
            length_mm=joint.length,
            source=PRACTICE,
        )
        return pressure, push

    least, holds = at(low_mm, "pressure_low_mpa", pressed.HOLDS_BY)
    torque = w.of(pressed.grip_nm, since=len(w.steps) - 2, force_n=holds.value, size_mm=joint.size)
    most, force = at(high_mm, "pressure_mpa", pressed.PUSHED_BY)
    since = len(w.steps)
    hoop = w.of(pressed.hoop_mpa, pressure_mpa=most.value, boss_ratio=joint.boss)
    loaded = w.of(pressed.loaded_mpa, since=since, hoop_mpa=hoop.value, pressure_mpa=most.value)
    return Pressed(least, most, hoop, loaded, force, holds, torque)


def _by_what(metal: Metal) -> tuple[str, float]:
    """Which of its figures a metal bears a share of: its yield, of grey iron half its strength."""
    return ("rm_n_per_mm2", IRON_SHARE) if is_brittle(metal) else ("rp02_n_per_mm2", 1.0)


def is_brittle(metal: Metal) -> bool:
    """Whether it cracks before it gives."""
    return metal.family == "iron" and metal.kind != "sg-iron"


def bears_mpa(metal: Metal) -> float:
    """What a boss may be loaded to.

    >>> from runk.core.metals.metal import shipped_metals
    >>> bears_mpa(shipped_metals()["grey-iron"])
    125.0
    """
    name, share = _by_what(metal)
    return pressed.borne_mpa(share, metal[name])


def borne(w: Working, metal: Metal, key: str) -> Figure:
    """What a boss may be loaded to, with where it comes from."""
    name, share = _by_what(metal)
    figure = w.of(
        pressed.borne_mpa, key, share=share, strength_mpa=metal[name], source=metal.source(name)
    )
    return replace(figure, places=0)


def strained(
    joint: Joint, high_mm: float, field: str, besides_mm: float | None = None
) -> list[Caution]:
    """A Stop where an interference strains the weaker part past its yield.

    Args:
        besides_mm: The most that something else allows: what is told instead keeps to that too.
    """
    most, name = borne_mm(joint)
    metal = joint.shop.boss if name == "boss" else joint.shop.shaft
    source = metal.source("rp02_n_per_mm2")
    brittle = is_brittle(metal)
    if high_mm > most * (1 + 1e-9):
        load = bears_mpa(metal) * high_mm / most
        gives = "may crack" if brittle else "gives for good"
        says = (
            f"At {thou_said(high_mm)} the {name} is loaded to {load:.0f} N/mm², and "
            f"{metal.name} {gives} past {bears_mpa(metal):.0f}: it holds no better for it."
        )
        told = most if besides_mm is None else min(most, besides_mm)
        instead = f"{thou_said(told)} of interference at most"
        return [stop(f"the {name}", instead, says, field, source)]
    return []


def loosest_holds(worst: AtWork) -> list[Caution]:
    """That a joint holds nothing at its loosest, cold or where it works."""
    if worst.hot_c is not None and worst.low <= pressed.FLATTENS_MM < worst.high:
        says = (
            f"At {worst.hot_c:.0f} °C the boss has grown away from its shaft: "
            f"{_tight_said(worst.low)} to {_tight_said(worst.high)}."
        )
        return [Caution("Mind", "at work", says, "holds_n", MECHANICS)]
    if worst.hot_c is not None and worst.high <= pressed.FLATTENS_MM:
        says = (
            f"At {worst.hot_c:.0f} °C the boss has grown away from its shaft, "
            f"{_tight_said(worst.high)} at the most: it is loose."
        )
        return [stop("at work", "like metals, or a pin", says, "holds_n", MECHANICS)]
    if worst.least > pressed.FLATTENS_MM:
        return []
    says = (
        f"At its loosest, {_tight_said(worst.least)}, both surfaces flatten by as much and it is "
        "not to be counted on: pair the parts, or bond them."
    )
    return [Caution("Mind", "the loosest", says, "tight_low_mm", PRACTICE)]


def _tight_said(mm: float) -> str:
    return f"{thou_said(abs(mm))} {'tight' if mm >= 0 else 'free'}"


def goes_in_by(push_n: float) -> str:
    """How a push of so many newtons is made in a small workshop: common practice."""
    if push_n <= HAND_N:
        return "pushed by hand"
    if push_n <= TAPS_N:
        return "light taps, square, with a soft hammer"
    if push_n <= VICE_N:
        return "squeezed in the vice, soft jaws, with a lead to start it square"
    return "more than a bench vice gives: heat it instead"


def usual_free_mm(size_mm: float) -> float:
    """Room to spare as it goes together hot: half a thou and half a thou an inch, practice.

    >>> round(usual_free_mm(25.4), 4)
    0.0254
    """
    return 0.5 * 0.0254 * (1 + size_mm / 25.4)


def bonds_share(*metals: Metal) -> float:
    """Share of its strength a compound reaches: half on stainless, which it cures slowly on.

    >>> from runk.core.metals.metal import shipped_metals
    >>> bonds_share(shipped_metals()["brass"], shipped_metals()["stainless-303"])
    0.5
    """
    return 0.5 if any(metal.family == "stainless" for metal in metals) else 1.0


def bonded(
    w: Working, joint: Joint, strength_mpa: float, since: int | None = None
) -> tuple[Figure, Figure]:
    """Push and torque a bond of that strength holds, its working from a step on."""
    at = len(w.steps) if since is None else since
    area = w(pressed.joint_mm2, size_mm=joint.size, length_mm=joint.length)
    force = w.of(
        pressed.bonded_n,
        "holds_n",
        since=at,
        shear_mpa=strength_mpa,
        area_mm2=area,
        source=PRACTICE,
    )
    return force, w.of(
        pressed.grip_nm, "holds_nm", since=at, force_n=force.value, size_mm=joint.size
    )


def sheared(w: Working, joint: Joint, pin_mm: float, across: bool) -> Figure:
    """Torque that shears a pin of the shaft's metal, right across or endways as a scotch key."""
    metal, since = joint.shop.shaft, len(w.steps)
    shears = w(
        pressed.shear_mpa,
        share=SHEAR_SHARE,
        yield_mpa=metal["rp02_n_per_mm2"],
        source=metal.source("rp02_n_per_mm2"),
        why="a pin of the shaft's metal",
    )
    size = joint.size
    if across:
        shear = w(pressed.cross_pin_nm, pin_mm=pin_mm, shear_mpa=shears, size_mm=size)
    else:
        shear = w(
            pressed.scotch_key_nm,
            pin_mm=pin_mm,
            length_mm=joint.length,
            shear_mpa=shears,
            size_mm=size,
        )
    return w.figure(shear, "holds_nm", since=since)


def tight_figures(tight: Tight) -> tuple[Figure, Figure]:
    """Interference as figures, to the micrometre."""
    return (
        Figure(tight.low, unit_of("tight_low_mm"), (), 3),
        Figure(tight.high, unit_of("tight_high_mm"), (), 3),
    )


def handed(joint: Joint, question: JointQuestion) -> tuple[tuple[str, str], ...]:
    """What every way of joining is handed of this one."""
    sizes = (
        ("size", joint.size),
        ("hub", joint.hub),
        ("length", joint.length),
        ("hollow", joint.hollow),
    )
    return (
        *((name, f"{mm:.4f} mm") for name, mm in sizes if mm),
        ("boss_metal", question.boss_metal),
        ("shaft_metal", question.shaft_metal),
        *((("hot", f"{question.hot:g} C"),) if question.hot is not None else ()),
    )


def limits_of_both(question: JointQuestion, joint: Joint, tight: Tight, duty: str) -> Link:
    """On to limits that keep this very interference: never tighter than it is borne."""
    low, high = bounds_of(duties()[duty], joint.size)
    loosest = max(min(tight.low, tight.high - (high - low)), 0.0)
    typed = (
        ("size", f"{joint.size:.4f} mm"),
        ("duty", duty),
        ("least", f"{-rounded_down(tight.high):.4f} mm"),
        ("most", f"{-rounded_down(loosest):.4f} mm"),
        ("hole_metal", question.boss_metal),
        ("shaft_metal", question.shaft_metal),
    )
    return Link("fit", typed, "Limits of both parts")


def rounded_down(mm: float) -> float:
    """An interference to a tenth of a micrometre, never more than it is: it stood at its most."""
    return floor(mm * 1e4 + 1e-6) / 1e4


def links_to(
    joint: Joint, question: JointQuestion, tight: Tight | None, reasons: dict[str, str]
) -> tuple[Link, ...]:
    """The same joint by the other ways; an interference goes along where there is one."""
    along: tuple[tuple[str, str], ...] = ()
    if tight is not None:
        along = (
            ("tight", f"{rounded_down(tight.high):.4f} mm"),
            ("least", f"{rounded_down(tight.low):.4f} mm"),
        )
    same = handed(joint, question)
    return tuple(
        Link(to, same + (along if to in ("press", "shrink") else ()), reason)
        for to, reason in reasons.items()
    )
