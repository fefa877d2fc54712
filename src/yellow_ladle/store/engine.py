"""Opening the SQLite file: write-ahead log, foreign keys, and the newest migration."""

import logging
from pathlib import Path

from alembic import command
from alembic.config import Config
from sqlalchemy import Connection, Engine, create_engine, event
from sqlalchemy.engine.interfaces import DBAPIConnection

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
    logging.getLogger("alembic").setLevel(logging.WARNING)
    command.upgrade(alembic_config(connection), "head")


def alembic_config(connection: Connection) -> Config:
    """Alembic's configuration for one open connection."""
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
