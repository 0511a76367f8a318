"""What is said of a tool beyond its sizes, in its owner's words: plates of a dividing head, the
teeth a gear cutter is for, the metal of a bar.
"""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass
from fractions import Fraction
from functools import cache
from types import MappingProxyType

from runk.core.refusals import Refused

LONGEST_DETAIL = 300
MOST_CIRCLES, MOST_HOLES = 60, 400
_RATIO = re.compile(r"(\d{1,3}) ?(?::|to) ?1")
_NAMED = re.compile(r"(dial|direct|plain) (\d{1,4})|(\d{1,4}) (dial|direct|plain)")
_RANGE = re.compile(r"(\d{1,3}) ?(?:-|–|to) ?(\d{1,3})")


@dataclass(frozen=True, slots=True)
class Divider:
    """A dividing head or a rotary table.

    Args:
        ratio: Turns of the handle for one of the spindle.
        plates: Circles of holes, plate by plate.
        dial: Divisions of the handle's own dial, 0 where it has none.
        direct: Notches of the plate on the spindle itself, 0 where it has none.
    """

    ratio: int
    plates: tuple[tuple[int, ...], ...] = ()
    dial: int = 0
    direct: int = 0

    @property
    def circles(self) -> tuple[int, ...]:
        """Every circle there is, smallest first."""
        return tuple(sorted({circle for plate in self.plates for circle in plate}))


@dataclass(frozen=True, slots=True)
class GearCutter:
    """A form cutter for a range of teeth.

    Args:
        module_mm: Its module; of a diametral pitch 25.4 over it.
        low: Fewest teeth it is for.
        high: Most; 0 for a rack.
        number: As it is marked, 0 where it is not.
        angle_deg: Pressure angle.
    """

    module_mm: Fraction
    low: int
    high: int
    number: int = 0
    angle_deg: float = 20.0

    def cuts(self, teeth: int) -> bool:
        """Whether a wheel of so many teeth lies in its range."""
        return self.low <= teeth and (not self.high or teeth <= self.high)


@dataclass(frozen=True, slots=True)
class Stock:
    """A bar on the shelf.

    Args:
        metal: In its owner's words.
        section: ``round``, ``square``, ``hexagon`` or ``flat``.
    """

    metal: str
    section: str = "round"


@cache
def divider_of(detail: str) -> Divider:
    """A dividing head from its owner's words.

    Args:
        detail: Its ratio, then its plates parted by semicolons; ``15 to 20`` is every circle
            between; ``dial 240`` and ``direct 24`` where it has them.

    Raises:
        Refused: Something is neither.

    >>> divider_of("40:1; 15 to 17; 21 23; direct 24")
    Divider(ratio=40, plates=((15, 16, 17), (21, 23)), dial=0, direct=24)
    """
    ratio, plates, named = 0, [], {"dial": 0, "direct": 0}
    for part in (p.strip(" ,.").lower() for p in re.split(r"[;\n]", detail)):
        if not part:
            continue
        if found := _RATIO.fullmatch(part):
            ratio = int(found[1])
        elif found := _NAMED.fullmatch(part):
            word = (found[1] or found[4]).replace("plain", "direct")
            named[word] = int(found[2] or found[3])
        else:
            plates.append(_circles(part))
    if not 1 <= ratio <= 200:
        raise Refused(
            "How many turns of the handle make one of the spindle?",
            field="detail",
            suggest="40:1; 15 to 20; 21 23 27 29 31 33",
        )
    if sum(map(len, plates)) > MOST_CIRCLES:
        raise Refused(f"More than {MOST_CIRCLES} circles: is that one head?", field="detail")
    return Divider(ratio, tuple(plates), named["dial"], named["direct"])


