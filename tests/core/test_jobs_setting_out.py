"""Setting-out jobs as a tired person types them, each beside its own arithmetic, on both pages."""

from __future__ import annotations

from math import atan2, cos, degrees, pi, radians, sin, sqrt, tan
from typing import Any

import pytest

from runk.ask import ask
from runk.core.figures import Figure, instead_of
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP

# The line, where the figure stands (of a table: its row, its column), what a pencil says.
# Every size with its unit, so that either page means the same.
JOBS: list[tuple[str, str, float | str]] = [
    ("6 holes on 31 mm pcd", "chord_mm", 15.5),
    ("6 holes on 31 mm pcd", "holes.1.x_mm", 7.75),
    ("6 holes on 31 mm pcd", "holes.1.y_mm", 15.5 * sqrt(3) / 2),
    (
        "8 holes 39 mm pcd start 22.5 from the edge 30 mm 20 mm",
        "holes.0.x_mm",
        30 + 19.5 * cos(pi / 8),
    ),
    (
        "8 holes 39 mm pcd start 22.5 from the edge 30 mm 20 mm",
        "holes.0.y_mm",
        20 + 19.5 * sin(pi / 8),
    ),
    ("8 holes 39 mm pcd start 22.5 from the edge 30 mm 20 mm", "chord_mm", 39 * sin(pi / 8)),
    (
        "8 holes 39 mm pcd start 22.5 from the edge 30 mm 25 mm, 4 mm each",
        "over_mm",
        39 * sin(pi / 8) + 4,
    ),
    ("8 holes on a 39 mm pitch circle from the edges 30 mm and 20 mm", "holes.0.x_mm", 49.5),
    ("bolt circle 6 holes 31 mm bore 22 mm rim 40 mm", "chord_mm", 15.5),
    ("4 holes on 1 1/4 in pcd", "chord_mm", 1.25 * 25.4 / sqrt(2)),
    (
        "6 studs on a 31 mm pitch circle, 3.2 mm drill, bore 22 mm, rim 40 mm",
        "bore_wall_mm",
        4.5 - 1.6,
    ),
    (
        "6 studs on a 31 mm pitch circle, 3.2 mm drill, bore 22 mm, rim 40 mm",
        "rim_wall_mm",
        4.5 - 1.6,
    ),
    ("6 studs on a 31 mm pitch circle, 3.2 mm drill, bore 22 mm, rim 40 mm", "over_mm", 18.7),
    ("6 studs on a 31 mm pitch circle, 3.2 mm drill, bore 22 mm, rim 40 mm", "between_mm", 12.3),
    ("6 holes between bore 22 mm and rim 40 mm", "circle_mm", 31),
    ("5 holes in a row 12 mm apart", "holes.4.x_mm", 48),
    ("5 holes in a row 12 mm apart start 90", "holes.4.y_mm", 48),
    ("grid of holes 3 rows 4 holes 10 mm apart", "holes.11.y_mm", 20),
    ("4 holes on an arc 50 mm circle over 90 degrees", "holes.1.angle_deg", 30),
    ("diamond flange holes 40 mm long 20 mm short", "holes.1.y_mm", 10),
    ("holes at 10 mm, 5 mm; 20 mm, 5 mm; 20 mm, 15 mm", "holes.2.y_mm", 15),
    ("holes at 10 mm, 5 mm; 20 mm, 5 mm; 20 mm, 15 mm", "chord_mm", 10),
    ("3 holes on 40 mm pcd start 10 mirrored", "holes.0.angle_deg", 170),
    ("3 holes on 40 mm pcd start 10 from the other side", "holes.1.angle_deg", 50),
    ("taper 16 mm to 12 mm in 40 mm", "angle_deg", degrees(atan2(2, 40))),
    ("taper 12 mm to 16 mm over 40 mm", "one_in", "1 in 10"),
    ("taper 16 mm to 12 mm over 40 mm between centres 150 mm", "set_over_mm", 150 * 2 / sqrt(1604)),
    ("taper 1 in 20 from 10 mm over 50 mm", "small_mm", 7.5),
    ("taper 16 mm to 12 mm over 40 mm", "check_mm", 25 * 2 / sqrt(1604)),
    ("sine bar 100 mm 30 degrees", "height_mm", 50),
    ("sine bar 5 in 12 degrees", "height_mm", 127 * sin(radians(12))),
    ("sine 100 mm packing 50 mm", "angle_deg", 30),
    ("out of square 0.08 mm over 60 mm base 30 mm", "shim_mm", 0.04),
    ("vice out 4 thou over 100 mm", "per_100_mm", 0.1016),
    ("shim for 0.1 mm over 40 mm base 80 mm", "shim_mm", 0.2),
    ("largest square from 20 mm bar", "largest_mm", 20 / sqrt(2)),
    ("largest square from 20 mm bar", "off_mm", (20 - 20 / sqrt(2)) / 2),
    ("largest hexagon from 1/2 in bar", "largest_mm", 12.7 * sqrt(3) / 2),
    ("rectangle from 20 mm bar 16 mm wide", "other_mm", 12),
    ("bar for a square 10 mm", "largest_mm", 10 * sqrt(2)),
    ("bar for a hexagon 10 mm", "largest_mm", 20 / sqrt(3)),
    ("bar for a rectangle 12 mm by 5 mm", "largest_mm", 13),
    ("bar for a rectangle 12 mm by 5 mm", "nearest", "mild steel 20 mm"),
    ("cut up 40 mm; 60 mm; 30 mm, bars 100 mm; 75 mm, kerf 2 mm, facing 1 mm", "lost_mm", 5),
    ("cut up 3 x 45 mm, of mild steel 20 mm", "left_mm", 450 - 3 * 48),
    ("cut up 3 x 45 mm, of mild steel 20 mm, facing 1 mm, centres 6 mm", "left_mm", 450 - 3 * 60),
    ("part off to length 12 mm blade 2 mm", "stop_mm", 14),
    ("part off to length 12 mm blade 2 mm right edge touched", "stop_mm", 12),
    (
        "where to part 5 parts 10 mm long blade 2 mm facing 0.5 mm",
        "stops.4.stop_mm",
        5 * 10.5 + 5 * 2,
    ),
    ("shoulders 5 mm; 3 mm; 8 mm, blade 2 mm", "stops.1.stop_mm", 8),
    ("slit 30 mm block", "piece_mm", 14.6),
    ("slit 40 mm kerf 1 mm side 12 mm", "rest_mm", 27),
    ("slit 30 mm kerf 1 mm 3 cuts", "slits.2.stop_mm", 3 * 6.75 + 2),
    ("slit 30 mm kerf 1 mm layer 0.1 mm", "joined_mm", 29.1),
    ("beside a flange 9 mm from the line, cutter 10 mm", "left_mm", 4),
    ("room under the spindle 220 mm, vice 70 mm; work 50 mm; chuck 60 mm", "left_mm", 40),
    ("table travel 150 mm long 100 mm cutter 20 mm", "left_mm", 30),
    ("spanner room 9 mm to the wall flats 5.5 mm", "left_mm", 9 - (2.1 * 5.5 + 7) / 2),
    (
        "does it clear 9 mm away cutter 10 mm holder 30 mm standing out 20 mm high 12 mm",
        "fouls",
        "nothing",
    ),
    (
        "does it clear 9 mm away cutter 10 mm holder 30 mm standing out 10 mm high 12 mm",
        "fouls",
        "its holder",
    ),
    ("2 flats 20 mm apart on 26 mm", "depth_mm", 3),
    ("link 40 mm long dia 16 mm cutter 6 mm", "length_mm", 80 + 22 * pi),
    ("link 40 mm long dia 16 mm end 10 mm cutter 6 mm", "offset_mm", 3),
    ("oblong 20 mm long 8 mm wide cutter 6 mm", "length_mm", 40 + 2 * pi),
    ("oblong 20 mm long 8 mm wide cutter 6 mm 3 mm deep 1 mm each leave 0.1 mm", "rounds", 4),
    ("oval flange 40 mm long boss 22 mm ends 10 mm cutter 6 mm", "moves.1.radius_mm", 8),
    (
        "slot round an arc 40 mm circle 6 mm wide through 60 degrees cutter 4 mm",
        "moves.0.radius_mm",
        1,
    ),
    ("disc with flats 20 mm apart on 26 mm", "start_y_mm", -13),
    (
        "profile 0 mm, 0 mm; 40 mm, 0 mm r5 mm; 40 mm, 20 mm; 0 mm, 20 mm, cutter 6 mm",
        "start_y_mm",
        -3,
    ),
    ("polar 40 mm 12 degrees", "x_mm", 40 * cos(radians(12))),
    ("polar 40 mm 12 degrees", "y_mm", 40 * sin(radians(12))),
    ("polar 40 mm at 12 degrees centre x 10 mm centre y 5 mm", "y_mm", 5 + 40 * sin(radians(12))),
    ("cartesian 30 mm 40 mm", "radius_mm", 50),
    ("cartesian 30 mm 40 mm", "angle_deg", degrees(atan2(4, 3))),
    ("distance from 10 mm, 5 mm to 40 mm, 45 mm", "radius_mm", 50),
    ("distance between 10 mm, 5 mm and 40 mm, 45 mm", "y_mm", 40),
    ("chord of 60 degrees on 31 mm circle", "chord_mm", 15.5),
    ("angle for a chord 15.5 mm on 31 mm circle", "angle_deg", 60),
    ("chord 15.5 mm circle 31 mm", "rise_mm", 15.5 * (1 - sqrt(3) / 2)),
    ("chord of 90 degrees on 20 mm circle", "arc_mm", 5 * pi),
    ("middle of 50 mm block 10 mm finder", "stop_mm", 30),
    ("10 mm edge finder, centre of 50 mm block", "stop_mm", 30),
    ("middle of 2 in block 0.2 in finder", "set_mm", -1.1 * 25.4),
    ("centre of a 30 mm bar 6 mm finder feeler 0.1 mm", "stop_mm", 18.1),
    ("middle of two edges reads 12.3 mm then 62.7 mm", "stop_mm", 37.5),
    ("middle of two edges reads 12.3 mm then 62.7 mm finder 10 mm", "wide_mm", 40.4),
    ("nought from an edge finder 10 mm", "set_mm", -5),
    ("nought from an edge finder 10 mm right edge", "set_mm", 5),
    ("clock a bore left 0.12 mm right -0.04 mm near 0.02 mm far 0.02 mm", "x_mm", -0.08),
    ("clock a bore left 0.12 mm right -0.04 mm near 0.02 mm far 0.02 mm", "y_mm", 0),
    ("gear 22 teeth 0.7 module", "outside_mm", 24 * 0.7),
    ("gear 22 teeth 0.7 module", "depth_mm", 2.25 * 0.7),
    ("gear 22 teeth 0.7 module", "pitch_circle_mm", 15.4),
    ("gear 22 teeth 0.7 module older cutters", "depth_mm", 2.157 * 0.7),
    ("spur gear 30 teeth 28 DP", "outside_mm", 32 * 25.4 / 28),
    ("gear 22 teeth 0.7 module with 44", "centres_mm", 23.1),
    (
        "gear 22 teeth 0.7 module with 44 backlash 0.1 mm",
        "opened_mm",
        23.1 + 0.05 / tan(radians(20)),
    ),
    ("cut gear 20 teeth 1 mod 14.5 degrees", "base_circle_mm", 20 * cos(radians(14.5))),
    ("rack 20 teeth 1 module", "rack_pitch_mm", pi),
    ("rack 20 teeth 1 module", "gaps.19.at_mm", 19 * pi),
    ("pinion 12 teeth 0.7 module shoulder 12 mm", "left_mm", 12 - sqrt(1.575 * 48.425)),
    ("divide 22", "set_up", "1 turn and 27 on 33"),
    ("divide 28", "holes", 21),
    ("divide into 7", "circle", 49),
    ("divide 22.5 degrees", "set_up", "2 turns and 10 on 20"),
    ("divide 13 60:1", "holes", 24),
    ("divide 127", "closes_deg", 127 * (6 / 19 * 9 - 360 / 127)),
    ("divide 51 on a 60 mm blank", "off_mm", 51 * (29 / 37 * 9 - 360 / 51) * 60 * pi / 360),
    ("divide 5 40:1; 15 to 20", "turns", 8),
    ("divide 12 on the rotary table", "set_up", "7 turns and 120 divisions"),
    ("30 equal parts", "turns", 1),
    ("index 24", "error_deg", 0),
    (
        "6 holes on 31 mm pcd, 4 mm each, clear of port 45 x 6 mm",
        "clear.0.wall_mm",
        15.5 * sin(radians(15)) - 5,
    ),
]


