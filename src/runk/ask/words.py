"""Cutting a line into words: spoken numbers written out, stops and question marks gone."""

from __future__ import annotations

import re

from runk.core.lengths.spoken import written_out
from runk.core.refusals import Refused

LONGEST_LINE = 500
EXAMPLE = "turn 22mm silver steel hss"

MARKS = frozenset({",", ";"})
"""Stops that part a line, and say nothing themselves."""
FILLER = frozenset(
    """
    a an the of on in with at by for to into and please what which speed speeds should i
    do my piece bar rod stock some using use is how fast feed work machine job it can you
    me tell give need want size tool alike same that this its be through-put per as so
    will would get from held holding one's just if when there are
    """.split()  # noqa: SIM905
)
"""Words that carry nothing by themselves."""

PARTS = frozenset(
    """
    cover cylinder shaft crankshaft piston flywheel wheel gland axle boss bush spindle nut
    body casting block plate hole holes stud studs screw bolt end ends face sides side
    part parts rod bearing bearings strip flange web crank crankpin crankpins dowel tyre pin pins
    valve chest pump lever link bracket arm hub rim ring rings disc tube boiler frame bed bore
    register sleeve
    liner head mandrel arbor slit oil steam stepped eccentric sheave strap web webs
    """.split()  # noqa: SIM905
)
"""What the work is called: the noun after the verb is the part, and no holding."""

# A weight's unit stands apart, so that its number can be read.
_GLUED = re.compile(
    r"(?<=\d)(grams?|g|psi|bar|kpa|mpa|rpm|hrc|tpi|deg|degrees|flutes?|teeth)\b|(?<=\d)(°?[cf]\b|°)",
    re.I,
)
# A feed is typed as it is printed: 0.1mm/rev, 0.02 mm/tooth.
_A_TURN = re.compile(r"(?<=\d) ?(mm|thou|in)? ?/ ?(rev|tooth|min)\b", re.I)
# It is the minute that says what the number is: feed 40 mm a minute.
_FEED = re.compile(r"\bfeed(?:ing)?(?: of| at)? (?=[\d.,]+ ?(?:mm|in|thou)? ?a minute\b)", re.I)
_EVERY = {"rev": "a rev", "tooth": "a tooth", "min": "a minute"}
# Two classes of limits stand apart, each with its side: H7/g6.
_CLASSES = re.compile(r"(?<![\w/])([a-z]{1,2})(\d{1,2}) ?/ ?([a-z]{1,2})(\d{1,2})(?![\w/])", re.I)
# The same with a space between, where both look like classes and nothing else: H7 g6.
_SPACED = re.compile(
    r"(?<![\w/])(JS|[A-HKMNPR-U])(1[01]|[5-9]) (js|[a-hkmnpr-u])(1[01]|[5-9])(?![\w/])"
)
# M6 is a thread.
_ONE_CLASS = re.compile(r"(?<![\w/:])(JS|js|[A-HKNPR-Ua-hkmnpr-u])(1[01]|[5-9])(?![\w/.])")
_OF_FIT = re.compile(r"\b(?:fit|fits|limits (?:for|of))\b", re.I)
# One hole told by its two tools: drill 3.5 and ream 4.
_THEN_REAMED = re.compile(
    r"\bdrill(?:ed)? ([#\d.]\S{0,11}(?: mm| in)?),?(?: and| then| &)? ream(?:ed)? (?:to )?"
    r"(\S{1,12}(?: mm| in)?)(?=\s|$)",
    re.I,
)
# One size in another is a shaft in its hole, both measured: 33.02 in 33.04.
# No number has more digits: a pattern that would take any many is tried at each of them.
_SIZE = r"(\d{0,7}[.,/]?\d{1,7}(?: ?mm| ?in| ?\")?)"
_ONE_IN_OTHER = re.compile(
    rf"(?:(?:does|will|can|is) )?(?:an? )?(?<!\d){_SIZE}(?: \w+)?"
    rf"(?: fits?| go(?:es)?| enters?| runs?)? in(?:to)? (?:an? )?{_SIZE}"
    r"(?= (?:hole|bore|bush|gland|cylinder)\b|[?!. ]*$)",
    re.I,
)
_AS_LIKE = 0.1
_STOPS = re.compile(r"([,;])(?=\s|$)")
# A temperature said back in the other scale as well.
_ALSO_IN = re.compile(r"\(-?\d+(?:\.\d+)? ?°F\)")


