"""Codes are read by a decoder of another project, and an invoice by another reader of PDF."""

import io
from datetime import date
from decimal import Decimal

import pytest
import zxingcpp
from PIL import Image
from pypdf import PdfReader
from segno import QRCode

from monedero.core.errors import InvalidInput
from monedero.core.money import Money
from monedero.core.papers.reference import counter_number
from monedero.formats import bar_code
from monedero.formats.euro_code import as_svg, euro_code
from monedero.formats.invoice_pdf import InvoiceText, as_pdf

IBAN, REFERENCE = "DE89370400440532013000", "RF18539007547034"


def decoded(code: QRCode) -> list[str]:
    written = io.BytesIO()
    code.save(written, kind="png", scale=4, border=4)
    [read] = zxingcpp.read_barcodes(Image.open(written))
    return bytes(read.bytes).decode("utf-8").split("\n")


# Source: EPC069-12 version 002, lines 1 to 10; bytes read by package `zxing-cpp`.
@pytest.mark.parametrize("holder", ["Example Merchant Ltd", "Käserei Müller", "Żółw"])
def test_the_code_of_a_transfer_is_read_back_line_by_line(holder: str) -> None:
    lines = decoded(euro_code(holder, IBAN, Money(1230, "EUR"), REFERENCE))
    assert lines[:7] == ["BCD", "002", "1", "SCT", "", holder, IBAN]
    assert lines[7].startswith("EUR")
    assert Decimal(lines[7][3:]) == Decimal("12.30")
    assert lines[8:] == ["", REFERENCE]


# Source: EPC069-12, amounts from 0.01 to 999999999.99.
@pytest.mark.parametrize("minor", [1, 100, 1010, 10_000, 99_999_999_999])
def test_the_amount_of_a_code_is_exact(minor: int) -> None:
    lines = decoded(euro_code("A", IBAN, Money(minor, "EUR"), REFERENCE))
    assert Decimal(lines[7][3:]) == Decimal(minor) / 100


@pytest.mark.parametrize(
    "amount", [Money(0, "EUR"), Money(100_000_000_000, "EUR"), Money(-1, "EUR"), Money(5, "USD")]
)
def test_what_no_transfer_in_euro_can_be_has_no_code(amount: Money) -> None:
    with pytest.raises(InvalidInput):
        euro_code("A", IBAN, amount, REFERENCE)


def test_a_name_of_more_than_seventy_signs_is_cut() -> None:
    assert decoded(euro_code("n" * 90, IBAN, Money(1, "EUR"), REFERENCE))[5] == "n" * 70


def test_drawings_hold_nothing_that_runs() -> None:
    for drawing in (as_svg(euro_code("A", IBAN, Money(1, "EUR"), REFERENCE)), bar_code.as_svg("123")):
        assert drawing.startswith("<svg")
        assert "style=" not in drawing
        assert "<script" not in drawing


# Source: ISO/IEC 15417 (Code 128), read by package `zxing-cpp`.
def test_a_number_at_a_counter_is_read_from_its_bars() -> None:
    number = counter_number(1001, 1)
    bars = [part.split('"') for part in bar_code.as_svg(number).split("<rect ")[2:]]
    picture = Image.new("L", (900, 200), 255)
    for part in bars:
        given = dict(zip((name.strip(" =\n") for name in part[::2]), part[1::2], strict=False))
        left, width = (round(float(given[name].removesuffix("mm")) * 20) for name in ("x", "width"))
        picture.paste(0, (left, 20, left + width, 180))
    [read] = zxingcpp.read_barcodes(picture)
    assert (read.text, read.format) == (number, zxingcpp.BarcodeFormat.Code128)


def test_an_invoice_read_back_says_its_number_its_day_and_its_amount() -> None:
    text = InvoiceText(
        title="Rechnung CN-0007",
        seller="Cabo Noite, Sagres",
        bill_to="Rechnung an\nŁukasz Żółć",
        facts=[("Nummer", "CN-0007"), ("Datum", "27.11.2026")],
        rows=[("Night boat tour " * 9, "85,00\u00a0€")],
        total=("Zu zahlen", "85,00\u00a0€"),
        pay_to=[("IBAN", "DE89 3704 0044 0532 0130 00")],
        note="Bestellung 1007",
        language="de",
    )
    content = as_pdf(text, date(2026, 11, 27))
    reader = PdfReader(io.BytesIO(content))
    said = reader.pages[0].extract_text()
    for part in (
        "CN-0007",
        "27.11.2026",
        "85,00",
        "Łukasz Żółć",
        "DE89 3704 0044 0532 0130 00",
        "Bestellung 1007",
    ):
        assert part in said
    assert reader.metadata is not None
    assert reader.metadata.title == "Rechnung CN-0007"
    # The same invoice has the same bytes for good.
    assert as_pdf(text, date(2026, 11, 27)) == content
    assert as_pdf(text._replace(note=""), date(2026, 11, 27)) != content
