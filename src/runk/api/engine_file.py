"""An engine's file: everything that hangs on it, out and in, and nothing of a file that fails."""

from __future__ import annotations

import json
from collections.abc import Container
from dataclasses import dataclass, field
from typing import Any

from sqlalchemy.orm import Session

from runk.api.cut_bodies import cut_out
from runk.api.cutbook import CutBook
from runk.api.mates import mate_line
from runk.api.part_bounds import marks_of, see_as_typed, see_marks, see_reading, see_side
from runk.api.part_wire import part_in, route_in
from runk.core.refusals import Refused
from runk.core.route.route import Job, Route
from runk.core.route.rules import BY_KEY
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.part_json import (
    EngineFile,
    PartFile,
    Together,
    Wanted,
    engine_of,
    engine_plain,
    route_kept,
    spoken_route,
)
from runk.formats.parts_csv import parts_from_csv
from runk.store.engines import EngineWithParts, engine_note
from runk.store.hung import Hung, hang, hung_out
from runk.store.mates import mate_kept
from runk.store.part_files import Named, bring_in, fits_of, part_row
from runk.store.parts import KeptPart
from runk.store.wants import State, put_want, wants_of

LARGEST = 16_000_000


@dataclass(frozen=True, slots=True)
class Brought:
    """A file, read.

    Args:
        name: Of the engine.
        rows: Its parts as they are kept.
        fits: Hole, shaft and duty, each side a part's name and a feature's.
        wanted: What is wanted for it.
        note: On it.
        hung: Answers kept, cuts and mates of its parts.
    """

    name: str
    rows: list[dict[str, Any]]
    fits: list[tuple[Named, Named, str]]
    wanted: tuple[Wanted, ...]
    note: str = ""
    hung: Hung = field(default_factory=dict)


def row_of(one: PartFile) -> dict[str, Any]:
    """A part of a file as it is kept."""
    route = None if one.route is None else {**route_kept(one.route), **one.proof}
    return {
        "name": one.part.name,
        "metal": one.part.metal,
        "drawn": one.drawn,
        "route": route,
        "done": list(one.done),
        "measured": one.measured,
    }


def engine_text(session: Session, name: str, rows: list[KeptPart], workshop: Workshop) -> str:
    """An engine as the text of its file, with everything that hangs on it.

    Args:
        session: To look it up.
        name: Of the engine.
        rows: Its parts.
        workshop: Today's.

    Raises:
        Refused: It is more than a file may hold.
    """
    jobs = {row.id: _job_of(row, workshop) for row in rows}
    fits = [
        Together(*one)
        for one, sides in fits_of(session, rows)
        if all(jobs[part] is None or feature in _keys(jobs[part]) for part, feature in sides)
    ]
    engine = next((row.engine_id for row in rows if row.engine_id is not None), None)
    wants = [
        Wanted(one.what, one.many, one.state, one.bought)
        for one in (wants_of(session, engine) if engine is not None else ())
    ]
    whole = engine_plain(
        name,
        [_standing(row, jobs[row.id]) for row in rows],
        goes_with=fits,
        wanted=wants,
        note=engine_note(session, engine),
        hung=hung_out(session, {row.id: row.name for row in rows}),
    )
    text = f"{json.dumps(whole, ensure_ascii=False, indent=1)}\n"
    if len(text.encode()) > LARGEST:
        raise Refused(
            f"{name} is more than the {LARGEST // 1_000_000} MB of a file.",
            field="engine",
            suggest="runk backup, which copies everything",
        )
    return text


def _job_of(row: KeptPart, workshop: Workshop) -> Job | None:
    try:
        return part_in(row, workshop)
    except Refused:
        return None


def _keys(job: Job | None) -> Container[str]:
    return job.part.by_key if job is not None else ()


def _standing(row: KeptPart, job: Job | None) -> dict[str, Any]:
    """A part as it goes into a file: of ticks, readings and rules those that still mean a thing."""
    plain = part_row(row)
    if job is None:
        return plain
    marks = marks_of(job, spoken_route(job, route_in(row)))
    means: dict[str, Container[str]] = {"measured": job.part.by_key, "overruled": BY_KEY}
    for name, known in means.items():
        if name in plain:
            plain[name] = {k: v for k, v in plain[name].items() if k in known}
    if "done" in plain:
        plain["done"] = [one for one in plain["done"] if one in marks]
    return plain


