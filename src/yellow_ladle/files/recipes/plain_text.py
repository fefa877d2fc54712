"""Plain text out of what publishing systems put into their fields: tags, entities, scripts.

The standard library's parser is not used: it gives up on some broken markup, and takes a time that
grows with the square of the text on other. Each pass here reads the text once.
"""

import re
from html import unescape

_SILENT = ("script", "style", "noscript", "template", "iframe", "object", "svg")
_BREAKS = ("p", "br", "li", "div", "h1", "h2", "h3", "h4", "tr", "ol", "ul")
_TAG = re.compile(r"</?([a-z][\w-]*)[^<>]*>", re.I)
_OPENING = re.compile(rf"<({'|'.join(_SILENT)})\b", re.I)
_CLOSING = {tag: re.compile(rf"</{tag}\b[^<>]*>", re.I) for tag in _SILENT}
_DATA = re.compile(r"<script\b[^<>]*ld\+json[^<>]*>", re.I)


def plain(text: str) -> str:
    """The words that a reader would see; line breaks stay, what a script holds does not."""
    if "<" in text or "&" in text:
        text = _without_silent(_without_comments(text))
        text = unescape(_TAG.sub(_break_or_nothing, text))
    text = re.sub(r"[^\S\n]+", " ", text)
    text = "".join(sign for sign in text if sign == "\n" or sign.isprintable())
    return re.sub(r" ?\n[ \n]*", "\n", text).strip()


def json_blocks(page: str) -> list[str]:
    """The JSON-LD blocks of a web page, in their order."""
    blocks: list[str] = []
    at = 0
    while (opened := _DATA.search(page, at)) is not None:
        closed = _CLOSING["script"].search(page, opened.end())
        if closed is None:
            break
        blocks.append(page[opened.end() : closed.start()])
        at = closed.end()
    return blocks


def _without_comments(text: str) -> str:
    parts, at = [], 0
    while (start := text.find("<!--", at)) >= 0:
        parts.append(text[at:start])
        end = text.find("-->", start)
        if end < 0:
            return "".join(parts)
        at = end + len("-->")
    return "".join((*parts, text[at:]))


def _without_silent(text: str) -> str:
    """Without elements whose content nobody sees; one that is never closed takes the rest."""
    parts, at = [], 0
    while (opened := _OPENING.search(text, at)) is not None:
        parts.append(text[at : opened.start()])
        closed = _CLOSING[opened[1].lower()].search(text, opened.end())
        if closed is None:
            return "".join(parts)
        at = closed.end()
    return "".join((*parts, text[at:]))


def _break_or_nothing(tag: re.Match[str]) -> str:
    return "\n" if tag[1].lower() in _BREAKS else ""
