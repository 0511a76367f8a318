"""``gear``: a spur gear or a rack: blank, depth, cutter, height, play, what to measure."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from fractions import Fraction

from runk.core.calculator import Calculator, Door, Sweep
from runk.core.figures import Caution, Figure, Link, Working, fine, stop, told
from runk.core.layout import gear_laws as laws
from runk.core.layout.feed import arbor_feed_said
from runk.core.layout.gear_cutters import cutter_said, listed, owned_for, range_for
from runk.core.layout.gear_question import (
    FEWEST,
    USUAL_DEG,
    GearAnswer,
    GearQuestion,
    RackAnswer,
    ToothAt,
    WheelAnswer,
)
from runk.core.layout.gear_room import Room, room_for, shoulder
from runk.core.layout.involute import Teeth, tip_interferes, tooth
from runk.core.lengths import Reading
from runk.core.lengths.show import trimmed
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.tools import ShopTool
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_PLAY = 0.05
"""Modules of play along the pitch circle: common practice for small open gears."""


@dataclass(frozen=True, slots=True)
class GearShop:
    """Gear cutters in the trays."""

    cutters: tuple[ShopTool, ...]


def needs(_: GearQuestion, workshop: Workshop) -> GearShop:
    """The gear cutters."""
    return GearShop(workshop.gear_cutters)


_OFF_TEETH = 0.15
"""How far an outside diameter may lie from a whole number of teeth and be one, in teeth."""


def settle(question: GearQuestion, _: Workshop, __: Mapping[str, Reading]) -> GearQuestion:
    """Teeth that can be cut, one pitch.

    Raises:
        Refused: Too few teeth, module and DP that differ, or an outside no whole number of teeth
            comes to.
    """
    question = _counted(question)
    if question.part == "wheel" and question.teeth < FEWEST:
        raise Refused(
            f"{question.teeth} teeth make no wheel that runs: their flanks would be cut away. "
            "Form cutters begin at 12.",
            field="teeth",
            suggest="12",
        )
    if question.module is not None and question.dp is not None:
        if abs(question.module * question.dp / 25.4 - 1) > 0.002:
            raise Refused("Module and DP are two different pitches: give one.", field="dp")
        question = replace(question, dp=None)
    return question


def _counted(question: GearQuestion) -> GearQuestion:
    """Teeth from the outside diameter: it is two modules more than the pitch circle.

    Raises:
        Refused: No whole number of teeth, or another than was told.
    """
    if question.outside is None:
        return question
    if not (question.module or question.dp):
        # An old wheel: its outside is two modules more than its teeth.
        module = question.outside / (question.teeth + 2)
        return replace(question, module=float(module), outside=None)
    exact = question.outside / module_of(question) - 2
    teeth = round(exact)
    if abs(float(exact) - teeth) > _OFF_TEETH or (question.teeth and question.teeth != teeth):
        comes = mm_said(float(module_of(question) * ((question.teeth or teeth) + 2)), 3)
        raise Refused(
            f"{question.teeth or teeth} teeth of that pitch are {comes} outside: count them, or "
            "measure it again.",
            field="outside",
            suggest=comes,
        )
    return replace(question, teeth=teeth, outside=None)


def module_of(question: GearQuestion) -> Fraction:
    """The module, exactly."""
    if question.module is not None:
        return Fraction(str(question.module))
    return Fraction(254, 10) / Fraction(str(question.dp))


def pressure_of(question: GearQuestion) -> float:
    """The pressure angle, degrees."""
    return USUAL_DEG if question.pressure is None else question.pressure


def compute(question: GearQuestion, shop: GearShop) -> GearAnswer:
    """Sizes of a wheel or a rack.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = GearQuestion(teeth=22, module=0.7)
    >>> answer = compute(asked, needs(asked, WORKSHOP))
    >>> answer.outside_mm.shown(), answer.depth_mm.shown(), answer.cutter
    ('16.800', '1.575', 'No 4')
    """
    return _rack(question, shop) if question.part == "rack" else _wheel(question, shop)


def _wheel(question: GearQuestion, shop: GearShop) -> WheelAnswer:
    w = Working()
    exact, teeth, angle = module_of(question), question.teeth, pressure_of(question)
    module = float(exact)
    pitch = w.of(laws.pitch_circle_mm, module_mm=module, teeth=teeth)
    outside = w.of(laws.outside_mm, module_mm=module, teeth=teeth)
    depth = w.of(laws.depth_mm, times=float(question.depth), module_mm=module)
    base = w.of(laws.base_circle_mm, pitch_circle_mm=pitch.value, pressure_deg=angle)
    over = laws.span_teeth(angle, teeth)
    owned = owned_for(shop.cutters, exact, teeth, angle)
    room = room_for(w, question, depth.value, owned, shop.cutters)
    mesh = _mesh(w, question, module, outside.value, base.value)
    return WheelAnswer(
        outside_mm=fine(outside),
        depth_mm=fine(depth),
        cutter=cutter_said(teeth, question.dp is not None, owned),
        says=_says(question, owned),
        feed=arbor_feed_said(question.room is not None),
        centre_height_mm=_height(w, question, outside.value),
        span_mm=fine(
            w.of(laws.span_mm, module_mm=module, pressure_deg=angle, over=over, teeth=teeth)
        ),
        over_teeth=over,
        chordal_mm=fine(w.of(laws.chordal_mm, pitch_circle_mm=pitch.value, teeth=teeth)),
        below_tip_mm=fine(
            w.of(laws.below_tip_mm, module_mm=module, pitch_circle_mm=pitch.value, teeth=teeth)
        ),
        pitch_circle_mm=fine(pitch),
        root_mm=told(outside.value - 2 * depth.value, "root_mm"),
        base_circle_mm=fine(base),
        pressure_deg=told(angle, "pressure_deg", 1),
        module_mm=told(module, "module_mm"),
        per_inch=f"{trimmed(Fraction(254, 10) / exact, 2)} DP",
        run_out_mm=room.run_out,
        travel_mm=room.travel,
        left_mm=room.left,
        opened_mm=mesh.opened,
        backlash_mm=mesh.play,
        centres_mm=mesh.centres,
        contact_ratio=mesh.contact,
        mate_teeth=question.mate,
        teeth=teeth,
        owned=listed(shop.cutters, exact),
        cautions=_cautions(question, module, mesh, room),
        links=_links(question, owned, depth),
    )


@dataclass(frozen=True, slots=True)
class _Mesh:
    """Two wheels that run together; all None where there is one."""

    centres: Figure | None = None
    play: Figure | None = None
    opened: Figure | None = None
    contact: Figure | None = None


def _mesh(w: Working, question: GearQuestion, module: float, outside: float, base: float) -> _Mesh:
    if question.mate is None:
        return _Mesh()
    angle, mate = pressure_of(question), question.mate
    centres = w.of(laws.centres_mm, module_mm=module, teeth=question.teeth, mate_teeth=mate)
    play = _PLAY * module if question.backlash is None else float(question.backlash)
    since = len(w.steps)
    by = w(laws.opened_mm, backlash_mm=play, pressure_deg=angle)
    opened = w.figure(centres.value + by, "opened_mm", since=since, places=3)
    base_pitch = w(laws.base_pitch_mm, module_mm=module, pressure_deg=angle)
    contact = w.of(
        laws.contact_ratio,
        tip_mm=outside,
        base_mm=base,
        mate_tip_mm=module * (mate + 2),
        mate_base_mm=laws.base_circle_mm(module * mate, angle),
        centres_mm=opened.value,
        base_pitch_mm=base_pitch,
    )
    return _Mesh(fine(centres), told(play, "backlash_mm"), opened, contact)


def _height(w: Working, question: GearQuestion, outside: float) -> Figure | None:
    if question.thick is None:
        return None
    side = 1.0 if question.touched == "near" else -1.0
    return fine(
        w.of(laws.centre_height_mm, outside_mm=outside, side=side, thick_mm=float(question.thick))
    )


def _says(question: GearQuestion, owned: ShopTool | None) -> str:
    found = range_for(0 if question.part == "rack" else question.teeth)
    marked = ""
    if found is not None:
        marked = (
            f"Cutter for {found.words()}: No {found.module_number} as module sets are "
            f"numbered, No {found.dp_number} as DP sets are. "
        )
    tray = f"In the trays: {owned.name}. " if owned is not None else ""
    if question.part == "rack":
        return f"{marked}{tray}Wind always the same way; the first gap half a tooth from the end."
    return (
        f"{marked}{tray}A light trial round first: count the teeth, the last closes on the first."
    )


def _rack(question: GearQuestion, shop: GearShop) -> RackAnswer:
    w = Working()
    exact = module_of(question)
    module = float(exact)
    pitch = fine(w.of(laws.rack_pitch_mm, module_mm=module))
    depth = fine(w.of(laws.depth_mm, times=float(question.depth), module_mm=module))
    owned = owned_for(shop.cutters, exact, 0, pressure_of(question))
    room = room_for(w, question, depth.value, owned, shop.cutters)
    return RackAnswer(
        rack_pitch_mm=pitch,
        depth_mm=depth,
        cutter=cutter_said(0, question.dp is not None, owned),
        says=_says(question, owned),
        long_mm=told(pitch.value * question.teeth, "long_mm") if question.teeth else None,
        rack_tooth_mm=fine(w.of(laws.rack_tooth_mm, module_mm=module)),
        module_mm=told(module, "module_mm"),
        per_inch=f"{trimmed(Fraction(254, 10) / exact, 2)} DP",
        run_out_mm=room.run_out,
        travel_mm=room.travel,
        left_mm=room.left,
        gaps=tuple(
            ToothAt(gap=n + 1, at_mm=told(pitch.value * n, "at_mm")) for n in range(question.teeth)
        ),
        owned=listed(shop.cutters, exact),
        cautions=shoulder(room),
        links=_links(question, owned, depth),
    )


def _cautions(
    question: GearQuestion, module: float, mesh: _Mesh, room: Room
) -> tuple[Caution, ...]:
    found = [*shoulder(room)]
    fewest = laws.fewest_ratio(pressure_of(question))
    if range_for(question.teeth) is None:
        says = "No form cutter is made for fewer than 12 teeth: their roots are cut away."
        found.append(stop("the teeth", "12 teeth or more", says, "outside_mm", laws.HANDBOOK))
    elif question.teeth < int(fewest):
        says = f"Under {fewest:.0f} teeth a straight rack would cut into the root: it runs weaker."
        found.append(Caution("Mind", "the root", says, "depth_mm", MECHANICS))
    if mesh.opened is not None and question.mate is not None:
        pair = (question.teeth, question.mate)
        if any(
            tip_interferes(a, b, module, pressure_of(question), mesh.opened.value)
            for a, b in (pair, pair[::-1])
        ):
            says = "The larger one's tips reach below the smaller one's flanks: ease those tips."
            found.append(Caution("Mind", "the tips", says, "opened_mm", MECHANICS))
        if mesh.contact is not None and mesh.contact.value < 1.1:
            says = "Hardly more than one pair of teeth carries: it runs rough."
            found.append(Caution("Mind", "the mesh", says, "contact_ratio", PRACTICE))
        says = "Wheels that turn are guarded: fingers and sleeves go in with the teeth."
        found.append(Caution("Mind", "the guard", says, None, PRACTICE))
    return tuple(found)


def _links(question: GearQuestion, owned: ShopTool | None, depth: Figure) -> tuple[Link, ...]:
    found = []
    if question.part == "wheel":
        found.append(Link("divide", (("count", str(question.teeth)),), "Turns and holes for it"))
    if owned is not None:
        asked = (
            ("operation", "gear-cut"),
            ("diameter", f"{owned.mm:.4f} mm"),
            ("depth", f"{depth.value:.4f} mm"),
        )
        found.append(Link("speed", asked, "The belt for that cutter"))
    return tuple(found)


def _teeth(question: GearQuestion, _: GearShop) -> Teeth:
    """Both wheels' teeth for the drawing."""
    module, angle = float(module_of(question)), pressure_of(question)
    deep = 2 * float(question.depth) * module
    if question.part == "rack":
        return Teeth([], [], [], [])
    x, y = tooth(question.teeth, module, angle, module * (question.teeth + 2) - deep)
    if question.mate is None:
        return Teeth(x, y, [], [])
    return Teeth(x, y, *tooth(question.mate, module, angle, module * (question.mate + 2) - deep))


