"""A recipe matched to the book, line by line, to be looked at before anything is recorded.

Recipes that are read together know each other: a line that names another one of them is made with
it. What is certain is taken; only what is doubtful asks.
"""

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from yellow_ladle.core.amounts.beginnings import words_of
from yellow_ladle.core.amounts.grammar import understand
from yellow_ladle.core.amounts.understood import Understood
from yellow_ladle.core.amounts.weight import weigh
from yellow_ladle.core.book.book import Book, Line, Preparation, Step, Yield
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.proposed_class import class_of, taken_as
from yellow_ladle.core.cards.cautions import called_for
from yellow_ladle.core.cards.unsaid_words import covers
from yellow_ladle.core.larder.matching import Match, Names, names_of, role_of, stage_of, sure
from yellow_ladle.core.recipes.ingredient_text import understood_line
from yellow_ladle.core.recipes.recipe import Recipe
from yellow_ladle.core.recipes.recipe_words import named
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.units import units_of
from yellow_ladle.core.words.class_names import class_of_name
from yellow_ladle.core.words.stems import folded, split

MAX_INITIALS = 4
"""Signs of a name in capitals that may be short for something."""
MAX_NOTE = 4_000
"""Letters of the longest note. What a longer line stands for is a new product, not checked."""
LETTERS = re.compile(r"[^\W\d_]+")
_AS_ONE_LIKES = frozenset({"to", "taste", "optional", "as", "needed", "required", "x"})
_FOODS_TOO = frozenset({"clove", "cloves"})
"""Measures that a line without any other word means as a food."""
NOT_UNDERSTOOD = "On the card, not understood:"
SEE_ABOVE = re.compile(
    r",?\s*\(?\b(?:see|recipe|voir|siehe|ver|vedi)\b[^()]*\)?$|,?\s*\((?:above|below|page \d+)\)$",
    re.I,
)
"""What a line says after the name of another recipe that was pasted."""
_DEGREES = re.compile(
    r"\b(\d{2,3})\s*(?:°\s*([CF])?|º\s*([CF])?|([CF])\b|degrees|grad\w*|degrés)", re.I
)


@dataclass(frozen=True, slots=True)
class ReviewedLine:
    """One line: as written, what was understood, and what it may be.

    `sure`: whether the item was found without doubt. Where it was not, the line stands for a new
    product, which nobody has checked, and `near` names what it may be instead: other recipes of the
    batch first, then items of the book. `words` is all that the line says besides its amount: its
    note, once another item is chosen for it.
    """

    text: str
    understood: Understood
    sure: bool
    near: tuple[Match, ...]
    question: str
    words: str


@dataclass(frozen=True, slots=True)
class Reviewed:
    """A recipe as it would be recorded, with the products that it needs and the larder lacks."""

    preparation: Preparation
    products: tuple[Product, ...]
    lines: tuple[ReviewedLine, ...]
    notes: tuple[str, ...]


def review(book: Book, recipes: list[Recipe], taken: Iterable[str] = ()) -> list[Reviewed]:
    """Every recipe matched to the book. Products that several of them need are made once.

    `taken` are ids of preparations that are being looked at already.
    """
    review = _Review(book, recipes, taken)
    return [review.recipe(number, recipe) for number, recipe in enumerate(recipes)]


