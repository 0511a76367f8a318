"""A line as the trade writes it: glued units apart, ratios and minutes of arc said plainly."""

from __future__ import annotations

import re

from runk.core.lengths.spoken import HOW_MANY

_DOTTED = re.compile(
    r"(?<![\w.])(?:[a-zA-Z]\.){2,4}(?!\w)|(?<![\w.])(?:[a-zA-Z]\.){1,3}[a-zA-Z](?![\w.])"
)
_GLUED = re.compile(
    r"(?<=\d)(tpi|dp|mod|af|pcd|thou|deg|degrees|degree|flutes?|fl|teeth|off|psi|rpm|long|deep|dia|"
    r"wide|thick)\b",
    re.IGNORECASE,
)
_TEETH = re.compile(r"\b(\d{1,3}) ?[tT]\b(?!\.)")
_ONE_IN = re.compile(r"(?<![\d:.])1 ?: ?(\d{1,3})\b(?!:)|(?<![\w/.])1/(\d{1,3})(?= taper)")
_ARC = re.compile(
    r"(\d{1,3}) ?(?:degrees|degree|deg|°) ?(?:and )?(\d{1,2}) ?(?:minutes|minute|mins|min|'|′)",
    re.IGNORECASE,
)
_OCLOCK = re.compile(
    r"\b(1[0-2]|[1-9]|one|two|three|four|six|nine|twelve) ?o ?['’]? ?clock\b", re.IGNORECASE
)
# A pitch that is told beside a metric thread's name is that thread's, never some depth.
_PITCH = re.compile(
    r"\b(M\d{1,3}(?:\.\d)?),? (?:(?:with |at |of )?(?:an? )?pitch (?:of )?(\d{0,2}\.?\d{1,3})"
    r"(?: ?mm)?(?![\d.])|(?:x )?(\d{0,2}\.?\d{1,3}) ?(?:mm )?pitch\b)",
    re.IGNORECASE,
)
# M10 1.5, M6 fine 0.75: no other number looks like a pitch and stands there.
_PITCH_BEHIND = re.compile(
    r"\b(M\d{1,3})(?: fine)?,? (0\.[2-9]5?|1\.25|1\.5|1\.75|2\.5|3\.5|4\.5|5\.5)"
    r"(?![\d.])(?! ?(?:mm|deep|long|thick|plate|cover|hole|drill|wide|washer|high|head|thou|in\b))",
    re.IGNORECASE,
)
# A decimal comma, as half of Europe writes it; a pair of places has more of them, or says so.
_COMMA = re.compile(r"(?<![\d,.\-])(\d{1,3}),(\d{1,3})(?![\d,.]|, ?\d)")
_PLACES = re.compile(
    r"\b(?:at|points?|places?|spots?|coordinates|between|from|past|on to) -?\d+,-?\d"
    r"|\d,\d+ (?:and )?\d+,\d+ |\b[xy] "
)
_COUNTED = re.compile(
    r"\b(two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)"
    r"(?=[ -](?:equal |evenly |small |M\d+ |\d+ ?BA )?(?:flutes?|teeth|tooth|dogs?|crossings?|"
    r"holes|studs|bolts|screws|arms|spokes|divisions|cuts|clamps|rings|on (?:a )?\d|\d+ ?BA\b))",
    re.IGNORECASE,
)
_CLASS_OF = re.compile(r"\b(\d{1,3})([A-HJ-Za-hj-z]{1,2})(\d{1,2})\b(?!/)")
_FITS = frozenset(
    "c d e f g h js k m n p r s u C D E F G H JS K M N P R S".split()  # noqa: SIM905
)
_POLITE = re.compile(
    r"^(?:sir|dear sir|hello|hi|ok|right|so|well|hey)\b[,:.!]?\s+"
    r"|\b(?:please|thanks|thank you|cheers)\b[,.!]?",
    re.IGNORECASE,
)
_COMES_OFF = re.compile(r"\b(?:to (?:come|take) off|to be taken off)\b", re.IGNORECASE)
_OF_HOLES = re.compile(r"\b(?:bolt circle|pcd|holes)\b", re.IGNORECASE)
_RADIUS = re.compile(
    r"(?:\b(?:bolt|pitch) circle )?(?:on an? )?(?<!tip )\bradius (?:of )?"
    r"(\d{1,4}(?:\.\d{1,4})?)\b(?! ?/)",
    re.IGNORECASE,
)
_SAYS = (
    (re.compile(r"\bnumber of\b", re.IGNORECASE), "how many"),
    # A small error in a long distance: no inches are meant.
    (
        re.compile(
            r"(?<![\w.])(0?\.\d{1,4}) in (?=[1-9]\d{1,3}(?: ?mm)?\b(?![./]))", re.IGNORECASE
        ),
        r"\1 over ",
    ),
    (re.compile(r"\b(?:thru|throughout)\b", re.IGNORECASE), "through"),
    (re.compile(r"\b(?:c/bore|cbore|c'bore)\b", re.IGNORECASE), "counterbore"),
    (re.compile(r"\b(?:c/sink|c'sink)\b", re.IGNORECASE), "countersink"),
    (re.compile(r"\b(?:aluminum)\b", re.IGNORECASE), "aluminium"),
    (re.compile(r"\b(?:revolutions|r/min)\b", re.IGNORECASE), "revs"),
    (re.compile(r"\b(?:top slide|compound slide)\b", re.IGNORECASE), "topslide"),
    (re.compile(r"\b(?:lead screw)\b", re.IGNORECASE), "leadscrew"),
    (re.compile(r"\b(taper,? (?:of )?)1 to (\d{1,3})\b", re.IGNORECASE), r"\g<1>1 in \2"),
    (re.compile(r"\b(gears|wheels) (\d{2,3})/(\d{2,3})\b", re.IGNORECASE), r"\1 \2 and \3"),
    (re.compile(r"\b(?:isn't|isnt|is'nt)\b", re.IGNORECASE), "is not"),
    (
        re.compile(r"\b(?:haven't|havent|have not|hasn't) (?:got )?(?:an? )?", re.IGNORECASE),
        "without ",
    ),
    (
        re.compile(
            r"\b(?:i |we )?(?:don't|dont|do not) (?:have|need|want)(?: an?)? ", re.IGNORECASE
        ),
        "without ",
    ),
    (
        re.compile(r"\bnot (starting|first|beginning) at [^,;]{1,20}? but (?:at )?", re.IGNORECASE),
        r"\1 at ",
    ),
    (re.compile(r"\bnot [^,;]{1,30}? but (?=at |in |from |the |an? |\d)", re.IGNORECASE), ""),
    (re.compile(r"\b(?:don't|dont)\b", re.IGNORECASE), "do not"),
    (
        re.compile(r"\b(?:first|starting|begin|start) at (?:the )?top\b", re.IGNORECASE),
        "first at 90 degrees",
    ),
    (
        re.compile(r"\b(?:first|starting|begin|start) at (?:the )?right\b", re.IGNORECASE),
        "first at 0 degrees",
    ),
    (re.compile(r"\b(?:doesn't|doesnt)\b", re.IGNORECASE), "does not"),
    (re.compile(r"\b(?:can't|cant|cannot)\b", re.IGNORECASE), "can not"),
    # As many jaws as a chuck has are no size: the throw's own chuck goes without saying.
    (
        re.compile(
            r"\b(?:in |with |on )?(?:the |a )?(?:3|three)[ -]jaw(?: chuck)?"
            r"(?=.*\b(?:throw|pack|eccentric))"
            r"|(?<=throw)(.*?)\b(?:in |with )?(?:the |a )?(?:3|three)[ -]jaw(?: chuck)?\b",
            re.IGNORECASE,
        ),
        r"\1",
    ),
    (re.compile(r"\bpackers?\b(?= )", re.IGNORECASE), "packing"),
    (re.compile(r"\becc\b\.?", re.IGNORECASE), "eccentric"),
    (re.compile(r"\bmodul\b", re.IGNORECASE), "module"),
    (re.compile(r"\b(\d{2} ?(?:to|:) ?1) dividing head\b", re.IGNORECASE), r"\1 indexing"),
    (re.compile(r"\bnumber(?:ed)? drill\b(?! \d)", re.IGNORECASE), "numbered drill"),
    (
        re.compile(r"(?<![\w/.])([A-Z]) drill\b(?=.*\b(?:size|dia|mm|inch|how big)\b)"),
        r"letter \1 drill",
    ),
    # The countersink of a metric screw is 90 degrees, whether or not it is said.
    (re.compile(r"\b90 (?:degrees?|deg|°) (?=(?:countersink|csk)\b.*\bM\d)", re.IGNORECASE), ""),
    (re.compile(r"(?<=countersink) 90 (?:degrees?|deg|°)(?=.*\bM\d)", re.IGNORECASE), ""),
    (re.compile(r"\bletter drill\b(?! [a-z]\b)", re.IGNORECASE), "lettered drill"),
    (re.compile(r"\bdividing head (?=\d{2} ?(?:to|:) ?1\b)", re.IGNORECASE), ""),
    (re.compile(r"\b(?:no\.?|number) (\d{1,2}) drill (?:in )?mm\b", re.IGNORECASE), r"#\1 in mm"),
    (re.compile(r"\b(?:without any|with no)\b", re.IGNORECASE), "without"),
    (
        re.compile(r"\b(?:percentage|per cent|pct)\b|(?<=\d)%|(?<=\d) %(?= of \d)", re.IGNORECASE),
        " percent",
    ),
)


