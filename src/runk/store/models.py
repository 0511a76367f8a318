"""The tables. An engine and a part exist from the start: everything kept can hang on one."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import JSON, CheckConstraint, ForeignKey, Index, String, UniqueConstraint
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column, relationship


def _of_part() -> Mapped[int | None]:
    return mapped_column(ForeignKey("part.id", ondelete="SET NULL"))


def _of_feature() -> Mapped[str]:
    return mapped_column(String(60), default="", server_default="")


class Base(DeclarativeBase):
    """Common base of every table."""


class EngineRow(Base):
    """An engine being built."""

    __tablename__ = "engine"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str] = mapped_column(String(120))
    note: Mapped[str] = mapped_column(default="")
    deleted_at: Mapped[datetime | None]
    parts: Mapped[list[PartRow]] = relationship(back_populates="engine", order_by="PartRow.id")


class PartRow(Base):
    """A part of an engine, or of none.

    ``drawn`` is what it is, as typed; ``route`` how it is made; ``done`` which lines are ticked;
    ``measured`` what its features read, as typed.
    """

    __tablename__ = "part"

    id: Mapped[int] = mapped_column(primary_key=True)
    engine_id: Mapped[int | None] = mapped_column(ForeignKey("engine.id", ondelete="SET NULL"))
    name: Mapped[str] = mapped_column(String(120))
    metal: Mapped[str] = mapped_column(String(60), default="")
    drawn: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    route: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    done: Mapped[list[str] | None] = mapped_column(JSON)
    measured: Mapped[dict[str, str] | None] = mapped_column(JSON)
    version: Mapped[int] = mapped_column(default=1, server_default="1")
    deleted_at: Mapped[datetime | None]
    engine: Mapped[EngineRow | None] = relationship(back_populates="parts")


class GoesWithRow(Base):
    """Two features of two parts that go together."""

    __tablename__ = "goes_with"

    id: Mapped[int] = mapped_column(primary_key=True)
    hole_part_id: Mapped[int] = mapped_column(ForeignKey("part.id", ondelete="CASCADE"), index=True)
    hole_feature: Mapped[str] = mapped_column(String(60))
    shaft_part_id: Mapped[int] = mapped_column(
        ForeignKey("part.id", ondelete="CASCADE"), index=True
    )
    shaft_feature: Mapped[str] = mapped_column(String(60))
    duty: Mapped[str] = mapped_column(String(40))
    deleted_at: Mapped[datetime | None]


class WantRow(Base):
    """Something an engine wants: bought ready, or missing for a part; and how it stands."""

    __tablename__ = "want"
    __table_args__ = (CheckConstraint("many > 0"), UniqueConstraint("engine_id", "what"))

    id: Mapped[int] = mapped_column(primary_key=True)
    engine_id: Mapped[int] = mapped_column(ForeignKey("engine.id", ondelete="CASCADE"), index=True)
    what: Mapped[str] = mapped_column(String(120))
    many: Mapped[int]
    state: Mapped[str] = mapped_column(String(20))
    bought: Mapped[bool]


class MachineRow(Base):
    """A machine; its speeds, limits and dials are rows of their own, saved with it."""

    __tablename__ = "machine"
    __table_args__ = (
        CheckConstraint("power_w > 0"),
        CheckConstraint("plate_hz > 0"),
        CheckConstraint("mains_hz > 0"),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    key: Mapped[str] = mapped_column(String(80), unique=True)
    version: Mapped[int]
    place: Mapped[int]
    name: Mapped[str] = mapped_column(String(80))
    kind: Mapped[str] = mapped_column(String(20))
    power_w: Mapped[float]
    drive: Mapped[str] = mapped_column(String(40))
    plate_hz: Mapped[float]
    mains_hz: Mapped[float]
    driver_rpm: Mapped[float | None]
    back_gear_ratio: Mapped[float | None]
    swing_mm: Mapped[float | None]
    between_mm: Mapped[float | None]
    spindle_bore_mm: Mapped[float | None]
    travel_mm: Mapped[float | None]
    across_mm: Mapped[float | None]
    leadscrew_mm: Mapped[float | None]
    wheels: Mapped[str] = mapped_column(String(400), default="", server_default="")
    wheel_module: Mapped[float | None]
    banjo_least_mm: Mapped[float | None]
    banjo_most_mm: Mapped[float | None]
    gearbox: Mapped[str] = mapped_column(String(400), default="", server_default="")
    dial_teeth: Mapped[float | None]
    read_out: Mapped[bool] = mapped_column(default=False)
    deleted_at: Mapped[datetime | None]
    steps: Mapped[list[StepRow]] = relationship(cascade="all, delete-orphan", order_by="StepRow.id")
    ranges: Mapped[list[RangeRow]] = relationship(
        cascade="all, delete-orphan", order_by="RangeRow.id"
    )
    limits: Mapped[list[LimitRow]] = relationship(
        cascade="all, delete-orphan", order_by="LimitRow.id"
    )
    dials: Mapped[list[DialRow]] = relationship(cascade="all, delete-orphan", order_by="DialRow.id")


def _of_machine() -> Mapped[int]:
    return mapped_column(ForeignKey("machine.id", ondelete="CASCADE"), index=True)


class StepRow(Base):
    """One belt position of a machine."""

    __tablename__ = "machine_step"
    __table_args__ = (
        CheckConstraint("rpm > 0"),
        UniqueConstraint("machine_id", "position", "gear"),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    machine_id: Mapped[int] = _of_machine()
    position: Mapped[str] = mapped_column(String(40))
    gear: Mapped[str] = mapped_column(String(40))
    rpm: Mapped[float]
    driver_mm: Mapped[float | None]
    driven_mm: Mapped[float | None]


class RangeRow(Base):
    """One continuous range of a machine."""

    __tablename__ = "machine_range"
    __table_args__ = (CheckConstraint("low_rpm > 0 AND low_rpm < high_rpm"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    machine_id: Mapped[int] = _of_machine()
    gear: Mapped[str] = mapped_column(String(40))
    low_rpm: Mapped[float]
    high_rpm: Mapped[float]


class LimitRow(Base):
    """The fastest a way of holding may turn on a machine."""

    __tablename__ = "machine_limit"
    __table_args__ = (CheckConstraint("max_rpm > 0"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    machine_id: Mapped[int] = _of_machine()
    holding: Mapped[str] = mapped_column(String(40))
    max_rpm: Mapped[float]


class DialRow(Base):
    """A slide's dial on a machine."""

    __tablename__ = "machine_dial"
    __table_args__ = (CheckConstraint("division > 0 AND per_turn > 0"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    machine_id: Mapped[int] = _of_machine()
    slide: Mapped[str] = mapped_column(String(40))
    unit: Mapped[str] = mapped_column(String(10))
    division: Mapped[float]
    per_turn: Mapped[int]
    reads: Mapped[str] = mapped_column(String(20))
    backlash: Mapped[float]


class OwnMetalRow(Base):
    """A metal of one's own: the shipped one it is like, and the figures that differ."""

    __tablename__ = "own_metal"

    id: Mapped[int] = mapped_column(primary_key=True)
    key: Mapped[str] = mapped_column(String(80), unique=True)
    version: Mapped[int]
    name: Mapped[str] = mapped_column(String(80))
    like: Mapped[str] = mapped_column(String(80))
    designation: Mapped[str] = mapped_column(String(80))
    magnet: Mapped[str] = mapped_column(String(20))
    figures: Mapped[dict[str, float]] = mapped_column(JSON)
    deleted_at: Mapped[datetime | None]


class ToolRow(Base):
    """A tool that is owned, or was; its exact size as a fraction of millimetres."""

    __tablename__ = "tool"
    __table_args__ = (UniqueConstraint("kind", "series", "name_key"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    version: Mapped[int]
    kind: Mapped[str] = mapped_column(String(20))
    series: Mapped[str] = mapped_column(String(20))
    name: Mapped[str] = mapped_column(String(60))
    name_key: Mapped[str] = mapped_column(String(60))
    size: Mapped[str] = mapped_column(String(60))
    state: Mapped[str] = mapped_column(String(20))
    reach_mm: Mapped[float | None]
    lead_mm: Mapped[float | None]
    width_mm: Mapped[float | None]
    resolution_mm: Mapped[float | None]
    most_rpm: Mapped[float | None]
    bore_mm: Mapped[float | None]
    detail: Mapped[str] = mapped_column(String(300), server_default="")
    deleted_at: Mapped[datetime | None]


class SlateRow(Base):
    """An answer kept: what was asked, what was answered, by which version."""

    __tablename__ = "slate"

    id: Mapped[int] = mapped_column(primary_key=True)
    keep_key: Mapped[str] = mapped_column(String(64), unique=True)
    calculator: Mapped[str] = mapped_column(String(40))
    calculator_version: Mapped[int]
    page_unit: Mapped[str] = mapped_column(String(10))
    question: Mapped[dict[str, Any]] = mapped_column(JSON)
    answer: Mapped[dict[str, Any]] = mapped_column(JSON)
    title: Mapped[str]
    headline: Mapped[str]
    note: Mapped[str] = mapped_column(default="")
    ticked: Mapped[bool] = mapped_column(default=False)
    place: Mapped[float] = mapped_column(index=True)
    part_id: Mapped[int | None] = _of_part()
    feature: Mapped[str] = _of_feature()
    kept_at: Mapped[datetime]
    deleted_at: Mapped[datetime | None]


class CutRow(Base):
    """A cut being brought to size: what was asked, and everything it was settled to.

    What it was settled to stays as it was on the day: a dial changed in the workshop later
    does not move a cut that is half made.
    """

    __tablename__ = "cut"

    id: Mapped[int] = mapped_column(primary_key=True)
    keep_key: Mapped[str] = mapped_column(String(64), unique=True)
    calculator_version: Mapped[int]
    page_unit: Mapped[str] = mapped_column(String(10))
    question: Mapped[dict[str, Any]] = mapped_column(JSON)
    spec: Mapped[dict[str, Any]] = mapped_column(JSON)
    said: Mapped[dict[str, Any]] = mapped_column(JSON)
    title: Mapped[str]
    seed: Mapped[int | None]
    part_id: Mapped[int | None] = _of_part()
    feature: Mapped[str] = _of_feature()
    mate_id: Mapped[int | None] = mapped_column(ForeignKey("mate.id"))
    started_at: Mapped[datetime]
    deleted_at: Mapped[datetime | None]


class CutEventRow(Base):
    """One thing that happened to a cut. Rows are only ever added."""

    __tablename__ = "cut_event"
    __table_args__ = (Index("ix_cut_event_cut_id_id", "cut_id", "id"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    cut_id: Mapped[int] = mapped_column(ForeignKey("cut.id", ondelete="CASCADE"))
    event_key: Mapped[str] = mapped_column(String(64), unique=True)
    kind: Mapped[str] = mapped_column(String(20))
    sizes_mm: Mapped[list[float]] = mapped_column(JSON)
    wound: Mapped[float | None]
    warm_deg: Mapped[float | None]
    undoes: Mapped[int | None]
    at: Mapped[datetime]


class MateRow(Base):
    """A part that is there and the mate made to it: what was asked, as typed."""

    __tablename__ = "mate"

    id: Mapped[int] = mapped_column(primary_key=True)
    keep_key: Mapped[str] = mapped_column(String(64), unique=True)
    calculator_version: Mapped[int]
    page_unit: Mapped[str] = mapped_column(String(10))
    question: Mapped[dict[str, Any]] = mapped_column(JSON)
    title: Mapped[str]
    part_id: Mapped[int | None] = _of_part()
    feature: Mapped[str] = _of_feature()
    started_at: Mapped[datetime]
    deleted_at: Mapped[datetime | None]


class MateEventRow(Base):
    """One reading of a mate, or its undoing. Rows are only ever added."""

    __tablename__ = "mate_event"
    __table_args__ = (Index("ix_mate_event_mate_id_id", "mate_id", "id"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    mate_id: Mapped[int] = mapped_column(ForeignKey("mate.id", ondelete="CASCADE"))
    event_key: Mapped[str] = mapped_column(String(64), unique=True)
    kind: Mapped[str] = mapped_column(String(20))
    side: Mapped[str] = mapped_column(String(20))
    stations: Mapped[list[Any]] = mapped_column(JSON)
    warm_deg: Mapped[float | None]
    undoes: Mapped[int | None]
    at: Mapped[datetime]
