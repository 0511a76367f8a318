"""Judgements at the very edge and sums whose sign nobody else would miss: each by its own pencil."""

from __future__ import annotations

from fractions import Fraction
from itertools import combinations, permutations
from math import hypot

import pytest

from runk.core.catalogue import CATALOGUE
from runk.core.cutting.hardness import HARDEST_HRC, of_hardness
from runk.core.cutting.speed import SPEED
from runk.core.fits.compounds import compounds, heat_share
from runk.core.fits.pairing import assigned
from runk.core.holes.pick import Allowance, exact, for_allowance
from runk.core.layout.segments import Segment, filleted
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.route.drawn.sentence import features_of
from runk.core.route.drawn.together import length_of
from runk.core.threads.tap import TAP
from runk.core.tools import ShopTool, ToolKind
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP

MM = PageUnit.MM


def drills(*sizes: str) -> list[ShopTool]:
    return [ShopTool(ToolKind.DRILL, size, Fraction(size)) for size in sizes]


def test_a_tool_is_that_size_to_six_micrometres_and_no_farther() -> None:
    tools = drills("4", "5")
    assert exact(tools, 5.00599) is tools[1]
    assert exact(tools, 4.99401) is tools[1]
    assert exact(tools, 5.00601) is None


def test_of_drills_that_leave_enough_the_one_nearest_the_usual_is_taken() -> None:
    """10 is to be reamed, 0.1 to 0.3 left, 0.2 as usual: 9.8 before 9.72 and before 9.88."""
    tools = drills("9.6", "9.72", "9.8", "9.88", "9.95")
    found = for_allowance(tools, 10.0, Allowance(0.1, 0.2, 0.3))
    assert found is tools[2]
    # Where the usual one is missing the nearer of its neighbours is: 0.28 is off by 0.08, 0.12 too.
    assert (
        for_allowance(drills("9.72", "9.85"), 10.0, Allowance(0.1, 0.2, 0.3)) == drills("9.85")[0]
    )


@pytest.mark.parametrize(("hrc", "instead"), [(58.0, "use carbide"), (58.1, "grind it")])
def test_what_carbide_just_cuts_is_left_to_carbide(hrc: float, instead: str) -> None:
    typed = {"operation": "turn", "metal": "silver-steel", "diameter": "12", "tool": "hss"}
    asked = read_question(SPEED, typed | {"hardness": f"{hrc}"}, MM, WORKSHOP).question
    (caution,) = of_hardness(asked)
    assert caution.word == "Stop"
    assert instead in str(caution)
    assert max(HARDEST_HRC.values()) == 58.0


def test_a_feed_a_minute_is_judged_by_the_speed_it_is_fed_at() -> None:
    """At half the speed the same feed a minute is twice as coarse, at twice as fine."""
    typed = {"operation": "end-mill", "metal": "brass", "cutter": "6", "diameter": "6"}
    first = SPEED.ask(read_question(SPEED, typed, MM, WORKSHOP).question, WORKSHOP)
    rpm, minute = first.set_rpm.value, first.feed_mm_per_min.value

    def does(at_rpm: float) -> str:
        own = {"own_feed_min": f"{minute} mm", "own_rpm": f"{at_rpm:g}"}
        asked = read_question(SPEED, typed | own, MM, WORKSHOP).question
        rows = SPEED.ask(asked, WORKSHOP).own
        return next(one.does for one in rows if one.what == "feed a minute")

    assert does(rpm / 2).startswith("2.0 times the feed")
    assert does(rpm / 4).startswith("4.0 times the feed")
    assert "So fine that it rubs" in does(rpm * 4)


def test_a_tap_of_six_has_a_pointed_end_and_one_a_hair_over_it_has_none() -> None:
    """Up to 6 mm a tap has a male centre, 0.35 of its diameter; beyond, the drill's point counts."""

    def depth(thread: str) -> float:
        typed = {
            "thread": thread,
            "metal": "brass",
            "ends": "blind",
            "deep": "10 mm",
            "drill": "5 mm",
        }
        asked = read_question(TAP, typed, MM, WORKSHOP).question
        figure = TAP.ask(asked, WORKSHOP).hole_depth_mm
        assert figure is not None
        return float(figure.value)

    # One pitch and one drill: 0.35 times 6 is 2.1, the point of a 5 mm drill 2.5 by tan 59, 1.50.
    assert depth("6x1") - depth("6.01x1") == pytest.approx(2.1 - 1.50, abs=0.06)


