"""Answering a line: every calculator reads it with its own words, and the best reading is taken."""

from __future__ import annotations

import contextlib
import itertools
import re
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any

from runk.ask.asked import Asked, Other, echoed
from runk.ask.by_index import or_by_index
from runk.ask.by_nouns import by_nouns
from runk.ask.candidate import Candidate
from runk.ask.forms import forms
from runk.ask.heard import asked_back, excluded_of, lost_of, other_of, with_slips
from runk.ask.heed import heeded
from runk.ask.lexicon import Names, called_of, names_of
from runk.ask.otherwise import keeps_numbers, otherwise, revs
from runk.ask.phrases import Known
from runk.ask.reading import read_line
from runk.ask.refusing import not_called, one_of_two, refusal
from runk.ask.shaped import Unanswered, shaped
from runk.ask.sizes import cuttings
from runk.ask.slips import mended
from runk.ask.spelling import spelt
from runk.ask.without import Without, without
from runk.ask.words import asked_in, sounds_like_judgement, words_of
from runk.core.calculator import AnyCalculator, Catalogue
from runk.core.catalogue import CATALOGUE
from runk.core.judgement.entries import stems
from runk.core.questions import Read, read_question, sentence
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

# What a reading is worth, in points. They were weighed against tests/ask/lines.jsonl: only their
# order and their rough size carry meaning.
_NEAR, _SAME, _YIELDS = 2.5, 0.3, 0.25
"""How much less a second reading may be worth to be offered; to be asked about; to stand in."""
_NAMED, _MISSING, _PROBLEM, _HEED, _WORD, _INSISTS, _IMPOSSIBLE = 3.0, 10.0, 6.0, 4.0, 1.0, 9.0, 7.0
"""Per point of being called, missing field, problem, heeded word lost, word lost, word that
another insists on, and for an answer the workshop cannot give."""
_MOST_TRIED, _MOST_OTHERS = 6, 3
_CLOSELY = 4.5
"""What is told by three things at least is told closely: no sign of trouble says more of it."""
_WHY = re.compile(r"why\b", re.IGNORECASE)
_SIGN = re.compile(r"when the\b", re.IGNORECASE)
"""So a sign of trouble is said back."""
_ASKS_REVS = re.compile(r"\b(?:revs?|rpm)\b", re.IGNORECASE)
_ASKS_SIZE = re.compile(
    r"\bhow (?:deep|big|wide|thick|large|long)\b|\b(?:drill|gap|clearance|tapping|core)\b.*\bfor\b"
    r"|\b(?:clearance|tapping|tap) (?:drill|hole|size)|\bgap of\b|\bdrill size\b",
    re.IGNORECASE,
)
"""A size is wanted: what is missing is asked, and no practice quoted in its place."""
_TELLING = 3
_TOO_ODD = 1.5
"""So far outside what is usual, in e-folds, a second reading is not offered."""
_OTHER_WAY = 0.6
"""As ``_NEAR``, where only which number is for what differs."""


@dataclass(slots=True)
class _Tried:
    """A candidate followed to its answer."""

    score: float
    candidate: Candidate
    before: float = 0.0
    read: Read | None = None
    answer: Any = None
    refused: Refused | None = None

    @property
    def answered(self) -> bool:
        return self.read is not None


def ask(
    line: str, workshop: Workshop, page: PageUnit = PageUnit.MM, catalogue: Catalogue = CATALOGUE
) -> Asked:
    """Answer one line in plain words, in any order, units mixed.

    Args:
        line: Such as ``turn 22mm silver steel hss``.
        workshop: Whose machines and metals it is about.
        page: What a bare number means.
        catalogue: The calculators that may answer.

    Raises:
        Refused: Saying which words were understood and what one thing is missing.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> ask("bore 5/8 cast iron carbide on the lathe", WORKSHOP).answer.position
    'belt 3, direct'
    """
    words_of(line)
    told = spelt(line)
    try:
        return _heard(told, workshop, page, catalogue)
    except Refused as refused:
        if _WHY.match(told):
            raise
        return or_by_index(told, refused, workshop, page, catalogue)


