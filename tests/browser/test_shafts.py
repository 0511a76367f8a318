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


def test_a_chain_is_typed_followed_and_keeps_its_unit(page: Page) -> None:
    """A list on several lines, a link that carries it, bare numbers that go on meaning what they did."""
    page.goto("/shafts/budget")
    room = page.locator("#room")
    expect(room.get_by_role("img", name="8 things take 51.200 of 60.000")).to_be_visible()
    along = page.get_by_label("what sits along it")
    along.fill("2 x bearing 8; eccentric 10; boss 33.6 +0 -0.05")
    page.get_by_label("which of them").fill("boss")
    page.get_by_label("its line, from the left frame").fill("42.8875")
    expect(room).to_contain_text("A washer of 0.100 mm on the left of the boss puts it on its line")
    page.get_by_role("button", name="inch").click()
    expect(along).to_have_value("2 x bearing 8; eccentric 10; boss 33.6 +0 -0.05 (mm)")
    expect(room).to_contain_text('A washer of 0.0039" on the left of the boss')
    page.get_by_role("button", name="mm", exact=True).click()
    page.get_by_role("button", name="Its end float, and the shims that close it").click()
    expect(page.get_by_label("what stands between them")).to_have_value(
        "2 x bearing 8.0000 mm; eccentric 10.0000 mm; boss 33.5500 mm +0.0500 mm -0"
    )
    expect(room).to_contain_text("Put in")
    page.get_by_role("button", name="Say more").click()
    page.get_by_label("shims to hand").fill("0.1, 0.25")
    expect(room).to_contain_text("Of those to hand: 0.1 mm + 0.1 mm + 0.1 mm")
    expect(page.get_by_role("img", name="A million drawn")).to_be_visible()
    page.get_by_label("what stands between them").fill("70")
    expect(page.get_by_role("alert")).to_contain_text("Face 10.102 mm off")


def test_pairs_and_orders_are_asked_in_a_line(page: Page) -> None:
    page.goto("/fits/pairs")
    room = page.locator("#room")
    expect(page.get_by_role("img", name="3 pairs, 1 left over")).to_be_visible()
    for line, says in (
        ("how many will fit: bore 22 +0.02 -0, piston 21.97 +0 -0.02, 6 of each", "25"),
        ("built up crank stroke 24 main 8 pin 7 cylinder 22 at 80 psi", "the cylinder asks"),
        ("make a piston 22 bore 4 rod", "Drill #38 and tap M3"),
        ("o-ring round a 4 mm rod", "Floor of the groove"),
        ("dog clutch 20 outside 8 bore", "Mill past the middle by"),
    ):
        page.keyboard.press("Control+k")
        page.get_by_label("Ask in plain words, in any order").fill(line)
        expect(page.get_by_role("dialog").get_by_role("button", name="Open")).to_be_visible()
        page.keyboard.press("Enter")
        expect(page.get_by_role("dialog")).to_have_count(0)
        expect(room).to_contain_text(says)
