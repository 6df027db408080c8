"""Cells of CSV that go out: none that a spreadsheet would take for a formula.

A cell that begins with one of the characters with which formulas begin gets an apostrophe in front, which a spreadsheet
reads as text. A plain number keeps its sign, since it is one. What is read in again is taken without the apostrophe.

Source: CSV by RFC 4180; formula injection is outside it: *common practice*, as OWASP describes it (from memory).

>>> safe("=1+cmd"), safe("-42.50"), safe("@name"), safe("Night boat tour")
("'=1+cmd", '-42.50', "'@name", 'Night boat tour')
>>> plain(safe("=SUM(A1)")), plain("'quoted'")
('=SUM(A1)', "'quoted'")
"""

import re

FORMULA = re.compile(r"[=+\-@\t\r\n|%\uFF1D\uFF0B\uFF0D\uFF20]")
NUMBER = re.compile(r"[+-]?[0-9]+([.,][0-9]+)?", re.ASCII)


def safe(cell: str) -> str:
    """A cell as it goes out."""
    first = cell.lstrip(" \u00a0")
    return f"'{cell}" if FORMULA.match(first) and not NUMBER.fullmatch(cell) else cell


def plain(cell: str) -> str:
    """A cell as it was before it went out."""
    return cell[1:] if cell.startswith("'") and safe(cell[1:]) == cell else cell
