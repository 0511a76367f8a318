"""An answer as plain numbers, text and lists: what ``runk ask --json`` prints."""

from __future__ import annotations

from dataclasses import fields, is_dataclass
from enum import Enum
from fractions import Fraction
from typing import Any

from runk.core.figures import Caution, Figure, Link
from runk.core.said import worded
from runk.core.units import PageUnit

APART = ("cautions", "links")


def plain(value: Any, page: PageUnit = PageUnit.MM) -> Any:
    """Flatten Figures to numbers and dataclasses to mappings, under the same keys.

    >>> from runk.core.units import unit_of
    >>> plain({"depth_mm": Figure(0.5, unit_of("depth_mm"))})
    {'depth_mm': 0.5}
    """
    if isinstance(value, str) and not isinstance(value, Enum):
        return worded(value, page)
    if isinstance(value, Figure):
        return value.value
    if isinstance(value, Enum):
        return value.value
    if isinstance(value, Fraction):
        return float(value)
    if isinstance(value, Caution):
        return f"{value.word} {value.about}: {worded(value.says, page)}"
    if isinstance(value, Link):
        return {
            "calculator": value.calculator,
            "question": dict(value.question),
            "reason": worded(value.reason, page),
        }
    if callable(once := getattr(value, "plainly", None)) and not isinstance(value, type):
        return once()
    if is_dataclass(value) and not isinstance(value, type):
        return {f.name: plain(getattr(value, f.name), page) for f in fields(value)}
    if isinstance(value, dict):
        return {key: plain(v, page) for key, v in value.items()}
    if isinstance(value, (list, tuple)):
        return [plain(v, page) for v in value]
    return value


def figures_of(value: Any, page: PageUnit = PageUnit.MM, path: str = "") -> dict[str, Any]:
    """Every Figure of an answer by where it stands: its value, its unit, and as it is shown.

    Args:
        value: An answer, or anything in one.
        page: The unit it is shown in.
        path: Where it stands, such as ``passes[2].leaves_mm``.

    >>> from runk.core.units import unit_of
    >>> figures_of({"rows": [{"deep_mm": Figure(0.5, unit_of("deep_mm"))}]})
    {'rows[0].deep_mm': {'value': 0.5, 'unit': 'mm', 'shown': '0.50 mm'}}
    """
    if isinstance(value, Figure):
        told = {"value": value.value, "unit": value.unit.shown, "shown": value.words(page)}
        return {path: told}
    if is_dataclass(value) and not isinstance(value, type):
        value = {f.name: getattr(value, f.name) for f in fields(value)}
    inner: list[tuple[str, Any]] = []
    if isinstance(value, dict):
        inner = [(f"{path}.{key}".lstrip("."), one) for key, one in value.items()]
    elif isinstance(value, (list, tuple)):
        inner = [(f"{path}[{n}]", one) for n, one in enumerate(value)]
    return {k: told for at, one in inner for k, told in figures_of(one, page, at).items()}
