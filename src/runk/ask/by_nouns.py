"""A line read by its nouns: every saying of every calculator, in any order of words."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from weakref import WeakKeyDictionary

from runk.ask.asked import Asked, Other, echoed
from runk.ask.asked_back import back
from runk.ask.candidate import Candidate
from runk.ask.heard import lost_of
from runk.ask.lexicon import Names, names_of
from runk.ask.noun_ways import Way, ways_of
from runk.ask.sizes import Cutting, cuttings
from runk.ask.words import asked_in, words_of
from runk.core.calculator import AnyCalculator, Catalogue
from runk.core.questions import read_question, sentence
from runk.core.refusals import Refused
from runk.core.saying import Saying, about_in
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_SUM = 2
_BY = re.compile(r"(?<![\w.])(\d[\d./]*(?: ?(?:mm|in))?) ?[xX] ?(?=\d)")
_ONE_IN = re.compile(r"\b1 in (\d{1,4})\b(?! ?(?:mm|in)\b)")
_OF_THE_WORK = ("_which", "_work", "_thread")
_FIELDS = re.compile(r"\{(\w+)\}")


@dataclass(slots=True)
class Heard:
    """What a line came to by its nouns.

    Args:
        asked: The answer; None where something is wanting.
        refused: The one thing that is asked for, where it is not whole.
        worth: How clearly it was told so.
        lost: The words it may not lose and has no place for.
        insists: Whether its saying asks before any other reading is tried.
    """

    worth: float
    asked: Asked | None = None
    refused: Refused | None = None
    lost: str = field(default="")
    insists: bool = False


@dataclass(frozen=True, slots=True)
class _Line:
    """What every reading of one line has in common."""

    text: str
    names: Names
    workshop: Workshop
    page: PageUnit
    catalogue: Catalogue


_Known = dict[str, list[tuple[AnyCalculator, Saying]]]
_SAYINGS: WeakKeyDictionary[Catalogue, tuple[_Known, _Known]] = WeakKeyDictionary()


def _sayings_of(catalogue: Catalogue) -> tuple[_Known, _Known]:
    """Every saying by a word that must stand in its line: whole words, and their beginnings."""
    known = _SAYINGS.get(catalogue)
    if known is None:
        known = _SAYINGS[catalogue] = ({}, {})
        for calculator in catalogue.values():
            for saying in calculator.told:
                # Whichever lot has the fewest phrases: most lines have none of it.
                for phrase in min(saying.about, key=len):
                    word, begins = phrase[0], phrase[0].endswith("~")
                    rows = known[begins].setdefault(word.rstrip("~"), [])
                    rows.append((calculator, saying))
    return known


def _may_be(catalogue: Catalogue, words: Sequence[str]) -> Iterator[tuple[AnyCalculator, Saying]]:
    """The sayings of which a word of one lot stands in the line."""
    whole, begun = _sayings_of(catalogue)
    seen: set[int] = set()
    for word in dict.fromkeys(words):
        rows = [*whole.get(word, ())]
        rows += [row for stem, many in begun.items() if word.startswith(stem) for row in many]
        for calculator, saying in rows:
            if id(saying) not in seen:
                seen.add(id(saying))
                yield calculator, saying


def by_nouns(line: str, workshop: Workshop, page: PageUnit, catalogue: Catalogue) -> Heard | None:
    """Read a line by the nouns of every saying; None where it is nobody's.

    Args:
        line: In the reader's spelling.
        workshop: For its metals and machines.
        page: What a bare number means.
        catalogue: The calculators that may answer.
    """
    words = words_of(_ONE_IN.sub(r"one-in \1", _BY.sub(r"\1 , ", line)))
    here = _Line(line, names_of(workshop), workshop, page, catalogue)
    lower = [w.lower() for w in words]
    found: list[Heard] = []
    ways: list[Cutting] | None = None
    for calculator, saying in _may_be(catalogue, lower):
        if (about := about_in(saying, lower)) is None:
            continue
        if ways is None:
            ways = sorted(cuttings(words, page, here.names.numbers), key=lambda way: way.doubt)[:3]
        heard = _heard(calculator, saying, about, ways, here)
        if heard is not None:
            found.append(heard)
    best = max(
        found,
        key=lambda h: (
            h.asked is not None and not h.lost,
            h.asked is not None,
            h.asked is None and h.insists,
            h.worth,
        ),
        default=None,
    )
    # Told more closely as a job that wants one thing more: that is asked, and no other answered.
    wants = [h for h in found if h.insists and h.asked is None and best and h.worth > best.worth]
    return max(wants, key=lambda h: h.worth, default=best)


def _heard(
    calculator: AnyCalculator, saying: Saying, about: set[int], ways: list[Cutting], here: _Line
) -> Heard | None:
    best: Heard | None = None
    for cutting in ways:
        for way in ways_of(calculator, saying, about, cutting, here.names):
            heard = _answer(calculator, saying, cutting, way, here)
            if heard is None:
                continue
            heard.insists = saying.insists
            heard.worth = len(about) + 0.5 * len(saying.about) - way.cost - cutting.doubt
            if heard.asked is not None and not heard.lost:
                return heard
            if best is None or (heard.asked is not None and best.asked is None):
                best = heard
    return best


def _answer(
    calculator: AnyCalculator, saying: Saying, cutting: Cutting, way: Way, here: _Line
) -> Heard | None:
    for slot in saying.slots:
        if not slot.optional and not slot.idle and slot.name not in way.typed:
            if not saying.insists:
                return None
            kind = calculator.fields[slot.name]
            missing = Refused(kind.missing(), field=slot.name, suggest=kind.placeholder or None)
            return Heard(0.0, refused=_understood(missing, calculator, way))
    if calculator.whole:
        # A question of practice keeps its own words, numbers and all.
        way.typed = {calculator.whole: asked_in(here.text)}
    try:
        read = read_question(calculator, way.typed, here.page, here.workshop)
        answer = calculator.ask(read.question, here.workshop)
    except Refused as refused:
        wants = refused.field is not None and refused.field not in way.typed
        return Heard(0.0, refused=_understood(refused, calculator, way)) if wants else None
    # What chooses among the figures, or shapes the work, changes none of them.
    idle = [n for n in way.idle if f"{{{n}}}" not in saying.then and not n.startswith(_OF_THE_WORK)]
    if idle and not calculator.whole:
        # A number that no field takes may be told, and is never answered without.
        return None
    said = sentence(calculator, read, here.page, here.workshop)
    unused = Candidate(calculator, cutting, used=way.used).unused
    said_back = echoed(said, read)
    if way.idle and not saying.then and not calculator.whole:
        said_back += f" (told of the work: {', '.join(way.idle.values())})"
    if unused and not calculator.whole:
        said_back += f". Passed over: {', '.join(unused)[:80]}"
    second = []
    if saying.then:
        told = {n: _named(text, here.workshop) for n, text in (way.typed | way.idle).items()}
        next_one = " ".join(_FIELDS.sub(lambda at: told.get(at[1], ""), saying.then).split())
        second = [Other(next_one, next_one, then=True)]
        said_back += f". Then: {next_one}"
    asked = Asked(calculator, way.typed, read, answer, said_back, unused, second)
    # Practice is told of one piece of work; of two sizes somebody asks a sum.
    free = calculator.whole and len(way.idle) < _SUM
    lost = "" if free else lost_of(asked, here.text, here.catalogue, here.names)
    return Heard(0.0, asked, lost=lost)


def _named(text: str, workshop: Workshop) -> str:
    """A metal by its name: a line has no keys in it."""
    metal = workshop.metals.get(text)
    return metal.name if metal else text


def _understood(refused: Refused, calculator: AnyCalculator, way: Way) -> Refused:
    """What is wanting, with what was understood before it."""
    told = ", ".join(
        f"{calculator.fields[name].label} {text}" for name, text in way.typed.items() if text
    )
    title = calculator.title.partition(":")[0]
    says = f"{title}: {told[:80]}. " if told else f"{title}. "
    told_so = Refused(
        says + refused.template, field=refused.field, suggest=refused.template_suggest
    )
    return back(told_so, calculator, way.typed, refused)
