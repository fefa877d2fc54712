"""What a book holds besides goods and pots: tools, needs and sign-offs, as rows."""

from dataclasses import asdict

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from yellow_ladle.core.book.book import Kitchen
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.rule_setting import Note, Ruling
from yellow_ladle.core.book.sign_off import SignOff
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.store.tables import NeedRow, RuleRow, SignOffRow, ToolRow

TASTED = ("flavour", "texture", "colour")


NEW_KITCHEN = Kitchen("A new kitchen", "eu-14")
"""A kitchen that nobody has named yet."""


def tools_of(session: Session) -> tuple[Tool, ...]:
    """Every tool, by name."""
    rows = session.scalars(select(ToolRow).order_by(ToolRow.name))
    return tuple(Tool(row.name, row.dedicated, row.always_shared, row.id) for row in rows)


def write_tools(session: Session, tools: tuple[Tool, ...]) -> None:
    """Puts these tools in the place of those that are there."""
    session.execute(delete(ToolRow))
    session.add_all(
        ToolRow(
            name=tool.name,
            dedicated=tool.dedicated,
            always_shared=tool.always_shared,
            id=tool.id,
        )
        for tool in tools
    )


def needs_of(session: Session) -> tuple[Need, ...]:
    """Every open need, by id."""
    rows = session.scalars(select(NeedRow).order_by(NeedRow.id))
    return tuple(
        Need(row.id, row.guest, tuple(row.clear), tuple(row.fit), row.strictness) for row in rows
    )


def write_needs(session: Session, needs: tuple[Need, ...]) -> None:
    """Puts these needs in the place of those that are there."""
    session.execute(delete(NeedRow))
    session.add_all(
        NeedRow(
            id=need.id,
            guest=need.guest,
            clear=list(need.clear),
            fit=list(need.fit),
            strictness=need.strictness,
        )
        for need in needs
    )


def rulings_of(session: Session) -> tuple[Ruling, ...]:
    """What is said of the swap rules, by id."""
    return tuple(map(_ruling, session.scalars(select(RuleRow).order_by(RuleRow.id))))


def write_rulings(session: Session, rulings: tuple[Ruling, ...]) -> None:
    """Puts what is said of the rules in the place of what was said before."""
    session.execute(delete(RuleRow))
    session.add_all(
        RuleRow(
            id=said.id,
            own=None if said.own is None else dict(said.own),
            off=said.off,
            notes=[asdict(note) for note in said.notes],
            **dict(zip(TASTED, said.tasted or (None, None, None), strict=True)),
        )
        for said in rulings
    )


def _ruling(row: RuleRow) -> Ruling:
    notes = tuple(Note(**note) for note in row.notes)
    figures = [figure for key in TASTED if (figure := getattr(row, key)) is not None]
    tasted = (figures[0], figures[1], figures[2]) if len(figures) == len(TASTED) else None
    return Ruling(row.id, row.off, tasted, notes, row.own)


def sign_offs_of(session: Session) -> dict[str, SignOff]:
    """Every sign-off by its preparation."""
    rows = session.scalars(select(SignOffRow).order_by(SignOffRow.preparation_id))
    return {
        row.preparation_id: SignOff(row.person, row.date, row.stale_since, row.stale_by)
        for row in rows
    }


def write_sign_offs(session: Session, sign_offs: dict[str, SignOff]) -> None:
    """Puts these sign-offs in the place of those that are there."""
    session.execute(delete(SignOffRow))
    session.add_all(
        SignOffRow(
            preparation_id=id,
            person=made.person,
            date=made.date,
            stale_since=made.stale_since,
            stale_by=made.stale_by,
        )
        for id, made in sign_offs.items()
    )
