"""A part from what was typed: fields, or lines already taken apart."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import replace
from functools import lru_cache
from typing import Any

from runk.core.metals.metal import Metal, find_metal
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.route.feature import BLANK, FEATURE, BlankQuestion
from runk.core.route.feature_question import ENTERED, FeatureQuestion
from runk.core.route.lines import question_of
from runk.core.route.names import named
from runk.core.route.part import Feature, Part
from runk.core.route.placed import see_placed
from runk.core.route.possible import checked
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

Typed = Mapping[str, Any]
_EMPTY = Workshop(())


def feature_of(typed: Typed, page: PageUnit = PageUnit.MM) -> FeatureQuestion:
    """A feature from its fields.

    Raises:
        Refused: A field that cannot be read, or one missing.
    """
    known = set(FEATURE.fields)
    for name in typed:
        if name not in known:
            raise Refused(f"A feature has no `{name[:40]}`.", field=name[:40])
    question: FeatureQuestion = read_question(FEATURE, typed, page, _EMPTY).question
    return question


def blank_of(typed: Typed, page: PageUnit = PageUnit.MM) -> BlankQuestion:
    """A blank from its fields.

    Raises:
        Refused: A field that cannot be read, or one missing.
    """
    for name in typed:
        if name not in BLANK.fields:
            raise Refused(f"A blank has no `{name[:40]}`.", field=name[:40])
    question: BlankQuestion = read_question(BLANK, typed, page, _EMPTY).question
    return question


@lru_cache(maxsize=4096)
def feature_said(line: str, page: PageUnit) -> FeatureQuestion:
    """A feature from its line: read once, however often its part is looked at.

    Raises:
        Refused: It cannot be read.
    """
    question: FeatureQuestion = question_of(line, FEATURE, page)
    return question


@lru_cache(maxsize=512)
def blank_said(line: str, page: PageUnit) -> BlankQuestion:
    """A blank from its line.

    Raises:
        Refused: It cannot be read.
    """
    question: BlankQuestion = question_of(line, BLANK, page)
    return question


def metal_key(typed: str, metals: Mapping[str, Metal]) -> str:
    """The key of a metal as somebody calls it; empty where nobody said one.

    Raises:
        Refused: There is no such metal.
    """
    try:
        return find_metal(typed, dict(metals)).key if typed else ""
    except Refused as refused:
        raise refused.on("metal") from None


def featured(questions: Iterable[FeatureQuestion]) -> tuple[Feature, ...]:
    """Features with names of their own."""
    found: list[Feature] = []
    for asked in questions:
        found.append(Feature(named(asked, (f.key for f in found)), asked))
    return tuple(found)


def _sided(part: Part) -> Part:
    """On a block what nobody told a side of is cut from the top: an axis it has none."""
    if part.turned:
        return part
    return replace(
        part,
        features=tuple(
            replace(f, asked=replace(f.asked, side="top"))
            if f.kind in ENTERED and f.asked.side is None and f.asked.throw is None
            else f
            for f in part.features
        ),
    )


def part_of(
    name: str,
    metal: str,
    blank: str | Typed,
    features: Iterable[str | Typed],
    page: PageUnit = PageUnit.MM,
    metals: Mapping[str, Metal] | None = None,
    **more: Any,
) -> Part:
    """A part from lines or fields.

    Args:
        name: Of the part.
        metal: Key of a metal.
        blank: Its line or its fields.
        features: Theirs.
        page: What a bare number means.
        metals: Those there are; any is taken where left out.
        more: Further fields of :class:`Part`.

    Raises:
        Refused: Something of it cannot be read or made.

    >>> part = part_of("bush", "brass", "bar 16", ["bore 8 H7, from 0 to 12", "face at 0"])
    >>> [f.key for f in part.features], part.long
    (['bore 8', 'face 0'], 12.0)
    """
    if metals is not None:
        metal = metal_key(metal, metals)
    stock = blank_said(blank, page) if isinstance(blank, str) else blank_of(blank, page)
    questions = []
    for n, one in enumerate(features, 1):
        try:
            questions.append(
                feature_said(one, page) if isinstance(one, str) else feature_of(one, page)
            )
        except Refused as refused:
            raise Refused(
                f"Feature {n} of {name}: {refused.template}",
                field=refused.field,
                suggest=refused.template_suggest,
            ) from None
    return made_of(name, metal, stock, featured(questions), unit=page, **more)


def made_of(
    name: str, metal: str, blank: BlankQuestion, features: tuple[Feature, ...], **more: Any
) -> Part:
    """A part from what was read: all that cannot be is refused.

    Args:
        name: Of the part.
        metal: Key of a metal.
        blank: What it is made from.
        features: In the order they were told.
        more: Further fields of :class:`Part`.

    Raises:
        Refused: It cannot be made.
    """
    part = checked(_sided(Part(name, metal, blank, features, **more)))
    see_placed(part)
    return part
