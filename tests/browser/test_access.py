"""Accessibility: axe-core on every view, light and dark; targets; focus."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Browser, Page, ViewportSize, expect

from runk.core.catalogue import CATALOGUE
from tests.browser.serving import Server
from tests.browser.views import CALCULATORS, EVERY, WALK, go, settled

pytestmark = pytest.mark.browser
AXE = Path(__file__).parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"
TAGS = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"]

# Every view as it opens, and what can be opened in some of them.
VIEWS: list[tuple[str, str, list[str]]] = [
    *((address, address, []) for address in EVERY),
    ("a refusal", "/speeds", ["bad"]),
    ("bench", "/speeds", ["b"]),
    ("a plain bench", "/threads/die", ["b"]),
    ("ask", "/speeds", ["Control+k"]),
    ("help", "/speeds", ["?"]),
    ("a cut", "/to-size", ["cut"]),
    ("tap on the bench", "/threads", ["b"]),
    ("a metal", "/metals/figures", ["copy"]),
    ("editor", "/workshop", ["edit"]),
    ("a first part", "/engines", ["first"]),
    ("a run played back", "/practice", ["played"]),
    ("no such room", "/nowhere", []),
]

PHONE: ViewportSize = {"width": 390, "height": 844}
DESK: ViewportSize = {"width": 1280, "height": 800}


TITLES = {calculator.door.path: calculator.title for calculator in CATALOGUE.values()}


def violations(page: Page, rules: list[str], within: str = "html") -> list[str]:
    """What axe finds wrong by these tags or rules in a part of the page, one line each."""
    found: dict[str, Any] = page.evaluate(
        "([rules, within]) => axe.run(within, {runOnly: rules, resultTypes: ['violations']})",
        [rules, within],
    )
    return [
        f"{v['id']}: {n['target']} {n['failureSummary']}"
        for v in found["violations"]
        for n in v["nodes"]
    ]


@pytest.mark.parametrize("third", [0, 1, 2])
def test_axe_finds_nothing(chromium: Browser, server: Server, third: int) -> None:
    context = chromium.new_context(base_url=server.url, reduced_motion="reduce")
    page = context.new_page()
    wrong, called = {}, {}
    for name, address, acts in VIEWS[third::3]:
        page.emulate_media(color_scheme="light")
        if address in TITLES and not acts and page.url.startswith("http"):
            # By the house's own way: the page is not fetched anew for each of its rooms.
            page.evaluate(WALK, address)
            expect(page.get_by_role("heading", level=1)).to_have_text(TITLES[address])
            settled(page, address)
        else:
            go(page, address)
            # The page's own policy forbids foreign scripts: axe comes in by the debugger's door.
            page.evaluate(AXE.read_text(encoding="utf-8"))
        if not acts:
            # What the browser's tab and its history call the page: by its heading, and by no other.
            heading = page.get_by_role("heading", level=1).text_content()
            expect(page).to_have_title(f"{heading} · Runk")
            called[address] = heading
        for act in acts:
            if act == "bad":
                page.get_by_label("diameter", exact=True).fill("1 3/")
                expect(page.get_by_role("alert")).to_be_visible()
            elif act == "cut":
                page.get_by_role("button", name="Start this cut").click()
                expect(page.get_by_label("What does it measure now?")).to_be_visible()
            elif act == "copy":
                page.get_by_role("button", name="Copy gunmetal").click()
            elif act == "first":
                field = page.get_by_label("A part of it, or a list of its parts")
                field.fill("Wick, brass")
                field.press("Enter")
                page.get_by_role("link", name="Draw Wick").click()
                page.get_by_role("button", name="A usual part").click()
                page.get_by_role("button", name="Flywheel", exact=True).click()
                page.get_by_role("button", name="Write its lines").click()
                expect(page.get_by_role("alert")).to_be_visible()
                page.get_by_label("Feature 1", exact=True).focus()
                expect(page.get_by_role("listbox")).to_be_visible()
            elif act == "played":
                page.get_by_role("button", name="A thread", exact=True).click()
                page.get_by_label("Wind to, divisions").fill("300")
                page.keyboard.press("Enter")
                page.get_by_role("button", name="take it out").click()
                expect(page.get_by_role("region", name="Played back")).to_be_visible()
            elif act == "edit":
                page.get_by_role("button", name="Change Lathe").click()
            else:
                page.keyboard.press(act)
                expect(page.get_by_role("dialog")).to_be_visible()
        # Head and foot are the same in every calculator's room: they are looked at in the others.
        within = "#room" if address in CALCULATORS and not acts else "html"
        found = violations(page, TAGS, within)
        page.emulate_media(color_scheme="dark")
        expect(page.locator("html")).to_have_attribute("data-theme", "dark")
        found += violations(page, ["color-contrast"], within)
        # The same page as narrow as a phone: nothing runs off its side.
        page.set_viewport_size(PHONE)
        wide = page.evaluate("document.documentElement.scrollWidth - window.innerWidth")
        page.set_viewport_size(DESK)
        if found := found + [f"{wide} px too wide for a phone"] * (wide > 1):
            wrong[name] = found
        page.evaluate("localStorage.clear()")
    context.close()
    assert wrong == {}
    assert len(set(called.values())) == len(called)


def test_targets_are_big_enough_for_dirty_fingers(page: Page) -> None:
    page.goto("/speeds")
    expect(page.locator("#room")).to_contain_text("860")
    small = page.evaluate(
        """() => [...document.querySelectorAll('button, a[href], input, select')]
            .filter(e => e.offsetParent && !e.closest('label') && !e.closest('.sr-only') && !e.classList.contains('sr-only'))
            .map(e => [e.getBoundingClientRect(), e.textContent || e.ariaLabel])
            .filter(([r]) => r.height < 43.5)
            .map(([r, t]) => `${t}: ${r.width}x${r.height}`)"""
    )
    assert small == []


def test_focus_is_seen(page: Page) -> None:
    page.goto("/speeds")
    expect(page.locator("#room")).to_contain_text("860")
    page.get_by_label("diameter", exact=True).focus()
    style = "getComputedStyle(document.activeElement)"
    assert page.evaluate(f"{style}.outlineStyle") == "solid"
    assert float(page.evaluate(f"parseFloat({style}.outlineWidth)")) >= 2


def test_the_number_reads_from_two_metres(page: Page) -> None:
    """At 2 m, 20 minutes of arc want figures 12 mm tall: about 45 px of a 96 dpi screen."""
    page.goto("/speeds")
    expect(page.locator("#room")).to_contain_text("860")
    sizes = page.evaluate(
        "() => [...document.querySelectorAll('.figures')].map(e => parseFloat(getComputedStyle(e).fontSize))"
    )
    assert max(sizes) >= 140
    page.keyboard.press("b")
    expect(page.get_by_role("dialog")).to_be_visible()
    bench = page.evaluate(
        "parseFloat(getComputedStyle(document.querySelector('[role=dialog] .figures')).fontSize)"
    )
    assert bench >= max(sizes)
