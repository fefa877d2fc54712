"""A simulated supplier: a small web service of its own, from which sheets are fetched.

Some sheets have several versions; each fetch of the list brings the next one, as if the maker had
changed the recipe in between.
"""

import json
import threading
from collections.abc import Mapping, Sequence
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from typing import Any

LIST = "/sheets"


class SupplierFeed:
    """The service, in a thread of its own on a free port. `address` is where it answers."""

    def __init__(self, sheets: Mapping[str, Sequence[Mapping[str, Any]]]) -> None:
        self._sheets = sheets
        self._asked = 0
        feed = self

        class Handler(BaseHTTPRequestHandler):
            def do_GET(self) -> None:
                found = feed.answer(self.path)
                body = json.dumps(found or {"detail": "There is no such sheet."}).encode()
                self.send_response(200 if found is not None else 404)
                self.send_header("Content-Type", "application/json")
                self.send_header("Content-Length", str(len(body)))
                self.end_headers()
                self.wfile.write(body)

            def log_message(self, format: str, *args: object) -> None:
                del format, args

        self._server = ThreadingHTTPServer(("127.0.0.1", 0), Handler)
        self._server.daemon_threads = True
        self._thread = threading.Thread(target=self._serve, daemon=True)
        self._thread.start()

    @property
    def address(self) -> str:
        """Where the feed answers."""
        return f"http://127.0.0.1:{self._server.server_address[1]}"

    def answer(self, path: str) -> Any:
        """What stands at a path: the list of sheets, one sheet, or nothing."""
        if path == LIST:
            self._asked += 1
            return [f"{LIST}/{name}" for name in self._sheets]
        versions = self._sheets.get(path.removeprefix(f"{LIST}/"))
        if versions is None:
            return None
        return versions[min(max(self._asked, 1), len(versions)) - 1]

    def _serve(self) -> None:
        # The library looks every half second whether it is to end, and `stop` waits for that.
        self._server.serve_forever(poll_interval=0.02)

    def reset(self) -> None:
        """Begins anew with the first version of every sheet."""
        self._asked = 0

    def stop(self) -> None:
        """Ends the service."""
        self._server.shutdown()
        self._server.server_close()
