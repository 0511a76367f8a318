"""The corpus: lines as people type them, and what each must be read as.

A row of ``lines.jsonl`` says: ``calculator`` (or a list), ``question`` (fields that must be so,
lengths in millimetres), ``not_question``, ``answer`` (bounds of figures), ``word`` (said back),
``others`` (a second reading offered), ``asks`` (refused for want of that field), ``refused``
(words of the refusal) with ``field``. A row changes only on purpose.
"""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import pytest

from runk.cli import document_for
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

ROWS: list[dict[str, Any]] = [
    json.loads(text)
    for text in (Path(__file__).parent / "lines.jsonl").read_text(encoding="utf-8").splitlines()
]


def same(got: Any, want: Any, tolerance: float) -> bool:
    """Whether a field of the question is what the row says."""
    if want is None:
        return got is None
    if isinstance(want, (int, float)):
        return isinstance(got, (int, float)) and abs(got - want) <= tolerance
    got = got.get("name", got.get("key")) if isinstance(got, dict) else got
    return str(got).lower().replace(" ", "") == str(want).lower().replace(" ", "")


@pytest.mark.parametrize("row", ROWS, ids=lambda row: row["line"] or "nothing")
def test_a_line_is_read_as_it_is_meant(row: dict[str, Any], workshop: Workshop) -> None:
    document = document_for(row["line"], workshop, PageUnit(row.get("unit", "mm")))
    if "error" in document:
        said = document["error"]
        assert "refused" in row or "asks" in row or "asks_or" in row or "word" in row, said
        assert row.get("refused", "") in said
        assert row.get("word", "") in said.lower()
        assert document["field"] == row.get("asks", row.get("field", document["field"]))
        assert len(said) < 300
        return
    assert "refused" not in row
    assert "asks" not in row
    names = row.get("calculator", document["calculator"])
    assert document["calculator"] in ([names] if isinstance(names, str) else names)
    assert document["calculator"] != row.get("not_calculator")
    asked, tolerance = document["question"], row.get("tolerance", 0.001)
    for key, want in row.get("question", {}).items():
        assert same(asked[key], want, tolerance), f"{key}: {asked[key]}"
    for key, want in row.get("not_question", {}).items():
        assert key not in asked or not same(asked[key], want, 0.01), key
    for key, (low, high) in row.get("answer", {}).items():
        assert low <= document["answer"][key] <= high, key
    assert row.get("word", "") in f"{document['read_as']} {document['unused']}".lower()
    assert document["others"] or not row.get("others")
    assert "{" not in document["read_as"]
    assert "  " not in document["read_as"]
