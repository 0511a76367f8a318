"""Files of the setting-out room: what they draw is read back by other means, and is what was asked."""

from __future__ import annotations

import io
import re
import xml.etree.ElementTree as ET
from math import cos, hypot, pi, sin
from typing import Any

import ezdxf
import numpy as np
import pytest
from ezdxf import units
from fastapi.testclient import TestClient
from pypdf import PdfReader
from pypdf.generic import ContentStream

from runk.core.catalogue import CATALOGUE
from runk.core.layout.offset import nearest_mm
from runk.core.layout.profiles import profile_of
from runk.core.questions import read_question
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.reference.interpreter import Controller

SIX = {"count": "6", "circle": "31", "hole": "3.2", "bore": "22", "rim": "40"}
EDGED = {
    "count": "8",
    "circle": "39",
    "start": "22.5",
    "x": "30",
    "y": "25",
    "wide": "60",
    "high": "50",
    "hole": "4",
}
LINK = {"profile": "link", "long": "40", "dia": "16", "end": "10", "cutter": "6"}
TELLING = {"metal": "brass", "drill_deep": "5", "safe": "20"}


@pytest.fixture
def client(asking: TestClient) -> TestClient:
    return asking


def got(client: TestClient, name: str, kind: str, **asked: str) -> Any:
    response = client.get(f"/api/setout/{name}/{kind}", params=asked)
    assert response.status_code == 200, response.text
    return response


def refused(client: TestClient, name: str, kind: str, **asked: str) -> dict[str, Any]:
    response = client.get(f"/api/setout/{name}/{kind}", params=asked)
    assert response.status_code == 422, response.text
    return dict(response.json())


def on_a_circle(count: int, circle: float, start: float, x: float = 0, y: float = 0) -> Any:
    turns = np.radians(start + 360 / count * np.arange(count))
    return np.c_[x + circle / 2 * np.cos(turns), y + circle / 2 * np.sin(turns)]


def same_places(found: Any, want: Any, within: float) -> bool:
    """Whether each of the one lies on one of the other, in whatever order."""
    found, want = np.array(found, dtype=float), np.array(want, dtype=float)
    if found.shape != want.shape:
        return False
    apart = np.hypot(*(found[:, None, axis] - want[None, :, axis] for axis in (0, 1)))
    taken = apart.argmin(axis=1)
    return len(set(taken.tolist())) == len(want) and bool(apart.min(axis=1).max() < within)


def test_a_dxf_is_read_by_its_own_library(client: TestClient) -> None:
    text = got(client, "circle", "dxf", **EDGED).text
    drawing = ezdxf.read(io.StringIO(text))
    assert drawing.units == units.MM
    assert not drawing.audit().errors
    circles = drawing.modelspace().query('CIRCLE[layer=="HOLES"]')
    assert same_places(
        [(c.dxf.center.x, c.dxf.center.y) for c in circles], on_a_circle(8, 39, 22.5, 30, 25), 1e-6
    )
    assert {round(c.dxf.radius, 6) for c in circles} == {2.0}
    (face,) = drawing.modelspace().query('LWPOLYLINE[layer=="OUTLINE"]')
    assert sorted(face.get_points("xy")) == [(0, 0), (0, 50), (60, 0), (60, 50)]


@pytest.mark.parametrize("kind", ["dxf", "csv"])
def test_a_pattern_goes_out_and_comes_back_the_same(client: TestClient, kind: str) -> None:
    body = got(client, "circle", kind, **SIX).content
    back = client.post("/api/setout/read", content=body).json()
    again = client.post(
        "/api/calc/circle", json={"pattern": "points", "spots": back["spots"], "hole": "3.2"}
    ).json()
    places = [(h["x_mm"]["value"], h["y_mm"]["value"]) for h in again["answer"]["holes"]]
    assert same_places(places, on_a_circle(6, 31, 0), 1e-4)
    if kind == "dxf":
        assert back["hole"] == "3.2000 mm"
    twice = got(client, "circle", kind, pattern="points", spots=back["spots"], hole="3.2").content
    assert client.post("/api/setout/read", content=twice).json()["spots"] == back["spots"]


