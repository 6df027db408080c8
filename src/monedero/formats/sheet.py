"""The first sheet of an XLSX as rows of text.

Source: ECMA-376 (package `python-calamine`); the bound on what a file unpacks to is an *own design*.

>>> text_of(42.0), text_of(True), text_of(date(2026, 11, 24)), text_of(" A-1 ")
('42', 'true', '2026-11-24', 'A-1')
"""

import io
import zipfile
from datetime import date, datetime, timedelta
from datetime import time as clock
from decimal import Decimal

from python_calamine import CalamineError, CalamineWorkbook, PasswordError, ZipError

from monedero.core.errors import FaultCode, InvalidInput, refuse

UNPACKED = 400 * 1024 * 1024
LARGEST = "200 columns and as many rows as a sheet has, without cells far away from the others"


def rows_of(content: bytes) -> list[tuple[int, list[str]]]:
    """The rows that hold something, each with its number; refuses what is no sheet, and one that unpacks to too much.

    A sheet of a thousand bytes can claim cells that need gigabytes: read it where memory is bounded.
    """
    try:
        with zipfile.ZipFile(io.BytesIO(content)) as packed:
            size = sum(part.file_size for part in packed.infolist())
    except (zipfile.BadZipFile, ValueError, OSError) as broken:
        raise refuse(FaultCode.SHEET_UNREADABLE, value=str(broken)) from broken
    if size > UNPACKED:
        raise too_large(f"{size // 1_048_576} MB unpacked")
    try:
        sheet = CalamineWorkbook.from_filelike(io.BytesIO(content)).get_sheet_by_index(0)
    except (CalamineError, ZipError, PasswordError) as broken:
        raise refuse(FaultCode.SHEET_UNREADABLE, value=str(broken)) from broken
    # Most rows of a sparse sheet hold nothing: they are passed over before any of their cells is looked at.
    held = ((number, row) for number, row in enumerate(sheet.iter_rows(), 1) if row.count("") < len(row))
    rows = ((number, [text_of(cell) for cell in row]) for number, row in held)
    return [(number, cells) for number, cells in rows if any(cells)]


def too_large(what: str) -> InvalidInput:
    """The refusal of a file that asks for more than a file of orders may."""
    return refuse(FaultCode.SHEET_TOO_LARGE, "file", what, largest=LARGEST)


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
