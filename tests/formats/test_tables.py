"""Tables in and out: past orders by a matching, rates as CSV."""

import io
from datetime import date, datetime, time

import pytest
from hypothesis import given
from openpyxl import Workbook
from tests.core.ratecard.made_up import cards
from tests.properties import tried_on

from monedero import demo
from monedero.core.errors import InvalidInput
from monedero.core.order.kinds import LineKind
from monedero.core.ratecard.model import RateCard
from monedero.formats import rate_card_csv, table
from monedero.formats.matching import DayOrder, Matching, guess
from monedero.formats.paid_with import PaidWith, PaidWords
from monedero.formats.past_orders import LeftOut, Reader, ReadOrder, RefusedRow, amount_of, country_of
from monedero.formats.table import Table

SHOP = demo.shop()


def read(content: str, **changed: object) -> list[ReadOrder | RefusedRow | LeftOut]:
    held = table.read(content.encode())
    found = guess(held.header, [cells for _, cells in held.rows], "EUR", "PT")
    words = PaidWords({"card": "Card"}, frozenset({"aster"}))
    return [row for _, row in Reader(held, found.model_copy(update=changed), SHOP, words).rows()]


@pytest.mark.parametrize(
    ("header", "columns"),
    [
        (
            "id,placed_on,amount,currency,buyer_country,line",
            {"id": "id", "country": "buyer_country", "line": "line"},
        ),
        ("Pedido,Fecha,Importe,Moneda,País", {"id": "Pedido", "placed_on": "Fecha", "amount": "Importe"}),
        ("Order number;Created at;Order total", {"id": "Order number", "amount": "Order total"}),
        ("Colour,Size", {}),
    ],
)
def test_columns_are_guessed_by_their_names(header: str, columns: dict[str, str]) -> None:
    held = table.read(f"{header}\n1,2\n".encode())
    found = guess(held.header, [], "EUR", "PT").columns
    assert {name: found.get(name) for name in columns} == columns


@pytest.mark.parametrize(
    ("day", "written", "found"),
    [
        ("2026-10-03", DayOrder.YEAR_FIRST, date(2026, 10, 3)),
        ("2026/10/3 14:05", DayOrder.YEAR_FIRST, date(2026, 10, 3)),
        ("13.10.2026", DayOrder.DAY_FIRST, date(2026, 10, 13)),
        ("10/13/26", DayOrder.MONTH_FIRST, date(2026, 10, 13)),
    ],
)
def test_days_as_files_write_them(day: str, written: DayOrder, found: date) -> None:
    rows = read(f"id,date,amount\n1,{day},5.00\n")
    assert isinstance(rows[0], ReadOrder)
    assert rows[0].order.placed_on == found
    held = table.read(f"id,date,amount\n1,{day},5.00\n".encode())
    assert guess(held.header, [cells for _, cells in held.rows], "EUR", "PT").days is written


@pytest.mark.parametrize(
    ("text", "decimal", "code", "minor"),
    [
        ("1,085.50", ".", "EUR", 108550),
        ("1.085,5", ",", "EUR", 108550),
        ("1 085,50", ",", "EUR", 108550),
        ("12'000.00", ".", "CHF", 1200000),
        ("EUR 85.00", ".", "EUR", 8500),
        ("85.00 EUR", ".", "EUR", 8500),
        ("\u221242", ".", "EUR", -4200),
        ("1000", ".", "JPY", 1000),
    ],
)
def test_amounts_as_files_write_them(text: str, decimal: str, code: str, minor: int) -> None:
    assert amount_of(text, decimal, code).minor == minor


@pytest.mark.parametrize(
    ("text", "decimal"), [("85,5", "."), ("8.5", ","), ("85.001", "."), ("@85", "."), ("", ".")]
)
def test_an_amount_that_may_mean_two_things_is_refused(text: str, decimal: str) -> None:
    with pytest.raises(InvalidInput):
        amount_of(text, decimal, "EUR")


def test_countries_by_code_and_by_name_in_several_languages() -> None:
    """ISO 3166-1 and CLDR."""
    assert [country_of(text) for text in ("PT", "germany", "Deutschland", "Reino Unido", "UK")] == [
        *("PT", "DE", "DE", "GB", "GB"),
    ]


