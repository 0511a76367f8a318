"""What an answer is made of: figures that carry their own working.

A *law* is a small pure function of floats or arrays with its formula and source. A
:class:`Working` calls laws and records each call as a :class:`Step`; the words are put
together only when somebody looks, so working costs nothing in a sweep.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from inspect import signature
from typing import TYPE_CHECKING, Any, TypeVar

from runk.core.sources import MECHANICS, Source
from runk.core.units import PageUnit, Unit, show, unit_of, unit_shown

if TYPE_CHECKING:
    import numpy as np
    from numpy.typing import NDArray

    FloatArray = NDArray[np.float64]
    Num = TypeVar("Num", float, FloatArray)
else:
    Num = TypeVar("Num")

LawFunction = TypeVar("LawFunction", bound=Callable[..., Any])


@dataclass(frozen=True, slots=True)
class Holds:
    """Where a law holds: outside it the formula gives a number that means nothing.

    Args:
        says: What is so there, after "while": "the feed is no more than the tip's radius".
        when: Whether it is, by the law's own inputs, or by some of them.

    >>> small = Holds("the radius is under a metre", lambda radius_mm: radius_mm < 1000)
    >>> small.of({"radius_mm": 4.0, "width_mm": 2.0}), small.of({"radius_mm": 4000.0})
    (True, False)
    """

    says: str
    when: Callable[..., bool]

    def of(self, inputs: Mapping[str, float]) -> bool:
        """Whether it holds of these inputs."""
        return bool(self.when(**{name: inputs[name] for name in signature(self.when).parameters}))


@dataclass(frozen=True, slots=True)
class Law:
    """A formula: its name in words, its shape with the inputs named, its source, where it holds."""

    key: str
    label: str
    formula: str
    source: Source
    unit: Unit
    holds: Holds | None = None


_LAWS: dict[str, Law] = {}
_DECLARED: dict[Callable[..., Any], Law] = {}


def law(
    label: str, formula: str, source: Source = MECHANICS, *, holds: Holds | None = None
) -> Callable[[LawFunction], LawFunction]:
    """Declare a function a law. Its name must end with the unit of its result.

    Args:
        label: What it answers, two or three words.
        formula: With each input as ``{name}``; shown with the numbers put in.
        source: Authority, and how we have it.
        holds: Where it holds; a calculator that leaves that takes another law, stops or refuses.
    """

    def declare(function: LawFunction) -> LawFunction:
        key = _key(function)
        if key in _LAWS:
            raise ValueError(f"{key} is declared twice")
        _LAWS[key] = _DECLARED[function] = Law(
            key, label, formula, source, unit_of(function.__name__), holds
        )
        return function

    return declare


def _key(function: Callable[..., Any]) -> str:
    # Two modules may each have a law of the same plain name.
    return f"{function.__module__}.{function.__name__}"


def laws() -> dict[str, Law]:
    """Every declared law by name."""
    return dict(_LAWS)


@dataclass(frozen=True, slots=True)
class Step:
    """One line of working: a law, the numbers put in, what came out."""

    law: Law
    inputs: tuple[tuple[str, float], ...]
    value: float
    source: Source
    why: str = ""

    @property
    def holds(self) -> bool:
        """Whether the law holds of these numbers."""
        return self.law.holds is None or self.law.holds.of(dict(self.inputs))

    @property
    def while_says(self) -> str:
        """Where its law holds, in words; empty of one that holds everywhere.

        >>> Step(Law("a", "A", "{x}", MECHANICS, unit_of("a_mm")), (), 1.0, MECHANICS).while_says
        ''
        """
        if self.law.holds is None:
            return ""
        begins = "holds" if self.holds else "outside its range here: it holds only"
        return f"{begins} while {self.law.holds.says}"

    def words(self) -> str:
        """The formula with its numbers, and the result.

        Always in the formula's own units: turned to inches the sum would be untrue.

        >>> w = Working()
        >>> _ = w(_example_mm, radius_mm=4.0)
        >>> w.steps[0].words()
        '2 × 4 = 8.00 mm'
        """
        shown = {name: _shown_input(value) for name, value in self.inputs}
        left = self.law.formula.format(**shown)
        return f"{left} = {show(self.value, self.law.unit)} {self.law.unit.shown}"


def _shown_input(value: float) -> str:
    """Enough digits that the line can be checked by hand, and no more."""
    size = abs(value)
    places = 0 if size >= 10000 else 3 if size >= 1 or size == 0 else 4 if size >= 0.01 else 6
    text = f"{value:.{places}f}"
    return text.rstrip("0").rstrip(".") if "." in text else text


class Working:
    """Calls laws for a calculator and keeps each call as a step.

    >>> w = Working()
    >>> w(_example_mm, radius_mm=4.0)
    8.0
    """

    __slots__ = ("steps",)

    def __init__(self) -> None:
        self.steps: list[Step] = []

    def __call__(
        self,
        function: Callable[..., float],
        *,
        why: str = "",
        source: Source | None = None,
        **inputs: float,
    ) -> float:
        """Apply a law, record it, return its value.

        Args:
            function: A declared law.
            why: Said beside the step, where the numbers alone do not say it.
            source: Where the *inputs* have a weaker source than the formula.
            inputs: By the law's own parameter names.
        """
        declared = _DECLARED[function]
        value = function(**inputs)
        self.steps.append(
            Step(declared, tuple(inputs.items()), value, source or declared.source, why)
        )
        return value

    def of(
        self,
        function: Callable[..., float],
        key: str = "",
        *,
        since: int | None = None,
        why: str = "",
        source: Source | None = None,
        **inputs: float,
    ) -> Figure:
        """Apply a law and make its result a Figure.

        Args:
            key: The figure's key; the law's own name where left out.
            since: First step of its working; the law's own step where left out.

        >>> Working().of(_example_mm, radius_mm=4.0).words()
        '8.00 mm'
        """
        at = len(self.steps) if since is None else since
        value = self(function, why=why, source=source, **inputs)
        return self.figure(value, key or function.__name__, since=at)

    def figure(
        self, value: float, key: str, *, since: int = 0, places: int | None = None
    ) -> Figure:
        """A Figure from the steps recorded from index ``since`` on."""
        return Figure(value, unit_of(key), tuple(self.steps[since:]), places)


class Later(Sequence[Step]):
    """Steps that are taken again only when somebody looks: for the rows of a long table.

    Args:
        calls: Each a law and its inputs, in the law's own order.

    >>> one = reckoned("wide_mm", _example_mm, 4.0)
    >>> one.words(), one.steps[0].words()
    ('8.00 mm', '2 × 4 = 8.00 mm')
    """

    __slots__ = ("calls",)

    def __init__(self, *calls: tuple[Callable[..., float], tuple[float, ...]]) -> None:
        self.calls = calls

    def taken(self) -> tuple[Step, ...]:
        """The steps, taken now."""
        w = Working()
        for function, inputs in self.calls:
            named: dict[str, Any] = dict(zip(signature(function).parameters, inputs, strict=True))
            w(function, **named)
        return tuple(w.steps)

    def __len__(self) -> int:
        return len(self.calls)

    def __getitem__(self, at: Any) -> Any:
        return self.taken()[at]

    def __iter__(self) -> Iterator[Step]:
        return iter(self.taken())

    def __eq__(self, other: object) -> bool:
        return tuple(self) == tuple(other) if isinstance(other, Sequence) else NotImplemented

    def __hash__(self) -> int:
        return hash(self.taken())


def reckoned(
    key: str,
    function: Callable[..., float],
    *inputs: float,
    places: int | None = None,
    after: Figure | None = None,
) -> Figure:
    """A Figure by one law, its working made only when looked at.

    Args:
        key: The figure's key.
        function: A declared law.
        inputs: In the law's own order.
        places: Decimals on a millimetre page.
        after: A figure reckoned before it, which its inputs come from.
    """
    before = after.steps.calls if after is not None and isinstance(after.steps, Later) else ()
    value = function(*inputs)
    # What a float leaves of nought is nought.
    value = 0.0 if -1e-9 < value < 1e-9 else value
    return Figure(value, unit_of(key), Later(*before, (function, inputs)), places)


@dataclass(frozen=True, slots=True)
class Figure:
    """A number with its unit and working. One that is not finite cannot be made.

    >>> Figure(float("nan"), unit_of("depth_mm"))
    Traceback (most recent call last):
    ...
    ValueError: a figure in mm came to nan
    """

    value: float
    unit: Unit
    steps: Sequence[Step] = ()
    places: int | None = None
    fixed: bool = False
    """Whether it is shown in its own unit on every page: a size *in millimetres*."""

    def __post_init__(self) -> None:
        if not math.isfinite(self.value):
            raise ValueError(f"a figure in {self.unit.shown} came to {self.value}")

    def words(self, page: PageUnit = PageUnit.MM) -> str:
        """Number and unit together.

        >>> Figure(0.4064, unit_of("depth_mm")).words()
        '0.41 mm'
        """
        return f"{self.shown(page)} {self.unit_on(page)}"

    def shown(self, page: PageUnit = PageUnit.MM) -> str:
        """The number alone, rounded for show."""
        return show(self.value, self.unit, PageUnit.MM if self.fixed else page, self.places)

    def unit_on(self, page: PageUnit) -> str:
        """The unit's word on this page; beside a temperature the other scale's."""
        if self.unit.suffix == "c":
            return f"°C ({self.value * 1.8 + 32:.0f} °F)"
        return unit_shown(self.unit, PageUnit.MM if self.fixed else page)


def fine(figure: Figure) -> Figure:
    """A figure to the micrometre: what is set on a read-out, or measured to its last digit.

    >>> fine(Figure(7.75, unit_of("x_mm"))).words()
    '7.750 mm'
    """
    return replace(figure, places=3)


def told(value: float, key: str, places: int | None = 3) -> Figure:
    """A size as it was told: there is no working to it.

    Args:
        value: In the unit its key ends with.
        key: Such as ``bore_mm``.
        places: Decimals on a millimetre page.

    >>> told(22, "bore_mm").words()
    '22.000 mm'
    """
    return Figure(float(value), unit_of(key), (), places)


@dataclass(frozen=True, slots=True)
class Caution:
    """A warning that belongs to this very cut.

    Args:
        word: ``Mind`` or ``Stop``.
        about: What to mind, two or three words.
        says: The sentence.
        figure: Key of the figure it stands beside, if any.
        source: Who says so.
        instead: Of a ``Stop``: what to do instead, in a few words. It takes the headline's place.
    """

    word: str
    about: str
    says: str
    figure: str | None = None
    source: Source = field(default=MECHANICS)
    instead: str = ""


def stop(
    about: str, instead: str, says: str, figure: str | None = None, source: Source = MECHANICS
) -> Caution:
    """A caution where the work must not go on as asked.

    Args:
        about: What to mind, two or three words.
        instead: What to do instead, in a few words: nobody is left with a number that is forbidden.
        says: The sentence.
        figure: Key of the figure it stands beside, if any.
        source: Who says so.

    >>> stop("the length", "hold it shorter", "It whirls.").word
    'Stop'
    """
    return Caution("Stop", about, says, figure, source, instead)


def instead_of(cautions: Iterable[Caution]) -> str:
    """What a Stop among these says to do instead; empty where nothing stops the work.

    >>> instead_of([Caution("Mind", "the heat", "Let it cool.")])
    ''
    """
    return next((c.instead for c in cautions if c.instead), "")


@dataclass(frozen=True, slots=True)
class Link:
    """Where to go next, with the question partly filled in."""

    calculator: str
    question: tuple[tuple[str, str], ...]
    reason: str


@law("An example", "2 × {radius_mm}")
def _example_mm(radius_mm: Num) -> Num:
    return 2 * radius_mm
