"""What every measuring instrument can do: say what it is, and read."""

from __future__ import annotations

import threading
from dataclasses import dataclass
from datetime import datetime
from typing import Protocol

from runk.core.refusals import Refused


@dataclass(frozen=True, slots=True)
class Identity:
    """What an instrument is.

    Args:
        name: As said to a person.
        kind: ``micrometer``, ``caliper``, ``indicator``, ``read-out`` or ``tachometer``.
        resolution: Smallest step it shows, in its own unit.
        unit: ``mm`` or ``rev/min``.
    """

    name: str
    kind: str
    resolution: float
    unit: str


@dataclass(frozen=True, slots=True)
class GaugeReading:
    """One reading."""

    value: float
    unit: str
    resolution: float
    at: datetime


class Gauge(Protocol):
    """An instrument. Both calls may take as long as the instrument does."""

    def identify(self) -> Identity:
        """What it is."""
        ...

    def read(self) -> GaugeReading:
        """What it shows now."""
        ...


class Silent(Refused):
    """An instrument that does not answer."""


def read_within(gauge: Gauge, seconds: float) -> GaugeReading:
    """A reading, or the word that there is none.

    Args:
        gauge: Any instrument.
        seconds: How long to wait for it.

    Raises:
        Silent: It did not answer in time, or fell over.
    """
    found: list[GaugeReading] = []

    def ask() -> None:
        try:
            found.append(gauge.read())
        except OSError:
            return

    # A daemon: an instrument that never answers must not keep the server from stopping.
    waiting = threading.Thread(target=ask, daemon=True)
    waiting.start()
    waiting.join(seconds)
    if not found:
        raise Silent(
            "The gauge does not answer. Look at its cable and battery, or type the reading.",
            field="reading",
        )
    return found[0]
