"""The command line. Each command imports only what it needs, so that `derive` stays quick."""

import json
import sys
from pathlib import Path
from typing import TYPE_CHECKING, Annotated, Any, NoReturn

import typer

from yellow_ladle.core.faults import BookRefused, Fault, unknown

if TYPE_CHECKING:
    from yellow_ladle.core.book import Book

BAD_INPUT = 2

app = typer.Typer(
    help="Yellow Ladle: a kitchen's ledger of what is in every pot.",
    no_args_is_help=True,
    pretty_exceptions_enable=False,
    rich_markup_mode=None,
    add_completion=False,
)

BookFile = Annotated[Path, typer.Argument(metavar="FILE.book.json", help="The book file.")]
AsJson = Annotated[bool, typer.Option("--json", help="Print JSON instead of a table.")]
StoreFile = Annotated[
    Path | None, typer.Option("--book", metavar="FILE.sqlite", help="The kitchen's own data.")
]
Port = Annotated[int, typer.Option(help="The port to try first.", min=1, max=65535)]
Host = Annotated[str, typer.Option(help="The address to listen on; this machine only by default.")]


def main() -> None:
    """Runs the command line; input that cannot stand ends in exit code 2, never a stack trace."""
    try:
        app()
    except BookRefused as refusal:
        _refuse(refusal.faults)
    except BrokenPipeError:
        sys.stderr.close()
        sys.exit(0)


@app.command()
def derive(
    file: BookFile,
    regime: Annotated[str | None, typer.Option(help="Declare by this regime instead.")] = None,
    as_json: AsJson = False,
) -> None:
    """What every pot of a book carries, declares and suits."""
    from dataclasses import replace

    from yellow_ladle.core.reading import read
    from yellow_ladle.core.regimes import regimes
    from yellow_ladle.files.reading_file import reading_content

    book = _book(file)
    if regime is not None:
        _known("--regime", "regime", regime, regimes())
        book = replace(book, kitchen=replace(book.kitchen, regime=regime))
    reading = read(book, _today())
    if as_json:
        _print_json(reading_content(reading))
    else:
        from yellow_ladle.files.text_tables import print_reading

        print_reading(reading)


@app.command()
def swap(
    file: BookFile,
    item: Annotated[str, typer.Option(help="The pot or plate to change.")],
    clear: Annotated[list[str] | None, typer.Option(help="A flag that must go.")] = None,
    fit: Annotated[list[str] | None, typer.Option(help="A diet that must suit.")] = None,
    limit: Annotated[int, typer.Option(help="How many plans at most.", min=1, max=100)] = 10,
    as_json: AsJson = False,
) -> None:
    """The plans that clear flags from a pot or make it fit a diet."""
    from yellow_ladle.core.diets import diets
    from yellow_ladle.core.goals import Goals
    from yellow_ladle.core.reading import read
    from yellow_ladle.core.search import propose
    from yellow_ladle.files.plans_file import plans_content

    book = _book(file)
    reading = read(book, _today())
    goals = Goals(tuple(dict.fromkeys(clear or ())), tuple(dict.fromkeys(fit or ())))
    _known("--item", "pot", item, {*book.preparations, *reading.items()})
    for flag in goals.clear:
        _known("--clear", "flag", flag, [flag.id for flag in book.flags])
    for diet in goals.fit:
        _known("--fit", "diet", diet, diets())
    if not goals.clear and not goals.fit:
        _refuse([Fault("--clear", "name a flag to clear, or a diet with --fit")])
    proposal = propose(reading, item, goals, limit)
    if as_json:
        _print_json(plans_content(item, goals, proposal))
    else:
        from yellow_ladle.files.text_tables import print_plans

        print_plans(book, item, goals, proposal)


@app.command()
def label(
    file: Annotated[
        str, typer.Argument(metavar="FILE|-", help="A label's text; - reads it in.")
    ] = "-",
    lang: Annotated[str, typer.Option(help="The label's language, or auto.")] = "auto",
    lines: Annotated[bool, typer.Option("--lines", help="A label on each line.")] = False,
    as_json: AsJson = False,
) -> None:
    """What a label's words propose for each flag, and what to ask its maker."""
    from yellow_ladle.core.labels.languages import AUTO
    from yellow_ladle.core.labels.lexicon import languages
    from yellow_ladle.core.labels.proposals import TooLong
    from yellow_ladle.core.labels.reader import read_label
    from yellow_ladle.files.label_file import label_content

    _known("--lang", "language", lang, [AUTO, *languages()])
    text = _text(file)
    texts = text.removesuffix("\n").split("\n") if lines else [text]
    try:
        readings = [read_label(each, lang) for each in texts]
    except TooLong as error:
        _refuse([Fault(file, str(error))])
    if as_json:
        contents = [label_content(reading) for reading in readings]
        _print_json(contents if lines else contents[0])
    else:
        from yellow_ladle.files.text_tables import print_label

        for reading in readings:
            print_label(reading)


