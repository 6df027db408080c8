"""A full shop, drawn from a seed: as many markets, lines, providers, ways to pay and past orders as are asked for.

Everything in it is made up. It is for measuring, and for looking at Monedero with more in it than the demo has.

>>> FullShop(Size(markets=3, lines=2)).shop().name
'Full shop'
>>> [market.id for market in FullShop(Size(markets=3)).shop().markets]
['pt-eur', 'es-eur', 'de-eur']
"""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, timedelta
from random import Random
from typing import Any, NamedTuple

from monedero.core.checkout.model import Checkout
from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.model import RateCard
from monedero.core.shop import Shop

COUNTRIES = (
    *(("PT", "EUR"), ("ES", "EUR"), ("DE", "EUR"), ("FR", "EUR"), ("IT", "EUR"), ("NL", "EUR"), ("GB", "GBP")),
    *(("US", "USD"), ("BE", "EUR"), ("AT", "EUR"), ("IE", "EUR"), ("FI", "EUR"), ("CH", "CHF"), ("PL", "PLN")),
    *(("SE", "SEK"), ("DK", "DKK"), ("NO", "NOK"), ("CZ", "CZK"), ("HU", "HUF"), ("RO", "RON"), ("GR", "EUR")),
    *(("SK", "EUR"), ("SI", "EUR"), ("EE", "EUR"), ("LV", "EUR"), ("LT", "EUR"), ("LU", "EUR"), ("MT", "EUR")),
    *(("CY", "EUR"), ("CA", "CAD"), ("AU", "AUD"), ("NZ", "NZD"), ("JP", "JPY"), ("KR", "KRW"), ("MX", "MXN")),
    *(("BR", "BRL"), ("IN", "INR"), ("IL", "ILS"), ("ZA", "ZAR"), ("SG", "SGD")),
)
REGION = [country for country, currency in COUNTRIES if currency in ("EUR", "CHF", "PLN", "SEK", "DKK", "NOK")]
KINDS = ("goods", "download", "course", "membership", "booking")
CALLED = {"goods": "Print", "download": "Map", "course": "Course", "membership": "Club", "booking": "Tour"}
# Methods that providers carry besides cards, each by the turn that comes to it.
OTHERS = (
    "device-wallet",
    "account-wallet",
    "instalments",
    "pay-after-delivery",
    "sepa-direct-debit",
    "online-banking",
)
ARRANGED = (
    *("bank-transfer", "instant-transfer", "wire-transfer", "cash-on-delivery", "cash-on-collection"),
    *("cash-on-the-day", "cheque", "money-order", "invoice", "shop-credit"),
)
LIMITS: tuple[dict[str, str], ...] = (
    {"up_to": "1200.00 EUR"},
    {"from": "20.00 EUR"},
    {"from": "45.00 EUR", "up_to": "900.00 EUR"},
)
CONDITIONS: tuple[dict[str, Any], ...] = (
    {"fact": "country", "only": REGION[:8]},
    {"fact": "country", "not": ["BR", "IN"]},
    {"fact": "kind", "not": ["membership"]},
    {"fact": "delivery", "not": ["way-1"]},
    {"fact": "customer_group", "only": ["retail"]},
    {"fact": "area", "not": ["area-1", "area-2"]},
    {"fact": "area", "not": ["area-3"]},
    {"fact": "line", "not": ["line-1", "line-6", "line-11"]},
    {"fact": "device", "only": ["phone"]},
)
PAID_BY = (
    "card",
    "card",
    "card",
    "device-wallet",
    "account-wallet",
    "bank-transfer",
    "instalments",
    "cash-on-the-day",
)
AREAS = 6
LAST_DAY = date(2026, 11, 24)
DAYS = 300


class DrawnOrder(NamedTuple):
    """A past order of a full shop; `refund_of` is the order that it gives back."""

    id: str
    placed_on: str
    minor: int
    currency: str
    country: str
    line: str
    kind: str
    recurring: bool
    method: str | None
    refund_of: str | None


