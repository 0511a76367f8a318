"""``why``: a question of judgement, answered by what the trade says of it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Link
from runk.core.judgement.entries import Entry, found, told
from runk.core.kinds import Text
from runk.core.refusals import Refused
from runk.core.shown import Rank, Show, Table
from runk.core.workshop import Workshop

_MOST_ALSO = 4


@dataclass(frozen=True, slots=True)
class WhyQuestion:
    """A question in words: this way or that, and why."""

    asked: Annotated[
        str, Text("question", asks="What do you want to know?", placeholder="bore or ream 27 mm")
    ]


@dataclass(frozen=True, slots=True, kw_only=True)
class Also:
    """Something else that speaks of it."""

    says: Annotated[str, Show("Also")]
    reason: Annotated[str, Show("Because")]
    source: Annotated[str, Show("Who says so")]


@dataclass(frozen=True, slots=True, kw_only=True)
class WhyAnswer:
    """What to do, why, and who says so."""

    says: Annotated[str, Show("What is done", Rank.BIG)]
    reason: Annotated[str, Show("Because", Rank.SAYS)]
    source: Annotated[str, Show("Who says so", Rank.SAYS)]
    also: Annotated[tuple[Also, ...], Table("What else speaks of it")]
    cautions: tuple[Caution, ...] = ()
    links: tuple[Link, ...] = ()


def _needs(_question: WhyQuestion, _workshop: Workshop) -> None:
    return None


def why(question: WhyQuestion, _: None = None) -> WhyAnswer:
    """What the trade says of a choice.

    Args:
        question: In plain words.

    Raises:
        Refused: Nothing known here speaks of it. Nothing is made up.

    >>> why(WhyQuestion("back gear as spindle lock")).says
    'Never lock the spindle by engaging the back gear'
    """
    entries = found(question.asked)
    if not entries:
        raise Refused(
            "Nothing I know speaks of that. Ask it in other words, or ask for a number.",
            field="asked",
            suggest="bore or ream 27 mm",
        )
    first, *others = entries
    return WhyAnswer(
        says=first.says,
        reason=first.reason,
        source=first.source.title,
        also=tuple(
            Also(says=one.says, reason=one.reason, source=one.source.title)
            for one in others[:_MOST_ALSO]
        ),
        links=_links(first),
    )


def _links(entry: Entry) -> tuple[Link, ...]:
    if not entry.calculator:
        return ()
    return (Link(entry.calculator, (), "Where it is worked out"),)


WHY = Calculator(
    name="why",
    title="Which way, and why",
    door=Door("/faults/why", "Faults", "Which way, and why"),
    opening={"asked": "bronze or brass for steam"},
    question=WhyQuestion,
    answers=(WhyAnswer,),
    compute=why,
    needs=_needs,
    sentences={"": "Why {asked}"},
    whole="asked",
    sayings=told,
    headline=lambda a, _: a.says,
)
