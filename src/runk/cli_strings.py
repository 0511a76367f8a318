"""``runk strings``: every string somebody can meet, to be read from end to end."""

from __future__ import annotations

import argparse
from collections import Counter
from collections.abc import Callable
from typing import Any

from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


def add_strings(commands: Any, here: Callable[[], Workshop]) -> None:
    """Add ``runk strings [SORT]`` to the shell's commands.

    Args:
        commands: The parser's commands.
        here: Gives today's workshop.
    """
    one = commands.add_parser("strings", help="every string somebody can meet, one a line")
    one.add_argument("sort", nargs="?", default="", help="such as: caution; none counts them")
    one.add_argument(
        "--unit", choices=[u.value for u in PageUnit], default="mm", help="what sizes are told in"
    )
    one.set_defaults(run=lambda arguments: _run(arguments, here()))


def _run(arguments: argparse.Namespace, workshop: Workshop) -> int:
    from runk.strings import strings

    met = strings(workshop, PageUnit(arguments.unit))
    counts = Counter(one.sort for one in met)
    if not arguments.sort:
        print("\n".join(f"{many:6} {sort}" for sort, many in counts.most_common()))
        return 0
    if arguments.sort not in counts:
        raise Refused(f"No string is a {arguments.sort[:40]}.", suggest=", ".join(sorted(counts)))
    print("\n".join(f"{one.whose:14} {one.text}" for one in met if one.sort == arguments.sort))
    return 0
