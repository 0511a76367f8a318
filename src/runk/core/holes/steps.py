"""Making one step of a hole: its speed, its depth, where to stop on that machine."""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from fractions import Fraction

from runk.core.cutting.able import holding_of
from runk.core.cutting.laws import point_mm
from runk.core.cutting.operations import Operation
from runk.core.cutting.question import SpeedQuestion, Stage, Tool
from runk.core.cutting.spindle import practice_mm
from runk.core.cutting.target import SpeedShop
from runk.core.cutting.worked import worked
from runk.core.figures import Caution, Figure, Working
from runk.core.holes.answer import HoleStep
from runk.core.holes.laws import clears_mm, from_flat_mm, slow_rpm, stop_mm, tip_travel_mm
from runk.core.holes.question import Ends, Finish, HoleQuestion
from runk.core.machines.choose import School, choose
from runk.core.machines.dials import judged_divisions, turns_say
from runk.core.machines.machine import Dial, Holding, Machine, MachineKind
from runk.core.metals.metal import Metal
from runk.core.said import mm_said
from runk.core.tools import ShopTool
from runk.core.units import unit_of

BREAK_OUT_MM = 1.0
"""How far a drill's corners go past the far face of a through hole: common practice."""
FLOOR_MM = 0.2
"""How far short of a flat floor a drill's point is stopped: common practice."""
_FROM_IT = "Nothing is drilled: what follows begins from it and keeps to its axis."
_MOVED = "Nothing is drilled: a drill would follow it. Set to the right place, a bar moves it."
_SLIDES = {
    MachineKind.LATHE: ("tailstock",),
    MachineKind.MILL: ("head", "quill"),
    MachineKind.DRILL_PRESS: ("quill", "head"),
}


