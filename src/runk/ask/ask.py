"""Answering a line: which calculator, which number is for what, and what is missing."""

from __future__ import annotations

import difflib
import re
from dataclasses import dataclass
from typing import Any

from runk.ask.scan import Number, Scan, clean, scan
from runk.ask.vocabulary import phrases_of
from runk.core.fields import Field, Kind
from runk.core.lengths import read_length
from runk.core.metals import Metal
from runk.core.questions import Read, read_question, sentence
from runk.core.refusals import Refused
from runk.core.registry import Calculator, calculators
from runk.core.threads.series import find_thread
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_SAY_IN = re.compile(
    r"\s+(?:in|to|as|into)\s+(?:mm|millimet\w+|in|ins|inch(?:es)?|thou|64ths?|fraction)\s*$",
    re.IGNORECASE,
)
_ASKS_LENGTH = re.compile(r"^(?:what(?:'s| is)|convert|length|size of)\s+", re.IGNORECASE)


CHANGES_THE_SIZE = frozenset({"clearing", "undersize", "interference", "press"})


@dataclass(frozen=True, slots=True)
class Asked:
    """A line understood and answered.

    Args:
        calculator: Which one answered.
        typed: The question's fields as the room would have them typed.
        read: The question, and how each length was read.
        answer: The calculator's own.
        read_as: The question said back, with every reading that had another.
    """

    calculator: Calculator
    typed: dict[str, str]
    read: Read
    answer: Any
    read_as: str


def ask(line: str, workshop: Workshop, page: PageUnit = PageUnit.MM) -> Asked:
    """Answer one line in plain words, in any order, units mixed.

    Args:
        line: Such as ``turn 22mm silver steel hss``.
        workshop: Whose machines and metals it is about.
        page: What a bare number means.

    Raises:
        Refused: Saying which words were understood and what one thing is missing.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> ask("bore 5/8 cast iron carbide on the lathe", WORKSHOP).answer.position
    'belt 3, direct'
    """
    clean(line)
    length = _as_length(line, page)
    if length is not None:
        return _answer(calculators()["length"], {"text": length}, [], page, workshop)
    found = scan(line, page, workshop)
    calculator = _which(found)
    _not_yet(found)
    typed = _fill(calculator, found, line, workshop)
    return _answer(calculator, typed, found.unknown, page, workshop)


def _as_length(line: str, page: PageUnit) -> str | None:
    text = _ASKS_LENGTH.sub("", _SAY_IN.sub("", line.strip().rstrip("?")))
    if not re.search(r"\d|letter", text):
        return None
    try:
        read_length(text, page)
    except Refused:
        # A line that is nothing but a broken size deserves the size's own sentence.
        if re.fullmatch(r"""[\d\s/.,#"'+*()x-]+(?:mm|in|thou|m)?(?: m)?""", text.strip()):
            raise
        return None
    return text


def _understood(found: Scan) -> str:
    words = [m.phrase for m in found.meanings] + [
        n.text for n in found.numbers if n.refused is None
    ]
    return ", ".join(dict.fromkeys(words))


def _not_yet(found: Scan) -> None:
    """Refuse words that would change the size asked for: passing them over would mislead."""
    said = [word for word in found.unknown if word.lower() in CHANGES_THE_SIZE]
    if said:
        raise Refused(
            f"`{said[0]}` changes the size, and I do not work that out yet: type the size itself.",
            suggest="drill 4.8 mm brass",
        )


