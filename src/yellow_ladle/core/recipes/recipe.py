"""A recipe as somebody else wrote it, before it is matched to the book."""

from dataclasses import dataclass

from yellow_ladle.core.book.book import Yield

UNNAMED = "A recipe without a name"


@dataclass(frozen=True, slots=True)
class RecipeLine:
    """One ingredient line as written, under its heading if it has one.

    `from_sentence`: it stands in a sentence of a step, and is to be confirmed.
    """

    text: str
    group: str = ""
    from_sentence: bool = False

    @property
    def question(self) -> str:
        """What is to be confirmed of a line that no list holds; empty for every other."""
        return f'The steps tell of "{self.text}". Is it right so?' if self.from_sentence else ""


@dataclass(frozen=True, slots=True)
class RecipeStep:
    """One step; minutes where the recipe says so, the section that it stands in."""

    text: str
    minutes: float | None = None
    section: str = ""


@dataclass(frozen=True, slots=True)
class Recipe:
    """A recipe in its own words. `yields` is kept as written, `place` says where it stood.

    `portions` and `yield_` are what was understood of it; None where it was not, or says neither.
    """

    name: str
    lines: tuple[RecipeLine, ...] = ()
    steps: tuple[RecipeStep, ...] = ()
    yields: str = ""
    minutes: float | None = None
    category: str = ""
    place: str = ""
    portions: float | None = None
    yield_: Yield | None = None