@dataclass
class Maker:
    """Makes the steps of one hole, and keeps what they were worked out from."""

    question: HoleQuestion
    machine: Machine
    metal: Metal
    w: Working = field(default_factory=Working)
    cautions: list[Caution] = field(default_factory=list)
    flat: bool = False
    """Whether a blind hole's floor is left flat, so that no point may go through it."""
    beyond_mm: float = 0.0
    """How much deeper a blind hole is drilled, for what finishes it."""
    flat_mm: float = 0.0
    """How deep the flat lies, on the axis, on which every tool is touched."""

    @property
    def held(self) -> Holding:
        """How the work is held: as usual on that machine."""
        return holding_of(self._asked(Operation.DRILL, Fraction(1)), self.machine)

    @property
    def drills_of(self) -> Tool:
        """What the drills are of: a bar with a carbide tip bores, after drills as ever."""
        bars = self.question.finish in (Finish.BORED, Finish.HONED)
        return Tool.HSS if bars else self.question.tool

    @property
    def dial(self) -> Dial | None:
        """The dial that counts the depth."""
        return self.machine.dial(*_SLIDES[self.machine.kind])

    def _asked(
        self, operation: Operation, size: Fraction, stage: Stage = Stage.ROUGH
    ) -> SpeedQuestion:
        tool = self.question.tool if operation is Operation.BORE else self.drills_of
        return SpeedQuestion(
            self.question.metal, size, operation, tool, stage, machine=self.machine.name
        )

    def point_of(self, diameter_mm: float) -> Figure:
        """Length of a drill's point."""
        angle = float(self.question.point)
        return self.w.of(point_mm, diameter_mm=diameter_mm, angle_deg=angle)

    def deep_of(self, whole: bool) -> float:
        """How deep the hole is, or how far a tool goes that follows through a line of bearings."""
        span = self.question.span if whole and self.question.bearings is not None else None
        return float(self.question.deep or 0) if span is None else float(span)

    def depth(
        self, diameter_mm: float, *, pointed: bool = True, whole: bool = False
    ) -> Figure | None:
        """How far a tip goes: the depth and its point, and out at the far side of a through
        hole; None where no depth was said.

        Args:
            diameter_mm: Of the tool.
            pointed: Whether it has a drill's point.
            whole: Whether it follows through every bearing of a line.
        """
        if self.question.deep is None and not (whole and self.question.span is not None):
            return None
        deep = self.deep_of(whole)
        start = len(self.w.steps)
        more, why = 0.0, ""
        blind = self.question.ends is Ends.BLIND
        if pointed and blind and self.flat:
            more = -min(FLOOR_MM, deep / 2)
            why = "the point stops short of the flat floor"
        elif pointed:
            more = self.w(point_mm, diameter_mm=diameter_mm, angle_deg=float(self.question.point))
            if blind and self.beyond_mm:
                more, why = more + self.beyond_mm, "and room for the reamer's lead"
        if not blind:
            more += BREAK_OUT_MM
        return self.travels(deep, more, why, start)

    def travels(self, deep: float, more: float, why: str, since: int | None = None) -> Figure:
        """How far a tip goes from where it was touched: on the slope's flat, where there is one."""
        since = len(self.w.steps) if since is None else since
        travel = self.w.of(
            tip_travel_mm, "depth_mm", since=since, deep_mm=deep, more_mm=more, why=why
        )
        if not self.flat_mm:
            return travel
        return self.w.of(
            from_flat_mm,
            "depth_mm",
            since=since,
            travel_mm=travel.value,
            flat_mm=self.flat_mm,
            why="every tool is touched on the flat",
        )

    def stop(self, travel: Figure | None) -> str:
        """Where a tool is stopped, on this machine's own dial."""
        if travel is None:
            return ""
        begin = float(self.question.start or 0)
        at = self.w(stop_mm, start_mm=begin, travel_mm=travel.value) if begin else travel.value
        if self.machine.read_out or self.dial is None:
            return f"{mm_said(at, 2)} on the {'read-out' if self.machine.read_out else 'stop'}"
        divisions = judged_divisions(self.dial, at)
        return f"{turns_say(divisions, self.dial.per_turn)} of the {self.dial.slide}"

    def carried(self, travel: Figure | None) -> str:
        """Where a boring tool is stopped: in a lathe the carriage carries it, no tailstock."""
        if travel is None or self.machine.kind is not MachineKind.LATHE:
            return self.stop(travel)
        at = f"{mm_said(travel.value, 2)} of the carriage"
        if self.machine.read_out:
            return at
        saddle = self.machine.dial("saddle")
        if saddle is None:
            return f"{at}, to a stop on the bed or by the top slide"
        return f"{turns_say(judged_divisions(saddle, travel.value), saddle.per_turn)} of the saddle"

    def stop_says(self) -> str:
        """How the stops are counted, in one sentence."""
        if self.question.deep is None:
            return "Say how deep it is, and each drill gets its stop."
        begin = float(self.question.start or 0)
        nought = mm_said(begin) if begin else "nought"
        return f"Counted from the touch of each tip, the dial at {nought} there: touch again with every tool."  # noqa: E501

    def step(
        self,
        kind: str,
        name: str,
        size: Fraction,
        operation: Operation | None,
        depth: Figure | None,
        says: str = "",
        stage: Stage = Stage.ROUGH,
    ) -> HoleStep:
        """A step; ``operation`` None where nothing turns under power."""
        run = None
        if operation is not None:
            asked, shop = self._asked(operation, size, stage), SpeedShop(self.machine, self.metal)
            run = worked(Working(), asked, shop)
            self.cautions += run.cautions(asked, shop)
        return HoleStep(
            kind=kind,
            name=name,
            mm=Figure(float(size), unit_of("mm"), (), 3),
            position=run.setting.position if run else "",
            rpm=run.set_rpm if run else None,
            feed_mm_per_rev=run.cut.per_rev if run else None,
            depth_mm=depth,
            stop=self.carried(depth) if operation is Operation.BORE else self.stop(depth),
            says=says,
        )

    def on_flat(self, flat: Figure) -> Maker:
        """The same, every tool touched on a flat so deep."""
        return Maker(
            self.question,
            self.machine,
            self.metal,
            cautions=list(self.cautions),
            flat_mm=flat.value,
        )

    def slow(
        self, kind: str, name: str, depth: Figure | None, says: str, feed_mm: float | None = None
    ) -> HoleStep:
        """A step on the slowest there is: a tool that cannot clear its chips or has a long lead."""
        setting = choose(self.machine, 1.0, self.held, School.NEVER_OVER)
        return replace(
            self.step(kind, name, self.question.size, None, depth, says),
            position=setting.position,
            rpm=self.w.of(slow_rpm, "set_rpm", slowest_rpm=setting.rpm),
            feed_mm_per_rev=(
                None
                if feed_mm is None
                else self.w.of(
                    practice_mm, "feed_mm_per_rev", table_mm=feed_mm, share=1.0, why="by hand"
                )
            ),
        )

    def existing(self) -> HoleStep:
        """The hole that is there, which leaves what is wanted for what finishes it."""
        there = self.question.there
        assert there is not None
        says = _FROM_IT if self.question.moved is None else _MOVED
        return self.step("there", f"{mm_said(there)}, there already", there, None, None, says)

    def drill(self, kind: str, tool: ShopTool, says: str = "") -> HoleStep:
        """A twist drill from the trays."""
        depth = self.depth(tool.mm, whole=kind == "last")
        if kind != "last" and depth is not None and tool.reach_mm is not None:
            start = len(self.w.steps)
            clear = self.w(clears_mm, flutes_mm=tool.reach_mm, diameter_mm=tool.mm)
            if clear < depth.value:
                depth = self.w.figure(clear, "depth_mm", since=start)
                says = "As deep as its flutes clear; the next goes on from there, eased."
        return self.step(kind, tool.name, tool.size_mm, Operation.DRILL, depth, says)
