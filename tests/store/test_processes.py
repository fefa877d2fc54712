"""Real processes on one kitchen's file: one serves it, and commands go through that one."""

import json
import os
import re
import resource
import signal
import socket
import sqlite3
import ssl
import subprocess
import sys
import tempfile
import unittest
import urllib.error
import urllib.request
from contextlib import closing, suppress
from hashlib import sha256
from pathlib import Path
from typing import Any

from tests.effort import thorough
from tests.filled import demo_content

ROOT = Path(__file__).resolve().parents[2]
WAIT = 30


class ProcessTest(unittest.TestCase):
    """`self.book` is a file with the demo kitchen, `self.folder` where it is."""

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.book = self.folder / "kitchen.sqlite"
        self.book_file = self.folder / "demo.book.json"
        self.book_file.write_bytes(demo_content())
        self.ladle("import", str(self.book_file))

    def command(self, *words: str, book: Path | None = None) -> list[str]:
        return [sys.executable, "-m", "yellow_ladle", *words, "--book", str(book or self.book)]

    def ladle(self, *words: str, code: int = 0) -> str:
        """What a command prints, as it ends."""
        done = subprocess.run(
            self.command(*words), cwd=ROOT, capture_output=True, text=True, timeout=120
        )
        self.assertEqual(done.returncode, code, done.stdout + done.stderr)
        self.assertNotIn("Traceback", done.stderr)
        return done.stdout + done.stderr

    def serve(self, book: Path | None = None) -> "subprocess.Popen[str]":
        """A server on a file, once it answers."""
        server = subprocess.Popen(
            self.command("serve", "--port", "8900", book=book),
            cwd=ROOT,
            stdout=subprocess.PIPE,
            stderr=subprocess.STDOUT,
            text=True,
        )
        self.addCleanup(self.end, server)
        assert server.stdout is not None
        for line in server.stdout:
            if found := re.search(r"(http://127\.0\.0\.1:\d+)", line):
                self.address = found[1]
                return server
        self.fail("the server ended before it answered")
        return None

    def end(self, server: "subprocess.Popen[str]") -> None:
        if server.poll() is None:
            server.kill()
            server.wait(WAIT)
        if server.stdout is not None:
            server.stdout.close()

    def get(self, path: str) -> Any:
        with urllib.request.urlopen(f"{self.address}/api/v1{path}", timeout=WAIT) as answer:
            return json.loads(answer.read())

    def post(self, path: str, body: Any) -> Any:
        content = json.dumps(body).encode()
        asked = urllib.request.Request(
            f"{self.address}/api/v1{path}", content, {"Content-Type": "application/json"}
        )
        with urllib.request.urlopen(asked, timeout=WAIT) as answer:
            return json.loads(answer.read())

    def state(self, product: str, flag: str) -> None:
        """Records over the running server that a product contains something."""
        seen = self.get(f"/products/{product}")["version"]
        change = {"change": "statement", "item": product, "flag": flag, "level": "contains"}
        self.post("/changes", {"change": change, "seen": seen})

    def flags(self, product: str) -> dict[str, str]:
        flags: dict[str, str] = self.get(f"/products/{product}")["flags"]
        return flags


