"""The fee of an order: worked examples, and what must always hold.

Source of the examples: the project's own design of the rate card, computed by hand with fractions and again by a
second reader; the USD rate of 2024-01-02 is the ECB's (1.0956).
"""

from datetime import date
from decimal import Decimal
from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.errors import InvalidInput
from monedero.core.fx import ReferenceRates
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.order.model import Order
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.priced import NothingToPay, NotPriced, Priced, Pricing
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.volume import NOT_KNOWN, Takings
from monedero.core.reasons import ReasonCode
from monedero.figures import reference_rates
from tests.properties import tried_on

DAY = date(2026, 1, 5)
RATES = ReferenceRates(reference_rates.bundled())


def order(amount: str, buyer: str = "PT", kind: CardKind | None = None, day: date = DAY) -> Order:
    return Order(Money.parse(amount), buyer, day, card_kind=kind)


def on(pricings: list[Pricing], method: str, plan: str = "start") -> Pricing:
    return next(entry for entry in pricings if (entry.route.method, entry.route.plan) == (method, plan))


def card_of(**changes: object) -> RateCard:
    body: dict[str, object] = {
        "format": "monedero/rate-card/1",
        "provider": {
            "id": "tessaline",
            "name": "Tessaline",
            "countries": ["PT"],
            "region": ["PT", "ES"],
            "settles_in": ["EUR", "GBP"],
        },
        "plans": [{"id": "start", "name": "Start"}],
        "rates": [{"id": "any", "method": "card", "when": {}, "percent": "1.4", "fixed": "0.25 EUR"}],
        **changes,
    }
    return RateCard.model_validate(body)


def price(card: RateCard, of: Order, takings: Takings = NOT_KNOWN, rates: ReferenceRates = RATES) -> Pricing:
    return CardPricer(card, "PT", rates).price(of, takings)[0]


@pytest.mark.parametrize(
    ("of", "method", "exact", "charged"),
    [
        (order("85.00 EUR", "PT", CardKind.CONSUMER_DEBIT), "card", "127/100", "1.27 EUR"),
        (order("85.00 EUR", "US", CardKind.CONSUMER_CREDIT), "card", "543/200", "2.72 EUR"),
        (
            order("100.00 USD", "US", CardKind.CONSUMER_CREDIT, date(2024, 1, 2)),
            "card",
            "51739/10956",
            "4.72 EUR",
        ),
        (order("20.00 EUR"), "sepa-direct-debit", "3/10", "0.30 EUR"),
        (order("85.00 EUR"), "sepa-direct-debit", "21/40", "0.53 EUR"),
        (order("1500.00 EUR"), "sepa-direct-debit", "5", "5.00 EUR"),
    ],
)
def test_worked_examples(
    example_card: RateCard, rates: ReferenceRates, of: Order, method: str, exact: str, charged: str
) -> None:
    fee = on(CardPricer(example_card, "PT", rates).price(of), method)
    assert isinstance(fee, Priced)
    assert (fee.exact, str(fee.charged)) == (Fraction(exact), charged)
    assert sum(share.minor for _, share in fee.shown) == fee.charged.minor


def test_a_debit_in_dollars_is_not_priced(example_card: RateCard, rates: ReferenceRates) -> None:
    fee = on(CardPricer(example_card, "PT", rates).price(order("85.00 USD", "US")), "sepa-direct-debit")
    assert isinstance(fee, NotPriced)
    assert fee.reason.code is ReasonCode.NO_RATE_FITS


def test_routes_come_by_plan_then_method(example_card: RateCard) -> None:
    named = [(route.method, route.plan) for route in example_card.routes]
    assert named == [
        ("card", "start"),
        ("sepa-direct-debit", "start"),
        ("card", "steady"),
        ("sepa-direct-debit", "steady"),
    ]


@pytest.mark.parametrize(("limit", "fee"), [({"minimum": "9.00 EUR"}, "9"), ({"maximum": "0.50 EUR"}, "1/2")])
def test_one_limit_alone_holds(limit: dict[str, str], fee: str) -> None:
    card = card_of(rates=[{"id": "one", "method": "card", "when": {}, "percent": "1", **limit}])
    priced = price(card, order("100.00 EUR"))
    assert isinstance(priced, Priced)
    assert priced.exact == Fraction(fee)


