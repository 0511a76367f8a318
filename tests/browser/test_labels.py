"""Labels of every drawing: none runs out of its picture, none lies on another, at any size."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from runk.core.calculator import AnyCalculator
from runk.core.catalogue import CATALOGUE
from runk.core.kinds import Length, Told
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.browser.views import WALK, settled

pytestmark = pytest.mark.browser

WEB = Path(__file__).parents[2] / "web" / "src" / "calculators"
DRAWS = [c for c in CATALOGUE.values() if c.opening and (WEB / f"{c.name}.tsx").exists()]
STRETCHES = {"as it opens": (1,), "large": (10, 5, 3, 2, 1.5), "small": (0.1, 0.2, 0.4, 0.6, 0.8)}

# A box of a line of text is taller than its letters: what overlaps there is not seen.
LAID_OUT = """() => {
  const wrong = [];
  for (const svg of document.querySelectorAll('#room svg[viewBox]')) {
    const edge = svg.getBoundingClientRect();
    if (!edge.width || getComputedStyle(svg).visibility === 'hidden') continue;
    const boxes = [];
    for (const text of svg.querySelectorAll('text')) {
      const r = text.getBoundingClientRect(), said = text.textContent.trim();
      if (!said || !r.width) continue;
      const inset = Math.min(r.width, r.height) * 0.22;
      const over = Math.max(edge.left - r.left, r.right - edge.right, edge.top - r.top - inset, r.bottom - inset - edge.bottom);
      if (over > 1.5) wrong.push(`"${said}" runs ${over.toFixed(1)} px out of its picture`);
      const m = text.getScreenCTM();
      if (Math.abs(m.b) > 0.02 && Math.abs(m.a) > 0.02) continue;
      boxes.push({said, l: r.left + 1, r: r.right - 1, t: r.top + inset, b: r.bottom - inset});
    }
    boxes.forEach((one, n) => boxes.slice(n + 1).forEach(other => {
      const across = Math.min(one.r, other.r) - Math.max(one.l, other.l);
      const down = Math.min(one.b, other.b) - Math.max(one.t, other.t);
      if (across > 1 && down > 1) wrong.push(`"${one.said}" lies on "${other.said}"`);
    }));
  }
  return [...new Set(wrong)];
}"""


def _sizes(calculator: AnyCalculator) -> list[str]:
    opening, fields = calculator.opening, calculator.fields
    return [n for n in opening if isinstance(fields[n], Length) and not fields[n].several]


def stretched(calculator: AnyCalculator, names: list[str], by: tuple[float, ...]) -> dict[str, str]:
    """The opening with these sizes as far from what they were as can still be answered."""
    for times in by:
        typed = dict(calculator.opening)
        for name in names:
            told = calculator.fields[name].read(typed[name], Told(PageUnit.MM, WORKSHOP))
            typed[name] = f"{float(told.value) * times:.5g} mm"
        try:
            read = read_question(calculator, typed, PageUnit.MM, WORKSHOP)
            calculator.ask(read.question, WORKSHOP)
        except Refused:
            continue
        return typed
    return dict(calculator.opening)


def questions(how: str) -> dict[str, dict[str, str]]:
    """A question for every calculator that draws."""
    return {c.name: stretched(c, _sizes(c), STRETCHES[how]) for c in DRAWS}


def faults(page: Page, asked: dict[str, dict[str, str]]) -> dict[str, Any]:
    """Labels that are wrong in any of these rooms, at a desk and on the smallest phone."""
    page.goto("/help")
    for name, typed in asked.items():
        page.evaluate(
            "([k, v]) => localStorage.setItem(k, v)", [f"runk.question.{name}", json.dumps(typed)]
        )
    page.goto("/help")
    wrong = {}
    for calculator in DRAWS:
        path = calculator.door.path
        page.evaluate(WALK, path)
        expect(page.get_by_role("heading", level=1)).to_have_text(calculator.title)
        settled(page, path)
        for width in (1280, 320):
            page.set_viewport_size({"width": width, "height": 800})
            if found := page.evaluate(LAID_OUT):
                wrong[f"{calculator.name} at {width}"] = found
    return wrong


@pytest.mark.parametrize("how", STRETCHES)
def test_every_label_is_in_its_picture_and_on_no_other(page: Page, how: str) -> None:
    asked = questions(how)
    changed = [c.name for c in DRAWS if asked[c.name] != dict(c.opening)]
    assert how == "as it opens" or len(changed) > 25
    assert faults(page, asked) == {}


def test_a_label_that_is_wrong_is_seen(page: Page) -> None:
    """Two words put into a picture on purpose: one over its edge, one on another."""
    page.goto("/speeds")
    expect(page.locator("#room svg[viewBox] text").first).to_be_visible()
    page.evaluate(
        """() => { for (const x of [-400, 60, 62]) {
            const svg = [...document.querySelectorAll('#room svg[viewBox]')].find(s => s.querySelector('text'));
            const text = document.createElementNS('http://www.w3.org/2000/svg', 'text');
            text.textContent = 'wrong on purpose';
            text.setAttribute('x', x); text.setAttribute('y', 40);
            svg.append(text);
        } }"""
    )
    found = "; ".join(page.evaluate(LAID_OUT))
    assert "out of its picture" in found
    assert '"wrong on purpose" lies on "wrong on purpose"' in found
