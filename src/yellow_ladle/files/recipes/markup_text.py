"""The text of pages and documents, with the marks of Markdown for headings, lists and tables.

Each package reads its own container; what comes out is one form for the reader of texts.
"""

import io
import logging
import re
import zipfile
from collections import Counter
from collections.abc import Iterable, Iterator
from typing import TYPE_CHECKING, Any

from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.files.tables.spreadsheet import refuse_bombs

if TYPE_CHECKING:
    from docx.document import Document
    from docx.text.paragraph import Paragraph

MAX_PAGES = 500
MIN_REPEATED_PAGES = 3
"""Pages from which on a line that stands on most of them is a header or footer."""
_SILENT = frozenset(
    (
        *("script", "style", "noscript", "template", "iframe", "object", "svg", "head"),
        *("nav", "footer", "aside", "form", "button", "select"),
    )
)
_BLOCKS = frozenset(
    (
        *("p", "div", "section", "article", "main", "header", "ul", "ol", "table"),
        *("blockquote", "figure", "dl", "dt", "dd", "pre"),
    )
)
_HEADINGS = {f"h{level}": level for level in range(1, 7)}
_PAGE_NUMBER = re.compile(
    r"^\s*(?:page|seite|página|pagina)?\s*\d{1,4}(?:\s*(?:/|of|von|de|di)\s*\d+)?\s*$", re.I
)
_TEXT = "{urn:oasis:names:tc:opendocument:xmlns:text:1.0}"
_TABLE = "{urn:oasis:names:tc:opendocument:xmlns:table:1.0}"
_OFFICE = "{urn:oasis:names:tc:opendocument:xmlns:office:1.0}"


def html_text(page: str) -> str:
    """What a reader of a web page sees of its text."""
    from lxml import etree, html

    try:
        root = html.document_fromstring(page, parser=html.HTMLParser(huge_tree=False))
    except (etree.LxmlError, ValueError) as error:
        raise _refused("the page could not be read") from error
    return _tidy(_of_element(root))


def docx_text(content: bytes) -> str:
    """The text of a Word document."""
    from docx import Document
    from docx.opc.exceptions import PackageNotFoundError
    from docx.table import Table
    from lxml.etree import LxmlError

    refuse_bombs(content)
    try:
        document = Document(io.BytesIO(content))
        parts: list[str] = []
        for block in document.iter_inner_content():
            if isinstance(block, Table):
                parts.append("")
                parts += ["\t".join(_cells(row.cells)) for row in block.rows]
                parts.append("")
            else:
                parts.append(_of_paragraph(document, block))
    except (PackageNotFoundError, LxmlError, KeyError, ValueError, zipfile.BadZipFile) as error:
        raise _refused(
            "the document could not be read; save it again as DOCX or as text"
        ) from error
    return _tidy("\n".join(parts))


def odt_text(content: bytes) -> str:
    """The text of an OpenDocument text."""
    from defusedxml.common import DefusedXmlException
    from defusedxml.ElementTree import ParseError, fromstring

    refuse_bombs(content)
    try:
        with zipfile.ZipFile(io.BytesIO(content)) as archive:
            root = fromstring(archive.read("content.xml"))
    except (KeyError, ParseError, DefusedXmlException, zipfile.BadZipFile) as error:
        raise _refused("the document could not be read; save it again as ODT or as text") from error
    body = root.find(f".//{_OFFICE}text")
    return _tidy("\n".join(_of_odt(body, "") if body is not None else ()))


def pdf_text(content: bytes) -> str:
    """The text of a PDF, without what is printed on every page. A picture of a page has none."""
    from pypdf import PdfReader
    from pypdf.errors import PyPdfError

    # What is odd in a file that can still be read is nothing for the kitchen's log.
    logging.getLogger("pypdf").setLevel(logging.CRITICAL)
    try:
        reader = PdfReader(io.BytesIO(content))
        if reader.is_encrypted and not reader.decrypt(""):
            raise _refused("the PDF is locked by a password; save it without one")
        if len(reader.pages) > MAX_PAGES:
            raise _refused(f"the PDF has {len(reader.pages)} pages; at most {MAX_PAGES} at once")
        pages = [page.extract_text().split("\n") for page in reader.pages]
    except (PyPdfError, KeyError, ValueError, RecursionError, OSError) as error:
        raise _refused("the PDF could not be read; save it again, or copy its text") from error
    on_pages = Counter(line.strip() for page in pages for line in {*page} if line.strip())
    repeated = {
        line
        for line, count in on_pages.items()
        if len(pages) >= MIN_REPEATED_PAGES and count > len(pages) / 2
    }
    kept = [
        line
        for page in pages
        for line in page
        if line.strip() not in repeated and not (_PAGE_NUMBER.match(line) and line is page[-1])
    ]
    text = _tidy("\n".join(kept))
    if not text:
        raise _refused(
            "the PDF holds no text, only pictures; photograph or type the recipe instead"
        )
    return text