@pytest.mark.parametrize(
    "typed",
    [
        LINK,
        {"profile": "flange", "long": "40", "dia": "22", "end": "10", "cutter": "6"},
        {"profile": "arc-slot", "dia": "60", "wide": "9", "turn": "75", "cutter": "4"},
        {"profile": "plate", "long": "40", "wide": "20", "corner": "4", "cutter": "6"},
    ],
    ids=lambda t: t["profile"],
)
def test_a_profile_goes_out_and_comes_back_the_same(
    client: TestClient, typed: dict[str, str]
) -> None:
    body = got(client, "path", "dxf", **typed).content
    back = client.post("/api/setout/read", content=body).json()
    first = client.post("/api/calc/path", json=typed).json()["answer"]
    asked = {"profile": "corners", "corners": back["corners"], "cutter": typed["cutter"]}
    if typed["profile"] == "arc-slot":
        asked["side"] = "inside"
    again = client.post("/api/calc/path", json=asked).json()["answer"]
    assert again["length_mm"]["value"] == pytest.approx(first["length_mm"]["value"], abs=2e-3)
    ends = [[(m["x_mm"]["value"], m["y_mm"]["value"]) for m in a["moves"]] for a in (first, again)]
    assert same_places(*ends, 2e-3)


def test_a_drawing_in_inches_made_of_lines_and_arcs_is_read(client: TestClient) -> None:
    drawing = ezdxf.new(units=units.IN)
    space = drawing.modelspace()
    space.add_line((0, 0), (2, 0))
    space.add_line((2, 1), (0, 1))
    space.add_arc((2, 0.5), 0.5, -90, 90)
    space.add_arc((0, 0.5), 0.5, 90, 270)
    space.add_point((1, 0.5))
    out = io.StringIO()
    drawing.write(out)
    back = client.post("/api/setout/read", content=out.getvalue().encode()).json()
    assert back["spots"] == "25.4, 12.7 (mm)"
    assert "inches" in back["says"]
    asked = {"profile": "corners", "corners": back["corners"], "cutter": "6"}
    length = client.post("/api/calc/path", json=asked).json()["answer"]["length_mm"]["value"]
    assert length == pytest.approx(2 * 50.8 + pi * (25.4 + 6), abs=2e-3)


def test_files_that_are_none_are_refused_in_a_sentence(client: TestClient) -> None:
    words = ezdxf.new()
    words.modelspace().add_text("A face, in words alone")
    out = io.StringIO()
    words.write(out)
    wrong = {
        out.getvalue().encode(): "only TEXT",
        b"  0\nSECTION\n" + b"9\n$X\n" * (3 * 1024 * 1024): "too large",
        b"0\nSECTION\n2\nENTITIES\n0\nCIRC": "",
        b"": "empty",
        b"\x00\x01\x02\xff": "neither a table",
        b"name,x_mm,y_mm\n1,10,ten\n": "Line 2 cannot be read",
        b"name,x_mm,y_mm\n1,10\n": "Line 2 has no place",
        b"just words\n": "at least two columns",
        "\n".join(f"{n},{n}" for n in range(1500)).encode(): "1000 at most",
    }
    for body, says in wrong.items():
        response = client.post("/api/setout/read", content=body)
        assert response.status_code == 422, body[:40]
        assert says in response.json()["detail"]
        assert response.json()["detail"].endswith((".", "?"))


def strokes(body: bytes) -> list[tuple[float, float, float, float]]:
    """Straight lines of a page, and the ends of its curves, in millimetres."""
    page = PdfReader(io.BytesIO(body)).pages[0]
    found, at, first = [], (0.0, 0.0), (0.0, 0.0)
    for operands, operator in ContentStream(page.get_contents(), page.pdf).operations:
        values = [float(v) * 25.4 / 72 for v in operands if isinstance(v, (int, float))]
        if operator == b"m":
            at = first = (values[0], values[1])
        elif operator == b"l":
            found.append((*at, values[0], values[1]))
            at = (values[0], values[1])
        elif operator == b"c":
            found.append((*at, values[4], values[5]))
            at = (values[4], values[5])
        elif operator == b"h":
            at = first
    return found


