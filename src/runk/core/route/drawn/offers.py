"""What may come next in a line of a part: kinds of feature, clauses, places of its neighbours."""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from fractions import Fraction

from runk.core.lengths.show import bare
from runk.core.refusals import Refused
from runk.core.route.drawn.cut import cut_up
from runk.core.route.drawn.examples import EXAMPLES
from runk.core.route.drawn.kinds import kind_of, placeless
from runk.core.route.drawn.sentence import features_of
from runk.core.route.feature import FEATURE
from runk.core.route.feature_question import (
    ENTERED,
    INSIDE,
    KINDS,
    ROUND,
    SENTENCES,
    SIDES,
    FeatureQuestion,
)
from runk.core.units import PageUnit

GAP = "?"
"""Stands where a size is wanted: no line with one in it can be kept."""
MOST = 12
_PIECE = re.compile(r"\[([^\]]*)\]|([^,\[\]]+|,[^,\[\]]+)")
_CLAUSE = re.compile(r"[^{}]*\{\w+\}(?: (?!at|down|by)[a-z]+)?")
_FIELD = re.compile(r"\{(\w+)\}")
_WORD = re.compile(r"[A-Za-z][A-Za-z-]*$")
_TRIED = {
    "size": "20",
    "small": "12",
    "throw": "3",
    "wide": "2",
    "deep": "2",
    "circle": "30",
    "apart": "9",
    "rise": "9",
    "angle": "30",
    "count": "3",
    "screw": "M4",
    "called": "mark",
    "limits": "H7",
    "side": "from the right end",
    "up": "5",
    "start": "0",
    "end": "40",
}
"""With what a clause is tried, to see that the line can be read with it."""
_BESIDES = {
    "called": "a name of its own",
    "circle": "the circle their centres lie on",
    "apart": "from each to the next",
    "rise": "from row to row",
    "up": "and so far up",
    "angle": "how it leans",
}
_LABELS = {choice.label for choice in KINDS}
_CLASSES = {
    True: (("H7", "as a reamer leaves it"), ("H8", "as it is bored")),
    False: (("g6", "to run close"), ("f7", "to run freely"), ("h6", "to slide, or a seat")),
}


@dataclass(frozen=True, slots=True)
class Offer:
    """What may come next.

    Args:
        shows: The words that are added.
        line: The line with them; ``?`` in it where a size is to be typed.
        says: What they are.
        kind: Of feature, where it is one that is offered.
    """

    shows: str
    line: str
    says: str
    kind: str = ""


def offers(
    line: str, page: PageUnit, beside: Sequence[FeatureQuestion] = (), long: Fraction | None = None
) -> tuple[Offer, ...]:
    """What may come next in a line, the likeliest first.

    Args:
        line: As far as it is typed.
        page: What a bare number means.
        beside: The features of the other lines, whose ends and names may be spoken of.
        long: How long the part is, in millimetres, where that is known.

    >>> [one.line for one in offers("kn", PageUnit.MM)]
    ['knurl ']
    >>> [one.shows for one in offers("bore 22", PageUnit.MM, long=Fraction(60))][:2]
    ['from 0 to 60', 'from 0 to ?']
    """
    kind = _kind(line, page)
    named = _kinds(line, kind, page)
    if kind is None:
        return named
    typed = _WORD.search(line)
    begun = "" if typed is None or line.endswith(" ") else typed[0].lower()
    whole = line.rstrip(" ,")
    found = _clauses(whole, kind, page, beside, long)
    if begun:
        # Half a word: what it may become, before what may follow it.
        short = whole[: -len(begun)].rstrip(" ,")
        if _kind(short, page) == kind:
            half = _clauses(short, kind, page, beside, long)
            half = [one for one in half if _begins(one, begun)]
            found = half or found
    return tuple((*named, *found)[:MOST])


def _begins(offer: Offer, begun: str) -> bool:
    words = re.findall(r"[a-z-]+", f"{offer.shows} {offer.says}".lower())
    return any(word.startswith(begun) and word != begun for word in words)


def _kind(line: str, page: PageUnit) -> str | None:
    try:
        plain = cut_up(line, page)
    except Refused:
        return None
    found = kind_of(placeless(plain.text)[0], "%" in plain.text)
    return None if found is None else found.kind


def _kinds(line: str, kind: str | None, page: PageUnit) -> tuple[Offer, ...]:
    """Kinds of feature whose words begin as the last word does; all of them on an empty line."""
    typed = _WORD.search(line)
    begun = "" if typed is None else typed[0].lower()
    if line.strip() and not begun:
        return ()
    before = line[: len(line) - len(begun)]
    found = []
    for choice in KINDS:
        word = next((w for w in (choice.label, *choice.words) if w.startswith(begun)), None)
        if word is None or choice.key == kind or (word == begun and kind is not None):
            continue
        counted = f"{GAP} " if SENTENCES[choice.key].startswith("{count}") else ""
        found.append(
            Offer(word, f"{before}{counted}{word} ", EXAMPLES[choice.key][page], choice.key)
        )
    if kind is not None:
        # The word is whole: only what it may still become, as a bore a keyway in it.
        found = [
            one
            for one in found
            if begun and one.shows.startswith(f"{begun} ") and one.shows in _LABELS
        ]
    return tuple(found)


