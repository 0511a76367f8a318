"""The front end's files, and its one page with a fresh nonce each time."""

from __future__ import annotations

import secrets
from pathlib import Path

from fastapi import FastAPI
from starlette.responses import HTMLResponse, PlainTextResponse, Response
from starlette.staticfiles import StaticFiles

_NONCE = "__NONCE__"
_ROOMS = (
    "/",
    "/speeds",
    "/to-size",
    "/to-size/{cut}",
    "/practice",
    "/holes",
    "/holes/{question}",
    "/trays",
    "/threads",
    "/threads/{job}",
    "/faults",
    "/metals",
    "/sheet",
    "/slate",
    "/workshop",
)


def policy(nonce: str) -> str:
    """What the page may load: itself, and styles carrying this nonce."""
    return (
        "default-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'; "
        f"img-src 'self' data:; object-src 'none'; style-src 'self' 'nonce-{nonce}'"
    )


def install(app: FastAPI, dist: Path) -> None:
    """Serve the built front end from ``dist``."""
    if (dist / "assets").is_dir():
        app.mount("/assets", StaticFiles(directory=dist / "assets"), name="assets")

    async def page() -> Response:
        index = dist / "index.html"
        if not index.exists():
            return PlainTextResponse("The front end is not built: run `make demo`.", 503)
        nonce = secrets.token_urlsafe(16)
        return HTMLResponse(
            index.read_text(encoding="utf-8").replace(_NONCE, nonce),
            headers={"content-security-policy": policy(nonce), "cache-control": "no-store"},
        )

    async def icon() -> Response:
        path = dist / "icon.svg"
        found = path.exists()
        return Response(
            path.read_bytes() if found else b"", 200 if found else 404, media_type="image/svg+xml"
        )

    for room in _ROOMS:
        app.add_api_route(room, page, include_in_schema=False)
    app.add_api_route("/icon.svg", icon, include_in_schema=False)
