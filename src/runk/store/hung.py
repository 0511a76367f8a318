"""What hangs on an engine's parts, taken out with it and put in with it."""

from __future__ import annotations

import secrets
from collections.abc import Callable, Mapping, Sequence
from datetime import UTC, datetime
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.orm import Session, defer

from runk.store.models import CutEventRow, CutRow, MateEventRow, MateRow, SlateRow

Hung = dict[str, list[dict[str, Any]]]


def hung_out(session: Session, names: Mapping[int, str]) -> Hung:
    """Everything that hangs on some parts, oldest first; the slate top first.

    Args:
        session: To look it up.
        names: Of the parts by their id.
    """
    mates = _rows(session, MateRow, names)
    numbers = {row.id: n for n, row in enumerate(mates, 1)}
    slate = session.scalars(
        select(SlateRow)
        .options(defer(SlateRow.answer, raiseload=True))
        .where(SlateRow.deleted_at.is_(None), SlateRow.part_id.in_(names))
        .order_by(SlateRow.place)
    )
    return {
        "slate": [
            {
                **_of(row, names),
                "calculator": row.calculator,
                "headline": row.headline,
                "note": row.note,
                "ticked": row.ticked,
                "kept_at": _when(row.kept_at),
            }
            for row in slate
        ],
        "mates": [
            {
                **_of(row, names),
                "started_at": _when(row.started_at),
                "events": _events(session, MateEventRow, MateEventRow.mate_id == row.id, _read),
            }
            for row in mates
        ],
        "cuts": [
            {
                **_of(row, names),
                "spec": row.spec,
                "said": {**row.said, "cautions": [[*c, ""][:4] for c in row.said["cautions"]]},
                "seed": row.seed,
                "mate": numbers.get(row.mate_id or 0),
                "started_at": _when(row.started_at),
                "events": _events(session, CutEventRow, CutEventRow.cut_id == row.id, _cut),
            }
            for row in _rows(session, CutRow, names)
        ],
    }


def _rows(session: Session, of: Any, names: Mapping[int, str]) -> list[Any]:
    there = select(of).where(of.deleted_at.is_(None), of.part_id.in_(names)).order_by(of.id)
    return list(session.scalars(there))


def _of(row: Any, names: Mapping[int, str]) -> dict[str, Any]:
    return {
        "part": names[row.part_id],
        "feature": row.feature,
        "version": row.calculator_version,
        "unit": row.page_unit,
        "question": row.question,
        "title": row.title,
    }


def _when(at: datetime) -> str:
    return at.replace(tzinfo=UTC).isoformat()


def _events(
    session: Session, of: Any, where: Any, told: Callable[[Any], dict[str, Any]]
) -> list[dict[str, Any]]:
    rows = list(session.scalars(select(of).where(where).order_by(of.id)))
    numbers = {row.id: n for n, row in enumerate(rows, 1)}
    return [
        {
            "kind": row.kind,
            **told(row),
            **({} if row.warm_deg is None else {"warm_deg": row.warm_deg}),
            **({} if row.undoes is None else {"undoes": numbers[row.undoes]}),
            "at": _when(row.at),
        }
        for row in rows
    ]


def _read(row: MateEventRow) -> dict[str, Any]:
    return {"side": row.side, "stations": row.stations}


def _cut(row: CutEventRow) -> dict[str, Any]:
    return {"sizes_mm": row.sizes_mm, **({} if row.wound is None else {"wound": row.wound})}


def hang(session: Session, hung: Hung, ids: Mapping[str, int]) -> tuple[list[int], list[int]]:
    """Hang on new parts what hung on them in a file.

    Args:
        session: Of the change.
        hung: As :func:`hung_out` gives it, moments as moments.
        ids: Of the parts by their names in small letters.

    Returns:
        The new mates and the new cuts.
    """
    mates = [_put(session, MateRow, one, ids) for one in hung["mates"]]
    for row, one in zip(mates, hung["mates"], strict=True):
        _happened(session, MateEventRow, {"mate_id": row.id}, one["events"])
    cuts = []
    for one in hung["cuts"]:
        made_for = mates[one["mate"] - 1].id if one["mate"] else None
        more = {name: one[name] for name in ("spec", "said", "seed")}
        cut = _put(session, CutRow, one, ids, mate_id=made_for, **more)
        _happened(session, CutEventRow, {"cut_id": cut.id}, one["events"])
        cuts.append(cut.id)
    first = session.scalar(select(func.min(SlateRow.place))) or 0.0
    places = (first - len(hung["slate"]) + n for n in range(len(hung["slate"])))
    for place, one in zip(places, hung["slate"], strict=True):
        more = {n: one[n] for n in ("calculator", "headline", "note", "ticked")}
        at = _naive(one["kept_at"])
        # The answer is worked out again from its question whenever it is looked at.
        _put(session, SlateRow, one, ids, answer={}, place=place, kept_at=at, **more)
    return [row.id for row in mates], cuts


def _naive(at: datetime) -> datetime:
    return (
        (at if at.tzinfo is not None else at.replace(tzinfo=UTC))
        .astimezone(UTC)
        .replace(tzinfo=None)
    )


def _put(
    session: Session, of: Any, one: Mapping[str, Any], ids: Mapping[str, int], **more: Any
) -> Any:
    if "started_at" in one:
        more["started_at"] = _naive(one["started_at"])
    row = of(
        keep_key=f"file-{secrets.token_hex(16)}",
        calculator_version=one["version"],
        page_unit=one["unit"],
        question=one["question"],
        title=one["title"],
        part_id=ids[one["part"].casefold()],
        feature=one["feature"],
        **more,
    )
    session.add(row)
    session.flush()
    return row


def _happened(
    session: Session, of: Any, to: Mapping[str, int], events: Sequence[Mapping[str, Any]]
) -> None:
    """Add what happened, in its order: what an undo undoes is there before it."""
    numbers: list[int] = []
    for one in events:
        row = of(
            **to,
            **{k: v for k, v in one.items() if k not in ("undoes", "at")},
            undoes=numbers[one["undoes"] - 1] if one["undoes"] else None,
            event_key=f"file-{secrets.token_hex(16)}",
            at=_naive(one["at"]),
        )
        session.add(row)
        session.flush()
        numbers.append(row.id)
