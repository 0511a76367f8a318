"""Sneaking up on a size: the plan, the readings, a slip, the gauge, the bench, practice."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import APIResponse, Page, Route, expect

from tests.browser.conftest import DESK, Opens
from tests.browser.serving import Server

pytestmark = pytest.mark.browser


def start(page: Page, *, simulated: bool = False) -> None:
    page.goto("/to-size")
    name = "Start it on the simulated lathe" if simulated else "Start this cut"
    page.get_by_role("button", name=name).click()
    expect(page).to_have_url(re.compile(r"/to-size/\d+$"))


def room(page: Page, text: str) -> None:
    expect(page.locator("#room")).to_contain_text(text)


def test_a_cut_typed_reading_by_reading_and_found_again(page: Page, server: Server) -> None:
    start(page)
    room(page, "Ink the work")
    field = page.get_by_label("What does it measure now?")
    # The field has the cursor from the start: a gauge that acts as a keyboard just types.
    expect(field).to_be_focused()
    page.keyboard.type("7.66")
    page.keyboard.press("Enter")
    row = page.get_by_role("row").filter(has_text="rough")
    expect(row).to_contain_text("7.660")
    expect(field).to_have_value("")
    expect(field).to_be_focused()
    server.stop()
    server.start()
    page.goto("/to-size")
    page.get_by_role("link", name=re.compile("silver steel from 8 mm to 7 mm")).click()
    expect(row).to_contain_text("7.660")
    page.get_by_role("button", name="Undo the last").click()
    expect(row).to_have_count(0)
    room(page, "Nothing measured yet")


def test_a_slip_is_asked_about_before_it_counts(page: Page) -> None:
    start(page)
    field = page.get_by_label("What does it measure now?")
    field.fill("3.83")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("radius")
    expect(field).to_have_value("3.83")
    room(page, "Nothing measured yet")
    page.get_by_role("button", name="It is 7.660 mm").click()
    expect(page.get_by_role("row").filter(has_text="rough")).to_contain_text("7.660")
    field.fill("6.9")
    page.keyboard.press("Enter")
    page.get_by_role("button", name="No, 6.9 is right").click()
    ways = page.get_by_role("region", name="Ways out")
    expect(ways).to_contain_text("a sleeve")
    room(page, "it is past its size")


def test_two_windows_on_one_cut(page: Page) -> None:
    start(page)
    other = page.context.new_page()
    other.goto(page.url)
    other.get_by_label("What does it measure now?").fill("7.66")
    other.keyboard.press("Enter")
    expect(other.get_by_role("row").filter(has_text="rough")).to_contain_text("7.660")
    mine = page.get_by_label("What does it measure now?")
    mine.fill("7.67")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("another window")
    # Theirs is shown, mine is still in the field.
    expect(page.get_by_role("row").filter(has_text="rough")).to_contain_text("7.660")
    expect(mine).to_have_value("7.67")


def test_the_gauge_finishes_it_by_one_key_on_the_bench(page: Page) -> None:
    start(page, simulated=True)
    page.get_by_label("What does it measure now?").blur()
    page.keyboard.press("g")
    expect(page.get_by_role("row").filter(has_text="rough")).to_have_count(1)
    page.keyboard.press("b")
    bench = page.get_by_role("dialog")
    gauge = bench.get_by_role("button", name="Read the gauge")
    for _ in range(20):
        # A press while the last is still under way does nothing: the button says so by its look.
        with page.expect_response(re.compile(r"/gauge$")) as told:
            gauge.click()
        ended = told.value.json()["answer"]["state"]
        if ended != "cut":
            break
    # The lathe is drawn by lot, and one in some ten goes past: what it came to is what is said.
    on_bench, in_room = {
        "inside": ("it is to size", "inside its limits"),
        "over": ("it is past its size", "it is past its size"),
    }[ended]
    expect(bench.get_by_text(on_bench)).to_be_visible()
    page.keyboard.press("Escape")
    room(page, in_room)


def test_an_older_look_at_the_cut_never_covers_a_newer_reading(page: Page) -> None:
    held: list[tuple[Route, APIResponse]] = []
    page.route(re.compile(r"/api/cuts/\d+$"), lambda route: held.append((route, route.fetch())))
    start(page, simulated=True)
    page.get_by_role("button", name="Make the pass, read the gauge").click()
    row = page.get_by_role("row").filter(has_text="rough")
    expect(row).to_have_count(1)
    assert held, "the room looks at the cut when it opens"
    for route, response in held:
        route.fulfill(response=response)
    page.get_by_role("button", name="Bench view").click()
    page.keyboard.press("Escape")
    expect(row).to_have_count(1)


def test_what_cannot_be_cut_keeps_what_was_typed(page: Page) -> None:
    page.goto("/to-size")
    wanted = page.get_by_label("size wanted")
    wanted.fill("9")
    expect(page.get_by_role("alert")).to_contain_text("outside its own limits")
    page.get_by_label("smallest allowed").fill("8.99")
    page.get_by_label("largest allowed").fill("9.01")
    expect(page.get_by_role("alert")).to_contain_text("Turning only makes it smaller")
    expect(wanted).to_have_value("9")
    wanted.fill("7")
    page.get_by_label("smallest allowed").fill("6.98")
    page.get_by_label("largest allowed").fill("7")
    expect(page.get_by_role("alert")).to_have_count(0)
    room(page, "All 4 passes")


def test_practice_with_and_without_advice(page: Page) -> None:
    page.goto("/practice")
    page.get_by_role("button", name="A stiff stub").click()
    do = page.get_by_role("button", name="Do just that, and measure")
    expect(do).to_be_enabled()
    rows = page.get_by_role("table", name="Done so far").locator("tbody tr")
    for number in range(1, 20):
        if not do.is_visible():
            break
        do.click()
        expect(rows).to_have_count(number)
        expect(page.get_by_role("button", name="Undo the last")).to_be_enabled()
    page.get_by_role("button", name="take it out").click()
    expect(page.get_by_role("status")).to_contain_text("points")
    page.get_by_role("button", name="Another piece").click()
    page.get_by_label("With Runk’s advice").uncheck()
    expect(do).to_have_count(0)
    field = page.get_by_label("Wind on, divisions")
    field.fill("ten")
    expect(page.get_by_role("alert")).to_contain_text("no number of divisions")
    field.fill("60")
    page.keyboard.press("Enter")
    # The tool has gone along: the dial stands where it was wound to.
    at_work = page.get_by_role("img", name="the dial stands at 60")
    expect(at_work).to_have_attribute("data-share", "1")
    expect(at_work.locator("[data-turn]")).to_have_attribute("data-turn", "216")
    page.get_by_role("button", name="take it out").click()
    expect(page.get_by_role("status")).to_contain_text("cannot be put back")
    back = page.get_by_role("region", name="Played back")
    expect(back).to_contain_text("Here it went. Wound on 60 divisions; the advice there was ")
    back.get_by_role("button", name="The move before").click()
    expect(back).to_contain_text("Before the first pass. It was truly 20.000 mm.")
    back.get_by_role("button", name="Where it went wrong").click()
    expect(back).to_contain_text("Move 1: wound on 60")


def test_practice_stands_still_for_who_wants_no_motion(browsing: Opens) -> None:
    page = browsing(**DESK, reduced_motion="reduce").new_page()
    page.goto("/practice")
    page.get_by_role("button", name="A bore on a long bar").click()
    page.get_by_label("Wind on, divisions").fill("6")
    page.evaluate(
        """() => {
          window.seen = [];
          new MutationObserver(() =>
            window.seen.push(document.querySelector('[data-share]')?.getAttribute('data-share')),
          ).observe(document.body, { subtree: true, attributes: true, attributeFilter: ['data-share'] });
        }"""
    )
    page.keyboard.press("Enter")
    expect(page.get_by_role("img", name="the dial stands at 94")).to_be_visible()
    assert page.evaluate("window.seen.filter(one => one !== '1')") == []
