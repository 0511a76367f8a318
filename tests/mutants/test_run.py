"""The tool that changes the core, held on a file of its own."""

from __future__ import annotations

import ast
from pathlib import Path

import pytest

from tests.mutants import changes, run
from tests.mutants.run import Mutant, chosen, mutants

SOURCE = '''"""A docstring with 1.5 in it."""

LIMIT = 4.5
HAIR = 1e-9
NAMES = ["a"] + ["b"]


def worse(size: float = 2.0) -> str:
    """Says 3.5."""
    if size > LIMIT - HAIR:
        return f"{size * 2:.1f} is {'over' if size >= 9 else 'under'}"
    return "a" + "b"


def area(width: float, height: float) -> float:
    return width * (height + 1.5)


def long(width: float) -> bool:
    return width + 0.0 <= area(width, 2) + 1e-9
'''


@pytest.fixture
def found(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> tuple[Path, list[Mutant]]:
    core = tmp_path / run.CORE
    core.mkdir(parents=True)
    file = core / "made_up.py"
    file.write_text(SOURCE, encoding="utf-8")
    monkeypatch.setattr(changes, "ROOT", tmp_path)
    return file, mutants(file)


def changed(file: Path, one: Mutant) -> str:
    kept = file.read_bytes()
    return (kept[: one.start] + one.new.encode() + kept[one.end :]).decode()


def test_every_change_is_another_program_that_still_reads(found: tuple[Path, list[Mutant]]) -> None:
    file, every = found
    assert len(every) >= 5
    programs = [changed(file, one) for one in every]
    assert len(set(programs)) == len(programs)
    for program in programs:
        assert ast.dump(ast.parse(program)) != ast.dump(ast.parse(SOURCE))


def test_words_lists_and_hairs_are_left_alone(found: tuple[Path, list[Mutant]]) -> None:
    _, every = found
    rows = SOURCE.splitlines()
    touched = {rows[one.line - 1].strip() for one in every}
    assert 'NAMES = ["a"] + ["b"]' not in touched
    assert 'return "a" + "b"' not in touched
    assert "HAIR = 1e-9" not in touched
    assert "return width + 0.0 <= area(width, 2) + 1e-9" not in touched
    assert all("docstring" not in row and "Says" not in row for row in touched)
    assert "LIMIT = 4.5" in touched


def test_a_change_knows_its_function(found: tuple[Path, list[Mutant]]) -> None:
    _, every = found
    rows = SOURCE.splitlines()
    for one in every:
        name = rows[one.function - 1] if one.function else ""
        assert not name or name.startswith("def ")
        assert (one.function == 0) == (
            one.line < rows.index("def worse(size: float = 2.0) -> str:") + 1
        )


def test_nearest_tests_come_first_and_within_their_seconds() -> None:
    one = Mutant("cutting/laws.py", 12, 0, 1, "+", 10)
    tests = {
        "far": {"calls": ["cutting/laws.py:10", *(f"other.py:{n}" for n in range(50))], "s": 1.0},
        "near": {"calls": ["cutting/laws.py:10"], "s": 0.5},
        "slow": {"calls": ["cutting/laws.py:10", "other.py:1"], "s": run.ROUNDS_S[1] + 1},
        "none": {"calls": ["other.py:1"], "s": 0.1},
    }
    first, second = chosen(one, tests)
    assert first[0] == "near"
    assert "slow" not in first + second
    assert "none" not in first + second


def test_a_line_of_the_module_is_looked_at_by_all_who_call_into_it() -> None:
    one = Mutant("cutting/laws.py", 2, 0, 1, "+", 0)
    tests = {
        "mine": {"calls": ["cutting/laws.py:99"], "s": 1.0},
        "others": {"calls": ["cutting/bend.py:1"], "s": 1.0},
    }
    assert chosen(one, tests)[0] == ["mine"]
