"""``tap``: the drill, the depth and the torque of a tapped hole."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.cutting.laws import point_mm
from runk.core.figures import Caution, Figure, Link, Working
from runk.core.holes.pick import exact
from runk.core.holes.question import Ends
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show, Table
from runk.core.threads import laws
from runk.core.threads.engage import School, bracket, chosen_of, target_percent
from runk.core.threads.series import Thread
from runk.core.threads.tap_minds import minds
from runk.core.threads.tap_question import SCHOOLS, LastTap, TapQuestion, TapShop
from runk.core.threads.tap_torque import TapTorque, torque_of
from runk.core.tools import ShopTool, ToolKind
from runk.core.units import unit_of
from runk.core.workshop import Workshop

LEADS = {"taper": 8.0, "second": 4.0, "bottoming": 2.0}
"""Threads of a tap's lead: common practice."""
MALE_UP_TO_MM, MALE_SHARE = 6.0, 0.35
"""Taps up to about 6 mm end in a male point, about so much of their diameter: from memory."""
POINT_DEG = 118.0


@dataclass(frozen=True, slots=True, kw_only=True)
class DrillChoice:
    """An owned drill, what it leaves of the thread, and what that still holds."""

    name: Annotated[str, Show("Drill")]
    mm: Annotated[Figure, Show("Size")]
    engagement_percent: Annotated[Figure, Show("Thread")]
    strength_percent: Annotated[Figure, Show("Strength kept")]
    chosen: Annotated[bool, Show("Taken")]


