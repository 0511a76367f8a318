"""Wire models built from the registry: nothing about a calculator is written twice."""

from __future__ import annotations

import types
import typing
from collections.abc import Callable, Sequence
from dataclasses import fields, is_dataclass
from enum import Enum
from functools import cache, lru_cache
from threading import RLock
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, create_model

from runk.core.calculator import AnyCalculator
from runk.core.figures import Caution, Figure, Link, Step
from runk.core.plain import APART
from runk.core.questions import Read, sentence, words
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.sources import Source
from runk.core.units import PageUnit, scale_on
from runk.core.workshop import Workshop

Build = Callable[[Any, PageUnit], Any]
ROWS_WORKED = 40
"""A table longer than this goes without its working: a row of it is opened by asking for that."""


class SourceWire(BaseModel):
    """Who says so, and how we have it."""

    title: str
    tag: str
    held: str


class StepWire(BaseModel):
    """One line of working, in words."""

    label: str
    words: str
    why: str
    holds: str
    source: SourceWire


class FigureWire(BaseModel):
    """A figure: exact value in its key's unit, and as shown on this page."""

    value: float
    shown: str
    unit: str
    working: list[StepWire]


class CautionWire(BaseModel):
    """A caution of this very cut."""

    word: str
    about: str
    says: str
    figure: str | None
    source: SourceWire
    instead: str


class LinkWire(BaseModel):
    """Where to go next, with the question partly filled."""

    calculator: str
    question: dict[str, str]
    reason: str


class ReadingWire(BaseModel):
    """How a typed length was read."""

    mm: float
    echo: str
    plain: bool


class AnyReply(BaseModel):
    """A reply of any calculator: its answer's fields are in the calculator's description."""

    calculator: str
    version: int
    question: dict[str, Any]
    read_as: str
    headline: str
    words: dict[str, str]
    readings: dict[str, ReadingWire]
    answer: dict[str, Any]
    cautions: list[CautionWire]
    links: list[LinkWire]


@cache
def _source(source: Source) -> dict[str, str]:
    return {"title": source.title, "tag": source.tag, "held": source.held.value}


@lru_cache(maxsize=4096)
def _step(step: Step) -> dict[str, Any]:
    # One step stands under several figures, and again in the next answer.
    return {
        "label": step.law.label,
        "words": step.words(),
        "why": step.why,
        "holds": step.while_says,
        "source": _source(step.source),
    }


def _figure(figure: Figure, page: PageUnit) -> dict[str, Any]:
    return {
        "value": figure.value,
        "shown": figure.shown(page),
        "unit": figure.unit_on(page),
        "working": [_step(s) for s in figure.steps],
    }


def _bare(figure: Figure, page: PageUnit) -> dict[str, Any]:
    shown, unit = figure.shown(page), figure.unit_on(page)
    return {"value": figure.value, "shown": shown, "unit": unit, "working": []}


def _caution(caution: Caution, page: PageUnit) -> dict[str, Any]:
    return {
        "word": caution.word,
        "about": caution.about,
        "says": worded(caution.says, page),
        "figure": caution.figure,
        "source": _source(caution.source),
        "instead": worded(caution.instead, page),
    }


def _link(link: Link, page: PageUnit) -> dict[str, Any]:
    return {
        "calculator": link.calculator,
        "question": dict(link.question),
        "reason": worded(link.reason, page),
    }


_LEAVES: dict[type[Any], tuple[type[Any], Build]] = {
    Figure: (FigureWire, _figure),
    Caution: (CautionWire, _caution),
    Link: (LinkWire, _link),
}


def _same(value: Any, _: PageUnit) -> Any:
    return value.value if isinstance(value, Enum) else value


