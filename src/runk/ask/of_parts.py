"""Lines that may be about a part that is kept: only then is anything looked up."""

from __future__ import annotations

import re

from runk.ask.by_name import may_name

NEXT = re.compile(
    r"(?:what(?:'s| is| comes)?|whats)(?: do i do| should i do| shall i do)? (?:next|now)"
    r" (?:on|for|with|of) (?:the )?(?P<part>.+)|next (?:on|for|with) (?:the )?(?P<of>.+)"
)
HOLD = re.compile(
    r"how (?:do i|to|can i|shall i|should i) hold (?:the )?(?P<part>.+?)"
    r"(?: (?:to|for|while|when) (?P<do>.+))?"
)
CHECK = re.compile(r"check (?:the )?(?P<part>.+?)(?:'s)?(?: (?:route|plan|set-ups|order))?")
_EVENING = "tonight|this evening|tomorrow"
_AN = {"an": 1.0, "one": 1.0, "two": 2.0, "three": 3.0, "half an": 0.5}
_TIME = (
    r"(?:(?P<many>\d{1,4}) ?(?:minutes|minute|mins|min|m)"
    r"|(?P<hours>\d{1,2}(?:\.\d+)?|an|one|two|three|half an)(?P<half> 1/2| and a half)?"
    r" ?(?:hours|hour|hrs|hr|h)(?P<behind> and a half)?"
    r"(?: ?(?:and )?(?P<more>\d{1,2})(?: ?(?:minutes|mins|min|m))?)?)"
)
_TONIGHT = re.compile(
    rf"(?P<asks>what (?:can i do|next|now|shall i do)|i have|i've got|there (?:is|are))?"
    rf"(?: ?(?:{_EVENING}))?[,:]?(?: ?(?:in|for))?(?: ?{_TIME})?(?: ?(?:{_EVENING}))?"
)
_CLASS = re.compile(r"\d{1,3} h\d{1,2}")
"""10 H7 is a size and its limits, and never an evening."""
_SPARE = re.compile(
    r"\b(?:tonight|this evening|tomorrow|before (?:tea|supper|dinner|bed|lunch)|spare|free|to spend"
    r"|worth (?:doing|starting)|what (?:can|shall|should|could) i do|in the (?:shed|workshop))\b"
)
_TOLD = re.compile(rf"(?<![\w.]){_TIME}(?![\w.])")


def _as_hours(line: str) -> str:
    """A line with its half hours and clock times told as hours."""
    return re.sub(r"\bhalf (?:an )?hour\b", "30 min", line)


USUAL_MIN = 90
"""An evening nobody told the length of: common practice."""


def evening_min(line: str) -> int | None:
    """How many minutes a line asks an evening's work for; None where it asks for none.

    >>> [evening_min(s) for s in ("tonight", "tonight 1 1/2 hours", "i have 1h30", "turn 22 brass")]
    [90, 90, 90, None]
    """
    found = _TONIGHT.fullmatch(line)
    if found is None and _SPARE.search(line) and (told := _TOLD.search(_as_hours(line))):
        found = told
    if found is None or not line or _CLASS.fullmatch(line):
        return None
    if found["many"] or found["hours"]:
        hours = found["hours"] or "0"
        whole = _AN.get(hours) or float(hours if hours not in _AN else 0)
        half = 0.5 if found["half"] or found["behind"] else 0.0
        return round(int(found["many"] or 0) + 60 * (whole + half) + int(found["more"] or 0))
    if "asks" not in found.groupdict():
        return None
    asked = found["asks"] in ("what next", "what now") or re.search(_EVENING, line)
    return USUAL_MIN if asked else None


OVERALL = re.compile(
    r"(?:what|which|show)(?:'s| is| are| me)?(?: the| my| all)?"
    r"(?: biggest| longest| parts?| jobs?| next)*"
    r"(?: job| jobs| parts?)?(?: are| is)?(?: still| not)?"
    r"(?: on the list| finished| done| left(?: to do)?| to do| unfinished| ready| begun| started)"
)
NEW = re.compile(r"(?:new part|draw (?:a|an|me a)|add a part|begin a part)\b.*")
MAKE = re.compile(
    r"how (?:do i|to|can i|should i) (?:make|machine) (?:the|my) (?P<part>[a-z ]{3,40})"
)


def plain_line(line: str) -> str:
    """A line in small letters, one space between words, nothing behind."""
    return " ".join(line.lower().split()).rstrip("?!. ")


def asks_of_parts(line: str) -> bool:
    """Whether a line may be about a part.

    >>> asks_of_parts("what next on the crankshaft"), asks_of_parts("turn 22 brass")
    (True, False)
    """
    said = plain_line(line)
    about = any(pattern.fullmatch(said) for pattern in (NEXT, HOLD, CHECK, OVERALL, NEW, MAKE))
    return about or evening_min(said) is not None or may_name(said)
