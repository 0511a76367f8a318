"""Features and blanks read from what was typed, and what each feature is cut by."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated, Any

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Link
from runk.core.kinds import Choice, Length, OneOf
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.route.feature_question import SENTENCES, FeatureQuestion
from runk.core.route.verbs import verbs_of
from runk.core.shown import Rank, Show
from runk.core.workshop import Workshop


@dataclass(frozen=True, slots=True, kw_only=True)
class FeatureAnswer:
    """What a feature is cut by."""

    operations: Annotated[str, Show("Cut by", Rank.BIG)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


_METRIC = re.compile(r"M ?\d", re.IGNORECASE)


def _nothing(_: Any, __: Workshop) -> None:
    return


def _settle(
    question: FeatureQuestion, _: Workshop, readings: Mapping[str, Reading]
) -> FeatureQuestion:
    """A length along the axis, a hole told by size or by thread.

    Raises:
        Refused: It has none.
    """
    if question.start is not None and question.start == question.end:
        raise Refused("It begins where it ends.", field="end")
    if question.kind == "holes" and question.size is None and question.screw is None:
        raise Refused("What size are the holes?", field="size", suggest="3.2 mm")
    size = readings.get("size")
    if question.kind == "holes" and size is not None and _METRIC.match(size.spoken):
        raise Refused(
            f"Is {size.spoken} a thread? There is none of that name here.",
            field="size",
            suggest=f"{float(size.mm):g} mm",
        )
    if question.kind == "holes" and question.screw is not None and question.limits is not None:
        raise Refused("A thread has no limits here.", field="limits")
    if question.throw is not None and question.side not in (None, "right", "left"):
        raise Refused(
            "A hole in a side has no throw: it has a place.", field="throw", suggest="at 10 by 12"
        )
    if question.kind == "taper" and question.small == question.size:
        raise Refused("A taper has two ends that differ.", field="small")
    return question


def _feature_answer(question: FeatureQuestion, _: None = None) -> FeatureAnswer:
    """Its operations in their order.

    >>> _feature_answer(FeatureQuestion("reamed", size=Fraction(6))).operations
    'centre, drill, ream'
    """
    return FeatureAnswer(operations=", ".join(verbs_of(question)), cautions=(), links=())


FEATURE = Calculator(
    name="feature",
    title="A feature of a part",
    calls=("hexagon", "hex", "square"),
    door=Door("/parts/feature", "Jobs", ""),
    opening={"kind": "bore", "size": "22 mm", "start": "0", "end": "40"},
    question=FeatureQuestion,
    answers=(FeatureAnswer,),
    compute=_feature_answer,
    needs=_nothing,
    settle=_settle,
    sentences=SENTENCES,
    headline=lambda answer, _: answer.operations,
)

BLANKS = (
    Choice("bar", "bar", ("bar", "round bar", "rod")),
    Choice("casting", "casting", ("casting", "a casting", "cast")),
    Choice("plate", "plate", ("plate", "flat", "block")),
)
SECTIONS = (
    Choice("round", "round", ("round",)),
    Choice("hexagon", "hexagon", ("hexagon", "hex", "hexagonal")),
    Choice("square", "square", ("square",)),
)


@dataclass(frozen=True, slots=True)
class BlankQuestion:
    """What a part is made from.

    Args:
        kind: Of blank.
        section: Of a bar.
        dia: Of a bar, across its flats where it has any; or of a casting where it is gripped.
        long: In all; of a bar the piece that is there, where it is no longer bar.
        wide: Of a plate; ``high`` how thick.
        surplus: On each machined face of a casting.
        cored: A hole that is cast in.
    """

    kind: Annotated[str, OneOf("blank", choices=BLANKS, rules=True)] = "bar"
    section: Annotated[
        str | None, OneOf("section", choices=SECTIONS, only=("bar",), placeholder="round")
    ] = None
    dia: Annotated[
        Fraction | None,
        Length(
            "diameter",
            ("dia",),
            only=("bar", "casting"),
            needed=("bar",),
            low=0.2,
            high=2000.0,
            asks="How thick is the bar?",
            placeholder="25 mm",
        ),
    ] = None
    long: Annotated[
        Fraction | None,
        Length(
            "long",
            ("long",),
            needed=("plate",),
            low=0.2,
            high=5000.0,
            asks="How long is it?",
            placeholder="as long as wanted",
        ),
    ] = None
    wide: Annotated[
        Fraction | None,
        Length(
            "wide",
            ("by", "wide"),
            only=("plate",),
            needed=("plate",),
            low=0.2,
            high=2000.0,
            asks="How wide is it?",
            placeholder="40 mm",
        ),
    ] = None
    high: Annotated[
        Fraction | None,
        Length(
            "thick",
            ("thick",),
            only=("plate",),
            needed=("plate",),
            low=0.1,
            high=500.0,
            asks="How thick is it?",
            placeholder="10 mm",
        ),
    ] = None
    surplus: Annotated[
        Fraction | None,
        Length(
            "surplus",
            ("surplus", "to come off"),
            only=("casting",),
            low=0.05,
            high=50.0,
            placeholder="not told",
        ),
    ] = None
    cored: Annotated[
        Fraction | None,
        Length(
            "cored", ("cored",), only=("bar", "casting"), low=0.5, high=1000.0, placeholder="solid"
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class BlankAnswer:
    """What a blank is."""

    blank: Annotated[str, Show("Blank", Rank.BIG)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


def _blank_settle(question: BlankQuestion, _: Workshop, __: Mapping[str, Reading]) -> BlankQuestion:
    """A tube has a wall.

    Raises:
        Refused: It has none.
    """
    hollow = question.kind == "bar" and question.cored is not None and question.dia is not None
    if hollow and (question.cored or 0) >= (question.dia or 0):
        raise Refused("The bore is larger than the bar it is in: it has no wall.", field="cored")
    return question


BLANK = Calculator(
    name="blank",
    title="What a part is made from",
    door=Door("/parts/blank", "Jobs", ""),
    opening={"kind": "bar", "dia": "25 mm"},
    question=BlankQuestion,
    answers=(BlankAnswer,),
    compute=lambda question, _: BlankAnswer(blank=question.kind, cautions=(), links=()),
    needs=_nothing,
    settle=_blank_settle,
    sentences={
        "bar": "[{section} ]{kind} {dia}[, {long} long][, cored {cored}]",
        "casting": "{kind}[ {dia}][, {long} long][, {surplus} to come off][, cored {cored}]",
        "plate": "{kind} {long} by {wide} by {high}",
    },
    calls=("hexagon", "hex", "square"),
    headline=lambda answer, _: answer.blank,
)
