"""Row numbers as they may come over the wire: what SQLite and a browser can both hold."""

from __future__ import annotations

from typing import Annotated

from annotated_types import Ge, Le

RowId = Annotated[int, Ge(1), Le(2**53 - 1)]
