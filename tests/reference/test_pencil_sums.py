"""Figures of every calculator beside the sum somebody does with a pencil, over a range of sizes.

Each sum is written out here from geometry, mechanics or the standard that is named; nothing is
taken from the core but the question's fields and the figure's name. A row is one sum; the sizes it
is tried at stand beside it. Densities, moduli and expansions are what handbooks print, within the
few per cent they differ by; where a figure is common practice the row says so.
"""

from __future__ import annotations

from collections.abc import Callable
from math import acos, asin, atan, cos, degrees, hypot, pi, radians, sin, sqrt, tan
from typing import Any, NamedTuple

import pytest

from runk.core.catalogue import CATALOGUE
from runk.core.questions import read_question
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP

Sum = Callable[..., float]


class Row(NamedTuple):
    """One sum.

    Args:
        name: The calculator.
        fixed: What is asked alike each time.
        varied: Fields that are varied, each with its sizes, in step with one another.
        figure: The figure of the answer, ``gaps.3.at_mm`` for one of a table.
        by: The pencil's sum of the varied numbers, in their order.
        within: How near, of the figure.
    """

    name: str
    fixed: dict[str, str]
    varied: dict[str, tuple[float, ...]]
    figure: str
    by: Sum
    within: float = 1e-6


# Setting out: plane geometry ------------------------------------------------------------------

