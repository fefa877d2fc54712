"""No place forgets a field: file, comparison, merging and history are asked for each in turn."""

import re
import unittest
from collections.abc import Mapping
from dataclasses import fields, replace
from typing import Any, get_args, get_type_hints

from pydantic import BaseModel

from yellow_ladle.core.book.book import (
    Book,
    ByProduct,
    Keeps,
    Kitchen,
    Line,
    Person,
    Preparation,
    RecipeVersion,
    Step,
    Yield,
)
from yellow_ladle.core.book.maker import Evidence, Maker, Paper
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.pan import Pan, Reduction
from yellow_ladle.core.book.product import Addition, Bag, Part, Product
from yellow_ladle.core.book.rule_setting import Note, Ruling
from yellow_ladle.core.book.sign_off import SignOff
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.cards.compare import differences, product_differences
from yellow_ladle.core.cards.merge import merged
from yellow_ladle.core.impact.summary import told
from yellow_ladle.core.larder.product_merge import merged_product
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.vocabulary.field_words import shown, word_of
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.units import Measure
from yellow_ladle.files.book import models, rule_pieces
from yellow_ladle.files.book.conversion import as_piece, as_value, content, file_name, value_of
from yellow_ladle.files.tables.goods_table import COLUMNS, goods_rows, read_goods

