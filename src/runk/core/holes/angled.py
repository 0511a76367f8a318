"""``angled-hole``: a passage drilled at an angle, where it comes out, what wall is left."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from math import atan, degrees, floor
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.cutting.laws import point_mm
from runk.core.figures import Caution, Figure, Link, Working, stop
from runk.core.holes.laws import (
    along_mm,
    flat_depth_mm,
    mouth_mm,
    passage_mm,
    tip_travel_mm,
    wall_mm,
)
from runk.core.kinds import Angle, Length
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import unit_of
from runk.core.workshop import Workshop

STEEPEST_DEG = 80.0
THIN_TIMES = 0.5
"""A wall thinner than half the drill lets it break through sideways: common practice."""
_POINT_DEG, _FLAT_FROM_DEG = 118.0, 5.0


@dataclass(frozen=True, slots=True)
class AngledQuestion:
    """A passage from one face to another, or to a bore, at an angle.

    Args:
        drill: Diameter of the passage.
        angle: From square to the face it starts on, degrees.
        across: Metal between the two faces, square to them.
        room: Along the face, from the start to where the metal ends on that side.
    """

    drill: Annotated[
        Fraction,
        Length(
            "drill",
            ("drill", "dia"),
            usual=(0.5, 12.0),
            principal=True,
            low=0.3,
            high=50.0,
            asks="Which drill?",
            placeholder="3 mm",
        ),
    ]
    angle: Annotated[
        float, Angle("angle", ("degrees", "angle", "deg", "°"), high=89.0, placeholder="30")
    ]
    across: Annotated[
        Fraction,
        Length(
            "metal across",
            ("across", "thick", "through"),
            before=("through",),
            usual=(1.0, 80.0),
            low=0.1,
            high=1000.0,
            asks="How thick is the metal?",
            placeholder="12 mm",
        ),
    ]
    room: Annotated[
        Fraction | None,
        Length("room along the face", ("room", "along"), high=1000.0, placeholder="plenty"),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class AngledAnswer:
    """``length_mm`` is the passage itself; ``travel_mm`` the drill, its point out at the far
    side; ``along_mm`` where it comes out; ``mouth_mm`` the long way across its mouth;
    ``flat_mm`` how deep the flat it starts on goes; ``wall_mm`` what is left beside it."""

    length_mm: Annotated[Figure, Show("The passage itself")]
    travel_mm: Annotated[Figure, Show("The drill travels", Rank.BIG)]
    along_mm: Annotated[Figure, Show("It comes out along by", Rank.BIG)]
    mouth_mm: Annotated[Figure, Show("Its mouth, the long way")]
    flat_mm: Annotated[Figure | None, Show("Flat to mill for its start")]
    wall_mm: Annotated[Figure | None, Show("Wall left beside it")]
    drill_mm: Annotated[Figure, Show("Drill", Rank.FOLDED)]
    angle_deg: Annotated[Figure, Show("Angle", Rank.FOLDED)]
    across_mm: Annotated[Figure, Show("Metal it goes through", Rank.FOLDED)]
    room_mm: Annotated[Figure | None, Show("Room to its end", Rank.FOLDED)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


def needs(_: AngledQuestion, __: Workshop) -> None:
    """Nothing of the workshop: this is geometry."""
    return


def angled(question: AngledQuestion, _: None = None) -> AngledAnswer:
    """Where an angled passage goes.

    Raises:
        Refused: It never comes out where it is meant to.

    >>> answer = angled(AngledQuestion(Fraction(3), 45.0, Fraction(10), Fraction(20)))
    >>> round(answer.length_mm.value, 2), round(answer.wall_mm.value, 2)
    (14.14, 7.88)
    """
    w = Working()
    drill, angle, across = float(question.drill), question.angle, float(question.across)
    if angle > STEEPEST_DEG:
        raise Refused(
            f"At {angle:g}° from square it all but lies in the face and never meets the other one: "
            f"{STEEPEST_DEG:g}° at most.",
            field="angle",
            suggest="45",
        )
    along = w.of(along_mm, across_mm=across, angle_deg=angle)
    mouth = w.of(mouth_mm, drill_mm=drill, angle_deg=angle)
    length = w.of(passage_mm, "length_mm", across_mm=across, angle_deg=angle)
    start = len(w.steps)
    point = w(point_mm, diameter_mm=drill, angle_deg=_POINT_DEG)
    # The lower lip comes out last, half a mouth further along the slope.
    lip = w(flat_depth_mm, cutter_mm=drill, slope_deg=angle, why="the far lip")
    travel = w.of(
        tip_travel_mm, "travel_mm", since=start, deep_mm=length.value, more_mm=point + lip
    )
    wall = None
    if question.room is not None:
        room = float(question.room)
        if along.value >= room:
            raise Refused(
                f"It runs {mm_said(along.value, 2)} along on its way through "
                f"{mm_said(across)}, and the "
                f"metal ends after {mm_said(room)}: it comes out at the end face and never meets.",
                field="angle",
                suggest=_fits(room, across, drill),
            )
        wall = w.of(wall_mm, room_mm=room, along_mm=along.value, mouth_mm=mouth.value)
    flat = None
    if angle > 0:
        flat = w.of(flat_depth_mm, "flat_mm", cutter_mm=drill, slope_deg=angle)
    says = (
        f"Tilt it {angle:g}°, mill a flat {mm_said(flat.value, 2)} deep on the axis, touch on it "
        f"and drill {mm_said(travel.value - flat.value, 2)} from there."
        if flat is not None and angle > _FLAT_FROM_DEG
        else f"Tilt it {angle:g}° and drill {mm_said(travel.value, 2)} from where the axis meets "
        f"the face."
        if angle
        else f"Square to the face: drill {mm_said(travel.value, 2)}."
    )

    def mm(value: float, key: str) -> Figure:
        return Figure(value, unit_of(key), (), 2)

    return AngledAnswer(
        length_mm=length,
        travel_mm=travel,
        along_mm=along,
        mouth_mm=mouth,
        flat_mm=flat,
        wall_mm=wall,
        drill_mm=mm(drill, "drill_mm"),
        angle_deg=Figure(angle, unit_of("angle_deg"), (), 1),
        across_mm=mm(across, "across_mm"),
        room_mm=None if question.room is None else mm(float(question.room), "room_mm"),
        says=says,
        cautions=_cautions(question, wall),
        links=_links(question, length.value + lip),
    )


def _fits(room: float, across: float, drill: float) -> str:
    """An angle that comes out with a drill's width to spare, in whole degrees."""
    free = max(room - drill, room / 2)
    return f"{floor(degrees(atan(free / across)))}"


