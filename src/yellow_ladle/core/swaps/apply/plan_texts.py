"""The texts of the cards that a plan makes: names, steps and notes without what the plan takes out.

Besides the items that are swapped, everything goes that only they brought: a step with an egg wash
on a pie that holds no egg any more.
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from yellow_ladle.core.book.book import by_product_item, owner_of
from yellow_ladle.core.cards.card_names import (
    CardNames,
    NameSpan,
    called,
    forms_of_food,
    names_of,
    no_food,
    run_of,
    spoken_in,
)
from yellow_ladle.core.cards.card_texts import TextRenaming, in_place_of, named_without, short_name
from yellow_ladle.core.cards.card_words import NamedFood, named_foods, words_of_card
from yellow_ladle.core.cards.left_out import without_left_out, without_void
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import Change, reread
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.words.letters import Token
from yellow_ladle.core.words.letters import words as words_of
from yellow_ladle.core.words.lexicon import Key, Lexicon


@dataclass(frozen=True, slots=True)
class NewName:
    """What a card is called after a plan. `kept` are words for a shape that stay in it, though the
    card holds nothing of what they are usually made of: a pie without wheat."""

    name: str
    kept: tuple[str, ...] = ()


class PlanTexts:
    """The names and texts of one plan's cards. `given`: names that somebody chose for some."""

    def __init__(self, before: Reading, plan: Plan, given: Mapping[str, str] | None = None) -> None:
        self.before = before
        self.plan = plan
        self._given = given or {}
        self._names: dict[str, NewName] = {}
        self._lost: dict[str, tuple[Lexicon, CardNames, frozenset[str]]] = {}
        # Bases come first: what a pot is called is known when its users are named.
        for pot in plan.pots:
            self._names[pot] = self._renamed(pot)

    def name(self, pot: str) -> NewName:
        """What a pot is called where nobody gave it a name, without what is new in it."""
        return self._names[pot]

    def renaming(self, pot: str, late: Iterable[str] = ()) -> TextRenaming:
        """What a pot's texts call the items that go. `late`: items that stand only in new steps."""
        preparation = self.before.book.preparations[pot]
        to = {swap.from_: swap.to for swap in self.plan.swaps if swap.in_ == pot}
        to |= dict.fromkeys(late)
        gone = (item for item in self.plan.gone if owner_of(item) == pot)
        to |= dict.fromkeys(gone)
        items = {line.item for line in preparation.lines} - to.keys()
        return TextRenaming.of(self.before.book, preparation, to, self._other_names(items))

    def text(self, pot: str, text: str, renaming: TextRenaming) -> str:
        """A text of a pot's card, with nothing in it that only the swapped items brought."""
        told = renaming.text(text)
        run = run_of(told)
        for named in reversed(self._left(pot, told)):
            if self._is_own_shape(pot, told[named.start : named.end]):
                continue
            places = [n for n, token in enumerate(run) if named.start <= token.start < named.end]
            new = self._stand_in(pot, told[named.start : named.end])
            start, words = in_place_of(
                text=told, run=run, first=places[0], end=places[-1] + 1, new=new
            )
            told = told[:start] + words + told[named.end :]
        return without_left_out(told, lambda words: self._names_what_stays(pot, words))

    def _stand_in(self, pot: str, word: str) -> str | None:
        """What takes the place of the one item that a word is short for: chicken for its thigh."""
        book, wanted = self.before.book, set(words_of(word))
        meant = [
            swap.to
            for swap in self.plan.swaps
            if swap.in_ == pot and wanted <= set(words_of(book.name(swap.from_)))
        ]
        return short_name(book, meant[0]) if len(meant) == 1 and meant[0] is not None else None

    def without_void(self, text: str, swap: Swap, pot: str) -> str:
        """A text without the clauses that do not hold for a swap's new item."""
        new = "" if swap.to is None else short_name(self.before.book, swap.to)
        return without_void(text, new, swap.voids, lambda words: self._names_what_stays(pot, words))

    def _names_what_stays(self, pot: str, words: str) -> bool:
        """Whether some words name what a pot holds, or yields, after the plan."""
        _, known, _ = self._lost_of(pot)
        return any(span.name not in no_food() for span in known.spans(run_of(words)))

    def _renamed(self, pot: str) -> NewName:
        preparation = self.before.book.preparations[pot]
        beneath = self.plan.after.graph.upstream(pot)
        held = {item for id in beneath for item in self.plan.after.graph.items[id]}
        swaps = [swap for swap in self.plan.swaps if swap.in_ in beneath]
        # What is swapped in the pot itself is nearer to its name than what is swapped beneath it.
        swaps.sort(key=lambda swap: swap.in_ != pot)
        to: dict[str, str | None] = {}
        for swap in swaps:
            if swap.from_ not in held:
                to.setdefault(swap.from_, swap.to)
        others = self._other_names({line.item for line in preparation.lines} - to.keys())
        name = TextRenaming.of(self.before.book, preparation, to, others).name(preparation.name)
        shape = words_of((preparation.class_ or preparation.kind).replace("-", " "))[-1:]
        # A brown sauce without its spoon of bottled sauce is a sauce all the same.
        head = words_of(preparation.name.partition(",")[0])[-1:]
        if head and head[0] in (*shape, preparation.kind):
            dropped_words = set(words_of(preparation.name)) - set(words_of(name))
            if dropped_words == set(head):
                name = preparation.name
        left = self._left(pot, name)
        kept = tuple(
            name[word.start : word.end]
            for word in left
            if words_of(name[word.start : word.end]) in forms_of_food()
        )
        dropped = [word for word in left if name[word.start : word.end] not in kept]
        short = named_without(name, lambda run: _spans(run, dropped, (*shape, preparation.kind)))
        return NewName(short or self._by_what_is_new(pot), kept)

    def _by_what_is_new(self, pot: str) -> str:
        """A name for a pot whose own name holds nothing but what is gone."""
        book = self.before.book
        preparation = book.preparations[pot]
        new = [swap.to for swap in self.plan.swaps if swap.in_ == pot and swap.to is not None]
        words = [short_name(book, new[0])] if new else []
        words += [preparation.kind] if preparation.kind != "component" or not words else []
        told = " ".join(words)
        return told[:1].upper() + told[1:]

    def _other_names(self, items: Iterable[str]) -> dict[str, str]:
        """Those of some pots that the plan calls otherwise, with what they are called then."""
        book = self.before.book
        found: dict[str, str] = {}
        for item in items:
            new = self._short(item)
            if new is not None and new != book.preparations[item].name.partition(",")[0]:
                found[item] = new
        return found

    def _short(self, pot: str) -> str | None:
        if pot not in self._names:
            return None
        return self._given.get(pot, self._names[pot].name).partition(",")[0]

    def _left(self, pot: str, text: str) -> list[NamedFood]:
        """The words of a text for something that the pot held before the plan and holds no more."""
        if not text:
            return []
        spoken, known, lost = self._lost_of(pot)
        if not lost:
            return []
        found = named_foods(spoken, text, known)
        return [word for word in found if not lost.isdisjoint(word.flags)]

    def _is_own_shape(self, pot: str, word: str) -> bool:
        """Whether a word is the shape that a pot is called by: pancakes, also of another batter."""
        said = words_of(word)
        return said in forms_of_food() and set(said) <= set(words_of(self.before.book.name(pot)))

    def _lost_of(self, pot: str) -> tuple[Lexicon, CardNames, frozenset[str]]:
        if pot not in self._lost:
            self._lost[pot] = self._lost_by(pot)
        return self._lost[pot]

    def _lost_by(self, pot: str) -> tuple[Lexicon, CardNames, frozenset[str]]:
        """A card's language, what its lines are called after the plan, and the flags it loses."""
        after = self.plan.after
        was, now = self.before.levels(pot), after.levels(pot)
        lost = frozenset(
            flag
            for flag, level in was.items()
            if level is Level.CONTAINS and now.get(flag) is not Level.CONTAINS
        )
        preparation = after.book.preparations[pot]
        known: set[Key] = set()
        yielded = [by_product_item(pot, part.id) for part in preparation.by_products]
        for item in (*(line.item for line in preparation.lines), *yielded):
            if item in self.plan.gone:
                continue
            short = self._short(item)
            class_ = None if short is None else after.book.preparations[item].class_
            known.update(names_of(after.book, item) if short is None else called(short, class_))
        spoken = spoken_in(self.before.book.preparations[pot])
        return spoken, CardNames(known, spoken), lost


