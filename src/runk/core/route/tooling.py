"""Tools of operations, and the question of their belts."""

from __future__ import annotations

from runk.core.route.feature_question import INSIDE
from runk.core.route.part import Feature, Part


def speed(part: Part, operation: str, size: float, **more: str) -> tuple[tuple[str, str], ...]:
    """The question of a belt, as typed."""
    typed = {"operation": operation, "diameter": f"{size:.4f} mm", "metal": part.metal, **more}
    return tuple(typed.items())


_TOOLS = {
    "face": "knife tool",
    "turn": "knife tool",
    "rough": "knife tool",
    "finish": "finishing tool",
    "groove": "grooving tool",
    "chamfer": "chamfer tool",
    "knurl": "knurling tool",
    "centre": "centre drill",
    "spot": "centre drill",
    "saw": "saw",
    "bolt": "bolts",
}


def tool_of(feature: Feature, verb: str, milled: bool) -> str:
    """What does it, by its size."""
    if feature.kind in INSIDE and verb in ("rough", "finish"):
        return "boring bar"
    if verb == "drill":
        size = feature.asked.screw.name if feature.asked.screw is not None else f"{feature.size:g}"
        return f"drill for {size}"
    if verb in ("ream", "tap", "cut thread"):
        size = feature.asked.screw.name if feature.asked.screw is not None else f"{feature.size:g}"
        return f"{ {'ream': 'reamer', 'tap': 'tap', 'cut thread': 'die'}[verb] } {size}"
    if verb == "slot":
        return f"slotting tool {feature.size:g}"
    if milled and verb == "mill":
        return _cutter(feature)
    return _TOOLS[verb]


def _cutter(feature: Feature) -> str:
    if feature.kind in ("keyway", "slot"):
        return f"slot drill {float(feature.asked.wide or 0):g}"
    return "end mill"


def speed_of(part: Part, feature: Feature, verb: str, milled: bool) -> tuple[tuple[str, str], ...]:
    """The question of the belt for one verb on a feature; nothing where it is done by hand."""
    size = feature.size
    if verb in ("centre", "spot"):
        return speed(part, "centre", min(max(size / 3, 1.0), 5.0))
    if verb == "drill":
        return speed(part, "drill", _drill_mm(feature))
    if verb == "ream":
        return speed(part, "ream", size)
    if verb in ("tap", "cut thread", "slot", "saw", "bolt"):
        return ()
    if feature.kind in INSIDE:
        return speed(part, "bore", size, stage="finish" if verb == "finish" else "rough")
    if verb == "mill":
        wide = float(feature.asked.wide or 0) or 10.0
        return speed(part, "slot" if feature.kind in ("slot", "keyway") else "end-mill", wide)
    turned = size + 2 * feature.throw
    if verb == "face" or verb == "chamfer":
        at = part.outside_at(feature.span[0]) or part.across
        return speed(part, "face", at) if at else ()
    if verb in ("groove", "knurl"):
        return speed(part, verb, max(turned, 1.0))
    return speed(part, "turn", turned, stage="finish" if verb == "finish" else "rough")


def _drill_mm(feature: Feature) -> float:
    """Near enough for a belt: the very drill is the hole's own question."""
    if feature.asked.screw is not None:
        return feature.asked.screw.minor_mm
    if feature.kind in INSIDE:
        return max(min(feature.size - 1.0, 13.0), feature.size * 0.5)
    return feature.size