@app.command()
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


@app.command()
def serve(book: StoreFile = None, port: Port = 8750, host: Host = "127.0.0.1") -> None:
    """Starts the application on the kitchen's own data."""
    from yellow_ladle.server import serve_ledger
    from yellow_ladle.settings import Settings
    from yellow_ladle.store.ledger import Ledger

    serve_ledger(Ledger.open(_place(book)), host, port, Settings().feed)


@app.command(name="import")
def import_(
    file: BookFile,
    book: StoreFile = None,
    replace: Annotated[bool, typer.Option(help="Replace what is there.")] = False,
) -> None:
    """Takes a book file into the kitchen's own data, whole or not at all."""
    from yellow_ladle.store.ledger import Ledger

    content = _book(file)
    ledger = Ledger.open(_place(book))
    if not ledger.is_empty and not replace:
        reason = "already holds a kitchen; nothing was changed. Back it up, then use --replace"
        _refuse([Fault(str(_place(book)), reason)])
    ledger.take(content)
    counts = f"{len(content.products)} products and {len(content.preparations)} preparations"
    typer.echo(f"{content.kitchen.name}: {counts} are now in {_place(book)}.")


@app.command()
def export(
    file: Annotated[Path | None, typer.Argument(help="Where to; the screen if absent.")] = None,
    book: StoreFile = None,
) -> None:
    """Writes the kitchen's own data as a book file."""
    from yellow_ladle.files.book_file import write_book
    from yellow_ladle.store.ledger import Ledger

    content = write_book(Ledger.open(_existing(book)).now.reading.book)
    if file is None:
        sys.stdout.buffer.write(content)
    else:
        file.write_bytes(content)
        typer.echo(f"Written to {file}.")


@app.command()
def backup(
    file: Annotated[Path, typer.Argument(help="The copy to make; must not exist.")],
    book: StoreFile = None,
) -> None:
    """Copies the kitchen's own data, also while it is in use."""
    from yellow_ladle.store.copies import copy_store

    if file.exists():
        _refuse([Fault(str(file), "is there already; nothing was overwritten. Name another file")])
    copy_store(_existing(book), file)
    typer.echo(f"Copied to {file}.")


@app.command()
def restore(
    file: Annotated[Path, typer.Argument(help="A copy made with backup.")], book: StoreFile = None
) -> None:
    """Puts a backup in the place of the kitchen's own data, which is kept beside it."""
    from yellow_ladle.store.copies import NotAKitchen, restore_store

    if not file.exists():
        _refuse([Fault(str(file), "no such file")])
    try:
        kept = restore_store(file, _place(book))
    except NotAKitchen as error:
        _refuse([Fault(str(file), str(error))])
    typer.echo(f"Restored {_place(book)}." + (f" What was there is in {kept}." if kept else ""))


@app.command(name="schema")
def schema(
    openapi: Annotated[bool, typer.Option(help="The API's description instead.")] = False,
) -> None:
    """Prints the JSON Schema of the book file, or the API's OpenAPI document."""
    from yellow_ladle.files.book_file import json_schema

    if openapi:
        from yellow_ladle.api.app import openapi_document

        _print_json(openapi_document())
    else:
        sys.stdout.write(json_schema())


def _book(file: Path) -> "Book":
    from yellow_ladle.files.book_file import read_book

    try:
        return read_book(file)
    except OSError as error:
        _refuse([Fault(str(file), f"cannot be read: {error.strerror}")])


def _text(file: str) -> str:
    try:
        content = sys.stdin.buffer.read() if file == "-" else Path(file).read_bytes()
        return content.decode("utf-8")
    except OSError as error:
        _refuse([Fault(file, f"cannot be read: {error.strerror}")])
    except UnicodeDecodeError as error:
        _refuse([Fault(file, f"is no UTF-8 text: byte {error.start} cannot be read")])


def _today() -> str:
    from datetime import date

    return date.today().isoformat()


def _place(given: Path | None) -> Path:
    from yellow_ladle.settings import Settings

    return given or Settings().book


def _existing(given: Path | None) -> Path:
    place = _place(given)
    if not place.exists():
        _refuse([Fault(str(place), "no kitchen's data is there yet; import a book file first")])
    return place


def _known(option: str, thing: str, word: str, known: Any) -> None:
    if word not in known:
        _refuse([Fault(option, unknown(thing, word, list(known)))])


def _refuse(faults: Any) -> NoReturn:
    for fault in faults:
        print(fault, file=sys.stderr)
    sys.exit(BAD_INPUT)


def _print_json(content: Any) -> None:
    json.dump(content, sys.stdout, ensure_ascii=False, indent=1)
    sys.stdout.write("\n")
