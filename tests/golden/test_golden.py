"""Nothing changes unseen: what was answered, drawn and routed yesterday is so today.

What changed on purpose is kept anew by ``make golden``, which says what changed; whoever looks at
the change sees how much of it there is. Whether any of it is right, others say: `tests/reference`.
"""

from __future__ import annotations

import itertools
import sys
from collections.abc import Iterable
from pathlib import Path

import pytest

from runk.core.catalogue import CATALOGUE
from runk.drive import varied
from tests.golden.answers import FINE, bases, marked, questions
from tests.golden.parts import drawn, kept_of

FOLDER = Path(__file__).parent
PARTS = drawn()
MOST_SHOWN = 8


def kept(name: str) -> dict[str, str]:
    """What is kept of a calculator, or of the parts."""
    file = FOLDER / "kept" / f"{name}.txt"
    lines = file.read_text(encoding="utf-8").splitlines() if file.exists() else []
    return dict(line.rsplit(" ", 1) for line in lines)


def answers(name: str) -> Iterable[tuple[str, str, str]]:
    """What a calculator answers now: the question, its mark, and the answer's."""
    for asked in questions(name):
        mark, said = marked(name, asked)
        yield f"{name} {asked}", mark, said


def changed(now: Iterable[tuple[str, str, str]], before: dict[str, str]) -> list[str]:
    """What is otherwise than it was, or was not there."""
    return [what for what, mark, said in now if before.get(mark) != said]


@pytest.mark.parametrize("name", CATALOGUE)
def test_every_answer_is_what_it_was(name: str) -> None:
    found = changed(answers(name), kept(name))
    assert not found, f"{len(found)} changed: {found[:MOST_SHOWN]}"


@pytest.mark.parametrize("name", PARTS)
def test_every_part_is_drawn_routed_and_checked_as_it_was(name: str) -> None:
    now = ((what, what, said) for what, said in kept_of(name, PARTS[name]))
    found = changed(now, kept("parts"))
    assert not found, found[:MOST_SHOWN]


def test_what_is_kept_would_show_a_change() -> None:
    asked = next(iter(questions("speed")))
    mark, said = marked("speed", asked)
    assert kept("speed")[mark] == said
    assert marked("speed", {**asked, "diameter": varied(str(asked["diameter"]), 1.01)})[1] != said
    assert len(bases("speed")) > 20
    assert max(b / a for a, b in itertools.pairwise(FINE)) < 1.15
    assert changed([("x", "m", "1"), ("y", "n", "2")], {"m": "1", "n": "3"}) == ["y"]


def record() -> None:
    """Keep everything as it is now, and say what changed."""
    (FOLDER / "kept").mkdir(exist_ok=True)
    whole = {name: list(answers(name)) for name in CATALOGUE}
    whole["parts"] = [
        (what, what, said) for name, row in PARTS.items() for what, said in kept_of(name, row)
    ]
    for name, rows in whole.items():
        found = changed(rows, kept(name))
        if found:
            print(f"{name}: {len(found)} of {len(rows)}: {found[:MOST_SHOWN]}")
        text = "".join(f"{mark} {said}\n" for mark, said in sorted({r[1:] for r in rows}))
        (FOLDER / "kept" / f"{name}.txt").write_text(text, encoding="utf-8")
    for file in (FOLDER / "kept").glob("*.txt"):
        if file.stem not in whole:
            file.unlink()


if __name__ == "__main__":
    sys.exit(record())
