"""Which room works an operation out, and its question as the part already tells it."""

from __future__ import annotations

from runk.core.route.feature_question import INSIDE
from runk.core.route.operations import Operation
from runk.core.route.part import Feature, Part

Opened = tuple[str, dict[str, str]]
"""Name of the calculator, and its fields as typed."""


def opened(part: Part, one: Operation) -> Opened | None:
    """The room of an operation, nothing of it to be typed twice; None where it has none.

    What nobody can know before the bench, the size it has now, is left to be asked there.

    >>> from runk.core.route.operations import operations_of
    >>> from runk.core.route.reading import part_of
    >>> part = part_of("bush", "brass", "bar 16", ["bore 8 H7, from 0 to 12", "tapped M3"])
    >>> [opened(part, one) for one in operations_of(part) if one.verb in ("finish", "tap")][0]
    ('plan', {'job': 'bore', 'wanted': '8 mm', 'limits': 'H7', 'metal': 'brass'})
    """
    feature = part.by_key.get(one.feature)
    if feature is None:
        return None
    found = _of(part, feature, one.verb)
    if found is None:
        return None
    name, asked = found
    metal = {"metal": part.metal} if part.metal and name not in _NO_METAL else {}
    return name, asked | metal


_NO_METAL = ("circle", "flats")
"""Rooms of places and depths alone."""


def _mm(size: float) -> str:
    return f"{size:.4f}".rstrip("0").rstrip(".") + " mm"


def _limits(feature: Feature) -> dict[str, str]:
    bounds = feature.asked.limits
    if bounds is None or feature.limits is None:
        return {}
    if bounds.grade:
        return {"limits": bounds.grade}
    low, high = feature.limits
    return {"smallest": _mm(low), "largest": _mm(high)}


def _of(part: Part, feature: Feature, verb: str) -> Opened | None:
    asked, size = feature.asked, _mm(feature.size)
    if verb == "finish":
        job = "bore" if feature.kind in INSIDE else "outside"
        return "plan", {"job": job, "wanted": size, **_limits(feature)}
    if verb == "turn" and part.blank.dia is not None and feature.kind == "outside":
        dia = float(part.blank.dia)
        if dia > feature.size:
            return "plan", {"job": "outside", "now": _mm(dia), "wanted": size}
    if verb == "tap" and asked.screw is not None:
        deep = {} if asked.deep is None else {"deep": _mm(float(asked.deep)), "ends": "blind"}
        return "tap", {"thread": asked.screw.name, **deep}
    if verb == "cut thread" and asked.screw is not None:
        long = feature.span[1] - feature.span[0]
        return "die", {"thread": asked.screw.name, "long": _mm(long)}
    if verb == "ream":
        deep = {} if asked.deep is None else {"deep": _mm(float(asked.deep)), "ends": "blind"}
        return "hole", {"size": size, "finish": "machine-reamed", **deep}
    if verb == "spot" and asked.circle is not None and asked.count:
        circle = {"count": str(asked.count), "circle": _mm(float(asked.circle)), "hole": size}
        return "circle", circle
    if verb == "mill" and feature.kind == "keyway":
        shaft = part.outside_at(sum(feature.span) / 2)
        wide, down = float(asked.wide or 0), float(asked.deep or 0)
        return "keyway", {"width": _mm(wide), "shaft": _mm(shaft), "deep": _mm(down)}
    if verb == "mill" and feature.kind == "flats" and str(asked.count or 2) in ("2", "4", "6"):
        bar = part.outside_at(sum(feature.span) / 2)
        return "flats", {"bar": _mm(bar), "across": size, "shape": str(asked.count or 2)}
    return None
