"""How a text is laid out: its lines, with headings, lists and tables however they are written."""

import re
from collections.abc import Iterator, Sequence
from dataclasses import replace
from itertools import groupby
from textwrap import dedent
from unicodedata import category

from yellow_ladle.core.recipes.ingredient_list import is_goods, run_in
from yellow_ladle.core.recipes.ingredient_text import BULLETS
from yellow_ladle.core.recipes.line_text import PLAIN_NUMBER
from yellow_ladle.core.recipes.recipe_facts import facts_of, is_fact, is_time
from yellow_ladle.core.recipes.recipe_words import beginning, is_head, listed
from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.recipes.table_rows import columns_of
from yellow_ladle.core.recipes.text_line import MAX_TITLE_WORDS, TextLine
from yellow_ladle.core.recipes.told_steps import languages_of, tells_to_do_in_any_language
from yellow_ladle.core.recipes.yield_text import yield_of

_HEADING = re.compile(r"^\s{0,3}(#{1,6})\s+(.*?)\s*#*\s*$")
_BOLD_LINE = re.compile(r"^\s*(?:\*\*|__)([^*_]+?):?(?:\*\*|__):?\s*$")
_RULE = re.compile(r"^\s*(?:[-*_=~]\s*){3,}$")
_PAGE = re.compile(r"^\W*(?:page|seite|página|pagina|pg|p|s)\.?\s*\d{1,4}\W*$", re.I)
MAX_SALUTATION_WORDS = 12
_JOINS_PICTURES = "\ufe0f\u200d"
_QUOTED = re.compile(r"^\s*(?:> ?)+")
_PIPES = re.compile(r"^\s*\|?(.+?\|.+?)\|?\s*$")
_PIPE_RULE = re.compile(r"^\s*\|?\s*:?-{2,}:?\s*(?:\|\s*:?-{2,}:?\s*)*\|?\s*$")


def text_lines(text: str) -> list[TextLine]:
    """The lines of a text that say something; tables become rows with tabs between their cells."""
    found: list[TextLine] = []
    blank = True
    rows = _rows(text)
    for raw, language in zip(rows, languages_of(rows), strict=True):
        line = raw.rstrip().replace("\u00a0", " ")
        ruled = "|" in line and (_PIPE_RULE.match(line) or not line.strip(" |"))
        if not line.strip() or ruled or _PAGE.match(line):
            blank = blank or not line.strip()
            continue
        made = _lines_of(line, blank, first=not found)
        if made[-1].rule and not blank and _is_underlined(found[-1]):
            found[-1] = replace(found[-1], level=1 if "=" in line else 2)
            blank = True
            continue
        indented = re.match(r" {4}|\t", raw) is not None
        found += [replace(each, language=language, indented=indented) for each in made]
        blank = made[-1].rule
    return _heading_lists(_counted(found))


def _is_underlined(line: TextLine) -> bool:
    """Whether a rule right beneath a line makes a heading of it, as in Markdown."""
    plain = line.after_blank and not line.level and not line.rule and not line.bulleted
    return plain and line.words <= MAX_TITLE_WORDS and not line.is_measured and not line.ends


def _lines_of(line: str, blank: bool, *, first: bool) -> list[TextLine]:
    """What one line holds: mostly one, two where a heading or a list has something behind it."""
    if _RULE.match(line):
        return [TextLine("", after_blank=True, rule=True)]
    if (heading := _HEADING.match(line)) is not None:
        return [TextLine(heading[2].strip(" *_"), len(heading[1]), True)]
    if (bold := _BOLD_LINE.match(line)) is not None:
        return [TextLine(bold[1].strip(), 7, blank)]
    head, row = _headed(_row(line))
    rows = _title_and_facts(row, first=first) or [*filter(None, (head,)), *_list_and_steps(row)]
    return [TextLine(row, 0, blank and n == 0) for n, row in enumerate(rows)]


