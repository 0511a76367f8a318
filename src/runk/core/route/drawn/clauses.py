"""Clauses of a sentence of a part: which number is what, by the words beside it."""

from __future__ import annotations

import re
from dataclasses import dataclass, field
from functools import cache

from runk.core.route.drawn.cut import Cut, Size

_LAST = r"(?= [,|]|$)"
_NEXT = r"(?= (?:and |x )?(?:long|deep|wide|thick|dia|bore) #)"


_ALONE = r"(?! (?:dia|wide|deep|long|across|thick|throw|apart|circle|off|up|x)\\b)"


def _before(word: str) -> str:
    """A word that stands before its number: nothing follows, or the next such word."""
    return f"{word} N{_LAST}|(?<!#\\d )(?<!#\\d\\d ){word} N{_NEXT}"


CLAUSES: tuple[tuple[str, str], ...] = (
    ("(?:at|on) N x N (?:centres|apart|spacing)", "apart rise"),
    # Places as pairs, and where a row begins.
    ("at x N(?: ,)? y N", "start up"),
    (f"at N (?:,|x|/|and) N{_ALONE}", "start up"),
    ("x N(?: ,)? y N", "start up"),
    ("centred (?:at|on) N (?:,|x|and)? ?N", "start up"),
    ("starting N from left", "start"),
    ("N (?:in )?from (?:left|bottom) (?:,|and)? ?N (?:in |up )?from (?:bottom|left)", "start up"),
    ("N (?:in )?from left (?:,|and)? ?N from top", "start down"),
    # From here to there.
    ("from N at N to N at N", "size start small end"),
    ("from N (?:down )?to N over N", "size small length"),
    ("(?:from|between) N (?:to|and) N (?:outside )?(?:down )?to N", "start end size"),
    ("from N dia down to N dia", "size small"),
    ("from N down to N", "size small"),
    ("(?:from|between) N (?:to|and|-) N", "start end"),
    ("N dia (?:down )?to N dia", "size small"),
    ("N down to N", "size small"),
    ("ratio N", "ratio"),
    ("(?:big|large) end (?:dia )?N|large dia N|N dia (?:at )?(?:big|large) end", "size"),
    ("N (?:to|-) N", "range"),
    ("first N long", "length"),
    ("last N (?:long )?", "last"),
    ("first N", "length"),
    # Circles and rows.
    ("on(?: a)? N dia circle", "circle"),
    ("on N circle", "circle"),
    ("on dia N|on N dia(?! #)", "ring"),
    ("N dia circle", "circle"),
    ("(?:on )?(?:a )?(?:circle|ring) (?:of )?(?:dia )?N(?: across)?", "circle"),
    ("N circle", "circle"),
    ("circle of hole dia N", "circle"),
    ("N (?:x|by) N (?:apart|centres|rectangle|spacing)", "apart rise"),
    ("(?:at|on) (?:a )?(?:rectangle|square) (?:of )?N x N", "apart rise"),
    ("(?:apart|centres) N x N", "apart rise"),
    ("N (?:apart|centres|between centres)|every N", "apart"),
    ("(?:apart|between centres) N(?: circle)?", "apart"),
    # An axis of its own.
    ("throw (?:of )?N", "throw"),
    ("N (?:off centre|off axis|throw|offset|eccentric(?! #)|out of centre)|offset N", "throw"),
    ("(?:eccentricity|set over|displaced|off centre|off axis|off the axis) N", "throw"),
    ("stroke N|N stroke", "stroke"),
    # How many.
    ("first K|K", "counted"),
    ("N ?off(?! centre| the| axis)|N (?:x|-)(?= %)|N x(?= holes)|N of them|N no\\.?(?= )", "count"),
    (
        "N(?= (?:%\\d+ )?(?:[a-z]+ ){0,2}holes\\b)|N x(?= (?:dia )?#\\d+ (?:[a-z]+ ){0,2}holes\\b)"
        "|N(?= #\\d+ (?:[a-z]+ ){0,2}holes\\b)|N(?= %\\d+ (?:tap|thread))|N(?= flats)"
        "|N(?= (?:thread|tap) %)",
        "count",
    ),
    # Sizes with their words.
    ("N (?:in )?surplus|N to come off|surplus N", "surplus"),
    ("(?:to|for) (?:a )?tap N|tapping size N", "pilot"),
    ("(?:outside|bore|ream|hole|knurl|face|groove)(?: out| it| down)? to N(?! x| long)", "size"),
    ("N from (?:centre|center|axis)", "throw"),
    ("down to N thick|to N thick|N thick|thick N", "thick"),
    ("N dia bottom|bottom dia N|N bottom dia|N dia at (?:the )?bottom|bottom N dia", "size"),
    ("bottom (?:of )?N", "size"),
    ("(?:to|at|down to) dia N|down to N dia|to N dia", "size"),
    ("dia N|N dia", "size"),
    ("N across|across N", "size"),
    ("N round(?! #)", "size"),
    (_before("deep"), "deep"),
    (_before("wide"), "wide"),
    (_before("long"), "length"),
    ("N deep|deep N", "deep"),
    ("N wide|wide N", "wide"),
    ("N long|long N|for N(?= |$)|over N|N thick", "length"),
    ("N up", "up"),
    ("small end (?:dia )?N|N (?:dia )?(?:at )?small end", "small"),
    ("N overall", "length"),
    ("at N(?! [%])", "start"),
    ("N (?:in )?from(?: the)? right", "offright"),
    ("N (?:in )?from(?: the)? left", "offleft"),
    ("from right N|right N in", "offright"),
    ("goes in N", "deep"),
    ("N (?:in )?(?:from(?: the)? (?:end|edge)|fromedge)|(?:N in|in N)(?= [,|]|$)", "inset"),
    ("(?:in )?from left(?: end)? N|left (?:,|and)? ?in N", "offleft"),
    ("displaced (?:by )?A", "step"),
    ("from N(?: on)?", "start"),
    ("to N|ends? at N", "end"),
    ("turned A(?: deg)?|turned N(?: deg)?", "angle"),
    ("A", "angle"),
    ("down to N", "size"),
)
"""What stands beside a number, and what it is then; the first that stands in a line goes first.

``N`` is a size, ``K`` a count in words, ``A`` an angle.
"""


