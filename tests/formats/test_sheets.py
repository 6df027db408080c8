"""Sheets and tables that ask for more than a file of orders may: each is refused, and nobody else waits for it."""

import errno
import io
import json
import signal
import time
import zipfile
from datetime import date, datetime
from datetime import time as clock
from pathlib import Path
from threading import Event
from typing import Any

import pytest
from openpyxl import Workbook

from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.formats import sheet, subprocess_reader, table

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


def test_a_number_in_a_cell_far_away_does_not_end_the_server(tmp_path: Path) -> None:
    """One number in XFD100000 claimed 52 GB."""
    head = '<row r="1"><c r="A1"><v>1</v></c></row>'
    far = sheet_of(f'{head}<row r="100000"><c r="XFD100000"><v>1</v></c></row>')
    assert len(far) < 10_000
    began = time.monotonic()
    with pytest.raises(InvalidInput) as told:
        subprocess_reader.read_apart(far, tmp_path, Event())
    assert told.value.faults[0].code is FaultCode.SHEET_TOO_LARGE
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
    """Standard input or output of a process that reads a file."""

    def __init__(self, content: bytes = b"") -> None:
        self.buffer, self.written = io.BytesIO(content), ""

    def write(self, text: str) -> None:
        self.written += text

    def flush(self) -> None:
        pass


@pytest.fixture
def reader(monkeypatch: pytest.MonkeyPatch) -> Any:
    """The process that reads a file, played in this one."""

    def read(content: bytes) -> tuple[int, str, str]:
        out, told = Pipe(), Pipe()
        monkeypatch.setattr("sys.argv", ["apart", "60"])
        monkeypatch.setattr("sys.stdin", Pipe(content))
        monkeypatch.setattr("sys.stdout", out)
        monkeypatch.setattr("sys.stderr", told)
        monkeypatch.setattr("resource.setrlimit", lambda *_: None)
        return subprocess_reader.main(), out.written, told.written

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
    assert reader(held.getvalue()) == (0, '["id", "paid"]\n[3, ["7", "true"]]\n', "1")
    status, out, told = reader(b"id,id\n1,2\n")
    assert (status, out) == (subprocess_reader.REFUSED, "")
    assert subprocess_reader.fault_from(json.loads(told)) == Fault(
        FaultCode.DUPLICATE, "id", "id", {"what": "column"}
    )


def test_a_table_read_apart_is_the_same_and_leaves_no_file(tmp_path: Path) -> None:
    content = b'id,name\n1,a\n\n2,"b\nc"\n'
    spool = subprocess_reader.read_apart(content, tmp_path, Event())
    here = table.read(content)
    assert (spool.header, spool.total) == (here.header, 2)
    for _ in range(2):
        assert list(spool.table().rows) == here.rows
    assert [path.stat().st_mode & 0o777 for path in tmp_path.iterdir()] == [0o600]
    assert subprocess_reader.header_in(spool.path) == here.header
    del spool
    assert list(tmp_path.iterdir()) == []


@pytest.mark.parametrize(
    ("content", "code"), [(b"id\n", FaultCode.TABLE_EMPTY), (b"id\n\xff\n", FaultCode.NOT_UTF8)]
)
def test_a_file_that_is_refused_is_refused_apart_too(content: bytes, code: FaultCode, tmp_path: Path) -> None:
    with pytest.raises(InvalidInput) as told:
        subprocess_reader.read_apart(content, tmp_path, Event())
    assert told.value.faults[0].code is code
    assert list(tmp_path.iterdir()) == []


def test_reading_ends_when_it_is_stopped_or_takes_too_long(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    many = b"id,date,amount\n" + b"1,2026-10-03,5.00\n" * 2_000_000
    stop = Event()
    stop.set()
    began = time.monotonic()
    with pytest.raises(subprocess_reader.Stopped):
        subprocess_reader.read_apart(many, tmp_path, stop)
    monkeypatch.setattr(subprocess_reader, "SECONDS", 0)
    with pytest.raises(InvalidInput) as told:
        subprocess_reader.read_apart(many, tmp_path, Event())
    assert told.value.faults[0].code is FaultCode.SHEET_TOO_LARGE
    assert time.monotonic() - began < 5
    assert list(tmp_path.iterdir()) == []


def test_a_time_of_day_and_a_day_are_told_as_they_are_read() -> None:
    told = [
        sheet.text_of(cell) for cell in (datetime(2026, 11, 24, 8, 30), clock(8, 30), date(2026, 11, 24), 19.99)
    ]
    assert told == ["2026-11-24", "08:30:00", "2026-11-24", "19.99"]


def test_a_packed_file_that_is_no_workbook_is_unreadable() -> None:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as packed:
        packed.writestr("hello.txt", b"hello")
    assert refused(out.getvalue()) == "sheet-unreadable"


def test_a_reader_that_takes_too_long_or_finds_no_room_says_which(
    tmp_path: Path, reader: Any, monkeypatch: pytest.MonkeyPatch
) -> None:
    content = b"id,date,amount\n1,2026-10-03,5.00\n"
    for status, told in ((-signal.SIGXCPU, "seconds of reading"), (-signal.SIGKILL, "more memory")):
        monkeypatch.setattr(subprocess_reader, "_outcome", lambda *_, status=status: (status, b""))
        with pytest.raises(InvalidInput) as refused:
            subprocess_reader.read_apart(content, tmp_path, Event())
        assert told in refused.value.faults[0].value
    monkeypatch.setattr(subprocess_reader, "_outcome", lambda *_: (subprocess_reader.NO_ROOM, b""))
    with pytest.raises(OSError, match="No space left"):
        subprocess_reader.read_apart(content, tmp_path, Event())

    # A process that finds no room ends with this.
    def full(_: object) -> int:
        raise OSError(errno.ENOSPC, "No space left on device")

    monkeypatch.setattr(subprocess_reader, "_copy", full)
    assert reader(content)[0] == subprocess_reader.NO_ROOM

    def broken(_: object) -> int:
        raise OSError(errno.EIO, "Input/output error")

    monkeypatch.setattr(subprocess_reader, "_copy", broken)
    with pytest.raises(OSError, match="Input/output"):
        reader(content)
    assert not list(tmp_path.iterdir())