SETTING_OUT = [
    # A chord of a circle is its diameter by the sine of half the angle.
    Row(
        "circle",
        {},
        {"count": (3, 5, 7, 12), "circle": (20, 31, 66.5, 120)},
        "chord_mm",
        lambda n, d: d * sin(pi / n),
    ),
    Row(
        "circle",
        {},
        {"count": (3, 8, 11), "circle": (20, 31, 66)},
        "step_deg",
        lambda n, d: 360 / n,
    ),
    Row(
        "circle",
        {"count": "6", "hole": "3"},
        {"circle": (24, 31, 50), "bore": (12, 20, 30)},
        "bore_wall_mm",
        lambda d, b: (d - b) / 2 - 1.5,
    ),
    Row(
        "circle",
        {"count": "6", "hole": "3"},
        {"circle": (24, 31, 50), "rim": (40, 44, 70)},
        "rim_wall_mm",
        lambda d, r: (r - d) / 2 - 1.5,
    ),
    Row(
        "circle",
        {"hole": "4"},
        {"count": (4, 6, 9), "circle": (30, 40, 60)},
        "between_mm",
        lambda n, d: d * sin(pi / n) - 4,
    ),
    Row(
        "circle",
        {"hole": "4"},
        {"count": (4, 6, 9), "circle": (30, 40, 60)},
        "over_mm",
        lambda n, d: d * sin(pi / n) + 4,
    ),
    Row(
        "circle",
        {"count": "5", "circle": "40"},
        {"start": (0, 17, 200)},
        "holes.1.x_mm",
        lambda s: 20 * cos(radians(s + 72)),
    ),
    Row(
        "circle",
        {"count": "5", "circle": "40"},
        {"start": (0, 17, 200)},
        "holes.1.y_mm",
        lambda s: 20 * sin(radians(s + 72)),
    ),
    # Polar to square, and back.
    Row(
        "place",
        {"way": "polar"},
        {"radius": (10, 40, 75.5), "angle": (12, 100, 250)},
        "x_mm",
        lambda r, a: r * cos(radians(a)),
    ),
    Row(
        "place",
        {"way": "polar"},
        {"radius": (10, 40, 75.5), "angle": (12, 100, 250)},
        "y_mm",
        lambda r, a: r * sin(radians(a)),
    ),
    Row("place", {"way": "square"}, {"x": (3, 30, 8), "y": (4, 40, 15)}, "radius_mm", hypot),
    Row(
        "place",
        {"way": "square"},
        {"x": (3, 30, 8), "y": (4, 40, 15)},
        "angle_deg",
        lambda x, y: degrees(atan(y / x)),
    ),
    # A taper: half the difference over its length is the tangent of the half angle.
    Row(
        "taper",
        {},
        {"large": (16, 25, 40), "small": (12, 24, 10), "long": (40, 60, 100)},
        "angle_deg",
        lambda a, b, n: degrees(atan((a - b) / 2 / n)),
    ),
    Row(
        "taper",
        {},
        {"large": (16, 25, 40), "small": (12, 24, 10), "long": (40, 60, 100)},
        "included_deg",
        lambda a, b, n: 2 * degrees(atan((a - b) / 2 / n)),
    ),
    Row(
        "taper",
        {"large": "20", "long": "40"},
        {"one_in": (5, 12, 50)},
        "small_mm",
        lambda k: 20 - 40 / k,
    ),
    Row(
        "taper",
        {"large": "20", "long": "30"},
        {"angle": (1, 5, 12)},
        "small_mm",
        lambda a: 20 - 2 * 30 * tan(radians(a)),
    ),
    # The sine bar.
    Row(
        "sine",
        {},
        {"bar": (50, 100, 127), "angle": (5, 12, 40)},
        "height_mm",
        lambda b, a: b * sin(radians(a)),
    ),
    Row(
        "sine",
        {},
        {"bar": (50, 100, 127), "height": (5, 20.5, 60)},
        "angle_deg",
        lambda b, h: degrees(asin(h / b)),
    ),
    # A square out of true.
    Row(
        "square",
        {},
        {"error": (0.02, 0.08, 0.5), "over": (40, 60, 100), "base": (25, 30, 80)},
        "shim_mm",
        lambda e, o, b: e * b / o,
    ),
    Row(
        "square",
        {"base": "30"},
        {"error": (0.02, 0.08, 0.5), "over": (40, 60, 100)},
        "angle_deg",
        lambda e, o: degrees(atan(e / o)),
        1e-4,
    ),
    # The largest square and hexagon of a round: its diameter by the cosine of half their angle.
    Row("stock", {"shape": "square"}, {"bar": (8, 20, 31.5)}, "largest_mm", lambda d: d / sqrt(2)),
    Row(
        "stock", {"way": "hexagon"}, {"bar": (8, 20, 31.5)}, "largest_mm", lambda d: d * sqrt(3) / 2
    ),
    # What flats leave: a chord at half of what is across them.
    Row(
        "flats",
        {"shape": "2"},
        {"bar": (10, 16, 25), "across": (8, 12, 20)},
        "depth_mm",
        lambda d, a: (d - a) / 2,
    ),
    Row(
        "flats",
        {"shape": "2"},
        {"bar": (10, 16, 25), "across": (8, 12, 20)},
        "wide_mm",
        lambda d, a: sqrt(d * d - a * a),
    ),
    Row("flats", {"shape": "4"}, {"bar": (10, 16, 25)}, "sharp_mm", lambda d: d / sqrt(2)),
    Row("flats", {"shape": "6"}, {"bar": (10, 16, 25)}, "sharp_mm", lambda d: d * cos(pi / 6)),
    # Slit through its middle: what is left, halved.
    Row(
        "slit",
        {},
        {"total": (20, 30, 55), "kerf": (0.8, 1, 1.6)},
        "piece_mm",
        lambda t, k: (t - k) / 2,
    ),
    # Parted to length from its right end: length and blade.
    Row(
        "part-off",
        {},
        {"length": (5, 12, 40), "blade": (1.5, 2, 3)},
        "bar_used_mm",
        lambda n, b: n + b,
    ),
    # A hole at an angle.
    Row(
        "angled-hole",
        {"drill": "2", "room": "60"},
        {"angle": (10, 30, 45), "across": (8, 12, 20)},
        "length_mm",
        lambda a, t: t / cos(radians(a)),
    ),
    Row(
        "angled-hole",
        {"drill": "2", "room": "60"},
        {"angle": (10, 30, 45), "across": (8, 12, 20)},
        "along_mm",
        lambda a, t: t * tan(radians(a)),
    ),
    Row(
        "angled-hole",
        {"room": "60", "across": "12"},
        {"drill": (1, 2, 3), "angle": (10, 30, 45)},
        "mouth_mm",
        lambda d, a: d / cos(radians(a)),
    ),
    # Dividing: 40 turns of the worm for one of the spindle.
    Row("divide", {}, {"count": (7, 22, 57, 120)}, "step_deg", lambda n: 360 / n),
]

# Gears: ISO 53 -----------------------------------------------------------------------------------

