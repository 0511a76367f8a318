"""What a taper says: which way the work went, and how far to move what."""

from __future__ import annotations

import math
from dataclasses import dataclass

from runk.core.faults.question import FaultQuestion, Sign
from runk.core.figures import Figure, Working, law
from runk.core.refusals import Refused
from runk.core.said import thou_said

_LEAST_MM = 0.002


@law("Set the tailstock over by", "({big_mm} - {small_mm}) ÷ 2 × {between_mm} ÷ {apart_mm}")
def set_over_mm(big_mm: float, small_mm: float, between_mm: float, apart_mm: float) -> float:
    """How far a tailstock stands out of line, from two diameters turned at one setting.

    Args:
        big_mm: The larger diameter.
        small_mm: The smaller.
        between_mm: Whole length from centre to centre, or from jaws to centre.
        apart_mm: Distance between the two places measured, over 0.

    >>> set_over_mm(20.04, 20.0, 200.0, 100.0)
    0.03999999999999915
    """
    return (big_mm - small_mm) / 2 * between_mm / apart_mm


@law("Turned out of line by", "atan(({big_mm} - {small_mm}) ÷ (2 × {apart_mm}))")
def taper_deg(big_mm: float, small_mm: float, apart_mm: float) -> float:
    """Half the angle of the cone: how far a slide or headstock points out of line.

    >>> round(taper_deg(21.0, 20.0, 50.0), 3)
    0.573
    """
    return math.degrees(math.atan((big_mm - small_mm) / (2 * apart_mm)))


@law("Left by the spring", "({big_mm} - {small_mm}) ÷ 2")
def left_by_spring_mm(big_mm: float, small_mm: float) -> float:
    """What the tool sprang away by, on the radius.

    >>> left_by_spring_mm(20.04, 20.0)
    0.019999999999999574
    """
    return (big_mm - small_mm) / 2


@dataclass(frozen=True, slots=True)
class TaperSays:
    """The numbers, the sentence, and which cause the direction speaks for."""

    move_mm: Figure
    angle_deg: Figure
    says: str
    likely: str


def _both(move: Figure, times: int = 1) -> str:
    return thou_said(move.value * times)


def read_taper(question: FaultQuestion) -> TaperSays | None:
    """From diameters measured at both ends to what is to be moved.

    Args:
        question: With ``near`` and ``far`` (at the mouth, of a bore) and ``apart``.

    Returns:
        None while not all three are given.

    Raises:
        Refused: Two equal diameters, or ends further apart than the work is long.
    """
    near, far, apart = question.near, question.far, question.apart
    if near is None or far is None or apart is None:
        return None
    difference = float(far - near)
    if abs(difference) < _LEAST_MM:
        raise Refused("Both ends measure the same: there is no taper to put right.", field="far")
    if abs(difference) >= min(near, far):
        raise Refused(
            "Those two differ by more than the smaller one: is one of them a radius, or in "
            "the other unit?",
            field="far",
        )
    between = question.between or apart
    if between < apart:
        raise Refused(
            "The places measured cannot lie further apart than the whole length.", field="apart"
        )
    w = Working()
    big, small = float(max(near, far)), float(min(near, far))
    angle = w.of(taper_deg, "angle_deg", big_mm=big, small_mm=small, apart_mm=float(apart))
    if question.sign is Sign.BELL_MOUTH:
        at = len(w.steps)
        move = w.figure(
            w(left_by_spring_mm, big_mm=big, small_mm=small), "move_mm", since=at, places=3
        )
        if far < near:
            return TaperSays(
                move,
                angle,
                "It is narrower at the mouth: that is taper, not a bell mouth. Chucked work "
                "springs away at its free end; pass again at the same setting. What stays is the "
                "headstock or slide, out of line by the angle shown: no tailstock has a part.",
                "hold shorter",
            )
        return TaperSays(
            move,
            angle,
            f"The bar sprang {_both(move)} away inside. Pass again at the same "
            "setting, in and out, until it cuts no more.",
            "spring pass",
        )
    at = len(w.steps)
    over = w(
        set_over_mm, big_mm=big, small_mm=small, between_mm=float(between), apart_mm=float(apart)
    )
    move = w.figure(over, "move_mm", since=at, places=3)
    if question.between is not None:
        way = "towards the tool" if far > near else "away from the tool"
        return TaperSays(
            move,
            angle,
            f"Move the tailstock {_both(move)} {way}, with an indicator against its barrel.",
            "align",
        )
    if far > near:
        return TaperSays(
            move,
            angle,
            f"Larger at the free end by {_both(move, 2)} on the diameter: the work "
            "springs away there. Pass again at the same setting, or bring up a centre.",
            "spring pass",
        )
    return TaperSays(
        move,
        angle,
        "Smaller at the free end, which spring cannot do: the headstock or slide "
        "points out of line by the angle shown, or the edge wore on the way in.",
        "align",
    )
