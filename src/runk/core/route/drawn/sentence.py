"""Features out of a sentence in anybody's words."""

from __future__ import annotations

import re
from dataclasses import replace
from fractions import Fraction
from math import radians, tan

from runk.core.figures import Working
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.route.drawn.clauses import Told, told_by
from runk.core.route.drawn.cut import Cut, Size, cut_up, mm_text
from runk.core.route.drawn.kinds import BY_KIND, NOT_YET, Heard, kind_of, placeless
from runk.core.route.drawn.places import Where, placed
from runk.core.route.drawn.several import several
from runk.core.route.drawn.unknown import see_words
from runk.core.route.feature import FEATURE
from runk.core.route.feature_question import SPANS, FeatureQuestion
from runk.core.said import mm_said
from runk.core.threads.clearance import Fit, hole_for
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_EMPTY = Workshop(())
_DEEP_IS_LONG = ("bore", "counterbore", "outside", "journal", "knurl", "thread", "taper")
"""Kinds whose depth or width is how long they are."""
_FOR_SCREW = re.compile(
    r"%(\d+) (?:clearance|clear)(?: hole)?|(?:clearance|clear) (?:hole )?(?:for )?%(\d+)"
    r"|(?:for|to take|to suit) (?:a |an )?%(\d+)(?: (?:cap|csk|\w+ head))?(?: screw| stud)?"
)
_NOT = re.compile(r"\b(?:without|except|not|but|no|unless|instead|scrap|undo|delete|remove)\b")


def features_of(
    line: str, page: PageUnit, long: Fraction | None = None, outside: Fraction | None = None
) -> tuple[FeatureQuestion, ...]:
    """The features of a line, in the order they stand.

    Args:
        line: As typed.
        page: What a bare number means.
        long: How long the part is in millimetres, where that is known: only then is its left end
            anywhere.
        outside: What diameter a groove is cut in, where that is known: only then does its depth
            say its bottom.

    Raises:
        Refused: It is none; or one thing of it is not told, and which.

    >>> [(f.kind, float(f.size)) for f in features_of("6mm hole right through", PageUnit.MM)]
    [('drilled', 6.0)]
    >>> bore, = features_of("bore 16 H7 25 deep from the right end", PageUnit.MM)
    >>> bore.limits.grade, float(bore.start), float(bore.end)
    ('H7', 0.0, 25.0)
    >>> seat, = features_of("20 dia 18 long at the left end", PageUnit.MM, Fraction(60))
    >>> seat.kind, float(seat.start), float(seat.end)
    ('outside', 42.0, 60.0)
    >>> [f.kind for f in features_of("rim 120 by 22 wide at the right, bore 12 H7 from 0 to 22",
    ...                              PageUnit.MM)]
    ['outside', 'bore']
    """
    if "?" in line:
        raise Refused("Type what is to stand in place of the `?`.", field="called")
    cut = cut_up(line, page)
    _see_known(cut, line)
    texts = several(cut)
    found: list[FeatureQuestion] = []
    for text in texts:
        try:
            found += _one(cut, text, page, long, outside)
        except Refused as refused:
            if len(texts) == 1:
                raise
            raise Refused(
                f"Two features in one line, and one of them is not whole: {refused.template} "
                "Each may have a line of its own.",
                field=refused.field,
                suggest=refused.template_suggest,
            ) from None
    return tuple(found)