def found_in(answer: Any, path: str) -> Any:
    """A figure of an answer, or of a row of one of its tables."""
    for part in path.split("."):
        answer = answer[int(part)] if part.isdigit() else getattr(answer, part)
    return answer.value if isinstance(answer, Figure) else answer


@pytest.mark.parametrize("page", list(PageUnit))
def test_each_comes_to_what_a_pencil_says(page: PageUnit) -> None:
    wrong = []
    for line, path, by_hand in JOBS:
        try:
            found = found_in(ask(line, WORKSHOP, page).answer, path)
        except (Refused, AttributeError, IndexError) as failed:
            wrong.append(f"{line}: {path}: {failed}")
            continue
        same = (
            found == by_hand
            if isinstance(by_hand, str)
            else found == pytest.approx(by_hand, rel=2e-4, abs=2e-4)
        )
        if not same:
            wrong.append(f"{line}: {path} {found} and not {by_hand}")
    assert wrong == []


NO_JOBS = [
    ("profile 0, 0; 40, 20; 40, 0; 0, 20, cutter 6 mm", "crosses itself near"),
    ("slot profile 20 mm long 5 mm wide cutter 6 mm", "does not pass"),
    ("link 2 mm long dia 16 mm end 10 mm", "within the other"),
    ("profile 0, 0; 40, 0 r30; 40, 20; 0, 20, cutter 6 mm", "cannot be rounded"),
    ("taper 16 mm to 16 mm over 40 mm", "no taper"),
    ("taper 1 in 2 from 10 mm over 50 mm", "comes to a point after 20.00 mm"),
    ("taper 16 mm", "How large is the small end"),
    ("sine bar 100 mm", "What angle"),
    ("sine bar 100 mm packing 120 mm", "upright"),
    ("rectangle from 20 mm bar 25 mm wide", "does not come out"),
    ("bar for a rectangle 12 mm", "How thick"),
    ("cut up 3 x 45 mm, of unobtainium", "No bar of the shelf"),
    ("cut up 5 x 100 mm, bars 120 mm", "do not suffice"),
    ("shoulders 5 mm; 1 mm; 8 mm, blade 2 mm", "narrower than the 2 mm blade"),
    ("slit 3 mm kerf 1 mm 3 cuts", "Nothing is left"),
    ("chord 40 mm circle 31 mm", "No chord"),
    ("chord on 31 mm circle", "How long is the chord"),
    ("polar 40 mm", "At what angle"),
    ("middle of 50 mm block", "How thick is the finder"),
    ("distance from 10 mm, 5 mm to 10 mm, 5 mm", "one place"),
    ("middle of two edges reads 12 mm then 15 mm finder 10 mm", "closer than the finder"),
    ("gear 3 teeth 1 module", "no wheel that runs"),
    ("gear 22 teeth", "Which module"),
    ("gear 0.7 module", "How many teeth"),
    ("gear 22 teeth 0.7 module 40 DP", "two different pitches"),
    ("divide 0", "at least 1"),
    ("divide 1001", "1000 at most"),
    ("divide", "Into how many"),
    ("1 hole on 31 mm pcd", "lies at a place"),
    ("1001 holes on 31 mm pcd", "1000 at most"),
    ("6 holes on 31 mm pcd start 22.5 mm", "22.5"),
    ("6 holes bolt circle", "On what circle"),
    ("6 holes on 31 mm pcd, middle 20 mm from the left edge", "other one"),
    ("holes at 10 mm; 20 mm", "no place"),
]


