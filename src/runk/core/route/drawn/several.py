"""Two features in one line, taken apart."""

from __future__ import annotations

import re

from runk.core.route.drawn.cut import Cut, Size, mm_text
from runk.core.route.drawn.kinds import HEARD, placeless

_PAIRS = re.compile(
    r"at #(\d+) (?:,|x|/) #(\d+) (?:,|and|n|then)? ?(?:another )?(?:at )?"
    r"#(\d+) (?:,|x|/) #(\d+)$"
)
_BREAK = re.compile(r" (?:, (?:and|then|with|after)|,|;|and|then|with|after) ")
_NAMED = re.compile(
    "|".join(f"(?:{one.words})" for one in HEARD if one.kind not in ("outside", "plane"))
)
_OUTSIDE = re.compile(r"\boutside\b")
_SIZED = re.compile(r"[#%]\d")


def several(cut: Cut) -> tuple[str, ...]:
    """The features of a line, each its own text.

    Args:
        cut: The line cut up.

    >>> from runk.core.route.drawn.cut import cut_up
    >>> from runk.core.units import PageUnit
    >>> several(cut_up("rim 120 by 22 wide, bore 12 H7 through", PageUnit.MM))
    ('outside #0 x #1 wide', 'bore #2 ^0 through')
    >>> len(several(cut_up("bore 20, from 0 to 12, called eye", PageUnit.MM)))
    1
    """
    text = cut.text
    if pairs := _PAIRS.search(text):
        head = text[: pairs.start()]
        if head.strip():
            head = re.sub(r"&\d+ |\bholes\b", "", head).strip()
            a, b, c, d = pairs.groups()
            if cut.sizes[int(b)].mm == cut.sizes[int(d)].mm and "&" in text:
                # Two in a row: their places say how far apart.
                apart = cut.sizes[int(c)].mm - cut.sizes[int(a)].mm
                cut.sizes.append(Size(apart, mm_text(apart), False))
                return (f"{text[: pairs.start()]} at #{a} , #{b} #{len(cut.sizes) - 1} apart",)
            return f"{head} at #{a} , #{b}", f"{head} at #{c} , #{d}"
    found: list[str] = []
    rest, at = text, 0
    while (gap := _BREAK.search(rest, at)) is not None:
        before, after = rest[: gap.start()], rest[gap.end() :]
        piece = _BREAK.split(after, maxsplit=1)[0]
        if _whole(before) and _whole(piece, True):
            found.append(before)
            rest, at = after, 0
        else:
            at = gap.start() + 1
    return (*found, rest)


def _whole(text: str, named_alone: bool = False) -> bool:
    """Whether a piece names a feature and has a size of its own."""
    bare, _ = placeless(text)
    if not _SIZED.search(bare):
        return False
    return (
        _NAMED.search(bare) is not None
        or _OUTSIDE.search(bare) is not None
        or (not named_alone and re.search(r"\bdia\b|^# ?", bare) is not None)
    )
