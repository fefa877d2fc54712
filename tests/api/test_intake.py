"""Taking goods in: tables, sheets, the feed and pictures, good ones and bad ones."""

import csv
import io
import json
import socket
import threading
import time
import unittest
import zipfile
from dataclasses import replace
from typing import Any
from unittest.mock import patch

from hypothesis import given
from hypothesis import strategies as st
from openpyxl import Workbook, load_workbook
from PIL import Image

from tests.api.client import ApiTest
from tests.effort import examples
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.demo.kitchen import demo_book, demo_feed
from yellow_ladle.devices.feed_reader import FeedFailed, fetch_sheets
from yellow_ladle.files.tables.spreadsheet import (
    RECKONED,
    plain_text,
    read_table,
    write_csv,
    write_xlsx,
)


class IntakeTest(ApiTest):
    def send(self, path: str, content: bytes, status: int = 200, method: str = "POST") -> Any:
        answer = self.api.request(method, f"/api/v1{path}", content=content)
        self.assertEqual(answer.status_code, status, answer.text)
        if status >= 400:
            self.is_problem(answer)
        return answer.json() if answer.content else None


def xlsx(rows: list[list[Any]]) -> bytes:
    book, out = Workbook(), io.BytesIO()
    for row in rows:
        book.active.append(row)
    book.save(out)
    return out.getvalue()


class Spreadsheets(unittest.TestCase):
    """What goes out opens as text in any spreadsheet, and comes back as it was."""

    @examples(300)
    @given(st.lists(st.text("=+-@'\t ab1", max_size=6), min_size=1, max_size=4))
    def test_no_cell_is_a_formula_and_each_comes_back(self, cells: list[str]) -> None:
        row = ["x", *(cell.strip() for cell in cells), "y"]
        # Which sign parts the cells is told by the headings, as in every table.
        out = write_csv([[f"column {number}" for number, _ in enumerate(row)], row])
        for told in csv.reader(io.StringIO(out.decode("utf-8-sig"))):
            for cell in told:
                self.assertNotIn(cell[:1], RECKONED)
        _, back = read_table(out)
        self.assertEqual([plain_text(cell) for cell in back], row)

    def test_an_xlsx_holds_texts_and_no_formulas(self) -> None:
        row = ["=1+1", "+44 20", "-3", "@home", "'=quoted", "plain"]
        content = write_xlsx([row])
        kinds = {cell.data_type for cell in load_workbook(io.BytesIO(content)).active[1]}
        self.assertEqual(kinds, {"s"})
        [back] = read_table(content)
        self.assertEqual([plain_text(cell) for cell in back], row)

    def test_a_real_formula_is_still_seen_as_one(self) -> None:
        [back] = read_table(xlsx([["=SUM(A1:A2)", "x"]]))
        self.assertEqual(back[0], "=SUM(A1:A2)")


