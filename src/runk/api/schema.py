"""Writes the OpenAPI description the TypeScript types are generated from."""

from __future__ import annotations

import json
import sys
import tempfile
from pathlib import Path

from runk.api.app import create_app
from runk.store.database import Store


def schema(*, components: bool = False) -> str:
    """The description as text, the same every time.

    Args:
        components: The models alone, as the front end's types are made from.
    """
    with tempfile.TemporaryDirectory() as folder:
        store = Store(f"sqlite:///{folder}/schema.sqlite3")
        whole = create_app(store).openapi()
        if components:
            whole = whole | {"paths": {}}
        text = json.dumps(whole, indent=1, sort_keys=True)
        store.close()
    return text


if __name__ == "__main__":
    Path(sys.argv[1]).write_text(schema() + "\n", encoding="utf-8")
    # The front end's types are made from the models alone.
    Path(sys.argv[2]).write_text(schema(components=True) + "\n", encoding="utf-8")
