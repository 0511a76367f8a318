"""The front end's files, and its one page with a fresh nonce each time."""

from __future__ import annotations

import json
import re
import secrets
from pathlib import Path

from fastapi import FastAPI
from starlette.exceptions import HTTPException
from starlette.responses import HTMLResponse, PlainTextResponse, Response
from starlette.staticfiles import StaticFiles

from runk.core.calculator import Catalogue

_NONCE = "__NONCE__"
_LOOK = ["GET", "HEAD"]
_NO_PAGES = ("api/", "assets/")


def policy(nonce: str) -> str:
    """What the page may load: itself, and styles carrying this nonce."""
    return (
        "default-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'; "
        f"img-src 'self' data:; object-src 'none'; style-src 'self' 'nonce-{nonce}'"
    )


def _known(dist: Path, catalogue: Catalogue) -> re.Pattern[str]:
    """The addresses that are rooms: the calculators' doors, and the front end's other views."""
    listed = dist / "views.json"
    views = json.loads(listed.read_text(encoding="utf-8")) if listed.exists() else []
    paths = [c.door.path for c in catalogue.values()] + [view["path"] for view in views] + ["/"]
    shapes = (re.sub(r":\w+", "[^/]+", re.escape(path).replace(r"\:", ":")) for path in paths)
    return re.compile("|".join(shapes))


def install(app: FastAPI, dist: Path, catalogue: Catalogue) -> None:
    """Serve the built front end from ``dist``, last of all: any other address may be a room.

    An address that is none gets the page as well, which says so, with the status that says so.
    """
    if (dist / "assets").is_dir():
        app.mount("/assets", StaticFiles(directory=dist / "assets"), name="assets")
    known = _known(dist, catalogue)

    async def page(room: str = "") -> Response:
        if f"{room}/".startswith(_NO_PAGES) or "." in room.rsplit("/", 1)[-1]:
            raise HTTPException(404)
        index = dist / "index.html"
        if not index.exists():
            return PlainTextResponse("The front end is not built: run `make demo`.", 503)
        nonce = secrets.token_urlsafe(16)
        return HTMLResponse(
            index.read_text(encoding="utf-8").replace(_NONCE, nonce),
            200 if known.fullmatch(f"/{room}") else 404,
            headers={"content-security-policy": policy(nonce), "cache-control": "no-store"},
        )

    async def icon() -> Response:
        path = dist / "icon.svg"
        found = path.exists()
        return Response(
            path.read_bytes() if found else b"", 200 if found else 404, media_type="image/svg+xml"
        )

    app.add_api_route("/icon.svg", icon, methods=_LOOK, include_in_schema=False)
    app.add_api_route("/", page, methods=_LOOK, include_in_schema=False)
    app.add_api_route("/{room:path}", page, methods=_LOOK, include_in_schema=False)
