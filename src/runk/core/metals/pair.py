"""``pair``: may these two metals rub on each other, and what parts them if not."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, stop
from runk.core.kinds import OfMetal
from runk.core.metals.metal import Metal
from runk.core.shown import Rank, Show
from runk.core.sources import Held, Source, read_table
from runk.core.workshop import Workshop

VERDICTS = {"run": "They may run", "mind": "Only slow and oiled", "no": "Keep them apart"}


@dataclass(frozen=True, slots=True)
class PairQuestion:
    """Two metals that would rub on each other."""

    metal: Annotated[str, OfMetal("metal", placeholder="brass")]
    other: Annotated[str, OfMetal("other metal", placeholder="mild steel")]


@dataclass(frozen=True, slots=True, kw_only=True)
class PairAnswer:
    """Whether they may run, why, and what to put between them if they may not.

    ``verdict`` is ``run``, ``mind`` or ``no``.
    """

    verdict: str
    title: Annotated[str, Show("Verdict", Rank.BIG)]
    says: Annotated[str, Show("Why", Rank.SAYS)]
    between: Annotated[str, Show("Between them", Rank.SAYS)]
    source: Annotated[str, Show("Who says so", Rank.FOLDED)]
    cautions: tuple[Caution, ...]


@dataclass(frozen=True, slots=True)
class PairShop:
    """The two metals."""

    metal: Metal
    other: Metal


@dataclass(frozen=True, slots=True)
class _Row:
    verdict: str
    says: str
    between: str
    source: Source


@cache
def _pairs() -> dict[frozenset[str], _Row]:
    return {
        frozenset((row["one"], row["other"])): _Row(
            row["verdict"], row["says"], row["between"], Source(row["authority"], Held(row["held"]))
        )
        for row in read_table("running_pairs")
    }


def pair(question: PairQuestion, shop: PairShop) -> PairAnswer:
    """Whether two metals may rub.

    Args:
        question: Their names, used for the words alone.
        shop: The metals.

    Returns:
        A verdict by family; two of the very same copper alloy are kept apart.

    >>> from runk.core.metals.metal import shipped_metals
    >>> brass = shipped_metals()["brass"]
    >>> pair(PairQuestion("brass", "brass"), PairShop(brass, brass)).verdict
    'no'
    """
    one, other = shop.metal, shop.other
    row = _pairs()[frozenset((one.family, other.family))]
    verdict, says, between = row.verdict, row.says, row.between
    if one.kind == other.kind and one.family == "copper alloy":
        verdict = "no"
        says = f"{one.name.capitalize()} on {one.name} picks up: like does not run on like."
    cautions: tuple[Caution, ...] = ()
    if verdict == "no":
        cautions = (
            stop(
                "picking up",
                f"put {between} between them",
                f"{says} Put {between} between them.",
                None,
                row.source,
            ),
        )
    return PairAnswer(
        verdict=verdict,
        title=VERDICTS[verdict],
        says=says,
        between=between,
        source=row.source.title,
        cautions=cautions,
    )


def _needs(question: PairQuestion, workshop: Workshop) -> PairShop:
    return PairShop(workshop.metals[question.metal], workshop.metals[question.other])


PAIR = Calculator(
    name="pair",
    title="May these two run on each other",
    door=Door("/metals/pair", "Metals", "Which run together", "Shop"),
    opening={"metal": "brass", "other": "stainless-303"},
    question=PairQuestion,
    answers=(PairAnswer,),
    compute=pair,
    needs=_needs,
    sentences={"": "May {metal} run on {other}"},
    calls=(
        "run on",
        "rub on",
        "rub",
        "running pair",
        "run together",
        "against",
        "% on %",
        "% in %",
    ),
    headline=lambda answer, _: answer.title,
)
