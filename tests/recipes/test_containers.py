"""The same recipe in every form that it may come in."""

import io
import json
import unittest
import zipfile
from pathlib import Path
from tempfile import TemporaryDirectory

from docx import Document
from openpyxl import Workbook
from reportlab.pdfgen.canvas import Canvas
from typer.testing import CliRunner

from yellow_ladle.cli import app
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.files.documents.recipes_document import recipes_content
from yellow_ladle.files.recipes.any_recipe import recipes_of

LINES = ("1.2 kg leeks, sliced", "100 g butter", "2 tbsp plain flour", "1 l milk", "salt to taste")
STEPS = (
    "Sweat the leeks in the butter for 10 minutes.",
    "Add flour and milk.",
    "Simmer 20 minutes.",
)
TEXT = "\n".join(
    (
        *("Leek sauce", "", "Serves 6", "", "Ingredients", *LINES, "", "Method"),
        *(f"{n}. {step}" for n, step in enumerate(STEPS, 1)),
    )
)
HTML = (
    "<!doctype html><html><head><title>x</title><style>p{}</style></head><body><nav>Home | 12 g of"
    " cookies</nav><h1>Leek sauce</h1><p>Serves 6</p><h2>Ingredients</h2><ul>"
    + "".join(f"<li>{line}</li>" for line in LINES)
    + "</ul><h2>Method</h2><ol>"
    + "".join(f"<li>{step}</li>" for step in STEPS)
    + "</ol><footer>4 kg of adverts</footer><script>100 g butter</script></body></html>"
)
ODT = """<?xml version="1.0" encoding="UTF-8"?><office:document-content
 xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0"
 xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0"><office:body><office:text>
 <text:h text:outline-level="1">Leek sauce</text:h><text:p>Serves 6</text:p>
 <text:h text:outline-level="2">Ingredients</text:h><text:list>{lines}</text:list>
 <text:h text:outline-level="2">Method</text:h>{steps}</office:text></office:body>
 </office:document-content>"""


def docx_bytes() -> bytes:
    document = Document()
    document.add_heading("Leek sauce", 1)
    document.add_paragraph("Serves 6")
    document.add_heading("Ingredients", 2)
    for line in LINES:
        document.add_paragraph(line, style="List Bullet")
    document.add_heading("Method", 2)
    for step in STEPS:
        document.add_paragraph(step, style="List Number")
    out = io.BytesIO()
    document.save(out)
    return out.getvalue()


def docx_table_bytes() -> bytes:
    document = Document()
    document.add_paragraph("Leek sauce")
    document.add_paragraph("Serves 6")
    table = document.add_table(rows=1, cols=2)
    table.rows[0].cells[0].text, table.rows[0].cells[1].text = "Quantity", "Ingredient"
    for line in LINES:
        amount, item = (" ".join(line.split()[:2]), " ".join(line.split()[2:]))
        cells = table.add_row().cells
        cells[0].text, cells[1].text = ("", line) if line.startswith("salt") else (amount, item)
    for step in STEPS:
        document.add_paragraph(step)
    out = io.BytesIO()
    document.save(out)
    return out.getvalue()


def odt_bytes() -> bytes:
    lines = "".join(f"<text:list-item><text:p>{line}</text:p></text:list-item>" for line in LINES)
    steps = "".join(f"<text:p>{step}</text:p>" for step in STEPS)
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        archive.writestr("mimetype", "application/vnd.oasis.opendocument.text")
        archive.writestr("content.xml", ODT.format(lines=lines, steps=steps))
    return out.getvalue()


def pdf_bytes(text: str = TEXT) -> bytes:
    out = io.BytesIO()
    canvas = Canvas(out)
    for n, line in enumerate(text.split("\n")):
        canvas.drawString(60, 800 - 16 * n, line)
    canvas.save()
    return out.getvalue()


def xlsx_bytes() -> bytes:
    book = Workbook()
    sheet = book.active
    assert sheet is not None
    for row in (["Leek sauce"], ["Serves 6"], ["Ingredient", "Quantity", "Unit"]):
        sheet.append(row)
    for row in (
        ["leeks, sliced", 1.2, "kg"],
        ["butter", 100, "g"],
        ["plain flour", 2, "tbsp"],
        ["milk", 1, "l"],
        ["salt to taste"],
        ["Method"],
        *([step] for step in STEPS),
    ):
        sheet.append(row)
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


