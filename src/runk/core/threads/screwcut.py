"""``screwcut``: a thread with a single point, pass by pass."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from fractions import Fraction

from runk.core.calculator import Calculator, Door
from runk.core.cutting.threaded import USUAL_RELIEF_PITCHES
from runk.core.figures import Link, Working, told
from runk.core.fits.heat import hole_free_limit_mm
from runk.core.lengths import Reading
from runk.core.lengths.show import MM_PER_INCH, trimmed
from runk.core.machines import Machine, MachineKind
from runk.core.machines.dials import mark_say
from runk.core.refusals import Refused
from runk.core.said import mm_said, thou_said
from runk.core.sources import PRACTICE
from runk.core.threads import screw_laws as laws
from runk.core.threads.followed import to_follow
from runk.core.threads.hands import Hand
from runk.core.threads.laws import smaller_mm
from runk.core.threads.screwcut_question import Feed, Pass, ScrewcutAnswer, ScrewcutQuestion, Side
from runk.core.threads.single_point import (
    CutShop,
    bore_of,
    cautions_of,
    depth_of,
    needs,
    opens,
    set_over,
    shares,
)
from runk.core.units import PageUnit
from runk.core.wheels.half_nuts import dial_says, half_nuts_say
from runk.core.workshop import Workshop

_CLEAR_MM = 0.1
_CREST_PITCHES = 1 / 15
"""A tenth of a millimetre off an M10 screw: common practice."""
"""A nut's groove is so much wider across than its thread: common practice."""


def settle(
    question: ScrewcutQuestion, workshop: Workshop, _: Mapping[str, Reading]
) -> ScrewcutQuestion:
    """The lathe by its name.

    Raises:
        Refused: A tip told twice, or a groove no wider than its pitch.
    """
    if question.flat is not None and question.radius is not None:
        raise Refused("A tip is flat or round: say one of them.", field="radius")
    pitch = question.thread.pitch_mm
    if question.relief is not None and float(question.relief) <= pitch:
        raise Refused(
            f"A groove of {mm_said(question.relief)} is no wider than a pitch, {mm_said(pitch)}: "
            "nobody stops in it.",
            field="relief",
            suggest=f"{USUAL_RELIEF_PITCHES * pitch:.1f} mm",
        )
    machine = workshop.machine(question.machine, (MachineKind.LATHE,))
    return replace(question, machine=machine.name)


def compute(question: ScrewcutQuestion, shop: CutShop) -> ScrewcutAnswer:
    """Depth, passes, groove and speed.

    Raises:
        Refused: A tip wider than the thread's own root.

    >>> from runk.core.threads.series import find_thread
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = ScrewcutQuestion(find_thread("M10"))
    >>> round(compute(asked, needs(asked, WORKSHOP)).depth_mm.value, 3)
    0.974
    """
    w, thread = Working(), question.thread
    form, pitch = thread.form, thread.pitch_mm
    depth = depth_of(w, question)
    angle = travel = None
    if question.feed is Feed.SLIDE:
        angle = set_over(w, question)
        travel = w.of(laws.slide_mm, "travel_mm", depth_mm=depth.value, angle_deg=angle.value)
    passes = _passes(w, question, shop, (travel or depth).value)
    lead = pitch * question.starts
    # One law and one choice of belt for it, whoever asks.
    belt = shop.belt()
    time = None
    if question.long is not None:
        time = w.of(
            laws.pass_s, long_mm=float(question.long), lead_mm=lead, speed_rpm=belt.set_rpm.value
        )
    # As wide as the belt was chosen for, so that what is cut is what was reckoned with.
    groove = w.of(laws.relief_mm, times=USUAL_RELIEF_PITCHES, pitch_mm=lead)
    if question.relief is not None:
        groove = told(float(question.relief), "relief_mm")
    inside = question.side is Side.INSIDE
    # A nut is bored for its screw, whatever tip cuts it.
    core = w.of(
        smaller_mm,
        "core_mm",
        major_mm=thread.major_mm,
        times=2 * (bore_of(question) if inside else depth.value / pitch),
        pitch_mm=pitch,
    )
    # A hair deeper than the root, or the tip rubs on its bottom.
    groove_across = replace(core, value=core.value - _CLEAR_MM)
    if inside:
        groove_across = w.of(
            hole_free_limit_mm,
            "core_mm",
            # A sharper tip goes on past the thread's own diameter.
            shaft_mm=max(thread.major_mm, core.value + 2 * depth.value),
            free_mm=_CLEAR_MM,
            source=PRACTICE,
        )
    screw = None if shop.lathe.leadscrew_mm is None else Fraction(str(shop.lathe.leadscrew_mm))
    lead_exact = thread.pitch * question.starts
    return ScrewcutAnswer(
        depth_mm=replace(depth, places=3),
        travel_mm=travel and replace(travel, places=3),
        set_rpm=belt.set_rpm,
        position=belt.position,
        target_rpm=belt.target_rpm,
        pass_s=time and replace(time, places=1),
        own=belt.own,
        says=_says(question, passes, shop.lathe),
        half_nuts="" if screw is None else half_nuts_say(screw, lead_exact, shop.lathe.dial_teeth),
        other=_other(question),
        passes=passes,
        angle_deg=angle,
        lead_mm=told(lead, "lead_mm", 4),
        relief_mm=groove,
        core_mm=replace(groove_across, places=2),
        blank_mm=replace(core, places=3) if inside else told(thread.major_mm, "blank_mm"),
        dial="" if screw is None else dial_says(screw, lead_exact, shop.lathe.dial_teeth),
        pitch_mm=told(pitch, "pitch_mm", 4),
        angle_of_thread_deg=told(form.angle_deg, "angle_of_thread_deg", 1),
        cautions=cautions_of(belt),
        links=_links(question, relief_mm=groove.value, deep_mm=depth.value + _CLEAR_MM / 2),
    )


