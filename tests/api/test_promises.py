"""The keys and words that files, scripts and other programs may count on."""

from __future__ import annotations

import json
import math
from typing import Any

import pytest

from runk.api.calculators import answer_typed
from runk.cli import document_for, main
from runk.core.catalogue import CATALOGUE
from runk.core.threads import threads
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

# line, calculator, keys its answer has, keys of each entry of a list in it
PROMISED: list[tuple[str, str, set[str], dict[str, set[str]]]] = [
    (
        "turn 16 to 14.5 mild steel",
        "plan",
        {"passes", "left_mm", "state"},
        {"passes": {"to_mm", "take_mm", "dial"}},
    ),
    (
        "6 mm reamed hole gunmetal 20 deep",
        "hole",
        {"drills", "ream_allowance_mm", "point_mm"},
        {"drills": {"name", "mm", "rpm"}},
    ),
    (
        "tap 4BA stainless 7 deep blind",
        "tap",
        {
            "drill_mm",
            "drill_name",
            "engagement_percent",
            "hole_depth_mm",
            "turns",
            "torque_nm",
            "break_torque_nm",
        },
        {"drills": {"name", "mm", "engagement_percent", "strength_percent"}},
    ),
    (
        "die M3 stainless 16 long",
        "die",
        {"blank_mm", "withdrawals", "clean_every_mm"},
        {"passes": {"says"}},
    ),
    ("thread 2BA", "thread", {"major_mm", "pitch_mm", "minor_mm", "depth_mm", "angle_deg"}, {}),
    ("clearance M3", "clearance", {"fine_mm", "medium_mm", "coarse_mm", "drill_name"}, {}),
    ("nearest drill 4.37", "nearest-drill", {"name", "mm"}, {"below": {"name", "mm", "off_mm"}}),
    ("stud M4 cover 5", "stud", {"length_mm", "engaged_mm", "weakest", "stock_mm"}, {}),
    ("cover M3 80 psi 22 bore", "cover", {"count", "load_n", "stress_n_per_mm2", "chord_mm"}, {}),
    ("tighten M4", "tighten", {"torque_nm", "pull_n"}, {}),
    (
        "which thread 4.65 mm 0.81 pitch",
        "which-thread",
        {"verdict"},
        {"candidates": {"name", "major_mm", "pitch_mm"}},
    ),
    ("stop depth 12", "depth", {"stop_mm", "travel_mm"}, {"stack": {"label", "mm"}}),
    (
        "angled hole 3 mm 30 degrees 12 across 20 room",
        "angled-hole",
        {"length_mm", "along_mm", "wall_mm", "travel_mm"},
        {},
    ),
]


def numbers(value: Any) -> list[float]:
    """Every number anywhere in a document."""
    if isinstance(value, bool):
        return []
    if isinstance(value, (int, float)):
        return [float(value)]
    parts = value.values() if isinstance(value, dict) else value if isinstance(value, list) else ()
    return [n for part in parts for n in numbers(part)]


@pytest.mark.parametrize(
    ("line", "calculator", "keys", "lists"), PROMISED, ids=[p[1] for p in PROMISED]
)
def test_the_keys_are_there_and_plain(
    line: str, calculator: str, keys: set[str], lists: dict[str, set[str]], workshop: Workshop
) -> None:
    document = document_for(line, workshop, PageUnit.MM)
    assert set(document) == {
        "calculator",
        "question",
        "answer",
        "figures",
        "cautions",
        "links",
        "read_as",
        "unused",
        "others",
    }
    assert document["calculator"] == calculator
    assert keys <= set(document["answer"])
    for name, inner in lists.items():
        assert document["answer"][name]
        for entry in document["answer"][name]:
            assert inner <= set(entry)
    text = json.dumps(document, allow_nan=False)
    assert json.loads(text) == document
    assert all(math.isfinite(n) for n in numbers(document))
    assert all(isinstance(c, str) for c in document["cautions"])


@pytest.mark.parametrize("line", [p[0] for p in PROMISED])
def test_the_shell_says_it_in_lines(line: str, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["ask", *line.split()]) == 0
    said = capsys.readouterr().out
    assert "<bound" not in said
    assert "None" not in said
    assert len(said.splitlines()) >= 4


@pytest.mark.parametrize("unit", list(PageUnit))
def test_every_thread_answers_on_either_page(unit: PageUnit, workshop: Workshop) -> None:
    """Every thread of every series through four calculators: an answer, or a sentence."""
    known = CATALOGUE
    refused = 0
    for thread in threads():
        for name in ("thread", "tap", "clearance", "die"):
            typed = {"thread": thread.name}
            try:
                reply = answer_typed(known[name], typed, unit, workshop)
            except Exception as failed:
                assert hasattr(failed, "says"), (name, thread.name, failed)
                refused += 1
                continue
            assert thread.name in reply["read_as"]
            assert all(math.isfinite(n) for n in numbers(reply["answer"]))
    # Only what these trays have no drill for.
    assert refused <= 24
