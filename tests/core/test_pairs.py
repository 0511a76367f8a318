"""Pairs: as many as fit and the worst as good as can be; the rest named, with what mends it."""

from __future__ import annotations

import itertools
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import linear_sum_assignment

from runk.ask import ask
from runk.core.catalogue import CATALOGUE
from runk.core.fits.pairing import assigned
from runk.core.fits.pairs import fits_percent
from runk.core.fits.pairs_drawn import drawn
from runk.core.kinds import Chain, Told
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases


def answer(page: PageUnit = PageUnit.MM, **typed: str) -> Any:
    one = CATALOGUE["pairs"]
    return one.ask(read_question(one, typed, page, WORKSHOP).question, WORKSHOP)


def _key(holes: list[float], shafts: list[float], pairs: Any, middle: float) -> tuple[float, ...]:
    # Two that are as far off to the last digit are as far off.
    off = [round(abs(holes[i] - shafts[j] - middle), 9) for i, j in pairs]
    return (-len(off), max(off, default=0.0), sum(x * x for x in off))


def _brute(holes: list[float], shafts: list[float], least: float, most: float) -> tuple[float, ...]:
    """Every way there is of pairing them."""
    ways = (
        list(zip(some, order, strict=True))
        for count in range(min(len(holes), len(shafts)) + 1)
        for some in itertools.combinations(range(len(holes)), count)
        for order in itertools.permutations(range(len(shafts)), count)
    )
    return min(
        _key(holes, shafts, way, (least + most) / 2)
        for way in ways
        if all(least - 1e-9 <= holes[i] - shafts[j] <= most + 1e-9 for i, j in way)
    )


_SIZES = st.lists(st.integers(0, 40).map(lambda um: um / 1000), max_size=4)


@cases(150)
@given(_SIZES, _SIZES, st.integers(0, 20), st.integers(0, 25))
def test_it_is_the_best_of_every_way_there_is(
    holes: list[float], shafts: list[float], least: int, wide: int
) -> None:
    bores = [22 + mm for mm in holes]
    pistons = [21.97 + mm for mm in shafts]
    low, high = least / 1000, (least + wide) / 1000
    found = assigned(bores, pistons, low, high)
    assert _key(bores, pistons, found.pairs, (low + high) / 2) == pytest.approx(
        _brute(bores, pistons, low, high), abs=1e-8
    )
    assert sorted([i for i, _ in found.pairs] + list(found.holes)) == list(range(len(bores)))
    assert sorted([j for _, j in found.pairs] + list(found.shafts)) == list(range(len(pistons)))


@pytest.mark.parametrize("seed", range(4))
def test_of_two_hundred_the_squares_are_scipys(seed: int) -> None:
    """Where all fit and the worst is given, the evenest is what SciPy's assignment finds."""
    source = np.random.default_rng(seed)
    holes, shafts = 22 + source.random(200) / 50, 21.97 + source.random(200) / 50
    found = assigned(holes.tolist(), shafts.tolist(), 0.0, 0.06)
    off = np.array([abs(holes[i] - shafts[j] - 0.03) for i, j in found.pairs])
    cost = (holes[:, None] - shafts[None, :] - 0.03) ** 2
    cost[np.abs(holes[:, None] - shafts[None, :] - 0.03) > off.max() + 1e-9] = 1e3
    rows, columns = linear_sum_assignment(cost)
    assert len(found.pairs) == 200
    assert (off**2).sum() == pytest.approx(cost[rows, columns].sum())


@cases(25)
@given(
    st.integers(0, 30),
    st.integers(1, 30),
    st.integers(1, 30),
    st.integers(0, 20),
    st.integers(0, 30),
)
def test_how_many_fit_as_they_come_is_the_area_counted(
    lowest: int, hole: int, shaft: int, least: int, wide: int
) -> None:
    """The share of a fine grid over both limits."""
    grid = (np.arange(400) + 0.5) / 400
    clear = lowest + hole * grid[:, None] + shaft * (1 - grid[None, :])
    counted = ((clear >= least) & (clear <= least + wide)).mean() * 100
    asked = (x / 1000 for x in (hole, shaft, lowest, least, least + wide))
    assert fits_percent(*asked) == pytest.approx(counted, abs=1.0)


