"""Text in a table that no spreadsheet may run as a formula."""

from __future__ import annotations

_FORMULA = ("=", "+", "-", "@", "\t", "\r")


def unrun(text: str) -> str:
    """A cell that a spreadsheet shows instead of running.

    >>> unrun("=1+1"), unrun("4 mm")
    ("'=1+1", '4 mm')
    """
    return f"'{text}" if text.startswith(_FORMULA) else text


def asrun(cell: str) -> str:
    """The text behind such a cell: :func:`unrun` undone.

    >>> asrun(unrun("=1+1")), asrun("'tis")
    ('=1+1', "'tis")
    """
    return cell[1:] if cell[:1] == "'" and cell[1:].startswith(_FORMULA) else cell
