"""A line read by its nouns: every saying of every calculator, in any order of words."""

from __future__ import annotations

import itertools
import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from math import prod
from weakref import WeakKeyDictionary

from runk.ask.asked import Asked, Other, echoed
from runk.ask.asked_back import back
from runk.ask.candidate import Candidate
from runk.ask.heard import lost_of
from runk.ask.lexicon import Names, lexicon_of, names_of
from runk.ask.sizes import Cutting, Size, cuttings
from runk.ask.words import asked_in, words_of
from runk.core.calculator import AnyCalculator, Catalogue
from runk.core.kinds import Angle, Count, Kind, Length, Number, OfMetal, OfPitch, OfThread, Pressure
from runk.core.questions import read_question, sentence
from runk.core.refusals import Refused
from runk.core.saying import Phrase, Saying, Slot, about_in
from runk.core.threads.series import names_thread
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_LINKS = frozenset({"a", "an", "the", "is", "of", "are", "about", "only", "=", ":"})
_JOINS = _LINKS | {"at", "has", "in", "on", "over", "to", "with", "by", "per"}
_BEHIND, _BEFORE, _LOOSE, _SWAPPED = 0.0, 0.3, 2.0, 1.0
"""What it costs that a noun stands behind its number, before it, nowhere; that two loose numbers
do not stand in the order of their fields."""
_LINKED, _JOINED = 0.1, 0.4
"""The same of a word between: *length is 50*; of one that begins another clause: *30 on length*."""
_ALIKE = 0.02
_LONGER, _OWN, _COUNTED = 0.05, 0.1, 0.8
"""What a longer noun is worth, and a unit of its own costs."""
_LEADS = frozenset(
    """
    at around between by down for from in into is measures needs off on onto over reads round says
    should to want wanted wants with
    """.split()  # noqa: SIM905
)
"""Words that only lead to the number behind them: *over* 40, *from* 16 *to* 12."""
_FARTHEST, _NEARLY = 1.2, 0.3
_MOST_TRIED, _MOST_NUMBERS, _MOST_WAYS, _SUM = 4, 6, 20_000, 2
_BY = re.compile(r"(?<![\w.])(\d[\d./]*(?: ?(?:mm|in))?) ?[xX] ?(?=\d)")
_ONE_IN = re.compile(r"\b1 in (\d{1,4})\b(?! ?(?:mm|in)\b)")
_OF_THE_WORK = ("_which", "_work", "_thread")
_FIELDS = re.compile(r"\{(\w+)\}")
_CLASS = re.compile(r"(?:hole:|shaft:)?(js|[a-hkmnpr-u])(1[0-6]|[5-9])", re.IGNORECASE)
_OF_ANGLES: tuple[Phrase, ...] = (("degrees",), ("degree",), ("deg",), ("°",))
_OF_PITCHES: tuple[Phrase, ...] = (("tpi",),)
_OF_PRESSURES: tuple[Phrase, ...] = (("bar",), ("psi",), ("kpa",), ("mpa",))


@dataclass(slots=True)
class _Way:
    """One way of giving a saying's fields their numbers."""

    cost: float
    typed: dict[str, str]
    used: set[int]
    idle: dict[str, str]


@dataclass(slots=True)
class Heard:
    """What a line came to by its nouns.

    Args:
        asked: The answer; None where something is wanting.
        refused: The one thing that is asked for, where it is not whole.
        worth: How clearly it was told so.
    """

    worth: float
    asked: Asked | None = None
    refused: Refused | None = None
    lost: str = field(default="")
    insists: bool = False


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
    names = names_of(workshop)
    lower = [w.lower() for w in words]
    found: list[Heard] = []
    ways: list[Cutting] | None = None
    for calculator, saying in _may_be(catalogue, lower):
        if (about := about_in(saying, lower)) is None:
            continue
        if ways is None:
            ways = sorted(cuttings(words, page, names.numbers), key=lambda way: way.doubt)[:3]
        heard = _heard(calculator, saying, about, ways, names, workshop, page, catalogue, line)
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
    calculator: AnyCalculator,
    saying: Saying,
    about: set[int],
    ways: list[Cutting],
    names: Names,
    workshop: Workshop,
    page: PageUnit,
    catalogue: Catalogue,
    line: str,
) -> Heard | None:
    best: Heard | None = None
    for cutting in ways:
        for way in _ways(calculator, saying, about, cutting, names):
            heard = _answer(
                calculator, saying, cutting, way, workshop, page, catalogue, names, line
            )
            if heard is None:
                continue
            heard.insists = saying.insists
            heard.worth = len(about) + 0.5 * len(saying.about) - way.cost - cutting.doubt
            if heard.asked is not None and not heard.lost:
                return heard
            if best is None or (heard.asked is not None and best.asked is None):
                best = heard
    return best


