"""Two invented engines and a slate to go with Back Shed."""

from __future__ import annotations

from sqlalchemy.orm import Session

from runk.demo.back_shed import MACHINES
from runk.demo.trays import TOOLS
from runk.store.engines import add_engine, add_part
from runk.store.machines import add_machine
from runk.store.tools import put_tools

ENGINES: dict[str, tuple[tuple[str, str], ...]] = {
    "Dunnock": (
        ("Cylinder, 22 mm bore", "grey-iron"),
        ("Power piston", "grey-iron"),
        ("Crankshaft", "silver-steel"),
        ("Displacer rod", "stainless-303"),
        ("Cover studs", "stainless-303"),
        ("Gland", "brass"),
    ),
    "Harrow Lane organ blower": (
        ('Cylinder, 11/16" bore, left', "gunmetal"),
        ('Cylinder, 11/16" bore, right', "gunmetal"),
        ("Piston and rings", "grey-iron"),
        ("Crankshaft from the solid", "mild-steel"),
        ("Steam chest studs, 4 BA", "mild-steel"),
    ),
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
    for name, its_parts in ENGINES.items():
        engine = add_engine(session, name)
        for part, metal in its_parts:
            parts[part] = add_part(session, engine.id, part, metal).id
    return parts