GEARS = [
    Row(
        "gear",
        {},
        {"teeth": (12, 22, 60), "module": (0.5, 0.7, 1.25)},
        "outside_mm",
        lambda z, m: m * (z + 2),
    ),
    Row(
        "gear",
        {},
        {"teeth": (12, 22, 60), "module": (0.5, 0.7, 1.25)},
        "pitch_circle_mm",
        lambda z, m: m * z,
    ),
    Row(
        "gear",
        {},
        {"teeth": (12, 22, 60), "module": (0.5, 0.7, 1.25)},
        "root_mm",
        lambda z, m: m * (z - 2.5),
    ),
    Row(
        "gear",
        {},
        {"teeth": (12, 22, 60), "module": (0.5, 0.7, 1.25)},
        "depth_mm",
        lambda z, m: 2.25 * m,
    ),
    Row(
        "gear",
        {},
        {"teeth": (12, 22, 60), "module": (0.5, 0.7, 1.25)},
        "base_circle_mm",
        lambda z, m: m * z * cos(radians(20)),
    ),
    # The chord of a tooth and where it lies under the tip: half a pitch on the pitch circle.
    Row(
        "gear",
        {},
        {"teeth": (12, 22, 60), "module": (0.5, 0.7, 1.25)},
        "chordal_mm",
        lambda z, m: m * z * sin(pi / 2 / z),
    ),
    Row(
        "gear",
        {},
        {"teeth": (12, 22, 60), "module": (0.5, 0.7, 1.25)},
        "below_tip_mm",
        lambda z, m: m + m * z / 2 * (1 - cos(pi / 2 / z)),
    ),
    Row(
        "gear",
        {"module": "0.8"},
        {"teeth": (14, 20), "mate": (40, 61)},
        "centres_mm",
        lambda a, b: 0.8 * (a + b) / 2,
    ),
    Row(
        "gear",
        {},
        {"teeth": (20, 33), "dp": (20, 32)},
        "outside_mm",
        lambda z, p: 25.4 * (z + 2) / p,
    ),
]

# Threads: ISO 68-1, BS 84, BS 93 -----------------------------------------------------------------

H60 = sqrt(3) / 2
THREADS: list[tuple[str, str, str, float]] = [
    # ISO 68-1: 5/8 H of depth inside, 17/24 H cut outside, effective diameter 3/4 H under.
    *(
        ("thread", f"M{d}", figure, value)
        for d, p in ((3, 0.5), (6, 1.0), (10, 1.5), (12, 1.75), (16, 2.0))
        for figure, value in (
            ("pitch_mm", p),
            ("effective_mm", d - 0.75 * H60 * p),
            ("minor_mm", d - 1.25 * H60 * p),
            ("core_mm", d - 17 / 12 * H60 * p),
            ("stress_area_mm2", pi / 4 * (d - 0.75 * H60 * p / 2 - 17 / 24 * H60 * p) ** 2),
        )
    ),
    # BS 84: 0.6403 of the pitch deep, rounded by 0.1373 of it.
    *(
        ("thread", name, figure, value)
        for name, d, n in (("1/4 BSW", 6.35, 20), ("3/8 BSF", 9.525, 20), ("1/2 BSW", 12.7, 12))
        for figure, value in (
            ("depth_mm", 0.6403 * 25.4 / n),
            ("effective_mm", d - 0.6403 * 25.4 / n),
            ("core_mm", d - 2 * 0.6403 * 25.4 / n),
            ("per_inch", n),
        )
    ),
    # BS 93: pitch 0.9 to the power of its number, 0.6 of it deep, six times its 1.2th power across.
    *(
        ("thread", f"{k} BA", figure, value)
        for k in (0, 2, 4, 7)
        for figure, value in (
            ("pitch_mm", round(0.9**k, 2)),
            ("major_mm", float(f"{6 * (0.9**k) ** 1.2:.2g}")),
            ("depth_mm", 0.6 * round(0.9**k, 2)),
        )
    ),
]

# Shafts and fits ---------------------------------------------------------------------------------

