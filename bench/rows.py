"""A row of the benchmarks: what, what was measured, what was wanted, and whether it is met."""

from __future__ import annotations

from measure import Ratio

Row = tuple[str, str, str, str]


def ratio_row(what: str, ratio: Ratio, most: float) -> Row:
    """Two sides timed in turns, and the most the first may take of the second."""
    figures = (
        f"{ratio.p50:.2f}x median, {ratio.p95:.2f}x at 95 % "
        f"({ratio.ours_p50:.0f} against {ratio.theirs_p50:.0f} µs)"
    )
    return what, figures, f"at or under {most:g}x", met(max(ratio.p50, ratio.p95) <= most)


def met(met: bool) -> str:
    """Whether a promise is kept, as the table says it."""
    return "yes" if met else "**no**"