LINE = Line("flour", 100.0, "g", "thickener")
EVIDENCE = Evidence("label", "2026-11-01", "AB")
OTHER: Mapping[type, Mapping[str, Any]] = {
    Line: {
        **{"item": "butter", "quantity": 120.0, "unit": "kg", "role": "fat", "stage": "finish"},
        **{"optional": True, "strained_out": True, "choice": "either", "chosen": True},
        **{"note": "soft", "equipment": ("sieve",), "treatment": "simmered", "minutes": 5.0},
        **{"group": "Base", "typed": "a bit"},
    },
    Yield: {"quantity": 2.0, "unit": "l", "note": "it swells"},
    ByProduct: {"id": "skin", "name": "Skin", "quantity": 3.0, "unit": "g", "of": (0,)},
    Keeps: {"chilled_days": 3.0, "frozen_days": 90.0},
    Step: {
        **{"text": "Whisk.", "minutes": 4.0, "heat": "low", "cue": "loose", "caution": "Hot."},
        **{"equipment": ("pan",), "uses": ("flour",), "passive": True},
    },
    RecipeVersion: {
        **{"name": "cold", "lines": (LINE,), "method": (Step("In."),), "colour": "brown"},
        **{"yield_": Yield(1.0, "kg"), "portions": 3.0, "by_products": (ByProduct("fat", "Fat"),)},
    },
    Pan: {"width_cm": 30.0, "lid": "on"},
    Reduction: {"date": "2026-11-03", "filled_l": 6.0, "came_out_l": 5.0, "minutes": 41.0},
    Preparation: {
        **{"id": "blond-roux", "name": "Blond roux", "kind": "sauce", "class_": "blond-roux"},
        **{"colour": "blond", "lines": (LINE,), "statements": {"soy": Level.CONTAINS}},
        **{"otherwise": Level.UNCHECKED, "yield_": Yield(190.0, "g"), "variant_of": "stock"},
        **{"by_products": (ByProduct("fat", "Fat"),), "equipment": ("pan",)},
        **{
            "method": (Step("Stir."),),
            "evidence": {"otherwise": EVIDENCE},
            "density_g_per_ml": 1.1,
        },
        **{
            "portions": 4.0,
            "pan": Pan(28.0),
            "batches": (Reduction("2026-11-01", 5.0, 4.0, 40.0),),
        },
        **{
            "way": "hot",
            "ways": (RecipeVersion("cold"),),
            "retired": "2026-11-20",
            **{"not_in_it": ("egg",), "keeps": Keeps(3.0), "course": "main", "made_here": False},
            "section": "sauce",
        },
    },
    Evidence: {"kind": "supplier", "date": "2026-11-02", "person": "CD"},
    Paper: {"number": "17", "expires": "2027-01-01"},
    Maker: {
        **{"id": "moor", "name": "Moor", "statements": {"soy": Level.MAY_CONTAIN}},
        **{"otherwise": Level.FREE, "certificates": ("halal",), "papers": {"halal": Paper("1")}},
        **{"evidence": {"soy": EVIDENCE}, "label": "Butter.", "pack": "5 kg", "code": "20000004"},
        "so2_mg_per_kg": 4.0,
    },
    Part: {"product": "butter", "percent": 60.0},
    Addition: {
        **{"item": "butter", "date": "2026-11-02", "person": "AB", "live": False},
        **{"statements": {"milk": Level.CONTAINS}, "certificates": ("halal",)},
    },
    Bag: {"additions": (Addition("flour", "2026-11-01"),), "emptied": "2026-11-01"}
    | {"emptied_by": "AB"},
    Product: {
        **{"id": "rye-flour", "name": "Rye flour", "class_": "rye-flour"},
        **{"statements": {"rye": Level.CONTAINS}, "otherwise": Level.FREE},
        **{"certificates": ("organic",), "abv_percent": 1.0, "salt_g_per_100g": 2.0},
        **{"so2_mg_per_kg": 3.0, "density_g_per_ml": 0.6, "unit_weight_g": 5.0},
        **{"retired": "2026-12-01", "merged": ("flour-2",)},
        **{"price_per_kg": 1.5, "evidence": {"wheat": EVIDENCE}, "papers": {"halal": Paper("2")}},
        **{"label": "Wheat flour.", "pack": "16 kg", "code": "20000011", "in_use": "dale"},
        **{"makers": (Maker("dale", "Dale"),), "parts": (Part("butter"),), "bag": Bag()},
    },
    Kitchen: {
        **{"name": "Other", "regime": "uk-14", "second_look_days": 90, "spoons": "metric"},
        **{"people": (Person("AB", "Ann"),), "measures": (Measure("scoop", 60.0, "ml"),)},
        **{"weigh_to_g": 5.0, "measure_to_ml": 10.0, "so2_by_amount": True},
        **{"swap_order": ("cost", "pots", "fidelity", "swaps", "adds")},
        "time_zone": "Europe/London",
    },
    Person: {"initials": "CD", "name": "Cid"},
    Measure: {"name": "tub", "quantity": 2.0, "unit": "l"},
    Tool: {"name": "Sieve", "dedicated": True, "always_shared": True, "id": "s-1"}
    | {"absorbs": True},
    Need: {"id": "n-2", "guest": "Two", "clear": ("milk",), "fit": ("vegan",)}
    | {"strictness": "taste"},
    SignOff: {"person": "CD", "date": "2026-11-02", "stale_since": "2026-11-03", "stale_by": "x"},
}
"""For each field of each value another value than `PLAIN` has. A new field has to stand here."""
PLAIN: Mapping[type, Any] = {
    **{Line: LINE, Yield: Yield(1.0, "kg"), ByProduct: ByProduct("fat", "Fat")},
    **{Keeps: Keeps(), Step: Step("Stir."), RecipeVersion: RecipeVersion("hot"), Pan: Pan(28.0)},
    **{
        Reduction: Reduction("2026-11-01", 5.0, 4.0, 40.0),
        Evidence: Evidence("label"),
        Paper: Paper(),
    },
    **{Preparation: Preparation("white-roux", "White roux", "roux"), Part: Part("flour")},
    **{Maker: Maker("dale", "Dale"), Addition: Addition("flour", "2026-11-01"), Bag: Bag()},
    **{Product: Product("flour", "Flour", "wheat-flour"), Kitchen: Kitchen("One", "eu-14")},
    **{Person: Person("AB", "Ann"), Measure: Measure("scoop", 60.0, "ml"), Tool: Tool("Blender")},
    **{Need: Need("n-1", "One"), SignOff: SignOff("AB", "2026-11-01")},
}
IN_FILE = {RecipeVersion: "Way"}
"""Values whose model in the file keeps an older name."""
CODE = re.compile(r"[A-Z]\w+\(|Level\.|None|True|False|[{}<>]|(?<!\w)'|'(?!\w)")
"""How a value looks where code's own form of it has slipped through."""


def pieces() -> dict[str, type[BaseModel]]:
    """The file's models by the name of the value that they are of."""
    found = {**vars(models), **vars(rule_pieces)}
    return {
        name.removesuffix("Piece"): model
        for name, model in found.items()
        if name.endswith("Piece") and isinstance(model, type)
    }


