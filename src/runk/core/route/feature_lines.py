"""Features as they are typed, beside their own sentences: shapes of whole lines."""

from __future__ import annotations

_ON_AXIS = (
    ("drilled", "drill|drilled|hole", "{size}"),
    ("reamed", "ream|reamed", "{size}"),
    ("reamed", "ream|reamed", "{size} {limits}"),
    ("tapped", "tap|tapped", "{screw}"),
)


def _hole(rest: str) -> tuple[str, ...]:
    """A single hole of any kind, and what is said of it behind its size."""
    return tuple(f"{{kind={kind}}}<{words}> {size}{rest}" for kind, words, size in _ON_AXIS)


_CALLED = "[, called {called}]"
_SPAN = f", from {{start}} to {{end}}{_CALLED}"
_PATTERN = (
    "[<, on a|, on| on a| on> {circle}< circle| pcd|>][, {apart}[ by {rise}] apart]"
    "[, {deep} deep][, {side}][, at {start}][ by {up}][, turned {angle}< degrees|>]"
    f"{_CALLED}"
)
_ACROSS = "{size}< across| af| a/f|>[ {limits}]"

FEATURE_LINES = (
    f"{{kind=flats}}{{count}} flats {{size}}< across| af|>[ {{limits}}]{_SPAN}",
    f"{{kind=flats}}{{count=6}}<hexagon|hex> {_ACROSS}{_SPAN}",
    f"{{kind=flats}}{{count=4}}<square> {_ACROSS}{_SPAN}",
    "{kind=bore-keyway}<keyway|keyseat> {wide} wide, {deep} deep<, in the bore| in the bore>"
    f"{_SPAN}",
    f"{{kind=holes}}{{count}} <tapped|threaded> holes {{screw}}{_PATTERN}",
    f"{{kind=holes}}{{count}} holes {{screw}}{_PATTERN}",
    f"{{kind=holes}}{{count}} holes {{size}}{_PATTERN}",
    f"{{kind=holes}}{{count}} <reamed> holes {{size}} {{limits}}{_PATTERN}",
    # A reamer bores to H7 where nobody says otherwise.
    f"{{kind=holes}}{{limits=H7}}{{count}} <reamed|dowel> holes {{size}}{_PATTERN}",
    *_hole(f", {{throw}} <off centre|off the axis|off|out>[, {{deep}} deep][, {{side}}]{_CALLED}"),
    "{kind} {size}[ {limits}] from {start} to {end}",
    f"{{size}} {{kind}}[ {{limits}}]<,|> from {{start}} to {{end}}{_CALLED}",
    *_hole(" at {start} {side}"),
    "{kind=thread}{screw} thread<,|> from {start} to {end}",
    "{kind=tapped}<tap|tapped> {screw}[, {deep} deep][, {side}]",
    *_hole(
        "<, right through|, through| right through| through|>[, {side}]"
        f"[, at {{start}}][ by {{up}}]{_CALLED}"
    ),
    *_hole(f" at {{start}} by {{up}}[, {{deep}} deep][, {{side}}]{_CALLED}"),
    "{kind=face}<face|shoulder> {start}",
    "{kind=groove}<groove|undercut> {wide} wide, {size}< dia|>, at {start}",
)
"""What a feature may be typed as; a part in brackets may be left out."""
