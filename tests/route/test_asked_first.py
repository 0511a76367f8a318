"""What is asked of a set-up before its first cut, beside sums made by hand."""

from __future__ import annotations

from dataclasses import replace

import pytest

from runk.core.refusals import Refused
from runk.core.route.asked_first import Asked, asked_first
from runk.core.route.propose import propose
from runk.core.route.reading import part_of
from runk.core.route.route import Job, Route, SetUp
from runk.core.route.rules import check
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP


def asked(metal: str, blank: str, features: list[str], *set_ups: SetUp) -> dict[str, Asked]:
    job = Job(part_of("it", metal, blank, features), WORKSHOP)
    return {one.asks: one for one in asked_first(job, Route(set_ups), 1)}


DISC = ["face at 0", "face at 8", "outside 60, from 0 to 8", "bore 46 H7, from 0 to 8"]


def test_the_grip_is_worked_out_at_what_is_gripped_and_what_is_cut() -> None:
    held = SetUp("jaws on outside 60, left end out", ("face 8: face", "bore 46: finish"))
    found = asked("mild-steel", "bar 65", DISC, held)
    # mu F d / 2 with a safety of 2, by TRADE's figures: 0.15 x 5000 x 0.06 / 2 / 2.
    assert f"bears {0.15 * 5000 * 0.06 / 2 / 2:.1f} N" in found["Is it gripped well?"].says
    assert found["Is it gripped well?"].room == "grip"
    assert found["Is it gripped well?"].asked["dia"] == "60 mm"
    assert "three-cornered" in found["Does its wall give?"].says
    thin = [one.replace("bore 46", "bore 56") for one in DISC]
    cut = SetUp("jaws on outside 60, left end out", ("face 8: face", "bore 56: finish"))
    assert asked("mild-steel", "bar 65", thin, cut)["Does its wall give?"].word == "Stop"
    bonded = SetUp("bonded by face 0 to a stub turned true, left end out", ("face 3: face",))
    ring = ["face at 0", "face at 3", "outside 60, from 0 to 3", "drilled 20"]
    stuck = asked("brass", "bar 65", ring, bonded)["Is it gripped well?"]
    assert stuck.asked["way"] == "adhesive"
    assert stuck.asked["dia"] == "60 mm"


@pytest.mark.parametrize(("long", "word"), [(30, ""), (60, "Mind"), (95, "Mind")])
def test_what_stands_out_is_counted_in_its_own_diameters(long: int, word: str) -> None:
    held = SetUp("on its bar in the chuck, right end out", ("outside 10: turn",))
    lines = ["face at 0", f"outside 10, from 0 to {long}"]
    out = asked("mild-steel", "bar 10.5", lines, held)["What stands out?"]
    assert f"{long / 10:.1f} diameters" in out.says
    assert out.word == word


def test_what_turns_off_its_centre_is_to_be_balanced_and_has_to_swing() -> None:
    lines = ["face at 0", "face at 20", "outside 100, from 0 to 20", "bore 10 H7, from 0 to 20"]
    held = SetUp("on the faceplate, left end out", ("face 20: face",))
    found = asked("grey-iron", "casting 106, 3 to come off", lines, held)
    assert found["Is it in balance?"].word == "Mind"
    assert "180" in found["Does it turn free?"].says
    large = [one.replace("outside 100", "outside 190") for one in lines]
    stopped = asked("grey-iron", "casting 196, 3 to come off", large, held)
    assert stopped["Does it turn free?"].word == "Stop"


def test_the_next_grip_and_the_travel_are_told() -> None:
    lines = ["plane, from the top", "plane, from the bottom"]
    top, bottom = (SetUp(f"in the vice, {s} up", (f"plane {s}: mill",)) for s in ("top", "bottom"))
    found = asked("brass", "plate 80 by 20 by 10", lines, top, bottom)
    assert found["How is it held next?"].says == "In the vice, bottom up."
    assert found["Is the travel there?"].asked == {
        "way": "travel",
        "long": "80 mm",
        "room": "280 mm",
    }
    says = worded(found["Is the travel there?"].says, PageUnit.MM)
    assert says.startswith("80 mm of 280 mm the table goes")
    last = asked("brass", "plate 80 by 20 by 10", lines, top)["How is it held next?"]
    assert "all is done" in last.says


@pytest.mark.parametrize(
    ("lines", "long"),
    [
        (["4 holes 5, 60 by 20 apart, from the top, at 10 by 10"], "60 mm"),
        (["slot 4 wide, 3 deep, from 10 to 55, from the top, 12 up"], "45 mm"),
        (["plane, from the front"], "80 mm"),
    ],
)
def test_the_table_goes_as_far_as_what_is_cut_is_long(lines: list[str], long: str) -> None:
    side = "front" if "front" in lines[0] else "top"
    part = part_of("it", "brass", "plate 80 by 40 by 10", lines)
    keys = tuple(one.key for one in Job(part, WORKSHOP).operations)
    found = asked("brass", "plate 80 by 40 by 10", lines, SetUp(f"in the vice, {side} up", keys))
    assert found["Is the travel there?"].asked["long"] == long


def test_what_is_longer_than_the_table_goes_is_refused_and_said_of_a_route() -> None:
    job = Job(part_of("rail", "brass", "plate 300 by 40 by 10", ["plane, from the top"]), WORKSHOP)
    with pytest.raises(Refused, match="300 mm long, and the table goes 280 mm") as no:
        propose(job)
    assert no.value.suggest == "a larger machine, or the part in shorter pieces"
    route = Route((SetUp("in the vice, top up", ("plane top: mill",)),))
    assert [one.rule for one in check(job, route).broken] == ["no-room"]
    told = [replace(m, travel_mm=None, across_mm=None) for m in WORKSHOP.machines]
    nobody = Job(job.part, replace(WORKSHOP, machines=tuple(told)))
    assert propose(nobody).route == route
