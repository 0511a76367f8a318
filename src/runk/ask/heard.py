"""Every word of a line has a place: used, filler, or asked for; else the line is asked back."""

from __future__ import annotations

import difflib
import re
from collections.abc import Sequence
from dataclasses import replace
from functools import lru_cache
from weakref import WeakKeyDictionary

from runk.ask.asked import Asked
from runk.ask.lexicon import Names, lexicon_of
from runk.ask.words import FILLER, PARTS
from runk.core.calculator import AnyCalculator, Catalogue
from runk.core.refusals import Refused
from runk.core.shown import described

_STRANGE = 1
"""So many runs of words that nothing in the trade knows may be passed over."""
_LONGEST = 4
ASKED_FOR = frozenset(
    """
    across after all allow allowance alone amount angle apart before begin best between big biggest
    both bring check checked chord clear colour come comes cut cutting deep depth dia diameter
    diameters distance down each else every external feed feeds figure figures final finish
    finished first flat from gap go goes going good has have heat height high how id inside just
    large largest last least length little long low made make making male many max maximum
    measure measured measurement min minimum most much new next nice normal nothing now od off
    old one ones only onto ordinary other others out outside over percent put reading revs right
    round rpm same set setting side sides size sizes small smallest spacing speed speeds start
    take taken temperature then thick thickness thou through time to together turn turned
    turning two under up usual value anything become becomes calculate correct exact exactly find
    given gives going got keep kept know may mine must number our own pieces possible proper quick
    quickly remain remains required say says she show shows something suitable tell they us yet
    does doing done has had were been being about want wanted wants way ways what when where which
    why wide width with without work works
    """.split()  # noqa: SIM905
)
"""Words that ask for a figure, or say no more than the figure does."""
_ALIKE = {
    "od": ("outside",),
    "id": ("inside", "bore"),
    "dia": ("diameter",),
    "revs": ("rpm", "spindle", "speed"),
    "rpm": ("spindle", "speed"),
    "tooths": ("teeth",),
    "tooth": ("teeth",),
    "jaws": ("jaw",),
    "rev/min": ("rpm", "spindle"),
    "drill": ("hole",),
    "drilled": ("hole",),
}
_OF_THE_WORK = "rod|bar|teeth|press"
"""Behind a word they tell of the work or the machine: 4 mm *rod*, drill *press*."""
_PHRASES: WeakKeyDictionary[Catalogue, frozenset[tuple[str, ...]]] = WeakKeyDictionary()
_WORD = re.compile(r"[a-z]+")
_FIELD = re.compile(r"\{\w+\}")


@lru_cache(maxsize=256)
def own_words(calculator: AnyCalculator) -> frozenset[str]:
    """The words a calculator's answer speaks of: its title, its fields, the figures it gives."""
    texts = [calculator.title, calculator.name, *calculator.calls, *calculator.nouns]
    # What it says back is in its own words.
    texts += [_FIELD.sub(" ", sentence) for sentence in calculator.sentences.values()]
    for answer in calculator.answers:
        texts += [answer.__name__]
        for column in described(answer):
            texts += [column.name.replace("_", " "), column.show.label]
    for name, kind in calculator.fields.items():
        texts += [name.replace("_", " "), kind.label]
    lexicon = lexicon_of(calculator)
    # A choice that is not taken is no word of the answer: turning is not tapping.
    texts += [
        " ".join(phrase)
        for phrase, meanings in lexicon.phrases.items()
        if any(m.kind in ("call", "noun") for m in meanings)
    ]
    texts += [" ".join(hint) for hint in (*lexicon.hints, *lexicon.before)]
    return frozenset(word for text in texts for word in _WORD.findall(text.lower()))


def _phrases(catalogue: Catalogue) -> frozenset[tuple[str, ...]]:
    """Every phrase that calls a calculator or chooses something in one."""
    known = _PHRASES.get(catalogue)
    if known is None:
        found: set[tuple[str, ...]] = set()
        for calculator in catalogue.values():
            lexicon = lexicon_of(calculator)
            found.update(lexicon.phrases)
            found.update(tuple(w for w in p if w not in "#@%") for p, _ in lexicon.patterns)
        known = _PHRASES[catalogue] = frozenset(p for p in found if p)
    return known