def test_a_limit_shows_as_a_part_of_its_own(example_card: RateCard, rates: ReferenceRates) -> None:
    fee = on(CardPricer(example_card, "PT", rates).price(order("1500.00 EUR")), "sepa-direct-debit")
    assert isinstance(fee, Priced)
    shares = [(part.kind, str(share)) for part, share in fee.shown]
    assert shares == [("percentage", "7.50 EUR"), ("fixed", "0.10 EUR"), ("adjustment", "-2.60 EUR")]


def test_a_shop_elsewhere_cannot_have_the_provider(example_card: RateCard, rates: ReferenceRates) -> None:
    fees = CardPricer(example_card, "US", rates).price(order("85.00 EUR"))
    assert {entry.reason.code for entry in fees if isinstance(entry, NotPriced)} == {ReasonCode.SHOP_COUNTRY}
    assert len(fees) == 4


def test_an_order_of_zero_needs_no_payment() -> None:
    assert isinstance(price(card_of(), order("0 EUR")), NothingToPay)


def test_an_amount_below_zero_is_refused() -> None:
    with pytest.raises(InvalidInput, match="amount-negative"):
        price(card_of(), order("-85.00 EUR"))


def test_a_currency_without_a_reference_rate_is_not_priced() -> None:
    fee = price(card_of(), order("5 KWD"))
    assert isinstance(fee, NotPriced)
    assert (fee.reason.code, fee.reason.limit, fee.reason.own) == (
        ReasonCode.NO_REFERENCE_RATE,
        "KWD",
        DAY,
    )


def test_settles_in_the_orders_own_currency_where_it_can() -> None:
    fee = price(card_of(), order("100.00 GBP", "ES"))
    assert isinstance(fee, Priced)
    fixed = Fraction("0.25") * RATES.find("EUR", "GBP", DAY).value
    assert (fee.currency, fee.exact) == ("GBP", Fraction("1.4") + fixed)


def test_a_rate_with_money_that_cannot_be_brought_over_stops_its_route_only() -> None:
    card = card_of(
        rates=[
            {"id": "far", "method": "card", "when": {}, "fixed": "0.100 KWD"},
            {"id": "near", "method": "bank-transfer", "when": {}, "fixed": "0.10 EUR"},
        ]
    )
    far, near = CardPricer(card, "PT", RATES).price(order("10.00 EUR"))
    assert isinstance(far, NotPriced)
    assert far.reason.limit == "KWD"
    assert isinstance(near, Priced)


def test_an_extra_that_cannot_be_brought_over_stops_the_route() -> None:
    card = card_of(extras=[{"id": "far", "label": "Far", "when": {}, "fixed": "0.100 KWD"}])
    fee = price(card, order("10.00 EUR"))
    assert isinstance(fee, NotPriced)
    assert fee.reason.code is ReasonCode.NO_REFERENCE_RATE


@pytest.mark.parametrize(
    ("when", "known", "fits"),
    [
        ({"currency": ["EUR"]}, {}, True),
        ({"currency": ["GBP"]}, {}, False),
        ({"buyer_country": ["ES"]}, {}, True),
        ({"buyer_country": ["PT"]}, {}, False),
        ({"origin": ["region"]}, {}, True),
        ({"origin": ["abroad", "domestic"]}, {}, False),
        ({"card_network": ["aster"]}, {}, False),
        ({"card_network": ["aster"]}, {"card_network": "aster"}, True),
        ({"card_kind": ["commercial"]}, {"card_kind": CardKind.COMMERCIAL}, True),
        ({"card_kind": ["commercial"]}, {}, False),
        ({"recurring": False}, {}, False),
        ({"recurring": False}, {"recurring": False}, True),
        ({"recurring": True}, {"recurring": False}, False),
        ({"line_kind": ["goods"]}, {}, False),
        ({"line_kind": ["goods"]}, {"kinds": frozenset({LineKind.GOODS})}, True),
        ({"line_kind": ["goods"]}, {"kinds": frozenset({LineKind.GOODS, LineKind.COURSE})}, False),
        ({"conversion": False}, {}, True),
        ({"conversion": True}, {}, False),
        ({"amount": {"from": "85.00 EUR"}}, {}, True),
        ({"amount": {"below": "85.00 EUR"}}, {}, False),
        ({"amount": {"from": "85.01 EUR"}}, {}, False),
        ({"amount": {"from": "10 EUR", "below": "85.01 EUR"}}, {}, True),
        ({"monthly_volume": {"from": "1000 EUR"}}, {}, False),
        ({"monthly_volume": {"from": "1000 EUR"}}, {"monthly_volume": Money.parse("1000 EUR")}, True),
        ({"monthly_volume": {"below": "1000 EUR"}}, {"monthly_volume": Money.parse("1000 EUR")}, False),
        ({"monthly_volume": {"below": "1000 EUR"}}, {"monthly_volume": Money.parse("5 KWD")}, False),
    ],
)
def test_every_condition(when: dict[str, object], known: dict[str, Any], fits: bool) -> None:
    card = card_of(rates=[{"id": "only", "method": "card", "when": when, "percent": "1"}])
    takings = Takings(every=known.pop("monthly_volume", None))
    of = Order(Money.parse("85.00 EUR"), "ES", DAY, **known)
    assert isinstance(price(card, of, takings), Priced) is fits


