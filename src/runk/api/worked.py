"""Where work is done: never where everybody waits, and files and searches a few at a time."""

from __future__ import annotations

import gc
from collections.abc import Callable
from typing import ParamSpec, TypeVar

from anyio import CapacityLimiter, to_thread
from anyio.lowlevel import RunVar

P = ParamSpec("P")
T = TypeVar("T")

FILES_AT_ONCE, SEARCHES_AT_ONCE = 1, 1
"""So many files are read or drawn, and routes looked for, at once: the others wait their turn.

Two of them would halve what a plain question gets of the interpreter, and be no sooner done."""

_FILES: RunVar[CapacityLimiter] = RunVar("files")
_SEARCHES: RunVar[CapacityLimiter] = RunVar("searches")


def _limiter(of: RunVar[CapacityLimiter], most: int) -> CapacityLimiter:
    try:
        return of.get()
    except LookupError:
        limiter = CapacityLimiter(most)
        of.set(limiter)
        return limiter


async def worked(work: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
    """Work out an answer aside, so that nobody else waits for it.

    Args:
        work: What is to be worked out; ``args`` and ``kwargs`` what it is given.
    """
    return await to_thread.run_sync(lambda: work(*args, **kwargs))


async def filed(work: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
    """Read or write a file aside, a few at a time."""
    limiter = _limiter(_FILES, FILES_AT_ONCE)
    return await to_thread.run_sync(lambda: work(*args, **kwargs), limiter=limiter)


async def searched(work: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
    """Look for a route aside, one at a time."""
    limiter = _limiter(_SEARCHES, SEARCHES_AT_ONCE)
    return await to_thread.run_sync(lambda: _uncollected(work, *args, **kwargs), limiter=limiter)


def _uncollected(work: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
    """Work without the collector: it would walk through all a search has found, again and again,
    and everybody waits while it does. A search makes no loops, and ends."""
    gc.disable()
    try:
        return work(*args, **kwargs)
    finally:
        gc.enable()