@dataclass(frozen=True, slots=True, kw_only=True)
class SchoolDrill:
    """What a school aims at, and the drill it would take."""

    school: str
    title: Annotated[str, Show("School")]
    target_percent: Annotated[Figure, Show("Aims at")]
    drill_name: Annotated[str, Show("Drill")]
    engagement_percent: Annotated[Figure | None, Show("Thread")]
    chosen: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class TapAnswer:
    """A tapped hole.

    ``hole_depth_mm`` is where the drill's tip ends. ``torque_nm`` is what the tap wants as
    usual, between ``torque_low_nm`` and ``torque_high_nm``; it breaks near ``break_torque_nm``.
    """

    drill_name: Annotated[str, Show("Drill", Rank.BIG, drawn=True)]
    drill_mm: Annotated[Figure, Show("The drill makes")]
    engagement_percent: Annotated[Figure, Show("Thread it leaves", Rank.BIG, drawn=True)]
    target_percent: Annotated[Figure, Show("Aimed at")]
    ideal_mm: Annotated[Figure, Show("Which would be a hole of")]
    drills: Annotated[tuple[DrillChoice, ...], Table("Drills around it", drawn=True)]
    schools: Annotated[tuple[SchoolDrill, ...], Table("Two schools", drawn=True)]
    major_mm: Annotated[Figure, Show("Thread across", Rank.FOLDED)]
    pitch_mm: Annotated[Figure, Show("Pitch", Rank.FOLDED)]
    minor_mm: Annotated[Figure, Show("Tightest hole")]
    mouth_mm: Annotated[Figure, Show("Its mouth, at 45°, across")]
    angle_deg: Annotated[Figure, Show("Angle", Rank.FOLDED)]
    crest_mm: Annotated[Figure, Show("Flat of its crest", Rank.FOLDED)]
    deep_mm: Annotated[Figure | None, Show("Thread wanted", Rank.FOLDED)]
    hole_depth_mm: Annotated[Figure | None, Show("The tip goes to", Rank.BIG, drawn=True)]
    lead_mm: Annotated[Figure, Show("Lead of the last tap")]
    turns: Annotated[Figure | None, Show("Turns of the tap", Rank.BIG, drawn=True)]
    torque_nm: Annotated[Figure, Show("The tap wants, as usual", drawn=True)]
    torque_low_nm: Annotated[Figure, Show("at the least")]
    torque_high_nm: Annotated[Figure, Show("with packed chips", drawn=True)]
    break_torque_nm: Annotated[Figure, Show("It breaks at about", drawn=True)]
    near_percent: Annotated[Figure, Show("How near that is")]
    last_tap: Annotated[str, Show("Last tap", Rank.FOLDED)]
    taps_say: Annotated[str, Show("Taps", Rank.SAYS, drawn=True)]
    back_off_says: Annotated[str, Show("Back off", Rank.SAYS, drawn=True)]
    lubricant: Annotated[str, Show("With", Rank.SAYS, drawn=True)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


def needs(question: TapQuestion, workshop: Workshop) -> TapShop:
    """Pick the metal, the drills and the taps of this thread."""
    name = question.thread.name.lower()
    taps = tuple(
        t for t in workshop.tools if t.kind is ToolKind.TAP and t.sound and t.name.lower() == name
    )
    return TapShop(workshop.metals[question.metal], workshop.drills, taps)


def settle(question: TapQuestion, workshop: Workshop, _: Mapping[str, Reading]) -> TapQuestion:
    """Name the last tap where it was left open; through a part, the thread is its thickness."""
    if question.ends is Ends.THROUGH and question.deep is None:
        question = replace(question, deep=question.thick, thick=None)
    if question.last is not None:
        return question
    owned = {t.series for t in needs(question, workshop).taps}
    wanted = (
        ("bottoming", "second", "taper") if question.ends is Ends.BLIND else ("second", "taper")
    )
    usual = "bottoming" if question.ends is Ends.BLIND else "second"
    return replace(question, last=LastTap(next((s for s in wanted if s in owned), usual)))


def _check(question: TapQuestion, shop: TapShop) -> None:
    if question.ends is Ends.BLIND and question.deep is None:
        raise Refused("How deep is the thread?", field="deep", suggest="8 mm")
    if (
        question.ends is Ends.BLIND
        and question.thick is not None
        and question.deep is not None
        and question.deep >= question.thick
    ):
        raise Refused(
            f"A thread {mm_said(question.deep)} deep goes through a part "
            f"{mm_said(question.thick)} thick.",
            field="deep",
        )
    if not shop.drills:
        raise Refused(
            "There is no drill in the trays that can be used: add a set in the Workshop.",
            field="thread",
            suggest="Workshop, Trays, add a set",
        )


def tap(question: TapQuestion, shop: TapShop) -> TapAnswer:
    """A tapped hole: its drill by both schools, its depth, its torque.

    Raises:
        Refused: No owned drill leaves a thread, or the depth cannot be.

    >>> from runk.core.threads.series import find_thread
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = TapQuestion(find_thread("M4"), school=School.BOOK)
    >>> answer = tap(asked, needs(asked, WORKSHOP))
    >>> answer.drill_name, round(answer.engagement_percent.value)
    ('3.3 mm', 77)
    """
    _check(question, shop)
    w, thread = Working(), question.thread
    form = thread.form
    deep = None if question.deep is None else float(question.deep)
    working = w(
        laws.thread_depth_mm, times=form.working, pitch_mm=thread.pitch_mm, source=form.source
    )
    targets = {s: target_percent(w, thread, shop.metal, deep, s) for s in School}
    target = targets[question.school]
    ideal = w.of(
        laws.tapping_mm,
        "ideal_mm",
        major_mm=thread.major_mm,
        working_mm=working,
        percent=target.value,
    )
    around = bracket(w, thread, working, shop.drills, ideal.value)
    chosen = chosen_of(around, target.value)
    if question.drill is not None:
        chosen = given_drill(question, thread, shop.drills)
    drill = chosen.mm
    engaged = w.of(
        laws.engagement_percent, major_mm=thread.major_mm, drill_mm=drill, working_mm=working
    )
    last = (question.last or LastTap.SECOND).value
    lead = w.of(
        laws.thread_depth_mm,
        "lead_mm",
        times=LEADS[last],
        pitch_mm=thread.pitch_mm,
        why=f"{LEADS[last]:g} threads of lead",
    )
    blind = question.ends is Ends.BLIND
    hole = _hole_depth(w, thread, deep, lead.value, drill, blind=blind)
    turns = None
    if deep is not None:
        turns = w.of(
            laws.tap_turns,
            "turns",
            thread_mm=deep,
            pitch_mm=thread.pitch_mm,
            lead_threads=LEADS[last],
        )
    torque: TapTorque = torque_of(w, thread, shop.metal, drill, LEADS["taper"])
    schools = tuple(
        _school(thread, working, shop, school, targets[school], question.school)
        for school in School
    )
    choices = tuple(
        DrillChoice(
            name=t.name,
            mm=Figure(t.mm, unit_of("mm"), (), 3),
            engagement_percent=percent,
            strength_percent=strength,
            chosen=t is chosen,
        )
        for t, percent, strength in around.rows
    )
    return TapAnswer(
        drill_name=chosen.name,
        drill_mm=Figure(drill, unit_of("drill_mm"), (), 3),
        engagement_percent=engaged,
        target_percent=target,
        ideal_mm=ideal,
        drills=choices,
        schools=schools,
        major_mm=Figure(thread.major_mm, unit_of("major_mm"), (), 3),
        pitch_mm=Figure(thread.pitch_mm, unit_of("pitch_mm"), (), 4),
        minor_mm=w.of(
            laws.smaller_mm,
            "minor_mm",
            major_mm=thread.major_mm,
            times=form.minor,
            pitch_mm=thread.pitch_mm,
            source=form.source,
        ),
        mouth_mm=w.of(laws.mouth_mm, major_mm=thread.major_mm, pitch_mm=thread.pitch_mm),
        angle_deg=Figure(form.angle_deg, unit_of("angle_deg"), (), 1),
        crest_mm=Figure(form.crest * thread.pitch_mm, unit_of("crest_mm"), (), 3),
        deep_mm=None if deep is None else Figure(deep, unit_of("deep_mm")),
        hole_depth_mm=hole,
        lead_mm=lead,
        turns=turns,
        torque_nm=torque.usual,
        torque_low_nm=torque.low,
        torque_high_nm=torque.high,
        break_torque_nm=torque.breaks,
        near_percent=torque.near,
        last_tap=last,
        taps_say=_taps_say(last, blind, shop.taps),
        back_off_says=torque.back_off,
        lubricant=shop.metal.coolant_drill,
        cautions=minds(question, shop, engaged.value, target.value, hole, torque),
        links=_links(question, chosen, hole),
    )


def given_drill(question: TapQuestion, thread: Thread, drills: tuple[ShopTool, ...]) -> ShopTool:
    """The drill somebody has, as a tool.

    Raises:
        Refused: It leaves no thread at all, or no hole for the tap.
    """
    assert question.drill is not None
    size = float(question.drill)
    owned = exact(drills, size)
    # A size a hair under a drill in the trays is that drill, and may be the thread's own size.
    if max(size, owned.mm if owned else 0.0) >= thread.major_mm:
        raise Refused(
            f"A {mm_said(size)} hole is as large as {thread.name} itself, "
            f"{mm_said(thread.major_mm, 2)}: there is no thread left.",
            field="drill",
        )
    if size < thread.major_mm / 2:
        raise Refused(f"No {thread.name} tap goes into a {mm_said(size)} hole.", field="drill")
    named = f"{size:.6g} mm"
    return owned or ShopTool(ToolKind.DRILL, named, question.drill)


def _hole_depth(
    w: Working, thread: Thread, deep: float | None, lead: float, drill: float, *, blind: bool
) -> Figure | None:
    if deep is None:
        return None
    if not blind:
        return Figure(deep, unit_of("hole_depth_mm"))
    start = len(w.steps)
    end = w(point_mm, diameter_mm=drill, angle_deg=POINT_DEG)
    if thread.major_mm <= MALE_UP_TO_MM:
        end = max(end, MALE_SHARE * thread.major_mm)
    value = w(laws.blind_mm, thread_mm=deep, lead_mm=lead, end_mm=end)
    return w.figure(value, "hole_depth_mm", since=start)


def _school(
    thread: Thread, working: float, shop: TapShop, school: School, target: Figure, asked: School
) -> SchoolDrill:
    w = Working()
    title = next(c.label for c in SCHOOLS if c.key == school)
    ideal = laws.tapping_mm(thread.major_mm, working, target.value)
    around = bracket(w, thread, working, shop.drills, ideal)
    tool = chosen_of(around, target.value)
    percent = w.of(
        laws.engagement_percent, major_mm=thread.major_mm, drill_mm=tool.mm, working_mm=working
    )
    return SchoolDrill(
        school=school,
        title=title,
        target_percent=target,
        drill_name=tool.name,
        engagement_percent=percent,
        chosen=school is asked,
    )


def _taps_say(last: str, blind: bool, taps: tuple[ShopTool, ...]) -> str:
    owned = [s for s in LEADS if any(t.series == s for t in taps)]
    order = [s for s in ("taper", "second", "bottoming") if not owned or s in owned or s == last]
    order = order[: order.index(last) + 1] if last in order else [*order, last]
    said = ", then ".join(order)
    return f"{said[0].upper()}{said[1:]}." + (
        " The last goes in only as far as the hole is deep: mark it." if blind else ""
    )


def _links(question: TapQuestion, drill: ShopTool, hole: Figure | None) -> tuple[Link, ...]:
    asked = [("size", f"{drill.mm:.6g} mm"), ("metal", question.metal), ("ends", question.ends)]
    if hole is not None:
        # To the full diameter: the drill's own point comes to it again over there.
        blind = question.ends is Ends.BLIND
        full = hole.value - (point_mm(drill.mm, POINT_DEG) if blind else 0.0)
        asked.append(("deep", f"{full:.2f} mm"))
    if question.thick is not None:
        asked.append(("thick", f"{float(question.thick):.6g} mm"))
    return (
        Link("hole", tuple(asked), f"Drill {drill.name}: pilot and stops"),
        Link("clearance", (("thread", question.thread.name),), "The clearance hole of its mate"),
    )


TAP = Calculator(
    name="tap",
    title="A tapped hole",
    door=Door("/threads", "Threads", "Tap", family="Tap and die"),
    opening={"thread": "4 BA", "metal": "stainless-303", "ends": "blind", "deep": "7 mm"},
    question=TapQuestion,
    answers=(TapAnswer,),
    compute=tap,
    needs=needs,
    settle=settle,
    sentences={
        "": "Tap {thread} in {metal}, {ends}[, {deep} deep][ in a part {thick} thick], drilled "
        "{school}[, with a {drill} drill], ending with {last}"
    },
    calls=(
        "tap",
        "tapping",
        "tapped",
        "tapping size",
        "tapping drill",
        "tap drill",
        "tapped hole",
        "drill for @",
        "drill size for @",
        "@ drill size",
        "drill to tap @",
        "@ tapping size",
        "@ tapping drill",
        "hole for @",
        "holes for @",
        "@ hole",
        "@ drill",
        "@ scotch key drill size",
        "counterdrill @",
        "counterdrill @ hole",
        "chamfer @ hole",
        "countersink @ hole",
        "mouth of @",
        "tapping @",
    ),
    headline=lambda a, page: f"{a.drill_name} · {a.engagement_percent.words(page)}",
)
