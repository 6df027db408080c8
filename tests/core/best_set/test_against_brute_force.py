"""Every set of small random shops, priced and chosen for order by order: its month, and the best one, are the same.

Here nothing is in columns, classes or cells: each order is priced by the exact core at the volume that its plan
carries, and each kind of buyer looks for the first way of its ranking.

Source: own design, written out a second time from the text.
"""

import random
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date
from fractions import Fraction
from itertools import pairwise, product
from typing import Any

import pytest
from tests.core.ratecard.made_up import RATES

from monedero.core.best_set import best
from monedero.core.best_set.best import best_set, rank
from monedero.core.best_set.demand import Demand
from monedero.core.best_set.month import Chosen, SetMonth, at_level, levels_at, month_of
from monedero.core.best_set.programme import Limits
from monedero.core.buyers.model import Buyers
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.priced import Priced
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.volume import Takings, Volume, plan_key
from monedero.work.month.set_report import SetAsked, demand_of_files

DAY = date(2026, 1, 5)
COUNTRIES = ("PT", "ES", "DE")
METHODS = ("card", "device-wallet", "moon-transfer", "sepa-direct-debit")


@dataclass
class SmallShop:
    cards: list[RateCard]
    orders: list[Order]
    buyers: Buyers
    margin: Fraction | None


def _rates(rng: random.Random, method: str, volume: str) -> Iterator[dict[str, Any]]:
    percent, fixed = str(rng.randint(0, 400) / 100), f"{rng.randint(0, 40) / 100:.2f} EUR"
    rate: dict[str, Any] = {"method": method, "percent": percent, "fixed": fixed, "when": {}}
    kind = rng.randint(0, 5)
    if kind == 0:
        yield {**rate, "when": {"amount": {"below": f"{rng.choice([30, 60])}.00 EUR"}}}
    elif kind == 1:
        yield {**rate, "when": {"origin": ["domestic", "region"]}}
    elif kind == 2:
        yield {**rate, "minimum": "0.50 EUR", "maximum": "1.20 EUR"}
    else:
        if volume == "whole":
            yield {**rate, "percent": "0.3", "when": {"monthly_volume": {"from": "150 EUR"}}}
            if rng.random() < 0.3:
                rate["when"] = {"monthly_volume": {"below": "150 EUR"}}
        elif volume == "graduated" and rng.random() < 0.7:
            del rate["percent"]
            bands = [
                {"below": "100 EUR", "percent": percent},
                {"below": None, "percent": str(rng.randint(0, 99) / 100)},
            ]
            rate["graduated"] = (
                [bands[0], {"below": "220 EUR", "percent": "1.1"}, bands[1]] if kind == 5 else bands
            )
        yield rate


def small_shop(seed: int) -> SmallShop:
    """A shop of two or three providers, a few orders and buyers."""
    rng = random.Random(seed)
    cards: list[RateCard] = []
    for name in ("adam", "bela", "cleo")[: rng.randint(1, 3)]:
        volume = rng.choice(["none", "none", "whole", "graduated"])
        plans = ["one", "two"][: rng.randint(1, 2)]
        methods = sorted({*rng.sample(METHODS, rng.randint(1, 3)), *(["moon-transfer"] if not cards else [])})
        entries = [
            {**rate, "plans": rng.choice([None, None, [rng.choice(plans)]])}
            for m in methods
            for rate in _rates(rng, m, volume)
        ]
        card = {
            "format": "monedero/rate-card/1",
            "provider": {
                "id": name,
                "name": name,
                "countries": ["PT"],
                "region": ["PT", "ES"],
                "settles_in": ["EUR"],
            },
            "plans": [
                {
                    "id": plan,
                    "name": plan,
                    "monthly": f"{rng.choice([0, 0, 3, 8])}.00 EUR",
                    "minimum_monthly": rng.choice([None, None, "4.00 EUR"]),
                }
                for plan in plans
            ],
            "rates": [{**entry, "id": f"rate-{number}"} for number, entry in enumerate(entries)],
        }
        cards.append(RateCard.model_validate(card))
    orders = [
        Order(
            Money(rng.choice([2000, 4500, 3000, 8000, rng.randint(100, 12000)]), "EUR"), rng.choice(COUNTRIES), DAY
        )
        for _ in range(rng.randint(1, 8))
    ]
    kinds = []
    for country in (None, *rng.sample(COUNTRIES, rng.randint(0, 2))):
        cut = sorted([0, *(rng.randint(0, 100) for _ in range(2)), 100])
        for low, high in pairwise(cut):
            ways = rng.sample(
                ["card", "method:card", "device-wallet", "moon-transfer", "bank-debit", "cash"], rng.randint(1, 4)
            )
            kinds.append({"country": country, "share": str(high - low), "ways": ways})
    buyers = Buyers.model_validate({"format": "monedero/buyers/1", "kinds": kinds})
    return SmallShop(cards, orders, buyers, rng.choice([Fraction(20), Fraction(5), Fraction(20), None]))


