"""End float drawn a million times: each length mostly near its middle, inside its limits."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

import numpy as np

from runk.core.figures import Working
from runk.core.lengths.members import total
from runk.core.shafts.endfloat_question import EndFloatQuestion
from runk.core.shafts.float_closed import closed

if TYPE_CHECKING:
    from runk.core.figures import FloatArray
    from runk.core.lengths.members import Member

DRAWS = 1_000_000
_BARS = 48
_LIMIT_SIGMA = 3.0
"""Standard deviations from the middle of a length to its limit: common practice."""
_SEED = 20


@dataclass(frozen=True, slots=True)
class FloatSpread:
    """How end float falls out.

    Args:
        edges_mm: Of the bars, one more than there are.
        percents: Of the draws in each bar.
        inside_percent: Between what is wanted; ``under_percent`` less, ``over_percent`` more.
        draws: How often it was drawn.
    """

    edges_mm: list[float]
    percents: list[float]
    inside_percent: float
    under_percent: float
    over_percent: float
    draws: int


def drawn_mm(
    room: tuple[Member, ...], stack: tuple[Member, ...], draws: int = DRAWS, seed: int = _SEED
) -> FloatArray:
    """What is left, so many times over, every piece inside its limits.

    Three standard deviations lie between middle and limit, as where the usual ends are worked
    out: the one drawing says what the other sum says. What falls outside is drawn again.

    Args:
        room: What adds; ``stack`` what takes away.
        draws: How often.
        seed: The same draws each time.

    >>> from fractions import Fraction
    >>> from runk.core.lengths.members import Member
    >>> one = (Member("1", Fraction(2), Fraction(1), Fraction(3)),)
    >>> bool(abs(drawn_mm(one, (), 10_000).mean() - 2.0) < 0.05)
    True
    """
    source = np.random.default_rng(seed)
    left = np.zeros(draws)
    for sign, members in ((1.0, room), (-1.0, stack)):
        for member in members:
            middle, half = float(member.middle), float(member.high - member.low) / 2
            left += sign * member.count * middle
            for _ in range(member.count if half else 0):
                one = source.standard_normal(draws)
                while (out := np.abs(one) > _LIMIT_SIGMA).any():
                    one[out] = source.standard_normal(int(out.sum()))
                one *= sign * half / _LIMIT_SIGMA
                left += one
    return left


def spread_of(question: EndFloatQuestion, _: None = None) -> FloatSpread:
    """The million draws in bars, what closes it put in, and how many of them do."""
    room, stack = total(question.room), total(question.stack)
    put = closed(Working(), question, room[0] - stack[2], room[2] - stack[0]).put
    left = drawn_mm(question.room, question.stack) - (put.value if put is not None else 0.0)
    least, most = float(question.least), float(question.most)
    under = float((left < least - 1e-9).mean() * 100)
    over = float((left > most + 1e-9).mean() * 100)
    counts, edges = np.histogram(left, _BARS)
    return FloatSpread(
        edges.tolist(),
        (counts / left.size * 100).tolist(),
        100 - under - over,
        under,
        over,
        left.size,
    )
