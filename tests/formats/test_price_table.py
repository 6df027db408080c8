"""A provider's prices as a table: its columns are matched, and each row becomes a line of a price list."""

import pytest

from monedero.formats.price_table import PriceColumns, guess, text_of
from monedero.formats.price_text.reader import Given, read

SPANISH = ["Concepto", "Origen", "Porcentaje", "Fijo", "Mínimo", "Tope", "Plan"]
ROWS = [
    ["Tarjetas de débito", "nacionales", "0,9", "0,20", "", "", "Básico"],
    ["Tarjetas", "internacionales", "2,9 %", "0,25 €", "", "", "Básico"],
    ["Adeudos SEPA", "", "0,8", "", "0,30", "5", "Plan Mayor"],
    ["Reembolsos gratis", "", "", "", "", "", "Plan Mayor"],
    ["", "", "", "", "", "", ""],
]


def test_columns_are_guessed_by_what_they_are_called() -> None:
    found = guess(SPANISH, ROWS)
    assert found == PriceColumns(
        what=["Concepto", "Origen"],
        percent="Porcentaje",
        fixed="Fijo",
        minimum="Mínimo",
        maximum="Tope",
        plan="Plan",
    )
    assert guess(["Brand of card", "Rate %"], []).what == ["Brand of card"]
    assert guess(["A", "B"], []).what == ["A"]


def test_rows_become_lines_that_are_read_as_any_other() -> None:
    text = text_of(SPANISH, ROWS, guess(SPANISH, ROWS), "EUR")
    assert text.splitlines() == [
        "Básico plan",
        "Tarjetas de débito nacionales: 0.9% + 0,20 EUR",
        "Tarjetas internacionales: 2,9 % + 0,25 €",
        "Plan Mayor",
        "Adeudos SEPA: 0.8%, min 0,30 EUR, max 5 EUR",
        "Reembolsos gratis",
    ]
    found = read(text, Given("Larkhithe", "PT", "EUR"))
    assert found.unread == []
    assert found.card is not None
    assert [(rate.plans, str(rate.percent)) for rate in found.card.rates] == [
        (["basico"], "0.9"),
        (["basico"], "2.9"),
        (["mayor"], "0.8"),
    ]


@pytest.mark.parametrize(
    ("cells", "of_one", "share"),
    [
        (["0.015", "0.029"], True, "1.5%"),
        (["0.015", "2.9"], False, "0.015%"),
        (["0.015 %", "0.029"], False, "0.015 %"),
        (["from 1.2", "0.01"], False, "from 1.2"),
    ],
)
def test_a_sheet_keeps_percentages_as_parts_of_one(cells: list[str], of_one: bool, share: str) -> None:
    header, rows = ["Method", "Percent"], [["Cards", cell] for cell in cells]
    columns = guess(header, rows)
    assert columns.of_one is of_one
    assert text_of(header, rows, columns, "EUR").splitlines()[0] == f"Cards: {share}"
