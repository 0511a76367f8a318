"""Sums of the machine: each one law asked forwards or back."""

from __future__ import annotations

from runk.core.cutting import laws
from runk.core.figures import Figure, Num, Working, law, told
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import MECHANICS
from runk.core.sums.answers import ReckonedAnswer
from runk.core.sums.question import SumQuestion
from runk.core.units import unit_of

_MM_PER_FOOT = 304.8


@law("Feed a tooth", "{feed_mm_per_min} ÷ ({teeth} × {speed_rpm})", MECHANICS)
def chip_mm_per_tooth(feed_mm_per_min: Num, teeth: Num, speed_rpm: Num) -> Num:
    """What each tooth takes.

    >>> chip_mm_per_tooth(160.0, 4.0, 800.0)
    0.05
    """
    return feed_mm_per_min / (teeth * speed_rpm)


@law("Turns", "{far_mm} ÷ {pitch_mm}", MECHANICS)
def screw_turns(far_mm: Num, pitch_mm: Num) -> Num:
    """Turns of a screw for a distance.

    >>> round(screw_turns(47.5, 3.0), 3)
    15.833
    """
    return far_mm / pitch_mm


@law("One division", "{pitch_mm} ÷ {marks}", MECHANICS)
def division_limit_mm(pitch_mm: Num, marks: Num) -> Num:
    """What one mark of a screw's dial moves it.

    >>> division_limit_mm(2.0, 40.0)
    0.05
    """
    return pitch_mm / marks


@law("The pitch a train cuts", "{pitch_mm} × {driver} ÷ {driven}", MECHANICS)
def train_limit_mm(pitch_mm: Num, driver: Num, driven: Num) -> Num:
    """The thread of a simple train: the work turns the driver, the driven the screw.

    >>> train_limit_mm(3.0, 20.0, 60.0)
    1.0
    """
    return pitch_mm * driver / driven


def _wanted(value: object, field: str, says: str, suggest: str) -> None:
    if value is None:
        raise Refused(says, field=field, suggest=suggest)


def surface(w: Working, q: SumQuestion) -> ReckonedAnswer:
    """Revolutions from a surface speed, or the speed from them."""
    _wanted(q.dia, "dia", "On what diameter?", "22 mm")
    dia = float(q.dia or 0)
    metres = q.metres if q.feet is None else q.feet * _MM_PER_FOOT / 1000.0
    if metres is None:
        _wanted(q.rpm, "rpm", "How many revolutions, or what surface speed?", "450")
        speed = w.of(
            laws.surface_m_min, "surface_speed_m_min", speed_rpm=q.rpm or 0.0, diameter_mm=dia
        )
        feet = speed.value * 1000.0 / _MM_PER_FOOT
        return ReckonedAnswer(
            surface_speed_m_min=speed,
            says=f"The edge goes {speed.value:.1f} m/min, {feet:.0f} ft/min.",
        )
    revs = w.of(laws.spindle_rpm, "speed_rpm", surface_m_min=metres, diameter_mm=dia)
    feet = metres * 1000.0 / _MM_PER_FOOT
    return ReckonedAnswer(
        speed_rpm=revs, says=f"{metres:.1f} m/min is {feet:.0f} ft/min at {mm_said(dia)}."
    )


def feed(w: Working, q: SumQuestion) -> ReckonedAnswer:
    """Feed a minute from feed a tooth, or back."""
    _wanted(q.flutes, "flutes", "How many teeth has the cutter?", "4")
    _wanted(q.rpm, "rpm", "How many revolutions a minute?", "800")
    teeth, rpm = float(q.flutes or 1), q.rpm or 1.0
    if q.each is None:
        _wanted(q.minute, "each", "What feed a tooth, or a minute?", "0.03 mm")
        chip = w.of(
            chip_mm_per_tooth,
            "feed_mm_per_tooth",
            feed_mm_per_min=float(q.minute or 0),
            teeth=teeth,
            speed_rpm=rpm,
        )
        return ReckonedAnswer(feed_mm_per_tooth=chip, says="What each tooth takes at that feed.")
    turn = w(laws.tooth_mm_per_rev, chip_mm_per_tooth=float(q.each), teeth=teeth)
    minute = w.of(laws.feed_mm_per_min, since=0, speed_rpm=rpm, feed_mm_per_rev=turn)
    return ReckonedAnswer(feed_mm_per_min=minute, says="How far the table goes in a minute.")


