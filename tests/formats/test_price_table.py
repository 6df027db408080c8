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


NOTED = ["Method", "Plan", "Percentage", "Fixed", "Monthly", "Note"]
WITH_NOTES = [
    ["Cards", "Basic", "1.5", "0.25", "", ""],
    ["Cards", "Pro", "1.2", "0.25", "29", ""],
    ["Instalments", "Pro", "2.9", "0.30", "29", "35 to 1500 EUR, BE and NL only"],
    ["Bank transfer", "Pro", "", "0.30", "29", "by moonlight"],
]


def test_a_monthly_charge_is_that_of_its_plan_and_a_note_is_read_or_marks_its_row() -> None:
    columns = guess(NOTED, WITH_NOTES)
    assert (columns.monthly, columns.left_out) == ("Monthly", [])
    found = read(text_of(NOTED, WITH_NOTES, columns, "EUR"), Given("Larkhithe", "PT", "EUR"))
    assert found.card is not None
    assert [(plan.id, str(plan.monthly)) for plan in found.card.plans] == [("basic", "None"), ("pro", "29.00 EUR")]
    (unread,) = found.unread
    assert "by moonlight" in unread.text
    instalments = next(rate for rate in found.card.rates if rate.method == "instalments").when
    assert instalments.buyer_country == ["BE", "NL"]
    assert instalments.amount is not None
    assert str(instalments.amount.from_) == "35.00 EUR"


def test_a_column_that_the_owner_leaves_out_marks_nothing() -> None:
    columns = guess(NOTED, WITH_NOTES).model_copy(update={"left_out": ["Note"]})
    found = read(text_of(NOTED, WITH_NOTES, columns, "EUR"), Given("Larkhithe", "PT", "EUR"))
    assert found.unread == []


def test_every_cell_of_a_table_is_in_its_text_but_for_columns_left_out() -> None:
    header = ["Method", "Plan", "Rate", "Fixed", "Min", "Max", "Per month", "Ref", "Remarks"]
    row = ["Cards", "Basic", "1.5", "0.25", "0.30", "9", "12", "A-17", "EEA"]
    text = text_of(header, [row], guess(header, [row]), "EUR")
    assert all(cell in text for cell in row)
    without = guess(header, [row]).model_copy(update={"left_out": ["Ref"]})
    assert "A-17" not in text_of(header, [row], without, "EUR")


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


def test_a_monthly_charge_without_a_plan_stands_in_its_row() -> None:
    header, row = ["Method", "Rate", "Monthly"], ["Cards", "1.5", "12"]
    assert text_of(header, [row], guess(header, [row]), "EUR") == "Cards: 1.5%, 12 EUR a month"
