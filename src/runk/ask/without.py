"""What a line says is *not* so: taken out of it, and held against whatever comes back."""

from __future__ import annotations

import re
from dataclasses import dataclass

from runk.ask.lexicon import Names, lexicon_of
from runk.core.calculator import Catalogue
from runk.core.threads.series import names_thread

_NEGATORS = (
    ("instead", "of"),
    ("rather", "than"),
    ("and", "not"),
    ("but", "not"),
    ("it", "is", "not"),
    ("is", "not"),
    ("not",),
    ("without",),
    ("never",),
    ("no",),
    ("except",),
)
_LITTLE = frozenset("a an the in on with to by using any of for held at want need like use".split())  # noqa: SIM905
_WEAK = frozenset(
    """
    normal ordinary usual bright coolant fluid flood flooding wanted needed sure stuck rusty worn
    bent loose right left feed feeds speed revs radius diameter depth exact exactly
    """.split()  # noqa: SIM905
)
_NUMBER = re.compile(r"[\d#.][\d./]*\"?")
_LONGEST = 4
_SERIES = frozenset(
    tuple(words.split())
    for words in (
        "bsw",
        "bsf",
        "unc",
        "unf",
        "me",
        "whit",
        "whitworth",
        "ba",
        "metric",
        "imperial",
        "letter drills",
        "number drills",
        "a metric one",
        "a ba one",
    )
)
"""Series of threads and drills: left out of a line that names another, nothing is lost."""


@dataclass(frozen=True, slots=True)
class Without:
    """A line without what it excludes.

    Args:
        line: What is left of it.
        excluded: The phrases that were taken out, in small letters.
        unknown: A negated phrase that nothing in the trade knows; empty where all are known.
    """

    line: str
    excluded: tuple[str, ...] = ()
    unknown: str = ""


def without(line: str, catalogue: Catalogue, names: Names) -> Without:
    """Take what follows *not*, *no*, *without*, *instead of* out of a line.

    Args:
        line: In the reader's spelling.
        catalogue: Whose words are known.
        names: The workshop's metals and machines.

    >>> from runk.ask.lexicon import names_of
    >>> from runk.core.catalogue import CATALOGUE
    >>> from runk.demo.back_shed import WORKSHOP
    >>> without("turn 18 mm brass not carbide", CATALOGUE, names_of(WORKSHOP))
    Without(line='turn 18 mm brass', excluded=('carbide',), unknown='')
    """
    words = re.findall(r"[,;]|[^\s,;]+(?:,\d+)*", line)
    kept: list[str] = []
    excluded: list[str] = []
    unknown = ""
    at = 0
    while at < len(words):
        length = _negator(words, at)
        if not length:
            kept.append(words[at])
            at += 1
            continue
        begin = at + length
        while begin < len(words) and words[begin].lower() in _LITTLE:
            begin += 1
        end = _known(words, begin, catalogue, names)
        if end == begin and words[at].lower() in ("no", "without", "not", "but", "and"):
            # What nobody in the trade has a word for changes nothing: it is said back.
            end = begin + _weak(words, begin)
        if end == begin:
            stops = (n for n in range(begin, len(words)) if words[n] in ",;")
            end = min(next(stops, len(words)), begin + _LONGEST)
            unknown = unknown or " ".join(words[begin:end])
        excluded.append(" ".join(words[begin:end]).lower())
        at = end
        # Two left out in one breath: not hss or carbide.
        while at + 1 < len(words) and words[at].lower() in ("or", "nor") and not unknown:
            more = _known(words, at + 1, catalogue, names)
            if more == at + 1:
                break
            excluded.append(" ".join(words[at + 1 : more]).lower())
            at = more
    text = re.sub(r" ([,;])", r"\1", " ".join(kept))
    text = re.sub(r"([,;])(?: ?[,;])+", r"\1", text).strip(" ,;")
    return Without(text, tuple(excluded), unknown) if excluded else Without(line)


def _weak(words: list[str], begin: int) -> int:
    """How many words from here are of no weight: *not the normal*, *not too fast* are."""
    at = begin
    while at < len(words) and words[at].lower() in _WEAK:
        at += 1
    return at - begin


def _negator(words: list[str], at: int) -> int:
    """How many words from here negate what follows; 0 where none does."""
    lower = [w.lower() for w in words[at : at + 3]]
    for negator in _NEGATORS:
        if tuple(lower[: len(negator)]) == negator:
            following = words[at + len(negator) : at + len(negator) + 1]
            # No. 30 is a drill's name, and a sentence may end in no.
            numbered = negator == ("no",) and following and following[0][0].isdigit()
            return 0 if numbered or not following else len(negator)
    return 0


def _known(words: list[str], begin: int, catalogue: Catalogue, names: Names) -> int:
    """The end of the longest phrase from here that somebody knows; ``begin`` where nobody does."""
    lower = [w.lower() for w in words[begin : begin + _LONGEST]]
    for length in range(len(lower), 0, -1):
        phrase = tuple(lower[:length])
        if phrase in names.metals or phrase in names.machines or names_thread(" ".join(phrase)):
            return begin + length
        if any(phrase in lexicon_of(c).phrases for c in catalogue.values()):
            return begin + length
        if phrase in _SERIES:
            return begin + length
    if lower[:2] == ["1", "in"] and lower[2:3] and lower[2].isdigit():
        return begin + 3
    if lower and _NUMBER.fullmatch(lower[0]):
        unit = len(lower) > 1 and lower[1] in ("mm", "in", "thou", "holes", "teeth", "degrees")
        return begin + 1 + unit
    return begin