class Tables(IntakeTest):
    def test_the_template_comes_back_as_it_is_offered(self) -> None:
        for form in ("csv", "xlsx"):
            content = self.api.get(f"/api/v1/intake/template.{form}").content
            looked = self.send("/intake/table", content)
            self.assertEqual(looked["faults"], [])
            self.assertTrue(all(column["field"] for column in looked["columns"]))
            [row] = looked["rows"]
            self.assertEqual(row["product"]["statements"], {"celery": "contains"})
            self.assertEqual(row["product"]["otherwise"], "unchecked")

    def test_columns_by_name_and_faults_by_row_and_column(self) -> None:
        rows = [
            ["Product", "Milk", "Total SO2", "Colour", "Pack size"],
            ["Curd", "yes", 12.5, "white", "5 kg"],
            ["Brough Dairy unsalted butter", "contains", None, None, None],
            ["Bad", "perhaps", "a lot", "", ""],
            ["=SUM(A1)", "no", "", "", ""],
            ["Curd", "no", "", "", ""],
        ]
        self.api.headers["X-Person"] = "NB"
        looked = self.send("/intake/table", xlsx(rows))
        fields = [column["field"] for column in looked["columns"]]
        self.assertEqual(fields, ["name", "milk", "so2_mg_per_kg", None, "pack"])
        curd, butter = looked["rows"]
        self.assertIsNone(curd["product"]["class"], "nobody has said what it is")
        self.assertEqual((curd["seen"], butter["seen"]), (None, 1))
        self.assertEqual(butter["product"]["id"], "butter")
        self.assertEqual(curd["product"]["evidence"]["milk"]["person"], "NB")
        told = {(f["row"], f["column"]): f["message"] for f in looked["faults"]}
        self.assertIn("is no level", told[(4, "Milk")])
        self.assertIn("is no amount", told[(4, "Total SO2")])
        self.assertIn("a formula", told[(5, "Product")])
        self.assertEqual(told[(6, "Product")], "the same name as row 2")
        self.assertNotIn("curd", self.ledger.now.versions)
        products = [row["product"] for row in looked["rows"]]
        seen = {row["product"]["id"]: row["seen"] for row in looked["rows"]}
        change = {"change": "products", "products": products}
        self.post("/changes", {"change": change, "seen_each": seen})
        self.assertEqual(self.ledger.now.reading.book.products["curd"].so2_mg_per_kg, 12.5)
        again = self.post("/changes", {"change": change, "seen_each": seen}, 409)
        self.assertIn("changed by somebody else", again["detail"])

    def test_names_with_markup_and_turned_writing_are_kept_as_plain_text(self) -> None:
        table = "name,milk\n<script>alert(1)</script>\u202eTub\x07,yes\n"
        [row] = self.send("/intake/table", table.encode())["rows"]
        self.assertEqual(row["product"]["name"], "<script>alert(1)</script>Tub")
        self.assertRegex(row["product"]["id"], r"^[a-z0-9-]+$")

    def test_other_separators_and_letters(self) -> None:
        looked = self.send("/intake/table", "name;milk\nCrème;ja\n".encode("cp1252"))
        self.assertEqual(looked["faults"][0]["column"], "milk")
        [row] = self.send("/intake/table", "name;milk\nCrème;yes\n".encode("cp1252"))["rows"]
        self.assertEqual(row["product"]["name"], "Crème")

    def test_what_is_no_table_is_refused_in_words(self) -> None:
        bomb = io.BytesIO()
        with zipfile.ZipFile(bomb, "w", zipfile.ZIP_DEFLATED) as parts:
            parts.writestr("xl/worksheets/sheet1.xml", b"0" * 60_000_000)
        nested = io.BytesIO()
        with zipfile.ZipFile(nested, "w") as parts:
            parts.writestr("[Content_Types].xml", "<x/>")
        for content, told in (
            (bomb.getvalue(), "unpacks to over 40 MB"),
            (nested.getvalue(), "cannot be read"),
            (b"PK\x03\x04 not a zip", "cannot be read"),
            (b"", "holds no rows"),
            (b"\x00\x01\x02", "neither CSV nor XLSX"),
            (b"a" * (5 * 1024 * 1024 + 1), "over 5 MB"),
            (b"name\n" + b"x\n" * 6000, "more than 5,000 rows"),
            (b"name\n" + b"y" * 30_000, "more text than any label"),
        ):
            self.assertIn(told, self.send("/intake/table", content, 422)["detail"])
        self.assertEqual(self.ledger.history(), [])

    def test_a_table_without_names(self) -> None:
        looked = self.send("/intake/table", b"milk,egg\nyes,no\n")
        self.assertEqual(looked["faults"][0]["message"], "no column holds the name of the product")

    def test_an_entity_bomb_in_a_workbook(self) -> None:
        content = xlsx([["name"], ["Curd"]])
        out = io.BytesIO()
        entities = "".join(f'<!ENTITY e{n + 1} "{f"&e{n};" * 10}">' for n in range(9))
        bomb = f'<!DOCTYPE l [<!ENTITY e0 "aaaaaaaaaa">{entities}]><worksheet>&e9;</worksheet>'
        with zipfile.ZipFile(io.BytesIO(content)) as old, zipfile.ZipFile(out, "w") as new:
            for part in old.infolist():
                body = old.read(part)
                new.writestr(part, bomb if "sheet1" in part.filename else body)
        self.send("/intake/table", out.getvalue(), 422)

    def test_the_workbook_opens_in_a_spreadsheet(self) -> None:
        content = self.api.get("/api/v1/intake/template.xlsx").content
        self.assertEqual(load_workbook(io.BytesIO(content)).active["A1"].value, "name")


