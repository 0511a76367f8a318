"""A calculator described, so that a room can be drawn from it at run time."""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel

from runk.core.calculator import AnyCalculator
from runk.core.kinds import Choice, Kind
from runk.core.shown import Column, Show


class ChoiceOut(BaseModel):
    """One thing a choice can be."""

    key: str
    label: str
    only: list[str]


class FieldOut(BaseModel):
    """A field of a question, as the room's sentence needs it."""

    name: str
    kind: str
    widget: Literal["typed", "size", "list", "chosen"]
    in_page_unit: bool
    label: str
    required: bool
    default: str | None
    choices: list[ChoiceOut]
    only: list[str]
    placeholder: str
    rules: bool
    own: bool
    shared: str


class ColumnOut(BaseModel):
    """A field of an answer, or of a row of a table, as it is shown."""

    name: str
    label: str
    kind: Literal["figure", "text", "count", "flag", "texts", "table", "answer"]
    rank: Literal["big", "says", "row", "folded"]
    under: str
    drawn: bool
    columns: list[ColumnOut]


class DoorOut(BaseModel):
    """Where a calculator is found in the house."""

    path: str
    group: str
    room: str
    tab: str
    family: str


class CalculatorOut(BaseModel):
    """A calculator: its question as a sentence, its answer as a page, where it is found."""

    name: str
    title: str
    version: int
    door: DoorOut
    opening: dict[str, str]
    sentences: dict[str, str]
    fields: list[FieldOut]
    answers: dict[str, list[ColumnOut]]


def _column(column: Column) -> ColumnOut:
    show = column.show
    return ColumnOut(
        name=column.name,
        label=show.label,
        kind=column.kind,  # type: ignore[arg-type]
        rank=show.rank.value,
        under=show.under if isinstance(show, Show) else "",
        drawn=show.drawn,
        columns=[_column(one) for one in column.columns],
    )


def _field(calculator: AnyCalculator, name: str, kind: Kind) -> FieldOut:
    choices: tuple[Choice, ...] = getattr(kind, "choices", ())
    default = calculator.defaults.get(name)
    # Said by another field where it is not said itself: it has no value of its own to show.
    unsaid = bool(kind.or_else)
    return FieldOut(
        name=name,
        kind=kind.name,
        widget=kind.widget,  # type: ignore[arg-type]
        in_page_unit=kind.in_page_unit,
        label=kind.label,
        required=unsaid or name not in calculator.defaults,
        default=None if unsaid or default in (None, "", ()) else str(default),
        choices=[ChoiceOut(key=c.key, label=c.label, only=list(c.only)) for c in choices],
        only=list(kind.only),
        placeholder=kind.placeholder,
        rules=kind.rules,
        own=kind.own,
        shared=kind.shared,
    )


def describe(calculator: AnyCalculator) -> CalculatorOut:
    """Everything a room needs to know of a calculator."""
    door = calculator.door
    return CalculatorOut(
        name=calculator.name,
        title=calculator.title,
        version=calculator.version,
        door=DoorOut(
            path=door.path, group=door.group, room=door.room, tab=door.tab, family=door.family
        ),
        opening=dict(calculator.opening),
        sentences=dict(calculator.sentences),
        fields=[_field(calculator, name, kind) for name, kind in calculator.fields.items()],
        answers={
            tag: [_column(c) for c in columns] for tag, columns in calculator.described().items()
        },
    )
