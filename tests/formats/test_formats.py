"""Files: what is read, what is refused and where, and what comes back as it was.

Sources: RFC 8259 (JSON; NaN is not allowed), RFC 4180 (CSV), JSON Schema 2020-12 (package `jsonschema`).
"""

import json
from collections.abc import Iterator
from pathlib import Path

import pytest
from jsonschema import Draft202012Validator

from monedero import demo
from monedero.core.errors import FaultCode, InvalidInput
from monedero.core.window import Window
from monedero.formats import ecb, orders_csv, rate_card
from monedero.formats.json_text import read_json, read_model

CARDS = sorted((Path(demo.__file__).parent / "rate_cards").glob("*.json"))
HEADER = "id,placed_on,amount,currency,buyer_country"
GOOD = "7,2026-01-05,85.00,EUR,ES"


@pytest.mark.parametrize("path", CARDS, ids=lambda path: path.stem)
def test_a_demo_rate_card_comes_back_as_it_was_and_fits_the_published_schema(path: Path) -> None:
    card = rate_card.read(path.read_bytes())
    assert rate_card.read(rate_card.write(card)) == card
    Draft202012Validator(rate_card.schema()).validate(json.loads(path.read_text("utf-8")))


def test_the_published_schema_refuses_an_unknown_key() -> None:
    body = json.loads(CARDS[0].read_text("utf-8"))
    body["rates"][0]["weather"] = "fine"
    assert not Draft202012Validator(rate_card.schema()).is_valid(body)


@pytest.mark.parametrize(
    ("content", "code"),
    [
        (b"{", FaultCode.NOT_JSON),
        (b'{"a": NaN}', FaultCode.NOT_JSON),
        (b'{"a": Infinity}', FaultCode.NOT_JSON),
        (b"[" * 100_000, FaultCode.NOT_JSON),
        (b'{"a": 1, "a": 2}', FaultCode.DUPLICATE),
        (b"\xff\xfe{}", FaultCode.NOT_UTF8),
        (b"[]", FaultCode.FORMAT_UNKNOWN),
        (b'"card"', FaultCode.FORMAT_UNKNOWN),
    ],
)
def test_what_is_not_a_rate_card_is_refused(content: bytes, code: FaultCode) -> None:
    with pytest.raises(InvalidInput) as refused:
        rate_card.read(content)
    assert refused.value.faults[0].code is code


def test_broken_json_is_told_with_its_line_and_column() -> None:
    with pytest.raises(InvalidInput) as refused:
        read_json(b'{"a": 1,\n  "b" 2}')
    assert refused.value.faults[0].fields == {"line": "2", "column": "7"}


def test_a_long_value_is_cut_in_the_refusal() -> None:
    with pytest.raises(InvalidInput) as refused:
        read_model(json.dumps({"from": "9" * 500}).encode(), Window)
    assert len(refused.value.faults[0].value) == 80
    with pytest.raises(InvalidInput):
        read_model(b"[1]", Window)


def lines(*rows: str) -> Iterator[str]:
    return iter([row + "\n" for row in rows])


def refusal(*rows: str) -> InvalidInput:
    with pytest.raises(InvalidInput) as refused:
        list(orders_csv.read(lines(*rows)))
    return refused.value


def test_an_orders_file_with_everything_in_it() -> None:
    header = HEADER + ",line_kind,recurring,card_network,card_kind,signed_in,line"
    row = GOOD + ",goods+course,true,aster,commercial,false,chart"
    (order,) = orders_csv.read(lines("\ufeff" + header, row, ""))
    assert order.order.card_network == "aster"
    assert sorted(order.order.kinds) == ["course", "goods"]
    assert (order.order.recurring, order.order.lines, order.order.signed_in) == (True, ("chart",), False)


def test_empty_cells_are_unknown() -> None:
    (order,) = orders_csv.read(lines(HEADER + ",recurring,card_kind", GOOD + ",,"))
    assert (order.order.recurring, order.order.card_kind) == (None, None)


