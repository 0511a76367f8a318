"""One typed line to one calculator's question: each calculator reads it, the best is taken."""

from runk.ask.ask import ask
from runk.ask.asked import Asked, Other

__all__ = ["Asked", "Other", "ask"]
