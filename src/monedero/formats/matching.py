"""Tells which column of a file says what about a past order, guessed from its header and its cells.

A guess is only that: the owner sees it, corrects it, and it is remembered by the file's header.

Source: own design.

>>> found = guess(["Order no", "Date", "Total", "Country"], [["7", "24.11.2026", "1.085,50", "Spain"]], "EUR", "PT")
>>> found.columns["id"], found.columns["amount"], found.days.value, found.decimal
('Order no', 'Total', 'dmy', ',')
>>> Matching(columns={}, days="dmy", decimal=".", currency="EUR", country="XX")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Matching
country
  country-unknown [type=country-unknown, input_value='XX', input_type=str]
"""

import re
from collections.abc import Sequence
from enum import StrEnum
from typing import Literal

from monedero.core.fields import CountryCode, CurrencyCode, Strict
from monedero.formats.paid_with import PaidWith, plain_words

# Names of columns, in the languages of the shops that were thought of; the first that fits is taken.
NAMES: dict[str, tuple[str, ...]] = {
    "id": (
        "id",
        "order",
        "number",
        "order id",
        "order no",
        "order number",
        "reference",
        "pedido",
        "encomenda",
        "nr",
    ),
    "placed_on": ("placed on", "date", "day", "order date", "created", "created at", "paid on", "data", "fecha"),
    "amount": ("amount", "total", "order total", "gross", "paid", "valor", "importe", "montante", "betrag"),
    "currency": ("currency", "moeda", "moneda", "devise"),
    "country": ("buyer country", "country", "billing country", "pais", "land", "pays"),
    "line": ("line", "product", "item", "article", "produto", "producto", "artigo"),
    "kind": ("line kind", "kind of line"),
    "recurring": ("recurring", "repeats", "subscription"),
    "card_kind": ("card kind", "card type", "kind of card"),
    "card_network": ("card network", "network", "card brand"),
    "method": (
        *("paid with", "paid by", "payment method", "payment", "method", "way to pay", "pago", "metodo de pago"),
        *(
            "pagamento",
            "metodo de pagamento",
            "zahlungsart",
            "zahlart",
            "zahlung",
            "paiement",
            "betaalwijze",
            "gateway",
        ),
    ),
    "status": ("status", "order status", "state", "estado", "situacao", "statut", "zustand"),
    "refund_of": ("refund of", "refunds", "refunded order"),
}
REQUIRED = ("id", "placed_on", "amount")


class DayOrder(StrEnum):
    """In which sequence a day is written."""

    YEAR_FIRST = "ymd"
    DAY_FIRST = "dmy"
    MONTH_FIRST = "mdy"


class Matching(Strict):
    """By field the header of its column, how days and decimals are written, and what holds where a column is none.

    Orders whose status is one of those `left_out` are not read: they were cancelled, or never paid. Those whose status
    is one of `refunds` were given back: they are no orders of a month. `paid_with` says how an order was paid, by the
    values of its column; None is a value that says nothing of it, and one that is not there is guessed.
    """

    columns: dict[str, str]
    days: DayOrder
    decimal: Literal[".", ","]
    currency: CurrencyCode
    country: CountryCode
    left_out: list[str] = []
    refunds: list[str] = []
    paid_with: dict[str, PaidWith | None] = {}


def guess(header: Sequence[str], rows: Sequence[Sequence[str]], currency: str, country: str) -> Matching:
    """The most likely matching of a file; currency and country are the shop's own."""
    columns: dict[str, str] = {}
    # Names that are the same go before those that only hold a word of it.
    for alike in (_same, _holds):
        for field, names in NAMES.items():
            free = [name for name in header if name and name not in columns.values()]
            found = next((column for name in names for column in free if alike(plain_words(column), name)), None)
            if found and field not in columns:
                columns[field] = found

    def cells(field: str) -> list[str]:
        if field not in columns:
            return []
        place = list(header).index(columns[field])
        return [row[place].strip() for row in rows if place < len(row) and row[place].strip()]

    return Matching(
        columns=columns,
        days=_days(cells("placed_on")),
        decimal=_decimal(cells("amount")),
        currency=currency,
        country=country,
        left_out=[value for value in dict.fromkeys(cells("status")) if no_order(value)],
        refunds=[value for value in dict.fromkeys(cells("status")) if gives_back(value)],
    )


def no_order(status: str) -> bool:
    """True if a status says that an order was cancelled, or never paid. Words are common practice, no source.

    >>> no_order("Cancelled by customer"), no_order("Storniert"), no_order("Completed"), no_order("Refunded")
    (True, True, False, False)
    """
    return any(word.startswith(NO_ORDER) for word in plain_words(status).split())


def gives_back(status: str) -> bool:
    """True if a status says that an order was given back whole. Words are common practice, no source.

    >>> gives_back("Refunded"), gives_back("Reembolsado"), gives_back("Partially refunded"), gives_back("Shipped")
    (True, True, False, False)
    """
    words = plain_words(status).split()
    return any(word.startswith(BACK) for word in words) and not any(word.startswith(IN_PART) for word in words)


BACK = (
    "refund",
    "reembols",
    "estorn",
    "devol",
    "rembours",
    "erstatt",
    "terugbetaald",
    "chargeback",
    "charged back",
)
IN_PART = ("partial", "part", "parcial", "teil", "partiel", "deels")
NO_ORDER = (
    *("cancel", "cancelado", "cancelada", "anul", "annul", "stornier", "abgebrochen", "geannuleerd"),
    *("fail", "declin", "void", "reject", "abandon", "expired", "unpaid", "fallido", "recus", "rechaz"),
)
"""How words begin that say so, in the languages of the shops that were thought of."""


def _decimal(cells: Sequence[str]) -> Literal[".", ","]:
    """Tells which mark decimals follow: the one that stands before one or two digits, else the one that groups none."""
    if any(re.search(r",\d{1,2}\D*$", cell) for cell in cells):
        return ","
    if any(re.search(r"\.\d{1,2}\D*$", cell) for cell in cells):
        return "."
    return "," if any(re.search(r"\d\.\d{3}\D*$", cell) for cell in cells) else "."


def _same(column: str, name: str) -> bool:
    return column == name


def _holds(column: str, name: str) -> bool:
    return name in column.split()


def _days(cells: Sequence[str]) -> DayOrder:
    parts = [re.split(r"[-/. T]", cell)[:3] for cell in cells]
    if any(len(part[0]) == 4 for part in parts):
        return DayOrder.YEAR_FIRST
    second = [int(part[1]) for part in parts if len(part) == 3 and part[1].isdigit()]
    return DayOrder.MONTH_FIRST if any(number > 12 for number in second) else DayOrder.DAY_FIRST
