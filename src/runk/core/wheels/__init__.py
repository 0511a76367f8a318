"""Change wheels: trains for a pitch, from the wheels that are owned."""
