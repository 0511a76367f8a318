"""Fits: limits by standard, by class of the workshop, by what the parts have to do."""
