"""``mate``: the part that is there, the limits of the other, and what is left to take off."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from runk.core.calculator import Calculator, Door
from runk.core.figures import Figure, Link, Working
from runk.core.fits.classes import between_limit_mm
from runk.core.fits.mate_answer import MateAnswer
from runk.core.fits.mate_question import MAKES, Counts, Make, MateQuestion
from runk.core.fits.mate_says import FIRST, Job, cautions, goes, place, reads, says, standing, ways
from runk.core.fits.mate_sizes import MateShop, aim_of, clearances, limits_of, now, shape, wound
from runk.core.fits.mate_ways import HITCHES
from runk.core.fits.measured import measured
from runk.core.fits.question import band_of, duties, piston_of
from runk.core.lengths import Reading
from runk.core.machines.machine import MachineKind
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.tools.measures import finest
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop


def needs(question: MateQuestion, workshop: Workshop) -> MateShop:
    """Lathe, metals, and the finest tool that measures what is made."""
    size = max((float(mm) for one in question.there for mm in one.sizes), default=0.0)
    side = "outside" if question.make is Make.SHAFT else "inside"
    return MateShop(
        workshop.machine(question.machine, (MachineKind.LATHE,)),
        workshop.metals[question.hole_metal],
        workshop.metals[question.shaft_metal],
        finest(workshop.measures, side, size),
    )


def settle(question: MateQuestion, workshop: Workshop, _: Mapping[str, Reading]) -> MateQuestion:
    """Name the lathe, and see that the fit is said one way only.

    Raises:
        Refused: Nothing measured, or the fit said twice.
    """
    if not question.there:
        raise Refused(
            "What does the part that is there measure?",
            field="there",
            suggest="22.01; 22.02; 22.00",
        )
    ways = (
        question.duty is not None,
        question.hole is not None or question.shaft is not None,
        question.free is not None or question.most is not None,
    )
    if sum(ways) > 1:
        raise Refused(
            "What it does, a class, and how free: each alone says the fit, two may contradict.",
            field="duty",
            suggest="leave all but one out",
        )
    band = band_of(question.free, question.most)
    free, most = band if band else (None, None)
    machine = workshop.machine(question.machine, (MachineKind.LATHE,))
    # Mild steel is what a shaft is of where nobody says: an aluminium piston says otherwise.
    said = None if question.shaft_metal == "mild-steel" else question.shaft_metal
    duty, metal = piston_of(question.duty, said, workshop)
    return replace(
        question,
        machine=machine.name,
        duty=duty,
        shaft_metal=metal or question.shaft_metal,
        free=free,
        most=most,
    )


def mate(question: MateQuestion, shop: MateShop) -> MateAnswer:
    """Limits of the other part, and how it stands.

    Args:
        question: What is there, what it is to do, what the other measures.
        shop: The lathe, the metals, what there is to measure with.

    Raises:
        Refused: A class the tables do not have there, or no reading that can be believed.

    >>> from fractions import Fraction
    >>> from runk.core.fits.measured import Station
    >>> from runk.demo.back_shed import WORKSHOP
    >>> bore = (Station("1", (Fraction("22.01"),)), Station("2", (Fraction("22.00"),)))
    >>> now = (Station("1", (Fraction("22.40"),)),)
    >>> asked = MateQuestion(there=bore, duty="ringed", made=now)
    >>> answer = mate(asked, needs(asked, WORKSHOP))
    >>> round(answer.high_mm.value, 3), round(answer.left_mm.value, 3), answer.wind
    (21.978, 0.426, '8 1/2 divisions in all, by passes')
    """
    w = Working()
    every = question.counts is Counts.EVERY
    there, made = measured(question.there, every), measured(question.made, every)
    if not there.stations:
        raise Refused("No reading here goes with another: measure again.", field="there")
    shaft_made = question.make is Make.SHAFT
    governs_at, governs = there.smallest if shaft_made else there.largest
    wanted = clearances(question, governs)
    job = Job(question, there, made, governs, None, None, "")
    low = high = aim = left = divisions = None
    wind = ""
    if wanted is not None:
        low, high = limits_of(w, there, shaft_made, wanted)
        aim = aim_of(low, high, shaft_made)
        job = replace(job, low=low, high=high, stands=standing(made, shaft_made, low, high))
        if made.stations:
            worst = made.largest[1] if shaft_made else made.smallest[1]
            left = w.of(
                between_limit_mm,
                "left_mm",
                hole_mm=worst if shaft_made else aim.value,
                shaft_mm=aim.value if shaft_made else worst,
            )
            left = replace(left, places=3)
            divisions, wind = wound(
                shop.machine,
                left.value,
                aim.value - low.value if shaft_made else high.value - aim.value,
                job.forced,
            )
    taper, oval = shape(w, there)
    tight, loose, hot = now(w, question, shop, there, made)
    stands = job.stands
    if stands != "left":
        # Within its limits there is nothing to wind on, whatever it lacks to the aim.
        nothing = stands == "fits" and left is not None
        left, divisions, wind = (replace(left, value=0.0) if nothing and left else None), None, ""
    return MateAnswer(
        left_mm=left,
        divisions=divisions,
        wind=wind,
        low_mm=low,
        high_mm=high,
        aim_mm=aim,
        says=says(job, tight, loose),
        stands=stands,
        clearance_low_mm=tight,
        clearance_high_mm=loose,
        clearance_hot_mm=hot,
        governs_mm=Figure(governs, unit_of("governs_mm"), (), 3),
        governs_at=place(governs_at, len(there.stations)),
        taper_mm=taper,
        oval_mm=oval,
        first="" if made.stations else FIRST[question.make],
        reads=reads(job),
        goes=goes(job, wanted, aim),
        ways_out=ways(job),
        hitches=HITCHES if stands == "fits" else (),
        cautions=cautions(job, wanted, shop.reads_mm),
        links=_links(job, aim),
    )


def _links(job: Job, aim: Figure | None) -> tuple[Link, ...]:
    found = []
    question, shaft_made = job.question, job.question.make is Make.SHAFT
    if aim is not None and job.low is not None and job.high is not None and job.stands != "fits":
        handed = [
            ("job", "outside" if shaft_made else "bore"),
            ("metal", question.shaft_metal if shaft_made else question.hole_metal),
            ("wanted", f"{aim.value:.4f} mm"),
            ("smallest", f"{job.low.value:.4f} mm"),
            ("largest", f"{job.high.value:.4f} mm"),
            ("machine", question.machine),
        ]
        if job.made.stations and job.stands == "left":
            worst = job.made.largest[1] if shaft_made else job.made.smallest[1]
            handed.insert(2, ("now", f"{worst:.4f} mm"))
        if job.stands != "too far":
            what = "Turn the shaft" if shaft_made else "Bore the hole"
            found.append(Link("plan", tuple(handed), f"{what} to these limits, pass by pass"))
    why = "piston first or bore first"
    return (*found, Link("why", (("asked", why),), "Which of the two is made first"))


def title(question: MateQuestion) -> str:
    """What a mate kept is called: the size that governs, and what it is for."""
    there = measured(question.there, question.counts is Counts.EVERY)
    shaft = question.make is Make.SHAFT
    size = (there.smallest if shaft else there.largest)[1]
    made, other = ("shaft", "hole") if shaft else ("hole", "shaft")
    classes = "/".join(str(one) for one in (question.hole, question.shaft) if one is not None)
    does = duties()[question.duty].label if question.duty else classes
    return f"A {made} to a {mm_said(size, 3)} {other}{f': {does}' if does else ''}"


def headline(answer: MateAnswer, page: PageUnit) -> str:
    """The one number to reach, or that it is there."""
    low, high, left = answer.low_mm, answer.high_mm, answer.left_mm
    if answer.stands == "left" and left is not None:
        wound = f": {answer.wind}" if answer.wind else ""
        return f"{left.words(page)} to come off{wound}"
    if answer.clearance_low_mm is not None and (answer.stands == "fits" or low is None):
        return worded_clearance(answer, page)
    if low is not None and high is not None:
        return f"make it {low.shown(page)} to {high.words(page)}"
    return f"{answer.governs_mm.words(page)} governs"


def worded_clearance(answer: MateAnswer, page: PageUnit) -> str:
    """How free, or how tight, it is now."""
    tight, loose = answer.clearance_low_mm, answer.clearance_high_mm
    assert tight is not None
    assert loose is not None
    if tight.value < -5e-7:
        return f"{replace(tight, value=-tight.value).words(page)} tight"
    if abs(loose.value - tight.value) < 5e-5:
        return f"{tight.words(page)} free"
    return f"{tight.shown(page)} to {loose.words(page)} free"


MATE = Calculator(
    name="mate",
    title="To its mate: what is there, and what is left to take off",
    door=Door("/fits/mate", "Fits", "To its mate"),
    opening={
        "make": "shaft",
        "there": "top 22.012, 22.008; middle 22.004, 22.002; bottom 22.008, 22.006",
        "duty": "ringed",
        "made": "22.40",
        "hole_metal": "grey-iron",
        "shaft_metal": "grey-iron",
    },
    question=MateQuestion,
    answers=(MateAnswer,),
    compute=mate,
    needs=needs,
    settle=settle,
    sentences={
        choice.key: "{make}: it measures {there}[, {duty}][, {hole}][, {shaft}][, {free} free]"
        "[, {most} at most][; the other {made} now][, also {others}]; {shaft_metal} shaft"
        "[ at {shaft_hot}] in {hole_metal}[ at {hole_hot}][, {counts}][, on the {machine}]"
        for choice in MAKES
    },
    calls=("mate", "to its mate", "to its bore", "to its hole", "will it fit"),
    ruled=True,
    headline=headline,
)
