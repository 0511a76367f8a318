"""Answering a line: which calculator, which number is for what, and what is missing."""

from __future__ import annotations

import difflib
import re
from dataclasses import dataclass
from typing import Any

from runk.ask.fill import fill_metal, fill_numbers, names_thread
from runk.ask.limits import refuse_class, take_limits
from runk.ask.scan import Scan, clean, scan
from runk.ask.vocabulary import phrases_of
from runk.core.fields import Field, Kind
from runk.core.lengths import read_length
from runk.core.questions import Read, read_question, sentence
from runk.core.refusals import Refused
from runk.core.registry import Calculator, calculators
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_SAY_IN = re.compile(
    r"\s+(?:in|to|as|into)\s+(?:mm|millimet\w+|in|ins|inch(?:es)?|thou|64ths?|fraction)\s*$",
    re.IGNORECASE,
)
_ASKS_LENGTH = re.compile(r"^(?:what(?:'s| is)|convert|length|size of)\s+", re.IGNORECASE)


_HOLE_FOR = re.compile(
    r"(?<!centre )(?<!center )\b(drill|hole)s?\s+(?:size\s+)?(?:for|to suit|to take)\b",
    re.IGNORECASE,
)
_SCREW = re.compile(r"\b(?:screws?|bolts?|studs?|capscrews?)\b", re.IGNORECASE)

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
    whole, (line, limits) = line, take_limits(line)
    found = scan(line, page, workshop)
    calculator = _hole_of(line, found) or _which(found)
    if limits and not calculator.fields.keys() >= {"wanted", "smallest", "largest"}:
        limits, found = None, scan(whole, page, workshop)
    _not_yet(found)
    typed = _fill(calculator, found, line, workshop)
    if limits:
        limits.give(typed)
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
    refuse_class(found.unknown)


def _hole_of(line: str, found: Scan) -> Calculator | None:
    """The drill *for* a screw is never of the screw's own diameter: it taps or it clears.

    Raises:
        Refused: It is not said which of the two.
    """
    what = _HOLE_FOR.search(line)
    holes = [n.text for n in found.numbers if n.next in ("hole", "holes") and names_thread(n.text)]
    if (what is None and not holes) or any(
        not _SCREW.fullmatch(m.phrase) for m in found.of("trigger")
    ):
        return None
    name = next((n.text for n in found.numbers if names_thread(n.text)), None)
    if name is None:
        return None
    if _SCREW.search(line):
        found.unknown = [word for word in found.unknown if not _SCREW.fullmatch(word)]
        return calculators()["clearance"]
    if what is not None and what[1].lower() == "drill":
        return calculators()["tap"]
    raise Refused(
        f"A hole for {name}: to be tapped, or for the screw to pass through?", field="operation",
        suggest=f"tap {name}, or clearance {name}",
    )  # fmt: skip


def _which(found: Scan) -> Calculator:
    known = calculators()
    triggered = [known[m.key] for m in found.of("trigger")]
    if triggered:
        return next((c for c in triggered if c.outranks), triggered[0])
    for calculator in known.values():
        joined = any(n.before in calculator.between for n in found.numbers[1:])
        works = {m.field for m in found.of("ruling")}
        if joined and (not works or calculator.ruling in works):
            return calculator
    if len(found.of("metal")) > 1 and not found.numbers and not found.of("ruling"):
        # Two metals and nothing to be done to either: brass on brass.
        pairs = (
            c
            for c in known.values()
            if c.fields and all(f.kind is Kind.METAL for f in c.fields.values())
        )
        return next(pairs)
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
    fill_metal(asked, found, typed, workshop.metals)
    for meaning in found.meanings:
        named = meaning.kind in ("choice", "machine", "ruling") and meaning.field != ruling
        if named and meaning.field in asked:
            before = typed.setdefault(meaning.field, meaning.key)
            if before != meaning.key:
                raise Refused(
                    f"I read both {before} and {meaning.key}; it can only be one.",
                    field=meaning.field,
                )
    found.unknown.extend(fill_numbers(asked, found.numbers, typed))
    _want_all(calculator, asked, found, typed, workshop)
    return typed


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
