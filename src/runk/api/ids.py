"""What stands in an address: row numbers both SQLite and a browser can hold, and a page's unit."""

from __future__ import annotations

from typing import Annotated

from annotated_types import Ge, Le
from fastapi import Query

from runk.core.units import PageUnit

RowId = Annotated[int, Ge(1), Le(2**53 - 1)]
Unit = Annotated[PageUnit, Query()]
