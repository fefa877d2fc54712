"""What a card's own words state once it is recorded and nobody has refused them."""

from dataclasses import replace

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.maker import Evidence
from yellow_ladle.core.book.product import METHOD
from yellow_ladle.core.cards.card_words import texts_of_card, words_of_card
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import Change, applied, reread
from yellow_ladle.core.vocabulary.levels import Level

MAX_CARD_LETTERS = 50_000
"""Letters of all the texts of a card: a book's longest recipe has a tenth of it."""


def refuse_too_long(preparation: Preparation) -> None:
    """Raises BookRefused where a card's texts are too long to be read while somebody waits."""
    letters = sum(len(text) for _, text in texts_of_card(preparation))
    if letters > MAX_CARD_LETTERS:
        why = (
            f"{preparation.name} has {letters:,} letters of text;"
            f" a card has {MAX_CARD_LETTERS:,} at most. Make several cards of it"
        )
        raise BookRefused([Fault("method", why)])


def stated_by_words(
    reading: Reading, preparation: Preparation, on: str | None = None
) -> Preparation:
    """A card as it is recorded: what its words name and nobody refused is unchecked in it.

    A statement that an earlier version's words made is gone with them. A card that cannot stand is
    given back as it is, to be refused for what is wrong with it.
    """
    before = {flag for flag, why in preparation.evidence.items() if why.kind == METHOD}
    plain = replace(
        preparation,
        statements={f: level for f, level in preparation.statements.items() if f not in before},
        evidence={flag: why for flag, why in preparation.evidence.items() if flag not in before},
    )
    change = Change(preparations=(plain,))
    if change_faults(applied(reading.book, change), change):
        return preparation
    after = reread(reading, change).reading
    named = {flag for word in words_of_card(after, plain) for flag in word.flags}
    new = [flag for flag in after.layout.bits if flag in named and flag not in plain.statements]
    return replace(
        plain,
        statements={**plain.statements, **dict.fromkeys(new, Level.UNCHECKED)},
        evidence={**plain.evidence, **dict.fromkeys(new, Evidence(METHOD, on))},
    )
