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
_PIECES = re.compile(
    rf"\b(\d{{1,3}}) (?:off|pieces?|parts?|lengths?)(?: of)? ({_SIZE})(?: long)?", re.IGNORECASE
)
_OF_THE_TRADE = re.compile(
    r"^(?:an? )?split bush\b|^how long an? mandrel\b|\btool (?:to )?fouls? the (?:chuck|jaws)\b",
    re.IGNORECASE,
)
_HEAT = re.compile(r"\d ?(?:°|deg(?:rees)? )?[CF]\b|\bdegrees\b", re.IGNORECASE)
_MADE = re.compile(
    rf"\b(\d{{1,3}}) (?:pupils |people |of us )?(?:each )?(?:making |need(?:ing)? )?(?:an? )?"
    rf"(?:(?!mm\b|in\b|thou\b|x\b)[a-z]+s )({_SIZE})(?: long)?"
    rf"|\b(\d{{1,3}}) (?:pupils|people|of us) each (?:making|needing) an? ({_SIZE})",
    re.IGNORECASE,
)
_HOW_MUCH_BAR = re.compile(
    r"\b(?:how much|how long an?|what length of|which length of) (?:bar|rod|stock|material)\b",
    re.IGNORECASE,
)
_TO_LENGTH = re.compile(
    rf"\bcut (?:the |a )?(?:bar|rod|stock) to (?:a )?length(?: of)? ({_SIZE})", re.IGNORECASE
)
_OF_LISTS = frozenset(
    ("", "bar", "bars", "rod", "stock", "long", "from", "of", "a", "an", "the", "out", "to", "saw")
).union(("cut", "for", "each", "and", "with", "in", "i", "want", "need"))
_OF_BAR = re.compile(rf"\b(?:from|out of)(?: an?)? ({_SIZE}) bar\b", re.IGNORECASE)
_SIDE = re.compile(r"\b(?:the|a|hole|bore|shaft|pin|spindle|bar|dia|diameter)\b")
_BY_HAND = re.compile(r"\b(?:by )?hand\b")
_ONE_IN = re.compile(r"\b1 in (\d{1,4})\b")
_WHICH_DRILL = re.compile(
    r"\b(?:which|what|nearest|pilot|size)\b.*\bdrill\b|\bdrill\b.*\b(?:first|before)\b"
)
_BETWEEN = re.compile(r"\b(?:and|then|with|from|ream|reamed|reamer|hole|drill|there|an?|to)\b|,")
_REAM = re.compile(r"\bream(?:ed|er|ing)?\b")
_THREAD = re.compile(
    r"\bM\d{1,2}(?:\.\d)?(?:x\d(?:\.\d+)?)?\b|\b\d{1,2} ?BA\b|\b\d/\d{1,2}x\d{2}\b", re.IGNORECASE
)
_TEETH = re.compile(
    r"\b(\d{1,3})(?: teeth)?(?:,? (?:and|with|to|against|into)|,)(?: an?)? (\d{1,3}) teeth\b"
    r"|\bpinion (?:of )?(\d{1,3})\b.{0,20}?\b(?:wheel|gear) (?:of )?(\d{1,3})\b"
    r"|\bgear (\d{1,3}) with (\d{1,3})\b"
)


@lru_cache(maxsize=128)
def _patterns(noun: str) -> tuple[re.Pattern[str], re.Pattern[str]]:
    return (
        re.compile(rf"({_SIZE}) ?(?:an? |the )?{noun}\b", re.IGNORECASE),
        re.compile(rf"\b{noun}{_JOIN} ({_SIZE})", re.IGNORECASE),
    )


def beside(line: str, *nouns: str, leads: bool = False) -> tuple[str, str]:
    """The number bound to a noun on either side, and the line without both; empty where none is.

    Args:
        line: In the reader's spelling.
        nouns: The likeliest first.
        leads: Whether the noun leads to its number where one stands on either side of it.

    >>> beside("3/8 from the edge, .200 edge finder", "edge finder", "finder")
    ('.200', '3/8 from the edge, ')
    >>> beside("finder 6 mm, 12 away", "finder")
    ('6 mm', ' , 12 away')
    >>> beside("12 module 0.5", "module", leads=True)[0], beside("6 mm finder 22 mm", "finder")[0]
    ('0.5', '6 mm')
    """
    for noun in nouns:
        for pattern in reversed(_patterns(noun)) if leads else _patterns(noun):
            if found := pattern.search(line):
                begin = line[: found.start()] or " "
                return found[1], f"{begin}{line[found.end() :]}"
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
    module, _ = beside(line.replace("with", ","), "module", "modul", "mod", leads=True)
    pitch, _ = beside(line, "dp")
    if not teeth or not (module or pitch):
        return ""
    one, other = (t for t in teeth.groups() if t)
    return f"gear {one} teeth {f'{module} module' if module else f'{pitch} dp'} with {other}"


