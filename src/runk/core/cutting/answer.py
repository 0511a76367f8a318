"""The answer ``speed`` gives."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.shown import Rank, Show, Table


@dataclass(frozen=True, slots=True, kw_only=True)
class SchoolChoice:
    """What one school of choosing a step would set."""

    school: str
    title: Annotated[str, Show("School")]
    position: Annotated[str, Show("Position")]
    rpm: Annotated[Figure, Show("Speed")]
    off_percent: Annotated[Figure, Show("Off the target")]
    chosen: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class OwnFigure:
    """A figure somebody has in mind, beside Runk's."""

    what: Annotated[str, Show("Figure")]
    yours: Annotated[Figure, Show("Yours")]
    ours: Annotated[Figure, Show("Worked out")]
    off_percent: Annotated[Figure, Show("Off by")]
    does: Annotated[str, Show("What that does")]


@dataclass(frozen=True, slots=True, kw_only=True)
class SpeedAnswer:
    """What to set, what it takes off, what it asks of the machine.

    ``depth_mm`` is the depth of cut as the dial will make it: on the radius in turning
    and boring, along the axis in facing and milling; a drill has none. Where
    nothing is cut (knurling) there is no force. ``stop_s`` is the time left to stop the lathe
    in the relief groove; ``height_error_mm`` what a tool off centre does to the diameter.
    """

    set_rpm: Annotated[Figure, Show("Set the spindle to", Rank.BIG, drawn=True)]
    position: Annotated[str, Show("Put the belt on", Rank.BIG, drawn=True)]
    mark: str
    gear: str
    target_rpm: Annotated[Figure, Show("The cut wants")]
    off_percent: Annotated[Figure, Show("Off that by")]
    explains: Annotated[str, Show("Why", Rank.SAYS, drawn=True)]
    elsewhere: Annotated[str, Show("Another machine", Rank.SAYS, drawn=True)]
    own: Annotated[tuple[OwnFigure, ...], Table("Figures of your own", rank=Rank.BIG)]
    surface_speed_m_min: Annotated[Figure, Show("Surface speed")]
    feed_mm_per_rev: Annotated[Figure | None, Show("Feed", Rank.BIG, drawn=True)]
    feed_mm_per_min: Annotated[Figure | None, Show("Feed a minute", Rank.BIG, drawn=True)]
    feed_mm_per_tooth: Annotated[Figure | None, Show("Feed a tooth", Rank.BIG, drawn=True)]
    depth_mm: Annotated[Figure | None, Show("Depth of cut", Rank.BIG, drawn=True)]
    takes_off_mm: Annotated[Figure | None, Show("Takes off", Rank.BIG, drawn=True)]
    dial_slide: str
    dial_divisions: Annotated[Figure | None, Show("Wind on", Rank.BIG, drawn=True)]
    dial_says: Annotated[str, Show("The dial", drawn=True)]
    dial_turns_say: Annotated[str, Show("That is", drawn=True)]
    roughness_um: Annotated[Figure | None, Show("Finish, Ra at best")]
    force_n: Annotated[Figure | None, Show("Cutting force")]
    power_w: Annotated[Figure | None, Show("Power the cut takes", drawn=True)]
    power_available_w: Annotated[Figure, Show("Power this position gives", drawn=True)]
    torque_nm: Annotated[Figure | None, Show("Torque the cut takes", drawn=True)]
    torque_available_nm: Annotated[Figure, Show("Torque this position gives", drawn=True)]
    spring_mm: Annotated[Figure | None, Show("Springs away by")]
    spigot_n_per_mm2: Annotated[Figure | None, Show("Bends its spigot to")]
    diameter_error_mm: Annotated[Figure | None, Show("Which is on diameter")]
    time_s: Annotated[Figure | None, Show("Time for the cut", drawn=True)]
    stop_s: Annotated[Figure | None, Show("Time to stop in the relief", drawn=True)]
    height_error_mm: Annotated[Figure | None, Show("Off by, for the tool off centre", drawn=True)]
    coolant: Annotated[str, Show("On the cut", Rank.SAYS, drawn=True)]
    machine: Annotated[str, Show("Machine", Rank.FOLDED)]
    schools: Annotated[tuple[SchoolChoice, ...], Table("By each school", drawn=True)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
    then: Annotated[SpeedAnswer | None, Show("Then, in sound metal", Rank.FOLDED, drawn=True)]

    @property
    def fed(self) -> Figure:
        """The feed of a cut that is known to have one: all but what the hand feeds."""
        if self.feed_mm_per_rev is None:
            raise ValueError("this is fed by hand")
        return self.feed_mm_per_rev
