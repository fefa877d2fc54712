"""A client on a fresh demo kitchen for every test, and one application for all of them."""

import tempfile
import unittest
from datetime import datetime
from functools import cache
from pathlib import Path
from typing import Any
from urllib.parse import quote

from fastapi import FastAPI
from fastapi.testclient import TestClient
from httpx2 import Response

from tests.filled import demo_content, filled, now
from yellow_ladle.api.app import create_app
from yellow_ladle.api.open_kitchen import open_kitchen
from yellow_ladle.store.ledger import Ledger


@cache
def application() -> FastAPI:
    """The application, built once: its routes and schemas are the same for every test."""
    return create_app(None)


class ApiTest(unittest.TestCase):
    """`self.api` speaks to an application on demo data that is thrown away.

    The kitchen's clock is the machine's own unless a class sets `time`.
    """

    time: datetime | None = None

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "demo.sqlite"
        self.ledger = filled(demo_content(), self.path, lambda: self.time or now())
        self.addCleanup(self.ledger.close)
        self.open_kitchen()

    def open_kitchen(self) -> None:
        """Puts `self.ledger` behind the application, as it is after a start."""
        app = application()
        app.state.feed = None
        open_kitchen(app, self.ledger)
        self.api = TestClient(app, base_url="http://127.0.0.1")

    def get(self, path: str, **query: Any) -> Any:
        response = self.api.get(f"/api/v1{path}", params=query)
        self.assertEqual(response.status_code, 200, response.text)
        return response.json()

    def carried(self, id: str) -> dict[str, str]:
        """The level of every flag that a preparation carries, as its screen is told."""
        parts = self.get(f"/preparations/{id}")["carries"]["parts"]
        entries = [entry for part in parts for entry in part["entries"]]
        return {flag: entry["level"] for entry in entries for flag in entry["flags"]}

    def post(self, path: str, body: Any, status: int = 200, *, by: str | None = None) -> Any:
        """Posts a body, at a device where `by` has said who they are."""
        headers = {} if by is None else {"X-Person": quote(by)}
        response = self.api.post(f"/api/v1{path}", json=body, headers=headers)
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

    def put_tool(self, name: str, **rest: Any) -> None:
        """Writes a tool over whatever stands of it."""
        wanted = {"name": name, **rest}
        listed = [entry for entry in self.get("/tools") if entry["tool"]["name"] == name]
        seen = listed[0]["version"] if listed else None
        if listed:
            wanted["id"] = listed[0]["tool"]["id"]
        self.post("/tools", {"tool": wanted, "seen": seen})

    def rule_version(self, id: str) -> int | None:
        """The version of what is said of a rule; None where nothing is."""
        return self.ledger.now.setting_versions.get(f"rule/{id}")

    def switch(self, id: str, *, off: bool) -> None:
        """Switches a rule off or on."""
        self.post(f"/rules/{id}/switch", {"off": off, "seen": self.rule_version(id)})

    def sign(self, pot: str, person: str) -> None:
        """Signs a pot off as it stands."""
        seen = self.get(f"/preparations/{pot}")["standing"]
        self.post(f"/preparations/{pot}/sign-off", {"seen": seen}, by=person)

    def statement(self, item: str, flag: str, level: str | None, **rest: Any) -> dict[str, Any]:
        return {"change": "statement", "item": item, "flag": flag, "level": level, **rest}
