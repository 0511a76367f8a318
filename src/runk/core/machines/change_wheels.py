"""Change wheels and gearbox ratios, as their owner types them."""

from __future__ import annotations

import re
from fractions import Fraction

from runk.core.refusals import Refused

FEWEST_TEETH, MOST_TEETH, MOST_WHEELS, MOST_RATIOS = 12, 200, 60, 40
_BETWEEN = re.compile(r"[\s,;]+|\s+and\s+")
_TWICE = re.compile(r"(\d+) ?(?:x|\*|×) ?(\d+)")


def teeth_of(typed: str, field: str = "wheels") -> tuple[int, ...]:
    """Teeth of every wheel, smallest first.

    Args:
        typed: Parted by spaces or commas; ``2x20`` is the same wheel twice.
        field: Which field a refusal names.

    Raises:
        Refused: Something is no wheel, or there are more than anybody owns.

    >>> teeth_of("20, 20 25 2x30")
    (20, 20, 25, 30, 30)
    """
    found: list[int] = []
    doubled = _TWICE.sub(lambda m: " ".join([m[2]] * min(int(m[1]), MOST_WHEELS + 1)), typed)
    for word in (w for w in _BETWEEN.split(doubled.lower().removesuffix("teeth")) if w):
        if not word.isdigit() or not FEWEST_TEETH <= int(word[:6]) <= MOST_TEETH:
            raise Refused(
                f"`{word[:20]}` is no change wheel: {FEWEST_TEETH} to {MOST_TEETH} teeth.",
                field=field,
                suggest="20 20 25 30 35 40",
            )
        found.append(int(word))
    if len(found) > MOST_WHEELS:
        raise Refused(f"{len(found)} wheels are more than {MOST_WHEELS}.", field=field)
    return tuple(sorted(found))


def ratios_of(typed: str, field: str = "gearbox") -> tuple[Fraction, ...]:
    """Ratios of a gearbox, turns of the leadscrew for one of its input.

    Args:
        typed: Parted by spaces: ``1 2 1/2 0.75``.
        field: Which field a refusal names.

    Raises:
        Refused: Something is no ratio.

    >>> [str(one) for one in ratios_of("1 2 1/2")]
    ['1', '2', '1/2']
    """
    found: list[Fraction] = []
    for word in (w for w in _BETWEEN.split(typed) if w):
        if not re.fullmatch(r"\d{1,4}(?:\.\d{1,6}|/\d{1,4})?", word):
            raise Refused(f"`{word[:20]}` is no ratio.", field=field, suggest="1 2 1/2")
        over, _, under = word.partition("/")
        ratio = Fraction(over) / Fraction(under) if under and int(under) else Fraction(over)
        if not ratio or (under and not int(under)):
            raise Refused(f"`{word[:20]}` is no ratio.", field=field, suggest="1 2 1/2")
        found.append(ratio)
    if len(found) > MOST_RATIOS:
        raise Refused(f"{len(found)} ratios are more than {MOST_RATIOS}.", field=field)
    return tuple(found)
