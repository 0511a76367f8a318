"""The rounds of a cutter beside a profile: its edge, and what clears the inside of it."""

from __future__ import annotations

from math import ceil

from runk.core.figures import Num, law
from runk.core.layout.offset import CannotPass, Path, beside, crosses_itself, nearest_mm
from runk.core.layout.path_question import INSIDE, PathQuestion
from runk.core.layout.profiles import middle_of, profile_of
from runk.core.layout.segments import Loop, backwards
from runk.core.refusals import Refused
from runk.core.said import mm_said

STEP_SHARE = 0.45
"""Each round of a pocket lies so much of the cutter further out: under half, so that no cusp of a
square corner is left between two."""
_MOST_ROUNDS = 400
_GRID = 90


@law("Each time round", "{deep_mm} ÷ {rounds}")
def each_mm(deep_mm: Num, rounds: float) -> Num:
    """Equal passes in depth."""
    return deep_mm / rounds


def side_of(question: PathQuestion) -> str:
    """Which side is cut away: of a slot its inside, else outside."""
    if question.side is not None:
        return question.side
    return "inside" if question.profile in INSIDE else "outside"


def rounds_of(question: PathQuestion) -> tuple[float, ...]:
    """Depths of the passes, each from the top; empty where no depth is told.

    >>> from fractions import Fraction
    >>> rounds_of(PathQuestion(deep=Fraction(3), each=Fraction(1)))
    (1.0, 2.0, 3.0)
    """
    if question.deep is None:
        return ()
    deep = float(question.deep)
    count = 1 if question.each is None else ceil(deep / float(question.each) - 1e-9)
    return tuple(each_mm(deep, count) * (n + 1) for n in range(count))


def fills(question: PathQuestion) -> bool:
    """Whether the cutter is as wide as its slot: once through the middle makes it."""
    return (
        question.profile in INSIDE
        and side_of(question) == "inside"
        and question.cutter == question.wide
    )


def cut_path(question: PathQuestion, leave_mm: float) -> tuple[Loop, Path]:
    """The profile anticlockwise, and the cutter's path beside it against the feed.

    Raises:
        Refused: It crosses itself, or the cutter does not pass.
    """
    profile = profile_of(question)
    if (at := crosses_itself(profile)) is not None:
        raise Refused(
            f"The profile crosses itself near {mm_said(at[0], 2)}, {mm_said(at[1], 2)}.",
            field=question.profile if question.profile == "corners" else "profile",
        )
    outside = side_of(question) == "outside"
    by = float(question.cutter) / 2 + leave_mm
    if fills(question) and not leave_mm:
        return profile, Path(middle_of(question), ())
    try:
        path = beside(profile, -by if outside else by)
    except CannotPass as cannot:
        raise Refused(
            f"A {mm_said(question.cutter)} cutter does not pass near {mm_said(cannot.at[0], 1)}, "
            f"{mm_said(cannot.at[1], 1)}: a smaller one.",
            field="cutter",
            suggest=mm_said(float(question.cutter) / 2),
        ) from None
    # A right-hand cutter goes against the feed with the metal that stays on its left: round the
    # outside of a part anticlockwise, round the inside of a hole clockwise.
    return profile, path if outside else Path(backwards(path.loop), path.kept)


def cleared(question: PathQuestion, leave_mm: float) -> tuple[Loop, ...]:
    """Rounds inside a profile that clear it, the innermost first; none where its edge does.

    Args:
        question: Settled.
        leave_mm: What its last round is left.

    Raises:
        Refused: It falls into parts that no rounds one inside the other clear.

    >>> from fractions import Fraction
    >>> asked = PathQuestion("plate", Fraction(40), Fraction(20), cutter=Fraction(6), side="inside")
    >>> len(cleared(asked, 0.0))
    2
    """
    if side_of(question) != "inside" or fills(question):
        return ()
    profile, cutter = profile_of(question), float(question.cutter)
    by, found = cutter / 2 + leave_mm, list[Loop]()
    edge = _inside(profile, by)
    if edge is None:
        return ()
    while len(found) < _MOST_ROUNDS and (loop := _inside(profile, by + STEP_SHARE * cutter)):
        by += STEP_SHARE * cutter
        found.append(backwards(loop))
    _see_whole(profile, (edge, *found), cutter)
    return tuple(reversed(found))


def _inside(profile: Loop, by: float) -> Loop | None:
    try:
        return beside(profile, by, corners=False).loop
    except CannotPass:
        return None


def _see_whole(profile: Loop, loops: tuple[Loop, ...], cutter: float) -> None:
    """That nothing stays inside further from every round than the cutter reaches.

    Raises:
        Refused: Something does.
    """
    import numpy as np

    edge = np.array([one.point(k / 24) for one in profile for k in range(24)])
    (left, low), (right, high) = edge.min(axis=0), edge.max(axis=0)
    across, up = np.meshgrid(np.linspace(left, right, _GRID), np.linspace(low, high, _GRID))
    points = np.column_stack([across.ravel(), up.ravel()])
    after = np.roll(edge, -1, axis=0)
    # Inside where a line to the right crosses the edge an odd number of times.
    (x, y), (ax, ay), (bx, by) = points.T[:, :, None], edge.T, after.T
    between = (ay > y) != (by > y)
    with np.errstate(divide="ignore", invalid="ignore"):
        meets = between & (x < ax + (y - ay) * (bx - ax) / (by - ay))
    deep = points[(meets.sum(axis=1) % 2 == 1) & (nearest_mm(points, profile) > cutter / 2)]
    if not len(deep):
        return
    way = tuple(one for loop in loops for one in loop)
    away = nearest_mm(deep, way)
    if (away > cutter / 2 + 1e-3).any():
        at = deep[int(away.argmax())]
        raise Refused(
            f"Round after round it falls into parts, and near {mm_said(float(at[0]), 1)}, "
            f"{mm_said(float(at[1]), 1)} metal stays: cut it as two profiles.",
            field="cutter",
        )
