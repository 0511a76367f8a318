"""How a number comes to a field: by the noun on either side of it, or loose."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence

from runk.ask.sizes import Size
from runk.core.kinds import Angle, Count, Kind, Number, OfPitch, Pressure
from runk.core.saying import Phrase, Slot

_LINKS = frozenset({"a", "an", "the", "is", "of", "are", "about", "only", "=", ":"})
_JOINS = _LINKS | {"at", "has", "in", "on", "over", "to", "with", "by", "per"}
_BEHIND, _BEFORE, LOOSE = 0.0, 0.3, 2.0
"""What it costs that a noun stands behind its number, before it, nowhere."""
_LINKED, _JOINED = 0.1, 0.4
"""The same of a word between: *length is 50*; of one that begins another clause: *30 on length*."""
_LONGER, _OWN, _COUNTED = 0.05, 0.1, 0.8
"""What a longer noun is worth, and a unit of its own costs."""
_LEADS = frozenset(
    """
    at around between by down for from in into is measures needs off on onto over reads round says
    should to want wanted wants with
    """.split()  # noqa: SIM905
)
"""Words that only lead to the number behind them: *over* 40, *from* 16 *to* 12."""
_FARTHEST = 1.2
_OF_ANGLES: tuple[Phrase, ...] = (("degrees",), ("degree",), ("deg",), ("°",))
_OF_PITCHES: tuple[Phrase, ...] = (("tpi",),)
_OF_PRESSURES: tuple[Phrase, ...] = (("bar",), ("psi",), ("kpa",), ("mpa",))


def text_of(
    slot: Slot, kind: Kind | None, size: Size, noun: tuple[int, ...], lower: Sequence[str]
) -> str:
    """A number as it would be typed into its field, its unit with it."""
    behind = tuple(lower[size.end : size.end + 1])
    if isinstance(kind, OfPitch) and behind in _OF_PITCHES:
        return f"{size.text} tpi"
    if isinstance(kind, Pressure) and behind in _OF_PRESSURES:
        return f"{size.text} {behind[0]}"
    return f"2*{size.text}" if tuple(lower[at] for at in noun) in slot.twice else size.text


def takes(slot: Slot, kind: Kind | None, size: Size) -> bool:
    """Whether a number can be a field's at all."""
    if kind is None:
        return size.thread == slot.name.startswith("_thread")
    if isinstance(kind, Count):
        return size.text.isdigit()
    if size.thread:
        # A tap's size is its thread's.
        return ("@",) in slot.nouns and size.reading is not None
    if isinstance(kind, Number):
        return re.fullmatch(r"-?\d*\.?\d+(?:/\d+)?", size.text) is not None
    return size.reading is not None


def claims(
    slot: Slot, kind: Kind | None, size: Size, lower: Sequence[str]
) -> Iterator[tuple[float, tuple[int, ...]]]:
    """How a number may come to a field: by a noun behind it, before it, or loose."""
    told = any("deg" in word for phrase in slot.nouns for word in phrase)
    own = _OF_ANGLES if isinstance(kind, Angle) and not told else ()
    own = _OF_PITCHES if isinstance(kind, OfPitch) else own
    own = _OF_PRESSURES if isinstance(kind, Pressure) else own
    best: tuple[float, tuple[int, ...]] | None = None
    for phrase in (*slot.nouns, *own):
        for cost, at in _beside(phrase, size, lower):
            cost += _OWN * (phrase in own) - _LONGER * len(phrase)
            # Things are counted before they are named: 6 holes, and hardly ever holes 6.
            cost += _COUNTED * (isinstance(kind, Count) and bool(at) and at[0] < size.start)
            if best is None or cost < best[0]:
                best = cost, at
    if best is not None:
        yield best
    if size.thread and (slot.idle or ("@",) in slot.nouns):
        yield LOOSE, ()
        return
    turned = any(tuple(lower[size.end : size.end + 1]) == p for p in _OF_ANGLES)
    if slot.loose and (not turned or isinstance(kind, Angle)):
        yield LOOSE, ()


def _beside(
    phrase: Phrase, size: Size, lower: Sequence[str]
) -> Iterator[tuple[float, tuple[int, ...]]]:
    many = len(phrase)
    at, between = size.end, 0.0
    while phrase[-1] not in _LEADS and at < len(lower) and between <= _FARTHEST:
        if tuple(lower[at : at + many]) == phrase:
            yield _BEHIND + between, tuple(range(at, at + many))
            break
        if lower[at] not in _JOINS:
            break
        between += _LINKED if lower[at] in _LINKS else _JOINED
        at += 1
    at, between = size.start, 0.0
    while at > 0 and between <= _FARTHEST:
        if at >= many and tuple(lower[at - many : at]) == phrase:
            yield _BEFORE + between, tuple(range(at - many, at))
            break
        if lower[at - 1] not in _JOINS:
            break
        between += _LINKED if lower[at - 1] in _LINKS else _JOINED
        at -= 1
