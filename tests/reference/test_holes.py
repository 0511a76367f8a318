"""Holes against the outside: drill series from a package, points and passages by geometry."""

from __future__ import annotations

from fractions import Fraction
from math import cos, radians, sin, tan

import numpy as np
import pytest
from scipy.integrate import quad
from scipy.optimize import brentq

from runk.core.cutting.laws import point_mm
from runk.core.holes.angled import AngledQuestion, angled
from runk.core.holes.heads import Head, head_of
from runk.core.holes.laws import flat_depth_mm, opening_nm
from runk.core.holes.pick import ream_allowance
from runk.core.lengths import read_length
from runk.core.threads import find_thread
from runk.core.tools.sets import SETS, jobber_flute_mm, tool_set
from tests.reference.packages import rows


def test_every_drill_of_the_inch_sets_is_the_published_one() -> None:
    """bd-warehouse's drill table (ASME B94.11M sizes): from a package."""
    # It rounds to the thou, where the standard has #5 at 0.2055.
    published = {
        r["Size"].strip(): Fraction(r["Diameter"].strip())
        for r in rows("bd-warehouse", "drill_sizes.csv")
    }
    seen = 0
    for key in ("number", "number-fine", "letter", "fractional"):
        for tool in tool_set(key):
            name = tool.name.removeprefix("letter ").removesuffix('"')
            for form in (name, name.removeprefix("#")):
                if form in published:
                    assert float(tool.size_mm) == pytest.approx(
                        float(published[form]) * 25.4, abs=0.0128
                    )
                    seen += 1
                    break
    assert seen >= 100


@pytest.mark.parametrize("key", [s.key for s in SETS])
def test_a_set_reads_back_by_its_names_and_only_grows(key: str) -> None:
    tools = tool_set(key)
    assert [read_length(t.name).mm for t in tools] == [t.size_mm for t in tools]
    assert len({t.size_mm for t in tools}) == len(tools)


def test_flutes_only_grow_with_the_drill() -> None:
    """ISO 235 jobber lengths, recalled; a second property: never shorter for a larger drill, and
    between 3.5 and 12 times as long as thick."""
    flutes = [jobber_flute_mm(n / 10) for n in range(5, 201)]
    assert None not in flutes
    values = [f for f in flutes if f is not None]
    assert values == sorted(values)
    for tenths, flute in zip(range(5, 201), values, strict=True):
        assert 3.5 <= flute / (tenths / 10) <= 15
    # DIN 338 / ISO 235 as catalogues print it: from memory.
    for size, flute in (
        (0.3, 3),
        (0.5, 6),
        (0.65, 8),
        (0.8, 10),
        (1.0, 12),
        (2.0, 24),
        (3.0, 33),
        (4.0, 43),
        (5.0, 52),
        (6.0, 57),
        (8.0, 75),
        (10.0, 87),
        (13.0, 101),
    ):
        assert jobber_flute_mm(size) == flute


@pytest.mark.parametrize(("angle", "share"), [(118.0, 0.30), (135.0, 0.21)])
def test_point_lengths_as_handbooks_round_them(angle: float, share: float) -> None:
    """0.30 D and 0.21 D: workshop handbooks, from memory; and the cone itself, followed down."""
    assert point_mm(1.0, angle) == pytest.approx(share, abs=0.005)
    radius = brentq(lambda h: h * tan(radians(angle / 2)) - 5.0, 0, 50)
    assert point_mm(10.0, angle) == pytest.approx(radius)


def test_reaming_allowances_of_common_practice() -> None:
    """Common practice: to 3 mm 0.05 to 0.1; to 6 0.1 to 0.15; to 12 about 0.2; to 25 about 0.3;
    half for a hand reamer."""
    for size, low, high in ((3, 0.05, 0.1), (6, 0.1, 0.15)):
        leave = ream_allowance(size, by_hand=False)
        assert (leave.low_mm, leave.high_mm) == (low, high)
    assert ream_allowance(12, by_hand=False).usual_mm == pytest.approx(0.2)
    assert ream_allowance(25, by_hand=False).usual_mm == pytest.approx(0.3)
    assert ream_allowance(12, by_hand=True).usual_mm == pytest.approx(0.1)
    # Half a millimetre is far too much for a 4 mm reamer.
    assert ream_allowance(4, by_hand=False).high_mm < 0.5 / 3


