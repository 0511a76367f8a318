"""How a mate stands, in words: what to do next, what to mind, which pairs enter."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.figures import Caution, Figure, stop
from runk.core.fits.classes import nearest_class, nearest_iso
from runk.core.fits.iso import LARGEST_MM
from runk.core.fits.mate_answer import Goes, Read
from runk.core.fits.mate_question import Make, MateQuestion
from runk.core.fits.mate_ways import WayOut, ways_out
from runk.core.fits.measured import Measured
from runk.core.plan.say import TOP_SLIDE_DEG
from runk.core.said import mm_said, thou_said
from runk.core.sources import PRACTICE
from runk.core.units import unit_of

FIRST = {
    Make.SHAFT: (
        "Bore first: a shaft is easily brought to its hole, a hair at a time. Piston first only "
        "where bought rings fix the bore, which then must not grow."
    ),
    Make.HOLE: (
        "Piston first, as the gauge for the bore: right where bought rings fix the size. Else the "
        "bore first, and the shaft turned to it."
    ),
}


_FINE = f"The top slide set over {TOP_SLIDE_DEG:.2f}° goes in by a tenth of its own dial."


@dataclass(frozen=True, slots=True)
class Job:
    """A mate as it stands: everything its words are made of."""

    question: MateQuestion
    there: Measured
    made: Measured
    governs: float
    low: Figure | None
    high: Figure | None
    stands: str

    @property
    def shaft(self) -> bool:
        """Whether it is the shaft that is made."""
        return self.question.make is Make.SHAFT

    @property
    def made_called(self) -> str:
        """What is being made."""
        return "shaft" if self.shaft else "hole"

    @property
    def there_called(self) -> str:
        """What was there."""
        return "hole" if self.shaft else "shaft"

    @property
    def width_mm(self) -> float:
        """How far its limits are apart."""
        return self.high.value - self.low.value if self.low and self.high else 0.0

    @property
    def forced(self) -> bool:
        """Whether the two go together tight: nothing enters until it is forced in."""
        if self.low is None or self.high is None:
            return False
        loosest = self.governs - self.low.value if self.shaft else self.high.value - self.governs
        return loosest <= 5e-7

    @property
    def over_mm(self) -> float:
        """How far past its limit it is."""
        if self.low is None or self.high is None or not self.made.stations:
            return 0.0
        if self.shaft:
            return self.low.value - self.made.smallest[1]
        return self.made.largest[1] - self.high.value


def standing(made: Measured, shaft_made: bool, low: Figure | None, high: Figure | None) -> str:
    """Whether metal is left, it fits, or it has gone too far."""
    if low is None or high is None or not made.stations:
        return ""
    small, large, slack = made.smallest[1], made.largest[1], 5e-7
    past = small < low.value - slack if shaft_made else large > high.value + slack
    if past:
        return "too far"
    left = large > high.value + slack if shaft_made else small < low.value - slack
    return "left" if left else "fits"


def place(name: str, count: int) -> str:
    """Where a size was read: by name, or by number where there are several places."""
    if not name.isdigit():
        return f"at the {name}"
    return f"place {name}" if count > 1 else "the one reading"


def says(job: Job, tight: Figure | None, loose: Figure | None) -> str:
    """What to do next, or how it goes."""
    if job.stands == "left" and job.forced:
        return (
            "Metal is left: creep up on it by measuring, not by trying. It does not enter while it "
            "is too large, and what is forced in is in for good: no lapping of the two together. "
            f"{_FINE}"
        )
    if job.stands == "left":
        step = min(0.02, job.width_mm)
        return (
            f"Metal is left: creep up on it, the last of it by {mm_said(step, 3)} at a time, tried "
            "in its mate between."
        )
    if job.stands == "too far":
        return f"Past its limit by {thou_said(job.over_mm)}: it is looser than it is meant to be."
    if tight is None or loose is None:
        if job.low is None:
            return "Say what the two do to each other, or measure the other part."
        return f"Measure the {job.made_called} as it is now, and what is left is worked out."
    if job.stands == "fits":
        return f"It fits: {_free(tight.value, loose.value)}."
    middle, now = job.governs, _free(tight.value, loose.value)
    if middle > LARGEST_MM:
        return f"{now[0].upper()}{now[1:]}."
    near = nearest_class(middle, tight.value, loose.value)
    hole, shaft = nearest_iso(middle, tight.value, loose.value)
    return f"{now[0].upper()}{now[1:]}: nearest to {near.label}, and to {hole}/{shaft}."


def _free(tight: float, loose: float) -> str:
    if loose < 0:
        return f"tight by {thou_said(-loose)}" + (
            f" to {thou_said(-tight)}" if loose - tight > 5e-5 else ""
        )
    if tight < -5e-7:
        return f"from {thou_said(-tight)} tight to {thou_said(loose)} free"
    if loose - tight < 5e-5:
        return f"{thou_said(tight)} free"
    return f"{thou_said(tight)} to {thou_said(loose)} free"


def reads(job: Job) -> tuple[Read, ...]:
    """Every reading, those left out too, with what each does against the other part."""
    found = []
    for part, looked, mine in (
        (job.there_called, job.there, False),
        (job.made_called, job.made, True),
    ):
        for name, sizes in looked.stations:
            for size in sizes:
                words = _against(job, size) if mine else _of_there(job, name, size)
                found.append(_read(part, name, size, words))
        for odd in looked.odd:
            meant = "" if odd.meant_mm is None else f" Was it {mm_said(odd.meant_mm, 3)}?"
            found.append(_read(part, odd.station, odd.size_mm, f"Left out. {odd.says}{meant}"))
    return tuple(found)


def _read(part: str, name: str, size: float, words: str) -> Read:
    return Read(part=part, place=name, size_mm=Figure(size, unit_of("size_mm"), (), 3), says=words)


def _of_there(job: Job, name: str, size: float) -> str:
    return "governs" if abs(size - job.governs) < 5e-7 else ""


def _against(job: Job, size: float) -> str:
    free = job.governs - size if job.shaft else size - job.governs
    if free < -5e-7:
        return f"tight by {mm_said(-free, 3)}"
    return f"free by {mm_said(free, 3)}"


def goes(job: Job, wanted: tuple[float, float] | None, aim: Figure | None) -> tuple[Goes, ...]:
    """Whether the same part goes with the others as well: as it measures, or as it is aimed at."""
    if not job.question.others:
        return ()
    if job.made.stations:
        mine = job.made.largest[1] if job.shaft else job.made.smallest[1]
    elif aim is not None:
        mine = aim.value
    else:
        return ()
    found = []
    for other in map(float, job.question.others):
        free = other - mine if job.shaft else mine - other
        if free < -5e-7:
            words = "does not enter"
        elif wanted is not None and free < wanted[0] - 5e-7:
            words = "enters, and is tighter than wanted"
        elif wanted is not None and free > wanted[1] + 5e-7:
            words = "enters, and is looser than wanted"
        else:
            words = "enters"
        found.append(
            Goes(
                size_mm=Figure(other, unit_of("size_mm"), (), 3),
                clearance_mm=Figure(free, unit_of("clearance_mm"), (), 3),
                says=words,
            )
        )
    return tuple(found)


def ways(job: Job) -> tuple[WayOut, ...]:
    """Ways out where it has gone too far."""
    if job.stands != "too far":
        return ()
    size = job.made.smallest[1] if job.shaft else job.made.largest[1]
    return ways_out(job.question.make, size, job.governs, job.over_mm, job.question.duty)


def cautions(
    job: Job, wanted: tuple[float, float] | None, reads_mm: float | None
) -> tuple[Caution, ...]:
    """What bites in this very pair."""
    found = []
    if job.stands == "too far":
        first = ways(job)[0]
        instead = f"cut no more: {first.way}"
        over = f"It is {thou_said(job.over_mm)} past its limit, and metal does not grow back."
        found.append(stop("too far", instead, over, "left_mm", PRACTICE))
    for odd in (*job.there.odd, *job.made.odd):
        meant = "" if odd.meant_mm is None else f" It would then be {mm_said(odd.meant_mm, 3)}."
        at = place(odd.station, 2)
        text = (
            f"{mm_said(odd.size_mm)} {at} does not go with the others. {odd.says}{meant} It is "
            "left out until you say that every reading counts."
        )
        found.append(Caution("Mind", "a reading", text, "governs_mm", PRACTICE))
    small, large = job.there.smallest[1], job.there.largest[1]
    if wanted is not None and large - small > wanted[1] - wanted[0] + 5e-7:
        text = (
            f"The {job.there_called} is {thou_said(large - small)} out of true and the fit allows "
            f"{thou_said(wanted[1] - wanted[0])}: hone or lap it first, or it is right only where "
            "it governs."
        )
        found.append(Caution("Mind", f"the {job.there_called}", text, "taper_mm", PRACTICE))
    found += _finer(job, reads_mm)
    if other := _smaller_other(job, wanted):
        found.append(other)
    return tuple(found)


def _finer(job: Job, reads_mm: float | None) -> list[Caution]:
    if job.low is None or job.high is None or reads_mm is None or job.stands in ("fits", "too far"):
        return []
    width = job.high.value - job.low.value
    if reads_mm <= width / 2 + 1e-9:
        return []
    text = (
        f"Its limits are {mm_said(width, 3)} apart and the finest here that measures it reads "
        f"{mm_said(reads_mm, 3)}: "
    )
    text += (
        "compare it with something of that size, and take the last off with fine emery."
        if job.forced
        else "let its mate be the gauge, tried often."
    )
    return [Caution("Mind", f"the {job.made_called}", text, "low_mm", PRACTICE)]


def _smaller_other(job: Job, wanted: tuple[float, float] | None) -> Caution | None:
    if wanted is None or not job.question.others:
        return None
    sizes = [float(mm) for mm in job.question.others]
    worst = min(sizes) if job.shaft else max(sizes)
    apart = job.governs - worst if job.shaft else worst - job.governs
    if apart <= 5e-7:
        return None
    which = "smaller" if job.shaft else "larger"
    limit = worst - wanted[0] if job.shaft else worst + wanted[0]
    text = (
        f"Another it goes with is {thou_said(apart)} {which}: made for that one it is "
        f"{mm_said(limit, 3)} {'at most' if job.shaft else 'at least'}, and looser here; or make "
        "one each."
    )
    return Caution("Mind", "the others", text, "high_mm", PRACTICE)
