"""The whole book as one table: a row for each line, with what its pot carries."""

from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.files.print.printed_card import flag_words

HEADINGS = (
    *("pot", "pot name", "kind", "line", "group", "item", "item name", "amount", "unit", "grams"),
    *("role", "stage", "counted", "optional", "strained out", "treatment", "minutes", "note"),
    *("contains", "may contain", "not checked"),
)


def book_rows(reading: Reading) -> list[list[str]]:
    """Every line of every pot under the headings; a pot without lines has one row of its own."""
    book, balance = reading.book, reading.balance
    rows = [list(HEADINGS)]
    for id in sorted(book.preparations):
        preparation = book.preparations[id]
        flags = flag_words(reading, id)
        carried = [", ".join(part) for part in (flags.contains, flags.may_contain, flags.unchecked)]
        head = [id, preparation.name, preparation.kind]
        if not preparation.lines:
            rows.append([*head, *[""] * (len(HEADINGS) - 6), *carried])
        counted = set(preparation.counted())
        for index, line in enumerate(preparation.lines):
            grams = balance.line_grams(line)
            rows.append(
                [
                    *head,
                    str(index + 1),
                    line.group,
                    line.item,
                    book.name(line.item),
                    line.typed or f"{line.quantity:.10g}",
                    line.unit,
                    "" if grams is None else f"{grams:.6g}",
                    line.role,
                    line.stage,
                    *(_yes(flag) for flag in (index in counted, line.optional, line.strained_out)),
                    line.treatment,
                    "" if line.minutes is None else f"{line.minutes:g}",
                    line.note,
                    *carried,
                ]
            )
    return rows


def _yes(flag: bool) -> str:
    return "yes" if flag else "no"
