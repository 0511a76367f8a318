"""Writes the OpenAPI description the TypeScript types are generated from."""

from __future__ import annotations

import json
import re
import sys
import tempfile
from pathlib import Path
from typing import Any

from runk.api.app import create_app
from runk.store.database import Store

_REF = re.compile(r"#/components/schemas/(\w+)")


def schema(*, components: bool = False) -> str:
    """The description as text, the same every time.

    Args:
        components: The models alone, as the front end's types are made from.
    """
    with tempfile.TemporaryDirectory() as folder:
        store = Store(f"sqlite:///{folder}/schema.sqlite3")
        whole = create_app(store).openapi()
        if components:
            whole = _for_types(whole)
        text = json.dumps(whole, indent=1, sort_keys=True)
        store.close()
    return text


def _for_types(whole: dict[str, Any]) -> dict[str, Any]:
    """The models of replies and of stored things, without their prose.

    The front end knows a question by its description, at run time: it has no use for the type of
    one, and none for titles that are its name again.
    """
    every: dict[str, Any] = whole["components"]["schemas"]
    kept: dict[str, Any] = {}
    wanted = [name for name in every if not name.endswith("Question")]
    while wanted:
        name = wanted.pop()
        if name not in kept:
            kept[name] = _bare(every[name])
            wanted += _REF.findall(json.dumps(every[name]))
    return whole | {"paths": {}, "components": {"schemas": kept}}


def _bare(model: Any) -> Any:
    """A model without titles and descriptions; fields of those names stay."""
    if isinstance(model, list):
        return [_bare(one) for one in model]
    if not isinstance(model, dict):
        return model
    bare = {
        key: _bare(value)
        for key, value in model.items()
        if not (key in ("title", "description") and isinstance(value, str))
    }
    if isinstance(model.get("properties"), dict):
        bare["properties"] = {name: _bare(one) for name, one in model["properties"].items()}
    return bare


if __name__ == "__main__":
    Path(sys.argv[1]).write_text(schema() + "\n", encoding="utf-8")
    # The front end's types are made from the models alone.
    Path(sys.argv[2]).write_text(schema(components=True) + "\n", encoding="utf-8")