def time(w: Working, q: SumQuestion) -> ReckonedAnswer:
    """How long a pass takes."""
    _wanted(q.long, "long", "How long is the pass?", "80 mm")
    _wanted(q.turn, "turn", "What feed a turn?", "0.08 mm")
    _wanted(q.rpm, "rpm", "How many revolutions a minute?", "450")
    minute = w(laws.feed_mm_per_min, speed_rpm=q.rpm or 1.0, feed_mm_per_rev=float(q.turn or 1))
    takes = w.of(
        laws.cut_s, "pass_s", since=0, length_mm=float(q.long or 0), feed_mm_per_min=minute
    )
    minutes, seconds = divmod(round(takes.value), 60)
    return ReckonedAnswer(pass_s=takes, says=f"{minutes} minutes {seconds} seconds a pass.")


def turns(w: Working, q: SumQuestion) -> ReckonedAnswer:
    """Turns of a screw for a distance, and what one division moves it."""
    pitch = float(q.screw.mm) if q.screw else 0.0
    marks = q.marks
    one = (
        None
        if marks is None
        else w.of(division_limit_mm, "division_mm", pitch_mm=pitch, marks=float(marks))
    )
    if q.far is None:
        _wanted(marks, "far", "How far is it to move?", "47.5 mm")
        return ReckonedAnswer(
            division_mm=one, says=f"{marks} divisions to a turn of {mm_said(pitch, 3)}."
        )
    at = len(w.steps)
    value = w(screw_turns, far_mm=float(q.far), pitch_mm=pitch)
    turns = w.figure(value, "turns", since=at, places=3)
    whole = int(value + 1e-9)
    says = f"{whole} whole turns and {value - whole:.3f} of one."
    if one is not None and marks is not None:
        says = f"{whole} whole turns and {(value - whole) * marks:.2f} divisions."
    return ReckonedAnswer(turns=turns, division_mm=one, says=says)


def dial(w: Working, q: SumQuestion) -> ReckonedAnswer:
    """What a dial takes off, or what to wind on for it."""
    twice = 2.0 if q.reads == "radius" else 1.0
    said = (
        "The dial reads what the slide moves: twice that comes off the diameter."
        if q.reads == "radius"
        else "The dial reads what comes off the diameter."
    )
    if q.off is None:
        _wanted(q.wound, "off", "What is to come off, or what is wound on?", "0.3 mm")
        wound = float(q.wound or 0)
        return ReckonedAnswer(off_mm=_fine(wound * twice, "off_mm"), says=said)
    wound = float(q.off) / twice
    marks = None
    if q.division is not None:
        marks = Figure(wound / float(q.division), unit_of("divisions"), (), 2)
        said += f" {wound / float(q.division):.4g} divisions."
    return ReckonedAnswer(wound_mm=_fine(wound, "wound_mm"), divisions=marks, says=said)


def _fine(value: float, key: str) -> Figure:
    return told(value, key, 4)


def train(w: Working, q: SumQuestion) -> ReckonedAnswer:
    """The pitch a train of wheels cuts."""
    pitch = w.of(
        train_limit_mm,
        "thread_mm",
        pitch_mm=float(q.screw.mm) if q.screw else 0.0,
        driver=float(q.driver or 1),
        driven=float(q.driven or 1),
    )
    return ReckonedAnswer(
        thread_mm=Figure(pitch.value, pitch.unit, pitch.steps, 4),
        per_inch=told(25.4 / pitch.value, "per_inch", 3),
        says="The driver is on the work's side, the driven on the screw: idlers change nothing.",
    )
