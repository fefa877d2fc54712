"""A table of goods as products: columns by name, faults by row and column."""

import re
import unicodedata
from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass, replace
from typing import Any, get_args, get_type_hints

from pydantic import TypeAdapter

from yellow_ladle.core.book.fault import near
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.book.maker import Evidence
from yellow_ladle.core.book.product import CERTIFICATES, Product
from yellow_ladle.core.carrying.label_sources import label_sources
from yellow_ladle.core.vocabulary.field_words import columns_of
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.core.vocabulary.levels import WORDS, Level
from yellow_ladle.files.book.conversion import file_name
from yellow_ladle.files.book.models import ProductPiece
from yellow_ladle.files.tables.spreadsheet import Table, plain_text

COLUMNS = {file_name(name): headings for name, headings in columns_of(Product).items()}
"""The columns of a product besides those of its flags, with other headings for each."""
_BOUNDS = {
    name: TypeAdapter[float | None](ProductPiece.model_fields[name].annotation or float)
    for name, kind in get_type_hints(Product).items()
    if name in COLUMNS and float in get_args(kind)
}
EXAMPLE = {
    "name": "Example stock powder",
    "class": "stock-powder",
    "otherwise": "unchecked",
    "label": "Salt, celery seed",
    "pack": "1 kg",
    "salt_g_per_100g": "45",
}
LEVELS: dict[str, Level] = {
    **{word: Level.of(word) for word in WORDS},
    **{"may contain": Level.MAY_CONTAIN, "not checked": Level.UNCHECKED},
    **dict.fromkeys(("yes", "y", "x", "1", "true"), Level.CONTAINS),
    **dict.fromkeys(("no", "n", "0", "free from", "false", "none"), Level.FREE),
    **dict.fromkeys(("traces", "trace", "may", "t"), Level.MAY_CONTAIN),
    **dict.fromkeys(("?", "unknown"), Level.UNCHECKED),
}
FORMULA = re.compile(r"^\s*[=@]|^\s*[+-]\D")
UNSEEN = ("Cc", "Cf")


@dataclass(frozen=True, slots=True)
class Column:
    """A column of the table: its heading, and the field or flag that it was taken for, if any."""

    heading: str
    field: str | None


@dataclass(frozen=True, slots=True)
class CellFault:
    """What is wrong in one cell. Rows count as a spreadsheet counts them, the heading as row 1."""

    row: int
    column: str
    message: str


@dataclass(frozen=True, slots=True)
class GoodsTable:
    """What a table comes to: its columns, the products of its sound rows, and its faults.

    `rows` holds per product the row that it stands in.
    """

    columns: tuple[Column, ...]
    products: tuple[Product, ...]
    rows: tuple[int, ...]
    faults: tuple[CellFault, ...]


def template(flags: Collection[Flag]) -> Table:
    """The headings that are understood, with one made-up row that shows how to fill them."""
    levels = ["contains" if flag.id == "celery" else "" for flag in flags]
    return [
        [*COLUMNS, *(flag.id for flag in flags)],
        [*(EXAMPLE.get(column, "") for column in COLUMNS), *levels],
    ]


def goods_rows(products: Iterable[Product], flags: Collection[Flag]) -> Table:
    """The larder as a table that can be taken in again: a row a product, a column a flag.

    A product with makers has the highest level over them; their labels stay apart in the book file.
    """
    rows = [[*COLUMNS, *(flag.id for flag in flags)]]
    for product in products:
        labels = label_sources(product, None)
        levels = {flag.id: max(label.level(flag.id) for label in labels) for flag in flags}
        rest = max(label.otherwise for label in labels)
        whole = replace(product, otherwise=rest)
        rows.append(
            [
                *(_cell(getattr(whole, name)) for name in columns_of(Product)),
                *("" if level is rest else level.word for level in levels.values()),
            ]
        )
    return rows


def _cell(value: object) -> str:
    match value:
        case None:
            return ""
        case Level():
            return value.word
        case float() | int():
            return f"{value:g}"
        case tuple():
            return ", ".join(value)
        case _:
            return str(value)


def read_goods(
    table: Table,
    flags: Collection[Flag],
    products: Mapping[str, Product],
    taken: Collection[str],
    evidence: Evidence,
) -> GoodsTable:
    """The products that a table tells of. One whose name is known already changes that product.

    `evidence` is kept with every level that the table states. `taken`: ids that are in use.
    """
    columns = tuple(_column(heading, flags) for heading in table[0])
    faults = [
        CellFault(1, column.heading, "two columns say the same; which one holds?")
        for n, column in enumerate(columns)
        if column.field is not None and column.field in [c.field for c in columns[:n]]
    ]
    if "name" not in [column.field for column in columns]:
        faults.append(CellFault(1, "name", "no column holds the name of the product"))
        return GoodsTable(columns, (), (), tuple(faults))
    by_name = {_plain(product.name): product for product in products.values()}
    used, made, rows = set(taken), [], []
    seen: dict[str, int] = {}
    for number, row in enumerate(table[1:], 2):
        cells = {
            column.field: cell
            for column, cell in zip(columns, [*row, *[""] * len(columns)], strict=False)
            if column.field is not None
        }
        headings = {column.field: column.heading for column in columns if column.field}
        product, wrong = _product(cells, by_name, used, evidence)
        faults += [CellFault(number, headings.get(field, field), why) for field, why in wrong]
        name = _plain(cells["name"])
        if name and name in seen:
            faults.append(CellFault(number, headings["name"], f"the same name as row {seen[name]}"))
        elif not wrong:
            made.append(product)
            rows.append(number)
            used.add(product.id)
        seen.setdefault(name, number)
    return GoodsTable(columns, tuple(made), tuple(rows), tuple(faults))