def _which(found: Scan) -> Calculator:
    known = calculators()
    triggered = [known[m.key] for m in found.of("trigger")]
    if triggered:
        return triggered[0]
    for calculator in known.values():
        joined = any(n.before in calculator.between for n in found.numbers[1:])
        works = {m.field for m in found.of("ruling")}
        if joined and (not works or calculator.ruling in works):
            return calculator
    late = [known[m.key] for m in found.of("late")]
    for calculator in late:
        if any(m.field == calculator.ruling for m in found.of("ruling")):
            return calculator
    for calculator in known.values():
        ruling = None if calculator.triggers else calculator.ruling
        if ruling and any(m.field == ruling for m in found.of("ruling")):
            return calculator
    if late:
        return late[0]
    operations = [
        choice.label.lower()
        for calculator in known.values()
        if calculator.ruling and not calculator.triggers
        for choice in calculator.fields[calculator.ruling].choices
    ]
    can = ", ".join(operations[:-1]) + f" or {operations[-1]}"
    understood = _understood(found)
    if not understood:
        raise Refused(
            "I understood none of that. Say what is to be done, to which metal, at what size.",
            suggest="turn 22mm silver steel hss",
        )
    unread = f" I do not know: {', '.join(found.unknown[:5])}." if found.unknown else ""
    raise Refused(
        f"I understood {understood}, but not what is to be done.{unread} Say {can}.",
        field="operation",
    )


def _fill(calculator: Calculator, found: Scan, line: str, workshop: Workshop) -> dict[str, str]:
    typed: dict[str, str] = {}
    ruling = calculator.ruling
    if ruling:
        said = list(dict.fromkeys(m.key for m in found.of("ruling") if m.field == ruling))
        gives_way = {c.key: c.yields_to for c in calculator.fields[ruling].choices}
        said = [key for key in said if not set(gives_way[key]) & set(said)]
        if len(said) > 1:
            raise Refused(
                f"I read {len(said)} things to do: {' and '.join(said)}. Ask for one at a time.",
                field=ruling,
            )
        if said:
            typed[ruling] = said[0]
    usual = str(calculator.defaults.get(ruling, "")) if ruling else ""
    asked = calculator.asked(typed.get(ruling, usual) if ruling else "")
    _fill_metal(asked, found, typed, workshop.metals)
    for meaning in found.meanings:
        named = meaning.kind in ("choice", "machine", "ruling") and meaning.field != ruling
        if named and meaning.field in asked:
            before = typed.setdefault(meaning.field, meaning.key)
            if before != meaning.key:
                raise Refused(
                    f"I read both {before} and {meaning.key}; it can only be one.",
                    field=meaning.field,
                )
    _fill_numbers(asked, found.numbers, typed)
    _want_all(calculator, asked, found, typed, workshop)
    return typed


def _fill_metal(
    asked: dict[str, Field], found: Scan, typed: dict[str, str], metals: dict[str, Metal]
) -> None:
    """The metal; a bare number such as 303 is a metal only where no other is named."""
    several = next((name for name, field in asked.items() if field.kind is Kind.METALS), None)
    if several and found.of("metal"):
        typed[several] = ", ".join(dict.fromkeys(m.phrase for m in found.of("metal")))
    fields = [name for name, field in asked.items() if field.kind is Kind.METAL]
    if not fields:
        return
    if len(fields) > 1:
        for name, meaning in zip(fields, found.of("metal"), strict=False):
            typed[name] = meaning.key
        return
    named = found.of("metal")
    spoken = [m for m in named if not m.phrase.isdigit()]
    families = {metals[m.key].family for m in spoken}
    closer = [m for m in named if m.phrase.isdigit() and metals[m.key].family in families]
    if len(families) == 1 and len(closer) == 1:
        # "stainless steel 316": the number says which of them.
        spoken, named = closer, [m for m in named if m not in spoken]
    for meaning in named:
        if meaning.phrase.isdigit() and spoken and meaning not in spoken:
            found.numbers.insert(0, Number(meaning.phrase, None))
    keys = list(dict.fromkeys(m.key for m in (spoken or named[:1])))
    if not spoken:
        for meaning in named[1:]:
            found.numbers.append(Number(meaning.phrase, None))
    if len(keys) > 1:
        said = " and ".join(dict.fromkeys(m.phrase for m in spoken))
        raise Refused(f"I read two metals: {said}. Which is being cut?", field="metal")
    if keys:
        typed[fields[0]] = keys[0]


