"""Writing a whole book in the place of the one that stands."""

from sqlalchemy import delete
from sqlalchemy.orm import Session

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.reading.update import Change
from yellow_ladle.store.book_repository import write, write_kitchen
from yellow_ladle.store.settings_rows import write_need, write_ruling, write_sign_offs, write_tool
from yellow_ladle.store.tables import HouseFlagRow, NeedRow, RuleRow, SignOffRow, ToolRow

REPLACED = (HouseFlagRow, ToolRow, NeedRow, SignOffRow, RuleRow)
"""Tables of which nothing outlives a book that takes another one's place."""


def write_whole(session: Session, was: Book, book: Book, version: int) -> None:
    """Writes every part of a sound book under one version; what only `was` holds is removed."""
    for table in REPLACED:
        session.execute(delete(table))
    write_kitchen(session, book.kitchen, version)
    session.add_all(
        HouseFlagRow(id=flag.id, name=flag.name, version=version) for flag in book.house_flags
    )
    gone = was.products.keys() - book.products.keys()
    gone |= was.preparations.keys() - book.preparations.keys()
    products, preparations = book.products.values(), book.preparations.values()
    write(session, Change(tuple(products), tuple(preparations), tuple(sorted(gone))), version)
    for tool in book.tools:
        write_tool(session, tool, version)
    for need in book.needs:
        write_need(session, need, version)
    for said in book.rulings:
        write_ruling(session, said, version)
    write_sign_offs(session, dict(book.sign_offs))
    session.flush()