def _heading_lists(lines: list[TextLine]) -> list[TextLine]:
    """The lines with those marked that stand, numbered or not, over lines with amounts."""
    found = list(lines)
    by_number = _listed_by_number(lines)
    for at, line in enumerate(lines[:-1]):
        told = line.ends or minutes_of_step(line.bare) is not None
        told = told or (line.tells_to_do and not is_goods(line.bare))
        if not told and not line.is_measured and line.bare and _is_over_list(lines, at, by_number):
            found[at] = replace(line, heads_list=line.words <= MAX_TITLE_WORDS // 2)
    return found


def _is_over_list(lines: Sequence[TextLine], at: int, by_number: Sequence[bool]) -> bool:
    """Whether two ingredients follow a line, or one if it is numbered or names a usual part."""
    line, beneath = lines[at], lines[at + 1 : at + 3]
    listed_ = any(later.numbered for later in beneath) and by_number[at + 1]
    measured = [later.is_measured and (listed_ or not later.numbered) for later in beneath]
    usual = line.bare.lower().rstrip(":") in listed("lines", "parts")
    one = (line.numbered or usual) and line.after_blank and measured[0]
    return one or (len(measured) > 1 and all(measured))


def _listed_by_number(lines: Sequence[TextLine]) -> list[bool]:
    """For each line whether from it on its block numbers ingredients.

    Each has an amount then, and none ends or tells a time.
    """
    found = [False] * len(lines)
    for at in range(len(lines) - 1, -1, -1):
        line = lines[at]
        last = at + 1 == len(lines) or lines[at + 1].after_blank
        found[at] = (
            line.numbered
            and (last or found[at + 1])
            and line.is_measured
            and not line.ends
            and minutes_of_step(line.bare) is None
        )
    return found


def _rows(text: str) -> list[str]:
    """The lines of a text, those of a table in semicolons with tabs instead."""
    lines = re.split(r"\r\n|[\r\n\x0c]", text.lstrip("\ufeff"))
    # A quotation may be indented, and what is quoted too.
    lines = [_QUOTED.sub("", line) for line in dedent("\n".join(lines)).split("\n")]
    lines = dedent("\n".join(lines)).split("\n")
    lines = _without_salutations(list(_without_heads_of_mails(lines)))
    heads = _heads_of_blocks(lines)
    return [_parted(line, lines[head]) for line, head in zip(lines, heads, strict=True)]


def _without_heads_of_mails(lines: Sequence[str]) -> Iterator[str]:
    """The lines without those of a mail's head, one of which tells its subject: `From: Sam`."""
    names, subjects = listed("lines", "mail"), listed("lines", "subjects")
    for named, run in groupby(lines, lambda line: _label(line) in names):
        block = list(run)
        if not named or len(block) < 2 or not any(_label(line) in subjects for line in block):
            yield from block


def _without_salutations(lines: list[str]) -> list[str]:
    """The lines without the greeting that a letter begins with, and the farewell it ends with.

    A line that holds a number or names goods stays: it may be a part of the recipe.
    """
    first, last = 0, len(lines)
    while first < last and (not lines[first].strip() or _salutes(lines[first], "greetings")):
        first += 1
    for told in (_last_told(lines, last), _last_told(lines, _last_told(lines, last))):
        # Beneath a farewell stands at most who wrote it.
        below = " ".join(lines[told + 1 : last]).strip()
        if told >= first and _salutes(lines[told], "farewells") and _may_sign(below):
            last = told
            break
    return lines[first:last] if first < last else lines


def _last_told(lines: Sequence[str], end: int) -> int:
    """The place of the last line before a place that says something; -1 where none does."""
    return next((at for at in range(end - 1, -1, -1) if lines[at].strip()), -1)


def _may_sign(text: str) -> bool:
    words = re.findall(r"\w+", text)
    return len(words) <= 2 and not any(map(str.isdigit, words)) and not any(map(is_goods, words))


def _salutes(line: str, what: str) -> bool:
    plain = line.strip(" *_¡!")
    if beginning("lines", what).match(plain) is None or re.search(r"\d", plain):
        return False
    words = re.findall(r"[^\W\d_]+", plain)
    return len(words) <= MAX_SALUTATION_WORDS and not any(map(is_goods, words))


def _label(line: str) -> str:
    """What stands before the colon of a line, in small letters; nothing where it has none."""
    before, colon, _ = line.partition(":")
    return before.strip().lower() if colon else ""


def _parted(line: str, head: str) -> str:
    """A line with tabs between the cells that its block's first line shows it to have."""
    for sign in (r"\s*;\s*", r"\s{2,}"):
        if columns_of(re.sub(sign, "\t", head.strip())) is not None:
            return re.sub(sign, "\t", line.strip())
    return line


def _heads_of_blocks(lines: list[str]) -> Iterator[int]:
    """For every line the place of the first one of its block."""
    head = 0
    for at, line in enumerate(lines):
        if at == 0 or not lines[at - 1].strip() or not line.strip():
            head = at
        yield head


def _headed(line: str) -> tuple[str, str]:
    """The heading that a line begins with, and the rest: `Ingredients: 1 kg mussels, cider`."""
    head, colon, rest = line.partition(":")
    rest = rest.strip()
    heads = any(is_head(head, what) for what in ("ingredients", "method"))
    facts = not rest or is_time(rest) or yield_of(rest, bare=True) is not None
    # "For 4: 500 g lamb, 1 onion" says for how many, and lists.
    lists = yield_of(head) is not None and len(run_in(rest)) > 1
    return (head, rest) if colon and (heads or lists) and not facts else ("", line)


def _title_and_facts(row: str, *, first: bool) -> list[str]:
    """The cells of a row that begins with a name and tells for how many behind it.

    On the first line of a text a short name is taken for one, elsewhere for a fact: `Easy`.
    """
    name, *others = row.split("\t")
    if len(others) < 2 or not any(map(yield_of, others)) or re.search(r"\d", name):
        return []
    is_one = is_fact(name) or is_fact(f"{name}: x") or (not first and bool(facts_of(row)))
    return [] if is_one else [name, *others]


def _list_and_steps(line: str) -> list[str]:
    """A line parted where a list of ingredients ends and tells what to do with them.

    `Wrappers: 300 g flour, 160 ml water. Knead, rest 1 h.`
    """
    for stop in re.finditer(r"(?<=[^\W\d_]{3})\.\s+", line):
        listed_, told = line[: stop.start()], line[stop.end() :]
        head, colon, rest = told.partition(":")
        if colon and is_head(head, "method") and rest.strip():
            return [listed_, head, rest.strip()]
        first = TextLine(listed_)
        if first.listing is not None:
            return [listed_, *_afterthoughts(told)]
        several = len(first.parts) > 1 or first.labelled is not None
        if several and first.is_measured and tells_to_do_in_any_language(told):
            return [listed_, told]
    return [line]


def _without_pictures(text: str) -> str:
    """Strips the emoji that a text begins with, their modifiers and joiners included."""
    at = 0
    while at < len(text) and (
        (category(text[at]) == "So" and text[at] not in BULLETS)
        or text[at] in _JOINS_PICTURES
        or "\U0001f3fb" <= text[at] <= "\U0001f3ff"
    ):
        at += 1
    return text[at:].strip() if at else text


def _afterthoughts(told: str) -> list[str]:
    """What follows a list in a sentence: what it adds to the list by itself, then the rest."""
    first, stop, rest = told.partition(". ")
    if not TextLine(first).afterthought:
        return [told]
    return [first, *(_afterthoughts(rest.strip()) if stop and rest.strip() else ())]


def _row(line: str) -> str:
    """A line as it stands, its cells between pipes parted by tabs."""
    plain = re.sub(r"^[-*](?=[^\W\d])(?!\*)(?![^*]*\*)", "- ", line.strip())
    words = _without_pictures(plain)
    if words != plain and _without_pictures(plain[::-1]) != plain[::-1]:
        # Pictures on either side only adorn a name.
        return _without_pictures(words[::-1])[::-1]
    if words != plain:
        # A picture before a line is its bullet.
        plain = f"• {words}"
    cells = _PIPES.match(plain)
    if cells is None:
        return plain
    return "\t".join(_without_pictures(cell.strip()) for cell in cells[1].split("|"))


def _counted(lines: list[TextLine]) -> list[TextLine]:
    """The lines with those marked that are numbered without a sign: `1 Melt the butter`.

    Such numbers begin at one and go on by one, and half of what they count tells what to do;
    otherwise they are the amounts of ingredients.
    """
    found = list(lines)
    at = 0
    while at < len(lines):
        run = list(_counted_from(lines, at))
        told = sum(_is_told(lines[n]) for n in run)
        if len(run) > 1 and 2 * told >= len(run):
            for n in run:
                found[n] = replace(lines[n], counted=True)
        at = run[-1] + 1 if run else at + 1
    return found


def _counted_from(lines: Sequence[TextLine], at: int) -> Iterator[int]:
    """The places of the lines that are numbered from one on, the first of them at a place."""
    wanted = 1
    for here in range(at, len(lines)):
        number = PLAIN_NUMBER.match(lines[here].text)
        if number is not None and int(number["number"]) == wanted:
            wanted += 1
            yield here
        elif wanted == 1 or number is not None or lines[here].level or lines[here].rule:
            return


def _is_told(line: TextLine) -> bool:
    """Whether what follows the number of a line tells what to do, how long, or is a sentence."""
    rest = TextLine(PLAIN_NUMBER.sub("", line.text, count=1), language=line.language)
    return rest.tells_to_do or rest.ends or minutes_of_step(rest.bare) is not None
