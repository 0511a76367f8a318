"""Writes the OpenAPI description the TypeScript types are generated from."""

from __future__ import annotations

import json
import sys
import tempfile
from pathlib import Path

from runk.api.app import create_app
from runk.store.database import Store


def schema() -> str:
    """The description as text, the same every time."""
    with tempfile.TemporaryDirectory() as folder:
        store = Store(f"sqlite:///{folder}/schema.sqlite3")
        text = json.dumps(create_app(store).openapi(), indent=1, sort_keys=True)
        store.close()
    return text


if __name__ == "__main__":
    Path(sys.argv[1]).write_text(schema() + "\n", encoding="utf-8")
