"""Commands that start the application, and move a kitchen's data."""

import dataclasses
import sys
from pathlib import Path
from typing import TYPE_CHECKING, Annotated, Any

import typer

from yellow_ladle.core.book.fault import Fault
from yellow_ladle.server.commands.arguments import (
    BAD_INPUT,
    AskPassphrase,
    BookFile,
    Certificate,
    Host,
    Key,
    LogFile,
    Names,
    Port,
    StoreFile,
    Tls,
    book_of,
    existing,
    place,
    print_json,
    refuse,
)
from yellow_ladle.store.file.lock import FileHeld

if TYPE_CHECKING:
    from collections.abc import Callable

    from yellow_ladle.server.run import Reach
    from yellow_ladle.store.file.kitchen_file import KitchenFile


def demo(
    port: Port = 8750,
    host: Host = "127.0.0.1",
    name: Names = None,
    passphrase: AskPassphrase = False,
    tls: Tls = False,
    keep: Annotated[
        Path | None, typer.Option(help="Keep what is changed in this file, and go on from it.")
    ] = None,
) -> None:
    """Starts the application with the demo kitchen, a fresh copy each time."""
    from tempfile import TemporaryDirectory

    from yellow_ladle.demo.kitchen import demo_feed, fill_with_demo
    from yellow_ladle.server.run import serve_file

    feed = demo_feed()
    with (
        TemporaryDirectory(prefix="yellow-ladle-") as folder,
        opened(keep or Path(folder) / "demo.sqlite") as file,
    ):
        fill_with_demo(file.ledger)
        reach = reached(file, host, port, name, asks=passphrase, tls=tls)
        serve_file(file, reach, feed.address)
    feed.stop()


def serve(
    book: StoreFile = None,
    port: Port = 8750,
    host: Host = "127.0.0.1",
    name: Names = None,
    passphrase: AskPassphrase = False,
    tls: Tls = False,
    certificate: Certificate = None,
    key: Key = None,
    log: LogFile = None,
) -> None:
    """Starts the application on the kitchen's own data."""
    from yellow_ladle.server.run import serve_file
    from yellow_ladle.server.settings import Settings

    with opened(place(book)) as file:
        own = (certificate, key) if certificate and key else None
        reach = reached(file, host, port, name, asks=passphrase, tls=tls, own=own)
        serve_file(file, dataclasses.replace(reach, log=log), Settings().feed)


def reached(
    file: "KitchenFile",
    host: str,
    port: int,
    names: list[str] | None,
    *,
    asks: bool,
    tls: bool,
    own: tuple[Path, Path] | None = None,
) -> "Reach":
    """From where the kitchen is to be reached; refuses other machines without a passphrase."""
    from getpass import getpass

    from yellow_ladle.api.door import LOOPBACK
    from yellow_ladle.server.run import Reach, names_of
    from yellow_ladle.server.settings import Settings

    if host not in LOOPBACK and not asks:
        why = "other machines could reach the kitchen: add --passphrase, and --tls where you can"
        refuse([Fault("--host", f"{why}. Nothing was started")])
    path, wanted, passphrase = file.ledger.path, tuple(names or ()), None
    if asks:
        from yellow_ladle.store.file.passphrase import Passphrase, TooShort

        given = Settings().passphrase or getpass("The kitchen's passphrase: ")
        try:
            passphrase = Passphrase.of(path, given)
        except TooShort as error:
            refuse([Fault("--passphrase", str(error))])
    certificate = own
    if tls and certificate is None:
        from yellow_ladle.store.file.tls_certificate import own_certificate

        certificate = own_certificate(path, names_of(host, wanted))
    return Reach(host=host, port=port, names=wanted, passphrase=passphrase, certificate=certificate)


def import_(
    file: BookFile,
    book: StoreFile = None,
    replace: Annotated[bool, typer.Option(help="Replace what is there.")] = False,
) -> None:
    """Takes a book or daybook file into the kitchen's own data, whole or not at all."""
    from yellow_ladle.files.daybook.daybook_file import is_daybook
    from yellow_ladle.server.kitchen_commands import take_in, take_in_daybook

    if is_daybook(file):
        given = {"file": str(file.resolve()), "replace": replace}
        told = done(
            book,
            "/import-daybook",
            given,
            lambda held: take_in_daybook(held, file, replace=replace),
        )
        typer.echo(told)
        return
    book_of(file)
    asked = {"file": str(file.resolve()), "replace": replace}
    typer.echo(done(book, "/import", asked, lambda held: take_in(held, file, replace=replace)))