def test_torque_of_opening_a_hole_by_integration_along_the_lip() -> None:
    whole, _ = quad(lambda r: r, 0, 5.0)
    ring, _ = quad(lambda r: r, 2.0, 5.0)
    assert opening_nm(1.0, 4.0, 10.0) == pytest.approx(ring / whole)


def test_a_flat_on_a_slope_by_the_far_edge_of_the_cutter() -> None:
    """The uphill edge of the cutter stands that much under the surface there."""
    for slope in (10.0, 30.0, 60.0):
        uphill = 4.0 * tan(radians(slope))
        assert flat_depth_mm(8.0, slope) == pytest.approx(uphill)


@pytest.mark.parametrize(
    ("drill", "angle", "across"), [(3.0, 30.0, 12.0), (2.0, 60.0, 8.0), (6.0, 0.0, 20.0)]
)
def test_a_passage_against_a_sampled_solid(drill: float, angle: float, across: float) -> None:
    """The cylinder itself cut by the far face: where its mouth begins and ends."""
    answer = angled(AngledQuestion(Fraction(str(drill)), angle, Fraction(str(across))))
    a = radians(angle)
    turn = np.linspace(0, 2 * np.pi, 20001)
    # A line of the cylinder's wall starts at (x, z) off the axis and runs along the axis.
    off_x, off_z = np.cos(turn) * drill / 2 * cos(a), -np.cos(turn) * drill / 2 * sin(a)
    reach = (across - off_z) / cos(a)
    out_x = off_x + reach * sin(a)
    assert answer.mouth_mm.value == pytest.approx(np.ptp(out_x), rel=1e-6)
    assert answer.along_mm.value == pytest.approx((out_x.max() + out_x.min()) / 2, abs=1e-6)
    # The last of the wall to leave the metal, and the point ahead of it.
    tip = reach.max() + point_mm(drill, 118.0)
    assert answer.travel_mm.value == pytest.approx(tip, rel=1e-6)
    assert answer.length_mm.value == pytest.approx(
        np.hypot(across, answer.along_mm.value), rel=1e-9
    )


def _published(file: str, key: str) -> dict[str, float]:
    """One column of a package's screw table, by size."""
    found = {}
    for row in rows("bd-warehouse", file):
        told = {name.strip(): value for name, value in row.items()}
        if told[key]:
            found[told["Size"].split("-")[0]] = float(told[key])
    return found


def test_heads_are_the_standards() -> None:
    """ISO 4762 and ISO 10642 by way of bd-warehouse's screw tables."""
    caps = "socket_head_cap_parameters.csv"
    across, high = _published(caps, "iso4762:dk"), _published(caps, "iso4762:k")
    for size in ("2", "2.5", "3", "4", "5", "6", "8", "10", "12"):
        ours = head_of(find_thread(f"M{size}"), Head.CAP)
        # The table gives a knurled head's largest, some hundredths more.
        assert ours[:2] == pytest.approx((across[f"M{size}"], high[f"M{size}"]), abs=0.35)
    sunk = _published("countersunk_head_parameters.csv", "iso10642:dk")
    for size in ("3", "4", "5", "6", "8", "10", "12"):
        ours = head_of(find_thread(f"M{size}"), Head.COUNTERSUNK)
        # ISO 10642 tables the sharp, theoretical head, 2.24 d; the package an actual one, 2 d,
        # whose corner is rounded: the seat has to take the sharp one.
        assert ours[0] == pytest.approx(2.24 * float(size))
        assert 0.85 * ours[0] <= sunk[f"M{size}"] <= ours[0]


def test_a_number_four_cap_head_is_the_standards() -> None:
    """ASME B18.3, from memory: 0.183 across, 0.112 high."""
    across, high, _ = head_of(find_thread("4-40"), Head.CAP)
    assert across / 25.4 == pytest.approx(0.183, abs=1e-4)
    assert high / 25.4 == pytest.approx(0.112, abs=1e-4)
