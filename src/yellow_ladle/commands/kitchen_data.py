"""Commands that start the application, and move a kitchen's data."""

import sys
from pathlib import Path
from typing import Annotated

import typer

from yellow_ladle.commands.arguments import (
    BookFile,
    Host,
    Port,
    StoreFile,
    book_of,
    existing,
    place,
    print_json,
    refuse,
)
from yellow_ladle.core.book.fault import Fault


def demo(
    port: Port = 8750,
    host: Host = "127.0.0.1",
    keep: Annotated[
        Path | None, typer.Option(help="Keep what is changed in this file, and go on from it.")
    ] = None,
) -> None:
    """Starts the application with the demo kitchen, a fresh copy each time."""
    from tempfile import TemporaryDirectory

    from yellow_ladle.demo.kitchen import demo_feed, open_demo
    from yellow_ladle.server import serve_ledger

    feed = demo_feed()
    with TemporaryDirectory(prefix="yellow-ladle-") as folder:
        ledger = open_demo(keep or Path(folder) / "demo.sqlite")
        serve_ledger(ledger, host, port, feed.address)
    feed.stop()


def serve(book: StoreFile = None, port: Port = 8750, host: Host = "127.0.0.1") -> None:
    """Starts the application on the kitchen's own data."""
    from yellow_ladle.server import serve_ledger
    from yellow_ladle.settings import Settings
    from yellow_ladle.store.ledger import Ledger

    serve_ledger(Ledger.open(place(book)), host, port, Settings().feed)


def import_(
    file: BookFile,
    book: StoreFile = None,
    replace: Annotated[bool, typer.Option(help="Replace what is there.")] = False,
) -> None:
    """Takes a book file into the kitchen's own data, whole or not at all."""
    from yellow_ladle.store.ledger import Ledger

    content = book_of(file)
    ledger = Ledger.open(place(book))
    if not ledger.is_empty and not replace:
        reason = "already holds a kitchen; nothing was changed. Back it up, then use --replace"
        refuse([Fault(str(place(book)), reason)])
    ledger.replace_book(content)
    counts = f"{len(content.products)} products and {len(content.preparations)} preparations"
    typer.echo(f"{content.kitchen.name}: {counts} are now in {place(book)}.")


def export(
    file: Annotated[Path | None, typer.Argument(help="Where to; the screen if absent.")] = None,
    book: StoreFile = None,
) -> None:
    """Writes the kitchen's own data as a book file."""
    from yellow_ladle.files.book.book_file import write_book
    from yellow_ladle.store.ledger import Ledger

    content = write_book(Ledger.open(existing(book)).now.reading.book)
    if file is None:
        sys.stdout.buffer.write(content)
    else:
        file.write_bytes(content)
        typer.echo(f"Written to {file}.")


def backup(
    file: Annotated[Path, typer.Argument(help="The copy to make; must not exist.")],
    book: StoreFile = None,
) -> None:
    """Copies the kitchen's own data, also while it is in use."""
    from yellow_ladle.store.backup import copy_store

    if file.exists():
        refuse([Fault(str(file), "is there already; nothing was overwritten. Name another file")])
    copy_store(existing(book), file)
    typer.echo(f"Copied to {file}.")


def restore(
    file: Annotated[Path, typer.Argument(help="A copy made with backup.")], book: StoreFile = None
) -> None:
    """Puts a backup in the place of the kitchen's own data, which is kept beside it."""
    from yellow_ladle.store.backup import NotAKitchen, restore_store

    if not file.exists():
        refuse([Fault(str(file), "no such file")])
    try:
        kept = restore_store(file, place(book))
    except NotAKitchen as error:
        refuse([Fault(str(file), str(error))])
    typer.echo(f"Restored {place(book)}." + (f" What was there is in {kept}." if kept else ""))


def schema(
    openapi: Annotated[bool, typer.Option(help="The API's description instead.")] = False,
) -> None:
    """Prints the JSON Schema of the book file, or the API's OpenAPI document."""
    from yellow_ladle.files.book.book_file import json_schema

    if openapi:
        from yellow_ladle.api.app import openapi_document

        print_json(openapi_document())
    else:
        sys.stdout.write(json_schema())
