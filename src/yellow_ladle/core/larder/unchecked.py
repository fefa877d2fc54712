"""What nobody has checked, and what it holds back: plates, and guests who wait for an answer."""

from dataclasses import dataclass
from typing import Literal, TypeAlias

from yellow_ladle.core.book.need import Need
from yellow_ladle.core.carrying.label_sources import raised_sources, source_mask
from yellow_ladle.core.carrying.masks import Layout
from yellow_ladle.core.larder.plain_food import can_be_plain
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.vocabulary.diets import diets

Settling: TypeAlias = Literal["read_label", "ask_maker", "mark_plain", "write_card", "empty_bag"]


@dataclass(frozen=True, slots=True)
class Held:
    """Something with flags that nobody has checked.

    `maker` names the maker whose label is unread. `plates` are the dishes that stand unchecked for
    one of the flags, `frees` those among them that this alone keeps from being checked in full,
    `needs` the open needs that cannot be answered before.
    """

    item: str
    maker: str | None
    flags: tuple[str, ...]
    plates: tuple[str, ...]
    frees: tuple[str, ...]
    pots: int
    needs: tuple[str, ...]


def held(reading: Reading, needs: tuple[Need, ...] = ()) -> list[Held]:
    """Everything unchecked, what a guest's need waits for first, then what holds most plates."""
    layout, book = reading.layout, reading.book
    givers = [*_products(reading), *_pots(reading)]
    held_by: dict[str, int] = {}
    for id, _, bits in givers:
        held_by[id] = held_by.get(id, 0) | bits
    open_plates = {
        id: unchecked_bits(layout, reading.masks[id])
        for id, preparation in book.preparations.items()
        if preparation.kind == "dish"
    }
    blockers: dict[str, list[str]] = {}
    below: dict[str, set[str]] = {id: reading.graph.downstream([id]) for id in held_by}
    for id, reached in below.items():
        for plate in reached:
            if open_plates.get(plate, 0) & held_by[id]:
                blockers.setdefault(plate, []).append(id)
    asked = {need.id: _bits_of(reading, need) for need in needs}
    found = []
    for id, maker, bits in givers:
        plates = sorted(p for p in below[id] if open_plates.get(p, 0) & bits)
        waiting = [
            need
            for need, wanted in asked.items()
            if any(open_plates[p] & bits & wanted for p in plates)
        ]
        frees = [plate for plate in plates if blockers[plate] == [id]]
        pots = sum(p not in open_plates for p in below[id])
        flags = tuple(flag for flag, bit in layout.bits.items() if bits >> bit & 1)
        found.append(
            Held(
                item=id,
                maker=maker,
                flags=flags,
                plates=tuple(plates),
                frees=tuple(frees),
                pots=pots,
                needs=tuple(waiting),
            )
        )
    return sorted(found, key=lambda e: (-len(e.needs), -len(e.plates), -e.pots, e.item))


def is_put_away(reading: Reading, product: str) -> bool:
    """Whether a product is retired and in nothing any more: it waits for nobody's reading."""
    retired = reading.book.products[product].retired is not None
    return retired and not reading.graph.users.get(product)


def unchecked_bits(layout: Layout, mask: int) -> int:
    """The flags' bits that stand at unchecked, and not above."""
    one_level = (1 << len(layout.bits)) - 1
    return (mask >> layout.width) & ~mask & one_level


def freed(before: Reading, after: Reading) -> list[str]:
    """The dishes that nothing unchecked holds back any more."""
    return [
        id
        for id, preparation in after.book.preparations.items()
        if preparation.kind == "dish"
        and id in before.masks
        and unchecked_bits(before.layout, before.masks[id])
        and not unchecked_bits(after.layout, after.masks[id])
    ]


def settled_by(reading: Reading, entry: Held) -> Settling:
    """The quickest way to have it checked.

    What can be recorded as a plain single food is marked as one; a label of which only a few flags
    are open has been read, so its maker is asked.
    """
    product = reading.book.products.get(entry.item)
    if product is None:
        return "write_card"
    if product.bag is not None:
        return "empty_bag"
    if can_be_plain(product, reading.book.flags):
        return "mark_plain"
    few = len(entry.flags) <= len(reading.book.flags) // 2
    return "ask_maker" if few else "read_label"


def _products(reading: Reading) -> list[tuple[str, str | None, int]]:
    """Each label with flags that it leaves unchecked: product, maker, bits."""
    found: list[tuple[str, str | None, int]] = []
    layout = reading.layout
    for id, product in reading.book.products.items():
        if not unchecked_bits(layout, reading.masks[id]) or is_put_away(reading, id):
            continue
        for source in raised_sources(product, reading.on, reading.book):
            mask = source_mask(layout, product, source)
            if bits := unchecked_bits(layout, mask):
                found.append((id, source.by or None, bits))
    return found


def _pots(reading: Reading) -> list[tuple[str, str | None, int]]:
    """Each pot that is unchecked by its own word, such as one without a card."""
    layout = reading.layout
    found: list[tuple[str, str | None, int]] = []
    for id, preparation in reading.book.preparations.items():
        own = layout.mask(preparation.statements, preparation.own_otherwise)
        if bits := unchecked_bits(layout, own):
            found.append((id, None, bits))
    return found


def _bits_of(reading: Reading, need: Need) -> int:
    known = need.within(reading.book.flag_ids, diets())
    bits = reading.layout.of_flags(known.clear)
    for diet in known.fit:
        bits |= reading.diet_checker(diet).ruled_out | reading.diet_checker(diet).asked
    return bits