SHAFTS = [
    # A throw swings twice as far; three jaws are packed so that the bar's middle goes over by it.
    Row("throw", {"bar": "25"}, {"throw": (2, 6, 8)}, "swing_mm", lambda t: 2 * t),
    Row(
        "throw",
        {"pin": "8", "main": "10", "bar": "30"},
        {"throw": (3, 6, 9)},
        "bar_mm",
        lambda t: max(2 * (t + 4), 10.0),
    ),
    Row("true", {}, {"total": (0.05, 0.3, 1.2)}, "move_mm", lambda t: t / 2),
    Row("eccentric", {"shaft": "8"}, {"travel": (3, 5, 8)}, "throw_mm", lambda t: t / 2),
    Row(
        "crank",
        {"way": "built", "main": "8", "pin": "7"},
        {"stroke": (20, 24, 30)},
        "throw_mm",
        lambda s: s / 2,
    ),
    # A key half as deep as it is wide at its side, and the rise of the round above that side.
    Row(
        "keyway",
        {},
        {"width": (2, 3, 5), "shaft": (8, 12, 20)},
        "chord_mm",
        lambda w, d: d / 2 - sqrt(d * d / 4 - w * w / 4),
    ),
    Row(
        "keyway",
        {},
        {"width": (2, 3, 5), "shaft": (8, 12, 20)},
        "depth_top_mm",
        lambda w, d: w / 2 + d / 2 - sqrt(d * d / 4 - w * w / 4),
    ),
    Row(
        "depth",
        {"way": "edge"},
        {"finder": (4, 6, 10), "deep": (8, 12.5, 33)},
        "stop_mm",
        lambda f, d: f / 2 + d,
    ),
    # A piston ring's stock covers bore and closing; its gap is thou to the inch: common practice.
    Row("ring", {"width": "1.5"}, {"bore": (16, 22, 40)}, "radial_mm", lambda b: b / 26, 1e-4),
    Row("ring", {"width": "1.5"}, {"bore": (16, 22, 40)}, "closed_gap_mm", lambda b: 0.003 * b),
    # An O-ring pressed from its section into its groove.
    Row(
        "seal",
        {"kind": "piston", "bore": "40"},
        {"section": (1.78, 2.62, 3.53)},
        "squeeze_percent",
        lambda s: (
            100
            * (s - _of("seal", kind="piston", bore="40", section=f"{s}").groove_depth_mm.value)
            / s
        ),
    ),
    # Of steel, 7.85 g/cm³: what is weighed is first a volume.
    Row(
        "identify",
        {"length": "50"},
        {"size": (10, 20, 25), "weight": (30.8, 123.3, 192.7)},
        "volume_cm3",
        lambda d, w: pi * d * d / 4 * 50 / 1000,
    ),
    Row(
        "identify",
        {"length": "50", "shape": "square"},
        {"size": (10, 20, 25), "weight": (39.3, 157, 245.3)},
        "volume_cm3",
        lambda d, w: d * d * 50 / 1000,
    ),
    Row(
        "identify",
        {"length": "50", "shape": "hexagon"},
        {"size": (10, 20, 25), "weight": (34, 136, 212.4)},
        "volume_cm3",
        lambda d, w: sqrt(3) / 2 * d * d * 50 / 1000,
    ),
    Row(
        "identify",
        {"length": "50"},
        {"size": (10, 20, 25), "weight": (30.8, 123.3, 192.7)},
        "density_g_per_cm3",
        lambda d, w: w / (pi * d * d / 4 * 50 / 1000),
    ),
    # Heat: size by expansion by degrees; brass 19 to 21, iron 10 to 12, millionths a degree.
    Row(
        "warm",
        {"job": "reading", "metal": "brass"},
        {"size": (50, 100), "at": (30, 45)},
        "off_mm",
        lambda s, t: s * 20e-6 * (t - 20),
        0.06,
    ),
    Row(
        "warm",
        {"job": "reading", "metal": "grey-iron"},
        {"size": (50, 100), "at": (30, 45)},
        "off_mm",
        lambda s, t: s * 11e-6 * (t - 20),
        0.1,
    ),
]


def _lame(size: float, hub: float, tight: float, e_gpa: float = 207.0) -> float:
    """Lamé: pressure of a solid shaft in a boss of the same steel, N/mm²."""
    return tight * e_gpa * 1000 / size * (1 - (size / hub) ** 2) / 2


JOINTS = [
    Row(
        "press",
        {"length": "10", "boss_metal": "mild-steel", "shaft_metal": "mild-steel"},
        {"size": (8, 11, 20), "hub": (20, 24, 36), "tight": (0.005, 0.01, 0.02)},
        "pressure_mpa",
        _lame,
        0.03,
    ),
    Row(
        "press",
        {"length": "10", "boss_metal": "mild-steel", "shaft_metal": "mild-steel"},
        {"size": (8, 11, 20), "hub": (20, 24, 36), "tight": (0.005, 0.01, 0.02)},
        "hoop_mpa",
        lambda d, h, t: _lame(d, h, t) * (h * h + d * d) / (h * h - d * d),
        0.03,
    ),
    # Pressure on the sealed bore, shared out among the studs.
    Row(
        "cover",
        {"thread": "M4", "pressure": "5 bar", "joint": "sealed"},
        {"seal": (20, 30, 42), "count": (4, 6, 8)},
        "share_n",
        lambda d, n: 0.5 * pi * d * d / 4 / n,
        1e-3,
    ),
    # The chord of six is half their circle, whatever they hold.
    Row(
        "cover",
        {"thread": "M4", "count": "6", "seal": "30", "pressure": "5 bar"},
        {"circle": (40, 44, 50)},
        "chord_mm",
        lambda c: c / 2,
    ),
]

