"""Readings, plans and labels as tables for a terminal."""

from collections.abc import Sequence
from typing import Any

from rich.console import Console
from rich.table import Table

from yellow_ladle.core.amounts.understood import Understood, question_of
from yellow_ladle.core.amounts.weight import Weighed
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.carrying.suitability import Verdict
from yellow_ladle.core.labels.label_reading import LabelReading
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.texts import OWN_TOOLS, SAY
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.instead import offered_first
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.search.proposal import Proposal
from yellow_ladle.core.vocabulary.levels import Level

_WIDTH_WITHOUT_A_TERMINAL = 160


def terminal() -> Console:
    """Where tables go: a terminal, or text of a fixed width."""
    console = Console(highlight=False)
    if not console.is_terminal:
        console = Console(highlight=False, width=_WIDTH_WITHOUT_A_TERMINAL)
    return console


def print_reading(reading: Reading) -> None:
    """One row per preparation and by-product; flags in sentence form, unchecked apart."""
    table = Table(
        "Pot", "Contains", "May contain", "Not checked", "Suits", "Ask", title_justify="left"
    )
    every = len(reading.book.flags)
    for item in sorted(reading.items()):
        levels, traces = reading.levels(item), reading.tool_traces(item)
        verdicts = reading.verdicts(item)
        unchecked = [flag for flag, level in levels.items() if level is Level.UNCHECKED]
        rest = len(unchecked) > every // 2
        told = f"all the rest ({len(unchecked)})" if rest else ", ".join(unchecked)
        table.add_row(
            item,
            _those(levels, Level.CONTAINS),
            ", ".join(
                f"{flag} ({OWN_TOOLS})" if flag in traces else flag
                for flag, level in levels.items()
                if level is Level.MAY_CONTAIN
            ),
            told,
            ", ".join(diet for diet, said in verdicts.items() if said is Verdict.SUITS),
            ", ".join(diet for diet, said in verdicts.items() if said is Verdict.ASK),
        )
    console = terminal()
    console.print(table)
    console.print(SAY)


def _those(levels: dict[str, Level], wanted: Level) -> str:
    return ", ".join(flag for flag, level in levels.items() if level is wanted)


def print_plans(
    book: Book,
    items: Sequence[str],
    goals: Goals,
    proposal: Proposal,
    suiting: Sequence[str] = (),
) -> None:
    """A table per plan, then what stands in the way. `book` holds the shipped bases too.

    Where the first plan makes another dish, what of the kitchen suits as it is leads.
    """
    console = terminal()
    console.print(f"{' and '.join(book.name(item) for item in items)}: {goals.words()}")
    if offered_first(proposal.plans):
        console.print(_offer_instead(book, suiting))
    if not proposal.plans:
        console.print("No plan reaches any of it with what the larder holds.")
    for number, plan in enumerate(proposal.plans, start=1):
        console.print(_plan_table(plan, number))
    for way in proposal.checks:
        labels = "; ".join(f"{book.name(c.product)} for {', '.join(c.flags)}" for c in way.checks)
        then = "".join(f"; then {_told(book, swap)}" for swap in way.swaps)
        then += "".join(
            f"; {book.name(move.in_)}: {move.method(book.toolbox)}" for move in way.cleaned
        )
        console.print(f"Cheaper, if the label says so: read {labels}{then}.")
    for blocked in proposal.blocked:
        where = book.name(blocked.in_)
        console.print(f"In the way: {blocked.from_} in {where} ({blocked.flag}): {blocked.why}.")
    console.print(SAY)


def _offer_instead(book: Book, suiting: Sequence[str]) -> str:
    if not suiting:
        return "Offer something else: nothing of its kind suits as it is made now."
    names = ", ".join(book.name(item) for item in suiting)
    return f"Offer something else. As they are made now these suit: {names}."


def _plan_table(plan: Plan, number: int) -> Table:
    # What a plan brings, bases and goods to be bought, is in the book as it is after it.
    book = plan.after.book
    reach = "meets every goal" if plan.meets else "falls short"
    if plan.buy:
        reach = "meets every goal if the label of what is bought says so"
    if not plan.same_dish:
        reach += ", but would be another dish"
    table = Table(title=f"Plan {number}: {reach}", title_justify="left", show_header=False)
    for swap in plan.swaps:
        table.add_row("change", _told(book, swap))
        for line in swap.adds:
            added = f"{line.quantity:g} {line.unit} {book.name(line.item)}"
            table.add_row("", f"with {added} on a line more")
        for step in swap.method:
            table.add_row("", step)
    for move in plan.cleaned:
        table.add_row("clean tool", f"{book.name(move.in_)}: {move.method(book.toolbox)}")
    for id in plan.cards:
        table.add_row("card to add", f"{book.name(id)}, not yet made here")
    for _, class_ in plan.buy:
        table.add_row("to buy", class_.replace("-", " "))
    table.add_row("clears", ", ".join(plan.clears) or "nothing")
    table.add_row("adds", ", ".join(plan.adds) or "nothing")
    table.add_row("as a small pot", ", ".join(plan.pots))
    table.add_row("made for all", f"also changes {', '.join(plan.also)}" if plan.also else "")
    return table