class OneServes(ProcessTest):
    def test_a_second_server_is_refused_and_told_where_the_first_answers(self) -> None:
        self.serve()
        told = self.ladle("serve", "--port", "8900", code=2)
        self.assertIn(self.address, told)
        self.assertIn("Nothing was changed", told)
        other = self.folder / "other.sqlite"
        first = self.address
        self.serve(other)
        self.assertNotEqual(self.address, first)
        self.assertEqual(self.get("/family")["strips"], [])

    @thorough
    def test_the_lock_is_free_however_the_server_ended(self) -> None:
        for ended_by in (signal.SIGKILL, signal.SIGTERM, signal.SIGINT):
            server = self.serve()
            server.send_signal(ended_by)
            self.assertEqual(server.wait(WAIT), -9 if ended_by is signal.SIGKILL else 0)
            self.end(server)
        self.serve()

    @thorough
    def test_it_ends_at_once_while_a_page_listens(self) -> None:
        server = self.serve()
        with urllib.request.urlopen(f"{self.address}/api/v1/events", timeout=WAIT) as stream:
            self.assertEqual(stream.readline(), b"event: standing\n")
            standing = json.loads(stream.readline().removeprefix(b"data: "))
            stream.readline()
            self.state("butter", "soy")
            self.assertEqual(stream.readline(), b"event: written\n")
            written = json.loads(stream.readline().removeprefix(b"data: "))
            self.assertEqual(written["counter"], standing["counter"] + 1)
            self.assertEqual((written["reaches"], written["touched"]), ("book", ["butter"]))
            self.assertIn("soy contains", written["told"])
            server.terminate()
            self.assertEqual(server.wait(WAIT), 0)
            self.assertEqual(stream.read().strip(), b"")

    @thorough
    def test_an_import_goes_through_the_running_server(self) -> None:
        self.serve()
        self.assertTrue(self.get("/family")["strips"])
        small = self.folder / "small.book.json"
        small.write_text(
            json.dumps(
                {
                    "format": "yellow-ladle-book",
                    "version": 1,
                    "kitchen": {"name": "Small", "regime": "us-9"},
                }
            )
        )
        told = self.ladle("import", str(small), code=2)
        self.assertIn("already holds a kitchen", told)
        told = self.ladle("import", str(small), "--replace")
        self.assertIn("Gone, and kept in the history", told)
        self.assertEqual(self.get("/kitchen")["name"], "Small")
        self.assertEqual(self.get("/family")["strips"], [])
        [backup] = (self.folder / "kitchen.sqlite.backups").glob("*-before-import.sqlite")
        with closing(sqlite3.connect(backup)) as kept:
            [(count,)] = kept.execute("SELECT count(*) FROM document WHERE kind = 'preparation'")
        self.assertGreater(count, 40)

    def test_a_backup_and_a_restore_go_through_the_running_server(self) -> None:
        self.serve()
        copy = self.folder / "copy.sqlite"
        self.assertIn("verified", self.ladle("backup", str(copy)))
        self.state("butter", "soy")
        self.assertEqual(self.flags("butter")["soy"], "contains")
        told = self.ladle("restore", str(copy))
        self.assertIn("What was there", told)
        self.assertNotEqual(self.flags("butter").get("soy"), "contains")
        self.state("butter", "mustard")
        [kept] = self.folder.glob("*.before-restore.sqlite")
        with closing(sqlite3.connect(kept)) as was:
            [(soy,)] = was.execute(
                "SELECT json_extract(content, '$.statements.soy') FROM document WHERE id = 'butter'"
            )
        self.assertEqual(soy, "contains")

    @thorough
    def test_verify_tells_of_the_file_its_pictures_and_the_newest_backup(self) -> None:
        told = self.ladle("verify")
        self.assertIn("is sound", told)
        self.assertIn("There is no backup", told)
        self.ladle("import", str(self.book_file), "--replace")
        told = self.ladle("verify")
        self.assertIn("The newest backup", told)
        self.assertIn("Every one of 1 changes in the history can be read", told)
        pictures = self.folder / "kitchen.sqlite.photos"
        pictures.mkdir()
        (pictures / "butter.webp").write_bytes(b"not a picture")
        self.assertIn("is damaged", self.ladle("verify", code=2))

    @thorough
    def test_files_and_folders_are_for_their_owner_alone(self) -> None:
        deep = self.folder / "deep" / "kitchen.sqlite"
        done = subprocess.run(
            self.command("import", str(self.book_file), book=deep), cwd=ROOT, capture_output=True
        )
        self.assertEqual(done.returncode, 0, done.stderr)
        for path in (deep.parent, *deep.parent.iterdir()):
            self.assertEqual(path.stat().st_mode & 0o077, 0, path)


