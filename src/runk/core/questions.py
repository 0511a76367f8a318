"""From what was typed to a question, and from a question back to its sentence."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass
from decimal import Decimal
from fractions import Fraction
from typing import Any

from runk.core.fields import Field, Kind
from runk.core.lengths import Reading, read_length
from runk.core.lengths.several import read_lengths, together
from runk.core.lengths.show import for_page
from runk.core.metals import find_metal
from runk.core.pressures import pressure_say, read_pressure
from runk.core.refusals import Refused
from runk.core.registry import Calculator
from runk.core.threads.series import find_thread
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_LISTED = re.compile(r"\s*[,;\n]\s*|\s+and\s+")
_LIVE = re.compile(r"\{(\w+)\}")
_AN = re.compile(r"\b([Aa]) (?=8|11\b|18\b)")
_OPTIONAL = re.compile(r"\[([^\]]*)\]")


@dataclass(frozen=True, slots=True)
class Read:
    """A question as understood, with how each length was read."""

    question: Any
    readings: dict[str, Reading]


def read_question(
    calculator: Calculator, typed: Mapping[str, Any], page: PageUnit, workshop: Workshop
) -> Read:
    """Turn typed fields into a question.

    Args:
        calculator: Whose question it is.
        typed: By field; lengths and counts as text or numbers, the rest as text. Missing
            or blank ones take their default.
        page: What a bare number means.
        workshop: For its metals.

    Raises:
        Refused: Naming the first field that cannot be read.
    """
    values: dict[str, Any] = {}
    readings: dict[str, Reading] = {}
    ruling = calculator.ruling
    asked, chosen = calculator.fields, ""
    if ruling is not None:
        key = typed.get(ruling) or calculator.defaults.get(ruling)
        chosen = _choice(calculator.fields[ruling], ruling, key, "")
        asked = calculator.asked(chosen)
    for name, field in asked.items():
        raw = typed.get(name)
        if raw is None or (isinstance(raw, str) and not raw.strip()):
            if name not in calculator.defaults:
                raise Refused(
                    f"What {field.label} is it?" if field.kind is not Kind.TEXT else "Type a size.",
                    field=name, suggest=field.placeholder or None,
                )  # fmt: skip
            continue
        try:
            value = _value(name, field, raw, page, workshop, readings, chosen)
            choices = calculator.kinds_of_choice.get(name)
            values[name] = choices(value) if choices else value
        except Refused as refused:
            raise refused.on(name) from None
    question = calculator.settle(calculator.question(**values), workshop, readings)
    return Read(question, readings)


def _value(
    name: str, field: Field, raw: Any, page: PageUnit, workshop: Workshop,
    readings: dict[str, Reading],
    chosen: str,
) -> Any:  # fmt: skip
    if field.kind is Kind.LENGTH:
        readings[name] = reading = read_length(_plain(raw), page)
        return _bounded(field, reading.mm, page)
    if field.kind is Kind.LENGTHS:
        several = read_lengths(_plain(raw), page)
        readings[name] = together(several)
        return tuple(_bounded(field, one.mm, page) for one in several)
    if field.kind is Kind.METALS:
        named = [text for text in _LISTED.split(str(raw).strip()) if text.strip()]
        every = {"all", "every metal", "all metals"}
        keys = [find_metal(n, workshop.metals).key for n in named if n.lower() not in every]
        return tuple(dict.fromkeys(keys))
    if field.kind is Kind.CHOICE:
        return _choice(field, name, raw, chosen)
    if field.kind is Kind.METAL:
        return find_metal(str(raw), workshop.metals).key
    if field.kind is Kind.COUNT:
        text = _plain(raw).strip()
        if not re.fullmatch(r"[0-9]{1,6}", text):
            raise Refused(f"`{text[:40]}` is not a whole number.", suggest=field.placeholder or "4")
        return _bounded(field, int(text), page)
    if field.kind is Kind.NUMBER:
        text = _plain(raw).strip().lower().replace(",", ".")
        text = re.sub(r"\s*(?:µm|um|micron|microns)$", "", text)
        if re.fullmatch(r"[-−]\s?[0-9.]+", text):
            raise Refused(
                f"{field.label.capitalize()}: `{text[:40]}` is less than nothing.",
                suggest=field.placeholder or text[1:].strip(),
            )
        if not re.fullmatch(r"(?=\.?[0-9])[0-9]{0,7}\.?[0-9]{0,6}", text):
            raise Refused(f"`{text[:40]}` is not a number.", suggest=field.placeholder or "1.6")
        return _bounded(field, float(text), page)
    if field.kind is Kind.THREAD:
        return find_thread(_plain(raw))
    if field.kind is Kind.PRESSURE:
        return _bounded(field, read_pressure(_plain(raw), page), page)
    return str(raw)


def _plain(raw: Any) -> str:
    # A JSON number becomes the digits somebody would have typed, never 1e-07.
    return f"{Decimal(repr(raw)):f}" if isinstance(raw, float) else str(raw)


def _choice(field: Field, name: str, raw: Any, chosen: str) -> str:
    wanted = str(raw).strip().lower()
    meant = next(
        (c for c in field.choices if wanted in (c.key, c.label.lower()) or wanted in c.words), None
    )
    if meant is not None and (not chosen or not meant.only or chosen in meant.only):
        return meant.key
    offered = ", ".join(
        c.label for c in field.choices if not chosen or not c.only or chosen in c.only
    )
    if meant is not None:
        says = f"{meant.label.capitalize()} does not go with this: {chosen.replace('-', ' ')}."
    else:
        says = f"`{str(raw)[:40]}` is no {field.label} I know."
    raise Refused(says, field=name, suggest=offered)


def _bounded(field: Field, value: Any, page: PageUnit) -> Any:
    def said(bound: float) -> str:
        if field.kind in (Kind.LENGTH, Kind.LENGTHS):
            return for_page(Fraction(str(bound)), page)
        if field.kind is Kind.PRESSURE:
            return pressure_say(bound, page)
        return f"{bound:g}"

    what = field.label[0].upper() + field.label[1:]
    if field.kind in (Kind.LENGTH, Kind.LENGTHS) and value <= 0:
        raise Refused(f"{what} must be more than 0.", suggest=field.placeholder or None)
    if field.low is not None and value < field.low:
        raise Refused(f"{what} must be at least {said(field.low)}.")
    if field.high is not None and value > field.high:
        raise Refused(f"{what} can be {said(field.high)} at most.")
    return value


def word(
    calculator: Calculator, name: str, read: Read, page: PageUnit, workshop: Workshop,
    every: bool = False,
) -> str:  # fmt: skip
    """One live word of the sentence as it stands in the question; empty where unsaid."""
    value = getattr(read.question, name)
    field = calculator.fields[name]
    if value is None or value in ("", ()):
        return ""
    if field.kind is Kind.LENGTH:
        return read.readings[name].spoken if name in read.readings else for_page(value, page)
    if field.kind is Kind.CHOICE:
        choice = next(c for c in field.choices if c.key == value)
        return "" if choice.silent and not every else choice.label
    if field.kind is Kind.LENGTHS:
        return read.readings[name].spoken
    if field.kind is Kind.METAL:
        return workshop.metals[value].name
    if field.kind is Kind.METALS:
        return ", ".join(workshop.metals[key].name for key in value)
    if field.kind is Kind.THREAD:
        return str(value.name)
    if field.kind is Kind.PRESSURE:
        return pressure_say(value, page)
    return f"{value:g}" if isinstance(value, float) else str(value)


def words(calculator: Calculator, read: Read, page: PageUnit, workshop: Workshop) -> dict[str, str]:
    """Every live word of the sentence as the room shows it, the usual ones said too."""
    return {name: word(calculator, name, read, page, workshop, True) for name in calculator.fields}


def sentence(calculator: Calculator, read: Read, page: PageUnit, workshop: Workshop) -> str:
    """The question as a sentence: Ask's echo, the slate's title, the CLI's first line."""
    ruling = str(getattr(read.question, calculator.ruling)) if calculator.ruling else ""
    template = calculator.sentences.get(ruling, calculator.sentences.get("", ""))

    def said(match: re.Match[str]) -> str:
        return word(calculator, match[1], read, page, workshop)

    def optional(match: re.Match[str]) -> str:
        names = _LIVE.findall(match[1])
        given = all(word(calculator, n, read, page, workshop) for n in names)
        return _LIVE.sub(said, match[1]) if given else ""

    said_whole = _LIVE.sub(said, _OPTIONAL.sub(optional, template))
    return _AN.sub(r"\1n ", said_whole)
