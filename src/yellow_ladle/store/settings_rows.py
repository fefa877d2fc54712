"""What a book holds besides goods and pots: tools, needs and sign-offs, as rows."""

from dataclasses import asdict

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from yellow_ladle.core.book.book import Kitchen
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.rule_setting import Note, Ruling
from yellow_ladle.core.book.sign_off import SignOff
from yellow_ladle.core.book.tool import Tool, tool_id
from yellow_ladle.store.tables import NeedRow, RuleRow, SignOffRow, ToolRow

TASTED = ("flavour", "texture", "colour")


NEW_KITCHEN = Kitchen("A new kitchen", "eu-14")
"""A kitchen that nobody has named yet."""


def tools_of(session: Session) -> tuple[Tool, ...]:
    """Every tool, by name."""
    rows = session.scalars(select(ToolRow).order_by(ToolRow.name))
    return tuple(Tool(row.name, row.dedicated, row.always_shared, row.id) for row in rows)


def write_tool(session: Session, tool: Tool, version: int) -> None:
    """Writes a tool, new or in the place of the one of its name."""
    session.merge(
        ToolRow(
            name=tool.name,
            dedicated=tool.dedicated,
            always_shared=tool.always_shared,
            id=tool.id,
            version=version,
        )
    )


def delete_tool(session: Session, name: str) -> None:
    """Takes a tool out by its name."""
    session.execute(delete(ToolRow).where(ToolRow.name == name))


def needs_of(session: Session) -> tuple[Need, ...]:
    """Every open need, by id."""
    rows = session.scalars(select(NeedRow).order_by(NeedRow.id))
    return tuple(
        Need(row.id, row.guest, tuple(row.clear), tuple(row.fit), row.strictness) for row in rows
    )


def write_need(session: Session, need: Need, version: int) -> None:
    """Writes a need, new or in the place of the one with its id."""
    session.merge(
        NeedRow(
            id=need.id,
            guest=need.guest,
            clear=list(need.clear),
            fit=list(need.fit),
            strictness=need.strictness,
            version=version,
        )
    )


def delete_need(session: Session, id: str) -> None:
    """Takes a need out."""
    session.execute(delete(NeedRow).where(NeedRow.id == id))


def rulings_of(session: Session) -> tuple[Ruling, ...]:
    """What is said of the swap rules, by id."""
    return tuple(map(_ruling, session.scalars(select(RuleRow).order_by(RuleRow.id))))


def write_ruling(session: Session, said: Ruling, version: int) -> None:
    """Writes what is said of a rule, in the place of what was said before."""
    session.merge(
        RuleRow(
            id=said.id,
            own=None if said.own is None else dict(said.own),
            off=said.off,
            notes=[asdict(note) for note in said.notes],
            version=version,
            **dict(zip(TASTED, said.tasted or (None, None, None), strict=True)),
        )
    )


def delete_ruling(session: Session, id: str) -> None:
    """Takes what is said of a rule out."""
    session.execute(delete(RuleRow).where(RuleRow.id == id))


def setting_versions_of(session: Session) -> dict[str, int]:
    """The versions of tools, needs and rulings, as `tool/…`, `need/…` and `rule/…`."""
    found = {
        f"tool/{row.id or tool_id(row.name)}": row.version
        for row in session.execute(select(ToolRow.id, ToolRow.name, ToolRow.version))
    }
    for kind, table in (("need", NeedRow), ("rule", RuleRow)):
        rows = session.execute(select(table.id, table.version))
        found |= {f"{kind}/{row.id}": row.version for row in rows}
    return found


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