class OtherMachines(ProcessTest):
    """A kitchen that listens on every address of the machine."""

    def test_without_a_passphrase_nothing_is_started(self) -> None:
        told = self.ladle("serve", "--host", "0.0.0.0", code=2)
        self.assertIn("--passphrase", told)
        self.assertIn("Nothing was started", told)

    @thorough
    def test_with_one_and_tls_a_device_is_let_in_and_the_fingerprint_is_told(self) -> None:
        words = ("serve", "--host", "0.0.0.0", "--port", "8940", "--passphrase", "--tls")
        server = subprocess.Popen(
            self.command(*words),
            cwd=ROOT,
            stdout=subprocess.PIPE,
            stderr=subprocess.STDOUT,
            text=True,
            env={**os.environ, "YELLOW_LADLE_PASSPHRASE": "boil the kettle"},
        )
        self.addCleanup(self.end, server)
        assert server.stdout is not None
        told = ""
        while not (found := re.search(r"^(?:[0-9A-F]{2}:){31}[0-9A-F]{2}$", told, re.M)):
            line = server.stdout.readline()
            self.assertTrue(line, told)
            told += line
        port = re.search(r"https://0\.0\.0\.0:(\d+)", told)
        assert port is not None
        trusted = ssl.create_default_context(
            cafile=str(self.folder / "kitchen.sqlite.tls" / "certificate.pem")
        )
        held = ssl.PEM_cert_to_DER_cert(
            (self.folder / "kitchen.sqlite.tls" / "certificate.pem").read_text()
        )
        self.assertEqual(found[0].replace(":", "").lower(), sha256(held).hexdigest())
        address = f"https://localhost:{port[1]}"
        with self.assertRaises(urllib.error.HTTPError) as refused:
            urllib.request.urlopen(f"{address}/api/v1/kitchen", timeout=WAIT, context=trusted)
        self.assertEqual(refused.exception.code, 401)
        refused.exception.close()
        jar = urllib.request.HTTPCookieProcessor()
        browser = urllib.request.build_opener(jar, urllib.request.HTTPSHandler(context=trusted))
        browser.open(f"{address}/door", b"passphrase=boil+the+kettle", timeout=WAIT).close()
        with browser.open(f"{address}/api/v1/kitchen", timeout=WAIT) as answer:
            kitchen = json.loads(answer.read())
        self.assertFalse(kitchen["in_the_clear"])
        [cookie] = jar.cookiejar
        self.assertTrue(cookie.secure)


class Crowds(ProcessTest):
    """Connections that ask for nothing."""

    def half_open(self, number: int) -> list[socket.socket]:
        port = int(self.address.rpartition(":")[2])
        found = []
        for _ in range(number):
            opened = socket.create_connection(("127.0.0.1", port), WAIT)
            self.addCleanup(opened.close)
            opened.sendall(b"GET /api/v1/kitchen HTTP/1.1\r\nHost: ")
            found.append(opened)
        return found

    @thorough
    def test_hundreds_of_half_open_ones_keep_nobody_out(self) -> None:
        # More than the files that a process may have open on many machines.
        limits = resource.getrlimit(resource.RLIMIT_NOFILE)
        self.addCleanup(resource.setrlimit, resource.RLIMIT_NOFILE, limits)
        resource.setrlimit(resource.RLIMIT_NOFILE, (1_024, limits[1]))
        server = self.serve()
        resource.setrlimit(resource.RLIMIT_NOFILE, (min(4_096, limits[1]), limits[1]))
        port = int(self.address.rpartition(":")[2])
        with urllib.request.urlopen(f"{self.address}/api/v1/events", timeout=WAIT) as stream:
            self.assertEqual(stream.readline(), b"event: standing\n")
            self.half_open(1_100)
            self.assertEqual(self.get("/kitchen")["name"], "Skerrow Light")
            self.state("butter", "soy")
            while not (line := stream.readline()).startswith(b"event: written"):
                self.assertTrue(line, "the page that listened was dropped")
        for _ in range(300):
            with socket.create_connection(("127.0.0.1", port), WAIT) as opened:
                opened.sendall(b"\x00\x01\r\n\r\n")
        server.terminate()
        self.assertEqual(server.wait(WAIT), 0)
        assert server.stdout is not None
        self.assertLess(len(server.stdout.read()), 5_000)

    @thorough
    def test_one_that_never_finishes_its_request_is_dropped(self) -> None:
        self.serve()
        [slow] = self.half_open(1)
        slow.settimeout(WAIT)
        with suppress(ConnectionResetError):
            self.assertEqual(slow.recv(100), b"")


