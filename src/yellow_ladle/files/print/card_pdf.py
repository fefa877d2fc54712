"""A card as a sheet to print: A4 or A5, flags in words, date and sign-off."""

from datetime import date
from functools import cache
from io import BytesIO
from xml.sax.saxutils import escape

from reportlab.lib.colors import HexColor
from reportlab.lib.pagesizes import A4, A5
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import (
    Flowable,
    HRFlowable,
    KeepTogether,
    Paragraph,
    SimpleDocTemplate,
    Spacer,
    Table,
    TableStyle,
)

from yellow_ladle.core.book.book import Line
from yellow_ladle.core.reading.breakdown import by_flag
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.texts import SAY
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.files.print.pot_mark import PotMark
from yellow_ladle.files.print.printed_card import (
    LEVEL_WORDS,
    amount_text,
    grouped,
    head_text,
    signed_text,
)

SIZES = {"A4": A4, "A5": A5}
INK, CLAY, ENAMEL, LADLE = "#20242C", "#A8481B", "#1F3A6E", "#F5B700"
PLAIN, BOLD = "Vera", "VeraBd"
MARKED = TableStyle(
    [
        ("VALIGN", (0, 0), (-1, -1), "TOP"),
        *((padding, (0, 0), (-1, -1), 1) for padding in ("TOPPADDING", "BOTTOMPADDING")),
        *((padding, (0, 0), (-1, -1), 0) for padding in ("LEFTPADDING", "RIGHTPADDING")),
    ]
)


def card_pdf(reading: Reading, id: str, size: str, printed: date) -> bytes:
    """The sheet of one card as it stands on a day. `size`: A4 or A5."""
    _fonts()
    small = size == "A5"
    styles = _styles(8.0 if small else 10.0)
    preparation = reading.book.preparations[id]
    story: list[Flowable] = [
        Paragraph(escape(preparation.name), styles["name"]),
        Paragraph(escape(head_text(preparation)), styles["soft"]),
        HRFlowable(width="100%", thickness=2.5, color=HexColor(LADLE), spaceAfter=5),
        *_flags(reading, id, styles),
        Paragraph("What goes in", styles["heading"]),
    ]
    for heading, lines in grouped(preparation):
        story.append(KeepTogether(_lines(reading, heading, lines, styles)))
    if preparation.method:
        story.append(Paragraph("Method", styles["heading"]))
    for number, step in enumerate(preparation.method, 1):
        told = [f"{step.minutes:g} min" if step.minutes else "", step.heat or "", step.cue or ""]
        aside = " · ".join(part for part in told if part)
        parts: list[Flowable] = [Paragraph(f"{number}. {escape(step.text)}", styles["text"])]
        if aside:
            parts.append(Paragraph(escape(aside), styles["aside"]))
        if step.caution:
            parts.append(Paragraph(f"<b>Caution:</b> {escape(step.caution)}", styles["aside"]))
        story.append(KeepTogether(parts))
    story += [
        Spacer(1, 5 * mm),
        HRFlowable(width="100%", thickness=0.5, color=HexColor(INK), spaceAfter=3),
        Paragraph(escape(signed_text(reading, id)), styles["text"]),
        Paragraph("Checked by ______________________   on ______________", styles["sign"]),
        Paragraph(escape(SAY), styles["soft"]),
    ]
    foot = f"{reading.book.kitchen.name} · printed {printed.isoformat()}"
    return _built(story, size, preparation.name, foot)


def _built(story: list[Flowable], size: str, title: str, foot: str) -> bytes:
    out = BytesIO()
    margin = 12 * mm if size == "A5" else 18 * mm

    def under(pen: Canvas, document: SimpleDocTemplate) -> None:
        pen.setFont(PLAIN, 7)
        pen.drawString(margin, 8 * mm, foot)
        pen.drawRightString(SIZES[size][0] - margin, 8 * mm, f"page {document.page}")

    document = SimpleDocTemplate(
        out,
        pagesize=SIZES[size],
        leftMargin=margin,
        rightMargin=margin,
        topMargin=margin,
        bottomMargin=14 * mm,
        title=title,
        author=foot.partition(" · ")[0],
        invariant=True,
    )
    document.build(story, onFirstPage=under, onLaterPages=under)
    return out.getvalue()


