"""The words one calculator knows: what calls it, what its fields can be, what claims a number."""

from __future__ import annotations

from collections import Counter, OrderedDict
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field
from weakref import WeakKeyDictionary

from runk.core.calculator import AnyCalculator, Catalogue
from runk.core.kinds import Limits, OfMachine, OfMetal, Told
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_PLACES = frozenset("#@%")
_MOST_KEPT = 4


@dataclass(frozen=True, slots=True)
class Meaning:
    """What a phrase stands for.

    Args:
        kind: ``call``, ``noun``, ``ruling``, ``choice``, ``metal`` or ``machine``.
        field: The field it fills.
        key: What to type into it.
    """

    kind: str
    field: str
    key: str


Phrases = dict[tuple[str, ...], list[Meaning]]


@dataclass(slots=True)
class Lexicon:
    """One calculator's own words.

    Args:
        phrases: By their words.
        hints: Fields that a word beside a number claims it for.
        before: The same for words that claim only the number after them.
        patterns: Calls with places for sizes, threads or metals in them, each with its plain words.
        callers: The plain words of every call: a line that has not all of one is not for it.
    """

    phrases: Phrases = field(default_factory=dict)
    hints: dict[tuple[str, ...], list[str]] = field(default_factory=dict)
    before: dict[tuple[str, ...], list[str]] = field(default_factory=dict)
    patterns: list[tuple[tuple[str, ...], frozenset[str]]] = field(default_factory=list)
    callers: set[frozenset[str]] = field(default_factory=set)
    longest: int = 1
    starts: set[str] = field(default_factory=set)
    """The first word of every phrase."""
    limited: bool = False
    """Whether limits of a line have a place in it."""
    metals: bool = False
    """Whether a metal has."""
    machine: str = ""
    """The field of a machine, where it has one."""

    def fields_of(self, words: tuple[str, ...]) -> list[str]:
        """Every field a word beside a number may claim it for."""
        return [*self.hints.get(words, ()), *self.before.get(words, ())]

    def add(self, phrase: str, meaning: Meaning) -> None:
        """Learn a phrase."""
        words = tuple(phrase.lower().split())
        known = self.phrases.setdefault(words, [])
        if meaning not in known:
            known.append(meaning)
        self.longest = max(self.longest, len(words))
        self.starts.add(words[0])


_LEXICONS: dict[AnyCalculator, Lexicon] = {}


def lexicon_of(calculator: AnyCalculator) -> Lexicon:
    """A calculator's own words; they are the same in every workshop."""
    known = _LEXICONS.get(calculator)
    if known is None:
        known = _LEXICONS[calculator] = _learn(calculator)
    return known


def _learn(calculator: AnyCalculator) -> Lexicon:
    kinds = calculator.fields
    found = Lexicon(
        limited=any(isinstance(k, Limits) for k in kinds.values()),
        metals=any(isinstance(k, OfMetal) for k in kinds.values()),
        machine=next((n for n, k in kinds.items() if isinstance(k, OfMachine)), ""),
    )
    nowhere = Told(PageUnit.MM, Workshop((), {}))
    for call in calculator.calls:
        words = tuple(call.lower().split())
        if _PLACES & set(words):
            found.patterns.append((words, frozenset(words) - _PLACES))
        else:
            found.add(call, Meaning("call", "", calculator.name))
        found.callers.add(frozenset(words) - _PLACES)
    for noun in calculator.nouns:
        found.add(noun, Meaning("noun", "", calculator.name))
        found.callers.add(frozenset(noun.lower().split()))
    for name, kind in calculator.fields.items():
        what = "ruling" if kind.rules else "choice"
        for spoken, key in kind.phrases(nowhere):
            found.add(spoken, Meaning(what, name, key))
            if kind.rules and calculator.ruled:
                found.callers.add(frozenset(spoken.lower().split()))
        for table, hints in ((found.hints, kind.hints), (found.before, kind.before)):
            for hint in hints:
                table.setdefault(tuple(hint.lower().split()), []).append(name)
    _said_by_calls(found)
    return found


