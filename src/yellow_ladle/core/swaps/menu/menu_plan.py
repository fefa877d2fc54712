"""What comes of a menu: who is served which plate, and the small pots that it takes."""

from dataclasses import dataclass

from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import CleanTool, Swap


@dataclass(frozen=True, slots=True)
class Guest:
    """Somebody at the table, and what must be cleared or fit for them."""

    name: str
    goals: Goals


@dataclass(frozen=True, slots=True)
class SmallPot:
    """A pot that is made beside the usual one. `swaps` are made in it, `within` also beneath it;
    `cleaned` are the tools that have to be clean for it.

    `guests` eat of it. Two of the same pot are told apart by what is within.
    """

    pot: str
    swaps: tuple[Swap, ...]
    within: tuple[Swap, ...]
    guests: tuple[str, ...]
    cleaned: tuple[CleanTool, ...] = ()


@dataclass(frozen=True, slots=True)
class Sharing:
    """Swaps in a pot that some guests eat of though only others, `needed_by`, need them."""

    pot: str
    swaps: tuple[Swap, ...]
    needed_by: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Serving:
    """One plate for the guests who share the same goals.

    `plan` None: nobody is served it, as no plan exists or, where it is `spare`, as they have enough
    of its course without. A plan without swaps is the plate as it usually is. `pots` are the small
    pots that it is made with, `shared` what it loses only for the sake of others.
    """

    plate: str
    guests: tuple[str, ...]
    goals: Goals
    plan: Plan | None
    pots: tuple[SmallPot, ...] = ()
    spare: bool = False
    shared: tuple[Sharing, ...] = ()

    @property
    def served(self) -> bool:
        """Whether the guests eat it."""
        return self.plan is not None


@dataclass(frozen=True, slots=True)
class MenuPlan:
    """How every guest eats. `pots` are the small pots needed in all, bases first; `cards` shipped
    bases that have to be made besides.

    `optimal`: no fewer of both would do. Otherwise at least `bound` are needed and the best answer
    found in the time is this one. A group of guests with the same goals gets one version of each
    pot in every plate.
    """

    servings: tuple[Serving, ...]
    pots: tuple[SmallPot, ...]
    bound: int
    cards: tuple[str, ...] = ()

    @property
    def made(self) -> int:
        """How many pots have to be made beside the usual ones."""
        return len(self.pots) + len(self.cards)

    @property
    def optimal(self) -> bool:
        """Whether no fewer would do."""
        return self.made == self.bound

    @property
    def gap(self) -> float:
        """How far the answer may be from the best, as a share of it; 0 where it is the best."""
        return (self.made - self.bound) / self.made if self.made else 0.0