def test_cells_are_read_or_refused_by_column() -> None:
    header = "id,date,amount,currency,line kind,recurring,card kind,network,refund of"
    rows = read(
        f"{header}\n"
        "1,2026-10-03,5.00,eur,goods+download,yes,Consumer Debit,Aster,\n"
        "2,2026-10-03,5.00,EUX,,,,,\n"
        "3,2026-10-03,5.00,,gold,,,,\n"
        "4,2026-10-03,5.00,,,perhaps,,,\n"
        "5,2026-10-03,5.00,,,,gold,,\n"
        "6,,5.00,,,,,,\n"
        "7,yesterday,5.00,,,,,,\n"
        "8,2026-10-03,-5.00,,,,,,1\n"
        "9,2026-10-03\n"
    )
    first, last = rows[0], rows[7]
    assert isinstance(first, ReadOrder)
    assert isinstance(last, ReadOrder)
    assert (first.order.kinds, first.order.recurring) == (frozenset({LineKind.GOODS, LineKind.DOWNLOAD}), True)
    assert (first.order.card_kind, first.order.card_network) == ("consumer-debit", "aster")
    assert last.refund_of == "1"
    refused = [(row.line, row.fault.field) for row in rows if isinstance(row, RefusedRow)]
    assert refused == [
        *((3, "currency"), (4, "line kind"), (5, "recurring"), (6, "card kind")),
        *((7, "date"), (8, "date"), (10, "amount")),
    ]


def test_a_line_of_the_shop_brings_its_kind_and_whether_it_repeats() -> None:
    (row,) = read("id,date,amount,line\n1,2026-10-03,12.00,dark-sky club\n")
    assert isinstance(row, ReadOrder)
    assert (row.order.lines, row.order.kinds) == (("dark-sky-club",), frozenset({LineKind.MEMBERSHIP}))
    assert row.order.recurring is True


EXPORT = """Order,Date,Total,Status,Payment
1001,2026-10-03,42.00,Completed,Credit card (Aster)
1002,2026-10-03,30.00,Refunded,Bank transfer
1003,2026-10-04,12.00,Cancelled,Cash
1004,2026-10-05,18.00,Partially refunded,Moonbeam
"""


def test_a_file_says_how_each_order_was_paid_and_which_were_given_back() -> None:
    first, back, out, part = read(EXPORT)
    assert isinstance(first, ReadOrder)
    assert isinstance(back, ReadOrder)
    assert isinstance(out, LeftOut)
    assert isinstance(part, ReadOrder)
    assert (first.method, first.order.card_network, str(first.order.card_kind)) == (
        "card",
        "aster",
        "consumer-credit",
    )
    assert (back.order.amount.minor, back.refund_of, back.id) == (-3000, "1002", "1002 given back")
    assert (part.order.amount.minor, part.method) == (1800, None)


def test_a_word_that_the_owner_matched_goes_before_its_guess_and_one_that_means_nothing_stays_so() -> None:
    matched = {"Moonbeam": PaidWith(method="account-wallet"), "Credit card (Aster)": None}
    orders = [row for row in read(EXPORT, paid_with=matched) if isinstance(row, ReadOrder)]
    assert [order.method for order in orders] == [None, "bank-transfer", "account-wallet"]


def test_a_matching_that_names_what_is_not_there_is_refused() -> None:
    matching = Matching(columns={"id": "no"}, days="ymd", decimal=".", currency="EUR", country="PT")
    with pytest.raises(InvalidInput) as refused:
        Reader(Table(["id"], []), matching, SHOP, PaidWords({}))
    codes = {(fault.field, fault.code.value) for fault in refused.value.faults}
    assert codes == {("placed_on", "column-unmatched"), ("amount", "column-unmatched"), ("id", "column-missing")}


def test_a_sheet_becomes_text_and_blank_rows_are_passed_over() -> None:
    book = Workbook()
    sheet = book.active
    assert sheet is not None
    sheet.append(["id", "moment", "time", "flag", "number", "text"])
    sheet.append([])
    sheet.append([7, datetime(2026, 10, 3, 14, 5), time(14, 5), True, 19.99, " word "])
    content = io.BytesIO()
    book.save(content)
    held = table.read(content.getvalue())
    assert held.rows == [(3, ["7", "2026-10-03", "14:05:00", "true", "19.99", "word"])]