def _hand_ream(line: str) -> str:
    """Reaming by hand is a hole with its drill and its hand reamer: no spindle turns."""
    if not _REAM.search(line) or not _BY_HAND.search(line) or re.search(r"\bholes?\b", line):
        return ""
    return f"hand reamed hole {' '.join(_BY_HAND.sub(' ', _REAM.sub(' ', line)).split())}"


def _limits(line: str) -> str:
    classes = _CLASS.findall(line)
    rest = _CLASS.sub(" ", line)
    sizes = _ANY.findall(rest)
    asked = re.search(r"\b(?:limits?|tolerances?|lowest|highest|bottom|top)\b", line)
    # M10 alone is a thread; which of the two it is says the class itself.
    alone = not _SIDE.sub(" ", _ANY.sub(" ", rest)).strip() and not _THREAD.search(line)
    if len(classes) != 1 or len(sizes) != 1 or not (asked or alone):
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


def _reamed(line: str) -> str:
    """A hole drilled and reamed, both tools told by their size: one hole, and what is there."""
    if not _REAM.search(line):
        return ""
    there, rest = beside(line, "drill(?:ed)?", "there")
    size, rest = beside(rest, "reamer", "ream(?:ed)?(?: hole)?", "hole")
    if not there or not size:
        return ""
    rest = re.sub(
        r"\b(?:and|then|with|from|ream|reamed|reamer|hole|drill|there|a|an|to)\b|,", " ", rest
    )
    hand = "hand " if re.search(r"\bhand\b", line) else ""
    rest = re.sub(r"\bhand\b", " ", rest)
    return " ".join(f"{hand}reamed {size} hole from {there} there already {rest}".split())


def _before_reamer(line: str) -> str:
    """Which drill goes before a reamer of one size."""
    sizes = _ANY.findall(line)
    asks = _WHICH_DRILL.search(line)
    if len(sizes) != 1 or not asks or not re.search(r"\bream(?:er|ing)?\b", line):
        return ""
    if re.search(r"\bhand\b|\bdeep\b|\bspeed\b|\brevs\b", line):
        return ""
    return f"which drill before reaming {sizes[0].strip()}"


def _engaged(line: str) -> str:
    """How much thread a drill leaves, or whether it is right for one."""
    asks = re.search(
        r"\b(?:right|enough|ok|alright|do) for\b|\bengagement\b"
        r"|\bpercent (?:of )?thread\b|\bthread percent\b",
        line,
    )
    thread = _THREAD.search(line)
    if not asks or not thread:
        return ""
    sizes = _ANY.findall(line[: thread.start()] + " " + line[thread.end() :])
    if len(sizes) != 1:
        return ""
    return f"tap {thread[0]} with {sizes[0].strip()} drill"


def _blank(line: str) -> str:
    """What a thread is turned to before its die."""
    thread = _THREAD.search(line)
    if not thread or not re.search(r"\bblank (?:size|dia|diameter)\b|\bwhat blank\b", line):
        return ""
    rest = line[: thread.start()] + " " + line[thread.end() :]
    rest = re.sub(r"\b(?:what|blank|size|dia|diameter|for|thread|a|an|is|the)\b", " ", rest)
    return " ".join(f"die {thread[0]} {rest}".split())


def _centre(line: str) -> str:
    """A centre in the end of a bar: the bar's size is not the drill's."""
    found = re.search(
        rf"\bcentre drill (?:for (?:an? )?(?:live centre )?)?(?=({_SIZE}) ?bar\b)", line
    )
    if not found:
        return ""
    return f"{line[: found.start()]}centre drill end of {line[found.end() :]}"


