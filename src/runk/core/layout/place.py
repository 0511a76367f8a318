"""``place``: angle and distance, chords, edges, middles and bores: where it lies on the table."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import replace
from fractions import Fraction
from math import atan2, cos, degrees, hypot, radians

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, fine, law, told
from runk.core.layout import laws
from runk.core.layout.place_question import (
    AtAnswer,
    BoreAnswer,
    ChordAnswer,
    PlaceAnswer,
    PlaceQuestion,
    TouchAnswer,
)
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


@law("Distance", "√({along_mm}² + {up_mm}²)")
def distance_mm(along_mm: float, up_mm: float) -> float:
    """Straight from the centre to a place.

    >>> distance_mm(3.0, 4.0)
    5.0
    """
    return hypot(along_mm, up_mm)


@law("Angle", "arctan({up_mm} ÷ {along_mm}), in the right quarter")
def direction_deg(along_mm: float, up_mm: float) -> float:
    """Direction of a place, from the right, anticlockwise, 0 to 360.

    >>> direction_deg(0.0, -2.0), direction_deg(-3.0, 0.0)
    (270.0, 180.0)
    """
    return degrees(atan2(up_mm, along_mm)) % 360.0


@law("The arc stands over it by", "{circle_mm} ÷ 2 × (1 - cos({angle_deg}° ÷ 2))")
def rise_mm(circle_mm: float, angle_deg: float) -> float:
    """Height of an arc over its chord.

    >>> round(rise_mm(20.0, 180.0), 6)
    10.0
    """
    return circle_mm / 2.0 * (1.0 - cos(radians(angle_deg) / 2.0))


@law("Half the finder, and what lies between", "{finder_mm} ÷ 2 + {feeler_mm}")
def offset_mm(finder_mm: float, feeler_mm: float) -> float:
    """From the spindle's middle to the face that is touched."""
    return finder_mm / 2.0 + feeler_mm


@law("Halfway", "({one_mm} + {other_mm}) ÷ 2")
def halfway_mm(one_mm: float, other_mm: float) -> float:
    """Middle of two readings: what the finder is thick falls out."""
    return (one_mm + other_mm) / 2.0


@law("From the touch to the middle", "{one_mm} + {wide_mm} ÷ 2 + {offset_mm}")
def from_touch_mm(one_mm: float, wide_mm: float, offset_mm: float) -> float:
    """The middle of a piece whose one side was touched from outside."""
    return one_mm + wide_mm / 2.0 + offset_mm


@law("Half the difference", "({one_mm} - {other_mm}) ÷ 2")
def half_off_mm(one_mm: float, other_mm: float) -> float:
    """How far a spindle stands off a bore's middle, by an indicator on either side."""
    return (one_mm - other_mm) / 2.0


