"""Tables of ingredients: which column holds the item, the amount, its unit and a note."""

from dataclasses import dataclass

from yellow_ladle.core.recipes.recipe_words import listed


@dataclass(frozen=True, slots=True)
class Columns:
    """The places of the columns in a row; None where a table has no such column."""

    item: int
    quantity: int | None = None
    unit: int | None = None
    note: int | None = None

    def line(self, row: str) -> str:
        """A row of cells, parted by tabs, as an ingredient line."""
        cells = [cell.strip() for cell in row.split("\t")]

        def cell(place: int | None) -> str:
            return cells[place] if place is not None and place < len(cells) else ""

        amount = " ".join(filter(None, (cell(self.quantity), cell(self.unit))))
        told = " ".join(filter(None, (amount, cell(self.item))))
        note = cell(self.note)
        return f"{told}, {note}" if note and told else told


def columns_of(row: str) -> Columns | None:
    """The columns that a row names; None where it is no heading of a table of ingredients."""
    cells = [cell.strip(" *_:").lower() for cell in row.split("\t")]
    if len(cells) < 2:
        return None
    places = {kind: column(cells, kind) for kind in ("item", "quantity", "unit", "note")}
    item = places["item"]
    if item is None or (places["quantity"] is None and places["unit"] is None):
        return None
    return Columns(item, places["quantity"], places["unit"], places["note"])


def column(cells: list[str], kind: str) -> int | None:
    """The place of the first cell that names a column of some kind."""
    return next((n for n, cell in enumerate(cells) if cell in listed("columns", kind)), None)