def _of_element(element: Any) -> str:
    """An element of a page with its marks: `# ` headings, `- ` and `1. ` lists, tabs in tables."""
    tag = element.tag if isinstance(element.tag, str) else ""
    if tag in _SILENT or not tag:
        return ""
    if tag == "br":
        return "\n"
    if tag == "tr":
        cells = [_inline(cell) for cell in element if cell.tag in ("td", "th")]
        return "\n" + "\t".join(cells)
    inner = "".join(_pieces(element))
    if tag in _HEADINGS:
        return f"\n\n{'#' * _HEADINGS[tag]} {_one_line(inner)}\n"
    if tag == "li":
        parent = element.getparent()
        mark = "1." if parent is not None and parent.tag == "ol" else "-"
        return f"\n{mark} {_one_line(inner)}"
    if tag in ("b", "strong") and element.getparent() is not None and _fills(element):
        return f"**{_one_line(inner)}**"
    return f"\n\n{inner}\n\n" if tag in _BLOCKS else inner


def _pieces(element: Any) -> Iterator[str]:
    yield re.sub(r"\s+", " ", element.text or "")
    for child in element:
        yield _of_element(child)
        yield re.sub(r"\s+", " ", child.tail or "")


def _fills(element: Any) -> bool:
    """Whether an element is all that its parent says."""
    parent = element.getparent()
    return _one_line("".join(parent.itertext())) == _one_line("".join(element.itertext()))


def _inline(element: Any) -> str:
    return _one_line("".join(_pieces(element)))


def _of_paragraph(document: "Document", paragraph: "Paragraph") -> str:
    text = paragraph.text.strip()
    style = (paragraph.style.name or "") if paragraph.style is not None else ""
    level = re.fullmatch(r"(?:Heading|Title)\s*(\d?)", style)
    if not text:
        return ""
    if level is not None:
        return f"\n{'#' * (int(level[1] or 0) + 1)} {_one_line(text)}"
    if style.startswith("List Number"):
        return f"1. {_one_line(text)}"
    if style.startswith("List Bullet"):
        return f"- {_one_line(text)}"
    numbering = paragraph._p.pPr.numPr if paragraph._p.pPr is not None else None
    if numbering is not None:
        return f"{_list_mark(document, numbering)} {_one_line(text)}"
    runs = [run for run in paragraph.runs if run.text.strip()]
    bold = bool(runs) and all(run.bold for run in runs) and "\n" not in text
    return f"\n**{text}**" if bold else text


def _list_mark(document: "Document", numbering: Any) -> str:
    """`1.` of a numbered list, `-` of any other, as the document defines it."""
    try:
        definitions = document.part.numbering_part.element
        number = numbering.numId.val
        [abstract] = definitions.xpath(f'./w:num[@w:numId="{int(number)}"]/w:abstractNumId/@w:val')
        kind = definitions.xpath(
            f'./w:abstractNum[@w:abstractNumId="{int(abstract)}"]/w:lvl[1]/w:numFmt/@w:val'
        )
    except (AttributeError, KeyError, NotImplementedError, ValueError):
        return "-"
    return "-" if not kind or kind[0] in ("bullet", "none") else "1."


def _cells(cells: Iterable[Any]) -> list[str]:
    """The cells of a row, one that spans several once."""
    found: list[str] = []
    seen: set[int] = set()
    for cell in cells:
        if id(cell._tc) not in seen:
            seen.add(id(cell._tc))
            found.append(_one_line(cell.text))
    return found


def _of_odt(element: Any, mark: str) -> Iterator[str]:
    for child in element:
        if child.tag == f"{_TEXT}h":
            level = int(child.get(f"{_TEXT}outline-level", "1"))
            yield f"\n{'#' * min(level, 6)} {_one_line(_odt_words(child))}"
        elif child.tag == f"{_TEXT}p":
            words = _odt_words(child).strip()
            yield f"{mark} {_one_line(words)}" if mark and words else words
        elif child.tag == f"{_TEXT}list":
            yield from _of_odt(child, "-")
        elif child.tag == f"{_TABLE}table":
            yield ""
            for row in child.iter(f"{_TABLE}table-row"):
                cells = [
                    _one_line(" ".join(_odt_words(p) for p in cell.iter(f"{_TEXT}p")))
                    for cell in row
                    if cell.tag == f"{_TABLE}table-cell"
                ]
                yield "\t".join(cells)
            yield ""
        else:
            yield from _of_odt(child, mark)


def _odt_words(element: Any) -> str:
    parts = [element.text or ""]
    for child in element:
        if child.tag == f"{_TEXT}s":
            parts.append(" " * min(int(child.get(f"{_TEXT}c", "1")), 100))
        elif child.tag == f"{_TEXT}tab":
            parts.append("\t")
        elif child.tag == f"{_TEXT}line-break":
            parts.append("\n")
        elif child.tag != f"{_TEXT}note":
            parts.append(_odt_words(child))
        parts.append(child.tail or "")
    return "".join(parts)


def _one_line(text: str) -> str:
    return re.sub(r"[^\S\t]+", " ", text).strip()


def _tidy(text: str) -> str:
    """Without signs that are not printed, and with no more than one empty line in a row."""
    plain = "".join(sign for sign in text if sign in "\n\t" or sign.isprintable())
    return re.sub(r"\n[ \n]*\n", "\n\n", re.sub(r" +\n", "\n", plain)).strip()


def _refused(message: str) -> BookRefused:
    return BookRefused([Fault("", message)])
