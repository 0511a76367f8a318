"""Sizes that go by a name: drills and threads, read as their diameter."""

from __future__ import annotations

import re
from collections.abc import Callable
from dataclasses import dataclass
from fractions import Fraction
from functools import cache

from runk.core.lengths.gauges import wire_gauge_mm
from runk.core.lengths.show import MM_PER_INCH
from runk.core.refusals import Refused
from runk.core.sources import read_table


@dataclass(frozen=True, slots=True)
class Named:
    """A named size: its diameter, what it is, whether it is an inch size, a thread's pitch.

    ``core_share`` is how many pitches the core of that thread is smaller than its outside.
    """

    mm: Fraction
    name: str
    what: str
    inch: bool
    pitch_mm: Fraction | None = None
    core_share: Fraction = Fraction("1.2269")


@cache
def drill_sizes() -> dict[str, Fraction]:
    """Number and letter drills by name, diameters in inches.

    >>> drill_sizes()["#43"]
    Fraction(89, 1000)
    """
    return {row["name"]: Fraction(row["inch"]) for row in read_table("drills")}


@cache
def _unified() -> dict[tuple[str, int], str]:
    return {(row["size"], int(row["tpi"])): row["series"] for row in read_table("unified")}


@cache
def _pipe() -> dict[str, Fraction]:
    return {row["size"]: Fraction(row["major_mm"]) for row in read_table("pipe")}


@cache
def _coarse() -> dict[str, Fraction]:
    return {row["size"]: Fraction(row["pitch_mm"]) for row in read_table("metric_coarse")}


def ba_pitch_mm(number: int) -> Fraction:
    """Pitch of a BA thread: 0.9^k mm, rounded to 0.01.

    Source: BS 93.

    >>> float(ba_pitch_mm(2))
    0.81
    """
    return Fraction(f"{0.9**number:.2f}")


def ba_diameter_mm(number: int) -> Fraction:
    """Outside diameter of a BA thread.

    Args:
        number: 0 to 16.

    Returns:
        Millimetres, to two significant figures as the standard rounds it.

    Raises:
        Refused: Outside 0 to 16.

    Source: BS 93, 6 p^1.2 with the unrounded pitch p = 0.9^k.

    >>> float(ba_diameter_mm(2))
    4.7
    """
    if not 0 <= number <= 16:
        raise Refused(f"There is no {number} BA: they run from 0 BA to 16 BA.", suggest="2BA")
    diameter = 6 * (0.9**number) ** 1.2
    return Fraction(f"{diameter:.2g}")


def number_drill(number: int) -> Named:
    """A number drill.

    Raises:
        Refused: Outside #1 to #80.
    """
    name = f"#{number}"
    inch = drill_sizes().get(name)
    if inch is None:
        also = " For the screw thread write 0-80." if number == 0 else ""
        raise Refused(
            f"There is no number drill {number}: they run from #1 (5.79 mm) "
            f"to #80 (0.34 mm).{also}",
            suggest="#43",
        )
    return Named(inch * MM_PER_INCH, name, "drill", inch=True)


def letter_drill(letter: str) -> Named:
    """A letter drill, A to Z."""
    inch = drill_sizes()[letter.upper()]
    return Named(inch * MM_PER_INCH, f"letter {letter.upper()}", "drill", inch=True)


def _metric(found: re.Match[str]) -> Named:
    diameter, pitch = Fraction(found["d"].replace(",", ".")), found["p"]
    if not 1 <= diameter <= 100:
        raise Refused(f"M{found['d']} is outside the metric threads, M1 to M100.", suggest="M4")
    name = f"M{found['d']}" + (f"x{pitch}" if pitch else "")
    size = Fraction(pitch.replace(",", ".")) if pitch else _coarse().get(f"M{found['d']}")
    return Named(diameter, name, "thread, outside diameter", False, size)


def _ba(found: re.Match[str]) -> Named:
    number = int(found["n"] or found["m"])
    diameter, pitch = ba_diameter_mm(number), ba_pitch_mm(number)
    return Named(
        diameter, f"{number} BA", "thread, outside diameter", False, pitch, Fraction("1.2")
    )


def _pipe_thread(found: re.Match[str]) -> Named:
    size = found["g"] or found["bsp"]
    major = _pipe().get(size)
    if major is None:
        raise Refused(
            f"I know no pipe thread G{size}: they run {', '.join(_pipe())}.", suggest="G1/8"
        )
    return Named(major, f"G{size}", "pipe thread, outside diameter", inch=True)


def _numbered(found: re.Match[str]) -> Named | None:
    size, tpi, series = f"#{int(found['n'])}", int(found["tpi"]), (found["s"] or "").upper()
    known = _unified().get((size, tpi))
    if known is None:
        if not found["hash"] and not series:
            return None
        fits = sorted(t for (s, t) in _unified() if s == size)
        those = " or ".join(f"{size}-{t}" for t in fits) or "#0 to #12"
        raise Refused(f"There is no unified thread {size}-{tpi}: I know {those}.", suggest="4-40")
    inch = Fraction("0.060") + Fraction("0.013") * int(found["n"])
    return Named(
        inch * MM_PER_INCH,
        f"{size}-{tpi} {known}",
        "thread, outside diameter",
        True,
        MM_PER_INCH / tpi,
    )


