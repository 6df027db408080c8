"""Made-up rate cards and orders for property tests."""

from datetime import date
from typing import Any

from hypothesis import strategies as st

from monedero.core.fx import ReferenceRates
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.order.model import Order
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.volume import NOT_KNOWN, Takings
from monedero.figures import reference_rates

RATES = ReferenceRates(reference_rates.bundled())
CURRENCIES = ["EUR", "GBP", "JPY", "USD"]
DAYS = [date(2024, 1, 2), date(2024, 12, 31), date(2026, 11, 24)]


def monies(currencies: list[str], largest: int) -> st.SearchStrategy[str]:
    def money(currency: str) -> st.SearchStrategy[str]:
        return st.integers(0, largest).map(lambda units: f"{units} {currency}")

    return st.sampled_from(currencies).flatmap(money)


def bands(currency: str, largest: int) -> st.SearchStrategy[dict[str, str]]:
    ends = st.tuples(st.integers(0, largest), st.integers(1, largest))
    return ends.map(lambda pair: {"from": f"{pair[0]} {currency}", "below": f"{sum(pair)} {currency}"})


def open_bands(currency: str, largest: int) -> st.SearchStrategy[dict[str, str]]:
    ends = st.tuples(st.sampled_from(["from", "below"]), st.integers(1, largest))
    return ends.map(lambda end: {end[0]: f"{end[1]} {currency}"})


WHENS = st.fixed_dictionaries(
    {},
    optional={
        "amount": st.one_of(bands("EUR", 400), open_bands("EUR", 400)),
        "monthly_volume": st.one_of(bands("EUR", 9000), bands("EUR", 700), bands("USD", 700)),
        "currency": st.lists(st.sampled_from(CURRENCIES), min_size=1, unique=True),
        "buyer_country": st.lists(st.sampled_from(["PT", "ES", "US"]), min_size=1, unique=True),
        "origin": st.lists(st.sampled_from(["domestic", "region", "abroad"]), min_size=1, unique=True),
        "card_kind": st.lists(st.sampled_from([kind.value for kind in CardKind]), min_size=1, unique=True),
        "recurring": st.booleans(),
        "line_kind": st.lists(st.sampled_from(["goods", "course"]), min_size=1, unique=True),
        "conversion": st.booleans(),
    },
)
PERCENTS = st.decimals(0, 9, places=2).map(str)
PRICES = st.fixed_dictionaries({}, optional={"percent": PERCENTS, "fixed": monies(["EUR", "GBP", "KWD"], 3)})
LIMITS = st.sampled_from(
    [{}, {"minimum": "1 EUR"}, {"maximum": "4 GBP"}, {"minimum": "1 EUR", "maximum": "5 EUR"}]
)


STEPS = st.sampled_from(
    [
        [{"below": "3000 EUR", "percent": "2"}, {"below": None, "percent": "1"}],
        [
            {"below": "500 EUR", "percent": "3"},
            {"below": "900 EUR", "percent": "1"},
            {"below": None, "percent": "2"},
        ],
        [{"below": "400 GBP", "percent": "1.5"}, {"below": None, "percent": "0.25"}],
        [{"below": "50 KWD", "percent": "1.5"}, {"below": None, "percent": "0.25"}],
    ]
)


@st.composite
def cards(draw: st.DrawFn, graduated: bool = False, methods: tuple[str, ...] = ("card",)) -> RateCard:
    """A card of one method (or of several) and two plans with some rates and extras."""
    plans = st.sampled_from([None, ["start"], ["steady"]])
    rates: list[dict[str, Any]] = [
        {
            "id": f"rate-{number}",
            "method": draw(st.sampled_from(methods)),
            "when": when,
            "plans": draw(plans),
            **price,
            **draw(LIMITS),
        }
        for number, (when, price) in enumerate(draw(st.lists(st.tuples(WHENS, PRICES), min_size=1, max_size=4)))
    ]
    if graduated:
        for rate in rates:
            if draw(st.booleans()):
                rate.pop("percent", None)
                rate["graduated"] = draw(STEPS)
    extras = [
        {"id": f"extra-{number}", "label": "Extra", "when": when, "plans": draw(plans), **price}
        for number, (when, price) in enumerate(draw(st.lists(st.tuples(WHENS, PRICES), max_size=3)))
    ]
    return RateCard.model_validate(
        {
            "format": "monedero/rate-card/1",
            "provider": {
                "id": "dovetide",
                "name": "Dovetide",
                "countries": ["PT"],
                "region": ["PT", "ES"],
                "settles_in": draw(st.sampled_from([["EUR"], ["EUR", "GBP"], ["GBP", "EUR"]])),
            },
            "plans": [{"id": "start", "name": "Start"}, {"id": "steady", "name": "Steady"}],
            "rates": rates,
            "extras": extras,
        }
    )


@st.composite
def orders(draw: st.DrawFn) -> Order:
    """An order of which some things are known."""
    currency = draw(st.sampled_from(CURRENCIES))
    return Order(
        amount=Money(draw(st.integers(1, 90_000)), currency),
        country=draw(st.sampled_from(["PT", "ES", "US"])),
        placed_on=draw(st.sampled_from(DAYS)),
        kinds=frozenset(draw(st.sets(st.sampled_from([LineKind.GOODS, LineKind.COURSE])))),
        recurring=draw(st.sampled_from([None, True, False])),
        card_kind=draw(st.sampled_from([None, *CardKind])),
    )


TAKINGS = st.sampled_from([NOT_KNOWN, Takings(every=Money(400_000, "EUR")), Takings(every=Money(5_000, "KWD"))])
