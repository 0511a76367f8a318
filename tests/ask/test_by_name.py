"""Parts known by name anywhere in a line: which part, and what is asked of it."""

from __future__ import annotations

import pytest

from runk.ask.by_name import may_name, named_in
from runk.ask.of_parts import asks_of_parts, evening_min

NAMES = (
    "Cylinder, 22 mm bore",
    "Cylinder cover",
    "Power piston",
    "Crankshaft",
    "Cover studs",
    "Connecting rod",
    "Flywheel",
    "Gland",
)

# As typed; the name it uses, what it asks.
ASKED = (
    ("crankshaft", "crankshaft", "show"),
    ("show me the cylinder cover", "cylinder cover", "show"),
    ("the piston please", "power piston", "show"),
    ("what size is the bore of the cylinder", "cylinder", "size"),
    ("diameter of the crankshaft's journals", "crankshaft", "size"),
    ("gland length", "gland", "size"),
    ("how heavy is the fly wheel", "flywheel", "weight"),
    ("what is the connecting rod made of", "connecting rod", "stock"),
    ("con rod matl", "connecting rod", "stock"),
    ("what order do i machine the cylinder in", "cylinder", "order"),
    ("conrod route", "connecting rod", "order"),
    ("how long will the gland take to make", "gland", "time"),
    ("how do i grip the power piston", "power piston", "hold"),
    ("revs for the flywheel rim", "flywheel", "speed"),
    ("tapping drill for the cover studs", "cover studs", "tap"),
    ("torque for the cover studs", "cover studs", "torque"),
    ("where are the holes in the cylinder cover", "cylinder cover", "places"),
    ("how many cover studs", "cover studs", "count"),
    ("clearance of the piston", "power piston", "fit"),
    ("pwoer piston, what next", "power piston", "next"),
    ("crankshfat drawing", "crankshaft", "show"),
)


@pytest.mark.parametrize(("line", "called", "wants"), ASKED)
def test_a_part_is_known_by_its_name(line: str, called: str, wants: str) -> None:
    assert may_name(line)
    assert asks_of_parts(line)
    found = named_in(line, NAMES)
    assert found is not None
    assert (found.called, found.wants) == (called, wants)


@pytest.mark.parametrize(
    "line",
    [
        "why does my cylinder taper",
        "ring gap for the cylinder",
        "crankshaft in a dream",
        "rod",
        "turn brass",
    ],
)
def test_what_is_asked_of_none_of_them_is_left_alone(line: str) -> None:
    assert named_in(line, NAMES) is None


def test_a_line_with_sizes_is_a_sum_and_not_a_part() -> None:
    assert not may_name("bore the cylinder 22 iron")
    assert not may_name("")


@pytest.mark.parametrize(
    ("line", "minutes"),
    [
        ("i've got an hour and a half tonight, what shall i do", 90),
        ("45 minutes before tea, anything worth starting", 45),
        ("half an hour to spend in the shed", 30),
        ("two hours free tomorrow", 120),
        ("what can i do tonight", 90),
        ("drill 5 min feed", None),
        ("10 h7", None),
    ],
)
def test_an_evening_is_told_in_any_words(line: str, minutes: int | None) -> None:
    assert evening_min(line) == minutes
