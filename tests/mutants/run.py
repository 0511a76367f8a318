"""Change the core in one place, run the tests that touch that place, list what nobody noticed.

``make mutants`` tries 120 changes picked by a seed: a sum, a comparison, a constant. Which test
calls which function is recorded first, and anew when a test or the core has changed. Questions
and their words are left alone, and so are the hairs (1e-9) that keep floats apart: a hair more is
the same program.
"""

from __future__ import annotations

import argparse
import ast
import json
import os
import random
import shutil
import subprocess
import sys
import tempfile
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from queue import Queue
from typing import Any, NamedTuple

ROOT = Path(__file__).resolve().parents[2]
CORE = Path("src/runk/core")
TOUCHED = ROOT / ".stamps" / "touched"
TESTS = ["src/runk/core", "tests/core", "tests/reference", "tests/route", "tests/ask"]
HAIR = 1e-5
ROUNDS_S = (20.0, 90.0)
"""Seconds of tests for each change: those that touch least else first, then the others."""
SUMS = {ast.Add: " - ", ast.Sub: " + ", ast.Mult: " / ", ast.Div: " * "}
TURNED = {ast.Lt: ">=", ast.LtE: "<", ast.Gt: "<=", ast.GtE: ">", ast.Eq: "!=", ast.NotEq: "=="}


class Mutant(NamedTuple):
    """One change: where, what stands there, and what is put in its place."""

    file: str
    line: int
    start: int
    end: int
    new: str
    function: int
    """The line its function begins at; 0 in the body of the module."""


def mutants(file: Path) -> list[Mutant]:
    """Every change that can be made in a file; questions, words and docstrings are left alone."""
    text = file.read_text(encoding="utf-8")
    offsets = [0]
    for row in text.encode().splitlines(keepends=True):
        offsets.append(offsets[-1] + len(row))
    name, found = file.relative_to(ROOT / CORE).as_posix(), []

    def place(line: int, column: int) -> int:
        return offsets[line - 1] + column

    def walk(node: ast.AST, function: int) -> None:
        if isinstance(node, ast.FunctionDef):
            function = min([node.lineno, *(d.lineno for d in node.decorator_list)])
        if isinstance(node, ast.AnnAssign | ast.JoinedStr):
            # Annotations are a question's or an answer's words; a sentence is none of this.
            children = [node.value] if isinstance(node, ast.AnnAssign) and node.value else []
        else:
            children = list(ast.iter_child_nodes(node))
        new, span = "", (0, 0)
        if any(map(_no_number, ast.iter_child_nodes(node))):
            pass
        elif isinstance(node, ast.BinOp) and type(node.op) in SUMS:
            new = SUMS[type(node.op)]
            span = (_end(node.left, place), place(node.right.lineno, node.right.col_offset))
        elif isinstance(node, ast.Compare) and type(node.ops[0]) in TURNED:
            left, right = node.left, node.comparators[0]
            new = f" {TURNED[type(node.ops[0])]} "
            span = (_end(left, place), place(right.lineno, right.col_offset))
        elif isinstance(node, ast.Constant) and isinstance(node.value, float) and node.value > HAIR:
            new, span = repr(node.value * 1.15), (_begin(node, place), _end(node, place))
        if new and "(" not in (old := text.encode()[slice(*span)].decode()) and ")" not in old:
            found.append(Mutant(name, node.lineno, *span, new, function))
        for child in children:
            walk(child, function)

    walk(ast.parse(text), 0)
    return found


def _no_number(node: ast.AST) -> bool:
    """Whether it is a hair, or words and lists, which no sum is made of."""
    if isinstance(node, ast.Constant):
        value = node.value
        return isinstance(value, str) or (isinstance(value, float) and 0 < value <= HAIR)
    return isinstance(node, ast.JoinedStr | ast.List | ast.Tuple)


def _begin(node: Any, place: Any) -> int:
    return int(place(node.lineno, node.col_offset))


def _end(node: Any, place: Any) -> int:
    return int(place(node.end_lineno, node.end_col_offset))


