"""``wires``: three wires in a screw's thread, and what the reading over them says."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction
from math import cos, radians, sin, tan
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, told
from runk.core.kinds import Choice, Length, OneOf
from runk.core.refusals import Refused
from runk.core.said import mm_said, number_said, thou_said
from runk.core.shown import Rank, Show, Table
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.threads.classes import Grade, Room, room_for
from runk.core.threads.laws import smaller_mm
from runk.core.threads.series import Form, Thread
from runk.core.threads.thread import THREAD_FIELD
from runk.core.threads.wire_laws import (
    best_wire_mm,
    effective_limit_mm,
    left_limit_mm,
    over_wires_limit_mm,
    thickest_wire_mm,
    thinnest_wire_mm,
)
from runk.core.tools import ShopTool
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_NEAR = 6
"""Owned wires shown: so many nearest to the best."""
GRADES = (
    Choice("medium", "made as usual", ("6g", "2a", "medium class", "normal class"), silent=True),
    Choice("close", "made close", ("4h", "3a", "close class", "close")),
    Choice("free", "made free", ("8g", "1a", "free class")),
)


@dataclass(frozen=True, slots=True)
class WiresQuestion:
    """A screw measured over three wires.

    Args:
        thread: Which.
        wire: Diameter of the wires; the nearest drill owned where left out.
        over: What the micrometer reads over them.
        grade: How closely it is made.
    """

    thread: Annotated[Thread, THREAD_FIELD]
    wire: Annotated[
        Fraction | None,
        Length(
            "wire",
            ("wire", "wires"),
            usual=(0.1, 6.0),
            low=0.05,
            high=20.0,
            placeholder="the nearest drill owned",
        ),
    ] = None
    over: Annotated[
        Fraction | None,
        Length(
            "reading over the wires",
            ("reads", "over", "over them", "measures", "reading"),
            usual=(1.0, 60.0),
            low=0.3,
            high=300.0,
            placeholder="not read yet",
        ),
    ] = None
    grade: Annotated[Grade, OneOf("how close", choices=GRADES)] = Grade.MEDIUM


@dataclass(frozen=True, slots=True, kw_only=True)
class WireOwned:
    """A drill whose shank will do for a wire."""

    name: Annotated[str, Show("Drill")]
    wire_mm: Annotated[Figure, Show("Its shank")]
    over_low_mm: Annotated[Figure, Show("Over three, at least")]
    over_high_mm: Annotated[Figure, Show("At most")]


@dataclass(frozen=True, slots=True, kw_only=True)
class WiresAnswer:
    """What is read over which wires, and what a reading says."""

    over_high_mm: Annotated[Figure, Show("Over the wires, at most", Rank.BIG)]
    over_low_mm: Annotated[Figure, Show("Over the wires, at least", Rank.BIG)]
    wire_mm: Annotated[Figure, Show("Wires", Rank.BIG)]
    left_mm: Annotated[Figure | None, Show("Left on the diameter", Rank.BIG)]
    says: Annotated[str, Show("How it stands", Rank.SAYS)]
    best_wire_mm: Annotated[Figure, Show("Best wire")]
    over_wires_mm: Annotated[Figure, Show("Over them, at the basic size")]
    effective_mm: Annotated[Figure | None, Show("Effective diameter, from the reading")]
    low_mm: Annotated[Figure, Show("Effective diameter, at least")]
    high_mm: Annotated[Figure, Show("Effective diameter, at most")]
    basic_mm: Annotated[Figure, Show("Basic effective diameter")]
    thinnest_mm: Annotated[Figure, Show("Wires no thinner than")]
    thickest_mm: Annotated[Figure, Show("And no thicker than")]
    class_name: Annotated[str, Show("Class")]
    owned: Annotated[tuple[WireOwned, ...], Table("Drills owned that will do for wires")]
    pitch_mm: Annotated[Figure, Show("Pitch", Rank.FOLDED)]
    angle_deg: Annotated[Figure, Show("Angle", Rank.FOLDED)]
    major_mm: Annotated[Figure, Show("Across", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


def needs(_: WiresQuestion, workshop: Workshop) -> tuple[ShopTool, ...]:
    """The drills there are."""
    return workshop.drills


def bounds_mm(w: Working, thread: Thread, basic: float) -> tuple[Figure, Figure]:
    """Thinnest and thickest wire that touches the flanks and stands above the crests."""
    form: Form = thread.form
    half = radians(form.angle_deg / 2)
    up = (thread.major_mm - basic) / 2
    below = thread.pitch_mm / (4 * tan(half))
    thin = w.of(thinnest_wire_mm, "thinnest_mm", depth_mm=up, below_mm=below, sine=sin(half))
    # A rounded crest ends the flank before the crest itself.
    rounded = 0.0
    if form.key in ("whitworth", "ba"):
        rounded = form.radius * thread.pitch_mm * (1 - sin(half))
    flank = (up + below - rounded) / cos(half)
    thick = w.of(thickest_wire_mm, "thickest_mm", flank_mm=flank, angle_deg=form.angle_deg)
    return replace(thin, places=3), replace(thick, places=3)


def compute(question: WiresQuestion, drills: tuple[ShopTool, ...]) -> WiresAnswer:
    """Wires, the reading over them at both limits, and what a reading says.

    Raises:
        Refused: Wires that sit too low or too high to touch the flanks, or a reading that is none
            of this thread.

    >>> from runk.core.threads.series import find_thread
    >>> asked = WiresQuestion(find_thread("1/2-13 UNC"), Fraction("1.12803"))
    >>> answer = compute(asked, ())
    >>> round(answer.best_wire_mm.value / 25.4, 4), round(answer.over_wires_mm.value / 25.4, 4)
    (0.0444, 0.5167)
    """
    w, thread = Working(), question.thread
    form, pitch = thread.form, thread.pitch_mm
    basic = w.of(
        smaller_mm,
        "basic_mm",
        major_mm=thread.major_mm,
        times=form.effective,
        pitch_mm=pitch,
        source=form.source,
    )
    best = w.of(best_wire_mm, pitch_mm=pitch, angle_deg=form.angle_deg)
    thin, thick = bounds_mm(w, thread, basic.value)
    room = room_for(w, thread, basic.value, question.grade)
    wire, named = wire_taken(question.wire, drills, best.value, thin.value, thick.value)

    def over(effective: float, of_wire: float, key: str) -> Figure:
        figure = w.of(
            over_wires_limit_mm,
            key,
            effective_mm=effective,
            wire_mm=of_wire,
            angle_deg=form.angle_deg,
            pitch_mm=pitch,
        )
        return replace(figure, places=3)

    effective = None
    if question.over is not None:
        effective = w.of(
            effective_limit_mm,
            "effective_mm",
            over_mm=float(question.over),
            wire_mm=wire,
            angle_deg=form.angle_deg,
            pitch_mm=pitch,
        )
        _sensible(effective.value, basic.value, thread, float(question.over))
    left = None
    if effective is not None and effective.value > room.high.value:
        left = w.of(
            left_limit_mm,
            "left_mm",
            since=len(w.steps) - 1,
            effective_mm=effective.value,
            low_mm=room.low.value,
            high_mm=room.high.value,
        )
        left = replace(left, places=3)
    owned = _owned(drills, best.value, thin.value, thick.value)
    return WiresAnswer(
        over_high_mm=over(room.high.value, wire, "over_high_mm"),
        over_low_mm=over(room.low.value, wire, "over_low_mm"),
        wire_mm=told(wire, "wire_mm"),
        left_mm=left,
        says=_says(room, effective, left, named),
        best_wire_mm=replace(best, places=3),
        over_wires_mm=over(basic.value, wire, "over_wires_mm"),
        effective_mm=effective and replace(effective, places=3),
        low_mm=replace(room.low, places=3),
        high_mm=replace(room.high, places=3),
        basic_mm=replace(basic, places=3),
        thinnest_mm=thin,
        thickest_mm=thick,
        class_name=f"{room.name}, {room.source.title}",
        owned=tuple(
            WireOwned(
                name=tool.name,
                wire_mm=told(tool.mm, "wire_mm"),
                over_low_mm=over(room.low.value, tool.mm, "over_low_mm"),
                over_high_mm=over(room.high.value, tool.mm, "over_high_mm"),
            )
            for tool in owned
        ),
        pitch_mm=told(pitch, "pitch_mm", 4),
        angle_deg=told(form.angle_deg, "angle_deg", 1),
        major_mm=told(thread.major_mm, "major_mm"),
        cautions=_cautions(named),
        links=(Link("thread", (("thread", thread.name),), "Everything about this thread"),),
    )


def _owned(drills: tuple[ShopTool, ...], best: float, thin: float, thick: float) -> list[ShopTool]:
    will_do = [t for t in drills if t.sound and thin < t.mm < thick]
    near = sorted(will_do, key=lambda t: abs(t.mm - best))[:_NEAR]
    return sorted(near, key=lambda t: t.mm)


def wire_taken(
    asked: Fraction | None, drills: tuple[ShopTool, ...], best: float, thin: float, thick: float
) -> tuple[float, str]:
    """The wire that is used, and the drill it is, where it is one.

    Args:
        asked: As somebody has it; the drill nearest to the best, or the best itself, where not.
        best: Millimetres, as ``thin`` and ``thick``, between which it must lie.

    Raises:
        Refused: One that sits too low or too high to touch the flanks.
    """
    if asked is None:
        near = min(_owned(drills, best, thin, thick), key=lambda t: abs(t.mm - best), default=None)
        return (best, "") if near is None else (near.mm, near.name)
    wire = float(asked)
    if wire <= thin:
        raise Refused(
            f"Wires of {mm_said(wire, 3)} sink below the crests: {mm_said(thin, 3)} at the least.",
            field="wire",
            suggest=f"{best:.3f} mm",
        )
    if wire >= thick:
        raise Refused(
            f"Wires of {mm_said(wire, 3)} ride on the crests and touch no flank: "
            f"{mm_said(thick, 3)} at the most.",
            field="wire",
            suggest=f"{best:.3f} mm",
        )
    return wire, ""


def _sensible(effective: float, basic: float, thread: Thread, over: float) -> None:
    root = thread.major_mm - 2 * thread.form.depth * thread.pitch_mm
    if over < thread.major_mm - thread.pitch_mm / 8:
        raise Refused(
            f"The thread itself is {mm_said(thread.major_mm, 3)} across: less cannot be read over "
            "wires, for the anvils would stand on its crests. Read across the crests, or other "
            "wires?",
            field="over",
        )
    if effective <= root:
        raise Refused(
            f"That reading makes the effective diameter {mm_said(effective, 3)}, under the root of "
            f"this thread, {mm_said(root, 3)}: nothing of it is left. Another thread, or scrap.",
            field="over",
        )
    if abs(effective - basic) > thread.pitch_mm:
        raise Refused(
            f"That reading makes the effective diameter {mm_said(effective, 3)}, and this thread's "
            f"is {mm_said(basic, 3)}: another thread, or other wires?",
            field="over",
        )


def _says(room: Room, effective: Figure | None, left: Figure | None, named: str) -> str:
    limits = f"{number_said(room.low.value, 3)} to {mm_said(room.high.value, 3)}"
    if effective is None:
        shanks = f" Three {named} drills will do: measure their shanks first." if named else ""
        return f"Effective diameter {limits} for {room.name}.{shanks}"
    if left is not None:
        return (
            f"{thou_said(left.value)} to come off the diameter: straight in by half of it, "
            f"{thou_said(left.value / 2)}, then read again."
        )
    if effective.value < room.low.value:
        under = room.low.value - effective.value
        if under > room.high.value - room.low.value:
            return f"Under its limit by {thou_said(under)}: no nut of its size holds on it. Scrap."
        return f"Under its limit by {thou_said(under)}: it takes a nut made for it."
    return f"Inside {limits}: leave it."


def _cautions(named: str) -> tuple[Caution, ...]:
    says = "Wipe the thread; one wire below, two above, square to the spindle, feel and no force."
    if named:
        says = "Shanks of drills are marked and seldom round: turn them, take the smallest reading."
    return (Caution("Mind", "the wires", says, "wire_mm", PRACTICE if named else MECHANICS),)


def headline(answer: WiresAnswer, page: PageUnit) -> str:
    """Wire, and what is read over three."""
    low, high = answer.over_low_mm.shown(page), answer.over_high_mm.words(page)
    left = f" · {answer.left_mm.words(page)} left" if answer.left_mm is not None else ""
    return f"wires {answer.wire_mm.words(page)} · over them {low} to {high}{left}"


WIRES = Calculator(
    name="wires",
    title="A screw measured over three wires",
    door=Door("/threads/wires", "Threads", "Three wires", family="Measured"),
    opening={"thread": "M10"},
    question=WiresQuestion,
    answers=(WiresAnswer,),
    compute=compute,
    needs=needs,
    sentences={"": "Three wires in {thread}[, wire {wire}][, over them {over}][, {grade}]"},
    calls=(
        "wires",
        "three wires",
        "three wire",
        "three-wire",
        "3 wires",
        "3 wire",
        "over wires",
        "over the wires",
        "thread wires",
        "best wire",
        "best wires",
        "wire for @",
        "wires for @",
        "wire size",
    ),
    headline=headline,
)
