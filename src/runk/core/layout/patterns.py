"""Where the holes of a pattern lie: round a middle, or from the first of them."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction

from runk.core.figures import Figure, Later, Working, reckoned, told
from runk.core.layout import laws
from runk.core.layout.circle_question import MOST_HOLES, ROUND, CircleQuestion
from runk.core.refusals import Refused
from runk.core.units import unit_of

PLACES = 3
_MM, _DEG = unit_of("x_mm"), unit_of("angle_deg")


@dataclass(frozen=True, slots=True)
class Laid:
    """One hole.

    Args:
        name: Its number, or as it was called.
        x: Along, from the nought.
        y: Up, from the nought.
        angle: Its direction from the middle; None where the pattern has none.
        radius: From the middle, mm.
    """

    name: str
    x: Figure
    y: Figure
    angle: Figure | None
    radius: float

    @property
    def mm(self) -> tuple[float, float]:
        """Where it lies."""
        return self.x.value, self.y.value


def laid(question: CircleQuestion, circle_mm: float) -> tuple[Laid, ...]:
    """Every hole of a pattern, in its order; as seen from this face or from the other.

    Args:
        question: The pattern, settled.
        circle_mm: The circle they lie on, where they do.
    """
    middle = middle_of(question)
    other = question.seen == "other"
    if question.pattern in ROUND:
        return tuple(_round(question, circle_mm, middle, other))
    return tuple(_straight(question, middle, other))


def middle_of(question: CircleQuestion) -> tuple[float, float]:
    """The middle of a pattern, or its first hole, from the nought.

    Of a face whose width is told the left edge is the right one of its mate: what lay so far from
    the one lies so far from the other.
    """
    x, y = float(question.x or 0), float(question.y or 0)
    if question.seen == "other" and question.wide is not None:
        x = float(question.wide) - x
    return x, y


def _round(
    question: CircleQuestion, circle: float, middle: tuple[float, float], other: bool
) -> Iterator[Laid]:
    start = question.start or 0.0
    # From the other side left is right: the first lies as far from the left, and they run back.
    first, way = (180.0 - start, -1.0) if other else (start, 1.0)
    way = -way if question.counted == "clockwise" else way
    step, radii = _steps(question, circle)
    for n in range(len(radii) if question.pattern == "diamond" else question.count):
        radius = radii[n % len(radii)]
        turn = (first, n, way * step)
        deg = laws.angle_deg(*turn)
        # Made here and not by ``reckoned``: there may be a thousand of them.
        turned = (laws.angle_deg, turn)
        across, upwards = (middle[0], radius, deg), (middle[1], radius, deg)
        x, y = laws.along_mm(*across), laws.up_mm(*upwards)
        yield Laid(
            str(n + 1),
            Figure(_clean(x), _MM, Later(turned, (laws.along_mm, across)), PLACES),
            Figure(_clean(y), _MM, Later(turned, (laws.up_mm, upwards)), PLACES),
            Figure(deg, _DEG, Later(turned)),
            radius,
        )


def _clean(value: float) -> float:
    """What a float leaves of nought is nought."""
    return 0.0 if -1e-9 < value < 1e-9 else value


def _steps(question: CircleQuestion, circle: float) -> tuple[float, tuple[float, ...]]:
    """Degrees from hole to hole, and how far out each lies."""
    if question.pattern == "diamond":
        long = float(question.long or 0) / 2
        if question.short is None:
            return 180.0, (long, long)
        short = float(question.short) / 2
        return 90.0, (long, short, long, short)
    if question.pattern == "arc":
        return (question.turn or 0.0) / max(question.count - 1, 1), (circle / 2,)
    return 360.0 / question.count, (circle / 2,)


def _straight(question: CircleQuestion, first: tuple[float, float], other: bool) -> Iterator[Laid]:
    turn = question.start or 0.0
    for name, u, v in _cells(question):
        # Seen from the other side, what ran to the right runs to the left.
        along, turned = (-u, -turn) if other else (u, turn)
        x = reckoned("x_mm", laws.turned_along_mm, first[0], along, v, turned, places=PLACES)
        y = reckoned("y_mm", laws.turned_up_mm, first[1], along, v, turned, places=PLACES)
        yield Laid(name, x, y, None, (u * u + v * v) ** 0.5)


def _cells(question: CircleQuestion) -> Iterator[tuple[str, float, float]]:
    if question.pattern == "points":
        for n, spot in enumerate(question.spots, 1):
            yield (spot.name or str(n), *spot.mm)
        return
    pitch = float(question.pitch or 0)
    up = pitch if question.up is None else float(question.up)
    for row in range(question.rows if question.pattern == "grid" else 1):
        for column in range(question.count):
            yield str(row * question.count + column + 1), column * pitch, row * up


def settled(question: CircleQuestion) -> CircleQuestion:
    """A pattern that can be set out.

    Raises:
        Refused: One hole round a circle, no circle, half of an edge.
    """
    if question.pattern in ("circle", "arc", "row") and question.count < 2:
        raise Refused(
            "One hole lies at a place, not in a pattern: ask for its place.",
            field="count",
            suggest="2",
        )
    holes = question.count * question.rows if question.pattern == "grid" else question.count
    if holes > MOST_HOLES:
        says = f"{holes} holes are too many: {MOST_HOLES} at most."
        raise Refused(says, field="count", suggest="12")
    if question.pattern in ("circle", "arc") and question.circle is None:
        if question.bore is None or question.rim is None:
            raise Refused(
                "On what circle do they lie? Or tell bore and rim, and it is halfway.",
                field="circle",
                suggest="31 mm",
            )
        if question.bore >= question.rim:
            raise Refused("The bore is as large as the rim.", field="bore")
    _edges(question)
    return question


def _edges(question: CircleQuestion) -> None:
    if (question.x is None) != (question.y is None):
        missing = "y" if question.y is None else "x"
        raise Refused(
            "Two edges place it: how far from the other one?", field=missing, suggest="20 mm"
        )
    if (question.wide is None) != (question.high is None):
        missing = "high" if question.high is None else "wide"
        raise Refused(
            "A face has two sides: how large is the other?", field=missing, suggest="40 mm"
        )
    if question.wide is not None and question.x is None:
        raise Refused(
            "How far from the left edge does it lie, and from the near one?",
            field="x",
            suggest=f"{float(question.wide) / 2:.3f} mm",
        )


def circle_of(question: CircleQuestion, w: Working) -> Figure | None:
    """The circle of a pattern that has one: as told, or halfway between bore and rim."""
    if question.pattern not in ("circle", "arc"):
        return None
    if question.circle is not None:
        return told(float(question.circle), "circle_mm")
    bore, rim = question.bore or Fraction(0), question.rim or Fraction(0)
    return w.of(laws.usual_circle_mm, "circle_mm", bore_mm=float(bore), rim_mm=float(rim))