class GivingOut(IntakeTest):
    def test_the_larder_goes_out_and_comes_in_again_as_it_was(self) -> None:
        for form in ("csv", "xlsx"):
            content = self.api.get(f"/api/v1/intake/larder.{form}").content
            looked = self.send("/intake/table", content)
            self.assertEqual(looked["faults"], [])
            self.assertEqual(len(looked["rows"]), 81)
            book = self.ledger.now.reading.book
            for row in looked["rows"]:
                product = row["product"]
                self.assertEqual(row["seen"], 1, product["id"])
                before = book.products[product["id"]]
                if not before.makers:
                    self.assertEqual(product["otherwise"], before.otherwise.word)
                    levels = {flag: level.word for flag, level in before.statements.items()}
                    self.assertLessEqual(levels.items(), product["statements"].items())

    def test_a_sheet_with_codes_goes_out_and_comes_in_again(self) -> None:
        content = self.api.get("/api/v1/intake/larder.json").content
        goods = {good["name"]: good for good in json.loads(content)["goods"]}
        butter = goods["Brough Dairy unsalted butter"]["allergens"]
        self.assertIn({"code": "AM", "level": "CONTAINS"}, butter)
        self.assertEqual(goods["Stock powder, tub without a label"]["allergens"], [])
        looked = self.send("/intake/sheet", content)
        self.assertEqual((looked["faults"], len(looked["rows"])), ([], 81))


class Names(IntakeTest):
    def test_signs_that_nobody_sees_are_refused_and_markup_is_only_text(self) -> None:
        for name, told in (("Tub\u202exof", "U+202E"), ("Tub\x07", "U+0007")):
            product = {"id": "tub", "name": name, "class": "other"}
            change = {"change": {"change": "product", "product": product}}
            self.assertIn(told, self.post("/changes", change, 422)["detail"])
        product = {"id": "tub", "name": "<script>alert(1)</script>", "class": "other"}
        self.post("/changes", {"change": {"change": "product", "product": product}})
        self.assertEqual(self.get("/products/tub")["product"]["name"], product["name"])
        self.assertEqual(len(self.ledger.history()), 1)


class Sheets(IntakeTest):
    def sheet(self, *allergens: tuple[str, str], **rest: Any) -> bytes:
        good = {"code": "", "name": "Seed mix", **rest}
        good["allergens"] = [{"code": code, "level": level} for code, level in allergens]
        head = {"format": "yellow-ladle-supplier-sheet", "version": 1, "supplier": "S"}
        return json.dumps({**head, "issued": "2026-11-01", "goods": [good]}).encode()

    def test_codes_become_levels(self) -> None:
        content = self.sheet(("AM", "CONTAINS"), ("AN", "MAY_CONTAIN"), ("AE", "FREE_FROM"))
        [row] = self.send("/intake/sheet", content)["rows"]
        stated = row["product"]["statements"]
        self.assertEqual(
            (stated["milk"], stated["egg"], stated["walnut"]), ("contains", "free", "may_contain")
        )
        self.assertEqual(row["product"]["otherwise"], "unchecked")
        self.assertEqual(
            row["product"]["evidence"]["milk"],
            {"kind": "supplier", "date": "2026-11-01", "person": None},
        )

    def test_a_group_beside_one_of_its_members(self) -> None:
        content = self.sheet(("AW", "CONTAINS"), ("UW", "CONTAINS"), ("AU", "CONTAINS"))
        [row] = self.send("/intake/sheet", content)["rows"]
        self.assertEqual(
            row["product"]["statements"], {"wheat": "contains", "sulphites": "contains"}
        )
        [row] = self.send("/intake/sheet", self.sheet(("AW", "CONTAINS")))["rows"]
        self.assertEqual(set(row["product"]["statements"]), {"wheat", "rye", "barley", "oats"})

    def test_an_unknown_code_is_reported_and_never_dropped(self) -> None:
        content = self.sheet(("QQ", "CONTAINS"), ("AM", "PERHAPS"), complete=True)
        looked = self.send("/intake/sheet", content)
        told = [fault["message"] for fault in looked["faults"]]
        self.assertEqual(
            told,
            ['the code "QQ CONTAINS" is not known here', 'the code "AM PERHAPS" is not known here'],
        )
        self.assertEqual(looked["rows"][0]["product"]["statements"], {})

    def test_a_complete_sheet_speaks_for_every_allergen_and_no_animal(self) -> None:
        [row] = self.send("/intake/sheet", self.sheet(("AM", "CONTAINS"), complete=True))["rows"]
        self.assertEqual(row["product"]["statements"]["egg"], "free")
        self.assertNotIn("pork", row["product"]["statements"])

    def test_nonsense_is_refused_with_its_place(self) -> None:
        self.assertIn("not JSON", self.send("/intake/sheet", b"<html>", 422)["detail"])
        self.assertIn("not JSON", self.send("/intake/sheet", b"[" * 200_000, 422)["detail"])
        problem = self.send("/intake/sheet", self.sheet(odd=1), 422)
        self.assertEqual(problem["faults"][0]["place"], "goods[0].odd")


