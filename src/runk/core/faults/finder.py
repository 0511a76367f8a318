"""``faults``: causes in the order to check them, the first change, the new setting."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from fractions import Fraction
from functools import cache
from typing import Annotated, ClassVar

from runk.core.calculator import Calculator, Door
from runk.core.cutting import laws
from runk.core.cutting.operations import FACTS
from runk.core.cutting.question import SpeedQuestion
from runk.core.cutting.speed import speed
from runk.core.cutting.target import SpeedShop, target_speed
from runk.core.faults.question import CUTTING, SENTENCES, TAPERED, FaultQuestion, Sign
from runk.core.faults.taper import read_taper
from runk.core.figures import Caution, Figure, Num, Working, law, stop
from runk.core.lengths import Reading
from runk.core.machines.machine import Machine, Setting
from runk.core.metals import Metal
from runk.core.refusals import Refused
from runk.core.shown import Rank, Show, Table
from runk.core.sources import PRACTICE, Held, Source, read_table
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop

FEED_UP, FEED_DOWN = 1.5, 1 / 3
FAR_OFF_PERCENT = 40.0
"""From here the speed is looked at first: belt steps are about so far apart. Practice."""
ENOUGH_THOU, TOO_MUCH_THOU = 2.0, 10.0
"""Run-out that may do, and that will not: common practice, in thou."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Cause:
    """One cause: where to look, and what changes."""

    order: Annotated[int, Show("Turn")]
    cause: Annotated[str, Show("Cause")]
    check: Annotated[str, Show("Look")]
    change: Annotated[str, Show("Change")]
    source: Annotated[str, Show("Who says so")]


@dataclass(frozen=True, slots=True, kw_only=True)
class Jump:
    """Run-out added by one part of the chain."""

    part: Annotated[str, Show("Read at")]
    reading_mm: Annotated[Figure, Show("Reading")]
    adds_mm: Annotated[Figure, Show("Added here")]
    worst: Annotated[bool, Show("Worst")]


