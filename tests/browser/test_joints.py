"""Press, shrink and bond in the browser: one joint handed round, refused, kept and found again."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

pytestmark = pytest.mark.browser


def test_one_joint_is_handed_from_way_to_way(page: Page) -> None:
    page.goto("/fits/press")
    room = page.locator("#room")
    expect(room).to_contain_text("Squeezed in the vice")
    ways = page.get_by_role("table", name=re.compile("Ways of joining"))
    press = ways.get_by_role("row").filter(has_text="press fit").inner_text()
    page.get_by_role("button", name="The same by heat").click()
    expect(page.get_by_label("outside of the boss")).to_have_value("24.0000 mm")
    expect(room).to_contain_text("Heat the boss to")
    page.get_by_role("button", name="The same by compound").click()
    expect(page.get_by_label("length of the joint")).to_have_value("8.0000 mm")
    expect(room).to_contain_text("It holds a torque of")
    # The same joint has the same ways, wherever it is looked at.
    assert ways.get_by_role("row").filter(has_text="press fit").inner_text() == press


def test_a_boss_without_metal_is_refused_and_what_was_typed_stays(page: Page) -> None:
    page.goto("/fits/press")
    boss = page.get_by_label("outside of the boss")
    boss.fill("10 mm")
    expect(page.get_by_role("alert")).to_contain_text("no metal round")
    expect(boss).to_have_value("10 mm")
    boss.fill("13 mm")
    expect(page.get_by_role("alert")).to_have_count(0)
    page.get_by_role("button", name="Say more").click()
    page.get_by_label("interference", exact=True).fill("0.08")
    expect(page.get_by_role("alert")).to_contain_text("of interference at most")


def test_a_joint_is_kept_and_opened_again_on_an_inch_page(page: Page) -> None:
    page.goto("/fits/bond")
    expect(page.locator("#room")).to_contain_text("0.025")
    page.get_by_role("button", name=re.compile("Keep this")).click()
    page.get_by_role("button", name="inch", exact=True).click()
    expect(page.locator("#room")).to_contain_text("0.0010")
    page.goto("/slate")
    page.get_by_role("button", name=re.compile("^A joint of 11 mm")).first.click()
    expect(page.locator("#room")).to_contain_text("22.81")
