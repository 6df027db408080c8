"""A month of orders: plans alone and plans by volume, against a month walked order by order."""

from collections.abc import Iterator, Sequence
from datetime import date
from fractions import Fraction
from typing import Any

import polars as pl
import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.account import Mode
from monedero.core.checkout.decision import Setting
from monedero.core.columns import orders as order_columns
from monedero.core.columns.card import CardColumns
from monedero.core.columns.carried import Carried, carried
from monedero.core.columns.fees import FeeColumns, name_of
from monedero.core.columns.level import PlanColumns
from monedero.core.columns.month import Alone, PlanMonth, counted
from monedero.core.fx import ReferenceRates
from monedero.core.method import Method
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind
from monedero.core.order.model import Order
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import Event, RateCard, RefundEvent
from monedero.core.ratecard.priced import Priced
from monedero.core.ratecard.volume import plan_key
from monedero.figures import reference_rates
from tests.core.columns.slowly import SlowMonth
from tests.core.columns.test_columns import frame_of
from tests.core.ratecard.made_up import RATES, cards, orders
from tests.properties import tried_on

ZERO = Fraction(0)
# Quoted by the European Central Bank on 30 October 2026, besides the euro.
QUOTED = """
USD GBP CHF SEK NOK DKK PLN CZK HUF JPY AUD CAD NZD ZAR BRL
MXN INR IDR KRW PHP THB MYR SGD HKD ILS TRY CNY ISK RON
"""
EVERY = Carried({}, {})
METHODS = ("card", "device-wallet")
DAY = date(2026, 11, 24)


def plans_of(card: RateCard, monthly: list[int], minimum: list[int]) -> list[PlanColumns]:
    return [
        PlanColumns(
            plan_key(card.provider.id, plan.id),
            card.provider.id,
            tuple(name_of(route) for route in card.routes if route.plan == plan.id),
            Fraction(monthly[number]),
            Fraction(minimum[number]),
        )
        for number, plan in enumerate(card.plans)
    ]


class BuiltMonth:
    """Some cards over some orders of a month, in columns."""

    def __init__(
        self,
        cards_of: list[RateCard],
        built: list[Order],
        charges: list[int],
        rates: ReferenceRates = RATES,
    ) -> None:
        self.cards, self.contexts = cards_of, built
        self.columns = FeeColumns(Catalogue(cards_of, "PT", rates), "EUR", rates)
        self.orders = self.columns.orders(frame_of(built))
        self.alone: list[Alone] = []
        for number, (pricer,) in enumerate(self.columns.versions):
            at = 4 * number
            plans = plans_of(pricer.card, charges[at : at + 2], charges[at + 2 : at + 4])
            card = CardColumns(self.columns, pricer, self.orders, EVERY, plans)
            self.alone += [Alone(plan, card, card.volume(plan)) for plan in plans]

    def month(self, entry: Alone) -> PlanMonth:
        sums = entry.card.sum_of(entry.plan.id, entry.card.walk(entry.volume))
        shortfall = max(ZERO, entry.plan.minimum - sums.fees)
        return PlanMonth(entry.plan.id, sums.orders, sums.amount, sums.fees, entry.plan.monthly, shortfall)

    def slow(self, entry: Alone, times: Fraction = Fraction(1)) -> SlowMonth:
        card = next(card for card in self.cards if card.provider.id == entry.plan.provider)
        return SlowMonth(card, entry.plan.id.partition("/")[2], [(order, times) for order in self.contexts])


def named(card: RateCard, name: str) -> RateCard:
    return card.model_copy(update={"provider": card.provider.model_copy(update={"id": name})})


MONTHS = (
    cards(graduated=True, methods=METHODS),
    cards(graduated=True, methods=METHODS),
    st.lists(orders(), min_size=1, max_size=5),
    st.lists(st.integers(0, 3), min_size=8, max_size=8),
)


@pytest.fixture(params=["columns", "one by one"])
def _long(request: Any, monkeypatch: pytest.MonkeyPatch) -> None:
    """Every test of a month holds in columns, and where figures are too long for columns."""
    if request.param == "one by one":
        monkeypatch.setattr(order_columns, "BITS", 0)


@pytest.mark.usefixtures("_long")
@tried_on(30)
@given(*MONTHS)
def test_a_plan_alone_is_what_a_slow_walk_finds(
    card: RateCard, second: RateCard, orders_of: list[Order], charges: list[int]
) -> None:
    built = BuiltMonth([card, named(second, "orlenta")], orders_of, charges)
    slow = {entry.plan.id: built.slow(entry) for entry in built.alone}
    volumes = {name: walked.volume() for name, walked in slow.items()}
    for entry in built.alone:
        walked, volume = slow[entry.plan.id], volumes[entry.plan.id]
        assert entry.volume == volume
        month = built.month(entry)
        own = walked.carried(volume)
        assert month.carried == len(own)
        assert month.amount == walked.amount(own)
        assert month.fees == walked.fees(own, volume)
        assert month.shortfall == max(ZERO, entry.plan.minimum - month.fees)


