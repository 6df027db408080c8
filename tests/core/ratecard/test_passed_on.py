"""Rates that add interchange and scheme fees: the worked example of docs/formats/rate-card.md, and a second reading.

Sources: Regulation (EU) 2015/751, Articles 3 (0.2 % for debit cards of consumers) and 4 (0.3 % for their credit cards);
every other figure is a first guess of the project's own.
"""

from decimal import Decimal
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.fx import ReferenceRates
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind
from monedero.core.order.model import Order
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.priced import Priced
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.volume import NOT_KNOWN, Takings
from monedero.figures import network_costs, reference_rates
from tests.core.ratecard.test_pricing import DAY, card_of
from tests.properties import tried_on

RATES = ReferenceRates(reference_rates.bundled())
PLUS = {
    "id": "card-plus",
    "method": "card",
    "when": {},
    "adds": ["interchange", "scheme"],
    "percent": "0.6",
    "fixed": "0.12 EUR",
}


def price(card: RateCard, order: Order, chosen: dict[tuple[str, str], str] | None = None) -> Priced:
    catalogue = Catalogue([card], "PT", RATES, network_costs.costs("PT", chosen or {}))
    (found,) = catalogue.price(order)[:1]
    assert isinstance(found, Priced), found
    return found


def order_of(country: str, kind: CardKind | None, amount: str = "85 EUR", network: str | None = None) -> Order:
    return Order(Money.parse(amount), country, DAY, card_kind=kind, card_network=network)


@pytest.mark.parametrize(
    ("country", "kind", "exact", "charged", "rate"),
    [
        ("ES", CardKind.CONSUMER_DEBIT, "0.902", "0.90 EUR", "card-plus:within:consumer-debit"),
        ("ES", None, "0.987", "0.99 EUR", "card-plus:within"),
        ("BR", CardKind.COMMERCIAL, "2.7125", "2.71 EUR", "card-plus:abroad:commercial"),
    ],
)
def test_the_worked_example(country: str, kind: CardKind | None, exact: str, charged: str, rate: str) -> None:
    found = price(card_of(rates=[PLUS]), order_of(country, kind))
    assert (found.exact, str(found.charged), found.rate) == (Fraction(exact), charged, rate)


def test_the_caps_of_the_regulation_hold_in_the_area_and_the_united_kingdom_alone() -> None:
    for country, debit, credit in (("DE", "0.2", "0.3"), ("IS", "0.2", "0.3"), ("GB", "0.2", "0.3")):
        held = network_costs.costs(country, {}).interchange
        within = next(region for region, _ in held)
        assert held[within, CardKind.CONSUMER_DEBIT] == Decimal(debit)
        assert held[within, CardKind.CONSUMER_CREDIT] == Decimal(credit)
    assert "guess" in network_costs.every("US")["interchange-debit"].source
    assert "GB" not in network_costs.within("PT")


def test_the_fees_of_a_network_are_those_that_the_owner_typed_of_it_alone() -> None:
    chosen = {("scheme-fee", "*"): "0.2", ("scheme-fee", "aster"): "0.05"}
    card = card_of(rates=[{**PLUS, "percent": None, "fixed": None, "adds": ["scheme"]}])
    for network, percent in (("aster", "0.05"), ("cygnet", "0.2"), (None, "0.2")):
        found = price(card, order_of("ES", None, "100 EUR", network), chosen)
        assert found.exact == Fraction(percent)
    assert price(card, order_of("BR", None, "100 EUR", "aster"), chosen).exact == Fraction("0.45")


def test_a_card_is_not_priced_without_what_it_adds() -> None:
    with pytest.raises(ValueError, match="tessaline"):
        CardPricer(card_of(rates=[PLUS]), "PT", RATES)


KINDS = st.sampled_from([None, *CardKind])
LISTS = st.sampled_from(
    [
        {},
        {"card_kind": ["consumer-debit", "commercial"]},
        {"buyer_country": ["ES", "BR"]},
        {"buyer_country": ["BR"]},
        {"card_network": ["aster"]},
        {"card_network": ["cygnet"]},
        {"amount": {"from": "50 EUR"}},
    ]
)


@given(
    kind=KINDS,
    country=st.sampled_from(["PT", "ES", "GB", "BR"]),
    network=st.sampled_from([None, "aster", "cygnet"]),
    when=LISTS,
    adds=st.sampled_from([["interchange"], ["scheme"], ["scheme", "interchange"]]),
    minor=st.integers(1, 20_000),
    limits=st.sampled_from([{}, {"minimum": "0.50 EUR"}, {"maximum": "1.00 EUR"}]),
)
@tried_on(200)
def test_a_rate_costs_what_it_says_and_what_it_adds(
    kind: CardKind | None,
    country: str,
    network: str | None,
    when: dict[str, object],
    adds: list[str],
    minor: int,
    limits: dict[str, str],
) -> None:
    """The rate alone is priced as it stands, then the added percentages by hand; where it does not fit, neither does
    the one that adds.
    """
    chosen = {("scheme-fee", "aster"): "0.07", ("interchange-commercial", "*"): "1.8"}
    costs = network_costs.costs("PT", chosen)
    order = Order(Money(minor, "EUR"), country, DAY, card_kind=kind, card_network=network)
    rest = {"id": "rest", "method": "card", "when": {}, "percent": "9"}
    alone = {key: value for key, value in {**PLUS, "when": when}.items() if key != "adds"}
    (bare,) = Catalogue([card_of(rates=[alone, rest])], "PT", RATES).price(order)[:1]
    found = price(card_of(rates=[{**alone, "adds": adds, **limits}, rest]), order, chosen)
    assert isinstance(bare, Priced)
    if bare.rate == "rest":
        assert found.rate == "rest"
        return
    within = country in costs.within
    interchange = {
        (True, "consumer-debit"): "0.2",
        (True, "consumer-credit"): "0.3",
        (True, "commercial"): "1.8",
        (False, "consumer-debit"): "1.15",
        (False, "consumer-credit"): "1.5",
        (False, "commercial"): "2",
    }[within, kind or "consumer-credit"]
    scheme = ("0.07" if network == "aster" else "0.12") if within else "0.45"
    percent = sum(Fraction(of) for of, name in ((interchange, "interchange"), (scheme, "scheme")) if name in adds)
    base = bare.exact + percent * Fraction(minor, 10_000)
    if "minimum" in limits:
        base = max(base, Fraction(1, 2))
    if "maximum" in limits:
        base = min(base, Fraction(1))
    assert found.exact == base


def test_what_is_added_is_added_to_the_percentage_of_every_band() -> None:
    bands = [{"below": "1000 EUR", "percent": "1"}, {"below": None, "percent": "0.5"}]
    card = card_of(rates=[{**PLUS, "percent": None, "graduated": bands, "adds": ["interchange"]}])
    catalogue = Catalogue([card], "PT", RATES, network_costs.costs("PT", {}))
    order = order_of("ES", CardKind.CONSUMER_DEBIT, "100 EUR")
    for taken, percent in ((None, "1.2"), ("5000 EUR", "0.7")):
        takings = Takings(Money.parse(taken)) if taken else NOT_KNOWN
        (found,) = catalogue.price(order, takings)[:1]
        assert isinstance(found, Priced)
        assert found.exact == Fraction(percent) + Fraction("0.12")
