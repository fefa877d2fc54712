"""The application as a web server: safety, compression, documentation, and its description."""

import json
import tempfile
from html.parser import HTMLParser
from pathlib import Path
from unittest import skipUnless

import schemathesis
from fastapi.testclient import TestClient
from hypothesis import HealthCheck, given
from schemathesis import Case
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import (
    content_type_conformance,
    response_schema_conformance,
    status_code_conformance,
)
from sqlalchemy import event, text
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from tests.api.client import ApiTest
from tests.effort import examples, sample
from tests.kitchens import book, pot, product
from yellow_ladle.api.app import CLIENT, create_app, openapi_document
from yellow_ladle.store.documents import load
from yellow_ladle.store.file.engine import open_engine
from yellow_ladle.store.ledger import Ledger

ROOT = Path(__file__).resolve().parents[2]
DESCRIBED = [
    not_a_server_error,
    status_code_conformance,
    content_type_conformance,
    response_schema_conformance,
]
BUILT = skipUnless(CLIENT.exists(), "the client is not built; ./ladle test builds it")


class Addresses(HTMLParser):
    """Every address that a page asks for."""

    def __init__(self) -> None:
        super().__init__()
        self.found: list[str] = []

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        del tag
        self.found += [value or "" for name, value in attrs if name in ("src", "href")]


@BUILT
class BuiltFiles(ApiTest):
    def test_they_are_kept_for_good_and_come_compressed(self) -> None:
        scripts = sorted((CLIENT / "assets").glob("*.js"))
        self.assertTrue(scripts)
        for script in scripts[:5]:
            address = f"/assets/{script.name}"
            plain = self.api.get(address, headers={"Accept-Encoding": "identity"})
            with self.api.stream("GET", address, headers={"Accept-Encoding": "br"}) as packed:
                raw = b"".join(packed.iter_raw())
            self.assertEqual(plain.content, script.read_bytes())
            self.assertEqual(packed.headers["content-encoding"], "br")
            self.assertEqual(packed.headers["content-type"], plain.headers["content-type"])
            self.assertEqual(raw, script.with_name(f"{script.name}.br").read_bytes())
            for reply in (plain, packed):
                self.assertIn("immutable", reply.headers["cache-control"])
        self.assertEqual(self.api.get("/assets/nothing.js").status_code, 404)
        self.assertNotIn("immutable", self.api.get("/").headers.get("cache-control", ""))


class Safety(ApiTest):
    def test_every_answer_carries_the_strict_policy(self) -> None:
        for path in ("/", "/api/v1/kitchen", "/api/v1/nothing", "/api/docs"):
            policy = self.api.get(path).headers["content-security-policy"]
            self.assertIn("default-src 'none'", policy)
            self.assertIn("script-src 'self';", policy)
            self.assertNotIn("unsafe", policy)
            self.assertNotIn("http", policy)

    def test_it_begins_over_a_full_book_and_an_empty_one(self) -> None:
        with tempfile.TemporaryDirectory() as folder:
            empty = Ledger.open(Path(folder) / "empty.sqlite")
            for ledger in (self.ledger, empty):
                with TestClient(create_app(ledger), base_url="http://127.0.0.1") as api:
                    self.assertEqual(api.get("/api/v1/family").status_code, 200)
            empty.close()

    def test_other_hosts_are_turned_away_where_the_machine_is_meant(self) -> None:
        local = TestClient(create_app(self.ledger, ["127.0.0.1"]), base_url="http://elsewhere")
        self.assertEqual(local.get("/api/v1/kitchen").status_code, 421)

    def test_errors_of_the_framework_are_problems_too(self) -> None:
        self.is_problem(self.api.get("/api/v1/nothing"))
        self.is_problem(self.api.put("/api/v1/kitchen"))
        self.is_problem(self.api.get("/api/v1/preparations/nothing"))
        self.is_problem(self.api.get("/api/v1/products", params={"size": 100_000}))
        self.is_problem(self.api.post("/api/v1/preview", content=b"{"))

    def test_what_nobody_foresaw_is_told_without_a_trace(self) -> None:
        app = create_app(self.ledger)
        app.state.ledger = None
        client = TestClient(app, raise_server_exceptions=False)
        response = client.get("/api/v1/kitchen")
        self.assertEqual(response.status_code, 500)
        self.assertNotIn("Traceback", response.text)
        self.assertIn("is kept", response.json()["detail"])

    def test_no_file_outside_the_client_is_served(self) -> None:
        for path in ("/..%2f..%2fpyproject.toml", "/%2e%2e/pyproject.toml"):
            self.assertNotIn("requires-python", self.api.get(path).text)