def _passes(
    w: Working, question: ScrewcutQuestion, shop: CutShop, travel: float
) -> tuple[Pass, ...]:
    """Passes of one chip area; two light ones behind them where they end thicker than two thou."""
    cut = shares(question.metal, travel)
    stands = [
        w.of(laws.stands_mm, travel_mm=cut.rough_mm, pass_number=float(n), passes=float(cut.count))
        for n in range(1, cut.count + 1)
    ]
    at = cut.rough_mm
    for mm in cut.light_mm:
        at += mm
        stands.append(told(at, "stands_mm", None))
    dial = shop.lathe.dial("top-slide" if question.feed is Feed.SLIDE else "cross-slide")
    # A nut's tool goes outwards, and the cross-slide's dial counts down.
    back = question.side is Side.INSIDE and question.feed is Feed.STRAIGHT
    found, before = [], 0.0
    for number, stand in enumerate(stands, 1):
        divisions, mark = None, ""
        if dial is not None:
            divisions = told(stand.value / dial.travel_mm, "divisions", 1)
            mark = mark_say(divisions.value, dial.per_turn, back=back)
        found.append(
            Pass(
                pass_number=number,
                stands_mm=replace(stand, places=3),
                take_mm=told(stand.value - before, "take_mm"),
                mark=mark,
                divisions=divisions,
            )
        )
        before = stand.value
    return tuple(found)


def _says(question: ScrewcutQuestion, passes: tuple[Pass, ...], lathe: Machine) -> str:
    way = (
        "Nought the cross-slide with the tool just touching, then feed with the top slide alone"
        f"{_slide_side(question)}; the cross-slide only draws the tool out and goes back to nought."
        if question.feed is Feed.SLIDE
        else "Feed with the cross-slide, the tool square to the work by the thread gauge."
    )
    begun = _starts_say(question)
    if question.hand is Hand.LEFT:
        begun += (
            "Left hand: an idler more turns the leadscrew the other way; begin in the groove by "
            "the chuck and cut outwards, off the end. "
        )
        if not opens(question, lathe):
            begun += (
                "The half-nuts stay closed: the tool, drawn out, runs back towards the chuck at "
                "the lead and is stopped in that groove. "
            )
    if question.side is Side.OUTSIDE:
        begun += (
            f"Its crests come off last, by {mm_said(_crest_mm(question), 2)}: the burr on them "
            "binds in a nut. "
        )
    return (
        f"{way} {begun}{_counted(passes)}; a pass at nothing to end, a die or chaser for its "
        "form, and the nut made first to try it."
    )


def _slide_side(question: ScrewcutQuestion) -> str:
    """Which way the top slide is swung and wound, where it is not as for a right-hand screw."""
    nut, left = question.side is Side.INSIDE, question.hand is Hand.LEFT
    out = ", wound outwards into the wall" if nut else ""
    if nut != left:
        which = "for a right-hand screw" if nut else "for a right-hand thread: the other flank cuts"
        return f", swung to the other side than {which}{out}"
    return out