_FACED = ("drilled", "reamed", "tapped", "holes", "slot", "bore", "passage", "")
"""What may lie along and up a face; others have one place, on the axis."""


class Roles(dict[str, Size]):
    """Sizes by what they are, and which of them somebody has looked at."""

    def __init__(self) -> None:
        super().__init__()
        self.used: set[str] = set()

    def __getitem__(self, role: str) -> Size:
        self.used.add(role)
        return super().__getitem__(role)

    def lost(self) -> list[str]:
        """Those nobody has taken."""
        return [role for role in self if role not in self.used]


@dataclass(slots=True)
class Told:
    """What a sentence tells.

    Args:
        roles: Sizes by what they are.
        loose: Sizes nothing beside them says the meaning of, in the order they stand.
        words: What is left of the line.
        order: Roles in the order they were taken.
    """

    roles: Roles = field(default_factory=Roles)
    loose: list[Size] = field(default_factory=list)
    count: int | None = None
    angle: float | None = None
    words: str = ""
    twice: list[str] = field(default_factory=list)


@cache
def _compiled() -> tuple[tuple[re.Pattern[str], tuple[str, ...]], ...]:
    marks = {"N": r"#(\d+)", "K": r"&(\d+)", "A": r"@(\d+)"}
    found = []
    for said, roles in CLAUSES:
        text = re.sub(r"\b[NKA]\b", lambda m: marks[m[0]], said)
        found.append((re.compile(rf"(?<![\w#%])(?:{text})(?![\w])"), tuple(roles.split())))
    return tuple(found)


def told_by(cut: Cut, text: str, kind: str = "") -> Told:
    """What a line or a part of it tells.

    Args:
        cut: The line cut up.
        text: Of it, or of a part of it.
        kind: Of the feature, where it is known.

    >>> from runk.core.route.drawn.cut import cut_up
    >>> from runk.core.units import PageUnit
    >>> cut = cut_up("keyway 3 x 1.5 deep, from 4 to 20", PageUnit.MM)
    >>> told = told_by(cut, cut.text)
    >>> {role: float(size.mm) for role, size in told.roles.items()}, float(told.loose[0].mm)
    ({'start': 4.0, 'end': 20.0, 'deep': 1.5}, 3.0)
    """
    told = Told()
    for pattern, roles in _compiled():
        if ("angle" in roles and "@" not in text and "turned" not in text) or not (
            "#" in text or "&" in text or "@" in text
        ):
            continue
        while (found := pattern.search(text)) is not None:
            marks = [int(g) for g in found.groups() if g is not None]
            if not _taken(told, cut, roles, marks, found[0], kind):
                # Said already: a second one of it is not thrown away.
                if roles[0] not in ("count", "start", "size", "ring"):
                    told.twice.append(roles[0])
                break
            text = f"{text[: found.start()]} | {text[found.end() :]}"
    for mark in re.findall(r"#(\d+)", text):
        told.loose.append(cut.sizes[int(mark)])
    told.words = " ".join(re.sub(r"#\d+", "#", text).split())
    return told


def _taken(
    told: Told, cut: Cut, roles: tuple[str, ...], marks: list[int], said: str, kind: str
) -> bool:
    role = roles[0]
    if roles == ("start", "up") and kind not in _FACED:
        return False
    if role == "counted":
        if told.count is not None:
            return False
        told.count = cut.counts[marks[0]]
        return True
    if role == "count":
        whole = cut.sizes[marks[0]].whole
        if told.count is not None or whole is None:
            return False
        told.count = whole
        return True
    if role == "ring":
        if kind not in ("drilled", "reamed", "tapped") or "circle" in told.roles:
            return False
        told.roles["circle"] = cut.sizes[marks[0]]
        return True
    if role == "step":
        return bool(told.count) and abs(cut.angles[marks[0]] * (told.count or 1) - 360) < 1
    if role == "angle":
        if told.angle is not None:
            return False
        told.angle = float(cut.sizes[marks[0]].text) if "#" in said else cut.angles[marks[0]]
        return True
    if role == "range":
        first, last = (cut.sizes[mark] for mark in marks)
        if " - " in said and first.mm > last.mm and not {"start", "end"} & set(told.roles):
            difference = Size(first.mm - last.mm, f"{first.text} - {last.text}", False)
            cut.sizes.append(difference)
            told.loose.append(difference)
            return True
        roles = (
            ("size", "small") if kind == "taper" and "size" not in told.roles else ("start", "end")
        )
    if any(name in told.roles for name in roles):
        return False
    for name, mark in zip(roles, marks, strict=True):
        told.roles[name] = cut.sizes[mark]
    return True
