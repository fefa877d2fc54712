"""Facts beside a recipe: how long, how hard, for how many, `Serves 4 | Prep: 10 min`."""

import re

from yellow_ladle.core.recipes.ingredient_text import starts_with_amount
from yellow_ladle.core.recipes.recipe_words import beginning, is_head, listed
from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.recipes.yield_text import yield_of

MAX_TIME_WORDS = 4
_FACTS = re.compile(r"\s*[|\t•·;]\s*|\s{2,}|\s+[-–—/]\s+|[,.]\s+")
_OVEN = re.compile(
    r"(?:oven|four|ofen|horno|forno)\s+(?:th\.?\s?)?\d{1,3}\s?(?:°|º)?\s?[CF]?", re.I
)
_NAMES_TIME = re.compile(r"^\w*(?:\s\w+)?\s?(?:time|zeit)\b|^total\b", re.I)


def facts_of(text: str) -> list[str]:
    """What a text says that holds nothing but facts, one for how many; otherwise nothing."""
    parts = [part for part in _FACTS.split(text) if part]
    timed = any(map(tells_time, parts))
    yields = [yield_of(part, bare=timed) is not None for part in parts]
    facts = [is_fact(part) or (any(yields) and tells_time(part)) for part in parts]
    # "Easy", "Vegetarian", between facts and in a row with them, is one more.
    beside = [
        any(yields) and any(facts) and len(part.split()) < 3 and not re.search(r"\d", part)
        for part in parts
    ]
    whole = len(parts) > 1 and all(map(any, zip(yields, facts, beside, strict=True)))
    return parts if whole else []


def is_time(text: str) -> bool:
    """Whether the first amount of a text is a time."""
    return starts_with_amount(text) and minutes_of_step(" ".join(text.split()[:3])) is not None


def is_fact(text: str) -> bool:
    """Whether a text says how long, how hard or where from, and nothing else."""
    before, colon, after = text.partition(":")
    known = beginning("lines", "about").fullmatch(before.strip(" *_"))
    if colon:
        # "Preparation: 20 min" is a fact, "Preparation: peel the leeks" are the steps.
        work = before.strip(" *_").lower() in listed("lines", "work")
        if work and not re.search(r"\d", re.sub(r"\([^()]*\)", "", after)):
            # "Prep: 10 min" is a fact, "Prep: romesco" a name.
            return after.strip().lower().rstrip(".") in listed("lines", "untimed")
        return bool(after.strip() and known) or (
            is_head(before, "method") and is_time(after.strip())
        )
    if _OVEN.fullmatch(text.strip()):
        return True
    # Without its colon "Cook 5 minutes" is a step.
    bare = re.fullmatch(r"(?:prep|cook|total)\s+\d+", text, re.I) is not None
    return bare or bool(known is None and tells_time(text) and _NAMES_TIME.search(text))


def tells_time(text: str) -> bool:
    """Whether a text is a time and nothing else, with or without what takes it: `Prep 20 min`."""
    lead = beginning("lines", "about").match(text)
    rest = text[lead.end() :].strip() if lead else text
    timed = is_time(rest) or (lead is not None and rest.isdigit())
    return bool(rest) and timed and len(rest.split()) <= MAX_TIME_WORDS
