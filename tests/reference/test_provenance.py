"""No number without provenance: every shipped table says who says so and how we have it."""

from __future__ import annotations

import csv
from importlib import resources

import pytest

from runk.core.figures import laws
from runk.core.sources import Held, Source, authorities

TABLES = sorted(
    path.name
    for path in resources.files("runk.core").joinpath("tables").iterdir()
    if path.name.endswith(".csv")
)
NAMES_ONLY = {
    "sources.csv",
    "part_words.csv",
    "metal_aliases.csv",
    "operations.csv",
    "rules_seen.csv",
}
"""Tables of words, which carry no figure."""


@pytest.mark.parametrize("name", [t for t in TABLES if t not in NAMES_ONLY])
def test_every_row_names_its_authority(name: str) -> None:
    path = resources.files("runk.core").joinpath("tables", name)
    with path.open(encoding="utf-8") as handle:
        table = list(csv.DictReader(handle))
    assert table
    for row in table:
        assert row["authority"] in authorities(), row
        assert row.get("held", Held.RECALLED) in set(Held), row
        assert None not in row, "a row has more cells than the table has columns"
        assert None not in row.values(), "a row has fewer cells than the table has columns"


@pytest.mark.parametrize("name", TABLES)
def test_no_row_stands_twice(name: str) -> None:
    path = resources.files("runk.core").joinpath("tables", name)
    lines = path.read_text(encoding="utf-8").strip().splitlines()
    assert len(set(lines)) == len(lines)


def test_authorities_say_what_kind_they_are() -> None:
    for authority in authorities().values():
        assert authority.tag in {"standard", "mechanics", "practice", "memory", "yours"}
        assert authority.title
        assert authority.note


def test_what_is_derived_is_mechanics_and_what_is_recalled_is_not() -> None:
    for law in laws().values():
        if law.source.held is Held.DERIVED:
            assert law.source.tag in {"mechanics", "standard"}, law.key
        if law.source.tag == "mechanics":
            assert law.source.held is Held.DERIVED, law.key


def test_a_source_says_both_facts() -> None:
    source = Source("bs-93", Held.RECALLED)
    assert (source.title, source.tag, source.held) == (
        "BS 93 British Association threads",
        "standard",
        "recalled",
    )
    with pytest.raises(KeyError):
        _ = Source("hearsay", Held.RECALLED).title
