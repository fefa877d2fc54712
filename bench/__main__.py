"""`./ladle bench [NAME…]`: every benchmark, one after the other, or those that are named."""

import sys

from bench import (
    bad_input,
    boards,
    carrying,
    daybook,
    first_page,
    hostile_texts,
    larder,
    load,
    numbers,
    opening,
    swaps,
)

EVERY = (
    carrying,
    opening,
    boards,
    first_page,
    larder,
    numbers,
    swaps,
    bad_input,
    hostile_texts,
    load,
    daybook,
)


def main(names: list[str]) -> None:
    """Runs them in their order. Ends with exit code 2 for a name that is none."""
    by_name = {module.__name__.rpartition(".")[2]: module for module in EVERY}
    if unknown := [name for name in names if name not in by_name]:
        print(f"no benchmark {unknown[0]}; there are {', '.join(by_name)}", file=sys.stderr)
        sys.exit(2)
    for name, module in by_name.items():
        if not names or name in names:
            module.main()


main(sys.argv[1:])
