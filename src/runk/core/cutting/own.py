"""Figures of one's own, judged beside Runk's: how far off, and what that does."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

from runk.core.cutting import laws
from runk.core.cutting.answer import OwnFigure
from runk.core.cutting.caps import lowest
from runk.core.cutting.operations import FACTS, Family, Operation
from runk.core.cutting.question import SpeedQuestion, Tool
from runk.core.cutting.spindle import PLANNED_SHARE, at_bench
from runk.core.cutting.target import SpeedShop
from runk.core.cutting.worked import Worked, worked
from runk.core.figures import Caution, Figure, Holds, Num, Working, law
from runk.core.machines.choose import School, choose
from runk.core.machines.machine import Setting
from runk.core.sources import PRACTICE, Held, Source
from runk.core.units import unit_of

TAYLOR = Source("taylor", Held.RECALLED)
_LIFE = {Tool.HSS: 0.125, Tool.COBALT: 0.125, Tool.CARBIDE: 0.25}
_NEAR = 0.15
"""Within so much of Runk's nobody would tell the difference: common practice."""
_SLOW = 0.6
_RUBS = 0.4
"""A feed or depth under so much of the usual one scrapes rather than cuts: common practice."""


@law("Off what is worked out", "({yours} ÷ {ours} - 1) × 100")
def own_off_percent(yours: Num, ours: Num) -> Num:
    """How far a figure of one's own is from Runk's, in percent; over is positive.

    >>> own_off_percent(300.0, 200.0)
    50.0
    """
    return (yours / ours - 1.0) * 100.0


@law(
    "Life of the edge there",
    "100 × ({yours_rpm} ÷ {ours_rpm})^(-1 ÷ {n})",
    TAYLOR,
    holds=Holds(
        "the speed is half to twice the other",
        lambda yours_rpm, ours_rpm: ours_rpm / 2 <= yours_rpm <= ours_rpm * 2,
    ),
)
def life_percent(yours_rpm: float, ours_rpm: float, n: float) -> float:
    """How long an edge lasts at another speed, in percent of its life at the first.

    Args:
        yours_rpm: The other speed.
        ours_rpm: The speed whose life is 100 %.
        n: Taylor's exponent: 0.125 for high-speed steel, 0.25 for carbide.

    Source: Taylor's relation, exponents by handbook, from memory.

    >>> round(life_percent(240.0, 200.0, 0.125))
    23
    """
    return 100.0 * float((yours_rpm / ours_rpm) ** (-1.0 / n))


@law(
    "Power at your figures",
    "{power_w} × {feed_ratio}^(1 - {mc}) × {depth_ratio} × {speed_ratio}",
    laws.KIENZLE,
)
def own_power_w(
    power_w: float, feed_ratio: float, mc: float, depth_ratio: float, speed_ratio: float
) -> float:
    """Power of a cut whose feed, depth and speed are so many times another's.

    Source: Kienzle: the force goes with depth and with feed to the power 1 - mc.

    >>> own_power_w(100.0, 2.0, 0.0, 1.5, 1.0)
    300.0
    """
    return float(power_w * feed_ratio ** (1.0 - mc) * depth_ratio * speed_ratio)


@dataclass(frozen=True, slots=True)
class Judged:
    """What one's own figures come to."""

    rows: tuple[OwnFigure, ...]
    cautions: tuple[Caution, ...]


def judged(w: Working, question: SpeedQuestion, run: Worked, shop: SpeedShop) -> Judged:
    """Set every figure somebody typed of their own against the one worked out.

    Args:
        w: Where the steps are kept.
        question: With what was typed.
        run: The cut as Runk does it, at the depth typed.
        shop: The machine and the metal.
    """
    usual = _usual_depth(question, shop)
    found = (
        None if question.own_rpm is None else _of_speed(w, question, run, shop),
        _of_feed(w, question, run),
        _of_minute(w, question, run),
        None if usual is None else _of_depth(w, question, usual),
    )
    rows = [row for row in found if row is not None]
    if not rows:
        return Judged((), ())
    return Judged(tuple(rows), tuple(_of_load(w, question, run, shop, rows)))


def _of_speed(w: Working, question: SpeedQuestion, run: Worked, shop: SpeedShop) -> OwnFigure:
    yours, wanted = question.own_rpm or 0.0, run.target.value
    machine, ratio = shop.machine, (question.own_rpm or 0.0) / run.target.value
    near = choose(machine, yours, run.held, School.NEAREST)
    words = []
    limit = machine.limit_for(run.held)
    cap = lowest(w, question, question, shop, run.held)
    if limit is not None and yours > limit:
        words.append(f"Never: the {run.held} may turn at {limit:g} at most.")
    elif cap is not None and yours > cap.rpm.value * 1.001:
        words.append(f"Never: {cap.by[0].lower()}{cap.by[1:]} {cap.rpm.value:.0f}.")
    elif ratio > 1 + _NEAR:
        life = w(life_percent, yours_rpm=yours, ours_rpm=wanted, n=_LIFE[question.tool])
        lasts = f"about {life:.0f} %" if life >= 1 else "hardly a hundredth"
        words.append(f"Too fast: an edge lasts {lasts} as long as at {wanted:.0f}.")
    elif ratio < _SLOW and yours > run.setting.rpm * 0.95:
        words.append("Slow for the metal, and as fast as is to be had here.")
    elif ratio < _SLOW:
        words.append(f"Safe, and slow: the cut takes {run.setting.rpm / yours:.1f} times as long.")
    elif ratio < 1 - _NEAR:
        words.append("A little slow, and kind to the edge.")
    else:
        words.append("Right for this cut.")
    if abs(near.rpm / yours - 1) > 0.01:
        at = f"{near.position} at {near.rpm:.0f}" if near.position else f"{near.rpm:.0f}"
        words.append(f"The nearest there is: {at}.")
    return OwnFigure(
        what="speed",
        yours=Figure(yours, unit_of("own_rpm")),
        ours=run.target,
        off_percent=w.of(laws.off_percent, speed_rpm=yours, target_rpm=wanted),
        does=" ".join(words),
    )


