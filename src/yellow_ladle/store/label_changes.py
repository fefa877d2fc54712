"""Suppliers' sheets that say other than what is recorded, kept until somebody decides."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from sqlalchemy import select

from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.tables import NoticeRow
from yellow_ladle.store.transactions import Beside, Writing


@dataclass(frozen=True, slots=True)
class Notice:
    """One of a supplier's goods as its new sheet tells it. `maker` is "" for the product's own."""

    id: int
    product: str
    maker: str
    received: str
    sheet: Mapping[str, Any]
    decided: str | None


def open_notices(ledger: Ledger) -> list[Notice]:
    """What nobody has decided yet, the newest first."""
    wanted = select(NoticeRow).where(NoticeRow.decided.is_(None)).order_by(NoticeRow.id.desc())
    with ledger.reading() as session:
        return [_notice(row) for row in session.scalars(wanted)]


def notice(ledger: Ledger, id: int) -> Notice | None:
    """One notice, decided or not."""
    with ledger.reading() as session:
        row = session.get(NoticeRow, id)
        return _notice(row) if row else None


def add_notice(ledger: Ledger, product: str, maker: str, sheet: dict[str, Any]) -> bool:
    """Keeps a notice, and says whether it is new. A newer sheet of a thing replaces the older."""
    same = (NoticeRow.product_id == product) & (NoticeRow.maker_id == maker)
    standing = select(NoticeRow).where(same, NoticeRow.decided.is_(None))
    with ledger.reading() as session:
        if any(row.sheet == sheet for row in session.scalars(standing)):
            return False
    with ledger.writing() as writing:
        writing.reaches, writing.told = "notices", "A supplier's label has changed"
        for row in writing.session.scalars(standing):
            if row.sheet == sheet:
                return False
            writing.session.delete(row)
        writing.session.add(
            NoticeRow(
                product_id=product, maker_id=maker, received=ledger.today, sheet=sheet, decided=None
            )
        )
    return True


def decided_on(ledger: Ledger, id: int, decision: str) -> Beside:
    """What writes down a decision in the transaction of the change that it makes."""

    def write(writing: Writing) -> None:
        row = writing.session.get(NoticeRow, id)
        if row is not None:
            row.decided = f"{ledger.today}: {decision}"

    return write


def _notice(row: NoticeRow) -> Notice:
    return Notice(
        id=row.id,
        product=row.product_id,
        maker=row.maker_id or "",
        received=row.received,
        sheet=row.sheet,
        decided=row.decided,
    )
