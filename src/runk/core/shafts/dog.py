"""``dog``: a dog clutch, and whether it goes in at one place of the turn only."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction
from math import asin, degrees, radians, sin
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Holds, Link, Num, Working, law, stop, told
from runk.core.fits.joint import bears_mpa
from runk.core.kinds import Count, Length, Number, OfMetal
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_SAFE = 3.0
"""A face that is driven against with knocks bears a third of what it yields at: practice."""


@dataclass(frozen=True, slots=True)
class DogQuestion:
    """Two halves of a clutch with dogs between.

    Args:
        outside: Diameter of a half; ``bore`` of its shaft.
        dogs: On each half, alike.
        slack: Play between a dog and its gap, along the middle of the face; of half a face each,
            between the two.
        deep: How far they reach into each other; a fifth of the outside where left out.
        throw: Of the crank it drives, for the play at its pin.
        torque: What it carries.
    """

    outside: Annotated[
        Fraction,
        Length(
            "outside",
            ("outside", "dia", "diameter"),
            principal=True,
            usual=(5.0, 80.0),
            low=2.0,
            high=300.0,
            asks="How large is the clutch over its outside?",
            placeholder="20 mm",
        ),
    ]
    bore: Annotated[
        Fraction,
        Length(
            "bore",
            ("bore", "shaft"),
            principal=True,
            usual=(2.0, 40.0),
            low=0.5,
            high=200.0,
            asks="How large is its bore?",
            placeholder="8 mm",
        ),
    ]
    dogs: Annotated[int, Count("dogs", ("dogs", "teeth"), low=1, high=12, placeholder="1")] = 1
    slack: Annotated[
        Fraction,
        Length("play", ("play", "slack", "clearance"), low=0.005, high=5.0, placeholder="4 thou"),
    ] = Fraction("0.1016")
    deep: Annotated[
        Fraction | None,
        Length("deep", ("deep",), low=0.2, high=60.0, placeholder="a fifth of the outside"),
    ] = None
    throw: Annotated[
        Fraction | None,
        Length("throw it drives", ("throw",), low=0.5, high=300.0, placeholder="not asked"),
    ] = None
    torque: Annotated[
        float | None,
        Number(
            "torque",
            ("torque",),
            units=("nm", "n·m", "n m"),
            low=0.001,
            high=1000.0,
            placeholder="not asked",
        ),
    ] = None
    metal: Annotated[str, OfMetal("metal", placeholder="mild steel")] = "mild-steel"


@dataclass(frozen=True, slots=True, kw_only=True)
class DogAnswer:
    """Dogs and gaps in degrees, the cutter that gets in, and the play."""

    past_mm: Annotated[Figure | None, Show("Mill past the middle by", Rank.BIG)]
    cutter_mm: Annotated[Figure | None, Show("Largest cutter, a face on the middle line", Rank.BIG)]
    dog_deg: Annotated[Figure, Show("A dog, round")]
    gap_deg: Annotated[Figure, Show("A gap, round")]
    says: Annotated[str, Show("How", Rank.SAYS)]
    play_deg: Annotated[Figure, Show("Play at the shaft")]
    pin_play_mm: Annotated[Figure | None, Show("Play at the crankpin")]
    deep_mm: Annotated[Figure, Show("Dogs reach in")]
    pressed_mpa: Annotated[Figure | None, Show("Its faces are pressed with")]
    bears_mpa: Annotated[Figure | None, Show("And bear, knocked on")]
    outside_mm: Annotated[Figure, Show("Outside", Rank.FOLDED)]
    bore_mm: Annotated[Figure, Show("Bore", Rank.FOLDED)]
    dogs: Annotated[int, Show("Dogs", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


_SLIGHT = Holds(
    "the slack is under a tenth of the clutch",
    lambda slack_mm, outside_mm: slack_mm <= outside_mm / 10,
)


@law("Play at the shaft", "2 × arcsin({slack_mm} ÷ ({outside_mm} + {bore_mm}) × 2)", holds=_SLIGHT)
def play_deg(slack_mm: float, outside_mm: float, bore_mm: float) -> float:
    """Angle of a play along the middle of the face.

    >>> round(play_deg(0.1, 20.0, 8.0), 3)
    0.819
    """
    return degrees(2.0 * asin(slack_mm / (outside_mm + bore_mm) * 2.0))


@law("Play at the shaft, half a face each", "4 × arcsin({slack_mm} ÷ {outside_mm})", holds=_SLIGHT)
def half_play_deg(slack_mm: float, outside_mm: float) -> float:
    """How far two half faces rock, so far apart: the rim of one meets the other both ways.

    >>> round(half_play_deg(0.1, 20.0), 3)
    1.146
    """
    return degrees(4.0 * asin(slack_mm / outside_mm))


@law("Past the middle", "{slack_mm} ÷ 2")
def past_limit_mm(slack_mm: Num) -> Num:
    """How far each of two half faces is milled past the middle, for a play between them.

    >>> past_limit_mm(0.5)
    0.25
    """
    return slack_mm / 2.0


@law("A dog", "180 ÷ {dogs} - {play_deg} ÷ 2")
def dog_deg(dogs: Num, play_deg: Num) -> Num:
    """Half of the pitch less half the play.

    >>> dog_deg(3.0, 1.0)
    59.5
    """
    return 180.0 / dogs - play_deg / 2.0


@law("A gap", "180 ÷ {dogs} + {play_deg} ÷ 2")
def gap_deg(dogs: Num, play_deg: Num) -> Num:
    """Half of the pitch and half the play.

    >>> gap_deg(3.0, 1.0)
    60.5
    """
    return 180.0 / dogs + play_deg / 2.0


@law("Largest cutter", "{bore_mm} ÷ 2 × sin({gap_deg}°)")
def cutter_mm(bore_mm: float, gap_deg: float) -> float:
    """Widest side or slitting cutter that mills a face on a line through the middle.

    The other dog's corner at the bore is so far off that line, past a right angle the bore's whole
    half; an end mill along the axis passes where such a cutter does.

    >>> round(cutter_mm(8.0, 60.0), 3)
    3.464
    """
    return bore_mm / 2.0 * sin(radians(gap_deg))


@law("Play at the crankpin", "{throw_mm} × {play_deg} × π ÷ 180")
def pin_play_mm(throw_mm: float, play_deg: float) -> float:
    """Along the crankpin's circle.

    >>> round(pin_play_mm(12.0, 1.0), 3)
    0.209
    """
    return throw_mm * radians(play_deg)


@law(
    "Pressed with",
    "{torque_nm} × 1000 ÷ ({dogs} × {deep_mm} × ({outside_mm} - {bore_mm}) ÷ 2"
    " × ({outside_mm} + {bore_mm}) ÷ 4)",
)
def pressed_mpa(torque_nm: Num, dogs: Num, deep_mm: Num, outside_mm: Num, bore_mm: Num) -> Num:
    """Pressure on the driving faces, all of them sharing.

    >>> round(pressed_mpa(1.0, 1.0, 4.0, 20.0, 8.0), 2)
    5.95
    """
    face = deep_mm * (outside_mm - bore_mm) / 2.0
    return torque_nm * 1000.0 / (dogs * face * (outside_mm + bore_mm) / 4.0)


@law("Borne, knocked on", "{strength_mpa} ÷ {safe}", PRACTICE)
def knocked_mpa(strength_mpa: Num, safe: Num) -> Num:
    """What a face that is knocked against is trusted with.

    >>> knocked_mpa(240.0, 3.0)
    80.0
    """
    return strength_mpa / safe


def needs(question: DogQuestion, workshop: Workshop) -> Metal:
    """Its metal."""
    return workshop.metals[question.metal]


def compute(question: DogQuestion, metal: Metal) -> DogAnswer:
    """Dogs, gaps and play.

    Raises:
        Refused: A bore that leaves no face, or play wider than a dog.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = DogQuestion(Fraction(20), Fraction(8))
    >>> round(compute(asked, needs(asked, WORKSHOP)).past_mm.value, 3)
    0.051
    """
    w, outside, bore = Working(), float(question.outside), float(question.bore)
    if bore >= outside * 0.8:
        raise Refused(
            f"A bore of {mm_said(bore)} leaves no face of {mm_said(outside)}.", field="bore"
        )
    slack, dogs = float(question.slack), question.dogs
    if slack > outside / 4:
        raise Refused("That much play is no clutch.", field="slack", suggest="0.1 mm")
    if dogs == 1:
        play = w.of(half_play_deg, "play_deg", since=0, slack_mm=slack, outside_mm=outside)
    else:
        play = w.of(play_deg, since=0, slack_mm=slack, outside_mm=outside, bore_mm=bore)
    dog = w.of(dog_deg, since=0, dogs=float(dogs), play_deg=play.value)
    gap = w.of(gap_deg, since=0, dogs=float(dogs), play_deg=play.value)
    if dog.value < gap.value / 3:
        raise Refused("So many dogs with so much play are all gap.", field="dogs")
    deep = told(float(question.deep or question.outside / 5), "deep_mm", None)
    past = replace(w.of(past_limit_mm, "past_mm", slack_mm=slack), places=3)
    pressed, bears = _pressed(w, question, deep.value, metal)
    return DogAnswer(
        dog_deg=dog,
        gap_deg=gap,
        cutter_mm=None
        if dogs == 1
        else w.of(cutter_mm, bore_mm=bore, gap_deg=min(gap.value, 90.0)),
        # Half a face each: both are milled past the middle by half the play.
        past_mm=past if dogs == 1 else None,
        says=_says(dogs),
        play_deg=play,
        pin_play_mm=None
        if question.throw is None
        else w.of(pin_play_mm, throw_mm=float(question.throw), play_deg=play.value),
        deep_mm=deep,
        pressed_mpa=pressed,
        bears_mpa=bears,
        outside_mm=told(outside, "outside_mm"),
        bore_mm=told(bore, "bore_mm"),
        dogs=dogs,
        cautions=(*_edge(question), *_cautions(dogs, pressed, bears)),
        links=(),
    )


def _pressed(
    w: Working, question: DogQuestion, deep: float, metal: Metal
) -> tuple[Figure | None, Figure | None]:
    # Half faces are parallel: turned through their play they meet at the rim's edge alone, and
    # no pressure over a face says anything of that.
    if question.torque is None or question.dogs == 1:
        return None, None
    pressed = w.of(
        pressed_mpa,
        torque_nm=question.torque,
        dogs=float(question.dogs),
        deep_mm=deep,
        outside_mm=float(question.outside),
        bore_mm=float(question.bore),
    )
    bears = w.of(knocked_mpa, "bears_mpa", strength_mpa=bears_mpa(metal), safe=_SAFE)
    return pressed, replace(bears, places=0)


def _says(dogs: int) -> str:
    if dogs == 1:
        return (
            "One dog, half of the face: it goes in at one place of the turn only and keeps the "
            "cranks where they were. Mill both halves at one setting, and mark them."
        )
    return (
        f"{dogs} alike: it goes in at {dogs} places. Mark the one that is right, or make one dog "
        "wider than its gap's neighbours. Index both halves by the same settings."
    )


def _edge(question: DogQuestion) -> tuple[Caution, ...]:
    """Where one dog bears on the other, and with how much."""
    if question.dogs > 1 or question.torque is None:
        return ()
    push = question.torque * 1000.0 / float(question.outside)
    says = (
        f"Two half faces meet at the edge of the rim alone, with {push:.0f} N on each: break the "
        "edges, and let them bed in."
    )
    return (Caution("Mind", "the faces", says, "deep_mm", MECHANICS),)


def _cautions(dogs: int, pressed: Figure | None, bears: Figure | None) -> tuple[Caution, ...]:
    found = []
    if pressed is not None and bears is not None and pressed.value > bears.value:
        says = f"Its faces are pressed past the {bears.value:.0f} N/mm² they bear, knocked on."
        found.append(stop("the faces", "deeper or larger", says, "pressed_mpa", MECHANICS))
    if dogs > 1:
        says = f"Engaged a place on, the cranks stand {360 / dogs:.0f}° from where they were timed."
        found.append(Caution("Mind", "the phase", says, None, MECHANICS))
    says = "Let it in standing still: guard it, and never by hand while it turns."
    found.append(Caution("Mind", "engaging it", says, None, PRACTICE))
    return tuple(found)


def headline(answer: DogAnswer, page: PageUnit) -> str:
    """Dog, gap and play."""
    more = (
        f"mill {answer.past_mm.words(page)} past the middle"
        if answer.past_mm is not None
        else f"gaps {answer.gap_deg.words(page)}"
    )
    return f"dogs {answer.dog_deg.words(page)} · {more} · play {answer.play_deg.words(page)}"


DOG = Calculator(
    name="dog",
    title="A dog clutch, in one phase",
    door=Door("/shafts/dog", "Shafts", "Dog clutch", family="On the shaft"),
    opening={"outside": "20 mm", "bore": "8 mm", "throw": "12 mm"},
    question=DogQuestion,
    answers=(DogAnswer,),
    compute=compute,
    needs=needs,
    sentences={
        "": "A dog clutch {outside} outside, {bore} bore, dogs {dogs}, play {slack}[, {deep} deep]"
        "[, throw {throw}][, torque {torque} N·m][, of {metal}]"
    },
    calls=("dog clutch", "dogs of a clutch", "clutch dogs"),
    headline=headline,
)
