"""The locked door of the workshop's network: a pass-phrase, sessions, and limited tries."""

from __future__ import annotations

import hashlib
import math
import secrets
import threading
import time
import unicodedata
from collections import OrderedDict, deque
from collections.abc import Callable

from starlette.types import ASGIApp, Receive, Scope, Send

from runk.api.problems import problem
from runk.core.refusals import Refused

COOKIE = "runk_session"
SHORTEST, LONGEST = 10, 200
SESSION_S = 30 * 24 * 3600
FREE_TRIES = 5
LONGEST_WAIT_S = 900.0
EVERYBODY_TRIES, EVERYBODY_S = 60, 600.0
_MOST_SESSIONS, _MOST_ADDRESSES = 50, 1000
_OPEN = frozenset({"/api/alive", "/api/sign-in"})


def _behind(path: str) -> bool:
    """Whether a path is only for whoever has signed in: what is kept, and what could be asked."""
    return (path.startswith("/api/") and path not in _OPEN) or path == "/openapi.json"


_SHOP = """
anvil arbor bench bevel blank bobbin bolt boss brazing bush caliper casting chisel collar collet
crank cutter damper divider drill ferrule file fillet flange flux forge gasket gauge gland governor
groove hammer hexagon hopper journal keyway ladle lathe lever mandrel nipple paraffin pedestal
pinion piston plunger pulley quadrant ratchet reamer rivet rocker saddle scriber shim sleeve spigot
spindle steady stud swarf tailstock valve washer
"""
_WORDS = tuple(_SHOP.split())


class Wait(Exception):  # noqa: N818 - said to a person as how long to wait
    """Too many wrong tries; nothing was looked at."""

    def __init__(self, seconds: float) -> None:
        super().__init__(f"wait {math.ceil(seconds)} s")
        self.seconds = math.ceil(seconds)


def made_up_phrase(words: int = 5) -> str:
    """A pass-phrase of words from the shop, easy to type with one finger.

    >>> len(made_up_phrase().split())
    5
    """
    return " ".join(secrets.choice(_WORDS) for _ in range(words))


def check_phrase(phrase: str) -> str:
    """The phrase as it is compared: capitals and doubled spaces make no difference.

    Raises:
        Refused: Too short to keep anybody out, or too long.
    """
    plain = " ".join(unicodedata.normalize("NFKC", phrase).casefold().split())
    if len(plain) < SHORTEST:
        raise Refused(
            f"A pass-phrase has {SHORTEST} characters at least; a few words are easy to type.",
            field="phrase",
            suggest=made_up_phrase(),
        )
    if len(plain) > LONGEST:
        raise Refused(f"A pass-phrase has {LONGEST} characters at most.", field="phrase")
    return plain


class Door:
    """Who may come in.

    Args:
        phrase: The pass-phrase; only a slow hash of it is kept.
        clock: Seconds that only grow; given by tests.
    """

    def __init__(self, phrase: str, clock: Callable[[], float] = time.monotonic) -> None:
        self._salt, self._clock = secrets.token_bytes(16), clock
        self._hash = self._hashed(check_phrase(phrase))
        self._lock = threading.Lock()
        self._sessions: OrderedDict[bytes, float] = OrderedDict()
        self._wrong: OrderedDict[str, tuple[int, float]] = OrderedDict()
        self._lately: deque[float] = deque(maxlen=EVERYBODY_TRIES)
        self._welcome: OrderedDict[str, None] = OrderedDict.fromkeys(("127.0.0.1", "::1"))

    def _hashed(self, plain: str) -> bytes:
        return hashlib.scrypt(plain.encode(), salt=self._salt, n=2**14, r=8, p=1)

    def enter(self, phrase: str, address: str) -> str | None:
        """Try a pass-phrase.

        Args:
            phrase: As typed.
            address: Who tries; each address has its own count of wrong ones.

        Returns:
            A new session's token, or None where the phrase is wrong.

        Raises:
            Wait: Too many wrong tries; even the right phrase is not looked at until then.
        """
        with self._lock:
            self._may_try(address)
            # Counted before the slow part, so that a thousand tries at once are a thousand.
            self._count(address)
        plain = " ".join(unicodedata.normalize("NFKC", phrase[:LONGEST]).casefold().split())
        if not secrets.compare_digest(self._hashed(plain), self._hash):
            return None
        token = secrets.token_urlsafe(32)
        with self._lock:
            self._wrong.pop(address, None)
            self._welcome[address] = None
            while len(self._welcome) > _MOST_ADDRESSES:
                self._welcome.popitem(last=False)
            if self._lately:
                self._lately.pop()
            self._sessions[_digest(token)] = self._clock() + SESSION_S
            while len(self._sessions) > _MOST_SESSIONS:
                self._sessions.popitem(last=False)
        return token

    def _may_try(self, address: str) -> None:
        now = self._clock()
        _, until = self._wrong.get(address, (0, 0.0))
        if now < until:
            raise Wait(until - now)
        if address in self._welcome:
            # Whoever was let in before is not shut out by what others try.
            return
        if len(self._lately) == EVERYBODY_TRIES and now - self._lately[0] < EVERYBODY_S:
            raise Wait(EVERYBODY_S - (now - self._lately[0]))

    def _count(self, address: str) -> None:
        now = self._clock()
        tries = self._wrong.pop(address, (0, 0.0))[0] + 1
        over = tries - FREE_TRIES
        wait = min(2.0 ** min(over, 20), LONGEST_WAIT_S) if over >= 0 else 0.0
        self._wrong[address] = (tries, now + wait)
        self._lately.append(now)
        while len(self._wrong) > _MOST_ADDRESSES:
            self._wrong.popitem(last=False)

    def knows(self, token: str) -> bool:
        """Whether a session's token is good now."""
        with self._lock:
            return self._sessions.get(_digest(token), 0.0) > self._clock()

    def leave(self, token: str) -> None:
        """End a session: its cookie is worth nothing from here on."""
        with self._lock:
            self._sessions.pop(_digest(token), None)


def _digest(token: str) -> bytes:
    return hashlib.sha256(token.encode("utf-8", "replace")).digest()


def token_of(cookies: str) -> str:
    """The session's token in a Cookie header, or an empty text.

    Other programs of this machine set cookies too, of any shape: only ours is looked for.

    >>> token_of('theme; a={"x":1}; runk_session=abc')
    'abc'
    """
    for one in cookies.split(";"):
        name, _, value = one.strip().partition("=")
        if name == COOKIE:
            return value.strip('"')
    return ""


class Locked:
    """Lets only sessions of a door through to the answers; the empty pages stay open."""

    def __init__(self, app: ASGIApp, door: Door) -> None:
        self.app, self.door = app, door

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Pass a request on, or ask for the pass-phrase."""
        path = scope.get("path", "")
        if scope["type"] == "http" and _behind(path):
            cookies = dict(scope["headers"]).get(b"cookie", b"").decode("latin-1")
            if not self.door.knows(token_of(cookies)):
                answer = problem(401, "Locked", "Sign in with the pass-phrase first.", "phrase")
                await answer(scope, receive, send)
                return
        await self.app(scope, receive, send)
