"""The one way the core says no: a sentence a person can act on."""

from __future__ import annotations


class Refused(ValueError):  # noqa: N818 - a refusal is an answer, not a fault
    """Impossible work or an entry that cannot be read.

    Args:
        says: What is wrong, in plain words.
        field: The question's field it belongs to, or None for the whole question.
        suggest: What to type or do instead, or None.

    >>> str(Refused("There is no number drill 0.", field="diameter", suggest="#1"))
    'There is no number drill 0.'
    """

    def __init__(self, says: str, *, field: str | None = None, suggest: str | None = None) -> None:
        super().__init__(says)
        self.says = says
        self.field = field
        self.suggest = suggest

    def on(self, field: str) -> Refused:
        """The same refusal, tied to a field unless it already names one."""
        return Refused(self.says, field=self.field or field, suggest=self.suggest)
