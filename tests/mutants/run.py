"""Change the core in one place, run the tests that touch that place, list what nobody noticed.

``make mutants`` tries 120 changes picked by a seed: a sum, a comparison, a constant. Which test
calls which function is recorded first, and anew when a test or the core has changed. Questions
and their words are left alone, and so are the hairs (1e-9) that keep floats apart: a hair more is
the same program.
"""

from __future__ import annotations

import argparse
import json
import os
import random
import shutil
import subprocess
import sys
import tempfile
from collections.abc import Iterable
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from queue import Queue
from typing import Any

from tests.mutants.changes import CORE, ROOT, Mutant, mutants, told

TOUCHED = ROOT / ".stamps" / "touched"
TESTS = [
    "src/runk/core",
    "tests/core",
    "tests/reference",
    "tests/route",
    "tests/ask",
    "tests/golden",
    "tests/api/test_wanted.py",
]
ROUNDS_S = (20.0, 90.0)
"""Seconds of tests for each change: those that touch least else first, then the others."""


def _files(at: Path) -> Iterable[Path]:
    return [at] if at.is_file() else at.rglob("*.py")


def touched() -> dict[str, Any]:
    """Which functions each test calls, and its seconds."""
    newest = max(p.stat().st_mtime for d in TESTS for p in _files(ROOT / d))
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
    """The tests for a change, in their rounds: those that look at most of what comes of it first."""
    mark = f"{mutant.file}:{mutant.function}"
    near = {k for k, t in tests.items() if mark in t["calls"]} if mutant.function else set()
    if not near:
        near = {
            k for k, t in tests.items() if any(c.startswith(f"{mutant.file}:") for c in t["calls"])
        }
    rounds, spent = [[] for _ in ROUNDS_S], 0.0

    def nearness(key: str) -> tuple[bool, int, float]:
        return "golden" not in key, len(tests[key]["calls"]), tests[key]["s"]

    for key in sorted(near, key=nearness):
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


if __name__ == "__main__":
    main()
