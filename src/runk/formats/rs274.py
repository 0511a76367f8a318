"""RS-274 code for a pattern of holes or for a profile: only words every controller knows.

G0 G1 G2 G3 moves, G17 plane, G21 millimetres, G90 places from nought, G94 feed a minute, G81 and
G83 drilling with G98 back to the height begun at, G80 end of it, M3 M5 M2.
"""

from __future__ import annotations

from collections.abc import Iterator

from runk.core.layout.machining import NEAR_MM, SAFE_MM, Machining
from runk.core.layout.segments import Loop
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
    lines = [*_head(face, told), f"G0 Z{_n(SAFE_MM)}"]
    cycle = f"G83 Q{_n(told.peck)}" if told.peck else "G81"
    for n, hole in enumerate(face.holes):
        at = f"X{_n(hole.x)} Y{_n(hole.y)}"
        if n:
            lines.append(f"{at} {_said(f'hole {hole.name}')}")
            continue
        lines.append(f"G0 {at} {_said(f'hole {hole.name}')}")
        lines.append(f"G98 {cycle} {at} Z{_n(-depth)} R{_n(NEAR_MM)} F{_n(told.plunge)}")
    return "\n".join([*lines, "G80", *_tail()]) + "\n"


def profile_code(face: SetOut, told: Machining, rough: Loop, finish: Loop | None) -> str:
    """Code round a profile: rough passes one under the other, then once at full depth to size.

    Args:
        face: For its title.
        told: Speed, feeds, depths.
        rough: Path of the cutter's middle, against the feed.
        finish: The last round at full depth, with the feed; None where the rough ones finish it.
    """
    lines = [*_head(face, told), f"G0 Z{_n(SAFE_MM)}"]
    start = rough[0].start
    lines += [f"G0 X{_n(start[0])} Y{_n(start[1])}", f"G0 Z{_n(NEAR_MM)}"]
    for n, depth in enumerate(told.depths, 1):
        lines.append(f"G1 Z{_n(-depth)} F{_n(told.plunge)} {_said(f'round {n}')}")
        lines += _round(rough, told.feed)
    if finish is not None:
        at = finish[0].start
        lines += [
            f"G0 Z{_n(SAFE_MM)}",
            f"G0 X{_n(at[0])} Y{_n(at[1])}",
            f"G0 Z{_n(NEAR_MM)}",
            f"G1 Z{_n(-told.depths[-1])} F{_n(told.plunge)} (last round, to size)",
            *_round(finish, told.feed),
        ]
    return "\n".join([*lines, *_tail()]) + "\n"


def _round(loop: Loop, feed: float) -> Iterator[str]:
    for n, one in enumerate(loop):
        told = f" F{_n(feed)}" if n == 0 else ""
        at = f"X{_n(one.end[0])} Y{_n(one.end[1])}"
        if one.centre is None:
            yield f"G1 {at}{told}"
            continue
        i, j = one.centre[0] - one.start[0], one.centre[1] - one.start[1]
        yield f"{'G3' if one.left else 'G2'} {at} I{_n(i)} J{_n(j)}{told}"


def _head(face: SetOut, told: Machining) -> list[str]:
    depth = told.depths[-1]
    return [
        "%",
        _said(face.title),
        _said(f"{told.metal}, {told.machine}, {told.rpm:.0f} rev/min"),
        "(millimetres, XY plane, nought at the face's nought, Z nought on top of the work)",
        _said(f"travels {SAFE_MM:g} over the work, goes to {depth:g} under its top"),
        "(try it in the air first, one hand at the stop)",
        "G21 G17 G90 G94 G40 G49 G80",
        f"S{told.rpm:.0f} M3",
    ]


def _tail() -> list[str]:
    return [f"G0 Z{_n(SAFE_MM)}", "M5", "M2", "%"]