def test_one_of_each_made_fits_as_often_as_it_comes() -> None:
    """The draws against the closed form; and choosing never pairs fewer than chance."""
    here = Told(PageUnit.MM, WORKSHOP)
    (hole,) = Chain("h").read("22 +0.02 -0", here).value
    (shaft,) = Chain("s").read("21.97 +0 -0.02", here).value
    closed = fits_percent(0.02, 0.02, 0.03, 0.04, 0.06)
    chosen, every = drawn(hole, shaft, 1, 0.04, 0.06, 60_000)
    assert chosen == every == pytest.approx(closed, abs=0.7)
    shares = [drawn(hole, shaft, count, 0.04, 0.06)[0] for count in (1, 2, 4, 8, 30)]
    assert shares == sorted(shares)


def test_near_misses_and_scrap_are_named() -> None:
    got = answer(holes="22.00; 22.01", shafts="21.97; 22.00; 21.90; 21.96")
    said = {one.part: worded(one.says, PageUnit.MM) for one in got.missed}
    assert got.fit == 2
    # Ringed at 22: 0.87 to 1.73 thou; 22.00 must lose 0.012 for the larger hole, which is taken.
    assert said["shaft 2"].startswith("Take 0.012 mm (0.5 thou) off it and it goes in hole 2")
    assert "one too many" in said["shaft 2"]
    assert "scrap" in said["shaft 3"]
    alone = answer(holes="22.00; 22.05", shafts="21.97")
    assert worded(alone.missed[0].says, PageUnit.MM).startswith("For a shaft still to be made")
    link = alone.links[0]
    one = CATALOGUE[link.calculator]
    read = read_question(one, dict(link.question), PageUnit.INCH, WORKSHOP)
    assert float(read.question.there[0].sizes[0]) == pytest.approx(22.05)
    assert one.ask(read.question, WORKSHOP)


def test_what_governs_is_the_smallest_of_a_hole_and_the_largest_of_a_shaft() -> None:
    got = answer(
        holes="a 22.02, 22.00; b 22.04", shafts="21.97, 21.94; 22.00", least="0.02", most="0.05"
    )
    assert [(p.hole, p.hole_mm.value, p.shaft_mm.value) for p in got.pairs] == [
        ("a", 22.0, 21.97),
        ("b", 22.04, 22.0),
    ]
    shape = answer(holes="a 22.06, 22.00", shafts="21.97, 21.90", least="0.02", most="0.05")
    assert any(caution.about == "the shape" for caution in shape.cautions)


@pytest.mark.parametrize(
    ("typed", "field"),
    [
        ({"shafts": "21.9"}, "holes"),
        ({"holes": "22"}, "shafts"),
        ({"holes": "22; nothing", "shafts": "21.9"}, "holes"),
        ({"holes": "-22", "shafts": "21.9"}, "holes"),
        ({"holes": "22", "shafts": "21.9", "least": "0.05", "most": "0.02"}, "most"),
        ({"holes": "; ".join(["22"] * 201), "shafts": "21.9"}, "holes"),
        ({"holes": "; ".join(["22.01"] * 500), "shafts": "21.9"}, "holes"),
        ({"known": "made", "hole": "22 ±0.01"}, "shaft"),
        ({"known": "made", "hole": "22", "shaft": "21.9", "count": "0"}, "count"),
        ({"known": "made", "hole": "22; 23", "shaft": "21.9"}, "hole"),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(typed: dict[str, str], field: str) -> None:
    with pytest.raises(Refused) as refused:
        answer(**typed)
    assert refused.value.field == field
    assert len(refused.value.said(PageUnit.MM)) < 160


@pytest.mark.parametrize("page", list(PageUnit))
@pytest.mark.parametrize(
    ("line", "fit"),
    [
        ("pair pistons 21.99 21.96 mm and bores 22.00 mm, 22.01 mm", 1),
        ("pair up covers 0.6875, 0.6880 in, registers 0.687, 0.6878 in, as register", 1),
        (
            "pair bores 22.00 mm; 22.03 mm, pistons 21.97 mm; 21.99 mm, free 0.02 mm, at most 0.05 mm",
            2,
        ),
    ],
)
def test_lines_of_pairs(line: str, fit: int, page: PageUnit) -> None:
    asked = ask(line, WORKSHOP, page)
    assert (asked.calculator.name, asked.answer.fit) == ("pairs", fit)
    again = ask(asked.read_as.split(" (")[0], WORKSHOP, page)
    assert again.answer.fit == fit


def test_an_end_of_the_clearance_that_was_left_out_is_said_back() -> None:
    line = "pair bores 22.00 mm; 22.03 mm, pistons 21.97 mm; 21.99 mm, free 0.02 mm"
    asked = ask(line, WORKSHOP)
    assert "free 0.02 mm, at most 0.04 mm" in asked.read_as
    # Said back, it is the same question.
    assert ask(asked.read_as, WORKSHOP).read.question == asked.read.question
