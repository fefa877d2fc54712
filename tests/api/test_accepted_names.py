"""Whatever a form accepts can be read, listed, exported and imported, in every kind of entry."""

from typing import Any

from hypothesis import given
from hypothesis import strategies as st

from tests.api.client import ApiTest
from tests.effort import examples
from yellow_ladle.core.book.ids import MAX_ID, free_id, slug
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.tool import tool_id
from yellow_ladle.core.reading.reading import read
from yellow_ladle.files.book.book_file import parse_book, write_book
from yellow_ladle.store.kitchen_settings import keep_need

MAX_NAME = 200
GROWING = ("ﬃ", "㎢", "½", "ß", "İ", "㋿", "ﷺ", "Ǆ")
"""Signs that become several letters once a name is folded."""
NAMES = st.one_of(
    st.sampled_from([sign * MAX_NAME for sign in (*GROWING, "a", "é", "1", "漢", "🍲")]),
    st.text(st.sampled_from([*GROWING, *"aZ9 -'é漢"]), min_size=1, max_size=MAX_NAME),
    st.text(min_size=1, max_size=MAX_NAME),
)
LISTS = (
    *("/products", "/preparations", "/unchecked", "/tools", "/rules", "/kitchen", "/family"),
    *("/history", "/goods", "/day", "/bases"),
)
RULE = {
    "replaces": ["butter"],
    "roles": ["fat"],
    "with": ["margarine"],
    "method": ["Stir it in."],
    "fidelity": [0.8, 0.8, 0.8],
}


class Ids(ApiTest):
    @examples(300)
    @given(name=NAMES)
    def test_no_id_is_longer_than_its_bound(self, name: str) -> None:
        for id in (free_id(name, ()), free_id(name, {slug(name.lower())}), tool_id(name)):
            self.assertLessEqual(len(id), MAX_ID)
            self.assertRegex(id, r"\A[a-z0-9]([a-z0-9-]*[a-z0-9])?\Z")


class Forms(ApiTest):
    def ask(self, path: str, body: dict[str, Any], method: str = "post") -> bool:
        """Sends a form; whether it was accepted. A refusal is a sentence, never a fault of ours."""
        response = self.api.request(method, f"/api/v1{path}", json=body)
        self.assertIn(response.status_code, (200, 422), response.text)
        return response.status_code == 200

    def accepted(self, name: str) -> int:
        """How many kinds of entry take a name."""
        id = self.api.get("/api/v1/free-id", params={"name": name}).json()["id"]
        product = {"id": id, "name": name}
        line = {"item": "butter", "quantity": 1, "unit": "g", "role": "fat"}
        by_product = {"id": slug(name) or "fat", "name": name, "quantity": 1, "unit": "g"}
        pot = {"id": f"{id[:190]}-pot", "name": name, "kind": "sauce", "lines": [line]}
        maker = {"change": "maker", "product": "butter", "maker": {"name": name}}
        seen = self.ledger.now.versions["butter"]
        rule = {"rule": {**RULE, "name": name}}
        return sum(
            (
                self.ask("/changes", {"change": {"change": "product", "product": product}}),
                self.ask(
                    "/changes",
                    {
                        "change": {
                            "change": "preparation",
                            "preparation": {**pot, "by_products": [by_product]},
                        }
                    },
                ),
                self.ask("/changes", {"change": maker, "seen": seen}),
                self.ask("/needs", {"need": {"guest": name, "clear": ["milk"]}}),
                self.ask("/tools", {"tool": {"name": name}, "seen": None}),
                self.ask("/rules/own", rule, "put"),
                self.ask("/kitchen/flags", {"name": name[:80]}),
            )
        )

    def reads(self) -> None:
        for path in LISTS:
            self.assertEqual(self.api.get(f"/api/v1{path}").status_code, 200, path)
        book = self.ledger.now.reading.book
        for id in book.products:
            self.get(f"/products/{id}")
        content = write_book(book)
        again = parse_book(content)
        self.assertEqual(write_book(again), content)
        self.assertEqual(read(again).masks, read(book).masks)

    def test_names_that_grow_are_taken_and_read_in_every_kind(self) -> None:
        for sign in ("ﬃ", "㎢", "ß", "a"):
            with self.subTest(sign=sign):
                self.assertEqual(self.accepted(sign * MAX_NAME), 7)
        self.reads()

    def test_names_without_a_plain_letter_are_kept_apart(self) -> None:
        for name in ("鍋", "🍲", "㋿", "Сито"):
            with self.subTest(name=name):
                self.assertEqual(self.accepted(name), 7)
        tools = {tool["tool"]["name"]: tool["tool"]["id"] for tool in self.get("/tools")}
        ids = [tools[name] for name in ("鍋", "🍲", "㋿", "Сито")]
        self.assertEqual(len(set(ids)), 4)
        self.reads()

    @examples(12)
    @given(name=NAMES)
    def test_whatever_is_accepted_reads(self, name: str) -> None:
        self.accepted(name)
        self.reads()

    def test_a_damaged_row_is_shown_and_takes_no_page_down(self) -> None:
        keep_need(self.ledger, Need("x" * 260, "Table 9", ("milk",)), None)
        needs = self.get("/unchecked")["needs"]
        [damaged] = [entry for entry in needs if entry["damaged"]]
        self.assertEqual(damaged["need"]["guest"], "Table 9")
        self.assertIn("This entry is damaged (id)", damaged["damaged"])
        seen = {"seen": damaged["version"]}
        gone = self.api.delete(f"/api/v1/needs/{damaged['need']['id']}", params=seen)
        self.assertEqual(gone.status_code, 200)
