"""A checkout as a file: what it decides, what it refuses, and that nothing of it is lost."""

import json
from datetime import date
from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from jsonschema import Draft202012Validator
from tests.core.checkout.drawn_checkouts import BASE, ORDERS, checkouts
from tests.core.checkout.slow_decision import Slow
from tests.properties import tried_on

from monedero.core.errors import InvalidInput
from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.order.facts import order_from
from monedero.figures import reference_rates
from monedero.formats.checkout_file import CheckoutFile, FileTender, read, schema, write
from monedero.work.checkout.offer_lines import order_lines

PUBLISHED = reference_rates.bundled()
VALIDATOR = Draft202012Validator(schema())
TYPED = ReferenceRates(PUBLISHED, {"JPY": Fraction("160.5")})


def bytes_of(checkout: dict[str, Any]) -> bytes:
    return json.dumps(checkout).encode()


def rows(file: CheckoutFile, cells: dict[str, str], *, why: bool) -> list[str]:
    order = file.order_of(order_from(cells))
    lines = order_lines("7", order, file.decision(PUBLISHED), why=why)
    return [line.removeprefix("7,").rstrip("\n") for line in lines]


def slow_rows(checkout: dict[str, Any], cells: dict[str, str]) -> list[str]:
    day = date.fromisoformat(cells["placed_on"])

    def per_euro(currency: str) -> Fraction | None:
        try:
            return TYPED.find("EUR", currency, day).value
        except NoReferenceRate:
            return None

    return Slow(checkout, cells, per_euro).rows()


@tried_on(200)
@given(checkouts(), ORDERS, ORDERS)
def test_the_compiled_decision_agrees_with_a_slow_one(
    checkout: dict[str, Any], one: dict[str, str], other: dict[str, str]
) -> None:
    """Two orders at the same compiled decision, the first one again: what is kept of one says nothing of another."""
    file = read(bytes_of(checkout))
    for cells in (one, other, one):
        told = rows(file, cells, why=True)
        assert told == slow_rows(checkout, cells)
        in_place = sorted((row for row in told if not row.startswith(",")), key=lambda row: int(row.split(",")[0]))
        assert rows(file, cells, why=False) == in_place


@tried_on(100)
@given(checkouts())
def test_any_checkout_written_and_read_is_the_same(checkout: dict[str, Any]) -> None:
    file = read(bytes_of(checkout))
    written = write(file)
    assert read(written) == file
    assert write(read(written)) == written
    VALIDATOR.validate(json.loads(written))
    VALIDATOR.validate(checkout)


CASH = {"id": "cash", "name": "Cash", "family": "cash", "own": True, "recurring": True}
TENDER = {"id": "cash", "method": "cash", "on": True, "name": {"en": "Cash"}}
ORDER = {"amount": "42.00", "currency": "EUR", "buyer_country": "PT", "placed_on": "2026-11-24"}


def with_tender(**changes: Any) -> dict[str, Any]:
    shared = [{"id": "a", "name": "A", "conditions": [{"fact": "country", "only": ["PT"]}]}]
    return {**BASE, "methods": [CASH], "shared_conditions": shared, "tenders": [{**TENDER, **changes}]}


# Worked by hand: percent of 42.00 and the fixed part added, rounded half away from zero, then the tax on it rounded.
@pytest.mark.parametrize(
    ("fee", "cells", "told"),
    [
        ({"percent": "1.5", "fixed": "0.10 EUR", "tax_percent": "23"}, {}, "0.90,42.90,EUR,"),
        ({"percent": "1"}, {"amount": "0.50"}, "0.01,0.51,EUR,"),
        ({"percent": "-1"}, {"amount": "0.50"}, "-0.01,0.49,EUR,"),
        ({"percent": "-150", "tax_percent": "23"}, {}, "-42.00,0.00,EUR,"),
        ({}, {}, "0.00,42.00,EUR,"),
        ({"fixed": "100 XPF"}, {}, ",,EUR,fee-unknown"),
        ({"percent": "1", "networks": {"borealis": {"percent": "2"}}}, {}, "0.84,42.84,EUR,fee-up-to"),
        (
            {"percent": "1", "networks": {"borealis": {"percent": "2"}}},
            {"card_network": "borealis"},
            "0.84,42.84,EUR,",
        ),
        (
            {"percent": "1", "networks": {"borealis": {"percent": "2"}}},
            {"card_network": "aster"},
            "0.42,42.42,EUR,",
        ),
        ({"percent": "1", "networks": {"borealis": {"percent": "-2"}}}, {}, "0.42,42.42,EUR,fee-up-to"),
    ],
)
def test_what_a_buyer_pays_on_top(fee: dict[str, Any], cells: dict[str, str], told: str) -> None:
    file = read(bytes_of(with_tender(fee=fee)))
    assert rows(file, {**ORDER, **cells}, why=False) == [f"1,cash,,offered,{told}"]


def test_a_network_that_is_not_taken_raises_no_fee() -> None:
    fee = {"percent": "1", "networks": {"borealis": {"percent": "2"}}}
    file = read(bytes_of(with_tender(fee=fee, networks=["aster"])))
    assert rows(file, ORDER, why=False) == ["1,cash,,offered,0.42,42.42,EUR,fee-up-to"]


