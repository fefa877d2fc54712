"""A whole reading and a label edit, against SQLite and networkx doing the same union."""

import resource
import sqlite3
import time
from collections.abc import Callable
from dataclasses import replace
from statistics import median
from typing import TypeVar

import networkx

from bench.made_up import large_book
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.carrying.declaration import declarer_of
from yellow_ladle.core.carrying.suitability import verdicts_of
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.update import Change, reread
from yellow_ladle.core.vocabulary.levels import Level

T = TypeVar("T")
Carried = dict[str, dict[str, int]]


def main() -> None:
    book = large_book()
    print(f"{len(book.preparations)} preparations, {len(book.products)} products")
    ours, whole = timed(lambda: everything(book), 3)
    graph, by_graph = timed(lambda: union_by_networkx(book), 1)
    rows, by_sql = timed(lambda: union_by_sqlite(book), 1)
    same(ours, graph, "networkx")
    same(ours, rows, "SQLite")
    _, levels = timed(lambda: read(book), 3)
    print(f"whole reading, with declarations and diets of everything: {whole * 1000:.0f} ms")
    print(f"its levels alone: {by_graph / levels:.1f} times faster than networkx")
    print(f"against the union alone by networkx: {by_graph / whole:.1f} times faster (aim: 5)")
    print(f"against the union alone by SQLite:   {by_sql / whole:.1f} times faster (aim: 50)")
    edit = label_edit(ours)
    print(f"a label edit re-read: 1/{whole / edit:.0f} of the whole reading (aim: under 1/100)")
    peak = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
    print(f"peak memory of this run, all three together: {peak:.0f} MB")


def timed(act: Callable[[], T], times: int) -> tuple[T, float]:
    """The last result, and the median seconds of several runs."""
    taken = []
    for _ in range(times):
        start = time.perf_counter()
        result = act()
        taken.append(time.perf_counter() - start)
    return result, median(taken)


def everything(book: Book) -> Reading:
    """Levels, declarations and diets of every item."""
    # Answers kept from the run before would make this one look quicker than it is.
    verdicts_of.cache_clear()
    declarer_of.cache_clear()
    carried = read(book)
    for item in carried.items():
        carried.declaration(item)
        carried.verdicts(item)
    return carried


def label_edit(before: Reading) -> float:
    """Median seconds to re-read one new statement, over products used in just ten pots."""
    users = before.graph.users
    products = [id for id in before.book.products if len(users.get(id, ())) == 10][:50]
    taken = []
    for id in products:
        product = before.book.products[id]
        flag = next(flag.id for flag in before.book.flags if flag.id not in product.statements)
        statements = {**product.statements, flag: Level.CONTAINS}
        change = Change(products=(replace(product, statements=statements),))
        start = time.perf_counter()
        again = reread(before, change)
        for item in again.changed:
            again.reading.declaration(item)
            again.reading.verdicts(item)
        taken.append(time.perf_counter() - start)
    return median(taken)


def union_by_networkx(book: Book) -> Carried:
    """Levels carried in topological order over a graph."""
    graph: networkx.DiGraph[str] = networkx.DiGraph()
    for id, made in book.preparations.items():
        graph.add_edges_from((line.item, id) for line in made.lines)
    every = [flag.id for flag in book.flags]
    carried: Carried = {}
    for id in networkx.topological_sort(graph):
        if id in book.products:
            product = book.products[id]
            levels = dict.fromkeys(every, int(product.otherwise)) if product.otherwise else {}
            carried[id] = levels | {flag: int(at) for flag, at in product.statements.items()}
            continue
        levels = {}
        for item in graph.predecessors(id):
            for flag, level in carried[item].items():
                if level > levels.get(flag, 0):
                    levels[flag] = level
        carried[id] = levels
    return carried


def union_by_sqlite(book: Book) -> Carried:
    """Levels by one recursive query over lines and statements, both indexed."""
    database = sqlite3.connect(":memory:")
    database.executescript(
        """
        CREATE TABLE line (made TEXT, item TEXT);
        CREATE TABLE statement (product TEXT, flag TEXT, level INTEGER);
        """
    )
    lines = ((id, line.item) for id, made in book.preparations.items() for line in made.lines)
    database.executemany("INSERT INTO line VALUES (?, ?)", lines)
    database.executemany("INSERT INTO statement VALUES (?, ?, ?)", statements(book))
    database.executescript(
        "CREATE INDEX by_made ON line (made); CREATE INDEX by_product ON statement (product);"
    )
    found: Carried = {id: {} for id in book.preparations}
    query = """
        WITH RECURSIVE within (made, item) AS (
            SELECT made, item FROM line
            UNION
            SELECT within.made, line.item FROM within JOIN line ON line.made = within.item
        )
        SELECT within.made, flag, MAX(level)
        FROM within JOIN statement ON statement.product = within.item
        GROUP BY within.made, flag
    """
    for made, flag, level in database.execute(query):
        found[made][flag] = level
    return found


def statements(book: Book) -> list[tuple[str, str, int]]:
    """Every level above free that a product gives, its `otherwise` written out."""
    rows = []
    for id, product in book.products.items():
        for flag in book.flags if product.otherwise else ():
            level = product.statements.get(flag.id, product.otherwise)
            rows.append((id, flag.id, int(level)))
        for flag_id, level in () if product.otherwise else product.statements.items():
            rows.append((id, flag_id, int(level)))
    return rows


def same(ours: Reading, theirs: Carried, whose: str) -> None:
    """A benchmark of a wrong answer is worth nothing."""
    for id in ours.book.preparations:
        levels = {flag: int(level) for flag, level in ours.levels(id).items()}
        if levels != {flag: level for flag, level in theirs[id].items() if level}:
            raise SystemExit(f"{whose} and the reading disagree on {id}")


if __name__ == "__main__":
    main()
