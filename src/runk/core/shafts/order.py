"""The order a part is made in: what is done, to which size, and how."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Annotated

from runk.core.cutting import bend, laws
from runk.core.cutting.outcome import RADIAL_SHARE
from runk.core.cutting.question import Tool
from runk.core.cutting.spindle import EDGE
from runk.core.figures import Figure, Working
from runk.core.metals.metal import Metal
from runk.core.shown import Show
from runk.core.units import unit_of


@dataclass(frozen=True, slots=True, kw_only=True)
class Made:
    """One step of the order."""

    step: Annotated[str, Show("Step")]
    does: Annotated[str, Show("What is done")]
    size_mm: Annotated[Figure | None, Show("To")]
    how: Annotated[str, Show("How")]


def in_order(*steps: tuple[str, Figure | None, str]) -> tuple[Made, ...]:
    """Steps, numbered.

    Args:
        steps: What is done, to which size, and how.

    >>> [one.step for one in in_order(("Face it", None, "true"), ("Turn it", None, "last"))]
    ['1', '2']
    """
    return tuple(
        Made(
            step=str(n),
            does=does,
            # Sizes of a step have one rounding, whatever they were worked out to.
            size_mm=None if size is None else Figure(size.value, unit_of("size_mm"), size.steps, 3),
            how=how,
        )
        for n, (does, size, how) in enumerate(steps, 1)
    )


def force_of(w: Working, metal: Metal, deep_mm: float, feed_mm: float, why: str) -> float:
    """Cutting force of a turned or plunged cut with HSS, newtons.

    Args:
        metal: Being cut.
        deep_mm: Depth of the cut, or width of a plunging tool.
        feed_mm: A turn.
        why: Which cut it is.
    """
    specific = w(
        laws.specific_n_per_mm2,
        kc11_n_per_mm2=metal["kc11_n_per_mm2"],
        mc=metal["mc"],
        chip_mm=feed_mm,
        edge=EDGE[Tool.HSS],
        source=metal.source("kc11_n_per_mm2"),
        why=why,
    )
    return w(laws.cutting_n, specific_n_per_mm2=specific, chip_mm2=deep_mm * feed_mm)


def bent_aside(
    w: Working,
    force_n: float,
    long_mm: float,
    thick_mm: float,
    metal: Metal,
    key: str,
    beam: Callable[..., float] = bend.cantilever_mm,
) -> Figure:
    """What a cut leaves on the diameter because the bar bends.

    Args:
        force_n: Cutting force, of which a share pushes the bar aside.
        long_mm: How far the bar stands out, or lies between its centres; ``thick_mm`` its diameter.
        metal: Of the bar.
        key: Of the figure.
        beam: How it is held: at one end, or by another law of :mod:`runk.core.cutting.bend`.
    """
    since = len(w.steps)
    aside = w(laws.radial_n, force_n=force_n, share=RADIAL_SHARE)
    section = w(bend.second_moment_mm4, diameter_mm=thick_mm)
    spring = w(
        beam,
        force_n=aside,
        length_mm=long_mm,
        e_gpa=metal["e_gpa"],
        section_mm4=section,
        source=metal.source("e_gpa"),
    )
    figure = w.of(bend.diameter_error_mm, key, since=since, spring_mm=spring)
    return replace(figure, places=3)