def still_named(before: Reading, plan: Plan, change: Change) -> list[tuple[str, str]]:
    """The texts of a plan's new cards, with their ids, that name what the cards hold no more.

    Checked in two ways: by the names of the items that were swapped, and, as on any card, by words
    for foods that no line brings. What the usual card said already is not the plan's.
    """
    after = reread(before, change).reading
    texts = PlanTexts(before, plan)
    found: dict[tuple[str, str], None] = {}
    for preparation in change.preparations:
        usual = before.book.preparations[preparation.variant_of or preparation.id]
        renaming = texts.renaming(usual.id)
        steps = ((step.text, step.cue, step.caution) for step in preparation.method)
        for text in (
            *(line.note for line in preparation.lines),
            *(t for step in steps for t in step),
        ):
            if text and renaming.names_what_is_gone(text):
                found[preparation.id, text] = None
        said = {word.text.lower() for word in words_of_card(before, usual)}
        for word in words_of_card(after, preparation):
            if word.text.lower() not in said:
                step = "" if word.step is None else f": {preparation.method[word.step].text}"
                found[preparation.id, f"{preparation.name}{step} ({word.text})"] = None
    return list(found)


def _spans(
    run: Sequence[Token], words: Iterable[NamedFood], shapes: tuple[str, ...]
) -> list[NameSpan]:
    """Some words as spans of a name, without a last one that says what kind of thing it is."""
    found: list[NameSpan] = []
    for word in words:
        places = [n for n, token in enumerate(run) if word.start <= token.start < word.end]
        end = places[-1] + (run[places[-1]].text not in shapes)
        if end > places[0]:
            found.append(NameSpan(places[0], end, ()))
    return found
