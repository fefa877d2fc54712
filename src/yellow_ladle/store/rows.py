"""Between the core's values and the rows that hold them."""

from collections.abc import Collection, Iterable, Mapping
from dataclasses import asdict

from yellow_ladle.core.book import Amount, ByProduct, Line, Preparation, Step
from yellow_ladle.core.levels import Level
from yellow_ladle.core.pan import Batch, Pan
from yellow_ladle.core.product import Evidence, Part, Product
from yellow_ladle.files import pieces, product_pieces
from yellow_ladle.files.book_models import BagPiece, MakerPiece, PaperPiece, WayPiece
from yellow_ladle.store.tables import (
    ByProductRow,
    LineRow,
    PreparationRow,
    ProductRow,
    StatementRow,
    StepRow,
)

_NUMBERS = (
    "abv_percent",
    "salt_g_per_100g",
    "so2_mg_per_kg",
    "density_g_per_ml",
    "unit_weight_g",
    "price_per_kg",
)
_LINE = (
    "quantity",
    "unit",
    "role",
    "stage",
    "optional",
    "strained_out",
    "choice",
    "chosen",
    "note",
    "treatment",
    "minutes",
    "group",
    "typed",
)
_LABEL = ("label", "pack", "code", "in_use")
_STEP = ("text", "minutes", "heat", "cue", "caution", "passive")
_POT = ("density_g_per_ml", "portions", "yield_note", "way", "retired")


def product_of(row: ProductRow) -> Product:
    """The product that a row and its statements hold."""
    return Product(
        row.id,
        row.name,
        row.class_,
        statements=_statements(row.statements),
        otherwise=Level.of(row.otherwise),
        certificates=tuple(row.certificates),
        evidence=_evidence(row.statements),
        papers=product_pieces.papers({k: PaperPiece(**paper) for k, paper in row.papers.items()}),
        makers=tuple(product_pieces.maker(MakerPiece(**maker)) for maker in row.makers),
        parts=tuple(Part(**part) for part in row.parts),
        bag=None if row.bag is None else product_pieces.bag(BagPiece.model_validate(row.bag)),
        **{key: getattr(row, key) for key in (*_NUMBERS, *_LABEL)},
    )


def write_product(row: ProductRow, product: Product) -> None:
    """Puts a product into its row, old or new."""
    row.id, row.name, row.class_ = product.id, product.name, product.class_
    row.otherwise = product.otherwise.word
    row.certificates = list(product.certificates)
    row.statements = _statement_rows(product.statements, product.evidence)
    piece = product_pieces.product_piece(product)
    row.papers = {kind: paper.model_dump() for kind, paper in piece.papers.items()}
    row.makers = [maker.model_dump() for maker in piece.makers]
    row.parts = [part.model_dump() for part in piece.parts]
    row.bag = None if piece.bag is None else piece.bag.model_dump()
    for key in (*_NUMBERS, *_LABEL):
        setattr(row, key, getattr(product, key))


def preparation_of(row: PreparationRow) -> Preparation:
    """The preparation that a row and its parts hold."""
    made = row.yield_quantity
    return Preparation(
        row.id,
        row.name,
        row.kind,
        class_=row.class_,
        colour=row.colour,
        lines=tuple(_line(line) for line in row.lines),
        statements=_statements(row.statements),
        otherwise=None if row.otherwise is None else Level.of(row.otherwise),
        yield_=None if made is None or row.yield_unit is None else Amount(made, row.yield_unit),
        by_products=tuple(
            ByProduct(entry.id, entry.name, entry.quantity, entry.unit) for entry in row.by_products
        ),
        equipment=tuple(row.equipment),
        method=tuple(
            Step(
                equipment=tuple(step.equipment),
                uses=tuple(step.uses),
                **{key: getattr(step, key) for key in _STEP},
            )
            for step in row.method
        ),
        evidence=_evidence(row.statements),
        variant_of=row.variant_of,
        not_in_it=tuple(row.not_in_it),
        pan=None if row.pan is None else Pan(**row.pan),
        batches=tuple(Batch(**batch) for batch in row.batches),
        ways=tuple(pieces.way(WayPiece.model_validate(way)) for way in row.ways),
        **{key: getattr(row, key) for key in _POT},
    )


def write_preparation(row: PreparationRow, preparation: Preparation) -> None:
    """Puts a preparation into its row, old or new. Its parts' rows are emptied before."""
    row.id, row.name, row.kind = preparation.id, preparation.name, preparation.kind
    row.class_, row.colour = preparation.class_, preparation.colour
    row.otherwise = None if preparation.otherwise is None else preparation.otherwise.word
    made = preparation.yield_
    row.yield_quantity, row.yield_unit = (made.quantity, made.unit) if made else (None, None)
    row.equipment = list(preparation.equipment)
    row.variant_of = preparation.variant_of
    row.not_in_it = list(preparation.not_in_it)
    row.pan = None if preparation.pan is None else asdict(preparation.pan)
    row.batches = [asdict(batch) for batch in preparation.batches]
    row.ways = [pieces.way_piece(way).model_dump(by_alias=True) for way in preparation.ways]
    for key in _POT:
        setattr(row, key, getattr(preparation, key))
    row.statements = _statement_rows(preparation.statements, preparation.evidence)


def part_rows(
    preparation: Preparation, products: Collection[str]
) -> Iterable[LineRow | ByProductRow | StepRow]:
    """New rows for a preparation's lines, by-products and steps; `products` are the known ids."""
    for position, line in enumerate(preparation.lines):
        yield _line_row(preparation.id, position, line, line.item in products)
    for position, by_product in enumerate(preparation.by_products):
        yield ByProductRow(
            preparation_id=preparation.id,
            position=position,
            id=by_product.id,
            name=by_product.name,
            quantity=by_product.quantity,
            unit=by_product.unit,
        )
    for position, step in enumerate(preparation.method):
        yield StepRow(
            preparation_id=preparation.id,
            position=position,
            equipment=list(step.equipment),
            uses=list(step.uses),
            **{key: getattr(step, key) for key in _STEP},
        )


def _line(row: LineRow) -> Line:
    item = row.product_id or row.made_id or ""
    if row.by_product_id:
        item = f"{item}/{row.by_product_id}"
    fields = {key: getattr(row, key) for key in _LINE}
    return Line(item, **fields, equipment=tuple(row.equipment))


def _line_row(preparation: str, position: int, line: Line, is_product: bool) -> LineRow:
    owner, _, by_product = line.item.partition("/")
    return LineRow(
        preparation_id=preparation,
        position=position,
        product_id=owner if is_product else None,
        made_id=None if is_product else owner,
        by_product_id=by_product or None,
        equipment=list(line.equipment),
        **{key: getattr(line, key) for key in _LINE},
    )


def _statements(rows: Iterable[StatementRow]) -> dict[str, Level]:
    return {row.flag: Level.of(row.level) for row in rows if row.level is not None}


def _evidence(rows: Iterable[StatementRow]) -> dict[str, Evidence]:
    return {row.flag: Evidence(row.evidence, row.date, row.person) for row in rows if row.evidence}


def _statement_rows(
    statements: Mapping[str, Level], evidence: Mapping[str, Evidence]
) -> list[StatementRow]:
    flags = [*statements, *(flag for flag in evidence if flag not in statements)]
    rows = []
    for flag in flags:
        why = evidence.get(flag)
        level = statements.get(flag)
        rows.append(
            StatementRow(
                flag=flag,
                level=None if level is None else level.word,
                evidence=why.kind if why else None,
                date=why.date if why else None,
                person=why.person if why else None,
            )
        )
    return rows
