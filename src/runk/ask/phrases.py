"""Which phrases of a line mean something to a calculator, and how clearly they call it."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from runk.ask.lexicon import Lexicon, Meaning, Names
from runk.ask.sizes import Cutting
from runk.core.calculator import AnyCalculator

_ARTICLES = frozenset({"a", "an", "the", ",", ";"})
_LED = frozenset({"mandrel", "arbor", "compound"})
"""Nouns that say the holding only behind a word that leads to one: *on a* mandrel."""
_LEADS = frozenset({"on", "in", "with", "held", "between", "by", "using"})
_NOUN_WORTH, _SAID_WORTH = 0.6, 0.5
"""Against 1 for a word that calls: a noun alone calls less, a choice named beside a call adds."""
_MOST_NAMED = 4.0


@dataclass(frozen=True, slots=True)
class Phrase:
    """A phrase of the line: where it stands and what it means."""

    start: int
    end: int
    meanings: tuple[Meaning, ...]


Known = dict[int, Phrase | None]


def phrases_of(lexicon: Lexicon, cutting: Cutting, names: Names, known: Known) -> Iterator[Phrase]:
    """Phrases of the line that mean something to a calculator, the longest first at each place.

    Args:
        lexicon: Its words.
        cutting: The line, cut.
        names: The workshop's metals and machines.
        known: The longest phrase at each place, as another cutting of the same line found it.
    """
    lower = cutting.lower
    at = 0
    while at < len(lower):
        size = cutting.at.get(at)
        found = known[at] if at in known else known.setdefault(at, _at(lexicon, lower, at, names))
        if found is not None and (size is None or found.end >= size.end):
            yield found
            at = found.end
            continue
        if size is not None and size.end > at + 1:
            # "no 43 drill" is a size and the work as well.
            last = lexicon.phrases.get(lower[size.end - 1 : size.end], ())
            if last:
                yield Phrase(size.end - 1, size.end, tuple(last))
        at = size.end if size is not None else at + 1


def _at(lexicon: Lexicon, lower: tuple[str, ...], at: int, names: Names) -> Phrase | None:
    """The longest phrase that begins here."""
    named = (lexicon.metals or lexicon.machine) and lower[at] in names.starts
    # Most words begin nothing that this one knows.
    if not named and lower[at] not in lexicon.starts:
        return None
    longest = min(max(lexicon.longest, names.longest), 6)
    for length in range(min(longest, len(lower) - at), 0, -1):
        words = lower[at : at + length]
        meanings = list(lexicon.phrases.get(words, ()))
        if lexicon.metals and words in names.metals:
            meanings.append(Meaning("metal", "", names.metals[words]))
        if lexicon.machine and words in names.machines and not meanings:
            meanings.append(Meaning("machine", lexicon.machine, names.machines[words]))
        if length == 1 and words[-1] in _LED and not _led(lower, at):
            meanings = [m for m in meanings if m.kind != "choice"]
        if meanings:
            return Phrase(at, at + length, tuple(meanings))
    return None


def _led(lower: tuple[str, ...], at: int) -> bool:
    if lower[at] in _LEADS:
        return True
    at -= 1
    while at >= 0 and lower[at] in _ARTICLES | {"retaining"}:
        at -= 1
    return at >= 0 and lower[at] in _LEADS


def called_by(
    calculator: AnyCalculator,
    lexicon: Lexicon,
    cutting: Cutting,
    names: Names,
    phrases: list[Phrase],
) -> tuple[float, set[int]]:
    """How clearly the line calls it, and by which words."""
    worth, at = 0.0, set[int]()
    ruled = False
    for phrase in phrases:
        kinds = {m.kind for m in phrase.meanings}
        length = phrase.end - phrase.start
        if "call" in kinds or ("ruling" in kinds and calculator.ruled):
            worth = max(worth, float(min(length, 3)))
            at.update(range(phrase.start, phrase.end))
        elif "noun" in kinds:
            worth = max(worth, _NOUN_WORTH)
            at.update(range(phrase.start, phrase.end))
        ruled = ruled or "ruling" in kinds
    for literal, weight in _patterns(lexicon, cutting, names):
        worth = max(worth, min(weight, _MOST_NAMED))
        at.update(literal)
    if worth and ruled and not calculator.ruled:
        worth += _SAID_WORTH
    if not worth and calculator.alone and _is_one_size(cutting):
        worth = 1.0
    return worth, at


def _is_one_size(cutting: Cutting) -> bool:
    sizes = cutting.sizes
    whole = len(sizes) == 1 and sizes[0].start == 0 and sizes[0].end == len(cutting.words)
    return whole and (sizes[0].reading or sizes[0].refused) is not None


def _patterns(lexicon: Lexicon, cutting: Cutting, names: Names) -> Iterator[tuple[set[int], float]]:
    if not lexicon.patterns:
        return
    items = _items(cutting, names)
    there = {got for got, _ in items}
    for pattern, plain in lexicon.patterns:
        if not plain <= there:
            continue
        for start in range(len(items) - len(pattern) + 1):
            part = items[start : start + len(pattern)]
            if all(_fits(want, got) for want, (got, _) in zip(pattern, part, strict=True)):
                literal = {at for got, at in part if got not in "#@%"}
                # A thread's name in a place for any size fits it less well than in one of its own.
                loose = sum(w == "#" and g == "@" for w, (g, _) in zip(pattern, part, strict=True))
                yield literal, len(literal) + 0.5 * (len(pattern) - len(literal)) - 0.15 * loose


def _items(cutting: Cutting, names: Names) -> list[tuple[str, int]]:
    """The line with ``#`` for a size, ``@`` for a thread, ``%`` for a metal; the same for all."""
    known = cutting.items.get(id(names))
    if known is not None:
        return known
    items: list[tuple[str, int]] = []
    lower = cutting.lower
    at = 0
    while at < len(lower):
        size = cutting.at.get(at)
        metal = next((n for n in range(4, 0, -1) if tuple(lower[at : at + n]) in names.metals), 0)
        if size is not None and (not metal or size.end > at + metal):
            items.append(("@" if size.thread else "#", at))
            at = size.end
        elif metal:
            items.append(("%", at))
            at += metal
        else:
            if lower[at] not in _ARTICLES:
                items.append((lower[at], at))
            at += 1
    cutting.items[id(names)] = items
    return items


def _fits(want: str, got: str) -> bool:
    return want == got or (want == "#" and got == "@")
