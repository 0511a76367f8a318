"""How many cases a property is given: a few in ``make test``, many in ``make sweep``.

A sweep takes another seed each time and says which (``RUNK_SWEEP``); what it finds becomes a case
of its own (``@example``, a row of a table), so that ``make test`` knows it from then on.
"""

from __future__ import annotations

import os
from typing import Any

from hypothesis import settings

SWEEP = bool(os.environ.get("RUNK_SWEEP"))
MOST, TIMES = 200, 25


def many(usual: int) -> int:
    """How many cases, of a property that wants so many in an ordinary run."""
    return usual * TIMES if SWEEP else min(usual, MOST)


def cases(usual: int, **more: Any) -> settings:
    """The settings of a property: so many cases, and no test fails for a busy machine."""
    return settings(max_examples=many(usual), deadline=None, **more)
