"""An invoice as a PDF of one page or more: who sells, who is billed, what for, how much, and how to pay.

Source: ISO 32000-1 (package `fpdf2`); the font Source Sans Pro is embedded, so that names are written as they are.

>>> chart = [("Chart", "5,00")]
>>> text = InvoiceText("Invoice 1", "Cabo Noite", "Ana Silva", [("Number", "1")], chart, ("To pay", "5,00"), [])
>>> as_pdf(text, date(2026, 11, 27))[:5]
b'%PDF-'
"""

from collections.abc import Sequence
from datetime import UTC, date, datetime, time
from typing import NamedTuple

from font_source_sans_pro import SourceSansPro, SourceSansProSemibold
from fpdf import FPDF, XPos, YPos

FAMILY = "source-sans"
MARGIN, BODY, TITLE = 22, 10.5, 20
INK, SOFT = (23, 33, 30), (90, 100, 95)


class InvoiceText(NamedTuple):
    """Holds what an invoice says, in the words of its reader.

    `facts` and `pay_to` are labels with values, `rows` what is billed with amounts, the last of them is `total`.
    """

    title: str
    seller: str
    bill_to: str
    facts: Sequence[tuple[str, str]]
    rows: Sequence[tuple[str, str]]
    total: tuple[str, str]
    pay_to: Sequence[tuple[str, str]]
    note: str = ""
    language: str = "en"


def as_pdf(text: InvoiceText, day: date) -> bytes:
    """The invoice as a file; the same text on the same day has the same bytes."""
    pdf = FPDF(format="A4")
    pdf.set_creation_date(datetime.combine(day, time(), UTC))
    pdf.set_title(text.title)
    pdf.set_author(text.seller.partition("\n")[0])
    pdf.set_lang(text.language)
    pdf.add_font(FAMILY, "", SourceSansPro)
    pdf.add_font(FAMILY, "B", SourceSansProSemibold)
    pdf.set_margins(MARGIN, MARGIN, MARGIN)
    pdf.add_page()
    _paragraph(pdf, text.seller, SOFT)
    pdf.ln(8)
    _paragraph(pdf, text.bill_to, INK)
    pdf.ln(10)
    pdf.set_font(FAMILY, "B", TITLE)
    pdf.cell(0, 10, text.title, new_x=XPos.LMARGIN, new_y=YPos.NEXT)
    pdf.ln(2)
    _pairs(pdf, text.facts)
    pdf.ln(6)
    for label, amount in text.rows:
        _row(pdf, label, amount, "")
    _rule(pdf)
    _row(pdf, *text.total, "B")
    pdf.ln(8)
    _pairs(pdf, text.pay_to)
    if text.note:
        pdf.ln(6)
        _paragraph(pdf, text.note, SOFT)
    return bytes(pdf.output())


def _paragraph(pdf: FPDF, text: str, colour: tuple[int, int, int]) -> None:
    pdf.set_font(FAMILY, "", BODY)
    pdf.set_text_color(*colour)
    pdf.multi_cell(0, 5.4, text, new_x=XPos.LMARGIN, new_y=YPos.NEXT)
    pdf.set_text_color(*INK)


def _pairs(pdf: FPDF, pairs: Sequence[tuple[str, str]]) -> None:
    for label, value in pairs:
        pdf.set_font(FAMILY, "", BODY)
        pdf.set_text_color(*SOFT)
        pdf.cell(46, 5.8, label)
        pdf.set_text_color(*INK)
        pdf.multi_cell(0, 5.8, value, new_x=XPos.LMARGIN, new_y=YPos.NEXT)


def _row(pdf: FPDF, label: str, amount: str, style: str) -> None:
    pdf.set_font(FAMILY, style, BODY)
    width = pdf.epw - 40
    top = pdf.get_y()
    pdf.multi_cell(width, 6.4, label, new_x=XPos.RIGHT, new_y=YPos.TOP, align="L")
    pdf.set_y(top)
    pdf.set_x(MARGIN + width)
    pdf.cell(40, 6.4, amount, align="R", new_x=XPos.LMARGIN, new_y=YPos.NEXT)


def _rule(pdf: FPDF) -> None:
    pdf.set_draw_color(*INK)
    pdf.line(MARGIN, pdf.get_y() + 1, MARGIN + pdf.epw, pdf.get_y() + 1)
    pdf.ln(2)
