"""The kitchen's own flags; what one brings with it in goods and pots is written with it."""

from yellow_ladle.core.book.kind import Document
from yellow_ladle.core.checks.document_kinds import HOUSE_FLAG
from yellow_ladle.core.checks.house_flag_names import new_house_flag, renamed_house_flags
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.store.history import Act
from yellow_ladle.store.ledger import Ledger


def add_house_flag(ledger: Ledger, name: str, act: Act) -> Flag:
    """Adds a flag; all that was free without anybody asking about it becomes unchecked.

    Raises BookRefused where a flag has that name already.
    """
    with ledger.alone() as now:
        flag = new_house_flag(now.reading.book, name)
        _record(ledger, flag.id, flag, act)
        return flag


def rename_house_flag(ledger: Ledger, id: str, name: str, act: Act) -> None:
    """Gives a flag another name; what is recorded of it stays."""
    with ledger.alone() as now:
        flags = renamed_house_flags(now.reading.book, id, name)
        [flag] = [flag for flag in flags if flag.id == id]
        _record(ledger, id, flag, act)


def drop_house_flag(ledger: Ledger, id: str, act: Act) -> None:
    """Takes a flag out. Raises BookRefused while something is said to contain it."""
    with ledger.alone():
        _record(ledger, id, None, act)


def _record(ledger: Ledger, id: str, flag: Flag | None, act: Act) -> None:
    document = Document(HOUSE_FLAG, id, flag)
    seen = {document.key: ledger.now.setting_versions.get(document.key)}
    ledger.record(Change(documents=(document,)), seen, act)
