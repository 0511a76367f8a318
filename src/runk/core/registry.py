"""Calculators, registered once: HTTP, Ask, the CLI and the TypeScript types come from here."""

from __future__ import annotations

import typing
from collections.abc import Callable, Mapping
from dataclasses import MISSING, dataclass, fields
from enum import StrEnum
from functools import cached_property
from typing import Any

from runk.core.fields import Field
from runk.core.lengths import Reading
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


@dataclass(frozen=True)
class Sweep:
    """The calculator's laws over whole arrays, for one drawing or sheet.

    Args:
        compute: From the question and its snapshot to the shape.
        shape: A dataclass of plain lists.
    """

    compute: Callable[[Any, Any], Any]
    shape: type[Any]


@dataclass(frozen=True, eq=False)
class Calculator:
    """One question, one answer, one pure function.

    Args:
        name: In addresses and on the command line.
        title: In words.
        question: Frozen dataclass with :class:`Field` annotations.
        answer: Frozen dataclass of Figures, cautions and links.
        compute: From the question and its snapshot to the answer.
        needs: Picks the snapshot out of the workshop.
        sentences: By key of the ruling field (``""`` where there is none): the sentence
            with its live words in braces; a part in square brackets is said only when
            the words in it are given.
        sweeps: Its sweeps by name, fetched when wanted: they bring NumPy with them.
        triggers: Words that call this calculator from the Ask line, beside its ruling words.
        between: Words that call it where they stand between two sizes: 16 *to* 14.5.
        late: Words that call it only where nothing else is called: a *hole*.
        outranks: Its words go before those of others: an *oversize* reamed hole is a fault.
        settle: Fills in what the workshop decides where the question leaves it open.
        headline: The answer in a few words, in the page's unit: for the slate.
        version: Raised when stored questions change shape.
        upgrade: Turns a stored question of an older version into today's.
    """

    name: str
    title: str
    question: type[Any]
    answer: type[Any]
    compute: Callable[[Any, Any], Any]
    needs: Callable[[Any, Workshop], Any]
    sentences: Mapping[str, str]
    headline: Callable[[Any, PageUnit], str]
    sweeps: Callable[[], Mapping[str, Sweep]] = dict
    triggers: tuple[str, ...] = ()
    between: tuple[str, ...] = ()
    late: tuple[str, ...] = ()
    outranks: bool = False
    settle: Callable[[Any, Workshop, Mapping[str, Reading]], Any] = lambda question, *_: question
    version: int = 1
    upgrade: Callable[[dict[str, Any], int], dict[str, Any]] = lambda question, version: question

    @cached_property
    def fields(self) -> dict[str, Field]:
        """Every field of the question, in order."""
        hints = typing.get_type_hints(self.question, include_extras=True)
        return {
            f.name: next(m for m in hints[f.name].__metadata__ if isinstance(m, Field))
            for f in fields(self.question)
        }

    @cached_property
    def kinds_of_choice(self) -> dict[str, type[StrEnum]]:
        """The enumeration behind each choice field that has one."""
        found: dict[str, type[StrEnum]] = {}
        for name, hint in typing.get_type_hints(self.question).items():
            for part in (hint, *typing.get_args(hint)):
                if isinstance(part, type) and issubclass(part, StrEnum):
                    found[name] = part
        return found

    @cached_property
    def defaults(self) -> dict[str, Any]:
        """Fields that may be left out, with what they then are."""
        return {f.name: f.default for f in fields(self.question) if f.default is not MISSING}

    @cached_property
    def ruling(self) -> str | None:
        """The field that decides which others are asked."""
        return next((name for name, f in self.fields.items() if f.rules), None)

    def asked(self, ruling_key: str) -> dict[str, Field]:
        """The fields that matter under one choice of the ruling field."""
        return {n: f for n, f in self.fields.items() if not f.only or ruling_key in f.only}

    def ask(self, question: Any, workshop: Workshop) -> Any:
        """Answer a question in a workshop."""
        return self.compute(question, self.needs(question, workshop))


_CALCULATORS: dict[str, Calculator] = {}


def register(calculator: Calculator) -> Calculator:
    """Add a calculator. Its name must be new."""
    if calculator.name in _CALCULATORS:
        raise ValueError(f"{calculator.name} is registered twice")
    _CALCULATORS[calculator.name] = calculator
    return calculator


def calculators() -> dict[str, Calculator]:
    """Every calculator by name."""
    from runk.core import catalogue  # noqa: F401 - importing it registers them all

    return _CALCULATORS
