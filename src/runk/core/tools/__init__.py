"""The tools of the workshop: drills in their trays, reamers, cutters, what measures."""

from runk.core.tools.tool import FIGURES, LENGTHS, ShopTool, State, ToolKind, check_tool, usable

__all__ = ["FIGURES", "LENGTHS", "ShopTool", "State", "ToolKind", "check_tool", "usable"]
