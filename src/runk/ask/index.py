"""What the rooms speak of: which calculators a line is nearest to, by the words it has."""

from __future__ import annotations

import re
from collections import Counter
from dataclasses import dataclass
from math import log
from weakref import WeakKeyDictionary

from runk.ask.heard import ASKED_FOR, own_words
from runk.ask.lexicon import lexicon_of
from runk.ask.words import FILLER
from runk.core.calculator import AnyCalculator, Catalogue
from runk.core.judgement.entries import stems

_WORD = re.compile(r"[a-z]+")
_TITLE, _CALL, _OWN = 3.0, 2.0, 1.0
"""What a word is worth by where a room has it: on its door, among its calls, anywhere else."""


@dataclass(frozen=True, slots=True)
class Near:
    """A calculator a line may be about.

    Args:
        calculator: The one.
        worth: How much the words say that it is this one: a rare word says more.
        share: Of what the line says, how much the calculator speaks of.
    """

    calculator: AnyCalculator
    worth: float
    share: float


_Spoken = dict[str, dict[str, float]]
_DONE: WeakKeyDictionary[Catalogue, frozenset[str]] = WeakKeyDictionary()
_KNOWN: WeakKeyDictionary[Catalogue, tuple[_Spoken, dict[str, float]]] = WeakKeyDictionary()


def _spoken_of(calculator: AnyCalculator) -> dict[str, float]:
    """Every stem a calculator speaks of, with what it is worth there."""
    found: dict[str, float] = {}

    def take(texts: list[str], worth: float) -> None:
        for text in texts:
            for stem in stems(" ".join(_WORD.findall(text.lower()))):
                found[stem] = max(found.get(stem, 0.0), worth)

    door = calculator.door
    take([calculator.title, calculator.name, door.room, door.tab], _TITLE)
    said = [" ".join(p) for one in calculator.told for lot in one.about for p in lot]
    take([*calculator.calls, *calculator.nouns, *said], _CALL)
    nouns = [" ".join(p) for one in calculator.told for s in one.slots for p in s.nouns]
    take([*own_words(calculator), *nouns], _OWN)
    choices = [c.label for kind in calculator.fields.values() for c in getattr(kind, "choices", ())]
    take(choices, _OWN)
    return found


def _index(catalogue: Catalogue) -> tuple[_Spoken, dict[str, float]]:
    known = _KNOWN.get(catalogue)
    if known is None:
        spoken = {c.name: _spoken_of(c) for c in catalogue.values() if not c.whole}
        rooms = Counter(stem for one in spoken.values() for stem in one)
        rare = {stem: log(1 + len(spoken) / many) for stem, many in rooms.items()}
        known = _KNOWN[catalogue] = (spoken, rare)
    return known


def operations(catalogue: Catalogue) -> frozenset[str]:
    """Words that say what is done to the metal: *turn*, *bore*; whoever reads them past is wrong.

    >>> from runk.core.catalogue import CATALOGUE
    >>> "turn" in operations(CATALOGUE)
    True
    """
    known = _DONE.get(catalogue)
    if known is None:
        known = _DONE[catalogue] = frozenset(
            phrase[0]
            for one in catalogue.values()
            if one.ruled
            for phrase, meanings in lexicon_of(one).phrases.items()
            if len(phrase) == 1 and any(m.kind == "ruling" for m in meanings)
        )
    return known


def speaks_of(word: str, calculator: AnyCalculator, catalogue: Catalogue) -> bool:
    """Whether a word is one of a calculator's own, in any of its endings.

    >>> from runk.core.catalogue import CATALOGUE
    >>> speaks_of("holes", CATALOGUE["circle"], CATALOGUE)
    True
    """
    return bool(stems(word.lower()) & _index(catalogue)[0].get(calculator.name, {}).keys())


def nearest(line: str, catalogue: Catalogue, most: int = 3) -> list[Near]:
    """The calculators whose own words a line has most of, the nearest first.

    Args:
        line: In the reader's spelling.
        catalogue: The calculators there are.
        most: So many at the most.

    >>> from runk.core.catalogue import CATALOGUE
    >>> [near.calculator.name for near in nearest("how wide is a piston ring", CATALOGUE, 1)]
    ['ring']
    """
    spoken, rare = _index(catalogue)
    words = [w for w in _WORD.findall(line.lower()) if len(w) > 1 and w not in FILLER]
    # A word that no room knows counts against them all, unless it only asks.
    known = [w for w in words if stems(w) & rare.keys() or w not in ASKED_FOR]
    asked = stems(" ".join(known))
    strange = log(1 + len(spoken))
    whole = sum(rare.get(stem, strange) for stem in asked)
    found = []
    for name, own in spoken.items():
        mine = asked & own.keys()
        if not mine:
            continue
        worth = sum(rare[stem] * own[stem] for stem in mine)
        share = sum(rare[stem] for stem in mine) / whole
        found.append(Near(catalogue[name], worth * share, share))
    return sorted(found, key=lambda near: -near.worth)[:most]
