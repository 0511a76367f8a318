"""What goes with what: a hole of one part and a shaft of another, with a duty."""

from __future__ import annotations

from dataclasses import dataclass

from sqlalchemy import or_, select
from sqlalchemy.orm import Session

from runk.core.refusals import Refused
from runk.store.database import now
from runk.store.models import GoesWithRow, PartRow
from runk.store.parts import part_kept, see_version
from runk.store.there import part_there

MOST_FITS = 400


@dataclass(frozen=True, slots=True)
class KeptFit:
    """Two features that go together.

    Args:
        id: Of the fit.
        hole: Part and feature that goes round; ``shaft`` what goes in.
        duty: What they do together.
    """

    id: int
    hole: tuple[int, str]
    shaft: tuple[int, str]
    duty: str


def _fit(row: GoesWithRow) -> KeptFit:
    return KeptFit(
        row.id,
        (row.hole_part_id, row.hole_feature),
        (row.shaft_part_id, row.shaft_feature),
        row.duty,
    )


def fits_kept(session: Session, part_id: int | None = None) -> list[KeptFit]:
    """Every fit there is, or those of one part."""
    # A fit with a part that is thrown away sleeps, and is there again with it.
    there = select(PartRow.id).where(part_there())
    rows = (
        select(GoesWithRow)
        .where(
            GoesWithRow.deleted_at.is_(None),
            GoesWithRow.hole_part_id.in_(there),
            GoesWithRow.shaft_part_id.in_(there),
        )
        .order_by(GoesWithRow.id)
    )
    if part_id is not None:
        rows = rows.where(
            or_(GoesWithRow.hole_part_id == part_id, GoesWithRow.shaft_part_id == part_id)
        )
    return [_fit(row) for row in session.scalars(rows)]


def asleep(session: Session, part_id: int) -> list[str]:
    """What a part went with that is thrown away, in sentences: it is there again with that."""
    there = select(PartRow.id).where(part_there())
    rows = session.scalars(
        select(GoesWithRow)
        .where(
            GoesWithRow.deleted_at.is_(None),
            or_(GoesWithRow.hole_part_id == part_id, GoesWithRow.shaft_part_id == part_id),
            or_(GoesWithRow.hole_part_id.not_in(there), GoesWithRow.shaft_part_id.not_in(there)),
        )
        .order_by(GoesWithRow.id)
    )
    says = []
    for row in rows:
        one = _fit(row)
        mine, theirs = (one.hole, one.shaft) if one.hole[0] == part_id else (one.shaft, one.hole)
        other = session.get_one(PartRow, theirs[0])
        gone = "thrown away with its engine" if other.deleted_at is None else "thrown away"
        says.append(f"{mine[1]} went with {theirs[1]} of {other.name}, which is {gone}")
    return says


def add_fit(
    session: Session,
    hole: tuple[int, str],
    shaft: tuple[int, str],
    duty: str,
    versions: tuple[int | None, int | None] = (None, None),
) -> KeptFit:
    """Say that two features go together; said twice it is there once.

    Args:
        session: Of the change.
        hole: Part and feature that goes round; ``shaft`` what goes in.
        duty: What they do together.
        versions: Of the two parts, as whoever says so saw them.

    Raises:
        Stale: One of the two was changed elsewhere since.
        Refused: A part that is gone, a feature with itself, or too many.
    """
    for part, _ in (hole, shaft):
        part_kept(session, part)
    if hole == shaft:
        raise Refused("A feature does not go into itself.", field="shaft_feature")
    every = fits_kept(session)
    same = next((one for one in every if (one.hole, one.shaft) == (hole, shaft)), None)
    if same is not None and same.duty == duty:
        return same
    for (part, _), version in zip((hole, shaft), versions, strict=True):
        see_version(session.get_one(PartRow, part), version)
    if same is not None:
        row = session.get_one(GoesWithRow, same.id)
        row.duty = duty
        _raised(session, same)
        session.flush()
        return _fit(row)
    if len(every) >= MOST_FITS:
        raise Refused(f"{MOST_FITS} fits are kept already.")
    row = GoesWithRow(
        hole_part_id=hole[0],
        hole_feature=hole[1],
        shaft_part_id=shaft[0],
        shaft_feature=shaft[1],
        duty=duty,
    )
    session.add(row)
    session.flush()
    _tried(session, _fit(row), True)
    return _fit(row)


def _sides(fit: KeptFit) -> tuple[tuple[int, str], tuple[int, str]]:
    return fit.hole, fit.shaft


def _raised(session: Session, fit: KeptFit) -> None:
    """Both parts of a fit were changed by it."""
    for part in {fit.hole[0], fit.shaft[0]}:
        session.get_one(PartRow, part).version += 1


def _tried(session: Session, fit: KeptFit, goes: bool) -> None:
    """What goes with a feature is tried on it; what no longer goes with it is not."""
    _raised(session, fit)
    for (part, feature), (other, theirs) in ((fit.hole, fit.shaft), (fit.shaft, fit.hole)):
        # Gone or not, it has a name.
        row, mate = session.get_one(PartRow, part), session.get_one(PartRow, other)
        says = f"{theirs} of {mate.name}"
        if row.drawn is None:
            continue
        tries = dict(row.drawn.get("tries", {}))
        if goes and feature not in tries:
            tries[feature] = says
        elif not goes and tries.get(feature) == says:
            del tries[feature]
        row.drawn = {**row.drawn, "tries": tries}


def set_fit_deleted(session: Session, fit_id: int, deleted: bool) -> None:
    """Take a fit out, or bring it back.

    Raises:
        Refused: It is not there, or was said again meanwhile.
    """
    row = session.get(GoesWithRow, fit_id)
    if row is None:
        raise Refused("That fit is no longer there.", field="id")
    mine = _fit(row)
    again = (one for one in fits_kept(session) if one.id != fit_id and _sides(one) == _sides(mine))
    if not deleted and row.deleted_at is not None and next(again, None) is not None:
        raise Refused("Those two were said to go together again meanwhile.", field="id")
    if deleted is (row.deleted_at is not None):
        return
    row.deleted_at = now() if deleted else None
    session.flush()
    _tried(session, _fit(row), not deleted)