_WHY = re.compile(r"^\s*(?:why|should i|is it better to|what is better)\b[:,]?\s*", re.I)
_CHOICE = frozenset({"or", "why", "should", "better", "rather", "instead", "versus", "vs"})


def sounds_like_judgement(words: list[str]) -> bool:
    """Whether a line asks which way rather than how much.

    >>> sounds_like_judgement(["bore", "or", "ream", "27", "mm"])
    True
    """
    lower = {word.lower() for word in words}
    asked = _CHOICE - {"should"} if any(w[:1].isdigit() for w in lower) else _CHOICE
    return not asked.isdisjoint(lower)


def asked_in(line: str) -> str:
    """The question in a line, without the word that asks it.

    >>> asked_in("Why piston first?")
    'piston first'
    """
    return _WHY.sub("", " ".join(line.split())).rstrip("?!. ")


def _in_its_hole(found: re.Match[str]) -> str:
    """A shaft and its hole, told apart; left as it stands where the sizes are not alike."""
    sizes = []
    for text in found.groups():
        number = text.rstrip(' min"').replace(",", ".")
        over, _, under = number.partition("/")
        sizes.append(float(over) / float(under or 1) if float(under or 1) else 0.0)
    if not sizes[1] or abs(sizes[0] / sizes[1] - 1) > _AS_LIKE:
        return found[0]
    return f" mate other {found[1]} there {found[2]} "


def _by_side(found: re.Match[str]) -> str:
    """Two classes, each with its side: the hole's first, unless capitals say it is the other."""
    one, other = found[1] + found[2], found[3] + found[4]
    if one[0].islower() and other[0].isupper():
        one, other = other, one
    return f" fit hole:{one} shaft:{other} "


def words_of(line: str) -> list[str]:
    """The words of a line.

    Args:
        line: As typed.

    Raises:
        Refused: Nothing there, or far too much.

    >>> words_of("Turn half inch brass, please!")
    ['Turn', '1/2', 'inch', 'brass', ',', 'please']
    """
    if len(line) > LONGEST_LINE:
        raise Refused(
            f"That is {len(line)} characters; a question is at most {LONGEST_LINE}.",
            suggest=EXAMPLE,
        )
    line = written_out(" ".join(line.split()))
    line = _ALSO_IN.sub("", line)
    line = _SPACED.sub(_by_side, _CLASSES.sub(_by_side, line))
    if _OF_FIT.search(line):
        line = _ONE_CLASS.sub(
            lambda one: f"{'hole' if one[0][0].isupper() else 'shaft'}:{one[0]}", line
        )
    line = _ONE_IN_OTHER.sub(_in_its_hole, line)
    line = _THEN_REAMED.sub(r"reamed \2 hole from \1 there already", line)
    line = _A_TURN.sub(lambda found: f" {found[1] or ''} {_EVERY[found[2].lower()]}", line)
    line = _FEED.sub("", line)
    line = _STOPS.sub(r" \1 ", _GLUED.sub(r" \1\2", line))
    words = [word if word == ";" else word.strip("?!;:") for word in line.split()]
    words = [
        w[:-1] if w.endswith(".") and not w[:-1].isdigit() and w.lower() != "no." else w
        for w in words
    ]
    words = [w for w in words if w]
    if not [w for w in words if w not in MARKS]:
        raise Refused("There is no question there yet.", suggest=EXAMPLE)
    return words
