"""What every answer bears, and who may ask what of whom."""

import json
from datetime import UTC, datetime, timedelta
from time import monotonic
from unittest.mock import patch

from fastapi.testclient import TestClient
from httpx2 import Response

from tests.api.client import ApiTest
from yellow_ladle.api.app import create_app
from yellow_ladle.api.door import MAX_BODY
from yellow_ladle.server.run import names_of
from yellow_ladle.store.file.backup_schedule import Backups
from yellow_ladle.store.file.file_faults import DiskFull
from yellow_ladle.store.file.passphrase import TRIES, Passphrase, TooShort, file_of


class Answers(ApiTest):
    def test_every_answer_has_the_security_headers_errors_included(self) -> None:
        for method, path in (
            ("GET", "/api/v1/kitchen"),
            ("GET", "/api/v1/preparations/nothing"),
            ("GET", "/api/nothing"),
            ("POST", "/api/v1/changes"),
            ("PATCH", "/api/v1/kitchen"),
            ("HEAD", "/api/v1/kitchen"),
            ("GET", "/"),
        ):
            with self.subTest(path=path):
                headers = self.api.request(method, path).headers
                self.assertIn("default-src 'none'", headers["content-security-policy"])
                self.assertEqual(headers["x-content-type-options"], "nosniff")

    def test_head_answers_as_get_without_a_body(self) -> None:
        for path in ("/api/v1/kitchen", "/api/v1/family"):
            asked = self.api.head(path)
            self.assertEqual((asked.status_code, asked.content), (200, b""))
        self.assertEqual(self.api.head("/api/v1/preparations/nothing").status_code, 404)

    def test_an_unknown_address_of_the_api_is_a_problem_and_no_page(self) -> None:
        for method in ("GET", "POST", "PUT", "DELETE"):
            response = self.api.request(method, "/api/v1/nothing/at/all")
            self.assertEqual(response.status_code, 404)
            self.is_problem(response)


class Unreadable(ApiTest):
    """Bodies that are no JSON, or that nobody would nest so deep."""

    def test_it_is_told_in_words_whatever_it_is(self) -> None:
        deep = [piece * 5_000 for piece in ("[", '{"a":', '[{"a":')]
        whole = ["[" * 5_000 + "]" * 5_000, '{"a":' * 5_000 + "1" + "}" * 5_000]
        for body in (*deep, *whole, "nonsense", "\x00", "[1,"):
            response = self.api.post(
                "/api/v1/changes", content=body, headers={"Content-Type": "application/json"}
            )
            self.assertIn(response.status_code, (400, 422), body[:20])
            self.assertIn("Nothing was changed.", response.json()["detail"], body[:20])


class Health(ApiTest):
    def test_it_tells_of_the_file_and_its_backups(self) -> None:
        found = self.get("/health")
        self.assertEqual((found["counter"], found["worry"]), (self.ledger.now.counter, ""))
        backups = Backups(self.path)
        backups.make(datetime.now(UTC), "night")
        self.assertTrue(self.get("/health")["backups"]["last"])
        with patch("yellow_ladle.store.file.backup_schedule.copy_store", side_effect=DiskFull()):
            self.assertIsNone(backups.make(datetime.now(UTC) + timedelta(minutes=1), "night"))
        self.assertIn("The disk is full", self.get("/health")["worry"])
        backups.make(datetime.now(UTC) - timedelta(days=5), "night")
        self.assertIn("5 days old", self.get("/health")["worry"])


class Clock(ApiTest):
    """A clock that stops, jumps ahead and is set back."""

    time = datetime(2026, 11, 24, 12, tzinfo=UTC)

    def state(self, level: str) -> str:
        seen = self.ledger.now.versions["butter"]
        self.post("/changes", {"change": self.statement("butter", "soy", level), "seen": seen})
        return str(self.get("/history", item="butter")[0]["at"])

    def test_one_that_goes_back_is_told_and_the_history_does_not(self) -> None:
        right = self.state("contains")
        self.assertEqual(self.state("may_contain"), right, "it stands still")
        self.assertEqual(self.get("/health")["worry"], "")
        self.time += timedelta(days=400)
        ahead = self.state("contains")
        self.assertGreater(ahead, right)
        self.time -= timedelta(days=400)
        told = "clock says it is 2026-11-24, but something was recorded at 2027-12-29"
        self.assertIn(told, self.get("/health")["worry"])
        self.assertEqual(self.state("may_contain"), ahead)
        moments = [entry["at"] for entry in self.get("/history", item="butter")]
        self.assertEqual(moments, [ahead, ahead, right, right])

    def test_a_minute_is_nothing(self) -> None:
        self.state("contains")
        self.time -= timedelta(seconds=100)
        self.assertEqual(self.get("/health")["worry"], "")