def _heard(told: str, workshop: Workshop, page: PageUnit, catalogue: Catalogue) -> Asked:
    """A line by its nouns, else by calls, shapes and numbers.

    Raises:
        Refused: It is nobody's, or wants something.
    """
    names = names_of(workshop)
    left = Without(told) if _WHY.match(told) else without(told, catalogue, names)
    if left.excluded and (whole := _as_it_stands(told, workshop, page, catalogue)):
        return whole
    # What the trade says of a thing may be asked with its *not*: it did not get hard.
    practice = by_nouns(told, workshop, page, catalogue) if left.unknown else None
    if practice and practice.asked and practice.asked.calculator.whole and not practice.lost:
        return practice.asked
    if left.unknown:
        raise Refused(
            f"I cannot leave out `{left.unknown[:60]}`: I do not know what it is here.",
            suggest=left.line[:200] or None,
        )
    typed = left.line or told
    right, slips = mended(typed, catalogue, names)
    # A slip first: read as it stands, the word that mattered would be passed over.
    wordings: _Wordings = ((right, slips), (typed, ())) if slips else ((typed, ()),)
    refused, wanting = None, None
    for one, taken in wordings:
        heard = by_nouns(one, workshop, page, catalogue)
        if heard is None:
            continue
        if heard.asked and not heard.lost and not excluded_of(heard.asked, left.excluded):
            if heard.worth >= _CLOSELY and not _SIGN.match(one):
                return with_slips(heard.asked, taken)
            return with_slips(_sign(one, workshop, page, catalogue, heard.asked), taken)
        if heard.asked is None and heard.insists and heard.refused is not None:
            raise heard.refused
        wanting = wanting or (heard.refused if heard.asked is None else None)
    for one, slips in _ways_to_say(typed, wordings, catalogue, names):
        try:
            asked = _answered(one, workshop, page, catalogue)
        except Refused as failed:
            refused = refused or failed
            continue
        if (kept := excluded_of(asked, left.excluded)) and not slips:
            if turned := other_of(asked.calculator, kept):
                with contextlib.suppress(Refused):
                    return _answered(f"{one} {turned}", workshop, page, catalogue)
            refused = Refused(
                f"`{kept}` is not wanted, and it is what I would take: say what instead.",
                suggest=None,
            )
            continue
        if lost := lost_of(asked, one, catalogue, names):
            refused = asked_back(asked, lost) if refused is None else refused
            continue
        return with_slips(asked, slips)
    assert refused is not None
    # What only wants one thing more was understood better.
    raise (wanting if wanting and refused.field != wanting.field else refused)


def _sign(
    line: str, workshop: Workshop, page: PageUnit, catalogue: Catalogue, told: Asked
) -> Asked:
    """What the trade says of a thing, unless the line is a sign of trouble: its cures say more."""
    if not told.calculator.whole:
        return told
    with contextlib.suppress(Refused):
        asked = _answered(line, workshop, page, catalogue)
        return asked if asked.calculator.insists and not asked.unused else told
    return told


def _as_it_stands(
    line: str, workshop: Workshop, page: PageUnit, catalogue: Catalogue
) -> Asked | None:
    """A line whose *no* or *not* is among some calculator's own words: magnet no, no rings."""
    try:
        asked = _answered(line, workshop, page, catalogue)
    except Refused:
        return None
    return None if asked.unused or asked.calculator.whole else asked


_Wordings = tuple[tuple[str, tuple[str, ...]], ...]


def _ways_to_say(
    line: str, wordings: _Wordings, catalogue: Catalogue, names: Names
) -> Iterator[tuple[str, tuple[str, ...]]]:
    """A line in its wordings, its slips put right first, and each said otherwise."""
    for one, taken in wordings:
        # Revs are asked of a cut: a wheel casting's are no fit of a wheel.
        first = revs(one, catalogue) if _ASKS_REVS.search(one) else ()
        # A number bound to its noun is surer than its place in the line.
        # Each is made when the one before it failed: most lines need none of them.
        others = otherwise(one, catalogue, names)
        for other in itertools.chain(first, forms(one), (one,), others):
            if keeps_numbers(line, other):
                yield other, taken