def _clauses(
    line: str, kind: str, page: PageUnit, beside: Sequence[FeatureQuestion], long: Fraction | None
) -> list[Offer]:
    """What is wanted yet, in the order of its sentence; then what may be said besides."""
    pieces = [(piece, _FIELD.findall(piece)) for piece in _pieces(kind)]
    now, wanted = _whole(line, pieces, page, long)
    if now is None:
        return []
    first: list[Offer] = []
    then: list[Offer] = []
    for piece, names in pieces:
        if wanted.isdisjoint(names) and any(_told(now, name) for name in names):
            continue
        if names == ["limits"] and "size" in wanted:
            continue
        for text, says in _filled(piece, names, kind, page, beside, long):
            read, _ = _whole(f"{line}{_tried(text, names)}", pieces, page, long)
            if read is None or not all(_told(read, name) for name in names):
                continue
            offer = Offer(text.strip(" ,"), f"{line}{text}", says)
            (then if wanted.isdisjoint(names) else first).append(offer)
    return [*first, *then]


def _told(feature: FeatureQuestion, name: str) -> bool:
    return getattr(feature, name) not in (None, "")


def _whole(
    line: str, pieces: Sequence[tuple[str, list[str]]], page: PageUnit, long: Fraction | None
) -> tuple[FeatureQuestion | None, set[str]]:
    """The feature a line would be with all that is wanted put to it; and what that is."""
    wanted: set[str] = set()
    while True:
        try:
            read = features_of(line, page, long)
            return (read[0] if len(read) == 1 else None), wanted
        except Refused as refused:
            field = refused.field
        piece = next((one for one in pieces if field in one[1]), None)
        if field is None or piece is None or field in wanted:
            return None, wanted
        wanted.update(piece[1])
        line += _FIELD.sub(lambda name: _TRIED[name[1]], piece[0])


def _pieces(kind: str) -> list[str]:
    """The clauses of a kind's sentence, each as it is added to a line."""
    behind = re.sub(r"^.*\{kind\}", "", SENTENCES[kind])
    found = []
    for inside, outside in _PIECE.findall(behind):
        whole = inside or outside
        found += [whole] if "{start} to" in whole else _CLAUSE.findall(whole)
    return found


def _filled(
    piece: str,
    names: Sequence[str],
    kind: str,
    page: PageUnit,
    beside: Iterable[FeatureQuestion],
    long: Fraction | None,
) -> Iterable[tuple[str, str]]:
    """A clause with what is known in it, and what it is."""
    asks = _asks(names[0])
    if names == ["limits"]:
        inside = kind in (*INSIDE, "drilled", "reamed", "holes")
        for grade, says in _CLASSES[inside] if inside or kind in ROUND else ():
            yield f" {grade}", says
        yield f" +{GAP} -{GAP}", "limits, as a drawing writes them"
    elif names == ["side"]:
        for side in SIDES:
            yield piece.replace("{side}", side.label), ""
    elif names[0] == "start" and kind in ENTERED and kind != "slot":
        yield _FIELD.sub(GAP, piece), "so far along"
    elif names[0] == "start":
        yield from _placed(piece, names, page, beside, long)
    else:
        yield _FIELD.sub(GAP, piece), asks


def _placed(
    piece: str,
    names: Sequence[str],
    page: PageUnit,
    beside: Iterable[FeatureQuestion],
    long: Fraction | None,
) -> Iterable[tuple[str, str]]:
    """Places: the whole length, either end, and where a neighbour ends."""
    ends = dict.fromkeys(names, GAP)

    def put(**places: str) -> str:
        return _FIELD.sub(lambda name: (ends | places)[name[1]], piece)

    told = None if long is None else bare(long, page)
    if "end" in names and told is not None:
        yield put(start="0", end=told), "all along it"
    yield put(start="0"), "at its right end" if "end" not in names else "from its right end"
    if told is not None:
        last = put(start=GAP, end=told) if "end" in names else put(start=told)
        yield last, "to its left end" if "end" in names else "at its left end"
    for one in beside:
        if one.end is not None and one.end > 0 and one.end != long:
            yield put(start=bare(one.end, page)), f"where the {one.called or one.kind} ends"
    yield put(), "so far from its right end"


def _tried(text: str, names: Sequence[str]) -> str:
    """A clause with some size in each gap."""
    sizes = iter([_TRIED.get(name, "1") for name in names])
    if "limits" in names:
        return text.replace(GAP, "0.02")
    if GAP in text and len(names) > text.count(GAP):
        # One of two places is known: the other has to lie past it.
        return text.replace(GAP, "1000" if text.rstrip().endswith(GAP) else "-1")
    return re.sub(re.escape(GAP), lambda _: next(sizes), text)


def _asks(name: str) -> str:
    kind = FEATURE.fields[name]
    return kind.asks or _BESIDES.get(name, kind.label)
