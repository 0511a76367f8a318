"""Many calculators: what another forty cost at the start and in an Ask line."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from runk.core.calculator import Catalogue, Door
from runk.core.catalogue import CATALOGUE


def with_more(count: int) -> Catalogue:
    """The catalogue with so many made-up calculators beside the real ones.

    Each is a real one under another name, with words of its own.
    """
    more: list[Any] = []
    real = list(CATALOGUE.values())
    for number in range(count):
        one = real[number % len(real)]
        more.append(
            replace(
                one,
                name=f"{one.name}-{number}",
                door=Door(f"/made-up/{number}", "Made up", str(number)),
                calls=(f"madeup{number}", f"other{number} #"),
                nouns=(),
                ruled=False,
                alone="",
            )
        )
    return Catalogue((*real, *more))