def _circles(part: str) -> tuple[int, ...]:
    found: list[int] = []
    spread = _RANGE.sub(
        lambda m: " ".join(map(str, range(int(m[1]), min(int(m[2]), int(m[1]) + 60) + 1))), part
    )
    for word in re.split(r"[\s,]+", spread.removeprefix("plate ").strip()):
        if not word.isdigit() or not 2 <= int(word[:4]) <= MOST_HOLES:
            raise Refused(
                f"`{word[:20]}` is no circle of holes.",
                field="detail",
                suggest="40:1; 15 to 20; 21 23 27 29 31 33",
            )
        found.append(int(word))
    return tuple(found)


_MODULE = re.compile(r"(?:module|mod|m) ?([\d.]{1,8})|([\d.]{1,8}) ?(?:module|mod)")
_PITCH = re.compile(r"(?:dp) ?([\d.]{1,8})|([\d.]{1,8}) ?dp")
_NUMBER = re.compile(r"(?:no|number|#) ?([1-8])(?:\b|$)")
_TEETH = re.compile(r"(\d{1,3}) ?(?:-|–|to) ?(\d{1,3}|rack)(?: ?teeth)?|(\d{1,3}) ?(?:teeth)?")
_ANGLE = re.compile(r"([\d.]{2,5}) ?(?:°|deg|degrees)")


@cache
def gear_cutter_of(detail: str) -> GearCutter:
    """A gear cutter from its owner's words.

    Args:
        detail: Its module or diametral pitch, its number, the teeth it is for, its angle, parted by
            commas.

    Raises:
        Refused: Its pitch or its teeth are not said.

    >>> gear_cutter_of("0.7 module, no 4, 21 to 25")
    GearCutter(module_mm=Fraction(7, 10), low=21, high=25, number=4, angle_deg=20.0)
    >>> gear_cutter_of("32 DP, no 1, 135 to rack, 14.5 deg").high
    0
    """
    module, number, teeth, angle = Fraction(0), 0, None, 20.0
    for part in (p.strip(" .").lower() for p in re.split(r"[,;\n]", detail)):
        if found := _MODULE.fullmatch(part):
            module = _fraction(found[1] or found[2])
        elif found := _PITCH.fullmatch(part):
            pitch = _fraction(found[1] or found[2])
            module = Fraction(254, 10) / pitch if pitch else Fraction(0)
        elif found := _NUMBER.fullmatch(part):
            number = int(found[1])
        elif found := _ANGLE.fullmatch(part):
            angle = float(found[1])
        elif found := _TEETH.fullmatch(part):
            low, high = found[1] or found[3], found[2] or found[3]
            teeth = int(low), 0 if high == "rack" else int(high)
        elif part:
            raise Refused(
                f"`{part[:30]}` says nothing of a gear cutter.",
                field="detail",
                suggest="0.7 module, no 4, 21 to 25",
            )
    if not Fraction(1, 20) <= module <= 50 or teeth is None or not 10 <= angle <= 30:
        raise Refused(
            "Its module or DP, and the teeth it is for?",
            field="detail",
            suggest="0.7 module, no 4, 21 to 25",
        )
    return GearCutter(module, teeth[0], teeth[1], number, angle)


def _fraction(text: str) -> Fraction:
    try:
        return Fraction(text)
    except ValueError:
        return Fraction(0)


SECTIONS: Mapping[str, tuple[str, ...]] = MappingProxyType(
    {
        "square": ("square", "sq"),
        "hexagon": ("hexagon", "hex"),
        "flat": ("flat", "plate"),
        "round": ("round", "bar", "rod"),
    }
)


@cache
def stock_of(detail: str) -> Stock:
    """A bar from its owner's words: its metal, and its section where it is not round.

    >>> stock_of("free-cutting brass, hexagon")
    Stock(metal='free-cutting brass', section='hexagon')
    """
    section, metal = "round", []
    for word in re.split(r"[\s,;]+", detail.strip()):
        found = next((s for s, names in SECTIONS.items() if word.lower() in names), None)
        if found:
            section = found
        else:
            metal.append(word)
    return Stock(" ".join(metal), section)
