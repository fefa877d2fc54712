"""A client on a fresh demo kitchen for every test."""

import tempfile
import unittest
from pathlib import Path
from typing import Any

from fastapi.testclient import TestClient
from httpx2 import Response

from tests.filled import filled
from yellow_ladle.api.app import create_app
from yellow_ladle.demo.kitchen import demo_book
from yellow_ladle.files.book_file import write_book
from yellow_ladle.store.ledger import Ledger


class ApiTest(unittest.TestCase):
    """`self.api` speaks to an application on demo data that is thrown away."""

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "demo.sqlite"
        self.ledger = filled(write_book(demo_book()), self.path)
        self.addCleanup(self.ledger.close)
        self.api = TestClient(create_app(self.ledger), base_url="http://127.0.0.1")

    def get(self, path: str, **query: Any) -> Any:
        response = self.api.get(f"/api/v1{path}", params=query)
        self.assertEqual(response.status_code, 200, response.text)
        return response.json()

    def post(self, path: str, body: Any, status: int = 200) -> Any:
        response = self.api.post(f"/api/v1{path}", json=body)
        self.assertEqual(response.status_code, status, response.text)
        if status >= 400:
            self.is_problem(response)
        return response.json()

    def is_problem(self, response: Response) -> None:
        self.assertEqual(response.headers["content-type"], "application/problem+json")
        problem = response.json()
        self.assertEqual(problem["status"], response.status_code)
        self.assertTrue(problem["title"] and problem["detail"])

    def reopened(self) -> Ledger:
        """What the file itself holds."""
        ledger = Ledger.open(self.path)
        self.addCleanup(ledger.close)
        return ledger

    def statement(self, item: str, flag: str, level: str | None, **rest: Any) -> dict[str, Any]:
        return {"change": "statement", "item": item, "flag": flag, "level": level, **rest}
