"""The Shafts room: a ring that breaks is stopped, a throw doubled, a link followed to the shelf."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page, expect

pytestmark = pytest.mark.browser


def test_a_ring_and_a_throw_are_asked_and_followed(page: Page) -> None:
    page.goto("/shafts/ring")
    room = page.locator("#room")
    expect(page.get_by_role("img", name="Ring 0.846 thick")).to_be_visible()
    page.get_by_role("button", name="Say more").click()
    page.get_by_label("thickness of the ring").fill("1.4")
    expect(page.get_by_role("alert")).to_contain_text("Make it 0.87 mm thick at most")
    page.get_by_label("thickness of the ring").fill("0.85")
    expect(page.get_by_role("alert")).to_have_count(0)
    page.keyboard.press("Control+k")
    line = "100 thou offset in the three-jaw 1 inch bar"
    page.get_by_label("Ask in plain words, in any order").fill(line)
    expect(page.get_by_role("dialog")).to_contain_text("packing 3.791 mm")
    page.keyboard.press("Enter")
    expect(room).to_contain_text("twice the throw")
    page.get_by_role("button", name="Say more").click()
    page.get_by_label("pin or sheave").fill("8")
    page.get_by_label("main diameter").fill("10")
    page.get_by_role("button", name="The bar on the shelf that is nearest").click()
    expect(room).to_contain_text("20")
    page.goto("/shafts/keyway")
    page.get_by_role("button", name="The belt for it").click()
    expect(page.get_by_label("diameter", exact=True)).to_have_value("1.5875 mm")