class _Shape:
    """How one dataclass goes over the wire: its model, and a builder of its dicts."""

    def __init__(self, kind: type[Any], leave_out: tuple[str, ...]) -> None:
        self.kind, self.model_name = kind, _name_for(kind)
        self.builders: list[tuple[str, Build]] = []
        self.bare: list[tuple[str, Build]] = []
        """As ``builders``, for a row of a long table: its figures without their working."""
        self.model: type[BaseModel] | None = None
        _SHAPES[kind] = self
        hints = typing.get_type_hints(kind)
        described: dict[str, Any] = {}
        if tag := getattr(kind, "tag", ""):
            described["tag"] = (Literal[tag], ...)
            self.builders.append(("tag", _same))
            self.bare.append(("tag", _same))
        for field in fields(kind):
            if field.name in leave_out:
                continue
            wire_type, build = _of(hints[field.name])
            described[field.name] = (wire_type, ...)
            self.builders.append((field.name, build))
            self.bare.append((field.name, _without_working(hints[field.name], build)))
        self.model = create_model(self.model_name, **described)
        self.model.model_rebuild(_types_namespace={self.model_name: self.model})

    def build(self, value: Any, page: PageUnit) -> dict[str, Any]:
        return {name: make(getattr(value, name), page) for name, make in self.builders}

    def rows(self, values: Sequence[Any], page: PageUnit) -> list[dict[str, Any]]:
        if len(values) <= ROWS_WORKED:
            return [self.build(value, page) for value in values]
        # Column by column: what is one for all of it is looked up once.
        columns = [
            _bare_column([getattr(v, name) for v in values], make, page) for name, make in self.bare
        ]
        names = [name for name, _ in self.bare]
        return [dict(zip(names, cells, strict=True)) for cells in zip(*columns, strict=True)]


def _bare_column(values: list[Any], make: Build, page: PageUnit) -> list[Any]:
    """A column's cells; figures of one unit and one rounding without asking each for them."""
    first = values[0]
    alike = isinstance(first, Figure) and first.unit.suffix != "c" and not first.fixed
    if not alike or any(
        not isinstance(v, Figure) or v.unit is not first.unit or v.places != first.places
        for v in values
    ):
        return [make(value, page) for value in values]
    word = first.unit_on(page)
    scale, decimals = scale_on(first.unit, page, first.places)
    out = []
    for figure in values:
        shown = f"{figure.value * scale:.{decimals}f}"
        if not shown.strip("-0."):
            shown = figure.shown(page)
        out.append({"value": figure.value, "shown": shown, "unit": word, "working": []})
    return out


def _without_working(hint: Any, build: Build) -> Build:
    if hint is Figure:
        return _bare
    if Figure in typing.get_args(hint):
        return lambda value, page: None if value is None else _bare(value, page)
    return build


_SHAPES: dict[type[Any], _Shape] = {}
_MAKING = RLock()
_NAMES: dict[str, type[Any]] = {}


def _name_for(kind: type[Any]) -> str:
    """A name no other dataclass has: where two are called alike, the package says which."""
    name = f"{kind.__name__}Wire"
    if _NAMES.setdefault(name, kind) is not kind:
        name = f"{kind.__module__.split('.')[-1].capitalize()}{name}"
        _NAMES[name] = kind
    return name


def _of(hint: Any) -> tuple[Any, Build]:
    """Wire type and builder for a type found in an answer."""
    origin, args = typing.get_origin(hint), typing.get_args(hint)
    if origin in (types.UnionType, typing.Union):
        inner = next(a for a in args if a is not type(None))
        wire_type, build = _of(inner)
        optional: Any = typing.Union.__getitem__((wire_type, None))
        return optional, lambda value, page: None if value is None else build(value, page)
    if origin in (tuple, list):
        wire_type, build = _of(args[0])
        if is_dataclass(args[0]) and args[0] not in _LEAVES:
            return list.__class_getitem__(wire_type), _SHAPES[args[0]].rows  # type: ignore[index]
        return list.__class_getitem__(wire_type), lambda v, page: [build(x, page) for x in v]
    if hint in _LEAVES:
        return _LEAVES[hint]
    if hint is str:
        return str, worded
    if is_dataclass(hint) and isinstance(hint, type):
        shape = _SHAPES.get(hint) or _Shape(hint, APART)
        reference = shape.model or typing.ForwardRef(shape.model_name)
        return reference, shape.build
    if isinstance(hint, type) and issubclass(hint, Enum):
        literal: Any = Literal[tuple(member.value for member in hint)]
        return literal, _same
    return hint, _same