def lost_of(asked: Asked, line: str, catalogue: Catalogue, names: Names) -> str:
    """The words an answer lost that it may not lose; empty where every word has its place.

    Args:
        asked: The answer, with the words it has no use for.
        line: As it was asked.
        catalogue: Whose words are words of the trade.
        names: The workshop's metals and machines.
    """
    if _off_its_axis(asked, line):
        return "off centre"
    if asked.calculator.insists:
        # A sign of trouble is answered by what to do, whatever else was told of the work.
        return ""
    own, known, strange = own_words(asked.calculator), _phrases(catalogue), list[str]()
    for run in asked.unused:
        words = [w.strip("?!.;:'\"") for w in run.lower().replace(",", " ").split()]
        at = 0
        while at < len(words):
            length = next(
                (
                    n
                    for n in range(min(_LONGEST, len(words) - at), 0, -1)
                    if (p := tuple(words[at : at + n])) in known or p in names.metals
                ),
                0,
            )
            phrase = words[at : at + max(length, 1)]
            at += max(length, 1)
            if phrase == ["press"] and "drill press" in line.lower():
                continue
            if all(_placed(word, own) for word in phrase):
                continue
            if re.search(
                rf"(?<!\w){re.escape(' '.join(phrase))} ?(?:{_OF_THE_WORK})\b", line.lower()
            ):
                # What it is cut from, or stands on: told of the work, and said back.
                continue
            if length or any(c.isdigit() for c in phrase[0]):
                return " ".join(phrase)
            if _like_a_metal(phrase[0], names):
                return phrase[0]
            if not strange or strange[-1] != run:
                strange.append(run)
    return strange[-1] if len(strange) > _STRANGE else ""


def _like_a_metal(word: str, names: Names) -> bool:
    """Whether a word nobody knows may be a misspelt metal: it would be another metal's cut."""
    if len(word) < 5:
        return False
    known = {w for phrase in names.metals for w in phrase if len(w) >= 5}
    return bool(difflib.get_close_matches(word, known, n=1, cutoff=0.8))


def _off_its_axis(asked: Asked, line: str) -> bool:
    """Whether the work is off its axis, and the answer has the tool off its height instead."""
    told = getattr(asked.read.question, "off_centre", None)
    return (
        bool(told) and re.search(r"\b(?:crank|eccentric|throw|offset)\b", line.lower()) is not None
    )


def _placed(word: str, own: frozenset[str]) -> bool:
    """Whether a word is filler, asks for a figure, or is one the answer speaks of itself."""
    if word in FILLER or word in PARTS or word in ASKED_FOR or word in own:
        return True
    return any(other in own for other in (*_ALIKE.get(word, ()), word.rstrip("s"), f"{word}s"))


def excluded_of(asked: Asked, excluded: Sequence[str]) -> str:
    """What a line excluded and the answer has all the same; empty where it has none of it."""
    lexicon, question = lexicon_of(asked.calculator), asked.read.question
    for phrase in excluded:
        for meaning in lexicon.phrases.get(tuple(phrase.split()), ()):
            if meaning.field and str(getattr(question, meaning.field, "")) == meaning.key:
                return phrase
        # Back gear is no question's field: it is what the machine would be set to.
        if any(str(getattr(asked.answer, name, "")) == phrase for name in ("gear", "machine")):
            return phrase
    return ""


def other_of(calculator: AnyCalculator, excluded: str) -> str:
    """The one choice that is left where a choice of two is excluded: *not through* is blind."""
    for meaning in lexicon_of(calculator).phrases.get(tuple(excluded.split()), ()):
        choices = getattr(calculator.fields.get(meaning.field), "choices", ())
        rest = [c for c in choices if c.key != meaning.key]
        if len(rest) == 1:
            return str(rest[0].label)
    return ""


def asked_back(asked: Asked, lost: str) -> Refused:
    """What to say where a word of the trade would have been lost."""
    plain = asked.read_as.split(". Passed over")[0]
    # Nothing to type is offered: without that word it would be another question.
    return Refused(
        f"I read that as: {plain}. I have no place in it for `{lost[:60]}`: is it meant without?"
    )


def with_slips(asked: Asked, taken: Sequence[str]) -> Asked:
    """The same answer, saying which words were taken for which."""
    if not taken:
        return asked
    said = ", ".join(f"{a} for {b}" for a, b in (one.split(": ") for one in taken))
    return replace(asked, read_as=f"{asked.read_as} (taking {said})")
