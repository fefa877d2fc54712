"""Fetching a supplier's sheets, whatever the other side does: bounded in time and in size."""

import json
import socket
import ssl
import time
from concurrent.futures import ThreadPoolExecutor
from concurrent.futures import TimeoutError as FutureTimeout
from contextlib import suppress
from http import HTTPStatus
from http.client import HTTPConnection, HTTPException
from ipaddress import ip_address
from threading import Timer
from typing import Any
from urllib.parse import urlsplit

from yellow_ladle.files.supplier_sheet import MAX_BYTES, Sheet, sheet_of

SECONDS = 1.5
"""All sheets have to be here in this time."""
MAX_SHEETS = 50


class FeedFailed(Exception):
    """The feed could not be read. Nothing of it was kept."""


def fetch_sheets(address: str, seconds: float = SECONDS) -> list[Sheet]:
    """Every sheet of a feed. Raises FeedFailed where it hangs, BookRefused for what is no sheet."""
    until = time.monotonic() + seconds
    listed = _get(f"{address}/sheets", until)
    if not isinstance(listed, list) or not all(isinstance(path, str) for path in listed):
        raise FeedFailed("The supplier's feed sent something that is no list of sheets.")
    sheets = []
    for path in listed[:MAX_SHEETS]:
        if not path.startswith("/"):
            raise FeedFailed("The supplier's feed names sheets that lie elsewhere; none was read.")
        sheets.append(sheet_of(_get(f"{address}{path}", until)))
    return sheets


class _Connection(HTTPConnection):
    """Straight to one address that was looked at, and over at one moment whatever comes.

    No proxy: a feed in the kitchen's own network is no proxy's business. No redirects either, since
    http.client follows none.
    """

    def __init__(self, address: str, until: float) -> None:
        parts = urlsplit(address)
        self._until = until
        self._tls = parts.scheme == "https"
        super().__init__(parts.hostname or "", parts.port or (443 if self._tls else 80))

    def connect(self) -> None:
        reached = _resolved(self.host, self.port, self._until)
        self.sock = socket.create_connection((reached, self.port), _left(self._until))
        if self._tls:
            context = ssl.create_default_context()
            self.sock = context.wrap_socket(self.sock, server_hostname=self.host)

    def refuse_late(self) -> None:
        """Raises FeedFailed where the deadline is over."""
        _left(self._until)

    def hang_up(self) -> None:
        """Ends what is being read, from another thread."""
        if self.sock is not None:
            with suppress(OSError):
                self.sock.shutdown(socket.SHUT_RDWR)


def _get(address: str, until: float) -> Any:
    if urlsplit(address).scheme not in ("http", "https"):
        raise FeedFailed("The supplier's feed has an address that is no web address.")
    try:
        connection = _Connection(address, until)
        # A time-out holds for one piece of an answer, and a slow one may send many.
        deadline = Timer(_left(until), connection.hang_up)
        deadline.daemon = True
        deadline.start()
        try:
            content = _content(connection, address)
        finally:
            deadline.cancel()
            connection.close()
        return json.loads(content)
    except (OSError, HTTPException) as error:
        _left(until)
        raise FeedFailed("The supplier's feed does not answer. Try again later.") from error
    except (ValueError, RecursionError) as error:
        raise FeedFailed("The supplier's feed sent something that is no sheet.") from error


def _content(connection: _Connection, address: str) -> bytes:
    asked = urlsplit(address)._replace(scheme="", netloc="", fragment="").geturl()
    connection.request("GET", asked, headers={"Accept": "application/json"})
    answer = connection.getresponse()
    if 300 <= answer.status < 400:
        # Elsewhere could be the kitchen's own network.
        raise FeedFailed("The supplier's feed sends its reader elsewhere; nothing was read.")
    if answer.status != HTTPStatus.OK:
        raise FeedFailed(f"The supplier's feed answers {answer.status}; nothing was read.")
    content = answer.read(MAX_BYTES + 1)
    # One that is hung up on looks like one that is whole.
    connection.refuse_late()
    if len(content) > MAX_BYTES:
        raise FeedFailed("The supplier's feed sent over 4 MB; that is no sheet.")
    return content


def _resolved(host: str, port: int, until: float) -> str:
    """The address of a name. Raises FeedFailed for one that only a name of this network may have.

    Whoever owns a name can let it point at this machine or at its network; who means those writes
    their address, which nobody else can change.
    """
    # The system's own look-up takes no time limit.
    asking = ThreadPoolExecutor(1)
    try:
        asked = asking.submit(socket.getaddrinfo, host, port, type=socket.SOCK_STREAM)
        found = asked.result(_left(until))
    except FutureTimeout as error:
        raise FeedFailed(f"Nobody says where {host} is. Try again later.") from error
    finally:
        asking.shutdown(wait=False)
    address = str(found[0][4][0])
    if host in (address, "localhost"):
        return address
    if not ip_address(address).is_global:
        raise FeedFailed(
            f"The name {host} leads into the kitchen's own network, to {address}; nothing was read."
            " If the feed is there, start the kitchen with that address."
        )
    return address


def _left(until: float) -> float:
    left = until - time.monotonic()
    if left <= 0:
        raise FeedFailed("The supplier's feed takes too long. Try again later.")
    return left
