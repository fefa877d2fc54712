"""Recipes in a table: one after another as text in rows, or with a column that names the recipe."""

from collections.abc import Sequence

from yellow_ladle.core.amounts.grammar import understand
from yellow_ladle.core.recipes.recipe import Recipe, RecipeLine, RecipeStep
from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.recipes.table_rows import column, columns_of
from yellow_ladle.core.recipes.text_reader import text_recipes
from yellow_ladle.files.tables.spreadsheet import Table, plain_text

MIN_ROWS = 2


def looks_like_a_table(text: str) -> bool:
    """Whether a text is rows of cells: its first line names columns, or all are parted alike."""
    lines = [line for line in text.splitlines() if line.strip()]
    if len(lines) < MIN_ROWS:
        return False
    for sign in (";", "\t", ","):
        first = [cell.strip().strip('"') for cell in lines[0].split(sign)]
        if len(first) > 1 and columns_of("\t".join(first)) is not None:
            return True
    # A text whose lines happen to have commas has them in different numbers.
    return any(
        len({line.count(sign) for line in lines}) == 1 and lines[0].count(sign) >= least
        for sign, least in ((";", 1), (",", 2))
    )


def table_recipes(rows: Table) -> list[Recipe]:
    """The recipes of a table."""
    plain = [[plain_text(cell).strip() for cell in row] for row in rows]
    for number, row in enumerate(plain):
        cells = [cell.lower().strip(" *_:") for cell in row]
        recipe = column(cells, "recipe")
        # "Dish" alone over a column of words is a name; beside ingredients it is a column.
        if recipe is not None and column(cells, "item") is not None:
            return _by_column(plain[number + 1 :], cells, recipe)
    return text_recipes("\n".join("\t".join(row).rstrip("\t") for row in plain))


def _by_column(rows: Sequence[Sequence[str]], heads: list[str], recipe: int) -> list[Recipe]:
    columns = columns_of("\t".join(heads))
    places = {kind: column(heads, kind) for kind in ("section", "step", "portions")}

    def cell(row: Sequence[str], kind: str) -> str:
        place = places[kind]
        return row[place] if place is not None and place < len(row) else ""

    by_name: dict[str, list[Sequence[str]]] = {}
    name = ""
    for row in rows:
        # A name that stands only in the first of its rows holds for those below it.
        name = row[recipe] if recipe < len(row) and row[recipe] else name
        if name:
            by_name.setdefault(name, []).append(row)
    found: list[Recipe] = []
    for name, own in by_name.items():
        lines = [
            RecipeLine(columns.line("\t".join(row)), cell(row, "section"))
            for row in own
            if columns is not None and columns.line("\t".join(row))
        ]
        steps = [cell(row, "step") for row in own if cell(row, "step")]
        told = next((cell(row, "portions") for row in own if cell(row, "portions")), "")
        found.append(
            Recipe(
                name[:200],
                tuple(lines),
                tuple(RecipeStep(step, minutes_of_step(step)) for step in dict.fromkeys(steps)),
                told,
                portions=understand(told).quantity if told else None,
            )
        )
    return found
