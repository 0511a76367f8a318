"""``mate``: the part that is there, the limits of the other, and what is left to take off."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from runk.core.calculator import Calculator, Door
from runk.core.figures import Figure, Link, Working
from runk.core.fits import heat
from runk.core.fits.fit import between_limit_mm, bounds_of
from runk.core.fits.iso import limits_um
from runk.core.fits.mate_answer import MateAnswer
from runk.core.fits.mate_question import MAKES, Counts, Make, MateQuestion
from runk.core.fits.mate_says import FIRST, Job, cautions, goes, place, reads, says, standing, ways
from runk.core.fits.mate_ways import HITCHES
from runk.core.fits.measured import Measured, measured, oval_mm, taper_mm
from runk.core.fits.question import duties
from runk.core.lengths import Reading
from runk.core.machines.dials import JUDGED, judged_divisions, turns_say
from runk.core.machines.machine import Machine, MachineKind
from runk.core.metals.metal import Metal
from runk.core.plan.settle import SAFE_SHARE
from runk.core.refusals import Refused
from runk.core.tools.measures import finest
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop


@dataclass(frozen=True, slots=True)
class MateShop:
    """The lathe, both metals, and what the other can be measured to."""

    machine: Machine
    hole: Metal
    shaft: Metal
    reads_mm: float | None


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
    if question.most is not None and question.free is not None and question.most < question.free:
        raise Refused("The most clearance is under the least.", field="most")
    machine = workshop.machine(question.machine, (MachineKind.LATHE,))
    return replace(question, machine=machine.name)


def _clearances(question: MateQuestion, size: float) -> tuple[float, float] | None:
    """Least and most clearance wanted; None where nobody says what it is for."""
    if question.duty is not None:
        return bounds_of(duties()[question.duty], size)
    if question.hole is not None or question.shaft is not None:
        hole = limits_um(question.hole, size) if question.hole else (0.0, 0.0)
        shaft = limits_um(question.shaft, size) if question.shaft else (0.0, 0.0)
        if question.hole is None or question.shaft is None:
            width = (shaft[1] - shaft[0]) if question.hole is None else (hole[1] - hole[0])
            if question.hole is None:
                hole = (0.0, width)
            else:
                shaft = (-width, 0.0)
        return (hole[0] - shaft[1]) / 1000, (hole[1] - shaft[0]) / 1000
    if question.free is not None:
        least = float(question.free)
        most = 2 * least if question.most is None else float(question.most)
        return least, most
    return (0.0, float(question.most)) if question.most is not None else None


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
    wanted = _clearances(question, governs)
    low = high = aim = left = divisions = None
    wind = ""
    if wanted is not None:
        low, high = _limits(w, there, shaft_made, wanted)
        aim = _aim(low, high, shaft_made)
        if made.stations:
            worst = made.largest[1] if shaft_made else made.smallest[1]
            left = w.of(
                between_limit_mm,
                "left_mm",
                hole_mm=worst if shaft_made else aim.value,
                shaft_mm=aim.value if shaft_made else worst,
            )
            left = replace(left, places=3)
            divisions, wind = _wound(
                shop.machine,
                left.value,
                aim.value - low.value if shaft_made else high.value - aim.value,
            )
    taper, oval = _shape(w, there)
    tight, loose, hot = _now(w, question, shop, there, made)
    stands = standing(made, shaft_made, low, high)
    if stands != "left":
        # Within its limits there is nothing to wind on, whatever it lacks to the aim.
        nothing = stands == "fits" and left is not None
        left, divisions, wind = (replace(left, value=0.0) if nothing and left else None), None, ""
    job = Job(question, there, made, governs, low, high, stands)
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
        first=FIRST[question.make],
        reads=reads(job),
        goes=goes(job, wanted, aim),
        ways_out=ways(job),
        hitches=HITCHES if stands == "fits" else (),
        cautions=cautions(job, wanted, shop.reads_mm),
        links=_links(job, aim),
    )


def _limits(
    w: Working, there: Measured, shaft_made: bool, wanted: tuple[float, float]
) -> tuple[Figure, Figure]:
    """Smallest and largest of the other: every place of what is there keeps to the clearance.

    Where its own taper eats all of that, the place that governs alone is kept to.
    """
    least, most = wanted
    small, large = there.smallest[1], there.largest[1]
    if shaft_made:
        tightest, loosest = small, large if large - most < small - least else small
        low = w.of(heat.shaft_cold_mm, "low_mm", hole_mm=loosest, free_mm=most)
        high = w.of(heat.shaft_cold_mm, "high_mm", hole_mm=tightest, free_mm=least)
    else:
        tightest, loosest = large, small if small + most > large + least else large
        low = w.of(heat.hole_for_mm, "low_mm", shaft_mm=tightest, free_mm=least)
        high = w.of(heat.hole_for_mm, "high_mm", shaft_mm=loosest, free_mm=most)
    return replace(low, places=3), replace(high, places=3)


def _aim(low: Figure, high: Figure, shaft_made: bool) -> Figure:
    """A third of the way in from the side where metal is left: as a plan aims."""
    safe, other = (high.value, low.value) if shaft_made else (low.value, high.value)
    steps = low.steps + high.steps
    return Figure(safe + (other - safe) * SAFE_SHARE, unit_of("aim_mm"), steps, 3)


def _wound(machine: Machine, left: float, spare: float) -> tuple[Figure | None, str]:
    """Divisions for what is left; over it only where what that takes too much is to spare."""
    dial = machine.dial("cross-slide")
    if dial is None or left <= 0:
        return None, ""
    divisions = judged_divisions(dial, left / 2)
    if 2 * divisions * dial.travel_mm - left > spare:
        divisions -= JUDGED
    if divisions < JUDGED:
        return Figure(0.0, unit_of("divisions")), "under a quarter of a division: lap it in"
    wound = turns_say(divisions, dial.per_turn)
    unit = "" if wound.endswith(("turn", "turns")) else " divisions"
    return Figure(divisions, unit_of("divisions"), (), 2), f"{wound}{unit} in all, by passes"


def _shape(w: Working, there: Measured) -> tuple[Figure | None, Figure | None]:
    taper = oval = None
    if len(there.stations) > 1:
        means = there.means
        taper = w.of(taper_mm, largest_mm=max(means), smallest_mm=min(means))
        taper = replace(taper, places=3)
    several = [sizes for _, sizes in there.stations if len(sizes) > 1]
    if several:
        worst = max(several, key=lambda sizes: max(sizes) - min(sizes))
        oval = w.of(oval_mm, largest_mm=max(worst), smallest_mm=min(worst))
        oval = replace(oval, places=3)
    return taper, oval


def _now(
    w: Working, question: MateQuestion, shop: MateShop, there: Measured, made: Measured
) -> tuple[Figure | None, Figure | None, Figure | None]:
    """Clearance at the tightest and at the loosest pair of places, and the tightest hot."""
    if not made.stations:
        return None, None, None
    hole, shaft = (there, made) if question.make is Make.SHAFT else (made, there)
    tight = w.of(
        between_limit_mm, "clearance_low_mm", hole_mm=hole.smallest[1], shaft_mm=shaft.largest[1]
    )
    loose = w.of(
        between_limit_mm, "clearance_high_mm", hole_mm=hole.largest[1], shaft_mm=shaft.smallest[1]
    )
    hot = None
    if question.hole_hot is not None or question.shaft_hot is not None:
        since = len(w.steps)
        sizes = []
        for size, metal, hot_c, field in (
            (hole.smallest[1], shop.hole, question.hole_hot, "hole_hot"),
            (shaft.largest[1], shop.shaft, question.shaft_hot, "shaft_hot"),
        ):
            at = heat.ROOM_C if hot_c is None else hot_c
            heat.below_melting(metal, at, field)
            expands = metal["expansion_um_per_m_k"]
            sizes.append(
                w(
                    heat.hot_mm,
                    size_mm=size,
                    expansion_um_per_m_k=expands,
                    hot_c=at,
                    source=metal.source("expansion_um_per_m_k"),
                    why=metal.name,
                )
            )
        hot = w.of(
            heat.clearance_mm, "clearance_hot_mm", since=since, hole_mm=sizes[0], shaft_mm=sizes[1]
        )
        hot = replace(hot, places=3)
    return replace(tight, places=3), replace(loose, places=3), hot


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
