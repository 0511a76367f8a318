"""Cutting a line into the phrases, numbers and hints Ask knows."""

from __future__ import annotations

import re
from dataclasses import dataclass, field

from runk.ask.vocabulary import FILLER, Meaning, before_hints, hints, leading_hints, phrases_of
from runk.core.lengths import Reading, read_length
from runk.core.lengths.tokens import UNITS
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

LONGEST_LINE = 500
_LINKS = frozenset({",", "at", "in", "the", "is"})
_LONGEST_PHRASE = 6
_LONGEST_NUMBER = 9
_FEW_INCHES = 3
_INCHES = re.compile(r"\d/\d|\d\"|\d\.?\d*in\b|\bthou\b", re.IGNORECASE)
_NUMBERISH = re.compile(
    r"^[#\d.(½¼¾⅛⅜⅝⅞Ø⌀-]|^(?:(?:no\.?|number)(?:\d|$)|letter$|m\d|g\d|\d*ba\d*$)", re.IGNORECASE
)


@dataclass(frozen=True, slots=True)
class Number:
    """A number in the line, as typed, with its reading and the word that claims it."""

    text: str
    reading: Reading | None
    refused: Refused | None = None
    after: str = ""
    before: str = ""
    after_at: int = -1
    before_at: int = -1
    next: str = ""
    called: bool = False
    """Whether the word before it is the one that called the sum: a gauge *pin*, 5 deep."""


@dataclass(slots=True)
class Scan:
    """What was found in a line."""

    meanings: list[Meaning] = field(default_factory=list)
    numbers: list[Number] = field(default_factory=list)
    unknown: list[str] = field(default_factory=list)
    led: dict[str, str] = field(default_factory=dict)
    """The word that stood before each metal, by its key: studs *in* gunmetal."""

    def of(self, kind: str) -> list[Meaning]:
        """Meanings of one kind, in the order they were said."""
        return [m for m in self.meanings if m.kind == kind]


def clean(line: str) -> list[str]:
    """The words of a line.

    Raises:
        Refused: Nothing there, or far too much.
    """
    if len(line) > LONGEST_LINE:
        raise Refused(
            f"That is {len(line)} characters; a question is at most {LONGEST_LINE}.",
            suggest="turn 22mm silver steel hss",
        )
    line = re.sub(r"(?<=\d)(g|grams?)(?=\s|$)", r" \1", line)
    words = [w.strip("?!;:") for w in re.sub(r",(?=\s|$)", " , ", line).split()]
    words = [
        w[:-1] if w.endswith(".") and not w[:-1].isdigit() and w.lower() != "no." else w
        for w in words
    ]
    words = [w for w in words if w]
    if not [w for w in words if w != ","]:
        raise Refused("There is no question there yet.", suggest="turn 22mm silver steel hss")
    return words


def _number_at(
    words: list[str], at: int, page: PageUnit, known: dict[tuple[str, ...], list[Meaning]]
) -> tuple[Number, int] | None:
    """The longest run of words from here that reads as a size."""
    if not _NUMBERISH.match(words[at]):
        return None
    refused: Refused | None = None
    for end in range(min(len(words), at + _LONGEST_NUMBER), at, -1):
        run = words[at:end]
        text = " ".join(run)
        # "drill 5 in brass": after a whole number, "in" before a metal is a preposition; but
        # "from 1 1/8 to 1 in brass" speaks in inches.
        if (
            run[-1].lower() == "in" and len(run) == 2 and re.fullmatch(r"\d+", run[0])
            and not (int(run[0]) <= _FEW_INCHES and _INCHES.search(" ".join(words)))
        ):  # fmt: skip
            following = tuple(w.lower() for w in words[end : end + 3])
            if any(m.kind == "metal" for n in (3, 2, 1) for m in known.get(following[:n], ())):
                continue
        try:
            reading = read_length(text, page)
        except Refused as failed:
            if end == at + 1:
                refused = failed
            continue
        if end < len(words) and _belongs_to_number(words[end].lower()):
            # A unit or half a fraction left over means the size is broken.
            return _broken(f"{text} {words[end]}", page), end + 1
        return Number(text, reading), end
    return Number(words[at], None, refused), at + 1


def _belongs_to_number(word: str) -> bool:
    return word in UNITS.keys() - {"in"} or re.fullmatch(r"[0-9]+/", word) is not None


def _broken(text: str, page: PageUnit) -> Number:
    try:
        return Number(text, read_length(text, page))
    except Refused as refused:
        return Number(text, None, refused)


def _phrase_at(
    words: list[str], at: int, known: dict[tuple[str, ...], list[Meaning]]
) -> tuple[list[Meaning], int] | None:
    lowered = tuple(w.lower() for w in words[at : at + _LONGEST_PHRASE])
    for length in range(len(lowered), 0, -1):
        if found := known.get(lowered[:length]):
            return found, at + length
    return None


def scan(line: str, page: PageUnit, workshop: Workshop) -> Scan:
    """Find everything Ask knows in a line, longest match first, in any order.

    Args:
        line: As typed.
        page: What a bare number means.
        workshop: For its metals and machines.
    """
    words, known, found = clean(line), phrases_of(workshop), Scan()
    at, before, before_at, called = 0, "", -1, False
    while at < len(words):
        phrase = _phrase_at(words, at, known)
        number = _number_at(words, at, page, known)
        if phrase and (number is None or phrase[1] >= number[1]):
            meanings, before_at = phrase[0], at
            if at:
                lead = words[at - 1].lower()
                found.led.update({m.key: lead for m in meanings if m.kind == "metal"})
            at = phrase[1]
            found.meanings.extend(meanings)
            # "from 16 to 14.5": the word that calls the sum also says which number follows.
            said = meanings[0].phrase.split()[-1].lower()
            trigger = meanings[0].kind == "trigger"
            leads = said in (leading_hints() if trigger else before_hints())
            called = leads and trigger and " " in meanings[0].phrase
            before = said if leads else ""
            continue
        if number:
            one, at = number
            if one.text.lower().endswith("drill"):
                # "no 43 drill" is a size and, where nothing else is said, the work as well.
                found.meanings.extend(known.get(("drill",), ()))
            ahead = at
            while ahead < len(words) - 1 and words[ahead].lower() in _LINKS:
                ahead += 1
            following = words[ahead].lower() if ahead < len(words) else ""
            claims = (
                following in hints()
                and not _phrase_covers(words, ahead, known)
                and not _leads_another(words, ahead)
            )
            found.numbers.append(
                Number(
                    one.text, one.reading, one.refused, following if claims else "", before,
                    ahead if claims else -1, before_at,
                    words[at].lower() if at < len(words) else "", called,
                )
            )  # fmt: skip
            before, before_at, called = "", -1, False
            continue
        word = words[at].lower()
        if word in leading_hints():
            before, before_at, called = word, at, False
        elif word != "," and word not in FILLER:
            found.unknown.append(words[at])
        at += 1
    return found


def _leads_another(words: list[str], at: int) -> bool:
    """Whether a leading word stands before a number without one of its own: 20 *bore* 12."""
    if words[at].lower() not in before_hints() or at + 1 >= len(words):
        return False
    own = words[at + 2].lower() if at + 2 < len(words) else ""
    return _NUMBERISH.match(words[at + 1]) is not None and own not in hints()


def _phrase_covers(words: list[str], at: int, known: dict[tuple[str, ...], list[Meaning]]) -> bool:
    phrase = _phrase_at(words, at, known)
    return phrase is not None and phrase[1] > at + 1
