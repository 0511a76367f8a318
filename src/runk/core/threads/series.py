"""Every thread a model engineer meets, found by any name it is typed by."""

from __future__ import annotations

import difflib
import re
from dataclasses import dataclass
from fractions import Fraction
from functools import cache, lru_cache

from runk.core.lengths.names import ba_diameter_mm, ba_pitch_mm
from runk.core.lengths.show import MM_PER_INCH, trimmed
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import Held, Source, read_table


@dataclass(frozen=True, slots=True)
class Form:
    """The shape of a thread, every length as a share of its pitch.

    Args:
        working: Depth that 100 % of engagement is counted from.
        depth: Of the thread on the outside.
        minor: How much smaller the basic minor diameter is than the major.
        effective: The same for the effective (pitch) diameter.
        radius: Of root (and crest, where it is round).
        crest: Width left at the crest of the hole's groove.
        stress: How much smaller the diameter of the tensile stress area is.
        tightest_percent: Engagement past which no hole is drilled.
    """

    key: str
    name: str
    angle_deg: float
    working: float
    depth: float
    minor: float
    effective: float
    radius: float
    crest: float
    stress: float
    tightest_percent: float
    source: Source


@dataclass(frozen=True, slots=True)
class Thread:
    """A thread: its name and series, its major diameter and pitch, exact."""

    name: str
    series: str
    major: Fraction
    pitch: Fraction
    form: Form
    source: Source

    @property
    def major_mm(self) -> float:
        """Major diameter."""
        return float(self.major)

    @property
    def pitch_mm(self) -> float:
        """Pitch."""
        return float(self.pitch)

    @property
    def minor_mm(self) -> float:
        """Basic minor diameter: the tightest hole there can be."""
        return self.major_mm - self.form.minor * self.pitch_mm

    @property
    def metric(self) -> bool:
        """Whether it is spoken of in millimetres."""
        return self.series.startswith("M") and self.series != "ME"


@cache
def forms() -> dict[str, Form]:
    """Forms by key.

    >>> forms()["ba"].angle_deg
    47.5
    """
    return {
        row["form"]: Form(
            key=row["form"],
            name=row["name"],
            angle_deg=float(row["angle_deg"]),
            working=float(row["working"]),
            depth=float(row["depth"]),
            minor=float(row["minor"]),
            effective=float(row["effective"]),
            radius=float(row["radius"]),
            crest=float(row["crest"]),
            stress=float(row["stress"]),
            tightest_percent=float(row["tightest_percent"]),
            source=_source(row),
        )
        for row in read_table("thread_forms")
    }


@cache
def threads() -> tuple[Thread, ...]:
    """Every thread of every series, smallest first within each.

    >>> len(threads()) > 180
    True
    """
    return (*_tabled(), *_ba(), *_unified(), *_pipe())


def _source(row: dict[str, str]) -> Source:
    return Source(row["authority"], Held(row["held"]))


def _tabled() -> list[Thread]:
    return [
        Thread(
            row["name"],
            row["series"],
            _mm(row["major"]),
            _pitch(row["pitch"]),
            forms()[row["form"]],
            _source(row),
        )
        for row in read_table("threads")
    ]


def _ba() -> list[Thread]:
    source = Source("bs-93", Held.DERIVED)
    return [
        Thread(f"{n} BA", "BA", ba_diameter_mm(n), ba_pitch_mm(n), forms()["ba"], source)
        for n in range(17)
    ]


def _unified() -> list[Thread]:
    return [
        Thread(
            f"{row['size']}-{row['tpi']} {row['series']}",
            row["series"],
            _unified_mm(row["size"]),
            MM_PER_INCH / int(row["tpi"]),
            forms()["unified"],
            _source(row),
        )
        for row in read_table("unified")
    ]


def _pipe() -> list[Thread]:
    return [
        Thread(
            f"G{row['size']}",
            "G",
            Fraction(row["major_mm"]),
            MM_PER_INCH / int(row["tpi"]),
            forms()["whitworth"],
            _source(row),
        )
        for row in read_table("pipe")
    ]


def _mm(text: str) -> Fraction:
    number, unit = text.split()
    return Fraction(number) * (MM_PER_INCH if unit == "in" else 1)


def _pitch(text: str) -> Fraction:
    number, unit = text.split()
    return MM_PER_INCH / int(number) if unit == "tpi" else Fraction(number)


def _unified_mm(size: str) -> Fraction:
    if size.startswith("#"):
        return (Fraction("0.060") + Fraction("0.013") * int(size[1:])) * MM_PER_INCH
    return Fraction(size) * MM_PER_INCH


