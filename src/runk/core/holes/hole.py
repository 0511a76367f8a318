"""``hole``: from the centre mark to its size, with the tools that are owned."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from fractions import Fraction
from math import floor

from runk.core.calculator import Calculator, Door
from runk.core.cutting.operations import FACTS, Operation
from runk.core.figures import Figure, Working
from runk.core.holes.answer import HoleAnswer
from runk.core.holes.finish import finishing, in_small_steps
from runk.core.holes.heads import seat_for
from runk.core.holes.laws import cleans_up_mm, from_flat_mm, leaves_mm, tip_travel_mm
from runk.core.holes.minds import links_of, minds
from runk.core.holes.pick import Strength, before, exact
from runk.core.holes.question import SENTENCES, Ends, Finish, HoleQuestion
from runk.core.holes.starts import flat_on, seat_step, spot_for
from runk.core.holes.steps import Maker
from runk.core.lengths import Reading
from runk.core.machines.machine import Machine
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.threads.clearance import hole_for
from runk.core.tools import ShopTool
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop


@dataclass(frozen=True)
class HoleShop:
    """What a hole needs of the workshop: one machine, one metal, the tools that make holes."""

    machine: Machine
    metal: Metal
    drills: tuple[ShopTool, ...]
    reamers: tuple[ShopTool, ...]
    cutters: tuple[ShopTool, ...]
    centres: tuple[ShopTool, ...]


def needs(question: HoleQuestion, workshop: Workshop) -> HoleShop:
    """Pick the machine, the metal and the tools.

    Raises:
        Refused: A machine that is not there, or cannot do this.
    """
    boring = question.finish in (Finish.BORED, Finish.HONED)
    facts = FACTS[Operation.BORE if boring else Operation.DRILL]
    machine = workshop.machine(question.machine, facts.machines)
    if machine.kind not in facts.machines:
        raise Refused(
            f"{facts.doing} wants a {' or a '.join(facts.machines)}; {machine.name} is a "
            f"{machine.kind}.",
            field="machine",
        )
    return HoleShop(
        machine,
        workshop.metals[question.metal],
        workshop.drills,
        workshop.reamers,
        workshop.cutters,
        workshop.centres,
    )


def settle(question: HoleQuestion, workshop: Workshop, _: Mapping[str, Reading]) -> HoleQuestion:
    """Name the usual machine where it was left open; a through hole is as deep as its part."""
    if question.ends is Ends.THROUGH and question.deep is None:
        question = replace(question, deep=question.thick, thick=None)
    question = _for_head(question)
    return replace(question, machine=needs(question, workshop).machine.name)


def _for_head(question: HoleQuestion) -> HoleQuestion:
    """The hole a named screw passes through, and the seat of its head, where they are left open."""
    if question.screw is None or question.head is None:
        return question
    w = Working()
    # A screw that is to place its part sits in a reamed hole of its own size.
    reamed = question.finish in (Finish.MACHINE_REAMED, Finish.HAND_REAMED)
    medium = hole_for(w, question.screw, "medium").value
    own = hole_for(w, question.screw, "reamed").value if reamed else medium
    size = question.size or as_fraction(own)
    # Its head is not meant to touch as well.
    seat = seat_for(w, question.screw, question.head, medium if reamed else float(size))
    return replace(
        question,
        size=size,
        counterbore=question.counterbore or as_fraction(seat.across_mm.value),
        seat=question.seat or as_fraction(seat.deep_mm.value),
    )


def as_fraction(mm: float) -> Fraction:
    """A worked-out size as one that could have been typed, to a hundredth of a millimetre."""
    return Fraction(str(round(mm, 2)))


def _check(question: HoleQuestion, shop: HoleShop) -> None:
    if question.screw is not None and question.head is None:
        raise Refused("Which head has the screw?", field="head", suggest="cap head")
    if question.moved is not None and question.there is None:
        raise Refused("How large is the hole that lies out of its place?", field="there")
    if question.there is not None and question.there >= question.size:
        raise Refused(
            f"The hole there, {mm_said(question.there)}, is as large as the "
            f"{mm_said(question.size)} that is wanted: bush it, or make the mate to it.",
            field="there",
        )
    blind = question.ends is Ends.BLIND
    deep, thick = question.deep, question.thick
    if blind and deep is None:
        raise Refused("How deep is the blind hole?", field="deep", suggest="12 mm")
    if blind and deep is not None and thick is not None and deep >= thick:
        raise Refused(
            f"A hole {mm_said(deep)} deep comes out of a part {mm_said(thick)} thick: it is "
            "a through hole.",
            field="deep",
        )
    if question.counterbore is not None and question.counterbore <= question.size:
        raise Refused("A counterbore is larger than its hole.", field="counterbore")
    if question.seat is not None and question.counterbore is None:
        raise Refused("What size is the counterbore?", field="counterbore", suggest="10 mm")
    if question.seat is not None and deep is not None and question.seat >= deep:
        raise Refused("The counterbore goes as deep as the hole itself.", field="seat")
    if question.bearings is not None and question.span is None:
        raise Refused("How far is it over all the bearings?", field="span", suggest="60 mm")
    if not shop.drills:
        raise Refused(
            "There is no drill in the trays that can be used: add a set in the Workshop.",
            field="size",
            suggest="Workshop, Trays, add a set",
        )


def hole(question: HoleQuestion, shop: HoleShop) -> HoleAnswer:
    """Every tool of a hole in its turn.

    Args:
        question: The hole wanted.
        shop: Machine, metal and the tools that are owned.

    Returns:
        Spot, pilot, steps, last drill and what finishes it, each with its belt, feed and stop.

    Raises:
        Refused: A hole these tools cannot make, saying what could.

    >>> from fractions import Fraction
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = HoleQuestion(Fraction(6), "gunmetal", Finish.MACHINE_REAMED)
    >>> answer = hole(asked, needs(asked, WORKSHOP))
    >>> [step.name for step in answer.drills], [step.kind for step in answer.then]
    (['5.9 mm'], ['ream'])
    """
    _check(question, shop)
    maker = Maker(question, shop.machine, shop.metal)
    size = float(question.size)
    plan = finishing(maker, shop.drills, shop.reamers)
    strength = Strength(shop.machine, shop.metal, maker.drills_of, maker.held)
    there = float(question.there or 0)
    chain = before(shop.drills, plan.last, strength, float(question.deep or 0), there)
    if question.moved is not None:
        # A drill would follow the old hole: the bar begins in it as it is.
        chain = ()
    if question.finish is Finish.STEPPED:
        chain = in_small_steps(shop.drills, plan.last, chain)
    flat = flat_on(maker, shop.cutters, (*chain, plan.last))
    if flat is not None and flat.depth_mm is not None:
        # Every tool is touched on the flat: what comes after is worked out from there.
        maker = maker.on_flat(flat.depth_mm)
        plan = finishing(maker, shop.drills, shop.reamers)
    maker.flat, maker.beyond_mm = plan.flat, plan.beyond_mm
    drilled = plan.last.mm > there + 1e-9 and question.moved is None
    drills = (
        *(maker.drill("pilot" if n == 0 else "step", tool) for n, tool in enumerate(chain)),
        maker.drill("last", plan.last, says=plan.says) if drilled else maker.existing(),
    )
    w = maker.w
    off = None
    if question.finish in (Finish.DRILLED, Finish.STEPPED) and exact((plan.last,), size) is None:
        off = w.figure(plan.last.mm - size, "off_mm", since=len(w.steps), places=3)
    if drilled and question.bearings is None:
        _check_reach(question, plan.last, drills[-1].depth_mm)
    then = plan.then
    if question.counterbore is not None:
        then = (*then, seat_step(maker, shop.cutters))
    counterbore, seat = _seat(w, question)
    point = maker.point_of(plan.last.mm)
    return HoleAnswer(
        first=(
            *(() if flat is None else (flat,)),
            *(() if there else (spot_for(maker, shop.centres, (*chain, plan.last)[0]),)),
        ),
        drills=drills,
        then=then,
        drill_mm=drills[-1].mm,
        size_mm=Figure(size, unit_of("size_mm"), (), 3),
        ream_allowance_mm=plan.allowance,
        left_mm=plan.left if question.moved is None else _all_of_it(w, question),
        off_mm=off,
        cleans_mm=_cleans(w, question),
        point_mm=point,
        bottom_mm=_bottom(maker, drills[-1].depth_mm),
        pass_mm=plan.pass_mm if question.ends is Ends.THROUGH else None,
        deep_mm=_length(question.deep, "deep_mm"),
        thick_mm=_length(question.thick, "thick_mm"),
        counterbore_mm=counterbore,
        seat_mm=seat,
        under_seat_mm=_under(w, question),
        slope_deg=Figure(question.slope, unit_of("slope_deg")) if question.slope else None,
        stop_says=maker.stop_says(),
        coolant=shop.metal.coolant_drill,
        machine=shop.machine.name,
        cautions=minds(maker, plan, drills),
        links=links_of(question, plan, shop.machine),
    )


def _length(value: object, key: str) -> Figure | None:
    return None if value is None else Figure(float(value), unit_of(key))  # type: ignore[arg-type]


def _seat(w: Working, question: HoleQuestion) -> tuple[Figure | None, Figure | None]:
    """Counterbore and its depth: with their working where they are of a named screw's head."""
    typed = (_length(question.counterbore, "counterbore_mm"), _length(question.seat, "seat_mm"))
    if question.screw is None or question.head is None:
        return typed
    made = seat_for(w, question.screw, question.head, float(question.size))
    worked = (made.across_mm, made.deep_mm)
    said = (question.counterbore, question.seat)
    # One somebody typed over it stands as typed.
    across, deep = (
        figure if as_fraction(figure.value) == own else plain
        for figure, own, plain in zip(worked, said, typed, strict=True)
    )
    return across, deep


