"""Which field each metal of a line belongs to."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from runk.ask.sizes import Cutting, Size
from runk.core.kinds import Kind, OfMetal, OfMetals
from runk.core.refusals import Refused
from runk.core.workshop import Workshop

_ARTICLES = frozenset({"a", "an", "the"})
_LEADS = frozenset({"in", "into", "on", "onto", "turn"})
"""Words that lead to the metal behind them, and are no part themselves."""


@dataclass(frozen=True, slots=True)
class Metals:
    """A metal said in the line."""

    start: int
    end: int
    key: str


@dataclass(slots=True)
class Taken:
    """The metals given to their fields, and the numbers that turned out to be none."""

    typed: dict[str, str] = field(default_factory=dict)
    used: set[int] = field(default_factory=set)
    numbers: set[int] = field(default_factory=set)


def take_metals(
    said: list[Metals], asked: Mapping[str, Kind], cutting: Cutting, workshop: Workshop
) -> Taken:
    """Give each metal to its field.

    A bare number such as 303 is a metal only where no other is named, or where it says which of
    those named it is: stainless steel 316.

    Raises:
        Refused: Two metals where there is room for one.
    """
    found = Taken()
    words = cutting.words
    lists = next((n for n, k in asked.items() if isinstance(k, OfMetals)), None)
    fields = [n for n, k in asked.items() if isinstance(k, OfMetal) and not k.several]
    if lists is not None:
        spoken = [" ".join(words[m.start : m.end]) for m in said]
        if spoken:
            found.typed[lists] = ", ".join(dict.fromkeys(spoken))
    elif len(fields) > 1:
        _several(said, fields, asked, words, cutting.sizes, found)
    elif fields:
        said = _one(said, fields[0], words, workshop, found)
    else:
        return found
    for metal in said:
        found.used.update(range(metal.start, metal.end))
    return found


def _one(
    said: list[Metals], name: str, words: tuple[str, ...], workshop: Workshop, found: Taken
) -> list[Metals]:
    def number(metal: Metals) -> bool:
        return metal.end == metal.start + 1 and words[metal.start].isdigit()

    spoken = [m for m in said if not number(m)]
    families = {workshop.metals[m.key].family for m in spoken}
    closer = [m for m in said if number(m) and workshop.metals[m.key].family in families]
    if len(families) == 1 and len(closer) == 1:
        # The number says which of them.
        taken = [*spoken, closer[0]]
        keys = [closer[0].key]
    elif spoken:
        taken, keys = spoken, list(dict.fromkeys(m.key for m in spoken))
    else:
        taken, keys = said[:1], [m.key for m in said[:1]]
    found.numbers.update(m.start for m in said if m not in taken)
    if len(keys) > 1:
        both = " and ".join(dict.fromkeys(" ".join(words[m.start : m.end]) for m in taken))
        raise Refused(f"I read two metals: {both}. Which is being cut?", field=name)
    if keys:
        found.typed[name] = keys[0]
    return taken


def _several(
    said: list[Metals],
    fields: list[str],
    asked: Mapping[str, Kind],
    words: tuple[str, ...],
    sizes: tuple[Size, ...],
    found: Taken,
) -> None:
    """Two metals: the word before one says which it is; the rest go where no word leads."""
    rest = []
    sized = {at for size in sizes for at in range(size.start, size.end)}
    taken = {at for metal in said for at in range(metal.start, metal.end)}
    for metal in said:
        at = metal.start - 1
        # In a 3/4 iron boss: a size between says nothing of which part it is.
        while at >= 0 and (words[at].lower() in _ARTICLES or at in sized):
            at -= 1
        lead = words[at].lower() if at >= 0 else ""
        # A dural piston, brass shaft: the part right behind is of that metal, unless it claims the
        # number or the metal that follows it.
        behind = words[metal.end].lower() if metal.end < len(words) else ""
        claims = any(behind in kind.hints for kind in asked.values())
        if behind in _LEADS or (claims and metal.end + 1 in sized) or metal.end + 1 in taken:
            behind = ""
        led = next(
            (
                n
                for w in (behind, lead)
                for n in fields
                if n not in found.typed and w in asked[n].before
            ),
            None,
        )
        if led:
            found.typed[led] = metal.key
        else:
            rest.append(metal.key)
    left = sorted((n for n in fields if n not in found.typed), key=lambda n: bool(asked[n].before))
    found.typed.update(zip(left, rest, strict=False))
