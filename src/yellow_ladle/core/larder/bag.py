"""The running bag: a product that is filled over time and carries all that was put into it."""

from dataclasses import replace

from yellow_ladle.core.book.maker import Evidence
from yellow_ladle.core.book.product import Addition, Bag, Product
from yellow_ladle.core.carrying.graph import DependencyGraph
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.vocabulary.levels import Level


class NoBag(ValueError):
    """A product that is no running bag."""


def added(reading: Reading, bag: str, item: str, date: str, person: str | None) -> Product:
    """The bag with an item put into it on a day, and what the item carries then kept with it.

    What a pot carries may change tomorrow; what lies in the bag does not. Where the bag already
    goes into the item, only what it carried is kept, as a pot cannot go into itself.
    """
    product = _bag(reading, bag)
    assert product.bag is not None
    mask = reading.masks[item]
    live = not _goes_into(reading.graph, bag, item)
    statements = reading.layout.levels(mask)
    certificates = reading.layout.certified(mask)
    entry = Addition(
        item=item,
        date=date,
        person=person,
        statements=statements,
        certificates=certificates,
        live=live,
    )
    return replace(product, bag=replace(product.bag, additions=(*product.bag.additions, entry)))


def emptied(reading: Reading, bag: str, date: str, person: str | None, *, washed: bool) -> Product:
    """The bag after it was emptied. Only a washed one forgets what was in it."""
    product = _bag(reading, bag)
    assert product.bag is not None
    if not washed:
        return replace(product, bag=replace(product.bag, emptied=date, emptied_by=person))
    why = {"otherwise": Evidence("own_knowledge", date, person)}
    empty = Bag((), date, person)
    forgotten = replace(product, abv_percent=None, salt_g_per_100g=None, so2_mg_per_kg=None)
    return replace(forgotten, bag=empty, statements={}, otherwise=Level.FREE, evidence=why)


def _bag(reading: Reading, id: str) -> Product:
    product = reading.book.products[id]
    if product.bag is None:
        raise NoBag(f"{product.name} is no running bag")
    return product


def _goes_into(graph: DependencyGraph, bag: str, item: str) -> bool:
    return item.partition("/")[0] in graph.downstream([bag])
