"""What a part's features go with: their targets, and what a change would touch."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from sqlalchemy.orm import Session

from runk.api.part_wire import part_in
from runk.core.fits.question import duties
from runk.core.refusals import Refused
from runk.core.route.fitting import Target, is_hole, reading_mm, target
from runk.core.route.part import Feature, Part
from runk.core.said import mm_said
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.store.goes_with import KeptFit, fits_kept
from runk.store.parts import KeptPart, part_kept


def fits_out(
    session: Session, kept: KeptPart, workshop: Workshop, page: PageUnit
) -> list[dict[str, Any]]:
    """Every fit of a part with what it makes of its own feature."""
    found = fits_kept(session, kept.id)
    others = {
        part: part_kept(session, part)
        for one in found
        for part in (one.hole[0], one.shaft[0])
        if part != kept.id
    }
    return list(_told(kept, found, others, workshop, page))


def _features(row: KeptPart, workshop: Workshop) -> dict[str, Feature]:
    try:
        return part_in(row, workshop).part.by_key
    except Refused:
        return {}


def _told(
    kept: KeptPart,
    found: Sequence[KeptFit],
    others: Mapping[int, KeptPart],
    workshop: Workshop,
    page: PageUnit,
) -> Iterator[dict[str, Any]]:
    features = {row.id: _features(row, workshop) for row in (kept, *others.values())}
    rows: list[tuple[dict[str, Any], Target | None]] = []
    for one in found:
        mine, theirs = (one.hole, one.shaft) if one.hole[0] == kept.id else (one.shaft, one.hole)
        other = kept if theirs[0] == kept.id else others[theirs[0]]
        reading = other.measured.get(theirs[1], "")
        row: dict[str, Any] = {
            "id": one.id,
            "feature": mine[1],
            "part_id": other.id,
            "part": other.name,
            "other": theirs[1],
            "duty": duties()[one.duty].label,
            "reading": reading,
            "target": "",
            "says": "",
            "stands": "",
            "question": {},
            "low_mm": None,
            "high_mm": None,
            "read": False,
        }
        made: Target | None = None
        there = features[other.id].get(theirs[1])
        if there is None or mine[1] not in features[kept.id]:
            row["says"] = "One of the two is no longer drawn."
        else:
            metals = (kept.metal, other.metal)
            if not is_hole(features[kept.id][mine[1]]):
                metals = (other.metal, kept.metal)
            try:
                made = target(there, reading, metals, one.duty, _unit(other), page, workshop)
            except Refused as refused:
                row["says"] = refused.said(page)
        if made is not None:
            row |= {
                "target": made.says,
                "question": made.asked,
                "read": made.read,
                "low_mm": made.low,
                "high_mm": made.high,
            }
            row["says"] = "as it was read" if made.read else "as it is drawn: not read yet"
            row["stands"] = _stands(kept.measured.get(mine[1], ""), made, _unit(kept), workshop)
        rows.append((row, made))
    for row, made in rows:
        clash = _clash(row, made, rows)
        yield {**row, "says": f"{row['says']}. {clash}"} if clash else row


def _unit(row: KeptPart) -> PageUnit:
    return PageUnit((row.drawn or {}).get("unit", "mm"))


def _stands(reading: str, made: Target, unit: PageUnit, workshop: Workshop) -> str:
    if not reading:
        return ""
    try:
        low, high = reading_mm(reading, unit, workshop)
    except Refused:
        return ""
    if made.low - 1e-6 <= low and high <= made.high + 1e-6:
        return "fits"
    return "large" if high > made.high else "small"


def _clash(
    row: dict[str, Any], made: Target | None, rows: Sequence[tuple[dict[str, Any], Target | None]]
) -> str:
    """Another fit of the same feature that no size satisfies as well."""
    for other, theirs in rows:
        if other is row or other["feature"] != row["feature"] or made is None or theirs is None:
            continue
        if max(made.low, theirs.low) > min(made.high, theirs.high):
            return f"No one size does for {row['part']} and {other['part']}: one of them is remade."
    return ""


def touched(session: Session, kept: KeptPart, part: Part, workshop: Workshop) -> Iterator[str]:
    """What a part drawn anew would touch, in sentences for whoever decides.

    Args:
        session: To look up what goes with it.
        kept: As it is kept.
        part: As it would be.
        workshop: Today's.
    """
    before = _features(kept, workshop)
    for one in fits_kept(session, kept.id):
        mine, theirs = (one.hole, one.shaft) if one.hole[0] == kept.id else (one.shaft, one.hole)
        old, new = before.get(mine[1]), part.by_key.get(mine[1])
        other = part_kept(session, theirs[0]).name
        if old is None:
            continue
        if new is None:
            yield f"{mine[1]} goes with {theirs[1]} of {other}, and would be gone"
        elif (new.size, new.limits) != (old.size, old.limits):
            yield (
                f"{mine[1]} goes from {mm_said(old.size)} to {mm_said(new.size)}, and with it "
                f"{theirs[1]} of {other}"
            )
