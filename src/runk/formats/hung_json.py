"""What hangs on an engine's parts, as it stands in its file: answers kept, cuts, mates."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import datetime
from typing import Annotated, Any

from pydantic import BaseModel, ConfigDict, Field, TypeAdapter, ValidationError

from runk.core.fits.follow import Side
from runk.core.plan.events import EventKind
from runk.core.plan.settle import Said
from runk.core.plan.spec import CutSpec
from runk.core.refusals import Refused
from runk.core.units import PageUnit

MOST_KEPT, MOST_CUTS, MOST_MATES = 2000, 500, 500
MOST_EVENTS = 5000
_Words = Annotated[str, Field(max_length=2000)]
_Name = Annotated[str, Field(max_length=120)]
_Typed = dict[Annotated[str, Field(max_length=60)], str | float | int | None]
_Finite = Annotated[float, Field(allow_inf_nan=False)]


class _Row(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=False, allow_inf_nan=False)


class _Hung(_Row):
    """What it hangs on, and what was asked."""

    part: _Name
    feature: str = Field(default="", max_length=60)
    version: int = Field(ge=1, le=1000)
    unit: PageUnit
    question: _Typed = Field(max_length=100)
    title: _Words


class Kept(_Hung):
    """An answer kept: the answer itself is worked out again from its question."""

    calculator: str = Field(max_length=40)
    headline: _Words
    note: _Words = ""
    ticked: bool = False
    kept_at: datetime


class _Happened(_Row):
    kind: EventKind
    warm_deg: _Finite | None = None
    undoes: int | None = Field(default=None, ge=1, le=MOST_EVENTS)
    """Which of the events before it, counted from 1."""
    at: datetime


class CutHappened(_Happened):
    """Something that happened to a cut."""

    sizes_mm: list[_Finite] = Field(default=[], max_length=50)
    wound: _Finite | None = None


class MateHappened(_Happened):
    """Something that was read of a mate."""

    side: Side
    stations: list[tuple[_Name, list[Annotated[str, Field(max_length=40)]]]] = Field(
        default=[], max_length=100
    )


class CutKept(_Hung):
    """A cut being brought to size."""

    spec: CutSpec
    said: Said
    seed: int | None = None
    mate: int | None = Field(default=None, ge=1, le=MOST_MATES)
    """Which of the file's mates it is made for, counted from 1."""
    started_at: datetime
    events: list[CutHappened] = Field(default=[], max_length=MOST_EVENTS)


class MateKept(_Hung):
    """A part that is there and the mate made to it."""

    started_at: datetime
    events: list[MateHappened] = Field(default=[], max_length=500)


LISTS: dict[str, tuple[TypeAdapter[Any], int]] = {
    "slate": (TypeAdapter(list[Kept]), MOST_KEPT),
    "mates": (TypeAdapter(list[MateKept]), MOST_MATES),
    "cuts": (TypeAdapter(list[CutKept]), MOST_CUTS),
}
"""Every list of a file that hangs on its parts, mates before the cuts that are made for them."""


def hung_of(document: Mapping[str, Any], names: set[str]) -> dict[str, list[dict[str, Any]]]:
    """What hangs on the parts of a file, as plain data in good order.

    Args:
        document: The file, as JSON gives it.
        names: Of its parts, in small letters.

    Raises:
        Refused: A list is too long, something of it is of another shape, or it hangs on nothing.

    >>> hung_of({}, set())
    {'slate': [], 'mates': [], 'cuts': []}
    >>> hung_of({"cuts": [{"part": "pin"}]}, {"pin"})
    Traceback (most recent call last):
    ...
    runk.core.refusals.Refused: The file's cuts, row 1: version: field required.
    """
    found: dict[str, list[dict[str, Any]]] = {}
    for name, (adapter, most) in LISTS.items():
        rows = document.get(name, [])
        if isinstance(rows, list) and len(rows) > most:
            raise Refused(f"{len(rows)} {name} in one file: {most} are the most.", field=name)
        try:
            read = adapter.validate_python(rows)
        except ValidationError as error:
            raise Refused(f"The file's {name}, {_first(error)}.", field=name) from None
        found[name] = [one.model_dump() for one in read]
        for n, row in enumerate(found[name], 1):
            _see(name, n, row, names, len(found.get("mates", ())))
    return found


def _first(error: ValidationError) -> str:
    first = error.errors()[0]
    row, *where = first["loc"] or (0,)
    at = f"row {row + 1}" if isinstance(row, int) else str(row)
    inside = ".".join(str(x) for x in where)
    return f"{at}: {f'{inside}: ' if inside else ''}{first['msg'].lower().rstrip('.')}"


def _see(name: str, n: int, row: Mapping[str, Any], names: set[str], mates: int) -> None:
    """See that a row hangs on a part of the file, and that its events undo what was before them."""
    if row["part"].casefold() not in names:
        raise Refused(f"{name} {n}: there is no part {row['part'][:60]} in it.", field=name)
    if (row.get("mate") or 0) > mates:
        raise Refused(f"cuts {n}: the file has {mates} mates.", field=name)
    for at, event in enumerate(row.get("events", ()), 1):
        if (event["kind"] is EventKind.UNDO) is (event["undoes"] is None):
            raise Refused(f"{name} {n}: an undo, and it alone, says what it undoes.", field=name)
        if (event["undoes"] or 0) >= at:
            raise Refused(f"{name} {n}: event {at} undoes what comes after it.", field=name)
