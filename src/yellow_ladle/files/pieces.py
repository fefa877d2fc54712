"""Between the book file's models and the core's values."""

from collections.abc import Mapping

from yellow_ladle.core.book import (
    Amount,
    ByProduct,
    Evidence,
    Kitchen,
    Line,
    Preparation,
    Product,
    Step,
)
from yellow_ladle.core.flags import Flag
from yellow_ladle.core.levels import Level, LevelWord
from yellow_ladle.files.book_models import (
    ByProductPiece,
    EvidencePiece,
    FlagPiece,
    KitchenPiece,
    LinePiece,
    PreparationPiece,
    ProductPiece,
    StepPiece,
    YieldPiece,
)


def kitchen(piece: KitchenPiece) -> Kitchen:
    return Kitchen(piece.name, piece.regime)


def house_flag(piece: FlagPiece) -> Flag:
    return Flag(piece.id, piece.name, piece.group)


def product(piece: ProductPiece) -> Product:
    return Product(
        piece.id,
        piece.name,
        piece.class_,
        statements=_levels(piece.statements),
        otherwise=Level.of(piece.otherwise),
        certificates=tuple(sorted(set(piece.certificates))),
        abv_percent=piece.abv_percent,
        salt_g_per_100g=piece.salt_g_per_100g,
        so2_mg_per_kg=piece.so2_mg_per_kg,
        density_g_per_ml=piece.density_g_per_ml,
        unit_weight_g=piece.unit_weight_g,
        evidence=_evidence(piece.evidence),
    )


def preparation(piece: PreparationPiece) -> Preparation:
    return Preparation(
        piece.id,
        piece.name,
        piece.kind,
        class_=piece.class_,
        colour=piece.colour,
        lines=tuple(line(entry) for entry in piece.lines),
        statements=_levels(piece.statements),
        otherwise=None if piece.otherwise is None else Level.of(piece.otherwise),
        yield_=None if piece.yield_ is None else amount(piece.yield_),
        by_products=tuple(by_product(entry) for entry in piece.by_products),
        equipment=tuple(piece.equipment),
        method=tuple(step(entry) for entry in piece.method),
        evidence=_evidence(piece.evidence),
        variant_of=piece.variant_of,
    )


def line(piece: LinePiece) -> Line:
    return Line(**piece.model_dump())


def amount(piece: YieldPiece) -> Amount:
    return Amount(piece.quantity, piece.unit)


def by_product(piece: ByProductPiece) -> ByProduct:
    return ByProduct(**piece.model_dump())


def step(piece: StepPiece) -> Step:
    return Step(**{**piece.model_dump(), "equipment": tuple(piece.equipment)})


def product_piece(value: Product) -> ProductPiece:
    return ProductPiece(
        id=value.id,
        name=value.name,
        class_=value.class_,
        statements=_words(value.statements),
        otherwise=value.otherwise.word,
        certificates=list(value.certificates),
        abv_percent=value.abv_percent,
        salt_g_per_100g=value.salt_g_per_100g,
        so2_mg_per_kg=value.so2_mg_per_kg,
        density_g_per_ml=value.density_g_per_ml,
        unit_weight_g=value.unit_weight_g,
        evidence=_evidence_pieces(value.evidence),
    )


def preparation_piece(value: Preparation) -> PreparationPiece:
    made = value.yield_
    return PreparationPiece.model_validate(
        {
            "id": value.id,
            "name": value.name,
            "kind": value.kind,
            "class": value.class_,
            "colour": value.colour,
            "lines": [line_piece(entry) for entry in value.lines],
            "statements": _words(value.statements),
            "otherwise": None if value.otherwise is None else value.otherwise.word,
            "yield": None if made is None else YieldPiece(quantity=made.quantity, unit=made.unit),
            "by_products": [by_product_piece(entry) for entry in value.by_products],
            "equipment": list(value.equipment),
            "method": [step_piece(entry) for entry in value.method],
            "evidence": _evidence_pieces(value.evidence),
            "variant_of": value.variant_of,
        }
    )


def line_piece(value: Line) -> LinePiece:
    return LinePiece.model_validate({key: getattr(value, key) for key in LinePiece.model_fields})


def by_product_piece(value: ByProduct) -> ByProductPiece:
    return ByProductPiece(id=value.id, name=value.name, quantity=value.quantity, unit=value.unit)


def step_piece(value: Step) -> StepPiece:
    fields = {key: getattr(value, key) for key in StepPiece.model_fields}
    return StepPiece.model_validate({**fields, "equipment": list(value.equipment)})


def _levels(words: Mapping[str, LevelWord]) -> dict[str, Level]:
    return {flag: Level.of(word) for flag, word in words.items()}


def _words(levels: Mapping[str, Level]) -> dict[str, LevelWord]:
    return {flag: level.word for flag, level in levels.items()}


def _evidence(pieces: Mapping[str, EvidencePiece]) -> dict[str, Evidence]:
    return {flag: Evidence(**piece.model_dump()) for flag, piece in pieces.items()}


def _evidence_pieces(values: Mapping[str, Evidence]) -> dict[str, EvidencePiece]:
    return {
        flag: EvidencePiece.model_validate(
            {"kind": value.kind, "date": value.date, "person": value.person}
        )
        for flag, value in values.items()
    }
