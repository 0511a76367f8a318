"""A mate followed in the browser, and two parts warmed by a slider."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

pytestmark = pytest.mark.browser


def test_a_shaft_is_brought_to_its_bore_and_its_cut_comes_back(page: Page) -> None:
    page.goto("/fits/mate")
    room = page.locator("#room")
    expect(room).to_contain_text("8 1/4 divisions in all")
    page.get_by_role("button", name="Follow this mate").click()
    field = page.get_by_label("What does the shaft measure?")
    field.fill("0.88")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("inches taken for millimetres")
    expect(field).to_have_value("0.88")
    field.fill("22.30, 22.31; 22.30")
    page.keyboard.press("Enter")
    expect(room).to_contain_text("tight by 0.308 mm")
    page.get_by_role("button", name=re.compile("Bench view")).click()
    bench = page.get_by_role("dialog")
    expect(bench).to_contain_text("0.334")
    bench.get_by_role("button", name="Undo the last").click()
    expect(bench).to_contain_text("0.424")
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Turn it, pass by pass").click()
    now = page.get_by_label("What does it measure now?")
    now.fill("21.973")
    page.keyboard.press("Enter")
    page.get_by_role("button", name=re.compile("is right")).click()
    expect(page.get_by_role("row").filter(has_text="21.973")).to_be_visible()
    page.get_by_role("link", name="Back to its mate").click()
    expect(room).to_contain_text("It fits")
    expect(room).to_contain_text("a burr")
    page.get_by_role("link", name="All mates").click()
    expect(page.get_by_role("region", name="Mates under way")).to_contain_text(
        "A shaft to a 22.002"
    )


def test_the_gauge_of_the_simulated_lathe_is_read_at_the_mate(page: Page) -> None:
    page.goto("/fits/mate")
    page.get_by_role("button", name="Follow this mate").click()
    page.get_by_role("button", name="On the simulated lathe").click()
    page.get_by_role("button", name=re.compile("Make the pass, read the gauge")).click()
    expect(page.get_by_role("row").filter(has_text="rough")).to_be_visible()
    page.get_by_role("link", name="Back to its mate").click()
    expect(page.get_by_text("As last read at")).to_be_visible()
    page.get_by_role("button", name=re.compile("Read the gauge")).click()
    expect(page.locator("#room")).to_contain_text("Still to come off")


def test_past_its_limit_the_ways_out_are_told_first(page: Page) -> None:
    page.goto("/fits/mate")
    page.get_by_label("the other, as it measures now").fill("21.90")
    expect(page.get_by_role("alert")).to_contain_text("Cut no more")
    expect(page.get_by_role("row").filter(has_text="sleeve the hole")).to_be_visible()
    page.get_by_label("readings of what is there").fill("22.01; 22.02; 0.8665; 22.00; 22.01")
    expect(page.get_by_text("It looks like inches taken for millimetres").first).to_be_visible()


def test_a_slider_warms_both_parts(page: Page) -> None:
    page.goto("/fits/warm")
    slider = page.get_by_role("slider")
    expect(slider).to_be_visible()
    warm = slider.get_attribute("aria-valuetext")
    slider.focus()
    page.keyboard.press("Home")
    expect(slider).to_have_attribute("aria-valuetext", "0.088 mm free")
    assert warm != "0.088 mm free"
    page.get_by_role("button", name="inch", exact=True).click()
    expect(slider).to_have_attribute("aria-valuetext", re.compile("in free"))


def test_named_readings_go_on_meaning_millimetres_on_an_inch_page(page: Page) -> None:
    page.goto("/fits/mate")
    readings = page.get_by_label("readings of what is there")
    readings.fill("top 22.012, 22.008 and 22.01; bottom: 22,006")
    page.get_by_role("button", name="inch", exact=True).click()
    meant = "top 22.012 mm, 22.008 mm and 22.01 mm; bottom: 22,006 mm"
    expect(readings).to_have_value(meant)
    expect(page.get_by_role("img", name="Hole and shaft")).to_contain_text("0.8664")
