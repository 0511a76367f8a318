"""A whole part told at once: its name, its count, what it is made from, a line for each feature."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

from runk.core.metals.metal import shipped_metals
from runk.core.refusals import Refused
from runk.core.route.drawn.whole import LONGEST, whole_part
from runk.core.units import PageUnit

MM, INCH = PageUnit.MM, PageUnit.INCH

# As told; page; name, count, metal; the blank's kind and sizes; features by kind, size, start, end,
# in millimetres by hand.
TOLD: tuple[
    tuple[str, PageUnit, tuple[str, int, str], dict[str, Any], list[tuple[Any, ...]]], ...
] = (
    (
        "Turn a bush 32 od, 18 bore, 27 long, chamfer 1 both ends",
        MM,
        ("bush", 1, ""),
        {"kind": "bar", "dia": 32, "long": 27},
        [("bore", 18, 0, 27), ("chamfer", 1, 0, None), ("chamfer", 1, 27, None)],
    ),
    (
        "punch, silver steel, 11 dia 66 long, one end turned down to 7 for 19, 1 mm chamfer on the other",
        MM,
        ("punch", 1, "silver-steel"),
        {"kind": "bar", "dia": 11, "long": 66},
        [("outside", 7, 0, 19), ("chamfer", 1, 66, None)],
    ),
    (
        "make me 6 pillars, brass, 8 dia 31 long, both ends M3 tapped 9 deep",
        MM,
        ("pillars", 6, "brass"),
        {"kind": "bar", "dia": 8, "long": 31},
        [("tapped", None, None, None), ("tapped", None, None, None)],
    ),
    (
        "nut, 9/16 A/F hex brass x 3/8 thick, tap 3/8 x 32 thro, 1/32 chamfer both ends",
        INCH,
        ("nut", 1, "brass"),
        {"kind": "bar", "dia": 14.2875, "long": 9.525, "section": "hexagon"},
        [
            ("tapped", None, None, None),
            ("chamfer", 0.79375, 0, None),
            ("chamfer", 0.79375, 9.525, None),
        ],
    ),
    (
        "a base plate 118 by 77 by 9 mm in mild steel, a 23 mm hole in the middle",
        MM,
        ("base plate", 1, "mild-steel"),
        {"kind": "plate", "long": 118, "wide": 77, "high": 9},
        [("drilled", 23, None, None)],
    ),
    (
        "a little aluminium wheel, 41 mm across and 9 thick, a 6 mm hole in the middle, "
        "and five 7 mm holes on 27 circle",
        MM,
        ("wheel", 1, "aluminium-6082"),
        {"kind": "bar", "dia": 41, "long": 9},
        [("drilled", 6, None, None), ("holes", 7, None, None)],
    ),
    (
        "knob, aluminium, 26 across 21 long, knurled all over, bore 7 through",
        MM,
        ("knob", 1, "aluminium-6082"),
        {"kind": "bar", "dia": 26, "long": 21},
        [("knurl", 26, 0, 21), ("bore", 7, 0, 21)],
    ),
    (
        "flange of aluminium Ø62 x 11, middle bore Ø24, 5x4.5 on 47pcd, pivot Ø35 x 4 left",
        MM,
        ("flange", 1, "aluminium-6082"),
        {"kind": "bar", "dia": 62, "long": 11},
        [("bore", 24, 0, 11), ("holes", 4.5, None, None), ("outside", 35, 7, 11)],
    ),
    (
        "gland\n22 dia brass bar, 15 long\nface at 0\n12 dia 8 long at the right end\n4 H7 reamed thru",
        MM,
        ("gland", 1, "brass"),
        {"kind": "bar", "dia": 22, "long": 15},
        [("face", None, 0, None), ("outside", 12, 0, 8), ("reamed", 4, None, None)],
    ),
)


def _near(value: Any, wanted: float | None) -> bool:
    return wanted is None or float(value) == pytest.approx(wanted)


@pytest.mark.parametrize(("text", "page", "who", "blank", "features"), TOLD)
def test_a_part_told_at_once_is_taken_apart(
    text: str,
    page: PageUnit,
    who: tuple[str, int, str],
    blank: dict[str, Any],
    features: list[tuple[Any, ...]],
) -> None:
    whole = whole_part(text, page, shipped_metals())
    assert (whole.name, whole.alike, whole.metal) == who
    assert not isinstance(whole.stock, Refused), whole.stock
    for name, value in blank.items():
        got = getattr(whole.stock.asked, name)
        assert got == value if isinstance(value, str) else _near(got, value), name
    read = [one for heard in whole.heard if not isinstance(heard, Refused) for one in heard]
    assert [one.kind for one in read] == [kind for kind, *_ in features]
    for one, (_, size, start, end) in zip(read, features, strict=True):
        assert _near(one.size, size)
        assert _near(one.start, start)
        assert _near(one.end, end)


def test_each_line_is_answered_under_itself() -> None:
    told = "stub axle, EN8, 5/8 dia x 2 1/4 long, turn 3/8 dia x 3/4 RH end, 1/16 undercut at the shoulder"
    whole = whole_part(told, INCH, shipped_metals())
    fine, asked = whole.heard
    assert not isinstance(fine, Refused)
    assert isinstance(asked, Refused)
    assert asked.field == "start"
    # What it is made from may be missing, and the rest is read all the same.
    bare = whole_part("thing, 6 mm hole through", MM, shipped_metals())
    assert isinstance(bare.stock, Refused)
    assert not isinstance(bare.heard[0], Refused)


@pytest.mark.parametrize("text", ["", "  \n ", "x" * (LONGEST + 1)])
def test_nothing_and_too_much_are_refused(text: str) -> None:
    with pytest.raises(Refused):
        whole_part(text, MM, shipped_metals())


def test_over_http_nothing_is_kept_and_what_comes_back_can_be(client: TestClient) -> None:
    before = client.get("/api/engines").json()
    text = "peg, brass, 12 dia 40 long, one end turned to 8 for 15, fillet 2 at the shoulder"
    told = client.post("/api/parts/told", json={"text": text, "unit": "mm"}).json()
    assert (told["name"], told["metal"], told["says"]) == ("peg", "brass", "Bar 12 mm, 40 mm long")
    first, second = told["lines"]
    assert first["says"] == "Outside 8 mm, from 0 mm to 15 mm"
    assert "radius" in second["problem"]
    assert client.get("/api/engines").json() == before
    part = client.post("/api/engines/1/parts", json={"name": "Peg", "metal": told["metal"]}).json()
    version = client.get(f"/api/parts/{part['id']}").json()["version"]
    body = {
        "version": version,
        "metal": told["metal"],
        "blank": told["blank"],
        "features": [first["line"]],
    }
    kept = client.put(f"/api/parts/{part['id']}/drawn", json=body)
    assert kept.status_code == 200, kept.text
    assert client.post("/api/parts/told", json={"text": " "}).status_code == 422