def _crest_mm(question: ScrewcutQuestion) -> float:
    """What a careful worker turns off a screw's crests, on diameter: common practice."""
    return _CREST_PITCHES * question.thread.pitch_mm


def _starts_say(question: ScrewcutQuestion) -> str:
    """From one start of several to the next."""
    if question.starts == 1:
        return ""
    if question.feed is Feed.STRAIGHT:
        return (
            f"Start it {question.starts} times, a pitch apart by the top slide, set along the bed. "
        )
    # Over at its angle the top slide would move the tool in as well.
    return (
        f"Start it {question.starts} times, from one to the next by the wheel on the spindle: out "
        f"of mesh, on by 1/{question.starts} of its teeth, into mesh; count that they divide. "
    )


def _counted(passes: tuple[Pass, ...]) -> str:
    if len(passes) == 1:
        return "One pass"
    return f"{len(passes)} passes, the last of {thou_said(passes[-1].take_mm.value)}"


def _other(question: ScrewcutQuestion) -> str:
    if question.feed is Feed.SLIDE:
        return "Straight in: no angle to set, both flanks cut at once; it tears where it is coarse."
    return (
        "Along the top slide: one flank cuts, the chip runs clear; best over "
        f"{mm_said(1.5)} of pitch."
    )


def _links(question: ScrewcutQuestion, *, relief_mm: float, deep_mm: float) -> tuple[Link, ...]:
    name, thread = question.thread.name, question.thread
    train = [("pitch", lead_said(thread.pitch * question.starts)), ("hand", str(question.hand))]
    if question.long is not None:
        train.append(("long", f"{float(question.long):.4f} mm"))
    found = [Link("wheels", (*train, ("machine", question.machine)), "The change wheels for it")]
    if question.side is Side.OUTSIDE:
        # As deep as the thread is cut, or its tool would dig in at the end of every pass.
        groove = [
            ("job", "groove"),
            ("metal", question.metal),
            ("now", f"{thread.major_mm:.4f} mm"),
            ("wanted", f"{relief_mm:.4f} mm"),
            ("deep", f"{deep_mm:.4f} mm"),
            ("machine", question.machine),
        ]
        found.append(Link("plan", tuple(groove), "Cut the relief groove"))
        found.append(Link("wires", (("thread", name),), "Measure it over wires"))
        # A nut of one start goes on no screw of several.
        if question.hand is Hand.RIGHT and question.starts == 1:
            nut = (("thread", name), ("metal", question.metal))
            found.append(Link("tap", nut, "The nut to try it by"))
    return tuple(found)


def lead_said(lead: Fraction) -> str:
    """A lead to its last digit: in turns to the inch where they are whole or half, else in mm.

    >>> lead_said(Fraction(254, 130)), lead_said(Fraction(3, 2)), lead_said(Fraction(254, 65))
    ('13 tpi', '1.5 mm', '6.5 tpi')
    """
    tpi = MM_PER_INCH / lead
    if tpi.denominator in (1, 2) and lead.denominator not in (1, 2, 4, 5, 10, 20, 100):
        return f"{float(tpi):g} tpi"
    return f"{trimmed(lead, 6)} mm"


def headline(answer: ScrewcutAnswer, page: PageUnit) -> str:
    """Depth, passes and the belt."""
    return f"{answer.depth_mm.words(page)} deep · {len(answer.passes)} passes · {answer.position}"


SCREWCUT = Calculator(
    name="screwcut",
    title="A thread cut with a single point",
    door=Door("/threads/screwcut", "Threads", "Screw-cutting", family="Cut in the lathe"),
    opening={"thread": "M10", "metal": "mild-steel"},
    question=ScrewcutQuestion,
    answers=(ScrewcutAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "": "Screw-cut {thread} in {metal}[, {side}][, {feed}][, flat {flat}][, radius {radius}]"
        "[, relief {relief}][, tool {tool} wide][, {long} long][, starts {starts}][, {hand}]"
        "[, against {own_rpm} rev/min][, on {machine}]"
    },
    calls=(
        "screw-cut @",
        "screw cut @",
        "screwcut @",
        "screw-cut",
        "screwcut",
        "screw cut",
        "screwcutting",
        "screw-cutting",
        "single point thread",
        "single point @",
        "screw cutting @",
        "screw-cutting @",
        "screwcutting @",
        "cut a thread",
        "cut thread @",
        "cut @ thread",
        "thread @ in lathe",
        "thread @ on lathe",
        "single depth of thread",
    ),
    headline=headline,
    follow=to_follow,
)
