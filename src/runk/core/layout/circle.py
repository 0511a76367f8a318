"""``circle``: holes round a circle, in a row, a grid, a diamond, or where they were told."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, fine, stop, told
from runk.core.layout import laws
from runk.core.layout.circle_lines import LINES, SENTENCES
from runk.core.layout.circle_question import CircleQuestion
from runk.core.layout.course import course, travel
from runk.core.layout.patterns import Laid, circle_of, laid, middle_of, settled
from runk.core.layout.walls import Walls, clearest_deg, port_deg, wall_to, walls
from runk.core.lengths import Reading
from runk.core.said import mm_said
from runk.core.shown import Rank, Show, Table
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop

_THIN = 0.5
"""A wall thinner than half the hole gives way to a drill that wanders: common practice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class HoleAt:
    """A hole of a pattern."""

    name: Annotated[str, Show("Hole")]
    x_mm: Annotated[Figure, Show("x, to the right")]
    y_mm: Annotated[Figure, Show("y, away from you")]
    angle_deg: Annotated[Figure | None, Show("Direction")]
    go: Annotated[int, Show("Goes")]


@dataclass(frozen=True, slots=True, kw_only=True)
class KeptClear:
    """Something that is not to be drilled into."""

    name: Annotated[str, Show("What")]
    at_deg: Annotated[Figure, Show("Lies at")]
    off_deg: Annotated[Figure, Show("Nearest hole, off by")]
    hole: Annotated[str, Show("Hole")]
    wall_mm: Annotated[Figure, Show("Metal left")]
    wide_mm: Annotated[Figure, Show("Wide", Rank.FOLDED)]


