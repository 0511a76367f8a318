"""A list of parts as CSV: one line a part, its features parted by semicolons."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterator
from typing import Any

from runk.core.refusals import Refused
from runk.formats.spreadsheet import asrun

COLUMNS = ("name", "metal", "blank", "features")
MOST_LINES = 500


def parts_from_csv(text: str, engine: str) -> dict[str, Any]:
    """A document of parts from a list.

    A line with no features is a part that is only named yet.

    Args:
        text: With a heading line of ``name``, ``metal``, ``blank``, ``features``; the name alone
            is enough.
        engine: Name of the engine.

    Raises:
        Refused: There is no heading with a name, or too many lines.

    >>> document = parts_from_csv("name,metal\\nRod,brass\\n", "Trial")
    >>> document["parts"][0]["name"], document["parts"][0]["metal"]
    ('Rod', 'brass')
    """
    # However its lines end: a field with a line of its own in it keeps a plain one.
    lines = text.lstrip("\ufeff").replace("\r\n", "\n").replace("\r", "\n")
    try:
        parts = list(_parts(csv.DictReader(io.StringIO(lines))))
    except csv.Error as failed:
        raise Refused(f"The list cannot be read: {failed}.", field="file") from None
    if not parts:
        raise Refused("The list holds no parts.", field="file")
    return {"engine": engine, "parts": parts}


def _parts(reader: csv.DictReader[str]) -> Iterator[dict[str, Any]]:
    heads = [(name or "").strip().lower() for name in reader.fieldnames or ()]
    if "name" not in heads:
        raise Refused(
            "The first line of the list has no column called name.",
            field="file",
            suggest=",".join(COLUMNS),
        )
    for n, line in enumerate(reader):
        if n >= MOST_LINES:
            raise Refused(f"More than {MOST_LINES} parts in one list.", field="file")
        row = {
            head: asrun((value or "").strip())
            for head, value in zip(heads, line.values(), strict=False)
            if isinstance(value, str | None)
        }
        if row.get("name"):
            yield _part(row)


def _part(row: dict[str, str]) -> dict[str, Any]:
    return {
        "name": row["name"],
        "metal": row.get("metal", ""),
        "blank": row.get("blank", ""),
        "features": [one.strip() for one in row.get("features", "").split(";") if one.strip()],
    }
