"""A job as people tell it: which words say that it is this one, and which number is which.

A calculator's calls stand in an order and want a verb. People put the noun on either side of its
number, the question last or nowhere, and no verb at all: *flat on a 20 shaft, 12 wide, how deep*.
A saying names the words that must be somewhere in the line, and for each field the nouns that
claim a number; every number of the line must then have its field, and every word its place.

The sayings of a calculator stand in ``tables/sayings`` under its name.
"""

from __future__ import annotations

import tomllib
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from importlib import resources
from types import MappingProxyType
from typing import Any

Phrase = tuple[str, ...]
_KEYS = frozenset({"about", "numbers", "says", "also", "unless", "insists", "bare", "then"})


@dataclass(frozen=True, slots=True)
class Slot:
    """Where a number of the line may go.

    Args:
        name: The field; one that begins with ``_`` is none: it takes what is told of the work,
            ``_same`` a size said again.
        nouns: Phrases that claim the number beside them, on either side.
        loose: Whether it takes a number that no noun claims.
        optional: Whether the line may leave it out.
        twice: Nouns whose number is half of it: the radius of a circle.
    """

    name: str
    nouns: tuple[Phrase, ...] = ()
    loose: bool = False
    optional: bool = False
    twice: frozenset[Phrase] = frozenset()

    @property
    def idle(self) -> bool:
        """Whether its number is only told of the work: no field takes it."""
        return self.name.startswith("_")


@dataclass(frozen=True, slots=True)
class Saying:
    """A way of telling one job.

    Args:
        about: Lots of phrases; one of each lot must stand in the line, in any order.
        slots: What its numbers are, in the order loose ones come.
        says: What the saying itself says, by field.
        also: Words that may stand in the line and change nothing.
        unless: Phrases that make it another job.
        insists: What is missing is asked for at once: no other reading is as near.
        bare: Only of a line without a number.
        then: The line of the second step, where the job has two; fields in braces.
    """

    about: tuple[tuple[Phrase, ...], ...]
    slots: tuple[Slot, ...] = ()
    says: Mapping[str, str] = field(default_factory=lambda: MappingProxyType({}))
    also: frozenset[str] = frozenset()
    unless: tuple[Phrase, ...] = ()
    insists: bool = False
    bare: bool = False
    then: str = ""


def _phrases(alternatives: str) -> tuple[Phrase, ...]:
    found = {tuple(one.split()) for one in alternatives.lower().split("|")}
    # The longest first: a figure's whole name before its last word.
    return tuple(sorted((p for p in found if p), key=lambda p: (-len(p), p)))


def slot(name: str, said: str) -> Slot:
    """A field and the nouns that claim its number, as a table has them.

    Args:
        name: The field.
        said: Nouns parted by ``|``; ``*`` among them takes a loose number, ``?`` in front makes it
            optional, ``2*`` before a noun doubles its number.

    >>> slot("circle", "?shaft|2*radius|*").twice, slot("chord", "wide").loose
    (frozenset({('radius',)}), False)
    """
    nouns = [noun.strip() for noun in said.removeprefix("?").split("|")]
    half = _phrases("|".join(n.removeprefix("2*") for n in nouns if n.startswith("2*")))
    plain = _phrases("|".join(n for n in nouns if n != "*" and not n.startswith("2*")))
    return Slot(name, (*plain, *half), "*" in nouns, said.startswith("?"), frozenset(half))


def saying(row: Mapping[str, Any]) -> Saying:
    """A saying as a table has it.

    Args:
        row: ``about`` (lots, each of phrases parted by ``|``), ``numbers`` by field, and what else
            :class:`Saying` has.

    Raises:
        ValueError: It has a key that is none.

    >>> saying({"about": ["flat", "deep|how deep"], "numbers": {"chord": "wide"}}).about
    ((('flat',),), (('how', 'deep'), ('deep',)))
    """
    if strange := set(row) - _KEYS:
        raise ValueError(f"a saying has no {', '.join(sorted(strange))}")
    return Saying(
        tuple(_phrases(lot) for lot in row["about"]),
        tuple(slot(name, said) for name, said in row.get("numbers", {}).items()),
        MappingProxyType(dict(row.get("says", {}))),
        frozenset(row.get("also", "").lower().split()),
        _phrases(row.get("unless", "")),
        bool(row.get("insists", False)),
        bool(row.get("bare", False)),
        row.get("then", ""),
    )


def places(phrase: Phrase, words: Sequence[str]) -> list[int]:
    """Where a phrase begins in a line; ``~`` at its end is whatever the last word goes on with.

    >>> places(("stick~",), ["it", "sticks", "out"]), places(("in", "it"), ["in", "it", "in"])
    ([1], [0])
    """
    size, last, before = len(phrase), phrase[-1], phrase[:-1]
    begun = last.endswith("~")
    return [
        at - size + 1
        for at in range(size - 1, len(words))
        if (words[at].startswith(last[:-1]) if begun else words[at] == last)
        and tuple(words[at - size + 1 : at]) == before
    ]


def about_in(saying: Saying, words: Sequence[str]) -> set[int] | None:
    """Where the words stand that say it is this job; None where one lot of them is not there.

    Args:
        words: Of a line, in small letters.
    """
    # Most phrases have no word in the line: they are left before they are looked for.
    there = set(words)

    def at_all(phrase: Phrase) -> bool:
        return phrase[-1] in there or phrase[-1].endswith("~")

    if any(at_all(phrase) and places(phrase, words) for phrase in saying.unless):
        return None
    if saying.bare and any(c.isdigit() for word in words for c in word):
        return None
    found: set[int] = set()
    for lot in saying.about:
        some = [phrase for phrase in lot if at_all(phrase)]
        here = {n for p in some for at in places(p, words) for n in range(at, at + len(p))}
        if not here:
            return None
        found |= here
    return found


def sayings(calculator: str) -> tuple[Saying, ...]:
    """The sayings of a calculator, in the order of their table; none where it has no table.

    >>> sayings("no such calculator")
    ()
    """
    path = resources.files("runk.core").joinpath("tables", "sayings", f"{calculator}.toml")
    if not path.is_file():
        return ()
    table = tomllib.loads(path.read_text(encoding="utf-8"))
    return tuple(saying(row) for row in table["saying"])
