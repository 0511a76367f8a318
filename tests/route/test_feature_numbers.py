"""Any feature with any numbers, written any way: every number arrives where it was typed."""

from __future__ import annotations

from fractions import Fraction
from typing import Any

from hypothesis import assume, given
from hypothesis import strategies as st

from runk.core.route.feature import BLANK, FEATURE
from runk.core.route.reading import blank_said, feature_said
from runk.core.units import PageUnit
from runk.formats.part_json import said
from tests.cases import cases

INCH = Fraction(254, 10)
Number = tuple[str, Fraction]
"""As typed, and in millimetres."""


@st.composite
def numbers(draw: st.DrawFn, page: PageUnit, least: int = 6) -> Number:
    """A mixed number, a decimal, or one with its own unit."""
    unit = INCH if page is PageUnit.INCH else Fraction(1)
    style = draw(st.sampled_from(["mixed", "decimal", "own"]))
    if style == "mixed":
        parts = draw(st.sampled_from([2, 4, 8, 16, 32]))
        whole, share = draw(st.integers(0, 3)), draw(st.integers(1, parts - 1))
        value = whole + Fraction(share, parts)
        typed = f"{whole} {value - whole}" if whole else str(value)
        # A fraction is one of an inch on either page.
        return typed, value * INCH
    thousandths = draw(st.integers(least * 100, 4000))
    value, typed = Fraction(thousandths, 1000), f"{thousandths / 1000:g}"
    if style == "own":
        mm = page is PageUnit.INCH
        return (f"{typed} mm", value) if mm else (f"{typed} in", value * INCH)
    return typed, value * unit


SHAPES = {
    "{kind} {size}, from {start} to {end}": ("outside", "bore", "journal", "counterbore", "knurl"),
    "{kind} {size} from {start} to {end}": ("outside", "bore", "journal"),
    "{kind} {size}{limits}, from {start} to {end}": ("outside", "bore", "journal"),
    "{kind} {size}{limits}, from {start} to {end}, called the one": ("outside", "bore"),
    "{kind} {size}, throw {throw}, from {start} to {end}": ("crankpin", "eccentric"),
    "{kind} {size} down to {small}, from {start} to {end}": ("taper",),
    "{kind} {size}, {wide} wide, at {start}": ("groove",),
    "{kind} {wide} wide, {size}, at {start}": ("groove",),
    "{kind} {size} at {start}": ("chamfer",),
    "{kind} at {start}": ("face",),
    "{kind} {size}, {deep} deep": ("drilled", "reamed"),
    "{kind} {size}, {deep} deep, from the left end": ("drilled", "reamed"),
    "{kind} {size}, across, at {start}": ("drilled", "reamed"),
    "{kind} {size}, {throw} off centre": ("drilled", "reamed"),
    "{kind} {size}, at {start} by {up}, from the top": ("drilled", "reamed"),
    "4 {kind} {size} on {circle} circle": ("holes",),
    "4 {kind} {size}, {apart} by {rise} apart, from the top, at {start} by {up}": ("holes",),
    "{kind} {wide} wide, {deep} deep, from {start} to {end}": ("keyway", "slot"),
    "2 {kind} {size} across, from {start} to {end}": ("flats",),
}
FIELDS = ("size", "start", "end", "small", "throw", "wide", "deep", "circle", "apart", "rise", "up")


@st.composite
def lines(draw: st.DrawFn) -> tuple[str, PageUnit, dict[str, Any]]:
    """A feature's line, its page, and what each of its fields is."""
    page = draw(st.sampled_from(list(PageUnit)))
    shape = draw(st.sampled_from(list(SHAPES)))
    told = {name: draw(numbers(page)) for name in FIELDS if f"{{{name}}}" in shape}
    limits = draw(st.sampled_from(["", " H7", " h6", " +0.002 -0", " -0.001 -0.003"]))
    kind = draw(st.sampled_from(SHAPES[shape]))
    wanted: dict[str, Any] = {"kind": kind, **{name: value for name, (_, value) in told.items()}}
    wanted["limits"] = limits.strip() if "{limits}" in shape else ""
    words = {name: typed for name, (typed, _) in told.items()}
    return shape.format(kind=kind, limits=limits, **words), page, wanted


@cases(400)
@given(lines())
def test_every_number_arrives_where_it_was_typed(
    typed: tuple[str, PageUnit, dict[str, Any]],
) -> None:
    line, page, wanted = typed
    assume(wanted.get("start") is None or wanted.get("start") != wanted.get("end"))
    assume(wanted.get("small") is None or wanted["small"] != wanted["size"])
    asked = feature_said(line, page)
    found = {name: getattr(asked, name) for name in FIELDS}
    assert asked.kind == wanted["kind"]
    assert {n: v for n, v in found.items() if v is not None} == {
        n: v for n, v in wanted.items() if n in FIELDS
    }
    assert (asked.limits is None) is (wanted["limits"] == "")
    # Said back, it is the same kind with the same things told, as near as it is printed.
    again = feature_said(said(FEATURE, asked, page), page)
    for name, value in found.items():
        told = getattr(again, name)
        assert (told is None) is (value is None)
        if value is not None:
            assert abs(told - value) <= Fraction(2, 1000)


BLANKS = (
    "bar {dia}",
    "{dia} bar",
    "hexagon bar {dia}",
    "bar {dia}, {long} long",
    "square bar {dia}, {long} long",
    "casting {dia}, {surplus} to come off",
    "casting {dia}, {surplus} to come off, cored {cored}",
    "casting {dia}, {long} long, {surplus} to come off",
    "plate {long} by {wide} by {high}",
)
SIZES = ("dia", "long", "wide", "high", "surplus", "cored")


@cases(150)
@given(st.data())
def test_every_number_of_a_blank_too(data: st.DataObject) -> None:
    page, shape = data.draw(st.sampled_from(list(PageUnit))), data.draw(st.sampled_from(BLANKS))
    told = {name: data.draw(numbers(page)) for name in SIZES if f"{{{name}}}" in shape}
    line = shape.format(**{name: typed for name, (typed, _) in told.items()})
    assume("surplus" not in told or told["surplus"][1] <= 50)
    asked = blank_said(line, page)
    found = {name: getattr(asked, name) for name in SIZES if getattr(asked, name) is not None}
    assert found == {name: value for name, (_, value) in told.items()}
    assert blank_said(said(BLANK, asked, page), page).section == asked.section
