"""Code cut in stock of the tests' own: nothing gouged, nothing left, nothing taken too deep.

A block of little columns, a cutter that is a disc, and the tests' own controller. What a cutter can
reach is a profile shrunk by its radius and grown again, by a geometry library. Source: geometry.
"""

from __future__ import annotations

import re
from typing import Any

import numpy as np
import pytest
from shapely import Polygon, contains_xy

from runk.core.catalogue import CATALOGUE
from runk.core.layout.laps import laps
from runk.core.layout.machining import Machining
from runk.core.layout.profiles import profile_of
from runk.core.layout.rounds import cut_path
from runk.core.layout.set_out import profile_set_out
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.formats.rs274 import profile_code
from runk.formats.rs274_trace import compare, trace
from tests.reference.interpreter import Controller

CELL = 0.25
SAFE = 18.0


def asked(**typed: str) -> Any:
    return read_question(CATALOGUE["path"], typed, PageUnit.MM, WORKSHOP).question


class Stock:
    """A block from its top at nought, in columns; it remembers the most taken at once."""

    def __init__(self, outline: Any, radius: float) -> None:
        left, low, right, high = outline.bounds
        pad = 3 * radius + 2
        self.x = np.arange(left - pad, right + pad, CELL)
        self.y = np.arange(low - pad, high + pad, CELL)
        self.top = np.zeros((len(self.y), len(self.x)))
        self.radius, self.most, self.in_rapid = radius, 0.0, 0.0

    def cut(self, p: tuple[float, float, float], fast: bool) -> None:
        reach = int(self.radius / CELL) + 2
        i, j = int((p[0] - self.x[0]) / CELL), int((p[1] - self.y[0]) / CELL)
        a, b = slice(max(j - reach, 0), j + reach + 1), slice(max(i - reach, 0), i + reach + 1)
        under = np.hypot(self.x[b][None, :] - p[0], self.y[a][:, None] - p[1]) < self.radius
        here = self.top[a, b]
        taken = float(np.where(under, here - p[2], 0.0).max(initial=0.0))
        if fast:
            self.in_rapid = max(self.in_rapid, taken)
        else:
            self.most = max(self.most, taken)
        here[under & (here > p[2])] = p[2]

    def run(self, code: str) -> Controller:
        control = Controller().run(code)
        before = (0.0, 0.0, SAFE)
        for motion, p in control.track:
            long = max(abs(b - a) for a, b in zip(before, p, strict=True))
            many = max(1, int(long / CELL))
            for n in range(1, many + 1):
                at = tuple(a + (b - a) * n / many for a, b in zip(before, p, strict=True))
                self.cut((at[0], at[1], at[2]), motion == "G0")
            before = p
        return control


def told(depths: tuple[float, ...]) -> Machining:
    return Machining(1450.0, 120.0, 60.0, depths, SAFE, 0.0, "Mill", "brass")


def polygon(question: Any) -> Any:
    return Polygon([s.point(k / 60) for s in profile_of(question) for k in range(60)])


def both(**typed: str) -> tuple[Stock, Any, str]:
    question = asked(**typed)
    gone = laps(question)
    depths = tuple(sorted({lap.deep for lap in gone if lap.deep == lap.top}))
    code = profile_code(profile_set_out(question, "any"), told(depths), gone)
    outline = polygon(question)
    stock = Stock(outline, float(question.cutter) / 2)
    stock.run(code)
    assert compare(trace(code), profile_set_out(question, "any"), depths[-1], gone).agrees
    return stock, outline, code


def before_the_last(code: str, outline: Any, radius: float) -> Stock:
    """The block before its last round, which is a hair thick and goes all the way down at once."""
    stock, lines = Stock(outline, radius), code.splitlines()
    last = next((n for n, line in enumerate(lines) if "last round" in line), None)
    if last is not None:
        # The way over to it is in the hair as well.
        lines = [*lines[: last - 1], "M5", "M2", "%"]
    stock.run("\n".join(lines))
    return stock


POCKETS = [
    {"profile": "plate", "long": "40", "wide": "20", "corner": "3", "cutter": "6"},
    {"profile": "plate", "long": "40", "wide": "20", "cutter": "6"},
    {"profile": "plate", "long": "13", "wide": "11", "cutter": "6"},
    {"profile": "plate", "long": "60", "wide": "9", "corner": "4", "cutter": "3"},
    {"profile": "flats", "dia": "26", "across": "20", "cutter": "5"},
    {"profile": "slot", "long": "20", "wide": "9", "cutter": "4"},
    {"profile": "slot", "long": "20", "wide": "8", "cutter": "6"},
    {"profile": "arc-slot", "dia": "60", "wide": "9", "turn": "75", "start": "20", "cutter": "3"},
    {"profile": "corners", "corners": "0, 0; 40, 0; 40, 25; 20, 25; 20, 12; 0, 12", "cutter": "4"},
    {"profile": "link", "long": "30", "dia": "16", "end": "10", "cutter": "4"},
]


