"""Temperatures, recalls and incidents."""

from dataclasses import dataclass, field


@dataclass(frozen=True, slots=True)
class Temperature:
    """A reading in degrees Celsius of something, or of a place. One may correct another."""

    id: str
    at: str
    celsius: float
    of: str | None = None
    place: str = ""
    phase: str = ""
    probe: str | None = None
    corrects: str | None = None
    did: str = ""
    by: str = ""
    recorded: str | None = None


@dataclass(frozen=True, slots=True)
class Recall:
    """A notice that something must come back: a whole product, a maker's, or some of its lots."""

    id: str
    at: str
    product: str
    maker: str | None = None
    lots: tuple[str, ...] = ()
    why: str = ""
    closed: str | None = None
    by: str = ""
    recorded: str | None = None


@dataclass(frozen=True, slots=True)
class Incident:
    """Something that went wrong with a guest, with what was known then."""

    id: str
    at: str
    service: str | None = None
    need: str | None = None
    plate: str | None = None
    kept: object = field(default=None, hash=False)
    by: str = ""
    recorded: str | None = None
