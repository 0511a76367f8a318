"""``seal``: O-ring grooves, packed glands, and pistons that seal by their fit."""

from __future__ import annotations

from dataclasses import replace

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, stop
from runk.core.fits.classes import duty_limit_mm
from runk.core.fits.heat import hole_free_limit_mm, left_on_limit_mm, shaft_free_limit_mm
from runk.core.fits.question import duties, made_first
from runk.core.refusals import Refused
from runk.core.rings import gland, oring
from runk.core.rings.seal_question import (
    LappedAnswer,
    Moves,
    OringAnswer,
    PackedAnswer,
    Seal,
    SealQuestion,
)
from runk.core.said import mm_said, number_said
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop

_BY_SIZE = ((5.0, 1.02), (10.0, 1.52), (25.0, 1.78), (50.0, 2.62), (100.0, 3.53), (1e9, 5.33))
"""Section that suits a bore or rod up to a size: common practice."""
_STRETCH = 1.02
"""A ring on a piston is stretched two in a hundred: common practice."""
_FULL, _DRAGS = 90.0, 30.0
IN_BOX_MM, ON_ROD_MM = (0.05, 0.1), (0.2, 0.3)
"""A follower is free in its box by so much, and on the rod by more: the box guides it, so that it
never touches the rod. Common practice, and geometry."""
_OF_ROD, _OF_BORE = 0.65, 0.39
"""Sections up to these shares of a rod and of a bore are made and go on (the inch series has
1.78 round 2.90, and 1.78 round 1.78): common practice."""
LAPPED_MM = 0.015
"""Left for lapping, on diameter: half a thou or a little more, common practice."""


