"""How heavy a part is and how hard to spin: against its solid cut into small cubes."""

from __future__ import annotations

import numpy as np
import pytest

from runk.core.route.known import heft
from runk.core.route.reading import part_of
from runk.core.route.route import Job
from runk.demo.back_shed import WORKSHOP

STEP = 0.2
"""Edge of a cube in millimetres."""

# A part, and its solid as a test of x along the axis, y and z across, in millimetres by hand.
LINES = {
    "taper": (["taper 20 down to 12, from 0 to 30", "bore 6, from 0 to 30"], "bar 22"),
    "crank": (
        [
            "outside 24, from 0 to 6",
            "crankpin 8, throw 7, from 6 to 16",
            "outside 24, from 16 to 22",
        ],
        "bar 26",
    ),
    "cover": (["outside 40, from 0 to 8", "6 holes 5 on 30 circle, from the right end"], "bar 45"),
}


def _solid(name: str, x: np.ndarray, y: np.ndarray, z: np.ndarray) -> np.ndarray:
    r = np.hypot(y, z)
    if name == "taper":
        # Told large end first: 20 where it begins.
        return (r <= 10 - 4 * x / 30) & (r >= 3) & (x <= 30)
    if name == "crank":
        web = (r <= 12) & ((x <= 6) | ((x >= 16) & (x <= 22)))
        return web | ((np.hypot(y - 7, z) <= 4) & (x > 6) & (x < 16))
    inside = (r <= 20) & (x <= 8)
    for n in range(6):
        a = np.radians(60 * n)
        inside &= np.hypot(y - 15 * np.cos(a), z - 15 * np.sin(a)) >= 2.5
    return inside


@pytest.mark.parametrize("name", LINES)
def test_mass_and_moment_are_those_of_the_solid(name: str) -> None:
    lines, blank = LINES[name]
    found = heft(Job(part_of(name, "mild-steel", blank, lines), WORKSHOP))
    long = {"taper": 30.0, "crank": 22.0, "cover": 8.0}[name]
    along = np.arange(STEP / 2, long, STEP)
    across = np.arange(-20 + STEP / 2, 20, STEP)
    x, y, z = np.meshgrid(along, across, across, indexing="ij")
    solid = _solid(name, x, y, z)
    density = WORKSHOP.metals["mild-steel"]["density_g_cm3"] * 1e-6
    cube = STEP**3 * density
    assert found.kg == pytest.approx(solid.sum() * cube, rel=0.004)
    if name != "cover":
        # Holes beside the axis are left in the moment: said to be as drawn, not to the gram.
        moment = ((y**2 + z**2) * solid).sum() * cube * 1e-6
        assert found.kg_m2 == pytest.approx(moment, rel=0.006)
