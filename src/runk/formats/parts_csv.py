"""A list of parts as CSV: one line a part, its features parted by semicolons."""

from __future__ import annotations

import csv
import io
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
    reader = csv.DictReader(io.StringIO(text.lstrip("\ufeff")))
    heads = [(name or "").strip().lower() for name in reader.fieldnames or ()]
    if "name" not in heads:
        raise Refused(
            "The first line of the list has no column called name.",
            field="file",
            suggest=",".join(COLUMNS),
        )
    parts: list[dict[str, Any]] = []
    try:
        for line in reader:
            if len(parts) >= MOST_LINES:
                raise Refused(f"More than {MOST_LINES} parts in one list.", field="file")
            row = {
                head: asrun((value or "").strip())
                for head, value in zip(heads, line.values(), strict=False)
                if isinstance(value, str | None)
            }
            if row.get("name"):
                parts.append(_part(row))
    except csv.Error as failed:
        raise Refused(f"The list cannot be read: {failed}.", field="file") from None
    if not parts:
        raise Refused("The list holds no parts.", field="file")
    return {"engine": engine, "parts": parts}


def _part(row: dict[str, str]) -> dict[str, Any]:
    return {
        "name": row["name"],
        "metal": row.get("metal", ""),
        "blank": row.get("blank", ""),
        "features": [one.strip() for one in row.get("features", "").split(";") if one.strip()],
    }