class EveryField(unittest.TestCase):
    def test_each_has_another_value_here(self) -> None:
        for kind, plain in PLAIN.items():
            names = [entry.name for entry in fields(kind)]
            self.assertEqual(sorted(OTHER[kind]), sorted(names), kind)
            for name in names:
                self.assertNotEqual(getattr(plain, name), OTHER[kind][name], (kind, name))

    def test_the_file_has_it_and_gives_it_back(self) -> None:
        for kind, plain in PLAIN.items():
            model = pieces()[IN_FILE.get(kind, kind.__name__)]
            known = {field.alias or name for name, field in model.model_fields.items()}
            held = {file_name(entry.name) for entry in fields(kind)}
            self.assertEqual(known - {"preparation"}, held, kind)
            for name, value in OTHER[kind].items():
                changed = replace(plain, **{name: value})
                self.assertNotEqual(content(changed), content(plain), (kind, name))
                self.assertEqual(value_of(kind, content(changed)), changed, (kind, name))
                if kind is not SignOff:
                    piece: Any = as_piece(model, changed)  # type: ignore[type-var]
                    self.assertEqual(as_value(kind, piece), changed, (kind, name))

    def test_rulings_come_back(self) -> None:
        for value in (
            Ruling("a", off=True),
            Ruling("a", tasted=(0.1, 0.5, 1.0)),
            Ruling("a", notes=(Note("x", "2026-11-01", "soup"),)),
        ):
            piece = rule_pieces.RulingPiece.model_validate(rule_pieces.ruling_content(value))
            self.assertEqual(rule_pieces.ruling(piece), value)

    def test_every_field_of_a_ruling_is_among_them(self) -> None:
        names = {entry.name for entry in fields(Ruling)}
        self.assertEqual(names, set(rule_pieces.RulingPiece.model_fields))

    def test_it_is_told_in_words(self) -> None:
        for kind, values in OTHER.items():
            for name, value in values.items():
                self.assertIsNone(CODE.search(shown(value)), (kind, name, shown(value)))
            for entry in fields(kind):
                self.assertNotIn("_", word_of(entry), (kind, entry.name))


class Cards(unittest.TestCase):
    def changed(self) -> dict[str, tuple[Preparation, Preparation]]:
        """Cards with one field of them, or of something in them, changed."""
        plain = PLAIN[Preparation]
        whole = replace(
            plain,
            lines=(PLAIN[Line],),
            method=(PLAIN[Step],),
            by_products=(PLAIN[ByProduct],),
            ways=(
                replace(
                    PLAIN[RecipeVersion],
                    lines=(replace(LINE, quantity=50.0),),
                    method=(Step("Stir."),),
                ),
            ),
            pan=PLAIN[Pan],
            keeps=Keeps(1.0, 1.0),
            batches=(PLAIN[Reduction],),
            yield_=PLAIN[Yield],
            statements={"soy": Level.CONTAINS},
            evidence={"soy": PLAIN[Evidence]},
        )
        found = {
            f"card {name}": (plain, replace(plain, **{name: value}))
            for name, value in OTHER[Preparation].items()
            if name != "id"
        }
        holders = {Line: "lines", Step: "method", ByProduct: "by_products", RecipeVersion: "ways"}
        for kind, place in (holders | {Reduction: "batches"}).items():
            for name, value in OTHER[kind].items():
                [held] = getattr(whole, place)
                inside = replace(held, **{name: value})
                found[f"{place} {name}"] = (whole, replace(whole, **{place: (inside,)}))
        for kind, place in ((Pan, "pan"), (Yield, "yield_"), (Keeps, "keeps")):
            for name, value in OTHER[kind].items():
                inside = replace(getattr(whole, place), **{name: value})
                found[f"{place} {name}"] = (whole, replace(whole, **{place: inside}))
        for name, value in OTHER[Evidence].items():
            inside = replace(PLAIN[Evidence], **{name: value})
            found[f"evidence {name}"] = (whole, replace(whole, evidence={"soy": inside}))
        return found

    def test_a_comparison_tells_every_field(self) -> None:
        for what, (before, after) in self.changed().items():
            for one, other in ((before, after), (after, before)):
                told = [each.sentence for each in differences(one, other, str)]
                self.assertTrue(told, what)
                self.assertEqual([text for text in told if CODE.search(text)], [], what)

    def test_the_history_never_calls_a_change_none(self) -> None:
        book = Book.of(Kitchen("", "eu-14"), [PLAIN[Product], Product("butter", "B", "butter")], [])
        for what, (before, after) in self.changed().items():
            if what in ("card variant_of", "lines item"):
                continue
            was = read(replace(book, preparations={before.id: before}))
            now = read(replace(book, preparations={before.id: after}))
            text = told(was, now, Change(preparations=(after,)))[before.id]
            self.assertIn("its card was changed. ", text, what)

    def test_both_sides_of_a_merge_keep_it(self) -> None:
        for what, (base, after) in self.changed().items():
            mine, theirs = merged(base, after, base), merged(base, base, after)
            self.assertEqual(mine.preparation, after, what)
            self.assertEqual(theirs.preparation, after, what)
            self.assertEqual((mine.conflicts, theirs.conflicts), ((), ()), what)

    def test_a_conflict_is_told_in_words(self) -> None:
        for what, (base, after) in self.changed().items():
            third = replace(base, name="Third", yield_=Yield(7.0, "kg"), pan=Pan(99.0, "ajar"))
            for text in (
                *merged(base, after, third).conflicts,
                *merged(base, third, after).conflicts,
            ):
                self.assertIsNone(CODE.search(text), (what, text))