def _column(heading: str, flags: Collection[Flag]) -> Column:
    plain = _plain(heading)
    for field, others in COLUMNS.items():
        if plain in (_plain(field), *others):
            return Column(heading, field)
    for flag in flags:
        if plain in (_plain(flag.id), _plain(flag.name)):
            return Column(heading, flag.id)
    return Column(heading, None)


def _product(
    cells: Mapping[str, str],
    by_name: Mapping[str, Product],
    used: Collection[str],
    evidence: Evidence,
) -> tuple[Product, list[tuple[str, str]]]:
    wrong = [
        (field, "a formula; put its result there, as plain text")
        for field, cell in cells.items()
        if FORMULA.match(cell)
    ]
    broken = {field for field, _ in wrong}
    cells = {field: _seen(cell) for field, cell in cells.items() if field not in broken}
    name = cells.get("name", "")[:200]
    if not name and "name" not in broken:
        wrong.append(("name", "no name"))
    known = by_name.get(_plain(name))
    product = known or Product(free_id(name or "row", used), name)
    stated, why = dict(product.statements), dict(product.evidence)
    for field, cell in cells.items():
        if not cell or field in COLUMNS:
            continue
        level = LEVELS.get(cell.casefold())
        if level is None:
            wrong.append((field, f'"{cell[:40]}" is no level; use contains, may contain, free'))
        else:
            stated[field], why[field] = level, evidence
    product = replace(product, statements=stated, evidence=why)
    product = replace(
        product,
        label=cells.get("label") or product.label,
        pack=cells.get("pack", "")[:200] or product.pack,
    )
    if code := cells.get("code", "").replace(" ", ""):
        if re.fullmatch(r"\d{4,14}", code):
            product = replace(product, code=code)
        else:
            wrong.append(("code", f'"{code[:40]}" is no bar code; it has 4 to 14 digits'))
    if class_ := cells.get("class", "").casefold().replace(" ", "-"):
        if re.fullmatch(r"[a-z0-9][a-z0-9_-]{0,79}", class_):
            product = replace(product, class_=class_)
        else:
            wrong.append(("class", f'"{class_[:40]}" is no class'))
    product = _rest(product, cells, wrong, evidence)
    product = _certificates(product, cells, wrong)
    return _numbers(product, cells, wrong), wrong


def _rest(
    product: Product, cells: Mapping[str, str], wrong: list[tuple[str, str]], evidence: Evidence
) -> Product:
    cell = cells.get("otherwise", "")
    if not cell:
        return product
    level = LEVELS.get(cell.casefold())
    if level not in (Level.FREE, Level.UNCHECKED):
        wrong.append(("otherwise", f'"{cell[:40]}": all the rest is either free or unchecked'))
        return product
    why = {**product.evidence, "otherwise": evidence}
    return replace(product, otherwise=level, evidence=why)


def _certificates(
    product: Product, cells: Mapping[str, str], wrong: list[tuple[str, str]]
) -> Product:
    written = re.split("[,;]", cells.get("certificates", ""))
    kinds = [kind for word in written if (kind := _plain(word).replace(" ", "_"))]
    wrong += [
        ("certificates", f'no certificate "{kind}"{near(kind, CERTIFICATES)}')
        for kind in kinds
        if kind not in CERTIFICATES
    ]
    return replace(product, certificates=tuple(sorted(set(kinds)))) if kinds else product


def _numbers(product: Product, cells: Mapping[str, str], wrong: list[tuple[str, str]]) -> Product:
    """The numbers of a row, within the bounds of the book file."""
    found: dict[str, Any] = {}
    for field, bounds in _BOUNDS.items():
        cell = cells.get(field, "").replace(",", ".")
        if not cell:
            continue
        try:
            found[field] = bounds.validate_python(float(cell))
        except ValueError:
            # A 0 where nothing weighs nothing is how some tables write that nobody knows.
            if cell.strip("0."):
                most = bounds.json_schema()["anyOf"][0].get("maximum")
                told = "" if most is None else f" from 0 to {most:g}"
                wrong.append((field, f'"{cell[:40]}" is no amount{told}'))
    return replace(product, **found)


def _seen(cell: str) -> str:
    """A cell as it was meant, without signs that nobody sees: control characters, turning marks."""
    kept = (letter for letter in plain_text(cell) if unicodedata.category(letter) not in UNSEEN)
    return "".join(kept).strip()


def _plain(heading: str) -> str:
    return re.sub(r"[\s_-]+", " ", heading.casefold()).strip()
