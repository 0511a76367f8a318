"""What is known of a part as drawn: sizes, places, what it is made from, how heavy it is."""

from __future__ import annotations

from dataclasses import dataclass, replace
from math import pi

from runk.core.questions import Read, sentence
from runk.core.refusals import Refused
from runk.core.route.feature import BLANK, FEATURE
from runk.core.route.feature_question import HOLES
from runk.core.route.part import EPS, Feature, Part
from runk.core.route.placed import points
from runk.core.route.route import Job
from runk.core.route.section import section
from runk.core.route.slice import Slice
from runk.core.said import mm_said
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_EMPTY = Workshop(())


def _said(calculator: object, asked: object, page: PageUnit) -> str:
    return sentence(calculator, Read(asked, {}), page, _EMPTY)  # type: ignore[arg-type]


def feature_known(feature: Feature, page: PageUnit) -> str:
    """A feature with its limits as sizes.

    Args:
        feature: Of a part.
        page: How its sentence is said.

    >>> from runk.core.route.reading import part_of
    >>> from runk.core.said import worded
    >>> bush = part_of("bush", "brass", "bar 16", ["bore 8 H7, from 0 to 12, called eye"])
    >>> worded(feature_known(bush.features[0], PageUnit.MM), PageUnit.MM)
    'Bore 8 mm H7, from 0 mm to 12 mm, called eye: 8 mm to 8.015 mm'
    """
    says = _said(FEATURE, feature.asked, page)
    if feature.limits is None:
        return says
    low, high = feature.limits
    return f"{says}: {mm_said(low)} to {mm_said(high)}"


def blank_known(part: Part, page: PageUnit) -> str:
    """What a part is made from."""
    return _said(BLANK, part.blank, page)


def whole_known(part: Part) -> str:
    """How large a part is: its largest diameter and its length, or its block's edges."""
    blank = part.blank
    if not part.turned:
        edges = [size for size in (blank.long, blank.wide, blank.high) if size is not None]
        return " by ".join(mm_said(size) for size in edges)
    turned = [f.size + 2 * f.throw for f in part.features if f.round_outside]
    return (
        f"{mm_said(max(turned, default=part.across))} over its outside, {mm_said(part.long)} long"
    )


def places_known(part: Part, feature: Feature) -> str:
    """Where the holes of a pattern are, along and up; and how far from one to the next.

    >>> from runk.core.route.reading import part_of
    >>> from runk.core.said import worded
    >>> lines = ["outside 40, from 0 to 8", "6 holes 3 on 31 circle, from the right end"]
    >>> cover = part_of("cover", "brass", "bar 45", lines)
    >>> worded(places_known(cover, cover.features[1]), PageUnit.MM)[:52]
    'from one to the next 15.5 mm; 15.5 mm by 0 mm, 7.75 '
    """
    found = points(part, feature)
    said = ", ".join(
        f"{mm_said(round(x, 3) + 0.0)} by {mm_said(round(y, 3) + 0.0)}" for x, y in found
    )
    if feature.asked.circle is not None and len(found) > 1:
        (x, y), (u, v) = found[:2]
        apart = round(((x - u) ** 2 + (y - v) ** 2) ** 0.5, 3)
        return f"from one to the next {mm_said(apart)}; {said}"
    return said


@dataclass(frozen=True, slots=True)
class Heft:
    """How heavy a part is, and how hard to spin.

    Args:
        kg: Its mass.
        kg_m2: Its moment of inertia about its axis; None for what has none.
    """

    kg: float
    kg_m2: float | None


def heft(job: Job) -> Heft:
    """Mass of a part as drawn, all else of its drawing left as it is: no fillets, no thread's form.

    The solid of its half-section about its axis, thrown lengths about their own, less its holes.

    Args:
        job: The part.

    Returns:
        Kilograms, and kilograms times square metres about the axis.

    Raises:
        Refused: Its metal is not told.

    Source: volumes and moments of cylinders and frustums, derived.

    >>> from runk.core.route.reading import part_of
    >>> from runk.demo.back_shed import WORKSHOP
    >>> pin = Job(part_of("pin", "brass", "bar 12", ["outside 10, from 0 to 100"]), WORKSHOP)
    >>> round(heft(pin).kg, 4)
    0.0665
    """
    metal = job.workshop.metals.get(job.part.metal)
    if metal is None:
        raise Refused(f"{job.part.name}: of what metal is it?", field="metal", suggest="mild steel")
    density = metal["density_g_cm3"] * 1e-6
    part = job.part
    if not part.turned:
        blank = part.blank
        if not (blank.long and blank.wide and blank.high):
            raise Refused(f"{part.name}: how large is its block?", field="blank")
        volume = float(blank.long) * float(blank.wide) * float(blank.high) - _holes_mm3(part)
        return Heft(volume * density, None)
    view = section(job, frozenset(job.by_key), None, frozenset())
    # No skin left at an end, no bar behind it: the part alone.
    slices = [
        replace(one, start=max(one.start, part.begin), end=min(one.end, part.long))
        for one in view.slices
        if one.start < part.long - EPS and one.end > part.begin + EPS
    ]
    volume = sum(_volume(one) for one in slices) - _holes_mm3(part)
    moment = sum(_moment(one) for one in slices)
    return Heft(volume * density, moment * density * 1e-6)


def _radii(one: Slice) -> tuple[float, float, float]:
    """Of its two ends about its own axis, and how far that lies from the part's."""
    throw = (one.top - one.bottom) / 2
    return one.right - throw, one.top - throw, throw


def _volume(one: Slice) -> float:
    right, left, _ = _radii(one)
    long = one.end - one.start
    return long * pi * ((right**2 + right * left + left**2) / 3 - one.inner**2)


def _moment(one: Slice) -> float:
    """Of a frustum and what is hollow in it, about the part's axis; millimetres to the fifth."""
    right, left, throw = _radii(one)
    long = one.end - one.start
    # The integral of half r to the fourth along a straight flank.
    fourth = sum(right ** (4 - n) * left**n for n in range(5)) / 5
    own = pi / 2 * long * (fourth - one.inner**4)
    return own + _volume(one) * throw**2


def _holes_mm3(part: Part) -> float:
    """What is drilled beside the axis or into a block."""
    total = 0.0
    for one in part.features:
        pattern = one.kind == "holes" or (one.kind in HOLES and (one.throw or not part.turned))
        if not pattern:
            continue
        through = part.long - part.begin if part.turned else float(part.blank.high or 0)
        deep = float(one.asked.deep) if one.asked.deep is not None else through
        total += (one.asked.count or 1) * pi / 4 * one.size**2 * deep
    return total
