"""What one more pot, one purchase or the reading of one label would do for a menu."""

from collections.abc import Collection, Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from time import perf_counter
from typing import Literal, TypeAlias

from yellow_ladle.core.book.maker import Maker
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.larder.unchecked import unchecked_bits
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import Change, reread
from yellow_ladle.core.swaps.library.bases import BaseLibrary, base_library, to_be_bought
from yellow_ladle.core.swaps.menu.menu_plan import Guest, MenuPlan
from yellow_ladle.core.swaps.menu.planner import MenuQuestion, question
from yellow_ladle.core.swaps.plans.goals import Goals, offences, together
from yellow_ladle.core.vocabulary.classes import usual_of
from yellow_ladle.core.vocabulary.levels import Level

GainKind: TypeAlias = Literal["pot", "purchase", "label"]

MAX_TRIED = 8
"""Of goods that could be bought, and of labels that could be read, so many are tried in turn."""


@dataclass(frozen=True, slots=True)
class Gain:
    """What one thing would do for a menu.

    `subject` is the class of goods to be bought or the product whose label is read, `flags` what
    that label has to be free of. `more` are plates that guests are served then and were not before,
    each with their names, `given_up` plates that they were served before; `fewer` so many pots less
    have to be made. `menu` is the whole answer then.
    """

    kind: GainKind
    menu: MenuPlan
    more: tuple[tuple[str, tuple[str, ...]], ...]
    given_up: tuple[tuple[str, tuple[str, ...]], ...]
    fewer: int
    subject: str = ""
    flags: tuple[str, ...] = ()