def touched() -> dict[str, Any]:
    """Which functions each test calls, and its seconds."""
    newest = max(p.stat().st_mtime for d in TESTS for p in (ROOT / d).rglob("*.py"))
    whole = TOUCHED.with_suffix(".json")
    if not whole.exists() or whole.stat().st_mtime < newest:
        environment = os.environ | {"RUNK_TOUCHED": str(TOUCHED), "CI": "1"}
        subprocess.run(
            [sys.executable, "-m", "pytest", "-n", "2", "-p", "tests.mutants.touched", *TESTS],
            cwd=ROOT,
            env=environment,
            check=True,
        )
        parts = [json.loads(p.read_text()) for p in TOUCHED.parent.glob("touched.gw*")]
        whole.write_text(json.dumps({k: v for part in parts for k, v in part.items()}))
    return dict(json.loads(whole.read_text()))


def chosen(mutant: Mutant, tests: dict[str, Any]) -> list[list[str]]:
    """The tests for a change, in their rounds: the nearest first."""
    mark = f"{mutant.file}:{mutant.function}"
    near = {k for k, t in tests.items() if mark in t["calls"]} if mutant.function else set()
    if not near:
        near = {
            k for k, t in tests.items() if any(c.startswith(f"{mutant.file}:") for c in t["calls"])
        }
    rounds, spent = [[] for _ in ROUNDS_S], 0.0
    for key in sorted(near, key=lambda k: (len(tests[k]["calls"]), tests[k]["s"])):
        spent += tests[key]["s"]
        at = next((n for n, most in enumerate(ROUNDS_S) if spent <= most), None)
        if at is not None:
            rounds[at].append(key)
    return rounds


def killed(mutant: Mutant, rounds: list[list[str]], tree: Path) -> bool:
    """Whether any of the tests fails with the change in."""
    file, kept = tree / CORE / mutant.file, (ROOT / CORE / mutant.file).read_bytes()
    file.write_bytes(kept[: mutant.start] + mutant.new.encode() + kept[mutant.end :])
    environment = os.environ | {
        "PYTHONPATH": str(tree / "src"),
        "CI": "1",
        "PYTHONDONTWRITEBYTECODE": "1",
    }
    try:
        for ids in filter(None, rounds):
            listed = tree / "ids.txt"
            listed.write_text("\n".join(ids), encoding="utf-8")
            done = subprocess.run(
                [sys.executable, "-m", "pytest", "-x", "-q", f"@{listed}"],
                cwd=tree,
                env=environment,
                capture_output=True,
                timeout=300,
            )
            if done.returncode not in (0, 5):
                return True
        return False
    except subprocess.TimeoutExpired:
        return True
    finally:
        file.write_bytes(kept)


def main() -> None:
    """Pick, try, and tell."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--many", type=int, default=120)
    asked = parser.parse_args()
    tests = touched()
    files = [f for f in sorted((ROOT / CORE).rglob("*.py")) if "question" not in f.name]
    every = [m for file in files for m in mutants(file)]
    picked = random.Random(asked.seed).sample(every, asked.many)
    trees: Queue[Path] = Queue()
    lost: list[Mutant] = []
    with tempfile.TemporaryDirectory() as folder:
        for n in range(2):
            tree = Path(folder) / str(n)
            shutil.copytree(
                ROOT / "src", tree / "src", ignore=shutil.ignore_patterns("__pycache__")
            )
            for beside in ("tests", "web", "docs", "bench", "README.md", "pyproject.toml"):
                (tree / beside).symlink_to(ROOT / beside)
            trees.put(tree)

        def one(mutant: Mutant) -> None:
            rounds, tree = chosen(mutant, tests), trees.get()
            try:
                if not killed(mutant, rounds, tree):
                    lost.append(mutant)
                    print(f"lives: {told(mutant)} ({sum(map(len, rounds))} tests)", flush=True)
            finally:
                trees.put(tree)

        with ThreadPoolExecutor(2) as pool:
            list(pool.map(one, picked))
    print(f"seed {asked.seed}: {asked.many - len(lost)} of {asked.many} noticed")


def told(mutant: Mutant) -> str:
    """A change as it is listed."""
    text = (ROOT / CORE / mutant.file).read_bytes()
    row = text.decode().splitlines()[mutant.line - 1].strip()
    old = text[mutant.start : mutant.end].decode()
    return f"{mutant.file}:{mutant.line} `{old}` -> `{mutant.new}` in {row[:90]}"


if __name__ == "__main__":
    main()
