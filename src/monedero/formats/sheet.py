"""The first sheet of an XLSX as rows of text, read in a process of its own with bounded memory and time.

A sheet of a thousand bytes can claim cells that need gigabytes. What it unpacks to is looked at before, and whoever
reads it is ended where it takes more than a file of orders may; the application goes on.

Source: ECMA-376 (package `python-calamine`); the bounds are an *own design*.

>>> text_of(42.0), text_of(True), text_of(date(2026, 11, 24)), text_of(" A-1 ")
('42', 'true', '2026-11-24', 'A-1')
"""

import io
import json
import resource
import subprocess
import sys
import zipfile
from collections.abc import Iterator
from datetime import date, datetime, timedelta
from datetime import time as clock
from decimal import Decimal

from python_calamine import CalamineError, CalamineWorkbook, PasswordError, ZipError

from monedero.core.errors import FaultCode, refuse

UNPACKED = 400 * 1024 * 1024
MEMORY = 2 * 1024 * 1024 * 1024
SECONDS = 60
UNREADABLE = 3


def rows_of(content: bytes) -> list[tuple[int, list[str]]]:
    """The rows that hold something, each with its number; refuses what is no sheet, and one that is too large."""
    try:
        with zipfile.ZipFile(io.BytesIO(content)) as packed:
            size = sum(part.file_size for part in packed.infolist())
    except (zipfile.BadZipFile, ValueError, OSError) as broken:
        raise refuse(FaultCode.SHEET_UNREADABLE, value=str(broken)) from broken
    if size > UNPACKED:
        raise _too_large(f"{size // 1_048_576} MB unpacked")
    command = [sys.executable, "-m", "monedero.formats.sheet"]
    try:
        read = subprocess.run(command, input=content, capture_output=True, timeout=SECONDS, check=False)
    except subprocess.TimeoutExpired as slow:
        raise _too_large(f"more than {SECONDS} seconds of reading") from slow
    if read.returncode == UNREADABLE:
        raise refuse(FaultCode.SHEET_UNREADABLE, value=read.stderr.decode("utf-8", "replace").strip())
    if read.returncode != 0:
        raise _too_large("its cells need more memory than there is for it")
    return [(number, cells) for number, cells in map(json.loads, read.stdout.splitlines())]


def _too_large(what: str) -> Exception:
    largest = "200 columns and as many rows as a sheet has, without cells far away from the others"
    return refuse(FaultCode.SHEET_TOO_LARGE, "file", what, largest=largest)


def text_of(cell: object) -> str:
    """A cell of a sheet as text: what a person reads in it, without the sheet's own format."""
    if isinstance(cell, datetime):
        return cell.date().isoformat()
    if isinstance(cell, date | clock | timedelta):
        return str(cell)
    if isinstance(cell, bool):
        return "true" if cell else "false"
    if isinstance(cell, int | float):
        # The shortest digits that give the number again are those that were typed.
        plain = format(Decimal(repr(cell)), "f")
        return plain.removesuffix(".0")
    return str(cell).strip()


def _lines(content: bytes) -> Iterator[str]:
    """The rows that hold something, each as a line of JSON."""
    sheet = CalamineWorkbook.from_filelike(io.BytesIO(content)).get_sheet_by_index(0)
    for number, row in enumerate(sheet.to_python(skip_empty_area=False), 1):
        cells = [text_of(cell) for cell in row]
        if any(cells):
            yield json.dumps([number, cells], ensure_ascii=True)


def main() -> int:
    """Read a sheet from standard input, write its rows to standard output."""
    resource.setrlimit(resource.RLIMIT_AS, (MEMORY, MEMORY))
    try:
        for line in _lines(sys.stdin.buffer.read()):
            sys.stdout.write(f"{line}\n")
    except (CalamineError, ZipError, PasswordError) as broken:
        sys.stderr.write(str(broken))
        return UNREADABLE
    return 0


if __name__ == "__main__":  # pragma: no cover - it is this module, as a process
    sys.exit(main())
