"""Sums that no one job owns."""
