"""A thread cut in the lathe, settled so that its passes can be followed."""

from __future__ import annotations

from math import cos, radians, sin

from runk.core.figures import Working, law
from runk.core.plan.settle import Said, Settled, setting_says
from runk.core.plan.spec import CutSpec, Job
from runk.core.said import mm_said
from runk.core.sources import PRACTICE
from runk.core.threads.classes import Grade, room_for
from runk.core.threads.laws import smaller_mm
from runk.core.threads.screwcut_question import Feed, ScrewcutQuestion, Side
from runk.core.threads.single_point import CutShop, cautions_of, depth_of, set_over, shares
from runk.core.threads.wire_laws import best_wire_mm, over_wires_limit_mm
from runk.core.threads.wires import bounds_mm, wire_taken

NUT_TIMES = 1.3
"""A nut's room is so many times its screw's: ISO 965-1 has 1.32, ASME B1.1 1.3; recalled."""
_COUNTED = 10


@law("Tolerance of the nut", "{times} × {screw_mm}", PRACTICE)
def nut_tolerance_mm(times: float, screw_mm: float) -> float:
    """How far a nut's effective diameter may lie over its basic size.

    >>> nut_tolerance_mm(1.5, 0.5)
    0.75
    """
    return times * screw_mm


@law("Over the wires when they first touch", "{major_mm} + {wire_mm} × (1 + {sine})")
def first_reading_mm(major_mm: float, wire_mm: float, sine: float) -> float:
    """What is read over wires that lie with their contact at the very crests of a thread.

    The thread is cut from a blank of its own major diameter. A wire touches its flank nearer the
    axis than its own middle, by half the wire times the sine of half the angle.

    >>> first_reading_mm(10.0, 1.0, 0.5)
    11.5
    """
    return major_mm + wire_mm * (1 + sine)


def to_follow(question: ScrewcutQuestion, shop: CutShop) -> Settled:
    """A thread settled, so that its passes and readings can be followed.

    A screw's size is what is read over its wires, a nut's its effective diameter: both go with
    twice the depth, for the flanks of a tool that goes in straight stay parallel to themselves.

    >>> from runk.core.threads.series import find_thread
    >>> from runk.core.threads.single_point import needs
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = ScrewcutQuestion(find_thread("M10"))
    >>> spec = to_follow(asked, needs(asked, WORKSHOP)).spec
    >>> round(spec.now_mm - spec.aim_mm, 3), round(spec.low_mm, 2), round(spec.high_mm, 2)
    (2.045, 9.95, 10.08)
    """
    w, thread = Working(), question.thread
    form, pitch = thread.form, thread.pitch_mm
    nut = question.side is Side.INSIDE
    depth = depth_of(w, question).value
    turned = set_over(w, question).value if question.feed is Feed.SLIDE else 0.0
    basic = w(
        smaller_mm,
        major_mm=thread.major_mm,
        times=form.effective,
        pitch_mm=pitch,
        source=form.source,
    )
    room = room_for(w, thread, basic, Grade.MEDIUM)
    low, high = room.low.value, room.high.value
    if nut:
        low, high = basic, basic + w(nut_tolerance_mm, times=NUT_TIMES, screw_mm=high - low)
    start = basic - 2 * depth if nut else basic + 2 * depth
    aim = (low + high) / 2
    beyond = abs(aim - basic)
    sizes = [start, aim, low, high]
    wire = reads_left = 0.0
    if not nut:
        best = w(best_wire_mm, pitch_mm=pitch, angle_deg=form.angle_deg)
        thin, thick = bounds_mm(w, thread, basic)
        wire, _ = wire_taken(None, shop.drills, best, thin.value, thick.value)
        sizes = [
            w(
                over_wires_limit_mm,
                effective_mm=one,
                wire_mm=wire,
                angle_deg=form.angle_deg,
                pitch_mm=pitch,
            )
            for one in sizes
        ]
        sine = sin(radians(form.angle_deg / 2))
        first = w(first_reading_mm, major_mm=thread.major_mm, wire_mm=wire, sine=sine)
        reads_left = first - sizes[1]
    now, aim, low, high = sizes
    along = cos(radians(turned))
    cut = shares(question.metal, depth / along)
    dial = shop.lathe.dial("top-slide" if turned else "cross-slide")
    belt = shop.belt()
    lead = pitch * question.starts
    spec = CutSpec(
        job=Job.NUT if nut else Job.THREAD,
        metal=question.metal,
        now_mm=now,
        aim_mm=aim,
        low_mm=low,
        high_mm=high,
        # One chip area: the first pass of so many goes to their root's share, and takes the most.
        rough_mm=2 * along * cut.rough_mm / cut.count**0.5,
        finish_mm=2 * along * sum(cut.light_mm) + beyond,
        least_mm=0.0,
        spring_ratio=0.0,
        finish_share=1.0,
        slide=dial.slide if dial else "",
        division_mm=dial.travel_mm if dial else 0.0,
        per_turn=dial.per_turn if dial else 1,
        dial_unit=dial.unit if dial else "mm",
        dial_reads=dial.reads if dial else "radius",
        backlash=dial.backlash / dial.division if dial else 0.0,
        read_out=shop.lathe.read_out and not turned,
        expansion_um_per_m_k=shop.speed.metal["expansion_um_per_m_k"],
        resolution_mm=shop.reads_to_mm,
        parts=question.starts,
        first_says="A scratch first",
        first_detail=(
            f"The tool a hair in, along the work once, and a rule on it: {_COUNTED} turns of it "
            f"are {mm_said(_COUNTED * lead)} long. The wrong wheels cost nothing yet."
        ),
        limits_said=False,
        turned_deg=turned,
        wire_mm=wire,
        reads_left_mm=reads_left,
    )
    setting = setting_says(belt)
    cautions = tuple((c.word, c.about, c.says, c.instead) for c in cautions_of(belt))
    said = Said(setting, setting, None, None, shop.lathe.name, cautions)
    return Settled(spec, said, w, belt)
