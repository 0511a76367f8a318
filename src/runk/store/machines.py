"""Machines kept: saved whole or not at all, with a version against stale tabs."""

from __future__ import annotations

from dataclasses import asdict, dataclass, fields, replace

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from runk.core.machines.machine import (
    Dial,
    Drive,
    Holding,
    Limit,
    Machine,
    MachineKind,
    Range,
    SpeedStep,
    check_machine,
)
from runk.core.refusals import Refused
from runk.store.database import now
from runk.store.kept import Stale, free_key
from runk.store.models import DialRow, LimitRow, MachineRow, RangeRow, StepRow

_PARTS = ("steps", "ranges", "limits", "dials")
_PLAIN = tuple(f.name for f in fields(Machine) if f.name not in _PARTS)


@dataclass(frozen=True, slots=True)
class KeptMachine:
    """A machine and which saving of it this is."""

    version: int
    machine: Machine


def _machine(row: MachineRow) -> Machine:
    return Machine(
        **{name: getattr(row, name) for name in _PLAIN if name not in ("kind", "drive")},
        kind=MachineKind(row.kind),
        drive=Drive(row.drive),
        steps=tuple(
            SpeedStep(s.position, s.gear, s.rpm, s.driver_mm, s.driven_mm) for s in row.steps
        ),
        ranges=tuple(Range(r.gear, r.low_rpm, r.high_rpm) for r in row.ranges),
        limits=tuple(Limit(Holding(x.holding), x.max_rpm) for x in row.limits),
        dials=tuple(
            Dial(d.slide, d.unit, d.division, d.per_turn, d.reads, d.backlash) for d in row.dials
        ),
    )


def _fill(row: MachineRow, machine: Machine) -> None:
    for name in _PLAIN:
        if name != "key":
            setattr(row, name, getattr(machine, name))
    row.steps = [StepRow(**asdict(s)) for s in machine.steps]
    row.ranges = [RangeRow(**asdict(r)) for r in machine.ranges]
    row.limits = [LimitRow(**asdict(x)) for x in machine.limits]
    row.dials = [DialRow(**asdict(d)) for d in machine.dials]


def list_machines(session: Session) -> list[KeptMachine]:
    """Every machine not deleted, in the owner's order."""
    rows = session.scalars(
        select(MachineRow).where(MachineRow.deleted_at.is_(None)).order_by(MachineRow.place)
    )
    return [KeptMachine(r.version, _machine(r)) for r in rows]


def _row(session: Session, key: str, *, deleted: bool = False) -> MachineRow:
    row = session.scalar(select(MachineRow).where(MachineRow.key == key))
    if row is None or (row.deleted_at is not None and not deleted):
        raise Refused("That machine is no longer in the workshop.", field="key")
    return row


def _check_name(session: Session, machine: Machine, key: str) -> None:
    for kept in list_machines(session):
        same = kept.machine.name.strip().lower() == machine.name.strip().lower()
        if same and kept.machine.key != key:
            raise Refused(
                f"There is a machine called {machine.name} already.",
                field="name",
                suggest=f"{machine.name} 2",
            )


def add_machine(session: Session, machine: Machine) -> KeptMachine:
    """Keep a new machine; its key comes from its name.

    Raises:
        Refused: A machine that could not be one, or a name that is taken.
    """
    machine = replace(machine, name=machine.name.strip())
    check_machine(machine)
    _check_name(session, machine, "")
    last = session.scalar(select(func.max(MachineRow.place))) or 0
    row = MachineRow(key=free_key(session, MachineRow.key, machine.name), version=1, place=last + 1)
    _fill(row, machine)
    session.add(row)
    session.flush()
    return KeptMachine(1, _machine(row))


def save_machine(session: Session, key: str, version: int, machine: Machine) -> KeptMachine:
    """Save a changed machine, whole.

    Args:
        version: The saving it was read at.

    Raises:
        Refused: It could not be a machine, or is gone.
        Stale: It was saved elsewhere since.
    """
    machine = replace(machine, name=machine.name.strip())
    check_machine(machine)
    row = _row(session, key)
    if row.version != version:
        raise Stale("machine", KeptMachine(row.version, _machine(row)))
    _check_name(session, machine, key)
    # The old rows go first, or a position moved to another speed would seem to be there twice.
    for part in _PARTS:
        getattr(row, part).clear()
    session.flush()
    _fill(row, machine)
    row.version += 1
    session.flush()
    return KeptMachine(row.version, _machine(row))


def delete_machine(session: Session, key: str) -> None:
    """Take a machine out of the workshop; :func:`bring_back` undoes it."""
    _row(session, key).deleted_at = now()


def bring_back(session: Session, key: str) -> KeptMachine:
    """Undo a deletion."""
    row = _row(session, key, deleted=True)
    _check_name(session, _machine(row), key)
    row.deleted_at = None
    return KeptMachine(row.version, _machine(row))
