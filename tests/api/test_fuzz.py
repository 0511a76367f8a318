"""The API fuzzed by its own description: no fault for anything, every reply as promised."""

from __future__ import annotations

from typing import Any

import pytest
import schemathesis
from hypothesis import HealthCheck, given
from hypothesis.errors import Unsatisfiable
from schemathesis import GenerationMode

from runk.api.app import create_app
from runk.store.database import Store
from tests.cases import SWEEP, cases

# What a question means is for the core to judge: it refuses plenty that the shape allows.
CHECKS = [
    "not_a_server_error",
    "response_schema_conformance",
    "content_type_conformance",
    "status_code_conformance",
]


@pytest.mark.parametrize("mode", [GenerationMode.POSITIVE, GenerationMode.NEGATIVE])
def test_the_schema_is_kept_whatever_is_sent(filled: Store, mode: GenerationMode) -> None:
    schema = schemathesis.openapi.from_asgi("/openapi.json", create_app(filled))
    schemathesis.checks.load_all_checks()
    checks = schemathesis.checks.CHECKS.get_by_names(CHECKS)
    tried, negative = [], mode is GenerationMode.NEGATIVE
    for at, found in enumerate(schema.get_all_operations()):
        operation = found.ok()
        if negative and _alike(operation) and not SWEEP and at % 6:
            # Read and refused by the same few lines: the rest of them is for the sweep.
            continue
        tried.append(_fuzz(operation, mode, checks))
    assert sum(tried) > 150


def _alike(operation: Any) -> bool:
    """Whether it is one of the sixty calculators, which one way of asking serves."""
    return bool(operation.path.startswith("/api/calc/"))


def _fuzz(operation: Any, mode: GenerationMode, checks: list[Any]) -> int:
    count = 0
    negative = mode is GenerationMode.NEGATIVE

    @cases(
        1 if _alike(operation) else 2 if negative else 3,
        database=None,
        suppress_health_check=list(HealthCheck),
    )
    @given(case=operation.as_strategy(generation_mode=mode))
    def once(case: Any) -> None:
        nonlocal count
        count += 1
        response = case.call(headers={"host": "127.0.0.1"})
        case.validate_response(response, checks=checks)

    try:
        once()
    except Unsatisfiable:
        # An address that takes nothing cannot be asked wrongly.
        return 0
    return count