def _ways(
    calculator: AnyCalculator, saying: Saying, about: set[int], cutting: Cutting, names: Names
) -> list[_Way]:
    """Every way of giving each number of the line a field, the likeliest first."""
    lower = cutting.lower
    kinds = calculator.fields
    typed, used, numbers = dict(saying.says), set(about), list[Size]()
    mine = [s for s in saying.slots if not s.idle]
    thread = next((s for s in mine if isinstance(kinds[s.name], OfThread)), None)
    pitch = next((s for s in mine if isinstance(kinds[s.name], OfPitch)), None)
    for size in cutting.sizes:
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
        _Way(cost, typed | given, used | taken, idle)
        for cost, given, taken, idle in _given(slots, numbers, lower, kinds)
    ]
    for slot in mine:
        if not _numbered(kinds[slot.name]) and slot is not pitch and slot is not thread:
            for way in found:
                _class_of(slot, lower, way, about)
    found.sort(key=lambda way: way.cost)
    # Where the likeliest cannot be, another that is nearly as likely may be meant; no other.
    return [way for way in found[:_MOST_TRIED] if way.cost <= found[0].cost + _NEARLY]


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
            if _takes(slot, kinds.get(slot.name), size)
            for cost, noun in _claims(slot, kinds.get(slot.name), size, lower)
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
        loose = [at for at, cost, _ in chosen if cost >= _LOOSE]
        cost = sum(c for _, c, _ in chosen) + _SWAPPED * (loose != sorted(loose))
        # Between two fields of one noun, the first told is the first.
        cost += _ALIKE * sum(a > b for a, b in itertools.pairwise(fields))
        given = {
            slots[at].name: _text(slots[at], kinds.get(slots[at].name), size, noun, lower)
            for (at, _, noun), size in zip(chosen, numbers, strict=True)
        }
        same = given.get("_same")
        if same is not None and list(given.values()).count(same) < len("ab"):
            continue
        idle = {name: given.pop(name) for name in list(given) if name.startswith("_")}
        idle.pop("_same", None)
        used = {n for size in numbers for n in range(size.start, size.end)} | set(nouns)
        yield cost, given, used, idle


def _text(
    slot: Slot, kind: Kind | None, size: Size, noun: tuple[int, ...], lower: Sequence[str]
) -> str:
    behind = tuple(lower[size.end : size.end + 1])
    if isinstance(kind, OfPitch) and behind in _OF_PITCHES:
        return f"{size.text} tpi"
    if isinstance(kind, Pressure) and behind in _OF_PRESSURES:
        return f"{size.text} {behind[0]}"
    return f"2*{size.text}" if tuple(lower[at] for at in noun) in slot.twice else size.text


def _takes(slot: Slot, kind: Kind | None, size: Size) -> bool:
    if kind is None:
        return size.thread == slot.name.startswith("_thread")
    if isinstance(kind, Count):
        return size.text.isdigit()
    if size.thread:
        # A tap's size is its thread's.
        return ("@",) in slot.nouns and size.reading is not None
    if isinstance(kind, Number):
        return re.fullmatch(r"-?\d*\.?\d+(?:/\d+)?", size.text) is not None
    return size.reading is not None


def _claims(
    slot: Slot, kind: Kind | None, size: Size, lower: Sequence[str]
) -> Iterator[tuple[float, tuple[int, ...]]]:
    """How a number may come to a field: by a noun behind it, before it, or loose."""
    told = any("deg" in word for phrase in slot.nouns for word in phrase)
    own = _OF_ANGLES if isinstance(kind, Angle) and not told else ()
    own = _OF_PITCHES if isinstance(kind, OfPitch) else own
    own = _OF_PRESSURES if isinstance(kind, Pressure) else own
    best: tuple[float, tuple[int, ...]] | None = None
    for phrase in (*slot.nouns, *own):
        for cost, at in _beside(phrase, size, lower):
            cost += _OWN * (phrase in own) - _LONGER * len(phrase)
            # Things are counted before they are named: 6 holes, and hardly ever holes 6.
            cost += _COUNTED * (isinstance(kind, Count) and bool(at) and at[0] < size.start)
            if best is None or cost < best[0]:
                best = cost, at
    if best is not None:
        yield best
    if size.thread and (slot.idle or ("@",) in slot.nouns):
        yield _LOOSE, ()
        return
    turned = any(tuple(lower[size.end : size.end + 1]) == p for p in _OF_ANGLES)
    if slot.loose and (not turned or isinstance(kind, Angle)):
        yield _LOOSE, ()


