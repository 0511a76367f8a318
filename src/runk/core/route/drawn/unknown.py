"""Words of a line nobody knows: said, with the nearest that is known."""

from __future__ import annotations

import difflib
import re
from functools import cache

from runk.core.refusals import Refused
from runk.core.route.drawn.clauses import CLAUSES
from runk.core.route.drawn.kinds import HEARD
from runk.core.route.drawn.phrases import FILLERS, NAMES, PHRASES, SAID

_WORD = re.compile(r"[a-z]{2,}")
_NAMING = re.compile(r" (?:holes?|groove|bore|slot|keyway|thread|outside|journal|flats?|chamfer)\b")
_SHORT = 4
"""Letters of a word too short for its likeness to tell."""
_SPOKEN = ("bore", "ream", "hole", "slot", "face", "turn", "flat", "deep", "wide", "long", "tap")


@cache
def known() -> frozenset[str]:
    """Every word a sentence of a part may have."""
    patterns = [said for said, _ in PHRASES] + [said for said, _ in CLAUSES]
    patterns += [one.words for one in HEARD]
    words = {word for text in patterns for word in _WORD.findall(re.sub(r"\\[a-zA-Z]", " ", text))}
    words |= {word for _, to in PHRASES for word in _WORD.findall(to)}
    return frozenset(words | FILLERS | NAMES | SAID)


@cache
def _long() -> tuple[str, ...]:
    """Words a slip is looked for among: those that name something."""
    return tuple(sorted(w for w in known() - FILLERS if len(w) > _SHORT))


def near(word: str) -> str:
    """What a word may be a slip of; empty where nothing is near.

    A longer word is known by most of its letters, a short one by all but one.

    >>> near("ouside"), near("reem"), near("gubbins")
    ('outside', 'ream', '')
    """
    if len(word) <= _SHORT:
        alike = (one for one in _SPOKEN if len(one) == len(word) and one[0] == word[0])
        return next((one for one in alike if _differ(one, word) == 1), "")
    found = difflib.get_close_matches(word, _long(), n=1, cutoff=0.8)
    return found[0] if found else ""


def _differ(one: str, other: str) -> int:
    return sum(a != b for a, b in zip(one, other, strict=True))


def see_words(text: str) -> None:
    """See that every word left over is one of this trade.

    Args:
        text: What is left of a line.

    Raises:
        Refused: A word that is none.
    """
    plain = re.sub(r"[#%^@&]\d*", " ", text)
    for found in _WORD.finditer(plain):
        word = found[0]
        if word in known():
            continue
        if meant := near(word):
            raise Refused(f"`{word[:30]}`: did you mean {meant}?", field="kind", suggest=meant)
        if _NAMING.match(plain[found.end() :]):
            # Rivet holes: somebody's name for them.
            continue
        raise Refused(
            f"What is `{word[:30]}`? The other words of the line are known: put what it is into "
            "its name, called so, or leave it out.",
            field="called",
        )
