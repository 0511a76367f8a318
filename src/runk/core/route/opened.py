"""Which room works an operation out, and its question as the part already tells it."""

from __future__ import annotations

from runk.core.route.feature_question import INSIDE
from runk.core.route.operations import Operation, operations_of
from runk.core.route.part import Feature, Part
from runk.core.route.route import step_of

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
    found = _of_whole(part, one) if feature is None else _of(part, feature, one.verb)
    if found is None:
        return None
    name, asked = found
    metal = {"metal": part.metal} if part.metal and name not in _NO_METAL else {}
    return name, asked | metal


_NO_METAL = ("circle", "flats", "taper", "throw", "eccentric", "part-off")
"""Rooms of places and depths alone."""


def opened_step(part: Part, line: str) -> Opened | None:
    """The room of a step; None where it has none.

    >>> from runk.core.route.reading import part_of
    >>> lines = ["face at 0", "face at 60"]
    >>> wheel = part_of("wheel", "grey-iron", "casting 80, 2 to come off", lines)
    >>> opened_step(wheel, "look over the casting")
    ('surplus', {'these': 'face 0 2 mm', 'those': 'face 60 2 mm'})
    """
    step = step_of(line)
    if step == "look over" and part.cast and part.blank.surplus is not None:
        each = _mm(float(part.blank.surplus))
        found = {
            name: "; ".join(f"{key} {each}" for key in faces)
            for name, faces in (
                ("these", _looking(part, "right")),
                ("those", _looking(part, "left")),
            )
            if faces
        }
        return ("surplus", found) if found else None
    if step == "set true":
        return "true", {}
    return None


def _looking(part: Part, end: str) -> list[str]:
    """Faces that look towards an end, each once."""
    faces = [one for one in operations_of(part) if one.verb == "face"]
    return [one.feature for one in faces if end in one.access.ends and len(one.access.ends) == 1]


def _of_whole(part: Part, one: Operation) -> Opened | None:
    if one.verb == "harden":
        thick = min((f.size for f in part.features if f.round_outside), default=part.across)
        return "harden", {"thick": _mm(thick)} if thick else {}
    if one.verb == "part off":
        return "part-off", {"length": _mm(part.long - part.begin)}
    pins = [f for f in part.features if f.kind == "crankpin"]
    if one.verb == "centre" and " off" in one.key and pins and part.blank.dia is not None:
        journals = [f.size for f in part.features if f.kind == "journal"]
        main = {"main": _mm(max(journals))} if journals else {}
        return "throw", {
            "throw": _mm(pins[0].throw),
            "bar": _mm(float(part.blank.dia)),
            "pin": _mm(pins[0].size),
            **main,
        }
    return None


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
    floor = {} if asked.deep is None else {"deep": _mm(float(asked.deep)), "ends": "blind"}
    if verb == "turn" and feature.kind == "taper":
        ends = sorted((feature.size, float(asked.small or 0)))
        along = feature.span[1] - feature.span[0]
        return "taper", {"large": _mm(ends[1]), "small": _mm(ends[0]), "long": _mm(along)}
    if verb == "rough" and feature.kind == "eccentric":
        bores = [f.size for f in part.features if f.kind in (*INSIDE, "reamed")]
        on = {"shaft": _mm(max(bores))} if bores else {}
        return "eccentric", {"throw": _mm(feature.throw), "sheave": size, **on}
    if verb == "drill" and feature.kind in ("drilled", "holes") and asked.screw is None:
        return "hole", {"size": size, **floor}
    if verb == "finish":
        job = "bore" if feature.kind in INSIDE else "outside"
        return "plan", {"job": job, "wanted": size, **_limits(feature)}
    if verb == "turn" and part.blank.dia is not None and feature.kind == "outside":
        dia = float(part.blank.dia)
        if dia > feature.size:
            return "plan", {"job": "outside", "now": _mm(dia), "wanted": size}
    if verb == "tap" and asked.screw is not None:
        return "tap", {"thread": asked.screw.name, **floor}
    if verb == "cut thread" and asked.screw is not None:
        long = feature.span[1] - feature.span[0]
        return "die", {"thread": asked.screw.name, "long": _mm(long)}
    if verb == "ream":
        return "hole", {"size": size, "finish": "machine-reamed", **floor}
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
