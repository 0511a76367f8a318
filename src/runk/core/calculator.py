"""A calculator: one question, one answer, one pure function; and the list of them."""

from __future__ import annotations

import typing
from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import MISSING, dataclass, fields
from enum import StrEnum
from functools import cached_property
from types import MappingProxyType
from typing import Any, Generic, TypeVar

from runk.core.figures import instead_of
from runk.core.kinds import Kind
from runk.core.lengths import Reading
from runk.core.rounding import one_rounding
from runk.core.saying import Saying, sayings
from runk.core.shown import Column, described
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_MOST_CHOICES = 100
"""So many choices of a ruling field are remembered: what is typed may be anything."""
Q = TypeVar("Q")
S = TypeVar("S")
A = TypeVar("A")


@dataclass(frozen=True)
class Sweep(Generic[Q, S]):
    """The calculator's laws over whole arrays, for one drawing or sheet.

    Args:
        compute: From the question and its snapshot to the shape.
        shape: A dataclass of plain lists.
    """

    compute: Callable[[Q, S], Any]
    shape: type[Any]


@dataclass(frozen=True, slots=True)
class Door:
    """Where a calculator is found in the house.

    Args:
        path: Its address.
        room: The room it belongs to: a word on the rule.
        tab: Its own name among the room's tabs.
        group: ``Cut``, ``Jobs`` or ``Shop``.
        family: Of its tab, in a room that has many.
    """

    path: str
    room: str
    tab: str
    group: str = "Cut"
    family: str = ""


def _unchanged(question: Any, *_: Any) -> Any:
    return question


