"""Where a kitchen keeps its data; each can be set by an environment variable."""

from pathlib import Path

from pydantic_settings import BaseSettings, SettingsConfigDict


class Settings(BaseSettings):
    """`YELLOW_LADLE_BOOK`: the SQLite file of the kitchen's own data.

    `YELLOW_LADLE_FEED`: the address of a supplier's feed, if there is one. `YELLOW_LADLE_BACKUPS`:
    the folder of backups, beside the book if none is named. `YELLOW_LADLE_PASSPHRASE`: the one that
    devices are asked for, where nobody is there to type it in.
    """

    model_config = SettingsConfigDict(env_prefix="YELLOW_LADLE_")

    book: Path = Path.home() / ".local" / "share" / "yellow-ladle" / "kitchen.sqlite"
    feed: str | None = None
    backups: Path | None = None
    passphrase: str | None = None
