"""How an answer is told: each of its fields has a name in the trade's words and a rank.

An answer's dataclass is described as its question is: ``Annotated[Figure, Show("Wall to the
bore")]``. The room, the shell, the sheets and the wire types are drawn from that.
"""

from __future__ import annotations

import types
import typing
from collections.abc import Iterator
from dataclasses import dataclass, fields, is_dataclass
from enum import StrEnum
from typing import Any

from runk.core.figures import Figure


class Rank(StrEnum):
    """How much of the page a field is given."""

    BIG = "big"
    """On the plate: the first of them is the largest thing on the page."""
    SAYS = "says"
    """On the plate, in words."""
    ROW = "row"
    """A line under it."""
    FOLDED = "folded"
    """Behind the working: rarely wanted."""


@dataclass(frozen=True, slots=True)
class Show:
    """One field of an answer as it is shown.

    Args:
        label: Its name, as the trade says it.
        rank: How much of the page it gets.
        under: Name of the field whose words stand under it.
        drawn: Shown by the calculator's own drawing or plate, so that the room need not repeat
            it; the shell still prints it.
    """

    label: str
    rank: Rank = Rank.ROW
    under: str = ""
    drawn: bool = False


@dataclass(frozen=True, slots=True)
class Table:
    """A list of rows, each a dataclass whose own fields are described.

    Args:
        label: What the rows are.
        drawn: Shown by the calculator's own drawing or plate.
        rank: ``big`` stands straight under the plate: it answers what was typed.
    """

    label: str
    drawn: bool = False
    rank: Rank = Rank.ROW


@dataclass(frozen=True, slots=True)
class Column:
    """A described field: of an answer, or of a row of a table."""

    name: str
    show: Show | Table
    kind: str
    """``figure``, ``text``, ``count``, ``flag``, ``texts``, ``table`` or ``answer``."""
    columns: tuple[Column, ...] = ()


def _bare(hint: Any) -> Any:
    """A type without its annotation and without None."""
    while typing.get_origin(hint) is typing.Annotated:
        hint = typing.get_args(hint)[0]
    if typing.get_origin(hint) in (types.UnionType, typing.Union):
        return _bare(next(a for a in typing.get_args(hint) if a is not type(None)))
    return hint


def _kind(hint: Any) -> tuple[str, Any]:
    bare = _bare(hint)
    if bare is Figure:
        return "figure", None
    if typing.get_origin(bare) is tuple:
        inner = _bare(typing.get_args(bare)[0])
        return ("table", inner) if is_dataclass(inner) else ("texts", None)
    if is_dataclass(bare):
        return "answer", bare
    if bare is bool:
        return "flag", None
    return ("count" if bare in (int, float) else "text"), None


_KNOWN: dict[type[Any], tuple[Column, ...]] = {}


def _described(answer: type[Any]) -> tuple[Column, ...]:
    hints = typing.get_type_hints(answer, include_extras=True)
    found: list[Column] = []
    for one in fields(answer):
        hint = hints[one.name]
        show = next((s for s in _shows(hint)), None)
        kind, inner = _kind(hint)
        if show is None:
            if kind in ("figure", "table") and one.name not in ("cautions", "links"):
                raise TypeError(f"{answer.__name__}.{one.name} is described nowhere")
            continue
        columns = described(inner) if inner is not None and inner is not answer else ()
        found.append(Column(one.name, show, kind, columns))
    return tuple(found)


def described(answer: type[Any]) -> tuple[Column, ...]:
    """The described fields of an answer or of a row, in order.

    Args:
        answer: A dataclass whose fields carry :class:`Show` or :class:`Table`.

    Raises:
        TypeError: A figure nobody described: it would be shown nowhere.
    """
    known = _KNOWN.get(answer)
    if known is None:
        known = _KNOWN[answer] = _described(answer)
    return known


def _shows(hint: Any) -> Iterator[Show | Table]:
    if typing.get_origin(hint) is typing.Annotated:
        for extra in typing.get_args(hint)[1:]:
            if isinstance(extra, (Show, Table)):
                yield extra
    elif typing.get_origin(hint) in (types.UnionType, typing.Union):
        for arg in typing.get_args(hint):
            yield from _shows(arg)
