"""Stand-in instruments on a simulated lathe: they err as real ones do."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from datetime import UTC, datetime

from runk.gauges.lathe import SimulatedLathe
from runk.gauges.protocol import GaugeReading, Identity

Clock = Callable[[], datetime]


def _utc() -> datetime:
    return datetime.now(UTC)


def _step(value: float, resolution: float) -> float:
    return round(round(value / resolution) * resolution, 9)


@dataclass(frozen=True, slots=True)
class _OnWork:
    """An instrument that measures the work itself, with the feel of a hand."""

    lathe: SimulatedLathe
    clock: Clock = _utc

    def identify(self) -> Identity:
        """What it is."""
        raise NotImplementedError

    def read(self) -> GaugeReading:
        """The size as felt, on the steps the instrument has."""
        me = self.identify()
        felt = self.lathe.size_mm + self.lathe.random.gauss(0, 0.3 * me.resolution)
        return GaugeReading(_step(felt, me.resolution), me.unit, me.resolution, self.clock())


class Micrometer(_OnWork):
    """Reads to a hundredth."""

    def identify(self) -> Identity:
        """What it is."""
        return Identity("Simulated micrometer", "micrometer", 0.01, "mm")


class Caliper(_OnWork):
    """Reads to two hundredths."""

    def identify(self) -> Identity:
        """What it is."""
        return Identity("Simulated caliper", "caliper", 0.02, "mm")


@dataclass(frozen=True, slots=True)
class Indicator:
    """A dial indicator set to nought at some size: shows how far the work is from it."""

    lathe: SimulatedLathe
    nought_mm: float
    clock: Clock = _utc

    def identify(self) -> Identity:
        """What it is."""
        return Identity("Simulated dial indicator", "indicator", 0.01, "mm")

    def read(self) -> GaugeReading:
        """Half the difference on a diameter: an indicator feels one side."""
        off = (self.lathe.size_mm - self.nought_mm) / self.lathe.spec.across
        return GaugeReading(_step(off, 0.01), "mm", 0.01, self.clock())


@dataclass(frozen=True, slots=True)
class ReadOut:
    """A slide's read-out: where the tool is, which is not where the work is."""

    lathe: SimulatedLathe
    clock: Clock = _utc

    def identify(self) -> Identity:
        """What it is."""
        return Identity("Simulated slide read-out", "read-out", 0.005, "mm")

    def read(self) -> GaugeReading:
        """The size the tool would make if nothing sprang."""
        size = self.lathe.spec.size(self.lathe._tool_left_mm)
        return GaugeReading(_step(size, 0.005), "mm", 0.005, self.clock())


@dataclass(frozen=True, slots=True)
class Tachometer:
    """Counts the spindle; under load a belt slips a little."""

    lathe: SimulatedLathe
    set_rpm: float
    clock: Clock = _utc

    def identify(self) -> Identity:
        """What it is."""
        return Identity("Simulated tachometer", "tachometer", 1.0, "rev/min")

    def read(self) -> GaugeReading:
        """Revolutions a minute, a belt's slip under what the pulleys say."""
        slip = self.lathe.random.uniform(0.0, 0.02)
        return GaugeReading(_step(self.set_rpm * (1 - slip), 1.0), "rev/min", 1.0, self.clock())
