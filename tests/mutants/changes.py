"""The changes that can be made in the core: a sum, a comparison, a constant, each in one place."""

from __future__ import annotations

import ast
from pathlib import Path
from typing import Any, NamedTuple

ROOT = Path(__file__).resolve().parents[2]
CORE = Path("src/runk/core")
HAIR = 1e-5
HAIRS = {"EPS", "_EPS", "_SLACK", "slack", "TINY", "_SAME"}
"""What the core calls a hair."""
SUMS = {ast.Add: " - ", ast.Sub: " + ", ast.Mult: " / ", ast.Div: " * "}
TURNED = {ast.Lt: ">=", ast.LtE: "<", ast.Gt: "<=", ast.GtE: ">", ast.Eq: "!=", ast.NotEq: "=="}


class Mutant(NamedTuple):
    """One change: where, what stands there, and what is put in its place."""

    file: str
    line: int
    start: int
    end: int
    new: str
    function: int
    """The line its function begins at; 0 in the body of the module."""


def mutants(file: Path) -> list[Mutant]:
    """Every change that can be made in a file; questions, words and docstrings are left alone."""
    text = file.read_text(encoding="utf-8")
    offsets = [0]
    for row in text.encode().splitlines(keepends=True):
        offsets.append(offsets[-1] + len(row))
    name, found = file.relative_to(ROOT / CORE).as_posix(), []

    def place(line: int, column: int) -> int:
        return offsets[line - 1] + column

    def walk(node: ast.AST, function: int) -> None:
        if isinstance(node, ast.FunctionDef):
            function = min([node.lineno, *(d.lineno for d in node.decorator_list)])
        if isinstance(node, ast.AnnAssign | ast.JoinedStr):
            # Annotations are a question's or an answer's words; a sentence is none of this.
            children = [node.value] if isinstance(node, ast.AnnAssign) and node.value else []
        else:
            children = list(ast.iter_child_nodes(node))
        new, span = "", (0, 0)
        if any(map(_no_number, ast.iter_child_nodes(node))):
            pass
        elif isinstance(node, ast.BinOp) and type(node.op) in SUMS and not _unsigned(node):
            new = SUMS[type(node.op)]
            span = (_end(node.left, place), place(node.right.lineno, node.right.col_offset))
        elif isinstance(node, ast.Compare) and type(node.ops[0]) in TURNED and not _hairs(node):
            left, right = node.left, node.comparators[0]
            new = f" {TURNED[type(node.ops[0])]} "
            span = (_end(left, place), place(right.lineno, right.col_offset))
        elif isinstance(node, ast.Constant) and isinstance(node.value, float) and node.value > HAIR:
            new, span = repr(node.value * 1.15), (_begin(node, place), _end(node, place))
        if new and "(" not in (old := text.encode()[slice(*span)].decode()) and ")" not in old:
            found.append(Mutant(name, node.lineno, *span, new, function))
        for child in children:
            walk(child, function)

    walk(ast.parse(text), 0)
    return found


def _no_number(node: ast.AST) -> bool:
    """Whether it is a hair, or words and lists, which no sum is made of."""
    if isinstance(node, ast.Constant):
        return isinstance(node.value, str) or _a_hair(node)
    return isinstance(node, ast.JoinedStr | ast.List | ast.Tuple)


def _unsigned(node: ast.BinOp) -> bool:
    """Whether nought is added, which only takes the sign from a nought."""
    return isinstance(node.right, ast.Constant) and node.right.value == 0


def _hairs(node: ast.Compare) -> bool:
    """Whether a hair stands beside the edge already: with or without its very end is the same."""
    equal = isinstance(node.ops[0], ast.LtE | ast.GtE)
    names = {one.id for one in ast.walk(node) if isinstance(one, ast.Name)}
    small = any(isinstance(n, ast.Constant) and _a_hair(n) for n in ast.walk(node))
    return equal and (small or bool(names & HAIRS))


def _a_hair(node: ast.Constant) -> bool:
    return isinstance(node.value, float) and 0 < node.value <= HAIR


def _begin(node: Any, place: Any) -> int:
    return int(place(node.lineno, node.col_offset))


def _end(node: Any, place: Any) -> int:
    return int(place(node.end_lineno, node.end_col_offset))


def told(mutant: Mutant) -> str:
    """A change as it is listed."""
    text = (ROOT / CORE / mutant.file).read_bytes()
    row = text.decode().splitlines()[mutant.line - 1].strip()
    old = text[mutant.start : mutant.end].decode()
    return f"{mutant.file}:{mutant.line} `{old}` -> `{mutant.new}` in {row[:90]}"
