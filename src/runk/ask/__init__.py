"""One typed line to one calculator's question."""

from runk.ask.ask import Asked, ask

__all__ = ["Asked", "ask"]
