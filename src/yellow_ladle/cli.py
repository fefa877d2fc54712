"""The command line: every command by its name."""

import os
import sys
from collections.abc import Callable

import typer

from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.server.commands import kitchen_data, production, questions
from yellow_ladle.server.commands.arguments import refuse

app = typer.Typer(
    help="Yellow Ladle: a kitchen's ledger of what is in every pot.",
    no_args_is_help=True,
    pretty_exceptions_enable=False,
    rich_markup_mode=None,
    add_completion=False,
)
COMMANDS: tuple[Callable[..., None], ...] = (
    *(questions.derive, questions.swap, questions.label, questions.numbers, questions.amount),
    *(questions.recipe, production.day, production.trace),
    *(
        kitchen_data.demo,
        kitchen_data.serve,
        kitchen_data.export,
        kitchen_data.backup,
        kitchen_data.restore,
        kitchen_data.verify,
    ),
)
for command in COMMANDS:
    app.command()(command)
app.command(name="class")(questions.class_)
app.command(name="import")(kitchen_data.import_)
app.command(name="schema")(kitchen_data.schema)


def main() -> None:
    """Runs the command line; input that cannot stand ends in exit code 2, never a stack trace."""
    # What a kitchen records is for its owner's eyes: files and folders are made so.
    os.umask(0o077)
    try:
        app()
    except BookRefused as refusal:
        refuse(refusal.faults)
    except BrokenPipeError:
        sys.stderr.close()
        sys.exit(0)
