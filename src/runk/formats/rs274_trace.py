"""A dry run: what code would do, move by move, and whether that is what was asked."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass
from math import hypot, tan

from runk.core.layout.laps import NO_MOVE_MM, Lap
from runk.core.layout.segments import Segment
from runk.core.layout.set_out import SetOut
from runk.core.refusals import Refused

_WORD = re.compile(r"([A-Z])\s*([-+]?(?:\d+\.?\d*|\.\d+))")
_COMMENT = re.compile(r"\([^)]*\)|;.*")
_KNOWN = {0, 1, 2, 3, 4, 17, 21, 40, 54, 80, 81, 83, 90, 91.1, 94, 98}
_TOL = 2e-3
MOST_LINES = 20000


@dataclass(frozen=True, slots=True)
class Traced:
    """One thing the machine does.

    Args:
        does: ``rapid``, ``feed``, ``arc`` or ``drill``.
        x: Where it ends; ``y`` and ``z`` with it.
        from_x: Where it begins; ``from_y``, ``from_z`` with it.
        bulge: Of an arc, the tangent of a quarter of its turn, to the left over nought.
    """

    does: str
    from_x: float
    from_y: float
    from_z: float
    x: float
    y: float
    z: float
    bulge: float = 0.0


def trace(code: str) -> tuple[Traced, ...]:
    """Walk code as a controller would.

    Args:
        code: Of this package's own making: other words are refused, not passed over.

    Raises:
        Refused: Naming the line that holds a word it does not know.
    """
    return tuple(_walk(code))


def _walk(code: str) -> Iterator[Traced]:
    x = y = z = 0.0
    mode, depth, back = 0, 0.0, 0.0
    for number, raw in enumerate(code.splitlines(), 1):
        if number > MOST_LINES:
            raise Refused(f"More than {MOST_LINES} lines of code.", field="code")
        line = _COMMENT.sub(" ", raw).strip().upper()
        if not line or line == "%":
            continue
        words = _WORD.findall(line)
        if "".join(a + b for a, b in words) != re.sub(r"\s", "", line):
            raise Refused(f"Line {number} is no code: `{line[:30]}`.", field="code")
        said = dict[str, float]()
        for letter, text in words:
            value = float(text)
            if letter != "G":
                said[letter] = value
            elif value not in _KNOWN:
                raise Refused(f"Line {number}: G{value:g} is not known here.", field="code")
            elif value in (0, 1, 2, 3, 81, 83):
                mode = int(value)
            elif value == 80:
                mode = 0
        if not {"X", "Y", "Z"} & set(said):
            continue
        to_x, to_y = said.get("X", x), said.get("Y", y)
        if mode in (81, 83):
            if "Z" in said:
                depth, back = said["Z"], z
            yield Traced("rapid", x, y, z, to_x, to_y, back)
            yield Traced("drill", to_x, to_y, back, to_x, to_y, depth)
            x, y, z = to_x, to_y, back
            continue
        to_z = said.get("Z", z)
        if mode in (2, 3):
            centre = x + said.get("I", 0.0), y + said.get("J", 0.0)
            arc = Segment((x, y), (to_x, to_y), centre, mode == 3)
            if abs(hypot(to_x - centre[0], to_y - centre[1]) - arc.radius) > _TOL:
                raise Refused(f"Line {number}: that arc does not end on its circle.", field="code")
            # A whole round has no such tangent: it is told as just short of one.
            bulge = tan(max(-6.28, min(6.28, arc.turn)) / 4)
            yield Traced("arc", x, y, z, to_x, to_y, to_z, bulge)
        else:
            yield Traced("rapid" if mode == 0 else "feed", x, y, z, to_x, to_y, to_z)
        x, y, z = to_x, to_y, to_z


@dataclass(frozen=True, slots=True)
class Compared:
    """Whether code does what was asked.

    Args:
        agrees: Whether it does.
        says: In words.
    """

    agrees: bool
    says: str


def compare(
    moves: tuple[Traced, ...], face: SetOut, deep: float, laps: tuple[Lap, ...]
) -> Compared:
    """Hold what code does against what was set out.

    Args:
        moves: Of :func:`trace`.
        face: What was asked.
        deep: The depth asked, mm.
        laps: The rounds that were asked; empty for a pattern.
    """
    wrong = [m for m in moves if m.does == "rapid" and _in_the_work(m)]
    if wrong:
        return Compared(False, "It travels fast inside the work.")
    lowest = min((m.z for m in moves), default=0.0)
    if abs(lowest + deep) > _TOL:
        return Compared(False, f"It goes {-lowest:.3f} deep and {deep:.3f} was asked.")
    if not laps:
        drilled = [(m.x, m.y) for m in moves if m.does == "drill"]
        same = len(drilled) == len(face.holes) and all(
            hypot(a[0] - h.x, a[1] - h.y) <= _TOL for a, h in zip(drilled, face.holes, strict=True)
        )
        many = f"{len(drilled)} holes"
        return Compared(
            same, f"{many}, each where it was asked." if same else f"{many}, not those asked."
        )
    cut = [m for m in moves if m.does in ("feed", "arc") and (m.x, m.y) != (m.from_x, m.from_y)]
    at = 0
    for lap in laps:
        for one, down in lap.depths():
            # From one round to the next it is fed across.
            while at < len(cut) and not _is(cut[at], one, down) and cut[at].does == "feed":
                at += 1
            if one.length <= NO_MOVE_MM:
                continue
            if at == len(cut) or not _is(cut[at], one, down):
                return Compared(False, "It goes another way round.")
            at += 1
    between = len(cut) - sum(one.length > NO_MOVE_MM for lap in laps for one in lap.loop)
    if at != len(cut) or between > len(laps):
        return Compared(False, "It goes another way round.")
    rounds = f"{len(laps)} times round" if len(laps) > 1 else "Once round"
    return Compared(True, f"{rounds}, where it was asked.")


def _is(move: Traced, one: Segment, down: float) -> bool:
    """Whether a move is that piece of a round, at its depth."""
    where = hypot(move.x - one.end[0], move.y - one.end[1]) <= _TOL and abs(move.z + down) <= _TOL
    return where and (move.does == "arc") == (one.centre is not None and one.radius >= NO_MOVE_MM)


def _in_the_work(move: Traced) -> bool:
    """Whether a fast move goes sideways below the top."""
    sideways = hypot(move.x - move.from_x, move.y - move.from_y) > _TOL
    return sideways and min(move.z, move.from_z) < 0