class _Review:
    def __init__(self, book: Book, recipes: Sequence[Recipe], taken: Iterable[str]) -> None:
        self.book = book
        self.names = Names(names_of(book))
        self.taken = {*book.products, *book.preparations, *taken}
        self.new: dict[str, Product] = {}
        self.by_name: dict[str, Product] = {}
        self.ids = [self._free(recipe.name) for recipe in recipes]
        self.recipes = recipes
        self.beside: dict[str, int] = {}
        for number, recipe in enumerate(recipes):
            self.beside.setdefault(folded(recipe.name), number)
        self.made_of: dict[int, set[int]] = {}
        self.batch_names = Names(
            {id: recipe.name for id, recipe in zip(self.ids, recipes, strict=True)}
        )
        self.kinds = self._kinds()

    def _kinds(self) -> list[str]:
        """What each is; one that another of them is made with is a component, if nothing more."""
        used = {
            self.beside.get(folded(_plain_name(line.text)))
            for recipe in self.recipes
            for line in recipe.lines
        }
        return [
            _kind(f"{recipe.name} {recipe.category}") or ("component" if n in used else "dish")
            for n, recipe in enumerate(self.recipes)
        ]

    def _of_the_batch(self, number: int, words: str) -> int | None:
        """The other recipe that a line names, if that closes no loop."""
        other = self.beside.get(folded(SEE_ABOVE.sub("", words).strip(" ,")))
        if other is None or other == number or self._reaches(other, number):
            return None
        self.made_of.setdefault(number, set()).add(other)
        return other

    def _reaches(self, start: int, end: int) -> bool:
        waiting, seen = [start], set[int]()
        while waiting:
            here = waiting.pop()
            if here == end:
                return True
            if here not in seen:
                seen.add(here)
                waiting += self.made_of.get(here, ())
        return False

    def recipe(self, number: int, recipe: Recipe) -> Reviewed:
        lines: list[Line] = []
        told: list[ReviewedLine] = []
        needed: dict[str, Product] = {}
        unread = []
        for entry in recipe.lines:
            if not names_something(entry.text):
                unread.append(entry.text.strip())
                continue
            line, said = self._line(number, entry.text, entry.group, needed)
            lines.append(line)
            told.append(replace(said, question=said.question or entry.question))
        in_sentences = any(entry.from_sentence for entry in recipe.lines)
        portions, made = self._yielded(recipe)
        notes = []
        if recipe.yields and portions is None and made is None:
            notes.append(f'The yield "{recipe.yields}" could not be read; write it on the card.')
        if not lines:
            notes.append("It has no ingredient lines.")
        if in_sentences:
            notes.append(
                "Its ingredients are told in its steps. What else they name stays not checked until"
                " somebody has looked."
            )
        notes += [
            f'The line "{text}" was not understood. It becomes no jar and is kept among the steps;'
            " what else goes in stays not checked until somebody has looked."
            for text in unread
        ]
        steps = tuple(Step(f"{NOT_UNDERSTOOD} {text}") for text in unread)
        steps += tuple(
            _step(f"{step.section}: {step.text}" if step.section else step.text, step.minutes)
            for step in recipe.steps
        )
        preparation = Preparation(
            self.ids[number],
            _as_a_name(recipe.name),
            self.kinds[number],
            lines=_doughs_of(lines),
            yield_=made,
            portions=portions,
            method=steps,
            # Whatever such a line meant is in the pot all the same.
            otherwise=Level.UNCHECKED if (unread or in_sentences) and lines else None,
        )
        return Reviewed(preparation, tuple(needed.values()), tuple(told), tuple(notes))

    def _yielded(self, recipe: Recipe) -> tuple[float | None, Yield | None]:
        """Portions, or an amount, whichever a recipe says."""
        if recipe.portions is not None:
            return recipe.portions, Yield(recipe.portions, "portion")
        if recipe.yield_ is not None:
            return _yielded(recipe.yield_.quantity, recipe.yield_.unit)
        found = understand(recipe.yields, self.book.units, self.book.kitchen.spoons)
        return _yielded(found.quantity, found.unit)

    def _line(
        self, number: int, text: str, group: str, needed: dict[str, Product]
    ) -> tuple[Line, ReviewedLine]:
        understood = understood_line(text, self.book.units, self.book.kitchen.spoons)
        words = understood.item or text
        note = understood.note
        near = self.names.matches(words)
        # A name of the book may hold a comma itself: "House white, dry".
        whole = self.names.matches(f"{words}, {note}") if note else ()
        if sure(whole) and not sure(near):
            near, note = whole, ""
        if not sure(near) and (only := self._only_one_of_its_class(words)) is not None:
            near = (Match(only, 1.0),)
        # A pot that the book has already is that one, a product of the name may be another thing.
        is_pot = sure(near) and near[0].item in self.book.preparations
        other = None if is_pot else self._of_the_batch(number, words)
        certain = sure(near) or other is not None
        if other is not None:
            item = self.ids[other]
        else:
            item = near[0].item if certain else self._new(words, needed)
        known = understood.quantity is not None and understood.unit is not None
        said = (_joined(words, understood.note) if known else text)[:MAX_NOTE]
        if not covers(self._name(item, other), words):
            note = said
        line = Line(
            item,
            understood.quantity if known and understood.quantity is not None else 0.0,
            understood.unit or "piece",
            self._role(item) if other is None else self._role_of_batch(other),
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
        if not certain:
            near = (*self._like_in_batch(number, words), *near)
        return line, ReviewedLine(
            text=text, understood=understood, sure=certain, near=near, question=question, words=said
        )

    def _like_in_batch(self, number: int, words: str) -> tuple[Match, ...]:
        """Other recipes that were pasted whose names are like what a line names."""
        found = self.batch_names.matches(words)
        return tuple(match for match in found if match.item != self.ids[number])

    def _name(self, item: str, other: int | None) -> str:
        """What the item of a line is called, another recipe that was pasted by its name."""
        if other is not None:
            return self.recipes[other].name
        product = self.new.get(item)
        return product.name if product is not None else self.book.name(item)

    def _only_one_of_its_class(self, words: str) -> str | None:
        """The one product of a class that is named so, where the book has no other of the class."""
        guess = class_of_name(words)
        if guess.class_ is None or not guess.certain:
            return None
        held = [id for id in self.book.products if class_of(self.book, id) == guess.class_]
        if len(held) != 1 or not {*split(words)} <= {*split(self.book.name(held[0]))}:
            return None
        return held[0]

    def _role_of_batch(self, number: int) -> str:
        """The role of another recipe that was pasted, by its name and kind."""
        return role_of(class_of_name(self.recipes[number].name).class_, self.kinds[number])

    def _role(self, item: str) -> str:
        """The role that an item most likely has, by what it is taken as."""
        product = self.new.get(item)
        if product is not None:
            return role_of(taken_as(product))
        preparation = self.book.preparations.get(item)
        return role_of(
            class_of(self.book, item), preparation.kind if preparation is not None else None
        )

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


def names_something(text: str) -> bool:
    """Whether a line says more than an amount, a measure, or how much one likes.

    So does a measure that is a food as well, and one sign of a script that is not read here.
    """
    measures = words_of(tuple(units_of(()).values())).keys() - _FOODS_TOO
    words = filter(str.isalpha, LETTERS.findall(text.lower()))
    said = [word for word in words if word not in measures and word not in _AS_ONE_LIKES]
    return len("".join(said).encode()) > 1


def _joined(words: str, note: str) -> str:
    return f"{words}, {note}" if note else words


def _doughs_of(lines: list[Line]) -> tuple[Line, ...]:
    """Lines of which a flour that outweighs all the rest is what the thing is made of."""
    # A first guess: a litre of anything is taken for a kilogram.
    weights = [weigh(line.quantity, line.unit, 1.0).grams or 0.0 for line in lines]
    return tuple(
        replace(line, role="body")
        if line.role == "thickener" and weight > sum(weights) / 2
        else line
        for line, weight in zip(lines, weights, strict=True)
    )


def _yielded(quantity: float | None, unit: str | None) -> tuple[float | None, Yield | None]:
    if not quantity or unit is None:
        return None, None
    if unit in ("portion", "piece"):
        return quantity, Yield(quantity, "portion")
    return None, Yield(quantity, unit)


def _kind(words: str) -> str | None:
    """What a name says of the kind: of several, what stands last, as a leek soup is a soup."""
    told = words.lower()
    found = [
        (told.rfind(word), len(word), kind)
        for kind, listed in named("kinds")
        for word in listed
        if word in told
    ]
    return max(found)[2] if found else None


def _as_a_name(name: str) -> str:
    """A name that was written in capitals as names are written."""
    return name.capitalize() if name.isupper() and len(name) > MAX_INITIALS else name


def _plain_name(text: str) -> str:
    return SEE_ABOVE.sub("", understood_line(text).item).strip(" ,")


def _step(text: str, minutes: float | None) -> Step:
    """A step with how hot it is and the caution that it calls for."""
    cautions = called_for(text)
    return Step(text, minutes, heat_of(text), caution=cautions[0].text if cautions else None)


def heat_of(text: str) -> str | None:
    """How hot a step is, in the words of a card; None where it does not say."""
    degrees = _DEGREES.search(text)
    if degrees is not None:
        unit = next((found.upper() for found in degrees.groups()[1:] if found), "C")
        return f"{degrees[1]} °{unit}"
    told = text.lower()
    return next((heat for heat, words in named("heats") if any(w in told for w in words)), None)
