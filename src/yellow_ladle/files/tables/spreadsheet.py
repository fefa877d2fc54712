"""A table of cells from CSV or XLSX bytes, bounded so that no file can hold the kitchen up."""

import csv
import io
import zipfile
from typing import TYPE_CHECKING
from xml.etree.ElementTree import ParseError

from yellow_ladle.core.book.fault import BookRefused, Fault

if TYPE_CHECKING:
    from openpyxl.cell import Cell
    from openpyxl.worksheet._write_only import WriteOnlyWorksheet

MAX_BYTES = 5 * 1024 * 1024
MAX_UNPACKED = 40 * 1024 * 1024
MAX_ROWS = 5_000
MAX_COLUMNS = 100
MAX_LETTERS = 20_000

RECKONED = tuple("=+-@\t\r")
"""Signs that begin what a spreadsheet takes for a formula."""

Table = list[list[str]]


def read_table(content: bytes) -> Table:
    """The cells of a CSV or XLSX file as text, row by row. Raises BookRefused in words.

    Formulas are kept as they are written ("=A1"), so that whoever reads the table can refuse them.
    """
    if len(content) > MAX_BYTES:
        raise _refused("the file is over 5 MB; split it, or take the pictures out")
    rows = _xlsx(content) if content[:4] == b"PK\x03\x04" else _csv(content)
    if not rows:
        raise _refused("the file holds no rows")
    return rows


def plain_text(cell: str) -> str:
    """A cell as it was meant: without the apostrophe that keeps a spreadsheet from reckoning."""
    return cell[1:] if cell[:1] == "'" and cell.lstrip("'")[:1] in RECKONED else cell


def write_csv(rows: Table) -> bytes:
    """A table as CSV that a spreadsheet opens with its accents, and none of it as a formula.

    A cell that it would take for one has an apostrophe before it.
    https://owasp.org/www-community/attacks/CSV_Injection
    """
    out = io.StringIO()
    csv.writer(out).writerows([_as_text(cell) for cell in row] for row in rows)
    return out.getvalue().encode("utf-8-sig")


def _as_text(cell: str) -> str:
    # An apostrophe of the cell's own stands before such a sign as well, so that none is lost.
    return f"'{cell}" if cell.lstrip("'")[:1] in RECKONED and cell else cell


def write_xlsx(rows: Table) -> bytes:
    """A table as an XLSX workbook of one sheet."""
    from openpyxl import Workbook  # with its numbers it holds 15 MB; few sheets are written

    book = Workbook(write_only=True)
    sheet = book.create_sheet("Larder")
    for row in rows:
        sheet.append([_text_cell(sheet, cell) for cell in row])
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


def _text_cell(sheet: "WriteOnlyWorksheet", text: str) -> "Cell":
    from openpyxl.cell import WriteOnlyCell

    cell = WriteOnlyCell(sheet, text)
    cell.data_type = "s"
    return cell


def _csv(content: bytes) -> Table:
    if b"\x00" in content[:4096]:
        raise _refused("this is neither CSV nor XLSX; save the sheet as one of the two")
    text = _text(content)
    first = text.split("\n", 1)[0]
    sign = max(",;\t", key=first.count)
    try:
        rows = list(csv.reader(io.StringIO(text, newline=""), delimiter=sign))
    except csv.Error as error:
        raise _refused(f"the CSV cannot be read: {error}") from error
    return _bounded([[cell.strip() for cell in row] for row in rows if any(row)])


def _text(content: bytes) -> str:
    try:
        return content.decode("utf-8-sig")
    except UnicodeDecodeError:
        return content.decode("cp1252", errors="replace")


def _xlsx(content: bytes) -> Table:
    from openpyxl import load_workbook
    from openpyxl.utils.exceptions import InvalidFileException

    refuse_bombs(content)
    try:
        book = load_workbook(io.BytesIO(content), read_only=True, keep_links=False)
        sheet = book.worksheets[0]
        rows: Table = []
        for row in sheet.iter_rows(max_col=MAX_COLUMNS + 1):
            if len(rows) > MAX_ROWS:
                break
            cells = [_cell(cell.value, cell.data_type) for cell in row]
            while cells and not cells[-1]:
                cells.pop()
            if cells:
                rows.append(cells)
        book.close()
    except (
        *(InvalidFileException, zipfile.BadZipFile, ParseError),
        *(KeyError, ValueError, IndexError, TypeError, AttributeError, EOFError, OSError),
    ) as error:
        raise _refused("the XLSX cannot be read; open it and save it anew, or as CSV") from error
    return _bounded(rows)


def refuse_bombs(content: bytes) -> None:
    """A workbook is a zip: what it unpacks to is asked before anything is unpacked."""
    try:
        with zipfile.ZipFile(io.BytesIO(content)) as parts:
            unpacked = sum(part.file_size for part in parts.infolist())
    except zipfile.BadZipFile as error:
        raise _refused("the XLSX cannot be read; open it and save it anew, or as CSV") from error
    if unpacked > MAX_UNPACKED:
        raise _refused("the XLSX unpacks to over 40 MB, which no list of goods does")


def _cell(value: object, kind: str) -> str:
    """A cell as CSV would have it: text that looks like a formula bears an apostrophe."""
    if value is None:
        return ""
    if isinstance(value, float) and value.is_integer():
        return str(int(value))
    text = str(value).strip()
    return _as_text(text) if isinstance(value, str) and kind != "f" else text


def _bounded(rows: Table) -> Table:
    if len(rows) > MAX_ROWS + 1:
        raise _refused(f"the table has more than {MAX_ROWS:,} rows; split it")
    if any(len(row) > MAX_COLUMNS for row in rows):
        raise _refused(f"the table has more than {MAX_COLUMNS} columns")
    if any(len(cell) > MAX_LETTERS for row in rows for cell in row):
        raise _refused("a cell holds more text than any label")
    return rows


def _refused(why: str) -> BookRefused:
    return BookRefused([Fault("", why)])
