"""One calculator reads one cutting of a line, with its own words alone."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from runk.ask.candidate import Candidate
from runk.ask.claims import Hint, assignments, hints_in
from runk.ask.lexicon import Names, lexicon_of
from runk.ask.metals import Metals, take_metals
from runk.ask.numbers import fill_numbers, oddness
from runk.ask.phrases import Known, Phrase, called_by, phrases_of
from runk.ask.sizes import Cutting, Size
from runk.core.calculator import AnyCalculator
from runk.core.kinds import Choice, Kind, Limits, OfThread, Told
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


def read_line(
    calculator: AnyCalculator,
    cutting: Cutting,
    names: Names,
    workshop: Workshop,
    page: PageUnit,
    known: dict[tuple[str, ...], Known],
    *,
    uncalled: bool = False,
) -> Iterator[Candidate]:
    """Every sensible way this calculator can read a line; none where nothing calls it.

    Args:
        calculator: Which reads.
        cutting: The line, cut.
        names: The workshop's metals and machines.
        workshop: For what is there.
        page: What a bare number means.
        known: By the words of a line, what its other cuttings have found in it for this one.
        uncalled: Whether it reads a line that nothing calls it by: what the line speaks of does.
    """
    lexicon = lexicon_of(calculator)
    limited = lexicon.limited
    if limited != bool(cutting.limits) and (cutting.limits or cutting.has_limits):
        return
    before = known.setdefault(cutting.lower, {})
    phrases = list(phrases_of(lexicon, cutting, names, before))
    named, called = called_by(calculator, lexicon, cutting, names, phrases)
    if not named and not uncalled:
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
        fill_numbers(one, asked, chosen, lexicon, claims, sizes, Told(page, workshop, chosen))
        one.missing = [n for n in calculator.wanted(chosen, one.typed) if n not in one.typed]
        one.odd += oddness(one, asked, chosen, page)
        yield one


def _hears(asked: Mapping[str, Kind], name: str, hint: Hint) -> bool:
    """Whether a field is asked, and by that word: the end of a call names only a field of its own.

    The *pin* of a gauge pin is one; *off* in part off, *out* in bore out say nothing of a number.
    """
    return name in asked and (not hint.ends_call or len(asked[name].only) == 1)


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


def _more_particular(kind: Kind, said: str, before: str) -> str:
    """Of two things said of one field, the one the other yields to; empty where neither does."""
    choices: tuple[Choice, ...] = getattr(kind, "choices", ())
    yields = {c.key: c.yields_to for c in choices}
    if said in yields.get(before, ()):
        return said
    return before if before in yields.get(said, ()) else ""


def _words_filled(
    into: Candidate,
    asked: Mapping[str, Kind],
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
            if before != meaning.key and (
                kept := _more_particular(asked[meaning.field], meaning.key, before)
            ):
                into.typed[meaning.field] = kept
            elif before != meaning.key:
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
