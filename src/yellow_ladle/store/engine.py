"""Opening the SQLite file: write-ahead log, foreign keys, and the newest migration."""

import logging
from pathlib import Path
from typing import TYPE_CHECKING

from sqlalchemy import Connection, Engine, create_engine, event, inspect, text
from sqlalchemy.engine.interfaces import DBAPIConnection

if TYPE_CHECKING:
    from alembic.config import Config

MIGRATIONS = Path(__file__).parent / "migrations"


def open_engine(path: Path) -> Engine:
    """An engine on the file, which is made if it is not there, brought to the newest form."""
    path.parent.mkdir(parents=True, exist_ok=True)
    engine = create_engine(f"sqlite:///{path}", connect_args={"timeout": 10})
    event.listen(engine, "connect", _prepare)
    event.listen(engine, "begin", _begin)
    with engine.begin() as connection:
        migrate(connection)
    return engine


def migrate(connection: Connection) -> None:
    """Brings an open connection's database to the newest migration."""
    if _revision(connection) == newest_revision():
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
    # The driver's own transactions begin too late; `_begin` takes the write lock at the start.
    connection.isolation_level = None
    cursor = connection.cursor()
    for pragma in ("journal_mode = WAL", "foreign_keys = ON", "synchronous = NORMAL"):
        cursor.execute(f"PRAGMA {pragma}")
    cursor.close()


def _begin(connection: Connection) -> None:
    connection.exec_driver_sql("BEGIN IMMEDIATE")
