"""What is said of a crankshaft: its order by either school, what to mind, where to go next."""

from __future__ import annotations

from runk.core.figures import Caution, Figure, Link, stop
from runk.core.fits.question import made_first
from runk.core.plan.rescue import LEAST_WALL_MM
from runk.core.said import mm_said, thou_said
from runk.core.shafts.crank_question import CrankQuestion
from runk.core.shafts.order import Made, in_order
from runk.core.sources import MECHANICS, PRACTICE

OTHER_OF_BUILT = (
    "From the solid between centres: no joint to let go, and no bond to wait for; more turning, "
    "all of it out of balance."
)
OTHER_OF_SOLID = (
    "Built up of bar, webs and pin: ground bar keeps its surface, hardly any turning; it is as "
    "true as its bores, and lives by its joints."
)
_SPRUNG_MM = 0.01


def holds(may: Figure, asked: Figure | None) -> str:
    """Whether the bond carries what the cylinder asks."""
    if asked is None:
        return (
            f"Bonded, each joint may be asked {may.value:.2f} N·m, a third of what it holds; the "
            "pin across stands behind it. Tell cylinder and pressure to have it judged."
        )
    if asked.value <= may.value:
        return f"It holds: the cylinder asks {asked.value:.2f} N·m of {may.value:.2f}."
    return f"Not by the bond alone: the cylinder asks {asked.value:.2f} N·m of {may.value:.2f}."


def built_steps(
    throw: Figure, main: Figure, pin: Figure, through: Figure, overhung: bool = False
) -> tuple[Made, ...]:
    """The order of a crank that is built up, with two webs or with one."""
    if overhung:
        return in_order(
            ("Face the web, both sides square", None, "its boss on the shaft's side"),
            ("Bore both holes at one setting, apart", throw, "the move read on dial or read-out"),
            ("The one for the shaft", main, "at least; the shaft's end right through the web"),
            ("The one for the crankpin", pin, "at least; its shoulder against the web's face"),
            ("Try it together dry, and turn it by hand", None, "the pin parallel to the shaft"),
            ("Degrease, bond it", None, "let it set half an hour, a day to be full"),
            ("Pins across both joints", through, "drilled and reamed through, after it has set"),
            ("Light cuts true it, if it needs any", None, "held by the shaft; no more"),
        )
    return in_order(
        ("Clamp both webs as one, faced and square", None, "they stay a pair: mark them"),
        ("Bore both holes at one setting, apart", throw, "the move read on dial or read-out"),
        (
            "The one for the shaft",
            main,
            "at least: ground bar keeps its surface, the web has the gap",
        ),
        ("The one for the crankpin", pin, "at least; chamfer both where compound is to stay"),
        ("Try it together dry, and turn it by hand", None, "it goes in by hand and runs true"),
        (
            "Degrease, bond it, the webs parted by a spacer",
            None,
            "let it set half an hour, a day to be full",
        ),
        ("Pins across every joint", through, "drilled and reamed through, after it has set"),
        ("Saw the shaft out between the webs", None, "kept cool: heat lets the bond go"),
        ("Light cuts true it, if it needs any", None, "the bond carries them; no more"),
    )


def built_cautions(
    between: float, may: Figure, crossed: Figure, asked: Figure | None
) -> tuple[Caution, ...]:
    """What to mind of joints."""
    found = []
    says = f"Only {mm_said(between, 2)} is left in the web between its two bores."
    if between < LEAST_WALL_MM:
        instead = "thinner shafts, more throw, or from the solid"
        found.append(stop("the web", instead, says, "throw_mm", PRACTICE))
    elif between < 1.5:
        found.append(Caution("Mind", "the web", says, "throw_mm", MECHANICS))
    if asked is not None and asked.value > may.value + crossed.value / 3:
        says = (
            f"The cylinder asks {asked.value:.2f} N·m; bond and pin together may be asked "
            f"{may.value + crossed.value / 3:.2f}."
        )
        instead = "thicker webs, a larger pin, or from the solid"
        found.append(stop("the joint", instead, says, "asked_nm", MECHANICS))
    says = "Compound cures slowly on stainless and plated metal; keep it off the skin."
    found.append(Caution("Mind", "the compound", says, None, PRACTICE))
    return tuple(found)


