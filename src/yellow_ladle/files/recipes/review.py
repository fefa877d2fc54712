"""A recipe matched to the book, line by line, to be looked at before anything is recorded."""

from dataclasses import dataclass, replace

from yellow_ladle.core.amounts.grammar import Understood, understand
from yellow_ladle.core.book.book import Book, Line, Preparation, Step, Yield
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.proposed_class import class_of, taken_as
from yellow_ladle.core.larder.matching import Match, Names, names_of, role_of, stage_of, sure
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.files.recipes.recipe import Recipe

KINDS = {
    "soup": "soup",
    "sauce": "sauce",
    "gravy": "sauce",
    "stock": "stock",
    "broth": "stock",
    "roux": "roux",
}
"""What a recipe's name or category says of its kind; anything else is a dish."""


@dataclass(frozen=True, slots=True)
class ReviewedLine:
    """One line: as written, what was understood, and what it may be.

    `sure`: whether the item was found without doubt. Where it was not, the line stands for a new
    product, which nobody has checked, and `near` names what it may be instead.
    """

    text: str
    understood: Understood
    sure: bool
    near: tuple[Match, ...]
    question: str


@dataclass(frozen=True, slots=True)
class Reviewed:
    """A recipe as it would be recorded, with the products that it needs and the larder lacks."""

    preparation: Preparation
    products: tuple[Product, ...]
    lines: tuple[ReviewedLine, ...]
    notes: tuple[str, ...]


def review(book: Book, recipes: list[Recipe]) -> list[Reviewed]:
    """Every recipe matched to the book. Products that several of them need are made once."""
    review = _Review(book)
    return [review.recipe(recipe) for recipe in recipes]


class _Review:
    def __init__(self, book: Book) -> None:
        self.book = book
        self.names = Names(names_of(book))
        self.taken = {*book.products, *book.preparations}
        self.new: dict[str, Product] = {}
        self.by_name: dict[str, Product] = {}

    def recipe(self, recipe: Recipe) -> Reviewed:
        lines: list[Line] = []
        told: list[ReviewedLine] = []
        needed: dict[str, Product] = {}
        for entry in recipe.lines:
            line, said = self._line(entry.text, entry.group, needed)
            lines.append(line)
            told.append(said)
        id = self._free(recipe.name)
        yields = understand(recipe.yields, self.book.units, self.book.kitchen.spoons)
        portions, made = _yielded(yields)
        notes = []
        if recipe.yields and portions is None and made is None:
            notes.append(f'The yield "{recipe.yields}" could not be read; write it on the card.')
        if not lines:
            notes.append("It has no ingredient lines.")
        steps = tuple(
            Step(f"{step.section}: {step.text}" if step.section else step.text, step.minutes)
            for step in recipe.steps
        )
        preparation = Preparation(
            id,
            recipe.name,
            _kind(f"{recipe.name} {recipe.category}"),
            lines=_doughs_of(lines),
            yield_=made,
            portions=portions,
            method=steps,
        )
        return Reviewed(preparation, tuple(needed.values()), tuple(told), tuple(notes))

    def _line(self, text: str, group: str, needed: dict[str, Product]) -> tuple[Line, ReviewedLine]:
        understood = understand(text, self.book.units, self.book.kitchen.spoons)
        words = understood.item or text
        note = understood.note
        near = self.names.matches(words)
        # A name of the book may hold a comma itself: "House white, dry".
        whole = self.names.matches(f"{words}, {note}") if note else ()
        if sure(whole) and not sure(near):
            near, note = whole, ""
        certain = sure(near)
        item = near[0].item if certain else self._new(words, needed)
        known = understood.quantity is not None and understood.unit is not None
        line = Line(
            item,
            understood.quantity if known and understood.quantity is not None else 0.0,
            understood.unit or "piece",
            self._role(item),
            stage=stage_of(f"{text} {group}"),
            note=note,
            group=group,
            typed="" if known else text[:200],
        )
        question = understood.question
        if not certain:
            question = question or (
                f'Which item is "{words}"? It stands for a new product until you choose.'
            )
        return line, ReviewedLine(text, understood, certain, near, question)

    def _role(self, item: str) -> str:
        """The role that an item most likely has, by what it is taken as."""
        product = self.new.get(item)
        if product is not None:
            return role_of(taken_as(product))
        made = self.book.preparations.get(item)
        return role_of(class_of(self.book, item), made.kind if made is not None else None)

    def _new(self, words: str, needed: dict[str, Product]) -> str:
        """A new product by these words, once for all recipes; nobody has checked it."""
        name = (words[:1].upper() + words[1:])[:200]
        known = self.by_name.get(name)
        if known is None:
            known = Product(self._free(name), name, otherwise=Level.UNCHECKED)
            self.new[known.id] = self.by_name[name] = known
        needed[known.id] = known
        return known.id

    def _free(self, name: str) -> str:
        id = free_id(name, self.taken)
        self.taken.add(id)
        return id


def _doughs_of(lines: list[Line]) -> tuple[Line, ...]:
    """Lines of which a flour that outweighs all the rest is what the thing is made of."""
    weights = [line.quantity if line.unit == "g" else 0.0 for line in lines]
    return tuple(
        replace(line, role="body")
        if line.role == "thickener" and weight > sum(weights) / 2
        else line
        for line, weight in zip(lines, weights, strict=True)
    )


def _yielded(found: Understood) -> tuple[float | None, Yield | None]:
    """Portions, or an amount, whichever a yield says."""
    if not found.quantity or found.unit is None:
        return None, None
    if found.unit == "portion" or found.unit == "piece":
        return found.quantity, Yield(found.quantity, "portion")
    return None, Yield(found.quantity, found.unit)


def _kind(words: str) -> str:
    told = words.lower()
    return next((kind for word, kind in KINDS.items() if word in told), "dish")
