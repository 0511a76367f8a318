"""Filling the demonstration's own file, which never touches the user's."""

from __future__ import annotations

from runk.api.calculators import answer_typed
from runk.core.cutting.speed import SPEED
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.demo.engines import SLATE, fill, is_filled
from runk.store.database import Store, data_folder
from runk.store.models import SlateRow
from runk.store.slate import keep


def demo_url() -> str:
    """Where the demonstration keeps its data."""
    return f"sqlite:///{data_folder() / 'demo.sqlite3'}"


def prepare(store: Store) -> None:
    """Fill the demonstration's file on its first start."""
    with store.writing() as session:
        if is_filled(session):
            return
        parts = fill(session)
        speed = SPEED
        for number, (part, question, note, unit, ticked) in enumerate(reversed(SLATE)):
            page = PageUnit(unit)
            said = answer_typed(speed, question, page, WORKSHOP)
            row = SlateRow(
                keep_key=f"demo-{number:04d}",
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
