"""Lines known whole by their shape: a chain, a list, a train of wheels."""

from __future__ import annotations

import itertools
from typing import NamedTuple

from runk.ask.asked import Asked, echoed
from runk.core.calculator import AnyCalculator, Catalogue
from runk.core.kinds import Told
from runk.core.lines import only_inches, whole_lines
from runk.core.questions import read_question, sentence
from runk.core.questions import words as word_of
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


class Unanswered(NamedTuple):
    """A line known by its shape that cannot be answered.

    Args:
        calculator: Whose it is.
        refused: Why not.
        whole: Whether every part of it could be read.
    """

    calculator: AnyCalculator
    refused: Refused
    whole: bool


def shaped(
    line: str, workshop: Workshop, page: PageUnit, catalogue: Catalogue
) -> Asked | Unanswered | None:
    """A line known by its shape; None where it is no one's.

    Where it cannot be answered: whose it is, why, and whether every part of it could be read.
    """
    refused: Unanswered | None = None
    # Sizes of one line belong together: a bare number beside inches is inches, unless that is
    # absurd.
    pages = dict.fromkeys((PageUnit.INCH if only_inches(line) else page, page))
    for bare, (calculator, typed) in itertools.product(pages, whole_lines(line, catalogue)):
        try:
            read = read_question(calculator, typed, bare, workshop)
            answer = calculator.ask(read.question, workshop)
        except Refused as failed:
            whole = _is_read(calculator, typed, bare, workshop)
            if refused is None or (whole and not refused.whole):
                refused = Unanswered(calculator, failed, whole)
            continue
        spoken = word_of(calculator, read, page, workshop)
        for name in typed:
            kind = calculator.fields[name]
            if kind.widget == "chosen":
                # The room knows a choice by its key, whatever word was typed for it.
                typed[name] = str(getattr(read.question, name))
            elif kind.in_page_unit and bare is not page:
                # It reads sizes on its own page: each goes there with its unit.
                typed[name] = spoken[name]
        if bare is not page:
            read = read_question(calculator, typed, page, workshop)
        said = sentence(calculator, read, page, workshop)
        return Asked(calculator, typed, read, answer, echoed(said, read))
    return refused


def _is_read(
    calculator: AnyCalculator, typed: dict[str, str], page: PageUnit, workshop: Workshop
) -> bool:
    """Whether every part of a line can be read by its field."""
    try:
        for name, text in typed.items():
            calculator.fields[name].read(text, Told(page, workshop))
    except Refused:
        return False
    return True