def _beside(
    phrase: Phrase, size: Size, lower: Sequence[str]
) -> Iterator[tuple[float, tuple[int, ...]]]:
    many = len(phrase)
    at, between = size.end, 0.0
    while phrase[-1] not in _LEADS and at < len(lower) and between <= _FARTHEST:
        if tuple(lower[at : at + many]) == phrase:
            yield _BEHIND + between, tuple(range(at, at + many))
            break
        if lower[at] not in _JOINS:
            break
        between += _LINKED if lower[at] in _LINKS else _JOINED
        at += 1
    at, between = size.start, 0.0
    while at > 0 and between <= _FARTHEST:
        if at >= many and tuple(lower[at - many : at]) == phrase:
            yield _BEFORE + between, tuple(range(at - many, at))
            break
        if lower[at - 1] not in _JOINS:
            break
        between += _LINKED if lower[at - 1] in _LINKS else _JOINED
        at -= 1


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
        used |= {at for at, word in enumerate(lower) if word in names.metals_in(lower)}
    at = 0
    while at < len(lower):
        size = next((n for n in range(4, 0, -1) if tuple(lower[at : at + n]) in names.metals), 0)
        left = [n for n in wanted if n not in typed]
        if size and left and at not in used - about:
            near = {*lower[max(at - 2, 0) : at], *lower[at + size : at + size + 2]}
            by = next(
                (
                    s.name
                    for s in fields
                    if s.name in left and any(len(p) == 1 and p[0] in near for p in s.nouns)
                ),
                left[0],
            )
            typed[by] = names.metals[tuple(lower[at : at + size])]
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
                for m in lexicon.phrases.get(tuple(lower[at : at + size]), ())
                if m.kind in ("choice", "machine") and m.field not in typed
            ]
            if meant and not (used - about) & set(range(at, at + size)):
                typed[meant[0].field] = meant[0].key
                used.update(range(at, at + size))
                at += size - 1
                break
        at += 1


def _class_of(slot: Slot, lower: Sequence[str], way: _Way, about: set[int]) -> None:
    """A class of limits: H7 of a hole, g6 of a shaft."""
    if slot.name in way.typed:
        return
    for at, word in enumerate(lower):
        if at not in way.used - about and _CLASS.fullmatch(word):
            way.typed[slot.name] = word.partition(":")[2] or word
            way.used.add(at)
            return


def _answer(
    calculator: AnyCalculator,
    saying: Saying,
    cutting: Cutting,
    way: _Way,
    workshop: Workshop,
    page: PageUnit,
    catalogue: Catalogue,
    names: Names,
    line: str,
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
        way.typed = {calculator.whole: asked_in(line)}
    try:
        read = read_question(calculator, way.typed, page, workshop)
        answer = calculator.ask(read.question, workshop)
    except Refused as refused:
        wants = refused.field is not None and refused.field not in way.typed
        return Heard(0.0, refused=_understood(refused, calculator, way)) if wants else None
    # What chooses among the figures, or shapes the work, changes none of them.
    idle = [n for n in way.idle if n not in saying.then and not n.startswith(_OF_THE_WORK)]
    if idle and not calculator.whole:
        # A number that no field takes may be told, and is never answered without.
        return None
    said = sentence(calculator, read, page, workshop)
    unused = Candidate(calculator, cutting, used=way.used).unused
    said_back = echoed(said, read)
    if way.idle and not saying.then and not calculator.whole:
        said_back += f" (told of the work: {', '.join(way.idle.values())})"
    if unused and not calculator.whole:
        said_back += f". Passed over: {', '.join(unused)[:80]}"
    second = []
    if saying.then:
        told = {n: _named(text, workshop) for n, text in (way.typed | way.idle).items()}
        next_one = " ".join(_FIELDS.sub(lambda at: told.get(at[1], ""), saying.then).split())
        second = [Other(next_one, next_one, then=True)]
        said_back += f". Then: {next_one}"
    asked = Asked(calculator, way.typed, read, answer, said_back, unused, second)
    # Practice is told of one piece of work; of two sizes somebody asks a sum.
    free = calculator.whole and len(way.idle) < _SUM
    lost = "" if free else lost_of(asked, line, catalogue, names)
    return Heard(0.0, asked, lost=lost)


def _named(text: str, workshop: Workshop) -> str:
    """A metal by its name: a line has no keys in it."""
    metal = workshop.metals.get(text)
    return metal.name if metal else text


def _understood(refused: Refused, calculator: AnyCalculator, way: _Way) -> Refused:
    """What is wanting, with what was understood before it."""
    told = ", ".join(
        f"{calculator.fields[name].label} {text}" for name, text in way.typed.items() if text
    )
    title = calculator.title.partition(":")[0]
    says = f"{title}: {told[:80]}. " if told else f"{title}. "
    told_so = Refused(
        says + refused.template, field=refused.field, suggest=refused.template_suggest
    )
    return back(told_so, calculator, way.typed)
