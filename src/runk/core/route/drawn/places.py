"""Where a feature lies: its ends and places, from the way they are said."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from fractions import Fraction

from runk.core.refusals import Refused
from runk.core.route.drawn.clauses import Told
from runk.core.route.drawn.cut import mm_text
from runk.core.route.drawn.kinds import Heard
from runk.core.said import mm_said

AT_ONE_PLACE = ("groove", "chamfer", "face")
_SIDED = ("slot", "plane", "profile")
_NEAR = Fraction(1, 100)
_SIDES = re.compile(r"\b(top|bottom|underside|below|front|back|rear)\b(?! edge)")
_SIDE_NAMES = {"underside": "bottom", "below": "bottom", "rear": "back"}


@dataclass(frozen=True, slots=True)
class Where:
    """Words of place in a line.

    Args:
        right: Whether it is at, or from, the right end.
        left: The same of the left.
        both: Whether it is at both.
        full: Whether it goes over the whole length.
        through: Whether it goes right through.
        across: Whether it is cut from the side of a round part.
        side: A side of a block.
        nearby: A neighbour it is said to lie at.
    """

    right: bool
    left: bool
    both: bool
    full: bool
    through: bool
    across: bool
    middle: bool
    centred: bool
    corners: bool
    side: str
    nearby: str

    @staticmethod
    def of(told: Told, text: str, nearby: tuple[str, ...]) -> Where:
        """The words of place of a line.

        Args:
            told: What was taken from it already.
            text: Its plain words.
            nearby: What only says where.
        """

        def has(word: str) -> bool:
            return re.search(rf"\b{word}\b", text) is not None

        side = _SIDES.search(told.words)
        name = side[1] if side else ""
        return Where(
            right=re.search(r"\bright\b", told.words) is not None,
            left=re.search(r"\bleft\b", told.words) is not None,
            both=has("both"),
            full=has("full"),
            through=has("through"),
            across=has("crosswise")
            or (has("across") and "#" not in told.words.split("across")[0][-3:])
            or any(re.search(r"through .*(?:crankpin|journal|outside)", one) for one in nearby),
            centred=has("cent(?:re|er)(?:d|ed)?"),
            middle=has("middle") or has("centreline"),
            corners=has("corners?") or any("corner" in one for one in nearby),
            side=_SIDE_NAMES.get(name, name),
            nearby=", ".join(nearby),
        )


def placed(
    typed: dict[str, str], heard: Heard, told: Told, where: Where, long: Fraction | None
) -> list[dict[str, str]]:
    """The fields of a feature, or of two, with their places.

    Args:
        typed: What is known of it already.
        heard: Its kind.
        told: The sizes of its line.
        where: Words of place.
        long: How long the part is, where it is known.

    Raises:
        Refused: Where it lies cannot be known.
    """
    fields = {**typed, **_sizes(typed["kind"], heard, told)}
    if heard.sided:
        found = _sided(fields, told, where, long)
    elif heard.kind in AT_ONE_PLACE:
        found = _at_one_place(fields, heard, told, where, long)
    elif heard.kind == "split":
        found = [fields]
    else:
        found = _along(fields, heard, told, where, long)
    for role in told.roles.lost():
        size = told.roles[role]
        raise Refused(
            f"{_LOST.get(role, role).capitalize()} {mm_said(size.mm)} has no place in a "
            f"{typed['kind']} drawn so.",
            field=None if role in ("deep", "wide", "length") else role,
        )
    return found


_LOST = {
    "deep": "a depth of",
    "wide": "a width of",
    "length": "a length of",
    "thick": "a thickness of",
}


def _sizes(kind: str, heard: Heard, told: Told) -> dict[str, str]:
    """Sizes that are fields of their own."""
    roles, found = told.roles, {}
    for role in ("size", "small", "circle", "apart", "rise", "throw", "up"):
        if role in roles:
            found[role] = roles[role].text
    if "stroke" in roles:
        found["throw"] = mm_text(roles["stroke"].mm / 2)
    if "thick" in roles and "size" not in found:
        found["size" if kind == "plane" else "length"] = roles["thick"].text
    if heard.sided or kind in ("keyway", "bore-keyway", "slot"):
        for role in ("deep", "wide"):
            if role in roles:
                found[role] = roles[role].text
        if heard.sided and "wide" in roles and kind not in ("slot", "plane"):
            # So wide a hole is its diameter.
            found.setdefault("size", found.pop("wide"))
        if heard.sided and "length" in roles and "deep" not in roles:
            found["deep"] = roles["length"].text
    elif kind in ("groove", "split") and "wide" in roles:
        found["wide"] = roles["wide"].text
    elif kind == "flats" and "wide" in roles and "size" in roles:
        pass
    if kind == "flats" and "wide" in roles and "size" not in found:
        raise Refused(
            "How far across is it? A flat is drawn by what is left, not by how wide it turns out.",
            field="size",
            suggest="2 flats 8 across, from 0 to 20",
        )
    if kind == "flats" and "deep" in roles and "size" not in found:
        raise Refused(
            "How far across is it? A flat is drawn by what is left, not by how deep it is cut.",
            field="size",
            suggest="2 flats 8 across, from 0 to 20",
        )
    if told.count is not None and kind in ("holes", "flats"):
        found["count"] = str(told.count)
    if told.angle is not None:
        found["angle"] = f"{told.angle:g}"
    return found


def _sided(
    fields: dict[str, str], told: Told, where: Where, long: Fraction | None
) -> list[dict[str, str]]:
    """A hole: through or so deep, from an end, across, or at a place on a face."""
    roles = told.roles
    if where.corners and "apart" not in roles:
        raise Refused(
            "The holes in the corners: how far apart are they, along and up?",
            field="apart",
            suggest="4 holes 5.5, 84 by 44 apart, at 8 by 8, from the top",
        )
    if "down" in roles:
        raise Refused(
            f"{mm_said(roles['down'].mm)} from the top edge: how far up is that?",
            field="up",
            suggest="at 20 by 45",
        )
    fields |= {name: roles[name].text for name in ("start",) if name in roles}
    if fields["kind"] == "passage" and told.angle is None and "start" not in fields:
        where = replace(where, across=not where.side)
    if where.across and fields["kind"] == "holes" and "start" not in fields:
        raise Refused(
            "Cross holes: each wants a line of its own, with its place.",
            field="start",
            suggest="3 mm hole across at 10",
        )
    if where.across and fields["kind"] != "holes":
        return [{**fields, "side": "across", **_across(told, where, long)}]
    if "offleft" in roles and "start" not in fields:
        # On a face places are counted from its left corner.
        fields["start"] = roles["offleft"].text
        if "up" not in fields:
            raise Refused(
                f"{mm_said(roles['offleft'].mm)} from the left end, and how far up? Or is it "
                "drilled across a round bar?",
                field="up",
                suggest="across, or at 16 by 12",
            )
        return [fields]
    if "offright" in roles:
        raise Refused(
            f"{mm_said(roles['offright'].mm)} from the right end: is it drilled across?",
            field="side",
            suggest="across",
        )
    if "start" in fields and "up" not in fields and fields["kind"] not in ("holes", "passage"):
        raise Refused(
            f"At {mm_said(roles['start'].mm)}: is it drilled across a round bar, or how far up "
            "is it?",
            field="side",
            suggest="across, at 15",
        )
    if "inset" in roles:
        raise Refused("From which end or edge is that, and how far up?", field="start")
    if where.both:
        return [{**fields, "side": "right"}, {**fields, "side": "left"}]
    if where.side:
        fields["side"] = where.side
    elif where.left:
        fields["side"] = "left"
    elif where.right:
        fields["side"] = "right"
    return [fields]


def _across(told: Told, where: Where, long: Fraction | None) -> dict[str, str]:
    roles = told.roles
    if "start" in roles:
        return {"start": roles["start"].text}
    if "offright" in roles:
        return {"start": roles["offright"].text}
    if long is not None and "offleft" in roles:
        return {"start": mm_text(long - roles["offleft"].mm)}
    if long is not None and where.middle:
        return {"start": mm_text(long / 2)}
    raise Refused(_ask(told, where), field="start", suggest="across, at 15")


def _at_one_place(
    fields: dict[str, str], heard: Heard, told: Told, where: Where, long: Fraction | None
) -> list[dict[str, str]]:
    roles, kind = told.roles, heard.kind
    if kind == "groove" and "size" not in fields:
        deep = (
            f" It is {mm_said(roles['deep'].mm)} deep: in what diameter?" if "deep" in roles else ""
        )
        raise Refused(
            f"What diameter is left at the bottom of the groove?{deep}",
            field="size",
            suggest="groove 18 dia, 2 wide, at 12",
        )
    if kind == "face" and where.both and {"length", "start"} & set(roles):
        at = roles["start" if "start" in roles else "length"].text
        return [{**fields, "start": "0 mm"}, {**fields, "start": at}]
    if kind == "face" and "length" in roles and "start" not in roles:
        return [{**fields, "start": roles["length"].text}]
    wide = roles["wide"].mm if kind == "groove" and "wide" in roles else Fraction(0)
    if "start" in roles:
        return [{**fields, "start": roles["start"].text}]
    if "offright" in roles:
        return [{**fields, "start": roles["offright"].text}]
    if long is not None and "offleft" in roles:
        return [{**fields, "start": mm_text(long - roles["offleft"].mm - wide)}]
    right, left = (
        {**fields, "start": "0 mm"},
        {**fields, "start": mm_text((long or Fraction(0)) - wide)},
    )
    if kind != "groove" and not where.nearby and "inset" not in roles:
        if where.both and long is not None:
            return [right, left]
        if where.right and not where.left and not where.both:
            return [right]
        if where.left and long is not None:
            return [left]
    if where.both or where.full:
        raise Refused(
            f"One at each end: how long is the part? Or each {kind} on a line of its own.",
            field="start",
            suggest=f"{kind} at 0",
        )
    raise Refused(_ask(told, where, kind), field="start", suggest=f"{kind} at 0")


def _along(
    fields: dict[str, str], heard: Heard, told: Told, where: Where, long: Fraction | None
) -> list[dict[str, str]]:
    """From one place of the axis to another."""
    roles, kind = told.roles, heard.kind
    if kind == "slot" and where.centred and "up" in roles:
        raise Refused(
            "That is its middle: from where to where does it go?",
            field="start",
            suggest="from 20 to 40, 12 up",
        )
    if kind == "slot" and where.side:
        fields["side"] = where.side
    if "start" in roles and "end" in roles:
        if kind == "slot" and "side" not in fields and (where.left or where.right):
            fields["side"] = "left" if where.left else "right"
        length = _length(kind, told)
        if length is not None and abs(abs(roles["end"].mm - roles["start"].mm) - length) > _NEAR:
            raise Refused(
                f"From {mm_said(roles['start'].mm)} to {mm_said(roles['end'].mm)} is not "
                f"{mm_said(length)} long: which is it?",
                field="end",
            )
        return [{**fields, "start": roles["start"].text, "end": roles["end"].text}]
    fields.pop("length", None)
    length = _length(kind, told)
    if "start" in roles:
        if length is not None:
            return [
                {**fields, "start": roles["start"].text, "end": mm_text(roles["start"].mm + length)}
            ]
        if long is not None and (where.both or where.full or where.through):
            return [{**fields, "start": roles["start"].text, "end": mm_text(long)}]
        return [{**fields, "start": roles["start"].text}]
    if length is None:
        if (where.full or where.through) and long is not None:
            return [{**fields, "start": "0 mm", "end": mm_text(long)}]
        raise Refused(_ask(told, where, kind), field="start", suggest="from 0 to 20")
    if "inset" in roles or ("last" in roles and not (where.left or where.right)):
        raise Refused(_ask(told, where, kind), field="start", suggest="from 0 to 20")
    off_right = roles["offright"].mm if "offright" in roles else Fraction(0)
    right = {**fields, "start": mm_text(off_right), "end": mm_text(off_right + length)}
    if where.both and long is not None:
        return [right, {**fields, "start": mm_text(long - length), "end": mm_text(long)}]
    if "offleft" in roles or where.left:
        if long is None:
            raise Refused(
                f"{_said(kind, length)} at the left end: how long is the part? Until that is "
                "known, say from where to where.",
                field="start",
                suggest="from 30 to 50",
            )
        off_left = roles["offleft"].mm if "offleft" in roles else Fraction(0)
        return [
            {**fields, "start": mm_text(long - off_left - length), "end": mm_text(long - off_left)}
        ]
    if ("offright" in roles or where.right) and not where.both:
        return [right]
    raise Refused(
        f"{_said(kind, length)}{' at each end' if where.both else ''}: where along the axis does "
        "it begin?",
        field="start",
        suggest="at the right end, or from 0 to 20",
    )


def _length(kind: str, told: Told) -> Fraction | None:
    roles = told.roles
    for role in ("length", "last", "thick"):
        if role in roles:
            return roles[role].mm
    if kind not in ("keyway", "bore-keyway", "slot", "flats"):
        for role in ("deep", "wide"):
            if role in roles:
                return roles[role].mm
    return None


def _said(kind: str, length: Fraction) -> str:
    return f"A {kind} {mm_said(length)} long"


def _ask(told: Told, where: Where, kind: str = "hole") -> str:
    near = f"{where.nearby.replace('#', '').strip()}: " if where.nearby else ""
    return (
        f"{near[:1].upper()}{near[1:]}where along the axis does the {kind} begin?"
        if near
        else (f"Where along the axis does the {kind} begin?")
    )
