"""The prices of the demo's seven providers, written as pages, make the demo's cards."""

from collections.abc import Iterable
from datetime import date
from importlib.resources import files
from itertools import product
from pathlib import Path
from typing import Any

import pytest

from monedero.core.fx import ReferenceRates
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.order.model import Order
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.priced import NothingToPay, Priced
from monedero.core.ratecard.volume import Takings
from monedero.figures import reference_rates
from monedero.formats import rate_card
from monedero.formats.price_text.reader import Given, read

PAGES = Path(__file__).parent.parent / "data" / "price_pages"
PROVIDERS = ("brixavo", "dovetide", "mirabou", "orlenta", "pocketfern", "quayling", "tessaline")
NETWORKS = ("aster", "borealis", "cygnet")
RATES = ReferenceRates(reference_rates.bundled())
DAY = date(2026, 6, 1)


def demo_card(provider: str) -> RateCard:
    return rate_card.read(files("monedero.demo").joinpath("rate_cards", f"{provider}.json").read_bytes())


def page_card(provider: str, of: RateCard) -> RateCard:
    given = Given(of.provider.name, of.provider.countries[0], of.provider.settles_in[0], NETWORKS, of.valid_from)
    found = read((PAGES / f"{provider}.txt").read_text("utf-8"), given)
    assert [line.text for line in found.unread] == []
    assert found.card is not None
    return found.card


def orders() -> Iterable[Order]:
    for amount, country, kind, network, line, recurring in product(
        ("0.50 EUR", "44.99 EUR", "45 EUR", "300 EUR", "900 EUR", "900.01 EUR", "85 GBP", "120 USD"),
        ("PT", "ES", "DE", "GB", "US"),
        (None, *CardKind),
        (None, "aster", "cygnet"),
        (LineKind.GOODS, LineKind.BOOKING),
        (False, True),
    ):
        money = Money.parse(amount)
        yield Order(money, country, DAY, frozenset({line}), recurring, card_network=network, card_kind=kind)


def fees(card: RateCard, volume: Takings) -> list[tuple[str, str]]:
    """The fee of every order on every route, by plan and method; the names of rates and plans do not count."""
    catalogue = Catalogue([card], card.provider.countries[0], RATES)
    places = {plan.id: str(place) for place, plan in enumerate(card.plans)}
    found = []
    for order in orders():
        told = []
        for entry in catalogue.price(order, volume):
            route = f"{places[entry.route.plan]} {entry.route.method}"
            paid = "nothing" if isinstance(entry, NothingToPay) else "none"
            told.append((route, str(entry.exact) if isinstance(entry, Priced) else paid))
        found += sorted(told)
    return found


def rest(card: RateCard) -> dict[str, Any]:
    """Everything of a card but its rates and extras, the ids of its plans and what none of it says."""
    held = card.model_dump(mode="json", exclude={"rates", "extras", "source"}, exclude_none=True)
    return {**held, "plans": [{**plan, "id": ""} for plan in held["plans"]]}


@pytest.mark.parametrize("provider", PROVIDERS)
def test_a_page_makes_the_card(provider: str) -> None:
    demo = demo_card(provider)
    page = page_card(provider, demo)
    assert rest(page) == rest(demo)
    for taken in ("0 EUR", "1999 EUR", "5000 EUR", "12000 EUR", "20000 EUR"):
        volume = Takings(Money.parse(taken))
        assert fees(page, volume) == fees(demo, volume)
