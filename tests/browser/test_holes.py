"""Holes in the browser: tool by tool, on the bench, the trays, a table brought in."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

pytestmark = pytest.mark.browser


def room(page: Page, text: str | re.Pattern[str]) -> None:
    expect(page.locator("#room")).to_contain_text(text)


def test_a_hole_tool_by_tool_and_on_the_bench(page: Page) -> None:
    page.goto("/holes")
    steps = page.get_by_role("list", name="Tools in their turn").get_by_role("button")
    expect(steps).to_have_count(3)
    steps.nth(1).click()
    expect(steps.nth(1)).to_have_attribute("aria-current", "step")
    room(page, "2 of 3: Last drill")
    room(page, re.compile(r"8 turns and 57 1/4 of the tailstock"))
    expect(page.get_by_role("img", name="Section of a 6.00 mm hole after 5.9 mm")).to_be_visible()
    page.get_by_label("size of hole").blur()
    page.keyboard.press("b")
    bench = page.get_by_role("dialog")
    bench.get_by_role("button", name="Done, next").click()
    expect(bench).to_contain_text("Next: ream with the 6 mm machine reamer")
    bench.get_by_role("button", name="Done, next").click()
    bench.get_by_role("button", name="Done").click()
    expect(bench).to_have_count(0)


def test_what_these_tools_cannot_make_is_refused_and_kept(page: Page) -> None:
    page.goto("/holes")
    size = page.get_by_label("size of hole")
    size.fill("7")
    expect(page.get_by_role("alert")).to_contain_text("no 7 mm machine reamer")
    expect(size).to_have_value("7")
    page.get_by_label("depth", exact=True).fill("30")
    size.fill("6")
    expect(page.get_by_role("alert")).to_contain_text("through hole")
    page.get_by_label("depth", exact=True).fill("18")
    expect(page.get_by_role("alert")).to_have_count(0)


def test_a_click_marks_a_drill_and_the_hole_takes_another(page: Page) -> None:
    page.goto("/trays")
    drill = page.get_by_role("button", name=re.compile(r"^5\.9 mm"))
    drill.click()
    expect(drill).to_contain_text("missing")
    page.goto("/holes")
    steps = page.get_by_role("list", name="Tools in their turn")
    expect(steps).not_to_contain_text("5.9 mm")
    expect(steps).to_contain_text("machine reamer")
    page.goto("/trays")
    page.get_by_role("radio", name="blunt").click()
    drill.click()
    expect(drill).to_contain_text("blunt")
    page.get_by_role("button", name="Undo").click()
    expect(drill).to_contain_text("missing")
    drill.click()
    drill.click()
    expect(drill).to_contain_text("5.90")


def test_a_table_is_brought_in_or_its_wrong_line_named(page: Page, tmp_path: Path) -> None:
    page.goto("/trays")
    with page.expect_download() as caught:
        page.get_by_role("link", name="Save as CSV").click()
    table = Path(caught.value.path()).read_text(encoding="utf-8-sig")
    good, bad = tmp_path / "mine.csv", tmp_path / "half.csv"
    good.write_text(table + "reamer,hand,9 mm,9,sound,,30,,,,,\n", encoding="utf-8")
    bad.write_text(table + "reamer,hand,21 mm,21,sou", encoding="utf-8")
    chooser = page.get_by_label("CSV file")
    chooser.set_input_files(bad)
    expect(page.get_by_role("alert")).to_contain_text(re.compile(r"Line \d+ .*Nothing was changed"))
    chooser.set_input_files(good)
    expect(page.get_by_text("brought in from mine.csv")).to_be_visible()
    expect(page.get_by_role("button", name=re.compile(r"^9 mm lead 30"))).to_be_visible()
    expect(page.get_by_role("button", name=re.compile(r"^21 mm"))).to_have_count(0)


def test_a_tool_is_added_and_taken_out_again(page: Page) -> None:
    page.goto("/trays")
    page.get_by_label("Size", exact=True).fill("7/")
    page.get_by_role("button", name="Add it").click()
    expect(page.get_by_role("alert")).to_contain_text("unfinished fraction")
    page.get_by_label("Size", exact=True).fill('7/16"')
    page.get_by_label("Length of its lead").fill("2")
    page.get_by_role("button", name="Add it").click()
    tool = page.get_by_role("button", name=re.compile(r"^7.16 in"))
    expect(tool).to_be_visible()
    page.get_by_label("Tool to take out").select_option(label="reamer 7/16 in")
    page.get_by_role("button", name="Take it out").click()
    expect(tool).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(tool).to_be_visible()


def test_any_length_offers_what_is_owned(page: Page) -> None:
    page.goto("/speeds")
    field = page.get_by_label("diameter", exact=True)
    field.fill("4.37 mm")
    page.get_by_role("button", name="Nearest owned to 4.37 mm").click()
    owned = page.get_by_role("group", name="Owned near 4.37 mm")
    owned.get_by_role("button", name=re.compile("^11.64")).click()
    expect(field).to_have_value('11/64"')
    page.keyboard.press("Control+k")
    page.get_by_label("Ask in plain words, in any order").fill("stop depth 12 with a 3 mm drill")
    expect(page.get_by_role("dialog")).to_contain_text("5 turns and 8")
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("/holes/depth$"))
    room(page, "Touch, then go to 5 turns and 8 of the tailstock")


def test_the_wall_of_an_angled_passage(page: Page) -> None:
    page.goto("/holes/angled")
    room(page, "Wall left beside it")
    page.get_by_label("angle").fill("60")
    expect(page.get_by_role("alert")).to_contain_text("never meets")
    page.get_by_label("angle").fill("50")
    room(page, "Its mouth")
    page.get_by_role("button", name="The drills for it").click()
    expect(page).to_have_url(re.compile("/holes$"))
    room(page, "Mill a flat with the")
