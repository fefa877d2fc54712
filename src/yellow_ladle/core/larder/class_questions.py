"""Goods of which nobody knows what they are, and what is waiting for it."""

from dataclasses import dataclass

from yellow_ladle.core.book.proposed_class import proposed
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.words.class_names import ClassGuess


@dataclass(frozen=True, slots=True)
class ClassQuestion:
    """A product without a class that its name does not settle, and how many plates it reaches."""

    product: str
    guess: ClassGuess
    plates: int


def class_questions(reading: Reading) -> list[ClassQuestion]:
    """The goods that some pot is made of and that swaps pass over for want of a class.

    Those that reach most plates come first.
    """
    found = []
    for id, product in reading.book.products.items():
        if product.class_ or not reading.graph.users.get(id):
            continue
        guess = proposed(product)
        if not guess.certain:
            found.append(ClassQuestion(id, guess, reading.plates_reached(id)))
    return sorted(found, key=lambda entry: (-entry.plates, entry.product))