def _answered(line: str, workshop: Workshop, page: PageUnit, catalogue: Catalogue) -> Asked:
    """One wording of a line, by its shape, by what the trade says, or by its numbers.

    Raises:
        Refused: It cannot be answered so.
    """
    words = words_of(line)
    by_shape = shaped(line, workshop, page, catalogue)
    if isinstance(by_shape, Asked):
        return by_shape
    if by_shape is not None:
        return _or_by_numbers(words, workshop, page, catalogue, by_shape)
    choosing = sounds_like_judgement(words)
    if choosing and (judged := _judged(line, workshop, page, catalogue)):
        return judged
    try:
        return _by_numbers(words, workshop, page, catalogue)
    except Refused as wanting:
        # Somebody who asks in words alone may still be answered by what the trade says of it.
        if choosing or any(character.isdigit() for character in line) or _ASKS_SIZE.search(line):
            raise
        if wanting.field not in (None, "operation") and len(stems(line)) < _TELLING:
            # Two words that name a job are hardly a question of practice: what it wants is asked.
            raise
        if (judged := _judged(line, workshop, page, catalogue)) is None:
            raise
        return judged


def _or_by_numbers(
    words: list[str], workshop: Workshop, page: PageUnit, catalogue: Catalogue, by_shape: Unanswered
) -> Asked:
    """A line that is somebody's by its shape and cannot be answered so: by its numbers, by them.

    Raises:
        Refused: As its shape was: whose line it is says best what is wrong with it.
    """
    try:
        asked = _by_numbers(words, workshop, page, catalogue)
    except Refused as failed:
        # Where a part of it could not even be read, it may have been another line.
        raise (failed if failed.field and not by_shape.whole else by_shape.refused) from None
    if asked.calculator is not by_shape.calculator:
        raise by_shape.refused
    return asked


def _judged(line: str, workshop: Workshop, page: PageUnit, catalogue: Catalogue) -> Asked | None:
    """The line as a question of judgement; None where nothing known speaks of it."""
    calculator = next((c for c in catalogue.values() if c.whole), None)
    if calculator is None:
        return None
    typed = {calculator.whole: asked_in(line)}
    try:
        read = read_question(calculator, typed, page, workshop)
        answer = calculator.ask(read.question, workshop)
    except Refused:
        return None
    return Asked(calculator, typed, read, answer, sentence(calculator, read, page, workshop))


def _by_numbers(
    words: list[str], workshop: Workshop, page: PageUnit, catalogue: Catalogue
) -> Asked:
    names = names_of(workshop)
    ways = cuttings(words, page, names.numbers)
    lower = {w.lower() for w in words}
    found: list[Candidate] = []
    for calculator in called_of(catalogue, lower):
        known: dict[tuple[str, ...], Known] = {}
        for cutting in ways:
            found += read_line(calculator, cutting, names, workshop, page, known)
    if not found:
        raise not_called(words, ways, names)
    insisted = {
        at: c.calculator for c in found if c.calculator.insists and not c.missing for at in c.called
    }
    metals = names.metals_in(words)
    tried = sorted(
        (_Tried(_score(c, insisted, metals), c) for c in found), key=lambda t: t.score, reverse=True
    )
    return _best(tried[: _MOST_TRIED * 2], workshop, page, names)


def _score(
    candidate: Candidate, insisted: dict[int, AnyCalculator], metals: frozenset[str]
) -> float:
    left = candidate.left()
    score = _NAMED * candidate.named - candidate.odd - candidate.cutting.doubt
    sizes = sum(size.start in left for size in candidate.cutting.sizes)
    # A metal that makes no difference to an answer speaks little against it.
    named = sum(candidate.cutting.words[at].lower() in metals for at in left)
    score -= _MISSING * len(candidate.missing) + _WORD * (len(left) + sizes - 0.8 * named)
    if candidate.problem is not None:
        score -= _PROBLEM
    words = candidate.cutting.words
    if heeded(words, left):
        score -= _HEED
    if any(at in insisted and insisted[at] is not candidate.calculator for at in left):
        score -= _INSISTS
    return score