@dataclass(frozen=True, slots=True)
class Size:
    """How many of each thing a full shop has; `seed` draws the rest."""

    markets: int = 40
    lines: int = 200
    providers: int = 15
    ways: int = 30
    orders: int = 100_000
    seed: int = 1

    def __post_init__(self) -> None:
        """Refuse more markets than there are countries in the table."""
        if not 1 <= self.markets <= len(COUNTRIES):
            raise ValueError(f"markets: {self.markets} is not from 1 to {len(COUNTRIES)}")


@dataclass(frozen=True, slots=True)
class FullShop:
    """The parts of a full shop; the same size gives the same parts."""

    size: Size = Size()

    def _draw(self, part: str) -> Random:
        return Random(f"{part} {self.size.seed}")

    def shop(self) -> Shop:
        """The shop, with its markets, lines, five ways of delivery and two customer groups."""
        draw, markets = self._draw("shop"), COUNTRIES[: self.size.markets]
        ways = [f"way-{number}" for number in range(1, 6)]
        kinds = ("courier", "own-round", "collection", "courier", "courier")
        lines = []
        for number in range(1, self.size.lines + 1):
            kind = KINDS[number % len(KINDS)]
            line: dict[str, Any] = {
                "id": f"line-{number}",
                "name": f"{CALLED[kind]} {number}",
                "kind": kind,
                "usual_amount": f"{draw.randint(4, 250)}.00 EUR",
                "recurring": kind == "membership",
                "margin": str(draw.randint(15, 80)),
            }
            if kind == "goods":
                line |= {"deliveries": draw.sample(ways, 3), "weight_grams": draw.randint(50, 4000)}
            lines.append(line)
        return Shop.model_validate(
            {
                "name": "Full shop",
                "country": "PT",
                "currency": "EUR",
                "markets": [
                    {
                        "id": f"{country}-{currency}".lower(),
                        "country": country,
                        "currency": currency,
                        "share": share,
                    }
                    for (country, currency), share in zip(markets, _shares(len(markets)), strict=True)
                ],
                "lines": lines,
                "deliveries": [
                    {"id": way, "name": f"Delivery {at}", "kind": kind}
                    for at, (way, kind) in enumerate(zip(ways, kinds, strict=True), 1)
                ],
                "areas": [
                    {"id": f"area-{at}", "name": f"Area {at}", "countries": [], "postcodes": {country: [str(at)]}}
                    for at, (country, _) in enumerate(markets[:AREAS], 1)
                ],
                "customer_groups": [{"id": "retail", "name": "Retail"}, {"id": "wholesale", "name": "Wholesale"}],
                "arrangements": {
                    "accounts": [
                        {
                            "id": "euro",
                            "holder": "Full shop",
                            "country": "PT",
                            "currency": "EUR",
                            "iban": "PT50009900310001234567833",
                        }
                    ],
                    "payee": "Full shop",
                    "post_to": "Full shop, Cais 3, 8650 Sagres",
                    "seller": "Full shop, Cais 3, 8650 Sagres",
                },
            }
        )

    def _carried(self, number: int) -> tuple[str, str]:
        return "card", OTHERS[number % len(OTHERS)]

    def rate_cards(self) -> list[RateCard]:
        """A rate card for each provider: two plans, cards and one other method under each."""
        draw = self._draw("rate cards")
        return [self._rate_card(number, draw) for number in range(1, self.size.providers + 1)]

    def _rate_card(self, number: int, draw: Random) -> RateCard:
        rates: list[dict[str, Any]] = []
        for plan, less in (("start", 0.0), ("steady", 0.3)):
            for method in self._carried(number):
                percent, fixed = draw.uniform(1.0, 3.4) - less, draw.randint(0, 35)
                price = {"method": method, "plans": [plan], "fixed": f"0.{fixed:02} EUR"}
                if method == "card":
                    near = {"origin": ["domestic", "region"]}
                    rates.append({**price, "when": near, "percent": f"{percent * 0.7:.2f}"})
                rates.append({**price, "when": {}, "percent": f"{percent:.2f}"})
        return RateCard.model_validate(
            {
                "format": "monedero/rate-card/1",
                "valid_from": "2026-01-01",
                "provider": {
                    "id": f"provider-{number}",
                    "name": f"Provider {number}",
                    "countries": ["PT"],
                    "region": REGION,
                    "settles_in": ["EUR"],
                },
                "plans": [
                    {"id": "start", "name": "Start", "monthly": "0.00 EUR"},
                    {"id": "steady", "name": "Steady", "monthly": f"{draw.randint(9, 60)}.00 EUR"},
                ],
                "rates": [{"id": f"rate-{at}", **rate} for at, rate in enumerate(rates)],
                "extras": [
                    {
                        "id": "conversion",
                        "label": "Currency conversion",
                        "when": {"conversion": True},
                        "percent": "2",
                    }
                ],
                "settlement": [{"business_days": draw.randint(1, 5), "calendar": "TARGET", "payout": "daily"}],
            }
        )

    def providers(self) -> list[ProviderFacts]:
        """The providers besides their prices."""
        return [
            ProviderFacts(
                id=f"provider-{number}",
                name=f"Provider {number}",
                about="An invented provider.",
                contract="all-in-one",
                review_days=number % 10,
            )
            for number in range(1, self.size.providers + 1)
        ]

    def held(self) -> dict[str, list[str]]:
        """The methods of its accounts by their providers, for all that each carries; no more accounts than ways."""
        held = min(self.size.providers, self.size.ways)
        return {f"provider-{number}": list(self._carried(number)) for number in range(1, held + 1)}

    def checkout(self) -> Checkout:
        """Its checkout: arrangements of the shop's own for a third of the ways, routes for the others."""
        draw, ways, shop = self._draw("checkout"), self.size.ways, self.shop()
        own = ARRANGED[: ways // 3]
        routes = [
            {"provider": f"provider-{number}", "plan": "start", "method": method}
            for method_at in (0, 1)
            for number in range(1, self.size.providers + 1)
            for method in [self._carried(number)[method_at]]
        ]
        tenders: list[dict[str, Any]] = [
            {"id": f"route-{at}", "method": route["method"], "route": route, "name": f"Way {at}"}
            for at, route in enumerate(routes[: ways - len(own)], 1)
        ]
        tenders += [
            {"id": method, "method": method, "name": method.replace("-", " ").capitalize()} for method in own
        ]
        for tender in tenders:
            tender["on"] = True
            tender["windows"] = [draw.choice(LIMITS)] if draw.random() < 0.5 else []
            tender["conditions"] = _conditions(draw, shop)
        return Checkout.model_validate({"storefront": "web-shop", "mode": "test", "tenders": tenders})

    def orders(self) -> Iterator[DrawnOrder]:
        """Past orders in the currency of the books; one in fifty has a refund behind it."""
        draw, shop = self._draw("orders"), self.shop()
        weights = [float(market.share) for market in shop.markets]
        markets = draw.choices(shop.markets, weights, k=self.size.orders)
        for number, market in enumerate(markets, 1):
            line = draw.choice(shop.lines)
            day = (LAST_DAY - timedelta(days=draw.randrange(DAYS))).isoformat()
            minor = max(100, round(line.usual_amount.minor * draw.lognormvariate(0, 0.5)))
            of = (line.id, line.kind.value, line.recurring)
            order = DrawnOrder(
                f"order-{number}", day, minor, "EUR", market.country, *of, draw.choice(PAID_BY), None
            )
            yield order
            if draw.random() < 0.02:
                yield order._replace(id=f"refund-{number}", minor=-minor, method=None, refund_of=order.id)


def _shares(count: int) -> list[str]:
    """Shares in hundredths of a percent that fall from market to market, and are 100 % together."""
    weights = [1 / (place + 2) for place in range(count)]
    parts = [int(10_000 * weight / sum(weights)) for weight in weights]
    parts[0] += 10_000 - sum(parts)
    return [f"{part / 100:.2f}" for part in parts]


def _conditions(draw: Random, shop: Shop) -> list[dict[str, Any]]:
    """At most two conditions about different facts, of areas and lines that are there."""
    there = {"area": {area.id for area in shop.areas}, "line": {line.id for line in shop.lines}}
    found: dict[str, dict[str, Any]] = {}
    for condition in draw.sample(CONDITIONS, draw.choice([0, 0, 1, 2])):
        [(key, values)] = [(key, value) for key, value in condition.items() if key != "fact"]
        known = [value for value in values if value in there.get(condition["fact"], values)]
        if known:
            found.setdefault(condition["fact"], {"fact": condition["fact"], key: known})
    return list(found.values())