def _of_feed(w: Working, question: SpeedQuestion, run: Worked) -> OwnFigure | None:
    a_tooth = run.cut.per_tooth is not None
    ours = run.cut.per_tooth or run.cut.per_rev
    if question.own_feed is None or ours is None:
        return None
    yours = float(question.own_feed)
    return OwnFigure(
        what="feed a tooth" if a_tooth else "feed a turn",
        yours=Figure(yours, ours.unit),
        ours=ours,
        off_percent=w.of(own_off_percent, yours=yours, ours=ours.value),
        does=_feed_does(question, yours / ours.value, ours.value),
    )


def _of_minute(w: Working, question: SpeedQuestion, run: Worked) -> OwnFigure | None:
    """A feed a minute is as coarse as the speed it is fed at makes it."""
    a_minute, ours = run.cut.per_min, run.cut.per_tooth or run.cut.per_rev
    if question.own_feed_min is None or a_minute is None or ours is None:
        return None
    yours, rpm = float(question.own_feed_min), question.own_rpm or run.setting.rpm
    ratio = yours / a_minute.value * run.setting.rpm / rpm
    return OwnFigure(
        what="feed a minute",
        yours=Figure(yours, a_minute.unit),
        ours=a_minute,
        off_percent=w.of(own_off_percent, yours=yours, ours=a_minute.value),
        does=_feed_does(question, ratio, ours.value),
    )


def _feed_does(question: SpeedQuestion, ratio: float, usual_mm: float) -> str:
    """What a feed does that is so many times the usual one, a turn or a tooth."""
    family = FACTS[question.operation].family
    if ratio < _RUBS:
        does = "So fine that it rubs: it dulls the edge, and hardens stainless."
        if family is Family.TURNED and usual_mm < 0.03:
            does = "Finer than is needed; it may rub."
    elif ratio > 1 + _NEAR:
        bent = {
            Family.TURNED: "a coarser surface",
            Family.DRILLED: "more push, and a drill that wanders",
            Family.MILLED: "a tooth that may break",
        }.get(family, "more load on a tool that is as wide as its cut")
        does = f"{ratio:.1f} times the feed: {bent}."
    elif ratio < 1 - _NEAR:
        does = "A little fine: it takes longer, and is kind to thin work."
    else:
        does = "Right for this cut."
    return does


_DEEP = frozenset({Operation.TURN, Operation.FACE, Operation.BORE, Operation.END_MILL})
"""Where the depth of one cut is free; a slot's or groove's depth is its own."""


def _usual_depth(question: SpeedQuestion, shop: SpeedShop) -> Figure | None:
    if question.depth is None or question.operation not in _DEEP:
        return None
    return worked(Working(), replace(question, depth=None), shop).cut.depth


def _of_depth(w: Working, question: SpeedQuestion, usual: Figure) -> OwnFigure:
    yours = float(question.depth or 0)
    ratio = yours / usual.value
    if ratio > 1 + _NEAR:
        does = f"{ratio:.1f} times as deep: as much more force, and as much more spring."
    elif ratio < _RUBS:
        does = "Light: sure of its size, and more passes."
    else:
        does = "Right for this cut." if ratio > 1 - _NEAR else "A little light."
    return OwnFigure(
        what="depth of cut",
        yours=Figure(yours, usual.unit),
        ours=usual,
        off_percent=w.of(own_off_percent, yours=yours, ours=usual.value),
        does=does,
    )


def _of_load(
    w: Working, question: SpeedQuestion, run: Worked, shop: SpeedShop, rows: list[OwnFigure]
) -> Iterator[Caution]:
    """Whether the belt can give what they ask together; and a speed never to be set."""
    ratios = {row.what.split()[0]: row.yours.value / row.ours.value for row in rows}
    for row in rows:
        if row.does.startswith("Never"):
            yield Caution("Mind", "your speed", row.does, "set_rpm", PRACTICE)
    power, depth = run.cut.power, run.cut.depth
    if power is None:
        return
    rpm = question.own_rpm or run.setting.rpm
    if question.own_feed is None and question.own_feed_min is not None and "feed" in ratios:
        ratios["feed"] *= run.setting.rpm / rpm
    deep = float(question.depth) / depth.value if question.depth and depth is not None else 1.0
    asked = w(
        own_power_w,
        power_w=power.value,
        feed_ratio=ratios.get("feed", 1.0),
        mc=run.metal["mc"],
        depth_ratio=deep,
        speed_ratio=rpm / run.setting.rpm,
    )
    near = choose(shop.machine, rpm, run.held, School.NEAREST)
    own = Setting(near.position, near.mark, near.gear, rpm, max(rpm, near.top_rpm))
    given = at_bench(Working(), question, run.metal, shop.machine, own).available.value
    if asked > given * PLANNED_SHARE:
        stalls = "it stalls" if asked > given else "a dull edge stalls it"
        yield Caution(
            "Mind",
            "your figures",
            f"Together they ask {asked:.0f} W of the {given:.0f} W this belt gives: {stalls}.",
            "power_w",
            PRACTICE,
        )