def _said_by_calls(lexicon: Lexicon) -> None:
    """A call that holds the words of a choice says that too: *hexagon on* says the hexagon."""
    for words, meanings in lexicon.phrases.items():
        if not any(m.kind == "call" for m in meanings):
            continue
        said: dict[str, tuple[int, set[str]]] = {}
        for at in range(len(words)):
            for end in range(at + 1, len(words) + 1):
                for m in lexicon.phrases.get(words[at:end], ()):
                    if m.kind == "choice":
                        most, keys = said.get(m.field, (0, set()))
                        if end - at > most:
                            said[m.field] = (end - at, {m.key})
                        elif end - at == most:
                            keys.add(m.key)
        for name, (length, keys) in said.items():
            # Two at once say neither; a call that is a choice already is left as it is.
            if len(keys) == 1 and length < len(words):
                meanings.append(Meaning("choice", name, *keys))


_CALLED: WeakKeyDictionary[Catalogue, _Called] = WeakKeyDictionary()


def called_of(catalogue: Catalogue, words: set[str]) -> list[AnyCalculator]:
    """The calculators that a line of these words may call at all, in their order.

    Args:
        words: In small letters.
    """
    known = _CALLED.get(catalogue)
    if known is None:
        known = _CALLED[catalogue] = _called(catalogue)
    # Each call is looked up by one of its words: most lines have none of it.
    may = set(known.always)
    for word in words:
        may.update(at for at, call in known.by_word.get(word, ()) if call <= words)
    return [known.calculators[at] for at in sorted(may)]


@dataclass(frozen=True, slots=True)
class _Called:
    calculators: tuple[AnyCalculator, ...]
    always: frozenset[int]
    by_word: dict[str, list[tuple[int, frozenset[str]]]]


def _called(catalogue: Catalogue) -> _Called:
    calculators = tuple(catalogue.values())
    calls = [(at, call) for at, one in enumerate(calculators) for call in lexicon_of(one).callers]
    often = Counter(word for _, call in calls for word in call)
    by_word: dict[str, list[tuple[int, frozenset[str]]]] = {}
    for at, call in calls:
        if call:
            rarest = min(call, key=lambda word: (often[word], word))
            by_word.setdefault(rarest, []).append((at, call))
    always = {at for at, one in enumerate(calculators) if one.alone}
    always |= {at for at, call in calls if not call}
    return _Called(calculators, frozenset(always), by_word)


def spoken_for(phrase: str, catalogue: Catalogue) -> bool:
    """Whether a phrase already says something to one of the calculators."""
    words = tuple(phrase.lower().split())
    return any(words in lexicon_of(calculator).phrases for calculator in catalogue.values())


@dataclass(frozen=True, slots=True)
class Names:
    """What the workshop names: metals and machines, by their words."""

    metals: dict[tuple[str, ...], str]
    machines: dict[tuple[str, ...], str]
    numbers: frozenset[str]
    """Names of metals that are plain numbers."""
    longest: int = 6
    """Words of the longest of them."""
    starts: frozenset[str] = frozenset()
    """The first word of every one."""

    def metals_in(self, words: Sequence[str]) -> frozenset[str]:
        """Every word of a line that is part of a metal's name there."""
        lower = [word.lower() for word in words]
        return frozenset(
            word
            for at in range(len(lower))
            for end in range(at + 1, min(at + 5, len(lower) + 1))
            if tuple(lower[at:end]) in self.metals
            for word in lower[at:end]
        )


_NAMES: OrderedDict[tuple[object, ...], Names] = OrderedDict()


def names_of(workshop: Workshop) -> Names:
    """Every name of a workshop; the last few workshops are remembered."""
    key = (
        tuple((m.key, m.name, m.kind) for m in workshop.machines),
        tuple((m.key, m.name, m.aliases) for m in workshop.metals.values()),
    )
    known = _NAMES.get(key)
    if known is None:
        here = Told(PageUnit.MM, workshop)
        metals = _by_words(OfMetal("metal").phrases(here))
        machines = _by_words(OfMachine("machine").phrases(here))
        numbers = frozenset(w[0] for w in metals if len(w) == 1 and w[0].isdigit())
        longest = max(map(len, (*metals, *machines)), default=1)
        starts = frozenset(words[0] for words in (*metals, *machines) if words)
        known = _NAMES[key] = Names(metals, machines, numbers, min(longest, 6), starts)
        while len(_NAMES) > _MOST_KEPT:
            _NAMES.popitem(last=False)
    else:
        _NAMES.move_to_end(key)
    return known


def _by_words(spoken: Iterable[tuple[str, str]]) -> dict[tuple[str, ...], str]:
    found: dict[tuple[str, ...], str] = {}
    for phrase, key in spoken:
        found.setdefault(tuple(phrase.lower().split()), key)
    return found
