"""Every way of giving a line's numbers, metals and words to the fields of one saying."""

from __future__ import annotations

import itertools
import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from math import prod

from runk.ask.lexicon import Meaning, Names, lexicon_of
from runk.ask.noun_claims import LOOSE, claims, takes, text_of
from runk.ask.sizes import Cutting, Size
from runk.core.calculator import AnyCalculator
from runk.core.kinds import Count, Kind, Length, Number, OfMetal, OfPitch, OfThread
from runk.core.saying import Saying, Slot
from runk.core.threads.series import names_thread

_SWAPPED, _ALIKE = 1.0, 0.02
"""What it costs that two loose numbers do not stand in the order of their fields; that two with
nouns do not."""
_NEARLY = 0.3
_MOST_TRIED, _MOST_NUMBERS, _MOST_WAYS = 4, 6, 20_000
_CLASS = re.compile(r"(?:hole:|shaft:)?(js|[a-hkmnpr-u])(1[0-6]|[5-9])", re.IGNORECASE)


@dataclass(slots=True)
class Way:
    """One way of giving a saying's fields their numbers.

    Args:
        cost: How far from the likeliest; the least is meant.
        typed: By field, as it would be typed.
        used: Where the words stand that have a place.
        idle: Numbers told of the work, by the name the saying gives them.
    """

    cost: float
    typed: dict[str, str]
    used: set[int]
    idle: dict[str, str]


def ways_of(
    calculator: AnyCalculator, saying: Saying, about: set[int], cutting: Cutting, names: Names
) -> list[Way]:
    """Every way of giving each number of the line a field, the likeliest first."""
    lower = cutting.lower
    kinds = calculator.fields
    typed, used, numbers = dict(saying.says), set(about), list[Size]()
    mine = [s for s in saying.slots if not s.idle]
    thread = next((s for s in mine if isinstance(kinds[s.name], OfThread)), None)
    pitch = next((s for s in mine if isinstance(kinds[s.name], OfPitch)), None)
    named = _in_names(lower, names)
    for size in cutting.sizes:
        if size.start in named:
            continue
        name, end = size.text, size.end
        if size.thread and thread is not None and thread.name not in typed:
            if tuple(lower[end : end + 1]) == ("fine",) and "x" not in name:
                name, end = f"{name} fine", end + 1
            typed[thread.name] = name
            used.update(range(size.start, end))
        elif size.refused is not None and size.reading is None:
            return []
        else:
            numbers.append(size)
    if thread is not None and thread.name not in typed:
        _thread_of(thread.name, numbers, cutting, typed, used)
    if len(numbers) > _MOST_NUMBERS:
        return []
    _metals(calculator, saying, lower, names, typed, used, about)
    _choices(calculator, lower, typed, used, about)
    # A noun without its number asks for it, or says again what the job is.
    spoken = saying.also | {word for slot in saying.slots for p in slot.nouns for word in p}
    used.update(at for at, word in enumerate(lower) if word in spoken)
    slots = [
        s
        for s in saying.slots
        if s is not thread and (s.idle or s is pitch or _numbered(kinds[s.name]))
    ]
    found = [
        Way(cost, typed | given, used | taken, idle)
        for cost, given, taken, idle in _given(slots, numbers, lower, kinds)
    ]
    for slot in mine:
        if not _numbered(kinds[slot.name]) and slot is not pitch and slot is not thread:
            for way in found:
                _class_of(slot, lower, way, about)
    found.sort(key=lambda way: way.cost)
    # Where the likeliest cannot be, another that is nearly as likely may be meant; no other.
    return [way for way in found[:_MOST_TRIED] if way.cost <= found[0].cost + _NEARLY]


def _in_names(lower: Sequence[str], names: Names) -> set[int]:
    """Where numbers stand that are part of a metal's name: aluminium *6082*."""
    return {
        at + size - 1
        for at in range(len(lower))
        for size in range(2, 5)
        if tuple(lower[at : at + size]) in names.metals and at + size <= len(lower)
    }


def _numbered(kind: Kind) -> bool:
    return isinstance(kind, (Length, Number, Count)) or kind.numbered


def _thread_of(
    name: str, numbers: list[Size], cutting: Cutting, typed: dict[str, str], used: set[int]
) -> None:
    """A thread told in two words: 20 tpi 1/4, 1/2 BSF, M10 1.5."""
    for size in list(numbers):
        behind = cutting.lower[size.end : size.end + 1]
        if behind and names_thread(f"{size.text} {behind[0]}"):
            typed[name] = f"{size.text} {behind[0]}"
            used.update(range(size.start, size.end + 1))
            numbers.remove(size)
            return


