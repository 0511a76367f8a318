"""One size has one rounding: figures of an answer that are the same number are shown alike."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import fields, is_dataclass, replace
from functools import cache
from typing import Any, TypeVar

from runk.core.figures import Figure

A = TypeVar("A")
_Key = tuple[str, float]
_SAME_PLACES = 7


@cache
def _names(kind: type) -> tuple[str, ...]:
    return tuple(field.name for field in fields(kind))


def _key(figure: Figure) -> _Key:
    return figure.unit.suffix, round(figure.value, _SAME_PLACES)


def _places(figure: Figure) -> int:
    return figure.unit.places if figure.places is None else figure.places


def _figures(thing: Any) -> Iterator[Figure]:
    if isinstance(thing, Figure):
        yield thing
    elif isinstance(thing, tuple):
        for one in thing:
            yield from _figures(one)
    elif is_dataclass(thing) and not isinstance(thing, type):
        for name in _names(type(thing)):
            value = getattr(thing, name)
            if isinstance(value, (Figure, tuple)) or is_dataclass(value):
                yield from _figures(value)


def one_rounding(answer: A) -> A:
    """An answer in which the same size is shown with the same places, the finest it has anywhere.

    Args:
        answer: A dataclass of figures, and of tuples of more of them; nothing else is changed.

    >>> from runk.core.figures import told
    >>> one_rounding((told(7.04, "a_mm", 2), told(7.04, "b_mm", 3)))[0].words()
    '7.040 mm'
    """
    finest: dict[_Key, int] = {}
    mixed = set[_Key]()
    for figure in _figures(answer):
        if figure.value == 0:
            continue
        key, places = _key(figure), _places(figure)
        if finest.setdefault(key, places) != places:
            finest[key] = max(finest[key], places)
            mixed.add(key)
    if not mixed:
        return answer
    finest = {key: finest[key] for key in mixed}
    changed: A = _shown_alike(answer, finest)
    return changed


def _shown_alike(thing: Any, finest: dict[_Key, int]) -> Any:
    if isinstance(thing, Figure):
        places = finest.get(_key(thing))
        return thing if places is None else replace(thing, places=places)
    if isinstance(thing, tuple):
        found = tuple(_shown_alike(one, finest) for one in thing)
        return found if any(a is not b for a, b in zip(found, thing, strict=True)) else thing
    if not is_dataclass(thing) or isinstance(thing, type):
        return thing
    changes = {}
    for name in _names(type(thing)):
        value = getattr(thing, name)
        if isinstance(value, (Figure, tuple)) or is_dataclass(value):
            alike = _shown_alike(value, finest)
            if alike is not value:
                changes[name] = alike
    return replace(thing, **changes) if changes else thing
