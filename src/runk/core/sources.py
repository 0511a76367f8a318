"""Where a datum comes from: two separate facts, kept apart.

*Authority* is who says so (a standard, a derivation, common practice). *Held* is how
this project has the figure. ``ISO 286-2, recalled`` is a true statement; say it.
"""

from __future__ import annotations

import csv
from dataclasses import dataclass
from enum import StrEnum
from functools import cache
from importlib import resources


class Held(StrEnum):
    """How the project has a figure."""

    DERIVED = "derived"
    MEASURED = "measured"
    PACKAGE = "from a package"
    RECALLED = "recalled"
    GIVEN = "as given"


@dataclass(frozen=True, slots=True)
class Authority:
    """Who stands behind a datum: a row of ``sources.csv``."""

    key: str
    tag: str
    title: str
    note: str


@dataclass(frozen=True, slots=True)
class Source:
    """An authority and how we have its figure.

    >>> Source("kienzle", Held.RECALLED).title
    'Kienzle cutting force relation'
    """

    authority: str
    held: Held

    @property
    def title(self) -> str:
        """The authority's name in words."""
        return authorities()[self.authority].title

    @property
    def tag(self) -> str:
        """One of ``standard``, ``mechanics``, ``practice``, ``memory``, ``yours``."""
        return authorities()[self.authority].tag


def read_table(name: str) -> list[dict[str, str]]:
    """Rows of a CSV table shipped in ``core/tables``.

    Args:
        name: File name without ``.csv``.
    """
    path = resources.files("runk.core").joinpath("tables", f"{name}.csv")
    with path.open(encoding="utf-8") as handle:
        return list(csv.DictReader(handle))


@cache
def authorities() -> dict[str, Authority]:
    """Every authority by key, each named once."""
    return {row["key"]: Authority(**row) for row in read_table("sources")}


MECHANICS = Source("mechanics", Held.DERIVED)
PRACTICE = Source("practice", Held.RECALLED)
