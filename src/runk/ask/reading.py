"""One calculator reads one cutting of a line, with its own words alone."""

from __future__ import annotations

import itertools
import math
import re
from collections.abc import Iterator
from dataclasses import dataclass, field

from runk.ask.claims import Claim, Hint, assignments, hints_in
from runk.ask.lexicon import Lexicon, Meaning, Names, lexicon_of
from runk.ask.metals import Metals, take_metals
from runk.ask.sizes import Cutting, Size
from runk.ask.words import FILLER, PARTS
from runk.core.calculator import AnyCalculator
from runk.core.kinds import Kind, Limits, OfMachine, OfMetal, OfThread, Told
from runk.core.kinds.length import Length
from runk.core.kinds.number import Pressure
from runk.core.lengths import read_length
from runk.core.refusals import Refused
from runk.core.threads.series import find_thread, names_thread
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_ARTICLES = frozenset({"a", "an", "the", ","})
_LED = frozenset({"mandrel", "arbor", "compound"})
_LEADS = frozenset({"on", "in", "with", "held", "between", "by", "using"})
_NOUN_WORTH, _SAID_WORTH = 0.6, 0.5
_MOST_NAMED = 4.0
_ABSURD = 1.6


@dataclass(frozen=True, slots=True)
class Phrase:
    """A phrase of the line: where it stands and what it means."""

    start: int
    end: int
    meanings: tuple[Meaning, ...]


@dataclass(slots=True)
class Candidate:
    """A line as one calculator would have it.

    Args:
        calculator: Which.
        cutting: Of which cutting.
        typed: The question's fields, as they would be typed.
        used: Words it has a use for.
        named: How clearly the line calls it.
        odd: How far its sizes lie from what a workshop means.
        missing: Fields that must be said and are not.
        problem: What stands in the way of reading it so.
    """

    calculator: AnyCalculator
    cutting: Cutting
    typed: dict[str, str] = field(default_factory=dict)
    used: set[int] = field(default_factory=set)
    called: set[int] = field(default_factory=set)
    named: float = 0.0
    odd: float = 0.0
    missing: list[str] = field(default_factory=list)
    problem: Refused | None = None

    @property
    def unused(self) -> list[str]:
        """Words and numbers it has no use for, those side by side together."""
        runs: list[list[int]] = []
        for at in self.left():
            if runs and all(
                self.cutting.words[n].lower() in FILLER - {"to", "from"}
                for n in range(runs[-1][-1] + 1, at)
            ):
                runs[-1].append(at)
            else:
                runs.append([at])
        words = self.cutting.words
        return [" ".join(words[run[0] : run[-1] + 1]) for run in runs]

    def left(self) -> list[int]:
        """Where the words stand that it has no use for."""
        return [
            at
            for at, word in enumerate(self.cutting.words)
            if at not in self.used and word != "," and word.lower() not in FILLER | PARTS
        ]


def read_line(
    calculator: AnyCalculator, cutting: Cutting, names: Names, workshop: Workshop, page: PageUnit
) -> Iterator[Candidate]:
    """Every sensible way this calculator can read a line; none where nothing calls it.

    Args:
        calculator: Which reads.
        cutting: The line, cut.
        names: The workshop's metals and machines.
        workshop: For what is there.
        page: What a bare number means.
    """
    limited = any(isinstance(k, Limits) for k in calculator.fields.values())
    if limited != bool(cutting.limits) and (cutting.limits or cutting.has_limits):
        return
    lexicon = lexicon_of(calculator)
    phrases = list(_phrases(calculator, lexicon, cutting, names))
    named, called = _named(calculator, lexicon, cutting, names, phrases)
    if not named:
        return
    first = Candidate(calculator, cutting, named=named, called=called)
    first.used |= called
    try:
        chosen = _ruling(calculator, phrases, first)
        asked = calculator.asked(chosen)
        sizes = _words_filled(first, asked, phrases, workshop, page)
    except Refused as refused:
        first.problem = refused
        yield first
        return
    calls = {"call", "ruling"} if calculator.ruled else {"call"}
    spans = [(p.start, p.end, any(m.kind in calls for m in p.meanings)) for p in phrases]
    hints = [
        hint
        for hint in hints_in(lexicon, cutting, spans)
        if any(_hears(asked, n, hint) for n in lexicon.fields_of(hint.words))
    ]
    threads = any(isinstance(k, OfThread) for k in asked.values())
    thread = next((s for s in sizes if s.thread), None) if threads else None
    numbers = [s for s in sizes if s is not thread]
    for claims in assignments(hints, numbers, cutting):
        one = Candidate(calculator, cutting, dict(first.typed), set(first.used), called, named)
        _numbers(one, asked, chosen, lexicon, claims, sizes, Told(page, workshop, chosen))
        one.missing = [n for n in calculator.wanted(chosen) if n not in one.typed]
        one.odd += _odd(one, asked, chosen, page)
        yield one