def _told(book: Book, swap: Swap) -> str:
    old, pot = book.name(swap.from_), book.name(swap.in_)
    if swap.to is None:
        return f"{pot}: leave out {old}"
    return f"{pot}: {swap.quantity:g} {swap.unit} {book.name(swap.to)} for {old}"


def print_label(reading: LabelReading) -> None:
    """One row per proposed flag with the words behind it, then the questions for the maker."""
    table = Table("Flag", "Level", "Because of", "Why", title_justify="left")
    for proposal in reading.proposals:
        for number, why in enumerate(proposal.because):
            flag, level = ("", "") if number else (proposal.flag, proposal.level.word)
            table.add_row(flag, level.replace("_", " "), why.text, why.why)
    console = terminal()
    console.print(table)
    for question in reading.questions:
        console.print(f"Ask: {question}", markup=False)
    if reading.unknown:
        unknown = ", ".join(dict.fromkeys(word.text for word in reading.unknown))
        console.print(f"Not known here: {unknown}", markup=False)
    if not reading.complete:
        console.print("Not every word is accounted for: the rest of the label is not checked.")
    console.print("Proposed from the words alone. Read the label; confirm each flag yourself.")


def print_numbers(content: dict[str, Any]) -> None:
    """One row per pot; a number with something missing reads "at least"."""
    table = Table(
        "Pot", "Salt g/100 g", "Alcohol % (estimate)", "SO2 mg/kg", "Starch g/l", "Missing"
    )
    for item, numbers in sorted(content["items"].items()):
        missing = sorted({id for number in numbers.values() for id in number["missing"]})
        cells = (
            f"{'at least ' if number['at_least'] else ''}{number['value']:.3g}"
            for number in numbers.values()
        )
        table.add_row(item, *cells, ", ".join(missing))
    terminal().print(table)


def print_classes(content: dict[str, Any]) -> None:
    """One row a name: its class, whether that is certain, and what else it may be."""
    table = Table("Name", "Class", "Certain", "Or")
    for entry in content["classes"]:
        certain = "yes" if entry["certain"] else "no"
        table.add_row(entry["name"], entry["class"] or "-", certain, ", ".join(entry["others"]))
    terminal().print(table)


def print_uncertain(content: dict[str, Any]) -> None:
    """What has to be looked at in a label that was read from a picture."""
    console = terminal()
    words = ", ".join(word["text"] for word in content["uncertain"])
    if words:
        console.print(f"To be looked at in the picture: {words}")
    console.print("Read from a picture: compare it with the jar before anything counts as free.")


def print_recipes(content: dict[str, Any]) -> None:
    """Each recipe: its lines as they were understood, what is to be asked, and its steps."""
    console = terminal()
    for recipe in content["recipes"]:
        served = recipe["portions"]
        made = recipe["yield"]
        told = [f"{served} portions"] if served else []
        told += [f"{made['quantity']} {made['unit']}"] if made else []
        console.print(" - ".join([recipe["name"], *told]))
        table = Table("Amount", "Unit", "Item", "Note", "Asked")
        for line in recipe["lines"]:
            high = "" if line["high"] is None else f"-{line['high']}"
            amount = "" if line["quantity"] is None else f"{line['quantity']}{high}"
            table.add_row(
                *(amount, line["unit"] or "", line["item"] or line["text"]),
                *(line["note"], line["question"]),
            )
        console.print(table)
        for number, step in enumerate(recipe["steps"], 1):
            minutes = "" if step["minutes"] is None else f" ({step['minutes']} min)"
            console.print(f"{number}. {step['text']}{minutes}")


def print_amount(found: Understood, weighed: Weighed) -> None:
    """What was understood, in a line or two."""
    console = terminal()
    if found.quantity is not None:
        told = " ".join(part for part in (f"{found.quantity:g}", found.unit, found.item) if part)
        grams, volume = weighed.grams, weighed.millilitres
        weight = "weight not known" if grams is None else f"{grams:.4g} g"
        room = "volume not known" if volume is None else f"{volume:.4g} ml"
        console.print(f"{told}: {weight}, {room}")
    if question := question_of(found):
        console.print(question)
