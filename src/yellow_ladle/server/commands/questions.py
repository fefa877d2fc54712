"""Commands that read a book, a label or an amount, and print what follows."""

from pathlib import Path
from typing import Annotated, Any

import typer

from yellow_ladle.core.book.fault import Fault
from yellow_ladle.server.commands.arguments import (
    AsJson,
    BookFile,
    book_of,
    content_of,
    day_of,
    decoded,
    known,
    missing,
    print_json,
    refuse,
    today,
)


def derive(
    file: BookFile,
    regime: Annotated[str | None, typer.Option(help="Declare by this regime instead.")] = None,
    on: Annotated[
        str | None, typer.Option(metavar="DATE", help="Read certificates as of this day.")
    ] = None,
    as_json: AsJson = False,
) -> None:
    """What every pot of a book carries, declares and suits."""
    from dataclasses import replace

    from yellow_ladle.core.reading.reading import read
    from yellow_ladle.core.vocabulary.regimes import regimes
    from yellow_ladle.files.documents.reading_document import reading_content

    day = day_of(on)
    book = book_of(file)
    if regime is not None:
        known("--regime", "regime", regime, regimes())
        book = replace(book, kitchen=replace(book.kitchen, regime=regime))
    reading = read(book, day)
    if as_json:
        print_json(reading_content(reading))
    else:
        from yellow_ladle.files.documents.text_tables import print_reading

        print_reading(reading)


def swap(
    file: BookFile,
    item: Annotated[list[str], typer.Option(help="The pot or plate to change; or several.")],
    clear: Annotated[list[str] | None, typer.Option(help="A flag that must go.")] = None,
    fit: Annotated[list[str] | None, typer.Option(help="A diet that must suit.")] = None,
    limit: Annotated[int, typer.Option(help="How many plans at most.", min=1, max=100)] = 10,
    as_json: AsJson = False,
) -> None:
    """The plans that clear flags from a pot or make it fit a diet."""
    from yellow_ladle.core.checks.goal_faults import goal_faults
    from yellow_ladle.core.reading.reading import read
    from yellow_ladle.core.swaps.plans.goals import Goals
    from yellow_ladle.core.swaps.search.several_items import propose_together
    from yellow_ladle.files.documents.plans_document import plans_content

    book = book_of(file)
    reading = read(book, today())
    goals = Goals(tuple(dict.fromkeys(clear or ())), tuple(dict.fromkeys(fit or ())))
    items = list(dict.fromkeys(item))
    for each in items:
        known("--item", "pot", each, {*book.preparations, *reading.items()})
    if wrong := list(goal_faults(("--clear", "--fit"), goals.clear, goals.fit, book.flag_ids)):
        refuse(wrong)
    if not goals.clear and not goals.fit:
        refuse([Fault("--clear", "name a flag to clear, or a diet with --fit")])
    proposal = propose_together(reading, items, goals, limit, bases=True)
    if as_json:
        print_json(plans_content(items, goals, proposal))
    else:
        from yellow_ladle.core.swaps.library.bases import base_library
        from yellow_ladle.core.swaps.plans.instead import instead
        from yellow_ladle.files.documents.text_tables import print_plans

        suiting = instead(reading, items[0], goals) if len(items) == 1 else ()
        print_plans(
            book=base_library(reading).whole.book,
            items=items,
            goals=goals,
            proposal=proposal,
            suiting=suiting,
        )


def label(
    file: Annotated[
        str, typer.Argument(metavar="FILE|-", help="A label's text or picture; - reads it in.")
    ] = "-",
    lang: Annotated[str, typer.Option(help="The label's language, or auto.")] = "auto",
    lines: Annotated[bool, typer.Option("--lines", help="A label on each line.")] = False,
    as_json: AsJson = False,
) -> None:
    """What a label's words propose for each flag, and what to ask its maker."""
    from yellow_ladle.core.labels.label_reading import TooLong
    from yellow_ladle.core.labels.languages import AUTO
    from yellow_ladle.core.labels.reader import read_label
    from yellow_ladle.core.words.lexicon import languages
    from yellow_ladle.files.documents.label_document import label_content
    from yellow_ladle.files.picture import is_picture

    known("--lang", "language", lang, [AUTO, *languages()])
    content = content_of(file)
    if is_picture(content):
        _label_of_picture(file, content, lang, as_json=as_json)
        return
    text = decoded(file, content)
    texts = text.removesuffix("\n").split("\n") if lines else [text]
    try:
        readings = [read_label(each, lang) for each in texts]
    except TooLong as error:
        refuse([Fault(file, str(error))])
    if as_json:
        contents = [label_content(reading) for reading in readings]
        print_json(contents if lines else contents[0])
    else:
        from yellow_ladle.files.documents.text_tables import print_label

        for reading in readings:
            print_label(reading)


