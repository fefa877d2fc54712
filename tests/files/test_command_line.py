"""The commands, as a person or a script would call them."""

import json
import os
import socket
import subprocess
import sys
import tempfile
import unittest
from hashlib import sha256
from pathlib import Path
from urllib.request import urlopen

from tests.effort import thorough

ROOT = Path(__file__).resolve().parents[2]
DEMO = "src/yellow_ladle/demo/skerrow-light.book.json"


def ladle(*words: str, **environment: str) -> subprocess.CompletedProcess[str]:
    return subprocess.run(
        [sys.executable, "-m", "yellow_ladle", *words],
        cwd=ROOT,
        env=os.environ | {"PYTHONPATH": str(ROOT / "src")} | environment,
        text=True,
        capture_output=True,
    )


class CommandLine(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.book = self.folder / "kitchen.sqlite"

    def write(self, content: object) -> str:
        path = self.folder / "small.book.json"
        path.write_text(json.dumps(content))
        return str(path)

    def refused(self, *words: str) -> list[str]:
        done = ladle(*words)
        self.assertEqual(done.returncode, 2, done)
        self.assertNotIn("Traceback", done.stderr)
        self.assertEqual(done.stdout, "")
        return done.stderr.splitlines()


class Labels(CommandLine):
    def test_a_label_as_json(self) -> None:
        text = self.folder / "label.txt"
        text.write_bytes("Sugar, w\u0301hey powder.\r\nMay contain egg".encode())
        done = ladle("label", str(text), "--lang", "en", "--json")
        self.assertEqual(done.returncode, 0, done.stderr)
        content = json.loads(done.stdout)
        self.assertEqual(
            list(content), ["format", "version", "flags", "questions", "unknown", "complete"]
        )
        self.assertEqual((content["format"], content["version"]), ("yellow-ladle-label", 1))
        egg = content["flags"]["egg"]
        self.assertEqual(egg["level"], "may_contain")
        [why] = egg["because"]
        self.assertEqual(list(why), ["text", "start", "end", "why"])
        self.assertEqual(text.read_bytes().decode()[why["start"] : why["end"]], "egg")

    def test_many_labels_at_once_in_their_order(self) -> None:
        text = self.folder / "labels.txt"
        text.write_text("Milk\n\nWei\u00dfmehl, Sellerie\n")
        done = ladle("label", str(text), "--lines", "--json")
        found = [list(label["flags"]) for label in json.loads(done.stdout)]
        self.assertEqual(found, [["milk"], [], ["wheat", "celery"]])

    def test_classes_in_the_order_of_their_names(self) -> None:
        names = ["Anna's double cream", "Anna's mix", "Cornflour", "Garlic butter"]
        done = ladle("class", *names, "--json")
        content = json.loads(done.stdout)
        self.assertEqual((content["format"], content["version"]), ("yellow-ladle-classes", 1))
        entries = content["classes"]
        self.assertEqual([entry["name"] for entry in entries], names)
        self.assertEqual(
            entries[0],
            {"name": names[0], "class": "cream", "certain": True, "others": []},
        )
        self.assertEqual((entries[1]["class"], entries[1]["certain"]), (None, False))
        self.assertEqual(entries[2]["class"], "maize-starch")
        self.assertEqual((entries[3]["certain"], entries[3]["others"]), (False, ["garlic"]))
        self.assertIn("double cream", ladle("class", *names).stdout)

    def test_a_table_for_people(self) -> None:
        text = self.folder / "label.txt"
        text.write_text("whey powder, flavouring")
        done = ladle("label", str(text))
        self.assertIn("whey powder", done.stdout)
        self.assertIn("Ask: What is the flavouring made from", done.stdout)

    def test_what_cannot_be_read(self) -> None:
        text = self.folder / "label.txt"
        text.write_bytes(b"\xff\xfe")
        self.assertIn("is no UTF-8 text", self.refused("label", str(text))[0])
        text.write_text("a" * 100_001)
        self.assertIn("no label has more than 100,000", self.refused("label", str(text))[0])
        self.assertIn('no language "xx"', self.refused("label", str(text), "--lang", "xx")[0])
        self.assertIn("cannot be read", self.refused("label", str(self.folder / "none"))[0])


class Deriving(CommandLine):
    def test_the_reading_as_json(self) -> None:
        done = ladle("derive", DEMO, "--json")
        self.assertEqual(done.returncode, 0, done.stderr)
        content = json.loads(done.stdout)
        self.assertEqual(content["format"], "yellow-ladle-reading")
        self.assertIn("hen-stock/fat", content["items"])
        self.assertEqual(content["items"]["veloute"]["flags"]["wheat"]["level"], "contains")

    def test_another_regime(self) -> None:
        content = json.loads(ladle("derive", DEMO, "--regime", "us-9", "--json").stdout)
        self.assertEqual(content["regime"], "us-9")
        declared = content["items"]["hen-stock"]["declare"]
        self.assertEqual(declared, {"contains": [], "may_contain": [], "unchecked": []})
        self.assertEqual(
            self.refused("derive", DEMO, "--regime", "us9"),
            ['--regime: no regime "us9"; did you mean "us-9"?'],
        )

    def test_the_table_says_what_it_does_not_certify(self) -> None:
        done = ladle("derive", DEMO)
        self.assertIn("hen-leek-pie", done.stdout)
        self.assertIn("From your records only.", done.stdout)

    @thorough
    def test_certificates_are_read_as_of_a_day(self) -> None:
        small = {
            "format": "yellow-ladle-book",
            "version": 1,
            "kitchen": {"name": "Small", "regime": "eu-14"},
            "products": [
                {
                    "id": "lamb",
                    "name": "Lamb",
                    "class": "lamb",
                    "statements": {"lamb": "contains"},
                    "otherwise": "free",
                    "certificates": ["halal"],
                    "papers": {"halal": {"expires": "2026-06-30"}},
                }
            ],
            "preparations": [
                {
                    "id": "stew",
                    "name": "Stew",
                    "kind": "dish",
                    "lines": [{"item": "lamb", "quantity": 1, "unit": "kg", "role": "body"}],
                }
            ],
        }
        file = self.write(small)
        for day, verdict in (("2026-06-30", "suits"), ("2026-07-01", "does_not_suit")):
            read = json.loads(ladle("derive", file, "--on", day, "--json").stdout)
            halal = read["items"]["stew"]["diets"]["halal"]
            self.assertEqual(halal["verdict"], verdict, day)
        self.assertEqual(halal["because"][0]["certificate"], "halal")
        [fault] = self.refused("derive", file, "--on", "tomorrow")
        self.assertIn('--on: "tomorrow" is no day', fault)

    def test_each_fault_has_a_line_of_its_own(self) -> None:
        line = {"item": "besamel", "quantity": -1, "unit": "g", "role": "body"}
        head = {"format": "yellow-ladle-book", "version": 1}
        made = [
            {"id": "bechamel", "name": "B", "kind": "sauce"},
            {"id": "pie", "name": "P", "kind": "dish", "lines": [line, line | {"quantity": 1}]},
        ]
        kitchen = {"name": "K", "regime": "eu-14"}
        path = self.write(head | {"kitchen": kitchen, "preparations": made})
        self.assertEqual(
            self.refused("derive", path),
            [
                "preparations[1].lines[0].quantity: -1 is too small; 0 or more is wanted here",
                'preparations[1].lines[1].item: no item "besamel"; did you mean "bechamel"?',
            ],
        )

    def test_a_file_that_is_not_there(self) -> None:
        [fault] = self.refused("derive", str(self.folder / "none.book.json"))
        self.assertIn("cannot be read", fault)
        self.assertIn("cannot be read", self.refused("derive", str(self.folder))[0])

    def test_the_web_stack_is_not_imported(self) -> None:
        code = (
            "import sys; from yellow_ladle.cli import app; from typer.testing import CliRunner;"
            f"CliRunner().invoke(app, ['derive', '{DEMO}', '--json']);"
            "print([m for m in ('fastapi', 'sqlalchemy', 'uvicorn') if m in sys.modules])"
        )
        environment = os.environ | {"PYTHONPATH": str(ROOT / "src")}
        command = [sys.executable, "-c", code]
        done = subprocess.run(command, cwd=ROOT, env=environment, text=True, capture_output=True)
        self.assertEqual(done.stdout.strip(), "[]", done.stderr)


class Swapping(CommandLine):
    def test_plans_as_json(self) -> None:
        words = ("--item", "hen-leek-pie", "--clear", "wheat", "--clear", "egg", "--limit", "2")
        done = ladle("swap", DEMO, *words, "--json")
        content = json.loads(done.stdout)
        self.assertEqual(content["goals"], {"clear": ["wheat", "egg"], "fit": []})
        self.assertEqual(len(content["plans"]), 2)
        self.assertTrue(all(plan["meets"] or "buy" in plan for plan in content["plans"]))

    @thorough
    def test_plans_as_tables(self) -> None:
        done = ladle("swap", DEMO, "--item", "mushroom-polenta", "--fit", "vegetarian")
        self.assertIn("Plan 1: meets every goal", done.stdout)
        done = ladle("swap", DEMO, "--item", "cod-samphire", "--clear", "fish")
        self.assertIn("In the way: cod", done.stdout)

    def test_bases_and_purchases_are_told_in_both_forms(self) -> None:
        asked = ("swap", DEMO, "--item", "keepers-chowder", "--clear", "milk", "--limit", "12")
        done = ladle(*asked)
        self.assertEqual(done.returncode, 0, done.stderr)
        self.assertIn("White sauce on oat drink, not yet made here", done.stdout)
        plans = json.loads(ladle(*asked, "--json").stdout)["plans"]
        carded = next(plan for plan in plans if "cards" in plan)
        ids = [card["id"] for card in carded["cards"]]
        self.assertEqual(carded["extra_pots"][: len(ids)], ids)
        self.assertFalse(any(card["made_here"] for card in carded["cards"]))
        self.assertTrue({swap["to"] for swap in carded["swaps"]} & set(ids))
        bought = next(plan for plan in plans if "buy" in plan)
        self.assertFalse(bought["meets"])
        self.assertEqual([plan["meets"] for plan in plans].index(False), plans.index(bought))
        self.assertTrue(all(plan["same_dish"] in (True, False) for plan in plans))

    def test_by_products_can_be_asked_about(self) -> None:
        done = ladle("swap", DEMO, "--item", "hen-stock/fat", "--clear", "celery", "--json")
        content = json.loads(done.stdout)
        self.assertEqual(content["item"], "hen-stock/fat")
        self.assertEqual(content["plans"][0]["extra_pots"], ["hen-stock"])

    def test_unknown_words_are_refused_with_what_is_near(self) -> None:
        item = ("swap", DEMO, "--item", "hen-leek-pye", "--clear", "wheat")
        self.assertIn('did you mean "hen-leek-pie"?', self.refused(*item)[0])
        flag = ("swap", DEMO, "--item", "hen-leek-pie", "--clear", "weat")
        self.assertIn('did you mean "wheat"?', self.refused(*flag)[0])
        diet = ("swap", DEMO, "--item", "hen-leek-pie", "--fit", "vegn")
        self.assertIn('did you mean "vegan"?', self.refused(*diet)[0])
        self.assertIn("name a flag", self.refused("swap", DEMO, "--item", "hen-leek-pie")[0])


class MovingData(CommandLine):
    def test_what_is_imported_is_exported_byte_for_byte(self) -> None:
        done = ladle("import", DEMO, "--book", str(self.book))
        self.assertIn("81 products and 50 preparations", done.stdout)
        target = self.folder / "out.book.json"
        ladle("export", str(target), "--book", str(self.book))
        self.assertEqual(target.read_bytes(), (ROOT / DEMO).read_bytes())

    def test_the_environment_names_the_kitchens_file(self) -> None:
        ladle("import", DEMO, YELLOW_LADLE_BOOK=str(self.book))
        done = ladle("export", YELLOW_LADLE_BOOK=str(self.book))
        self.assertEqual(done.stdout.encode(), (ROOT / DEMO).read_bytes())

    @thorough
    def test_nothing_is_replaced_unless_it_is_said(self) -> None:
        ladle("import", DEMO, "--book", str(self.book))
        small = self.write(
            {
                "format": "yellow-ladle-book",
                "version": 1,
                "kitchen": {"name": "Small", "regime": "us-9"},
            }
        )
        [fault] = self.refused("import", small, "--book", str(self.book))
        self.assertIn("nothing was changed", fault)
        ladle("import", small, "--replace", "--book", str(self.book))
        exported = json.loads(ladle("export", "--book", str(self.book)).stdout)
        self.assertEqual((exported["kitchen"]["name"], exported["products"]), ("Small", []))

    def test_backup_and_restore(self) -> None:
        ladle("import", DEMO, "--book", str(self.book))
        copy = self.folder / "copy.sqlite"
        pictures = self.folder / "kitchen.sqlite.photos"
        pictures.mkdir()
        (pictures / "butter.webp").write_bytes(b"a picture")
        ladle("backup", str(copy), "--book", str(self.book))
        self.assertIn(
            "nothing was overwritten",
            self.refused("backup", str(copy), "--book", str(self.book))[0],
        )
        other = self.folder / "other" / "kitchen.sqlite"
        ladle("restore", str(copy), "--book", str(other))
        exported = ladle("export", "--book", str(other)).stdout
        self.assertEqual(exported.encode(), (ROOT / DEMO).read_bytes())
        kept = other.with_name("kitchen.sqlite.photos") / f"{sha256(b'a picture').hexdigest()}.webp"
        self.assertEqual(kept.read_bytes(), b"a picture")
        done = ladle("restore", str(copy), "--book", str(other))
        self.assertIn("What was there", done.stdout)

    @thorough
    def test_only_a_kitchens_data_is_restored(self) -> None:
        ladle("import", DEMO, "--book", str(self.book))
        junk = self.folder / "junk.sqlite"
        junk.write_text("not a kitchen")
        [fault] = self.refused("restore", str(junk), "--book", str(self.book))
        self.assertIn("Nothing was changed", fault)
        missing = str(self.folder / "none.sqlite")
        self.assertIn("no such file", self.refused("restore", missing, "--book", str(self.book))[0])
        self.assertIn("no kitchen's data", self.refused("export", "--book", missing)[0])


class Starting(CommandLine):
    @thorough
    def test_the_demo_takes_the_next_port_and_says_so(self) -> None:
        with socket.socket() as taken:
            taken.bind(("127.0.0.1", 0))
            taken.listen()
            port = taken.getsockname()[1]
            process = subprocess.Popen(
                [sys.executable, "-m", "yellow_ladle", "demo", "--port", str(port)],
                cwd=ROOT,
                env=os.environ | {"PYTHONPATH": str(ROOT / "src")},
                text=True,
                stdout=subprocess.PIPE,
                stderr=subprocess.PIPE,
            )
            try:
                assert process.stdout and process.stderr
                said = process.stdout.readline()
                self.assertIn("Skerrow Light is at http://127.0.0.1:", said)
                address = said.split()[4]
                self.assertNotEqual(address, f"http://127.0.0.1:{port}")
                with urlopen(f"{address}/api/v1/kitchen", timeout=10) as response:
                    self.assertEqual(json.load(response)["name"], "Skerrow Light")
                self.assertIn(f"Port {port} is taken", process.stderr.readline())
            finally:
                process.terminate()
                process.communicate(timeout=10)
