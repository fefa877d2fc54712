"""What commands are given: files, options and places, each refused in words where it is unsound."""

import json
import sys
from collections.abc import Iterable
from pathlib import Path
from typing import TYPE_CHECKING, Annotated, Any, NoReturn

import typer

from yellow_ladle.core.book.fault import Fault, unknown

if TYPE_CHECKING:
    from yellow_ladle.core.book.book import Book

BAD_INPUT = 2

BookFile = Annotated[Path, typer.Argument(metavar="FILE.book.json", help="The book file.")]
AsJson = Annotated[bool, typer.Option("--json", help="Print JSON instead of a table.")]
StoreFile = Annotated[
    Path | None, typer.Option("--book", metavar="FILE.sqlite", help="The kitchen's own data.")
]
Port = Annotated[int, typer.Option(help="The port to try first.", min=1, max=65535)]
Host = Annotated[str, typer.Option(help="The address to listen on; this machine only by default.")]

Names = Annotated[
    list[str] | None,
    typer.Option("--name", help="A name that this machine goes by in the house; may be repeated."),
]
AskPassphrase = Annotated[
    bool,
    typer.Option(
        "--passphrase",
        help="Ask every device for a passphrase, once: typed in at the start, or taken from"
        " YELLOW_LADLE_PASSPHRASE.",
    ),
]
Tls = Annotated[
    bool, typer.Option("--tls", help="Encrypt what is sent, with a certificate of its own.")
]
Certificate = Annotated[
    Path | None, typer.Option(help="A certificate of yours for --tls (PEM), with --key.")
]
Key = Annotated[Path | None, typer.Option(help="The key of --certificate (PEM).")]
LogFile = Annotated[
    Path | None,
    typer.Option("--log", metavar="FILE", help="Keep a line of JSON about every request here."),
]


def book_of(file: Path) -> "Book":
    """The book in a file; refuses one that cannot be read."""
    from yellow_ladle.files.book.book_file import read_book

    try:
        return read_book(file)
    except OSError as error:
        refuse([Fault(str(file), f"cannot be read: {error.strerror}")])


def content_of(file: str) -> bytes:
    """The bytes of a file, or of what is typed in where it is `-`."""
    try:
        return sys.stdin.buffer.read() if file == "-" else Path(file).read_bytes()
    except OSError as error:
        refuse([Fault(file, f"cannot be read: {error.strerror}")])


def decoded(file: str, content: bytes) -> str:
    """Bytes as UTF-8 text; refuses any other."""
    try:
        return content.decode("utf-8")
    except UnicodeDecodeError as error:
        refuse([Fault(file, f"is no UTF-8 text: byte {error.start} cannot be read")])


def missing(what: str) -> NoReturn:
    """Ends with exit code 3: something of this machine is missing."""
    typer.echo(what, err=True)
    raise typer.Exit(3)


def today() -> str:
    """Today as an ISO date."""
    from datetime import date

    return date.today().isoformat()


def day_of(given: str | None) -> str:
    """A day as an ISO date, today if none is named; refuses what is no day."""
    from datetime import date

    if given is None:
        return today()
    try:
        return date.fromisoformat(given).isoformat()
    except ValueError:
        refuse([Fault("--on", f'"{given}" is no day; write it as 2026-11-25')])


def place(given: Path | None) -> Path:
    """Where the kitchen's own data is kept."""
    from yellow_ladle.server.settings import Settings

    return given or Settings().book


def existing(given: Path | None) -> Path:
    """The path of an existing kitchen file; exits with 2 where there is none."""
    store = place(given)
    if not store.exists():
        refuse([Fault(str(store), "no kitchen's data is there yet; import a book file first")])
    return store


def known(option: str, thing: str, word: str, words: Any) -> None:
    """Refuses a word that is none of those known, with what is near."""
    if word not in words:
        refuse([Fault(option, unknown(thing, word, list(words)))])


def refuse(faults: Iterable[Fault]) -> NoReturn:
    """Ends with every fault on a line of its own."""
    for fault in faults:
        print(fault, file=sys.stderr)
    sys.exit(BAD_INPUT)


def print_json(content: Any) -> None:
    """Prints a content as JSON."""
    json.dump(content, sys.stdout, ensure_ascii=False, indent=1)
    sys.stdout.write("\n")
