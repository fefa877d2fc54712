"""What a kitchen keeps beside its goods and pots: tools, guests' needs, what it says of rules.

Each entry is written by itself and bears a version, so that two people who write at once each keep
what they wrote.
"""

from collections.abc import Callable, Mapping
from dataclasses import replace

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.sign_off import SignOff
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.checks.book_faults import tool_faults
from yellow_ladle.core.checks.goal_faults import need_faults
from yellow_ladle.core.checks.name_faults import name_faults
from yellow_ladle.core.swaps.rules.rulebook import Rulings
from yellow_ladle.store.ledger import Ledger, Writing
from yellow_ladle.store.optimistic_lock import Stale, refuse_stale_setting, standing
from yellow_ladle.store.settings_rows import (
    delete_need,
    delete_ruling,
    delete_tool,
    write_need,
    write_ruling,
    write_sign_offs,
    write_tool,
)

RE_READ = "The tools that are always shared were changed"


def keep_tool(ledger: Ledger, tool: Tool, seen: int | None) -> None:
    """Writes a tool, new where `seen` is None, and reads the book anew with it.

    Raises Stale where another version stands, BookRefused where a card could not tell it from
    another tool.
    """
    with ledger.writing() as writing:
        book = writing.before.reading.book
        standing = _tool(book, tool.slug)
        refuse_stale_setting(writing.before, f"tool/{tool.slug}", seen, standing)
        others = (other for other in book.tools if other is not standing)
        tools = tuple(sorted((*others, tool), key=lambda each: each.name))
        if wrong := [*name_faults("tool", tool.name), *tool_faults(tools)]:
            raise BookRefused(wrong)
        if standing is not None:
            delete_tool(writing.session, standing.name)
        write_tool(writing.session, tool, writing.version)
        writing.told = f"The tool {tool.name} was written down"
        _versioned(writing, f"tool/{tool.slug}", replace(book, tools=tools))
        ledger.read_anew(writing, RE_READ)


def drop_tool(ledger: Ledger, id: str, seen: int | None) -> None:
    """Takes a tool out of the list; on cards that name it, it is a plain one from then on."""
    with ledger.writing() as writing:
        book = writing.before.reading.book
        standing = _tool(book, id)
        refuse_stale_setting(writing.before, f"tool/{id}", seen, standing)
        if standing is None:
            return
        delete_tool(writing.session, standing.name)
        writing.told = f"The tool {standing.name} was taken out"
        tools = tuple(other for other in book.tools if other is not standing)
        _versioned(writing, f"tool/{id}", replace(book, tools=tools), gone=True)
        ledger.read_anew(writing, RE_READ)


def keep_need(ledger: Ledger, need: Need, seen: int | None) -> None:
    """Writes an open need of a guest, new where `seen` is None. Raises Stale, BookRefused."""
    with ledger.writing() as writing:
        book = writing.before.reading.book
        refuse_stale_setting(writing.before, f"need/{need.id}", seen, _need(book, need.id))
        if wrong := [*name_faults("guest", need.guest), *need_faults([need], book.flag_ids)]:
            raise BookRefused(wrong)
        writing.reaches, writing.told = "needs", f"{need.guest} waits for an answer"
        write_need(writing.session, need, writing.version)
        others = (other for other in book.needs if other.id != need.id)
        needs = tuple(sorted((*others, need), key=lambda each: each.id))
        _versioned(writing, f"need/{need.id}", replace(book, needs=needs))


def drop_need(ledger: Ledger, id: str, seen: int | None) -> None:
    """Takes a need out: the guest has an answer. Raises Stale."""
    with ledger.writing() as writing:
        book = writing.before.reading.book
        refuse_stale_setting(writing.before, f"need/{id}", seen, _need(book, id))
        writing.reaches, writing.told = "needs", "A guest has an answer"
        delete_need(writing.session, id)
        needs = tuple(other for other in book.needs if other.id != id)
        _versioned(writing, f"need/{id}", replace(book, needs=needs), gone=True)


def set_rules(
    ledger: Ledger, edit: Callable[[Rulings], Rulings], seen: Mapping[str, int | None]
) -> None:
    """Changes what is said of some swap rules. `seen`: the version of each that the writer saw."""
    with ledger.writing() as writing:
        book = writing.before.reading.book
        before = {said.id: said for said in book.rulings}
        for id, version in seen.items():
            refuse_stale_setting(writing.before, f"rule/{id}", version, before.get(id))
        writing.reaches, writing.told = "rules", "The rules of swaps were changed"
        rulings = edit(book.rulings)
        after = {said.id: said for said in rulings}
        for id, said in after.items():
            if before.get(id) != said:
                write_ruling(writing.session, said, writing.version)
                _versioned(writing, f"rule/{id}", replace(book, rulings=rulings))
        for id in before.keys() - after.keys():
            delete_ruling(writing.session, id)
            _versioned(writing, f"rule/{id}", replace(book, rulings=rulings), gone=True)


def sign(ledger: Ledger, preparation: str, person: str, seen: int) -> SignOff:
    """Signs a preparation off as it stands today. `seen`: its `standing` as the person saw it.

    Raises Stale where it, or something that it is made from, was changed since.
    """
    with ledger.writing() as writing:
        book = writing.before.reading.book
        if (now := standing(writing.before, preparation)) != seen:
            raise Stale(preparation, book.preparations.get(preparation), now)
        made = SignOff(person, ledger.today)
        writing.reaches, writing.touched, writing.person = "sign_off", (preparation,), person
        writing.told = f"{book.name(preparation)} was signed off"
        signed = {**book.sign_offs, preparation: made}
        write_sign_offs(writing.session, signed)
        reading = replace(writing.after.reading, book=replace(book, sign_offs=signed))
        writing.after = replace(writing.after, reading=reading)
        return made


def _versioned(writing: Writing, key: str, book: Book, *, gone: bool = False) -> None:
    versions = {**writing.after.setting_versions, key: writing.version}
    if gone:
        del versions[key]
    reading = replace(writing.after.reading, book=book)
    writing.after = replace(writing.after, reading=reading, setting_versions=versions)


def _tool(book: Book, id: str) -> Tool | None:
    return next((tool for tool in book.tools if tool.slug == id), None)


def _need(book: Book, id: str) -> Need | None:
    return next((need for need in book.needs if need.id == id), None)