def read_rows(raw: bytes, kind: str, engine: str, workshop: Workshop, page: PageUnit) -> Brought:
    """The engine of a file and its parts as they are kept.

    Raises:
        Refused: It is too large, no JSON and no list, or something of it cannot be made.
    """
    if len(raw) > LARGEST:
        raise Refused(f"That file is larger than {LARGEST // 1_000_000} MB.", field="file")
    try:
        text = raw.decode("utf-8-sig")
    except UnicodeDecodeError:
        raise Refused("That file is no text in UTF-8.", field="file") from None
    if "csv" in kind:
        document = parts_from_csv(text, engine)
    else:
        try:
            document = json.loads(text, object_pairs_hook=_once)
        except Refused:
            raise
        except (ValueError, RecursionError):
            raise Refused("That file is no JSON that can be read.", field="file") from None
    found = engine_of(document, workshop.metals, page, named=True)
    name = engine.strip() or found.engine
    if not name:
        raise Refused("What is the engine called?", field="engine", suggest="Trial engine")
    rows = [*map(row_of, found.parts), *found.named]
    _see(found, rows, workshop)
    rows.sort(key=lambda row: found.order.index(row["name"]))
    fits = [(one.hole, one.shaft, one.duty) for one in found.goes_with]
    return Brought(name, rows, fits, found.wanted, found.note, found.hung)


def _once(pairs: list[tuple[str, Any]]) -> dict[str, Any]:
    """An object of a file, in which nothing is said twice."""
    found = dict(pairs)
    if len(found) < len(pairs):
        names = [name for name, _ in pairs]
        twice = next(name for name in names if names.count(name) > 1)
        raise Refused(f"The file says `{twice[:60]}` twice of one thing.", field="file")
    return found


def _see(found: EngineFile, rows: list[dict[str, Any]], workshop: Workshop) -> None:
    """See that everything in a file is what the rooms would have taken.

    Raises:
        Refused: Something is longer or more, or hangs on what is not there.
    """
    parts = {one.part.name.casefold(): one.part for one in found.parts}
    for one, row in zip(found.parts, rows, strict=False):
        see_as_typed(one.part.name, row["drawn"], row["route"])
        job = Job(one.part, workshop)
        see_marks(one.done, job, spoken_route(job, one.route or Route(())))
        unit = PageUnit(one.drawn["unit"])
        for feature, reading in one.measured.items():
            see_reading(one.part, feature, reading, unit, workshop)
    for fit in found.goes_with:
        for (name, feature), hollow in ((fit.hole, True), (fit.shaft, False)):
            part = parts.get(name.casefold())
            if part is None:
                raise Refused(f"{name} is not drawn: nothing goes with it.", field="goes_with")
            see_side(part, feature, hollow)


def put_engine(
    session: Session, read: Brought, book: CutBook, workshop: Workshop
) -> EngineWithParts:
    """Keep a file's engine, with all that hangs on it.

    Args:
        session: Of one change: what is refused leaves nothing behind.
        read: The file, read.
        book: Every cut being followed.
        workshop: Today's.

    Raises:
        Refused: There is an engine of that name, two parts of one, or a cut or a mate that cannot
            be followed.
    """
    made = bring_in(session, read.name, read.rows, read.fits, read.note)
    if read.hung:
        ids = {one.name.casefold(): one.id for one in made.parts}
        mates, cuts = hang(session, read.hung, ids)
        _see_followed(session, book, workshop, mates, cuts)
    for one in read.wanted:
        put_want(session, made.id, one.what, one.many, State(one.state), one.bought)
    return made


def _see_followed(
    session: Session, book: CutBook, workshop: Workshop, mates: list[int], cuts: list[int]
) -> None:
    """See that what was hung on the parts reads: nothing is kept that no page can show."""
    for n, cut in enumerate(cuts, 1):
        try:
            cut_out(book.page(session, cut))
        except (ValueError, ArithmeticError, LookupError, TypeError) as wrong:
            raise Refused(f"cuts {n}: it cannot be followed.", field="cuts") from wrong
    for n, mate in enumerate(mates, 1):
        try:
            mate_line(session, book, mate_kept(session, mate), workshop)
        except (ValueError, ArithmeticError, LookupError, TypeError) as wrong:
            raise Refused(f"mates {n}: it cannot be followed.", field="mates") from wrong
