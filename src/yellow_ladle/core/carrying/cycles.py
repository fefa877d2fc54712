"""What is made of what, and the loops that may not be."""

from collections.abc import Iterable, Mapping, Sequence

from yellow_ladle.core.book.book import Book, Preparation, owner_of


def inputs_of(book: Book) -> dict[str, list[str]]:
    """What each preparation, and each product made of others, has in it; alternatives too."""
    return _inputs(book.preparations.values()) | {
        product.id: sorted({owner_of(item) for item in product.contents})
        for product in book.products.values()
        if product.contents
    }


def cycle(inputs: Mapping[str, Sequence[str]]) -> list[str]:
    """The ids of one loop, closed at both ends, or nothing. `inputs`: what each is made of."""
    done: set[str] = set()
    for start in inputs:
        path = [(start, iter(inputs[start]))]
        on_path = {start: None}
        while path and start not in done:
            id, rest = path[-1]
            for item in rest:
                if item in on_path:
                    loop = list(on_path)
                    return [*loop[loop.index(item) :], item]
                if item in inputs and item not in done:
                    path.append((item, iter(inputs[item])))
                    on_path[item] = None
                    break
            else:
                path.pop()
                del on_path[id]
                done.add(id)
    return []


def _inputs(preparations: Iterable[Preparation]) -> dict[str, list[str]]:
    return {
        preparation.id: sorted({owner_of(line.item) for line in preparation.lines})
        for preparation in preparations
    }