def _inch_thread(found: re.Match[str]) -> Named:
    whole, top, bottom = int(found["w"] or 0), int(found["t"]), int(found["b"])
    if bottom == 0:
        raise Refused("A fraction cannot be divided by 0.", suggest="1/4-20")
    inch = whole + Fraction(top, bottom)
    tpi, series = found["tpi"], (found["s"] or found["s2"] or "").upper()
    size = f"{whole} {top}/{bottom}" if whole else f"{top}/{bottom}"
    if not series and tpi:
        series = _unified().get((size, int(tpi)), "")
    dash = "-" if series.startswith("UN") else "x"
    name = size + (f"{dash}{tpi}" if tpi else "") + (f" {series}" if series else "")
    pitch = MM_PER_INCH / int(tpi) if tpi and int(tpi) else None
    core = Fraction("1.2269") if series.startswith("UN") else Fraction("1.2807")
    return Named(inch * MM_PER_INCH, name, "thread, outside diameter", True, pitch, core)


_PART_OF = re.compile(r"\s+(blank|core)(?![a-z])")


def _part_of(named: Named, part: str) -> Named:
    """A thread's blank for a die, or the core of its screw.

    Raises:
        Refused: Its pitch is not said.

    Source: the blank a tenth of the pitch under size is common practice; the core is the depth
    of the form on both sides (ISO 68-1, BS 84, BS 93).
    """
    if named.pitch_mm is None:
        raise Refused(f"Which pitch has {named.name}?", suggest=f"{named.name}x40 {part}")
    share = Fraction(1, 10) if part == "blank" else named.core_share
    mm = named.mm - share * named.pitch_mm
    return Named(mm, f"{named.name} {part}", f"{part} of the thread", named.inch, named.pitch_mm)


_SERIES = r"unc|unf|unef|un|me|bsw|bsf|whit(?:worth)?|w|cei"
_END = r"(?![\w/])(?!\.[0-9])"
_NAMES: tuple[tuple[re.Pattern[str], Callable[[re.Match[str]], Named | None]], ...] = (
    (
        re.compile(
            rf"m(?P<d>[0-9]+(?:[.,][0-9]+)?)(?:\s*[x*×-]\s*(?P<p>[0-9]*[.,]?[0-9]+))?{_END}"
        ),
        _metric,
    ),
    (re.compile(rf"(?P<n>[0-9]+)\s*ba{_END}|ba\s*(?P<m>[0-9]+){_END}"), _ba),
    (
        re.compile(rf"g\s*(?P<g>[0-9]+/[0-9]+){_END}|(?P<bsp>[0-9]+/[0-9]+)\s*(?:bspp?|g){_END}"),
        _pipe_thread,
    ),
    (
        re.compile(
            rf"(?P<hash>#\s*)?(?P<n>[0-9]{{1,2}})-(?P<tpi>[0-9]{{2}})(?:\s*(?P<s>{_SERIES}))?{_END}"
        ),
        _numbered,
    ),
    (
        re.compile(
            r"(?:(?P<w>[0-9]+)[ -])?(?P<t>[0-9]+)/(?P<b>[0-9]+)"
            rf"(?:(?:\s*[x×]\s*|-)(?P<tpi>[0-9]{{2}})(?:\s*tpi)?(?:\s*(?P<s>{_SERIES}))?{_END}"
            rf"|\s*(?P<s2>{_SERIES}){_END})"
        ),
        _inch_thread,
    ),
)
_WIRE_GAUGE = re.compile(
    rf"(?P<n>[0-9]{{1,2}})\s*s\.?w\.?g\.?{_END}|s\.?w\.?g\.?\s*(?P<m>[0-9]{{1,2}}){_END}"
)
_NUMBER_DRILL = re.compile(rf"(?:#\s*|no\.?\s*|number\s+|nr\.?\s*)(?P<n>[0-9]+)(?:\s*drill)?{_END}")
_LETTER_DRILL = re.compile(
    rf"(?:letter|ltr)\s+(?P<l>[a-z])(?:\s*drill)?{_END}|(?P<m>[a-z])\s+drill{_END}"
)


def read_name(text: str, at: int = 0) -> tuple[Named, int] | None:
    """A drill or thread name at a place in lower-case text.

    Args:
        text: Normalised, lower case.
        at: Where to look.

    Returns:
        The named size and where it ends, or None when no name starts here.

    Raises:
        Refused: A name's shape with a size its series does not have.

    >>> read_name("#43")[0].name
    '#43'
    >>> float(read_name("1/4x40 me")[0].mm)
    6.35
    """
    for pattern, make in _NAMES:
        found = pattern.match(text, at)
        if found is None:
            continue
        named = make(found)
        if named is not None:
            part = _PART_OF.match(text, found.end())
            return (_part_of(named, part[1]), part.end()) if part else (named, found.end())
    if found := _WIRE_GAUGE.match(text, at):
        number = int(found["n"] or found["m"])
        return Named(wire_gauge_mm(number), f"{number} SWG", "wire gauge", inch=True), found.end()
    if found := _NUMBER_DRILL.match(text, at):
        return number_drill(int(found["n"])), found.end()
    if found := _LETTER_DRILL.match(text, at):
        return letter_drill(found["l"] or found["m"]), found.end()
    return None