def _sweeps() -> Mapping[str, Sweep[GearQuestion, GearShop]]:
    return {"teeth": Sweep(_teeth, Teeth)}


def headline(answer: GearAnswer, page: PageUnit) -> str:
    """Blank or pitch, and depth."""
    first = answer.outside_mm if isinstance(answer, WheelAnswer) else answer.rack_pitch_mm
    what = "blank" if isinstance(answer, WheelAnswer) else "gap to gap"
    return f"{what} {first.words(page)} · {answer.depth_mm.words(page)} deep · {answer.cutter}"


_REST = (
    "[, {module} module][, {dp} DP][, with {mate}][, pressure angle {pressure}][, {depth}]"
    "[, play {backlash}][, cutter {cutter}][, thick {thick}][, {touched}][, wide {wide}]"
    "[, room {room}]"
)
_RACK = _REST.replace("[, with {mate}]", "").replace("[, play {backlash}]", "")
GEAR: Calculator[GearQuestion, GearShop, GearAnswer] = Calculator(
    name="gear",
    title="Spur gears and racks",
    door=Door("/setting-out/gear", "Setting out", "Gears", family="Holes and turns"),
    opening={"teeth": "22", "module": "0.7", "mate": "44"},
    question=GearQuestion,
    answers=(WheelAnswer, RackAnswer),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "wheel": f"Gear: {{part}} of {{teeth}} teeth{_REST}",
        "rack": f"Gear: {{part}}[ of {{teeth}} teeth]{_RACK}",
    },
    calls=(
        "gear",
        "gear wheel",
        "spur gear",
        "gears",
        "cut gear",
        "cut a gear",
        "cut gears",
        "rack",
        "pinion",
        "gear blank",
        "depth of tooth",
        "tooth depth",
        "teeth module",
        "module teeth",
        "dp teeth",
        "outside diameter of a gear",
        "centre distance",
        "which cutter",
    ),
    nouns=("module", "mod", "dp"),
    headline=headline,
    sweeps=_sweeps,
)
