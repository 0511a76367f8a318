"""Routes of the workshop's machines."""

from __future__ import annotations

from dataclasses import dataclass, replace

from fastapi import APIRouter, Request
from pydantic import BaseModel

from runk.api.problems import PROBLEMS
from runk.core.machines.machine import Machine, Range, SpeedStep
from runk.core.machines.plate import MACHINE, built
from runk.core.machines.pulleys import PulleyPair, plate_disagrees, pulley_pairs
from runk.core.questions import read_question
from runk.core.units import PageUnit
from runk.store.database import Store
from runk.store.machines import (
    KeptMachine,
    add_machine,
    bring_back,
    delete_machine,
    list_machines,
    save_machine,
)
from runk.store.workshop import WorkshopReader


class MachineIn(BaseModel):
    """A machine to save, and the saving it was read at."""

    machine: Machine
    version: int = 0


class PlateIn(BaseModel):
    """A machine's sentence as typed."""

    question: dict[str, str]
    unit: PageUnit = PageUnit.MM


@dataclass(frozen=True)
class MachineOut:
    """A machine as kept, with its speeds as the spindle really turns and what looks wrong."""

    version: int
    machine: Machine
    real: list[SpeedStep]
    real_ranges: list[Range]
    doubts: list[str]
    pulleys: list[PulleyPair]


@dataclass(frozen=True)
class ShopOut:
    """Every machine; ``stand_in`` while these are the invented workshop's."""

    stand_in: bool
    machines: list[MachineOut]


def _out(kept: KeptMachine) -> MachineOut:
    machine = kept.machine
    ratio = machine.frequency_ratio
    real = [SpeedStep(s.mark, s.gear, s.rpm) for s in machine.ladder]
    ranges = [
        replace(r, low_rpm=r.low_rpm * ratio, high_rpm=r.high_rpm * ratio) for r in machine.ranges
    ]
    return MachineOut(
        kept.version,
        machine,
        real,
        ranges,
        list(plate_disagrees(machine)),
        list(pulley_pairs(machine)),
    )


def router(store: Store, reader: WorkshopReader) -> APIRouter:
    """Routes of machines."""
    routes = APIRouter(prefix="/api", responses=PROBLEMS)

    @routes.get("/machines")
    def machines() -> ShopOut:
        with store.reading() as session:
            kept = list_machines(session)
        if kept:
            return ShopOut(False, [_out(k) for k in kept])
        return ShopOut(True, [_out(KeptMachine(0, m)) for m in reader.workshop().machines])

    @routes.post("/machines", status_code=201)
    def add(body: MachineIn) -> MachineOut:
        with store.writing() as session:
            return _out(add_machine(session, body.machine))

    @routes.post("/machines/from-plate", status_code=201)
    def add_from_plate(body: PlateIn, request: Request) -> MachineOut:
        """Keep a machine as its sentence has it; the server reads the sentence again."""
        request.state.page = body.unit
        typed = {k: v for k, v in body.question.items() if k in MACHINE.fields}
        read = read_question(MACHINE, typed, body.unit, reader.workshop())
        with store.writing() as session:
            names = tuple(kept.machine.name for kept in list_machines(session))
            return _out(add_machine(session, built(read.question, names)))

    @routes.put("/machines/{key}")
    def save(key: str, body: MachineIn) -> MachineOut:
        with store.writing() as session:
            return _out(save_machine(session, key, body.version, body.machine))

    @routes.delete("/machines/{key}", status_code=204)
    def delete(key: str) -> None:
        with store.writing() as session:
            delete_machine(session, key)

    @routes.post("/machines/{key}/back")
    def back(key: str) -> MachineOut:
        with store.writing() as session:
            return _out(bring_back(session, key))

    return routes
