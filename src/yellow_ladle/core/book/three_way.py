"""Three-way merging of what two people made of the same thing: the parts that every merge shares.

Where only one of them changed something, theirs counts; where both did, mine is kept and the
conflict told, but for levels, of which the higher is kept, as it is the safer.
"""

from collections.abc import Callable, Collection, Mapping
from dataclasses import fields, replace
from typing import TYPE_CHECKING, TypeVar

from yellow_ladle.core.book.maker import Evidence
from yellow_ladle.core.vocabulary.field_words import shown, word_of
from yellow_ladle.core.vocabulary.levels import Level

if TYPE_CHECKING:
    from _typeshed import DataclassInstance

Value = TypeVar("Value")
Whole = TypeVar("Whole", bound="DataclassInstance")


def mine_or_theirs(was: Value, here: Value, there: Value) -> tuple[Value, bool]:
    """The one that counts, and whether both changed it otherwise."""
    if here == was:
        return there, False
    return here, there not in (was, here)


def merged_value(was: Value, here: Value, there: Value, what: str, conflicts: list[str]) -> Value:
    """One value; `what` names it where both changed it."""
    value, both = mine_or_theirs(was, here, there)
    if both:
        conflicts.append(f"Both changed {what}: yours was kept, theirs was {shown(there)}.")
    return value


def merged_fields(
    was: Whole,
    here: Whole,
    there: Whole,
    of: str,
    conflicts: list[str],
    apart: Collection[str] = (),
) -> Whole:
    """A value with every field merged, but for those that are merged apart: they stay as mine.

    `of` names the whole in what is told.
    """
    return replace(
        here,
        **{
            entry.name: merged_value(
                was=getattr(was, entry.name),
                here=getattr(here, entry.name),
                there=getattr(there, entry.name),
                what=f"{word_of(entry)} of {of}",
                conflicts=conflicts,
            )
            for entry in fields(was)
            if entry.name not in apart
        },
    )


def merged_level(was: Level, here: Level, there: Level, what: str, conflicts: list[str]) -> Level:
    """One level; the higher where both changed it."""
    if here == was:
        return there
    if there in (was, here):
        return here
    level = max(here, there)
    conflicts.append(f"Both stated {what}: the higher level, {shown(level)}, was kept.")
    return level


def merged_statements(
    was: Mapping[str, Level],
    here: Mapping[str, Level],
    there: Mapping[str, Level],
    conflicts: list[str],
    of: str = "",
) -> dict[str, Level]:
    """Both people's statements; where both changed one, the higher level."""
    found: dict[str, Level] = {}
    for flag in dict.fromkeys((*was, *here, *there)):
        old, mine, theirs = (levels.get(flag) for levels in (was, here, there))
        level = theirs if mine == old else mine
        if old not in (mine, theirs) and mine != theirs:
            level = max(each for each in (mine, theirs) if each is not None)
            conflicts.append(f"Both stated {flag}{of}: the higher level, {level.word}, was kept.")
        if level is not None:
            found[flag] = level
    return found


def merged_evidence(
    was: Mapping[str, Evidence],
    here: Mapping[str, Evidence],
    there: Mapping[str, Evidence],
    stated: Collection[str],
) -> dict[str, Evidence]:
    """What is known of each statement that is left: theirs where only they changed it."""
    found: dict[str, Evidence] = {}
    for flag in dict.fromkeys((*there, *here)):
        old, mine, theirs = (evidence.get(flag) for evidence in (was, here, there))
        why = theirs if mine == old else mine
        if why is not None and (flag in stated or flag == "otherwise"):
            found[flag] = why
    return found


def merged_entries(
    was: Mapping[str, Value],
    here: Mapping[str, Value],
    there: Mapping[str, Value],
    what: str,
    both: Callable[[Value, Value, Value], Value],
    conflicts: list[str],
) -> list[Value]:
    """Entries by what they go by, theirs first; `both` merges one that all three have.

    What one took out is gone, unless the other changed it: then it is kept and told. One that both
    added under the same name is merged as if mine had been there before.
    """
    found: list[Value] = []
    for key in dict.fromkeys((*there, *here)):
        old, mine, theirs = was.get(key), here.get(key), there.get(key)
        if mine is not None and theirs is not None:
            found.append(both(mine if old is None else old, mine, theirs))
        elif old is None:
            found += [entry for entry in (mine, theirs) if entry is not None]
        elif mine is not None and mine != old:
            conflicts.append(f"They took out {what} {key}, which you changed: it was kept.")
            found.append(mine)
        elif theirs is not None and theirs != old:
            conflicts.append(f"You took out {what} {key}, which they changed: it was kept.")
            found.append(theirs)
    return found
