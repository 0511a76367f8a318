"""Every formula with its units put in: millimetres are added to millimetres, and a force comes out.

A law's inputs and its result carry their unit in their name. Put in as quantities of length, force,
time, heat and mass, they must come out as the result's name says; numbers that only change the
scale (1000, 60, 25.4) have no unit. What is fitted to measurements has its unit in its constants:
those laws are named below, and no others may join them unseen.
"""

from __future__ import annotations

import math
import re
from collections.abc import Callable
from typing import Any

import pytest

from runk.core.catalogue import CATALOGUE
from runk.core.figures import Law, laws
from tests.core.test_formulas import arithmetic

assert CATALOGUE  # Every law is declared once the calculators are there.

Dims = tuple[float, float, float, float, float]
NONE: Dims = (0, 0, 0, 0, 0)
LENGTH, FORCE, TIME, HEAT, MASS = (tuple(float(n == at) for n in range(5)) for at in range(5))


def _with(**powers: float) -> Dims:
    names = ("length", "force", "time", "heat", "mass")
    return tuple(float(powers.get(name, 0)) for name in names)  # type: ignore[return-value]


# A name's ending, the longest first, and what it is made of. Turns, teeth, degrees and shares are
# numbers; an inch, a thou and a metre are lengths.
ENDINGS: list[tuple[str, Dims]] = [
    ("n_per_mm2", _with(force=1, length=-2)),
    ("n_per_mm", _with(force=1, length=-1)),
    ("mm_per_min", _with(length=1, time=-1)),
    ("mm_per_rev", _with(length=1)),
    ("mm_per_tooth", _with(length=1)),
    ("um_per_m_k", _with(heat=-1)),
    ("um_per_m_c", _with(heat=-1)),
    ("g_per_cm3", _with(mass=1, length=-3)),
    ("g_cm3", _with(mass=1, length=-3)),
    ("kg_m3", _with(mass=1, length=-3)),
    ("kg", _with(mass=1)),
    ("g_mm", _with(mass=1, length=1)),
    ("m_min", _with(length=1, time=-1)),
    ("m_s", _with(length=1, time=-1)),
    ("per_inch", _with(length=-1)),
    ("per_inch_thou", NONE),
    ("mm4", _with(length=4)),
    ("mm3", _with(length=3)),
    ("mm2", _with(length=2)),
    ("cm3", _with(length=3)),
    ("inch", _with(length=1)),
    ("thou", _with(length=1)),
    ("um", _with(length=1)),
    ("mm", _with(length=1)),
    ("rpm", _with(time=-1)),
    ("min", _with(time=1)),
    ("s", _with(time=1)),
    ("mpa", _with(force=1, length=-2)),
    ("gpa", _with(force=1, length=-2)),
    ("bar", _with(force=1, length=-2)),
    ("nm", _with(force=1, length=1)),
    ("n", _with(force=1)),
    ("w", _with(force=1, length=1, time=-1)),
    ("c", _with(heat=1)),
    ("g", _with(mass=1)),
]


def dims_of(name: str) -> Dims:
    """What a name's ending is made of; a plain number where it has none.

    >>> dims_of("force_n"), dims_of("teeth")
    ((0.0, 1.0, 0.0, 0.0, 0.0), (0, 0, 0, 0, 0))
    """
    for ending, dims in ENDINGS:
        if name == ending or name.endswith(f"_{ending}"):
            return dims
    return NONE


class Quantity:
    """A number with what it is made of; sums of unlike ones cannot be made."""

    def __init__(self, value: float, dims: Dims = NONE) -> None:
        self.value, self.dims = value, dims

    @staticmethod
    def of(other: Any) -> Quantity:
        return other if isinstance(other, Quantity) else Quantity(float(other))

    def _sum(self, other: Any, sign: float) -> Quantity:
        other = Quantity.of(other)
        if self.dims != other.dims:
            raise TypeError(f"{self.dims} and {other.dims} are added")
        return Quantity(self.value + sign * other.value, self.dims)

    def __add__(self, other: Any) -> Quantity:
        return self._sum(other, 1)

    def __sub__(self, other: Any) -> Quantity:
        return self._sum(other, -1)

    def __radd__(self, other: Any) -> Quantity:
        return Quantity.of(other)._sum(self, 1)

    def __rsub__(self, other: Any) -> Quantity:
        return Quantity.of(other)._sum(self, -1)

    def __mul__(self, other: Any) -> Quantity:
        other = Quantity.of(other)
        dims = tuple(a + b for a, b in zip(self.dims, other.dims, strict=True))
        return Quantity(self.value * other.value, dims)  # type: ignore[arg-type]

    __rmul__ = __mul__

    def __truediv__(self, other: Any) -> Quantity:
        return self * Quantity.of(other) ** -1

    def __rtruediv__(self, other: Any) -> Quantity:
        return Quantity.of(other) / self

    def __pow__(self, power: Any) -> Quantity:
        raised = Quantity.of(power)
        if raised.dims != NONE:
            raise TypeError("a power with a unit")
        dims = tuple(a * raised.value for a in self.dims)
        return Quantity(abs(self.value) ** raised.value, dims)  # type: ignore[arg-type]

    def __rpow__(self, base: Any) -> Quantity:
        return Quantity.of(base) ** self

    def __neg__(self) -> Quantity:
        return Quantity(-self.value, self.dims)


