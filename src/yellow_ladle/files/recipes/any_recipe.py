"""Recipes from whatever they were written in, told by the content and never by the file's name."""

import re
import zipfile
from dataclasses import replace
from io import BytesIO

from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.recipes.recipe import UNNAMED, Recipe
from yellow_ladle.core.recipes.sentence_amounts import with_lines_from_sentences
from yellow_ladle.core.recipes.text_reader import text_recipes
from yellow_ladle.files.recipes.markup_text import docx_text, html_text, odt_text, pdf_text
from yellow_ladle.files.recipes.plain_text import json_blocks
from yellow_ladle.files.recipes.recipe_reader import MAX_BYTES, bounded, read_recipes
from yellow_ladle.files.recipes.recipe_table import looks_like_a_table, table_recipes
from yellow_ladle.files.tables.spreadsheet import read_table

NOTHING = (
    "No recipe was found in it: no line has an amount, and nothing tells what to do. Put the name "
    "on the first line, then one ingredient on each line."
)
_HTML = re.compile(
    r"^\s*(?:<!--.*?-->\s*)*<(?:!doctype html|html|head|body|article|div|h[1-6]|p|ul|ol|table)\b",
    re.I | re.S,
)


def recipes_of(content: bytes, name: str = "") -> list[Recipe]:
    """Every recipe in a file or a pasted text. Raises BookRefused in words.

    `name` is what a recipe is called that does not say so itself.
    """
    if len(content) > MAX_BYTES:
        raise BookRefused([Fault("", f"the file is over {MAX_BYTES // 1024**2} MB")])
    found = _read(content)
    if not found:
        raise BookRefused([Fault("", NOTHING)])
    if name:
        found = [_named(recipe, name) for recipe in found]
    return bounded([with_lines_from_sentences(recipe) for recipe in found])


def _read(content: bytes) -> list[Recipe]:
    if content.startswith(b"%PDF"):
        return text_recipes(pdf_text(content))
    if content.startswith(b"PK\x03\x04"):
        return _zipped(content)
    text = _decoded(content)
    opening = text.lstrip()[:1]
    if opening in ("{", "["):
        return read_recipes(content)
    if _HTML.match(text):
        return _page(text)
    if looks_like_a_table(text):
        return table_recipes(read_table(text.encode()))
    return text_recipes(text)


def _zipped(content: bytes) -> list[Recipe]:
    try:
        with zipfile.ZipFile(BytesIO(content)) as archive:
            names = {*archive.namelist()}
    except zipfile.BadZipFile as error:
        raise BookRefused([Fault("", "the file is damaged and could not be opened")]) from error
    if "word/document.xml" in names:
        return text_recipes(docx_text(content))
    if any(name.startswith("xl/") for name in names):
        return table_recipes(read_table(content))
    if "content.xml" in names:
        return text_recipes(odt_text(content))
    message = "it is neither DOCX, ODT nor XLSX; save the recipe as one of them, or paste its text"
    raise BookRefused([Fault("", message)])


def _page(text: str) -> list[Recipe]:
    """The recipes that a page says it has; of one that says nothing those in its text."""
    if json_blocks(text):
        try:
            return read_recipes(text.encode())
        except BookRefused:
            return text_recipes(html_text(text))
    return text_recipes(html_text(text))


def _decoded(content: bytes) -> str:
    if content[:2] in (b"\xff\xfe", b"\xfe\xff"):
        return content.decode("utf-16", errors="replace")
    try:
        text = content.decode("utf-8-sig")
    except UnicodeDecodeError:
        text = content.decode("cp1252", errors="replace")
    if "\x00" in text:
        message = "it is no text; save the recipe as text, Markdown, DOCX, ODT, PDF, CSV or XLSX"
        raise BookRefused([Fault("", message)])
    return text


def _named(recipe: Recipe, name: str) -> Recipe:
    return replace(recipe, name=name) if recipe.name == UNNAMED else recipe
