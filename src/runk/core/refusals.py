"""The one way the core says no: a sentence a person can act on."""

from __future__ import annotations

from runk.core.said import worded
from runk.core.units import PageUnit


class Refused(ValueError):  # noqa: N818 - a refusal is an answer, not a fault
    """Impossible work or an entry that cannot be read.

    Args:
        says: What is wrong, in plain words; lengths stand in it as :mod:`runk.core.said` has them.
        field: The question's field it belongs to, or None for the whole question.
        suggest: What to type or do instead, or None.

    >>> str(Refused("There is no number drill 0.", field="diameter", suggest="#1"))
    'There is no number drill 0.'
    """

    def __init__(self, says: str, *, field: str | None = None, suggest: str | None = None) -> None:
        super().__init__(says)
        self.template = says
        self.field = field
        self.template_suggest = suggest

    def __str__(self) -> str:
        return self.says

    @property
    def says(self) -> str:
        """The sentence on a millimetre page."""
        return self.said(PageUnit.MM)

    @property
    def suggest(self) -> str | None:
        """What to do instead, on a millimetre page."""
        return self.suggested(PageUnit.MM)

    def said(self, page: PageUnit) -> str:
        """The sentence, as the page speaks."""
        return worded(self.template, page)

    def suggested(self, page: PageUnit) -> str | None:
        """What to type or do instead, as the page speaks."""
        return None if self.template_suggest is None else worded(self.template_suggest, page)

    def on(self, field: str) -> Refused:
        """The same refusal, tied to a field unless it already names one."""
        return Refused(self.template, field=self.field or field, suggest=self.template_suggest)
