"""Which feature a sentence speaks of, and what its bare numbers are in their order."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import cache

_AT = (
    r"(?:in|on|into|through|behind|against|to|over|near|of|at|under|from|for|with|after|fit|suit"
    r"|match)"
)
LOCATED = (
    r"shoulder|bore|crankpin|hole|slot|face|journal|axis|head|corners?|outside|groove|flats?|boss"
    r"|screw|plane|thread|hexagon|keyway|passage|split|profile"
)
_LOCATION = re.compile(
    rf"\b{_AT} (?:(?:the|its|a|an|every|each|that|this) )*(?:#\d+ (?:dia )?)?(?:{LOCATED})\b"
)


@dataclass(frozen=True)
class Heard:
    """A kind of feature as it is heard.

    Args:
        kind: Its name among the features.
        words: A pattern of what it is called, over the plain words of a line.
        bare: What bare numbers are, in the order they stand.
        sided: Whether it is cut from a side: a hole, not a length of the axis.
    """

    kind: str
    words: str
    bare: tuple[str, ...]
    sided: bool = False


HEARD: tuple[Heard, ...] = (
    Heard("bore-keyway", r"borekeyway|keyway in the bore", ("wide", "deep", "length")),
    Heard("keyway", r"keyway", ("wide", "deep", "length")),
    Heard(
        "counterbore",
        r"counterbore|spotface|wider|\brecess\b(?!.*\bwide\b)(?! #\d+ x #\d+ x)",
        ("size", "length"),
    ),
    Heard(
        "crankpin",
        r"crankpin|\bpin\b(?=.*(?:stroke|throw))|(?:stroke|throw).*\bpin\b",
        ("size", "length"),
    ),
    Heard("eccentric", r"eccentric\b(?! #\d+$)", ("size", "length")),
    Heard("taper", r"taper|pointed", ("size", "small", "length")),
    Heard("groove", r"groove|\brecess\b.*\bwide\b", ("size", "wide")),
    Heard("chamfer", r"chamfer|off the corners|sharp edges|edges? off|corners? off", ("size",)),
    Heard("knurl", r"knurl", ("size", "length")),
    Heard("flats", r"hexagon|\bsquare\b(?! holes)|\bflats?\b(?! face)", ("size", "length")),
    Heard("passage", r"passage", ("size", "deep"), True),
    Heard("slot", r"\bslot\b|\brecess\b(?= #\d+ x #\d+ x)", ("wide", "deep", "length")),
    Heard("split", r"\bsplit\b", ("wide",)),
    Heard("profile", r"\bprofile\b", (), True),
    Heard("plane", r"\bplane\b|\bmill\b.*\b(?:face|thick)\b|to #\d+ thick", ("size",), True),
    Heard("reamed", r"\bream\b", ("size", "deep"), True),
    Heard("tapped", r"\btap\b|grubscrew|thread\b.*\binside|inside .*\bthread", ("deep",), True),
    Heard("thread", r"\bthread\b", ("length",)),
    Heard("bore", r"\bbore\b|hollow", ("size", "length")),
    Heard("drilled", r"\bdrill\b|\bholes?\b|#\d+ clear", ("size", "deep"), True),
    Heard("journal", r"\bjournal\b", ("size", "length")),
    Heard(
        "face",
        r"\bface\b|partoff|^shoulder (?:at )?#\d+(?: \^\d+)?$|cut (?:bar|it)\b"
        r"|cut .*so .*long|\bend\b.*\bface\b",
        ("start",),
    ),
    Heard("plane", r"^(?!.*(?:outside|\bdia\b|from #)).*\bthick\b", ("size",), True),
    Heard("outside", r"\boutside\b|\bod\b|\bshoulder\b", ("size", "length")),
)
"""What is heard, the more telling word before the plainer one."""

BY_KIND = {one.kind: one for one in reversed(HEARD)}

NOT_YET = (
    (r"\bcountersink\b", "A countersink"),
    (r"\bfillet\b", "A fillet or rounded corner of a radius"),
    (r"\bball\b", "A ball end"),
    (r"\bteeslot\b", "A T-slot"),
    (r"\bteeth\b", "Teeth"),
    (r"\bgroove\b.*\b(?:in|on) (?:front |back |end )?face\b", "A groove in a face"),
    (
        r"\binternal groove|\bgroove\b.*\b(?:in|inside) bore\b|\bbore\b.*\binside groove",
        "A groove inside a bore",
    ),
    (
        r"\b(?:internal|inside) chamfer|\bchamfer (?:(?:on|of|in) )?bore\b"
        r"|\bchamfer\b.*\b(?:in|on|of) bore\b",
        "A chamfer in a bore",
    ),
    (r"\btaper bore\b|\bbore taper\b|\btaper hole\b", "A tapered bore"),
    (
        r"\b(?:polish|harden|temper|anneal|blue|paint|engrave|deburr|lap|hone)(?:e?d|ing)?\b",
        "A finish",
    ),
    (r"\b(?:dovetail|spiral|spline|kidney|oval|woodruff)\b", "A shape like that"),
    (r"\bhollow\b|\bleave #\d+ bottom", "Hollowing out to a wall or a bottom"),
    (
        r"\b(?:press|sliding|running|push|shrink|interference|transition) fit\b",
        "A fit, without its limits,",
    ),
    (r"\bdimple\b", "A centre, or dimple, with no hole behind it"),
)


@cache
def _patterns() -> tuple[tuple[Heard, re.Pattern[str]], ...]:
    return tuple((one, re.compile(one.words)) for one in HEARD)


def placeless(text: str) -> tuple[str, tuple[str, ...]]:
    """A line without what only says where: ``behind the shoulder``, ``through the crankpin``.

    Args:
        text: Plain words.

    Returns:
        The line, and what was taken out.

    >>> placeless("groove #0 wide to #1 dia behind the outside")
    ('groove #0 wide to #1 dia |', ('behind the outside',))
    """
    taken = tuple(found[0] for found in _LOCATION.finditer(text))
    return " ".join(_LOCATION.sub("|", text).split()), taken


def kind_of(text: str, threads: bool) -> Heard | None:
    """Which feature a line speaks of.

    Args:
        text: Plain words, without what only says where.
        threads: Whether a thread is named in it.

    >>> kind_of("#0 hole through", False).kind, kind_of("%0 #0 long", True).kind
    ('drilled', 'thread')
    """
    for one, words in _patterns():
        if words.search(text):
            if one.kind == "drilled" and threads and "clear" not in text:
                return BY_KIND["tapped"]
            deep = "deep" in text and not re.search(r"\blong\b|\bfrom #|#\d+ to #", text)
            deep = deep or bool(re.search(r"\bthrough\b", text) and "#" not in text)
            if one.kind == "thread" and (deep or re.search(r"\binside\b|\bhole\b", text)):
                return BY_KIND["tapped"]
            return one
    if threads:
        return BY_KIND["tapped" if re.search(r"\bdeep\b|\bthrough\b", text) else "thread"]
    return None
