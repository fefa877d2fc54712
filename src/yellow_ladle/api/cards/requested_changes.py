"""Changes as requests describe them, and what they would do."""

from collections.abc import Mapping

from yellow_ladle.api.cards.change_kinds import CHANGE_KINDS
from yellow_ladle.api.schemas.change_forms import (
    AnyChange,
    MakerChange,
    ProductChange,
)
from yellow_ladle.api.text_workers import MAX_HERE, TextWorkers
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.checks.free_claims import free_claim_faults
from yellow_ladle.core.labels.label_reading import LabelReading
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.reading.update import Change
from yellow_ladle.files.book.models import MakerPiece, ProductPiece
from yellow_ladle.store.documents import Now


async def labels_of(now: Now, wanted: AnyChange, workers: TextWorkers) -> dict[str, LabelReading]:
    """The long labels of a request, read where they cannot hold anybody up, by their texts.

    Raises TextTooSlow.
    """
    pieces: list[ProductPiece | MakerPiece] = []
    if isinstance(wanted, ProductChange):
        pieces = [wanted.product, *wanted.product.makers]
    elif isinstance(wanted, MakerChange):
        pieces = [wanted.maker]
    book = now.reading.book
    return {
        text: await workers.run(
            len(text), read_label, text, "auto", book.kitchen.regime, book.house_flags
        )
        for text in {piece.label for piece in pieces if len(piece.label) > MAX_HERE}
    }


def change_of(
    now: Now,
    wanted: AnyChange,
    person: str | None,
    labels: Mapping[str, LabelReading] | None = None,
) -> Change:
    """The core's change for a request's; Missing or BookRefused where it names what is not.

    `person` is who asks, by initials. What a person newly says free of a label is refused where
    another record says otherwise. Tables and suppliers' sheets are taken as they are, and raised
    where they contradict themselves.
    """
    kind = CHANGE_KINDS[type(wanted)]
    change: Change = kind.makes(now, wanted, person)
    if kind.by_hand and (faults := free_claim_faults(now.reading.book, change, labels)):
        raise BookRefused(faults)
    return change
