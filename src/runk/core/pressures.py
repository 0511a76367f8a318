"""Reading a pressure: psi, bar, MPa or N/mm²."""

from __future__ import annotations

import re

from runk.core.refusals import Refused
from runk.core.units import PageUnit

PSI_PER_N_MM2 = 145.0377
_UNITS = {
    "psi": 1 / PSI_PER_N_MM2,
    "lb/in2": 1 / PSI_PER_N_MM2,
    "bar": 0.1,
    "mpa": 1.0,
    "n/mm2": 1.0,
    "kpa": 0.001,
    "lb": 1 / PSI_PER_N_MM2,
    "lbs": 1 / PSI_PER_N_MM2,
    "psig": 1 / PSI_PER_N_MM2,
    "barg": 0.1,
}
_PRESSURE = re.compile(r"(\d{1,6}(?:\.\d{1,6})?)\s*([a-z/0-9]*)")


def read_pressure(text: str, page: PageUnit) -> float:
    """A pressure in N/mm².

    Args:
        text: ``80 psi``, ``5.5 bar``, ``0.55 MPa``; a bare number is bar on a millimetre page
            and psi on an inch one.

    Raises:
        Refused: It is no pressure.

    >>> round(read_pressure("80 psi", PageUnit.MM), 4), read_pressure("5,5", PageUnit.MM)
    (0.5516, 0.55)
    """
    plain = text.strip().lower().replace(",", ".").replace("²", "2")
    found = _PRESSURE.fullmatch(plain)
    unit = (found[2] if found else "") or ("bar" if page is PageUnit.MM else "psi")
    if found is None or unit not in _UNITS:
        raise Refused(f"`{text.strip()[:30]}` is no pressure.", suggest="80 psi or 5.5 bar")
    return float(found[1]) * _UNITS[unit]


def pressure_say(n_per_mm2: float, page: PageUnit) -> str:
    """A pressure as the page says it.

    >>> pressure_say(0.55, PageUnit.MM)
    '5.5 bar'
    """
    if page is PageUnit.INCH:
        return f"{n_per_mm2 * PSI_PER_N_MM2:.3g} psi"
    return f"{n_per_mm2 * 10:.3g} bar"
