"""Starting the application on a port of this machine."""

import errno
import gc
import os
import signal
import socket
import sys
from collections.abc import Iterable
from contextlib import suppress
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from threading import Event, Thread
from types import FrameType
from typing import TYPE_CHECKING

import uvicorn
from fastapi import FastAPI
from uvicorn.config import LOGGING_CONFIG

from yellow_ladle.api.app import create_app
from yellow_ladle.api.door import LOOPBACK
from yellow_ladle.server.connections import MAX_ACCEPTED, BoundedProtocol, quiet
from yellow_ladle.server.local_socket import LocalSocket
from yellow_ladle.store.file.backup_schedule import Backups
from yellow_ladle.store.file.kitchen_file import KitchenFile
from yellow_ladle.store.file.lock import Holder

if TYPE_CHECKING:
    from yellow_ladle.store.file.passphrase import Passphrase

PORTS_TO_TRY = 20
MAX_PORT = 65_535
SECONDS_BETWEEN_LOOKS = 60
"""How often it is asked whether the night's backup is due."""
SECONDS_IDLE = 30
"""How long a connection may stay open without a request."""
NOT_FOR_PHONES = (*LOOPBACK, "0.0.0.0", "::")
SECONDS_BEFORE_WORKERS = 5.0
"""Seconds after the start in which the first page has the machine for itself."""
SECONDS_TO_END = 4
"""How long requests in flight may take once the server is told to stop."""


@dataclass(frozen=True, slots=True)
class Reach:
    """From where a kitchen is reached, and how.

    `names`: by which it goes besides its own. `passphrase` is asked of every device, `certificate`
    holds the files of a certificate and its key; without one what is sent can be read on its way.
    `log` is the file for a line about every request.
    """

    host: str = "127.0.0.1"
    port: int = 8750
    names: tuple[str, ...] = ()
    passphrase: "Passphrase | None" = None
    certificate: tuple[Path, Path] | None = None
    log: Path | None = None

    @property
    def in_the_clear(self) -> bool:
        """Whether other machines reach it without TLS."""
        return self.host not in LOOPBACK and self.certificate is None


def serve_file(file: KitchenFile, reach: Reach, feed: str | None = None) -> None:
    """Serves until interrupted, on the next free port where the wanted one is taken.

    `feed`: the address of a supplier's feed.
    """
    try:
        listening = _listen(reach.host, reach.port)
    except OSError as error:
        print(f"{reach.host}: {error}. Nothing was started.", file=sys.stderr)
        sys.exit(2)
    found = listening.getsockname()[1]
    if found != reach.port:
        print(f"Port {reach.port} is taken; using {found}.", file=sys.stderr)
    address = f"{'https' if reach.certificate else 'http'}://{reach.host}:{found}"
    commands, ending = LocalSocket(file), Event()
    file.lock.tell(Holder(os.getpid(), address, str(commands.path)))
    app = create_app(
        file.ledger,
        names_of(reach.host, reach.names),
        feed,
        passphrase=reach.passphrase,
        in_the_clear=reach.in_the_clear,
        backups=file.backups.folder,
        log=reach.log,
    )
    settle()
    certificate, key = reach.certificate or (None, None)
    config = uvicorn.Config(
        app,
        log_level="warning",
        access_log=False,
        timeout_graceful_shutdown=SECONDS_TO_END,
        http=BoundedProtocol,
        backlog=MAX_ACCEPTED,
        log_config=quiet(LOGGING_CONFIG),
        timeout_keep_alive=SECONDS_IDLE,
        ssl_certfile=certificate,
        ssl_keyfile=key,
    )
    server = _Server(config, app)
    # Taken before the address is told, as whoever reads it may end the server at once. They raise
    # nothing: an exception out of the middle of an import would leave the import lock held.
    for ended_by in (signal.SIGTERM, signal.SIGINT):
        signal.signal(ended_by, server.end)
    commands.start()
    app.state.text_workers.warm(SECONDS_BEFORE_WORKERS)
    try:
        Thread(target=_back_up_each_night, args=(file.backups, ending), daemon=True).start()
        name = file.ledger.now.reading.book.kitchen.name
        print(f"{name} is at {address}  (Ctrl+C stops it)", flush=True)
        if reach.host not in LOOPBACK:
            _tell_phones(reach, found)
        server.run(sockets=[listening])
    finally:
        ending.set()
        commands.stop()
        app.state.text_workers.stop()


def _tell_phones(reach: Reach, port: int) -> None:
    """Prints the address as a code to be photographed, and what a browser has to show."""
    import segno

    from yellow_ladle.store.file.tls_certificate import fingerprint

    scheme = "https" if reach.certificate else "http"
    others = [name for name in names_of(reach.host, reach.names) if name not in NOT_FOR_PHONES]
    address = f"{scheme}://{others[0] if others else reach.host}:{port}"
    print(f"For phones: {address}")
    segno.make(address, error="m").terminal(compact=True)
    if reach.certificate:
        print("The certificate's SHA-256 fingerprint, to be compared on the phone:")
        print(fingerprint(reach.certificate[0]), flush=True)
    else:
        print("Without --tls everybody on this network can read what is sent.", flush=True)


def names_of(host: str, names: Iterable[str] = ()) -> list[str]:
    """The names that a kitchen answers to: this machine's, the address it listens on, those given.

    On every address of the machine (`0.0.0.0`, `::`) these are all that it has.
    """
    found = [*LOOPBACK, host, *names]
    if host not in LOOPBACK:
        machine = socket.gethostname()
        found += [machine, f"{machine}.local"]
        with suppress(OSError):
            found += [str(known[4][0]) for known in socket.getaddrinfo(machine, None)]
    return found


class _Server(uvicorn.Server):
    def __init__(self, config: uvicorn.Config, app: FastAPI) -> None:
        super().__init__(config)
        self._app = app

    def end(self, *_: object) -> None:
        """Lets the server end as soon as it has begun."""
        self.should_exit = True

    def handle_exit(self, sig: int, frame: FrameType | None) -> None:
        # A page's stream of events never ends by itself and would hold the server up.
        self._app.state.broadcast.publish(None)
        super().handle_exit(sig, frame)


def _back_up_each_night(backups: Backups, ending: Event) -> None:
    while not ending.wait(SECONDS_BETWEEN_LOOKS):
        now = datetime.now(UTC)
        if backups.due(now):
            backups.make(now, "night")


def settle() -> None:
    """Takes what is loaded out of the garbage collector's rounds.

    It stays for as long as the server runs, and the collector need not walk through a whole book
    each time that an answer about it makes many objects.
    """
    gc.collect()
    gc.freeze()


def _listen(host: str, first: int) -> socket.socket:
    """A socket on the first free port. Raises OSError, with a sentence where the host is at fault.

    Only a port that is taken leads on to the next: no other port makes an address this machine's.
    """
    for port in range(first, min(first + PORTS_TO_TRY, MAX_PORT + 1)):
        listening = socket.socket(socket.AF_INET6 if ":" in host else socket.AF_INET)
        listening.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        # An answer goes out at once, and not only when the next packet is full.
        listening.setsockopt(socket.IPPROTO_TCP, socket.TCP_NODELAY, 1)
        try:
            listening.bind((host, port))
            listening.listen()
        except OSError as error:
            listening.close()
            if error.errno == errno.EACCES:
                raise OSError(
                    f"port {port} needs more rights than yours; use one above 1023"
                ) from error
            if error.errno != errno.EADDRINUSE:
                raise OSError("this machine has no such address") from error
        else:
            return listening
    raise OSError(f"no free port from {first} on")