@pytest.mark.parametrize(
    ("volume", "percent"), [(None, "2"), ("9999.99 EUR", "2"), ("10000 EUR", "1.5"), ("90000 EUR", "1")]
)
def test_graduated_bands_price_at_the_volume_reached(volume: str | None, percent: str) -> None:
    bands = [
        {"below": "10000 EUR", "percent": "2"},
        {"below": "50000 EUR", "percent": "1.5"},
        {"below": None, "percent": "1"},
    ]
    card = card_of(rates=[{"id": "steps", "method": "card", "when": {}, "graduated": bands}])
    reached = Money.parse(volume) if volume else None
    fee = price(card, Order(Money.parse("100.00 EUR"), "PT", DAY), Takings(every=reached))
    assert isinstance(fee, Priced)
    assert fee.exact == Fraction(percent)


def test_every_extra_that_fits_is_added_outside_the_limits() -> None:
    card = card_of(
        rates=[{"id": "capped", "method": "card", "when": {}, "percent": "2", "maximum": "1.00 EUR"}],
        extras=[
            {"id": "abroad", "label": "Abroad", "when": {"origin": ["abroad"]}, "percent": "1"},
            {"id": "paper", "label": "Paper", "when": {}, "fixed": "0.05 EUR"},
            {"id": "big", "label": "Big", "when": {"amount": {"from": "500 EUR"}}, "fixed": "9.00 EUR"},
            {
                "id": "other",
                "label": "Other",
                "methods": ["card"],
                "plans": ["start"],
                "when": {},
                "percent": "0.5",
            },
        ],
    )
    fee = price(card, order("100.00 EUR", "US"))
    assert isinstance(fee, Priced)
    assert fee.exact == Fraction(1) + 1 + Fraction("0.05") + Fraction("0.5")


def test_the_newest_card_on_the_day_prices_and_the_cheapest_comes_first(rates: ReferenceRates) -> None:
    old = card_of(valid_from=date(2025, 1, 1))
    new = card_of(
        valid_from=date(2026, 1, 5),
        rates=[{"id": "new", "method": "card", "when": {}, "percent": "1"}],
    )
    other = card_of(
        provider={
            "id": "orlenta",
            "name": "Orlenta",
            "countries": ["PT"],
            "region": [],
            "settles_in": ["GBP"],
        },
        rates=[{"id": "flat", "method": "card", "when": {}, "fixed": "0.70 GBP"}],
    )
    catalogue = Catalogue([old, new, other], "PT", rates)
    first = catalogue.price(order("100.00 EUR", day=date(2026, 1, 4)))
    assert [entry.rate for entry in first if isinstance(entry, Priced)] == ["any", "flat"]
    ranked, shut = catalogue.rank(catalogue.price(order("100.00 EUR")), "EUR", DAY)
    assert [entry.pricing.rate for entry in ranked] == ["flat", "new"]
    assert ranked[0].fee == Fraction("0.7") * rates.find("GBP", "EUR", DAY).value
    assert not shut
    assert [pricer.card.valid_from for pricer in catalogue.pricers(date(2024, 1, 1))] == [date(2025, 1, 1), None]
    assert [pricer.card.valid_from for pricer in catalogue.in_force(date(2024, 1, 1))] == [None]
    assert [pricer.card.valid_from for pricer in catalogue.in_force(DAY)] == [date(2026, 1, 5), None]