@pytest.mark.parametrize("paper", ["a4", "letter"])
def test_a_printed_template_is_true_to_a_tenth(client: TestClient, paper: str) -> None:
    """The page's own drawing read back: the bar, and from cross to cross."""
    body = got(client, "circle", "pdf", **SIX, paper=paper).content
    lines = strokes(body)
    bar = [s for s in lines if abs(hypot(s[2] - s[0], s[3] - s[1]) - 100) < 0.01]
    assert len(bar) == 1
    arm = 3.2 / 2 + 1.5
    across = [s for s in lines if abs(s[1] - s[3]) < 1e-6 and abs(s[2] - s[0] - 2 * arm) < 1e-3]
    middles = [((s[0] + s[2]) / 2, s[1]) for s in across]
    assert len(middles) == 6
    centre = np.mean(middles, axis=0)
    assert same_places(np.array(middles) - centre, on_a_circle(6, 31, 0), 0.1)
    wide, high = (float(v) * 25.4 / 72 for v in PdfReader(io.BytesIO(body)).pages[0].mediabox[2:])
    for x, y in ((s[0], s[1]) for s in lines):
        assert 9.9 < x < wide - 9.9
        assert 9.9 < y < high - 9.9


def test_a_template_as_svg_is_in_millimetres(client: TestClient) -> None:
    root = ET.fromstring(got(client, "circle", "svg", **EDGED).text)
    view = [float(v) for v in root.attrib["viewBox"].split()]
    assert root.attrib["width"] == f"{view[2]:.3f}mm"
    holes = [e for e in root.iter() if e.get("class") == "hole"]
    at = np.array([(float(e.get("cx", 0)), -float(e.get("cy", 0))) for e in holes])
    want = on_a_circle(8, 39, 22.5, 30, 25)
    assert same_places(at - at.mean(axis=0), want - want.mean(axis=0), 1e-3)
    (bar,) = [e for e in root.iter() if e.get("class") == "bar"]
    assert "h100" in bar.attrib["d"]


def test_what_is_larger_than_the_paper_is_said(client: TestClient) -> None:
    wrong = refused(client, "circle", "pdf", count="6", circle="400", hole="5")
    assert "print it larger" in wrong["detail"]
    assert refused(client, "circle", "pdf", **SIX, paper="a0")["field"] == "paper"


def test_drilling_code_goes_to_each_hole_and_nowhere_else(client: TestClient) -> None:
    run = got(client, "circle", "dry-run", **EDGED, **TELLING).json()
    assert run["compared"] == {"agrees": True, "says": "8 holes, each where it was asked."}
    one = Controller().run(run["code"])
    assert one.ended
    assert not one.running
    bottoms = [p for g, p in one.track if g == "G1" and p[2] == pytest.approx(-5)]
    assert same_places([p[:2] for p in bottoms], on_a_circle(8, 39, 22.5, 30, 25), 1e-3)
    before = (0.0, 0.0, 0.0)
    for g, p in one.track:
        # Sideways only over the work.
        assert hypot(p[0] - before[0], p[1] - before[1]) < 1e-9 or min(p[2], before[2]) >= 1
        assert g != "G0" or p[2] > -1e-9 or p[:2] == before[:2]
        before = p


def test_a_deep_hole_is_pecked_a_diameter_at_a_time(client: TestClient) -> None:
    told = {**EDGED, **TELLING, "drill_deep": "20"}
    code = got(client, "circle", "code", **told).text
    assert re.search(r"G98 G83 Q4\. ", code)
    downs = [p[2] for g, p in Controller().run(code).track if g == "G1"]
    assert downs[:6] == pytest.approx([-3, -7, -11, -15, -19, -20])
    assert "G81" in got(client, "circle", "code", **EDGED, **TELLING).text