def _cautions(question: AngledQuestion, wall: Figure | None) -> tuple[Caution, ...]:
    drill, found = float(question.drill), []
    if wall is not None and wall.value < THIN_TIMES * drill:
        if wall.value <= 0:
            says = f"Its mouth cuts into the end by {mm_said(-wall.value, 2)}."
            found.append(stop("the wall", "a smaller angle, or a smaller drill", says, "wall_mm"))
        else:
            says = (
                f"Only {mm_said(wall.value, 2)} is left beside its mouth: less than half the drill."
            )
            found.append(Caution("Mind", "the wall", says, "wall_mm", MECHANICS))
    if question.angle > _FLAT_FROM_DEG:
        found.append(
            Caution(
                "Mind",
                "the start",
                "Mill a flat square to the drill first, or start with a "
                "short centre drill: a drill runs down a slope.",
                "flat_mm",
                PRACTICE,
            )
        )
        found.append(
            Caution(
                "Mind",
                "breaking through",
                "It comes out on one side first and bends there: "
                "ease off, and stop the far side with a plug where it has to stay round.",
                "travel_mm",
                PRACTICE,
            )
        )
    return tuple(sorted(found, key=lambda c: c.word != "Stop"))


def _links(question: AngledQuestion, through: float) -> tuple[Link, ...]:
    asked = (
        ("size", f"{float(question.drill):g} mm"),
        ("deep", f"{through:.2f} mm"),
        ("slope", f"{question.angle:g}"),
    )
    return (Link("hole", asked, "The drills for it"),)


ANGLED = Calculator(
    name="angled-hole",
    title="A passage at an angle",
    door=Door("/holes/angled", "Holes", "Passage at an angle"),
    opening={"drill": "3 mm", "angle": "30", "across": "12 mm", "room": "20 mm"},
    question=AngledQuestion,
    answers=(AngledAnswer,),
    compute=angled,
    needs=needs,
    sentences={
        "": "A {drill} passage at {angle}° from square, through {across} of metal[, {room} room]"
    },
    calls=(
        "angled hole",
        "angled passage",
        "oil way",
        "oilway",
        "oil hole",
        "angled",
        "hole at an angle",
        "steam passage",
        "passage",
        "oil gallery",
        "gallery",
    ),
    headline=lambda a, page: f"{a.along_mm.words(page)} along · {a.length_mm.words(page)} long",
)
