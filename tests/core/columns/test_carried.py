"""Tests which orders a method carries, in columns against the decision on each; and what is not open to a shop at
all.
"""

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.account import Mode
from monedero.core.checkout.decision import Setting, cannot_carry
from monedero.core.columns.carried import carried, limits_in
from monedero.core.columns.fees import FeeColumns
from monedero.core.columns.typed import typed_rows
from monedero.core.method import Method
from monedero.core.openness import Holding, not_in_plan, shut_to
from monedero.core.order.model import Order
from monedero.core.profile import Cell, Profile
from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.reasons import ReasonCode
from monedero.core.shop import Line, Market, Shop, Software
from monedero.core.window import Window
from tests.core.columns.test_columns import frame_of
from tests.core.ratecard.made_up import RATES, orders
from tests.properties import tried_on

WINDOWS = st.sampled_from(
    [
        None,
        Window(from_="45.00 EUR", up_to="300.00 EUR"),
        Window(below="200 GBP"),
        Window(from_="20 USD"),
        Window(up_to="30.000 KWD"),
    ]
)
METHODS = st.builds(
    Method,
    id=st.just("made-up"),
    name=st.just("Made up"),
    family=st.just("own"),
    buyer=st.just("Pays."),
    recurring=st.booleans(),
    shop_countries=st.sampled_from([None, ["PT"], ["ES"]]),
    buyer_countries=st.sampled_from([None, ["PT", "ES"]]),
    currencies=st.sampled_from([None, ["EUR"], ["EUR", "USD"]]),
    kinds=st.sampled_from([None, ["goods"]]),
    amount=WINDOWS,
)


@tried_on(200)
@given(METHODS, st.lists(orders(), min_size=1, max_size=8))
def test_columns_carry_what_the_decision_carries(method: Method, held: list[Order]) -> None:
    setting = Setting("PT", "EUR", Mode.TEST, {"made-up": method}, {}, RATES)
    columns = FeeColumns(Catalogue([], "PT", RATES), "EUR", RATES)
    in_columns = columns.orders(frame_of(held), limits_in([method]))
    mask = carried({"made-up": method}, in_columns, setting).columns["made-up"]
    found = in_columns.frame.select("number", mask.alias("carried")).rows(named=True)
    for row in found:
        asked = held[row["number"]]
        against = [reason.code.value for reason in cannot_carry(method, asked, setting)]
        # An unknown fact of a past order speaks against no method.
        known = [code for code in against if code not in ("method-kind-unknown", "method-recurring-unknown")]
        assert row["carried"] is not bool(known)


# Methods that are not open to a shop.
def facts(**more: object) -> ProviderFacts:
    return ProviderFacts.model_validate(
        {"id": "quayling", "name": "Quayling", "about": "", "contract": "all-in-one", "review_days": 1, **more}
    )


SOFTWARE = Software.model_validate(
    {"name": "Shop software", "plan": "one", "plans": [{"id": "one", "name": "One"}], "allows": ["orlenta"]}
)


@pytest.mark.parametrize(
    ("provider", "held", "codes"),
    [
        ({"needs": [{"method": "instalments", "account": "orlenta"}]}, {}, ["needs-account"]),
        ({"needs": [{"method": "instalments", "account": "orlenta"}]}, {"accounts": frozenset({"orlenta"})}, []),
        ({"needs": [{"method": "instalments", "other_method": "card"}]}, {}, ["needs-method"]),
        ({"needs": [{"method": "instalments", "other_method": "card"}]}, {"methods": frozenset({"card"})}, []),
        ({"needs": [{"method": "card", "other_method": "cash"}]}, {}, []),
        ({"excludes": ["mirabou"]}, {"accounts": frozenset({"mirabou"})}, ["excluded-by"]),
        ({"trades_refused": ["outings"]}, {"trade": "outings"}, ["trade-refused"]),
        ({}, {"software": SOFTWARE}, ["software-refuses"]),
        (
            {"trades_refused": ["outings"], "excludes": ["mirabou"]},
            {"trade": "outings", "accounts": frozenset({"mirabou"}), "software": SOFTWARE},
            ["trade-refused", "excluded-by", "software-refuses"],
        ),
    ],
)
def test_every_reason_that_shuts_a_route_is_given(
    provider: dict[str, object], held: dict[str, object], codes: list[str]
) -> None:
    empty: dict[str, object] = {"trade": None, "accounts": frozenset(), "methods": frozenset(), "software": None}
    holding = Holding(**{**empty, **held})  # type: ignore[arg-type]
    assert [reason.code.value for reason in shut_to(facts(**provider), "instalments", holding)] == codes


def test_a_method_that_a_plan_does_not_have_says_which_has_it(example_card: RateCard) -> None:
    """The card of the worked examples prices cards on one plan only."""
    missing = not_in_plan(example_card, Route(provider="orlenta", plan="steady", method="card"))
    assert missing is not None
    assert (missing.code, missing.limit, missing.own) == (ReasonCode.NOT_IN_PLAN, "Steady", "Start")
    assert not_in_plan(example_card, Route(provider="orlenta", plan="start", method="card")) is None


# The typed profile.
def test_cells_of_lines_and_markets_that_are_gone_count_nothing() -> None:
    shop = Shop(
        name="Cabo Noite",
        country="PT",
        currency="EUR",
        markets=[Market(id="pt", country="PT", currency="EUR", share="100")],
        lines=[Line(id="chart", name="Chart", kind="goods", usual_amount="42 EUR", recurring=False)],
    )
    cells = [
        Cell(line="chart", market="pt", orders="3", usual="42 EUR"),
        Cell(line="gone", market="pt", orders="3", usual="42 EUR"),
        Cell(line="chart", market="gone", orders="3", usual="42 EUR"),
    ]
    cards = [{"kind": "consumer-debit", "network": "aster", "share": "75"}]
    profile = Profile.model_validate({"cells": [cell.model_dump(mode="json") for cell in cells], "cards": cards})
    frame, over = typed_rows(profile, shop, date(2026, 1, 5), RATES)
    # 3 orders: 75 % by debit card, the rest not known.
    assert [(row["card_kind"], row["weight"] / over) for row in frame.rows(named=True)] == [
        ("consumer-debit", 2.25),
        (None, 0.75),
    ]
    assert frame.columns[:4] == ["minor", "currency", "day", "country"]
    nothing, _ = typed_rows(
        Profile(cells=[Cell(line="chart", market="pt", orders="0", usual="42 EUR")]), shop, date(2026, 1, 5), RATES
    )
    assert nothing.is_empty()


def test_of_a_booking_by_deposit_a_month_holds_the_deposits_and_of_one_on_the_day_nothing() -> None:
    held = {"kind": "booking", "usual_amount": "85 EUR", "recurring": False}
    lines = [
        {**held, "id": "tour", "name": "Tour", "deposit": {"percent": "30"}},
        {**held, "id": "walk", "name": "Walk", "deposit": {"percent": "0"}},
        {**held, "id": "stay", "name": "Stay", "deposit": {"amount": "100 EUR"}},
    ]
    market = {"id": "pt", "country": "PT", "currency": "EUR", "share": "100"}
    shop = Shop.model_validate(
        {"name": "Cabo", "country": "PT", "currency": "EUR", "markets": [market], "lines": lines}
    )
    cells = [Cell(line=line["id"], market="pt", orders="1", usual="85 EUR") for line in lines]
    frame, _ = typed_rows(Profile(cells=cells), shop, date(2026, 1, 5), RATES)
    assert sorted(zip(frame["line"], frame["minor"], strict=True)) == [("stay", 8500), ("tour", 2550)]