def _flags(reading: Reading, id: str, styles: dict[str, ParagraphStyle]) -> list[Flowable]:
    """What the law wants declared first, then the rest; each level with its mark and its word."""
    size = styles["text"].fontSize * 1.35
    found: list[Flowable] = []
    for part in by_flag(reading, id):
        rows: list[list[Flowable | str]] = []
        for level, names in part.names.items():
            colour = CLAY if level is Level.UNCHECKED else ENAMEL
            word = f'<font color="{colour}"><b>{LEVEL_WORDS[level]}:</b></font>'
            told = Paragraph(f"{word} {escape(', '.join(names))}", styles["text"])
            rows.append([PotMark(level, size, HexColor(colour)), told])
        if not rows:
            rows.append(["", Paragraph("Nothing.", styles["text"])])
        table = Table(rows, colWidths=[size * 1.4, None], hAlign="LEFT", style=MARKED)
        found.append(KeepTogether([Paragraph(escape(part.name), styles["group"]), table]))
    return found or [Paragraph("No flag is recorded above free.", styles["text"])]


def _lines(
    reading: Reading, heading: str, lines: list[Line], styles: dict[str, ParagraphStyle]
) -> list[Flowable]:
    rows = []
    for line in lines:
        asides = [line.note] if line.note else []
        asides += ["optional"] if line.optional else []
        asides += ["strained out"] if line.strained_out else []
        name = escape(reading.book.name(line.item))
        more = f' <font size="-1">({escape(", ".join(asides))})</font>' if asides else ""
        amount = line.typed or amount_text(line.quantity, line.unit)
        told = Paragraph(name + more, styles["text"])
        rows.append([Paragraph(escape(amount), styles["amount"]), told])
    table = Table(rows, colWidths=[28 * mm, None], hAlign="LEFT")
    table.setStyle(
        TableStyle(
            [
                ("VALIGN", (0, 0), (-1, -1), "TOP"),
                ("TOPPADDING", (0, 0), (-1, -1), 1),
                ("BOTTOMPADDING", (0, 0), (-1, -1), 1),
                ("LINEBELOW", (0, 0), (-1, -1), 0.25, HexColor("#C9C5B8")),
            ]
        )
    )
    head = [Paragraph(escape(heading), styles["group"])] if heading else []
    return [*head, table]


def _styles(size: float) -> dict[str, ParagraphStyle]:
    text = ParagraphStyle(
        "text", fontName=PLAIN, fontSize=size, leading=size * 1.35, textColor=HexColor(INK)
    )
    return {
        "text": text,
        "amount": ParagraphStyle("amount", text, alignment=2, rightIndent=6),
        "soft": ParagraphStyle("soft", text, fontSize=size * 0.85, spaceAfter=3),
        "aside": ParagraphStyle("aside", text, fontSize=size * 0.9, leftIndent=14, spaceAfter=1),
        "sign": ParagraphStyle("sign", text, spaceBefore=8, spaceAfter=8),
        "group": ParagraphStyle("group", text, fontName=BOLD, spaceBefore=4, spaceAfter=1),
        "heading": ParagraphStyle(
            "heading", text, fontName=BOLD, fontSize=size * 1.2, spaceBefore=7, spaceAfter=3
        ),
        "name": ParagraphStyle(
            "name", text, fontName=BOLD, fontSize=size * 2, leading=size * 2.4, spaceAfter=2
        ),
    }


@cache
def _fonts() -> None:
    """ReportLab's own outlines: they ship with it, and hold all letters of western kitchens."""
    pdfmetrics.registerFont(TTFont(PLAIN, "Vera.ttf"))
    pdfmetrics.registerFont(TTFont(BOLD, "VeraBd.ttf"))
    pdfmetrics.registerFontFamily(PLAIN, normal=PLAIN, bold=BOLD, italic=PLAIN, boldItalic=BOLD)
