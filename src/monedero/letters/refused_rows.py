"""The rows of a file that were refused, as a table: each as it stood, with its line and the reason (RFC 4180)."""

import csv
import io

from monedero.formats.cells import safe
from monedero.wording import fault_text
from monedero.work.shop.past_orders import Progress


def refused_csv(progress: Progress) -> str:
    """The refused rows of a reading."""
    text = io.StringIO()
    rows = csv.writer(text, lineterminator="\n")
    rows.writerow(["line", "column", "reason", *map(safe, progress.spool.header)])
    for row in progress.refused_rows():
        told = (str(row.line), row.fault.field, fault_text(row.fault), *row.cells)
        rows.writerow(map(safe, told))
    return text.getvalue()