def _thread_first(
    asked: dict[str, Field], numbers: list[Number], typed: dict[str, str]
) -> list[Number]:
    """The thread's own name is taken out before any hint may claim it: an M4 cover, 5 thick."""
    wanted = next((n for n, f in asked.items() if f.kind is Kind.THREAD), None)
    if wanted is None:
        return numbers
    for number in numbers:
        try:
            find_thread(number.text)
        except Refused:
            continue
        typed[wanted] = number.text
        return [n for n in numbers if n is not number]
    return numbers


def _fill_numbers(asked: dict[str, Field], numbers: list[Number], typed: dict[str, str]) -> None:
    loose: list[Number] = []
    numbers = _thread_first(asked, numbers, typed)
    # A field asked only here knows its hint better than one asked everywhere.
    fields = sorted(asked.items(), key=lambda item: not item[1].only)
    used: set[int] = set()
    for number in numbers:
        claimed = None
        # "bar 12 out 45" and "12 bar 45 out": a word serves one number only, the one after it
        # unless the one before it has taken it.
        sides = [(number.before, number.before_at, True), (number.after, number.after_at, False)]
        for hint, at, leads in reversed(sides) if number.called else sides:
            if not hint or at in used:
                continue
            claimed = next(
                (
                    n for n, f in fields
                    if n not in typed
                    and hint in (f.hints + f.before if leads else f.hints)
                    and (f.kind is not Kind.COUNT or number.text.isdigit())
                ),
                None,
            )  # fmt: skip
            if claimed:
                used.add(at)
                break
        if claimed is None:
            loose.append(number)
            continue
        if number.refused:
            raise number.refused.on(claimed)
        typed[claimed] = number.text
        if asked[claimed].kind is Kind.PRESSURE:
            # Its hint is its unit: 80 psi is not 80 bar.
            typed[claimed] += f" {hint}"
    for principal in [n for n, f in asked.items() if f.principal and n not in typed]:
        several = asked[principal].kind is Kind.LENGTHS
        taken, loose = (loose, []) if several else (loose[:1], loose[1:])
        for number in taken:
            if number.refused:
                raise number.refused.on(principal)
        if taken:
            typed[principal] = "; ".join(number.text for number in taken)
    if loose:
        claims = [f.hints[0] for f in asked.values() if f.hints and not f.principal]
        raise Refused(
            f"I do not know what {loose[0].text} is for. Say which: {', '.join(claims)}.",
        )


def _want_all(
    calculator: Calculator, asked: dict[str, Field], found: Scan, typed: dict[str, str],
    workshop: Workshop,
) -> None:  # fmt: skip
    for name, field in asked.items():
        if name in typed or name in calculator.defaults:
            continue
        understood = _understood(found)
        words = f"I understood {understood}." if understood else "I understood none of that."
        suggest = field.placeholder
        if found.unknown:
            words += f" I do not know `{' '.join(found.unknown)[:60]}`."
            if field.kind is Kind.METAL:
                suggest = _near_metal(found.unknown, workshop) or suggest
        raise Refused(f"{words} What {field.label} is it?", field=name, suggest=suggest)


def _near_metal(unknown: list[str], workshop: Workshop) -> str:
    names = [
        " ".join(words)
        for words, meanings in phrases_of(workshop).items()
        if any(m.kind == "metal" for m in meanings)
    ]
    tried = [" ".join(unknown), *unknown]
    near = [n for text in tried for n in difflib.get_close_matches(text.lower()[:60], names, n=2)]
    return " or ".join(dict.fromkeys(near))


def _answer(
    calculator: Calculator, typed: dict[str, str], unknown: list[str], page: PageUnit,
    workshop: Workshop,
) -> Asked:  # fmt: skip
    read = read_question(calculator, typed, page, workshop)
    answer = calculator.ask(read.question, workshop)
    said = sentence(calculator, read, page, workshop)
    echoes = [r.echo for r in read.readings.values() if not r.plain]
    read_as = f"{said} ({'; '.join(echoes)})" if echoes else said
    if unknown:
        read_as += f". Passed over: {' '.join(unknown)[:80]}"
    return Asked(calculator, typed, read, answer, read_as)
