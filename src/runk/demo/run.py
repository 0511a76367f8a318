"""Filling the demonstration's own file, which never touches the user's."""

from __future__ import annotations

import os

from sqlalchemy import select
from sqlalchemy.orm import Session

from runk.api.calculators import answer_typed
from runk.core.cutting.speed import SPEED
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.demo.engines import SLATE, fill
from runk.store.database import URL_VARIABLE, Store, data_folder
from runk.store.models import EngineRow, MachineRow, OwnMetalRow, SlateRow, ToolRow
from runk.store.slate import keep

_KEY = "demo-{:04d}"
_FIRST_KEY = _KEY.format(0)


def demo_url() -> str:
    """Where the demonstration keeps its data: a file of its own, or the one named."""
    return os.environ.get(URL_VARIABLE) or f"sqlite:///{data_folder() / 'demo.sqlite3'}"


def is_demo(session: Session) -> bool:
    """Whether a store holds the demonstration's data.

    Raises:
        Refused: It holds somebody's own.
    """
    if session.scalar(select(SlateRow.id).where(SlateRow.keep_key == _FIRST_KEY)) is not None:
        return True
    if any(
        session.scalar(select(row.id).limit(1)) is not None
        for row in (MachineRow, SlateRow, EngineRow, ToolRow, OwnMetalRow)
    ):
        raise Refused(
            "That file holds a workshop of its own: the demonstration is not put into it. "
            f"Leave {URL_VARIABLE} out, or name a new file."
        )
    return False


def prepare(store: Store) -> None:
    """Fill the demonstration's file on its first start.

    Raises:
        Refused: It holds somebody's own workshop.
    """
    with store.writing() as session:
        if is_demo(session):
            return
        parts = fill(session)
        speed = SPEED
        for number, (part, question, note, unit, ticked) in enumerate(reversed(SLATE)):
            page = PageUnit(unit)
            said = answer_typed(speed, question, page, WORKSHOP)
            row = SlateRow(
                keep_key=_KEY.format(number),
                calculator="speed",
                calculator_version=speed.version,
                page_unit=page,
                question=question,
                answer=said,
                title=said["read_as"],
                headline=said["headline"],
                note=note,
                ticked=ticked,
                part_id=parts[part],
            )
            keep(session, row)
