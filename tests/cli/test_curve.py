"""`monedero curve`, as it is typed: the worked examples, exact, and errors that name what is wrong."""

import json
from fractions import Fraction
from pathlib import Path
from typing import Any

import pytest
from typer.testing import CliRunner, Result

from monedero.cli import app

DATA = Path(__file__).parent.parent / "data"
ASKED = {
    "--shop-country": "PT",
    "--shop-currency": "EUR",
    "--buyer-country": "PT",
    "--currency": "EUR",
    "--card-kind": "consumer-debit",
    "--on": "2024-01-02",
    "--from": "1",
    "--to": "5000",
}


def run(*more: str, **changed: str) -> Result:
    asked = ASKED | {f"--{name.replace('_', '-')}": value for name, value in changed.items()}
    words = [word for pair in asked.items() if pair[1] for word in pair]
    return CliRunner().invoke(app, ["curve", str(DATA / "orlenta-example.json"), *words, *more])


def report(*more: str, **changed: str) -> Any:
    done = run(*more, **changed)
    assert done.exit_code == 0, done.stderr
    return json.loads(done.stdout)


def test_the_debit_is_cheaper_from_twenty_five_sixths() -> None:
    """Worked by hand: 1.2 % + 0.25 against a minimum of 0.30 is equal at 25/6."""
    cheapest = report()["cheapest"]
    assert [(stretch["from"]["exact"], stretch["route"]["method"]) for stretch in cheapest] == [
        ("1", "card"),
        ("25/6", "sepa-direct-debit"),
    ]
    assert cheapest[0]["below"] == {"exact": "25/6", "decimal": "4.1666666667"}
    assert cheapest[-1]["below"]["exact"] == "5000"
    assert cheapest[0]["route"] == {"provider": "orlenta", "plan": "start", "method": "card"}


def test_a_route_is_its_exact_pieces() -> None:
    """0.5 % + 0.10, at least 0.30 and at most 5.00: kinks at 40 and at 980."""
    debit = next(route for route in report()["routes"] if route["method"] == "sepa-direct-debit")
    pieces = [
        tuple(piece[key]["exact"] for key in ("from", "below", "slope", "intercept")) for piece in debit["pieces"]
    ]
    assert pieces == [("1", "40", "0", "3/10"), ("40", "980", "1/200", "1/10"), ("980", "5000", "0", "5")]


def test_an_order_in_dollars_is_brought_over_at_the_days_rate() -> None:
    """2 January 2024: 1.0956 (ECB). 2.9 % and 2 % of the amount, over 1.0956, and 0.25."""
    dollars = report(buyer_country="US", currency="USD", card_kind="consumer-credit")
    card = next(route for route in dollars["routes"] if route["method"] == "card")
    slope = Fraction(card["pieces"][0]["slope"]["exact"])
    assert slope == Fraction("0.049") / Fraction("1.0956")
    assert next(route for route in dollars["routes"] if route["method"] == "sepa-direct-debit")["pieces"] == []
    assert dollars["cheapest"][0]["route"]["plan"] == "start"


def test_assumptions_make_costs_all_in(tmp_path: Path) -> None:
    chosen = tmp_path / "assumptions.json"
    typed = [
        {"id": "minutes", "about": "card", "value": "2"},
        {"id": "hour-cost", "about": "*", "value": "30"},
        {"id": "money-cost", "about": "*", "value": "0"},
        {"id": "dispute-rate", "about": "card", "value": "0"},
    ]
    chosen.write_text(json.dumps({"chosen": typed}))
    card = report("--assumptions", str(chosen))["routes"][0]
    # The fee's 0.25 and two minutes at 30 an hour.
    assert card["pieces"][0]["intercept"]["exact"] == "5/4"
    chosen.write_text(json.dumps({"chosen": [{"id": "luck", "about": "*", "value": "2"}]}))
    refused = run("--assumptions", str(chosen))
    assert (refused.exit_code, "chosen.0.id" in refused.stderr, "luck" in refused.stderr) == (2, True, True)


@pytest.mark.parametrize(
    ("changed", "said"),
    [
        ({"shop_country": "UK"}, "--shop-country: “UK” is not a country"),
        ({"shop_currency": "EUX"}, "--shop-currency: “EUX” is not a currency"),
        ({"currency": "eur"}, "--currency: “eur” is not a currency"),
        ({"from": "0"}, "--from: 0 EUR is nothing"),
        ({"to": "1.001"}, "--to: 1.001 EUR has too many decimals"),
        ({"to": "1"}, "--to: The end, 1.00 EUR, lies under the start, 1.00 EUR"),
        ({"on": "2 January"}, "--on: “2 January” is not a day"),
        ({"monthly_volume": "much"}, "--monthly-volume: “much” is not money"),
        ({"card_network": "Aster Card"}, "--card-network: “Aster Card” is not an id"),
    ],
)
def test_what_is_wrong_is_named(changed: dict[str, str], said: str) -> None:
    done = run(**changed)
    assert (done.exit_code, done.stdout) == (2, "")
    assert done.stderr.startswith(said)


def test_a_card_that_does_not_hold_yet_has_no_pieces() -> None:
    early = report(on="2022-06-01")
    assert [route["pieces"] for route in early["routes"]] == [[], [], [], []]
    assert early["cheapest"][0]["route"] is None
