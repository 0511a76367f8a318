"""How long a request may take to be said, and how many may be said at once."""

from __future__ import annotations

import asyncio
import contextlib
from collections import Counter
from typing import Any, ClassVar

import h11
from uvicorn.protocols.http.h11_impl import H11Protocol

HEAD_S = 15.0
"""A request's head comes within so long, or its connection is closed."""
BODY_S = 60.0
"""And its body within so long after: a drawing of two megabytes over a slow tablet has time."""
MOST_FROM_ONE, MOST_AT_ALL = 64, 512
_FILES_WANTED = 4096


def room_for_sockets() -> None:
    """Raise the number of files this process may hold, as far as the system lets it."""
    try:
        import resource
    except ImportError:  # Windows counts them otherwise.
        return
    soft, hard = resource.getrlimit(resource.RLIMIT_NOFILE)
    wanted = _FILES_WANTED if hard == resource.RLIM_INFINITY else min(hard, _FILES_WANTED)
    if soft < wanted:
        with contextlib.suppress(ValueError, OSError):
            resource.setrlimit(resource.RLIMIT_NOFILE, (wanted, hard))


class Patient(H11Protocol):
    """HTTP with an end to its patience: half a request holds nobody else up."""

    head_s, body_s = HEAD_S, BODY_S
    most_from_one, most_at_all = MOST_FROM_ONE, MOST_AT_ALL
    _held: ClassVar[Counter[str]] = Counter()
    _late: asyncio.TimerHandle | None = None
    _address = ""
    _body = False

    def connection_made(self, transport: Any) -> None:
        """Let a connection in, unless that address holds too many already."""
        super().connection_made(transport)
        peer = transport.get_extra_info("peername")
        self._address = str(peer[0]) if peer else "?"
        Patient._held[self._address] += 1
        if (
            Patient._held[self._address] > self.most_from_one
            or Patient._held.total() > self.most_at_all
        ):
            transport.abort()
            return
        self._wait()

    def connection_lost(self, exc: Exception | None) -> None:
        """Forget it."""
        self._calm()
        left = Patient._held[self._address] - 1
        if left > 0:
            Patient._held[self._address] = left
        else:
            Patient._held.pop(self._address, None)
        super().connection_lost(exc)

    def data_received(self, data: bytes) -> None:
        """Read on; a head that is not whole yet keeps its clock running."""
        super().data_received(data)
        if self.conn.their_state is h11.IDLE:
            self._wait()
        elif self.conn.their_state is h11.SEND_BODY:
            # Its head is whole: the clock is set anew, once, however slowly the rest drips in.
            if not self._body:
                self._calm()
                self._body = True
                self._late = self.loop.call_later(self.body_s, self.transport.abort)
        else:
            self._calm()

    def _wait(self) -> None:
        self._body = False
        if self._late is None:
            self._late = self.loop.call_later(self.head_s, self.transport.abort)

    def _calm(self) -> None:
        self._body = False
        if self._late is not None:
            self._late.cancel()
            self._late = None
