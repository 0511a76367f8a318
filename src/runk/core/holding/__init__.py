"""Holding work, reading castings over, hardening what is done."""
