"""Routes of metals: the shipped ones to read, one's own to keep."""

from __future__ import annotations

from dataclasses import dataclass

from fastapi import APIRouter
from pydantic import BaseModel

from runk.api.problems import PROBLEMS
from runk.api.wire import SourceWire
from runk.ask.lexicon import spoken_for
from runk.core.calculator import Catalogue
from runk.core.metals.metal import Metal
from runk.core.metals.own import FIGURES, OwnMetal
from runk.core.refusals import Refused
from runk.store.database import Store
from runk.store.metals import (
    KeptMetal,
    add_metal,
    bring_metal_back,
    delete_metal,
    list_metals,
    save_metal,
)
from runk.store.workshop import WorkshopReader


class OwnMetalIn(BaseModel):
    """A metal to save, and the saving it was read at."""

    metal: OwnMetal
    version: int = 0


class MetalFigureOut(BaseModel):
    """One figure of a metal, with who says so."""

    name: str
    label: str
    unit: str
    value: float
    source: SourceWire


@dataclass(frozen=True)
class MetalOut:
    """A metal to choose from; ``own`` where it is kept here, with its saving."""

    key: str
    name: str
    designation: str
    family: str
    magnet: str
    colour: str
    cast: bool
    has_skin: bool
    aliases: list[str]
    figures: list[MetalFigureOut]
    own: OwnMetal | None
    version: int


def _out(metal: Metal, kept: KeptMetal | None) -> MetalOut:
    figures = []
    for name, words in FIGURES.items():
        source = metal.source(name)
        said = SourceWire(title=source.title, tag=source.tag, held=source.held)
        figures.append(
            MetalFigureOut(
                name=name, label=words.label, unit=words.unit, value=metal[name], source=said
            )
        )
    return MetalOut(
        metal.key,
        metal.name,
        metal.designation,
        metal.family,
        metal.magnet,
        metal.colour,
        metal.cast,
        metal.skin is not None,
        list(metal.aliases),
        figures,
        kept.metal if kept else None,
        kept.version if kept else 0,
    )


def router(store: Store, reader: WorkshopReader, catalogue: Catalogue) -> APIRouter:
    """Routes of metals."""
    routes = APIRouter(prefix="/api/metals", responses=PROBLEMS)

    def free_to_say(metal: OwnMetal) -> None:
        if spoken_for(metal.name, catalogue):
            raise Refused(
                f"`{metal.name.strip()}` already says something else in the Ask line.",
                field="name",
                suggest=f"{metal.name.strip()} metal",
            )

    @routes.get("")
    def metals() -> list[MetalOut]:
        with store.reading() as session:
            kept = {k.metal.key: k for k in list_metals(session)}
        shown = [m for m in reader.workshop().metals.values() if not m.key.endswith("-skin")]
        return [_out(m, kept.get(m.key)) for m in shown]

    @routes.post("", status_code=201)
    def add(body: OwnMetalIn) -> KeptMetal:
        free_to_say(body.metal)
        with store.writing() as session:
            return add_metal(session, body.metal)

    @routes.put("/{key}")
    def save(key: str, body: OwnMetalIn) -> KeptMetal:
        free_to_say(body.metal)
        with store.writing() as session:
            return save_metal(session, key, body.version, body.metal)

    @routes.delete("/{key}", status_code=204)
    def delete(key: str) -> None:
        with store.writing() as session:
            delete_metal(session, key)

    @routes.post("/{key}/back")
    def back(key: str) -> KeptMetal:
        with store.writing() as session:
            return bring_metal_back(session, key)

    return routes
