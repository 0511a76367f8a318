"""Published data that comes with packages: read from their files, nothing of them is run."""

from __future__ import annotations

import csv
import gzip
import json
import re
from dataclasses import dataclass
from functools import cache
from importlib import metadata
from pathlib import Path


def file_of(package: str, end: str) -> Path:
    """A file installed by a package."""
    files = metadata.files(package) or []
    return Path(str(next(f for f in files if str(f).endswith(end)).locate()))


def rows(package: str, end: str) -> list[dict[str, str]]:
    """Rows of a CSV file a package ships."""
    with file_of(package, end).open(encoding="utf-8-sig", newline="") as handle:
        return list(csv.DictReader(handle))


@cache
def _elements() -> dict[str, dict[str, float]]:
    packed = file_of("pymatgen-core", "periodic_table.json.gz").read_bytes()
    table: dict[str, dict[str, float]] = json.loads(gzip.decompress(packed))
    return table


@dataclass(frozen=True)
class Element:
    """An element's figures: g/cm³, 1e-6/K, GPa, Poisson's ratio."""

    density: float
    expansion: float
    young: float
    poisson: float


def element(symbol: str) -> Element:
    """An element from the periodic table that pymatgen-core ships."""
    row = _elements()[symbol]
    return Element(
        row["Density of solid"] / 1000,
        row["Coefficient of linear thermal expansion"] * 1e6,
        row["Youngs modulus"],
        row.get("Poissons ratio") or 0.3,
    )


def building_density(name: str) -> float:
    """Density in g/cm³ from the EN 12524 / ISO 10456 list that ht ships."""
    text = file_of("ht", "insulation.py").read_text(encoding="utf-8")
    found = re.search(rf'"Metals, {re.escape(name)}": \(([\d.]+),', text)
    assert found is not None, name
    return float(found[1]) / 1000