def test_routes_of_a_month_are_summed_with_what_refunds_return(example_card: RateCard) -> None:
    """Twelve orders of 85.00 over four months: three a month, each 1.2 % + 0.25 by consumer debit card."""
    event = Event(methods=["card"], refund=RefundEvent(returns="percent"))
    stored_card = example_card.model_copy(update={"events": [event]})
    columns = FeeColumns(Catalogue([stored_card], "PT", RATES), "EUR", RATES)
    one = frame_of([Order(Money(8500, "EUR"), "PT", date(2024, 1, 2), card_kind=CardKind.CONSUMER_DEBIT)])
    frame = one.with_columns(pl.lit(12).alias("weight"))
    built = columns.orders(frame, weight_over=4)
    card = CardColumns(columns, columns.versions[0][0], built, EVERY, plans_of(example_card, [0, 0], [0, 0]))
    start = card.sum_of("orlenta/start/card", card.walk(card.volume(card.plans[0])))
    assert [start.orders, start.amount, start.fees] == [3, 255, 3 * Fraction(127, 100)]
    assert start.returned == 3 * Fraction("1.02")
    assert card.sum_of("orlenta/start/nothing", card.walk(ZERO)).orders == 0


# The smallest case of each rule, in euro on one day. Section 3, *volume in a month*.
def card_of(name: str, plan: str, rates: Sequence[dict[str, Any]], plans: list[str] | None = None) -> RateCard:
    return RateCard.model_validate(
        {
            "format": "monedero/rate-card/1",
            "provider": {"id": name, "name": name, "countries": ["PT"], "region": [], "settles_in": ["EUR"]},
            "plans": [{"id": each, "name": each} for each in plans or [plan]],
            "rates": [{"id": f"r-{number}", "when": {}, **rate} for number, rate in enumerate(rates)],
        }
    )


def euros(count: int, amount: int = 50, country: str = "PT") -> list[Order]:
    return [Order(Money(100 * amount, "EUR"), country, DAY)] * count


FLAT = card_of("flat", "only", [{"method": "card", "percent": "2"}])
GRADUATED = [{"below": "2000 EUR", "percent": "1.8"}, {"below": None, "percent": "1"}]


def test_a_graduated_rate_is_walked_band_by_band() -> None:
    """100 orders of 50 EUR at 1.8 % below 2,000 and 1 % above cost 36 + 30, and 15 a month: 81.00."""
    built = BuiltMonth(
        [FLAT, card_of("grad", "own", [{"method": "card", "graduated": GRADUATED}])],
        euros(100),
        [0, 0, 0, 0, 15, 0, 0, 0],
    )
    flat, grad = (built.month(entry) for entry in built.alone)
    assert [flat.cost, grad.fees, grad.cost] == [100, 66, 81]


@pytest.mark.parametrize("volume", ["10000", "10001", "50000", "60000"])
def test_graduated_bands_are_walked_and_bands_of_the_whole_volume_are_not(volume: str) -> None:
    """2 % to 10,000, 1.5 % to 50,000, 1 % above: by hand. A whole-volume price falls at the band's edge."""
    steps = [("10000 EUR", "2"), ("50000 EUR", "1.5"), (None, "1")]
    graduated = [{"below": below, "percent": percent} for below, percent in steps]
    whole: list[dict[str, Any]] = [
        {"method": "card", "percent": "1", "when": {"monthly_volume": {"from": "50000 EUR"}}},
        {"method": "card", "percent": "1.5", "when": {"monthly_volume": {"from": "10000 EUR"}}},
        {"method": "card", "percent": "2"},
    ]
    walked = {"10000": "200", "10001": "200.015", "50000": "800", "60000": "900"}
    jumped = {"10000": "150", "10001": "150.015", "50000": "500", "60000": "600"}
    one = [Order(Money(100 * int(volume), "EUR"), "PT", DAY)]
    cards_of = [
        card_of("walked", "a", [{"method": "card", "graduated": graduated}]),
        card_of("jumped", "b", whole),
    ]
    built = BuiltMonth(cards_of, one, [0] * 8)
    assert [built.month(entry).cost for entry in built.alone] == [
        Fraction(walked[volume]),
        Fraction(jumped[volume]),
    ]


