"""Answers that are files to keep."""

from __future__ import annotations

from fastapi import Response


def as_file(body: bytes, kind: str, name: str) -> Response:
    """A response the browser saves under a name."""
    return Response(
        body,
        media_type=kind,
        headers={
            "content-disposition": f'attachment; filename="{name}"',
            "cache-control": "no-store",
        },
    )
