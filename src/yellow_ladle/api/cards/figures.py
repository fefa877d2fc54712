"""The numbers of a pot as its screen shows them: what is carried, thickness, yield, times."""

from yellow_ladle.api.schemas.answer_forms import all_named
from yellow_ladle.api.schemas.figure_forms import (
    AskedOut,
    BodyGivenOut,
    FiguresOut,
    NumberOut,
    OfferedOut,
    SaltOut,
    ShareOut,
    StandOut,
    SulphitesOut,
    ThicknessOut,
    YieldedOut,
)
from yellow_ladle.core.book.book import Preparation, owner_of, used_item
from yellow_ladle.core.cards.cautions import called_for
from yellow_ladle.core.cards.colours import clashes
from yellow_ladle.core.numbers.balance import CARRIED, Balance, portions_of
from yellow_ladle.core.numbers.named import NUMBERS, named
from yellow_ladle.core.numbers.salt import seasoned
from yellow_ladle.core.numbers.sources import Share, figure
from yellow_ladle.core.numbers.sulphites import FLAG, SulphiteEstimate, estimate
from yellow_ladle.core.numbers.thickeners import thickeners
from yellow_ladle.core.numbers.yields import evaporation, yielded
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.thickening.thickness import Span, place_of, position, thickness

POURED = ("stock", "sauce", "soup")
"""Kinds whose thickness is predicted."""


def figures_out(reading: Reading, id: str) -> FiguresOut:
    """The figures of a preparation of a book."""
    balance, preparation = reading.balance, reading.book.preparations[id]
    minutes = dict.fromkeys((True, False), 0.0)
    for step in preparation.method:
        minutes[step.passive] += step.minutes or 0
    weights = [balance.line_grams(line) for line in preparation.lines]
    return FiguresOut(
        numbers=[_number(balance, id, name) for name in CARRIED],
        salt=_salt(balance, id),
        sulphites=_sulphites(reading, id),
        thickness=_thickness(balance, id)
        if preparation.kind in POURED and preparation.lines
        else None,
        made=_yielded(balance, id),
        evaporation=preparation.pan
        and evaporation(preparation.pan, preparation.method, preparation.batches),
        portions=portions_of(preparation),
        active_minutes=minutes[False],
        passive_minutes=minutes[True],
        clashes=list(clashes(reading.book, preparation)),
        cautions=_offered(reading, preparation),
        asked=[
            AskedOut(line=index, sentence=balance.asks(preparation.lines[index]))
            for index, grams in enumerate(weights)
            if grams is None
        ],
        line_grams=weights,
    )


def stand_out(span: Span) -> StandOut:
    """A thickness by its place on the scale."""
    place = place_of(span.middle)
    return StandOut(
        place=place.id,
        name=place.name,
        low_name=place_of(span.low).name,
        high_name=place_of(span.high).name,
        grams_per_l=span.middle,
        low=span.low,
        high=span.high,
        position=position(span.middle),
    )


def _number(balance: Balance, id: str, name: str) -> NumberOut:
    found = figure(balance, id, name)
    place = CARRIED.index(name)
    return NumberOut(
        name=NUMBERS[place],
        value=named(balance, id)[place],
        per_portion=found.per_portion,
        at_least=found.at_least,
        missing=all_named(balance.book, found.missing),
        by_line=[_share(balance, share) for share in found.by_line],
        by_product=[_share(balance, share) for share in found.by_product],
    )


def _salt(balance: Balance, id: str) -> SaltOut:
    already, more, pinch = seasoned(balance, id)
    return SaltOut(already=already, pinch_more=more, pinch_g=pinch)


def _sulphites(reading: Reading, id: str) -> SulphitesOut | None:
    if FLAG not in reading.levels(id):
        return None
    found = estimate(reading.balance, id, reading.sources(id)[FLAG])
    if found is None:
        return None
    left_out = found.under and reading.book.kitchen.so2_by_amount
    return SulphitesOut(
        mg_per_kg=found.mg_per_kg,
        line=found.line,
        under=found.under,
        left_out=left_out,
        sentence=_told(found, left_out=left_out),
    )


def _told(found: SulphiteEstimate, *, left_out: bool) -> str:
    about = f"About {found.mg_per_kg:.3g} mg/kg of SO2 by the records, before any loss"
    if found.why:
        return f"{about}; how much in all is not known: {found.why}. The declaration stays."
    if not found.under:
        return f"{about}: over the line of {found.line:g} mg/kg. It is declared."
    if left_out:
        return (
            f"{about}: under the line of {found.line:g} mg/kg. Your kitchen leaves it out of the "
            "declaration; the flag stays."
        )
    return (
        f"{about}: under the line of {found.line:g} mg/kg. It is declared all the same, until "
        "the kitchen chooses otherwise."
    )


def _thickness(balance: Balance, id: str) -> ThicknessOut:
    found = thickness(balance, id)
    known = thickeners()
    return ThicknessOut(
        hot=stand_out(found.hot),
        lukewarm=stand_out(found.lukewarm),
        thawed=stand_out(found.thawed),
        effects=list(found.effects),
        given=[
            BodyGivenOut(name=known[name].name if name in known else name, grams_per_l=span.middle)
            for name, span in found.given.items()
        ],
        at_least=found.at_least,
    )


def _yielded(balance: Balance, id: str) -> YieldedOut:
    found = yielded(balance, id)
    return YieldedOut(
        grams_in=found.grams_in,
        grams_out=found.grams_out,
        by_products=found.by_products,
        lost=found.lost,
        per_cent=found.per_cent,
        level_in=found.level_in,
        level_out=found.level_out,
        unknown=all_named(balance.book, found.unknown),
    )


def _offered(reading: Reading, preparation: Preparation) -> list[OfferedOut]:
    """What each step calls for, besides a caution of its own."""
    book = reading.book
    found = []
    for index, step in enumerate(preparation.method):
        if step.caution:
            continue
        items = dict.fromkeys(map(used_item, step.uses))
        names = [book.name(item) for item in items if owner_of(item) in reading.masks]
        found += [
            OfferedOut(step=index, id=caution.id, text=caution.text, source=caution.source)
            for caution in called_for(step.text, names)
        ]
    return found


def _share(balance: Balance, share: Share) -> ShareOut:
    return ShareOut(
        item=share.item,
        name=balance.book.name(share.item),
        amount=share.amount,
        share=share.share,
    )
