"""Between the book file's models and the core's values: all but goods."""

from yellow_ladle.core.book import Amount, ByProduct, Kitchen, Line, Person, Preparation, Step
from yellow_ladle.core.flags import Flag
from yellow_ladle.core.levels import Level
from yellow_ladle.core.need import Need
from yellow_ladle.core.sign_off import SignOff
from yellow_ladle.core.tools import Tool
from yellow_ladle.files.book_models import (
    ByProductPiece,
    FlagPiece,
    KitchenPiece,
    LinePiece,
    NeedPiece,
    PersonPiece,
    PreparationPiece,
    SignOffPiece,
    StepPiece,
    ToolPiece,
    YieldPiece,
)
from yellow_ladle.files.product_pieces import evidence, evidence_pieces, levels, words


def kitchen(piece: KitchenPiece) -> Kitchen:
    people = tuple(Person(person.initials, person.name) for person in piece.people)
    return Kitchen(piece.name, piece.regime, piece.second_look_days, people)


def kitchen_piece(value: Kitchen) -> KitchenPiece:
    people = [PersonPiece(initials=person.initials, name=person.name) for person in value.people]
    return KitchenPiece(
        name=value.name,
        regime=value.regime,
        second_look_days=value.second_look_days,
        people=people,
    )


def tool(piece: ToolPiece) -> Tool:
    return Tool(**piece.model_dump())


def tool_piece(value: Tool) -> ToolPiece:
    return ToolPiece.model_validate({key: getattr(value, key) for key in ToolPiece.model_fields})


def need(piece: NeedPiece) -> Need:
    return Need(piece.id, piece.guest, tuple(piece.clear), tuple(piece.fit), piece.strictness)


def need_piece(value: Need) -> NeedPiece:
    fields = {key: getattr(value, key) for key in NeedPiece.model_fields}
    return NeedPiece.model_validate({**fields, "clear": list(value.clear), "fit": list(value.fit)})


def sign_off(piece: SignOffPiece) -> SignOff:
    return SignOff(**piece.model_dump(exclude={"preparation"}))


def sign_off_piece(preparation: str, value: SignOff) -> SignOffPiece:
    fields = [key for key in SignOffPiece.model_fields if key != "preparation"]
    return SignOffPiece.model_validate(
        {"preparation": preparation, **{key: getattr(value, key) for key in fields}}
    )


def house_flag(piece: FlagPiece) -> Flag:
    return Flag(piece.id, piece.name, piece.group)


def preparation(piece: PreparationPiece) -> Preparation:
    return Preparation(
        piece.id,
        piece.name,
        piece.kind,
        class_=piece.class_,
        colour=piece.colour,
        lines=tuple(line(entry) for entry in piece.lines),
        statements=levels(piece.statements),
        otherwise=None if piece.otherwise is None else Level.of(piece.otherwise),
        yield_=None if piece.yield_ is None else amount(piece.yield_),
        by_products=tuple(by_product(entry) for entry in piece.by_products),
        equipment=tuple(piece.equipment),
        method=tuple(step(entry) for entry in piece.method),
        evidence=evidence(piece.evidence),
        variant_of=piece.variant_of,
    )


def line(piece: LinePiece) -> Line:
    return Line(**{**piece.model_dump(), "equipment": tuple(piece.equipment)})


def amount(piece: YieldPiece) -> Amount:
    return Amount(piece.quantity, piece.unit)


def by_product(piece: ByProductPiece) -> ByProduct:
    return ByProduct(**piece.model_dump())


def step(piece: StepPiece) -> Step:
    return Step(**{**piece.model_dump(), "equipment": tuple(piece.equipment)})


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
            "statements": words(value.statements),
            "otherwise": None if value.otherwise is None else value.otherwise.word,
            "yield": None if made is None else YieldPiece(quantity=made.quantity, unit=made.unit),
            "by_products": [by_product_piece(entry) for entry in value.by_products],
            "equipment": list(value.equipment),
            "method": [step_piece(entry) for entry in value.method],
            "evidence": evidence_pieces(value.evidence),
            "variant_of": value.variant_of,
        }
    )


def line_piece(value: Line) -> LinePiece:
    fields = {key: getattr(value, key) for key in LinePiece.model_fields}
    return LinePiece.model_validate({**fields, "equipment": list(value.equipment)})


def by_product_piece(value: ByProduct) -> ByProductPiece:
    return ByProductPiece(id=value.id, name=value.name, quantity=value.quantity, unit=value.unit)


def step_piece(value: Step) -> StepPiece:
    fields = {key: getattr(value, key) for key in StepPiece.model_fields}
    return StepPiece.model_validate({**fields, "equipment": list(value.equipment)})
