"""How a pattern of holes is said, and how its lines go."""

from __future__ import annotations

_REST = (
    "[, {hole} each][, start {start} degrees][, middle {x} from the left edge]"
    "[ and {y} from the near edge][, bore {bore}][, rim {rim}][, face {wide}][ by {high}]"
    "[, {seen}]"
)
_COUNTED = "[, {counted}]"
_CLEAR = "[, clear of {ports}]"
_ON = "{count} holes <on |round |><an? |the |>{circle} <pcd|p.c.d.|bcd|pitch circle|circle>"
SENTENCES = {
    "circle": f"{{count}} holes {{pattern}}[ of {{circle}}]{_CLEAR}{_REST}{_COUNTED}",
    "arc": f"{{count}} holes {{pattern}}[ of {{circle}}] over {{turn}} degrees{_CLEAR}{_REST}"
    f"{_COUNTED}",
    "row": f"{{count}} holes {{pattern}}, {{pitch}} apart{_REST}",
    "grid": f"{{rows}} rows of {{count}} holes {{pattern}}, {{pitch}} apart"
    f"[, rows {{up}} apart]{_REST}",
    "diamond": f"Holes {{pattern}}, {{long}} one way[, {{short}} the other way]{_CLEAR}{_REST}"
    f"{_COUNTED}",
    "points": f"Holes {{pattern}} at {{spots}}{_REST}",
}
LINES = (
    f"{_ON}{_REST}{_CLEAR}{_COUNTED}",
    f"{_ON}[ <starting at|starting|starts|start at|start> {{start}}< degrees| deg|°|>]"
    "[ <centre |middle |><from the edges|from the edge|from edge> {x}< and| by| x|,|> "
    "<(?=[-.0-9])>{y}][, {hole}< each| drill| holes>]",
    f"{{pattern=arc}}{_ON} <over|spread over|across> {{turn}}< degrees| deg|°|>{_REST}{_COUNTED}",
    "{pattern=arc}{count} holes <over|spread over|across> {turn} <degrees|deg|°> <on|of|round> "
    f"<an? |the |>{{circle}}< pcd| pitch circle| circle|>{_REST}{_COUNTED}",
    "{count} holes <between|halfway between> bore {bore} and rim {rim}[, {hole} each]",
    "{pattern=points}holes at {spots}",
)
