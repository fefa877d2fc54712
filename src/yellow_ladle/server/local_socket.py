"""The running server's door for commands of the same machine: a socket that only its owner opens.

A command that would change a file which is being served asks the server to do it, so that nothing
is ever changed beneath it.
"""

import json
import socket
import tempfile
from collections.abc import Callable
from contextlib import suppress
from http.client import HTTPConnection
from pathlib import Path
from threading import Thread
from typing import Any

import uvicorn
from starlette.applications import Starlette
from starlette.concurrency import run_in_threadpool
from starlette.requests import Request
from starlette.responses import JSONResponse
from starlette.routing import Route

from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.server.kitchen_commands import back_up, restore, take_in, take_in_daybook
from yellow_ladle.store.file.checkup import Unsound
from yellow_ladle.store.file.file_faults import FileFault
from yellow_ladle.store.file.kitchen_file import KitchenFile
from yellow_ladle.store.write_queue import Busy

SECONDS = 600
"""How long a command waits for the server: a big book takes its time."""

Act = Callable[[KitchenFile, dict[str, Any]], str]


def _import(file: KitchenFile, asked: dict[str, Any]) -> str:
    return take_in(file, Path(asked["file"]), replace=bool(asked["replace"]))


def _import_daybook(file: KitchenFile, asked: dict[str, Any]) -> str:
    return take_in_daybook(file, Path(asked["file"]), replace=bool(asked["replace"]))


def _backup(file: KitchenFile, asked: dict[str, Any]) -> str:
    return back_up(file, Path(asked["file"]))


def _restore(file: KitchenFile, asked: dict[str, Any]) -> str:
    return restore(file, Path(asked["file"]))


class LocalSocket:
    """Answers commands about one file, from a thread of its own."""

    def __init__(self, file: KitchenFile) -> None:
        # In a folder of its own: a socket's path may have 107 letters at most.
        self._folder = tempfile.TemporaryDirectory(prefix="yellow-ladle-")
        self.path = Path(self._folder.name) / "commands"
        acts: dict[str, Act] = {"/import": _import, "/import-daybook": _import_daybook}
        acts |= {"/backup": _backup, "/restore": _restore}
        routes = [Route(at, _route(file, act), methods=["POST"]) for at, act in acts.items()]
        config = uvicorn.Config(
            Starlette(routes=routes), uds=str(self.path), log_level="warning", access_log=False
        )
        self._server = uvicorn.Server(config)
        self._thread = Thread(target=self._server.run, name="commands", daemon=True)

    def start(self) -> None:
        """Begins to answer."""
        self._thread.start()

    def stop(self) -> None:
        """Ends, and takes the socket away."""
        self._server.should_exit = True
        self._thread.join(5)
        with suppress(OSError):
            self._folder.cleanup()


def _route(file: KitchenFile, act: Act) -> Callable[[Request], Any]:
    async def handle(request: Request) -> JSONResponse:
        asked = await request.json()
        try:
            return JSONResponse({"told": await run_in_threadpool(act, file, asked)})
        except BookRefused as error:
            faults = [[fault.place, fault.message] for fault in error.faults]
        except (Unsound, FileFault, Busy, OSError) as error:
            faults = [["", str(error)]]
        return JSONResponse({"faults": faults}, 422)

    return handle


class _Connection(HTTPConnection):
    def __init__(self, path: str) -> None:
        super().__init__("localhost", timeout=SECONDS)
        self._path = path

    def connect(self) -> None:
        self.sock = socket.socket(socket.AF_UNIX)
        self.sock.settimeout(SECONDS)
        self.sock.connect(self._path)


def ask(path: str, command: str, asked: dict[str, Any]) -> str:
    """What the server says that it did. Raises BookRefused with its faults."""
    connection = _Connection(path)
    try:
        headers = {"Content-Type": "application/json"}
        connection.request("POST", command, json.dumps(asked).encode(), headers)
        answer = json.loads(connection.getresponse().read())
    except (OSError, ValueError) as error:
        why = f"the running server does not answer ({error}); nothing is known to be changed"
        raise BookRefused([Fault("", why)]) from error
    finally:
        connection.close()
    if "faults" in answer:
        raise BookRefused([Fault(place, message) for place, message in answer["faults"]])
    return str(answer["told"])