def test_an_order_of_zero_is_one_row() -> None:
    file = read(bytes_of(with_tender()))
    assert rows(file, {**ORDER, "amount": "0"}, why=True) == [",,,nothing-to-pay,,,EUR,"]


def test_a_heading_is_shown_where_it_tells_tenders_apart() -> None:
    two = [
        {**TENDER, "id": "later", "name": {"en": "Later"}, "heading": "later"},
        {**TENDER, "id": "now", "name": {"en": "Now"}, "heading": "now"},
        {**TENDER, "id": "bare", "name": {"en": "Bare"}},
    ]

    def told(tenders: list[dict[str, Any]]) -> list[str]:
        file = read(bytes_of({**with_tender(), "tenders": tenders}))
        return [",".join(row.split(",")[:3]) for row in rows(file, ORDER, why=False)]

    assert told(two) == ["1,bare,", "2,now,now", "3,later,later"]
    assert told(two[:1]) == ["1,later,"]
    assert told([two[0], two[2]]) == ["1,bare,", "2,later,later"]


@pytest.mark.parametrize(
    ("changes", "code", "place"),
    [
        ({"on": "yes"}, "wrong-type", "tenders.0.on"),
        ({"unheard": 1}, "key-unknown", "tenders.0.unheard"),
        ({"method": "unheard"}, "reference-dangling", ""),
        ({"heading": "unheard"}, "reference-dangling", ""),
        ({"shared": ["unheard"]}, "reference-dangling", ""),
        ({"shared": ["a", "a"]}, "duplicate", ""),
        ({"name": {}}, "list-empty", "tenders.0.name"),
        ({"name": {"klingon": "Qa"}}, "language-tag", "tenders.0.name.klingon.[key]"),
        ({"conditions": [{"fact": "moon", "only": ["full"]}]}, "not-one-of", "tenders.0.conditions.0.fact"),
        ({"conditions": [{"fact": "country", "only": ["XX"]}]}, "country-unknown", "tenders.0.conditions.0"),
        ({"conditions": [{"fact": "country", "only": []}]}, "list-empty", "tenders.0.conditions.0.only"),
        ({"conditions": [{"fact": "country"}]}, "condition-keys", "tenders.0.conditions.0"),
        ({"conditions": [{"fact": "recurring", "only": ["true"]}]}, "condition-keys", "tenders.0.conditions.0"),
        ({"conditions": [{"fact": "line", "only": ["unheard"]}]}, "reference-dangling", ""),
        ({"conditions": [{"fact": "area", "not": ["unheard"]}]}, "reference-dangling", ""),
        (
            {"conditions": [{"fact": "day", "from": "2026-02-01", "below": "2026-02-01"}]},
            "limits-crossed",
            "tenders.0.conditions.0",
        ),
        ({"conditions": [{"fact": "day", "from": "soon"}]}, "date-text", "tenders.0.conditions.0.from"),
        ({"fee": {"percent": "1,5"}}, "percent-text", "tenders.0.fee.percent"),
        ({"fee": {"fixed": "0.105 EUR"}}, "amount-decimals", "tenders.0.fee.fixed"),
        ({"windows": [{"from": "9 EUR", "up_to": "8 EUR"}]}, "limits-crossed", "tenders.0.windows.0"),
        ({"networks": []}, "list-empty", "tenders.0.networks"),
    ],
)
def test_what_is_wrong_is_named_by_its_place(changes: dict[str, Any], code: str, place: str) -> None:
    with pytest.raises(InvalidInput) as refused:
        read(bytes_of(with_tender(**changes)))
    assert (refused.value.faults[0].code.value, refused.value.faults[0].field) == (code, place)


@pytest.mark.parametrize(
    ("changes", "code"),
    [
        ({"lines": [{**BASE["lines"][0], "deliveries": ["unheard"]}]}, "reference-dangling"),
        ({"deliveries": [{"id": "none", "name": "None"}]}, "name-taken"),
        ({"deliveries": [*BASE["deliveries"], BASE["deliveries"][0]]}, "duplicate"),
        ({"areas": [{"id": "a", "name": "A", "postcodes": {"PT": ["9*"]}}]}, "postcode-prefix"),
        ({"edition": 0}, "limits-crossed"),
        ({"mode": "rehearsal"}, "not-one-of"),
        ({"format": "monedero/checkout/9"}, "format-unknown"),
    ],
)
def test_a_file_that_does_not_hold_together_is_refused(changes: dict[str, Any], code: str) -> None:
    with pytest.raises(InvalidInput) as refused:
        read(bytes_of({**with_tender(), **changes}))
    assert refused.value.faults[0].code.value == code


def test_texts_of_a_tender_stand_by_language_beside_its_descriptions() -> None:
    tender = {
        "id": "card",
        "method": "card",
        "on": True,
        "name": {"en": "Card", "pt": "Cartão"},
        "description": {"en": "By card.", "pt": "Com cartão."},
        "texts": {"pt": {"before": "Antes de {amount}."}},
    }
    read_back = FileTender.model_validate(tender).tender("en")
    assert read_back.texts["en"].description == "By card."
    assert (read_back.texts["pt"].description, read_back.texts["pt"].before) == (
        "Com cartão.",
        "Antes de {amount}.",
    )
