"""Piston rings: what they press, what bends them, and how they are made."""