def _both_measured(line: str) -> str:
    """A piston and its bore, both measured: the piston's reading is what it is now."""
    piston, rest = beside(line, "piston (?:measures|reads)", "piston")
    bore, rest = beside(rest, "(?:bore|cylinder) (?:measures|reads)", "bore", "cylinder")
    if not piston or not bore or _ANY.search(rest) or "rod" in line or _HEAT.search(line):
        return ""
    if not re.search(r"\bmeasures\b|\breads\b|\bclearance\b|\bfit\b", line):
        return ""
    return f"bore measures {bore}; ringed piston now {piston}"


def _cut_list(line: str) -> str:
    """Pieces out of a bar: how many, how long, what the saw takes and what holds the last."""
    one = _TO_LENGTH.search(line)
    pieces = _PIECES.search(line)
    if one:
        rest, times, long = f"{line[: one.start()]} {line[one.end() :]}", "1", one[1]
        # One size beside it is how thick the bar is, not what is faced off.
        off = "facing" if len(_ANY.findall(rest)) > 1 else ""
        rest = re.sub(r"\b(?:facing|face|faced) both ends\b", off, rest)
    elif _HOW_MUCH_BAR.search(line) and (made := _MADE.search(line)) and not pieces:
        rest = f"{line[: made.start()]} {line[made.end() :]}"
        rest = _HOW_MUCH_BAR.sub(" ", re.sub(r"\b(?:order|plumb|bobs?|using)\b", " ", rest))
        times, long = made[1] or made[3], made[2] or made[4]
    elif pieces and re.search(r"\bbars?\b", line):
        rest = f"{line[: pieces.start()]} {line[pieces.end() :]}"
        times, long = pieces[1], pieces[2]
    else:
        return ""
    facing, rest = beside(rest, "facing", leads=True)
    kerf, rest = beside(
        rest, "kerf", "saw", "parting (?:blade|tool)", "blade", "parting", leads=True
    )
    grip, rest = beside(rest, "grip", "to hold")
    length = _OF_BAR.search(rest)
    if length:
        rest = rest[: length.start()] + " " + rest[length.end() :]
    thick = _ANY.findall(rest)
    if len(thick) > 1:
        return ""
    said = f"cutting list {times} x {long}"
    said += f", bars {length[1]}" if length else ""
    named = " ".join(w for w in _ANY.sub(" ", rest).split() if w.strip(",") not in _OF_LISTS)
    which = " ".join([*(t.strip() for t in thick), *named.replace(",", " ").split()])
    said += f", of {which}" if which else ""
    said += f", kerf {kerf}" if kerf else ""
    # A parting blade leaves its face: nothing is left on for it.
    left = facing or ("0 mm" if re.search(r"\bblade\b|\bparting\b", line) else "")
    said += f", facing {left}" if left else ""
    return said + (f", grip {grip}" if grip else "")


def _while_facing(line: str) -> str:
    """A bond that is to stand facing: what is on it is cut at its rim."""
    found = re.search(r"\b(?:while|during) (?:facing|turning|it is (?:faced|turned))\b", line)
    sizes = [s.strip() for s in _ANY.findall(line)]
    if not found or not sizes or not re.search(r"\b(?:glue|bond|compound|epoxy)", line):
        return ""
    rest = line[: found.start()] + line[found.end() :]
    return " ".join(f"{rest} cut at {sizes[0]}".replace("disc", "").split())


def _finder(line: str) -> str:
    finder, rest = beside(line, "edge finder", "finder", "wiggler")
    sizes = _ANY.findall(rest)
    if not finder or len(sizes) != 1 or re.search(r"\b(?:middle|centre|center|both|wide)\b", line):
        return ""
    if re.search(r"\b(?:beside|flange|clears?|fits?)\b", line):
        return f"beside a flange {sizes[0].strip()} from the line, finder {finder}"
    return f"edge finder {finder}, {sizes[0].strip()} away"


def _trade(line: str) -> str:
    """What the trade says a way of, whatever the size: a split bush, how long a mandrel is."""
    return f"why {line}" if _OF_THE_TRADE.search(line) else ""


_FORMS: tuple[Callable[[str], str], ...] = (
    _wheels,
    _taper,
    _gear,
    _hand_ream,
    _limits,
    _from_round,
    _reamed,
    _before_reamer,
    _engaged,
    _blank,
    _centre,
    _both_measured,
    _cut_list,
    _while_facing,
    _finder,
    _trade,
)


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
