"""Standard wire gauge against the table of another package, read out of it and copied here."""

from __future__ import annotations

import pytest

from runk.core.lengths.gauges import wire_gauge_mm, wire_gauges
from runk.core.refusals import Refused

# Inches by number, 0 to 30: `BSWG_inch` of the package fluids 1.3.1, which names BS 3737. It has 28
# gauge as 0.0149 where the standard's step is 0.0148: the one row that differs by more than a tenth
# of a thou is not asked for.
THEIRS = (
    *(0.324, 0.3, 0.276, 0.252, 0.232, 0.212, 0.192, 0.176, 0.16, 0.144, 0.128, 0.116, 0.104),
    *(0.092, 0.08, 0.072, 0.064, 0.056, 0.048, 0.04, 0.036, 0.032, 0.028, 0.024, 0.022, 0.02),
    *(0.018, 0.0164, 0.0149, 0.0136, 0.0124),
)


def test_every_gauge_is_as_thick_as_the_other_table_has_it() -> None:
    assert [float(inch) for inch in wire_gauges().values()] == pytest.approx(THEIRS, abs=0.00011)
    assert list(wire_gauges()) == list(range(31))
    assert float(wire_gauge_mm(16)) == pytest.approx(1.6256)


@pytest.mark.parametrize("number", [-1, 31])
def test_there_is_no_gauge_beyond_its_ends(number: int) -> None:
    with pytest.raises(Refused, match="standard wire gauge"):
        wire_gauge_mm(number)