def test_blank_lines_of_a_file_are_passed_over_and_lines_stay_physical() -> None:
    assert table.read(b'id,amount\n\n7,5.00\n,\n8,"6\n.00"\n9,7\n').rows == [
        *((3, ["7", "5.00"]), (5, ["8", "6\n.00"]), (7, ["9", "7"])),
    ]


# Rates as a table.
@tried_on(60)
@given(cards(graduated=True))
def test_rates_go_out_as_a_table_and_come_back_as_they_were(card: RateCard) -> None:
    assert rate_card_csv.read(rate_card_csv.write(card), card) == card


def test_every_card_of_the_demo_comes_back() -> None:
    for card in demo.rate_cards():
        assert rate_card_csv.read(rate_card_csv.write(card), card) == card


@pytest.mark.parametrize(
    ("rows", "place"),
    [
        ("rate,a,card,-1\n", "line.2.percent"),
        ("fee,a,card,1\n", "line.2.entry"),
        ("rate,a,,1\n", "line.2.methods"),
        ("rate,A b,card,1\n", "line.2.id"),
        ("rate,a,card,1\nrate,a,card,2\n", ""),
        ("", "rates"),
        ('rate,a,"card,1\n', "line.2"),
    ],
)
def test_a_wrong_row_is_refused_at_its_place(example_card: RateCard, rows: str, place: str) -> None:
    bare = example_card.model_copy(update={"extras": [], "events": [], "settlement": []})
    with pytest.raises(InvalidInput) as refused:
        rate_card_csv.read(f"entry,id,methods,percent\n{rows}".encode(), bare)
    assert refused.value.faults[0].field == place


@pytest.mark.parametrize(
    ("header", "row", "place"),
    [
        ("entry,id,methods,conversion", "rate,a,card,perhaps", "line.2.conversion"),
        ("entry,id,methods,amount_from,amount_below", "rate,a,card,9 EUR,5 EUR", "line.2.amount_from"),
        ("entry,id,methods,amount_from", "rate,a,card,9 EUX", "line.2.amount_from"),
        ("entry,id,methods,volume_below", "rate,a,card,many", "line.2.volume_below"),
        ("entry,id,methods,currency", "rate,a,card,EUR+eur", "line.2.currency"),
        ("entry,id,methods,graduated", "rate,a,card,9 EUR:1+*:2+5 EUR:1", "line.2"),
        ("entry,id,colour", "rate,a,red", "colour"),
        ("entry,label", "rate,a", "id"),
    ],
)
def test_a_wrong_cell_is_refused_by_its_column(example_card: RateCard, header: str, row: str, place: str) -> None:
    with pytest.raises(InvalidInput) as refused:
        rate_card_csv.read(f"{header}\n{row}\n".encode(), example_card)
    assert refused.value.faults[0].field.startswith(place)


def test_a_table_that_is_not_utf8_is_refused(example_card: RateCard) -> None:
    with pytest.raises(InvalidInput, match="not-utf8"):
        rate_card_csv.read(b"entry,id\n\xff,a\n", example_card)


@pytest.mark.parametrize(
    ("content", "code"),
    [
        (b"", "table-empty"),
        (b"id,amount\n", "table-empty"),
        (b"id,id\n1,2\n", "duplicate"),
        (b"id,amount\n1,\xff\n", "not-utf8"),
        (b'id,amount\n1,"5\n', "csv-broken"),
        (b"PK\x03\x04 no sheet", "sheet-unreadable"),
    ],
)
def test_a_file_that_is_no_table_is_refused(content: bytes, code: str) -> None:
    with pytest.raises(InvalidInput) as refused:
        table.read(content)
    assert refused.value.faults[0].code.value == code


def test_an_order_with_another_amount_under_the_same_id_is_told_with_what_is_kept() -> None:
    held = table.read(b"id,date,amount\n7,2026-10-03,5.00\n")
    reader = Reader(held, guess(held.header, [cells for _, cells in held.rows], "EUR", "PT"), SHOP, PaidWords({}))
    (cells, order), *_ = reader.rows()
    assert isinstance(order, ReadOrder)
    refused = reader.doubled(order, cells, "2026-10-03, 6.00 EUR")
    assert (refused.fault.code.value, refused.fault.value, refused.fault.fields["kept"]) == (
        "order-differs",
        "7",
        "2026-10-03, 6.00 EUR",
    )
