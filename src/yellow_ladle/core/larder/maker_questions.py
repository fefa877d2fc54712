"""What only a maker can answer: one list a supplier, from the labels as they were read."""

from collections.abc import Iterable
from dataclasses import dataclass
from functools import lru_cache

from yellow_ladle.core.labels.label_reading import TooLong
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.larder.unchecked import Held, held, settled_by
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.texts import enumerated

NOT_NAMED = "Maker not recorded"
"""Stands for the maker of a good of which nobody has written down whose it is."""


@dataclass(frozen=True, slots=True)
class MakerQuestion:
    """What a maker is asked about one good: the flags that are open, and the label's own words.

    `maker` is its id, None for the label of a good without makers. `plates` wait for the answer.
    """

    product: str
    maker: str | None
    flags: tuple[str, ...]
    sentences: tuple[str, ...]
    plates: tuple[str, ...]


def maker_questions(reading: Reading) -> dict[str, list[MakerQuestion]]:
    """The questions by maker, as its name is recorded; those for whom most plates wait first."""
    found: dict[str, list[MakerQuestion]] = {}
    for entry in held(reading):
        if settled_by(reading, entry) == "ask_maker":
            question = _question(reading, entry)
            found.setdefault(_name(reading, entry), []).append(question)
    return found


def letter(reading: Reading, supplier: str, questions: Iterable[MakerQuestion]) -> str:
    """The questions to a supplier as a text to be sent."""
    book = reading.book
    names = {flag.id: flag.name.lower() for flag in book.flags}
    lines = [f"{book.kitchen.name} asks {supplier}", ""]
    if supplier == NOT_NAMED:
        lines[0] = f"{book.kitchen.name} asks the maker"
    for question in questions:
        product = book.products[question.product]
        label = next((m for m in product.makers if m.id == question.maker), product)
        told = ", ".join(filter(None, (label.pack, label.code and f"bar code {label.code}")))
        lines.append(product.name + (f" ({told})" if told else ""))
        asked = enumerated(names[flag] for flag in question.flags)
        lines.append(f"- Does it contain {asked}? May it contain traces of any of them?")
        lines += [f"- {sentence}" for sentence in question.sentences]
        lines.append("")
    lines.append("Please answer for each: contains, may contain, or free from.")
    return "\n".join(lines)


def _question(reading: Reading, entry: Held) -> MakerQuestion:
    product = reading.book.products[entry.item]
    label = next((m for m in product.makers if m.id == entry.maker), product)
    sentences = _asked_by_label(label.label, reading.book.kitchen.regime)
    return MakerQuestion(
        product=entry.item,
        maker=entry.maker,
        flags=entry.flags,
        sentences=sentences,
        plates=entry.plates,
    )


def _name(reading: Reading, entry: Held) -> str:
    makers = reading.book.products[entry.item].makers
    return next((maker.name for maker in makers if maker.id == entry.maker), NOT_NAMED)


@lru_cache(maxsize=2_000)
def _asked_by_label(text: str, regime: str) -> tuple[str, ...]:
    """What a label's own words leave open. A label that is too long to be read asks nothing."""
    if not text.strip():
        return ()
    try:
        return read_label(text, "auto", regime).questions
    except TooLong:
        return ()