def test_a_volume_that_settles_nowhere_ends_with_what_is_carried_there() -> None:
    """Below 1,000 all orders have a price, from there on half of them: asked again, it goes to and fro."""
    rates: list[dict[str, Any]] = [
        {"method": "card", "percent": "2", "when": {"monthly_volume": {"below": "1000 EUR"}}},
        {"method": "card", "percent": "1", "when": {"buyer_country": ["ES"]}},
    ]
    built = BuiltMonth([card_of("one", "a", rates)], euros(12) + euros(12, country="ES"), [0] * 4)
    (entry,) = built.alone
    assert (entry.volume, built.month(entry).carried) == (Fraction(1200), Fraction(12))


# Section 1: nothing is refused and nothing left out for its length.
def test_many_payout_currencies_and_long_rates_are_priced_exactly() -> None:
    """30 payout currencies, a million to a euro, typed rates of ten decimals: as the exact core has it."""
    quoted = QUOTED.split()
    typed = {
        "IRR": Fraction("1234567.0123456789"),
        "VND": Fraction("29876.9876543211"),
        "KWD": Fraction("0.3345678901"),
    }
    rates = ReferenceRates(reference_rates.bundled(), typed)
    card = RateCard.model_validate(
        {
            "format": "monedero/rate-card/1",
            "provider": {"id": "wide", "name": "Wide", "countries": ["PT"], "region": [],
                         "settles_in": ["EUR", *quoted]},
            "plans": [{"id": "only", "name": "Only"}],
            "rates": [
                {"id": "big", "method": "card", "when": {"amount": {"from": "900000 IRR"}, "currency": list(typed)},
                 "percent": "1.2345", "fixed": "0.123 KWD", "maximum": "50.000 KWD"},
                {"id": "long", "method": "card", "when": {"currency": list(typed)}, "percent": "2.9",
                 "fixed": "1000 VND", "minimum": "5000 VND"},
                {"id": "any", "method": "card", "when": {}, "percent": "2.9", "fixed": "0.25 EUR"},
            ],
        }
    )  # fmt: skip
    currencies = ["EUR", "IRR", "VND", "KWD", *quoted]
    orders = [Order(Money(minor, code), "PT", DAY) for code in currencies for minor in (7, 5_000, 10**11)]
    built = BuiltMonth([card], orders, [0] * 4, rates)
    assert built.orders.height == len(orders)
    assert {order.order.amount.currency for order in built.orders.long} == {"IRR", "VND", "KWD"}
    pricer = built.columns.versions[0][0]
    fees = ZERO
    for order in orders:
        (priced,) = pricer.price(order)
        assert isinstance(priced, Priced)
        fees += priced.exact * rates.find(priced.currency, "EUR", DAY).value
    month = built.month(built.alone[0])
    assert month.carried == len(orders)
    assert month.fees == fees
    every = counted(built.orders)
    assert every.orders == len(orders)
    assert every.amount == month.amount


def test_long_orders_are_carried_as_their_method_can(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(order_columns, "BITS", 0)
    wallet = Method(id="card", name="Card", family="card", buyer="Pays.", recurring=True, currencies=["EUR"])
    columns = FeeColumns(Catalogue([FLAT], "PT", RATES), "EUR", RATES)
    built = columns.orders(frame_of([*euros(2), Order(Money(500, "USD"), "PT", DAY)]))
    setting = Setting("PT", "EUR", Mode.TEST, {"card": wallet}, {}, RATES)
    mask = carried({"card": wallet}, built, setting)
    card = CardColumns(columns, columns.versions[0][0], built, mask, plans_of(FLAT, [0], [0]))
    assert card.sum_of("flat/only", card.walk(ZERO)).orders == 2
    assert counted(built, mask, "card").orders == 2


def walk_of(entry: Alone) -> Iterator[Fraction]:
    return (step.share for step in entry.card.walk(entry.volume))


def test_the_shares_of_a_month_add_up() -> None:
    built = BuiltMonth([card_of("grad", "own", [{"method": "card", "graduated": GRADUATED}])], euros(100), [0] * 4)
    assert list(walk_of(built.alone[0])) == [Fraction(2, 5), Fraction(3, 5)]


def test_what_decides_how_orders_are_held_are_figures_in_other_currencies() -> None:
    pounds = card_of(
        "pounds", "a", [{"method": "card", "fixed": "0.20 GBP"}, {"method": "card", "fixed": "0.20 EUR"}]
    )
    columns = FeeColumns(Catalogue([FLAT, pounds], "PT", RATES), "EUR", RATES)
    assert [entry.id for entry in columns.foreign] == ["r-0"]