def _arc(found: re.Match[str]) -> str:
    return f"{int(found[1]) + int(found[2]) / 60:.6g} degrees"


def _hand(found: re.Match[str]) -> str:
    """Where a clock's hour stands, as angles go here: from the right, anticlockwise."""
    hour = HOW_MANY.get(found[1].lower()) or int(found[1])
    return f"{(90 - 30 * hour) % 360} degrees"


def _with_class(found: re.Match[str]) -> str:
    """8g6 is a size and its class of limits."""
    return f"{found[1]} {found[2]}{found[3]}" if found[2] in _FITS else found[0]


def spelt(line: str) -> str:
    """A line in the spelling the reader knows; sizes and order are left as they are.

    >>> spelt("40T 20 D.P. gear"), spelt("taper 1:20, 17 deg 30 min")
    ('40 teeth 20 DP gear', 'taper 1 in 20, 17.5 degrees')
    >>> spelt("6 holes 31 pcd first at 12 o'clock"), spelt("tap M10 pitch 1.25 brass")
    ('6 holes 31 pcd first at 90 degrees', 'tap M10x1.25 brass')
    >>> spelt("2 b.a. tapping"), spelt("8g6 limits"), spelt("drill 5,5 hole")
    ('2 ba tapping', '8 g6 limits', 'drill 5.5 hole')
    """
    text = " ".join(line.split())
    text = _DOTTED.sub(lambda found: found[0].replace(".", ""), text)
    if text[:5].lower() == "face ":
        # Of a face: what comes off is no diameter.
        text = _COMES_OFF.sub("off", text)
    if _OF_HOLES.search(text):
        # Holes lie on a circle, and a circle is told by its diameter.
        text = _RADIUS.sub(r"circle 2*\1", text)
    for pattern, plain in _SAYS:
        text = pattern.sub(plain, text)
    text = _ARC.sub(_arc, text)
    text = _OCLOCK.sub(_hand, text)
    text = _PITCH.sub(lambda found: f"{found[1]}x{found[2] or found[3]}", text)
    text = _ONE_IN.sub(lambda found: f"1 in {found[1] or found[2]}", text)
    if not _PLACES.search(text):
        text = _COMMA.sub(r"\1.\2", text)
    text = _PITCH_BEHIND.sub(r"\1x\2", text)
    text = _COUNTED.sub(lambda found: str(HOW_MANY[found[1].lower()]), text)
    text = _CLASS_OF.sub(_with_class, text)
    text = _TEETH.sub(r"\1 teeth", _GLUED.sub(r" \1", text))
    return " ".join(_POLITE.sub("", text).split())