def _see_known(cut: Cut, line: str) -> None:
    for words, called in NOT_YET:
        if re.search(words, cut.text):
            raise Refused(
                f"{called} has no place among the features of a part yet: write it as a note.",
                field="size" if "groove" in called else None,
            )
    if "taper" in cut.text and re.search(r"\d ?mt\b|\bmt ?\d|morse", line.lower()):
        raise Refused(
            "A taper is drawn by both its ends, whatever its angle: how large is the small end?",
            field="small",
            suggest="taper 20 down to 18.5, from 0 to 30",
        )
    if "circlip" in cut.text and len(cut.sizes) < 3:
        raise Refused(
            "A circlip's groove is drawn by its own sizes: how wide, and to what diameter?",
            field="size",
            suggest="groove 19 dia, 1.3 wide, at 5",
        )
    if re.search(r"\btapping (?:size|hole|drill)\b", line.lower()):
        raise Refused(
            "Which drill is the tapping size? Say it: the Threads room knows it.",
            field="size",
            suggest="drilled 5 mm, 18 mm deep",
        )
    # 7, not 6: what is not meant goes out.
    cut.text = re.sub(r" ?,? \b(?:not|rather than|instead of) [#%]\d+(?! \w)", "", cut.text)
    cut.text = re.sub(r" ?,? \b(?:not|rather than|instead of) [#%]\d+ (?=through)", " ", cut.text)
    if (word := _NOT.search(line.lower())) is not None and _NOT.search(cut.text) is not None:
        raise Refused(f"Say what is there: `{line[word.start() :][:50]}` takes something away.")
    if re.search(r"\bstepped\b", cut.text):
        raise Refused("Steps are two features or more: each wants a line of its own.")
    if re.search(r"\brest\b", cut.text):
        raise Refused("The rest, and what is left of it: each wants a line of its own.")


def _one(
    cut: Cut, text: str, page: PageUnit, long: Fraction | None, outside: Fraction | None
) -> list[FeatureQuestion]:
    text, clearance = _clearance(cut, text)
    threads = [int(mark) for mark in re.findall(r"%(\d+)", text)]
    bare, where = placeless(text)
    heard = kind_of(bare, bool(threads)) or kind_of(text, bool(threads)) or _plain(cut, bare)
    if heard.kind == "keyway" and any("bore" in one for one in where):
        heard = BY_KIND["bore-keyway"]
    if heard.kind == "groove" and re.search(r"\bfull\b", bare):
        heard = BY_KIND["slot"]
    if heard.sided:
        # Across a round bar, not how far across the hole is.
        bare = re.sub(r"\bat (#\d+) across\b", r"crosswise at \1", bare)
        bare = re.sub(r"(?:, |\b)across(?= at\b| ,|$)", "crosswise", bare)
    told = told_by(cut, bare, heard.kind)
    if heard.kind == "chamfer" and told.angle == 45:
        told.angle = None
    if re.search(r"\bfirst (?:one |hole )?(?:at|on) (?:the )?top\b", bare):
        told.angle, bare = 90.0, re.sub(r"\btop\b", "", bare)
    if clearance is not None:
        told.roles.setdefault("size", clearance)
    if heard.kind == "outside" and {"wide", "deep"} <= set(told.roles):
        raise Refused(
            "A step along an edge is milled: a slot, and from which side is it cut?",
            field="side",
            suggest="slot 12 wide, 4 deep, from 0 to 40, from the top",
        )
    heard = _counted(cut, heard, told, bare, bool(threads))
    typed: dict[str, str] = {"kind": heard.kind}
    if threads:
        if "screw" not in FEATURE.asked(heard.kind):
            raise Refused(
                f"A {heard.kind} has no thread: is it a line of its own?",
                field="screw",
                suggest=f"thread {cut.threads[threads[0]].name}, from 0 to 10",
            )
        typed["screw"] = cut.named[threads[0]]
    limits = [int(mark) for mark in re.findall(r"\^(\d+)", text)]
    if len(threads) > 1 or len(limits) > 1 or told.twice:
        raise Refused("Two of one thing in a line: each feature wants a line of its own.")
    if limits:
        typed["limits"] = _limits_text(cut, limits[0], page)
    elif heard.kind == "holes" and re.search(r"\bream\b", text) and not threads:
        # A reamer bores to H7 where nobody says otherwise.
        typed["limits"] = "H7"
    if heard.kind == "groove" and outside is not None:
        _bottom(told, outside)
    _bare_numbers(heard, told, text)
    see_words(told.words)
    typed |= {"called": cut.called} if cut.called else {}
    spot = Where.of(told, bare, where)
    return [_read(one, page) for one in placed(typed, heard, told, spot, long)]


