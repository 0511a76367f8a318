"""``pair``: may these two metals rub on each other, and what parts them if not."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from typing import Annotated

from runk.core.fields import Field, Kind
from runk.core.figures import Caution
from runk.core.metals.metal import Metal
from runk.core.registry import Calculator, register
from runk.core.sources import Held, Source, read_table
from runk.core.workshop import Workshop

VERDICTS = {"run": "They may run", "mind": "Only slow and oiled", "no": "Keep them apart"}


@dataclass(frozen=True, slots=True)
class PairQuestion:
    """Two metals that would rub on each other."""

    metal: Annotated[str, Field(Kind.METAL, "metal", placeholder="brass")]
    other: Annotated[str, Field(Kind.METAL, "other metal", placeholder="mild steel")]


@dataclass(frozen=True, slots=True)
class PairAnswer:
    """Whether they may run, why, and what to put between them if they may not.

    ``verdict`` is ``run``, ``mind`` or ``no``.
    """

    verdict: str
    title: str
    says: str
    between: str
    source: str
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
            row["verdict"], row["says"], row["between"],
            Source(row["authority"], Held(row["held"])),
        )
        for row in read_table("running_pairs")
    }  # fmt: skip


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
            Caution("Stop", "picking up", f"{says} Put {between} between them.", None, row.source),
        )
    return PairAnswer(verdict, VERDICTS[verdict], says, between, row.source.title, cautions)


def _needs(question: PairQuestion, workshop: Workshop) -> PairShop:
    return PairShop(workshop.metals[question.metal], workshop.metals[question.other])


PAIR = register(
    Calculator(
        name="pair",
        title="May these two run on each other",
        question=PairQuestion,
        answer=PairAnswer,
        compute=pair,
        needs=_needs,
        sentences={"": "May {metal} run on {other}"},
        triggers=("run on", "rub on", "rub", "running pair", "run together", "against"),
        headline=lambda answer, _: answer.title,
    )
)
