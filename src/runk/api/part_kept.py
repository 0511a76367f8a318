"""What was worked out for a part's features: answers kept, cuts followed, mates made."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any, Literal

from pydantic import BaseModel
from sqlalchemy.orm import Session

from runk.api.cut_bodies import cut_line
from runk.api.cutbook import CutBook
from runk.api.mates import mate_line
from runk.core.workshop import Workshop
from runk.store.cuts import cuts_of
from runk.store.mates import mates_of
from runk.store.slate import slate_of


class WorkedOut(BaseModel):
    """Something worked out for a feature, or for the part where ``feature`` is empty."""

    kind: Literal["answer", "cut", "mate"]
    id: int
    feature: str
    calculator: str
    title: str
    says: str
    state: str
    question: dict[str, Any]


def worked_out(
    session: Session, book: CutBook, part_id: int, workshop: Workshop
) -> Iterator[dict[str, Any]]:
    """Everything that was worked out for a part, what is being cut first.

    Args:
        session: To look it up.
        book: Every cut being followed.
        part_id: Of the part.
        workshop: Today's.
    """
    for number in cuts_of(session, part_id):
        page = book.page(session, number)
        line = cut_line(page)
        says = f"{line.next_says} · {line.left} left" if line.state == "cut" else line.next_says
        yield {
            "kind": "cut",
            "id": number,
            "feature": page.cut.feature,
            "calculator": "plan",
            "title": line.title,
            "says": says,
            "state": line.state,
            "question": {},
        }
    for mate in mates_of(session, part_id):
        stands = mate_line(session, book, mate, workshop)
        yield {
            "kind": "mate",
            "id": mate.id,
            "feature": mate.feature,
            "calculator": "mate",
            "title": mate.title,
            "says": stands.headline,
            "state": "",
            "question": {},
        }
    for item in slate_of(session, part_id):
        yield {
            "kind": "answer",
            "id": item.id,
            "feature": item.feature,
            "calculator": item.calculator,
            "title": item.title,
            "says": item.headline,
            "state": "",
            "question": item.question,
        }