def _cleans(w: Working, question: HoleQuestion) -> Figure | None:
    """Where a hole out of its place is cleaned up by boring about the right one."""
    if question.there is None or question.moved is None:
        return None
    there, moved = float(question.there), float(question.moved)
    return w.of(cleans_up_mm, "cleans_mm", there_mm=there, moved_mm=moved)


def _all_of_it(w: Working, question: HoleQuestion) -> Figure:
    """What a bar takes from the hole as it is, on diameter."""
    there = float(question.there or 0)
    return w.of(leaves_mm, "left_mm", wanted_mm=float(question.size), drill_mm=there)


def _under(w: Working, question: HoleQuestion) -> Figure | None:
    """Metal left under a head's seat."""
    through = question.thick or (question.deep if question.ends is Ends.THROUGH else None)
    if question.seat is None or through is None:
        return None
    start = len(w.steps)
    value = w(from_flat_mm, travel_mm=float(through), flat_mm=float(question.seat))
    return w.figure(value, "under_seat_mm", since=start)


def _bottom(maker: Maker, travel: Figure | None) -> Figure | None:
    """Where the last drill's tip ends, from the surface the depth is measured from."""
    if travel is None or not maker.flat_mm:
        return travel
    w, start = maker.w, len(maker.w.steps)
    value = w(tip_travel_mm, deep_mm=travel.value, more_mm=maker.flat_mm, why="under the flat")
    return w.figure(value, "bottom_mm", since=start)


