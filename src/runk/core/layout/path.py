"""``path``: where a cutter's centre goes round a profile, pass by pass."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from math import degrees

from runk.core.calculator import Calculator, Door, Sweep
from runk.core.figures import Caution, Figure, Link, Num, Working, law, stop, told
from runk.core.layout.offset import Path
from runk.core.layout.path_question import (
    Cleared,
    CornerKept,
    Move,
    PathAnswer,
    PathDrawn,
    PathQuestion,
)
from runk.core.layout.place import direction_deg, distance_mm
from runk.core.layout.rounds import STEP_SHARE, cleared, cut_path, fills, rounds_of, side_of
from runk.core.layout.segments import Loop, Segment, bulge_of
from runk.core.layout.shifted import arcs_turned
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_MOST_ROUNDS = 200
_DEEP = 1.0
"""A side deeper than the cutter is thick bends it: common practice."""
_FLUTES = 3.0
"""A usual end mill's flutes are two and a half to three of its diameters long: common practice."""


@law("Beside the profile", "{cutter_mm} ÷ 2 + {leave_mm}")
def offset_mm(cutter_mm: Num, leave_mm: Num) -> Num:
    """From the profile to the middle of the cutter.

    >>> offset_mm(6.0, 0.1)
    3.1
    """
    return cutter_mm / 2.0 + leave_mm


