"""What a machine is: its speeds by position, its limits and its dials."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from functools import cached_property

from runk.core.machines.change_wheels import ratios_of, teeth_of
from runk.core.naming import plain_name
from runk.core.refusals import Refused

MAINS_HZ = (40.0, 70.0)
FASTEST_RPM = 60000.0
MOST_STEPS, MOST_OTHERS = 60, 20
LARGEST = 1e6
LONGEST_NAME = 40


class MachineKind(StrEnum):
    """What sort of machine it is."""

    LATHE = "lathe"
    MILL = "mill"
    DRILL_PRESS = "drill press"


class Drive(StrEnum):
    """How the motor is fed, which decides what the mains frequency does to it."""

    MAINS = "straight off the mains"
    VARIABLE = "variable-speed drive"


class Holding(StrEnum):
    """How the work is held."""

    THREE_JAW = "three-jaw"
    FOUR_JAW = "four-jaw"
    COLLET = "collet"
    CENTRES = "between centres"
    CHUCK_AND_CENTRE = "chuck and centre"
    FACEPLATE = "faceplate"
    MANDREL = "mandrel"
    BONDED = "bonded"
    VICE = "vice"
    CLAMPS = "clamped to the table"
    VERTICAL_SLIDE = "vertical slide"


@dataclass(frozen=True, slots=True)
class SpeedStep:
    """One belt position, as the plate gives it.

    Args:
        position: As marked or numbered, such as ``3``.
        gear: ``direct``, ``back gear`` and so on; empty where there is only one.
        rpm: Revolutions a minute by the plate, over 0.
        driver_mm: Diameter of the driving pulley, if known.
        driven_mm: Diameter of the driven pulley, if known.
    """

    position: str
    gear: str
    rpm: float
    driver_mm: float | None = None
    driven_mm: float | None = None


@dataclass(frozen=True, slots=True)
class Range:
    """A continuous range of a variable-speed machine, in revolutions a minute."""

    gear: str
    low_rpm: float
    high_rpm: float


@dataclass(frozen=True, slots=True)
class Limit:
    """The fastest a way of holding may turn."""

    holding: Holding
    max_rpm: float


@dataclass(frozen=True, slots=True)
class Dial:
    """A slide's dial.

    Args:
        slide: ``cross-slide``, ``top-slide``, ``tailstock``, ``table``, ``saddle``, ``head``.
        unit: ``mm`` or ``inch``.
        division: Value of one division in that unit, as marked.
        per_turn: Divisions in one turn.
        reads: ``radius`` (travel) or ``diameter`` (twice the travel).
        backlash: In the dial's unit.
    """

    slide: str
    unit: str
    division: float
    per_turn: int
    reads: str = "radius"
    backlash: float = 0.0

    @property
    def travel_mm(self) -> float:
        """How far the tool moves for one division.

        >>> Dial("cross-slide", "inch", 0.001, 100).travel_mm
        0.0254
        """
        marked = self.division * (25.4 if self.unit == "inch" else 1.0)
        return marked / 2 if self.reads == "diameter" else marked


@dataclass(frozen=True, slots=True)
class Setting:
    """A position and the speed the spindle really turns at there.

    ``top_rpm`` is the fastest of the range it lies in: a variable drive loses power below.
    """

    position: str
    mark: str
    gear: str
    rpm: float
    top_rpm: float


@dataclass(frozen=True)
class Machine:
    """A machine of this workshop. Either ``steps`` or ``ranges`` is filled.

    Args:
        plate_hz: Frequency the speed plate was written for.
        mains_hz: Frequency it runs on.
        power_w: Motor power, over 0.
        driver_rpm: Speed of the driving pulley's shaft, where pulleys are given.
        back_gear_ratio: Reduction of the back gear, where there is one.
        swing_mm: Largest diameter over the bed (twice the centre height).
        between_mm: Longest work.
        travel_mm: How far the table goes along; ``across_mm`` how far across.
        leadscrew_mm: Pitch of the leadscrew.
        wheels: Teeth of every change wheel, as typed: ``20 20 25 30``.
        wheel_module: Their module.
        banjo_least_mm: From stud to leadscrew at the nearest; ``banjo_most_mm`` at the farthest.
        gearbox: Ratios of a screw-cutting gearbox, as typed: ``1 2 1/2``.
        dial_teeth: Of the thread dial's own wheel.
    """

    key: str
    name: str
    kind: MachineKind
    power_w: float
    steps: tuple[SpeedStep, ...] = ()
    ranges: tuple[Range, ...] = ()
    drive: Drive = Drive.MAINS
    plate_hz: float = 50.0
    mains_hz: float = 50.0
    driver_rpm: float | None = None
    back_gear_ratio: float | None = None
    swing_mm: float | None = None
    between_mm: float | None = None
    spindle_bore_mm: float | None = None
    travel_mm: float | None = None
    across_mm: float | None = None
    leadscrew_mm: float | None = None
    wheels: str = ""
    wheel_module: float | None = None
    banjo_least_mm: float | None = None
    banjo_most_mm: float | None = None
    gearbox: str = ""
    dial_teeth: float | None = None
    limits: tuple[Limit, ...] = ()
    dials: tuple[Dial, ...] = ()
    read_out: bool = False

    @cached_property
    def ladder(self) -> tuple[Setting, ...]:
        """Every step of a stepped machine, slowest first, at the frequency it runs on.

        Of two positions with one speed the one in direct drive comes first: it is quieter
        and has no gears to wear.
        """
        ratio = self.frequency_ratio
        steps = sorted(self.steps, key=lambda s: (s.rpm, "back" in s.gear.lower()))
        return tuple(
            Setting(position_name(s), s.position, s.gear, s.rpm * ratio, s.rpm * ratio)
            for s in steps
        )

    def limit_for(self, holding: Holding) -> float | None:
        """The fastest this way of holding may turn, or None where no limit is set."""
        return min((x.max_rpm for x in self.limits if x.holding == holding), default=None)

    def dial(self, *slides: str) -> Dial | None:
        """The dial of the first of these slides that the machine has."""
        by_slide = {d.slide: d for d in self.dials}
        return next((by_slide[s] for s in slides if s in by_slide), None)

    @property
    def frequency_ratio(self) -> float:
        """How much faster the spindle turns than its plate says."""
        return self.mains_hz / self.plate_hz if self.drive is Drive.MAINS else 1.0


_SIZES = (
    "swing_mm",
    "between_mm",
    "spindle_bore_mm",
    "travel_mm",
    "across_mm",
    "driver_rpm",
    "back_gear_ratio",
    "leadscrew_mm",
    "wheel_module",
    "banjo_least_mm",
    "banjo_most_mm",
    "dial_teeth",
)


_SAID = {"travel_mm": "How far its table goes along", "across_mm": "How far its table goes across"}


def check_machine(machine: Machine) -> None:
    """Refuse a machine that could not be one.

    Raises:
        Refused: Naming the field, in words the owner can act on.
    """
    plain_name(machine.name, LONGEST_NAME, "machine", suggest="Bench lathe")
    if not machine.steps and not machine.ranges:
        raise Refused(
            "A machine needs at least one speed: type each from its plate, or its range.",
            field="steps",
            suggest="1, direct, 290",
        )
    if machine.steps and machine.ranges:
        raise Refused("Give belt positions or a range, not both.", field="ranges")
    if len(machine.steps) > MOST_STEPS:
        raise Refused(f"{len(machine.steps)} speeds is more than {MOST_STEPS}.", field="steps")
    for what in ("ranges", "limits", "dials"):
        count = len(getattr(machine, what))
        if count > MOST_OTHERS:
            raise Refused(f"{count} {what} is more than {MOST_OTHERS}.", field=what)
    _check_steps(machine)
    _check_ranges(machine)
    low, high = MAINS_HZ
    for field, hertz in (("plate_hz", machine.plate_hz), ("mains_hz", machine.mains_hz)):
        if not low <= hertz <= high:
            raise Refused(
                f"{hertz:g} Hz is no mains frequency: they are 50 or 60.", field=field, suggest="50"
            )
    _positive(machine.power_w, "power_w", "Motor power", "370")
    for field in _SIZES:
        value = getattr(machine, field)
        if value is not None:
            plain = field.removesuffix("_mm").replace("_", " ").capitalize()
            _positive(value, field, _SAID.get(field, plain), "180")
    teeth_of(machine.wheels, field="wheels")
    ratios_of(machine.gearbox, field="gearbox")
    for number, limit in enumerate(machine.limits):
        _positive(limit.max_rpm, f"limits.{number}.max_rpm", "A speed limit", "1200")
    _check_dials(machine)


def _positive(value: float, field: str, what: str, suggest: str) -> None:
    if not 0 < value <= LARGEST:
        raise Refused(
            f"{what} must be a number more than 0, not {value:g}.", field=field, suggest=suggest
        )


def _check_steps(machine: Machine) -> None:
    seen: set[tuple[str, str]] = set()
    for number, step in enumerate(machine.steps):
        field = f"steps.{number}"
        if len(step.position) > LONGEST_NAME or len(step.gear) > LONGEST_NAME:
            raise Refused("That name is too long for a belt position.", field=f"{field}.position")
        if not step.position.strip():
            raise Refused(
                "Every speed needs the position it is found at.", field=f"{field}.position"
            )
        if not 0 < step.rpm <= FASTEST_RPM:
            raise Refused(
                f"{step.rpm:g} rev/min at position {step.position} is no spindle speed.",
                field=f"{field}.rpm",
                suggest="290",
            )
        name = (step.position.strip().lower(), step.gear.strip().lower())
        if name in seen:
            raise Refused(
                f"Position {position_name(step)} is there twice: one belt position has one speed.",
                field=f"{field}.position",
            )
        seen.add(name)
        if (step.driver_mm is None) != (step.driven_mm is None):
            raise Refused(
                f"Give both pulleys of position {step.position}, or neither.",
                field=f"{field}.driven_mm",
            )
        if step.driver_mm is not None and step.driven_mm is not None:
            _positive(step.driver_mm, f"{field}.driver_mm", "A pulley", "60")
            _positive(step.driven_mm, f"{field}.driven_mm", "A pulley", "80")


def _check_ranges(machine: Machine) -> None:
    for number, band in enumerate(machine.ranges):
        if len(band.gear) > LONGEST_NAME:
            raise Refused("That name is too long for a range.", field=f"ranges.{number}.gear")
        _positive(band.low_rpm, f"ranges.{number}.low_rpm", "The slowest speed", "100")
        if not band.low_rpm < band.high_rpm <= FASTEST_RPM:
            raise Refused(
                f"The range ends at {band.high_rpm:g}, which is not over its start "
                f"{band.low_rpm:g}.",
                field=f"ranges.{number}.high_rpm",
                suggest="2500",
            )


def _check_dials(machine: Machine) -> None:
    for number, dial in enumerate(machine.dials):
        field = f"dials.{number}"
        if len(dial.slide) > LONGEST_NAME:
            raise Refused("That name is too long for a slide.", field=f"{field}.slide")
        _positive(dial.division, f"{field}.division", "One division", "0.001")
        _positive(dial.per_turn, f"{field}.per_turn", "Divisions a turn", "100")
        if not 0 <= dial.backlash <= LARGEST:
            raise Refused("Backlash cannot be less than nothing.", field=f"{field}.backlash")
        if dial.unit not in ("mm", "inch") or dial.reads not in ("radius", "diameter"):
            raise Refused(
                "A dial is in mm or inch, and reads radius or diameter.", field=f"{field}.unit"
            )


def position_name(step: SpeedStep) -> str:
    """A position as it is spoken.

    >>> position_name(SpeedStep("3", "direct", 860))
    'belt 3, direct'
    """
    name = f"belt {step.position}" if step.position.isdigit() else step.position
    return f"{name}, {step.gear}" if step.gear else name