def test_a_fillet_lies_its_radius_from_both_its_ends_and_touches_both_lines() -> None:
    """Corners of many angles, both hands, a radius that is not one."""
    for tip in ((20.0, 5.0), (12.0, 30.0), (-6.0, 25.0), (18.0, -14.0), (8.0, -40.0)):
        before = Segment((-40.0, 3.0), (0.0, 0.0))
        after = Segment((0.0, 0.0), tip)
        one, arc, two = filleted(before, after, 2.5)
        assert arc.centre is not None
        for end in (arc.start, arc.end):
            assert hypot(end[0] - arc.centre[0], end[1] - arc.centre[1]) == pytest.approx(2.5)
        # A radius stands square on its line.
        for line, end in ((one, arc.start), (two, arc.end)):
            along = (line.end[0] - line.start[0], line.end[1] - line.start[1])
            out = (end[0] - arc.centre[0], end[1] - arc.centre[1])
            assert along[0] * out[0] + along[1] * out[1] == pytest.approx(0.0, abs=1e-9)


def best_by_trying(
    holes: list[float], shafts: list[float], least: float, most: float
) -> tuple[int, float, float]:
    """The most pairs, the least worst of those, the evenest of those: every way tried."""
    middle, found = (least + most) / 2, (0, 0.0, 0.0)
    for many in range(min(len(holes), len(shafts)), 0, -1):
        tries = []
        for some in combinations(range(len(holes)), many):
            for others in permutations(range(len(shafts)), many):
                off = [holes[i] - shafts[j] - middle for i, j in zip(some, others, strict=True)]
                if all(abs(one) <= (most - least) / 2 + 1e-9 for one in off):
                    tries.append((max(map(abs, off)), sum(one * one for one in off)))
        if tries:
            worst = min(one for one, _ in tries)
            even = min(two for one, two in tries if one <= worst + 1e-9)
            return many, worst, even
    return found


@pytest.mark.parametrize("seed", range(40))
def test_pairing_is_what_trying_every_way_finds(seed: int) -> None:
    from random import Random

    lot = Random(seed)
    holes = [round(20 + lot.uniform(-0.03, 0.03), 3) for _ in range(lot.randint(1, 4))]
    shafts = [round(19.97 + lot.uniform(-0.04, 0.04), 3) for _ in range(lot.randint(1, 5))]
    found = assigned(holes, shafts, 0.01, 0.05)
    many, worst, even = best_by_trying(holes, shafts, 0.01, 0.05)
    off = [holes[i] - shafts[j] - 0.03 for i, j in found.pairs]
    assert len(off) == many
    if off:
        assert max(map(abs, off)) == pytest.approx(worst, abs=2e-6)
        assert sum(one * one for one in off) == pytest.approx(even, abs=1e-6)


def test_three_bare_numbers_of_a_slot_are_long_wide_and_deep_whichever_is_longer() -> None:
    for line in ("slot 20 x 6 x 3, from 5, from the top", "slot 6 x 20 x 3, from 5, from the top"):
        (slot,) = features_of(line, MM, Fraction(60))
        assert (slot.wide, slot.deep, abs((slot.end or 0) - (slot.start or 0))) == (6, 3, 20)


def test_a_length_that_is_not_the_way_between_its_places_is_asked_about() -> None:
    (read,) = features_of("outside 20, from 5 to 30, 25 long", MM)
    assert (read.start, read.end) == (5, 30)
    for told in ("24.9", "25.1", "35"):
        with pytest.raises(Refused, match="which is it"):
            features_of(f"outside 20, from 5 to 30, {told} long", MM)


def test_a_part_with_no_face_and_no_length_is_as_long_as_its_last_feature() -> None:
    read = [*features_of("outside 12, from -3 to 14", MM), *features_of("bore 5, from 0 to 9", MM)]
    assert length_of(read, None) == 14
    assert length_of(features_of("bore 5, from -9 to 0", MM), None) is None
    assert length_of(features_of("chamfer 1 at 0", MM), None) is None


def test_a_compound_is_at_half_where_its_table_says_so_and_gone_where_it_lets_go() -> None:
    for one in compounds().values():
        assert heat_share(one, one.half_at_c) == pytest.approx(0.5)
        assert heat_share(one, one.half_at_c + 0.01) < 0.5
        assert heat_share(one, one.half_at_c - 0.01) > 0.5
        assert heat_share(one, one.lets_go_c) == 0


@pytest.mark.parametrize(("off", "same"), [(0.00049, True), (0.00053, False)])
def test_half_a_micrometre_off_a_collet_is_that_very_size(off: float, same: bool) -> None:
    near = CATALOGUE["nearest-drill"]
    typed = {"size": f"{6 - off:.5f} mm", "tool": "collet"}
    answer = near.ask(read_question(near, typed, MM, WORKSHOP).question, WORKSHOP)
    assert (answer.does == "that very size") is same
