"""What a rule's sentences name as food and no line of it brings: it would be carried by nobody."""

import re
from functools import cache

from yellow_ladle.core.swaps.rules.swap_rules import SwapRule
from yellow_ladle.core.vocabulary.classes import known_classes, pot_classes
from yellow_ladle.core.vocabulary.toml import table, words
from yellow_ladle.core.words.class_names import class_of_name

_WORD = re.compile(r"[^\W\d_]+(?:-[^\W\d_]+)?")


def foods_not_brought(rule: SwapRule) -> list[tuple[str, tuple[str, ...]]]:
    """The sentences of a rule's method that name foods it does not bring, with their classes.

    What the rule takes, gives or adds may be named, and what only likens ("smells of butter") says
    nothing. Water, salt and plain oil stand on every stove.
    """
    added = {class_ for more in rule.adds for class_ in more.with_}
    own = {*rule.with_, *rule.replaces, *added}
    kin = {word for class_ in own for word in class_.split("-")}
    found = []
    for text in rule.method:
        if any(word in text.lower() for word in _words("likened")):
            continue
        named = sorted(
            class_ for class_ in foods_named(text) - own if not kin.intersection(class_.split("-"))
        )
        if named:
            found.append((text, tuple(named)))
    return found


def foods_named(text: str) -> set[str]:
    """The classes of goods that a sentence names for certain."""
    run = _WORD.findall(text.lower())
    found = set()
    for length in (1, 2):
        for at in range(len(run) - length + 1):
            part = run[at : at + length]
            guess = class_of_name(" ".join(part))
            plain = not _words("otherwise").isdisjoint((" ".join(part), *part))
            if guess.certain and guess.class_ in known_classes() and not plain:
                found.add(str(guess.class_))
    return found - pot_classes() - _words("always_there")


@cache
def _words(kind: str) -> frozenset[str]:
    return frozenset(words(table("rule_sentences")[kind]))
