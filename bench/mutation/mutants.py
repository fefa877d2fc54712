"""The faults that can be put into a file, as cosmic-ray's operators make them."""

import ast
import random
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from pathlib import Path

from cosmic_ray.ast import ast_nodes, get_ast
from cosmic_ray.mutating import mutate_code
from cosmic_ray.plugins import get_operator, operator_names

CORE = Path(__file__).resolve().parents[2] / "src/yellow_ladle/core"
PARTS = (
    *("carrying", "numbers", "swaps/search", "amounts"),
    *("labels/turns.py", "cards/card_texts.py"),
)
"""What is mutated: folders and files of the core whose answers others rely on."""
LEFT_OUT = ("core/NoOp", "core/RemoveDecorator")
"""Operators without a fault: one that changes nothing, and one that mostly takes a cache away."""


@dataclass(frozen=True, slots=True)
class Mutant:
    """One fault: which operator, at which of the places in the file that it can be applied to."""

    path: Path
    operator: str
    occurrence: int
    line: int

    def code(self) -> str:
        """The file's content with the fault in it."""
        mutated = mutate_code(
            self.path.read_text("utf-8"), get_operator(self.operator)(), self.occurrence
        )
        if mutated is None:
            raise ValueError(f"{self.operator} does not apply {self.occurrence} times")
        return str(mutated)


def files() -> list[Path]:
    """The files of the parts, in their order."""
    return [
        path
        for part in PARTS
        for path in ([CORE / part] if part.endswith(".py") else sorted((CORE / part).glob("*.py")))
    ]


def mutants_of(path: Path) -> Iterator[Mutant]:
    """Every fault that can be put into a file, outside its annotations."""
    source = path.read_text("utf-8")
    annotated = {*_annotated(ast.parse(source))}
    tree = get_ast(source)
    for name in operator_names():
        operator_class = get_operator(name)
        if name in LEFT_OUT or operator_class.arguments():
            continue
        operator = operator_class()
        places = (
            start for node in ast_nodes(tree) for start, _ in operator.mutation_positions(node)
        )
        for occurrence, start in enumerate(places):
            if not any(first <= start < last for first, last in annotated):
                yield Mutant(path, name, occurrence, start[0])


def sampled(count: int, seed: int, reached: Mapping[str, Mapping[str, list[str]]]) -> list[Mutant]:
    """So many faults of all parts, in lines that some test reaches, the same for the same seed."""
    every = [
        mutant
        for path in files()
        for mutant in mutants_of(path)
        if str(mutant.line) in reached.get(str(path), {})
    ]
    return random.Random(seed).sample(every, min(count, len(every)))


def _annotated(tree: ast.AST) -> Iterator[tuple[tuple[int, int], tuple[int, int]]]:
    """Where annotations stand: a fault in one is none."""
    for node in ast.walk(tree):
        for name in ("annotation", "returns"):
            part = getattr(node, name, None)
            if isinstance(part, ast.expr) and part.end_lineno and part.end_col_offset:
                yield (
                    (part.lineno, part.col_offset),
                    (part.end_lineno, part.end_col_offset),
                )
