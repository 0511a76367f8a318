"""The invented workshop and engines of the demonstration."""
