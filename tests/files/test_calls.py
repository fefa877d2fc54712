"""How the code calls itself: a reader of a call sees what each argument is."""

import ast
import unittest
from collections.abc import Iterator
from pathlib import Path

SOURCE = Path(__file__).resolve().parents[2] / "src"
MAX_POSITIONAL = 4
FOREIGN = {"add_row", "create_table", "curveTo", "run", "run_in_threadpool", "Table", "TypeVar"}
"""Calls of libraries, and of what hands its arguments on to another call."""


def crowded(tree: ast.AST) -> Iterator[ast.Call]:
    """The calls whose arguments have to be counted to be told apart."""
    for node in ast.walk(tree):
        if not isinstance(node, ast.Call) or len(node.args) <= MAX_POSITIONAL:
            continue
        if ast.unparse(node.func).rpartition(".")[2] not in FOREIGN:
            yield node


class Calls(unittest.TestCase):
    def test_more_than_four_arguments_are_named(self) -> None:
        found = [
            f"{path.relative_to(SOURCE)}:{call.lineno} {ast.unparse(call.func)}"
            for path in sorted(SOURCE.rglob("*.py"))
            for call in crowded(ast.parse(path.read_text("utf-8")))
        ]
        self.assertEqual(found, [])

    def test_one_with_five_is_found(self) -> None:
        [call] = crowded(ast.parse("f(1, 2, 3, 4)\nf(1, 2, 3, 4, 5)\nf(1, 2, 3, 4, last=5)"))
        self.assertEqual(call.lineno, 2)


if __name__ == "__main__":
    unittest.main()
