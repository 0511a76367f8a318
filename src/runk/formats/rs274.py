"""RS-274 code for a pattern of holes or for a profile: only words every controller knows.

G0 G1 G2 G3 moves, G17 plane, G21 millimetres, G54 the first nought, G90 places from nought, G91.1
arcs by their centre from where they begin, G94 feed a minute, G81 and G83 drilling with G98 back to
the height begun at, G80 end of it, G4 to wait, M3 M5 M2. A tool length somebody set is left alone.
"""

from __future__ import annotations

from collections.abc import Iterator

from runk.core.layout.laps import NO_MOVE_MM, Lap
from runk.core.layout.machining import NEAR_MM, Machining
from runk.core.layout.segments import Segment, dist
from runk.core.layout.set_out import SetOut


def _n(value: float) -> str:
    """A number with a point, no more digits than a machine moves by.

    >>> _n(-0.00001), _n(12.5)
    ('0.', '12.5')
    """
    text = f"{round(value, 4) + 0.0:.4f}".rstrip("0")
    return "0." if text == "-0." else text


def _said(text: str) -> str:
    """Words in a comment: no brackets within, nothing a controller could take for more."""
    plain = "".join(c if c.isascii() and c not in "()\n\r%" else " " for c in text)
    return f"({' '.join(plain.split())[:200]})"


def pattern_code(face: SetOut, told: Machining) -> str:
    """Drilling code for every hole, in the order they are gone to.

    Args:
        face: With its holes.
        told: Speed, feed, depth.
    """
    depth = told.depths[-1]
    lines = _head(face, told)
    cycle = f"G83 Q{_n(told.peck)}" if told.peck else "G81"
    for n, hole in enumerate(face.holes):
        at = f"X{_n(hole.x)} Y{_n(hole.y)}"
        if n:
            lines.append(f"{at} {_said(f'hole {hole.name}')}")
            continue
        lines.append(f"G0 {at} {_said(f'hole {hole.name}')}")
        lines.append(f"G98 {cycle} {at} Z{_n(-depth)} R{_n(NEAR_MM)} F{_n(told.plunge)}")
    return "\n".join([*lines, "G80", *_tail(told)]) + "\n"


def profile_code(face: SetOut, told: Machining, laps: tuple[Lap, ...]) -> str:
    """Code round a profile: let down along its way, round after round, then to size.

    Args:
        face: For its title.
        told: Speed, feeds, heights.
        laps: Every round in its order, the first let down from the top.
    """
    lines, at = _head(face, told), None
    for lap in laps:
        first = lap.loop[0].start
        if at is None or lap.lifted:
            lines += [
                *([f"G0 Z{_n(told.safe)}"] if at is not None else []),
                f"G0 X{_n(first[0])} Y{_n(first[1])}",
                f"G0 Z{_n(NEAR_MM)}",
                f"G1 Z{_n(-lap.top)} F{_n(told.plunge)}",
            ]
        elif dist(at, first) > 1e-4:
            lines.append(f"G1 X{_n(first[0])} Y{_n(first[1])} F{_n(told.feed)}")
        lines += _lap(lap, told.feed)
        at = lap.loop[-1].end
    return "\n".join([*lines, *_tail(told)]) + "\n"


def _lap(lap: Lap, feed: float) -> Iterator[str]:
    lines = [
        _move(one, deep, down=lap.deep > lap.top)
        for one, deep in lap.depths()
        if one.length > NO_MOVE_MM
    ]
    for n, line in enumerate(lines):
        yield f"{line} F{_n(feed)} {_said(lap.says)}" if n == 0 else line


def _move(one: Segment, deep: float, down: bool) -> str:
    to = f"X{_n(one.end[0])} Y{_n(one.end[1])}"
    if down:
        to += f" Z{_n(-deep)}"
    if one.centre is None:
        return f"G1 {to}"
    i, j = one.centre[0] - one.start[0], one.centre[1] - one.start[1]
    if one.radius < NO_MOVE_MM:
        return f"G1 {to}"
    return f"{'G3' if one.left else 'G2'} {to} I{_n(i)} J{_n(j)}"


def _head(face: SetOut, told: Machining) -> list[str]:
    depth = told.depths[-1]
    return [
        "%",
        _said(face.title),
        _said(f"{told.metal}, {told.machine}, {told.rpm:.0f} rev/min"),
        "(millimetres, XY plane, nought at the face's nought, Z nought on top of the work)",
        _said(f"travels {told.safe:g} over the work, goes to {depth:g} under its top"),
        _said(f"nothing stands higher than {told.safe:g} over it: no clamp, jaw or stop"),
        "(try it in the air first, one hand at the stop)",
        "G21 G17 G90 G91.1 G94 G40 G80 G54",
        f"G0 Z{_n(told.safe)}",
        f"S{told.rpm:.0f} M3",
        "G4 P3 (until it turns)",
    ]


def _tail(told: Machining) -> list[str]:
    return [f"G0 Z{_n(told.safe)}", "M5", "M2", "%"]
