"""Plain text out of what publishing systems put into their fields: tags, entities, scripts."""

import re
from html.parser import HTMLParser

_SILENT = ("script", "style", "noscript", "template", "iframe", "object", "svg")
_BREAKS = ("p", "br", "li", "div", "h1", "h2", "h3", "h4", "tr", "ol", "ul")


class _Text(HTMLParser):
    def __init__(self) -> None:
        super().__init__(convert_charrefs=True)
        self.parts: list[str] = []
        self._silent = 0

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        del attrs
        if tag in _SILENT:
            self._silent += 1
        elif tag in _BREAKS:
            self.parts.append("\n")

    def handle_endtag(self, tag: str) -> None:
        if tag in _SILENT:
            self._silent = max(self._silent - 1, 0)
        elif tag in _BREAKS:
            self.parts.append("\n")

    def handle_data(self, data: str) -> None:
        if not self._silent:
            self.parts.append(data)


def plain(text: str) -> str:
    """The words that a reader would see; line breaks stay, what a script holds does not."""
    if "<" in text or "&" in text:
        parser = _Text()
        parser.feed(text)
        parser.close()
        text = "".join(parser.parts)
    text = re.sub(r"[^\S\n]+", " ", text)
    text = "".join(sign for sign in text if sign == "\n" or sign.isprintable())
    return re.sub(r" ?\n[ \n]*", "\n", text).strip()


class _Blocks(HTMLParser):
    def __init__(self) -> None:
        super().__init__(convert_charrefs=False)
        self.blocks: list[str] = []
        self._inside = False

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        kind = dict(attrs).get("type") or ""
        self._inside = tag == "script" and "ld+json" in kind
        if self._inside:
            self.blocks.append("")

    def handle_endtag(self, tag: str) -> None:
        if tag == "script":
            self._inside = False

    def handle_data(self, data: str) -> None:
        if self._inside:
            self.blocks[-1] += data


def json_blocks(page: str) -> list[str]:
    """The JSON-LD blocks of a web page."""
    parser = _Blocks()
    parser.feed(page)
    parser.close()
    return parser.blocks
