"""Sheets and tables that ask for more than a file of orders may: each is refused, and nobody else waits for it."""

import io
import subprocess
import time
import zipfile
from datetime import date, datetime
from datetime import time as clock
from typing import Any

import pytest
from openpyxl import Workbook

from monedero.core.errors import InvalidInput
from monedero.formats import sheet, table

SHEET = """<?xml version="1.0" encoding="UTF-8"?>
<worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>{rows}</sheetData></worksheet>"""


def sheet_of(rows: str) -> bytes:
    """A workbook with one sheet of raw rows."""
    book = Workbook()
    held = io.BytesIO()
    book.save(held)
    out = io.BytesIO()
    with zipfile.ZipFile(held) as packed, zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as mended:
        for part in packed.namelist():
            sheet = part == "xl/worksheets/sheet1.xml"
            mended.writestr(part, SHEET.format(rows=rows) if sheet else packed.read(part))
    return out.getvalue()


def refused(content: bytes) -> str:
    with pytest.raises(InvalidInput) as told:
        table.read(content)
    return told.value.faults[0].code.value


def test_a_number_in_a_cell_far_away_does_not_end_the_server() -> None:
    """One number in XFD100000 claimed 52 GB."""
    head = '<row r="1"><c r="A1"><v>1</v></c></row>'
    far = sheet_of(f'{head}<row r="100000"><c r="XFD100000"><v>1</v></c></row>')
    assert len(far) < 10_000
    began = time.monotonic()
    assert refused(far) == "sheet-too-large"
    assert time.monotonic() - began < 60


def test_one_order_in_the_last_row_of_a_sheet_is_read() -> None:
    head = "".join(
        f'<c r="{column}1" t="inlineStr"><is><t>{name}</t></is></c>'
        for column, name in zip("ABC", ("id", "date", "amount"), strict=True)
    )
    row = (
        '<c r="A1048576"><v>7</v></c><c r="B1048576" t="inlineStr"><is><t>2026-10-03</t></is></c>'
        '<c r="C1048576"><v>5</v></c>'
    )
    read = table.read(sheet_of(f'<row r="1">{head}</row><row r="1048576">{row}</row>'))
    assert read.rows == [(1_048_576, ["7", "2026-10-03", "5"])]


def test_a_sheet_that_unpacks_to_too_much_is_refused_before_it_is_unpacked() -> None:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as packed:
        packed.writestr("xl/worksheets/sheet1.xml", b"0" * (401 * 1024 * 1024))
    assert refused(out.getvalue()) == "sheet-too-large"


def test_columns_and_cells_are_bounded_and_names_are_compared_in_one_go() -> None:
    names = ",".join(f"c{number}" for number in range(20_000))
    began = time.monotonic()
    assert refused(f"{names}\n{names}\n".encode()) == "sheet-too-large"
    assert time.monotonic() - began < 5
    assert refused(b"id,note\n1," + b"x" * 20_000 + b"\n") == "sheet-too-large"


class Pipe:
    """Standard input or output of a process that reads a sheet."""

    def __init__(self, content: bytes = b"") -> None:
        self.buffer, self.written = io.BytesIO(content), ""

    def write(self, text: str) -> None:
        self.written += text


@pytest.fixture
def reader(monkeypatch: pytest.MonkeyPatch) -> Any:
    """The process that reads a sheet, played in this one."""

    def read(content: bytes) -> tuple[int, str, str]:
        out, told = Pipe(), Pipe()
        monkeypatch.setattr("sys.stdin", Pipe(content))
        monkeypatch.setattr("sys.stdout", out)
        monkeypatch.setattr("sys.stderr", told)
        monkeypatch.setattr("resource.setrlimit", lambda *_: None)
        return sheet.main(), out.written, told.written

    return read


def test_the_process_writes_a_row_a_line_and_says_why_it_cannot_read(reader: Any) -> None:
    book = Workbook()
    page = book.active
    assert page is not None
    page.append(["id", "paid"])
    page.append([])
    page.append([7, True])
    held = io.BytesIO()
    book.save(held)
    assert reader(held.getvalue()) == (0, '[1, ["id", "paid"]]\n[3, ["7", "true"]]\n', "")
    status, out, told = reader(b"PK\x03\x04 no sheet")
    assert (status, out, bool(told)) == (sheet.UNREADABLE, "", True)


def test_a_time_of_day_and_a_day_are_told_as_they_are_read() -> None:
    told = [
        sheet.text_of(cell) for cell in (datetime(2026, 11, 24, 8, 30), clock(8, 30), date(2026, 11, 24), 19.99)
    ]
    assert told == ["2026-11-24", "08:30:00", "2026-11-24", "19.99"]


def test_a_sheet_that_takes_too_long_is_refused(monkeypatch: pytest.MonkeyPatch) -> None:
    def slow(*given: Any, **more: Any) -> None:
        raise subprocess.TimeoutExpired("reader", sheet.SECONDS)

    monkeypatch.setattr(subprocess, "run", slow)
    assert refused(sheet_of("")) == "sheet-too-large"


def test_a_packed_file_that_is_no_workbook_is_unreadable() -> None:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as packed:
        packed.writestr("hello.txt", b"hello")
    assert refused(out.getvalue()) == "sheet-unreadable"
