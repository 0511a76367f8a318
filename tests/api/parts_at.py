"""What is done to a part over HTTP by a window that has just looked at it."""

from __future__ import annotations

from typing import Any

from fastapi.testclient import TestClient


def version_of(client: TestClient, part: int) -> int:
    """The version a window sees that opens the part now; 1 of one that is gone."""
    return int(client.get(f"/api/parts/{part}").json().get("version", 1))


def done_to(client: TestClient, part: int, what: str, body: dict[str, Any]) -> Any:
    """Post something to a part, on the version it has now."""
    whole = {"version": version_of(client, part), **body}
    return client.post(f"/api/parts/{part}/{what}", json=whole)


def seen(client: TestClient, body: dict[str, Any]) -> dict[str, Any]:
    """Two features that go together, with the versions their parts have now."""
    sides = ("hole", "shaft")
    return {**body, **{f"{s}_version": version_of(client, body[f"{s}_part"]) for s in sides}}
