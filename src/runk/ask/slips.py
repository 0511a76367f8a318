"""Slips of the finger in long words: one letter too many, too few, changed or turned round."""

from __future__ import annotations

import re
from functools import lru_cache
from weakref import WeakKeyDictionary

from runk.ask.heed import HEEDED_WORDS
from runk.ask.lexicon import Names, lexicon_of
from runk.ask.words import FILLER, PARTS
from runk.core.calculator import Catalogue

_SHORTEST = 5
_PLAIN = re.compile(r"[a-z][a-z-]{3,}")
_VOCABULARIES: WeakKeyDictionary[Catalogue, frozenset[str]] = WeakKeyDictionary()
_SPOKEN: WeakKeyDictionary[Catalogue, frozenset[str]] = WeakKeyDictionary()
# Words of any workshop talk that no calculator calls its own: no slips of one that does.
_COMMON = frozenset(
    """
    about above after again against along already also always around back because been before
    behind below beside best better between both called calls carefully come comes could deeper
    does doing done down each easier either else enough every exactly finished first found front
    full good half hardly have having heavy here higher home inches inside into itself keep
    largest last least left less letter light like little longer lower make makes many measured
    might more most much must near need needs next none nothing often once only other outside over
    part piece pieces place quickly quite rather ready right round same second should show shown
    side slower small smaller some soon still such sure take takes than that them then there
    these they thing think third this those through time times together told turns twice under
    until upper used useful very want wanted wants well were what when where whether which while
    whole will with work would wrong your
    """.split()  # noqa: SIM905
)


def vocabulary(catalogue: Catalogue, names: Names) -> frozenset[str]:
    """Every word that says something to a calculator, or names a metal or a machine here."""
    own = _VOCABULARIES.get(catalogue)
    if own is None:
        found: set[str] = set()
        for calculator in catalogue.values():
            lexicon = lexicon_of(calculator)
            for phrase in (*lexicon.phrases, *lexicon.hints, *lexicon.before):
                found.update(phrase)
            for pattern, plain in lexicon.patterns:
                found.update(plain or pattern)
        found.update(HEEDED_WORDS)
        own = _VOCABULARIES[catalogue] = frozenset(found)
    return _together(own, _named(names))


def spoken(catalogue: Catalogue) -> frozenset[str]:
    """Words of the sayings: none of them is a slip, and no slip is taken for one."""
    own = _SPOKEN.get(catalogue)
    if own is None:
        told = [one for calculator in catalogue.values() for one in calculator.told]
        lots = [phrase for one in told for lot in one.about for phrase in lot]
        nouns = [phrase for one in told for slot in one.slots for phrase in slot.nouns]
        own = _SPOKEN[catalogue] = frozenset(
            word for phrase in (*lots, *nouns) for word in phrase if not word.endswith("~")
        )
    return own


@lru_cache(maxsize=8)
def _together(own: frozenset[str], named: frozenset[str]) -> frozenset[str]:
    return own | named


@lru_cache(maxsize=8)
def _named_of(words: tuple[tuple[str, ...], ...]) -> frozenset[str]:
    return frozenset(word for phrase in words for word in phrase)


def _named(names: Names) -> frozenset[str]:
    return _named_of((*names.metals, *names.machines))


def _edits(word: str) -> set[str]:
    """Every word one slip away."""
    letters = "abcdefghijklmnopqrstuvwxyz"
    cuts = [(word[:n], word[n:]) for n in range(len(word) + 1)]
    found = {a + b[1:] for a, b in cuts if b}
    found |= {a + b[1] + b[0] + b[2:] for a, b in cuts if len(b) > 1}
    found |= {a + c + b[1:] for a, b in cuts if b for c in letters}
    return found | {a + c + b for a, b in cuts for c in letters}


def mended(line: str, catalogue: Catalogue, names: Names) -> tuple[str, tuple[str, ...]]:
    """A line with its slips put right, and what was taken for what.

    Only a long word that nothing knows is looked at, and only where one word alone is a slip away.

    >>> from runk.ask.lexicon import names_of
    >>> from runk.core.catalogue import CATALOGUE
    >>> from runk.demo.back_shed import WORKSHOP
    >>> mended("drlling 5mm silver steel", CATALOGUE, names_of(WORKSHOP))
    ('drilling 5mm silver steel', ('drlling: drilling',))
    """
    known = vocabulary(catalogue, names)
    words, taken = line.split(), []
    for n, typed in enumerate(words):
        word = typed.strip(",;.?!").lower()
        if len(word) < _SHORTEST or not _PLAIN.fullmatch(word):
            continue
        if (
            word in known
            or word in spoken(catalogue)
            or word in FILLER
            or word in PARTS
            or word in _COMMON
        ):
            continue
        near = {w for w in _edits(word) if w in known and len(w) >= _SHORTEST - 1}
        before = words[n - 1].strip(",;.?!").lower() if n else ""
        # Silver steal: of several words a slip away, the one that makes a name with its neighbour.
        near = {w for w in near if (before, w) in names.metals} or near
        meanings = {names.metals.get((w,), w.rstrip("s")) for w in near}
        if len(meanings) == 1:
            # Two spellings of one metal are one meaning.
            meant = max(near, key=len)
            words[n] = typed.lower().replace(word, meant)
            taken.append(f"{word}: {meant}")
    return " ".join(words), tuple(taken)
