"""How a pattern of holes is said, and how its lines go."""

from __future__ import annotations

_REST = (
    "[, {hole} each][, start {start} degrees][, middle {x} from the left edge]"
    "[ and {y} from the near edge][, bore {bore}][, rim {rim}][, face {wide}][ by {high}]"
    "[, {seen}]"
)
_CLEAR = "[, clear of {ports}]"
_ON = "{count} holes <on |round |><an? |the |>{circle} <pcd|p.c.d.|bcd|pitch circle|circle>"
SENTENCES = {
    "circle": f"{{count}} holes {{pattern}}[ of {{circle}}]{_CLEAR}{_REST}",
    "arc": f"{{count}} holes {{pattern}}[ of {{circle}}] over {{turn}} degrees{_CLEAR}{_REST}",
    "row": f"{{count}} holes {{pattern}}, {{pitch}} apart{_REST}",
    "grid": f"{{rows}} rows of {{count}} holes {{pattern}}, {{pitch}} apart"
    f"[, rows {{up}} apart]{_REST}",
    "diamond": f"Holes {{pattern}}, {{long}} one way[, {{short}} the other way]{_CLEAR}{_REST}",
    "points": f"Holes {{pattern}} at {{spots}}{_REST}",
}
LINES = (
    f"{_ON}{_REST}{_CLEAR}",
    f"{_ON}[ <starting at|starting|starts|start at|start> {{start}}< degrees| deg|°|>]"
    "[ <centre |middle |><from the edges|from the edge|from edge> {x}< and| by| x|,|> "
    "<(?=[-.0-9])>{y}][, {hole}< each| drill| holes>]",
    "{count} holes <between|halfway between> bore {bore} and rim {rim}[, {hole} each]",
    "{pattern=points}holes at {spots}",
)