# Cutting: the surface of a turning bar -----------------------------------------------------------

CUTTING = [
    Row(
        "speed",
        {"operation": "turn", "metal": "brass"},
        {"diameter": (6, 12, 30)},
        "surface_speed_m_min",
        lambda d: (
            pi
            * d
            * _of("speed", operation="turn", metal="brass", diameter=f"{d}").set_rpm.value
            / 1000
        ),
    ),
    Row(
        "speed",
        {"operation": "turn", "metal": "mild-steel"},
        {"diameter": (10, 20, 40), "length": (20, 40, 60)},
        "time_s",
        lambda d, n: (
            60
            * n
            / _of(
                "speed", operation="turn", metal="mild-steel", diameter=f"{d}", length=f"{n}"
            ).feed_mm_per_min.value
        ),
    ),
    Row(
        "hole",
        {"metal": "brass", "finish": "drilled", "ends": "blind", "deep": "20"},
        {"size": (3, 6, 10)},
        "point_mm",
        lambda d: d / 2 / tan(radians(59)),
        0.02,
    ),
    Row(
        "hole",
        {"metal": "brass", "finish": "drilled", "ends": "blind", "size": "6"},
        {"deep": (8, 12, 20)},
        "bottom_mm",
        lambda d: d + 3 / tan(radians(59)),
        1e-3,
    ),
]

ROWS = [*SETTING_OUT, *GEARS, *SHAFTS, *JOINTS, *CUTTING]


def _of(name: str, **typed: str) -> Any:
    read = read_question(CATALOGUE[name], typed, PageUnit.MM, WORKSHOP)
    return CATALOGUE[name].ask(read.question, WORKSHOP)


def _figure(answer: Any, path: str) -> float:
    for part in path.split("."):
        answer = answer[int(part)] if part.isdigit() else getattr(answer, part)
    return float(answer.value)


@pytest.mark.parametrize("row", ROWS, ids=lambda row: f"{row.name} {row.figure} {list(row.varied)}")
def test_it_is_what_the_pencil_says(row: Row) -> None:
    for sizes in zip(*row.varied.values(), strict=True):
        typed = {field: f"{size:g}" for field, size in zip(row.varied, sizes, strict=True)}
        found = _figure(_of(row.name, **(row.fixed | typed)), row.figure)
        assert found == pytest.approx(row.by(*sizes), rel=row.within, abs=1e-9), typed


@pytest.mark.parametrize(("name", "thread", "figure", "value"), THREADS)
def test_threads_follow_their_standard(name: str, thread: str, figure: str, value: float) -> None:
    assert _figure(_of(name, thread=thread), figure) == pytest.approx(value, rel=2e-3)


@pytest.mark.parametrize("count", [3, 4, 5, 6, 8, 12])
def test_the_chords_of_a_circle_close_on_themselves(count: int) -> None:
    """As many chords as holes, each turned on by the same angle, end where they began."""
    holes = _of("circle", count=str(count), circle="40", start="13").holes
    at = [(h.x_mm.value, h.y_mm.value) for h in holes]
    legs = [hypot(b[0] - a[0], b[1] - a[1]) for a, b in zip(at, [*at[1:], at[0]], strict=True)]
    assert legs == pytest.approx([40 * sin(pi / count)] * count)
    assert (sum(x for x, _ in at), sum(y for _, y in at)) == pytest.approx((0, 0), abs=1e-9)


@pytest.mark.parametrize("radius", [8.0, 20.0, 55.0])
@pytest.mark.parametrize("chord", [0.3, 0.9, 1.6])
def test_a_chord_and_its_angle(radius: float, chord: float) -> None:
    """By the cosine rule, the long way round."""
    found = _of("place", way="chord", circle=f"{2 * radius}", chord=f"{chord * radius}")
    angle = degrees(acos((2 * radius**2 - (chord * radius) ** 2) / (2 * radius**2)))
    assert found.angle_deg.value == pytest.approx(angle, rel=1e-6)
