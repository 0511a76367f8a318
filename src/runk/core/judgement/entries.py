"""Everything said of a choice, a metal, a pair or a sign, findable by its words."""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass, replace
from functools import cache

from runk.core.saying import Saying, about_in, saying
from runk.core.sources import Held, Source, read_table

_WORD = re.compile(r"[a-z][a-z-]+")
_EMPTY = frozenset(
    """
    a an the of on in with at by for to into and or is it why what which when where how should i do
    my me better best than use using instead rather not can may must need it's its this that be was
    are as from mm inch thou please does did will would have has one any good bad right make making
    """.split()  # noqa: SIM905
)
_ENDS = ("ings", "ing", "ies", "ers", "er", "ed", "es", "s")
_FAMILIES = {"copper alloy": "bronze, brass or gunmetal"}
"""A family by the names people use: bare copper is another thing."""
_METALS = "mild steel stainless silver cast iron brass bronze aluminium copper"
_LEAST_SHARE, _LEAST_HITS = 0.6, 2


@dataclass(frozen=True, slots=True)
class Entry:
    """One thing the trade says.

    Args:
        says: In one line: what to do.
        reason: Why.
        calculator: Where it is worked out; empty where nowhere.
        source: Who says so.
        words: What it is found by, as :func:`stems` makes them.
        about: How it is asked for, as a saying has it: then its words need not be counted.
        unless: Words that make it another question.
        bare: Whether a number in the line makes it another question.
        also: The words of its reason, which speak for it less.
        names: The things it speaks of, as stems: a line that names fewer of them than
            ``least_named`` is about something else.
    """

    says: str
    reason: str
    calculator: str
    source: Source
    words: frozenset[str]
    also: frozenset[str]
    about: str = ""
    unless: str = ""
    bare: bool = False
    names: frozenset[str] = frozenset()
    least_named: int = 0


@cache
def stems(text: str) -> frozenset[str]:
    """The words of a text that carry something, their endings gone.

    >>> sorted(stems("Boring or reaming a hole?"))
    ['bor', 'hol', 'ream']
    """
    found = (w for w in _WORD.findall(text.lower()) if w not in _EMPTY)
    return frozenset(_stem(word) for word in found)


def _stem(word: str) -> str:
    for end in _ENDS:
        if word.endswith(end) and len(word) - len(end) >= 3:
            word = word[: -len(end)]
            # A doubled letter came with the ending: cutting, cut.
            if len(word) > 3 and word[-1] == word[-2] and word[-1] not in "sl":
                word = word[:-1]
            break
    return word[:-1] if word.endswith("e") and len(word) > 3 else word


def _entry(
    says: str, reason: str, calculator: str, row: dict[str, str], words: frozenset[str]
) -> Entry:
    source = Source(row["authority"], Held(row.get("held") or "recalled"))
    return Entry(says, reason, calculator, source, words, stems(reason))


def _schools() -> Iterable[Entry]:
    for row in read_table("judgements"):
        words = stems(row["words"]) | stems(row["says"])
        entry = _entry(row["says"], row["reason"], row["calculator"], row, words)
        yield replace(entry, about=row["about"], unless=row["unless"], bare=bool(row["bare"]))


def _of_metals() -> Iterable[Entry]:
    for row in read_table("metal_cautions"):
        names = row["metal"].replace("-", " ")
        words = stems(f"{names} {row['about']} {row['says']}")
        title = f"{row['about'][0].upper()}{row['about'][1:]}: {names.split()[0]}"
        one = _entry(title, row["says"], "speed", row, words)
        yield replace(one, names=stems(names) - {"cast"}, least_named=1)


def _of_pairs() -> Iterable[Entry]:
    for row in read_table("running_pairs"):
        one, other = (_FAMILIES.get(row[side], row[side]) for side in ("one", "other"))
        words = stems(f"{one} {other} run rub bearing pair between {row['between']}")
        title = f"{one[0].upper()}{one[1:]} on {other}"
        reason = row["says"] + (f" Between them: {row['between']}." if row["between"] else "")
        both = _entry(title, reason, "pair", row, words)
        # Of two metals that are one, there is but one name.
        sides = [stems(one), stems(other)]
        yield replace(both, names=sides[0] | sides[1], least_named=1 + (sides[0] != sides[1]))


def _of_signs() -> Iterable[Entry]:
    for row in read_table("faults"):
        words = stems(f"{row['sign'].replace('-', ' ')} {row['cause']} {row['check']}")
        # A metal named by the way is not what a sign speaks of.
        words -= stems(_METALS)
        title = f"{row['sign'].replace('-', ' ').capitalize()}: {row['cause']}"
        reason = f"{row['check'][0].upper()}{row['check'][1:]}."
        own = _entry(title, reason, "faults", row, words)
        yield replace(own, names=stems(row["sign"].replace("-", " ")), least_named=1)


@cache
def _ways() -> tuple[tuple[Saying, Entry], ...]:
    """Every entry that has a saying, with it: a number in it is told of the work."""
    numbers = dict.fromkeys(("_one", "_two", "_three", "_thread_one", "_thread_two"), "?*")
    return tuple(
        (
            saying(
                {
                    "about": one.about.split("&"),
                    "unless": one.unless,
                    "bare": one.bare,
                    "numbers": {} if one.bare else numbers,
                }
            ),
            one,
        )
        for one in entries()
        if one.about
    )


def told() -> tuple[Saying, ...]:
    """The sayings of everything that has one."""
    return tuple(way for way, _ in _ways())


@cache
def entries() -> tuple[Entry, ...]:
    """All of them: schools and order rules first, then metals, pairs and signs."""
    return (*_schools(), *_of_metals(), *_of_pairs(), *_of_signs())


def found(text: str) -> list[Entry]:
    """Entries that speak of it, the nearest first; empty where none does.

    An entry speaks of a line where it has most of the words that carry something, and more than
    one of them.

    >>> found("bronze or brass for steam")[0].says
    'Bronze or gunmetal for steam'
    >>> found("is the moon made of cheese")
    []
    """
    own = [one for one in entries() if one.says.lower() == text.strip().lower()] or _told(text)
    return own + [one for one in _speaking(text) if one not in own]


def _told(text: str) -> list[Entry]:
    """Entries that are asked for by their saying, the closest told first."""
    words = [word.strip("?!.,;:'\"") for word in text.lower().split()]
    here = [(about_in(way, words), one) for way, one in _ways()]
    told = sorted(((len(at), one) for at, one in here if at), key=lambda hit: -hit[0])
    return [one for _, one in told]


def _speaking(text: str) -> list[Entry]:
    asked = stems(text)
    least = max(_LEAST_HITS, _LEAST_SHARE * len(asked))
    hits = []
    for one in entries():
        if one.about:
            # It is asked for by its saying: by stems it would answer what it does not speak of.
            continue
        if len(asked & one.names) < one.least_named:
            continue
        named, said = asked & one.words, asked & (one.words | one.also)
        if len(named) >= _LEAST_HITS and len(said) >= least:
            hits.append((2 * len(named) + len(said), one))
    return [one for _, one in sorted(hits, key=lambda hit: -hit[0])]
