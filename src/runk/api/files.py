"""Answers that are files to keep."""

from __future__ import annotations

from collections.abc import Mapping

from fastapi import Response

from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.formats.paper import Paper


def as_file(body: bytes, kind: str, name: str) -> Response:
    """A response the browser saves under a name."""
    return Response(
        body,
        media_type=kind,
        headers={
            "content-disposition": f'attachment; filename="{name}"',
            "cache-control": "no-store",
        },
    )


def known_only(given: Mapping[str, str], known: set[str], what: str) -> None:
    """Refuse an address that asks for something there is not.

    Raises:
        Refused: Naming it.
    """
    if unknown := sorted(set(given) - known):
        raise Refused(f"{what} has no field called {unknown[0][:40]}.", field=unknown[0][:40])


def page_in(given: Mapping[str, str]) -> PageUnit:
    """What a bare number means in an address.

    Raises:
        Refused: It says something else than mm or inch.
    """
    page = given.get("unit", "mm")
    if page not in tuple(PageUnit):
        raise Refused("A bare number is in mm or inch.", field="unit", suggest="mm")
    return PageUnit(page)


def paper_in(given: Mapping[str, str]) -> Paper:
    """The paper an address asks for.

    Raises:
        Refused: Another than there is.
    """
    paper = given.get("paper", "a4")
    if paper not in tuple(Paper):
        raise Refused("It prints on A4 or letter.", field="paper", suggest="a4")
    return Paper(paper)