def shape_of(*kinds: type[Any]) -> tuple[Any, Build]:
    """Model and builder for an answer's dataclass, cautions and links left out.

    Args:
        kinds: The answer; several where they differ in kind, each with its own ``tag``.
    """
    # A shape stands in the list while it is being made, for what holds itself: only whoever makes
    # it may see it so, or an answer would go out without the columns that are still to come.
    with _MAKING:
        shapes = [_SHAPES.get(kind) or _Shape(kind, APART) for kind in kinds]
    if len(shapes) == 1:
        return shapes[0].model, shapes[0].build
    models = tuple(shape.model for shape in shapes)
    union: Any = Annotated[typing.Union.__getitem__(models), Field(discriminator="tag")]
    return union, lambda value, page: _SHAPES[type(value)].build(value, page)


def _type_name(name: str) -> str:
    return "".join(part.capitalize() for part in name.split("-"))


@cache
def question_model(calculator: AnyCalculator) -> type[BaseModel]:
    """The body a calculator's route takes: lengths as text, as somebody would type them."""
    described: dict[str, Any] = {}
    for field_name, kind in calculator.fields.items():
        keys = [option.key for option in getattr(kind, "choices", ())]
        words = kind.label + (f": {', '.join(keys)}" if keys else "")
        described[field_name] = (kind.wire, Field(default=None, description=words))
    described["unit"] = (
        PageUnit,
        Field(default=PageUnit.MM, description="what a bare number means"),
    )
    return create_model(
        f"{_type_name(calculator.name)}Question", __config__=ConfigDict(extra="forbid"), **described
    )


@cache
def reply_model(calculator: AnyCalculator) -> type[BaseModel]:
    """The whole reply of a calculator's route."""
    answer, _ = shape_of(*calculator.answers)
    return create_model(
        f"{_type_name(calculator.name)}Reply", __base__=AnyReply, answer=(answer, ...)
    )


def reply(
    calculator: AnyCalculator,
    typed: dict[str, Any],
    read: Read,
    answer: Any,
    page: PageUnit,
    workshop: Workshop,
    read_as: str = "",
) -> dict[str, Any]:
    """The reply as plain data, ready to be written."""
    _, build = shape_of(*calculator.answers)
    return {
        "calculator": calculator.name,
        "version": calculator.version,
        "question": typed,
        "read_as": read_as or sentence(calculator, read, page, workshop),
        "headline": worded(calculator.heads(answer, page), page),
        "words": words(calculator, read, page, workshop),
        "readings": {
            name: {"mm": float(r.mm), "echo": r.echo, "plain": r.plain}
            for name, r in read.readings.items()
        },
        **answered(answer, build, page),
    }


def row_worked(answer: Any, table: str, row: int) -> list[dict[str, Any]]:
    """The working of one row of a table, each step once.

    Raises:
        Refused: There is no such row.
    """
    rows = getattr(answer, table, ())
    if not isinstance(rows, tuple) or not 0 <= row < len(rows) or not is_dataclass(rows[row]):
        raise Refused(f"There is no row {row + 1} in that table.", field="row")
    values = (getattr(rows[row], field.name) for field in fields(rows[row]))
    steps = (step for value in values if isinstance(value, Figure) for step in value.steps)
    return [_step(step) for step in dict.fromkeys(steps)]


def answered(answer: Any, build: Build, page: PageUnit) -> dict[str, Any]:
    """An answer as it stands in every reply: its figures, and apart its cautions and links."""
    return {
        "answer": build(answer, page),
        "cautions": [_caution(c, page) for c in getattr(answer, "cautions", ())],
        "links": [_link(x, page) for x in getattr(answer, "links", ())],
    }