def _best(tried: list[_Tried], workshop: Workshop, page: PageUnit, names: Names) -> Asked:
    for one in tried[:_MOST_TRIED]:
        _follow(one, workshop, page)
    ranked = sorted(tried[:_MOST_TRIED], key=lambda t: t.score, reverse=True)
    first = tried[0]
    best = next((t for t in ranked if t.answered and _may_stand_for(t, first)), first)
    if not best.answered:
        raise refusal(best.candidate, best.refused, names)
    candidate = best.candidate
    lost = heeded(candidate.cutting.words, candidate.left())
    if lost and not candidate.calculator.insists:
        raise Refused(
            f"`{lost}` changes the answer, and I have no place for it here: leave it out, or "
            "type the size itself.",
            suggest=" ".join(w for w in candidate.cutting.words if w not in lost.split())[:80],
        )
    others = [
        t
        for t in ranked
        if t is not best and t.score > best.score - _reach(t, best) and _differs(t, best)
    ]
    near = next((t for t in others if t.score > best.score - _SAME), None)
    if near is not None and near.candidate.calculator is not candidate.calculator:
        raise one_of_two(best.candidate, near.candidate)
    return _said(best, others[:_MOST_OTHERS], page, workshop)


def _may_stand_for(one: _Tried, first: _Tried) -> bool:
    """Whether a reading that can be answered may take the place of the first, which cannot.

    Another cutting of the same question may; another calculator only where the line called it
    as clearly: a reamed hole for which there is no reamer is no cut at some speed.
    """
    if one is first or one.candidate.calculator is first.candidate.calculator:
        return True
    if first.refused is None or first.candidate.missing:
        return True
    return one.score > first.before - _YIELDS


def _follow(one: _Tried, workshop: Workshop, page: PageUnit) -> None:
    """Ask it what it was read as: what cannot be, was hardly meant."""
    candidate = one.candidate
    calculator = candidate.calculator
    one.before = one.score
    if candidate.problem is not None:
        one.refused = candidate.problem
        return
    try:
        read = read_question(calculator, candidate.typed, page, workshop)
        answer = calculator.ask(read.question, workshop)
    except Refused as refused:
        one.refused = refused
        if not candidate.missing:
            one.score -= _MISSING if refused.field not in candidate.typed else _IMPOSSIBLE
        return
    one.read, one.answer = read, answer


def _reach(one: _Tried, best: _Tried) -> float:
    """How much less a reading may be worth and still be offered.

    Of one calculator and one cutting, only which number is for what differs: that is hardly ever
    in doubt.
    """
    mine, theirs = one.candidate, best.candidate
    same = mine.calculator is theirs.calculator and mine.cutting is theirs.cutting
    return _OTHER_WAY if same else _NEAR


def _differs(one: _Tried, best: _Tried) -> bool:
    if not one.answered or one.candidate.odd > _TOO_ODD:
        return False
    if one.candidate.calculator is not best.candidate.calculator:
        return True
    return bool(one.read is not None and best.read and one.read.question != best.read.question)


def _said(best: _Tried, others: list[_Tried], page: PageUnit, workshop: Workshop) -> Asked:
    candidate, read = best.candidate, best.read
    assert read is not None
    said = sentence(candidate.calculator, read, page, workshop)
    said_back = echoed(said, read)
    unused = candidate.unused
    if unused:
        said_back += f". Passed over: {', '.join(unused)[:80]}"
    second: list[Other] = []
    for other in others:
        assert other.read is not None
        line = sentence(other.candidate.calculator, other.read, page, workshop)
        if line != said and line not in [o.line for o in second]:
            second.append(Other(line, line))
    return Asked(
        candidate.calculator, candidate.typed, read, best.answer, said_back, unused, second
    )
