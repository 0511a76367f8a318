"""Speeds over many metals and diameters at once: the fan's sweep and the wall sheet."""

from __future__ import annotations

from fractions import Fraction
from time import perf_counter

import numpy as np

from measure import side_by_side
from rows import Row, met, ratio_row
from runk.core.cutting.laws import spindle_rpm
from runk.core.cutting.sheet import SheetQuestion, needs, sheet
from runk.core.cutting.sweep import chosen_steps, sheet_rpm, targets_rpm
from runk.core.machines.choose import OVER_ALLOWED
from runk.core.machines.machine import Holding
from runk.core.metals import shipped_metals
from runk.demo.back_shed import LATHE, WORKSHOP
from runk.formats.sheet_pdf import sheet_pdf


def sweep() -> list[Row]:
    """The sweep's laws against the same arithmetic in bare NumPy, and in a bare loop."""
    surface = np.array([m["hss_m_min"] for m in shipped_metals().values()])
    diameters = np.linspace(1.0, 180.0, 2000)
    ladder = np.array(sorted(s.rpm for s in LATHE.steps))
    loop_surface, loop_diameters, loop_ladder = (
        surface.tolist(),
        diameters.tolist(),
        ladder.tolist(),
    )

    def ours() -> object:
        return chosen_steps(targets_rpm(surface, diameters), ladder)

    def bare() -> object:
        targets = 1000.0 * surface[:, None] / (np.pi * diameters[None, :])
        edges = ladder / ((1 + OVER_ALLOWED) * (1 + 1e-9))
        index = np.zeros(targets.shape, dtype=np.uint8)
        for edge in edges[1:]:
            index += targets >= edge
        return ladder.take(index)

    def loop() -> object:
        out = []
        for speed in loop_surface:
            for diameter in loop_diameters:
                ceiling = spindle_rpm(speed, diameter) * 1.15
                fitting = [s for s in loop_ladder if s <= ceiling]
                out.append(fitting[-1] if fitting else loop_ladder[0])
        return out

    assert np.array_equal(ours(), bare())  # type: ignore[call-overload]
    against_numpy = side_by_side(ours, bare, 200)
    against_loop = side_by_side(loop, ours, 10)
    faster = against_loop.p50
    return [
        ratio_row(
            "Fan's sweep, 20 metals by 2000 diameters, against plain NumPy", against_numpy, 1.5
        ),
        (
            "The same against a bare Python loop of the same laws",
            f"{faster:.0f}x as fast",
            "over 20x",
            met(faster > 20),
        ),
    ]


def wall_sheet() -> list[Row]:
    """The sheet's cells against the same arithmetic in bare NumPy, and its PDF."""
    surface = [m["hss_m_min"] for m in shipped_metals().values()]
    diameters = np.linspace(2.0, 120.0, 60).tolist()
    steps = sorted(s.rpm for s in LATHE.steps)

    def ours() -> object:
        return sheet_rpm(surface, diameters, LATHE, Holding.THREE_JAW)[1]

    def bare() -> object:
        targets = 1000.0 * np.array(surface)[:, None] / (np.pi * np.array(diameters)[None, :])
        ladder = np.array(steps)
        edges = ladder / ((1 + OVER_ALLOWED) * (1 + 1e-9))
        index = np.zeros(targets.shape, dtype=np.uint8)
        for edge in edges[1:]:
            index += targets >= edge
        return targets.tolist(), ladder.take(index).tolist()

    assert ours() == bare()[1]  # type: ignore[index]
    question = SheetQuestion(sizes=tuple(Fraction(n) for n in range(2, 122, 2)))
    answer = sheet(question, needs(question, WORKSHOP))
    ratio = side_by_side(ours, bare, 400)
    began = perf_counter()
    pages = sheet_pdf(answer)
    took = perf_counter() - began
    return [
        ratio_row(
            "Wall sheet, 20 metals by 60 diameters by 8 steps, against plain NumPy", ratio, 1.5
        ),
        (
            f"The same sheet as PDF, {len(pages) // 1000} kB, typefaces read from disk",
            f"{took * 1000:.0f} ms",
            "under a second",
            met(took < 1),
        ),
    ]
