"""Between the book file's models and the core's values: all but goods."""

from dataclasses import asdict

from yellow_ladle.core.book import (
    Amount,
    ByProduct,
    Kitchen,
    Line,
    Person,
    Preparation,
    Step,
    Way,
)
from yellow_ladle.core.criteria import ordered
from yellow_ladle.core.flags import Flag
from yellow_ladle.core.levels import Level
from yellow_ladle.core.need import Need
from yellow_ladle.core.pan import Batch, Pan
from yellow_ladle.core.sign_off import SignOff
from yellow_ladle.core.tools import Tool
from yellow_ladle.core.units import Measure
from yellow_ladle.files.book_models import (
    BatchPiece,
    ByProductPiece,
    FlagPiece,
    KitchenPiece,
    LinePiece,
    MeasurePiece,
    NeedPiece,
    PanPiece,
    PersonPiece,
    PreparationPiece,
    SignOffPiece,
    StepPiece,
    ToolPiece,
    WayPiece,
    YieldPiece,
)
from yellow_ladle.files.product_pieces import evidence, evidence_pieces, levels, words

KITCHEN = (
    *("name", "regime", "second_look_days", "spoons"),
    *("weigh_to_g", "measure_to_ml", "so2_by_amount"),
)
"""What a kitchen says in single values."""


def kitchen(piece: KitchenPiece) -> Kitchen:
    people = tuple(Person(person.initials, person.name) for person in piece.people)
    measures = tuple(Measure(own.name, own.quantity, own.unit) for own in piece.measures)
    plain = {key: getattr(piece, key) for key in KITCHEN}
    order = ordered(*piece.swap_order)
    return Kitchen(**plain, people=people, measures=measures, swap_order=order)


def kitchen_piece(value: Kitchen) -> KitchenPiece:
    people = [PersonPiece(initials=person.initials, name=person.name) for person in value.people]
    measures = [
        MeasurePiece(name=own.name, quantity=own.quantity, unit=own.unit) for own in value.measures
    ]
    plain = {key: getattr(value, key) for key in KITCHEN}
    order = list(value.swap_order)
    return KitchenPiece(**plain, people=people, measures=measures, swap_order=order)


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
        density_g_per_ml=piece.density_g_per_ml,
        portions=piece.portions,
        yield_note=piece.yield_.note if piece.yield_ else "",
        pan=None if piece.pan is None else Pan(piece.pan.width_cm, piece.pan.lid),
        batches=tuple(Batch(**entry.model_dump()) for entry in piece.batches),
        way=piece.way,
        ways=tuple(way(entry) for entry in piece.ways),
        retired=piece.retired,
        not_in_it=tuple(piece.not_in_it),
    )


def way(piece: WayPiece) -> Way:
    return Way(
        piece.name,
        lines=tuple(line(entry) for entry in piece.lines),
        method=tuple(step(entry) for entry in piece.method),
        colour=piece.colour,
        yield_=None if piece.yield_ is None else amount(piece.yield_),
        yield_note=piece.yield_.note if piece.yield_ else "",
        portions=piece.portions,
    )


def line(piece: LinePiece) -> Line:
    return Line(**{**piece.model_dump(), "equipment": tuple(piece.equipment)})


def amount(piece: YieldPiece) -> Amount:
    return Amount(piece.quantity, piece.unit)


def by_product(piece: ByProductPiece) -> ByProduct:
    return ByProduct(**piece.model_dump())


def step(piece: StepPiece) -> Step:
    lists = {"equipment": tuple(piece.equipment), "uses": tuple(piece.uses)}
    return Step(**{**piece.model_dump(), **lists})


def preparation_piece(value: Preparation) -> PreparationPiece:
    pan = value.pan
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
            "yield": yield_piece(value.yield_, value.yield_note),
            "by_products": [by_product_piece(entry) for entry in value.by_products],
            "equipment": list(value.equipment),
            "method": [step_piece(entry) for entry in value.method],
            "evidence": evidence_pieces(value.evidence),
            "variant_of": value.variant_of,
            "density_g_per_ml": value.density_g_per_ml,
            "portions": value.portions,
            "pan": None if pan is None else PanPiece.model_validate(asdict(pan)),
            "batches": [BatchPiece(**asdict(entry)) for entry in value.batches],
            "way": value.way,
            "ways": [way_piece(entry) for entry in value.ways],
            "retired": value.retired,
            "not_in_it": list(value.not_in_it),
        }
    )


def way_piece(value: Way) -> WayPiece:
    return WayPiece.model_validate(
        {
            "name": value.name,
            "lines": [line_piece(entry) for entry in value.lines],
            "method": [step_piece(entry) for entry in value.method],
            "colour": value.colour,
            "yield": yield_piece(value.yield_, value.yield_note),
            "portions": value.portions,
        }
    )


def yield_piece(made: Amount | None, note: str) -> YieldPiece | None:
    if made is None:
        return None
    return YieldPiece(quantity=made.quantity, unit=made.unit, note=note)


def line_piece(value: Line) -> LinePiece:
    fields = {key: getattr(value, key) for key in LinePiece.model_fields}
    return LinePiece.model_validate({**fields, "equipment": list(value.equipment)})


def by_product_piece(value: ByProduct) -> ByProductPiece:
    return ByProductPiece(id=value.id, name=value.name, quantity=value.quantity, unit=value.unit)


def step_piece(value: Step) -> StepPiece:
    fields = {key: getattr(value, key) for key in StepPiece.model_fields}
    lists = {"equipment": list(value.equipment), "uses": list(value.uses)}
    return StepPiece.model_validate({**fields, **lists})