@pytest.mark.parametrize("typed", POCKETS, ids=lambda t: f"{t['profile']}-{t['cutter']}")
@pytest.mark.parametrize("leave", ["", "0.2"])
def test_a_pocket_is_cleared_whole_and_no_wall_is_touched(
    typed: dict[str, str], leave: str
) -> None:
    more = {"leave": leave} if leave else {}
    stock, outline, code = both(**typed, **more, side="inside", deep="2.5", each="1")
    r = stock.radius
    x, y = np.meshgrid(stock.x, stock.y)
    hair = 0.03
    out = ~contains_xy(outline.buffer(hair), x, y)
    assert stock.top[out].min() == 0
    # All that a disc of that size can reach from inside, but for a hair at the rim.
    can = outline.buffer(-r, quad_segs=60).buffer(r - hair, quad_segs=60)
    inside = contains_xy(can, x, y)
    assert inside.any()
    assert stock.top[inside].max() == pytest.approx(-2.5, abs=1e-3)
    assert before_the_last(code, outline, r).most <= 2.5 / 3 + 0.02
    assert stock.in_rapid == 0


OUTSIDES = [
    {"profile": "link", "long": "40", "dia": "16", "end": "10", "cutter": "6"},
    {"profile": "flange", "long": "40", "dia": "22", "end": "10", "cutter": "5"},
    {"profile": "plate", "long": "40", "wide": "20", "corner": "4", "cutter": "6"},
    {"profile": "corners", "corners": "0, 0; 40, 0; 40, 25; 20, 25; 20, 12; 0, 12", "cutter": "6"},
]


@pytest.mark.parametrize("typed", OUTSIDES, ids=lambda t: t["profile"])
@pytest.mark.parametrize("leave", ["", "0.25"])
def test_a_part_is_cut_round_at_full_depth_and_not_into(typed: dict[str, str], leave: str) -> None:
    more = {"leave": leave} if leave else {}
    stock, outline, code = both(**typed, **more, deep="4", each="1")
    r = stock.radius
    x, y = np.meshgrid(stock.x, stock.y)
    inside = contains_xy(outline.buffer(-0.03), x, y)
    assert stock.top[inside].min() == 0
    # Round it lies a ring as wide as the cutter, but in corners it does not get into.
    way = Polygon(
        [s.point(k / 60) for s in cut_path(asked(**typed), 0.0)[1].loop for k in range(60)]
    )
    ring = way.exterior.buffer(r - 0.05, quad_segs=60)
    assert stock.top[contains_xy(ring, x, y)].max() == pytest.approx(-4, abs=1e-3)
    # Let down along the way, and never straight into the solid.
    assert before_the_last(code, outline, r).most <= 1.02
    assert stock.in_rapid == 0
    if leave:
        assert "last round, to size" in code


@pytest.mark.parametrize(
    "typed",
    [
        {"profile": "link", "long": "56.79", "dia": "14.49", "end": "6.38", "side": "inside"},
        {
            "profile": "corners",
            "corners": "0,0; 40,0; 40,20; 22,20; 22,8; 18,8; 18,20; 0,20",
            "side": "outside",
        },
        {
            "profile": "corners",
            "corners": "0,0; 40,0; 40,20; 21,20; 21,8; 19,8; 19,20; 0,20",
            "side": "outside",
            "cutter": "3",
        },
    ],
)
def test_a_notch_or_an_eye_the_cutter_does_not_get_into_is_no_corner(typed: dict[str, str]) -> None:
    cutter = typed.get("cutter", "12" if typed["profile"] == "link" else "6")
    with pytest.raises(Refused, match="does not pass") as refused:
        cut_path(asked(**{**typed, "cutter": cutter}), 0.0)
    assert refused.value.field == "cutter"
    small = "1.5" if cutter == "3" else "3"
    assert cut_path(asked(**{**typed, "cutter": small}), 0.0)[1].loop


def test_what_stays_in_a_corner_is_measured_to_the_nearest_cut() -> None:
    """A corner of 60 degrees under a radius of 3: 3 / sin 30 less 3."""
    found = CATALOGUE["path"].ask(
        asked(profile="corners", corners="0,0; 40,0; 20,34.641", side="inside", cutter="6"),
        WORKSHOP,
    )
    assert [k.left_mm.value for k in found.kept] == pytest.approx([3.0] * 3, abs=1e-3)


def test_a_corner_a_hair_over_the_cutter_makes_no_arc_of_nothing() -> None:
    for corner in ("3.00002", "3.00004", "3.0004", "3.01"):
        question = asked(
            profile="plate",
            long="40",
            wide="20",
            corner=corner,
            side="inside",
            cutter="6",
            deep="1",
        )
        code = profile_code(profile_set_out(question, "any"), told((1.0,)), laps(question))
        assert not re.search(r"I-?0\. J-?0\.(?:\s|$)", code)
        Controller().run(code)


def test_a_pocket_that_falls_into_parts_is_said() -> None:
    """Two rooms and a passage between them that is wider than the cutter, and no wider than two."""
    rooms = "0,0; 30,0; 30,11; 40,11; 40,0; 70,0; 70,30; 40,30; 40,19; 30,19; 30,30; 0,30"
    with pytest.raises(Refused, match="falls into parts"):
        laps(asked(profile="corners", corners=rooms, side="inside", cutter="6", deep="1"))
