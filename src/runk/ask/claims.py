"""Which word says what a number is: 5 deep, bar 12, 0.81 pitch."""

from __future__ import annotations

import itertools
from collections.abc import Iterator
from dataclasses import dataclass

from runk.ask.lexicon import Lexicon
from runk.ask.sizes import Cutting, Size

_LINKS = frozenset(
    {"at", "in", "the", "is", "of", "a", "an", "only", "about", "=", ":", "bolt", "equal", "small"}
)
_ALIKE = 3.5
"""What it is worth that every word stands before its number."""
_TRAILING = frozenset(
    """
    deep long wide thick high out away across apart g grams gram psi bar kpa mpa rpm tpi
    overall degrees deg ° teeth flutes flute tooth parts off room revs rev/min percent % threads
    """.split()  # noqa: SIM905
)
"""Words that stand behind their number by nature."""
_COUNTED = frozenset(
    {"holes", "studs", "bolts", "screws", "divisions", "rows", "clamps", "bearings", "rings"}
)
"""Things that are counted: their number stands before them, and hardly ever behind."""
_MOST_HINTS = 8
_LONGEST = 3


@dataclass(frozen=True, slots=True)
class Hint:
    """A word that claims a number.

    Args:
        start: Its first word in the line.
        end: The word after its last.
        words: As written.
        only_before: Claims only the number after it.
        ends_call: Whether it is the last word of a call: gauge *pin* 6 mm.
    """

    start: int
    end: int
    words: tuple[str, ...]
    only_before: bool
    ends_call: bool


@dataclass(frozen=True, slots=True)
class Claim:
    """A number and the word that claims it.

    Args:
        size: The number.
        hint: The word.
        leads: Whether the word stands before it.
    """

    size: Size
    hint: Hint
    leads: bool


def hints_in(
    lexicon: Lexicon, cutting: Cutting, phrases: list[tuple[int, int, bool]]
) -> list[Hint]:
    """Every hint in a line, longest first.

    Args:
        lexicon: Whose hints.
        cutting: The line.
        phrases: Where its own phrases stand: first word, word after the last, whether a call.
    """
    inside = {at for size in cutting.sizes for at in range(size.start, size.end)}
    lower = [w.lower() for w in cutting.words]
    found: list[Hint] = []
    at = 0
    while at < len(lower):
        hint = None if at in inside else _hint_at(lexicon, lower, at)
        if hint is None:
            at += 1
            continue
        around = next((p for p in phrases if p[0] <= at and hint.end <= p[1]), None)
        covered = around is not None and around[1] - around[0] > hint.end - hint.start
        ends = covered and around is not None and around[2] and hint.end == around[1]
        if not covered or ends:
            found.append(Hint(hint.start, hint.end, hint.words, hint.only_before, ends))
        at = hint.end
    return found[:_MOST_HINTS]


def _hint_at(lexicon: Lexicon, lower: list[str], at: int) -> Hint | None:
    for length in range(min(_LONGEST, len(lower) - at), 0, -1):
        words = tuple(lower[at : at + length])
        if words in lexicon.hints or words in lexicon.before:
            return Hint(at, at + length, words, words not in lexicon.hints, False)
    return None


def assignments(hints: list[Hint], sizes: list[Size], cutting: Cutting) -> list[list[Claim]]:
    """Ways of giving each number at most one word and each word at most one number.

    Args:
        hints: In the order they stand.
        sizes: The numbers they may claim.
        cutting: The line.

    Returns:
        The best first; others that are nearly as good behind it.
    """
    options = [list(_options(hint, sizes, cutting)) for hint in hints]
    scored: list[tuple[float, list[Claim]]] = []
    for chosen in itertools.product(*options):
        claims = [claim for claim in chosen if claim is not None]
        taken = [claim.size.start for claim in claims]
        said = [claim.hint.words for claim in claims]
        # A number has one word, and one word said twice still says one thing.
        if len(set(taken)) == len(taken) and len(set(said)) == len(said):
            scored.append((sum(map(_worth, claims)) + _ALIKE * _all_lead(claims), claims))
    scored.sort(key=lambda pair: -pair[0])
    best = scored[0][0]
    return [claims for worth, claims in scored if worth >= best - 3.0][:4]


def _all_lead(claims: list[Claim]) -> bool:
    """Whether somebody names every number first: ``long 50 weighs 124``."""
    free = all(claim.leads and not claim.hint.only_before for claim in claims)
    return len(claims) > 1 and free


def _worth(claim: Claim) -> float:
    counted = claim.hint.words[-1] in _COUNTED
    if counted and claim.leads:
        return 5.0
    trailing = counted or claim.hint.words[-1] in _TRAILING
    if claim.hint.ends_call:
        return 13.0 if claim.leads else 8.0
    return (
        10.0 + (2.0 if trailing != claim.leads else 0.0) - (1.0 if trailing and claim.leads else 0)
    )


def _options(hint: Hint, sizes: list[Size], cutting: Cutting) -> Iterator[Claim | None]:
    every = {at: size for size in cutting.sizes for at in range(size.start, size.end)}
    wanted = {size.start for size in sizes}
    before = _next_to(cutting, hint.start - 1, -1, every, wanted)
    after = _next_to(cutting, hint.end, 1, every, wanted)
    if before is not None and not hint.only_before:
        yield Claim(before, hint, False)
    if after is not None:
        yield Claim(after, hint, True)
    yield None


def _next_to(
    cutting: Cutting, at: int, step: int, every: dict[int, Size], wanted: set[int]
) -> Size | None:
    """The number beside a word, over words that only join; a thread's name between is no number."""
    while 0 <= at < len(cutting.words):
        size = every.get(at)
        if size is not None and size.start in wanted:
            return size
        if size is not None:
            at = size.end if step > 0 else size.start - 1
        elif cutting.words[at].lower() in _LINKS:
            at += step
        else:
            return None
    return None
