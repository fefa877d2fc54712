"""A menu on a date with its guests, and what was served."""

from dataclasses import dataclass, field

from yellow_ladle.core.book.need import Need


@dataclass(frozen=True, slots=True)
class MenuPlate:
    """A plate of a service, and for how many."""

    item: str
    covers: int | None = None
    course: str | None = None


@dataclass(frozen=True, slots=True)
class Draw:
    """An amount taken from a batch or a tub onto a plate."""

    batch: str | None = None
    tub: str | None = None
    quantity: float | None = None
    unit: str | None = None


@dataclass(frozen=True, slots=True)
class Override:
    """An answer that somebody set aside, and why."""

    by: str
    why: str


@dataclass(frozen=True, slots=True)
class Served:
    """A plate that left the kitchen. `need` None: any guest. `from_` None: nobody wrote it down."""

    plate: str
    need: str | None = None
    portions: float | None = None
    at: str | None = None
    checked_by: tuple[str, ...] = ()
    answer: str | None = None
    plan: object = field(default=None, hash=False)
    override: Override | None = None
    from_: tuple[Draw, ...] | None = None
    by: str = ""
    recorded: str | None = None


@dataclass(frozen=True, slots=True)
class Service:
    """A menu on a date (ISO) with its guests; `at` is the moment at which it begins."""

    id: str
    date: str
    name: str = ""
    at: str | None = None
    plates: tuple[MenuPlate, ...] = ()
    needs: tuple[Need, ...] = ()
    served: tuple[Served, ...] = ()
    by: str = ""
    recorded: str | None = None
