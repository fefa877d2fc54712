"""The book as it stands in the file, a document a row: reading it, and writing a change."""

from collections import defaultdict
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from sqlalchemy import delete, select
from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Session

from yellow_ladle.core.book.book import Book, Kitchen, Preparation
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.book.kind import Document, Kind
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.checks.book_faults import Pieces, change_faults
from yellow_ladle.core.checks.document_kinds import KINDS, KITCHEN, THE_KITCHEN
from yellow_ladle.core.impact.impact import Impact
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.files.book.conversion import content, value_of
from yellow_ladle.store.file.checkup import refuse_unreadable
from yellow_ladle.store.tables import BookRow, DocumentRow, NoticeRow

PRODUCT, PREPARATION = "product", "preparation"
"""The kinds of what is carried."""
NEW_KITCHEN = Kitchen("A new kitchen", "eu-14")
"""A kitchen that nobody has named yet."""
AT_ONCE = 200
"""Documents that are held in memory at once while a book is read."""


@dataclass(frozen=True)
class Now:
    """The book as it stands: its reading, and the versions of all that people edit.

    `versions` are those of products and preparations by id, `setting_versions` those of all other
    documents by their keys: `tool/chinois`. `counter` is the book's own, the version of its last
    write; `appended` counts what was added day by day.
    """

    reading: Reading
    versions: Mapping[str, int]
    counter: int
    setting_versions: Mapping[str, int] = field(default_factory=dict)
    appended: int = 0

    @property
    def kitchen_version(self) -> int:
        """The version of the kitchen's own settings; 0 while nobody has set any."""
        return self.setting_versions.get(f"{KITCHEN.name}/{THE_KITCHEN}", 0)

    def version(self, key: str) -> int | None:
        """The version of a product, preparation or document by its key; None if it is not there."""
        return self.versions.get(key, self.setting_versions.get(key))


@dataclass(frozen=True)
class Recorded:
    """What a write did: the book before and after it, and what moved."""

    before: Now
    after: Now
    impact: Impact


def refuse_unsound(book: Book, change: Change) -> None:
    """Raises BookRefused where a change cannot stand."""
    found = change_faults(applied(book, change), change)
    if found:
        raise BookRefused(found)


def load(session: Session, on: str, path: Path | None = None, kinds: Sequence[Kind] = KINDS) -> Now:
    """Everything that the file holds of the book, read as of a day.

    Raises Unsound, which names `path`, where the book cannot be carried.
    """
    whole = session.get(BookRow, 1)
    versions: dict[str, int] = {}
    products = [value_of(Product, held) for held in _contents(session, PRODUCT, versions)]
    pots = [value_of(Preparation, held) for held in _contents(session, PREPARATION, versions)]
    setting_versions: dict[str, int] = {}
    documents = list(_documents(session, kinds, setting_versions))
    bare = Book.of(NEW_KITCHEN, (), ())
    for kind, values in documents:
        bare = kind.holding(bare, values)
    loose = Pieces(
        kitchen=bare.kitchen,
        house_flags=list(bare.house_flags),
        products=products,
        preparations=pots,
        tools=bare.tools,
        needs=bare.needs,
        sign_offs=dict(bare.sign_offs),
        rulings=bare.rulings,
    )
    refuse_unreadable(path or Path("the file"), loose)
    book = loose.book()
    for kind, values in documents:
        if kind.slot is None:
            book = kind.holding(book, values)
    counter, appended = (whole.counter, whole.appended) if whole else (0, 0)
    return Now(
        reading=read(book, on),
        versions=versions,
        counter=counter,
        setting_versions=setting_versions,
        appended=appended,
    )


def write(session: Session, change: Change, version: int) -> None:
    """Writes all that a change touches, which bears a version from then on."""
    for at in range(0, len(change.removed), AT_ONCE):
        some = change.removed[at : at + AT_ONCE]
        carried = DocumentRow.kind.in_((PRODUCT, PREPARATION))
        session.execute(delete(DocumentRow).where(carried, DocumentRow.id.in_(some)))
        session.execute(delete(NoticeRow).where(NoticeRow.product_id.in_(some)))
    _put(session, ((PRODUCT, product.id, product) for product in change.products), version)
    _put(
        session,
        ((PREPARATION, preparation.id, preparation) for preparation in change.preparations),
        version,
    )
    write_documents(session, change.documents, version)


def write_documents(session: Session, documents: Iterable[Document], version: int) -> None:
    """Writes documents, and removes those without a value."""
    kept = list[tuple[str, str, Any]]()
    for document in documents:
        if document.value is None:
            named = (DocumentRow.kind == document.kind.name) & (DocumentRow.id == document.id)
            session.execute(delete(DocumentRow).where(named))
        else:
            kept.append((document.kind.name, document.id, document.value))
    _put(session, kept, version)


def write_whole(
    session: Session, was: Book, book: Book, version: int, kinds: Sequence[Kind] = KINDS
) -> None:
    """Writes every part of a sound book under one version; what only `was` holds is removed."""
    for kind in kinds:
        session.execute(delete(DocumentRow).where(DocumentRow.kind == kind.name))
    gone = was.products.keys() - book.products.keys()
    gone |= was.preparations.keys() - book.preparations.keys()
    documents = tuple(
        Document(kind, id, value) for kind in kinds for id, value in kind.held(book).items()
    )
    products, preparations = book.products.values(), book.preparations.values()
    change = Change(tuple(products), tuple(preparations), tuple(sorted(gone)), documents)
    write(session, change, version)
    session.flush()


def _put(session: Session, values: Iterable[tuple[str, str, Any]], version: int) -> None:
    """Upserts values under their kinds and ids."""
    rows = [
        {"kind": kind, "id": id, "version": version, "content": content(value)}
        for kind, id, value in values
    ]
    if rows:
        wanted = insert(DocumentRow)
        given = {key: wanted.excluded[key] for key in ("version", "content")}
        upsert = wanted.on_conflict_do_update(index_elements=["kind", "id"], set_=given)
        session.execute(upsert, rows)


def _contents(session: Session, kind: str, versions: dict[str, int]) -> Iterator[dict[str, Any]]:
    """The contents of one kind in the order of their ids, one by one; notes their versions."""
    wanted = select(DocumentRow.id, DocumentRow.version, DocumentRow.content)
    wanted = wanted.where(DocumentRow.kind == kind).order_by(DocumentRow.id)
    for id, version, held in session.execute(wanted.execution_options(yield_per=AT_ONCE)):
        versions[id] = version
        yield held


def _documents(
    session: Session, kinds: Sequence[Kind], versions: dict[str, int]
) -> Iterator[tuple[Kind, dict[str, Any]]]:
    """The values of each kind that the file holds any of, by id; notes their versions by key."""
    found: dict[str, dict[str, Any]] = defaultdict(dict)
    types = {kind.name: kind.type for kind in kinds}
    wanted = select(DocumentRow).where(DocumentRow.kind.in_(types)).order_by(DocumentRow.id)
    for row in session.scalars(wanted):
        found[row.kind][row.id] = value_of(types[row.kind], row.content)
        versions[f"{row.kind}/{row.id}"] = row.version
    for kind in kinds:
        if kind.name in found:
            yield kind, found[kind.name]
