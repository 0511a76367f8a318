"""The first evening, the first engine, the first part: by keyboard alone and by touch alone.

Time is counted, not taken: five keys a second, five seconds' thought for each question that is
answered. The count of each journey stands in docs/testing.md.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import DESK, PHONE, Opens
from tests.browser.serving import Server

pytestmark = pytest.mark.browser
KEYS_A_SECOND, THOUGHT_S, TAP_S = 5.0, 5.0, 1.0


@dataclass
class Hand:
    """Somebody at the keyboard, or with a finger: what it takes is added up."""

    page: Page
    keys: int = 0
    questions: int = 0
    taps: int = 0

    def types(self, text: str, *ends: str) -> None:
        """An answer thought of and typed."""
        self.questions += 1
        self.keys += len(text)
        self.page.keyboard.type(text)
        for key in ends:
            self.press(key)

    def press(self, key: str) -> None:
        """One key."""
        self.keys += 1
        self.page.keyboard.press(key)

    def tabs_to(self, there: Locator) -> None:
        """Tab until the cursor is there."""
        expect(there).to_be_visible()
        for _ in range(60):
            if there.evaluate("one => one === document.activeElement"):
                return
            self.press("Tab")
        raise AssertionError(f"no Tab leads to {there}")

    def taps_on(self, there: Locator) -> None:
        """A finger on it."""
        self.taps += 1
        there.tap()

    @property
    def seconds(self) -> float:
        """What it takes, by the count."""
        return self.keys / KEYS_A_SECOND + self.questions * THOUGHT_S + self.taps * TAP_S


@pytest.fixture
def empty(server: Server) -> Iterator[str]:
    """A server whose file has nothing in it yet."""
    own = Server(server.folder / "empty", "serve")
    for beside in (server.folder / "empty").rglob("*.sqlite3*"):
        beside.unlink()
    own.start()
    yield own.url
    own.stop()


def test_the_first_belt_of_ones_own_lathe_in_two_minutes(browsing: Opens, empty: str) -> None:
    page = browsing(**DESK).new_page()
    page.goto(f"{empty}/")
    hand = Hand(page)
    hand.tabs_to(page.get_by_role("link", name="Add your own"))
    hand.press("Enter")
    hand.tabs_to(page.get_by_label("speeds", exact=True))
    hand.types("240 430 780 1390, back gear 40 72 130 232", "Enter")
    room = page.locator("#room")
    # What nobody said stands there to be agreed to.
    expect(room.get_by_role("table").filter(has_text="Taken as usual")).to_contain_text("50 Hz")
    hand.questions += room.get_by_role("row").filter(has_text="on the long form").count()
    hand.tabs_to(page.get_by_role("button", name="It is so: keep it"))
    hand.press("Enter")
    expect(room).to_contain_text("Put the belt on")
    expect(room.get_by_text("780").first).to_be_visible()
    assert hand.seconds < 120, hand


def test_the_first_belt_by_touch(browsing: Opens, empty: str) -> None:
    page = browsing(**PHONE).new_page()
    page.goto(f"{empty}/")
    hand = Hand(page)
    hand.taps_on(page.get_by_role("link", name="Add your own"))
    hand.taps_on(page.get_by_label("speeds", exact=True))
    hand.types("240 430,, 1390")
    # A place of the plate that is left out would give every belt after it another's speed.
    expect(page.locator("#room")).to_contain_text("A speed is missing after 430")
    for _ in range(7):
        hand.press("Backspace")
    hand.types(" 780 1390")
    table = page.get_by_role("table").filter(has_text="Taken as usual")
    expect(table).to_contain_text("a motor of 370 W")
    hand.questions += table.get_by_role("row").count() - 1
    hand.taps_on(page.get_by_role("button", name="It is so: keep it"))
    expect(page.locator("#room")).to_contain_text("Put the belt on")
    assert hand.seconds < 120, hand


def test_the_first_part_has_its_route_in_three_minutes_by_keyboard(
    browsing: Opens, empty: str
) -> None:
    page = browsing(**DESK).new_page()
    page.goto(f"{empty}/engines")
    hand = Hand(page)
    expect(page.get_by_role("heading", name="Your first engine")).to_be_visible()
    hand.types("Wren", "Enter")
    expect(page.get_by_text("Which parts has it?")).to_be_visible()
    hand.types("Bearing bush, bronze", "Enter")
    hand.tabs_to(page.get_by_role("link", name="Draw Bearing bush"))
    hand.press("Enter")
    blank = page.get_by_label("From", exact=True)
    hand.tabs_to(blank)
    hand.types("bar 20, 30 long", "Enter")
    offered = page.get_by_role("listbox", name="What may come next")
    # A kind is found by its first letters, and its place is offered.
    hand.types("fa")
    expect(offered.get_by_role("option")).to_have_count(1)
    for key in ("ArrowDown", "Enter"):
        hand.press(key)
    expect(offered).to_contain_text("at its right end")
    for key in ("ArrowDown", "Enter", "Enter"):
        hand.press(key)
    expect(page.get_by_label("Feature 1", exact=True)).to_have_value("face at 0")
    hand.types("face at 24", "Enter")
    hand.types("outside 16, from 0 to 24", "Enter")
    hand.types("bore 10")
    expect(offered).to_contain_text("from 0 to 24")
    for key in ("ArrowDown", "Enter", "Enter"):
        hand.press(key)
    expect(page.get_by_label("Feature 4", exact=True)).to_have_value("bore 10, from 0 to 24")
    # An empty line ends the list.
    hand.press("Enter")
    expect(page.get_by_role("button", name="Keep it so")).to_be_focused()
    hand.press("Enter")
    expect(page.get_by_role("button", name="Propose a route")).to_be_focused()
    hand.press("Enter")
    expect(page.locator("#room")).to_contain_text("fewest set-ups, proved")
    assert hand.seconds < 180, hand


def test_the_first_part_has_its_route_in_three_minutes_by_touch(
    browsing: Opens, empty: str
) -> None:
    page = browsing(**PHONE).new_page()
    page.goto(f"{empty}/engines")
    hand = Hand(page)
    hand.taps_on(page.get_by_label("Name of the engine", exact=True))
    hand.types("Wren")
    hand.taps_on(page.get_by_role("button", name="Begin", exact=True))
    hand.taps_on(page.get_by_label("A part of it, or a list of its parts"))
    hand.types("Gland, brass")
    hand.taps_on(page.get_by_role("button", name="Add", exact=True))
    hand.taps_on(page.get_by_role("link", name="Draw Gland"))
    hand.taps_on(page.get_by_role("button", name="A usual part"))
    hand.taps_on(page.get_by_role("button", name="Gland", exact=True))
    form = page.get_by_role("form", name="Gland")
    for label, size in (
        ("nose", "11"),
        ("nose long", "7"),
        ("flange", "24"),
        ("flange thick", "4"),
        ("rod", "5"),
    ):
        hand.taps_on(form.get_by_label(label, exact=True))
        hand.types(size)
    hand.taps_on(form.get_by_role("button", name="Write its lines"))
    expect(page.get_by_label("Feature 3", exact=True)).to_have_value(
        "outside 11, from 0 to 7, called nose"
    )
    hand.taps_on(page.get_by_role("button", name="Keep it so"))
    hand.taps_on(page.get_by_role("button", name="Propose a route"))
    expect(page.locator("#room")).to_contain_text("fewest set-ups, proved")
    assert hand.seconds < 180, hand


def test_a_pasted_list_of_lines_a_gap_and_undo(page: Page) -> None:
    page.goto("/engines")
    page.get_by_label("A part of it, or a list of its parts").fill("Wick\nPump, brass, 2 off")
    page.get_by_role("button", name="Add them").click()
    page.get_by_role("link", name="Draw Wick").click()
    page.get_by_label("From", exact=True).fill("bar 12, 40 long")
    first = page.get_by_label("Feature 1", exact=True)
    first.focus()
    page.evaluate(
        """() => {
          const data = new DataTransfer();
          data.setData('text', 'face at 0\\nface at 30\\n\\noutside 10, from 0 to 30');
          document.activeElement.dispatchEvent(
            new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
        }"""
    )
    third = page.get_by_label("Feature 3", exact=True)
    expect(third).to_have_value("outside 10, from 0 to 30")
    expect(third).to_be_focused()
    page.keyboard.press("Enter")
    page.keyboard.type("groove 8,")
    option = page.get_by_role("option", name="? wide")
    option.click()
    fourth = page.get_by_label("Feature 4", exact=True)
    # The gap is under the cursor: what is typed stands in its place.
    page.keyboard.type("1.5")
    expect(fourth).to_have_value("groove 8, 1.5 wide")
    page.keyboard.press("Escape")
    page.keyboard.press("Control+a")
    page.keyboard.type("groove ?, 1.5 wide, at 4")
    expect(page.get_by_text("what is to stand in place of the")).to_be_visible()
    page.get_by_role("button", name="Undo", exact=True).click()
    expect(page.get_by_label("Feature 4", exact=True)).to_have_count(0)
    for _ in range(6):
        if page.get_by_role("button", name="Undo", exact=True).count() == 0:
            break
        page.get_by_role("button", name="Undo", exact=True).click()
    # Past the beginning there is nothing to undo.
    expect(first).to_have_value("")


def test_a_server_gone_in_the_middle_of_a_part_loses_nothing(page: Page, server: Server) -> None:
    page.goto("/engines")
    field = page.get_by_label("A part of it, or a list of its parts")
    field.fill("Wick")
    field.press("Enter")
    page.get_by_role("link", name="Draw Wick").click()
    page.get_by_label("From", exact=True).fill("bar 12, 40 long")
    page.get_by_label("Metal", exact=True).fill("brass")
    first = page.get_by_label("Feature 1", exact=True)
    first.fill("face at 0")
    expect(page.get_by_text("Face at 0 mm: face")).to_be_visible()
    server.stop()
    first.press("Enter")
    page.keyboard.type("outside 10, from 0 to 30")
    page.get_by_role("button", name="Keep it so").click()
    second = page.get_by_label("Feature 2", exact=True)
    expect(second).to_have_value("outside 10, from 0 to 30")
    server.start()
    page.get_by_role("button", name="Keep it so").click()
    expect(page.get_by_role("button", name="Propose a route")).to_be_enabled()
    expect(second).to_have_value("outside 10, from 0 to 30")


@pytest.mark.parametrize("path", ["/engines", "/rules", "/practice", "/speeds", "/engines/part/1"])
def test_nothing_runs_off_at_320_px_or_at_twice_the_text(page: Page, path: str) -> None:
    page.goto(path)
    expect(page.get_by_role("heading", level=1)).to_be_attached()
    expect(page.locator("#room")).not_to_contain_text("Fetching")
    wide = "document.documentElement.scrollWidth - window.innerWidth"
    page.set_viewport_size({"width": 320, "height": 700})
    assert page.evaluate(wide) <= 1
    page.set_viewport_size({"width": 1280, "height": 800})
    page.evaluate("document.documentElement.style.fontSize = '200%'")
    assert page.evaluate(wide) <= 1


def test_a_first_line_that_is_nonsense_is_answered_under_itself(page: Page) -> None:
    page.goto("/engines")
    field = page.get_by_label("A part of it, or a list of its parts")
    field.fill("W" * 80)
    field.press("Enter")
    page.get_by_role("link", name=f"Draw {'W' * 80}").click()
    first = page.get_by_label("Feature 1", exact=True)
    first.fill("qwerty uiop")
    expect(first).to_have_attribute("aria-invalid", "true")
    said = page.locator(f"[id='{first.get_attribute('aria-describedby')}']")
    expect(said).to_contain_text("qwerty")
    page.get_by_label("From", exact=True).fill("bar 12")
    page.get_by_role("button", name="Keep it so").click()
    expect(page.get_by_role("alert")).to_contain_text("qwerty")
    expect(first).to_have_value("qwerty uiop")


def test_a_rooms_name_opens_it_and_rules_are_found_by_their_words(page: Page) -> None:
    page.goto("/speeds")
    expect(page.get_by_text("rev/min").first).to_be_visible()
    for name, heading in (("gears", "Gears"), ("open the wall sheet", ""), ("rules", "order of")):
        page.keyboard.press("Control+k")
        page.get_by_label("Ask in plain words, in any order").fill(name)
        expect(page.get_by_role("list", name="Rooms called so")).to_be_visible()
        page.keyboard.press("Enter")
        expect(page.get_by_role("dialog")).to_have_count(0)
        if heading == "Gears":
            here = page.get_by_role("navigation", name="In Setting out")
            expect(here.get_by_role("link", name="Gears")).to_have_attribute("aria-current", "page")
    room = page.locator("#room")
    expect(room.get_by_role("heading", level=2).first).to_have_text("you and the lathe")
    page.get_by_label("Find").fill("reamer hole")
    expect(room.get_by_role("heading", level=3)).to_have_count(2)
    expect(room).to_contain_text("Right")
    page.get_by_label("Find").fill("nothing of the kind")
    expect(room).to_contain_text("No rule speaks of that.")
    page.go_back()
    expect(page).to_have_url(re.compile("/sheet$"))


@pytest.mark.parametrize(
    ("room", "address"),
    [("Shafts", "/shafts/keyway"), ("Setting out", "/setting-out"), ("Threads", "/threads")],
)
def test_the_tabs_of_a_room_stand_in_one_row(page: Page, room: str, address: str) -> None:
    page.goto(address)
    tabs = page.get_by_role("navigation", name=f"In {room}")
    expect(tabs.get_by_role("link").first).to_be_visible()
    tops = tabs.get_by_role("link").evaluate_all(
        "all => all.map(one => Math.round(one.getBoundingClientRect().top))"
    )
    assert len(set(tops)) == 1
    assert tabs.evaluate("one => one.scrollWidth <= one.clientWidth")
