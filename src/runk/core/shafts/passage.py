"""``passage``: an oil way from its two ends, and the metal left beside it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, stop, told
from runk.core.kinds import Length, OfPoint, Point
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shafts.skew import Vector, length_mm, nearest, off_square_deg, plan_deg, wall_mm
from runk.core.shown import Rank, Show
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

STEEPEST_DEG = 75.0
_THIN_TIMES = 0.5
"""A wall thinner than half the passage lets the drill break through: common practice."""


@dataclass(frozen=True, slots=True)
class PassageQuestion:
    """A straight passage between two points.

    Args:
        start: Where it starts, on a face: along it and deep, or along, across and deep.
        end: Where it comes out.
        drill: Its diameter.
        other: A point on the middle of another bore; of a corner, where it has no diameter.
        other_to: A second point of it; left out, it runs square to the drawing of two places,
            square to the face of three.
        other_dia: Its diameter.
    """

    start: Annotated[
        Point,
        OfPoint("where it starts", ("from",), asks="Where does it start?", placeholder="0, 0"),
    ]
    end: Annotated[
        Point,
        OfPoint(
            "where it comes out", ("to",), asks="Where does it come out?", placeholder="12, 20"
        ),
    ]
    drill: Annotated[
        Fraction,
        Length(
            "drill", ("drill", "dia"), low=0.2, high=50.0, asks="Which drill?", placeholder="1.5 mm"
        ),
    ]
    other: Annotated[
        Point | None, OfPoint("another bore, or a corner", ("past",), placeholder="none asked")
    ] = None
    other_to: Annotated[
        Point | None,
        OfPoint(
            "which runs on to",
            ("on to",),
            asks="Which way does that run on?",
            placeholder="square to it",
        ),
    ] = None
    other_dia: Annotated[
        Fraction | None,
        Length("its diameter", ("bore",), low=0.1, high=500.0, placeholder="a corner"),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class PassageAnswer:
    """Where it is drilled, and what is left beside it."""

    angle_deg: Annotated[Figure, Show("Off square to the face", Rank.BIG)]
    length_mm: Annotated[Figure, Show("Long", Rank.BIG)]
    wall_mm: Annotated[Figure | None, Show("Metal left beside it", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    plan_deg: Annotated[Figure | None, Show("Turned in plan, from along towards across")]
    nearest_mm: Annotated[Figure | None, Show("Nearest to it, from the start")]
    drill_mm: Annotated[Figure, Show("Drill", Rank.FOLDED)]
    along_mm: Annotated[Figure, Show("Along, start to end", Rank.FOLDED)]
    across_mm: Annotated[Figure | None, Show("Across, start to end", Rank.FOLDED)]
    deep_mm: Annotated[Figure, Show("Deep, start to end", Rank.FOLDED)]
    other_along_mm: Annotated[Figure | None, Show("The other, along from the start", Rank.FOLDED)]
    other_deep_mm: Annotated[Figure | None, Show("The other, deep from the start", Rank.FOLDED)]
    other_dia_mm: Annotated[Figure | None, Show("The other's diameter", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


def needs(_: PassageQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def settle(question: PassageQuestion, _: Workshop, __: Mapping[str, Reading]) -> PassageQuestion:
    """Points of one drawing, and two ends that are two.

    Raises:
        Refused: Points of two and of three places together, or both ends one.
    """
    points = {"end": question.end, "other": question.other, "other_to": question.other_to}
    for name, point in points.items():
        if point is not None and point.flat != question.start.flat:
            many = "two places" if question.start.flat else "three places"
            raise Refused(f"The start is told by {many}: give this one so too.", field=name)
    if question.start.mm == question.end.mm:
        raise Refused("It ends where it starts.", field="end")
    if question.other is None and (question.other_to or question.other_dia):
        raise Refused("Where does the other bore lie?", field="other", suggest="6, 4")
    return question


def compute(question: PassageQuestion, _: None = None) -> PassageAnswer:
    """Angle, length, and the wall to another bore.

    Raises:
        Refused: It all but lies in its own face.

    >>> at = lambda *mm: Point(Fraction(mm[0]), Fraction(0), Fraction(mm[1]), True)
    >>> answer = compute(PassageQuestion(at(0, 0), at(3, 4), Fraction(1), at(6, 0)))
    >>> round(answer.length_mm.value, 2), round(answer.wall_mm.value, 2)
    (5.0, 4.3)
    """
    w = Working()
    a, b = question.start.mm, question.end.mm
    along, across, deep = (abs(b[n] - a[n]) for n in range(3))
    length = w.of(length_mm, along_mm=along, across_mm=across, deep_mm=deep)
    angle = w.of(off_square_deg, "angle_deg", since=0, deep_mm=deep, length_mm=length.value)
    if angle.value > STEEPEST_DEG:
        raise Refused(
            f"At {angle.value:.0f}° from square it all but lies in the face: no drill starts so.",
            field="end",
        )
    plan = None
    if not question.start.flat and (along or across):
        plan = w.of(plan_deg, along_mm=b[0] - a[0], across_mm=b[1] - a[1])
    wall, near = _wall(w, question, length.value)
    drill = float(question.drill)
    flat = question.start.flat
    other = question.other

    return PassageAnswer(
        angle_deg=angle,
        length_mm=length,
        wall_mm=wall,
        says=_says(drill, angle.value),
        plan_deg=plan,
        nearest_mm=near,
        drill_mm=told(drill, "drill_mm"),
        along_mm=told(b[0] - a[0], "along_mm"),
        across_mm=None if flat else told(b[1] - a[1], "across_mm"),
        deep_mm=told(b[2] - a[2], "deep_mm"),
        other_along_mm=None if other is None else told(other.mm[0] - a[0], "other_along_mm"),
        other_deep_mm=None if other is None else told(other.mm[2] - a[2], "other_deep_mm"),
        other_dia_mm=None
        if other is None
        else told(float(question.other_dia or 0), "other_dia_mm"),
        cautions=_cautions(wall, drill, length.value),
        links=_links(drill, angle.value, deep),
    )


def _wall(
    w: Working, question: PassageQuestion, length: float
) -> tuple[Figure | None, Figure | None]:
    if question.other is None:
        return None, None
    c = question.other.mm
    d: Vector
    if question.other_to is not None:
        d = question.other_to.mm
    elif question.other.flat:
        d = (c[0], c[1] + 1.0, c[2])
    else:
        d = (c[0], c[1], c[2] + 1.0)
    apart, at = nearest(question.start.mm, question.end.mm, c, d, endless=question.other_to is None)
    wall = w.of(
        wall_mm,
        apart_mm=apart,
        one_mm=float(question.drill),
        other_mm=float(question.other_dia or 0),
    )
    return replace(wall, places=2), told(at * length, "nearest_mm", 2)


def _says(drill: float, angle: float) -> str:
    if angle <= 5.0:
        return "Square or nearly: spot it, then drill straight on."
    return (
        f"Tilt the work, or the head, {angle:.1f}°. Mill a small flat for the start, spot it, and "
        f"drill {mm_said(drill)} with the chips out every diameter."
    )


def _cautions(wall: Figure | None, drill: float, length: float) -> tuple[Caution, ...]:
    found = []
    if wall is not None and wall.value <= 0:
        says = f"It goes {mm_said(-wall.value, 2)} into the other: they meet."
        found.append(stop("the wall", "move one end", says, "wall_mm", MECHANICS))
    elif wall is not None and wall.value < drill * _THIN_TIMES:
        says = f"Only {mm_said(wall.value, 2)} is left: a drill that wanders breaks through."
        found.append(Caution("Mind", "the wall", says, "wall_mm", PRACTICE))
    if length > 10 * drill:
        times = f"{length / drill:.0f} times its diameter long"
        says = f"{times}: it wanders. Drill from both ends, or a pilot first."
        found.append(Caution("Mind", "the drill", says, "length_mm", PRACTICE))
    return tuple(found)


def _links(drill: float, angle: float, deep: float) -> tuple[Link, ...]:
    if deep < 0.1:
        return ()
    handed = (("drill", f"{drill:.4f} mm"), ("angle", f"{angle:.4f}"), ("across", f"{deep:.4f} mm"))
    return (Link("angled-hole", handed, "How far the drill travels, and its flat"),)


def headline(answer: PassageAnswer, page: PageUnit) -> str:
    """Angle, length and wall."""
    wall = f" · wall {answer.wall_mm.words(page)}" if answer.wall_mm is not None else ""
    return f"{answer.angle_deg.words(page)} · {answer.length_mm.words(page)} long{wall}"


PASSAGE = Calculator(
    name="passage",
    title="An oil way from its two ends",
    door=Door("/shafts/passage", "Shafts", "Oil way", family="On the shaft"),
    opening={"start": "0, 0", "end": "9, 16", "drill": "2 mm", "other": "3, 8"},
    question=PassageQuestion,
    answers=(PassageAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "": "A passage from {start} to {end}, {drill} drill[, past {other}][ on to {other_to}]"
        "[, bore {other_dia}]"
    },
    lines=(
        "{call} from {start} to {end}, {drill} drill[, past {other}][ on to {other_to}]"
        "[, bore {other_dia}]",
        "{call} {drill}< drill|> from {start} to {end}[, past {other}][ on to {other_to}]"
        "[, bore {other_dia}]",
        "{drill} {call} from {start} to {end}[, past {other}][ on to {other_to}]"
        "[, bore {other_dia}]",
        "{call} from {start} to {end}",
    ),
    calls=("oil passage", "oil way", "oilway", "passage from", "passage"),
    headline=headline,
)
