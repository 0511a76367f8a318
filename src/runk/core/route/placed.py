"""Where holes lie on the face they are cut in."""

from __future__ import annotations

from math import cos, radians, sin

from runk.core.layout.laws import along_mm, angle_deg, up_mm
from runk.core.refusals import Refused
from runk.core.route.feature_question import HOLES
from runk.core.route.part import EPS, FLAT_SIDES, Feature, Part
from runk.core.said import mm_said

Point = tuple[float, float]
ENDS = ("", "right", "left")
TOWARDS = {"top": 90.0, "bottom": 270.0, "front": 180.0, "back": 0.0}
"""In which direction a side lies, the part seen on its right end."""


def points(part: Part, feature: Feature) -> tuple[Point, ...]:
    """Along and up of each of its holes; none where nobody said where they lie.

    On the end of a turned part they are counted from its axis, else from the nearer left corner.

    Args:
        part: The part.
        feature: A hole, or several.

    >>> from runk.core.route.reading import part_of
    >>> line = "4 holes 5, 100 by 40 apart, from the top, at 10 by 10"
    >>> base = part_of("base", "brass", "plate 120 by 60 by 8", [line])
    >>> points(base, base.features[0])
    ((10.0, 10.0), (110.0, 10.0), (10.0, 50.0), (110.0, 50.0))
    """
    asked = feature.asked
    turned = part.turned and feature.side in ENDS
    told = asked.start is not None and asked.up is not None
    at = (0.0, 0.0) if turned else (float(asked.start or 0), float(asked.up or 0))
    if feature.kind in HOLES:
        if turned and feature.throw:
            return ((feature.throw, 0.0),)
        return (at,) if told and not turned else ()
    if feature.kind != "holes" or not (turned or told):
        return ()
    many = asked.count or 1
    if asked.circle is not None:
        radius = float(asked.circle) / 2
        degrees = [angle_deg(asked.angle or 0.0, n, 360.0 / many) for n in range(many)]
        return tuple((along_mm(at[0], radius, a), up_mm(at[1], radius, a)) for a in degrees)
    if asked.apart is None:
        return (at,) if many == 1 else ()
    apart, rise = float(asked.apart), float(asked.rise or 0)
    rows = 2 if asked.rise is not None and many % 2 == 0 else 1
    columns = many // rows
    return tuple(
        (at[0] + column * apart, at[1] + row * rise)
        for row in range(rows)
        for column in range(columns)
    )


def face_mm(part: Part, side: str) -> Point | None:
    """How long and how high a side of a block is; None where its blank does not say."""
    blank = part.blank
    if part.turned or blank.long is None or blank.wide is None or blank.high is None:
        return None
    long, wide, high = float(blank.long), float(blank.wide), float(blank.high)
    return {
        "top": (long, wide),
        "bottom": (long, wide),
        "front": (long, high),
        "back": (long, high),
    }.get(side, (wide, high))


def see_placed(part: Part) -> None:
    """See that what is told of places is there, on the metal and clear of each other.

    Raises:
        Refused: Holes off their face, over each other, or placed twice.
    """
    drilled: dict[str, list[tuple[str, Point, float]]] = {}
    for one in part.features:
        asked = one.asked
        if one.kind not in (*HOLES, "holes"):
            continue
        if one.kind == "holes":
            _one_way(part, one)
        elif one.throw and not part.turned:
            raise Refused(
                f"{one.key}: a block has no axis to be off.", field=one.key, suggest="at 10 by 12"
            )
        side = one.side or ("right" if part.turned else "top")
        size, r = face_mm(part, side), one.size / 2
        for x, y in points(part, one):
            if size and not (
                r <= x + EPS and x <= size[0] - r + EPS and r <= y + EPS and y <= size[1] - r + EPS
            ):
                raise Refused(
                    f"{one.key}: at {mm_said(x)} by {mm_said(y)} it is off the {side}, "
                    f"{mm_said(size[0])} by {mm_said(size[1])}.",
                    field=one.key,
                )
            for other, place, near in drilled.get(side, []):
                gap = ((x - place[0]) ** 2 + (y - place[1]) ** 2) ** 0.5
                if gap < r + near - EPS:
                    twice = "overlap each other" if other == one.key else f"run into {other}"
                    raise Refused(f"{one.key} {twice}.", field=one.key)
            drilled.setdefault(side, []).append((one.key, (x, y), r))
        if asked.up is not None and asked.start is None:
            raise Refused(f"{one.key}: how far along?", field=one.key, suggest="at 10 by 12")


def _one_way(part: Part, holes: Feature) -> None:
    asked = holes.asked
    if asked.circle is not None and asked.apart is not None:
        raise Refused(f"{holes.key} lie on a circle or in rows, not both.", field=holes.key)
    if part.turned and holes.side in ENDS and (asked.start is not None or asked.apart is not None):
        if part.blank.kind == "plate":
            raise Refused(
                f"{holes.key}: from which side are they drilled?",
                field=holes.key,
                suggest="from the top",
            )
        raise Refused(
            f"{holes.key}: on the end of a turned part they lie on a circle about its axis.",
            field=holes.key,
            suggest="on 30 circle",
        )
    if asked.rise is not None and (asked.count or 1) % 2:
        raise Refused(f"{holes.key}: {asked.count} do not go in two rows.", field=holes.key)
    if asked.angle is not None and asked.circle is None:
        raise Refused(f"{holes.key}: only a circle is turned.", field=holes.key)


def meets(part: Part, holes: Feature, port: Feature) -> bool:
    """Whether one of a circle of holes in an end runs into a slot cut from a side.

    Args:
        part: A turned part.
        holes: On a circle, in an end.
        port: A slot, from a side.

    >>> from runk.core.route.reading import part_of
    >>> lines = ["outside 40, from 0 to 50", "6 holes 3 on 34 circle, 12 deep, from the right end",
    ...          "slot 4 wide, 5 deep, from 8 to 18, from the top"]
    >>> part = part_of("cylinder", "brass", "bar 45", lines)
    >>> meets(part, part.features[1], part.features[2])
    False
    >>> lines[1] = f"{lines[1]}, turned 30 degrees"
    >>> part = part_of("cylinder", "brass", "bar 45", lines)
    >>> meets(part, part.features[1], part.features[2])
    True
    """
    deep = float(holes.asked.deep or part.long - part.begin)
    along = (
        (part.long - deep, part.long) if holes.side == "left" else (part.begin, part.begin + deep)
    )
    if along[0] >= port.span[1] - EPS or port.span[0] >= along[1] - EPS:
        return False
    outside = part.outside_at(sum(port.span) / 2) / 2
    floor = outside - float(port.asked.deep or outside)
    # The left end is seen the other way round.
    turn = TOWARDS[port.side] if holes.side != "left" else (180.0 - TOWARDS[port.side]) % 360.0
    away, r = radians(turn), holes.size / 2
    half = float(port.asked.wide or 0) / 2
    for x, y in points(part, holes):
        out, beside = x * cos(away) + y * sin(away), abs(y * cos(away) - x * sin(away))
        if beside < half + r - EPS and out + r > floor + EPS and out > 0:
            return True
    return False


def ported(part: Part, feature: Feature) -> bool:
    """Whether a slot is cut into a turned part from a side."""
    return part.turned and feature.kind == "slot" and feature.side in FLAT_SIDES
