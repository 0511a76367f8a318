"""Full nuts: across their flats and their height, by the standard or by common practice."""

from __future__ import annotations

from functools import cache

from runk.core.figures import Figure, Num, Working, law
from runk.core.sources import PRACTICE, Held, Source, read_table
from runk.core.threads.series import Thread

FLATS_TIMES = 1.75
HEIGHT_TIMES = {"BA": 0.9}
_HEIGHT_USUAL = 0.8
"""In diameters, where no standard of ours has the nut: common practice."""


@law("Full nut of the standard", "{nut_mm}", Source("iso-4032", Held.RECALLED))
def standard_nut_mm(nut_mm: Num) -> Num:
    """A nut's size as ISO 4032 has it.

    >>> standard_nut_mm(7.0)
    7.0
    """
    return nut_mm


@law("Usual nut", "{times} × {major_mm}", PRACTICE)
def usual_nut_mm(times: Num, major_mm: Num) -> Num:
    """A nut's height or flats in diameters of its thread.

    >>> usual_nut_mm(0.8, 5.0)
    4.0
    """
    return times * major_mm


@cache
def _nuts() -> dict[float, tuple[float, float]]:
    return {
        float(r["size_mm"]): (float(r["flats_mm"]), float(r["height_mm"]))
        for r in read_table("nuts")
    }


def flats_of(w: Working, thread: Thread) -> Figure:
    """Across the flats of a full nut.

    Source: ISO 4032 for coarse metric threads it has, else common practice.
    """
    row = _nuts().get(thread.major_mm) if thread.metric else None
    if row is not None:
        return w.of(standard_nut_mm, "nut_flats_mm", nut_mm=row[0])
    return w.of(usual_nut_mm, "nut_flats_mm", times=FLATS_TIMES, major_mm=thread.major_mm)


def height_of(w: Working, thread: Thread) -> Figure:
    """Height of a full nut.

    Source: ISO 4032 for coarse metric threads it has, else common practice.
    """
    row = _nuts().get(thread.major_mm) if thread.metric else None
    if row is not None:
        return w.of(standard_nut_mm, "nut_mm", nut_mm=row[1])
    times = HEIGHT_TIMES.get(thread.series, _HEIGHT_USUAL)
    return w.of(usual_nut_mm, "nut_mm", times=times, major_mm=thread.major_mm)