class Feed(IntakeTest):
    def setUp(self) -> None:
        super().setUp()
        self.feed = demo_feed()
        self.addCleanup(self.feed.stop)
        self.api.app.state.feed = self.feed.address  # type: ignore[attr-defined]

    def fetched_twice(self) -> Any:
        first = self.post("/feed/fetch", {})
        self.assertEqual((first["sheets"], first["notices"]), (2, 0))
        self.assertEqual(first["unknown_goods"], ["Fell Mill rye flour"])
        self.assertEqual(self.post("/feed/fetch", {})["notices"], 1)
        self.assertEqual(self.post("/feed/fetch", {})["notices"], 0)
        [notice] = self.get("/notices")
        return notice

    def test_a_changed_label_is_a_notice_with_what_it_would_change(self) -> None:
        notice = self.fetched_twice()
        self.assertEqual(notice["product"]["id"], "grain-mustard")
        changed = {(d["flag"], d["recorded"], d["sheet"]) for d in notice["differences"]}
        wanted = {("wheat", "free", "contains"), ("sesame", "free", "may_contain")}
        self.assertEqual(changed, wanted)
        self.assertIn("Changes", notice["impact"]["sentence"])
        self.assertEqual(self.ledger.now.reading.level("grain-mustard", "wheat"), Level.FREE)

    def test_accepted(self) -> None:
        notice = self.fetched_twice()
        self.post(
            f"/notices/{notice['id']}/decide",
            {"decision": "accept", "seen": notice["version"]},
            by="NB",
        )
        self.assertEqual(self.ledger.now.reading.level("leek-cider-sauce", "wheat"), Level.CONTAINS)
        self.assertEqual(self.get("/notices"), [])
        self.post(f"/notices/{notice['id']}/decide", {"decision": "accept", "seen": 1}, 404)
        [entry] = self.ledger.history("grain-mustard")
        self.assertEqual((entry.person, entry.why), ("NB", "new sheet, accept"))

    def test_kept_apart_the_product_carries_the_highest_of_both(self) -> None:
        notice = self.fetched_twice()
        self.post(
            f"/notices/{notice['id']}/decide", {"decision": "keep_apart", "seen": notice["version"]}
        )
        mustard = self.ledger.now.reading.book.products["grain-mustard"]
        self.assertEqual(
            [m.name for m in mustard.makers],
            ["As recorded before", "Tarn and Fell, sheet of 2026-11-23"],
        )
        self.assertEqual(self.ledger.now.reading.level("grain-mustard", "wheat"), Level.CONTAINS)
        use = {"change": "maker_in_use", "product": "grain-mustard", "maker": "as-before"}
        seen = self.ledger.now.versions["grain-mustard"]
        self.post("/changes", {"change": use, "seen": seen})
        self.assertEqual(self.ledger.now.reading.level("grain-mustard", "wheat"), Level.FREE)

    def test_codes_open_products(self) -> None:
        self.assertEqual(self.get("/codes/2000000000091")["maker"], "Fell Mill")
        self.assertEqual(self.get("/codes/2000000000022")["product"]["id"], "butter")
        self.assertEqual(self.api.get("/api/v1/codes/999").status_code, 404)
        self.assertGreater(len(self.get("/codes")), 7)

    def test_no_feed_is_set_up(self) -> None:
        self.open_kitchen()
        self.assertIn("No supplier's feed", self.post("/feed/fetch", {}, 422)["detail"])


