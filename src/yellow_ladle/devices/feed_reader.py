"""Fetching a supplier's sheets, whatever the other side does: bounded in time and in size."""

import json
import time
from http.client import HTTPException
from typing import Any
from urllib.parse import urlsplit
from urllib.request import HTTPRedirectHandler, ProxyHandler, build_opener

from yellow_ladle.files.supplier_sheet import MAX_BYTES, Sheet, sheet_of

SECONDS = 1.5
"""All sheets have to be here in this time."""
MAX_SHEETS = 50
CHUNK = 65_536


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


class _NoRedirect(HTTPRedirectHandler):
    """A feed that sends its reader elsewhere could send it into the kitchen's own network."""

    def redirect_request(self, *_: object) -> None:
        raise FeedFailed("The supplier's feed sends its reader elsewhere; nothing was read.")


def _get(address: str, until: float) -> Any:
    if urlsplit(address).scheme not in ("http", "https"):
        raise FeedFailed("The supplier's feed has an address that is no web address.")
    try:
        # Straight to the address: a feed in the kitchen's own network is no proxy's business.
        with build_opener(ProxyHandler({}), _NoRedirect()).open(
            address, timeout=_left(until)
        ) as answer:
            content = b""
            while part := answer.read1(CHUNK):
                content += part
                _left(until)
                if len(content) > MAX_BYTES:
                    raise FeedFailed("The supplier's feed sent over 4 MB; that is no sheet.")
        return json.loads(content)
    except (OSError, HTTPException) as error:
        raise FeedFailed("The supplier's feed does not answer. Try again later.") from error
    except (ValueError, RecursionError) as error:
        raise FeedFailed("The supplier's feed sent something that is no sheet.") from error


def _left(until: float) -> float:
    left = until - time.monotonic()
    if left <= 0:
        raise FeedFailed("The supplier's feed takes too long. Try again later.")
    return left
