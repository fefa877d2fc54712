"""Statements grow old: which of them want a second look."""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from datetime import date

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.maker import Evidence, Paper, Statements
from yellow_ladle.core.carrying.certificates import run_out
from yellow_ladle.core.vocabulary.levels import Level


@dataclass(frozen=True, slots=True)
class SecondLook:
    """A label that was read too long ago; `days` None where nobody wrote down when.

    `maker` is a maker's id, or None for the product's own label. It is listed, never lowered.
    """

    product: str
    maker: str | None
    read_on: str | None
    days: int | None
    person: str | None


@dataclass(frozen=True, slots=True)
class RunOut:
    """A certificate that counts no more since its last day."""

    product: str
    maker: str | None
    kind: str
    number: str
    expires: str


def second_looks(book: Book, on: str) -> list[SecondLook]:
    """Every label older than the kitchen allows, the oldest first, undated ones before all."""
    found: list[SecondLook] = []
    limit = book.kitchen.second_look_days
    for product in book.products.values():
        labels: list[tuple[str | None, Statements, Level, Mapping[str, Evidence]]] = [
            (maker.id, maker.statements, maker.otherwise, maker.evidence)
            for maker in product.makers
        ]
        own = Level.FREE if product.makers or product.bag else product.otherwise
        labels.append((None, product.statements, own, product.evidence))
        for maker, statements, otherwise, evidence in labels:
            counted = otherwise is Level.FREE and not (
                maker is None and (product.makers or product.bag)
            )
            known = [flag for flag, level in statements.items() if level is not Level.UNCHECKED]
            if not known and not counted:
                continue
            oldest = _oldest(known, counted, evidence)
            days = None if oldest is None or oldest.date is None else age(oldest.date, on)
            if days is None or days > limit:
                read_on, person = (oldest.date, oldest.person) if oldest else (None, None)
                found.append(
                    SecondLook(
                        product=product.id, maker=maker, read_on=read_on, days=days, person=person
                    )
                )
    return sorted(found, key=lambda look: (look.days is not None, -(look.days or 0), look.product))


def _oldest(
    statements: Iterable[str], counted: bool, evidence: Mapping[str, Evidence]
) -> Evidence | None:
    """The oldest evidence behind a label; None where something is stated without a date."""
    wanted = [*statements, *(["otherwise"] if counted else [])]
    dated = [evidence[key] for key in wanted if key in evidence and evidence[key].date]
    if len(dated) < len(wanted):
        return None
    return min(dated, key=lambda why: why.date or "")


def age(day: str, on: str) -> int:
    """Days from one ISO date to another."""
    return (date.fromisoformat(on) - date.fromisoformat(day)).days


def run_out_certificates(book: Book, on: str) -> Iterator[RunOut]:
    """Every certificate whose last day has passed."""
    for product in book.products.values():
        yield from _run_out(product.id, None, product.papers, on)
        for maker in product.makers:
            yield from _run_out(product.id, maker.id, maker.papers, on)


def _run_out(
    product: str, maker: str | None, papers: Mapping[str, Paper], on: str
) -> Iterator[RunOut]:
    for kind, paper in papers.items():
        if run_out(paper, on):
            yield RunOut(
                product=product,
                maker=maker,
                kind=kind,
                number=paper.number,
                expires=str(paper.expires),
            )
