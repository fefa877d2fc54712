"""Opening the SQLite file: write-ahead log, foreign keys, and the newest migration."""

import logging
from pathlib import Path
from typing import TYPE_CHECKING

from sqlalchemy import Connection, Engine, create_engine, event, inspect, text
from sqlalchemy.engine.interfaces import DBAPIConnection

if TYPE_CHECKING:
    from alembic.config import Config

MIGRATIONS = Path(__file__).parents[1] / "migrations"
SECONDS_FOR_THE_LOCK = 5.0
"""How long SQLite waits for another program that holds the file."""
WRITES = "writes"
"""The execution option of an engine whose transactions write."""


def open_engine(path: Path) -> Engine:
    """An engine on the file, which is made if it is not there, brought to the newest form."""
    path.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
    engine = create_engine(
        f"sqlite:///{path}", connect_args={"timeout": SECONDS_FOR_THE_LOCK}, pool_size=20
    )
    event.listen(engine, "connect", _prepare)
    event.listen(engine, "begin", _begin)
    with engine.begin() as connection:
        newest = is_newest(connection)
    if not newest:
        with for_writing(engine).begin() as connection:
            migrate(connection)
    return engine


def for_writing(engine: Engine) -> Engine:
    """The same engine for transactions that write: each holds the write lock from its start."""
    return engine.execution_options(**{WRITES: True})


def is_newest(connection: Connection) -> bool:
    """Whether a database has the form that this version of the program writes."""
    return _revision(connection) == newest_revision()


def migrate(connection: Connection) -> None:
    """Brings an open connection's database to the newest migration."""
    if is_newest(connection):
        return
    from alembic import command  # a file that is up to date does without its 11 MB

    logging.getLogger("alembic").setLevel(logging.WARNING)
    command.upgrade(alembic_config(connection), "head")


def newest_revision() -> str:
    """The revision that this version of the program writes."""
    return max(file.name.partition("_")[0] for file in (MIGRATIONS / "versions").glob("0*.py"))


def _revision(connection: Connection) -> str | None:
    if not inspect(connection).has_table("alembic_version"):
        return None
    return str(connection.execute(text("SELECT version_num FROM alembic_version")).scalar())


def alembic_config(connection: Connection) -> "Config":
    """Alembic's configuration for one open connection."""
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    config.attributes["connection"] = connection
    return config


def _prepare(connection: DBAPIConnection, _record: object) -> None:
    # The driver's own transactions begin too late: see `_begin`.
    connection.isolation_level = None
    cursor = connection.cursor()
    # FULL: an answered write is on the disk, also when the power goes in the next moment.
    for pragma in ("journal_mode = WAL", "foreign_keys = ON", "synchronous = FULL"):
        cursor.execute(f"PRAGMA {pragma}")
    cursor.close()


def _begin(connection: Connection) -> None:
    # A writer that took the lock only at its first write could find that somebody else wrote after
    # it had read. A reader takes no lock, so that a file locked from outside stops no read.
    writes = connection.get_execution_options().get(WRITES, False)
    connection.exec_driver_sql("BEGIN IMMEDIATE" if writes else "BEGIN DEFERRED")