class Containers(unittest.TestCase):
    def test_every_form_gives_the_same_recipe(self) -> None:
        wanted = recipes_content(recipes_of(TEXT.encode()))["recipes"]
        self.assertEqual([recipe["name"] for recipe in wanted], ["Leek sauce"])
        self.assertEqual(wanted[0]["portions"], 6)
        json_ld = {
            "@type": "Recipe",
            "name": "Leek sauce",
            "recipeYield": "6",
            "recipeIngredient": list(LINES),
            "recipeInstructions": [{"@type": "HowToStep", "text": step} for step in STEPS],
        }
        page = f'<html><script type="application/ld+json">{json.dumps(json_ld)}</script></html>'
        for form, content in {
            "utf-16": TEXT.encode("utf-16"),
            "windows lines": TEXT.replace("\n", "\r\n").encode(),
            "markdown": TEXT.replace("Leek sauce", "# Leek sauce")
            .replace("Ingredients", "## Ingredients")
            .replace("Method", "## Method")
            .encode(),
            "html": HTML.encode(),
            "json-ld": json.dumps(json_ld).encode(),
            "a page with json-ld": page.encode(),
            "docx": docx_bytes(),
            "odt": odt_bytes(),
            "pdf": pdf_bytes(),
        }.items():
            with self.subTest(form):
                self.assertEqual(recipes_content(recipes_of(content))["recipes"], wanted)
        for form, content in {"xlsx": xlsx_bytes(), "docx table": docx_table_bytes()}.items():
            with self.subTest(form):
                [found] = recipes_content(recipes_of(content))["recipes"]
                self.assertEqual((found["name"], found["portions"]), ("Leek sauce", 6))
                keys = ("quantity", "unit", "item", "note")
                for read, line in zip(found["lines"], wanted[0]["lines"], strict=True):
                    self.assertEqual([read[key] for key in keys], [line[key] for key in keys])
                self.assertEqual(found["steps"], wanted[0]["steps"])

    def test_a_table_that_names_the_recipe_in_each_row(self) -> None:
        rows = (
            "Recipe;Ingredient;Quantity;Unit;Method",
            "Velouté;hen stock;1;l;Boil.",
            ";white roux;120;g;Whisk in, 30 minutes.",
            "White roux;butter;100;g;Melt.",
            "White roux;flour;100;g;",
        )
        found = recipes_content(recipes_of("\n".join(rows).encode()))["recipes"]
        self.assertEqual([recipe["name"] for recipe in found], ["Velouté", "White roux"])
        self.assertEqual([line["item"] for line in found[0]["lines"]], ["hen stock", "white roux"])
        self.assertEqual([step["minutes"] for step in found[0]["steps"]], [None, 30])

    def test_what_cannot_be_read_says_so(self) -> None:
        picture = pdf_bytes("")
        bomb = io.BytesIO()
        with zipfile.ZipFile(bomb, "w", zipfile.ZIP_DEFLATED) as archive:
            archive.writestr("word/document.xml", b"0" * 50_000_000)
        entities = io.BytesIO()
        with zipfile.ZipFile(entities, "w") as archive:
            archive.writestr(
                "content.xml",
                '<!DOCTYPE x [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><x>&b;</x>',
            )
        for content, told in (
            (b"", "No recipe was found"),
            (b"\n\n", "No recipe was found"),
            (b"%PDF-1.4 broken", "PDF could not be read"),
            (picture, "holds no text"),
            (b"PK\x03\x04 broken", "damaged"),
            (bomb.getvalue(), "40 MB"),
            (entities.getvalue(), "could not be read"),
            (b"\x89PNG\x00\x00", "no text"),
            (b'{"@type": "Person"}', "no recipe"),
        ):
            with self.subTest(told), self.assertRaises(BookRefused) as refused:
                recipes_of(content)
            self.assertIn(told.lower(), str(refused.exception).lower())


class TheCommand(unittest.TestCase):
    def test_it_prints_what_was_read(self) -> None:
        done = CliRunner().invoke(app, ["recipe", "-", "--json"], input=TEXT)
        self.assertEqual(done.exit_code, 0, done.output)
        [recipe] = json.loads(done.output)["recipes"]
        self.assertEqual(
            recipe["lines"][0],
            {
                "text": "1.2 kg leeks, sliced",
                "quantity": 1.2,
                "high": None,
                "unit": "kg",
                "item": "leeks",
                "note": "sliced",
                "section": "",
                "optional": False,
                "question": "",
            },
        )
        self.assertIn("Leek sauce", CliRunner().invoke(app, ["recipe"], input=TEXT).output)

    def test_a_file_lends_its_name_and_a_bad_one_is_refused(self) -> None:
        with TemporaryDirectory() as folder:
            sheet = Path(folder) / "oat cakes.csv"
            sheet.write_text("Ingredient,Amount\noatmeal,500 g\nlard,75 g\n")
            done = CliRunner().invoke(app, ["recipe", str(sheet), "--json"])
            self.assertEqual(json.loads(done.output)["recipes"][0]["name"], "oat cakes")
        done = CliRunner().invoke(app, ["recipe", "-"], input=b"\x00\x01")
        self.assertEqual(done.exit_code, 2)
        self.assertIn("no text", done.output)


if __name__ == "__main__":
    unittest.main()
