"""What went through which tool, day by day, and when a tool was washed."""

from dataclasses import dataclass

from sqlalchemy import func, select

from yellow_ladle.core.book.tool import Use
from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.tables import ToolUseRow


@dataclass(frozen=True, slots=True)
class Used:
    """One use of a tool, as it was written down. `item` None: it was washed."""

    id: int
    at: str
    tool: str
    item: str | None
    person: str | None

    @property
    def use(self) -> Use:
        """The use without who and when."""
        return Use(self.tool, self.item)


def uses_on(ledger: Ledger, day: str) -> list[Used]:
    """The uses of a day, in their order."""
    wanted = select(ToolUseRow).where(ToolUseRow.day == day).order_by(ToolUseRow.id)
    with ledger.reading() as session:
        return [_used(row) for row in session.scalars(wanted)]


def unwashed_before(ledger: Ledger, day: str) -> list[Used]:
    """What went through each tool since its last wash, on the days before one.

    Midnight washes nothing: what was in a sieve in the evening is in it in the morning.
    """
    earlier = ToolUseRow.day < day
    washed = (
        select(ToolUseRow.tool, func.max(ToolUseRow.id).label("last"))
        .where(earlier, ToolUseRow.item.is_(None))
        .group_by(ToolUseRow.tool)
        .subquery()
    )
    wanted = (
        select(ToolUseRow)
        .outerjoin(washed, washed.c.tool == ToolUseRow.tool)
        .where(earlier, ToolUseRow.item.is_not(None))
        .where(washed.c.last.is_(None) | (ToolUseRow.id > washed.c.last))
        .order_by(ToolUseRow.id)
    )
    with ledger.reading() as session:
        return [_used(row) for row in session.scalars(wanted)]


def _used(row: ToolUseRow) -> Used:
    return Used(id=row.id, at=row.at, tool=row.tool, item=row.item, person=row.person)


def add_use(ledger: Ledger, tool: str, item: str | None, person: str | None) -> None:
    """Writes down that something went through a tool today, or that it was washed."""
    with ledger.appending() as writing:
        writing.person = person or ""
        writing.told = f"The {tool} was washed" if item is None else f"The {tool} was used"
        used = ToolUseRow(day=ledger.today, at=writing.moment, tool=tool, item=item, person=person)
        writing.session.add(used)
