"""What is said of a piston: its order by either school, what to mind, where to go next."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.figures import Caution, Figure, Link, stop
from runk.core.fits.question import made_first
from runk.core.metals.metal import Metal
from runk.core.said import mm_said, thou_said
from runk.core.shafts.order import Made, in_order
from runk.core.shafts.piston_question import PistonQuestion, School
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.threads.tap_question import TapShop


@dataclass(frozen=True, slots=True)
class PistonShop:
    """Both metals, what taps the rod's thread, and the collet that holds the rod."""

    metal: Metal
    rod: Metal
    tap: TapShop
    collet: str
    light: bool


def steps(
    question: PistonQuestion,
    shop: PistonShop,
    thread: str,
    drill: str,
    rough: Figure,
    spigot: Figure,
    recess: Figure,
    gland: Figure,
    last: Figure,
    grooves: tuple[Figure, Figure, Figure] | None,
) -> tuple[Made, ...]:
    own = question.school is School.ROD
    held = "in its collet" if shop.collet else "in a split bush: no collet here holds it"
    plunge = []
    if grooves is not None:
        wide, deep, tool = grooves
        how = f"{mm_said(deep.value, 3)} deep by touching off, with a tool {mm_said(tool.value, 2)}"
        plunge.append(("Cut the grooves", wide, f"{how}: one wall, then shifted to the other"))
    before = [
        ("Turn a spigot, grip it, face the end", spigot, "as short as it can be"),
        ("Rough the outside", rough, "the first cut under the skin of a casting"),
        (f"Drill {drill} and tap {thread}", None, "at the same setting, so that it is square"),
        ("Bore the recess for the rod's shoulder", recess, "its floor faced: the seat, no thread"),
        (
            "Try the rod in its cover and gland, bored",
            gland,
            "at least; before the piston is on it",
        ),
    ]
    if own:
        steps = [
            *before,
            ("Screw the piston on against the shoulder", None, "clean; locked with compound"),
            (
                f"Hold the rod {held}, finish the outside",
                last,
                "fine feed; a pass at the same setting",
            ),
            *plunge,
        ]
    else:
        steps = [
            *before[:4],
            ("Hold it on a split bush, finish the outside", last, "quick; true to the bush"),
            *plunge,
            before[4],
            (
                "Screw it on against the shoulder",
                None,
                "and see on the indicator that it runs true",
            ),
        ]
    last_step = ("Try it in the cylinder, oiled", None, "before it leaves the lathe")
    if not own:
        return in_order(
            *steps, ("Try it in the cylinder, oiled", None, "with its rod, in the cover")
        )
    return in_order(*steps, last_step)


def says(school: School) -> str:
    """What this school is good for."""
    if school is School.ROD:
        return (
            "Finished on its own rod it is true to it, whatever the thread did. It hangs on the "
            "rod: light cuts."
        )
    return (
        "Finished apart it is quick and stiff; it is as true to its rod as thread and seat are, "
        "and grooves may run out."
    )


def other(school: School) -> str:
    """What the other school would do."""
    return (
        "Apart on a split bush: quicker and stiffer, but grooves may run out."
        if school is School.ROD
        else "On its own rod: true to it, but light cuts only."
    )


def cautions(
    question: PistonQuestion,
    shop: PistonShop,
    bend: Figure,
    bend_groove: Figure | None,
    width: float,
) -> tuple[Caution, ...]:
    """What to mind of this very piston."""
    found = []
    own = question.school is School.ROD
    if own and bend.value > width:
        says = (
            f"The last cut bends the rod by {thou_said(bend.value)} on diameter, more than its "
            "limits are apart."
        )
        found.append(
            stop("the rod", "a centre in its end, or a split bush", says, "bend_mm", MECHANICS)
        )
    elif own and bend_groove is not None and bend_groove.value > 0.1:
        says = (
            f"The grooving tool bends the rod by {thou_said(bend_groove.value)}: it digs in. "
            "A narrower tool, or a centre in the end."
        )
        found.append(Caution("Mind", "the grooves", says, "bend_groove_mm", MECHANICS))
    if shop.light:
        says = "Light metal grows more than its iron bore: that clearance is for the crown, cold."
        found.append(Caution("Mind", "the heat", says, "high_mm", PRACTICE))
    says = "Once it is fixed, the rod no longer passes cover and gland: tried first, not after."
    found.append(Caution("Mind", "the rod first", says, None, PRACTICE))
    return tuple(found)


def links(
    question: PistonQuestion,
    thread: str,
    duty: str,
    long: float,
    grooves: tuple[Figure, Figure, Figure] | None,
) -> tuple[Link, ...]:
    """Each step's own calculator, filled in."""
    bore = f"{float(question.bore):.4f} mm"
    found = [
        Link(
            "fit",
            (("size", bore), ("duty", duty), ("shaft_metal", question.metal)),
            "The piston in its bore",
        ),
        Link("fit", made_first(float(question.rod), "rod"), "The rod in its gland"),
        # As deep as it is tapped here: a deep hole takes an easier drill.
        Link(
            "tap",
            (("thread", thread), ("metal", question.metal), ("deep", f"{long:.4f} mm")),
            "Tapping it",
        ),
    ]
    if grooves is not None:
        cut = (
            ("job", "groove"),
            ("metal", question.metal),
            ("now", bore),
            ("wanted", f"{grooves[0].value:.4f} mm"),
            ("deep", f"{grooves[1].value:.4f} mm"),
        )
        rings = (("bore", bore), ("count", str(question.rings)))
        found += [Link("plan", cut, "Cut a groove"), Link("ring", rings, "The rings")]
    return tuple(found)