class MenuGains:
    """The gains of one menu whose answer is known. `seconds` bound each of the three questions."""

    def __init__(
        self,
        reading: Reading,
        plates: Sequence[str],
        guests: Sequence[Guest],
        found: MenuPlan,
        *,
        each: int | None = None,
        library: BaseLibrary | None = None,
        seconds: float = 2.0,
    ) -> None:
        self._reading = reading
        self._plates = plates
        self._guests = guests
        self._found = found
        self._each = each
        self._library = library
        self._seconds = seconds
        self._question = self._ask(reading, library)
        self._lacked = self._lacking(found)

    def one_more_pot(self) -> Gain | None:
        """The plates that one pot more would bring; None where it would bring none."""
        most = self._found.made + 1
        menu = self._question.most_plates(self._seconds, most)
        gain = None if menu is None else self._gain("pot", menu)
        return gain if gain is not None and _count(gain.more) > _count(gain.given_up) else None

    def one_purchase(self) -> Gain | None:
        """What of one class of goods would help most, if its label says what is hoped.

        None where none of those tried lets more guests eat or saves a pot.
        """
        own = base_library(self._reading)
        classes = self._question.missing()
        goods = {class_: self._as_hoped(id, class_) for id, class_ in own.to_buy(classes)}
        order = [class_ for class_ in classes if class_ in goods]
        return self._best("purchase", [Hope(class_, goods[class_]) for class_ in order])

    def _as_hoped(self, id: str, class_: str) -> Product:
        """Goods to be bought, with what is usual in their class and free of the rest."""
        usual = usual_of(class_).has & self._reading.book.flag_ids
        holds = dict.fromkeys(usual, Level.CONTAINS)
        return replace(to_be_bought(id, class_), statements=holds, otherwise=Level.FREE)

    def one_label(self) -> Gain | None:
        """The label that would help most if it is free of what the guests may not have.

        None where none of those tried lets more guests eat or saves a pot.
        """
        return self._best("label", sorted(self._labels(), key=lambda hope: -hope.promise))

    def _labels(self) -> Iterator["Hope"]:
        layout, reading = self._reading.layout, self._reading
        goals = {guest.goals for guest in self._guests}
        minded = together(bits for each in goals for bits in _bits(reading, each))
        for id, product in reading.book.products.items():
            mask = reading.masks[id]
            open_ = unchecked_bits(layout, mask)
            # What is not checked counts for whoever minds traces, and for whoever minds no more.
            flags = tuple(
                flag
                for flag, bit in layout.bits.items()
                if open_ >> bit & 1
                and minded
                & (
                    layout.at_least(1 << bit, Level.UNCHECKED)
                    | layout.at_least(1 << bit, Level.MAY_CONTAIN)
                )
            )
            above = reading.graph.downstream([id])
            reached = sum(plate in above for plate in self._plates)
            if flags and not product.contents and (reached or product.class_ is not None):
                yield Hope(id, _read_free(product, flags), flags, reached)

    def _best(self, kind: GainKind, hopes: Sequence["Hope"]) -> Gain | None:
        """The hope that does most; all at once are tried first, as then none alone does more."""
        if not hopes:
            return None
        until = perf_counter() + self._seconds
        whole = self._with([hope.good for hope in hopes], self._seconds)
        if self._gain(kind, whole).fewer <= 0 and self._lacking(whole) >= self._lacked:
            return None
        plans = [serving.plan for serving in whole.servings if serving.plan is not None]
        used = {swap.to for plan in plans for swap in plan.swaps}
        likely = sorted(hopes, key=lambda hope: hope.good.id not in used)
        best: tuple[tuple[int, int], Gain] | None = None
        for hope in likely[:MAX_TRIED]:
            if (rest := until - perf_counter()) <= 0:
                break
            menu = self._with([hope.good], rest)
            gain = replace(self._gain(kind, menu), subject=hope.subject, flags=hope.flags)
            key = (self._lacking(menu) - self._lacked, -gain.fewer)
            if key < (0, 0) and (best is None or key < best[0]):
                best = (key, gain)
        return None if best is None else best[1]

    def _with(self, goods: Sequence[Product], seconds: float) -> MenuPlan:
        reading = reread(self._reading, Change(tuple(goods))).reading
        library = None if self._library is None else base_library(reading)
        return self._ask(reading, library).fewest_pots(seconds)

    def _ask(self, reading: Reading, library: BaseLibrary | None) -> MenuQuestion:
        return question(reading, self._plates, self._guests, each=self._each, library=library)

    def _gain(self, kind: GainKind, menu: MenuPlan) -> Gain:
        before, after = _served(self._found), _served(menu)
        more = tuple(sorted(after - before))
        given_up = tuple(sorted(before - after))
        # Against an answer that is not proved, fewer pots may only be luck.
        fewer = self._found.made - menu.made if self._found.optimal else 0
        return Gain(kind=kind, menu=menu, more=more, given_up=given_up, fewer=fewer)

    def _lacking(self, menu: MenuPlan) -> int:
        """How many plates the guests have too few."""
        courses: dict[tuple[tuple[str, ...], str], list[bool]] = {}
        for serving in menu.servings:
            course = self._reading.book.preparations[serving.plate].course or ""
            courses.setdefault((serving.guests, course), []).append(serving.served)
        return sum(
            len(names) * max(0, min(self._each or len(served), len(served)) - sum(served))
            for (names, _), served in courses.items()
        )


@dataclass(frozen=True, slots=True)
class Hope:
    """A good as it would be if its label says what is hoped; `promise` puts the likely first."""

    subject: str
    good: Product
    flags: tuple[str, ...] = ()
    promise: int = 0


def _bits(reading: Reading, goals: Goals) -> Iterator[int]:
    for bad in offences(reading, goals):
        yield from bad.values()


def _read_free(product: Product, flags: Collection[str]) -> Product:
    """A product whose labels have all been read and are free of some flags where they were open."""

    def read(label: Product | Maker) -> dict[str, Level]:
        told = {flag: label.statements.get(flag, label.otherwise) for flag in flags}
        read = {flag: Level.FREE for flag, level in told.items() if level is Level.UNCHECKED}
        return {**label.statements, **read}

    makers = tuple(replace(maker, statements=read(maker)) for maker in product.makers)
    return replace(product, statements=read(product), makers=makers)


def _served(menu: MenuPlan) -> set[tuple[str, tuple[str, ...]]]:
    return {(serving.plate, serving.guests) for serving in menu.servings if serving.served}


def _count(plates: Iterable[tuple[str, tuple[str, ...]]]) -> int:
    return sum(len(names) for _, names in plates)
