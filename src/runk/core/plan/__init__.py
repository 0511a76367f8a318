"""To size: the cut plan, and how it listens to what was measured."""
