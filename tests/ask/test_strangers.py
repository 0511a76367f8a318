"""Lines as people typed them who had never seen Runk, each with what a good foreman would understand.

``strangers.jsonl`` holds those that are read as meant: none of them may be lost again. A row says
what ``lines.jsonl`` says (:mod:`tests.ask.test_lines`), and besides: ``asks_any`` (one of these may
be asked instead), ``asks_or`` (asking will do), ``size_any`` (this size stands in some field),
``says_any`` and ``not_says`` (words of the answer and its cautions), ``not_answer``, ``duty_any``,
``loose`` (only the calculator is held to).
"""

from __future__ import annotations

import json
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from runk.cli import document_for
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from tests.ask.test_lines import same

ROWS: list[dict[str, Any]] = [
    json.loads(text)
    for text in (Path(__file__).parent / "strangers.jsonl").read_text(encoding="utf-8").splitlines()
]


def names_of(row: dict[str, Any]) -> list[str]:
    """The calculators of a row; none where nothing may be answered."""
    names = row.get("calculator") or []
    return [names] if isinstance(names, str) else names


def may_be_asked(row: dict[str, Any], document: dict[str, Any]) -> bool:
    """Whether a line that is not answered is asked back as it may be."""
    field, says = document.get("field"), document["error"].lower()
    if row.get("need_word") and not any(word in says for word in row["need_word"]):
        return False
    if row.get("asks"):
        return bool(field == row["asks"])
    if row.get("asks_any") and field in row["asks_any"]:
        return True
    if field in (None, "operation") and any(word in says for word in row.get("refuse_word", ())):
        return True
    if row.get("asks_or") and not row.get("asks_any"):
        return True
    return bool(row.get("word")) and not names_of(row) and row["word"] in says


def faults(row: dict[str, Any], document: dict[str, Any]) -> Iterator[str]:
    """What an answer has otherwise than it was meant."""
    asked, answer = document["question"], document["answer"]
    tolerance = row.get("tolerance", 0.01)
    wanted = {} if row.get("loose") else row.get("question", {})
    yield from (k for k, v in wanted.items() if not same(asked.get(k), v, tolerance))
    for key, value in row.get("not_question", {}).items():
        if asked.get(key) is not None and same(asked[key], value, 0.01):
            yield f"{key} is {value}"
    for key, value in row.get("not_answer", {}).items():
        if answer.get(key) is not None and (value is None or same(answer[key], value, 0.01)):
            yield f"answers {key}"
    for key, bounds in row.get("answer", {}).items():
        if key == "passes":
            takes = [p["take_mm"] for p in answer.get("passes", ()) if p.get("take_mm")]
            yield from (key for take in takes if not bounds[0] <= take <= bounds[1])
        elif not (key == "depth_mm" and "passes" in row["answer"]):
            got = answer.get(key)
            if not (isinstance(got, (int, float)) and bounds[0] <= got <= bounds[1]):
                yield f"answers {key} {got}"
    if row.get("size_any") and not any(same(v, row["size_any"], 0.01) for v in asked.values()):
        yield "its size is nowhere"
    if row.get("duty_any") and asked.get("duty") not in row["duty_any"]:
        yield "duty"
    text = json.dumps([answer, document.get("cautions")], ensure_ascii=False).lower()
    if row.get("says_any") and not any(word.lower() in text for word in row["says_any"]):
        yield f"says none of {row['says_any']}"
    yield from (word for word in row.get("not_says", ()) if word.lower() in text)
    if row.get("word", "") not in f"{document['read_as']} {document['unused']}".lower():
        yield f"{row['word']} is lost"
    if row.get("others") and not document["others"]:
        yield "no second reading"


@pytest.mark.parametrize("row", ROWS, ids=lambda row: f"{row['line']} {row.get('unit', 'mm')}")
def test_a_strangers_line_is_read_as_it_was_meant(row: dict[str, Any], workshop: Workshop) -> None:
    document = document_for(row["line"], workshop, PageUnit(row.get("unit", "mm")))
    if "error" in document:
        assert may_be_asked(row, document), document["error"]
        return
    names = names_of(row)
    assert not row.get("asks")
    assert names != ["none"]
    assert not names or document["calculator"] in names
    assert document["calculator"] != row.get("not_calculator")
    assert list(faults(row, document)) == []


def test_there_are_enough_of_them() -> None:
    assert len(ROWS) > 200
    assert len({(row["line"], row.get("unit", "mm")) for row in ROWS}) == len(ROWS)
