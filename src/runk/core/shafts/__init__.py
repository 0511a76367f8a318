"""Crankshafts, eccentrics and what is cut into a shaft."""
