"""Two invented engines and a slate to go with Back Shed."""

from __future__ import annotations

from sqlalchemy.orm import Session

from runk.core.route.hours import mark_of
from runk.core.route.propose import propose
from runk.core.route.reading import part_of
from runk.core.route.route import Job
from runk.core.units import PageUnit
from runk.demo.back_shed import MACHINES, WORKSHOP
from runk.demo.engine_parts import DUNNOCK, GOES_WITH, HARROW_LANE, READ, Drawn
from runk.demo.trays import TOOLS
from runk.formats.part_json import proposal_kept
from runk.store.engines import add_engine, add_part
from runk.store.goes_with import add_fit
from runk.store.machines import add_machine
from runk.store.parts import measure, part_kept, save_drawn, save_route, tick
from runk.store.tools import put_tools

ENGINES: dict[str, tuple[Drawn, ...]] = {
    "Dunnock": DUNNOCK,
    "Harrow Lane organ blower": HARROW_LANE,
}

SLATE: tuple[tuple[str, dict[str, str], str, str, bool], ...] = (
    (
        "Cylinder, 22 mm bore",
        {
            "operation": "bore",
            "diameter": "21.8",
            "metal": "grey-iron",
            "tool": "carbide",
            "held": "four-jaw",
            "bar": "8",
            "overhang": "45",
            "length": "40",
        },
        "Leave the last two tenths for the reamer.",
        "mm",
        False,
    ),
    (
        "Crankshaft from the solid",
        {
            "operation": "turn",
            "diameter": '1 1/8"',
            "metal": "mild-steel",
            "meets": "interrupted",
            "held": "between centres",
            "overhang": '5"',
        },
        "Webs first, throws packed.",
        "mm",
        False,
    ),
    (
        "Gland",
        {"operation": "drill", "diameter": "#30", "metal": "brass", "length": '1/2"'},
        "",
        "mm",
        True,
    ),
)


def fill(session: Session) -> dict[str, int]:
    """Put machines, engines and parts into an empty store; returns part ids by name."""
    for machine in MACHINES:
        add_machine(session, machine)
    put_tools(session, TOOLS)
    parts: dict[str, int] = {}
    for name in ENGINES:
        parts |= put_engine(session, name, name)
    for name, feature, reading in READ:
        measure(session, parts[name], feature, reading)
    return parts


def put_engine(session: Session, name: str, called: str) -> dict[str, int]:
    """One of the two engines with its parts, what goes together and every route.

    Args:
        session: Into what.
        name: Which.
        called: What it is called there.

    Returns:
        Its parts' ids by name.
    """
    engine = add_engine(session, called)
    parts = {
        drawn.name: add_part(session, engine.id, drawn.name, drawn.metal).id
        for drawn in ENGINES[name]
    }
    for drawn in ENGINES[name]:
        _draw(session, parts[drawn.name], drawn)
    for hole, hole_feature, shaft, shaft_feature, duty in GOES_WITH:
        if hole in parts and shaft in parts:
            add_fit(session, (parts[hole], hole_feature), (parts[shaft], shaft_feature), duty)
    for drawn in ENGINES[name]:
        _route(session, parts[drawn.name], drawn)
    return parts


def _draw(session: Session, part_id: int, drawn: Drawn) -> None:
    """Draw a part."""
    told = {
        "blank": drawn.blank,
        "features": list(drawn.features),
        "notes": list(drawn.notes),
        "tries": drawn.tries,
        "alike": drawn.alike,
        "harden": drawn.harden,
        "unit": drawn.unit,
    }
    save_drawn(session, part_id, 1, drawn.metal, told)


def _route(session: Session, part_id: int, drawn: Drawn) -> None:
    """Route a part when it is known what goes with it; some of it is done already."""
    kept = part_kept(session, part_id)
    tries = kept.drawn["tries"] if kept.drawn else {}
    part = part_of(
        drawn.name,
        drawn.metal,
        drawn.blank,
        drawn.features,
        PageUnit(drawn.unit),
        notes=drawn.notes,
        tries=tries,
        alike=drawn.alike,
        harden=drawn.harden,
    )
    job = Job(part, WORKSHOP)
    found = propose(job, drawn.overruled)
    save_route(session, part_id, kept.version, proposal_kept(found))
    done = [
        mark_of(job, n, at, line)
        for n, one in enumerate(found.route.set_ups, 1)
        for at, line in enumerate(one.does)
        if n <= drawn.done or (n == drawn.done + 1 and at < drawn.lines)
    ]
    for mark in done:
        tick(session, part_id, mark, True)
