"""The door: who may talk to the server, how much at once, and what pages may load."""

from __future__ import annotations

import logging
import re
from collections.abc import Awaitable, Callable, MutableMapping
from typing import Any
from urllib.parse import urlsplit

from starlette.exceptions import HTTPException
from starlette.requests import ClientDisconnect

from runk.api.problems import problem

Scope = MutableMapping[str, Any]
Receive = Callable[[], Awaitable[MutableMapping[str, Any]]]
Send = Callable[[MutableMapping[str, Any]], Awaitable[None]]
App = Callable[[Scope, Receive, Send], Awaitable[None]]

LARGEST_BODY = 256 * 1024
LARGEST_FILE = 16 * 1024 * 1024
FILES = frozenset({"/api/tools/csv", "/api/setout/read", "/api/engines/file"})
"""Where a whole file may be sent."""
LOCAL_HOSTS = frozenset({"127.0.0.1", "localhost", "[::1]"})
_HOST = re.compile(r"(\[[0-9a-f:]{2,45}\]|[a-z0-9._-]{1,253})(?::[0-9]{1,5})?")
_HALF = re.compile(
    rb"(?<!\\)(?:\\\\)*\\u(?:[dD][89abAB][0-9a-fA-F]{2}(?!\\u[dD][c-fC-F])"
    rb"|(?<!\\u[dD][89abAB][0-9a-fA-F]{2}\\u)[dD][c-fC-F][0-9a-fA-F]{2})"
)
"""Half of a pair of surrogates in JSON: no character, and nothing that could be written down."""
_LOG = logging.getLogger("runk")
_OURS = frozenset({b"same-origin", b"none"})
"""Another program's page on this very machine is a foreign page too."""
_SAFE = frozenset({"GET", "HEAD", "OPTIONS"})
_HEADERS = (
    (b"x-content-type-options", b"nosniff"),
    (b"referrer-policy", b"no-referrer"),
    (b"x-frame-options", b"DENY"),
)


def host_of(header: str) -> str:
    """The host of a Host header, without its port.

    >>> host_of("127.0.0.1:8000"), host_of("[::1]:8000"), host_of("[::1].elsewhere")
    ('127.0.0.1', '[::1]', '')
    """
    found = _HOST.fullmatch(header.lower())
    return found[1] if found else ""


def too_large(largest: int) -> str:
    """What is said of a body over its bound.

    >>> too_large(2048)
    'That is more than 2 kB at once.'
    """
    return f"That is more than {largest // 1024} kB at once."


class Guard:
    """Refuses foreign Hosts, writes from foreign pages, and bodies that are too large."""

    def __init__(self, app: App, hosts: frozenset[str] = LOCAL_HOSTS) -> None:
        self.app, self.hosts = app, hosts

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Pass a request on, or answer it here."""
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        headers = dict(scope["headers"])
        largest = LARGEST_FILE if scope["path"] in FILES else LARGEST_BODY
        refusal = self._refusal(scope["method"], scope["path"], headers, largest)
        started = False

        async def with_headers(message: MutableMapping[str, Any]) -> None:
            nonlocal started
            if message["type"] == "http.response.start":
                started = True
                message["headers"] = [*message["headers"], *_HEADERS]
            await send(message)

        if refusal is not None:
            await refusal(scope, receive, with_headers)
            return
        seen = 0
        pieces: list[bytes] = []

        async def counted() -> MutableMapping[str, Any]:
            nonlocal seen
            message = await receive()
            body = message.get("body", b"")
            seen += len(body)
            if seen > largest:
                raise HTTPException(413, too_large(largest))
            if b"\\" in body or pieces:
                pieces.append(body)
                if not message.get("more_body") and _HALF.search(b"".join(pieces)):
                    raise HTTPException(422, "There is half a character in that: type it again.")
            return message

        try:
            await self.app(scope, counted, with_headers)
        except ClientDisconnect:
            # Whoever asked is gone: there is nobody to be told anything, and nothing went wrong.
            return
        except Exception:
            if started:
                raise
            # Said in words and with the headers of every page, wherever it went wrong.
            _LOG.exception("%s %s", scope["method"], scope["path"])
            says = "Something went wrong in Runk itself. What you typed is still in the page."
            await problem(500, "A fault of Runk's", says)(scope, receive, with_headers)

    def _refusal(self, method: str, path: str, headers: dict[bytes, bytes], largest: int) -> Any:
        host = headers.get(b"host", b"").decode("latin-1")
        if host_of(host) not in self.hosts:
            return problem(400, "Foreign host", "This server answers only on its own address.")
        site = headers.get(b"sec-fetch-site", b"same-origin")
        if path.startswith("/api/") and method in _SAFE and site not in _OURS:
            return problem(403, "Foreign page", "Another page may not ask here.")
        if method in _SAFE:
            return None
        origin = headers.get(b"origin", b"").decode("latin-1")
        if origin and urlsplit(origin).netloc != host:
            return problem(403, "Foreign page", "Another page may not write here.")
        if site not in _OURS:
            return problem(403, "Foreign page", "Another page may not write here.")
        length = headers.get(b"content-length", b"0")
        if not length.isdigit() or int(length) > largest:
            return problem(413, "Too large", too_large(largest))
        return None