def test_ties_go_by_card_plan_and_method(rates: ReferenceRates) -> None:
    flat = [
        {"id": "card-flat", "method": "card", "when": {}, "fixed": "0.50 EUR"},
        {"id": "bank-flat", "method": "online-banking", "when": {}, "fixed": "0.50 EUR"},
    ]
    plans = [{"id": "start", "name": "Start"}, {"id": "steady", "name": "Steady"}]
    other = card_of(rates=flat[:1]).provider.model_copy(update={"id": "orlenta"})
    cards = [card_of(rates=flat, plans=plans), card_of(rates=flat[:1]).model_copy(update={"provider": other})]
    catalogue = Catalogue(cards, "PT", rates)
    ranked, _ = catalogue.rank(catalogue.price(order("100.00 EUR")), "EUR", DAY)
    assert [
        (entry.pricing.route.provider, entry.pricing.route.plan, entry.pricing.route.method) for entry in ranked
    ] == [
        ("tessaline", "start", "card"),
        ("tessaline", "start", "online-banking"),
        ("tessaline", "steady", "card"),
        ("tessaline", "steady", "online-banking"),
        ("orlenta", "start", "card"),
    ]


def test_a_route_that_cannot_be_compared_says_so(rates: ReferenceRates) -> None:
    catalogue = Catalogue([card_of()], "PT", rates)
    ranked, shut = catalogue.rank(catalogue.price(order("100.00 EUR")), "KWD", DAY)
    assert not ranked
    assert shut[0].reason.code is ReasonCode.NO_REFERENCE_RATE
    nothing = catalogue.rank(catalogue.price(order("0 EUR")), "EUR", DAY)
    assert nothing == ([], [])


def test_before_its_first_card_a_provider_is_not_priced(rates: ReferenceRates) -> None:
    catalogue = Catalogue([card_of(valid_from=date(2026, 2, 1))], "PT", rates)
    early = catalogue.price(order("100.00 EUR"))[0]
    assert isinstance(early, NotPriced)
    assert (early.reason.code, early.reason.limit) == (ReasonCode.CARD_NOT_VALID_YET, date(2026, 2, 1))


@pytest.mark.parametrize("day", [None, date(2026, 1, 1)])
def test_two_cards_of_a_provider_from_one_day_are_refused(rates: ReferenceRates, day: date | None) -> None:
    with pytest.raises(InvalidInput, match="cards-same-day"):
        Catalogue([card_of(valid_from=day), card_of(valid_from=day)], "PT", rates)


PERCENTS = st.decimals(0, 20, places=2)
CENTS = st.integers(0, 500)


@tried_on(150)
@given(PERCENTS, PERCENTS, CENTS, CENTS, st.integers(1, 10**7), st.sampled_from(["EUR", "USD", "JPY", "GBP"]))
def test_a_fee_is_exact_never_falls_with_its_percentage_and_its_parts_add_up(
    low: Decimal, more: Decimal, fixed: int, least: int, minor: int, currency: str
) -> None:
    def fee(percent: Decimal) -> Priced:
        rate = {
            "id": "any",
            "method": "card",
            "when": {},
            "percent": str(percent),
            "fixed": str(Money(fixed, "EUR")),
            "minimum": str(Money(least, "EUR")),
            "maximum": str(Money(least + 2000, "EUR")),
        }
        extras = [{"id": "conversion", "label": "Conversion", "when": {"conversion": True}, "percent": "2"}]
        of = Order(Money(minor, currency), "ES", date(2024, 12, 31))
        priced = price(card_of(rates=[rate], extras=extras), of)
        assert isinstance(priced, Priced)
        return priced

    first, second = fee(low), fee(low + more)
    assert first.exact <= second.exact
    assert first.charged.minor <= second.charged.minor
    assert sum(share.minor for _, share in first.shown) == first.charged.minor
    # By fractions alone, straight from the rule.
    day = date(2024, 12, 31)
    settled = first.currency
    amount = RATES.convert(Money(minor, currency), settled, day)
    over = RATES.find("EUR", settled, day).value
    limits = (Fraction(least, 100) * over, Fraction(least + 2000, 100) * over)
    base = Fraction(low) / 100 * amount + Fraction(fixed, 100) * over
    extra = Fraction(2, 100) * amount if settled != currency else 0
    assert first.exact == min(max(base, limits[0]), limits[1]) + extra


@given(st.lists(st.sampled_from(["EUR", "GBP", "USD"]), min_size=1, unique=True), st.integers(1, 10**6))
def test_no_order_is_priced_at_nothing_because_no_rate_fits(currencies: list[str], minor: int) -> None:
    card = card_of(rates=[{"id": "some", "method": "card", "when": {"currency": currencies}, "percent": "1"}])
    for currency in ("EUR", "GBP", "USD"):
        fee = price(card, Order(Money(minor, currency), "ES", DAY))
        assert isinstance(fee, Priced) is (currency in currencies)
