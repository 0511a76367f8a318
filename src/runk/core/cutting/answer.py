"""The answer ``speed`` gives."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.figures import Caution, Figure, Link


@dataclass(frozen=True, slots=True)
class SchoolChoice:
    """What one school of choosing a step would set."""

    school: str
    title: str
    position: str
    rpm: Figure
    off_percent: Figure
    chosen: bool


@dataclass(frozen=True, slots=True)
class SpeedAnswer:
    """What to set, what it takes off, what it asks of the machine.

    ``depth_mm`` is the depth of cut as the dial will make it: on the radius in turning
    and boring, along the axis in facing and milling, half the diameter in drilling. Where
    nothing is cut (knurling) there is no force. ``stop_s`` is the time left to stop the lathe
    in the relief groove; ``height_error_mm`` what a tool off centre does to the diameter.
    """

    set_rpm: Figure
    position: str
    mark: str
    gear: str
    target_rpm: Figure
    off_percent: Figure
    explains: str
    surface_speed_m_min: Figure
    feed_mm_per_rev: Figure
    feed_mm_per_min: Figure
    feed_mm_per_tooth: Figure | None
    depth_mm: Figure | None
    takes_off_mm: Figure | None
    dial_slide: str
    dial_divisions: Figure | None
    dial_says: str
    dial_turns_say: str
    roughness_um: Figure | None
    force_n: Figure | None
    power_w: Figure | None
    power_available_w: Figure
    torque_nm: Figure | None
    torque_available_nm: Figure
    spring_mm: Figure | None
    diameter_error_mm: Figure | None
    time_s: Figure | None
    stop_s: Figure | None
    height_error_mm: Figure | None
    coolant: str
    machine: str
    schools: tuple[SchoolChoice, ...]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
    then: SpeedAnswer | None
