"""``part-off``: where the blade goes, by which of its edges is nought; sets and shoulders."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, law, stop, told
from runk.core.kinds import Chain, Choice, Count, Length, OneOf
from runk.core.lengths import Reading
from runk.core.lengths.members import Member
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show, Table
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.tools import ShopTool, ToolKind, usable
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_REACH = 2.0
"""A bar thicker than twice the blade's reach is not parted by it."""
EDGES = (
    Choice(
        "right", "its right edge touched", ("right edge touched", "right edge", "tailstock side")
    ),
    Choice("left", "its left edge touched", ("left edge touched", "left edge", "chuck side")),
)


@dataclass(frozen=True, slots=True)
class PartOffQuestion:
    """Parts, or shoulders, from the end of a bar.

    Args:
        length: Of a part, from the faced end.
        blade: Width of the blade; the one owned where left out.
        edge: Which of its edges was touched on the faced end.
        count: Parts of that length from one bar.
        facing: Left on each for facing the parted side.
        steps: In place of a length: widths from the end, land and groove in turn.
        bar: Thickness of the bar.
    """

    length: Annotated[
        Fraction | None,
        Length(
            "long",
            ("long", "length", "wide", "at"),
            principal=True,
            usual=(0.5, 300.0),
            low=0.05,
            high=2000.0,
            needed=("*",),
            or_else="steps",
            asks="How long is the part?",
            placeholder="12 mm",
        ),
    ] = None
    blade: Annotated[
        Fraction | None,
        Length(
            "blade",
            ("blade", "parting tool", "tool", "parting blade"),
            low=0.2,
            high=20.0,
            placeholder="the one owned",
        ),
    ] = None
    edge: Annotated[str, OneOf("edge", choices=EDGES)] = "left"
    count: Annotated[
        int,
        Count(
            "parts",
            ("parts", "off", "pieces", "washers", "rings", "discs"),
            low=1,
            high=200,
            silent=1,
            placeholder="1",
        ),
    ] = 1
    facing: Annotated[
        Fraction | None,
        Length(
            "for facing",
            ("facing", "for facing", "to face"),
            low=0.01,
            high=20.0,
            placeholder="none",
            asks="How much for facing?",
        ),
    ] = None
    steps: Annotated[
        tuple[Member, ...], Chain("lands and grooves", low=0.05, high=2000.0, placeholder="none")
    ] = ()
    bar: Annotated[
        Fraction | None,
        Length(
            "bar",
            ("bar", "dia", "diameter", "rod", "ø"),
            low=0.5,
            high=500.0,
            placeholder="not told",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class StopAt:
    """Where the carriage stands for one cut."""

    name: Annotated[str, Show("For")]
    stop_mm: Annotated[Figure, Show("Carriage at")]
    leaves: Annotated[str, Show("Leaves")]
    right_mm: Annotated[Figure, Show("Blade's right edge", Rank.FOLDED)]


@dataclass(frozen=True, slots=True, kw_only=True)
class PartOffAnswer:
    """Where the blade goes."""

    stop_mm: Annotated[Figure, Show("From the touch, towards the chuck", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    stops: Annotated[tuple[StopAt, ...], Table("Each from the one nought", rank=Rank.BIG)]
    blade_mm: Annotated[Figure, Show("Blade")]
    bar_used_mm: Annotated[Figure, Show("Takes of the bar, in all")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Towards the chuck", "{end_mm} + {added_mm}")
def stop_mm(end_mm: float, added_mm: float) -> float:
    """Travel of the carriage from the touch to a cut.

    Args:
        end_mm: Where the part ends, from the faced end.
        added_mm: The blade's width where its left edge was touched, else 0.

    >>> stop_mm(12.0, 2.0)
    14.0
    """
    return end_mm + added_mm


@law("Ends at", "{number} × ({length_mm} + {facing_mm}) + ({number} - 1) × {blade_mm}")
def ends_mm(number: float, length_mm: float, facing_mm: float, blade_mm: float) -> float:
    """Where the so-manieth part ends: each before it took its length and the blade.

    >>> ends_mm(3, 10.0, 0.5, 2.0)
    35.5
    """
    return number * (length_mm + facing_mm) + (number - 1) * blade_mm


def needs(_: PartOffQuestion, workshop: Workshop) -> tuple[ShopTool, ...]:
    """Parting tools that are sound."""
    return usable(workshop.tools, ToolKind.PARTING)


def settle(question: PartOffQuestion, _: Workshop, __: Mapping[str, Reading]) -> PartOffQuestion:
    """A part, or shoulders, not both.

    Raises:
        Refused: Both.
    """
    if question.length is not None and question.steps:
        raise Refused("Give a length, or lands and grooves, not both.", field="steps")
    return question


def compute(question: PartOffQuestion, blades: tuple[ShopTool, ...]) -> PartOffAnswer:
    """Stops for each cut, from one nought.

    Raises:
        Refused: No blade is owned and none told; a groove narrower than the blade.

    >>> asked = PartOffQuestion(Fraction(12), Fraction(2), "left")
    >>> compute(asked, ()).stop_mm.shown()
    '14.000'
    """
    blade = question.blade if question.blade is not None else blades and blades[0].size_mm
    if not blade:
        raise Refused("How wide is the blade?", field="blade", suggest="2 mm")
    width = float(blade)
    # Its right edge cuts the part: touched with the left one, it must go its width farther.
    added = 0.0 if question.edge == "right" else width
    stops = _shoulders(question, width) if question.steps else _parts(question, width, added)
    used = (
        sum(float(step.size) for step in question.steps)
        if question.steps
        else ends_mm(
            question.count, float(question.length or 0), float(question.facing or 0), width
        )
        + width
    )
    return PartOffAnswer(
        stop_mm=stops[0].stop_mm,
        says=_says(question, width),
        stops=stops,
        blade_mm=told(width, "blade_mm"),
        bar_used_mm=told(used, "bar_used_mm", 2),
        cautions=_cautions(question, blades),
        links=_links(question),
    )


def _parts(question: PartOffQuestion, width: float, added: float) -> tuple[StopAt, ...]:
    found = []
    length, facing = float(question.length or 0), float(question.facing or 0)
    for n in range(1, question.count + 1):
        w = Working()
        end = w(ends_mm, number=n, length_mm=length, facing_mm=facing, blade_mm=width)
        at = w.of(stop_mm, since=0, end_mm=end, added_mm=added)
        keeps = f"a part of {mm_said(length)}"
        if facing:
            keeps += f" and {mm_said(facing)} to face"
        found.append(
            StopAt(
                name=f"part {n}",
                stop_mm=Figure(at.value, at.unit, at.steps, 3),
                leaves=keeps,
                right_mm=told(end, "right_mm"),
            )
        )
    return tuple(found)


def _shoulders(question: PartOffQuestion, width: float) -> tuple[StopAt, ...]:
    """Both shoulders of each groove: its near wall with the right edge, its far one with the left.

    The nought is the touch; lands stand, grooves are cut, in turn from the faced end.
    """
    found: list[StopAt] = []
    at = 0.0
    # The blade's right edge stands over x with the carriage at x, touched on the right one.
    right = 0.0 if question.edge == "right" else width
    for n, step in enumerate(question.steps):
        size = float(step.size)
        groove = n % 2 == 1
        if groove and size < width - 1e-9:
            raise Refused(
                f"A groove of {mm_said(size)} is narrower than the {mm_said(width)} blade.",
                field="steps",
            )
        if groove:
            name = step.name if not step.name.isdigit() else f"groove {n // 2 + 1}"
            found += [
                _wall(f"{name}, near wall", at, right, f"the land before it, to {mm_said(at)}"),
                _wall(
                    f"{name}, far wall", at + size - width, right, f"a groove {mm_said(size)} wide"
                ),
            ]
        at += size
    if not found:
        raise Refused(
            "One land has no shoulder: land, groove, land.", field="steps", suggest="5; 3; 8"
        )
    return tuple(found)


def _wall(name: str, at: float, added: float, leaves: str) -> StopAt:
    w = Working()
    figure = w.of(stop_mm, end_mm=at, added_mm=added)
    return StopAt(
        name=name,
        stop_mm=Figure(figure.value, figure.unit, figure.steps, 3),
        leaves=leaves,
        right_mm=told(at, "right_mm"),
    )


def _says(question: PartOffQuestion, width: float) -> str:
    if question.edge == "right":
        return (
            "Nought where the blade's right edge touches the faced end: the blade takes its width "
            "on the chuck's side, and nothing is added."
        )
    return (
        "Nought where the blade's left edge touches the faced end: its right edge cuts the part, "
        f"so the blade's {mm_said(width)} is added."
    )


def _cautions(question: PartOffQuestion, blades: tuple[ShopTool, ...]) -> tuple[Caution, ...]:
    found = []
    blade = next(iter(blades), None)
    owned = question.blade is None and blade is not None and blade.reach_mm is not None
    if question.bar is not None and owned and blade is not None:
        reach = blade.reach_mm or 0.0
        if float(question.bar) > _REACH * reach:
            says = f"{blade.name} reaches {mm_said(reach)}: not to the middle of that bar."
            found.append(stop("the blade", "a saw, or a longer blade", says, "stop_mm", MECHANICS))
    says = "Lock the carriage, blade at centre height and square, slow; the through hole first."
    return (*found, Caution("Mind", "the carriage", says, "stop_mm", PRACTICE))


def _links(question: PartOffQuestion) -> tuple[Link, ...]:
    if question.bar is None:
        return ()
    asked = (("operation", "part"), ("diameter", f"{float(question.bar):.4f} mm"))
    return (Link("speed", asked, "The belt for parting it"),)


def headline(answer: PartOffAnswer, page: PageUnit) -> str:
    """The first stop."""
    more = f" · {len(answer.stops)} stops" if len(answer.stops) > 1 else ""
    return f"{answer.stop_mm.words(page)} from the touch{more}"


PART_OFF = Calculator(
    name="part-off",
    title="Parting to length: where the blade goes",
    door=Door("/setting-out/part-off", "Setting out", "Parting", family="Stock and slits"),
    opening={"length": "12 mm", "blade": "2 mm"},
    question=PartOffQuestion,
    answers=(PartOffAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "": "Part to length:[ {length} long,][ {steps},] {edge}[, blade {blade}]"
        "[, {count} parts][, facing {facing}][, bar {bar}]"
    },
    lines=("<shoulders|lands and grooves|registers> {steps}[, blade {blade}][, {edge}]",),
    calls=(
        "part off to length",
        "part to length",
        "parting to length",
        "part off at",
        "where to part",
        "part off length",
        "blade added",
        "part at #",
        "part off # long",
        "part off washers",
        "part off rings",
        "part off discs",
        "shoulders",
        "registers",
        "lands and grooves",
    ),
    headline=headline,
)