class Faults(ProcessTest):
    """Everyday faults of a machine, each told in a sentence."""

    def test_no_such_address_and_a_port_that_is_not_for_everybody(self) -> None:
        os.environ["YELLOW_LADLE_PASSPHRASE"] = "boil the kettle"
        self.addCleanup(os.environ.pop, "YELLOW_LADLE_PASSPHRASE")
        told = self.ladle("serve", "--host", "192.0.2.1", "--passphrase", code=2)
        self.assertIn("no such address", told)

    def test_a_full_disk_is_told_and_what_was_recorded_stays(self) -> None:
        # A limit on the size of files stands in for a disk that is full.
        limit = self.book.stat().st_size + 40_000
        limited = f"import resource; resource.setrlimit(resource.RLIMIT_FSIZE, ({limit}, {limit}))"
        program = f"{limited}; from yellow_ladle.cli import main; main()"
        server = subprocess.Popen(
            [sys.executable, "-c", program, "serve", "--port", "8900", "--book", str(self.book)],
            cwd=ROOT,
            stdout=subprocess.PIPE,
            stderr=subprocess.STDOUT,
            text=True,
        )
        self.addCleanup(self.end, server)
        assert server.stdout is not None
        for line in server.stdout:
            if found := re.search(r"(http://127\.0\.0\.1:\d+)", line):
                self.address = found[1]
                break
        stated, refused = 0, None
        flags = [flag["id"] for flag in self.get("/kitchen")["flags"]]
        for product in ("butter", "plain-flour", "oatmeal", "stock-powder"):
            for flag in flags:
                try:
                    self.state(product, flag)
                    stated += 1
                except urllib.error.HTTPError as error:
                    refused = (error.code, json.loads(error.read())["detail"])
                    error.close()
                    break
            if refused:
                break
        self.assertGreater(stated, 0)
        assert refused is not None
        self.assertEqual(refused[0], 507)
        self.assertIn("The disk is full", refused[1])
        self.assertEqual(len(self.get("/history?most=1000")), stated)
        self.end(server)
        self.serve()
        self.assertEqual(len(self.get("/history?most=1000")), stated)
        self.state("butter", "lupin")

    def test_a_folder_that_may_not_be_written_is_told(self) -> None:
        if os.geteuid() == 0:
            self.skipTest("whoever may write everywhere cannot be kept out of a folder")
        self.folder.chmod(0o500)
        self.addCleanup(self.folder.chmod, 0o700)
        told = self.ladle("serve", code=2)
        self.assertIn("may not be written", told)


class Damage(ProcessTest):
    def test_a_damaged_file_is_told_in_a_sentence_with_the_newest_backup(self) -> None:
        self.ladle("import", str(self.book_file), "--replace")
        size = self.book.stat().st_size
        with self.book.open("r+b") as file:
            for at in range(4096, size, 4096):
                file.seek(at + 100)
                file.write(os.urandom(800))
        told = self.ladle("serve", code=2)
        self.assertIn("is damaged", told)
        found = re.search(r"ladle restore (\S+) --book", told)
        assert found is not None
        self.assertIn("Restored", self.ladle("restore", found[1]))
        self.serve()
        self.assertTrue(self.get("/family")["strips"])

    @thorough
    def test_a_foreign_or_newer_file_is_told_in_a_sentence_and_not_touched(self) -> None:
        foreign = self.folder / "foreign.sqlite"
        with closing(sqlite3.connect(foreign)) as other:
            other.execute("CREATE TABLE songs (title TEXT)")
        text = self.folder / "text.sqlite"
        text.write_text("to whom it may concern " * 40)
        newer = self.folder / "newer.sqlite"
        newer.write_bytes(self.book.read_bytes())
        with closing(sqlite3.connect(newer)) as other:
            other.execute("UPDATE alembic_version SET version_num = '9999'")
            other.commit()
        for path, word in (
            (foreign, "a database of something else"),
            (text, "another kind of file"),
            (newer, "written by a newer version"),
        ):
            before = path.read_bytes()
            for words in (("serve",), ("import", str(self.book_file), "--replace")):
                done = subprocess.run(
                    self.command(*words, book=path), cwd=ROOT, capture_output=True, text=True
                )
                self.assertEqual(done.returncode, 2, done.stderr)
                self.assertIn(word, done.stderr)
                self.assertNotIn("Traceback", done.stderr)
            self.assertEqual(path.read_bytes(), before)

    def test_a_loop_written_into_the_file_is_told_and_hangs_nothing(self) -> None:
        with closing(sqlite3.connect(self.book)) as file:
            [(held,)] = file.execute(
                "SELECT content FROM document WHERE kind || id = 'preparationwhite-roux'"
            )
            content = json.loads(held)
            content["lines"][0]["item"] = "milk-sauce"
            file.execute(
                "UPDATE document SET content = ? WHERE kind || id = 'preparationwhite-roux'",
                [json.dumps(content)],
            )
            file.commit()
        told = self.ladle("serve", code=2)
        self.assertIn("cannot stand", told)
        self.assertIn("milk-sauce → white-roux → milk-sauce", told)


if __name__ == "__main__":
    unittest.main()