def demand_of(shop: SmallShop) -> Demand:
    asked = SetAsked(("PT", "EUR"), shop.buyers, shop.margin, Limits(), DAY, None, None)
    return demand_of_files(shop.cards, shop.orders, asked)[0]


def every_set(demand: Demand) -> Iterator[Chosen]:
    """Every set: at most one plan of each provider, of each method at most one route of these."""
    by_provider: dict[str, list[str]] = {}
    for name, entry in demand.plans.items():
        by_provider.setdefault(entry.plan.provider, []).append(name)
    for picked in product(*([None, *plans] for plans in by_provider.values())):
        plans = tuple(name for name in picked if name is not None)
        by_method: dict[str, list[Any]] = {}
        for way in demand.ways:
            if way.plan in plans:
                by_method.setdefault(way.method, []).append(way)
        for ways in product(*([None, *held] for held in by_method.values())):
            yield Chosen(plans, tuple(way for way in demand.ways if way in ways))


class OrderByOrder:
    """The month of a set, from the text."""

    def __init__(self, shop: SmallShop) -> None:
        self.shop, self.ranked = shop, {country: _rankings(shop.buyers, country) for country in COUNTRIES}
        rates = RATES
        self.pricers = {card.provider.id: CardPricer(card, "PT", rates) for card in shop.cards}
        self.plans = {
            plan_key(card.provider.id, plan.id): (card, plan) for card in shop.cards for plan in card.plans
        }
        self.most = max(
            [Fraction(0), *(end.exact for pricer in self.pricers.values() for end in pricer.volume_ends)]
        )

    def fees(self, order: Order, plan: str, volume: Fraction) -> dict[str, Fraction]:
        provider = plan.split("/", maxsplit=1)[0]
        takings = Takings(by_plan={plan: Volume(volume, "EUR")})
        priced = self.pricers[provider].price(order, takings)
        return {
            entry.route.method: entry.exact
            for entry in priced
            if isinstance(entry, Priced) and plan_key(provider, entry.route.plan) == plan
        }

    def choices(self, chosen: Chosen, volumes: dict[str, Fraction]) -> Iterator[tuple[Fraction, Order, Any]]:
        by_method = {way.method: way for way in chosen.ways}
        for order in self.shop.orders:
            fees = {plan: self.fees(order, plan, volumes[plan]) for plan in chosen.plans}
            for share, ranking in self.ranked[order.country]:
                ways = (by_method[method] for method in ranking if method in by_method)
                taken = next((way for way in ways if way.method in fees[str(way.plan)]), None)
                yield share, order, taken

    def volumes(self, chosen: Chosen) -> dict[str, Fraction]:
        seen = [dict.fromkeys(chosen.plans, self.most)]
        while True:
            found = dict.fromkeys(chosen.plans, Fraction(0))
            for share, order, way in self.choices(chosen, seen[-1]):
                if way is not None:
                    found[way.plan] += share * order.amount.exact
            if found in seen:
                circle = seen[seen.index(found) :]
                return {plan: max(entry[plan] for entry in circle) for plan in chosen.plans}
            seen.append(found)

    def month(self, chosen: Chosen) -> tuple[Fraction, Fraction, Fraction, Fraction, Fraction | None]:
        """Carried, fees, monthly, shortfall, left."""
        volumes = self.volumes(chosen)
        paid, carried, margin = dict.fromkeys(chosen.plans, Fraction(0)), Fraction(0), Fraction(0)
        for share, order, way in self.choices(chosen, volumes):
            if way is None:
                continue
            carried += share
            margin += share * order.amount.exact * (self.shop.margin or 0) / 100
            for volume, part in self.walk(way.plan, volumes[way.plan]):
                paid[way.plan] += share * part * self.fees(order, way.plan, volume)[way.method]
        monthly = sum(
            (plan.monthly.exact for _, plan in (self.plans[name] for name in chosen.plans) if plan.monthly),
            Fraction(0),
        )
        minimums = {name: self.plans[name][1].minimum_monthly for name in chosen.plans}
        shortfall = sum(
            (max(Fraction(0), least.exact - paid[name]) for name, least in minimums.items() if least), Fraction(0)
        )
        fees = sum(paid.values(), Fraction(0))
        left = None if self.shop.margin is None else margin - fees - monthly - shortfall
        return carried, fees, monthly, shortfall, left

    def walk(self, plan: str, volume: Fraction) -> Iterator[tuple[Fraction, Fraction]]:
        """The volumes at which the month's orders are priced, each with its part of the month."""
        pricer = self.pricers[plan.split("/", maxsplit=1)[0]]
        ends = sorted(end.exact for end in pricer.graduated_ends if end.exact < volume)
        if not ends:
            yield volume, Fraction(1)
            return
        for start, below in zip([Fraction(0), *ends], [*ends, volume], strict=True):
            yield start, (below - start) / volume