@dataclass(frozen=True, eq=False, kw_only=True)
class Calculator(Generic[Q, S, A]):
    """One question, one answer, one pure function.

    Args:
        name: In addresses and on the command line.
        title: In words.
        question: Frozen dataclass whose fields are annotated with a kind.
        answers: Frozen dataclasses of described fields, cautions and links; more than one
            where the answers differ in kind, each then with its own ``tag``.
        compute: From the question and its snapshot to the answer.
        needs: Picks the snapshot out of the workshop.
        sentences: By key of the ruling field (``""`` where there is none): the sentence
            with its live words in braces; a part in square brackets is said only when
            the words in it are given.
        headline: The answer in a few words, in the page's unit: for the slate.
        door: Where it is found.
        opening: The question it stands with until somebody types another, field by field.
        calls: Words that call it from the Ask line. ``#`` in them is any size, ``@`` the name
            of a thread, ``%`` a metal: ``# to #``, ``drill for @``.
        nouns: Words that may call it where nothing else is called as well: a *hole*.
        ruled: Whether the words of its ruling field call it: *turn*, *bore*.
        insists: Its words are never passed over by another: an *oversize* reamed hole is a fault.
        alone: Whether a line that is nothing but one size calls it.
        whole: The field that takes a whole line of words: a question of judgement, asked before
            the numbers where the line sounds like one, after them where nothing else answers.
        lines: Shapes of whole lines it knows besides its own sentences, for questions whose parts
            are lists: ``{call} {room} less {stack}``; ``<bore|hole>`` is any of these words,
            ``{kind=rod}`` what the shape itself says.
        sayings: Ways of telling it by its nouns, besides those of the table under its name.
        sweeps: Its sweeps by name, fetched when wanted: they bring NumPy with them.
        settle: Fills in what the workshop decides where the question leaves it open.
        follow: Settles a question so that what is cut and measured at the bench can be followed;
            None where its answer is no cut.
        version: Raised when stored questions change shape.
        upgrade: Turns a stored question of an older version into today's.
    """

    name: str
    title: str
    question: type[Q]
    answers: tuple[type[A], ...]
    compute: Callable[[Q, S], A]
    needs: Callable[[Q, Workshop], S]
    sentences: Mapping[str, str]
    headline: Callable[[A, PageUnit], str]
    door: Door
    opening: Mapping[str, str]
    calls: tuple[str, ...] = ()
    nouns: tuple[str, ...] = ()
    ruled: bool = False
    insists: bool = False
    alone: bool = False
    whole: str = ""
    lines: tuple[str, ...] = ()
    sayings: Callable[[], tuple[Saying, ...]] = tuple
    sweeps: Callable[[], Mapping[str, Sweep[Q, S]]] = dict
    settle: Callable[[Q, Workshop, Mapping[str, Reading]], Q] = _unchanged
    follow: Callable[[Q, S], Any] | None = None
    version: int = 1
    upgrade: Callable[[dict[str, str], int], dict[str, str]] = _unchanged

    @cached_property
    def fields(self) -> dict[str, Kind]:
        """Every field of the question, in order."""
        hints = typing.get_type_hints(self.question, include_extras=True)
        return {
            f.name: next(m for m in hints[f.name].__metadata__ if isinstance(m, Kind))
            for f in fields(self.question)  # type: ignore[arg-type]
        }

    @cached_property
    def told(self) -> tuple[Saying, ...]:
        """Ways of telling it by its nouns, in any order: see :mod:`runk.core.saying`.

        Raises:
            ValueError: One speaks of a field there is not.
        """
        found = (*sayings(self.name), *self.sayings())
        named = {
            n for one in found for n in (*one.says, *(s.name for s in one.slots if not s.idle))
        }
        if strange := named - self.fields.keys():
            raise ValueError(f"{self.name} has no {', '.join(sorted(strange))}")
        return found

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
        return {
            f.name: f.default
            for f in fields(self.question)  # type: ignore[arg-type]
            if f.default is not MISSING
        }

    @cached_property
    def ruling(self) -> str | None:
        """The field that decides which others are asked."""
        return next((name for name, f in self.fields.items() if f.rules), None)

    @cached_property
    def _asked(self) -> dict[str, Mapping[str, Kind]]:
        return {}

    def asked(self, chosen: str) -> Mapping[str, Kind]:
        """The fields that matter under one choice of the ruling field."""
        known = self._asked.get(chosen)
        if known is None:
            under = {n: f for n, f in self.fields.items() if f.is_asked(chosen)}
            known = MappingProxyType(under)
            if len(self._asked) < _MOST_CHOICES:
                self._asked[chosen] = known
        return known

    def wanted(self, chosen: str, typed: Mapping[str, Any] = MappingProxyType({})) -> Iterator[str]:
        """The fields that must be said under one choice of the ruling field.

        Args:
            typed: What is said already: a field another one stands in for is not asked as well.
        """
        asked = self.asked(chosen)
        for name, kind in asked.items():
            must = name not in self.defaults or kind.is_needed(chosen)
            # A field that is not asked here cannot stand in for one that is.
            if must and not any(o in asked and typed.get(o) for o in kind.or_else.split()):
                yield name

    def described(self) -> dict[str, tuple[Column, ...]]:
        """What each of its answers shows, by the answer's tag (``""`` where there is one)."""
        return {getattr(a, "tag", ""): described(a) for a in self.answers}

    def ask(self, question: Q, workshop: Workshop) -> A:
        """Answer a question in a workshop."""
        return one_rounding(self.compute(question, self.needs(question, workshop)))

    def heads(self, answer: A, page: PageUnit) -> str:
        """The headline; where a Stop stands beside it, what to do instead."""
        instead = instead_of(getattr(answer, "cautions", ()))
        return f"Stop: {instead}" if instead else self.headline(answer, page)

    def todays(self, typed: Mapping[str, Any], version: int) -> dict[str, Any]:
        """A question stored by an older version, as it would be typed today."""
        return self.upgrade(dict(typed), version) if version < self.version else dict(typed)


AnyCalculator = Calculator[Any, Any, Any]


class Catalogue(Mapping[str, AnyCalculator]):
    """Calculators by name, in their order.

    Args:
        listed: Each name once.
        former: Today's name of a calculator that went into another: what is kept of it opens there.

    Raises:
        ValueError: Two of one name, or at one address.
    """

    def __init__(
        self, listed: Iterable[AnyCalculator], former: Mapping[str, str] = MappingProxyType({})
    ) -> None:
        self._former = former
        self._named: dict[str, AnyCalculator] = {}
        paths: dict[str, str] = {}
        for one in listed:
            if one.name in self._named:
                raise ValueError(f"{one.name} is listed twice")
            if one.door.path in paths:
                raise ValueError(f"{one.name} and {paths[one.door.path]} share an address")
            self._named[one.name], paths[one.door.path] = one, one.name

    def __getitem__(self, name: str) -> AnyCalculator:
        return self._named[self._former.get(name, name)]

    def __iter__(self) -> Iterator[str]:
        return iter(self._named)

    def __len__(self) -> int:
        return len(self._named)

    def __hash__(self) -> int:
        return id(self)

    def __eq__(self, other: object) -> bool:
        return self is other
