"""The Fits room: limits of both parts, changed by a class, handed on to the plan of a cut."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page, expect

pytestmark = pytest.mark.browser


def test_a_fit_is_asked_changed_and_turned_to(page: Page) -> None:
    page.goto("/speeds")
    expect(page.get_by_text("rev/min").first).to_be_visible()
    page.keyboard.press("Control+k")
    page.get_by_label("Ask in plain words, in any order").fill("22 H7/g6")
    expect(page.get_by_role("dialog")).to_contain_text("hole 22.000 to 22.021 mm")
    page.keyboard.press("Enter")
    room = page.locator("#room")
    expect(room).to_contain_text("clearance: 0.007 to 0.041 mm")
    expect(page.get_by_role("img", name="Hole 22.000 to 22.021, shaft 21.980")).to_be_visible()
    page.get_by_label("class of the shaft").fill("p6")
    expect(room).to_contain_text("interference: 0.001 to 0.035 mm")
    page.get_by_label("class of the shaft").fill("z99")
    expect(page.get_by_role("alert")).to_contain_text("no class z")
    page.get_by_label("class of the shaft").fill("g6")
    page.get_by_role("button", name="Turn the shaft to these limits").click()
    expect(page.get_by_label("smallest allowed")).to_have_value("21.9800 mm")
    expect(page.get_by_label("largest allowed")).to_have_value("21.9930 mm")


def test_a_fit_finer_than_it_can_be_measured_is_one_size(page: Page) -> None:
    """Limits nobody turns to are not the largest thing on the plate."""
    page.goto("/fits")
    expect(page.get_by_text("mm smallest").first).to_be_visible()
    page.keyboard.press("Control+k")
    page.get_by_label("Ask in plain words, in any order").fill("push fit 5 mm")
    expect(page.get_by_role("dialog")).to_contain_text("made to its mate")
    page.keyboard.press("Enter")
    room = page.locator("#room")
    expect(room.get_by_text("size to size to 0.0025 mm tight", exact=True)).to_be_visible()
    expect(room).to_contain_text("Hole 5.0000 to 5.0013, shaft 5.0013 to 5.0025 mm")
    expect(room.get_by_text("mm smallest")).to_have_count(0)
