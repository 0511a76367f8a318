"""What to mind about a tapped hole."""

from __future__ import annotations

from runk.core.figures import Caution, Figure, stop
from runk.core.holes.minds import CLOSES
from runk.core.holes.question import Ends
from runk.core.metals.metal import Metal
from runk.core.said import mm_said
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.threads.engage import LEAST_PERCENT
from runk.core.threads.tap_question import TapQuestion, TapShop
from runk.core.threads.tap_torque import TapTorque
from runk.core.tools import ShopTool

BOOK_ME_PERCENT = 95.0
NEAR_PERCENT, STOP_PERCENT = 80.0, 130.0
"""Of what breaks a tap, as usual: from here it is minded, past there it is not turned."""
SMALL_MM = 3.0
FLOOR_MM, IRON_FLOOR_MM = 0.5, 1.0
"""Metal left under a blind tapped hole, more in iron: common practice."""
OFF_PERCENT = 10.0
"""A drill of one's own so near what is aimed at is not worth a word: common practice."""


def minds(
    question: TapQuestion,
    shop: TapShop,
    engaged: float,
    target: float,
    hole: Figure | None,
    torque: TapTorque,
) -> tuple[Caution, ...]:
    """Cautions of this very hole, the pressing ones first."""
    found = [
        *_of_depth(question, shop.metal, hole),
        *_of_drill(question, engaged, target),
        *_of_torque(torque),
        *_of_taps(question, shop.taps),
        *_of_metal(shop.metal),
        *_of_size(question),
    ]
    if question.thread.series == "ME" and engaged >= BOOK_ME_PERCENT:
        found.append(
            Caution(
                "Mind",
                "the full thread",
                f"{engaged:.0f} %: the traditional sizes go so far, in brass and with a keen tap.",
                "engagement_percent",
                PRACTICE,
            )
        )
    return tuple(sorted(found, key=lambda c: c.word != "Stop"))


def _of_depth(question: TapQuestion, metal: Metal, hole: Figure | None) -> list[Caution]:
    if question.ends is not Ends.BLIND or hole is None:
        return []
    found = [
        Caution(
            "Mind",
            "the bottom",
            "Feel for it: a tap that meets the bottom of the hole "
            "breaks with the next quarter turn.",
            "hole_depth_mm",
            PRACTICE,
        )
    ]
    if question.thick is not None and hole.value >= float(question.thick):
        found.append(
            stop(
                "breaking through",
                "a shorter lead, less thread, or a flat-ended drill",
                f"The drill's tip ends at {mm_said(hole.value, 2)} and "
                f"the part is {mm_said(question.thick)} thick: take a tap with a shorter lead, "
                "less thread, or a flat-ended drill.",
                "hole_depth_mm",
                MECHANICS,
            )
        )
    elif question.thick is not None:
        floor = float(question.thick) - hole.value
        least = IRON_FLOOR_MM if metal.family == "iron" else FLOOR_MM
        if floor < least:
            found.append(
                Caution(
                    "Mind",
                    "the floor",
                    f"Only {mm_said(floor, 2)} is left under the drill's tip, {mm_said(least)} is "
                    "wanted: behind it may be water, steam or a cylinder's wall.",
                    "hole_depth_mm",
                    PRACTICE,
                )
            )
    return found


def _of_drill(question: TapQuestion, engaged: float, target: float) -> list[Caution]:
    """A drill of one's own, judged against what the school aims at."""
    if question.drill is None or abs(engaged - target) < OFF_PERCENT:
        return []
    if engaged < LEAST_PERCENT:
        return [
            stop(
                "the drill",
                "a smaller drill, or a thread insert",
                f"That hole leaves {engaged:.0f} % of a thread, {target:.0f} is wanted: it strips.",
                "engagement_percent",
                MECHANICS,
            )
        ]
    over = engaged > target
    says = "the tap turns harder and breaks sooner" if over else "it holds less than it might"
    return [
        Caution(
            "Mind",
            "the drill",
            f"It leaves {engaged:.0f} % of a thread where {target:.0f} is aimed at: {says}.",
            "engagement_percent",
            MECHANICS,
        )
    ]


def _of_torque(torque: TapTorque) -> list[Caution]:
    if torque.near.value < NEAR_PERCENT:
        return []
    says = (
        f"As usual it wants {torque.near.value:.0f} % of what breaks it, with packed chips "
        f"{torque.high.words()} of {torque.breaks.words()}: a larger drill, a fresh tap, more oil, "
        "and back off often."
    )
    if torque.near.value >= STOP_PERCENT:
        return [stop("the tap", "drill it larger, or tap it less deep", says, "torque_nm")]
    return [Caution("Mind", "the tap", says, "torque_nm", MECHANICS)]


def _of_taps(question: TapQuestion, taps: tuple[ShopTool, ...]) -> list[Caution]:
    if not taps:
        return [
            Caution(
                "Mind",
                "the drawer",
                f"No {question.thread.name} tap is in the trays.",
                None,
                PRACTICE,
            )
        ]
    if question.last is not None and all(t.series != question.last for t in taps):
        return [
            Caution(
                "Mind",
                "the drawer",
                f"No {question.last} {question.thread.name} tap is in the trays.",
                None,
                PRACTICE,
            )
        ]
    return []


def _of_metal(metal: Metal) -> list[Caution]:
    if metal.family == "stainless":
        return [
            Caution(
                "Mind",
                "the work hardening",
                "Never stop and rub: keep it cutting, clear it, and use tapping compound.",
                None,
                PRACTICE,
            )
        ]
    if metal.kind in CLOSES:
        says = "Bronze closes in on a tap: a fresh one, a shade larger drill, and clear it often."
        return [Caution("Mind", "closing in", says, None, PRACTICE)]
    if metal.kind == "copper":
        return [
            Caution(
                "Mind",
                "grabbing",
                "Copper tears and grabs a tap: paraffin, and clear often.",
                None,
                PRACTICE,
            )
        ]
    return []


def _of_size(question: TapQuestion) -> list[Caution]:
    small = question.thread.major_mm <= SMALL_MM
    says = (
        "Hold it square with a sprung follower in the chuck, the drive isolated, and turn by hand"
    )
    return [
        Caution(
            "Mind",
            "holding it square",
            f"{says}{'; never under power' if small else ''}.",
            None,
            PRACTICE,
        )
    ]
