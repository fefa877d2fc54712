"""The documents against the project: what they link and name is there."""

import re
import unittest
from functools import cache
from itertools import chain
from pathlib import Path

ROOT = Path(__file__).resolve().parents[2]
DOCUMENTS = (ROOT / "README.md", *sorted((ROOT / "docs").glob("*.md")))
CODE = ROOT / "src/yellow_ladle"
CLIENT = ROOT / "web/src"
PLACES = {
    **dict.fromkeys(("core", "store", "api", "files", "commands", "devices", "demo"), (CODE,)),
    **dict.fromkeys(("app", "ui", "features"), (CLIENT,)),
    **dict.fromkeys(("src", "tests", "bench", "web", "docs", "requirements"), (ROOT,)),
}
PLACES["api"] = (CODE, CLIENT)
ENDINGS = ("", ".py", ".toml", ".svelte", ".ts", ".svelte.ts")


@cache
def names() -> frozenset[str]:
    """Every class, function and attribute name of the core and the store."""
    files = chain((CODE / "core").rglob("*.py"), (CODE / "store").rglob("*.py"))
    return frozenset(chain.from_iterable(re.findall(r"\w+", f.read_text("utf-8")) for f in files))


def quoted(text: str) -> list[str]:
    """What stands between single backticks, outside of blocks of code."""
    return re.findall(r"`([^`\n]+)`", re.sub(r"```.*?```", "", text, flags=re.S))


class Documents(unittest.TestCase):
    def test_every_link_leads_somewhere(self) -> None:
        for document in DOCUMENTS:
            links = re.findall(r"\]\(([^)#:]+)\)", document.read_text("utf-8"))
            missing = [link for link in links if not (document.parent / link).exists()]
            self.assertEqual(missing, [], document.name)

    def test_every_path_that_is_named_is_there(self) -> None:
        found = 0
        for document in DOCUMENTS:
            missing = []
            for path in quoted(document.read_text("utf-8")):
                places = PLACES.get(path.split("/")[0], ())
                if "/" not in path or not places or re.search(r"[^\w./-]", path):
                    continue
                found += 1
                tries = (place / (path.rstrip("/") + end) for place in places for end in ENDINGS)
                if not any(file.exists() for file in tries):
                    missing.append(path)
            with self.subTest(document.name):
                self.assertEqual(missing, [])
        self.assertGreater(found, 60)

    def test_no_two_modules_share_a_name_or_differ_by_a_plural(self) -> None:
        files = [path.relative_to(CODE) for path in CODE.rglob("[a-z]*.py")]
        modules = [path for path in files if "versions" not in path.parts]
        self.assertGreater(len(modules), 150)
        by_name: dict[str, list[str]] = {}
        for path in modules:
            by_name.setdefault(path.stem.rstrip("s"), []).append(str(path))
        # The sentences of a package; rows of the store by the name of the core that they are of.
        allowed = ("text", "label_change", "house_flag", "daybook")
        twice = {name: found for name, found in by_name.items() if len(found) > 1}
        self.assertEqual({k: v for k, v in twice.items() if k not in allowed}, {})

    def test_every_code_name_of_the_glossary_is_in_the_code(self) -> None:
        rows = (ROOT / "docs/glossary.md").read_text("utf-8").split("|---|---|---|\n")[1]
        cells = [row.split("|")[2] for row in rows.splitlines()]
        self.assertGreater(len(cells), 40)
        for cell in cells:
            for name in quoted(cell):
                if "/" not in name:
                    self.assertLessEqual(set(re.findall(r"\w+", name)), names(), name)