@pytest.mark.parametrize(
    ("header", "row", "column", "code"),
    [
        (HEADER, "7,2026-01-05,85.001,EUR,ES", "amount", FaultCode.AMOUNT_DECIMALS),
        (HEADER, "7,2026-01-05,-1.00,EUR,ES", "amount", FaultCode.AMOUNT_NEGATIVE),
        (HEADER, "7,2026-01-05,lots,EUR,ES", "amount", FaultCode.AMOUNT_TEXT),
        (HEADER, "7,2026-01-05,,EUR,ES", "amount", FaultCode.AMOUNT_TEXT),
        (HEADER, "7,2026-01-05,1.00,EUX,ES", "currency", FaultCode.CURRENCY_UNKNOWN),
        (HEADER, "7,2026-01-05,1.00,EUR,UK", "buyer_country", FaultCode.COUNTRY_UNKNOWN),
        (HEADER, "7,05/01/2026,1.00,EUR,ES", "placed_on", FaultCode.DATE_TEXT),
        (HEADER, "7,20260105,1.00,EUR,ES", "placed_on", FaultCode.DATE_TEXT),
        (HEADER, "7,2026-02-29,1.00,EUR,ES", "placed_on", FaultCode.DATE_TEXT),
        (HEADER, ",2026-01-05,1.00,EUR,ES", "id", FaultCode.BLANK),
        (HEADER, "7,2026-01-05,1.00,EUR", "", FaultCode.COLUMN_COUNT),
        (HEADER, '7,2026-01-05,"1.00"x,EUR,ES', "", FaultCode.CSV_BROKEN),
        (HEADER + ",recurring", GOOD + ",yes", "recurring", FaultCode.NOT_ONE_OF),
        (HEADER + ",signed_in", GOOD + ",1", "signed_in", FaultCode.NOT_ONE_OF),
        (HEADER + ",line_kind", GOOD + ",goods+gold", "line_kind", FaultCode.NOT_ONE_OF),
        (HEADER + ",card_kind", GOOD + ",debit", "card_kind", FaultCode.NOT_ONE_OF),
        (HEADER + ",card_network", GOOD + ",Aster", "card_network", FaultCode.IDENTIFIER_TEXT),
    ],
)
def test_a_broken_row_is_told_with_its_line_and_column(
    header: str, row: str, column: str, code: FaultCode
) -> None:
    fault = refusal(header, ",".join([GOOD] + [""] * (header.count(",") - 4)), row).faults[0]
    assert (fault.code, fault.fields["line"], fault.fields["column"]) == (code, "3", column)


def test_lines_are_physical() -> None:
    text = f'{HEADER}\n"two\nlines",2026-01-05,1.00,EUR,ES\n8,x,1.00,EUR,ES\n'
    with pytest.raises(InvalidInput) as refused:
        list(orders_csv.read(iter(text.splitlines(keepends=True))))
    assert refused.value.faults[0].fields["line"] == "4"


def test_rows_before_a_broken_one_stand() -> None:
    read = orders_csv.read(lines(HEADER, GOOD, "8,x,1.00,EUR,ES"))
    assert next(read).id == "7"
    with pytest.raises(orders_csv.BrokenRow):
        next(read)


@pytest.mark.parametrize(
    ("header", "code"),
    [
        ("id,placed_on,amount,currency", FaultCode.COLUMN_MISSING),
        (HEADER + ",shoe_size", FaultCode.COLUMN_UNKNOWN),
        (HEADER + ",id", FaultCode.DUPLICATE),
        ("", FaultCode.COLUMN_MISSING),
    ],
)
def test_a_broken_header_is_refused(header: str, code: FaultCode) -> None:
    assert refusal(header).faults[0].code is code


def test_an_empty_file_is_refused() -> None:
    with pytest.raises(InvalidInput, match="column-missing"):
        list(orders_csv.read(iter([])))


def test_unknown_columns_can_be_passed_over() -> None:
    (order,) = orders_csv.read(lines(HEADER + ",shoe_size", GOOD + ",43"), ignore_unknown=True)
    assert order.id == "7"


def test_text_that_is_not_utf8_is_told_with_its_line(tmp_path: Path) -> None:
    file = tmp_path / "orders.csv"
    file.write_bytes(f"{HEADER}\n{GOOD}\n".encode() + b"\xff,2026-01-05,1.00,EUR,ES\n")
    with file.open(encoding="utf-8", newline="") as opened, pytest.raises(InvalidInput) as refused:
        list(orders_csv.read(opened))
    assert refused.value.faults[0].code is FaultCode.NOT_UTF8


@pytest.mark.parametrize("content", [b"", b"When,USD\n", b"Date,USD\n2026-13-01,1\n"])
def test_what_is_not_the_banks_table_is_refused(content: bytes) -> None:
    with pytest.raises(InvalidInput):
        ecb.read(content)


def test_a_short_row_of_the_banks_table_has_no_rate() -> None:
    table = ecb.read(b"Date,USD,GBP,\n2026-01-05,1.1\n")
    assert (table.per_euro(0, "USD") is None, table.per_euro(0, "GBP")) == (False, None)
