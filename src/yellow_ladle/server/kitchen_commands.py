"""What commands do to a kitchen's file, whether the server runs or not."""

from contextlib import closing
from datetime import UTC, datetime
from pathlib import Path

from yellow_ladle.core.book.book import Book, Preparation
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.product import Product
from yellow_ladle.files.book.book_file import parse_book, read_book
from yellow_ladle.files.book.conversion import value_of
from yellow_ladle.files.daybook.daybook_file import read_daybook
from yellow_ladle.server.settings import Settings
from yellow_ladle.store.documents import PREPARATION, PRODUCT
from yellow_ladle.store.file.backup import Restored, copy_store, restore_store, verify
from yellow_ladle.store.file.backup_schedule import Backups
from yellow_ladle.store.file.checkup import Unsound
from yellow_ladle.store.file.kitchen_file import KitchenFile
from yellow_ladle.store.file.lock import FileLock
from yellow_ladle.store.file.photos import photos_folder
from yellow_ladle.store.file.restore import finish_restore
from yellow_ladle.store.history import WHOLE_BOOK
from yellow_ladle.store.ledger import Ledger

MAX_NAMED = 5


def take_in(file: KitchenFile, book_file: Path, *, replace: bool) -> str:
    """Takes a book file in, whole or not at all; what stands there is backed up before.

    Raises BookRefused where the book is faulty, or a kitchen is there and `replace` is not said.
    """
    book = read_book(book_file)
    ledger, place = file.ledger, file.ledger.path
    before = ledger.now.reading.book
    there = not ledger.is_empty
    if there and not replace:
        why = "already holds a kitchen; nothing was changed. Back it up, then use --replace"
        raise BookRefused([Fault(str(place), why)])
    if there and file.backups.make(datetime.now(UTC), "before-import") is None:
        why = f"the backup before it failed, so nothing was changed: {file.backups.state.why}"
        raise BookRefused([Fault(str(place), why)])
    ledger.replace_book(book)
    counts = f"{len(book.products)} products and {len(book.preparations)} preparations"
    told = f"{book.kitchen.name}: {counts} are now in {place}."
    return told + (_gone(before, book) if there else "")


def take_in_daybook(file: KitchenFile, daybook_file: Path, *, replace: bool) -> str:
    """Takes a daybook file in, whole or not at all; what stands there is backed up before.

    Raises BookRefused where it is faulty, or a daybook is there and `replace` is not said.
    """
    ledger, place = file.ledger, file.ledger.path
    daybook = read_daybook(daybook_file, ledger.now.reading.book)
    there = bool(ledger.daybook.now.seqs)
    if there and not replace:
        why = "already holds a daybook; nothing was changed. Back it up, then use --replace"
        raise BookRefused([Fault(str(place), why)])
    if there and file.backups.make(datetime.now(UTC), "before-import") is None:
        why = f"the backup before it failed, so nothing was changed: {file.backups.state.why}"
        raise BookRefused([Fault(str(place), why)])
    ledger.daybook.replace_whole(daybook)
    counts = f"{len(daybook.batches)} batches and {len(daybook.lots)} lots"
    return f"{counts} are now in the daybook of {place}."


def back_up(file: KitchenFile, target: Path) -> str:
    """Copies the kitchen's data and verifies the copy."""
    holds = copy_store(file.ledger.path, target)
    return f"Copied to {target}, and verified. It holds {holds.sentence()}."


def restore(file: KitchenFile, source: Path) -> str:
    """Puts a backup in the place of what stands, which is kept; pages read it at once."""
    path = file.ledger.path
    return _told(path, file.ledger.while_closed(lambda: restore_store(source, path)))


def restore_closed(source: Path, target: Path) -> str:
    """The same while nobody serves the file, which may be damaged. Raises FileHeld, Unsound."""
    with FileLock(target):
        finish_restore(target)
        return _told(target, restore_store(source, target))


def looked_at(path: Path) -> tuple[bool, list[str]]:
    """Whether a kitchen's file, its history, pictures and newest backup are sound, in lines."""
    lines: list[str] = []
    sound = True
    for told in (_file, _history, _pictures, _newest_backup):
        try:
            lines.append(told(path))
        except Unsound as error:
            sound = False
            lines.append(str(error))
    return sound, lines


def _file(path: Path) -> str:
    holds = verify(path)
    return f"{path} is sound. It holds {holds.sentence()}."


def _history(path: Path) -> str:
    """Every entry can be read, and so be taken back, and none was altered since."""
    with closing(Ledger.open(path)) as ledger:
        entries = ledger.history(None, -1)
        types = {PRODUCT: Product, PREPARATION: Preparation}
        types |= {kind.name: kind.type for kind in ledger.kinds}
        if (altered := ledger.altered()) is not None:
            raise Unsound(
                f"Entry {altered} of the history of {path} was altered, or one before it."
            )
        if (altered := ledger.daybook.altered()) is not None:
            raise Unsound(f"Row {altered} of the daybook of {path} was altered, or one before it.")
    for entry in entries:
        for content in (entry.before, entry.after):
            try:
                if content is not None and entry.item == WHOLE_BOOK:
                    parse_book(str(content["book"]).encode())
                elif content is not None:
                    value_of(types[entry.kind], dict(content))
            except (KeyError, TypeError, ValueError) as error:
                told = f"Entry {entry.id} of the history of {path}, of {entry.at}, cannot be read"
                raise Unsound(f"{told}: {error}.") from error
    return f"Every one of {len(entries)} changes in the history can be read."


def _pictures(path: Path) -> str:
    folder = photos_folder(path)
    pictures = sorted(folder.glob("*.webp")) if folder.exists() else []
    for picture in pictures:
        head = picture.read_bytes()[:12]
        if head[:4] != b"RIFF" or head[8:] != b"WEBP":
            raise Unsound(f"{picture} is damaged: take that picture again.")
    return f"{len(pictures)} pictures are sound."


def _newest_backup(path: Path) -> str:
    backups = Backups(path, Settings().backups)
    newest, state = backups.newest_good(), backups.state
    failed = f" The last one failed at {state.failed}: {state.why}" if state.failed else ""
    if newest is None:
        return f"There is no backup in {backups.folder} yet.{failed}"
    return f"The newest backup, {newest}, is sound. It holds {verify(newest).sentence()}.{failed}"


def _told(path: Path, done: Restored) -> str:
    told = f"Restored {path}. It holds {done.holds.sentence()}."
    if done.kept is None:
        return told
    stood = f", {done.stood.sentence()}," if done.stood else ""
    return f"{told} What was there{stood} is in {done.kept}."


def _gone(before: Book, after: Book) -> str:
    """What an import took away, by name where it is little."""
    kept = after.products.keys() | after.preparations.keys()
    gone = [id for id in (*before.products, *before.preparations) if id not in kept]
    if not gone:
        return " Nothing that was there before is gone."
    named = ", ".join(before.name(id) for id in gone[:MAX_NAMED])
    more = f" and {len(gone) - MAX_NAMED} more" if len(gone) > MAX_NAMED else ""
    return f" Gone, and kept in the history: {named}{more}."