class HostileFeed(IntakeTest):
    """A feed that hangs, trickles, breaks off, or answers nonsense."""

    def serve(self, *answers: bytes, hold: float = 0) -> str:
        listening = socket.create_server(("127.0.0.1", 0))
        self.addCleanup(listening.close)
        self.hung_up = threading.Event()

        def answer() -> None:
            for content in answers:
                try:
                    caller, _ = listening.accept()
                except OSError:
                    return
                with caller:
                    caller.recv(4096)
                    for part in (
                        (content[n : n + 8] for n in range(0, len(content), 8))
                        if hold
                        else [content]
                    ):
                        try:
                            caller.sendall(part)
                        except OSError:
                            self.hung_up.set()
                            return
                        time.sleep(hold)

        threading.Thread(target=answer, daemon=True).start()
        return f"http://127.0.0.1:{listening.getsockname()[1]}"

    def failed(self, address: str) -> str:
        self.api.app.state.feed = address  # type: ignore[attr-defined]
        problem = self.post("/feed/fetch", {}, 422)
        self.assertEqual(self.get("/notices"), [])
        return str(problem["detail"])

    def test_it_hangs(self) -> None:
        self.assertIn("takes too long", self.failed(self.serve()))

    def test_it_trickles(self) -> None:
        head = b"HTTP/1.1 200 OK\r\nContent-Length: 4000\r\n\r\n"
        told = self.failed(self.serve(head + b" " * 4000, hold=0.1))
        self.assertIn("takes too long", told)

    def test_it_trickles_its_headers(self) -> None:
        told = self.failed(self.serve(b"HTTP/1.1 200 OK\r\n" + b"X: 1\r\n" * 90, hold=0.1))
        self.assertIn("takes too long", told)
        self.assertTrue(self.hung_up.wait(5), "its reader waited for all of it")

    def test_its_name_leads_into_the_kitchens_own_network(self) -> None:
        for address in ("127.0.0.1", "10.1.2.3", "169.254.169.254", "::1", "0.0.0.0", "fd00::1"):
            found = [(socket.AF_INET, socket.SOCK_STREAM, 6, "", (address, 80))]
            with patch.object(socket, "getaddrinfo", return_value=found):
                told = self.failed("http://feed.example:80")
            self.assertIn(f"own network, to {address}", told)

    def test_nobody_says_where_it_is(self) -> None:
        slow = lambda *_, **__: time.sleep(2.5)  # noqa: E731
        with patch.object(socket, "getaddrinfo", slow):
            self.assertIn("Nobody says where feed.example is", self.failed("http://feed.example"))

    def test_it_sends_its_reader_elsewhere(self) -> None:
        for status in (b"301 Moved", b"302 Found", b"307 Temporary"):
            head = b"HTTP/1.1 " + status + b"\r\nLocation: http://127.0.0.1:1/\r\n\r\n"
            self.assertIn("elsewhere", self.failed(self.serve(head)))

    def test_it_is_not_there(self) -> None:
        self.assertIn("does not answer", self.failed("http://127.0.0.1:9"))

    def test_it_answers_nonsense(self) -> None:
        for body, told in (
            (b"<html>", "no sheet"),
            (b'{"a": 1}', "no list of sheets"),
            (b'["http://elsewhere/x"]', "lie elsewhere"),
            (b"[" * 100_000, "no sheet"),
        ):
            head = f"HTTP/1.1 200 OK\r\nContent-Length: {len(body)}\r\n\r\n".encode()
            self.assertIn(told, self.failed(self.serve(head + body)))
        self.assertIn("does not answer", self.failed(self.serve(b"nonsense\r\n\r\n")))

    def test_other_kinds_of_address_are_not_read(self) -> None:
        with self.assertRaises(FeedFailed):
            fetch_sheets("file:///etc")