def _given(
    slots: list[Slot], numbers: list[Size], lower: Sequence[str], kinds: dict[str, Kind]
) -> Iterator[tuple[float, dict[str, str], set[int], dict[str, str]]]:
    """Every number in a field of its own, with what it costs."""
    options = []
    for size in numbers:
        mine = [
            (at, cost, noun)
            for at, slot in enumerate(slots)
            if takes(slot, kinds.get(slot.name), size)
            for cost, noun in claims(slot, kinds.get(slot.name), size, lower)
        ]
        options.append(mine)
    if prod(map(len, options)) > _MOST_WAYS:
        return
    for chosen in itertools.product(*options):
        fields = [at for at, _, _ in chosen]
        if len(set(fields)) < len(fields):
            continue
        nouns: list[int] = [n for _, _, noun in chosen for n in noun]
        if len(set(nouns)) < len(nouns):
            continue
        loose = [at for at, cost, _ in chosen if cost >= LOOSE]
        cost = sum(c for _, c, _ in chosen) + _SWAPPED * (loose != sorted(loose))
        # Between two fields of one noun, the first told is the first.
        cost += _ALIKE * sum(a > b for a, b in itertools.pairwise(fields))
        given = {
            slots[at].name: text_of(slots[at], kinds.get(slots[at].name), size, noun, lower)
            for (at, _, noun), size in zip(chosen, numbers, strict=True)
        }
        same = given.get("_same")
        if same is not None and list(given.values()).count(same) == 1:
            continue
        idle = {name: given.pop(name) for name in list(given) if name.startswith("_")}
        idle.pop("_same", None)
        used = {n for size in numbers for n in range(size.start, size.end)} | set(nouns)
        yield cost, given, used, idle


def _metals(
    calculator: AnyCalculator,
    saying: Saying,
    lower: Sequence[str],
    names: Names,
    typed: dict[str, str],
    used: set[int],
    about: set[int],
) -> None:
    """The metals of a line: by the noun beside them, else in the order of the fields."""
    fields = [s for s in saying.slots if isinstance(calculator.fields.get(s.name), OfMetal)]
    free = [n for n, k in calculator.fields.items() if isinstance(k, OfMetal)]
    wanted = [s.name for s in fields] or (free if len(free) == 1 else [])
    if calculator.whole:
        # Told of the work: what the trade says is said of it all the same.
        metals = names.metals_in(lower)
        used |= {at for at, word in enumerate(lower) if word in metals}
    at = 0
    while at < len(lower):
        size = next((n for n in range(4, 0, -1) if tuple(lower[at : at + n]) in names.metals), 0)
        left = [n for n in wanted if n not in typed]
        if size and left and at not in used - about:
            # The word before a metal says more of it than the one behind: of steel in iron.
            beside = (lower[max(at - 2, 0) : at], lower[at + size : at + size + 2])
            by = (
                s.name
                for near in beside
                for s in fields
                if s.name in left and any(len(p) == 1 and p[0] in near for p in s.nouns)
            )
            typed[next(by, left[0])] = names.metals[tuple(lower[at : at + size])]
            used.update(range(at, at + size))
        at += max(size, 1)


def _choices(
    calculator: AnyCalculator,
    lower: Sequence[str],
    typed: dict[str, str],
    used: set[int],
    about: set[int],
) -> None:
    """What a word of the line chooses, where the saying has not chosen it."""
    lexicon = lexicon_of(calculator)
    at = 0
    while at < len(lower):
        for size in range(min(lexicon.longest, len(lower) - at), 0, -1):
            meant = [
                m
                for m in _meanings(lexicon.phrases, tuple(lower[at : at + size]))
                if m.kind in ("choice", "machine") and m.field not in typed
            ]
            if meant and not (used - about) & set(range(at, at + size)):
                typed[meant[0].field] = meant[0].key
                used.update(range(at, at + size))
                at += size - 1
                break
        at += 1


def _meanings(
    phrases: Mapping[tuple[str, ...], Sequence[Meaning]], words: tuple[str, ...]
) -> Sequence[Meaning]:
    """What a phrase means; of several, what one of them does."""
    found = phrases.get(words, ())
    if found or not words[-1].endswith("s"):
        return found
    return phrases.get((*words[:-1], words[-1][:-1]), ())


def _class_of(slot: Slot, lower: Sequence[str], way: Way, about: set[int]) -> None:
    """A class of limits: H7 of a hole, g6 of a shaft."""
    if slot.name in way.typed:
        return
    for at, word in enumerate(lower):
        if at not in way.used - about and _CLASS.fullmatch(word):
            way.typed[slot.name] = word.partition(":")[2] or word
            way.used.add(at)
            return
