"""Bar codes that open jars: photographed, typed by a scanner, or by hand."""

import io
import unittest

import numpy
import zxingcpp
from PIL import Image

from tests.api.client import ApiTest
from yellow_ladle.devices.code_reader import codes_in

BUTTER = "2000000000022"
GS1 = f"(01)0{BUTTER}(17)261231(10)L7"


def bars(text: str, kind: "zxingcpp.BarcodeFormat") -> bytes:
    """A drawn code on a pack, in grey and with an edge."""
    code = zxingcpp.create_barcode(text, kind)
    drawn = Image.fromarray(numpy.array(zxingcpp.write_barcode_to_image(code, scale=4)))
    page = Image.new("L", (drawn.width + 120, drawn.height + 120), 230)
    page.paste(drawn, (60, 60))
    out = io.BytesIO()
    page.save(out, "PNG")
    return out.getvalue()


class Scanning(ApiTest):
    def photograph(self, content: bytes, status: int = 200) -> list[dict[str, object]]:
        reply = self.api.post("/api/v1/scan/picture", content=content)
        self.assertEqual(reply.status_code, status, reply.text)
        found: list[dict[str, object]] = reply.json()
        return found

    def test_every_kind_of_bars_in_a_photograph(self) -> None:
        kinds = zxingcpp.BarcodeFormat
        for text, kind in (
            (BUTTER, kinds.EAN13),
            ("96385074", kinds.EAN8),
            ("012345678905", kinds.UPCA),
            (BUTTER, kinds.QRCode),
            (BUTTER, kinds.DataMatrix),
            (BUTTER, kinds.Code128),
        ):
            [found] = codes_in(bars(text, kind))
            self.assertEqual(found.code, text, kind)

    def test_a_known_code_opens_its_jar(self) -> None:
        [found] = self.photograph(bars(BUTTER, zxingcpp.BarcodeFormat.EAN13))
        self.assertEqual(found["product"], {"id": "butter", "name": "Brough Dairy unsalted butter"})
        typed = self.get("/scan", text=GS1)
        self.assertEqual(typed["product"]["id"], "butter")
        self.assertEqual((typed["lot"], typed["use_by"]), ("L7", "2026-12-31"))

    def test_an_unknown_one_says_so_and_a_picture_without_bars_is_refused(self) -> None:
        unknown = self.get("/scan", text="4006381333931")
        self.assertEqual((unknown["product"], unknown["doubt"]), (None, ""))
        blank = io.BytesIO()
        Image.new("L", (200, 200), 250).save(blank, "PNG")
        self.photograph(blank.getvalue(), 422)

    def test_a_wrong_check_digit_is_told_unless_a_jar_has_the_code(self) -> None:
        for code in ("4006381333932", "96385075", "036000291453", "(01)04006381333932"):
            with self.subTest(code):
                self.assertIn("does not fit the others", self.get("/scan", text=code)["doubt"])
        for code in ("4006381333931", "96385074", "036000291452", "12345"):
            with self.subTest(code):
                self.assertEqual(self.get("/scan", text=code)["doubt"], "")
        for code in ("https://example.org/x", "12", "４００６３８１３３３９３１"):
            with self.subTest(code):
                self.assertIn("no number of a bar code", self.get("/scan", text=code)["doubt"])
        jar = {"id": "odd", "name": "Odd", "code": "4006381333932"}
        self.post("/changes", {"change": {"change": "product", "product": jar}})
        self.assertEqual(self.get("/scan", text="4006381333932")["doubt"], "")


if __name__ == "__main__":
    unittest.main()
