"""Photographs as text over the API: labels and recipes, framed, and what cannot be read."""

import base64
import io
import unittest
from typing import Any
from unittest import mock

from PIL import Image

from tests.api.client import ApiTest
from tests.labels.pictures import Drawn, picture
from yellow_ladle.devices import picture_reader
from yellow_ladle.devices.picture_reader import can_read

LABEL = "Ingredients: Wheat flour, sugar, whey powder (from milk), salt, egg yolk, mustard seed."
SHARP = Drawn("Vera.ttf", 30)


@unittest.skipUnless(can_read(), "the picture reader is not installed here")
class PicturesAsText(ApiTest):
    def send(self, path: str, content: bytes, status: int = 200, **query: Any) -> Any:
        response = self.api.post(f"/api/v1{path}", content=content, params=query)
        self.assertEqual(response.status_code, status, response.text)
        return response.json()

    def test_a_label_with_the_places_of_its_words(self) -> None:
        read = self.send("/labels/picture", picture(LABEL, SHARP, 1), language="en")
        words = {read["text"][word["start"] : word["end"]]: word["place"] for word in read["words"]}
        self.assertIn("mustard", words)
        self.assertTrue(
            all(0 <= share <= 1 for place in words.values() for share in place.values())
        )
        kind, _, content = read["picture"].partition(",")
        self.assertEqual(kind, "data:image/jpeg;base64")
        shown = Image.open(io.BytesIO(base64.b64decode(content)))
        self.assertLessEqual(max(shown.size), 1_200)

    def test_a_picture_on_its_side_is_read_in_its_frame(self) -> None:
        page = Image.open(io.BytesIO(picture(LABEL, SHARP, 1)))
        out = io.BytesIO()
        page.transpose(Image.Transpose.ROTATE_180).save(out, "PNG")
        corners = [0, 0, 1, 0, 1, 1, 0, 1]
        read = self.send(
            "/labels/picture", out.getvalue(), language="en", turn=180, corners=corners
        )
        self.assertIn("whey", read["text"])

    def test_a_picture_on_its_side_is_turned(self) -> None:
        page = Image.open(io.BytesIO(picture(LABEL, SHARP, 1)))
        for turn, back in (
            (90, Image.Transpose.ROTATE_90),
            (180, Image.Transpose.ROTATE_180),
            (270, Image.Transpose.ROTATE_270),
        ):
            with self.subTest(turn=turn):
                out = io.BytesIO()
                page.transpose(back).save(out, "PNG")
                read = self.send("/labels/picture", out.getvalue(), language="en")
                self.assertIn("whey", read["text"])
                self.assertEqual(read["turn"], turn)

    def test_a_recipe_keeps_its_lines(self) -> None:
        read = self.send("/recipes/picture", picture(LABEL, SHARP, 1), language="en")
        self.assertGreater(read["text"].count("\n"), 1)

    def test_what_cannot_be_read_is_told(self) -> None:
        for query, told in (
            ({"turn": 30}, "turned by 0, 90, 180 or 270"),
            ({"corners": [0, 0, 0, 0, 0, 0, 0, 0]}, "enclose no part"),
            ({"language": "xx"}, "language"),
        ):
            for path in ("/labels/picture", "/recipes/picture"):
                self.assertIn(
                    told, self.send(path, picture(LABEL, SHARP, 1), 422, **query)["detail"]
                )
        self.send("/labels/picture", picture(LABEL, SHARP, 1), 422, corners=[0.5, 0.5])
        empty = io.BytesIO()
        Image.new("RGB", (300, 200), "tan").save(empty, "PNG")
        told = self.send("/recipes/picture", empty.getvalue(), 422)["detail"]
        self.assertIn("closer and in better light", told)

    def test_without_the_reader_it_says_what_is_missing(self) -> None:
        self.assertEqual(self.get("/pictures/reader"), {"ready": True, "missing": ""})
        with mock.patch.object(picture_reader, "_installed", lambda: frozenset[str]()):
            self.assertIn("apt-get install", self.get("/pictures/reader")["missing"])
            for path in ("/labels/picture", "/recipes/picture"):
                told = self.send(path, picture(LABEL, SHARP, 1), 501)
                self.assertIn("apt-get install", str(told))


if __name__ == "__main__":
    unittest.main()