def _label_of_picture(file: str, content: bytes, lang: str, *, as_json: bool) -> None:
    from yellow_ladle.core.book.fault import BookRefused
    from yellow_ladle.devices.picture_label import label_of_picture
    from yellow_ladle.devices.picture_reader import ReaderMissing
    from yellow_ladle.files.documents.label_document import picture_content

    try:
        read = label_of_picture(content, lang)
    except ReaderMissing as error:
        missing(str(error))
    except BookRefused as error:
        refuse([Fault(file, fault.message) for fault in error.faults])
    told = picture_content(read.reading, read.text, read.uncertain, read.questions)
    if as_json:
        print_json(told)
    else:
        from yellow_ladle.files.documents.text_tables import print_label, print_uncertain

        print_label(read.reading)
        print_uncertain(told)


def recipe(
    file: Annotated[
        str, typer.Argument(metavar="FILE|-", help="Recipes in any form; - reads them in.")
    ] = "-",
    as_json: AsJson = False,
) -> None:
    """What is read of recipes in text, Markdown, a page, a document, a table or a picture."""
    from yellow_ladle.core.book.fault import BookRefused

    try:
        content = _recipes(content_of(file), "" if file == "-" else Path(file).stem)
    except BookRefused as error:
        refuse([Fault(fault.place or file, fault.message) for fault in error.faults])
    if as_json:
        print_json(content)
    else:
        from yellow_ladle.files.documents.text_tables import print_recipes

        print_recipes(content)


def _recipes(content: bytes, name: str) -> dict[str, Any]:
    from yellow_ladle.core.labels.label_reading import Word
    from yellow_ladle.files.documents.recipes_document import (
        picture_recipes_content,
        recipes_content,
    )
    from yellow_ladle.files.picture import is_picture
    from yellow_ladle.files.recipes.any_recipe import recipes_of

    if not is_picture(content):
        return recipes_content(recipes_of(content, name))
    from yellow_ladle.devices.picture_reader import ReaderMissing, read_picture

    try:
        read = read_picture(content, by_line=True)
    except ReaderMissing as error:
        missing(str(error))
    words = [Word(word.text, word.start, word.end) for word in read.uncertain]
    return picture_recipes_content(recipes_of(read.text.encode(), name), read.text, words)


def class_(
    names: Annotated[list[str], typer.Argument(metavar="NAME...", help="Names of goods and pots.")],
    as_json: AsJson = False,
) -> None:
    """What goods and pots of some names are taken as."""
    from yellow_ladle.files.documents.classes_document import classes_content

    content = classes_content(names)
    if as_json:
        print_json(content)
    else:
        from yellow_ladle.files.documents.text_tables import print_classes

        print_classes(content)


def numbers(file: BookFile, as_json: AsJson = False) -> None:
    """The salt, alcohol, sulphites and starch of every pot of a book, by mass balance."""
    from yellow_ladle.files.documents.numbers_document import numbers_content

    content = numbers_content(book_of(file))
    if as_json:
        print_json(content)
    else:
        from yellow_ladle.files.documents.text_tables import print_numbers

        print_numbers(content)


def amount(
    text: Annotated[str, typer.Argument(help="The amount as typed: 1 1/2 cups.")],
    density: Annotated[float | None, typer.Option(help="Grams in a millilitre.")] = None,
    unit_weight: Annotated[float | None, typer.Option(help="Grams of one piece.")] = None,
    as_json: AsJson = False,
) -> None:
    """What an amount as people type it comes to, in grams and millilitres."""
    from yellow_ladle.core.amounts.grammar import understand
    from yellow_ladle.core.amounts.weight import NOTHING_KNOWN, weigh
    from yellow_ladle.files.documents.numbers_document import amount_content

    for option, value in (("--density", density), ("--unit-weight", unit_weight)):
        if value is not None and not 0 < value < float("inf"):
            refuse([Fault(option, f"{value:g} cannot be; give a number above 0")])
    found = understand(text)
    weighed = NOTHING_KNOWN
    if found.quantity is not None and found.unit is not None:
        weighed = weigh(found.quantity, found.unit, density, unit_weight)
    if as_json:
        print_json(amount_content(found, weighed))
    else:
        from yellow_ladle.files.documents.text_tables import print_amount

        print_amount(found, weighed)
