"""Holes with the drills, reamers and cutters this workshop owns."""