_ORDER = ("UNC", "UNF", "UNEF", "M coarse", "M fine", "BA", "ME", "BSF", "BSW", "G")
_CROSS_ORDER = ("ME", "BSF", "BSW", "UNC", "UNF", "UNEF", "M coarse", "M fine", "BA", "G")


# A special is found by the name it is given here.
_OWN_NAME = re.compile(r"^\s*special ([\d./-]{1,12}(?:in)?) x ([\d.]{1,8})")
_FORMED = re.compile(r"(x\s?\d{0,4}\.?\d{1,4})(?:tpi)?[\s.]+(60|55|47\.5)(?:\s?°|\s?deg)?\s*$")


def normal(text: str) -> str:
    """A name without what people write differently.

    >>> normal("M4 × 0,7"), normal("No 4-40"), normal('3/16" BSF')
    ('m4x0.7', '4-40', '3/16bsf')
    """
    low = text.strip().lower()
    low = re.sub(r"[×*]", "x", low).replace(",", ".").replace("–", "-").replace("−", "-")
    low = re.sub(r"\b(?:no\.?|number)\s*(?=\d)", "", low).replace("#", "")
    low = re.sub(r"\b(?:thread|dia|pitch|coarse)\b|tpi\b", "", low)
    low = low.replace("whitworth", "bsw").replace("whit", "bsw").replace("bspp", "bsp")
    # A form's angle stands apart from the pitch: without the blank they would be one number.
    low = _FORMED.sub(r"\1/\2", _OWN_NAME.sub(r"\1x\2", low))
    low = re.sub(r"[\s\"'”]+", "", low)
    return re.sub(r"(?<=[x-])\.(?=\d)", "0.", low)


def _spellings(thread: Thread) -> list[str]:
    base = normal(thread.name)
    found = [base]
    pitch = trimmed(thread.pitch, 3)
    if thread.metric:
        size = trimmed(thread.major, 2)
        found += [f"m{size}x{pitch}", f"m{size}-{pitch}"]
        if thread.series == "M coarse":
            found.append(f"m{size}")
        else:
            found.append(f"mf{size}x{pitch}")
        return found
    if thread.series == "BA":
        number = thread.name.split()[0]
        return [*found, f"{number}ba", f"ba{number}"]
    if thread.series == "G":
        size = thread.name[1:]
        return [*found, f"{size}bsp", f"{size}g", f"bsp{size}"]
    size, tpi = re.split(r"[x-]", base.replace(thread.series.lower(), ""))
    series = thread.series.lower()
    found += [f"{size}{mark}{tpi}{end}" for mark in "x-" for end in ("", series)]
    found += [f"{series}{size}x{tpi}", f"{size}{series}{tpi}"]
    if thread.series != "ME":
        found.append(f"{size}{series}")
    if thread.series == "BSW":
        found.append(f"{size}w")
    return found


@cache
def _by_name() -> dict[str, Thread]:
    named: dict[str, Thread] = {}
    for order, mark in ((_ORDER, "-"), (_CROSS_ORDER, "x")):
        ranked = sorted(threads(), key=lambda t, o=order: o.index(t.series))  # type: ignore[misc]
        for thread in ranked:
            for spelling in _spellings(thread):
                # 1/4-20 is unified, 1/4x20 the older form; a name without either is its own.
                if mark in spelling or ("-" not in spelling and "x" not in spelling):
                    named.setdefault(spelling, thread)
    return named


_METRIC = re.compile(r"m?(\d+(?:\.\d+)?)(?:mm)?x(\d*\.?\d+)(?:mm)?(?:/?(60|55|47\.5)(?:°|deg)?)?")
_INCH = re.compile(r"(\d+(?:-\d+)?/\d+|\d*\.\d+in|\d+in)x(\d+)(?:/?(60|55|47\.5)(?:°|deg)?)?")
_FINE = re.compile(r"m(\d+(?:\.\d+)?)fine")
_FORM_OF = {"60": "iso", "55": "whitworth", "47.5": "ba"}


@lru_cache(maxsize=4096)
def names_thread(text: str) -> bool:
    """Whether it is the name of a thread, told without looking for what it might have been.

    >>> names_thread("2BA"), names_thread("12"), names_thread("4.3x0.7")
    (True, False, True)
    """
    wanted = normal(text)
    if not wanted or len(text) > 40:
        return False
    if wanted in _by_name():
        return True
    try:
        if _FINE.fullmatch(wanted):
            return find_thread(text) is not None
        return _special(wanted) is not None
    except Refused:
        return False