class Products(unittest.TestCase):
    def test_a_table_of_goods_has_a_column_for_every_number_and_gives_each_back(self) -> None:
        numbers = {n for n, kind in get_type_hints(Product).items() if float in get_args(kind)}
        self.assertLessEqual({"abv_percent", "price_per_kg"}, numbers)
        wanted = {*numbers, *("class_", "otherwise", "label", "pack", "code", "certificates")}
        self.assertLessEqual({file_name(name) for name in wanted}, COLUMNS.keys())
        for name in wanted:
            other = replace(PLAIN[Product], **{name: OTHER[Product][name]})
            rows = goods_rows([other], [])
            read_again = read_goods(rows, [], {}, [], EVIDENCE)
            self.assertEqual(read_again.faults, (), name)
            [back] = read_again.products
            self.assertEqual(getattr(back, name), getattr(other, name), name)

    def test_a_merge_takes_every_field_from_whoever_changed_it(self) -> None:
        makers = (PLAIN[Maker], Maker("moor", "Moor"))
        base = replace(PLAIN[Product], makers=makers)
        values = {**OTHER[Product], "in_use": "moor"}
        changes = {name: replace(base, **{name: value}) for name, value in values.items()}
        for name, value in OTHER[Maker].items():
            changes[f"maker {name}"] = replace(
                base, makers=(replace(makers[0], **{name: value}), makers[1])
            )
        for bag in (Bag((PLAIN[Addition],)), Bag(emptied="2026-11-02", emptied_by="AB")):
            changes[f"bag {bag}"] = replace(base, bag=bag)
        del changes["id"]
        for what, other in changes.items():
            with self.subTest(what):
                # Evidence of a flag that is not stated says nothing, nor a paper of no certificate.
                if what in ("evidence", "papers", "maker evidence", "maker papers"):
                    continue
                self.assertEqual(merged_product(base, base, other).product, other)
                self.assertEqual(merged_product(base, other, base).product, other)
                self.assertEqual(merged_product(base, other, other).conflicts, ())

    def test_a_comparison_and_the_history_tell_every_field(self) -> None:
        plain = replace(
            PLAIN[Product],
            makers=(Maker("dale", "Dale"), Maker("moor", "Moor")),
            parts=(PLAIN[Part],),
        )
        changes = {name: replace(plain, **{name: value}) for name, value in OTHER[Product].items()}
        del changes["id"]
        for name, value in OTHER[Maker].items():
            maker = replace(plain.makers[0], **{name: value})
            changes[f"maker {name}"] = replace(plain, makers=(maker, plain.makers[1]))
        for name, value in OTHER[Part].items():
            changes[f"part {name}"] = replace(plain, parts=(replace(PLAIN[Part], **{name: value}),))
        for name, value in OTHER[Addition].items():
            bags = [Bag((PLAIN[Addition],)), Bag((replace(PLAIN[Addition], **{name: value}),))]
            one, other = (replace(plain, bag=bag) for bag in bags)
            self.assertTrue(product_differences(one, other, str), name)
        for what, after in changes.items():
            if what == "maker id":
                continue
            found = product_differences(plain, after, str)
            self.assertTrue(found, what)
            self.assertEqual([text for text in found if CODE.search(text)], [], what)


if __name__ == "__main__":
    unittest.main()
