"""Questions of every calculator, each a step away from one that is answered, and what comes of them.

What is kept of an answer is a mark of everything in it: figures, sentences, cautions, links, drawing.
A mark says nothing of what is right (that is `tests/reference`); it says that something changed.
"""

from __future__ import annotations

import json
from base64 import b32encode
from collections.abc import Iterator
from hashlib import blake2b
from typing import Any

from pydantic_core import to_jsonable_python

from runk.api.calculators import answer_typed
from runk.core.catalogue import CATALOGUE
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.drive import Asked, a_step_away
from runk.drive import bases as driven
from tests.api.test_contract import ASKED

FINE = tuple(1.14**k for k in range(-11, 12))
"""So near to one another that a threshold moved by fifteen in a hundred is crossed otherwise."""
COARSE = ((0.25, 0.4, 0.63, 0.8, 1.3, 1.6, 2.5, 4.0), (0.5, 1.7))


def bases(name: str) -> list[Asked]:
    """Questions of a calculator that others are a step away from."""
    return driven(CATALOGUE[name], [ASKED.get(name, {})])


def questions(name: str) -> Iterator[Asked]:
    """Every question of a calculator that is kept."""
    for n, base in enumerate(bases(name)):
        yield base
        # Beyond the first it is looked at in strides: most of it is the same.
        yield from a_step_away(CATALOGUE[name], base, FINE if n == 0 else COARSE[n > 1])


def marked(name: str, asked: Asked) -> tuple[str, str]:
    """A question's mark and its answer's."""
    try:
        said: Any = to_jsonable_python(answer_typed(CATALOGUE[name], asked, PageUnit.MM, WORKSHOP))
    except Refused as refused:
        said = [refused.says, refused.field, refused.suggest]
    return mark(asked), mark(said)


def mark(value: Any) -> str:
    """Eight letters for anything plain; a number counts to six figures."""
    text = json.dumps(_rounded(value), sort_keys=True, ensure_ascii=False, default=str)
    return b32encode(blake2b(text.encode(), digest_size=5).digest()).decode().lower()


def _rounded(value: Any) -> Any:
    if isinstance(value, float):
        return f"{value:.6g}" if abs(value) > 1e-9 else "0"
    if isinstance(value, dict):
        return {k: _rounded(v) for k, v in value.items()}
    if isinstance(value, set | frozenset):
        return sorted(map(_rounded, value))
    if isinstance(value, list | tuple):
        return [_rounded(v) for v in value]
    return value
