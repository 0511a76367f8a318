"""From what was typed to a question, and from a question back to its sentence."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from runk.core.calculator import AnyCalculator
from runk.core.kinds import Told
from runk.core.kinds.base import LONGEST_TYPED
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_LIVE = re.compile(r"\{(\w+)\}")
_AN = re.compile(r"\b([Aa]) (?=8|11\b|18\b)")
_OPTIONAL = re.compile(r"\[([^\]]*)\]")


@dataclass(frozen=True, slots=True)
class Read:
    """A question as understood, with how each length was read."""

    question: Any
    readings: dict[str, Reading]


def read_question(
    calculator: AnyCalculator, typed: Mapping[str, Any], page: PageUnit, workshop: Workshop
) -> Read:
    """Turn typed fields into a question.

    Args:
        calculator: Whose question it is.
        typed: By field; lengths and counts as text or numbers, the rest as text. Missing
            or blank ones take their default.
        page: What a bare number means.
        workshop: For its metals and machines.

    Raises:
        Refused: Naming the first field that cannot be read.
    """
    for name, raw in typed.items():
        # Before anything looks at it, and whether or not it is asked: not even a pattern.
        if isinstance(raw, str) and len(raw) > LONGEST_TYPED:
            says = f"That is {len(raw)} characters; {LONGEST_TYPED} is the most read."
            raise Refused(says, field=name)
    values: dict[str, Any] = {}
    readings: dict[str, Reading] = {}
    chosen = ruled_by(calculator, typed, page, workshop)
    told = Told(page, workshop, chosen)
    wanted = set(calculator.wanted(chosen, typed))
    for name, kind in calculator.asked(chosen).items():
        raw = typed.get(name)
        if raw is None or (isinstance(raw, str) and not raw.strip()):
            if name in wanted:
                raise Refused(kind.missing(), field=name, suggest=kind.placeholder or None)
            continue
        try:
            taken = kind.read(raw, told)
        except Refused as refused:
            raise refused.on(name) from None
        choices = calculator.kinds_of_choice.get(name)
        values[name] = choices(taken.value) if choices else taken.value
        if taken.reading is not None:
            readings[name] = taken.reading
    question = calculator.settle(calculator.question(**values), workshop, readings)
    return Read(question, readings)


def ruled_by(
    calculator: AnyCalculator, typed: Mapping[str, Any], page: PageUnit, workshop: Workshop
) -> str:
    """Key of the choice that decides which fields are asked; ``""`` where none does.

    Raises:
        Refused: It is no such choice, or must be said and is not.
    """
    ruling = calculator.ruling
    if ruling is None:
        return ""
    kind = calculator.fields[ruling]
    raw = typed.get(ruling) or calculator.defaults.get(ruling)
    if raw is None:
        raise Refused(kind.missing(), field=ruling, suggest=kind.placeholder or None)
    try:
        return str(kind.read(raw, Told(page, workshop)).value)
    except Refused as refused:
        raise refused.on(ruling) from None


def word(calculator: AnyCalculator, name: str, read: Read, told: Told, every: bool = False) -> str:
    """One live word of the sentence as it stands in the question; empty where unsaid."""
    value = getattr(read.question, name)
    if value is None or value in ("", ()):
        return ""
    return calculator.fields[name].say(value, read.readings.get(name), told, every)


def words(
    calculator: AnyCalculator, read: Read, page: PageUnit, workshop: Workshop
) -> dict[str, str]:
    """Every live word of the sentence as the room shows it, the usual ones said too."""
    told = Told(page, workshop)
    return {name: word(calculator, name, read, told, True) for name in calculator.fields}


def sentence(calculator: AnyCalculator, read: Read, page: PageUnit, workshop: Workshop) -> str:
    """The question as a sentence: Ask's echo, the slate's title, the CLI's first line."""
    ruling = str(getattr(read.question, calculator.ruling)) if calculator.ruling else ""
    template = calculator.sentences.get(ruling, calculator.sentences.get("", ""))
    told = Told(page, workshop)
    known: dict[str, str] = {}

    def live(name: str) -> str:
        # A word in brackets is wanted twice: to see whether it is there, and to be said.
        if name not in known:
            known[name] = word(calculator, name, read, told)
        return known[name]

    def said(match: re.Match[str]) -> str:
        return live(match[1])

    def optional(match: re.Match[str]) -> str:
        return _LIVE.sub(said, match[1]) if all(map(live, _LIVE.findall(match[1]))) else ""

    said_whole = _LIVE.sub(said, _OPTIONAL.sub(optional, template))
    said_whole = _AN.sub(r"\1n ", said_whole)
    return said_whole[:1].upper() + said_whole[1:]
