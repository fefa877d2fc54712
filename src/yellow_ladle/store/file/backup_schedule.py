"""Backups by themselves: when one is made, which are kept, and how the last one went."""

import json
import re
from collections.abc import Iterable
from contextlib import suppress
from dataclasses import asdict, dataclass
from datetime import date, datetime
from pathlib import Path

from yellow_ladle.store.file.backup import copy_store
from yellow_ladle.store.file.checkup import Unsound
from yellow_ladle.store.file.file_faults import FileFault
from yellow_ladle.store.file.photos import photos_folder

DAILY, WEEKLY, MONTHLY = 14, 8, 12
"""How many are kept: the newest of each of the last days, weeks and months that have one."""
HOUR = 3
"""The hour of the kitchen's own night from which the day's backup is made."""
STATE = "state.json"
_NAME = re.compile(r"(?P<moment>\d{4}-\d{2}-\d{2}T\d{6})-(?P<why>[a-z-]+)\.sqlite")


@dataclass(frozen=True, slots=True)
class BackupState:
    """How backups go: the last good one (ISO, UTC) and its file, and what went wrong since."""

    last: str = ""
    file: str = ""
    failed: str = ""
    why: str = ""

    def worry(self, moment: str, hours: float) -> str:
        """What somebody has to see to, at a moment (ISO, UTC); empty where all is well.

        A kitchen whose first backup is still to be made has nothing to worry about yet.
        """
        if self.failed:
            return f"The backup failed at {self.failed[:16].replace('T', ' ')}: {self.why}"
        if not self.last:
            return ""
        age = datetime.fromisoformat(moment) - datetime.fromisoformat(self.last)
        if age.total_seconds() <= hours * 3600:
            return ""
        return f"The last good backup is {age.days} days old. Leave the kitchen running overnight."


class Backups:
    """The backups of one kitchen's file, in a folder of their own."""

    def __init__(self, book: Path, folder: Path | None = None) -> None:
        self._book = book
        self.folder = folder or book.with_name(f"{book.name}.backups")

    @property
    def state(self) -> BackupState:
        """How the last one went."""
        try:
            content = json.loads((self.folder / STATE).read_text("utf-8"))
            return BackupState(**content)
        except (OSError, ValueError, TypeError):
            return BackupState()

    def files(self) -> list[Path]:
        """Every backup, the newest first."""
        found = [path for path in self.folder.glob("*.sqlite") if _NAME.fullmatch(path.name)]
        return sorted(found, reverse=True)

    def make(self, now: datetime, why: str) -> Path | None:
        """Makes one and verifies it, then lets go those that are not kept any more.

        None where it could not be made; `state` says why, and nothing else is stopped by it.
        """
        moment = now.astimezone()
        target = self.folder / f"{moment:%Y-%m-%dT%H%M%S}-{why}.sqlite"
        told = now.isoformat(timespec="seconds")
        try:
            self.folder.mkdir(mode=0o700, parents=True, exist_ok=True)
            if not target.exists():
                copy_store(self._book, target)
            self._note(BackupState(told, target.name))
        except (Unsound, FileFault, OSError) as error:
            last = self.state
            self._note(BackupState(last.last, last.file, told, str(error)))
            return None
        self._thin_out()
        return target

    def due(self, now: datetime) -> bool:
        """Whether the night's backup is still to be made."""
        moment = now.astimezone()
        made = {path.name[: len("2026-11-26")] for path in self.files() if "-night." in path.name}
        return moment.hour >= HOUR and moment.date().isoformat() not in made

    def newest_good(self) -> Path | None:
        """The newest backup that can still be opened; those were verified when they were made."""
        return next((path for path in self.files() if path.stat().st_size), None)

    def _thin_out(self) -> None:
        files = {path.name: path for path in self.files()}
        for name in set(files) - kept(files):
            files[name].unlink(missing_ok=True)
            pictures = photos_folder(files[name])
            if pictures.exists():
                for picture in pictures.iterdir():
                    picture.unlink()
                pictures.rmdir()

    def _note(self, state: BackupState) -> None:
        # A full disk must not hide that the backup failed: the old note is better than none.
        with suppress(OSError):
            fresh = self.folder / f"{STATE}.fresh"
            fresh.write_text(json.dumps(asdict(state)), "utf-8")
            fresh.replace(self.folder / STATE)


def kept(names: Iterable[str]) -> set[str]:
    """Those of some backups' names that are kept: the newest of each day, week and month.

    Days, weeks and months without a backup do not count, so that a kitchen that is closed for the
    winter still has its last ones in spring.
    """
    found: set[str] = set()
    newest_first = sorted((name for name in names if _NAME.fullmatch(name)), reverse=True)
    for most, period in ((DAILY, _day), (WEEKLY, _week), (MONTHLY, _month)):
        newest: dict[str, str] = {}
        for name in newest_first:
            newest.setdefault(period(date.fromisoformat(name[: len("2026-11-26")])), name)
        found.update(list(newest.values())[:most])
    return found


def _day(day: date) -> str:
    return day.isoformat()


def _week(day: date) -> str:
    year, week, _ = day.isocalendar()
    return f"{year}-{week}"


def _month(day: date) -> str:
    return f"{day:%Y-%m}"
