"""What is set out, as plain geometry: holes, circles and profiles, for sheets and files."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from runk.core.figures import Working
from runk.core.layout.circle_question import CircleQuestion
from runk.core.layout.path_question import PathQuestion
from runk.core.layout.patterns import circle_of, laid, middle_of
from runk.core.layout.rounds import cut_path
from runk.core.layout.segments import At, Loop, Segment


@dataclass(frozen=True, slots=True)
class Hole:
    """A hole to be drilled.

    Args:
        name: Its number or name.
        x: Along, mm; ``y`` up.
        dia: mm; 0 where it was not told.
    """

    name: str
    x: float
    y: float
    dia: float = 0.0


@dataclass(frozen=True, slots=True)
class SetOut:
    """A face as it is set out, in millimetres from its nought.

    Args:
        title: In words.
        holes: In the order they are gone to.
        outlines: Edges of the work: bore, rim, face, profile.
        path: Of a cutter's middle, gone in this order; empty for a pattern.
    """

    title: str
    holes: tuple[Hole, ...] = ()
    outlines: tuple[Loop, ...] = ()
    path: Loop = ()

    @property
    def reach(self) -> tuple[float, float, float, float]:
        """Least and greatest x, least and greatest y, of everything drawn."""
        xs, ys = [0.0], [0.0]
        for hole in self.holes:
            r = hole.dia / 2
            xs += [hole.x - r, hole.x + r]
            ys += [hole.y - r, hole.y + r]
        for one in (segment for loop in (*self.outlines, self.path) for segment in loop):
            for k in range(9):
                x, y = one.point(k / 8)
                xs.append(x)
                ys.append(y)
        return min(xs), max(xs), min(ys), max(ys)


def ring(x: float, y: float, dia: float) -> Loop:
    """A whole circle, as two halves.

    >>> [half.radius for half in ring(0.0, 0.0, 10.0)]
    [5.0, 5.0]
    """
    left, right, centre = (x - dia / 2, y), (x + dia / 2, y), (x, y)
    return Segment(right, left, centre), Segment(left, right, centre)


def pattern_set_out(question: CircleQuestion, order: tuple[int, ...], title: str) -> SetOut:
    """A pattern of holes with its bore, its rim or its face.

    Args:
        question: Settled.
        order: Numbers of the holes in the order they are gone to.
        title: In words.
    """
    circle = circle_of(question, Working())
    holes = laid(question, circle.value if circle else 0.0)
    dia = float(question.hole or 0)
    middle = middle_of(question)
    outlines = [
        ring(*middle, float(size)) for size in (question.bore, question.rim) if size is not None
    ]
    if question.wide is not None and question.high is not None:
        wide, high = float(question.wide), float(question.high)
        points: list[At] = [(0.0, 0.0), (wide, 0.0), (wide, high), (0.0, high)]
        outlines.append(
            tuple(Segment(a, b) for a, b in zip(points, [*points[1:], points[0]], strict=True))
        )
    return SetOut(
        title, tuple(Hole(holes[n].name, *holes[n].mm, dia) for n in order), tuple(outlines)
    )


def profile_set_out(question: PathQuestion, title: str) -> SetOut:
    """A profile and the cutter's finishing path beside it."""
    profile, path = cut_path(question, 0.0)
    return SetOut(title, (), (profile,), path.loop)


def set_out(question: Any, answer: Any, title: str) -> SetOut:
    """What a calculator of this room answered, as geometry.

    Args:
        question: Of ``circle`` or ``path``, settled.
        answer: To it.
        title: In words.
    """
    if isinstance(question, PathQuestion):
        return profile_set_out(question, title)
    order = sorted(range(len(answer.holes)), key=lambda n: answer.holes[n].go)
    return pattern_set_out(question, tuple(order), title)