def _check_reach(question: HoleQuestion, tool: ShopTool, travel: Figure | None) -> None:
    """A drill whose flutes go under the surface packs and breaks."""
    if question.deep is None or tool.reach_mm is None or travel is None:
        return
    if travel.value <= tool.reach_mm:
        return
    room = tool.reach_mm - (travel.value - float(question.deep))
    raise Refused(
        f"The {tool.name} drill has {mm_said(tool.reach_mm)} of flute, and its tip goes "
        f"{mm_said(travel.value, 1)}. Use a long drill and clear it often, or drill from both "
        "ends.",
        field="deep",
        suggest=mm_said(floor(room * 10) / 10) if room > 0 else None,
    )


def headline(answer: HoleAnswer, _: PageUnit) -> str:
    """The tools in their order."""
    drills = " → ".join(step.name for step in answer.drills)
    last = [s.name for s in answer.then if s.kind not in ("counterbore",)]
    return f"{drills} → {last[-1]}" if last else drills


HOLE = Calculator(
    name="hole",
    title="A hole: every drill in its turn",
    door=Door("/holes", "Holes", "Whole hole"),
    opening={
        "size": "6 mm",
        "metal": "gunmetal",
        "finish": "machine-reamed",
        "ends": "blind",
        "deep": "18 mm",
        "thick": "25 mm",
    },
    question=HoleQuestion,
    answers=(HoleAnswer,),
    compute=hole,
    needs=needs,
    settle=settle,
    sentences=SENTENCES,
    calls=(
        "hole plan",
        "plan a hole",
        "plan the hole",
        "reamed hole",
        "bored hole",
        "honed hole",
        "drilled hole",
        "blind hole",
        "through hole",
        "pilot for",
        "which drills for",
        "d-bit",
        "d bit",
        "dbit",
        "line of bearings",
        "counterbored hole",
        "counterbore for @",
        "counterbore @",
        "countersink for @",
        "countersink @",
        "@ cap head",
        "@ cap screw",
        "@ countersunk screw",
        "@ countersunk head",
        "@ cheese head",
        "@ socket head",
        "seat for @",
    ),
    nouns=("hole", "holes", "pilot", "pilots"),
    headline=headline,
)