def _clearance(cut: Cut, text: str) -> tuple[str, Size | None]:
    """A hole a screw goes through: its size, where no other is told."""
    found = _FOR_SCREW.search(text)
    if found is None:
        return text, None
    thread = cut.threads[int(next(g for g in found.groups() if g))]
    rest = f"{text[: found.start()]} {text[found.end() :]}"
    if not re.search(r"\bhole\b|\bdrill\b", rest):
        rest += " hole"
    mm = Fraction(str(round(hole_for(Working(), thread, Fit.MEDIUM).value, 3)))
    return " ".join(rest.split()), Size(mm, mm_text(mm), False)


def _plain(cut: Cut, text: str) -> Heard:
    """A line without a noun: a diameter is an outside."""
    see_words(text)
    if re.search(r"\bdia\b|\bround\b", text) or (cut.sizes and re.search(r"\^\d", text)):
        return BY_KIND["outside"]
    raise Refused(
        "Which feature is it? Begin with what it is: bore, outside, groove, tapped hole.",
        field="kind",
        suggest="bore 22 H7, from 0 to 40",
    )


def _counted(cut: Cut, heard: Heard, told: Told, text: str, threads: bool) -> Heard:
    """Several holes are a pattern; a hexagon has six flats."""
    if re.search(r"\brows of\b", text):
        raise Refused("Rows of holes: each row wants a line of its own.", field="start")
    if heard.kind == "flats":
        if "hexagon" in text:
            told.count = 6
        elif "square" in text:
            told.count = 4
        return heard
    if told.count == 2 and re.search(r"\bone (?:at|in|on)? ?both\b", text):
        told.count = None
    many = told.count is not None or "circle" in told.roles or "apart" in told.roles
    if heard.kind in ("drilled", "reamed", "tapped") and many and told.count != 1:
        return replace(heard, kind="holes")
    if heard.kind == "thread" and "circle" in told.roles:
        return replace(BY_KIND["tapped"], kind="holes")
    if heard.kind in ("drilled", "bore") and told.count is None and re.search(r"\bholes\b", text):
        return replace(heard, kind="holes")
    if (
        told.count is not None
        and told.count > 1
        and not (heard.kind == "groove" and "size" not in told.roles)
    ):
        raise Refused(
            f"{told.count} of them: each {heard.kind} wants a line of its own, with its place.",
            field="start",
        )
    told.count = None
    return heard


def _limits_text(cut: Cut, mark: int, page: PageUnit) -> str:
    bounds = cut.limits[mark]
    if bounds.grade:
        return bounds.grade
    low, high = (f"{float(v):+.9g} mm" for v in (bounds.low, bounds.high))
    if bounds.added:
        return f"{high} {low}"
    return f"{low[1:]} to {high[1:]}"


def _bare_numbers(heard: Heard, told: Told, text: str) -> None:
    """Numbers no word stands beside, in the order of their kind."""
    roles, loose = told.roles, told.loose
    if heard.kind == "chamfer" and len(loose) == 2:
        first, second = loose
        if second.whole == 45 or second.mm == first.mm:
            loose.pop()
        elif first.whole == 45:
            loose.pop(0)
    if heard.kind == "flats" and len(loose) > 1 and loose[0].mm == loose[1].mm:
        loose.pop(0)
    if heard.kind == "slot":
        _slot_numbers(told)
    if heard.kind == "taper":
        _taper_numbers(told, text)
    if "length" in heard.bare and {"start", "end"} <= set(roles) and loose:
        # 30 x 5 from 40 to 45: said twice.
        span = abs(roles["end"].mm - roles["start"].mm)
        if len(loose) > 1 or "size" in roles:
            loose[:] = [one for one in loose if one.mm != span] if loose[-1].mm == span else loose
    if heard.kind in ("tapped", "holes") and "%" in text and loose and re.search(r"#\d.*%\d", text):
        raise Refused(
            f"What is {loose[0].text} for? A thread's own drill is known; the depth has its word.",
            field="deep",
        )
    for role in heard.bare:
        if not loose:
            break
        if role in roles or (role == "length" and {"start", "end"} <= set(roles)):
            continue
        if role == "length" and {"deep", "wide"} & set(roles) and heard.kind in _DEEP_IS_LONG:
            continue
        if role == "deep" and "length" in roles and heard.sided:
            continue
        roles[role] = loose.pop(0)
    if loose:
        raise Refused(
            f"What is {loose[0].text} for? Two of one thing are said, or a word is missing "
            "beside it.",
            field=heard.bare[0] if heard.bare else None,
        )