def export(
    file: Annotated[Path | None, typer.Argument(help="Where to; the screen if absent.")] = None,
    book: StoreFile = None,
    daybook: Annotated[bool, typer.Option(help="The daybook instead.")] = False,
) -> None:
    """Writes the kitchen's own data as a book file, or its daybook."""
    from yellow_ladle.files.book.book_file import write_book
    from yellow_ladle.files.daybook.daybook_file import write_daybook
    from yellow_ladle.store.ledger import Ledger

    ledger = Ledger.open(existing(book))
    if daybook:
        content = write_daybook(ledger.daybook.now.daybook)
    else:
        content = write_book(ledger.now.reading.book)
    if file is None:
        sys.stdout.buffer.write(content)
    else:
        file.write_bytes(content)
        typer.echo(f"Written to {file}.")


def backup(
    file: Annotated[Path, typer.Argument(help="The copy to make; must not exist.")],
    book: StoreFile = None,
) -> None:
    """Copies the kitchen's own data, also while it is in use, and verifies the copy."""
    from yellow_ladle.server.kitchen_commands import back_up

    if file.exists():
        refuse([Fault(str(file), "is there already; nothing was overwritten. Name another file")])
    existing(book)
    asked = {"file": str(file.resolve())}
    typer.echo(done(book, "/backup", asked, lambda held: back_up(held, file)))


def restore(
    file: Annotated[Path, typer.Argument(help="A copy made with backup.")], book: StoreFile = None
) -> None:
    """Puts a backup in the place of the kitchen's own data, which is kept beside it."""
    from yellow_ladle.server.kitchen_commands import restore_closed

    if not file.exists():
        refuse([Fault(str(file), "no such file")])
    asked = {"file": str(file.resolve())}
    try:
        told = restore_closed(file, place(book))
    except FileHeld as held:
        told = through(held, "/restore", asked)
    except file_refusals() as error:
        refuse([Fault(str(file), f"{error} Nothing was changed")])
    typer.echo(told)


def verify(book: StoreFile = None) -> None:
    """Looks at the kitchen's file, its history and pictures, and its newest backup."""
    from yellow_ladle.server.kitchen_commands import looked_at

    sound, lines = looked_at(existing(book))
    for line in lines:
        typer.echo(line)
    if not sound:
        sys.exit(BAD_INPUT)


def file_refusals() -> tuple[type[Exception], ...]:
    """What can keep a kitchen's file from being opened; asked for only where something did."""
    from yellow_ladle.store.file.checkup import Unsound
    from yellow_ladle.store.file.file_faults import FileFault

    return (Unsound, FileFault, OSError)


def opening_refusals() -> tuple[type[Exception], ...]:
    """The same, and that another process holds it."""
    return (FileHeld, *file_refusals())


def opened(path: Path) -> "KitchenFile":
    """The kitchen's file, for a command that may change it; refuses in words."""
    from yellow_ladle.server.settings import Settings
    from yellow_ladle.store.file.kitchen_file import KitchenFile

    try:
        return KitchenFile.open(path, Settings().backups)
    except opening_refusals() as error:
        refuse([Fault("", str(error))])


def done(
    book: Path | None, command: str, asked: dict[str, Any], act: "Callable[[KitchenFile], str]"
) -> str:
    """What an act on the kitchen's file did: here, or by the server that holds the file."""
    from yellow_ladle.server.settings import Settings
    from yellow_ladle.store.file.kitchen_file import KitchenFile

    try:
        with KitchenFile.open(place(book), Settings().backups) as file:
            return act(file)
    except FileHeld as held:
        return through(held, command, asked)
    except file_refusals() as error:
        refuse([Fault("", str(error))])


def through(held: FileHeld, command: str, asked: dict[str, Any]) -> str:
    """What the server that holds the file did in this command's place; refuses without one."""
    from yellow_ladle.server.local_socket import ask

    if not held.holder.socket:
        refuse([Fault("", str(held))])
    return ask(held.holder.socket, command, asked)


def schema(
    openapi: Annotated[bool, typer.Option(help="The API's description instead.")] = False,
    daybook: Annotated[bool, typer.Option(help="That of the daybook file instead.")] = False,
) -> None:
    """Prints the JSON Schema of the book or daybook file, or the API's OpenAPI document."""
    from yellow_ladle.files.book.book_file import json_schema
    from yellow_ladle.files.daybook import daybook_file

    if daybook:
        sys.stdout.write(daybook_file.json_schema())
    elif openapi:
        from yellow_ladle.api.app import openapi_document

        print_json(openapi_document())
    else:
        sys.stdout.write(json_schema())
