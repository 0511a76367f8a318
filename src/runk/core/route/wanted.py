"""What a part still wants: bars, reamers, taps and cutters that are not in the trays."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from runk.core.lengths.show import trimmed
from runk.core.route.part import EPS
from runk.core.route.route import Job
from runk.core.tools import ToolKind, usable


@dataclass(frozen=True, slots=True)
class Wanted:
    """Something that is missing.

    Args:
        what: In words.
        blocks: The operation it holds up; empty where it holds up the whole part.
    """

    what: str
    blocks: str


def wanted(job: Job, begun: bool = False) -> Iterator[Wanted]:
    """What is not owned, first of all the bar it is made from.

    Args:
        job: The part.
        begun: Whether some of it is done: then its bar is there.

    >>> from runk.core.route.reading import part_of
    >>> from runk.demo.back_shed import WORKSHOP
    >>> part = part_of("gland", "brass", "bar 200", ["reamed 7.3"])
    >>> [one.what for one in wanted(Job(part, WORKSHOP))]
    ['bar of 200 mm or more', 'reamer 7.3 mm']
    """
    dia, tools = job.part.blank.dia, job.workshop.tools
    if job.part.blank.kind == "bar" and dia is not None and not begun:
        bars = usable(tools, ToolKind.BAR)
        if bars and not any(bar.mm >= float(dia) - EPS for bar in bars):
            yield Wanted(f"bar of {trimmed(dia, 3)} mm or more", "")
    for one in job.operations:
        feature = job.part.by_key.get(one.feature)
        if feature is None:
            continue
        if one.verb == "ream":
            reamers = usable(tools, ToolKind.REAMER)
            if not any(abs(tool.mm - feature.size) < 0.01 for tool in reamers):
                yield Wanted(f"reamer {feature.size:g} mm", one.key)
        if one.verb in ("tap", "cut thread") and feature.asked.screw is not None:
            kind = ToolKind.TAP if one.verb == "tap" else ToolKind.DIE
            name = feature.asked.screw.name
            owned = usable(tools, kind)
            same = name.casefold().replace(" ", "")
            if not any(tool.name.casefold().replace(" ", "") == same for tool in owned):
                yield Wanted(f"{kind.value} {name}", one.key)