@lru_cache(maxsize=1024)
def find_thread(text: str) -> Thread:
    """The thread somebody means.

    Args:
        text: ``M4``, ``M4x0.5``, ``2BA``, ``1/4x40``, ``1/4-20``, ``10-32``, ``3/16 BSF``,
            ``G1/8``; or a special of any diameter and pitch, ``4.3x0.7``, ``7/32x36 55``.

    Raises:
        Refused: No thread is called that, or several are.

    >>> find_thread("2 ba").name, find_thread("1/4 x 40").name, find_thread("1/4-20").name
    ('2 BA', '1/4x40 ME', '1/4-20 UNC')
    >>> find_thread("4.3x0.7").name
    'special 4.3 x 0.7'
    """
    wanted = normal(text)
    if not wanted:
        raise Refused("Which thread is it?", suggest="M4, 2BA or 1/4x40")
    if len(text) > 40:
        raise Refused("That is too long for the name of a thread.", suggest="M4, 2BA or 1/4x40")
    known = _by_name()
    if (found := known.get(wanted)) is not None:
        return found
    if (bare := re.fullmatch(r"(\d+/\d+)(?:in)?", wanted)) is not None:
        sized = [
            t.name
            for t in threads()
            if t.series != "G" and normal(t.name).startswith((f"{bare[1]}x", f"{bare[1]}-"))
        ]
        if sized:
            raise Refused(
                f"There are several {bare[1]} threads: which one?", suggest=", ".join(sized[:6])
            )
    if (fine := _FINE.fullmatch(wanted)) is not None:
        sized = [t.name for t in threads() if t.series == "M fine" and t.major == Fraction(fine[1])]
        if len(sized) == 1:
            return find_thread(sized[0])
        raise Refused(f"Which fine M{fine[1]} is it?", suggest=", ".join(sized) or f"M{fine[1]}")
    if (special := _special(wanted)) is not None:
        return special
    raise _unknown(text, wanted, known)


def _special(wanted: str) -> Thread | None:
    inch = _INCH.fullmatch(wanted)
    metric = None if inch else _METRIC.fullmatch(wanted)
    made = inch or metric
    if made is None:
        return None
    if inch:
        whole, _, part = inch[1].removesuffix("in").rpartition("-")
        size = (Fraction(whole or 0) + Fraction(part)) * MM_PER_INCH
        if not int(inch[2]):
            raise Refused("A thread has at least 1 turn to the inch.", suggest="1/4x40")
        pitch, form = MM_PER_INCH / int(inch[2]), _FORM_OF[inch[3] or "55"]
        name = f"special {inch[1]} x {inch[2]} tpi"
    else:
        size, pitch = Fraction(made[1]), Fraction(made[2])
        form = _FORM_OF[made[3] or "60"]
        name = f"special {made[1]} x {made[2]}"
    if size <= 0 or pitch <= 0:
        raise Refused("A thread's diameter and pitch are more than 0.", suggest="4.3x0.7")
    if made[3] and made[3] != ("55" if inch else "60"):
        name += f" {made[3]}°"
    shape = forms()[form]
    if float(pitch) * shape.minor >= 0.8 * float(size):
        raise Refused(
            f"A pitch of {mm_said(pitch)} would cut a {mm_said(size)} thread to almost nothing.",
            suggest=f"{float(size):g}x{float(size) / 6:.2g}",
        )
    return Thread(name, "special", size, pitch, shape, Source("yours", Held.GIVEN))


def _unknown(text: str, wanted: str, known: dict[str, Thread]) -> Refused:
    metric = re.fullmatch(r"m(\d+(?:\.\d+)?)(?:x(\d*\.?\d+))?", wanted)
    if metric:
        size = float(metric[1])
        near = sorted(
            (t for t in threads() if t.metric), key=lambda t: (abs(t.major_mm - size), -t.pitch_mm)
        )[:3]
        names = [t.name for t in near]
    elif ba := re.fullmatch(r"(\d+)ba|ba(\d+)", wanted):
        return Refused(
            f"There is no {ba[1] or ba[2]} BA: they run from 0 BA to 16 BA.", suggest="2BA"
        )
    else:
        names = [known[n].name for n in difflib.get_close_matches(wanted[:20], known, n=4)]
    near_text = " or ".join(dict.fromkeys(names)) or "M4, 2BA, 1/4x40 or 1/4-20"
    return Refused(
        f"No series here has a thread `{text.strip()[:20]}`. A special is typed as its diameter "
        "and pitch, 4.3x0.7.",
        suggest=near_text,
    )