class Logged(ApiTest):
    def test_a_line_about_every_request_names_no_guest_and_no_text(self) -> None:
        place = self.path.with_name("requests.log")
        api = TestClient(create_app(self.ledger, log=place), base_url="http://127.0.0.1")
        need = {"guest": "Ada Lovage", "clear": ["milk"]}
        api.post("/api/v1/needs", json={"need": need})
        api.get("/api/v1/preparations/veloute?secret=Ada")
        api.get("/api/v1/nothing/Ada")
        lines = [json.loads(line) for line in place.read_text().splitlines()]
        self.assertEqual([line["status"] for line in lines], [200, 200, 404])
        self.assertTrue(lines[1]["route"].endswith("/preparations/{id}"))
        for line in lines:
            self.assertGreaterEqual(line["ms"], 0)
            self.assertTrue(line["timestamp"].endswith("Z"))
        self.assertNotIn("Ada", place.read_text())


class Strangers(ApiTest):
    """Names and pages that are not the kitchen's own, on whatever address it listens."""

    def setUp(self) -> None:
        super().setUp()
        self.addCleanup(setattr, self, "api", self.api)
        app = create_app(self.ledger, names_of("0.0.0.0", ["kitchen.example"]))
        self.api = TestClient(app, base_url="http://kitchen.example:8750")
        seen = self.ledger.now.versions["butter"]
        change = {"change": "statement", "item": "butter", "flag": "milk", "level": "may_contain"}
        self.wanted = {"change": change, "seen": seen}

    def asked(self, **headers: str) -> int:
        named = {key.replace("_", "-"): value for key, value in headers.items()}
        response = self.api.post("/api/v1/changes", json=self.wanted, headers=named)
        if response.status_code >= 400:
            self.is_problem(response)
        return response.status_code

    def test_it_answers_by_its_own_names_only(self) -> None:
        for host in ("127.0.0.1:8750", "localhost", "[::1]:8750", "KITCHEN.example", "0.0.0.0"):
            response = self.api.get("/api/v1/kitchen", headers={"host": host})
            self.assertEqual(response.status_code, 200, host)
        for host in ("evil.example", "evil.example:8750", "kitchen.example.evil", "", "[::2]:1"):
            for method, path in (("GET", "/api/v1/kitchen"), ("GET", "/"), ("POST", "/api/x")):
                response = self.api.request(method, path, headers={"host": host})
                self.assertEqual(response.status_code, 421, host)
                self.is_problem(response)

    def test_a_foreign_page_writes_nothing(self) -> None:
        before = self.ledger.now.counter
        self.assertEqual(self.asked(origin="http://evil.example"), 403)
        self.assertEqual(self.asked(origin="null"), 403)
        self.assertEqual(self.asked(origin="http://kitchen.example:9000"), 403)
        self.assertEqual(self.asked(sec_fetch_site="cross-site"), 403)
        self.assertEqual(self.asked(sec_fetch_site="same-site"), 403)
        rebound = {"host": "evil.example:8750", "origin": "http://evil.example:8750"}
        self.assertEqual(self.asked(**rebound), 421)
        for path in ("/api/v1/needs", "/api/v1/tools", "/api/v1/plans/apply"):
            stranger = {"origin": "http://evil.example"}
            response = self.api.post(path, json={}, headers=stranger)
            self.assertEqual(response.status_code, 403)
        self.assertEqual(self.ledger.now.counter, before)

    def test_its_own_page_and_no_page_at_all_may_write(self) -> None:
        own = {"origin": "http://kitchen.example:8750", "sec_fetch_site": "same-origin"}
        self.assertEqual(self.asked(**own), 200)
        self.wanted["seen"] = self.ledger.now.versions["butter"]
        self.assertEqual(self.asked(), 200)

    def test_a_body_without_end_is_refused_with_or_without_its_length(self) -> None:
        told = self.api.post("/api/v1/changes", content=b" " * (MAX_BODY + 1))
        self.assertEqual(told.status_code, 413)
        self.is_problem(told)
        pieces = (b" " * 1_000_000 for _ in range(MAX_BODY // 1_000_000 + 2))
        untold = self.api.post("/api/v1/changes", content=pieces)
        self.assertEqual(untold.status_code, 413)
        self.assertEqual(self.asked(), 200)


class Devices(ApiTest):
    """A kitchen that other machines reach: each device gives the passphrase once."""

    def setUp(self) -> None:
        super().setUp()
        self.addCleanup(setattr, self, "api", self.api)
        self.passphrase = Passphrase.of(self.path, "boil the kettle")
        self.api = self.device(self.passphrase)

    def device(self, passphrase: Passphrase) -> TestClient:
        app = create_app(self.ledger, ["kitchen.example"], passphrase=passphrase)
        return TestClient(app, base_url="http://kitchen.example", follow_redirects=False)

    def give(self, words: str) -> Response:
        return self.api.post("/door", data={"passphrase": words})

    def test_nothing_is_answered_before_it_is_given(self) -> None:
        for path in ("/api/v1/kitchen", "/api/v1/events", "/api/v1/products/butter/photo"):
            response = self.api.get(path)
            self.assertEqual(response.status_code, 401)
            self.is_problem(response)
        for path in ("/", "/pots/veloute", "/assets/index.js", "/door"):
            page = self.api.get(path)
            self.assertEqual(page.status_code, 401)
            self.assertIn("passphrase", page.text)
            self.assertNotIn("Skerrow", page.text)
        self.assertEqual(self.api.get("/door.css").status_code, 200)
        self.assertEqual(self.api.post("/api/v1/changes", json={}).status_code, 401)

    def test_given_once_the_device_is_known_and_no_script_reads_its_cookie(self) -> None:
        self.assertIn("not the kitchen's passphrase", self.give("boil the egg").text)
        answer = self.give("boil the kettle")
        self.assertEqual((answer.status_code, answer.headers["location"]), (303, "/"))
        cookie = answer.headers["set-cookie"].lower()
        for word in ("httponly", "samesite=strict", "path=/"):
            self.assertIn(word, cookie)
        self.assertEqual(self.api.get("/api/v1/kitchen").status_code, 200)
        kept = dict(self.api.cookies)
        again = self.device(Passphrase.of(self.path, "boil the kettle"))
        again.cookies.update(kept)
        self.assertEqual(again.get("/api/v1/kitchen").status_code, 200, "after a restart")
        other = self.device(Passphrase.of(self.path, "another kettle"))
        other.cookies.update(kept)
        self.assertEqual(other.get("/api/v1/kitchen").status_code, 401, "after a new passphrase")

    def test_a_cookie_that_was_made_up_lets_nobody_in(self) -> None:
        self.give("boil the kettle")
        [(name, token)] = self.api.cookies.items()
        for forged in ("", ".", "a.b", token[:-1], f"x{token}", token.replace(".", "")):
            self.api.cookies.clear()
            self.api.cookies.set(name, forged)
            self.assertEqual(self.api.get("/api/v1/kitchen").status_code, 401, forged)

    def test_after_some_wrong_ones_even_the_right_one_has_to_wait(self) -> None:
        for _ in range(TRIES):
            self.assertEqual(self.give("guess").status_code, 401)
        waiting = self.give("boil the kettle")
        self.assertEqual(waiting.status_code, 429)
        self.assertIn("Wait", waiting.text)
        with patch("yellow_ladle.store.file.passphrase.monotonic", return_value=monotonic() + 61):
            self.assertEqual(self.give("boil the kettle").status_code, 303)

    def test_only_its_hash_is_kept_for_its_owner_alone(self) -> None:
        kept = file_of(self.path)
        self.assertNotIn("boil", kept.read_text())
        self.assertIn("argon2id", kept.read_text())
        self.assertEqual(kept.stat().st_mode & 0o077, 0)
        with self.assertRaises(TooShort):
            Passphrase.of(self.path, "short")
