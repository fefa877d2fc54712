"""What plans are judged by, in the order that a kitchen wants."""

from typing import Literal, TypeAlias, get_args

Criterion: TypeAlias = Literal["swaps", "fidelity", "adds", "pots", "cost"]
"""Swaps, the easy and familiar ones before the strange; what is lost of flavour, texture and
colour; flags that rise; pots made differently; the cost of the new goods."""

CRITERIA: tuple[Criterion, ...] = get_args(Criterion)
"""In the order that counts until a kitchen says otherwise."""


def ordered(*wanted: Criterion) -> tuple[Criterion, ...]:
    """Every criterion once: the wanted ones first, the rest as they stand."""
    return tuple(dict.fromkeys((*wanted, *CRITERIA)))
