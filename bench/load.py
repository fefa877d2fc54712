"""Fifty clients on one kitchen: how long reads and writes take, and against a bare route."""

import json
import random
import re
import subprocess
import sys
import tempfile
from collections import Counter
from http.client import HTTPConnection
from pathlib import Path
from threading import Thread
from time import perf_counter, sleep
from typing import Any

from yellow_ladle.demo.kitchen import demo_book
from yellow_ladle.store.ledger import Ledger

CLIENTS = 50
SECONDS = 15.0
PAUSE = 0.5
WRITES = 0.05
READS = ("/family", "/products", "/preparations/hen-leek-pie", "/products/butter", "/unchecked")
AGAINST = ("/family", "/products", "/preparations/hen-leek-pie")
PROGRAM = """
import sys, uvicorn
from fastapi import FastAPI, Response
app, content = FastAPI(), open(sys.argv[1], "rb").read()
@app.get("/bare")
def bare() -> Response:
    return Response(content, media_type="application/json")
uvicorn.run(app, port=int(sys.argv[2]), log_level="error", access_log=False)
"""


def main() -> None:
    """Prints p95 of reads and writes, what went wrong, and requests a second against a bare one."""
    with tempfile.TemporaryDirectory() as folder:
        book = Path(folder) / "kitchen.sqlite"
        ledger = Ledger.open(book)
        ledger.replace_book(demo_book())
        ledger.close()
        command = [sys.executable, "-m", "yellow_ladle", "serve", "--book", str(book)]
        server = subprocess.Popen(command, stdout=subprocess.PIPE, text=True)
        assert server.stdout is not None
        try:
            found = None
            while found is None:
                found = re.search(r"127\.0\.0\.1:(\d+)", server.stdout.readline())
            port = int(found[1])
            with_pauses(port)
            for path in AGAINST:
                against_a_bare_one(port, f"/api/v1{path}", Path(folder))
        finally:
            server.terminate()
            server.wait()


def with_pauses(port: int) -> None:
    """One request each half second from every client, one in twenty of them a write."""
    times: dict[str, list[float]] = {"reads": [], "writes": []}
    codes: Counter[int] = Counter()
    stated: list[tuple[str, str]] = []

    def client(number: int) -> None:
        connection, chance = HTTPConnection("127.0.0.1", port), random.Random(number)
        flags = [flag["id"] for flag in ask(connection, "GET", "/kitchen")[1]["flags"]]
        sleep(chance.uniform(0, PAUSE))
        until = perf_counter() + SECONDS
        while perf_counter() < until:
            begun = perf_counter()
            if chance.random() < WRITES:
                flag = chance.choice(flags)
                seen = ask(connection, "GET", "/products/butter")[1]["version"]
                change = {"change": "statement", "item": "butter", "flag": flag}
                body = {"change": {**change, "level": "contains"}, "seen": seen}
                begun = perf_counter()
                code, _ = ask(connection, "POST", "/changes", body)
                times["writes"].append(perf_counter() - begun)
                if code == 200:
                    stated.append(("butter", flag))
            else:
                code, _ = ask(connection, "GET", chance.choice(READS))
                times["reads"].append(perf_counter() - begun)
            codes[code] += 1
            sleep(max(0.0, PAUSE - (perf_counter() - begun)))
        connection.close()

    together([Thread(target=client, args=(number,)) for number in range(CLIENTS)])
    connection = HTTPConnection("127.0.0.1", port)
    held = ask(connection, "GET", "/products/butter")[1]["flags"]
    lost = [flag for _, flag in stated if held.get(flag) != "contains"]
    for kind, spent in times.items():
        spent.sort()
        p95 = spent[int(len(spent) * 0.95)] * 1000
        print(f"{CLIENTS} clients, {len(spent)} {kind}: p95 {p95:.0f} ms")
    print(f"answers by status: {dict(codes)}; writes lost: {len(lost)} of {len(stated)}")


def against_a_bare_one(port: int, path: str, folder: Path) -> None:
    """Requests a second without pauses, and the share of a bare route that sends as much."""
    connection = HTTPConnection("127.0.0.1", port)
    connection.request("GET", path)
    content = connection.getresponse().read()
    (folder / "content").write_bytes(content)
    bare = subprocess.Popen([sys.executable, "-c", PROGRAM, str(folder / "content"), "8997"])
    try:
        sleep(2)
        ours, theirs = [], []
        for _ in range(3):
            ours.append(rate(port, path))
            theirs.append(rate(8997, "/bare"))
        print(
            f"{path}: {max(ours):.0f} a second, {max(ours) / max(theirs):.2f} of a bare route of"
            f" {len(content):,} bytes"
        )
    finally:
        bare.terminate()
        bare.wait()


def rate(port: int, path: str, seconds: float = 2.0, clients: int = 4) -> float:
    """Requests a second of some clients that wait for nothing but the answer."""
    done = [0] * clients

    def client(number: int) -> None:
        connection, until = HTTPConnection("127.0.0.1", port), perf_counter() + seconds
        while perf_counter() < until:
            connection.request("GET", path)
            connection.getresponse().read()
            done[number] += 1
        connection.close()

    together([Thread(target=client, args=(number,)) for number in range(clients)])
    return sum(done) / seconds


def ask(connection: HTTPConnection, method: str, path: str, body: object = None) -> tuple[int, Any]:
    """The status and the content of an answer."""
    content = None if body is None else json.dumps(body).encode()
    headers = {"Content-Type": "application/json"} if content else {}
    connection.request(method, f"/api/v1{path}", content, headers)
    answer = connection.getresponse()
    return answer.status, json.loads(answer.read())


def together(threads: list[Thread]) -> None:
    """Runs some threads to their end."""
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()


if __name__ == "__main__":
    main()
