"""Between the book file's models of goods and the core's values."""

from collections.abc import Mapping

from yellow_ladle.core.levels import Level, LevelWord
from yellow_ladle.core.product import (
    Addition,
    Bag,
    Evidence,
    Maker,
    Paper,
    Part,
    Product,
    Statements,
)
from yellow_ladle.files.book_models import (
    AdditionPiece,
    BagPiece,
    EvidencePiece,
    MakerPiece,
    PaperPiece,
    PartPiece,
    ProductPiece,
)


def product(piece: ProductPiece) -> Product:
    return Product(
        piece.id,
        piece.name,
        piece.class_,
        statements=levels(piece.statements),
        otherwise=Level.of(piece.otherwise),
        certificates=tuple(sorted(set(piece.certificates))),
        abv_percent=piece.abv_percent,
        salt_g_per_100g=piece.salt_g_per_100g,
        so2_mg_per_kg=piece.so2_mg_per_kg,
        price_per_kg=piece.price_per_kg,
        density_g_per_ml=piece.density_g_per_ml,
        unit_weight_g=piece.unit_weight_g,
        evidence=evidence(piece.evidence),
        papers=papers(piece.papers),
        label=piece.label,
        pack=piece.pack,
        code=piece.code,
        makers=tuple(maker(entry) for entry in piece.makers),
        in_use=piece.in_use,
        parts=tuple(Part(entry.product, entry.percent) for entry in piece.parts),
        bag=None if piece.bag is None else bag(piece.bag),
    )


def maker(piece: MakerPiece) -> Maker:
    return Maker(
        piece.id,
        piece.name,
        statements=levels(piece.statements),
        otherwise=Level.of(piece.otherwise),
        certificates=tuple(sorted(set(piece.certificates))),
        papers=papers(piece.papers),
        evidence=evidence(piece.evidence),
        label=piece.label,
        pack=piece.pack,
        code=piece.code,
    )


def bag(piece: BagPiece) -> Bag:
    additions = tuple(
        Addition(
            entry.item,
            entry.date,
            entry.person,
            levels(entry.statements),
            tuple(entry.certificates),
            entry.live,
        )
        for entry in piece.additions
    )
    return Bag(additions, piece.emptied, piece.emptied_by)


def product_piece(value: Product) -> ProductPiece:
    return ProductPiece(
        id=value.id,
        name=value.name,
        class_=value.class_,
        statements=words(value.statements),
        otherwise=value.otherwise.word,
        certificates=list(value.certificates),
        abv_percent=value.abv_percent,
        salt_g_per_100g=value.salt_g_per_100g,
        so2_mg_per_kg=value.so2_mg_per_kg,
        price_per_kg=value.price_per_kg,
        density_g_per_ml=value.density_g_per_ml,
        unit_weight_g=value.unit_weight_g,
        evidence=evidence_pieces(value.evidence),
        papers=_paper_pieces(value.papers),
        label=value.label,
        pack=value.pack,
        code=value.code,
        makers=[maker_piece(entry) for entry in value.makers],
        in_use=value.in_use,
        parts=[PartPiece(product=part.product, percent=part.percent) for part in value.parts],
        bag=None if value.bag is None else bag_piece(value.bag),
    )


def maker_piece(value: Maker) -> MakerPiece:
    return MakerPiece(
        id=value.id,
        name=value.name,
        statements=words(value.statements),
        otherwise=value.otherwise.word,
        certificates=list(value.certificates),
        papers=_paper_pieces(value.papers),
        evidence=evidence_pieces(value.evidence),
        label=value.label,
        pack=value.pack,
        code=value.code,
    )


def bag_piece(value: Bag) -> BagPiece:
    additions = [
        AdditionPiece(
            item=entry.item,
            date=entry.date,
            person=entry.person,
            statements=words(entry.statements),
            certificates=list(entry.certificates),
            live=entry.live,
        )
        for entry in value.additions
    ]
    return BagPiece(additions=additions, emptied=value.emptied, emptied_by=value.emptied_by)


def levels(stated: Mapping[str, LevelWord]) -> dict[str, Level]:
    return {flag: Level.of(word) for flag, word in stated.items()}


def words(stated: Statements) -> dict[str, LevelWord]:
    return {flag: level.word for flag, level in stated.items()}


def evidence(pieces: Mapping[str, EvidencePiece]) -> dict[str, Evidence]:
    return {flag: Evidence(**piece.model_dump()) for flag, piece in pieces.items()}


def evidence_pieces(values: Mapping[str, Evidence]) -> dict[str, EvidencePiece]:
    return {
        flag: EvidencePiece.model_validate(
            {"kind": value.kind, "date": value.date, "person": value.person}
        )
        for flag, value in values.items()
    }


def papers(pieces: Mapping[str, PaperPiece]) -> dict[str, Paper]:
    return {kind: Paper(piece.number, piece.expires) for kind, piece in pieces.items()}


def _paper_pieces(values: Mapping[str, Paper]) -> dict[str, PaperPiece]:
    return {
        kind: PaperPiece(number=value.number, expires=value.expires)
        for kind, value in values.items()
    }
