"""A Stop in the browser: what to do instead is the largest, in the room, at the bench, in Ask."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

pytestmark = pytest.mark.browser


def asked(page: Page, line: str) -> None:
    """Type a line into Ask and wait for its own answer."""
    page.goto("/speeds")
    expect(page.get_by_text("rev/min").first).to_be_visible()
    page.keyboard.press("Control+k")
    page.get_by_label("Ask in plain words, in any order").fill(line)


def size_of(page: Page, text: str, *, exact: bool = True) -> float:
    """How large a text is drawn, in pixels, on what lies uppermost."""
    found = page.get_by_text(text, exact=exact).last
    return float(found.evaluate("one => parseFloat(getComputedStyle(one).fontSize)"))


def test_long_work_is_told_what_to_do_instead_and_no_number_is_as_large(page: Page) -> None:
    asked(page, "turn 6 mm brass 400 mm out")
    expect(page.get_by_role("dialog")).to_contain_text("Stop: give its end a centre")
    page.keyboard.press("Enter")
    alert = page.get_by_role("alert")
    expect(alert).to_contain_text("Give its end a centre, or hold it shorter")
    expect(alert).to_contain_text("67 times as long as thick")
    expect(page.locator("#room")).to_contain_text("Not to be set")
    assert size_of(page, "Give its end a centre, or hold it shorter") > size_of(page, "290")


def test_the_bench_begins_with_the_stop(page: Page) -> None:
    asked(page, "turn 6 mm brass 400 mm out")
    expect(page.get_by_role("dialog")).to_contain_text("Stop: give its end")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_be_visible()
    page.locator("body").press("b")
    bench = page.get_by_role("dialog")
    expect(bench).to_contain_text("Give its end a centre, or hold it shorter")
    bench.get_by_role("button", name="Done, next").click()
    expect(bench).to_contain_text("Put the belt on")


def test_put_right_the_stop_goes_and_the_number_is_large_again(page: Page) -> None:
    asked(page, "turn 6 mm brass 400 mm out")
    expect(page.get_by_role("dialog")).to_contain_text("Stop: give its end")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_be_visible()
    page.get_by_label("overhang").fill("20 mm")
    expect(page.get_by_role("alert")).to_have_count(0)
    expect(page.locator("#room")).not_to_contain_text("Not to be set")


def test_a_plan_that_cannot_be_held_is_stopped_before_it_is_started(page: Page) -> None:
    page.goto("/to-size")
    page.get_by_label("size now").fill("10")
    page.get_by_label("size wanted").fill("6")
    page.get_by_label("smallest allowed").fill("5.98")
    page.get_by_label("largest allowed").fill("6.02")
    page.get_by_label("overhang").fill("70 mm")
    expect(page.get_by_role("alert")).to_contain_text("centre, or hold it shorter")
    page.get_by_label("overhang").fill("30 mm")
    expect(page.get_by_role("alert")).to_have_count(0)


def test_a_followed_cut_with_a_stop_shows_it_first_at_the_bench_too(page: Page) -> None:
    page.goto("/to-size")
    page.get_by_label("size now").fill("10")
    page.get_by_label("size wanted").fill("6")
    page.get_by_label("smallest allowed").fill("5.98")
    page.get_by_label("largest allowed").fill("6.02")
    page.get_by_label("overhang").fill("70 mm")
    expect(page.get_by_role("alert")).to_be_visible()
    page.get_by_role("button", name="Start this cut").click()
    expect(page).to_have_url(re.compile(r"/to-size/\d+$"))
    page.get_by_role("button", name="Bench view").click()
    bench = page.get_by_role("dialog")
    expect(bench).to_contain_text("Not to be set: Wind on")
    large = size_of(page, "Give its end a centre, or hold it shorter")
    assert large > 2 * size_of(page, "Not to be set: Wind on", exact=False)


def test_which_way_and_why_is_asked_and_found_again_in_its_room(page: Page) -> None:
    asked(page, "scriber or indicator for a rough casting")
    expect(page.get_by_role("dialog")).to_contain_text("A scriber for a rough casting")
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("/faults/why$"))
    question = page.get_by_label("question", exact=True)
    expect(question).to_have_value("scriber or indicator for a rough casting")
    question.fill("is the moon made of cheese")
    expect(page.locator("#room")).to_contain_text("Nothing I know speaks of that")
    question.fill("back gear as spindle lock")
    expect(page.locator("#room")).to_contain_text("Never lock the spindle")


def test_a_screws_seat_is_drawn_and_stepped_through(page: Page) -> None:
    asked(page, "counterbore for M4 cap head aluminium 12 thick")
    expect(page.get_by_role("dialog")).to_contain_text("4.5 mm")
    page.keyboard.press("Enter")
    steps = page.get_by_role("list", name="Tools in their turn").get_by_role("button")
    expect(steps).to_have_count(3)
    steps.nth(2).click()
    expect(page.locator("#room")).to_contain_text("8 mm end mill")
    expect(page.locator("#room")).to_contain_text(re.compile(r"Left under the head\s*7.60"))


def test_on_a_phone_the_tab_one_is_on_is_in_sight(page: Page) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto("/threads/sizes")
    here = page.get_by_role("navigation", name="In Threads").get_by_text("Sizes", exact=True)
    expect(here).to_be_in_viewport()
