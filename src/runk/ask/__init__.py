"""One typed line to one calculator's question: each calculator reads it, the best is taken."""

from runk.ask.ask import Asked, Other, ask

__all__ = ["Asked", "Other", "ask"]
