"""Wire models built from the registry: nothing about a calculator is written twice."""

from __future__ import annotations

import types
import typing
from collections.abc import Callable
from dataclasses import fields, is_dataclass
from enum import Enum
from functools import cache, lru_cache
from typing import Any

from pydantic import BaseModel, ConfigDict, Field, create_model

from runk.core.fields import Kind
from runk.core.figures import Caution, Figure, Link, Step
from runk.core.plain import APART
from runk.core.questions import Read, sentence, words
from runk.core.registry import Calculator
from runk.core.sources import Source
from runk.core.units import PageUnit, unit_shown
from runk.core.workshop import Workshop

Build = Callable[[Any, PageUnit], Any]


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


@cache
def _source(source: Source) -> dict[str, str]:
    return {"title": source.title, "tag": source.tag, "held": source.held.value}


@lru_cache(maxsize=4096)
def _step(step: Step) -> dict[str, Any]:
    # One step stands under several figures, and again in the next answer.
    return {
        "label": step.law.label, "words": step.words(), "why": step.why,
        "source": _source(step.source),
    }  # fmt: skip


def _figure(figure: Figure, page: PageUnit) -> dict[str, Any]:
    return {
        "value": figure.value, "shown": figure.shown(page),
        "unit": unit_shown(figure.unit, page), "working": [_step(s) for s in figure.steps],
    }  # fmt: skip


def _caution(caution: Caution, _: PageUnit) -> dict[str, Any]:
    return {
        "word": caution.word, "about": caution.about, "says": caution.says,
        "figure": caution.figure, "source": _source(caution.source),
    }  # fmt: skip


def _link(link: Link, _: PageUnit) -> dict[str, Any]:
    return {"calculator": link.calculator, "question": dict(link.question), "reason": link.reason}


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
        self.kind, self.model_name = kind, f"{kind.__name__}Wire"
        self.builders: list[tuple[str, Build]] = []
        self.model: type[BaseModel] | None = None
        _SHAPES[kind] = self
        hints = typing.get_type_hints(kind)
        described: dict[str, Any] = {}
        for field in fields(kind):
            if field.name in leave_out:
                continue
            wire_type, build = _of(hints[field.name])
            described[field.name] = (wire_type, ...)
            self.builders.append((field.name, build))
        self.model = create_model(self.model_name, **described)
        self.model.model_rebuild(_types_namespace={self.model_name: self.model})

    def build(self, value: Any, page: PageUnit) -> dict[str, Any]:
        return {name: make(getattr(value, name), page) for name, make in self.builders}


_SHAPES: dict[type[Any], _Shape] = {}


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
        return list.__class_getitem__(wire_type), lambda v, page: [build(x, page) for x in v]
    if hint in _LEAVES:
        return _LEAVES[hint]
    if is_dataclass(hint) and isinstance(hint, type):
        shape = _SHAPES.get(hint) or _Shape(hint, APART)
        reference = shape.model or typing.ForwardRef(shape.model_name)
        return reference, shape.build
    if isinstance(hint, type) and issubclass(hint, Enum):
        return str, _same
    return hint, _same


def shape_of(kind: type[Any]) -> tuple[type[BaseModel], Build]:
    """Model and builder for an answer's dataclass, cautions and links left out."""
    shape = _SHAPES.get(kind) or _Shape(kind, APART)
    assert shape.model is not None
    return shape.model, shape.build


def _type_name(name: str) -> str:
    return "".join(part.capitalize() for part in name.split("-"))


@cache
def question_model(name: str, calculator: Calculator) -> type[BaseModel]:
    """The body a calculator's route takes: lengths as text, as somebody would type them."""
    described: dict[str, Any] = {}
    for field_name, field in calculator.fields.items():
        kind: Any = str | None
        if field.kind in (Kind.LENGTH, Kind.COUNT, Kind.NUMBER, Kind.PRESSURE):
            kind = str | float | int | None
        words = field.label + (
            f": {', '.join(c.key for c in field.choices)}" if field.choices else ""
        )
        described[field_name] = (kind, Field(default=None, description=words))
    described["unit"] = (
        PageUnit,
        Field(default=PageUnit.MM, description="what a bare number means"),
    )
    return create_model(
        f"{_type_name(name)}Question", __config__=ConfigDict(extra="forbid"), **described
    )


@cache
def reply_model(name: str, calculator: Calculator) -> type[BaseModel]:
    """The whole reply of a calculator's route."""
    answer, _ = shape_of(calculator.answer)
    return create_model(
        f"{_type_name(name)}Reply",
        calculator=(str, ...),
        version=(int, ...),
        question=(dict[str, Any], ...),
        read_as=(str, ...),
        headline=(str, ...),
        words=(dict[str, str], ...),
        readings=(dict[str, ReadingWire], ...),
        answer=(answer, ...),
        cautions=(list[CautionWire], ...),
        links=(list[LinkWire], ...),
    )


def reply(
    calculator: Calculator, typed: dict[str, Any], read: Read, answer: Any, page: PageUnit,
    workshop: Workshop, read_as: str = "",
) -> dict[str, Any]:  # fmt: skip
    """The reply as plain data, ready to be written."""
    _, build = shape_of(calculator.answer)
    return {
        "calculator": calculator.name,
        "version": calculator.version,
        "question": typed,
        "read_as": read_as or sentence(calculator, read, page, workshop),
        "headline": calculator.headline(answer, page),
        "words": words(calculator, read, page, workshop),
        "readings": {
            name: {"mm": float(r.mm), "echo": r.echo, "plain": r.plain}
            for name, r in read.readings.items()
        },
        **answered(answer, build, page),
    }


def answered(answer: Any, build: Build, page: PageUnit) -> dict[str, Any]:
    """An answer as it stands in every reply: its figures, and apart its cautions and links."""
    return {
        "answer": build(answer, page),
        "cautions": [_caution(c, page) for c in getattr(answer, "cautions", ())],
        "links": [_link(x, page) for x in getattr(answer, "links", ())],
    }