@pytest.mark.parametrize("leave", [None, "0.2"])
def test_a_profiles_code_keeps_its_distance_all_the_way(
    client: TestClient, leave: str | None
) -> None:
    """The rim of the cutter touches the profile at the last round, and never before it."""
    typed = {**LINK, "deep": "3", "each": "1", **({"leave": leave} if leave else {})}
    run = got(client, "path", "dry-run", **typed, metal="brass", safe="20").json()
    assert run["compared"]["agrees"], run["compared"]
    one = Controller().run(run["code"])
    profile = profile_of(read_question(CATALOGUE["path"], typed, PageUnit.MM, WORKSHOP).question)
    under = [p for g, p in one.track if g in ("G1", "G2", "G3") and p[2] < 0]
    near = nearest_mm(np.array([p[:2] for p in under]), profile)
    assert near.min() == pytest.approx(3, abs=2e-3)
    assert min(p[2] for p in under) == pytest.approx(-3)
    rough = np.array([n for n, p in zip(near, under, strict=True) if p[2] > -2.5])
    assert rough == pytest.approx(3 + float(leave or 0), abs=2e-3)
    # It travels where the person said, and nowhere lower before it is over its first place.
    assert one.track[0] == ("G0", (0, 0, 20))
    assert one.at[2] == 20
    # Against the feed round the outside is anticlockwise; the last round goes the other way.
    ring = np.array([p[:2] for p in under if p[2] > -1])
    turned = np.sum(ring[:-1, 0] * ring[1:, 1] - ring[1:, 0] * ring[:-1, 1])
    assert turned > 0


@pytest.mark.parametrize(
    ("name", "asked", "field", "says"),
    [
        ("circle", {**SIX, "metal": "brass"}, "deep", "How deep"),
        ("circle", {**SIX, "drill_deep": "5"}, "metal", "Which metal"),
        ("circle", {**SIX, "metal": "brass", "drill_deep": "5"}, "safe", "How high"),
        ("circle", {**SIX, **TELLING, "safe": "1"}, "safe", "How high"),
        ("path", {**LINK, "deep": "5", "metal": "brass", "safe": "20"}, "each", "several times"),
        ("circle", {"count": "6", "circle": "31", **TELLING}, "hole", "A drill has a size"),
        ("circle", {**SIX, **TELLING, "machine": "lathe"}, "machine", "moved by numbers"),
        ("circle", {**SIX, **TELLING, "machine": "robot"}, "machine", "no machine called"),
        ("circle", {**SIX, **TELLING, "drill_deep": "deep"}, "drill_deep", ""),
        ("circle", {**SIX, "circle": "24", **TELLING}, None, "Not as it stands"),
        ("path", {**LINK, "metal": "brass"}, "deep", "How deep"),
        ("path", {**LINK, "colour": "red"}, "colour", "no field called"),
        ("gear", {"teeth": "22", "module": "1.25"}, "calculator", "draws nothing"),
    ],
)
def test_code_that_cannot_be_written_says_what_is_wanted(
    client: TestClient, name: str, asked: dict[str, str], field: str | None, says: str
) -> None:
    wrong = refused(client, name, "code", **asked)
    assert wrong["field"] == field
    assert says in wrong["detail"]


def test_words_of_a_title_cannot_become_code(client: TestClient) -> None:
    spots = "a 10, 5; b 20, 5"
    code = got(client, "circle", "code", pattern="points", spots=spots, hole="3", **TELLING).text
    assert all(line.isascii() for line in code.splitlines())
    assert code.count("(") == code.count(")")
    Controller().run(code)


def test_a_thousand_holes_are_written_whole(client: TestClient) -> None:
    asked = {"count": "1000", "circle": "900", "hole": "1", **TELLING}
    run = got(client, "circle", "dry-run", **asked).json()
    assert run["compared"]["agrees"]
    bottoms = [p for g, p in Controller().run(run["code"]).track if g == "G1" and p[2] < -4.999]
    want = [(450 * cos(2 * pi * n / 1000), 450 * sin(2 * pi * n / 1000)) for n in range(1000)]
    assert same_places([p[:2] for p in bottoms], want, 1e-3)
