"""Tests what a rate card must be: each rule, broken once."""

import json
from typing import Any

import pytest

from monedero.core.errors import FaultCode, InvalidInput
from monedero.formats import rate_card
from monedero.wording import fault_text
from tests.conftest import DATA

CARD = DATA / "orlenta-example.json"


def broken(change: Any) -> InvalidInput:
    body = json.loads(CARD.read_text("utf-8"))
    change(body)
    with pytest.raises(InvalidInput) as refused:
        rate_card.read(json.dumps(body).encode())
    return refused.value


def setting(*path: str | int, to: object) -> Any:
    def change(body: Any) -> None:
        for step in path[:-1]:
            body = body[step]
        body[path[-1]] = to

    return change


@pytest.mark.parametrize(
    ("change", "field", "code"),
    [
        (setting("colour", to="green"), "colour", FaultCode.KEY_UNKNOWN),
        (setting("rates", 0, "when", "weather", to=["fine"]), "rates.0.when.weather", FaultCode.KEY_UNKNOWN),
        (setting("rates", 1, "percent", to="-2.9"), "rates.1.percent", FaultCode.PERCENT_TEXT),
        (setting("rates", 1, "percent", to=2.9), "rates.1.percent", FaultCode.WRONG_TYPE),
        (setting("rates", 1, "percent", to="2,9"), "rates.1.percent", FaultCode.PERCENT_TEXT),
        (setting("rates", 1, "fixed", to="0.25 XYZ"), "rates.1.fixed", FaultCode.CURRENCY_UNKNOWN),
        (setting("rates", 1, "fixed", to="0.255 EUR"), "rates.1.fixed", FaultCode.AMOUNT_DECIMALS),
        (setting("rates", 1, "fixed", to="-0.25 EUR"), "rates.1.fixed", FaultCode.AMOUNT_NEGATIVE),
        (setting("rates", 1, "fixed", to="a quarter"), "rates.1.fixed", FaultCode.MONEY_TEXT),
        (setting("rates", 2, "minimum", to="6.00 EUR"), "rates.2", FaultCode.LIMITS_CROSSED),
        (setting("rates", 2, "minimum", to="0.30 GBP"), "rates.2", FaultCode.CURRENCY_MIXED),
        (setting("rates", 0, "when", "origin", to=[]), "rates.0.when.origin", FaultCode.LIST_EMPTY),
        (setting("rates", 0, "when", "origin", to=["near"]), "rates.0.when.origin.0", FaultCode.NOT_ONE_OF),
        (setting("rates", 0, "when", "recurring", to="yes"), "rates.0.when.recurring", FaultCode.WRONG_TYPE),
        (
            setting("rates", 0, "when", "amount", to={"from": "5 EUR", "below": "5 EUR"}),
            "rates.0.when.amount",
            FaultCode.LIMITS_CROSSED,
        ),
        (setting("rates", 0, "plans", to=["gold"]), "", FaultCode.REFERENCE_DANGLING),
        (setting("events", 0, "methods", to=["cash"]), "", FaultCode.REFERENCE_DANGLING),
        (setting("rates", 1, "id", to="card-region-debit"), "", FaultCode.DUPLICATE),
        (setting("extras", 0, "id", to="card-any"), "", FaultCode.DUPLICATE),
        (setting("rates", 1, "id", to="Card Any"), "rates.1.id", FaultCode.IDENTIFIER_TEXT),
        (setting("provider", "countries", 0, to="XX"), "provider.countries.0", FaultCode.COUNTRY_UNKNOWN),
        (setting("provider", "countries", 0, to="pt"), "provider.countries.0", FaultCode.COUNTRY_UNKNOWN),
        (setting("provider", "name", to=" "), "provider.name", FaultCode.BLANK),
        (setting("provider", "name", to="O" * 61), "provider.name", FaultCode.TOO_LONG),
        (setting("settlement", 0, "payout", to="weekly"), "settlement.0.payout", FaultCode.PAYOUT_TEXT),
        (setting("settlement", 0, "payout", to="monthly:29"), "settlement.0.payout", FaultCode.PAYOUT_TEXT),
        (setting("settlement", 0, "calendar", to="Mars"), "settlement.0.calendar", FaultCode.CALENDAR_UNKNOWN),
        (setting("settlement", 0, "business_days", to=-1), "settlement.0.business_days", FaultCode.LIMITS_CROSSED),
        (setting("fee_tax_percent", to="101"), "fee_tax_percent", FaultCode.PERCENT_RANGE),
        (setting("valid_from", to="2026-02-29"), "valid_from", FaultCode.DATE_TEXT),
        (setting("format", to="monedero/rate-card/2"), "format", FaultCode.FORMAT_UNKNOWN),
        (
            setting("rates", 1, "graduated", to=[{"below": None, "percent": "1"}]),
            "rates.1",
            FaultCode.RATE_TWICE_PRICED,
        ),
        (lambda body: body.pop("plans"), "plans", FaultCode.KEY_MISSING),
    ],
)
def test_a_broken_rule_is_refused_at_its_place(change: Any, field: str, code: FaultCode) -> None:
    fault = broken(change).faults[0]
    assert (fault.field, fault.code) == (field, code)
    assert fault_text(fault)


@pytest.mark.parametrize(
    "bands",
    [
        [{"below": "100 EUR", "percent": "2"}],
        [{"below": None, "percent": "2"}, {"below": None, "percent": "1"}],
    ],
)
def test_graduated_bands_end_with_an_open_one(bands: list[dict[str, object]]) -> None:
    def change(body: Any) -> None:
        body["rates"][1].pop("percent")
        body["rates"][1]["graduated"] = bands

    assert broken(change).faults[0].code is FaultCode.BANDS_ORDER


def test_graduated_bands_rise() -> None:
    def change(body: Any) -> None:
        body["rates"][1].pop("percent")
        body["rates"][1]["graduated"] = [
            {"below": "100 EUR", "percent": "2"},
            {"below": "100 EUR", "percent": "1.5"},
            {"below": None, "percent": "1"},
        ]

    assert broken(change).faults[0].code is FaultCode.LIMITS_CROSSED


def test_every_fault_is_told_at_once() -> None:
    def change(body: Any) -> None:
        body["rates"][0]["percent"] = "-1"
        body["rates"][1]["fixed"] = "1 EUR and more"
        body["shade"] = 1

    assert len(broken(change).faults) == 3
