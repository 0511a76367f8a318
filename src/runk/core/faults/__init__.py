"""The fault finder: from a sign seen to the one thing to change first."""
