"""``slit``: what a saw takes out of a length, what is left each side, what a joint adds."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, law, told
from runk.core.kinds import Count, Length
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show, Table
from runk.core.sources import PRACTICE
from runk.core.tools import ShopTool, ToolKind, usable
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


@dataclass(frozen=True, slots=True)
class SlitQuestion:
    """A piece to be slit.

    Args:
        total: Across the cuts.
        kerf: What one cut takes; the saw's own thickness where left out.
        cuts: How many.
        side: Wanted on the touched side of the first; equal pieces where left out.
        layer: Between halves that are joined again: solder, adhesive, packing.
        bore: To be bored through the joint afterwards.
    """

    total: Annotated[
        Fraction,
        Length(
            "across",
            ("across", "total", "long", "wide", "block", "bar", "piece"),
            principal=True,
            usual=(3.0, 300.0),
            low=0.5,
            high=2000.0,
            asks="How large is the piece across the cut?",
            placeholder="30 mm",
        ),
    ]
    kerf: Annotated[
        Fraction | None,
        Length(
            "kerf",
            ("kerf", "saw", "cut", "thick"),
            low=0.05,
            high=20.0,
            placeholder="the saw owned",
        ),
    ] = None
    cuts: Annotated[
        int, Count("cuts", ("cuts", "slits"), low=1, high=100, silent=1, placeholder="1")
    ] = 1
    side: Annotated[
        Fraction | None,
        Length(
            "on the touched side",
            ("side", "one side", "leaves", "leave"),
            low=0.05,
            high=2000.0,
            placeholder="equal pieces",
            asks="How much on the touched side?",
        ),
    ] = None
    layer: Annotated[
        Fraction | None,
        Length(
            "layer in the joint",
            ("layer", "solder", "adhesive", "shim", "packing"),
            low=0.005,
            high=20.0,
            placeholder="not rejoined",
        ),
    ] = None
    bore: Annotated[
        Fraction | None, Length("bore", ("bore",), low=0.2, high=1000.0, placeholder="none")
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class SlitAt:
    """Where one cut lies."""

    cut: Annotated[int, Show("Cut")]
    stop_mm: Annotated[Figure, Show("Saw's near side")]
    ends_mm: Annotated[Figure, Show("Its far side")]


@dataclass(frozen=True, slots=True, kw_only=True)
class SlitAnswer:
    """Where the saw goes, and what is left."""

    piece_mm: Annotated[Figure, Show("Each piece", Rank.BIG)]
    stop_mm: Annotated[Figure, Show("Saw's near side from the edge", Rank.BIG)]
    rest_mm: Annotated[Figure | None, Show("The rest, on the other side")]
    slits: Annotated[tuple[SlitAt, ...], Table("Every cut, from the one edge")]
    kerf_mm: Annotated[Figure, Show("Each cut takes")]
    total_mm: Annotated[Figure, Show("Across", Rank.FOLDED)]
    lost_mm: Annotated[Figure, Show("Cuts take in all")]
    joined_mm: Annotated[Figure | None, Show("Across, joined again")]
    shift_mm: Annotated[Figure | None, Show("Smaller across the joint than it was")]
    says: Annotated[str, Show("How", Rank.SAYS)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Each piece", "({total_mm} - {cuts} × {kerf_mm}) ÷ ({cuts} + 1)")
def piece_mm(total_mm: float, cuts: float, kerf_mm: float) -> float:
    """Equal pieces of a length.

    >>> piece_mm(30.0, 1, 1.0)
    14.5
    """
    return (total_mm - cuts * kerf_mm) / (cuts + 1)


@law("The rest", "{total_mm} - {side_mm} - {kerf_mm}")
def rest_mm(total_mm: float, side_mm: float, kerf_mm: float) -> float:
    """What one cut leaves on the far side."""
    return total_mm - side_mm - kerf_mm


@law("Across, joined again", "{total_mm} - {kerf_mm} + {layer_mm}")
def joined_mm(total_mm: float, kerf_mm: float, layer_mm: float) -> float:
    """Two halves with a layer between."""
    return total_mm - kerf_mm + layer_mm


def needs(_: SlitQuestion, workshop: Workshop) -> tuple[ShopTool, ...]:
    """Saws that are sound."""
    return tuple(t for t in usable(workshop.tools, ToolKind.SAW) if t.width_mm)


def settle(question: SlitQuestion, _: Workshop, __: Mapping[str, Reading]) -> SlitQuestion:
    """One cut where a side is told or halves are joined.

    Raises:
        Refused: Several.
    """
    if question.cuts > 1 and (question.side is not None or question.layer is not None):
        field = "side" if question.side is not None else "layer"
        raise Refused("That is of one cut; ask for the others after it.", field=field)
    return question


def compute(question: SlitQuestion, saws: tuple[ShopTool, ...]) -> SlitAnswer:
    """Pieces, and where the saw goes.

    Raises:
        Refused: No kerf is known, or the cuts take it all.

    >>> compute(SlitQuestion(Fraction(30), Fraction(1)), ()).piece_mm.shown()
    '14.500'
    """
    w, total = Working(), float(question.total)
    if question.kerf is None and not saws:
        raise Refused("How much does a cut take?", field="kerf", suggest="0.8 mm")
    kerf = float(question.kerf) if question.kerf is not None else float(saws[0].width_mm or 0)
    left = total - question.cuts * kerf - float(question.side or 0)
    if left <= 0:
        raise Refused(
            f"Nothing is left of {mm_said(total)}: the cuts take {mm_said(question.cuts * kerf)}.",
            field="side" if question.side is not None else "cuts",
        )
    if question.side is not None:
        piece = told(float(question.side), "piece_mm")
    else:
        piece = w.of(piece_mm, total_mm=total, cuts=question.cuts, kerf_mm=kerf)
    rest = None
    if question.cuts == 1:
        rest = replace(w.of(rest_mm, total_mm=total, side_mm=piece.value, kerf_mm=kerf), places=3)
    joined = shift = None
    if question.layer is not None:
        layer = float(question.layer)
        joined = replace(w.of(joined_mm, total_mm=total, kerf_mm=kerf, layer_mm=layer), places=3)
        shift = told(total - joined.value, "shift_mm")
    return SlitAnswer(
        piece_mm=replace(piece, places=3),
        stop_mm=told(piece.value, "stop_mm"),
        rest_mm=rest,
        slits=tuple(_slits(piece.value, kerf, question.cuts)),
        kerf_mm=told(kerf, "kerf_mm"),
        total_mm=told(total, "total_mm"),
        lost_mm=told(question.cuts * kerf, "lost_mm"),
        joined_mm=joined,
        shift_mm=shift,
        says=_says(question),
        cautions=_cautions(question),
        links=(),
    )


def _slits(piece: float, kerf: float, cuts: int) -> Iterator[SlitAt]:
    for n in range(1, cuts + 1):
        near = n * piece + (n - 1) * kerf
        yield SlitAt(cut=n, stop_mm=told(near, "stop_mm"), ends_mm=told(near + kerf, "ends_mm"))


def _says(question: SlitQuestion) -> str:
    after = ""
    if question.layer is not None:
        after = (
            " Joined again it is bored through the joint: bored before, the hole comes out oval."
        )
    return (
        "The saw's near side stands so far from the edge that was touched; what it takes lies "
        f"beyond. A trial slit in scrap says what it really takes.{after}"
    )


def _cautions(question: SlitQuestion) -> tuple[Caution, ...]:
    found = []
    if question.bore is not None and question.layer is None:
        says = "A bore that is there before the slit closes up by what the saw takes."
        found.append(Caution("Mind", "the bore", says, "piece_mm", PRACTICE))
    says = "A saw that grabs throws the work: clamp both sides of the slit, and feed by hand, slow."
    return (*found, Caution("Mind", "the saw", says, "stop_mm", PRACTICE))


def headline(answer: SlitAnswer, page: PageUnit) -> str:
    """Pieces, and what is lost."""
    return f"{answer.piece_mm.words(page)} each · {answer.lost_mm.words(page)} lost"


SLIT = Calculator(
    name="slit",
    title="Slitting: what the saw takes",
    door=Door("/setting-out/slit", "Setting out", "Slitting", family="Stock and slits"),
    opening={"total": "30 mm"},
    question=SlitQuestion,
    answers=(SlitAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "": "Slit {total} across[, kerf {kerf}][, {cuts} cuts][, side {side}][, layer {layer}]"
        "[, bore {bore}]"
    },
    calls=("slit", "slit through", "slitting", "kerf", "split", "halve"),
    headline=headline,
)