def needs(_: PathQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def settle(question: PathQuestion, _: Workshop, __: Mapping[str, Reading]) -> PathQuestion:
    """Passes no deeper than it all is.

    Raises:
        Refused: More rounds than anybody makes.
    """
    deep, each = question.deep, question.each
    if deep is not None and each is not None and deep / each > _MOST_ROUNDS:
        raise Refused(f"That is more than {_MOST_ROUNDS} times round.", field="each")
    return question


def compute(question: PathQuestion, _: None = None) -> PathAnswer:
    """The path of the cutter's centre, move by move.

    >>> from fractions import Fraction
    >>> asked = PathQuestion("plate", Fraction(40), Fraction(20), cutter=Fraction(6))
    >>> answer = compute(asked)
    >>> len(answer.moves), round(answer.length_mm.value, 2)
    (8, 138.85)
    """
    w = Working()
    leave = float(question.leave or 0)
    by = w.of(offset_mm, cutter_mm=float(question.cutter), leave_mm=leave)
    _profile, path = cut_path(question, leave)
    inner = cleared(question, leave)
    start = path.loop[0].start
    depths = rounds_of(question)
    side = side_of(question)
    return PathAnswer(
        start_x_mm=_at(start[0], "start_x_mm"),
        start_y_mm=_at(start[1], "start_y_mm"),
        offset_mm=Figure(by.value, by.unit, by.steps, 3),
        says=_says(question, side, len(inner)),
        moves=tuple(_moves(path.loop, question.about == "rotary")),
        arcs=tuple(arcs_turned(path.loop)) if question.about == "rotary" else (),
        rounds=max(len(depths), 1) + (1 if leave else 0),
        depths=", ".join(mm_said(depth, 2) for depth in depths),
        length_mm=told(sum(one.length for one in path.loop), "length_mm", 1),
        clearing=_clearing(inner, float(question.cutter), by.value),
        kept=tuple(
            CornerKept(
                x_mm=_at(k.at[0], "x_mm"), y_mm=_at(k.at[1], "y_mm"), left_mm=_at(k.left, "left_mm")
            )
            for k in path.kept
        ),
        side=side,
        cutter_mm=told(float(question.cutter), "cutter_mm"),
        cautions=_cautions(question, path, depths),
        links=_links(question),
    )


def _at(value: float, key: str) -> Figure:
    return told(0.0 if abs(value) < 5e-10 else value, key)


def _moves(loop: Loop, rotary: bool) -> Iterator[Move]:
    for n, one in enumerate(loop, 1):
        arc = one.centre
        out = at = None
        if rotary:
            w = Working()
            out = w.of(distance_mm, "out_mm", along_mm=one.end[0], up_mm=one.end[1])
            at = w.of(direction_deg, "at_deg", along_mm=one.end[0], up_mm=one.end[1])
        yield Move(
            move=n,
            goes=_goes(one),
            x_mm=_at(one.end[0], "x_mm"),
            y_mm=_at(one.end[1], "y_mm"),
            radius_mm=None if arc is None else _at(one.radius, "radius_mm"),
            centre_x_mm=None if arc is None else _at(arc[0], "centre_x_mm"),
            centre_y_mm=None if arc is None else _at(arc[1], "centre_y_mm"),
            out_mm=out and Figure(out.value, out.unit, out.steps, 3),
            at_deg=at and Figure(at.value, at.unit, at.steps, 3),
        )


def _goes(one: Segment) -> str:
    if one.centre is None:
        return "straight"
    way = "left" if one.left else "right"
    turned = degrees(abs(one.turn))
    return f"arc to the {way}, {turned:.1f}°" if turned < 359.9 else f"whole round, {way}"


def _clearing(inner: tuple[Loop, ...], cutter: float, by: float) -> tuple[Cleared, ...]:
    """Each round that clears the inside, the innermost first."""
    many = len(inner)
    return tuple(
        Cleared(
            round=n + 1,
            x_mm=_at(loop[0].start[0], "x_mm"),
            y_mm=_at(loop[0].start[1], "y_mm"),
            inside_mm=told(by + (many - n) * STEP_SHARE * cutter, "inside_mm"),
            length_mm=told(sum(one.length for one in loop), "length_mm", 1),
        )
        for n, loop in enumerate(inner)
    )


def _says(question: PathQuestion, side: str, clears: int) -> str:
    if fills(question):
        return "Down the middle and back, a little deeper each time: as wide as its cutter."
    way = "anticlockwise" if side == "outside" else "clockwise"
    last = ""
    if question.leave is not None:
        last = (
            f" Then the last round at full depth, {mm_said(question.leave)} nearer, the other way: "
            "with the feed, all slides locked that do not move."
        )
    first = (
        f"First clear the inside, from the middle outwards, {clears} "
        f"{'round' if clears == 1 else 'rounds'} at each depth; then the edge. "
        if clears
        else ""
    )
    return (
        f"{first}{way.capitalize()} from above with a right-hand cutter: against the feed. "
        f"The cutter's middle is meant.{last}"
    )


def _cautions(question: PathQuestion, path: Path, depths: tuple[float, ...]) -> tuple[Caution, ...]:
    found = []
    if path.kept:
        most = max(k.left for k in path.kept)
        says = (
            f"{len(path.kept)} inside corners stay round by the cutter's radius: up to "
            f"{mm_said(most, 2)} of metal stands in them."
        )
        found.append(Caution("Mind", "the corners", says, "offset_mm", MECHANICS))
    if fills(question):
        says = "One as wide as the slot cuts it wide where it runs out; for a fit a smaller one."
        found.append(Caution("Mind", "the width", says, "offset_mm", PRACTICE))
    if depths and side_of(question) == "outside":
        says = (
            "Cut through, it comes loose at the last round and is thrown: held down by its own "
            "holes, or bridges left at two places and filed away."
        )
        found.append(Caution("Mind", "coming loose", says, None, PRACTICE))
    if depths and depths[0] > _DEEP * float(question.cutter):
        says = f"{mm_said(depths[0], 2)} at once is deeper than the cutter is thick: it bends."
        found.append(stop("the depth", "several times round", says, "rounds", PRACTICE))
    whole, cutter, leave = depths[-1] if depths else 0.0, float(question.cutter), question.leave
    if whole > _FLUTES * cutter:
        says = (
            f"{mm_said(whole, 2)} in all is deeper than the flutes of a usual cutter of "
            f"{mm_said(cutter)}: its shank rubs, and thin as it is it bends."
        )
        ways = "a thicker cutter, or from both sides"
        found.append(stop("the depth", ways, says, None, PRACTICE))
    if leave is not None and len(depths) > 1 and whole > _DEEP * cutter:
        says = (
            f"The last round is {mm_said(whole, 2)} deep at once: take no more in it than "
            f"{mm_said(leave)}, at half the feed, or it pushes the cutter off."
        )
        found.append(Caution("Mind", "the last round", says, "rounds", PRACTICE))
    return tuple(found)


def _links(question: PathQuestion) -> tuple[Link, ...]:
    asked = (("operation", "end-mill"), ("diameter", f"{float(question.cutter):.4f} mm"))
    return (Link("speed", asked, "The belt and feed of that cutter"),)


def _drawn(question: PathQuestion, _: None) -> PathDrawn:
    profile, path = cut_path(question, float(question.leave or 0))
    return PathDrawn(*_columns(profile), *_columns(path.loop))


def _columns(loop: Loop) -> tuple[list[float], list[float], list[float]]:
    return (
        [one.start[0] for one in loop],
        [one.start[1] for one in loop],
        [bulge_of(one) for one in loop],
    )


def _sweeps() -> Mapping[str, Sweep[PathQuestion, None]]:
    return {"drawn": Sweep(_drawn, PathDrawn)}


def headline(answer: PathAnswer, page: PageUnit) -> str:
    """How long, by how much beside it."""
    moves = len(answer.moves)
    return f"{moves} moves · {answer.offset_mm.words(page)} beside it"


_REST = (
    ", cutter {cutter}[, {side}][, {deep} deep][, {each} each][, leave {leave}][, x {x}][, y {y}]"
    "[, {about}]"
)
_ROTARY = "<,|> {about=rotary}<on|about> <a |the |>rotary table"
_LINES = (
    "{profile=link}link {long} <centres|long|between centres|apart>< with|,|> <eyes|eye|dia> {dia}"
    "[ and {end}][, cutter {cutter}]",
    "{profile=plate}<plate profile|rounded plate|rectangle profile> {long} <by|x> {wide}"
    "[ <corner|corners|radius> {corner}][, cutter {cutter}][, {deep} deep]",
    "{profile=plate}{side=inside}<pocket|a pocket> {long} <by|x> {wide}"
    "[ <corner|corners|radius> {corner}][, cutter {cutter}][, {deep} deep]",
    "{profile=flats}<disc|a disc> with flats {across} apart on {dia}[, cutter {cutter}]",
    "{profile=arc-slot}<slot round an arc|arc slot|curved slot> on {dia}< dia| diameter| circle|>"
    ", {wide} wide<,|> <through|over> {turn} degrees[, from {start} degrees][, cutter {cutter}]",
    "{profile=corners}<cut |>profile {corners}, cutter {cutter}[, {side}][, {deep} deep]",
)
PATH = Calculator(
    name="path",
    title="Round a profile with a cutter",
    door=Door("/setting-out/path", "Setting out", "Profile", family="Paths"),
    opening={"profile": "link", "long": "40 mm", "dia": "16 mm", "end": "10 mm", "cutter": "6 mm"},
    question=PathQuestion,
    answers=(PathAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "link": f"Cut {{profile}} {{long}} between eyes of {{dia}}[ and {{end}}]{_REST}",
        "flange": f"Cut {{profile}} {{long}} between its holes, boss {{dia}}, ends {{end}}{_REST}",
        "plate": f"Cut {{profile}} {{long}} by {{wide}}[, corners {{corner}}]{_REST}",
        "flats": f"Cut {{profile}}, {{across}} over them, on {{dia}}{_REST}",
        "slot": f"Cut {{profile}} {{long}} between centres, {{wide}} wide{_REST}",
        "arc-slot": f"Cut {{profile}} on {{dia}}, {{wide}} wide, through {{turn}} degrees"
        f"[, from {{start}}]{_REST}",
        "corners": f"Cut {{profile}}: {{corners}}{_REST}",
    },
    lines=tuple(line + turned for line in _LINES for turned in ("", _ROTARY)),
    ruled=True,
    sweeps=_sweeps,
    headline=headline,
)
