"""The words of a part, and what each is one of: many ways of saying come to one."""

from __future__ import annotations

import re
from functools import cache

from runk.core.sources import read_table

_END = r"(?: ?-? ?hand)?(?:[ -](?:side|end|edge|face|front face|end face))?"

PHRASES: tuple[tuple[str, str], ...] = (
    (r"^.{1,60}? i mean,? ", " "),
    (r"\b(?:please|could you|can you|kindly|i want|i need|i would like|just)\b", " "),
    # Through and blind, before any right or way in them is a direction.
    (r"\b(?:but )?not (?:right |all )?(?:the way )?(?:through|thru|thro)\b", " "),
    (
        r"\bcross[- ]?(?=hole|drill|tap|ream|bore)|\bx(?=hole)|\bradial(?:ly)?\b|\bsideways\b"
        r"|\b(?:through|thru|thro|in|into|from) (?:the )?side\b|\bacross it\b|\bcross\b",
        " crosswise ",
    ),
    (
        r"\b(?:in )?from (?:the |each |every |both |all )*(?:edges?|corners?|ends|sides)\b",
        " fromedge ",
    ),
    (
        r"\b(?:right |clean |(?<!\d )clear |straight |all )?(?:the )?(?:way )?"
        r"(?:through(?:out)?|thru|thro)\b'?(?: both walls| both sides)?",
        " through ",
    ),
    (r"\bblind\b", " "),
    # Ends.
    (r"\b(?:both|each|either) (?:ends?|sides?|faces?|edges?)\b|\bat either end\b", " both "),
    (rf"\b(?:right|r/?h|r\.h\.?|rhs|rhe)(?:{_END})(?![a-z])", " right "),
    (rf"\b(?:left|l/?h|l\.h\.?|lhs|lhe)(?:{_END})(?![a-z])", " left "),
    (
        r"\b(?:along |over |down )?(?:its |the )?(?:whole|full|entire) length\b|\ball along\b"
        r"|\bend to end\b|\bthe lot\b|\bfull[- ]length\b|\bthe whole way\b",
        " full ",
    ),
    (
        r"\bmidway(?: (?:along|down|up))?\b|\bin the middle\b|\bin centre\b|\bdead centre\b",
        " middle ",
    ),
    (r"\b(?:centre|center)[- ]?lines?\b|\bctr ?line\b|\bc/?l\b", " centreline "),
    (r"\bcent(?:re|er) to cent(?:re|er)\b|\bc to c\b|\bc/c\b", " centres "),
    (r"\b(?:the|all) ends\b", " both "),
    (r"\beccentric (?=bore|hole)|\boffset (?=bore|hole)", " "),
    (r"\b(?:open(?:ed)?|enlarged?)(?: the)?(?: hole| bore)?(?: out)?(?= to)", " bore "),
    (
        r"\b(?:elongated|oblong|slotted) holes?\b|\bcut ?-?outs?\b|\bwindows?\b|\bnotch(?:es)?\b",
        " slot ",
    ),
    (
        r"\bcentral(?:ly)?\b|\bin (?:the )?(?:centre|center)\b"
        r"|\bcent(?:red|ered)\b(?! (?:at|on) #)",
        " middle ",
    ),
    (
        r"\bflat[- ]bottom(?:ed)?\b|\bsquare (?:up|to|off|with|on)\b|\bends square\b"
        r"|\bsquare ends\b",
        " ",
    ),
    (r"\brebates?\b", " step "),
    # Circles, before a diameter in them is one.
    (
        r"\b(?:pitch|bolt) circle(?: (?:dia(?:m(?:eter)?)?))?\b|\bp\.?c\.?d\b\.?|\btk\b"
        r"|\bb\.?c\.?d\b\.?"
        r"|\bcircle of holes\b(?= (?:ø|dia|#))|\bcirc\b|\bring of holes\b",
        " circle ",
    ),
    # Four by five and a half on a circle are holes, whether or not it is said.
    (
        r"(#\d+) x (#\d+)(?: holes?)? (?=(?:on )?(?:a )?(?:#\d+ circle|circle #\d+))",
        r"\1 holes \2 ",
    ),
    (r"\bflat to flat\b|\bacross (?:the )?flats\b|\ba/?f\b|\bsw\b(?= #)", " across "),
    (r"\bi\.?d\b\.?|\b(?:inside|inner|internal) dia(?:m(?:eter)?)?\b\.?", " bore dia "),
    (
        r"\bo\.?d\b\.?|\boutside dia(?:meter)?\b|\b(?:in )?dia(?:m(?:eter)?)?s?\b\.?|\bdia(?=#)"
        r"|[ø⌀]|\bdm\b",
        " dia ",
    ),
    (r"\b(?:overall|total|finished) (?:length|long)\b", " partoff at "),
    (r"\b(?:in )?height\b|\bhigh\b|\btall\b", " long "),
    (r"\b(?:bore|drill) ?holes?\b", " hole "),
    (r"\b(?:saw[- ]?cut|slit|sawn slot)\b", " slot "),
    (r"\b(?:in )?length\b|\blg\b\.?|\blengthways\b", " long "),
    (r"\bdp\b\.?|\b(?:in )?depth\b", " deep "),
    (r"\b(?:in )?width\b", " wide "),
    (r"\b(?:in )?thickness\b|\bthk\b\.?", " thick "),
    (r"\bspac(?:ed|ing)\b|\bdistance\b|\bpitch(?:ed)?\b", " apart "),
    (r"\bequally apart\b|\bequally spaced\b|\bequi-?spaced\b|\bevenly apart\b", " "),
    (r"\bdegrees?\b|\bdeg\b\.?|°", " deg "),
    # Kinds that go by more than one word.
    (r"\bc'? ?bored?\b|\bcounter[- ]?bored?\b|\bspigot bore\b", " counterbore "),
    (r"\bc/?sk\b|\bcounter[- ]?s[iu]nk\b", " countersink "),
    (r"\bspot[- ]?fac(?:e|ed|ing)\b", " spotface "),
    (r"\bkey[- ]?(?:way|seat|groove)s?\b", " keyway "),
    (
        r"\b(?:bore|inside|internal) keyway\b|\bkeyway (?:in|inside) (?:the |its )?bore\b",
        " borekeyway ",
    ),
    (r"\bcrank ?pin\b", " crankpin "),
    (r"\b(?:main )?journals?\b|\bbearing seat\b|\bbearing\b", " journal "),
    (r"\beccentric(?: sheave)?\b|\bsheave\b", " eccentric "),
    (r"\bo[- ]?rings?\b", " oring "),
    (r"\bcirclips?\b|\bsnap ring\b", " circlip "),
    (r"\b(?:packing|ring|relief) groove", " groove"),
    (r"\bunder ?-?cut\b|\bplunge cut\b|\bgroov(?:e|es|ed|ing)?\b|\bneck\b", " groove "),
    (r"\bregister face\b|\bend face\b|\bface off\b|\bfaced?\b|\bfacing\b", " face "),
    (r"\bpart(?:ed|ing)?[- ]?off\b", " partoff "),
    (
        r"\bbreak (?:the )?(?:sharp )?(?:edges?|corners?)\b|\b(?:edges?|corners?) broken\b",
        " chamfer ",
    ),
    (r"\bchamf(?:er(?:s|ed)?)?\b|\bbevel(?:led)?\b", " chamfer "),
    (r"\bcones?\b|\btaper(?:s|ed)?\b|\bcon(?:e|ical)\b", " taper "),
    (r"\bknurl(?:ed|ing|s)?\b", " knurl "),
    (r"\bhex(?:agon(?:al)?)?s?\b|\bsix[- ](?:sided|edge)\b", " hexagon "),
    (r"\bsq(?:uare)?\b\.?", " square "),
    (r"\bmilled (?:flat|face)\b|\bflat face\b", " plane "),
    (r"\bgrub ?screws?\b", " grubscrew "),
    (r"\btap(?:ped|ping)?\b(?! size)", " tap "),
    (r"\b(?:internal(?:ly)?|female|inside) (?=thread|screw)", " inside "),
    (r"\b(?:external(?:ly)?|male|outside) (?=thread|screw)", " "),
    (
        r"\bscrew ?-?cut\b|\bscrew(?:ed)? thread\b|\bexternal thread\b|\bscrewed\b"
        r"|\bthread(?:ed|s)?\b",
        " thread ",
    ),
    (r"\bdrill(?:ed|ing)?\b", " drill "),
    (r"\bream(?:ed|er|ing)?\b|\bdowel(?= holes?\b)", " ream "),
    (r"\bhollow(?:ed)?(?: out)?(?: to)? (?=#\d+ dia\b)", " bore "),
    (r"\b(?:middle|central|centre) (?=bore\b)", " "),
    (r"\brecessed\b", " recess "),
    (r"\bknurl(?:ed|ing)? all over\b", " knurl full "),
    (r"\bbored?\b|\bboring\b", " bore "),
    (r"\boil ?(?:way|hole)s?\b|\b(?:steam|oil|water|air) passages?\b|\bpassages?\b", " passage "),
    (r"\blong holes?\b|\bslots?\b|\bpockets?\b|\bports?\b|\bflut(?:e|ed|es)\b", " slot "),
    (r"\b(?:split|sawn)(?: in (?:halves|half|two))?\b|\bin halves\b|\bhalves\b", " split "),
    (r"\boutline\b|\bprofiled?\b", " profile "),
    (
        r"\bround(?:s|ed|ing)? (?=all|the|over|corner|edge|off)|\bround(?:ed|ing)\b"
        r"|\bfillet(?:s|ed)?\b"
        r"|\bradi(?:us|ii?)\b|\brad\b\.?|\b(?<=corners )round\b|\br(?= #)",
        " fillet ",
    ),
    (r"\bball(?:ed)?\b|\bspherical\b|\bsphere\b|\bdomed?\b", " ball "),
    (r"\btee[- ]?slot\b|\bt[- ]slot\b", " teeslot "),
    (r"\bteeth\b|\bgear\b|\bsplines?\b|\bserrat(?:ed|ions)\b", " teeth "),
    (r"\bdimples?\b|\bcentre[- ]?(?:drill|pop|punch|dot)(?:led|ped|ed)?\b", " dimple "),
    (
        r"\bspigots?\b|\brims?\b|\bboss(?:es)?\b|\bsteps?\b|\bflanges?\b|\bcollars?\b"
        r"|\b(?!turned [@#]\d+(?: degrees?| deg)?$)turn(?:ed|ing)?(?: it)?(?: down)?\b"
        r"|\breduced?\b(?: (?:it|the end|diameter))?|\bskim(?:med)?\b|\bthinner\b|\boutside\b"
        r"|\bstub\b|\bbarrel\b|\bshank\b|\bpivots?\b",
        " outside ",
    ),
    (r"\bscrews?\b|\bbolts?\b", " screw "),
    (r"\b(?:the|a|an|its|my|our)\b", " "),
)
"""What is said, and the one word it comes to; the first that stands in a line goes first."""


def _words(sort: str) -> frozenset[str]:
    return frozenset(row["word"] for row in read_table("part_words") if row["sort"] == sort)


FILLERS = _words("filler")
"""Words that carry nothing more once every clause has taken its own."""

NAMES = _words("name")
"""Parts and places somebody names a feature after."""

SAID = _words("said")
"""Words as they are said, for a slip to be near to."""

OF_BLANKS = _words("blank")
"""Words of what a part is made from."""


@cache
def _compiled() -> tuple[tuple[re.Pattern[str], str], ...]:
    return tuple((re.compile(said), to) for said, to in PHRASES)


def plain_words(text: str) -> str:
    """A line in small letters with one word for each thing.

    Args:
        text: In small letters, its sizes still as they were typed.

    >>> plain_words("6 mm hole right thru").split()
    ['6', 'mm', 'hole', 'through']
    >>> plain_words("1/32 chamf. at each end, 20 lg.").split()[:3]
    ['1/32', 'chamfer', '.']
    """
    for said, to in _compiled():
        if said.search(text):
            text = " ".join(said.sub(to, text).split())
    return text
