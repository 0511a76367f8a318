"""A whole part told at once: lines of a list, or one sentence with commas and *then*."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass

from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.route.drawn.blank import Blank, blank_of_line, without_metal
from runk.core.route.drawn.cut import cut_up
from runk.core.route.drawn.kinds import HEARD, NOT_YET, placeless
from runk.core.route.drawn.together import Heard, heard_together
from runk.core.route.drawn.written import small
from runk.core.units import PageUnit

LONGEST, MOST_LINES = 2000, 60
_A_LIST = 2
"""So many lines are a list."""
_BREAK = re.compile(
    r"\s*[,;:](?!\d)\s*|\s+(?:then|with|plus)\s+|\s+and\s+(?=(?:a|an|the|two|three|four|five|six|\d+)\b)"
)
_LINES = re.compile(r"\s*\n\s*")
_ONE_END = re.compile(r"\b(?:(?:at|on|in) )?one end\b")
_OTHER = re.compile(r"\b(?:(?:at|on|in) )?(?:the )?other(?: end)?\b")
_COUNT = re.compile(r"\b(\d{1,3}) ?(?:off|of them)\b|\bmake (?:me )?(\d{1,3})\b")
_ASKING = re.compile(
    r"^(?:(?:please|turn|make|me|draw|a|an|i|need|want|the|little|small|new|part|it|is|one|from|of"
    r"|out|up)\b[ :]*)+"
)
_FORM = re.compile(
    r"\b(?:bar|rod|casting|plate|sheet|block|disc|disk|tube|hexagon|hex|square|round|blank)\b"
)
_SIZED = re.compile(r"[#%]\d")
_AT_END = re.compile(r"\b(?:right|left|both) ends?\b")
_LONG = re.compile(r"[\d./ ]+(?: ?(?:mm|in|inch|\"))? ?(?:long|lg|thick|thk)")
_LENGTH = re.compile(r"\b(?:long|lg|length|thick|thk)\b|\d ?x ?\d| by ", re.IGNORECASE)
_BARE_BORE = re.compile(r"(?:a |an )?(?:#\d+ bore|bore (?:dia )?#\d+)(?: dia)?(?: \^\d+)?")
_ALONE = ("outside", "plane", "split", "profile", "slot")
"""Kinds whose words a blank may have too: a flange, a thickness."""


@dataclass(frozen=True, slots=True)
class Whole:
    """A part as it was told.

    Args:
        name: Of it; empty where none was told.
        alike: How many are made.
        metal: Key of its metal; empty where none was named.
        blank: Its words; ``stock`` what they were read as, or why they could not be.
        lines: Of its features, each its own words.
        heard: What each was read as beside the others, or why it could not be.
    """

    name: str
    alike: int
    metal: str
    blank: str
    stock: Blank | Refused
    lines: tuple[str, ...]
    heard: tuple[Heard, ...]


def whole_part(text: str, page: PageUnit, metals: Mapping[str, Metal]) -> Whole:
    """A part from lines, or from one sentence.

    Args:
        text: As typed or pasted.
        page: What a bare number means.
        metals: Those there are.

    Raises:
        Refused: There is nothing, or too much.

    >>> from runk.core.metals.metal import shipped_metals
    >>> told = "peg, brass, 12 dia 40 long, one end turned to 8 for 15, 1 chamfer on the other"
    >>> peg = whole_part(told, PageUnit.MM, shipped_metals())
    >>> peg.name, peg.metal, peg.blank
    ('peg', 'brass', 'brass 12 dia 40 long')
    >>> [(f[0].kind, float(f[0].start)) for f in peg.heard]
    [('outside', 0.0), ('chamfer', 40.0)]
    """
    if len(text) > LONGEST:
        raise Refused(f"{len(text)} characters are too many at once: {LONGEST} at most.")
    pieces = [one for one in _LINES.split(text.strip()) if one]
    if len(pieces) < _A_LIST:
        pieces = [one for one in _BREAK.split(text.strip()) if one]
    if not pieces:
        raise Refused(
            "What is the part?", suggest="peg, brass, 12 dia 40 long, chamfer 1 both ends"
        )
    pieces = [re.sub(r"^(?:and|with|then|plus) ", "", one) for one in pieces]
    pieces = [_OTHER.sub("left end", _ONE_END.sub("right end", one)) for one in pieces]
    alike, pieces = _many(pieces)
    head, lines = _parted(pieces)
    name, blank = _called(head, metals)
    try:
        stock: Blank | Refused = blank_of_line(blank, page, metals)
    except Refused as refused:
        stock = refused
    if len(lines) > MOST_LINES:
        raise Refused(f"{len(lines)} features are too many at once: {MOST_LINES} at most.")
    lines = [_through(one, page) for one in lines]
    asked = None if isinstance(stock, Refused) else stock.asked
    heard = heard_together(lines, asked, page)
    metal = "" if isinstance(stock, Refused) else stock.metal
    return Whole(name, alike, metal, blank, stock, tuple(lines), tuple(heard))


def _many(pieces: list[str]) -> tuple[int, list[str]]:
    """How many are made, and the rest: only where it is said of the part, not of its holes."""
    first = pieces[0]
    found = _COUNT.search(first)
    if found is None and len(pieces) > 1 and (alone := _COUNT.fullmatch(pieces[-1].strip())):
        return int(alone[1] or alone[2]), pieces[:-1]
    if found is None:
        return 1, pieces
    return int(found[1] or found[2]), [
        f"{first[: found.start()]} {first[found.end() :]}",
        *pieces[1:],
    ]


def _names_feature(piece: str, first: bool, begun: bool) -> bool:
    """Whether a piece is a feature's, and no more of the blank's."""
    try:
        plain = cut_up(piece, PageUnit.MM).text
    except Refused:
        return not first
    if any(re.search(words, plain) for words, _ in NOT_YET):
        return True
    bare, _ = placeless(plain)
    kinds = [one.kind for one in HEARD if re.search(one.words, bare)]
    telling = [kind for kind in kinds if kind not in _ALONE]
    if first and (telling in (["flats"], ["face"]) or _FORM.search(small(piece))):
        # Hexagon and square are of the bar until a feature was told.
        return False
    if telling or "%" in plain or "circle" in plain:
        return bool(_SIZED.search(plain)) or not first
    # How thick it is is the blank's, until a feature was told.
    return bool(set(kinds) - (set() if begun else {"plane"})) and not first


def _parted(pieces: list[str]) -> tuple[list[str], list[str]]:
    """What the part is made from, and its features; a piece with no noun goes on the last."""
    head: list[str] = []
    lines: list[str] = []
    for piece in pieces:
        first = not _has_size(head)
        if not lines and (not head or not _names_feature(piece, first, False)):
            head.append(piece)
        elif _LONG.fullmatch(piece.lower().strip()) and not _LENGTH.search(" ".join(head)):
            # 30 od, 20 bore, 25 long: so long is the part.
            head.append(piece)
        elif _names_feature(piece, False, True) or _AT_END.search(piece):
            lines.append(piece)
        elif lines:
            lines[-1] = f"{lines[-1]}, {piece}"
        else:
            head.append(piece)
    return head, lines


def _has_size(head: list[str]) -> bool:
    return any(char.isdigit() for piece in head for char in piece)


def _called(head: list[str], metals: Mapping[str, Metal]) -> tuple[str, str]:
    """The name of a part and the words of its blank, out of what stands before its features."""
    text = _ASKING.sub("", small(" ".join(head))).strip()
    words = text.split()
    first = next((n for n, w in enumerate(words) if any(c.isdigit() or c == "ø" for c in w)), None)
    before = " ".join(words[:first]).replace(",", " ")
    rest, said = without_metal(before, metals)
    name = [w for w in rest.split() if not _FORM.fullmatch(w) and w not in _SMALL]
    kept = [w for w in rest.split() if _FORM.fullmatch(w)]
    if name and name[-1:] == rest.split()[-2:-1] and rest.split()[-1] in ("rod", "plate", "block"):
        # A connecting rod is no rod, a base plate may be one.
        name.append(kept.pop())
    behind = words[first:] if first is not None else []
    return " ".join(name), " ".join([said, *kept, *behind]).strip()


_SMALL = frozenset(
    {"of", "in", "from", "made", "a", "an", "the", "little", "small", "with", "stock"}
)


def _through(line: str, page: PageUnit) -> str:
    """A bore of a whole part that nobody told the depth of goes right through it."""
    try:
        cut = cut_up(line, page)
    except Refused:
        return line
    plain = _BARE_BORE.fullmatch(cut.text)
    return f"{line} through" if plain else line
