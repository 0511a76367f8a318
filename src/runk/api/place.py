"""An answer of the Ask line that is no calculator's."""

from __future__ import annotations

from pydantic import BaseModel


class PlaceOut(BaseModel):
    """What it says, and where in the house it is found."""

    path: str
    read_as: str
    headline: str
    says: list[str]
