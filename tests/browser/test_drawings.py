"""The drawings say what the numbers say: belts on their own pulleys, the fan, the bars."""

from __future__ import annotations

import itertools
import json
from typing import Any

import pytest
from playwright.sync_api import Page, expect

pytestmark = pytest.mark.browser

# Turning mild steel between centres: a diameter for each belt of the demonstration's lathe.
BELTS = [
    ("165", "1", "back gear", 48),
    ("100", "2", "back gear", 83),
    ("60", "3", "back gear", 142),
    ("36", "4", "back gear", 245),
    ("30", "1", "direct", 290),
    ("18", "2", "direct", 500),
    ("10", "3", "direct", 860),
    ("5", "4", "direct", 1480),
]


def asked(page: Page, question: dict[str, str]) -> None:
    """Open the room with a question already typed."""
    text = json.dumps(json.dumps(question))
    page.add_init_script(f"localStorage.setItem('runk.question.speed', {text})")
    page.goto("/speeds")


def test_each_belt_is_drawn_on_its_own_step(page: Page) -> None:
    asked(
        page,
        {"operation": "turn", "diameter": "5", "metal": "mild-steel", "held": "between centres"},
    )
    room = page.locator("#room")
    for diameter, mark, gear, rpm in BELTS:
        page.get_by_label("diameter", exact=True).fill(diameter)
        expect(room.locator(".figures", has_text=str(rpm)).first).to_be_visible()
        expect(room).to_contain_text(f"Put the belt on{mark}{gear}")
        drawing = page.get_by_role("img", name=f"The belt on step {mark} of 4")
        expect(drawing).to_be_visible()
        # Two filled pulleys, one belt: as wide as the machine's own data, 43:97 on step 1.
        widths: list[float] = drawing.evaluate(
            "svg => [...svg.querySelectorAll('g[fill=\"var(--plate-ink)\"] rect')].map(r => +r.getAttribute('width'))"
        )
        driver = [43.0, 60.5, 79.5, 97.0][int(mark) - 1]
        driven = [97.0, 79.5, 60.5, 43.0][int(mark) - 1]
        assert widths[0] / widths[1] == pytest.approx(driver / driven, rel=1e-3)


def _boxes(page: Page, selector: str) -> list[dict[str, Any]]:
    boxes: list[dict[str, Any]] = page.evaluate(
        """selector => [...document.querySelectorAll(selector)].map(e => {
            const r = e.getBoundingClientRect();
            return {text: e.textContent, top: r.top, bottom: r.bottom, left: r.left, right: r.right};
        })""",
        selector,
    )
    return boxes


@pytest.mark.parametrize("width", [1280, 800, 390])
def test_no_two_speeds_of_the_fan_cover_each_other(page: Page, width: int) -> None:
    page.set_viewport_size({"width": width, "height": 900})
    page.goto("/speeds")
    expect(page.locator("figure svg")).to_be_visible()
    labels = list(_boxes(page, "figure svg text[text-anchor=end].figures"))
    assert {"245", "290", "1480"} <= {b["text"] for b in labels}
    labels.sort(key=lambda b: b["top"])
    for upper, lower in itertools.pairwise(labels):
        # Line boxes are taller than the figures in them; a quarter may overlap unseen.
        assert lower["top"] > upper["top"] + 0.6 * (upper["bottom"] - upper["top"])


def test_the_fan_marks_what_is_set(page: Page) -> None:
    page.goto("/speeds")
    fan = page.locator("figure svg")
    expect(fan).to_have_attribute(
        "aria-label",
        "At 15.9 millimetres the metal wants 1123 revolutions a minute and the machine is set to 860",
    )
    bold = fan.evaluate(
        "svg => [...svg.querySelectorAll('text.figures')].filter(t => t.getAttribute('font-weight') === '700').map(t => t.textContent)"
    )
    assert bold == ["860"]
    # The dot stands on the line of its own speed.
    dot = fan.evaluate("svg => +svg.querySelector('circle[r=\"8\"]').getAttribute('cy')")
    line = fan.evaluate(
        "svg => +svg.querySelector('line[stroke-width=\"2.5\"]').getAttribute('y1')"
    )
    assert dot == pytest.approx(line)


def test_a_variable_machine_shows_its_speed_largest(page: Page) -> None:
    page.goto("/workshop")
    page.get_by_role("button", name="Copy Lathe").click()
    page.get_by_label("Name", exact=True).fill("Drive lathe")
    for _ in range(8):
        page.get_by_role("button", name="Take out row 1 of Speeds").click()
    page.get_by_role("group", name="Or a range without steps").get_by_role(
        "button", name="Add a row"
    ).click()
    page.get_by_label("Slowest, rev/min, row 1").fill("60")
    page.get_by_label("Fastest, rev/min, row 1").fill("2500")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("article").filter(has_text="Drive lathe")).to_contain_text("60 to 2500")
    page.goto("/speeds")
    page.get_by_role("combobox", name="machine").click()
    page.get_by_role("option", name="Drive lathe").click()
    # The four-jaw of the copied machine may not pass 1000.
    expect(page.locator("#room")).to_contain_text("Set the spindle to1000")
    expect(page.locator("#room")).to_contain_text("four-jaw may turn at 1000 at most")


def test_a_long_answer_stays_on_its_page(page: Page) -> None:
    question = {
        "operation": "turn",
        "diameter": "1 1/4 + 7/64",
        "metal": "stainless-304",
        "overhang": "12 in",
        "held": "chuck and centre",
        "tool": "carbide",
        "meets": "interrupted",
        "surface": "skin",
        "set_up": "long",
        "alloy": "unknown",
        "depth": "20 thou",
        "length": "11 in",
        "finish": "0.8",
        "off_centre": "0.5",
        "tip_radius": "0.8",
    }
    page.set_viewport_size({"width": 390, "height": 844})
    asked(page, question)
    expect(page.locator("#room")).to_contain_text("Mind the skin")
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    page.get_by_role("button", name="Change").click()
    expect(page.get_by_label("overhang")).to_have_value("12 in")
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
