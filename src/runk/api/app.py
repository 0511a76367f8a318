"""The application put together."""

from __future__ import annotations

import gc
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from pathlib import Path

from fastapi import FastAPI

from runk import __version__
from runk.api import (
    calculators,
    cuts,
    engine_work,
    engines,
    guard,
    mates,
    metals,
    openapi,
    pages,
    part_begun,
    part_files,
    part_look,
    part_schools,
    parts,
    practice,
    problems,
    setout,
    sheets,
    shop,
    slate,
    tablet,
    tools,
    wanted,
)
from runk.api.ask_parts import about_parts
from runk.api.cutbook import CutBook
from runk.api.door import Door, Locked
from runk.api.place import PlaceOut
from runk.api.shelf import Shelf
from runk.ask.of_parts import asks_of_parts
from runk.core.calculator import Catalogue
from runk.core.catalogue import CATALOGUE
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.store.database import Store
from runk.store.workshop import WorkshopReader


@asynccontextmanager
async def _settled(_: FastAPI) -> AsyncIterator[None]:
    # What was made at start-up stays for good: the collector need not walk through it again
    # in the middle of an answer.
    gc.collect()
    gc.freeze()
    yield


_HOSTS = guard.LOCAL_HOSTS | {"testserver"}
"""Where nobody says who may ask: this machine, and a client within the process."""
DIST = Path(__file__).resolve().parents[3] / "web" / "dist"


def create_app(
    store: Store,
    dist: Path = DIST,
    hosts: frozenset[str] = _HOSTS,
    door: Door | None = None,
    address: str = "",
    catalogue: Catalogue = CATALOGUE,
    book: CutBook | None = None,
) -> FastAPI:
    """The whole application on one store.

    Args:
        store: Migrated already.
        dist: The built front end.
        hosts: Host names it answers to.
        door: Asks everybody for a pass-phrase; None where only this machine can come in.
        address: Where a tablet finds it.
        catalogue: The calculators there are.
        book: The cuts being followed; one of its own where none is given.
    """
    app = FastAPI(
        title="Runk", version=__version__, docs_url=None, redoc_url=None, lifespan=_settled
    )
    reader = WorkshopReader(store, WORKSHOP)
    problems.install(app)

    def elsewhere(line: str, page: PageUnit) -> PlaceOut | None:
        if not asks_of_parts(line):
            return None
        with store.reading() as session:
            return about_parts(line, Shelf(session), reader.workshop(), page)

    app.include_router(calculators.router(reader.workshop, catalogue, elsewhere))
    app.include_router(sheets.router(reader.workshop))
    app.include_router(setout.router(reader.workshop, catalogue))
    app.include_router(shop.router(store, reader))
    app.include_router(metals.router(store, reader, catalogue))
    app.include_router(tools.router(store, reader))
    app.include_router(slate.router(store, reader.workshop, catalogue))
    app.include_router(engines.router(store, reader.workshop))
    book = book or CutBook(store)
    # Before the parts: kinds and families are no part's number.
    app.include_router(part_begun.router())
    app.include_router(parts.router(store, book, reader.workshop))
    app.include_router(part_look.router(reader.workshop))
    app.include_router(part_schools.router(store, reader.workshop))
    app.include_router(engine_work.router(store, reader.workshop))
    app.include_router(wanted.router(store, reader.workshop))
    app.include_router(part_files.router(store, book, reader.workshop))
    app.include_router(practice.router(reader.workshop))
    app.include_router(cuts.router(book, reader.workshop, catalogue))
    app.include_router(mates.router(book, reader.workshop))

    @app.get("/api/alive")
    async def alive() -> dict[str, str]:
        return {"runk": __version__}

    app.include_router(tablet.router(door, address))
    pages.install(app, dist, catalogue)
    openapi.install(app, catalogue)
    if door is not None:
        app.add_middleware(Locked, door=door)
    app.add_middleware(guard.Guard, hosts=hosts)
    return app
