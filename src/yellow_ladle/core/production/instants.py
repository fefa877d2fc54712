"""Moments as the daybook writes them: RFC 3339 with an offset, compared as instants."""

from datetime import UTC, date, datetime, time, timedelta
from functools import lru_cache
from zoneinfo import ZoneInfo

EPOCH = datetime(1970, 1, 1, tzinfo=UTC)
MICROSECOND = timedelta(microseconds=1)
DATE_LETTERS = 10


@lru_cache(maxsize=50_000)
def instant(moment: str) -> int:
    """Microseconds since 1970 in UTC. Raises ValueError where the text is no time with an offset.

    Two kitchens of one owner may write in two zones, and one in two offsets a year.
    """
    read = datetime.fromisoformat(moment)
    if read.tzinfo is None:
        raise ValueError("a time is written with its offset: 2026-12-01T08:10:00+00:00")
    return (read - EPOCH) // MICROSECOND


def on_the_clock(local: str, zone: str | None) -> str:
    """The moment of a time without offset on a kitchen's clock (IANA; None: the machine's).

    An hour that comes twice is its first; one that the clocks leave out lies after the gap. Raises
    ValueError where the text is no time.
    """
    read = datetime.fromisoformat(local).replace(tzinfo=None)
    here = read.replace(tzinfo=ZoneInfo(zone)) if zone else read.astimezone()
    return here.astimezone(UTC).astimezone(here.tzinfo).isoformat(timespec="milliseconds")


def date_of(moment: str) -> str:
    """The date of a moment where it was written: its first ten letters."""
    return moment[:DATE_LETTERS]


def days_after(day: str, days: float) -> str:
    """The ISO date so many whole days after another."""
    return (date.fromisoformat(day) + timedelta(days=int(days))).isoformat()


def end_of_day(day: str, zone: str | None) -> str:
    """The last moment of an ISO date in a time zone (IANA); without one, in UTC."""
    known = ZoneInfo(zone) if zone else UTC
    return datetime.combine(date.fromisoformat(day), time.max, known).isoformat()