def _plain(work: Callable[[float], float]) -> Callable[[Any], Quantity]:
    def of(value: Any) -> Quantity:
        one = Quantity.of(value)
        if one.dims != NONE:
            raise TypeError(f"{work.__name__} of something with a unit")
        return Quantity(work(min(max(one.value, -0.9), 0.9)))

    return of


def _alike(*values: Any) -> Quantity:
    first, *rest = map(Quantity.of, values)
    for other in rest:
        first._sum(other, 0)
    return first


WORKS: dict[str, Any] = {
    "_pi": math.pi,
    "_deg": 1.0,
    "sqrt": lambda x: Quantity.of(x) ** 0.5,
    "cbrt": lambda x: Quantity.of(x) ** (1 / 3),
    "min": _alike,
    "max": _alike,
    "abs": lambda x: Quantity.of(x),
    **{n: _plain(f) for n, f in {"sin": math.sin, "cos": math.cos, "tan": math.tan}.items()},
    **{
        n: _plain(f)
        for n, f in {
            "arcsin": math.asin,
            "arccos": math.acos,
            "arctan": math.atan,
            "exp": math.exp,
            "ln": abs,
        }.items()
    },
}


def comes_out(law: Law) -> Dims | None:
    """What a law's formula comes to; None where words are part of it."""
    text = arithmetic(law.formula)
    if text is None:
        return None
    names = re.findall(r"\{(\w+)\}", law.formula)
    values = {f"v_{n}": Quantity(1.7 + at / 7, dims_of(n)) for at, n in enumerate(names)}
    text = re.sub(r"\{(\w+)\}", r"v_\1", text)
    found = eval(text, {"__builtins__": {}}, {**WORKS, **values})
    return tuple(round(d, 6) + 0.0 for d in Quantity.of(found).dims)  # type: ignore[return-value]


def _wrong() -> dict[str, str]:
    found = {}
    for key, law in laws().items():
        if not key.startswith("runk."):
            # A law a test has made up.
            continue
        try:
            dims = comes_out(law)
        except TypeError as unlike:
            found[key] = str(unlike)
            continue
        wanted = tuple(float(d) for d in dims_of(key.rsplit(".", 1)[1]))
        if dims is not None and dims != wanted:
            found[key] = f"comes to {dims}, and is called {wanted}"
    return found


# Whose constants have units: given by a standard, or fitted to measurements; or that count from 20
# degrees or nought written as a plain number. Each with why.
FITTED = {
    f"runk.core.{key}": why
    for key, why in {
        "cutting.laws.specific_n_per_mm2": "Kienzle: force at a chip of one millimetre",
        "cutting.own.life_percent": "Taylor: n is his exponent, no force",
        "cutting.reach.whirl_rpm": "kilograms stand in newtons' place",
        "fits.heat.hot_limit_mm": "from 20 degrees",
        "fits.heat.shaft_for_limit_mm": "from 20 degrees",
        "fits.pressed.give_ratio": "gives for each newton on a square millimetre",
        "fits.pressed.pressure_mpa": "takes what it gives",
        "fits.pressed.work_tight_mm": "from 20 degrees",
        "layout.gear_laws.fewest_ratio": "a squared sine is written as books write it",
        "layout.shifted.shift_mm": "nought has no unit",
        "plan.laws.cold_mm": "from 20 degrees",
        "rings.laws.grows_mm": "from 20 degrees",
        "threads.classes.ba_tolerance_mm": "BS 93",
        "threads.classes.iso_allowance_um": "ISO 965-1",
        "threads.classes.iso_tolerance_um": "ISO 965-1",
        "threads.classes.unified_tolerance_inch": "ASME B1.1",
        "threads.classes.whitworth_tolerance_inch": "BS 84",
    }.items()
}


def test_every_law_is_in_the_units_of_its_name() -> None:
    wrong = {key: says for key, says in _wrong().items() if key not in FITTED}
    assert wrong == {}


def test_the_fitted_ones_are_fitted() -> None:
    """None is on that list that needs not be."""
    assert set(_wrong()) >= set(FITTED)


def test_most_laws_are_looked_at() -> None:
    looked = [key for key, law in laws().items() if arithmetic(law.formula) is not None]
    assert len(looked) > 250


@pytest.mark.parametrize(
    ("formula", "inputs"),
    [("{a_mm} + {b_n}", ("a_mm", "b_n")), ("sin({a_mm})", ("a_mm",)), ("2 ^ {a_mm}", ("a_mm",))],
)
def test_what_cannot_be_is_seen(formula: str, inputs: tuple[str, ...]) -> None:
    law = next(iter(laws().values()))
    other = type(law)("x.made_mm", law.label, formula, law.source, law.unit)
    with pytest.raises(TypeError):
        comes_out(other)
