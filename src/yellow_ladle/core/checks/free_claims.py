"""What keeps a product from being recorded as free: its name, class or label, or no reader.

These rules hold for what a person records. A file is read as it is, and what contradicts itself in
it raises (`carrying/label_sources.py`).
"""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.fault import Fault
from yellow_ladle.core.book.inherent_flags import inherent_flags
from yellow_ladle.core.book.maker import Evidence, Maker
from yellow_ladle.core.book.product import PLAIN_FOOD, Product
from yellow_ladle.core.labels.label_reading import FlagProposal, LabelReading, TooLong
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.larder.plain_food import NotPlain, plain_food
from yellow_ladle.core.reading.texts import enumerated
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.vocabulary.levels import Level

OTHERWISE = "otherwise"
ON_THE_LABEL = ("label", PLAIN_FOOD)
"""Kinds of evidence that a label's own words stand against, also where they only hide something."""
MAX_NAMED = 3
"""Flags named in one sentence."""


@dataclass(frozen=True, slots=True)
class _Claims:
    """What one label newly says free: single flags, and all the rest."""

    flags: frozenset[str]
    rest: bool

    def __bool__(self) -> bool:
        return self.rest or bool(self.flags)


def free_claim_faults(
    before: Book, change: Change, readings: Mapping[str, LabelReading] | None = None
) -> list[Fault]:
    """Why what a change newly says free cannot be recorded so, in the order of the change.

    `readings` are of labels that were read already, by their texts.
    """
    known = readings or {}
    return [
        fault
        for index, product in enumerate(change.products)
        for fault in _product_faults(before, product, f"products[{index}]", known)
    ]


def _product_faults(
    before: Book, product: Product, place: str, readings: Mapping[str, LabelReading]
) -> Iterator[Fault]:
    known = before.products.get(product.id)
    # With makers the product's own `otherwise` says nothing; its statements can only raise.
    labels: list[tuple[str, Product | Maker]] = [(product.name, product)]
    if product.makers:
        labels = [(f"{product.name}, {maker.name}", maker) for maker in product.makers]
    for name, label in labels:
        was = _label_before(label, known)
        new = _new_claims(label, was)
        yield from _unsigned(label, new, name, place)
        if was is None or known is None or not _same_thing(known, was, product, label):
            # Of another name, class or text all that is said free is to be looked at anew.
            new = _new_claims(label, None)
        if new:
            yield from _label_faults(
                book=before,
                product=product,
                label=label,
                claims=new,
                name=name,
                place=place,
                readings=readings,
            )


def _new_claims(label: Product | Maker, was: Product | Maker | None) -> _Claims:
    """What a label says free and did not say so before."""
    free = frozenset(flag for flag, level in label.statements.items() if level is Level.FREE)
    rest = label.otherwise is Level.FREE
    if was is None:
        return _Claims(free, rest)
    free_before = {flag for flag, level in was.statements.items() if level is Level.FREE}
    dropped = was.statements.keys() - label.statements.keys()
    rest_is_new = was.otherwise is not Level.FREE or bool(dropped)
    return _Claims(free - free_before, rest and rest_is_new)


def _same_thing(
    known: Product, was: Product | Maker, product: Product, label: Product | Maker
) -> bool:
    """Whether name, class and the label's text are what they were."""
    before = (known.name, known.class_, was.label)
    return before == (product.name, product.class_, label.label)


def _label_before(label: Product | Maker, known: Product | None) -> Product | Maker | None:
    if known is None or isinstance(label, Product):
        return known
    return next((maker for maker in known.makers if maker.id == label.id), None)


def _label_faults(
    book: Book,
    product: Product,
    label: Product | Maker,
    claims: _Claims,
    name: str,
    place: str,
    readings: Mapping[str, LabelReading],
) -> Iterator[Fault]:
    words = {flag.id: flag.name.lower() for flag in book.flags}

    def says_free(flag: str) -> bool:
        if flag in label.statements:
            return flag in claims.flags
        return claims.rest

    by_class = inherent_flags(product)
    against = sorted(flag for flag in by_class.inherent & book.flag_ids if says_free(flag))
    if against:
        named = enumerated((words[flag] for flag in against), most=MAX_NAMED)
        what = "its class" if by_class.recorded else "its name"
        said = " or ".join(class_.replace("-", " ") for class_ in by_class.classes)
        yield Fault(
            f"{place}.{OTHERWISE}",
            f"{name} cannot be free of {named}: {what} says that it is {said}."
            f" State that it contains {named}, or say what else it is",
        )
    yield from _against_words(
        book=book,
        label=label,
        says_free=says_free,
        told=set(against),
        words=words,
        name=name,
        place=place,
        readings=readings,
    )
    rest = label.evidence.get(OTHERWISE)
    if claims.rest and rest is not None and rest.kind == PLAIN_FOOD:
        try:
            plain_food(product, book.flags)
        except NotPlain as error:
            yield Fault(f"{place}.{OTHERWISE}", str(error).rstrip("."))


def _unsigned(label: Product | Maker, claims: _Claims, name: str, place: str) -> Iterator[Fault]:
    """Free wants its source and the person who read it."""
    claimed = [*sorted(claims.flags), *([OTHERWISE] if claims.rest else [])]
    missing = [key for key in claimed if not _signed(label.evidence, key)]
    if missing:
        yield Fault(
            f"{place}.evidence.{missing[0]}",
            f"{name} is said to be free, but not by whom or from what."
            " Say at the top who you are, and choose the source",
        )


def _signed(evidence: Mapping[str, Evidence], key: str) -> bool:
    why = evidence.get(key)
    return why is not None and bool(why.kind and why.person and why.person.strip())


def _against_words(
    book: Book,
    label: Product | Maker,
    says_free: Callable[[str], bool],
    told: set[str],
    words: Mapping[str, str],
    name: str,
    place: str,
    readings: Mapping[str, LabelReading],
) -> Iterator[Fault]:
    """The words of the label that say otherwise."""
    if not label.label.strip():
        return
    try:
        reading = readings.get(label.label) or read_label(
            label.label, "auto", book.kitchen.regime, book.house_flags
        )
    except TooLong:
        return
    against = [
        proposal
        for proposal in reading.proposals
        if proposal.flag in words
        and proposal.flag not in told
        and says_free(proposal.flag)
        and proposal.because
        and _stands(proposal, label)
    ]
    if not against:
        return
    named = enumerated((words[proposal.flag] for proposal in against), most=MAX_NAMED)
    said = [why.text.strip() for p in against for why in (p.traces or p.because)[:1]]
    quoted = enumerated((f'"{text}"' for text in said), most=MAX_NAMED)
    yield Fault(
        f"{place}.{OTHERWISE}",
        f"{name} cannot be free of {named}: its label says {quoted}. Take what was read,"
        " or correct the label's text",
    )


def _stands(proposal: FlagProposal, label: Product | Maker) -> bool:
    """Whether a word stands against free: what only hides something does until its maker spoke."""
    if proposal.level is not Level.UNCHECKED or proposal.traces:
        return True
    key = proposal.flag if proposal.flag in label.statements else OTHERWISE
    why = label.evidence.get(key)
    return why is None or why.kind in ON_THE_LABEL
