"""Runk: what to set on the machine, worked out in the trade's own numbers."""

__version__ = "0.1.0"
