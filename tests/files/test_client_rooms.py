"""Which folders of the client import which: pages know nothing of each other."""

import re
import unittest
from collections.abc import Iterator
from pathlib import Path, PurePosixPath
from posixpath import normpath

CLIENT = Path(__file__).resolve().parents[2] / "web/src"
IMPORT = re.compile(r"(?:from |import\()'(\.[^']*)'")
BELOW = {"api": (), "lib": ("api",), "ui": ("lib", "api", "app"), "features": None, "app": None}
"""What a room may import besides itself: None for whatever there is. `ui` has the addresses and
shortcuts of `app`."""


def imports() -> Iterator[tuple[PurePosixPath, PurePosixPath]]:
    """Every import between two files of the client, from its folder on."""
    for path in sorted(CLIENT.rglob("*")):
        if path.suffix not in (".ts", ".svelte"):
            continue
        here = PurePosixPath(path.relative_to(CLIENT).as_posix())
        for wanted in IMPORT.findall(path.read_text("utf-8")):
            yield here, PurePosixPath(normpath(here.parent / wanted))


class Rooms(unittest.TestCase):
    def test_no_page_imports_another(self) -> None:
        crossing = [
            f"{one} -> {other}"
            for one, other in imports()
            if one.parts[0] == other.parts[0] == "features" and one.parts[1] != other.parts[1]
        ]
        self.assertEqual(crossing, [])

    def test_each_room_imports_what_lies_below_it(self) -> None:
        upwards = []
        for one, other in imports():
            below = BELOW.get(one.parts[0]) if len(one.parts) > 1 else None
            if below is not None and other.parts[0] not in (one.parts[0], *below):
                upwards.append(f"{one} -> {other}")
        self.assertEqual(upwards, [])

    def test_imports_are_found(self) -> None:
        self.assertGreater(len(list(imports())), 500)


if __name__ == "__main__":
    unittest.main()
