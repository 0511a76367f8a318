"""The trade itself: frozen dataclasses and pure functions, no input or output."""
