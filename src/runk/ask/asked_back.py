"""A line that wants one thing more: what was understood, and what is asked."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from runk.core.calculator import AnyCalculator
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_MOST_CHOICES = 8


class Nearby(Refused):
    """A refusal that offers rooms to press.

    Args:
        near: Calculators that speak of what the line says, the nearest first.
    """

    near: tuple[AnyCalculator, ...] = ()

    def nearest(self) -> list[dict[str, str]]:
        """What may be pressed instead: each room's calculator, and what it is called."""
        return [{"calculator": one.name, "title": one.title} for one in self.near]

    def members(self, workshop: Workshop, page: PageUnit) -> dict[str, Any]:
        """What it says besides its sentence, as plain data; nothing where it offers nothing.

        Args:
            workshop: Whose metals may be chosen.
            page: In whose unit it speaks.
        """
        return {"nearest": self.nearest()} if self.near else {}


class AskedBack(Nearby):
    """A line understood but for one thing.

    It is a refusal, so that whatever knows no more of it says its sentence; whoever can, fills in
    what was understood and leaves the one thing open.

    Args:
        refused: Its sentence, with the field that is wanting.
        calculator: Whose question it is.
        typed: What was understood, by field, as it would be typed.
        question: What is asked, without what was understood; the field's own where left out.
    """

    def __init__(
        self,
        refused: Refused,
        calculator: AnyCalculator,
        typed: Mapping[str, str],
        question: Refused | None = None,
    ) -> None:
        super().__init__(refused.template, field=refused.field, suggest=refused.template_suggest)
        self.calculator = calculator
        self.question = question
        self.typed = {name: text for name, text in typed.items() if text}

    def wants(self, workshop: Workshop, page: PageUnit = PageUnit.MM) -> dict[str, Any]:
        """The one thing: its field, the question, and choices to press.

        Args:
            workshop: Whose metals may be chosen.
            page: In whose unit it speaks.
        """
        kind = self.calculator.fields[self.field or ""]
        return {
            "field": self.field,
            "label": kind.label,
            "asks": self.question.said(page) if self.question else kind.missing(),
            "placeholder": kind.placeholder,
            "choices": _choices(kind, workshop),
        }

    def members(self, workshop: Workshop, page: PageUnit) -> dict[str, Any]:
        """Whose question it is, what was understood, and what it wants."""
        return {
            "calculator": self.calculator.name,
            "understood": self.typed,
            "wants": self.wants(workshop, page),
            **super().members(workshop, page),
        }


class Unread(Nearby):
    """A line that is nobody's, with the rooms that speak of most of it.

    Args:
        refused: Its sentence.
        near: Those calculators, the nearest first.
    """

    def __init__(self, refused: Refused, near: Sequence[AnyCalculator]) -> None:
        # Where nothing said what is to be done, the rooms are a better guess than turning it.
        suggest = None if refused.field == "operation" else refused.template_suggest
        super().__init__(refused.template, field=refused.field, suggest=suggest)
        self.near = tuple(near)


def back(
    refused: Refused,
    calculator: AnyCalculator,
    typed: Mapping[str, str],
    question: Refused | None = None,
) -> Refused:
    """A refusal as one asked back, where it is one of the calculator's fields that is wanting."""
    if refused.field in calculator.fields and not typed.get(refused.field or ""):
        return AskedBack(refused, calculator, typed, question)
    return refused


def _choices(kind: Any, workshop: Workshop) -> list[dict[str, str]]:
    """What may be pressed: the choices of a choice, the commonest metals of a metal."""
    if kind.name == "metal":
        # One of each family first: eight steels would leave no room for brass and iron.
        metals = list(workshop.metals.values())
        first = {metal.family: metal for metal in reversed(metals)}
        order = sorted(metals, key=lambda m: (first[m.family] is not m, metals.index(m)))
        return [{"key": metal.key, "label": metal.name} for metal in order[:_MOST_CHOICES]]
    choices = getattr(kind, "choices", ())[:_MOST_CHOICES]
    return [{"key": choice.key, "label": choice.label} for choice in choices]