def needs(_: PlaceQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def settle(question: PlaceQuestion, _: Workshop, __: Mapping[str, Reading]) -> PlaceQuestion:
    """What is asked can be worked out of what is told.

    Raises:
        Refused: Half of a pair, a chord longer than its circle.
    """
    if question.way == "apart" and len(question.two) != 2:
        raise Refused("Two places: from which to which?", field="two", suggest="10, 5; 40, 45")
    if question.way == "chord":
        return _chord_told(question)
    if question.way == "middle":
        _middle_told(question)
    if question.way == "bore" and (question.near is None) != (question.far is None):
        missing = "far" if question.far is None else "near"
        raise Refused("What does the indicator show across from it?", field=missing)
    return question


def _chord_told(question: PlaceQuestion) -> PlaceQuestion:
    if question.chord is None and question.angle is None:
        raise Refused(
            "How long is the chord, or how large its angle?", field="chord", suggest="15.5 mm"
        )
    if question.angle is not None and not 0 < question.angle <= 360:
        raise Refused("A chord's angle lies between 0 and 360°.", field="angle", suggest="60°")
    if question.chord is not None and question.chord > (question.circle or Fraction(0)):
        raise Refused(
            f"No chord of a {mm_said(float(question.circle or 0))} circle is longer than that.",
            field="chord",
        )
    # Told both, the chord is what can be measured.
    return question if question.chord is None else replace(question, angle=None)


def _middle_told(question: PlaceQuestion) -> None:
    if question.other is not None and question.one is None:
        raise Refused("What did it read at the first touch?", field="one", suggest="0")
    if question.wide is None and question.other is None:
        raise Refused(
            "How far is it between the edges, or what did it read at the second touch?",
            field="wide",
            suggest="50 mm",
        )
    if question.other is None and question.finder is None:
        raise Refused(
            "How thick is the finder? Or touch both edges: then it falls out.",
            field="finder",
            suggest="10 mm",
        )


def compute(question: PlaceQuestion, _: None = None) -> PlaceAnswer:
    """Where it lies.

    >>> answer = compute(PlaceQuestion(radius=Fraction(40), angle=12.0))
    >>> answer.x_mm.shown(), answer.y_mm.shown()
    ('39.126', '8.316')
    """
    answers: dict[str, Callable[[PlaceQuestion, Working], PlaceAnswer]] = {
        "polar": _polar,
        "square": _square,
        "apart": _apart,
        "chord": _chord,
        "middle": _middle,
        "edge": _edge,
        "bore": _bore,
    }
    return answers[question.way](question, Working())


def _fine(figure: Figure) -> Figure:
    value = 0.0 if abs(figure.value) < 1e-9 else figure.value
    return fine(replace(figure, value=value))


def _polar(question: PlaceQuestion, w: Working) -> AtAnswer:
    radius, angle = float(question.radius or 0), question.angle or 0.0
    about = float(question.from_x or 0), float(question.from_y or 0)
    x = w.of(laws.along_mm, "x_mm", centre_mm=about[0], radius_mm=radius, angle_deg=angle)
    y = w.of(laws.up_mm, "y_mm", centre_mm=about[1], radius_mm=radius, angle_deg=angle)
    return _at(x, y, told(radius, "radius_mm"), told(angle % 360.0, "angle_deg", None), about)


def _square(question: PlaceQuestion, w: Working) -> AtAnswer:
    about = float(question.from_x or 0), float(question.from_y or 0)
    return _between(w, about, (float(question.x or 0), float(question.y or 0)), about)


def _apart(question: PlaceQuestion, w: Working) -> AtAnswer:
    here, there = (spot.mm for spot in question.two)
    found = _between(w, here, there, here)
    # From one place to another it is the way that counts, not where it ends.
    return replace(
        found,
        x_mm=told(there[0] - here[0], "x_mm"),
        y_mm=told(there[1] - here[1], "y_mm"),
        says="From the first to the second: so far along, so far up; and straight across.",
    )


def _between(
    w: Working, here: tuple[float, float], there: tuple[float, float], about: tuple[float, float]
) -> AtAnswer:
    along, up = there[0] - here[0], there[1] - here[1]
    if not along and not up:
        raise Refused("Both are one place: there is no angle to it.", field="x")
    radius = _fine(w.of(distance_mm, "radius_mm", along_mm=along, up_mm=up))
    angle = replace(w.of(direction_deg, "angle_deg", along_mm=along, up_mm=up), places=3)
    return _at(told(there[0], "x_mm"), told(there[1], "y_mm"), radius, angle, about)


def _at(
    x: Figure, y: Figure, radius: Figure, angle: Figure, about: tuple[float, float]
) -> AtAnswer:
    return AtAnswer(
        x_mm=_fine(x),
        y_mm=_fine(y),
        radius_mm=radius,
        angle_deg=angle,
        says="Of a rotary table: its own centre is the centre. Note the read-out over it before "
        "the work goes on: that is the nought to come back to.",
        centre_x_mm=told(about[0], "centre_x_mm"),
        centre_y_mm=told(about[1], "centre_y_mm"),
        cautions=(),
        links=(),
    )


def _chord(question: PlaceQuestion, w: Working) -> ChordAnswer:
    circle = float(question.circle or 0)
    if question.chord is not None:
        chord = told(float(question.chord), "chord_mm")
        angle = w.of(laws.chord_deg, "angle_deg", chord_mm=chord.value, circle_mm=circle)
    else:
        angle = told(question.angle or 0.0, "angle_deg", None)
        chord = _fine(w.of(laws.chord_mm, circle_mm=circle, step_deg=angle.value))
    turned = (("angle", f"{angle.value:.4f}"),)
    return ChordAnswer(
        chord_mm=chord,
        angle_deg=replace(angle, places=3),
        rise_mm=_fine(w.of(rise_mm, circle_mm=circle, angle_deg=angle.value)),
        arc_mm=_fine(w.of(laws.arc_mm, circle_mm=circle, angle_deg=angle.value)),
        circle_mm=told(circle, "circle_mm"),
        says="The chord is what dividers and callipers measure, over pins with their thickness.",
        cautions=(),
        links=(Link("divide", turned, "That angle on the dividing head"),),
    )


_LOOK = "The read-out says where the table is, not the work: a light mark and a look first."


def _middle(question: PlaceQuestion, w: Working) -> TouchAnswer:
    one = float(question.one or 0)
    off = None
    if question.finder is not None:
        off = w.of(
            offset_mm, finder_mm=float(question.finder), feeler_mm=float(question.feeler or 0)
        )
    wide = None if question.wide is None else told(float(question.wide), "wide_mm")
    if question.other is not None:
        other = float(question.other)
        stop = w.of(halfway_mm, "stop_mm", one_mm=one, other_mm=other)
        if off is not None:
            wide = told(abs(other - one) - 2 * off.value, "wide_mm")
            if wide.value <= 0:
                raise Refused("The two touches are closer than the finder is thick.", field="other")
        says = f"Halfway between the two touches: the finder falls out. {_LOOK}"
        at = other
    else:
        assert off is not None
        stop = w.of(
            from_touch_mm,
            "stop_mm",
            since=0,
            one_mm=one,
            wide_mm=wide.value if wide else 0.0,
            offset_mm=off.value,
        )
        says = f"Touch the left or near edge from outside, then inwards so far. {_LOOK}"
        at = one
    return TouchAnswer(
        stop_mm=_fine(stop),
        set_mm=told(at - stop.value, "set_mm"),
        says=says,
        wide_mm=wide,
        offset_mm=off,
        cautions=_stopped(),
        links=(),
    )


def _edge(question: PlaceQuestion, w: Working) -> TouchAnswer:
    off = w.of(
        offset_mm, finder_mm=float(question.finder or 0), feeler_mm=float(question.feeler or 0)
    )
    # Touched from outside, the spindle stands short of a left edge, and past a right one.
    sign = 1.0 if question.side in ("left", "near") else -1.0
    way = {
        "left": "to the right",
        "right": "to the left",
        "near": "away from you",
        "far": "towards you",
    }
    return TouchAnswer(
        stop_mm=_fine(replace(off, value=sign * off.value)),
        set_mm=told(-sign * off.value, "set_mm"),
        says=f"Touch it from outside. Over the edge itself the spindle goes {way[question.side]} "
        f"by half the finder. {_LOOK}",
        wide_mm=None,
        offset_mm=_fine(off),
        cautions=_stopped(),
        links=(),
    )


def _stopped() -> tuple[Caution, ...]:
    says = "A plain pin or a feeler: spindle stopped, and the pin away before the cutter goes down."
    return (Caution("Mind", "the pin", says, None, PRACTICE),)


def _bore(question: PlaceQuestion, w: Working) -> BoreAnswer:
    x = w.of(
        half_off_mm, "x_mm", one_mm=float(question.right or 0), other_mm=float(question.left or 0)
    )
    y = None
    if question.near is not None and question.far is not None:
        y = w.of(half_off_mm, "y_mm", one_mm=float(question.far), other_mm=float(question.near))
    return BoreAnswer(
        x_mm=_fine(x),
        y_mm=y and _fine(y),
        says="Turn the spindle by hand. A larger reading is a nearer wall; less than nothing is "
        "the other way. Then read all round again.",
        cautions=(),
        links=(),
    )


def headline(answer: PlaceAnswer, page: PageUnit) -> str:
    """The two figures that are set."""
    if isinstance(answer, AtAnswer):
        at = f"x {answer.x_mm.words(page)} · y {answer.y_mm.words(page)}"
        return f"{at} · {answer.radius_mm.words(page)} at {answer.angle_deg.words(page)}"
    if isinstance(answer, ChordAnswer):
        return f"{answer.chord_mm.words(page)} · {answer.angle_deg.words(page)}"
    if isinstance(answer, TouchAnswer):
        return f"{answer.stop_mm.words(page)} from the touch"
    up = f" · y {answer.y_mm.words(page)}" if answer.y_mm else ""
    return f"x {answer.x_mm.words(page)}{up}"


_CENTRE = "[, centre along {from_x}][ and up {from_y}]"
PLACE: Calculator[PlaceQuestion, None, PlaceAnswer] = Calculator(
    name="place",
    title="Places, angles and chords",
    door=Door("/setting-out/place", "Setting out", "Places", family="Holes and turns"),
    opening={"way": "polar", "radius": "40 mm", "angle": "12"},
    question=PlaceQuestion,
    answers=(AtAnswer, ChordAnswer, TouchAnswer, BoreAnswer),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "polar": f"{{way}}: {{radius}} out at {{angle}} degrees{_CENTRE}",
        "square": f"{{way}}: {{x}} along, {{y}} up{_CENTRE}",
        "apart": "{way}: {two}",
        "chord": "{way}: circle {circle}[, chord {chord}][, angle {angle}]",
        "middle": "{way}:[ {wide} wide,][ first reads {one},][ second reads {other},]"
        "[ finder {finder}][, feeler {feeler}]",
        "edge": "{way}: {side}, finder {finder}[, feeler {feeler}]",
        "bore": "{way}: left {left}, right {right}[, near {near}][, far {far}]",
    },
    lines=(
        "{way=apart}<distance|how far is it|how far> <from|between> {two}",
        "{way=chord}<what |the |>angle for a chord of {chord} on <a |>{circle}< circle| dia|>",
        "{way=square}<where is|place> x {x}<,|> y {y}",
        "{way=square}<polar of|to polar|angle and distance of|where is> {x}< and|,|> "
        "<(?=[-.0-9])>{y}",
        "{way=bore}<clock a bore|clock in|indicate a bore|clock in a bore|centre of a bore> "
        "left {left} right {right}[ near {near}][ far {far}]",
    ),
    ruled=True,
    headline=headline,
)
