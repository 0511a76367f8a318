"""The newer rooms away from the desk: a phone, an inch page, a server that goes, two windows."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import PHONE, Opens
from tests.browser.serving import Server

pytestmark = pytest.mark.browser


def room(page: Page, text: str | re.Pattern[str]) -> None:
    expect(page.locator("#room")).to_contain_text(text)


@pytest.fixture
def phone(browsing: Opens) -> Page:
    """A phone in a dirty hand."""
    return browsing(**PHONE).new_page()


def test_a_reading_on_a_phone_by_the_pad(phone: Page) -> None:
    phone.goto("/to-size")
    phone.get_by_role("button", name="Start this cut").tap()
    field = phone.get_by_label("What does it measure now?")
    # The plate is what is seen first: no pad comes up by itself.
    expect(phone.get_by_role("group", name="Keys for a size")).to_have_count(0)
    field.tap()
    pad = phone.get_by_role("group", name="Keys for a size")
    for key in ("7", ".", "6", "6"):
        pad.get_by_role("button", name=key, exact=True).tap()
    expect(field).to_have_value("7.66")
    pad.get_by_role("button", name="Done").tap()
    phone.get_by_role("button", name="Record").tap()
    expect(phone.get_by_role("row").filter(has_text="rough")).to_contain_text("7.660")


def test_a_thread_on_a_phone_by_the_pad(phone: Page) -> None:
    phone.goto("/threads/clearance")
    room(phone, "#26")
    phone.get_by_role("button", name=re.compile("Change")).tap()
    field = phone.get_by_label("thread", exact=True)
    field.tap()
    pad = phone.get_by_role("group", name="Keys for a size")
    for key in ("Clear", "2", "BA"):
        pad.get_by_role("button", name=key, exact=True).tap()
    room(phone, "#11")


def test_an_inch_page_says_and_reads_inches(page: Page) -> None:
    page.goto("/to-size")
    room(page, "Wind on")
    page.get_by_role("button", name="inch", exact=True).click()
    # What was typed as 8 mm goes on meaning it.
    expect(page.get_by_label("size now")).to_have_value("8 mm")
    page.get_by_role("button", name="Start this cut").click()
    room(page, re.compile(r"Then measures\s*0\.30"))
    page.get_by_label("What does it measure now?").fill(".3016")
    page.keyboard.press("Enter")
    expect(page.get_by_role("row").filter(has_text="rough")).to_contain_text("7.661")
    page.goto("/threads/cover")
    page.get_by_label("pressure", exact=True).fill("80")
    room(page, re.compile(r"Lifting the cover\s*191"))


def test_a_server_that_goes_loses_no_reading(page: Page, server: Server) -> None:
    page.goto("/to-size")
    page.get_by_role("button", name="Start this cut").click()
    field = page.get_by_label("What does it measure now?")
    expect(field).to_be_focused()
    server.stop()
    field.fill("7.66")
    page.keyboard.press("Enter")
    expect(page.get_by_text("nothing is recorded yet")).to_be_visible()
    expect(field).to_have_value("7.66")
    server.start()
    page.keyboard.press("Enter")
    row = page.get_by_role("row").filter(has_text="rough")
    expect(row).to_contain_text("7.660")
    expect(row).to_have_count(1)


def test_two_windows_mark_one_drill(page: Page) -> None:
    page.goto("/trays")
    other = page.context.new_page()
    other.goto("/trays")
    drill = re.compile(r"^5\.9 mm")
    other.get_by_role("button", name=drill).click()
    expect(other.get_by_role("button", name=drill)).to_contain_text("missing")
    page.get_by_role("radio", name="bent").click()
    page.get_by_role("button", name=drill).click()
    expect(page.get_by_role("alert")).to_contain_text("another window")
    expect(page.get_by_role("button", name=drill)).to_contain_text("missing")


def test_cuts_are_thrown_away_and_brought_back(page: Page) -> None:
    page.goto("/to-size")
    room(page, "None yet")
    page.get_by_role("button", name="Start this cut").click()
    expect(page.get_by_label("What does it measure now?")).to_be_visible()
    page.get_by_role("link", name="All cuts").click()
    cut = page.get_by_role("link", name=re.compile("silver steel from 8 mm"))
    expect(cut).to_contain_text("left")
    page.get_by_role("button", name=re.compile("^Throw away")).click()
    expect(cut).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(cut).to_have_count(1)
    page.goto("/to-size/999")
    expect(page.get_by_role("alert")).to_contain_text("no longer kept")


def test_a_groove_is_plunged_and_then_followed_to_its_width(page: Page) -> None:
    page.goto("/to-size")
    page.get_by_role("combobox", name=re.compile("^job")).click()
    page.get_by_role("option", name="Cut a groove").click()
    # The shaft's limits went with the shaft.
    page.get_by_role("button", name="Say more").click()
    expect(page.get_by_label("smallest allowed")).to_have_value("")
    page.get_by_label("size now").fill("22")
    page.get_by_label("size wanted").fill("3")
    page.get_by_label("smallest allowed").fill("2.98")
    page.get_by_label("largest allowed").fill("3.02")
    page.get_by_label("depth of the groove").fill("1.5")
    page.get_by_label("width of the tool").fill("4")
    expect(page.get_by_role("alert")).to_contain_text("cannot cut a groove")
    page.get_by_label("width of the tool").fill("2")
    expect(page.get_by_role("alert")).to_have_count(0)
    room(page, "All 4 passes")
    page.get_by_role("button", name="Start this cut").click()
    room(page, "Plunge at 96 (4 back)")
    page.get_by_label("What does it measure now?").fill("2.93")
    page.keyboard.press("Enter")
    expect(page.get_by_role("row").filter(has_text="first")).to_contain_text("2.930")
    room(page, re.compile(r"Wind on, in divisions\s*\d+"))
