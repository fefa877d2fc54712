"""What plans are judged by, in the order that a kitchen wants."""

from typing import Literal, TypeAlias, get_args

Criterion: TypeAlias = Literal["adds", "swaps", "fidelity", "pots", "cost"]
"""Flags that rise; swaps, the familiar ones before the strange; what is lost of flavour, texture
and colour; pots made differently; the cost of the new goods."""

CRITERIA: tuple[Criterion, ...] = get_args(Criterion)
"""In the order that counts until a kitchen says otherwise."""


def ordered(*wanted: Criterion) -> tuple[Criterion, ...]:
    """Every criterion once: the wanted ones first, the rest as they stand."""
    return tuple(dict.fromkeys((*wanted, *CRITERIA)))
