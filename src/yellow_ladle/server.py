"""Starting the application on a port of this machine."""

import gc
import socket
import sys

import uvicorn

from yellow_ladle.api.app import create_app
from yellow_ladle.store.ledger import Ledger

PORTS_TO_TRY = 20


def serve_ledger(ledger: Ledger, host: str, port: int, feed: str | None = None) -> None:
    """Serves until interrupted, on the next free port where the wanted one is taken.

    `feed`: the address of a supplier's feed.
    """
    listening = _listen(host, port)
    if listening is None:
        print(f"No free port from {port} to {port + PORTS_TO_TRY - 1} on {host}.", file=sys.stderr)
        sys.exit(1)
    found = listening.getsockname()[1]
    if found != port:
        print(f"Port {port} is taken; using {found}.", file=sys.stderr)
    name = ledger.now.reading.book.kitchen.name
    print(f"{name} is at http://{host}:{found}  (Ctrl+C stops it)", flush=True)
    local = ["127.0.0.1", "localhost", "[::1]"] if host == "127.0.0.1" else None
    app = create_app(ledger, local, feed)
    settle()
    config = uvicorn.Config(app, log_level="warning", access_log=False)
    try:
        uvicorn.Server(config).run(sockets=[listening])
    finally:
        ledger.close()


def settle() -> None:
    """Takes what is loaded out of the garbage collector's rounds.

    It stays for as long as the server runs, and the collector need not walk through a whole book
    each time that an answer about it makes many objects.
    """
    gc.collect()
    gc.freeze()


def _listen(host: str, first: int) -> socket.socket | None:
    for port in range(first, first + PORTS_TO_TRY):
        listening = socket.socket(socket.AF_INET6 if ":" in host else socket.AF_INET)
        listening.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            listening.bind((host, port))
            listening.listen()
        except OSError:
            listening.close()
        else:
            return listening
    return None
