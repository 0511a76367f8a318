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
    return tuple(sorted(w for w in known() - FILLERS if len(w) > 3))


def see_words(text: str) -> None:
    """See that every word left over is one of this trade.

    Raises:
        Refused: A word that is none.
    """
    for word in _WORD.findall(re.sub(r"[#%^@&]\d*", " ", text)):
        if word in known():
            continue
        near = difflib.get_close_matches(word, _long(), n=1, cutoff=0.74) if len(word) > 3 else []
        if near:
            raise Refused(f"`{word[:30]}`: did you mean {near[0]}?", field="kind", suggest=near[0])
        raise Refused(
            f"What is `{word[:30]}`? The other words of the line are known: put what it is into "
            "its name, called so, or leave it out.",
            field="called",
        )
