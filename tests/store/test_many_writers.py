"""Programs that write into one file at once, and programs that are killed: nothing is lost."""

import random
import sqlite3
import subprocess
import sys
import tempfile
import time
import unittest
from contextlib import closing
from pathlib import Path

from tests.effort import tries
from tests.filled import demo_content, filled
from tests.store.writer import WRITERS
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.store.file.checkup import refuse_damaged
from yellow_ladle.store.ledger import Ledger

ROOT = Path(__file__).resolve().parents[2]
WAIT = 300


class ManyWriters(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "kitchen.sqlite"
        filled(demo_content(), self.path).close()

    def writer(self, number: int, count: int) -> "subprocess.Popen[str]":
        command = [sys.executable, "-m", "tests.store.writer", str(self.path)]
        process = subprocess.Popen(
            [*command, str(number), str(count)],
            cwd=ROOT,
            stdout=subprocess.PIPE,
            stderr=subprocess.PIPE,
            text=True,
        )
        self.addCleanup(self.end, process)
        return process

    def end(self, process: "subprocess.Popen[str]") -> None:
        process.kill()
        process.communicate()

    def assert_all_there(self, told: list[str]) -> None:
        """Every write that was answered is in the file, which is sound."""
        refuse_damaged(self.path, whole=True)
        with closing(Ledger.open(self.path)) as ledger:
            book = ledger.now.reading.book
            tools = {tool.slug for tool in book.tools}
            needs = {need.id for need in book.needs}
            for line in told:
                kind, _, rest = line.partition(" ")
                if kind == "state":
                    product, flag = rest.split()
                    self.assertEqual(book.products[product].statements.get(flag), Level.CONTAINS)
                elif kind == "tool":
                    self.assertIn(rest, tools)
                elif kind == "need":
                    self.assertIn(rest, needs)
        with closing(sqlite3.connect(self.path)) as file:
            uses = {
                row[0]
                for row in file.execute("SELECT json_extract(content, '$.tool') FROM daybook_entry")
            }
        self.assertLessEqual({line[4:] for line in told if line.startswith("use ")}, uses)

    def test_three_programs_write_at_once_and_each_write_is_there(self) -> None:
        count = tries(100)
        writers = [self.writer(number, count) for number in range(WRITERS)]
        told = []
        for writer in writers:
            out, error = writer.communicate(timeout=WAIT)
            self.assertEqual(writer.returncode, 0, error)
            told += out.splitlines()
        self.assertEqual(len(told), WRITERS * count)
        self.assert_all_there(told)
        with closing(sqlite3.connect(self.path)) as file:
            [(counter,)] = file.execute("SELECT counter + appended FROM book")
        self.assertEqual(
            counter, 1 + WRITERS * count, "each write raised one of the two counters once"
        )

    def test_a_program_that_is_killed_loses_nothing_that_it_had_answered(self) -> None:
        chance = random.Random(7)
        told: list[str] = []
        for number in range(tries(40)):
            writer = self.writer(number, 10_000)
            assert writer.stdout is not None
            told.append(writer.stdout.readline().strip())
            time.sleep(chance.uniform(0, 0.3))
            writer.kill()
            told += [line for line in writer.stdout.read().splitlines() if line.count(" ")][:-1]
            writer.communicate()
        self.assertGreater(len(told), 10)
        self.assert_all_there(told)


if __name__ == "__main__":
    unittest.main()
