"""What the readings say, in a kitchen's words."""

from collections.abc import Iterable

from yellow_ladle.core.book.book import Book, owner_of
from yellow_ladle.core.carrying.certificates import last_day
from yellow_ladle.core.carrying.paths import Source
from yellow_ladle.core.carrying.suitability import Verdict
from yellow_ladle.core.reading.reading import Reading, Reason, Suitability
from yellow_ladle.core.vocabulary.diets import Diet
from yellow_ladle.core.vocabulary.levels import Level

OWN_TOOLS = "own tools"
"""What is said of a trace that only the kitchen's own tools leave."""

SAY = "From your records only. Read the label, ask the guest, follow local food law."


def way_names(book: Book, source: Source) -> list[str]:
    """The names from a source to the item asked about, which closes the list as "here"."""
    names = [step_name(book, item) for item in reversed(source.via)]
    if names:
        names[-1] = "here"
    if source.tool is not None:
        return [book.name(source.product), f"the {source.tool}, a trace", *names]
    return names if source.own else [book.name(source.product), *names]


def step_name(book: Book, item: str) -> str:
    """The name of one item on a way; a by-product by its own name alone."""
    by_product = book.by_product(item)
    return by_product.name if by_product else book.name(item)


def strained_on(book: Book, source: Source) -> bool:
    """Whether the source itself is strained out of the pot that it goes into."""
    if source.own or not source.via:
        return False
    pot = book.preparations.get(owner_of(source.via[-1]))
    if pot is None or source.tool is not None:
        return False
    lines = [pot.lines[index] for index in pot.counted()]
    return all(line.strained_out for line in lines if line.item == source.product)


def verdict_sentence(reading: Reading, item: str, diet: Diet, fit: Suitability) -> str:
    """One diet's verdict on an item, with what decides it and by which way."""
    if fit.verdict is Verdict.SUITS:
        traces = f"; traces of {_listed(words(fit.traces))} are shown" if fit.traces else ""
        return f"Suits {diet.name}{traces}."
    reasons = [reason for reason in fit.because if reason.level is fit.because[0].level]
    told = _listed(_givers(reading, item, reasons, diet.certificate))
    if fit.verdict is Verdict.DOES_NOT_SUIT:
        return f"Does not suit {diet.name}: {told}."
    if fit.because[0].level is Level.CONTAINS:
        flags = _listed(words(dict.fromkeys(reason.flag for reason in reasons)))
        return f"Ask about {diet.name}: {flags} from {told}."
    only_traces = fit.because[0].level is Level.MAY_CONTAIN
    why = "there may be traces from" if only_traces else "not checked yet:"
    return f"Ask about {diet.name}: {why} {told}."


def _givers(
    reading: Reading, item: str, reasons: Iterable[Reason], certificate: str | None
) -> list[str]:
    """Each thing behind the reasons once, with the pot by whose way it comes.

    Where the diet asks for a certificate that has run out, it says so.
    """
    ways = {way.source_id: way for way in reversed(reading.paths(item))}
    told: list[str] = []
    for giver in dict.fromkeys(product for reason in reasons for product in reason.products):
        via = [step for step in ways[giver].via[1:] if step != giver]
        pot = f", by way of {step_name(reading.book, via[-1])}" if via else ""
        product = reading.book.products.get(giver)
        day = last_day(product, certificate, reading.on) if product and certificate else None
        lapsed = f", whose {certificate} certificate ran out on {day}" if day else ""
        told.append(f"{reading.book.name(giver)}{pot}{lapsed}")
    return told


def stranded_sentences(book: Book, lines: Iterable[tuple[str, str]]) -> list[str]:
    """What is made with a by-product that a plan made for all would end."""
    return [
        f"{book.name(pot)} is made with {book.name(item)}, which would be there no more: swap it"
        " there first, or make small pots"
        for pot, item in lines
    ]


def words(flags: Iterable[str]) -> list[str]:
    """Flag ids as words."""
    return [flag.replace("_", " ") for flag in flags]


def _listed(parts: list[str], most: int = 3) -> str:
    more = f"; and {len(parts) - most} more" if len(parts) > most else ""
    return "; ".join(parts[:most]) + more


def enumerated(words: Iterable[str], most: int | None = None) -> str:
    """Words as a sentence names them, each once: `milk, eggs and soy`.

    Of more than `most` the first are named, and the others counted: `milk, eggs and 3 more`.
    """
    words = list(dict.fromkeys(words))
    if most is not None and len(words) > most:
        words = [*words[:most], f"{len(words) - most} more"]
    return " and ".join([", ".join(words[:-1]), words[-1]]) if len(words) > 1 else words[0]
