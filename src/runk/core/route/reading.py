"""A part from what was typed: fields, or lines already taken apart."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import replace
from fractions import Fraction
from functools import lru_cache
from typing import Any

from runk.core.metals.metal import Metal, find_metal, shipped_metals
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.route.drawn.blank import Blank, blank_of_line
from runk.core.route.drawn.sentence import features_of
from runk.core.route.drawn.together import Heard, heard_together
from runk.core.route.feature import BLANK, FEATURE, BlankQuestion
from runk.core.route.feature_question import ENTERED, FeatureQuestion
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
def features_said(
    line: str, page: PageUnit, long: Fraction | None = None, outside: Fraction | None = None
) -> tuple[FeatureQuestion, ...]:
    """The features of a line: read once, however often its part is looked at.

    Args:
        line: As typed.
        page: What a bare number means.
        long: How long the part is in millimetres, where that is known.
        outside: What diameter a groove is cut in, where that is known.

    Raises:
        Refused: It cannot be read.
    """
    return features_of(line, page, long, outside)


def feature_said(line: str, page: PageUnit) -> FeatureQuestion:
    """The one feature of a line.

    Raises:
        Refused: It cannot be read, or there are several in it.
    """
    first, *more = features_said(line, page)
    if more:
        raise Refused("Two features in one line: each wants a line of its own.")
    return first


@lru_cache(maxsize=512)
def blank_heard(line: str, page: PageUnit) -> Blank:
    """A blank from its line, with the metal it names.

    Raises:
        Refused: It cannot be read.
    """
    return blank_of_line(line, page, shipped_metals())


def blank_said(line: str, page: PageUnit) -> BlankQuestion:
    """A blank from its line.

    Raises:
        Refused: It cannot be read.
    """
    return blank_heard(line, page).asked


def metal_key(typed: str, metals: Mapping[str, Metal]) -> str:
    """The key of a metal as somebody calls it; empty where nobody said one.

    Raises:
        Refused: There is no such metal.
    """
    try:
        return find_metal(typed, dict(metals)).key if typed else ""
    except Refused as refused:
        raise refused.on("metal") from None


def metal_said(typed: str, blank: Blank, metals: Mapping[str, Metal]) -> str:
    """The metal of a part: as typed, else as its blank names it.

    Args:
        typed: As somebody calls it; empty where nobody did.
        blank: What it is made from.
        metals: Those there are.

    Raises:
        Refused: The part and its blank are of two metals, or there is no such metal.
    """
    if not typed or not blank.metal:
        return typed or blank.metal
    if metal_key(typed, metals) != blank.metal and typed.casefold() != blank.said.casefold():
        raise Refused(
            f"The part is of {typed[:40]} and what it is made from is {blank.said}: which is it?",
            field="metal",
            suggest=blank.said,
        )
    return typed


def _whole(heard: Heard) -> tuple[FeatureQuestion, ...]:
    if isinstance(heard, Refused):
        raise heard
    return heard


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
    questions: list[FeatureQuestion] = []
    told = list(features)
    lines = [one for one in told if isinstance(one, str)]
    heard = iter(heard_together(lines, stock, page, features_said))
    for n, one in enumerate(told, 1):
        try:
            if isinstance(one, str):
                questions += _whole(next(heard))
            else:
                questions.append(feature_of(one, page))
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
