"""Every view there is, from the one manifest: the catalogue's doors, and the front end's list."""

from __future__ import annotations

import json
import re
from pathlib import Path

from playwright.sync_api import Page, expect

from runk.core.catalogue import CATALOGUE

_LISTED = Path(__file__).parents[2] / "web" / "src" / "views.json"
CALCULATORS = [calculator.door.path for calculator in CATALOGUE.values()]
OPEN = [calculator.door.path for calculator in CATALOGUE.values() if calculator.opening]
OTHERS = [place["path"] for place in json.loads(_LISTED.read_text()) if ":" not in place["path"]]
EVERY = [*CALCULATORS, *OTHERS]
# By the house's own way: a page is not fetched anew for each of its rooms.
WALK = "to => { history.pushState(null, '', to); dispatchEvent(new PopStateEvent('popstate')) }"


def go(page: Page, address: str) -> None:
    """Open a view and wait until it says something."""
    page.goto(address)
    settled(page, address)


def settled(page: Page, address: str) -> None:
    """Wait until a view says something."""
    room = page.locator("#room")
    expect(room.get_by_role("heading", level=1)).to_be_attached()
    if address in OPEN:
        expect(room.locator(".settles[aria-busy=false]")).to_be_attached()
    expect(room).not_to_contain_text(re.compile("Fetching"))