@pytest.mark.parametrize("page", list(PageUnit))
@pytest.mark.parametrize(("line", "says"), NO_JOBS)
def test_what_cannot_be_set_out_says_why(line: str, says: str, page: PageUnit) -> None:
    with pytest.raises(Refused) as refused:
        ask(line, WORKSHOP, page)
    said = refused.value.said(page)
    assert said.endswith((".", "?"))
    if page is PageUnit.MM:
        assert says in said


STOPS = [
    ("12 holes 3 mm each on 10 mm pcd", "fewer"),
    ("6 holes 4 mm drill on 24 mm pcd bore 22 mm", "a circle of 30.00 mm or more"),
    ("6 holes 4 mm drill on 38 mm pcd rim 40 mm", "a circle of 32.00 mm or less"),
    ("6 holes on 31 mm pcd, 4 mm each, clear of port 60 x 6 mm", "first hole at 30.00°"),
    (
        "6 holes on 31 mm pcd, 4 mm each, middle 10 mm from the left edge and 20 mm from the "
        "near edge, face 40 mm by 40 mm",
        "move it inwards",
    ),
]


@pytest.mark.parametrize(("line", "instead"), STOPS)
def test_what_must_not_be_drilled_is_stopped_with_what_to_do(line: str, instead: str) -> None:
    said = worded(instead_of(ask(line, WORKSHOP).answer.cautions), PageUnit.MM)
    assert instead in said
