"""A card as Markdown."""

from yellow_ladle.core.reading.breakdown import by_flag
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.texts import SAY
from yellow_ladle.files.print.printed_card import (
    LEVEL_WORDS,
    grouped,
    head_text,
    line_text,
    signed_text,
)


def card_markdown(reading: Reading, id: str) -> str:
    """One card: what must be declared, what else it carries, its lines, method and sign-off."""
    preparation = reading.book.preparations[id]
    out = [f"# {_plain(preparation.name)}", "", head_text(preparation), ""]
    for part in by_flag(reading, id):
        out += [f"## {_plain(part.name)}", ""]
        for level, names in part.names.items():
            out.append(f"**{LEVEL_WORDS[level]}:** {', '.join(map(_plain, names))}  ")
        out += ["" if part.names else "Nothing.", ""]
    out += ["## What goes in", ""]
    for heading, lines in grouped(preparation):
        if heading:
            out += ["", f"### {_plain(heading)}", ""]
        for line in lines:
            asides = ["optional"] if line.optional else []
            asides += ["strained out"] if line.strained_out else []
            more = f" ({', '.join(asides)})" if asides else ""
            out.append(f"- {_plain(line_text(reading.book, line))}{more}")
    if preparation.method:
        out += ["", "## Method", ""]
    for number, step in enumerate(preparation.method, 1):
        said = [f"{step.minutes:g} min" if step.minutes else "", step.heat or "", step.cue or ""]
        aside = " · ".join(part for part in said if part)
        out.append(f"{number}. {_plain(step.text)}" + (f" *{_plain(aside)}*" if aside else ""))
        if step.caution:
            out.append(f"   **Caution:** {_plain(step.caution)}")
    out += ["", f"{signed_text(reading, id)} {SAY}", ""]
    return "\n".join(out)


def _plain(text: str) -> str:
    """Signs that Markdown would take for its own, escaped."""
    line = text.replace("\n", " ")
    return "".join(f"\\{sign}" if sign in "\\`*_[]<>#|" else sign for sign in line)
