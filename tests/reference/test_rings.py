"""Rings against the curved beam, integrated; packing, flats and keyways against plain geometry."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad
from scipy.optimize import brentq

from runk.core.rings import laws
from runk.core.shafts.flats import depth_limit_mm, sharp_limit_mm, wide_limit_mm
from runk.core.shafts.keyway import chord_limit_mm
from runk.core.shafts.throw_laws import bar_both_mm, bar_one_mm, packing_mm
from tests.cases import cases


@cases(40)
@given(st.floats(10, 120), st.floats(20, 30), st.floats(0.08, 0.16), st.floats(60, 210))
def test_a_ring_presses_and_bends_as_the_beam_says(
    bore: float, times: float, share: float, e_gpa: float
) -> None:
    """Half a ring one millimetre wide, held opposite the gap, under even pressure or a pull.

    Bending at an angle from there is p h R² (1 + cos); the ends close by what it turns them
    through, added up round the half and doubled. Our law puts the bore where the beam has the
    mean diameter: one part in the thickness ratio.
    """
    radial, pulled, e = bore / times, bore * share, e_gpa * 1000
    mean = (bore - radial) / 2
    stiff = e * radial**3 / 12
    closes, _ = quad(lambda a: mean**2 * (1 + math.cos(a)) ** 2 * mean**2 / stiff, 0, math.pi)
    pressure = pulled / (2 * closes)
    ours = laws.wall_pressure_mpa(pulled, e_gpa, bore, radial)
    assert ours == pytest.approx(pressure * (bore - radial) / bore, rel=2e-3)
    root = pressure * 2 * mean**2 * (radial / 2) / (radial**3 / 12)
    assert laws.stress_closed_mpa(e_gpa, pulled, radial, bore) == pytest.approx(root, rel=2e-3)
    # Pulled open by its ends: the same shape of bending, by F R (1 + cos).
    opens, _ = quad(lambda a: mean**3 * (1 + math.cos(a)) ** 2 / stiff, 0, math.pi)
    force = (8 * radial - pulled) / (2 * opens)
    bent = force * 2 * mean * (radial / 2) / (radial**3 / 12)
    assert laws.stress_opening_mpa(e_gpa, pulled, radial, bore) == pytest.approx(bent, rel=2e-3)


def touches(
    centre: tuple[float, float], radius: float, angle: float, reach: float, jaw: float
) -> float:
    """How far a jaw whose flat tip stands at a reach from the middle is from a bar; nought touches."""
    along = np.array([math.cos(angle), math.sin(angle)])
    beside = np.array([-along[1], along[0]])
    at = np.array(centre)
    off = float(np.clip(at @ beside, -jaw / 2, jaw / 2))
    return float(np.linalg.norm(reach * along + off * beside - at)) - radius


@cases(60)
@given(st.floats(6, 60), st.floats(0.02, 0.35), st.floats(0, 0.3))
def test_packing_brings_three_jaws_to_the_bar(bar: float, share: float, jaw_share: float) -> None:
    """Solve the reach of the two bare jaws, then what is missing under the third."""
    radius, throw, jaw = bar / 2, bar / 2 * share, bar * jaw_share
    centre = (-throw, 0.0)
    third = 2 * math.pi / 3
    reach = brentq(lambda r: touches(centre, radius, third, r, jaw), radius * 0.3, radius * 3)
    missing = touches(centre, radius, 0.0, reach, jaw)
    assert packing_mm(throw, radius, jaw) == pytest.approx(missing, abs=1e-6)


@cases(40)
@given(st.floats(2, 40), st.floats(2, 40), st.floats(0.1, 30))
def test_the_smallest_bar_is_the_smallest_that_holds_both(
    main: float, pin: float, throw: float
) -> None:
    """Sampled: over every place of the bar's middle, how large a bar must be to cover both."""
    along = np.linspace(-throw - 60, throw + 60, 24001)
    needs = 2 * np.maximum(np.abs(along) + main / 2, np.abs(along - throw) + pin / 2)
    assert bar_both_mm(main, pin, throw) == pytest.approx(needs.min(), abs=0.02)
    assert bar_one_mm(main, pin, throw) == max(main, 2 * (throw + pin / 2))


@given(st.floats(2, 60), st.floats(0.05, 0.55))
def test_a_keyways_chord_lies_on_the_circle(shaft: float, share: float) -> None:
    width = shaft * share
    down = shaft / 2 - chord_limit_mm(shaft, width)
    assert math.hypot(down, width / 2) == pytest.approx(shaft / 2)


@pytest.mark.parametrize("count", [4, 6])
@given(bar=st.floats(2, 60))
def test_the_largest_sharp_flats_have_their_corners_on_the_bar(count: int, bar: float) -> None:
    across = sharp_limit_mm(bar, count)
    corner = across / 2 / math.cos(math.pi / count)
    assert corner == pytest.approx(bar / 2)
    side = 2 * math.sqrt((bar / 2) ** 2 - (across / 2) ** 2)
    assert wide_limit_mm(bar, across, count) == pytest.approx(side, rel=1e-6)
    assert across / 2 + depth_limit_mm(bar, across) == pytest.approx(bar / 2)
