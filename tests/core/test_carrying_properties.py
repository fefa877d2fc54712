"""What holds of carrying in every book, checked on random ones."""

import unittest
from dataclasses import replace

from hypothesis import assume, given
from hypothesis import strategies as st

from tests.effort import examples
from tests.kitchens import line
from tests.random_books import FLAGS, books
from yellow_ladle.core.book.book import Book, Preparation, owner_of
from yellow_ladle.core.book.maker import Maker
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.carrying.paths import sources
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import Change, applied, choosing, reread
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.core.vocabulary.levels import Level

CLASS_IS = {"wheat-flour": {"wheat"}, "butter": {"milk"}, "milk": {"milk"}, "cream": {"milk"}}
"""What the classes of random products are by nature, as far as the random flags go."""


def label_level(product: Product, label: Product | Maker, flag: str) -> Level:
    """What one label says of a flag, which is never free where the product's class is the flag."""
    level = label.statements.get(flag, label.otherwise)
    if level is not Level.FREE or flag not in CLASS_IS.get(product.class_, ()):
        return level
    return Level.UNCHECKED if flag in label.statements else Level.CONTAINS


def naive(book: Book, item: str, flag: str) -> Level:
    """Carrying as the rules say it, with nothing shared and nothing clever."""
    if item in book.products:
        product = book.products[item]
        counted = [m for m in product.makers if product.in_use in (None, m.id)]
        found = [label_level(product, m, flag) for m in counted]
        if product.makers:
            found.append(product.statements.get(flag, Level.FREE))
        else:
            found.append(label_level(product, product, flag))
        for entry in product.bag.additions if product.bag else ():
            found.append(entry.statements.get(flag, Level.FREE))
            if entry.live:
                found.append(naive(book, entry.item, flag))
        return max([*found, *(naive(book, part.product, flag) for part in product.parts)])
    made = book.preparations[owner_of(item)]
    chosen: dict[str, str] = {}
    for entry in made.lines:
        if entry.choice and (entry.choice not in chosen or entry.chosen):
            chosen[entry.choice] = entry.item
    own = made.otherwise
    if own is None:
        own = Level.FREE if made.lines else Level.UNCHECKED
    counted = [e.item for e in made.lines if e.choice is None or chosen[e.choice] == e.item]
    return max([made.statements.get(flag, own), *(naive(book, item, flag) for item in counted)])


class Carrying(unittest.TestCase):
    @given(books())
    @examples(150)
    def test_agrees_with_a_naive_reading(self, book: Book) -> None:
        carried = read(book)
        for item in carried.items():
            for flag in FLAGS:
                self.assertEqual(carried.level(item, flag), naive(book, item, flag), (item, flag))

    @given(books(), st.data())
    @examples(80)
    def test_adding_a_line_never_lowers_a_level(self, book: Book, data: st.DataObject) -> None:
        carried = read(book)
        made = data.draw(st.sampled_from(sorted(book.preparations)))
        # A pot that stands by its flags alone is settled by its first line; that is its own rule.
        assume(book.preparations[made].lines)
        item = data.draw(st.sampled_from(sorted(book.products)))
        grown = replace(book.preparations[made], lines=(*book.preparations[made].lines, line(item)))
        after = read(applied(book, Change(preparations=(grown,))))
        for other in carried.items():
            for flag in FLAGS:
                self.assertGreaterEqual(after.level(other, flag), carried.level(other, flag))

    @given(books(), st.randoms(use_true_random=False))
    @examples(80)
    def test_the_order_of_lines_does_not_matter(self, book: Book, random: object) -> None:
        turned = {
            id: replace(made, lines=shuffled(made, random))
            for id, made in book.preparations.items()
        }
        before, after = read(book), read(replace(book, preparations=turned))
        self.assertEqual(before.masks, after.masks)
        for item in before.items():
            self.assertEqual(before.sources(item), after.sources(item))

    @given(books())
    @examples(80)
    def test_nothing_is_lost_by_straining_or_by_products(self, book: Book) -> None:
        strained = {
            id: replace(
                made,
                lines=tuple(replace(e, strained_out=True, optional=True) for e in made.lines),
            )
            for id, made in book.preparations.items()
        }
        before, after = read(book), read(replace(book, preparations=strained))
        self.assertEqual(before.masks, after.masks)
        for item in after.items():
            self.assertEqual(after.masks[item], after.masks[owner_of(item)])

    @given(books(), st.data())
    @examples(80)
    def test_a_choice_changed_carries_what_the_choice_brings(
        self, book: Book, data: st.DataObject
    ) -> None:
        places = [
            (id, index)
            for id, made in book.preparations.items()
            for index, entry in enumerate(made.lines)
            if entry.choice
        ]
        assume(places)
        id, index = data.draw(st.sampled_from(places))
        chosen = choosing(book.preparations[id], index)
        after = read(applied(book, Change(preparations=(chosen,))))
        item = chosen.lines[index].item
        self.assertEqual(after.masks[id] | after.masks[item], after.masks[id])

    @given(books())
    @examples(60)
    def test_plates_reached_are_those_that_a_walk_finds(self, book: Book) -> None:
        carried = read(book)
        for item in (*book.products, *book.preparations):
            dishes = [id for id in carried.reached([item]) if book.preparations[id].kind == "dish"]
            self.assertEqual(carried.plates_reached(item), len(dishes), item)

    @given(books())
    @examples(80)
    def test_all_verdicts_at_once_are_each_diets_own(self, book: Book) -> None:
        carried = read(book)
        for item in carried.items():
            single = {diet: carried.verdict(item, diet) for diet in diets()}
            self.assertEqual(dict(carried.verdicts(item)), single)

    @given(books())
    @examples(80)
    def test_every_level_above_free_has_a_source_that_gives_it(self, book: Book) -> None:
        carried = read(book)
        for item in carried.items():
            found = carried.paths(item)
            for flag, level in carried.levels(item).items():
                giving = sources(found, flag)
                self.assertEqual(max(source.level for source in giving), level)
                for source in giving:
                    self.assertEqual(source.via[0], item)


class Rereading(unittest.TestCase):
    @given(books(), books(most=4), st.data())
    @examples(120)
    def test_a_change_reread_is_the_changed_book_read_anew(
        self, book: Book, other: Book, data: st.DataObject
    ) -> None:
        product = data.draw(st.sampled_from(sorted(book.products)))
        new = replace(data.draw(st.sampled_from(list(other.products.values()))), id=product)
        # Only what stands before it can be in it, or a pot would go into itself.
        new = replace(new, parts=(), bag=None) if new.contents else new
        made = data.draw(st.sampled_from(sorted(book.preparations)))
        statements = data.draw(st.sampled_from(list(other.preparations.values()))).statements
        lines = tuple(e for e in book.preparations[made].lines if data.draw(st.booleans()))
        edited = replace(book.preparations[made], statements=statements, lines=lines)
        for change in (
            Change(products=(new,)),
            Change(preparations=(edited,)),
            Change(products=(new,), preparations=(edited,)),
        ):
            again = reread(read(book), change)
            fresh = read(applied(book, change))
            self.assertEqual(dict(again.reading.masks), dict(fresh.masks))
            self.assertEqual(dict(again.reading.graph.tiers), dict(fresh.graph.tiers))
            before = read(book).masks
            differing = {item for item in fresh.masks if fresh.masks[item] != before.get(item)}
            self.assertEqual(set(again.changed), differing)


def shuffled(made: Preparation, random: object) -> tuple[object, ...]:
    lines = list(made.lines)
    random.shuffle(lines)  # type: ignore[attr-defined]
    return tuple(lines)