def needs(_: SealQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def compute(question: SealQuestion, _: None = None) -> OringAnswer | PackedAnswer | LappedAnswer:
    """What seals, and its groove or its box.

    Raises:
        Refused: A ring too thick for what it sits on.

    >>> from fractions import Fraction
    >>> answer = compute(SealQuestion(bore=Fraction(22), section=Fraction("1.78")))
    >>> round(answer.floor_low_mm.value, 2), round(answer.floor_high_mm.value, 2)
    (19.1, 19.2)
    """
    w, size = Working(), question.size
    if question.kind is Seal.PACKING:
        return _packed(w, question, size)
    if question.kind is Seal.LAPPED:
        return _lapped(w, size)
    return _ring(w, question, size)


def _plain(value: float, key: str, places: int = 2) -> Figure:
    return Figure(value, unit_of(key), (), places)


def _ring(w: Working, question: SealQuestion, size: float) -> OringAnswer:
    on_piston = question.kind is Seal.PISTON
    most = size * (_OF_BORE if on_piston else _OF_ROD)
    usual = min(next(s for upto, s in _BY_SIZE if size <= upto), most)
    usual = max((s for s in oring.sections() if s <= usual + 1e-9), default=0.0)
    section = usual if question.section is None else float(question.section)
    if section > most + 1e-9 or not section:
        thin = min(oring.sections()) > most
        raise Refused(
            f"No O-ring is made thin enough for {mm_said(size)}: a packed gland, or a lapped fit."
            if thin
            else f"A ring {mm_said(section)} thick is too thick for {mm_said(size)}.",
            field=("bore" if on_piston else "rod") if thin else "section",
            suggest=None if thin else f"{usual:.2f} mm",
        )
    by = oring.gland_for(section)
    deep = by.moving if question.moves is Moves.YES else by.still
    if on_piston:
        floors = [
            w.of(oring.floor_piston_mm, key, bore_mm=size, deep_mm=mm, source=by.source)
            for key, mm in (("floor_low_mm", deep[1]), ("floor_high_mm", deep[0]))
        ]
    else:
        floors = [
            w.of(oring.floor_rod_mm, key, rod_mm=size, deep_mm=mm, source=by.source)
            for key, mm in (("floor_low_mm", deep[0]), ("floor_high_mm", deep[1]))
        ]
    middle = sum(deep) / 2
    squeezed = w.of(oring.squeeze_percent, deep_mm=middle, section_mm=section)
    full = w.of(oring.fill_percent, section_mm=section, deep_mm=middle, wide_mm=by.wide[0])
    floor = sum(f.value for f in floors) / 2
    # Round a rod it sits on the rod itself; on a piston it is stretched over its floor.
    inside = floor if on_piston else size
    ring = w.of(oring.ring_id_mm, floor_mm=inside, stretch=_STRETCH if on_piston else 1.0)
    return OringAnswer(
        floor_low_mm=floors[0],
        floor_high_mm=floors[1],
        wide_low_mm=_plain(by.wide[0], "wide_low_mm"),
        says=_says(question, on_piston),
        wide_high_mm=_plain(by.wide[1], "wide_high_mm"),
        groove_depth_mm=_plain(middle, "groove_depth_mm"),
        squeeze_percent=squeezed,
        fill_percent=full,
        ring_id_mm=replace(ring, places=1),
        section_mm=_plain(section, "section_mm"),
        clear_mm=_plain(by.clear_mm, "clear_mm"),
        corner_mm=_plain(by.corner_mm, "corner_mm"),
        size_mm=_plain(size, "size_mm"),
        cautions=_cautions(squeezed.value, full.value),
        links=_links(on_piston, size, section, floor, by.wide[0]),
    )


def _says(question: SealQuestion, on_piston: bool) -> str:
    way = "over the end of the piston" if on_piston else "into the groove, folded like a kidney"
    slid = "sliding" if question.moves is Moves.YES else "standing still"
    return (
        f"For a ring {slid}. Floor and walls smooth, edges broken; oil it and roll it {way}, past "
        "no sharp edge or thread. A lead of 15 degrees where it goes in."
    )


def _cautions(squeezed: float, full: float) -> tuple[Caution, ...]:
    found = []
    if full > _FULL:
        says = f"It fills its groove to {full:.0f} in a hundred: warm it has nowhere to go."
        found.append(stop("the groove", "a wider groove", says, "fill_percent", MECHANICS))
    if squeezed > _DRAGS:
        says = f"Squeezed by {squeezed:.0f} in a hundred it drags and rolls."
        found.append(Caution("Mind", "its squeeze", says, "squeeze_percent", PRACTICE))
    says = (
        "Rubber by what it meets: nitrile for oil and air, fluorocarbon or silicone for steam. "
        "Pressure work is the inspector's to pass."
    )
    return (*found, Caution("Mind", "the rubber", says, None, PRACTICE))


def _links(
    on_piston: bool, size: float, section: float, floor: float, wide: float
) -> tuple[Link, ...]:
    if not on_piston:
        return (Link("fit", _rod_fit(size), "The rod in its cover"),)
    cut = (
        ("job", "groove"),
        ("now", f"{size:.4f} mm"),
        ("wanted", f"{wide:.4f} mm"),
        ("deep", f"{(size - floor) / 2:.4f} mm"),
    )
    return (Link("plan", cut, "Cut the groove"),)


def _rod_fit(rod: float) -> tuple[tuple[str, str], ...]:
    """A rod is bar as it comes: its cover is bored to it."""
    return made_first(rod, "rod")


def _packed(w: Working, question: SealQuestion, rod: float) -> PackedAnswer:
    if question.space is None:
        space = w.of(gland.space_mm, rod_mm=rod)
    else:
        space = _plain(float(question.space), "space_mm")
    if space.value > rod * 1.5:
        raise Refused("The space is far wider than the rod is thick.", field="space")
    box = w.of(gland.box_mm, since=0, rod_mm=rod, space_mm=space.value)
    deep = w.of(gland.box_deep_mm, turns=float(question.turns), space_mm=space.value)
    turn = w.of(gland.turn_mm, rod_mm=rod, space_mm=space.value)
    return PackedAnswer(
        box_mm=box,
        box_deep_mm=deep,
        space_mm=space,
        says=(
            f"{question.turns} turns of cord as thick as the space, each cut to length on the rod, "
            "ends square, joints a third of a turn apart. Nip it up finger tight and again once it "
            "is warm: it may weep, never bind."
        ),
        **_follower(w, rod, box.value),
        turn_mm=replace(turn, places=1),
        size_mm=_plain(rod, "size_mm"),
        cautions=(
            Caution(
                "Mind",
                "the follower",
                "It bears on the packing alone: where it touches the rod it scores it.",
                None,
                PRACTICE,
            ),
        ),
        links=(Link("fit", _rod_fit(rod), "The rod in its cover"),),
    )


def _follower(w: Working, rod: float, box: float) -> dict[str, Figure]:
    """A follower that is free on its rod and in its box."""
    (near, far), (less, more) = IN_BOX_MM, ON_ROD_MM
    inside, outside = hole_free_limit_mm, shaft_free_limit_mm
    return {
        "follower_low_mm": w.of(
            outside, "follower_low_mm", hole_mm=box, free_mm=far, source=PRACTICE
        ),
        "follower_high_mm": w.of(
            outside, "follower_high_mm", hole_mm=box, free_mm=near, source=PRACTICE
        ),
        "follower_bore_low_mm": w.of(
            inside, "follower_bore_low_mm", shaft_mm=rod, free_mm=less, source=PRACTICE
        ),
        "follower_bore_high_mm": w.of(
            inside, "follower_bore_high_mm", shaft_mm=rod, free_mm=more, source=PRACTICE
        ),
    }


def _lapped(w: Working, bore: float) -> LappedAnswer:
    duty = duties()["ringless"]
    found = []
    for key, (per, besides) in (("high_mm", duty.low), ("low_mm", duty.high)):
        since = len(w.steps)
        free = w(duty_limit_mm, per_inch=per, size_mm=bore, besides=besides, source=duty.source)
        figure = w.of(shaft_free_limit_mm, key, since=since, hole_mm=bore, free_mm=free)
        found.append(replace(figure, places=3))
    before = w.of(left_on_limit_mm, "before_mm", last_mm=found[0].value, left_mm=LAPPED_MM)
    return LappedAnswer(
        high_mm=found[0],
        low_mm=found[1],
        before_mm=replace(before, places=3),
        says=(
            "Turned with the finest feed, then lapped with a split lap, "
            f"{number_said(found[0].value, 3)} down to {mm_said(found[1].value, 3)}: wash, oil, "
            "try. It falls slowly through the bore by its own weight, and stops when a finger "
            "closes the end."
        ),
        long_mm=_plain(bore, "long_mm"),
        size_mm=_plain(bore, "size_mm", 3),
        cautions=(
            Caution(
                "Mind",
                "the grit",
                "Lap piston and bore apart, never one in the other: both would take the grit.",
                None,
                PRACTICE,
            ),
        ),
        links=(
            Link(
                "mate",
                (("make", "shaft"), ("there", f"{bore:.4f} mm"), ("duty", "ringless")),
                "To the bore as it measures",
            ),
        ),
    )


def headline(answer: OringAnswer | PackedAnswer | LappedAnswer, page: PageUnit) -> str:
    """Groove, box or last size."""
    if isinstance(answer, PackedAnswer):
        return f"box {answer.box_mm.words(page)}, {answer.box_deep_mm.words(page)} deep"
    if isinstance(answer, LappedAnswer):
        return f"lap to {answer.low_mm.shown(page)} to {answer.high_mm.words(page)}"
    floor = f"{answer.floor_low_mm.shown(page)} to {answer.floor_high_mm.words(page)}"
    return f"floor {floor} · {answer.wide_low_mm.words(page)} wide"


_TAIL = "[, section {section}][, {moves}]"
_GLAND = "< in a gland| in the gland| in its gland| in gland|>"
_ORING = "<o-ring|o ring|oring><s|>< groove|>< for| on| round| in|>< an| a| the|>"
SEAL = Calculator[SealQuestion, None, OringAnswer | PackedAnswer | LappedAnswer](
    name="seal",
    title="O-rings, packed glands, lapped pistons",
    door=Door("/shafts/seal", "Shafts", "Seals", family="Pistons"),
    opening={"kind": "piston", "bore": "22 mm"},
    question=SealQuestion,
    answers=(OringAnswer, PackedAnswer, LappedAnswer),
    compute=compute,
    needs=needs,
    sentences={
        "piston": f"{{kind}}, bore {{bore}}{_TAIL}",
        "rod": f"{{kind}} of {{rod}}{_TAIL}",
        "packing": "{kind} round a {rod} rod, {turns} turns[, space {space}]",
        "lapped": "{kind}, bore {bore}",
    },
    lines=(
        f"{_ORING}{{kind=rod}} {{rod}} <rod|shaft|spindle>{_GLAND}{_TAIL}",
        "<seal|seal for|seal round>< a|> {kind=rod}{rod} <rod|shaft|spindle>< in gland|>",
        f"{_ORING}{{kind=rod}} <rod|shaft|spindle> {{rod}}{_TAIL}",
        f"{_ORING}{{kind=piston}} {{bore}} <bore|piston|cylinder>{_TAIL}",
        f"{_ORING}{{kind=piston}} <bore|piston|cylinder> {{bore}}{_TAIL}",
    ),
    calls=("seal", "o-ring", "o ring", "oring"),
    ruled=True,
    headline=headline,
)
