"""Every family of parts, by its key."""

from __future__ import annotations

from runk.core.route.families.cranks import CRANK, ECCENTRIC, FLYWHEEL
from runk.core.route.families.family import Family
from runk.core.route.families.turned import BUSH, COVER, GLAND, PISTON, STUD

FAMILIES: dict[str, Family] = {
    one.key: one for one in (STUD, BUSH, GLAND, COVER, PISTON, CRANK, ECCENTRIC, FLYWHEEL)
}