@dataclass(frozen=True, slots=True, kw_only=True)
class CircleAnswer:
    """Where each hole lies, what to check it by, what is left beside it."""

    chord_mm: Annotated[Figure, Show("Neighbours, middle to middle", Rank.BIG)]
    over_mm: Annotated[Figure | None, Show("Check over two of them", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    holes: Annotated[tuple[HoleAt, ...], Table("Where each hole lies", rank=Rank.BIG)]
    step_deg: Annotated[Figure | None, Show("From hole to hole")]
    circle_mm: Annotated[Figure | None, Show("Circle")]
    bore_wall_mm: Annotated[Figure | None, Show("Wall to the bore")]
    rim_wall_mm: Annotated[Figure | None, Show("Wall to the rim")]
    edge_wall_mm: Annotated[Figure | None, Show("Wall to the nearest edge")]
    between_mm: Annotated[Figure | None, Show("Metal between neighbours")]
    clear: Annotated[tuple[KeptClear, ...], Table("What is kept clear")]
    better_deg: Annotated[Figure | None, Show("Clearest of all: the first hole at")]
    travel_mm: Annotated[Figure, Show("The table goes, in all")]
    hole_mm: Annotated[Figure | None, Show("Each hole", Rank.FOLDED)]
    bore_mm: Annotated[Figure | None, Show("Bore", Rank.FOLDED)]
    rim_mm: Annotated[Figure | None, Show("Rim", Rank.FOLDED)]
    wide_mm: Annotated[Figure | None, Show("Face, along", Rank.FOLDED)]
    high_mm: Annotated[Figure | None, Show("Face, up", Rank.FOLDED)]
    middle_x_mm: Annotated[Figure, Show("Middle, along", Rank.FOLDED)]
    middle_y_mm: Annotated[Figure, Show("Middle, up", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


def needs(_: CircleQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def settle(question: CircleQuestion, _: Workshop, __: Mapping[str, Reading]) -> CircleQuestion:
    """A pattern that can be set out."""
    return settled(question)


def compute(question: CircleQuestion, _: None = None) -> CircleAnswer:
    """Places, chord, walls, and the order that travels least.

    >>> from fractions import Fraction
    >>> answer = compute(CircleQuestion(count=6, circle=Fraction(31)))
    >>> [f"{hole.x_mm.shown()}, {hole.y_mm.shown()}" for hole in answer.holes][:2]
    ['15.500, 0.000', '7.750, 13.423']
    """
    w = Working()
    circle = circle_of(question, w)
    holes = laid(question, circle.value if circle else 0.0)
    left = walls(w, question, holes)
    chord, step = _chord(w, question, circle, left)
    clear = tuple(_clear(w, question, holes))
    hole = question.hole
    places = [h.mm for h in holes]
    order = course(places)
    turn = {n: at for at, n in enumerate(order, 1)}
    far = told(travel(places, order), "travel_mm", 0)
    better = _better(question, circle, clear)
    return CircleAnswer(
        chord_mm=chord,
        over_mm=None
        if hole is None or len(holes) < 2
        else fine(w.of(laws.over_mm, chord_mm=chord.value, hole_mm=float(hole))),
        says=_says(question, holes, order),
        holes=tuple(
            HoleAt(name=h.name, x_mm=h.x, y_mm=h.y, angle_deg=h.angle, go=turn[n])
            for n, h in enumerate(holes)
        ),
        step_deg=step,
        circle_mm=circle,
        bore_wall_mm=left.bore,
        rim_wall_mm=left.rim,
        edge_wall_mm=left.edge,
        between_mm=left.between,
        clear=clear,
        better_deg=better,
        travel_mm=far,
        hole_mm=_given("hole_mm", question.hole),
        bore_mm=_given("bore_mm", question.bore),
        rim_mm=_given("rim_mm", question.rim),
        wide_mm=_given("wide_mm", question.wide),
        high_mm=_given("high_mm", question.high),
        middle_x_mm=told(middle_of(question)[0], "middle_x_mm"),
        middle_y_mm=told(float(question.y or 0), "middle_y_mm"),
        cautions=_cautions(question, left, clear, better),
        links=_links(question),
    )


def _given(key: str, size: Fraction | None) -> Figure | None:
    return None if size is None else told(float(size), key)


def _chord(
    w: Working, question: CircleQuestion, circle: Figure | None, left: Walls
) -> tuple[Figure, Figure | None]:
    """From neighbour to neighbour; of a circle by its chord, else the nearest two."""
    if circle is None:
        return told(left.apart, "chord_mm"), None
    gaps = question.count - 1 if question.pattern == "arc" else question.count
    turn = (question.turn or 0.0) if question.pattern == "arc" else 360.0
    step = told(turn / gaps, "step_deg", None)
    return fine(w.of(laws.chord_mm, circle_mm=circle.value, step_deg=step.value)), step


def _clear(w: Working, question: CircleQuestion, holes: tuple[Laid, ...]) -> list[KeptClear]:
    found = []
    for port in question.ports:
        wall, near, off = wall_to(w, question, holes, port)
        found.append(
            KeptClear(
                name=port.name,
                at_deg=told(port_deg(question, port), "at_deg", None),
                off_deg=told(off, "off_deg", None),
                hole=near.name,
                wall_mm=wall,
                wide_mm=told(float(port.wide), "wide_mm"),
            )
        )
    return found


def _better(
    question: CircleQuestion, circle: Figure | None, clear: tuple[KeptClear, ...]
) -> Figure | None:
    if circle is None or question.pattern != "circle" or not clear:
        return None
    found = clearest_deg(question, circle.value / 2)
    return Figure(found, unit_of("better_deg"))


def _says(question: CircleQuestion, holes: tuple[Laid, ...], order: tuple[int, ...]) -> str:
    nought = "the corner of the two edges" if question.x is not None else "the middle of it"
    if question.pattern not in ("circle", "arc", "diamond") and question.x is None:
        nought = "the first hole" if question.pattern != "points" else "its own nought"
    go = ""
    if 2 < len(holes) <= 16:
        go = f" Least travel: {', '.join(holes[n].name for n in order)}."
    seen = " Seen from the other side: left is right." if question.seen == "other" else ""
    if seen and question.wide is not None:
        seen = " Seen from the other side: left is right, its nought over its own left edge."
    return (
        f"Read-out at nought over {nought}. Touch each lightly with a centre drill and look, "
        f"before the first is drilled.{go}{seen}"
    )


def _cautions(
    question: CircleQuestion, left: Walls, clear: tuple[KeptClear, ...], better: Figure | None
) -> tuple[Caution, ...]:
    found = []
    for key, wall, what, instead in (
        ("between_mm", left.between, "each other", "fewer, smaller, or a larger circle"),
        ("bore_wall_mm", left.bore, "the bore", _larger(question)),
        ("rim_wall_mm", left.rim, "the rim", _smaller(question)),
        ("edge_wall_mm", left.edge, "the edge", "move it inwards"),
    ):
        if wall is None:
            continue
        found += _wall(question, key, wall, what, instead)
    for one in clear:
        turned = f"first hole at {better.shown()}°" if better else "turn the pattern"
        found += _wall(question, "better_deg", one.wall_mm, f"the {one.name}", turned)
    return tuple(found)


def _larger(question: CircleQuestion) -> str:
    """A circle that leaves half a hole of metal to the bore."""
    clears = float(question.bore or 0) + (1.0 + 2.0 * _THIN) * float(question.hole or 0)
    return f"a circle of {mm_said(clears, 2)} or more"


def _smaller(question: CircleQuestion) -> str:
    clears = float(question.rim or 0) - (1.0 + 2.0 * _THIN) * float(question.hole or 0)
    return f"a circle of {mm_said(clears, 2)} or less" if clears > 0 else "a larger rim"


def _wall(
    question: CircleQuestion, key: str, wall: Figure, what: str, instead: str
) -> list[Caution]:
    about = "the spacing" if what == "each other" else what
    if wall.value <= 0 and question.hole is not None:
        says = f"The holes run {mm_said(-wall.value, 2)} into {what}."
        return [stop(about, instead, says, key, MECHANICS)]
    if wall.value <= 0:
        says = f"The middles of the holes lie on {what} or past it."
        return [stop(about, instead, says, key, MECHANICS)]
    if question.hole is not None and wall.value < _THIN * float(question.hole):
        there = "from hole to hole" if what == "each other" else f"to {what}"
        says = f"Only {mm_said(wall.value, 2)} {there}: a drill that wanders breaks through."
        return [Caution("Mind", about, says, key, PRACTICE)]
    return []


def _links(question: CircleQuestion) -> tuple[Link, ...]:
    found = []
    if question.hole is not None:
        size = (("size", f"{float(question.hole):.4f} mm"),)
        found.append(Link("hole", size, "The drills for each"))
    return tuple(found)


def headline(answer: CircleAnswer, page: PageUnit) -> str:
    """How many, and the chord."""
    many = len(answer.holes)
    return f"{many} holes · {answer.chord_mm.words(page)} between neighbours"


CIRCLE = Calculator(
    name="circle",
    title="Holes in a pattern",
    door=Door("/setting-out", "Setting out", "Holes", family="Holes and turns"),
    opening={"count": "6", "circle": "31 mm", "hole": "3.2 mm", "bore": "22 mm", "rim": "40 mm"},
    question=CircleQuestion,
    answers=(CircleAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences=SENTENCES,
    lines=LINES,
    calls=(
        "pcd",
        "p.c.d.",
        "bcd",
        "pitch circle",
        "hole circle",
        "holes at",
        "coordinates",
        "co-ordinates",
        "hole coordinates",
        "between bore",
    ),
    ruled=True,
    headline=headline,
)
