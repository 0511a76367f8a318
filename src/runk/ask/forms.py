"""Jobs told in any order: each number is found by the noun on either side of it.

A form knows which nouns a job has (a leadscrew, a finder, the large end) and writes the line the
way the calculator has it. It looks at nothing but nouns with their numbers, so that the order of a
line and the words between do not matter.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from functools import lru_cache

_NUMBER = r"(?:\d{1,4} \d{1,3}/\d{1,3}|\d{1,4}/\d{1,3}|\d{0,5}\.?\d{1,5})"
_UNIT = r"(?: ?(?:mm|inches|inch|in|thou|tpi|\")(?![a-z]))?"
_SIZE = rf"(?<![\w./]){_NUMBER}{_UNIT}(?![\d/])"
_JOIN = r"(?: ?(?:=|:))?(?: (?:is|of|an?|the|at|with|on|has))?"
_ANY = re.compile(_SIZE)
_CLASS = re.compile(r"(?<![\w/])(JS|js|[A-HKMNPR-Ua-hkmnpr-u]{1,2})(1[0-6]|[5-9])(?![\w/.])")
_ONE_IN = re.compile(r"\b1 in (\d{1,4})\b")
_TEETH = re.compile(
    r"\b(\d{1,3})(?: teeth)?(?:,? (?:and|with|to|against|into)|,)(?: an?)? (\d{1,3}) teeth\b"
    r"|\bpinion (?:of )?(\d{1,3})\b.{0,20}?\b(?:wheel|gear) (?:of )?(\d{1,3})\b"
    r"|\bgear (\d{1,3}) with (\d{1,3})\b"
)


@lru_cache(maxsize=128)
def _patterns(noun: str) -> tuple[re.Pattern[str], ...]:
    return (
        # Straight behind its noun, before it, behind it over a small word.
        re.compile(rf"\b{noun} ({_SIZE})(?! ?(?:teeth|holes|mm from|from))", re.IGNORECASE),
        re.compile(rf"({_SIZE}) ?(?:an? |the )?{noun}\b", re.IGNORECASE),
        re.compile(rf"\b{noun}{_JOIN} ({_SIZE})", re.IGNORECASE),
    )


def beside(line: str, *nouns: str) -> tuple[str, str]:
    """The number bound to a noun on either side, and the line without both; empty where none is.

    >>> beside("3/8 from the edge, .200 edge finder", "edge finder", "finder")
    ('.200', '3/8 from the edge, ')
    >>> beside("finder 6 mm, 12 away", "finder")
    ('6 mm', ' , 12 away')
    """
    for noun in nouns:
        for pattern in _patterns(noun):
            if found := pattern.search(line):
                return found[
                    1
                ], f"{line[: found.start()]}{' ' * (found.start() == 0)}{line[found.end() :]}"
    return "", line


def _wheels(line: str) -> str:
    screw, rest = beside(line, "leadscrew", "(?:tpi|mm) screw")
    if not screw:
        return ""
    named = re.search(r"\bM\d{1,2}(?:x\d(?:\.\d+)?)?\b|\b\d{1,2}BA\b", rest, re.IGNORECASE)
    wanted = re.search(rf"({_SIZE})(?: ?(tpi|mm))?(?: pitch| wanted)?", rest)
    pitch = named[0] if named else wanted[1] if wanted else ""
    if not pitch or re.search(r"\brelief|\brpm\b", line):
        return ""
    if not named and pitch.replace(".", "").isdigit():
        pitch = f"{pitch} tpi" if "tpi" in rest else f"{pitch} mm"
    tpi = "" if re.search(r"[a-z]", screw) else " tpi" if "tpi" in line else " mm"
    return f"wheels to cut {pitch} on {screw}{tpi} leadscrew"


def _taper(line: str) -> str:
    found = _ONE_IN.search(line)
    if not found or re.search(r"\bsteeper|\bthan\b", line):
        return ""
    rest = line[: found.start()] + " " + line[found.end() :]
    large, rest = beside(rest, "big end", "large end", "large", "big")
    small, rest = beside(rest, "small end", "small")
    long, rest = beside(rest, "long", "length")
    said = f"taper 1 in {found[1]}"
    said += f" large end {large}" if large else ""
    said += f" small end {small}" if small else ""
    return said + (f" long {long}" if long else "")


def _gear(line: str) -> str:
    teeth = _TEETH.search(line)
    module, _ = beside(line, "module", "modul", "mod")
    pitch, _ = beside(line, "dp")
    if not teeth or not (module or pitch):
        return ""
    one, other = (t for t in teeth.groups() if t)
    return f"gear {one} teeth {f'{module} module' if module else f'{pitch} dp'} with {other}"


def _limits(line: str) -> str:
    classes = _CLASS.findall(line)
    sizes = _ANY.findall(_CLASS.sub(" ", line))
    asked = re.search(r"\b(?:limits?|tolerances?|lowest|highest|bottom|top)\b", line)
    if len(classes) != 1 or len(sizes) != 1 or not asked:
        return ""
    return f"limits for {sizes[0].strip()} {''.join(classes[0])}"


def _from_round(line: str) -> str:
    shape = re.search(r"\b(square|hexagon|hex)\b", line)
    sizes = _ANY.findall(line)
    asked = re.search(r"\b(?:largest|biggest|how big|how large|out of|comes? out)\b", line)
    round_ = re.search(r"\b(?:round|bar|rod)\b", line)
    if not shape or not asked or not round_ or len(sizes) != 1:
        return ""
    said = "hexagon" if shape[1].startswith("hex") else "square"
    return f"largest {said} from {sizes[0].strip()} round"


def _finder(line: str) -> str:
    finder, rest = beside(line, "edge finder", "finder", "wiggler")
    sizes = _ANY.findall(rest)
    if not finder or len(sizes) != 1 or re.search(r"\b(?:middle|centre|center|both|wide)\b", line):
        return ""
    return f"edge finder {finder}, {sizes[0].strip()} away"


_FORMS: tuple[Callable[[str], str], ...] = (_wheels, _taper, _gear, _limits, _from_round, _finder)


def forms(line: str) -> Iterator[str]:
    """The line as the calculators have it, for each job whose nouns stand in it.

    >>> list(forms("leadscrew 3 mm, want 1.25 pitch"))
    ['wheels to cut 1.25 mm on 3 mm leadscrew']
    >>> list(forms("taper 1 in 12, 45 long, big end 32, small end"))
    ['taper 1 in 12 large end 32 long 45']
    >>> list(forms("pinion 12 wheel 48 module 0.5 centre distance"))
    ['gear 12 teeth 0.5 module with 48']
    >>> list(forms("lowest size, shaft 25 h7")), list(forms("turn 12 brass"))
    (['limits for 25 h7'], [])
    """
    for form in _FORMS:
        if said := form(line):
            yield said
