"""Parts known by name: which one a line speaks of, and what it asks of it."""

from __future__ import annotations

import difflib
import re
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

_WORD = re.compile(r"[a-z0-9][a-z0-9'./]*")
_SHORT = {
    "conrod": "connecting rod",
    "con-rod": "connecting rod",
    "con rod": "connecting rod",
    "fly wheel": "flywheel",
    "crank shaft": "crankshaft",
    "cyl": "cylinder",
    "piston rod": "piston rod",
    "baseplate": "base plate",
    "crosshead": "crosshead",
    "little pin": "gudgeon pin",
}
_FILLERS = frozenset(
    re.findall(
        r"\S+",
        "a an and any are as at be can could do does drawing drawn for has have how i in is it "
        "its me my need now of on open or part please see should show that the there this to we "
        "what what's whats with would you ",
    )
)
WANTS: tuple[tuple[str, str], ...] = (
    ("new", r"\b(?:new part|draw (?:a|me|the)|add a part)\b"),
    ("none", r"\b(?:why|rings?|gap|grow|expand|warm|hot|cold|stud|o-ring|seal)\b"),
    ("torque", r"\b(?:torque|tighten|how tight)\b"),
    ("fit", r"\b(?:fit|fits|clearance|slack|play)\b"),
    ("tap", r"\b(?:tap|tapping|tapped)\b.*\bdrill\b|\bdrill\b.*\b(?:tap|tapping|tapped)\b"),
    ("speed", r"\b(?:speeds?|rpm|revs?|how fast|feed)\b"),
    ("weight", r"\b(?:weighs?|weight|wt|mass|heavy|inertia)\b"),
    (
        "places",
        r"\b(?:coordinates?|positions?|how far apart|pcd|mark(?:ing)? out"
        r"|xy|x and y|where are the holes)\b",
    ),
    (
        "stock",
        r"\b(?:stock|blank|buy|raw|made (?:of|from)|material|matl"
        r"|mat|metal|cut from|bar|instead)\b",
    ),
    ("next", r"\b(?:next|how far|left to do|remaining|to go|up to|what now|where am i)\b"),
    ("hold", r"\b(?:hold|holding|held|grip|gripped|chuck|faceplate|clamp|mount|set ?up)\b"),
    ("time", r"\b(?:how long (?:to|will|does|do|would|is it)|hours?|take to|time)\b"),
    ("count", r"\bhow many\b"),
    (
        "size",
        r"\b(?:sizes?|how (?:big|wide|deep|thick|high)|dia(?:meter)?s?|bores?|len(?:gth|ght)|long"
        r"|thick(?:ness)?|width|dimensions?|inner|outer|inches|between centres"
        r"|across|radius|thread)\b",
    ),
    ("tools", r"\b(?:tools?|cutters?|drills?|need for)\b"),
    ("check", r"\b(?:check|right|wrong|proved)\b"),
    (
        "order",
        r"\b(?:order|route|sequence|steps?|stages?|op(?:eration)?s?|make|machine|machining|first"
        r"|before|after|start)\b",
    ),
    ("done", r"\b(?:done|finished|complete|ready)\b"),
)
"""What may be asked of a part, the more telling words first."""


@dataclass(frozen=True, slots=True)
class Named:
    """A line that speaks of a part.

    Args:
        called: The name it uses, as the parts are called.
        wants: What it asks: one of those of :data:`WANTS`, or ``show``.
        rest: Its other words.
    """

    called: str
    wants: str
    rest: str


@lru_cache(maxsize=64)
def _heads(names: tuple[str, ...]) -> dict[tuple[str, ...], str]:
    """The words of each name before its comma, the longest name first."""
    found: dict[tuple[str, ...], str] = {}
    last: dict[str, list[str]] = {}
    for name in dict.fromkeys(name.lower().partition(",")[0].strip() for name in names):
        words = tuple(_WORD.findall(name))
        if words and not (len(words) == 1 and len(words[0]) < _LEAST):
            found[words] = name
            last.setdefault(words[-1], []).append(name)
    for word, whole in last.items():
        # "The piston" is the power piston, where there is no other.
        if len(whole) == 1 and len(word) > _LEAST + 1:
            found.setdefault((word,), whole[0])
    return dict(sorted(found.items(), key=lambda item: -len(item[0])))


_LEAST = 3
"""Letters of a name too short to be looked for in a line."""


def named_in(line: str, names: Sequence[str]) -> Named | None:
    """The part a line speaks of, and what it asks; None where it speaks of none.

    Args:
        line: In small letters, as typed.
        names: What the parts are called.

    >>> named_in("show me the power piston", ["Power piston", "Cylinder, 22 mm bore"])
    Named(called='power piston', wants='show', rest='show me the')
    >>> named_in("conrod route", ["Connecting rod"]).wants
    'order'
    >>> named_in("turn 22 brass", ["Connecting rod"]) is None
    True
    """
    text = f" {line} "
    for short, whole in _SHORT.items():
        if short not in names:
            text = re.sub(rf"(?<=[ ,]){short}(?=[ ,?.])", whole, text)
    words = _WORD.findall(text)
    found = _place(words, _heads(tuple(names)))
    if found is None:
        return None
    head, at, many = found
    rest = " ".join((*words[:at], *words[at + many :]))
    wants = next((name for name, said in WANTS if re.search(said, rest)), "")
    if not wants and set(rest.split()) <= _FILLERS:
        wants = "show"
    return Named(head, wants, rest) if wants not in ("", "none") else None


def _place(words: list[str], heads: dict[tuple[str, ...], str]) -> tuple[str, int, int] | None:
    """Where a name stands among the words, letter by letter or with a slip in it."""
    plain = [w.removesuffix("'s") for w in words]
    for slips in (False, True):
        for head, name in heads.items():
            for at in range(len(plain) - len(head) + 1):
                if all(_same(a, b, slips) for a, b in zip(head, plain[at:], strict=False)):
                    return name, at, len(head)
    return None


_ALIKE = 0.84


def _same(one: str, other: str, slips: bool) -> bool:
    if one == other or one.removesuffix("s") == other.removesuffix("s"):
        return True
    if not slips or len(other) < len("piston") - 1 or other[0] != one[0]:
        return False
    if sorted(one) == sorted(other):
        return True
    return difflib.SequenceMatcher(None, one, other).ratio() >= _ALIKE


WONDERS = re.compile("|".join(said for name, said in WANTS if name != "none"))


def may_name(line: str) -> bool:
    """Whether it is worth looking a line's words up among the parts' names.

    >>> may_name("crankshaft"), may_name("what size is the bore of the cylinder")
    (True, True)
    >>> may_name("turn 22 mm brass with hss")
    False
    """
    words = _WORD.findall(line)
    numbers = any(word[0].isdigit() for word in words)
    return bool(words) and not numbers and (len(words) <= _FEW or bool(WONDERS.search(line)))


_FEW = 5
"""Words of a line that may be no more than a name."""
