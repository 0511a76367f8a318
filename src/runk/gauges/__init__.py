"""Measuring instruments: one small protocol, and stand-ins on a simulated lathe."""

from runk.gauges.protocol import Gauge, GaugeReading, Identity, Silent, read_within

__all__ = ["Gauge", "GaugeReading", "Identity", "Silent", "read_within"]