def _rankings(buyers: Buyers, country: str) -> list[tuple[Fraction, list[str]]]:
    """The rankings of a country, families written out by hand."""
    of_family = {"bank-debit": ["sepa-direct-debit"], "cash": [], "device-wallet": ["device-wallet"]}
    own = [kind for kind in buyers.kinds if kind.country == country]
    kinds = own or [kind for kind in buyers.kinds if kind.country is None]
    found = []
    for kind in kinds:
        ranking = []
        for text in kind.ways:
            if text == "card" and "method:card" in kind.ways:
                continue
            ranking += of_family.get(text, [text.removeprefix("method:")])
        found.append((Fraction(kind.share) / 100, ranking))
    return found


def _merit(month: SetMonth) -> tuple[Fraction, ...]:
    return month.merit


@pytest.mark.parametrize("seed", range(14))
def test_every_set_and_the_best_one(seed: int) -> None:
    shop = small_shop(seed)
    demand = demand_of(shop)
    by_order = OrderByOrder(shop)
    months = []
    for chosen in every_set(demand):
        month = month_of(demand, chosen)
        told = (month.carried, month.fees, month.monthly, month.shortfall, month.left)
        assert told == by_order.month(chosen), chosen
        months.append(month)
    first = min(months, key=lambda month: rank(demand, month))
    proven = best_set(demand, Limits())
    assert proven is not None
    assert proven.month.chosen == first.chosen
    assert first.merit[-1] <= proven.bound <= first.merit[-1] + Fraction(1, 100)
    for limits in _limits(demand, random.Random(seed)):
        kept = [month for month in months if keeps(demand, month, limits)]
        held = best_set(demand, limits)
        if not kept:
            assert held is None
        else:
            assert held is not None
            assert held.month.chosen == min(kept, key=lambda month: rank(demand, month)).chosen


def _limits(demand: Demand, rng: random.Random) -> list[Limits]:
    providers = sorted({entry.plan.provider for entry in demand.plans.values()})
    return [
        Limits(most_accounts=1),
        Limits(most_ways=rng.randint(0, 2)),
        Limits(apart=(frozenset(providers[:2]),)),
        Limits(every_order=1),
        Limits(every_order=2, most_ways=3),
        Limits(must=frozenset({rng.choice(METHODS)})),
    ]


def keeps(demand: Demand, month: SetMonth, limits: Limits) -> bool:
    """True if a set keeps the limits."""
    plans, ways = month.chosen
    providers = {demand.plans[name].plan.provider for name in plans}
    return (
        limits.closed.isdisjoint(plans)
        and (limits.most_accounts is None or len(plans) <= limits.most_accounts)
        and (limits.most_ways is None or len(ways) <= limits.most_ways)
        and all(len(together & providers) <= 1 for together in limits.apart)
        and limits.must <= {way.method for way in ways}
        and (not limits.every_order or fewest_ways(demand, month) >= limits.every_order)
    )


def fewest_ways(demand: Demand, month: SetMonth) -> int:
    """The fewest ways of a set that carry an order of the month, at the volumes that its plans carry."""
    plans = {plan.plan: demand.plans[plan.plan] for plan in month.plans}
    levels = levels_at(plans, {plan.plan: plan.volume for plan in month.plans})
    counts = (
        sum(at_level(entry.days, way, plans, levels) in entry.fees for way in month.chosen.ways)
        for entry in demand.classes
    )
    return min(counts, default=len(month.chosen.ways))


@pytest.mark.parametrize("seed", range(100, 108))
def test_the_search_of_large_shops_comes_to_the_same(seed: int, monkeypatch: pytest.MonkeyPatch) -> None:
    demand = demand_of(small_shop(seed))
    for limits in (Limits(), *_limits(demand, random.Random(seed))):
        monkeypatch.setattr(best, "MOST_FOR_ALL", 10**6)
        proven = best_set(demand, limits)
        monkeypatch.setattr(best, "MOST_FOR_ALL", 0)
        searched = best_set(demand, limits)
        assert (searched is None) == (proven is None)
        if searched is not None and proven is not None:
            assert 0 <= proven.month.merit[-1] - searched.month.merit[-1] <= Fraction(1, 200)
            assert proven.month.merit[-1] <= searched.bound <= searched.month.merit[-1] + Fraction(1, 100)
