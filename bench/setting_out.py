"""A thousand holes, a long profile, forty parts: each against the same by packages alone."""

from __future__ import annotations

import itertools
import json
import random
from math import cos, pi, sin

import numpy as np
from pydantic_core import to_json
from shapely import Polygon

from measure import Ratio, side_by_side
from rows import Row, met, ratio_row
from runk.api.calculators import answer_typed
from runk.core.catalogue import CATALOGUE
from runk.core.layout.cutting_stock import plan_cuts
from runk.core.layout.machining import Machining
from runk.core.layout.offset import beside
from runk.core.layout.segments import through
from runk.core.layout.set_out import SetOut
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.formats.rs274 import profile_code


def thousand_holes() -> Ratio:
    """The whole answer, walls and order with it, written; NumPy places them and writes the same."""
    typed = {"count": "1000", "circle": "500 mm", "hole": "1 mm"}

    def ours() -> object:
        return to_json(answer_typed(CATALOGUE["circle"], typed, PageUnit.MM, WORKSHOP))

    def theirs() -> object:
        turn = np.arange(1000) * 0.36
        x, y = 250 * np.cos(np.radians(turn)), 250 * np.sin(np.radians(turn))
        rows = zip(x.tolist(), y.tolist(), turn.tolist(), strict=True)
        return json.dumps(
            [
                {
                    "name": str(n),
                    "x_mm": {"value": a, "shown": f"{a:.3f}", "unit": "mm", "working": []},
                    "y_mm": {"value": b, "shown": f"{b:.3f}", "unit": "mm", "working": []},
                    "angle_deg": {"value": c, "shown": f"{c:.2f}", "unit": "°", "working": []},
                }
                for n, (a, b, c) in enumerate(rows, 1)
            ]
        )

    return side_by_side(ours, theirs, 40)


def long_profile() -> Ratio:
    """Five hundred sides moved out and written as code; the library moves them out alone."""
    radii = [50 + 3 * sin(2 * pi * n / 50) for n in range(500)]
    points = [(r * cos(2 * pi * n / 500), r * sin(2 * pi * n / 500)) for n, r in enumerate(radii)]
    loop, shape = through(points), Polygon(points)
    told = Machining(1450.0, 120.0, 60.0, (1.0, 2.0, 3.0), 0.0, "Mill", "brass")

    def ours() -> object:
        path = beside(loop, -3.0)
        return profile_code(SetOut("long"), told, path.loop, None)

    def theirs() -> object:
        return shape.buffer(3.0, quad_segs=32)

    return side_by_side(ours, theirs, 15)


def waste(rounds: int = 40) -> tuple[float, int]:
    """On small cases, what is begun over the least there is; and how often that is met."""
    source, worst, same = random.Random(9), 1.0, 0
    for _ in range(rounds):
        parts = [float(source.randint(20, 90)) for _ in range(6)]
        bars = [float(source.randint(90, 200)) for _ in range(4)]
        ours = plan_cuts(parts, bars, 2.0)
        best = min(
            (
                sum(bars[b] for b in set(where))
                for where in itertools.product(range(4), repeat=6)
                if all(
                    sum(p + 2.0 for p, at in zip(parts, where, strict=True) if at == b)
                    <= bars[b] + 2.0
                    for b in set(where)
                )
            ),
            default=0.0,
        )
        if ours is None:
            same += best == 0.0
            continue
        share = sum(bars[cut.bar] for cut in ours) / best
        worst, same = max(worst, share), same + (share < 1.0 + 1e-9)
    return worst, same


def setting_out_rows() -> list[Row]:
    """Holes, profile, parts."""
    holes = "A thousand holes answered and written, against plain NumPy and writing the same"
    profile = long_profile()
    ms = profile.ours_p95 / 1000
    worst, same = waste()
    return [
        ratio_row(holes, thousand_holes(), 2.0),
        (
            "A profile of 500 sides moved out, tested and written as code; a library moving it out",
            f"{ms:.0f} ms at 95 %, {profile.theirs_p50 / 1000:.1f} ms",
            "under 200 ms, before a person notices",
            met(ms < 200),
        ),
        (
            "Six parts from four bars, 40 draws, against every way of cutting them",
            f"{same} of 40 the least there is, at worst {worst:.3f}x",
            "the least in all",
            met(same == 40),
        ),
    ]
