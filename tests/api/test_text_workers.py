"""Reading of somebody's text has an end, and holds up nobody else."""

import asyncio
import math
import os
import time
import unittest

from tests.api.client import ApiTest
from yellow_ladle.api.text_workers import MAX_HERE, TextTooSlow, TextWorkers
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.labels.label_reading import MAX_LABEL

LONG = MAX_HERE + 1


def refuse() -> None:
    """Refuses a text, as readers do."""
    raise BookRefused([Fault("here", "it cannot stand")])


class Workers(unittest.IsolatedAsyncioTestCase):
    def setUp(self) -> None:
        self.workers = TextWorkers(seconds=1.0)
        self.addCleanup(self.workers.stop)

    async def test_what_has_no_end_is_ended_and_the_next_text_is_read(self) -> None:
        with self.assertRaisesRegex(TextTooSlow, "Nothing of it was kept"):
            await self.workers.run(LONG, time.sleep, 600)
        self.assertEqual(await self.workers.run(LONG, math.sqrt, 9.0), 3.0)

    async def test_it_runs_elsewhere_and_others_go_on(self) -> None:
        self.assertEqual(await self.workers.run(MAX_HERE, os.getpid), os.getpid())
        self.assertNotEqual(await self.workers.run(LONG, os.getpid), os.getpid())
        slow = asyncio.ensure_future(self.workers.run(LONG, time.sleep, 600))
        self.assertEqual(await self.workers.run(LONG, math.sqrt, 4.0), 2.0)
        self.assertFalse(slow.done())
        with self.assertRaises(TextTooSlow):
            await slow

    async def test_a_process_that_dies_is_told_and_replaced(self) -> None:
        with self.assertRaises(TextTooSlow):
            await self.workers.run(LONG, os._exit, 1)
        self.assertEqual(await self.workers.run(LONG, math.sqrt, 9.0), 3.0)

    async def test_a_refusal_comes_back_with_its_faults(self) -> None:
        with self.assertRaises(BookRefused) as refused:
            await self.workers.run(LONG, refuse)
        self.assertEqual(refused.exception.faults, (Fault("here", "it cannot stand"),))


class Answers(ApiTest):
    def test_a_long_text_is_read_as_a_short_one_is(self) -> None:
        label = "Sugar, whey powder (MILK), salt. " * 100
        found = self.post("/labels/read", {"text": label})
        self.assertEqual([made["flag"] for made in found["proposals"] if made["because"]], ["milk"])
        recipes = "".join(f"Soup {n}\n\n100 g leek\n\nBoil it.\n\n\n" for n in range(90))
        answer = self.api.post("/api/v1/recipes/review", content=recipes.encode())
        self.assertEqual(len(answer.json()), 90)

    def test_the_label_of_a_jar_is_read_there_too(self) -> None:
        workers = self.api.app.state.text_workers
        self.addCleanup(setattr, self.api.app.state, "text_workers", workers)
        jar = {"id": "long", "name": "Long", "label": "wheat, " * (MAX_LABEL // 7)}
        change = {"change": {"change": "product", "product": jar}}
        slow = self.api.app.state.text_workers = TextWorkers(seconds=0.05)
        self.addCleanup(slow.stop)
        for path in ("/preview", "/changes"):
            self.assertIn("could not be read", self.post(path, change, 422)["detail"])
        why = {"kind": "label", "date": "2026-12-01", "person": "MK"}
        jar |= {"label": "Sugar, whey powder (MILK). " * 100, "otherwise": "free"}
        jar |= {"evidence": {"otherwise": why}}
        self.api.app.state.text_workers = workers
        refused = self.post("/changes", change, 422)
        self.assertIn("cannot be free of milk", refused["detail"])

    def test_one_that_takes_too_long_is_answered_in_a_sentence(self) -> None:
        workers = self.api.app.state.text_workers
        self.api.app.state.text_workers = TextWorkers(seconds=0.05)
        self.addCleanup(self.api.app.state.text_workers.stop)
        self.addCleanup(setattr, self.api.app.state, "text_workers", workers)
        refused = self.post("/labels/read", {"text": "wheat, " * (MAX_LABEL // 7)}, 422)
        self.assertIn("could not be read within 0.05 seconds", refused["detail"])
        self.assertEqual(self.get("/kitchen")["name"], "Skerrow Light")


if __name__ == "__main__":
    unittest.main()