def _hears(asked: dict[str, Kind], name: str, hint: Hint) -> bool:
    """Whether a field is asked, and by that word: the end of a call names only a field of its own.

    The *pin* of a gauge pin is one; *off* in part off, *out* in bore out say nothing of a number.
    """
    return name in asked and (not hint.ends_call or len(asked[name].only) == 1)


def _phrases(
    calculator: AnyCalculator, lexicon: Lexicon, cutting: Cutting, names: Names
) -> Iterator[Phrase]:
    kinds = calculator.fields.values()
    metals = any(isinstance(k, OfMetal) for k in kinds)
    machine = next((n for n, k in calculator.fields.items() if isinstance(k, OfMachine)), "")
    lower = tuple(w.lower() for w in cutting.words)
    at = 0
    while at < len(lower):
        size = cutting.at.get(at)
        found = None
        for length in range(min(6, len(lower) - at), 0, -1):
            words = lower[at : at + length]
            meanings = list(lexicon.phrases.get(words, ()))
            if metals and words in names.metals:
                meanings.append(Meaning("metal", "", names.metals[words]))
            if machine and words in names.machines and not meanings:
                meanings.append(Meaning("machine", machine, names.machines[words]))
            if words[-1] in _LED and not _led(lower, at):
                meanings = [m for m in meanings if m.kind != "choice"]
            if meanings:
                found = Phrase(at, at + length, tuple(meanings))
                break
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


def _led(lower: tuple[str, ...], at: int) -> bool:
    if lower[at] in _LEADS:
        return True
    at -= 1
    while at >= 0 and lower[at] in _ARTICLES | {"retaining"}:
        at -= 1
    return at >= 0 and lower[at] in _LEADS


