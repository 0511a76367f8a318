"""How sizes, threads, limits and angles are written in a sentence of a part."""

from __future__ import annotations

import re

from runk.core.lengths.spoken import HOW_MANY, written_out

SWAPS = str.maketrans(
    {
        "”": '"',
        "“": '"',
        "″": '"',
        "’": "'",
        "′": "'",
        "−": "-",
        "–": "-",
        "—": "-",
        "×": "x",
        "⁄": "/",
        "\u00a0": " ",
        "\t": " ",
        "\n": " ",
        "\r": " ",
        "⌀": "ø",
        "´": "'",
    }
)
VULGAR = {"½": " 1/2", "¼": " 1/4", "¾": " 3/4", "⅛": " 1/8", "⅜": " 3/8", "⅝": " 5/8", "⅞": " 7/8"}

COUNTS = {word: many for word, many in HOW_MANY.items() if many > 1} | {"pair": 2}
NUMBER = r"(?:\d{1,5}[ -]\d{1,4}/\d{1,4}|\d{1,5}/\d{1,4}|\d{1,6}[.,]\d{1,6}|\d{1,6}|[.,]\d{1,6})"
INCHES = r"\"|''|inch(?:es)?|ins?\b\.?"
UNIT = rf"(?: ?(?:mm|cm|thou|{INCHES})(?![a-z]))"
# "10 in from each edge" is inwards: no unit.
INWARDS = re.compile(
    r" ?in (?:from(?! [\d.])|the|each|every|left|right|both|centre|center|middle|line|row"
    r"|a (?:line|row|circle|ring))\b"
    r"| ?in$"
)
EDGES = re.compile(r"\b(?:corners?|edges?|ends?)\b")
TERM = rf"{NUMBER}{UNIT}?"
SUM = re.compile(rf"{TERM}(?:(?: [+*] |[+*](?=[\d.])){TERM}){{0,3}}")
ONE = re.compile(TERM)
THREAD = re.compile(
    r"m ?\d{1,3}(?:[.,]\d)?(?: ?[x*-] ?(?:\d[.,]\d{1,2}|[.,]\d{1,2}|\d(?![\d/]|[.,]\d)))?(?![\w/])"
    r"|\d{1,2} ?ba\b|ba ?\d{1,2}\b|g ?\d{1,2}/\d{1,2}\b"
    r"|(?:\d ?)?\d{1,2}/\d{1,2} ?(?:bspp?|g)\b"
    r"|#?\d{1,2}-\d{2}(?: ?un[cf])?\b(?!/)"
    r"|(?:(?:\d[ -])?\d{1,2}/\d{1,2}|\d)\"?"
    r"(?: ?[x-] ?\d{2}(?: ?tpi)?(?: ?(?:unc|unf|unef|un|me|bsw|bsf|whit(?:worth)?|cei))?"
    r"(?![\w/]|[.,]\d)"
    r"| ?(?:unc|unf|unef|me|bsw|bsf|whit(?:worth)?)\b)"
)
BARE_PITCH = re.compile(r"[x-] ?\d{2}$")
SPECIAL = re.compile(r"special (\d{1,3}(?:\.\d{1,3})?) ?x ?(\d{0,2}(?:\.\d{1,3})?)(?![\d.])")
"""A thread of no series, as it is said back."""
DRILL = re.compile(r"(?:no\.? ?|number |#)(\d{1,2})(?: drill)?(?![\d/.-])|letter ([a-z])\b")
GAUGE = re.compile(r"(\d{1,2}) ?(?:swg|s\.w\.g\.?|gauge|ga\b\.?)(?![a-z])")
ANGLE = re.compile(r"(\d{1,3}(?:[.,]\d{1,3})?) ?(?:°|deg(?:rees?)?\b\.?)")
SIGNED = re.compile(
    rf"(?:±|\+ ?/ ?-) ?{TERM}"
    rf"|[+-] ?{TERM}(?: ?[/ ,]? ?(?:[+-] ?{TERM}|0(?:[.,]0*)?(?![\d.,/x])(?! ?mm)))?"
)
_EXACT = r"\d{1,4}[.,]\d{1,5}|[.,]\d{1,5}|\d{1,4}"
PAIR = re.compile(
    rf"(?:limits? )?(?=[\d.,]*[.,]\d|[^,]*(?:/|to) ?\d*[.,]\d)"
    rf"({_EXACT}){UNIT}? ?(?:/|to) ?({_EXACT}){UNIT}?(?![\d/.])"
)
LIMITS = re.compile(rf"limits? (?:of |from )?({TERM})[ ,/-]*(?:to |and )?({TERM})")
GRADE = re.compile(r"(?:cd|ef|fg|js|z[abc]|[a-hjknprs-vyz])(?:[5-9]|1[01])(?![\w]|\.\d)")
FOOT = re.compile(r"[mk](?:[5-9]|1[01])(?!\w|\.\d)")
TAPERS = re.compile(r"\btaper|\bcon(?:e|ical)\b")
WORD = re.compile(r"x(?=m ?\d)|[a-z']+(?:['/.-][a-z]+)*\.?|ø|[^ \w]")
PLACE_SIGN = re.compile(r"(?:\b(?:from|to|at|x|y|and|by)[ =:]?|,|/)$")
THREADED = re.compile(r"\b(?:thread|tap|screw|tpi|die|male)")


def small(line: str) -> str:
    """A line in small letters and plain signs, spoken sizes written out.

    Args:
        line: As typed.

    >>> small("Ø12 × ½ INCH"), small("half way along")
    ('ø12 x 1/2 inch', 'midway along')
    """
    text = line.translate(SWAPS)
    for sign, plain in VULGAR.items():
        text = text.replace(sign, plain)
    text = " ".join(text.lower().replace("&", " and ").replace("=", " ").split())
    text = re.sub(r"\b(?:six|6)[- ](?:sided|edged?)\b", "hexagon", text)
    text = re.sub(r"(?:(?<=[\d\"])|(?<=mm)|(?<= in)) by (?=[-\d.])", " x ", text)
    if TAPERS.search(text):
        text = re.sub(r"(?<![\d.])1 ?(?:in|:) ?(?=\d)", "ratio ", text)
    text = re.sub(r"\bhalf ?way\b(?! between)", "midway", text)
    return written_out(re.sub(r"(?<=\d)ths?\b|(?<=\d)nds\b", "", text))