def _bottom(told: Told, outside: Fraction) -> None:
    """The bottom of a groove by its depth, where what it is cut in is known."""
    roles = told.roles
    if "deep" not in roles or "size" in roles or "wide" not in roles or told.loose:
        return
    deep = roles.pop("deep").mm
    left = outside - 2 * deep
    if left <= 0:
        raise Refused(f"{mm_said(deep)} deep in {mm_said(outside)} leaves nothing.", field="deep")
    roles["size"] = Size(left, mm_text(left), False)


def _taper_numbers(told: Told, text: str) -> None:
    """The other end of a taper, by its ratio or its included angle, where its length is told."""
    roles = told.roles
    if "size" not in roles and told.loose:
        roles["size"] = told.loose.pop(0)
    length = _long_of(told)
    given = "size" in roles and "small" not in roles and length is not None
    by_angle = told.angle is not None and "included" in text
    if not ({"ratio"} & set(roles) or told.angle is not None):
        return
    if not given or length is None or not ("ratio" in roles or by_angle):
        raise Refused(
            "A taper is drawn by both its ends: how large is the small end? Its angle, or 1 in so "
            "much, tells it only beside one end, its length, and whether the angle is included.",
            field="small",
            suggest="taper 20 down to 18.5, from 0 to 30",
        )
    if "ratio" in roles:
        change = length / Fraction(roles["ratio"].text.replace(",", "."))
    else:
        change = Fraction(str(round(2 * tan(radians((told.angle or 0) / 2)) * float(length), 6)))
        told.angle = None
    size = roles["size"]
    if re.search(r"\bstarts?\b|\bsmall\b", text):
        # It begins at its small end.
        roles["small"] = size
        roles["size"] = Size(size.mm + change, mm_text(size.mm + change), False)
    else:
        roles["small"] = Size(size.mm - change, mm_text(size.mm - change), False)
    if roles["small"].mm <= 0:
        raise Refused("It would come to a point before its end.", field="small")


def _long_of(told: Told) -> Fraction | None:
    roles = told.roles
    if "start" in roles and "end" in roles:
        return abs(roles["end"].mm - roles["start"].mm)
    return roles["length"].mm if "length" in roles else None


def _slot_numbers(told: Told) -> None:
    roles, loose = told.roles, told.loose
    free = [role for role in ("wide", "length", "deep") if role not in roles]
    if len(loose) == 3 and len(free) == 3:
        long, wide, deep = loose
        if long.mm < wide.mm:
            long, wide = wide, long
        roles.update(length=long, wide=wide, deep=deep)
        loose.clear()
    elif len(loose) == 2 and {"wide", "length"} <= set(free):
        wide, long = sorted(loose, key=lambda size: size.mm)
        roles.update(wide=wide, length=long)
        loose.clear()


def _read(typed: dict[str, str], page: PageUnit) -> FeatureQuestion:
    asked = FEATURE.asked(typed["kind"])
    for name in typed:
        if name not in asked:
            raise Refused(
                f"There is no place for how {_ROLE.get(name, name)} in a {typed['kind']}: "
                f"{typed[name]} would be lost.",
                field=None if typed["kind"] in SPANS else name,
            )
    question: FeatureQuestion = read_question(FEATURE, typed, page, _EMPTY).question
    return question


_ROLE = {
    "deep": "deep it is",
    "wide": "wide it is",
    "angle": "its angle lies",
    "count": "many there are",
}
