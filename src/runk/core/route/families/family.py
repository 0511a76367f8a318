"""A family of parts: what it asks, and how its sizes become lines like any other."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from fractions import Fraction
from math import ceil
from typing import Literal

from runk.core.lengths import read_length
from runk.core.lengths.show import bare
from runk.core.refusals import Refused
from runk.core.threads.series import Thread, find_thread
from runk.core.units import PageUnit

_INCH = Fraction("25.4")
_MOST = 24
"""So many holes or rings at most."""


@dataclass(frozen=True, slots=True)
class Size:
    """A size a family asks for.

    Args:
        key: Of it.
        label: What it is called beside its box.
        mm: An example on a millimetre page; ``inch`` on the other.
        kind: A length, a thread or a number of things.
        spare: Whether it may be left out.
    """

    key: str
    label: str
    mm: str
    inch: str
    kind: Literal["length", "thread", "count"] = "length"
    spare: bool = False

    def example(self, page: PageUnit) -> str:
        """One that could be typed."""
        return self.inch if page is PageUnit.INCH else self.mm


@dataclass(frozen=True, slots=True)
class Sizes:
    """Sizes as they were read, in millimetres, and the page they are told again on."""

    page: PageUnit
    lengths: Mapping[str, Fraction]
    threads: Mapping[str, Thread]
    counts: Mapping[str, int]

    def __getitem__(self, key: str) -> Fraction:
        return self.lengths[key]

    def of(self, mm: Fraction) -> str:
        """A size as it is typed on this page."""
        return bare(mm, self.page)

    def bar(self, dia: Fraction) -> str:
        """The thickness of a bar that a diameter is turned from: the skin comes off all round."""
        step = _INCH / 16 if self.page is PageUnit.INCH else Fraction(1)
        return self.of(ceil((dia + step / 2) / step) * step)

    def piece(self, long: Fraction) -> str:
        """How long a piece is sawn for a part: a facing cut at either end, and whole sizes."""
        step = _INCH / 8 if self.page is PageUnit.INCH else Fraction(5)
        return self.of(ceil((long + step / 2) / step) * step)


@dataclass(frozen=True, slots=True)
class Begun:
    """A part as a family begins it.

    Args:
        blank: What it is made from.
        lines: Its features, a line each.
    """

    blank: str
    lines: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Family:
    """Parts of one sort.

    Args:
        key: Of it.
        name: As one says it.
        says: What it is, in a sentence.
        sizes: What is asked.
        begin: Its lines.
    """

    key: str
    name: str
    says: str
    sizes: tuple[Size, ...]
    begin: Callable[[Sizes], Begun]


def begun(family: Family, typed: Mapping[str, str], page: PageUnit) -> Begun:
    """A part out of the sizes of its family.

    Args:
        family: Which.
        typed: Each size as typed; what may be left out may be empty.
        page: What a bare number means.

    Raises:
        Refused: A size is missing, cannot be read, or cannot be with another.

    >>> from runk.core.route.families.every import FAMILIES
    >>> bush = FAMILIES["bush"]
    >>> begun(bush, {"outside": "16", "bore": "10", "long": "20"}, PageUnit.MM).blank
    'bar 17'
    """
    lengths: dict[str, Fraction] = {}
    threads: dict[str, Thread] = {}
    counts: dict[str, int] = {}
    for size in family.sizes:
        text = typed.get(size.key, "").strip()
        if not text:
            if size.spare:
                continue
            raise Refused(
                f"{_said(size)}: how much?" if size.kind == "length" else f"{_said(size)}: which?",
                field=size.key,
                suggest=size.example(page),
            )
        try:
            if size.kind == "thread":
                threads[size.key] = find_thread(text)
            elif size.kind == "count":
                counts[size.key] = _count(text)
            else:
                lengths[size.key] = read_length(text, page).mm
                see(lengths[size.key] > 0, size.key, "It is more than nought.")
        except Refused as refused:
            raise Refused(
                f"{_said(size)}: {refused.template}", field=size.key, suggest=size.example(page)
            ) from None
    return family.begin(Sizes(page, lengths, threads, counts))


def _said(size: Size) -> str:
    return size.label[0].upper() + size.label[1:]


def _count(text: str) -> int:
    if not text.isdigit() or not 1 <= int(text) <= _MOST:
        raise Refused(f"A whole number from 1 to {_MOST}.")
    return int(text)


def see(holds: bool, field: str, says: str) -> None:
    """Refuse sizes that cannot be together.

    Raises:
        Refused: They cannot.
    """
    if not holds:
        raise Refused(says, field=field)
