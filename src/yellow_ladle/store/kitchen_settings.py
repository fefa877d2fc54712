"""What a kitchen keeps beside its goods and pots: tools, guests' needs, what it says of rules.

Each is a document of its own, so that two people who write at once each keep what they wrote.
"""

from collections.abc import Callable, Mapping

from yellow_ladle.core.book.kind import Document
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.sign_off import SignOff
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.checks.document_kinds import NEED, RULE, SIGN_OFF, TOOL
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.swaps.rules.rulebook import Rulings
from yellow_ladle.store.history import NOBODY, Act
from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.optimistic_lock import Stale, standing


def keep_tool(ledger: Ledger, tool: Tool, seen: int | None, act: Act = NOBODY) -> None:
    """Writes a tool, new where `seen` is None. Raises Stale, BookRefused.

    It is refused where a card could not tell it from another tool.
    """
    _record(ledger, Document(TOOL, tool.slug, tool), seen, act)


def drop_tool(ledger: Ledger, id: str, seen: int | None, act: Act = NOBODY) -> None:
    """Takes a tool out of the list; on cards that name it, it is a plain one from then on."""
    _drop(ledger, Document(TOOL, id, None), seen, act)


def keep_need(ledger: Ledger, need: Need, seen: int | None, act: Act = NOBODY) -> None:
    """Writes an open need of a guest, new where `seen` is None. Raises Stale, BookRefused."""
    _record(ledger, Document(NEED, need.id, need), seen, act)


def drop_need(ledger: Ledger, id: str, seen: int | None, act: Act = NOBODY) -> None:
    """Takes a need out: the guest has an answer. Raises Stale."""
    _drop(ledger, Document(NEED, id, None), seen, act)


def set_rules(
    ledger: Ledger,
    edit: Callable[[Rulings], Rulings],
    seen: Mapping[str, int | None],
    act: Act = NOBODY,
) -> None:
    """Changes what is said of some swap rules. `seen`: the version of each that the writer saw."""
    with ledger.alone() as now:
        book = now.reading.book
        before = {said.id: said for said in book.rulings}
        after = {said.id: said for said in edit(book.rulings) if said.says_something}
        documents = tuple(
            Document(RULE, id, after.get(id))
            for id in dict.fromkeys((*seen, *before, *after))
            if before.get(id) != after.get(id)
        )
        standing = {document.key: now.setting_versions.get(document.key) for document in documents}
        given = {Document(RULE, id, None).key: version for id, version in seen.items()}
        ledger.record(Change(documents=documents), standing | given, act)


def sign(ledger: Ledger, preparation: str, person: str, seen: int) -> SignOff:
    """Signs a preparation off as it stands today. `seen`: its `standing` as the person saw it.

    Raises Stale where it, or something that it is made from, was changed since.
    """
    with ledger.alone() as now:
        if (version := standing(now, preparation)) != seen:
            raise Stale(preparation, now.reading.book.preparations.get(preparation), version)
        document = Document(SIGN_OFF, preparation, SignOff(person, ledger.today))
        _record(ledger, document, now.setting_versions.get(document.key), Act(person))
        return ledger.now.reading.book.sign_offs[preparation]


def _record(ledger: Ledger, document: Document, seen: int | None, act: Act) -> None:
    ledger.record(Change(documents=(document,)), {document.key: seen}, act)


def _drop(ledger: Ledger, document: Document, seen: int | None, act: Act) -> None:
    """Takes a document out; one that is gone already is left alone."""
    standing = ledger.now.setting_versions.get(document.key)
    if standing is None and seen is None:
        return
    _record(ledger, document, seen, act)
