"""What a plan may not do, whatever it clears."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Limits:
    """Bounds on every plan.

    `most_pots`: preparations made differently, at most. `without`: items that no swap may bring.
    `kept`: lines, as (preparation, index), whose item stays; `same_class`: those where it stays of
    its class, so that a plate is still what it is told by (identity.py). `keep_colour`: only swaps
    that are right for the colour family of their pot. `keep_thickness`: none after which a sauce or
    soup is predicted to be thinner, and no swap whose rule says that it will be.
    `freezes`: none that breaks when frozen. `products_only`: nothing is put in place of a line but
    what is bought, so that no other pot is needed.
    """

    most_pots: int | None = None
    without: frozenset[str] = frozenset()
    kept: frozenset[tuple[str, int]] = frozenset()
    same_class: frozenset[tuple[str, int]] = frozenset()
    keep_colour: bool = False
    keep_thickness: bool = False
    freezes: bool = False
    products_only: bool = False


NO_LIMITS = Limits()