def built_links(
    question: CrankQuestion, throw: Figure, main: float, pin: float, thick: float
) -> tuple[Link, ...]:
    """Where each joint is asked for itself."""
    of_metal = (("boss_metal", question.metal), ("shaft_metal", question.metal))

    def bond(size: float) -> tuple[tuple[str, str], ...]:
        return (("size", f"{size:.4f} mm"), ("length", f"{thick:.4f} mm"), *of_metal)

    e = f"{throw.value:.4f} mm"
    return (
        Link("bond", bond(main), "The shaft bonded in its web"),
        Link("bond", bond(pin), "The crankpin bonded in its web"),
        Link("balance", (*_balanced(question, e), ("webs", question.webs)), "Its counterweights"),
        Link("shaft-budget", _along(question), "What sits along it"),
    )


def _balanced(question: CrankQuestion, throw: str) -> tuple[tuple[str, str], ...]:
    sizes = (("pin", question.pin), ("long", question.gap), ("thick", question.thick))
    return (
        ("throw", throw),
        *((name, f"{float(mm or 0):.4f} mm") for name, mm in sizes),
        ("metal", question.metal),
    )


def _along(question: CrankQuestion) -> tuple[tuple[str, str], ...]:
    thick, gap = f"{float(question.thick):.4f} mm", f"{float(question.gap):.4f} mm"
    return (("along", f"web {thick}; crankpin {gap}; web {thick}"),)


def stiff(spring: float) -> str:
    """How stiff a shaft between centres is."""
    if spring <= _SPRUNG_MM:
        return "Stiff enough: a spring pass or two at the last setting."
    return (
        f"The last cut leaves its middle {thou_said(spring)} large: spring passes until nothing "
        "more comes off, a flat broad tool square to the work, and a steady where there is one."
    )


def solid_steps(
    throw: Figure, bar: Figure, pin: Figure, gap: Figure, rough: Figure, main: Figure
) -> tuple[Made, ...]:
    """The order of a crank from the solid."""
    return in_order(
        ("Face the bar to length, ends to be cut away left on", bar, "at least; a dog grips there"),
        (
            "Centre both ends twice, at one setting, apart",
            throw,
            "in V blocks by height, both ends alike",
        ),
        ("Saw and mill out most between the webs", None, "drilled in the corners first"),
        (
            "On the throw's centres: faces of the webs, then the crankpin",
            pin,
            "the webs are the datum",
        ),
        ("Pack between the webs, size to size", gap, "pushed in, never wedged: it would bend it"),
        ("On the main centres: rough both journals", rough, "both ends, before either is finished"),
        (
            "Finish all journals and shoulders at one setting",
            main,
            "spring passes until it sparks out",
        ),
        ("Take the packing out, try it for twist", None, "a tight dog or centre leaves one"),
        ("Ends, threads and keyways", None, "last, and the marked ends cut away"),
    )


def solid_cautions(long: float, main: float, spring: float) -> tuple[Caution, ...]:
    """What to mind between centres."""
    found = []
    if long > 10 * main:
        says = (
            f"{long / main:.0f} times as long as thick between centres: a steady, or shorter ends."
        )
        found.append(Caution("Mind", "the length", says, "spring_mm", PRACTICE))
    says = (
        "On the throw's centres it is out of balance and strikes the bed if it can: turned by hand "
        "first, slow, a weight on the faceplate. Tighten the dog without twisting it."
    )
    found.append(Caution("Mind", "the throw", says, "swing_mm", PRACTICE))
    return tuple(found)


def solid_links(
    question: CrankQuestion, bar: Figure, throw: Figure, main: float, pin: float
) -> tuple[Link, ...]:
    """Where the steps are asked for themselves."""
    e = f"{throw.value:.4f} mm"
    bearing = (*made_first(main, "journal"), ("shaft_metal", question.metal))
    return (
        Link(
            "throw",
            (("throw", e), ("main", f"{main:.4f} mm"), ("pin", f"{pin:.4f} mm")),
            "Setting the throw",
        ),
        Link(
            "nearest-drill",
            (("tool", "bar"), ("size", f"{bar.value:.4f} mm")),
            "The bar on the shelf that is nearest",
        ),
        Link("fit", bearing, "The journals in their bearings"),
        Link("balance", (*_balanced(question, e), ("webs", "2")), "Its counterweights"),
        Link("shaft-budget", _along(question), "What sits along it"),
    )
