"""No card number comes in by a file: the row is refused with its place, and the number is shown nowhere."""

import pytest
from tests.core.test_application import longer

from monedero.core.errors import FaultCode
from monedero.core.shop import Shop
from monedero.formats import matching, past_orders, table
from monedero.formats.orders_csv import BrokenRow, split
from monedero.formats.paid_with import PaidWords

NUMBER = longer("7992739871")
SHOP = Shop(name="Lume", country="PT", currency="EUR")


def test_a_row_of_past_orders_with_a_card_number_is_refused_and_masked() -> None:
    rows_of_file = ["1,2026-10-03,5.00,ok", f"2,2026-10-03,5.00,card {NUMBER}", f"{NUMBER},2026-10-03,5.00,"]
    read = table.read(
        "\n".join(["id,placed_on,amount,note", *rows_of_file, f"3,2026-10-03,5.00,,{NUMBER}"]).encode()
    )
    found = matching.guess(read.header, [cells for _, cells in read.rows], "EUR", "PT")
    rows = [row for _, row in past_orders.Reader(read, found, SHOP, PaidWords({})).rows()]
    refused = [row for row in rows if isinstance(row, past_orders.RefusedRow)]
    assert [(row.fault.code, row.fault.field) for row in refused] == [
        (FaultCode.CARD_NUMBER, "note"),
        (FaultCode.CARD_NUMBER, "id"),
        (FaultCode.CARD_NUMBER, ""),
    ]
    assert NUMBER not in str(rows)


def test_a_row_of_the_command_line_with_a_card_number_is_refused() -> None:
    lines = iter(["id,placed_on,amount,currency,buyer_country\n", f"{NUMBER},2026-10-03,5.00,EUR,PT\n"])
    with pytest.raises(BrokenRow) as refused:
        list(split(lines))
    fault = refused.value.faults[0]
    assert (fault.code, fault.field, fault.value) == (FaultCode.CARD_NUMBER, "line.2.id", "")


def test_rows_whose_status_is_left_out_are_counted_apart_and_read_no_further() -> None:
    rows = ["1,2026-10-03,5.00,paid", "2,2026-10-03,eighty,Cancelled", "3,2026-10-04,7.00,paid"]
    read = table.read("\n".join(["id,date,amount,status", *rows]).encode())
    found = matching.guess(read.header, [cells for _, cells in read.rows], "EUR", "PT")
    asked = found.model_copy(update={"left_out": ["Cancelled"]})
    kinds = [type(row).__name__ for _, row in past_orders.Reader(read, asked, SHOP, PaidWords({})).rows()]
    assert kinds == ["ReadOrder", "LeftOut", "ReadOrder"]
