"""The workshop as the core sees it: a frozen snapshot, no database behind it."""

from __future__ import annotations

from dataclasses import dataclass, field
from functools import cached_property

from runk.core.machines.machine import Machine, MachineKind
from runk.core.metals.metal import Metal, shipped_metals
from runk.core.refusals import Refused
from runk.core.tools import ShopTool, ToolKind, usable


@dataclass(frozen=True)
class Workshop:
    """What the person owns."""

    machines: tuple[Machine, ...]
    metals: dict[str, Metal] = field(default_factory=shipped_metals)
    tools: tuple[ShopTool, ...] = ()

    @cached_property
    def reamers(self) -> tuple[ShopTool, ...]:
        """Reamers that can be used, smallest first."""
        return usable(self.tools, ToolKind.REAMER)

    @cached_property
    def cutters(self) -> tuple[ShopTool, ...]:
        """End mills and slot drills that can be used, smallest first."""
        return usable(self.tools, ToolKind.END_MILL, ToolKind.SLOT_DRILL)

    @cached_property
    def centres(self) -> tuple[ShopTool, ...]:
        """Centre drills that can be used, smallest first."""
        return usable(self.tools, ToolKind.CENTRE_DRILL)

    @cached_property
    def measures(self) -> tuple[ShopTool, ...]:
        """What measures, by how far it reaches."""
        return usable(self.tools, ToolKind.MEASURE)

    @cached_property
    def struck_out(self) -> tuple[ShopTool, ...]:
        """Drills that are missing, bent or blunt."""
        return tuple(t for t in self.tools if t.kind is ToolKind.DRILL and not t.sound)

    @cached_property
    def dividers(self) -> tuple[ShopTool, ...]:
        """Dividing heads, then rotary tables."""
        heads = usable(self.tools, ToolKind.DIVIDING_HEAD)
        return (*heads, *usable(self.tools, ToolKind.ROTARY_TABLE))

    @cached_property
    def gear_cutters(self) -> tuple[ShopTool, ...]:
        """Gear cutters whose teeth are known."""
        return tuple(t for t in usable(self.tools, ToolKind.GEAR_CUTTER) if t.detail)

    @cached_property
    def finders(self) -> tuple[ShopTool, ...]:
        """Edge finders, smallest tip first."""
        return usable(self.tools, ToolKind.FINDER)

    @cached_property
    def bars(self) -> tuple[ShopTool, ...]:
        """The shelf, thinnest first."""
        return usable(self.tools, ToolKind.BAR)

    @cached_property
    def drills(self) -> tuple[ShopTool, ...]:
        """Drills that are there, straight and sharp, smallest first."""
        return usable(self.tools, ToolKind.DRILL)

    def machine(self, named: str, kinds: tuple[MachineKind, ...]) -> Machine:
        """The machine called that, or the first of the suitable kinds where none is named.

        Args:
            named: A key or name in any case; empty for the usual one.
            kinds: Suitable kinds, best first.

        Raises:
            Refused: No machine is called that, or none of that kind is owned.
        """
        wanted = named.strip().lower()
        if wanted:
            for machine in self.machines:
                if wanted in (machine.key.lower(), machine.name.lower()):
                    return machine
            for machine in self.machines:
                if wanted == machine.kind:
                    return machine
            owned = " or ".join(m.name for m in self.machines) or "none yet"
            raise Refused(
                f"There is no machine called `{named[:40]}` in this workshop.",
                field="machine",
                suggest=owned,
            )
        for kind in kinds:
            for machine in self.machines:
                if machine.kind is kind:
                    return machine
        raise Refused(
            f"This workshop has no {' or '.join(kinds)} yet: add one in the Workshop.",
            field="machine",
        )