@dataclass(frozen=True, slots=True, kw_only=True)
class SignAnswer:
    """What to look at in order, the one thing to change first."""

    tag: ClassVar[str] = "sign"

    first: Annotated[str, Show("Look at this first", Rank.BIG, drawn=True)]
    first_check: Annotated[str, Show("How to look", Rank.SAYS, drawn=True)]
    causes: Annotated[tuple[Cause, ...], Table("After that, in this order", drawn=True)]
    cautions: tuple[Caution, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class CutAnswer(SignAnswer):
    """A sign of a cut, set against what the cut wants.

    ``new_rpm`` and ``new_feed_mm_per_rev`` are there where the first change is one of them.
    """

    tag: ClassVar[str] = "cut"

    new_position: Annotated[str, Show("Set", Rank.BIG, drawn=True)]
    new_rpm: Annotated[Figure | None, Show("Which is", drawn=True)]
    new_feed_mm_per_rev: Annotated[Figure | None, Show("Feed", drawn=True)]
    target_rpm: Annotated[Figure, Show("The metal would take", drawn=True)]
    off_percent: Annotated[Figure, Show("It was set over that by")]


@dataclass(frozen=True, slots=True, kw_only=True)
class TaperAnswer(SignAnswer):
    """A taper measured at both ends: what to move, and by how much."""

    tag: ClassVar[str] = "taper"

    move_mm: Annotated[Figure, Show("Move it by", Rank.BIG, drawn=True)]
    angle_deg: Annotated[Figure, Show("Out of line by", drawn=True)]


@dataclass(frozen=True, slots=True, kw_only=True)
class RunOutAnswer(SignAnswer):
    """Run-out followed from the work back to the taper."""

    tag: ClassVar[str] = "run-out"

    trace: Annotated[tuple[Jump, ...], Table("Where it comes in", drawn=True)]


FaultAnswer = SignAnswer | CutAnswer | TaperAnswer | RunOutAnswer


@dataclass(frozen=True, slots=True)
class FaultShop:
    """The machine and metal, for signs of a cut."""

    machine: Machine | None
    metal: Metal | None


@dataclass(frozen=True, slots=True)
class _Row:
    cause: Cause
    does: str


@cache
def _rows() -> dict[str, tuple[_Row, ...]]:
    found: dict[str, list[_Row]] = {}
    for row in read_table("faults"):
        source = Source(row["authority"], Held(row["held"]))
        cause = Cause(
            order=int(row["order"]),
            cause=row["cause"],
            check=row["check"],
            change=row["change"],
            source=source.title,
        )
        found.setdefault(row["sign"], []).append(_Row(cause, row["does"]))
    return {sign: tuple(rows) for sign, rows in found.items()}


@law("Feed changed", "{feed_mm_per_rev} × {share}", PRACTICE)
def changed_mm_per_rev(feed_mm_per_rev: Num, share: Num) -> Num:
    """Feed a turn, changed by a share.

    >>> changed_mm_per_rev(0.1, 1.5)
    0.15000000000000002
    """
    return feed_mm_per_rev * share


@law("Added here", "{here_mm} - {behind_mm}")
def added_mm(here_mm: Num, behind_mm: Num) -> Num:
    """Run-out one part adds to what is behind it.

    >>> added_mm(0.25, 0.125)
    0.125
    """
    return here_mm - behind_mm


def faults(question: FaultQuestion, shop: FaultShop) -> FaultAnswer:
    """From a sign to its causes, the first thing to change, and the new setting.

    Args:
        question: The sign, and the cut it was seen in.
        shop: The machine and metal of that cut.

    Raises:
        Refused: A sign of a cut without the setting it was seen at.

    >>> from runk.demo.back_shed import LATHE, WORKSHOP
    >>> asked = FaultQuestion(Sign.WHINE, diameter=Fraction(22), metal="silver-steel", rpm=500.0)
    >>> answer = faults(asked, FaultShop(LATHE, WORKSHOP.metals["silver-steel"]))
    >>> answer.first, answer.new_position
    ('too fast for this set-up', 'belt 3, back gear')
    """
    rows = list(_rows()[question.sign])
    if question.sign is Sign.RUN_OUT:
        return _run_out(question, rows)
    if question.sign in TAPERED:
        return _tapered(question, rows)
    if question.sign not in CUTTING:
        return _answer(rows)
    if question.diameter is None or question.rpm is None:
        missing = "rpm" if question.rpm is None else "diameter"
        raise Refused(
            "Say what the machine was set to, and the diameter: the cure begins there.",
            field=missing,
            suggest="500 rev/min" if missing == "rpm" else "22 mm",
        )
    assert shop.machine is not None
    assert shop.metal is not None
    w = Working()
    cut = SpeedQuestion(question.metal, question.diameter, question.operation, question.tool)
    wanted, _ = target_speed(w, cut, shop.metal)
    target = w.of(
        laws.spindle_rpm,
        "target_rpm",
        since=0,
        surface_m_min=wanted,
        diameter_mm=float(question.diameter),
    )
    off = w.of(laws.off_percent, speed_rpm=question.rpm, target_rpm=target.value)
    metal = shop.metal
    rows.sort(key=lambda row: _rank(row, off.value, metal))
    does = rows[0].does
    if does == "either":
        does = "slow" if off.value > 0 else "faster"
    setting = _new_setting(does, question.rpm, shop.machine, target.value)
    feed = _new_feed(w, does, question.feed)
    if does == "deeper" and question.feed is not None:
        feed = _steady_feed(cut, shop, float(question.feed))
    rpm = None if setting is None else Figure(setting.rpm, unit_of("new_rpm"), target.steps)
    causes = _in_order(rows)
    return CutAnswer(
        first=causes[0].cause,
        first_check=causes[0].check,
        causes=causes,
        new_rpm=rpm,
        new_position=setting.position if setting else "",
        new_feed_mm_per_rev=feed,
        target_rpm=target,
        off_percent=off,
    )


def _tapered(question: FaultQuestion, rows: list[_Row]) -> FaultAnswer:
    says = read_taper(question)
    if says is None:
        return _answer(rows)
    if question.between is None:
        # Nothing said of a centre: there is no tailstock to be out of line.
        rows = [row for row in rows if row.cause.change != "tailstock"]
    # The causes the direction speaks for come first, in their own order.
    rows.sort(key=lambda row: row.does != says.likely)
    causes = _in_order(rows)
    return TaperAnswer(
        first=causes[0].cause,
        first_check=says.says,
        causes=causes,
        move_mm=says.move_mm,
        angle_deg=says.angle_deg,
    )


def _rank(row: _Row, off: float, metal: Metal) -> int:
    """A cause the present setting speaks for comes first, one it speaks against last.

    Args:
        row: The cause, and what it does.
        off: How far the speed is over what the cut wants, in per cent.
        metal: Only copper alloys pull a drill in by its rake.
    """
    speed = {"slow": off, "faster": -off, "either": abs(off)}.get(row.does)
    if speed is None:
        return 1 if row.does == "dull" and "copper" not in metal.family else 0
    # A machine's steps are this far apart: nearer than that, the speed is hardly at fault.
    return -1 if speed > FAR_OFF_PERCENT else 0 if speed > 0 else 1


def _in_order(rows: list[_Row]) -> tuple[Cause, ...]:
    return tuple(replace(row.cause, order=n) for n, row in enumerate(rows, 1))


def _answer(rows: list[_Row]) -> SignAnswer:
    causes = _in_order(rows)
    return SignAnswer(first=causes[0].cause, first_check=causes[0].check, causes=causes)


def _new_setting(does: str, rpm: float, machine: Machine, target: float) -> Setting | None:
    ladder = machine.ladder
    if does == "slow" and ladder:
        # Down to what the metal wants, and at least one step.
        below = [s for s in ladder if s.rpm < rpm * 0.999]
        fitting = [s for s in below if s.rpm <= target * 1.15] or below[:1]
        return fitting[-1] if fitting else None
    if does == "faster" and ladder:
        above = [s for s in ladder if rpm * 1.001 < s.rpm <= target * 1.15]
        return above[-1] if above else None
    return None


def _new_feed(w: Working, does: str, feed: Fraction | None) -> Figure | None:
    share = {"feed up": FEED_UP, "feed down": FEED_DOWN}.get(does)
    if share is None or feed is None:
        return None
    return w.of(changed_mm_per_rev, "new_feed_mm_per_rev", feed_mm_per_rev=float(feed), share=share)


def _steady_feed(cut: SpeedQuestion, shop: FaultShop, feed: float) -> Figure | None:
    """The usual feed of this cut, where the present one is finer and rubs."""
    assert shop.machine is not None
    assert shop.metal is not None
    usual = speed(cut, SpeedShop(shop.machine, shop.metal)).fed
    if feed >= usual.value:
        return None
    return Figure(usual.value, unit_of("new_feed_mm_per_rev"), usual.steps, usual.places)


def _run_out(question: FaultQuestion, rows: list[_Row]) -> FaultAnswer:
    chain = [
        ("the work", question.at_work),
        ("the collet", question.at_collet),
        ("the chuck", question.at_chuck),
        ("the taper behind it", question.at_taper),
    ]
    read = [(part, float(value)) for part, value in chain if value is not None]
    if not read:
        raise Refused(
            "Read an indicator at the work first, then one step further back each time.",
            field="at_work",
            suggest="4 thou",
        )
    w = Working()
    jumps = []
    for index, (part, here) in enumerate(read):
        behind = read[index + 1][1] if index + 1 < len(read) else 0.0
        adds = w(added_mm, here_mm=here, behind_mm=behind)
        jumps.append((part, here, w.figure(adds, "adds_mm", since=index, places=3)))
    most = max(jump.value for _, _, jump in jumps)
    trace = tuple(
        Jump(
            part=part,
            reading_mm=Figure(here, unit_of("reading_mm"), places=3),
            adds_mm=adds,
            worst=adds.value == most,
        )
        for part, here, adds in jumps
    )
    worst = next(jump.part for jump in trace if jump.worst)
    first = f"most of it comes in at {worst}"
    if len(read) == 1:
        # It says only that it runs out, not where.
        first = f"read it again one step back from {worst}"
    check = "Take it apart there, wipe every face, turn it half round and read again."
    if left_out := _left_out(chain, worst):
        # Between two places read with one between them nobody can say at which it comes in.
        parts = [part for part, value in chain if value is not None]
        place = parts[parts.index(worst) + 1]
        first = f"between {worst} and {place}: read {left_out} next"
        check = f"Read {left_out} too, which was left out. {check}"
    untrue = next((p for p, _, jump in jumps[1:] if jump.value < 0), "")
    if untrue:
        check = f"{untrue.capitalize()} reads less than what is behind it: its outside is not true "
        check += "to its jaws, so hold the work otherwise to be sure. Wipe every face, read again."
    cautions: tuple[Caution, ...] = ()
    thou = read[0][1] / 0.0254
    if thou <= ENOUGH_THOU:
        check = f"{thou:.1f} thou at the work may well do. {check}"
    elif thou >= TOO_MUCH_THOU:
        says = f"{thou:.0f} thou will not do for anything that has to run true."
        cautions = (
            stop(
                "the run-out", f"clean and look at {worst}, then read again", says, None, PRACTICE
            ),
        )
    return RunOutAnswer(
        first=first, first_check=check, causes=_in_order(rows), trace=trace, cautions=cautions
    )


def _left_out(chain: list[tuple[str, Fraction | None]], worst: str) -> str:
    """A place not read, just behind the one where most comes in."""
    parts = [part for part, _ in chain]
    behind = chain[parts.index(worst) + 1 :]
    later = any(value is not None for _, value in behind)
    return behind[0][0] if behind and behind[0][1] is None and later else ""


def _needs(question: FaultQuestion, workshop: Workshop) -> FaultShop:
    if question.sign not in CUTTING:
        return FaultShop(None, None)
    kinds = FACTS[question.operation].machines
    return FaultShop(workshop.machine(question.machine, kinds), workshop.metals[question.metal])


def _settle(question: FaultQuestion, workshop: Workshop, _: Mapping[str, Reading]) -> FaultQuestion:
    machine = _needs(question, workshop).machine
    return replace(question, machine=machine.name) if machine else question


def _headline(answer: FaultAnswer, page: PageUnit) -> str:
    if isinstance(answer, TaperAnswer):
        return f"{answer.first} · {answer.move_mm.words(page)}"
    if isinstance(answer, CutAnswer) and answer.new_position:
        return f"{answer.first} → {answer.new_position}"
    return answer.first


FAULTS = Calculator(
    name="faults",
    title="What went wrong, and what to change first",
    door=Door("/faults", "Faults", "What went wrong"),
    opening={
        "sign": "whine",
        "operation": "bore",
        "diameter": "22 mm",
        "metal": "grey-iron",
        "tool": "carbide",
        "rpm": "1480",
    },
    question=FaultQuestion,
    answers=(SignAnswer, CutAnswer, TaperAnswer, RunOutAnswer),
    compute=faults,
    needs=_needs,
    settle=_settle,
    sentences=SENTENCES,
    insists=True,
    ruled=True,
    headline=_headline,
)
