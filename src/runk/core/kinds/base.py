"""What every kind of field has in common."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from decimal import Decimal
from typing import Any, ClassVar

from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

LONGEST_TYPED = 2000
"""Characters of one field: nothing anybody types is longer, and nothing longer is looked at."""


@dataclass(frozen=True, slots=True)
class Told:
    """What a kind has to know to read a field.

    Args:
        page: What a bare number means.
        workshop: Whose metals and machines may be named.
        chosen: Key of the ruling choice, ``""`` where there is none.
    """

    page: PageUnit
    workshop: Workshop
    chosen: str = ""


@dataclass(frozen=True, slots=True)
class Taken:
    """A field as read.

    Args:
        value: As the question holds it.
        reading: How a size was read, for the echo beside the field.
    """

    value: Any
    reading: Reading | None = None


@dataclass(frozen=True, kw_only=True)
class _Common:
    """What may be said of any field, whatever its kind.

    Args:
        only: Keys of the ruling field under which it is asked; empty for all.
        needed: Keys of the ruling field under which it must be said (``*`` for all), where the
            question gives it a default for the others.
        principal: Takes the first number of a line that nothing else claims.
        before: Words that claim only the number after them: *from* 16 *to* 14.5.
        placeholder: Shown where nothing is given.
        own: Belongs to the ruling choice as it stands: let go when another is chosen.
        low: Smallest allowed, in the kind's own measure.
        high: Largest allowed.
        usual: Between which sizes work of this kind lies in a small workshop: an Ask line with
            two readings is read as the one that lies there; by choice of the ruling field where
            it depends on that.
        spare: Takes a loose number that lies far outside what the principal field usually is.
        over: Name of a field it is always larger than: of two loose numbers it takes the larger.
        shared: Fields of other questions of the same name here mean the same thing: what is typed
            in one is typed in all.
        asks: The sentence that asks for it, where its label does not make a good one.
        or_else: Another field that may be said in its place, or several parted by spaces: a screw
            for the size of its hole.
        deaf: Keys of the ruling field under which its hints mean something else in a line.
    """

    only: tuple[str, ...] = ()
    needed: tuple[str, ...] = ()
    principal: bool = False
    before: tuple[str, ...] = ()
    placeholder: str = ""
    own: bool = False
    low: float | None = None
    high: float | None = None
    usual: tuple[float, float] | Mapping[str, tuple[float, float]] | None = None
    spare: bool = False
    or_else: str = ""
    over: str = ""
    deaf: tuple[str, ...] = ()
    shared: str = ""
    asks: str = ""


_QUESTIONS = ("what", "which", "how", "where")
_MEASURES = {
    "length": "How long is {}?",
    "width": "How wide is {}?",
    "thickness": "How thick is {}?",
    "depth": "How deep is {}?",
    "height": "How high is {}?",
    "temperature": "How warm is {}?",
    "outside": "How large is {} outside?",
    "diameter": "What diameter is {}?",
    "metal": "What metal is {}?",
    "section": "What section is {}?",
    "class": "Which class is {}?",
    "size": "What size is {}?",
}
"""How much of a thing is asked, by the noun its label begins with: *length of the joint*."""
_QUANTITIES = frozenset(
    ("angle", "force", "gap", "pitch", "pressure", "radius", "speed", "stroke", "throw", "torque")
)
_NOUNS = frozenset(
    """
    alloy colour compound contact cover cutter dial drill finish fit gear hand head holding joint
    lathe leadscrew limits machine magnet metals name operation pattern point profile purpose
    school screw series set-up shape side sign spark stage sum surface taper thread tool use way
    wheels
    """.split()  # noqa: SIM905
)


def asked_for(label: str, how: str = "which") -> str:
    """A question that a label makes, as one would ask it aloud.

    Args:
        label: As a field has it.
        how: What is asked of one that is no noun of its own.

    >>> asked_for("length of cut"), asked_for("metal of the rod"), asked_for("thickness")
    ('How long is the cut?', 'What metal is the rod?', 'How thick is it?')
    >>> asked_for("stage"), asked_for("parts", "how many"), asked_for("to come off", "how much")
    ('Which stage?', 'How many parts?', 'To come off: how much?')
    """
    first, _, rest = label.partition(" ")
    whole = f"{label[0].upper()}{label[1:]}"
    if first.lower() in _QUESTIONS:
        return f"{whole}?"
    if first in _MEASURES and (not rest or (rest.startswith("of ") and "," not in label)):
        what = rest.removeprefix("of ")
        if what and what.split()[0] not in ("the", "a", "that", "its"):
            what = f"the {what}"
        return _MEASURES[first].format(what or "it")
    if how == "how many" and "," not in label:
        return f"How many {label}?"
    if first in _QUANTITIES and not rest:
        return f"What {label} is it?"
    if first in _NOUNS and not rest:
        return f"Which {label}?"
    return f"{whole}: {how}?"


@dataclass(frozen=True)
class Kind(_Common):
    """A field of a question: what it holds, how it is read, said, found and offered.

    A new kind is one subclass in one file; nothing else asks which kind a field is.

    Args:
        label: Its name in words.
        hints: Words that claim the number beside them, before or after.
    """

    label: str
    hints: tuple[str, ...] = field(default=())

    name: ClassVar[str]
    """On the wire."""
    widget: ClassVar[str] = "typed"
    """How it is entered: ``typed``, ``size`` (with the pad for sizes), ``list`` or ``chosen``."""
    wire: ClassVar[Any] = str | None
    """What its JSON may be."""
    numbered: ClassVar[bool] = True
    """Whether a size of an Ask line can be its value."""
    in_page_unit: ClassVar[bool] = False
    """Whether a bare number in it means another size on an inch page."""
    several: ClassVar[bool] = False
    """Whether it takes a list."""
    step: ClassVar[str] = "."
    """What any one step of it may be in a line known by its shape, as a pattern."""
    begins: ClassVar[str] = ""
    """With what it begins there, as a pattern; empty where with anything."""
    reach: ClassVar[int] = 48
    """How many steps of it a line may have."""
    open: ClassVar[str] = "which"
    """What a label that is no noun of its own is asked with: *to come off the bar: how much?*"""
    rules: bool = field(default=False, init=False)
    """Whether it decides which other fields are asked."""

    def read(self, raw: Any, told: Told) -> Taken:
        """Read what was typed.

        Raises:
            Refused: It cannot be read, or lies outside the field's bounds.
        """
        raise NotImplementedError

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        """The value as a live word of the sentence.

        Args:
            value: As the question holds it.
            reading: How it was read, where it was typed.
            told: The page and the workshop.
            every: Say what is usual as well.
        """
        return str(value)

    def missing(self) -> str:
        """The sentence that asks for it: its own, or one its label makes."""
        return self.asks or asked_for(self.label, self.open)

    def phrases(self, told: Told) -> Iterable[tuple[str, str]]:
        """Words of an Ask line that name one of its values, each with what to type for it."""
        return ()

    def takes(self, text: str, told: Told) -> bool:
        """Whether a size of an Ask line, as typed, can be its value."""
        return self.numbered

    def is_asked(self, chosen: str) -> bool:
        """Whether it is asked under a choice of the ruling field."""
        return not self.only or chosen in self.only

    def usual_under(self, chosen: str) -> tuple[float, float] | None:
        """Between which sizes it usually lies, under a choice of the ruling field."""
        return self.usual.get(chosen) if isinstance(self.usual, Mapping) else self.usual

    def is_needed(self, chosen: str) -> bool:
        """Whether it must be said there, though the question has a default."""
        return "*" in self.needed or chosen in self.needed

    def bounded(self, value: float, told: Told) -> None:
        """Refuse what lies outside the bounds.

        Raises:
            Refused: Naming the bound in the page's unit.
        """
        what = self.label[0].upper() + self.label[1:]
        if self.low is not None and value < self.low:
            raise Refused(f"{what}: at least {self.say_bound(self.low, told)}.")
        if self.high is not None and value > self.high:
            raise Refused(f"{what}: {self.say_bound(self.high, told)} at most.")

    def say_bound(self, bound: float, told: Told) -> str:
        """A bound in words."""
        return f"{bound:g}"


def as_typed(raw: Any) -> str:
    """What somebody would have typed: a JSON number becomes its digits, never ``1e-07``.

    Raises:
        Refused: It is longer than anything anybody types.

    >>> as_typed(1e-07)
    '0.0000001'
    """
    text = f"{Decimal(repr(raw)):f}" if isinstance(raw, float) else str(raw)
    if len(text) > LONGEST_TYPED:
        raise Refused(f"That is {len(text)} characters; {LONGEST_TYPED} is the most read.")
    return text
