"""Each kind of feature drawn on a plain blank: what the word means, to be looked at."""

from __future__ import annotations

from functools import cache

from runk.core.route.drawn.examples import EXAMPLES
from runk.core.route.played import Stage, stage_of
from runk.core.route.reading import part_of
from runk.core.route.route import Job
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_BAR = ("bar 32, 40 long", ("face at 40",))
_ON: dict[str, tuple[str, tuple[str, ...]]] = {
    "thread": ("bar 12, 40 long", ("face at 40",)),
    "groove": ("bar 20, 40 long", ("face at 40",)),
    "chamfer": ("bar 8, 10 long", ("face at 0",)),
    "keyway": ("bar 16, 30 long", ()),
    "journal": ("bar 20, 40 long", ("face at 40",)),
    "crankpin": ("bar 36, 62 long", ("outside 12, from 0 to 20", "outside 12, from 42 to 62")),
    "eccentric": ("bar 38, 20 long", ("outside 14, from 8 to 20",)),
    "bore-keyway": ("bar 32, 20 long", ("bore 14, from 0 to 20",)),
    "flats": ("bar 20, 30 long", ()),
    "slot": ("bar 24, 30 long", ("outside 24, from 0 to 30",)),
    "plane": ("plate 40 by 24 by 20", ("profile, from the top",)),
    "drilled": ("bar 32, 40 long", ("outside 32, from 0 to 40",)),
    "reamed": ("bar 32, 40 long", ("outside 32, from 0 to 40",)),
    "tapped": ("bar 32, 40 long", ("outside 32, from 0 to 40",)),
    "profile": ("plate 40 by 24 by 20", ()),
    "split": ("plate 40 by 24 by 20", ("bore 12, from 0 to 40",)),
    "holes": ("bar 42, 10 long", ("outside 42, from 0 to 10",)),
    "passage": ("bar 24, 30 long", ("bore 10, from 0 to 30",)),
    "counterbore": ("bar 32, 40 long", ("face at 40", "bore 12, from 0 to 40")),
    "face": ("bar 20, 24 long", ("face at 24",)),
}
"""What a kind is drawn on, where that is not a plain bar, and what has to be there before."""

_ON_END = ("holes", "flats", "keyway", "bore-keyway")
"""Kinds that are seen better on an end than cut through."""


@cache
def sketch(kind: str) -> Stage:
    """A kind of feature on its blank.

    Args:
        kind: Of feature.

    >>> sketch("groove").section is not None
    True
    """
    blank, before = _ON.get(kind, _BAR)
    lines = [*before, EXAMPLES[kind][PageUnit.MM]]
    part = part_of(kind, "brass", blank, lines, PageUnit.MM)
    job = Job(part, Workshop(()))
    every = frozenset(job.by_key)
    now = frozenset(one.key for one in job.operations if one.feature == part.features[-1].key)
    whole = stage_of(job, every, now=now)
    if whole.section is None or (kind in _ON_END and whole.faces):
        return Stage(None, whole.faces[:1])
    return Stage(whole.section, ())