@BUILT
class Pages(ApiTest):
    def test_nothing_is_asked_of_anywhere_else(self) -> None:
        for path in ("/", "/pots/veloute", "/api/docs"):
            response = self.api.get(path)
            self.assertEqual(response.status_code, 200)
            addresses = Addresses()
            addresses.feed(response.text)
            self.assertTrue(addresses.found)
            for address in addresses.found:
                self.assertTrue(address.startswith("/"), address)
                self.assertEqual(self.api.get(address).status_code, 200, address)

    def test_pages_are_compressed(self) -> None:
        response = self.api.get("/api/v1/family", headers={"Accept-Encoding": "gzip"})
        self.assertEqual(response.headers["content-encoding"], "gzip")


class Description(ApiTest):
    def test_the_clients_types_are_made_from_this_very_api(self) -> None:
        kept = json.loads((ROOT / "web/openapi.json").read_text("utf-8"))
        self.assertEqual(kept, json.loads(json.dumps(openapi_document())))

    def test_it_holds_examples_and_problem_details(self) -> None:
        document = openapi_document()
        self.assertIn("example", document["components"]["schemas"]["RecordIn"])
        responses = document["paths"]["/api/v1/changes"]["post"]["responses"]
        for status in ("404", "409", "422"):
            self.assertIn("application/problem+json", responses[status]["content"])

    def test_whatever_is_sent_the_answer_is_as_described(self) -> None:
        schema = schemathesis.openapi.from_asgi("/api/v1/openapi.json", create_app(self.ledger))
        for result in sample([*schema.get_all_operations()]):
            operation = result.ok()

            @examples(100, suppress_health_check=list(HealthCheck))
            @given(case=operation.as_strategy())
            def check(case: Case) -> None:
                case.call_and_validate(checks=DESCRIBED)

            check()


class Store(ApiTest):
    def test_write_ahead_log_and_foreign_keys(self) -> None:
        engine = open_engine(self.path)
        self.addCleanup(engine.dispose)
        with Session(engine) as session:
            self.assertEqual(session.scalar(text("PRAGMA journal_mode")), "wal")
            self.assertEqual(session.scalar(text("PRAGMA foreign_keys")), 1)
            again = text("INSERT INTO document SELECT * FROM document LIMIT 1")
            with self.assertRaises(IntegrityError):
                session.execute(again)

    def test_a_larger_book_needs_no_more_queries_to_open(self) -> None:
        def queries(ledger: Ledger) -> int:
            count = 0

            def counted(*_: object) -> None:
                nonlocal count
                count += 1

            engine = open_engine(ledger.path)
            self.addCleanup(engine.dispose)
            event.listen(engine, "before_cursor_execute", counted)
            with Session(engine) as session:
                load(session, "2026-11-25")
            return count

        small = book(product("salt"), pot("brine", "salt", by="foam"))
        with tempfile.TemporaryDirectory() as folder:
            other = Ledger.open(Path(folder) / "small.sqlite")
            self.addCleanup(other.close)
            other.replace_book(small)
            self.assertLessEqual(queries(self.ledger), queries(other))

    def test_the_migrations_make_just_what_the_tables_say(self) -> None:
        from alembic.autogenerate import compare_metadata
        from alembic.migration import MigrationContext

        from yellow_ladle.store.tables import Base

        engine = open_engine(self.path)
        self.addCleanup(engine.dispose)
        with engine.connect() as connection:
            context = MigrationContext.configure(connection)
            self.assertEqual(compare_metadata(context, Base.metadata), [])

    def test_a_failed_write_leaves_the_file_and_the_reading_as_they_were(self) -> None:
        from unittest.mock import patch

        before = self.ledger.now
        body = {"change": self.statement("milk", "soy", "contains"), "seen": 1}
        client = TestClient(create_app(self.ledger), raise_server_exceptions=False)
        with patch("yellow_ladle.store.ledger.write", side_effect=OSError("disk full")):
            response = client.post("/api/v1/changes", json=body)
        self.assertEqual(response.status_code, 500)
        self.assertIs(self.ledger.now, before)
        self.assertEqual(self.reopened().now.versions["milk"], 1)