def _named(
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
    items: list[tuple[str, int]] = []
    lower = [w.lower() for w in cutting.words]
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
    for pattern in lexicon.patterns:
        for start in range(len(items) - len(pattern) + 1):
            part = items[start : start + len(pattern)]
            if all(_fits(want, got) for want, (got, _) in zip(pattern, part, strict=True)):
                literal = {at for got, at in part if got not in "#@%"}
                # A thread's name in a place for any size fits it less well than in one of its own.
                loose = sum(w == "#" and g == "@" for w, (g, _) in zip(pattern, part, strict=True))
                yield literal, len(literal) + 0.5 * (len(pattern) - len(literal)) - 0.15 * loose


def _fits(want: str, got: str) -> bool:
    return want == got or (want == "#" and got == "@")


def _ruling(calculator: AnyCalculator, phrases: list[Phrase], into: Candidate) -> str:
    """The choice that decides the rest.

    Raises:
        Refused: Two are said.
    """
    name = calculator.ruling
    if name is None:
        return ""
    kind = calculator.fields[name]
    said = [
        (m.key, p)
        for p in phrases
        for m in p.meanings
        if m.field == name and m.kind in ("ruling", "choice")
    ]
    keys = list(dict.fromkeys(key for key, _ in said))
    gives_way = {c.key: set(c.yields_to) for c in getattr(kind, "choices", ())}
    keys = [key for key in keys if not gives_way[key] & set(keys)]
    for _, phrase in said:
        into.used.update(range(phrase.start, phrase.end))
    if len(keys) > 1:
        raise Refused(
            f"I read {len(keys)} things to do: {' and '.join(keys)}. Ask for one at a time.",
            field=name,
        )
    if keys:
        into.typed[name] = keys[0]
        return keys[0]
    return str(calculator.defaults.get(name, ""))


def _words_filled(
    into: Candidate,
    asked: dict[str, Kind],
    phrases: list[Phrase],
    workshop: Workshop,
    page: PageUnit,
) -> list[Size]:
    """Fill what words say, and give back the sizes left for numbers.

    Raises:
        Refused: Two things said of one field, or two metals.
    """
    for phrase in phrases:
        for meaning in phrase.meanings:
            if meaning.kind not in ("choice", "machine", "ruling") or meaning.field not in asked:
                continue
            into.used.update(range(phrase.start, phrase.end))
            if meaning.field == into.calculator.ruling:
                continue
            before = into.typed.setdefault(meaning.field, meaning.key)
            if before != meaning.key:
                raise Refused(
                    f"I read both {before} and {meaning.key}; it can only be one.",
                    field=meaning.field,
                )
    said = [Metals(p.start, p.end, m.key) for p in phrases for m in p.meanings if m.kind == "metal"]
    metals = take_metals(said, asked, into.cutting, workshop)
    into.typed.update(metals.typed)
    into.used |= metals.used
    if into.cutting.limits:
        name = next((n for n, k in asked.items() if isinstance(k, Limits)), None)
        if name is None:
            raise Refused("There is no place for limits in that.", suggest=None)
        into.typed[name] = _with_unit(into.cutting, page)
    taken = {at for p in phrases for at in range(p.start, p.end)} - metals.numbers
    return [s for s in into.cutting.sizes if s.start not in taken]


def _with_unit(cutting: Cutting, page: PageUnit) -> str:
    """Limits in the unit of their size: a bare one beside inches is in inches too."""
    limits = cutting.limits
    if any(mark in limits for mark in ("mm", "in", "thou", '"')) or page is PageUnit.INCH:
        return limits
    inches = any(mark in s.text for s in cutting.sizes for mark in ("/", '"', "in", "thou"))
    return f"{limits} in" if inches and not limits[:1].isalpha() else limits


def _numbers(
    into: Candidate,
    asked: dict[str, Kind],
    chosen: str,
    lexicon: Lexicon,
    claims: list[Claim],
    sizes: list[Size],
    told: Told,
) -> None:
    """Every number to its field."""
    left = _threads(into, asked, sizes, claims)
    for claim in claims:
        if claim.size not in left:
            continue
        name = _field_for(claim, asked, chosen, lexicon, into, told)
        if name is None:
            continue
        left.remove(claim.size)
        if claim.size.refused is not None and not isinstance(asked[name], Length):
            pass
        elif claim.size.refused is not None:
            into.problem = claim.size.refused.on(name)
        _give(into, name, claim.size)
        into.used.update(range(claim.hint.start, claim.hint.end))
        if isinstance(asked[name], Pressure):
            # Its hint is its unit: 80 psi is not 80 bar.
            into.typed[name] += f" {claim.hint.words[-1]}"
    claimed = _spoken_for(into, left, asked, chosen)
    for name in [n for n, k in asked.items() if k.principal and n not in into.typed]:
        kind = asked[name]
        fitting = [s for s in left if s not in claimed and kind.takes(s.text, told)]
        if not fitting:
            continue
        if kind.several:
            into.typed[name] = "; ".join(s.text for s in fitting)
            for size in fitting:
                into.used.update(range(size.start, size.end))
                left.remove(size)
            continue
        size = fitting[0]
        left.remove(size)
        if (spare := _spare(size, kind, asked, chosen, into)) is not None:
            _give(into, spare, size)
            continue
        if size.refused is not None:
            into.problem = into.problem or size.refused.on(name)
        _give(into, name, size)
    _stray(into, [s for s in left if s not in claimed], asked)


def _spare(
    size: Size, kind: Kind, asked: dict[str, Kind], chosen: str, into: Candidate
) -> str | None:
    """Where a size goes that its principal field could never mean: a 1 mm slit is no saw."""
    if _outside(size.mm, kind, chosen) < _ABSURD:
        return None
    fits = (
        n
        for n, k in asked.items()
        if k.spare and n not in into.typed and _outside(size.mm, k, chosen) == 0
    )
    return next(fits, None)


def _stray(into: Candidate, loose: list[Size], asked: dict[str, Kind]) -> None:
    """A number nobody has a use for is asked about where there is a place for it."""
    claims = [k.hints[0] for k in asked.values() if k.hints and not k.principal]
    if loose and claims and into.problem is None:
        into.problem = Refused(
            f"I do not know what {loose[0].text} is for. Say which: {', '.join(claims[:6])}."
        )


def _give(into: Candidate, name: str, size: Size) -> None:
    into.typed[name] = size.text
    into.used.update(range(size.start, size.end))


def _threads(
    into: Candidate, asked: dict[str, Kind], sizes: list[Size], claims: list[Claim]
) -> list[Size]:
    """The thread's own name is taken out before any word may claim it: an M4 cover, 5 thick."""
    wanted = next((n for n, k in asked.items() if isinstance(k, OfThread)), None)
    left = list(sizes)
    if wanted is None:
        return left
    words = into.cutting.words
    for size in left:
        if not size.thread:
            continue
        text, end = size.text, size.end
        following = words[end].lower() if end < len(words) else ""
        metric = text.lower().startswith("m") and "x" not in text.lower()
        if following == "fine" and metric and "fit" not in asked:
            text, end = f"{text} fine", end + 1
        into.typed[wanted] = text
        into.used.update(range(size.start, end))
        left.remove(size)
        return left
    for size, tpi in itertools.pairwise(sizes):
        number = into.cutting.words[tpi.start]
        counted = words[tpi.end : tpi.end + 1] == ("tpi",) and tpi.start == size.end
        if counted and names_thread(name := f"{size.text}x{number}"):
            into.typed[wanted] = name
            into.used.update(range(size.start, tpi.end + 1))
            return [s for s in left if s is not size and s is not tpi]
    if wanted in into.calculator.wanted("") and (broken := _broken_thread(left)):
        into.problem = broken.on(wanted)
    return left


def _broken_thread(sizes: list[Size]) -> Refused | None:
    """What is wrong with what was meant for a thread: 17BA, or a bare 1/4."""
    for size in sizes:
        if not _LIKE_THREAD.fullmatch(size.text):
            continue
        try:
            find_thread(size.text)
        except Refused as refused:
            return refused
    return None


def _field_for(
    claim: Claim, asked: dict[str, Kind], chosen: str, lexicon: Lexicon, into: Candidate, told: Told
) -> str | None:
    words = claim.hint.words
    names = list(lexicon.hints.get(words, ()))
    if claim.leads:
        names += lexicon.before.get(words, [])
    free = [
        n
        for n in names
        if n in asked
        and n not in into.typed
        and chosen not in asked[n].deaf
        and asked[n].takes(claim.size.text, told)
    ]

    def worse(name: str) -> tuple[float, bool]:
        kind = asked[name]
        return (round(_outside(claim.size.mm, kind, chosen), 1), not kind.only)

    return min(free, key=worse, default=None)


def _outside(mm: float | None, kind: Kind, chosen: str) -> float:
    """How far a size lies outside what is usual, in e-folds."""
    usual = kind.usual_under(chosen)
    if mm is None or usual is None or not isinstance(kind, Length):
        return 0.0
    low, high = usual
    if mm <= 0:
        return 3.0
    return max(0.0, math.log(low / mm), math.log(mm / high))


def _spoken_for(
    into: Candidate, left: list[Size], asked: dict[str, Kind], chosen: str
) -> list[Size]:
    """Numbers that a word beside them says are something this question has no place for."""
    words = [w.lower() for w in into.cutting.words]
    heard = [k for k in asked.values() if chosen not in k.deaf]
    hints = {h for k in heard for hint in (*k.hints, *k.before) for h in hint.split()}
    found = []
    for size in left:
        after = words[size.end] if size.end < len(words) else ""
        before = words[size.start - 1] if size.start else ""
        elsewhere = after in _ELSEWHERE_AFTER and after not in hints and size.end not in into.used
        drilled = before in _ELSEWHERE_BEFORE and before not in hints
        if elsewhere or (drilled and size.start - 1 not in into.used):
            found.append(size)
    return found


_LIKE_THREAD = re.compile(r"\d+/\d+|\d+ ?ba|m\d.*|#?\d+-\d+", re.IGNORECASE)
_ELSEWHERE_AFTER = frozenset({"rod", "bar", "rpm", "revs", "rev/min", "teeth", "hrc", "pcd", "hp"})
_ELSEWHERE_BEFORE = frozenset({"drill"})


def _odd(one: Candidate, asked: dict[str, Kind], chosen: str, page: PageUnit) -> float:
    total = 0.0
    for name, text in one.typed.items():
        kind = asked.get(name)
        if kind is None or kind.usual is None or not isinstance(kind, Length) or kind.several:
            continue
        try:
            total += _outside(float(read_length(text, page).mm), kind, chosen)
        except Refused:
            continue
    return total
