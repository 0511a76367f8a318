"""A pytest plugin that records which functions of the core each test calls, and how long it takes.

Loaded by ``tests/mutants/run.py`` alone; every worker writes its own file.
"""

from __future__ import annotations

import json
import os
import sys
import time
from collections.abc import Iterator
from types import FrameType
from typing import Any

import pytest

_CORE = f"{os.sep}runk{os.sep}core{os.sep}"
_SEEN: dict[str, dict[str, Any]] = {}


@pytest.hookimpl(wrapper=True)
def pytest_runtest_call(item: pytest.Item) -> Iterator[None]:
    called: set[tuple[str, int]] = set()

    def look(frame: FrameType, event: str, _: object) -> None:
        if event == "call":
            code = frame.f_code
            if _CORE in code.co_filename:
                called.add((code.co_filename, code.co_firstlineno))

    began = time.perf_counter()
    sys.setprofile(look)
    try:
        return (yield)
    finally:
        sys.setprofile(None)
        _SEEN[item.nodeid] = {
            "s": round(time.perf_counter() - began, 3),
            "calls": sorted(f"{file.split(_CORE)[1]}:{line}" for file, line in called),
        }


def pytest_sessionfinish() -> None:
    worker = os.environ.get("PYTEST_XDIST_WORKER")
    if worker:
        with open(f"{os.environ['RUNK_TOUCHED']}.{worker}", "w", encoding="utf-8") as out:
            json.dump(_SEEN, out)