class Pictures(IntakeTest):
    def picture(self, size: tuple[int, int] = (300, 200), form: str = "PNG", **rest: Any) -> bytes:
        out = io.BytesIO()
        Image.new("RGB", size, "tan").save(out, form, **rest)
        return out.getvalue()

    def test_a_picture_is_drawn_anew_and_kept_beside_the_database(self) -> None:
        for form in ("PNG", "JPEG", "WEBP"):
            self.send("/products/butter/photo", self.picture((3000, 1500), form), 204, "PUT")
            kept = self.api.get("/api/v1/products/butter/photo")
            self.assertEqual(kept.headers["content-type"], "image/webp")
            self.assertEqual(Image.open(io.BytesIO(kept.content)).size, (2000, 1000))
        self.assertTrue(self.get("/products/butter")["has_photo"])
        [kept] = self.ledger.now.reading.book.others["photo"].values()
        folder = self.path.parent / "demo.sqlite.photos"
        self.assertTrue((folder / f"{kept.picture}.webp").exists())
        self.assertEqual(self.api.delete("/api/v1/products/butter/photo").status_code, 204)
        self.assertEqual(self.api.get("/api/v1/products/butter/photo").status_code, 404)

    def test_each_is_in_the_history_with_its_person_and_can_be_taken_back(self) -> None:
        self.api.headers["X-Person"] = "NB"
        first, second = self.picture((40, 40)), self.picture((60, 40))
        for content in (first, first, second):
            self.send("/products/butter/photo", content, 204, "PUT")
        newest, before = self.get("/history", most=2)
        self.assertEqual((newest["kind"], newest["person"]), ("photo", "NB"))
        self.assertIn("A picture of Brough Dairy unsalted butter was kept", newest["told"])
        self.assertIsNone(before["before"], "the same picture again is no change")
        shown = self.api.get("/api/v1/products/butter/photo").content
        self.post(f"/history/{newest['id']}/undo", {})
        again = self.api.get("/api/v1/products/butter/photo").content
        self.assertNotEqual(again, shown)
        self.assertEqual(Image.open(io.BytesIO(again)).size, (40, 40))
        self.post(f"/history/{self.get('/history', most=1)[0]['id']}/undo", {})
        self.assertEqual(self.api.get("/api/v1/products/butter/photo").content, shown)
        self.api.delete("/api/v1/products/butter/photo")
        self.post(f"/history/{self.get('/history', most=1)[0]['id']}/undo", {})
        self.assertEqual(self.api.get("/api/v1/products/butter/photo").content, shown)

    def test_a_book_that_is_put_in_its_place_keeps_the_pictures_of_what_is_in_both(self) -> None:
        self.send("/products/butter/photo", self.picture(), 204, "PUT")
        self.send("/products/leek/photo", self.picture(), 204, "PUT")
        book = self.ledger.now.reading.book
        products = [product for product in book.products.values() if product.id != "leek"]
        kept = replace(
            demo_book(), products={product.id: product for product in products}, preparations={}
        )
        self.ledger.replace_book(kept)
        self.assertTrue(self.get("/products/butter")["has_photo"])
        self.assertEqual([*self.ledger.now.reading.book.others["photo"]], ["butter"])

    def test_it_goes_with_its_product_and_comes_back_with_it(self) -> None:
        spare = {"id": "spare", "name": "Spare tub"}
        add = {"change": {"change": "product", "product": spare}, "seen": None}
        self.post("/changes", add)
        self.send("/products/spare/photo", self.picture(), 204, "PUT")
        kept = self.api.get("/api/v1/products/spare/photo").content
        seen = self.ledger.now.versions["spare"]
        self.post("/changes", {"change": {"change": "removal", "item": "spare"}, "seen": seen})
        self.post("/changes", add)
        self.assertFalse(self.get("/products/spare")["has_photo"], "another tub of that name")
        [made, removed, _] = self.get("/history", item="spare")
        self.post(f"/history/{made['id']}/undo", {"why": "wrong box"}, by="NB")
        self.post(f"/history/{removed['id']}/undo", {"why": "wrong box"}, by="NB")
        self.assertEqual(self.api.get("/api/v1/products/spare/photo").content, kept)

    def test_nothing_but_its_pixels_is_kept(self) -> None:
        exif = Image.Exif()
        exif[0x010E] = "taken at home"
        self.send("/products/butter/photo", self.picture(form="JPEG", exif=exif), 204, "PUT")
        self.assertNotIn(b"taken at home", self.api.get("/api/v1/products/butter/photo").content)

    def test_what_is_no_picture_is_refused(self) -> None:
        whole = self.picture()
        for content, told in (
            (b"no picture", "no PNG, JPEG or WebP"),
            (self.picture(form="GIF"), "no PNG, JPEG or WebP"),
            (whole[: len(whole) // 2], "cannot be read"),
            (self.picture((8000, 5000)), "over 36 megapixels"),
            (b"\x89PNG" + b"0" * (10 * 1024 * 1024), "over 10 MB"),
            (b"", "no PNG, JPEG or WebP"),
        ):
            self.assertIn(told, self.send("/products/butter/photo", content, 422, "PUT")["detail"])
        self.send("/products/nothing/photo", whole, 404, "PUT")
        self.assertFalse(self.get("/products/butter")["has_photo"])
