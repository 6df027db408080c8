"""Ways of delivery: what they hold, what they cost the buyer of an order, and on which days they come."""

from datetime import date, timedelta
from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from monedero.core.delivery.days import days_to_choose, first_day, hours_on, is_open
from monedero.core.delivery.model import Delivery
from monedero.core.delivery.price import DeliveryFee, Destination, NoPrice, price_of
from monedero.core.fx import ReferenceRates
from monedero.core.order.area import Area
from monedero.core.shop import Shop
from monedero.figures import reference_rates

DAY = date(2026, 11, 27)
ISLANDS = Area(id="islands", name="Islands", postcodes={"PT": ["9"]})
WEST = Area(id="west", name="West", towns={"PT": ["Sagres"]})
SPAIN = Area(id="spain", name="Spain", countries=["ES"])
AREAS = {area.id: area for area in (ISLANDS, WEST, SPAIN)}
RATES = ReferenceRates(reference_rates.bundled(), {"USD": Fraction(5, 4)})


def way(**parts: Any) -> Delivery:
    return Delivery.model_validate({"id": "van", "name": "Van", **parts})


def cost(prices: list[dict[str, Any]], **there: Any) -> DeliveryFee | NoPrice:
    to = Destination(**{"country": "PT", "day": DAY, "currency": "EUR", **there})
    return price_of(way(prices=prices), to, AREAS, RATES)


def test_a_shop_holds_what_its_lines_and_ways_name() -> None:
    line = {
        "id": "a",
        "name": "A",
        "kind": "goods",
        "usual_amount": "5 EUR",
        "recurring": False,
        "deliveries": ["van"],
    }
    shop = {"name": "Cabo Noite", "country": "PT", "currency": "EUR"}
    van = {"id": "van", "name": "Van", "prices": [{"areas": ["north"]}]}
    area = {"id": "north", "name": "North", "postcodes": {"PT": ["4"]}}
    for lacking in ({"lines": [line]}, {"deliveries": [van]}, {"areas": [area, area]}):
        with pytest.raises(ValidationError):
            Shop.model_validate({**shop, **lacking})
    whole = Shop.model_validate({**shop, "lines": [line], "deliveries": [van], "areas": [area]})
    assert whole.lines[0].deliveries == ["van"]


@pytest.mark.parametrize(
    ("parts", "code"),
    [
        ({"prices": [{"fee": "4 EUR", "by_weight": [{"fee": "4 EUR"}]}]}, "fee-twice"),
        ({"prices": [{"by_weight": [{"fee": "4 EUR"}, {"up_to_grams": 5, "fee": "4 EUR"}]}]}, "weights-order"),
        (
            {"prices": [{"by_weight": [{"up_to_grams": weight, "fee": "4 EUR"} for weight in (5, 5)]}]},
            "weights-order",
        ),
        ({"prices": [{"fee": "4 EUR"}, {"areas": ["islands"]}]}, "everywhere-last"),
        ({"prices": [{"areas": ["islands", "islands"]}]}, "duplicate"),
        ({"closed_weekdays": ["MON", "TUE", "WED", "THU", "FRI", "SAT", "SUN"]}, "never-open"),
        ({"closed_weekdays": ["MON", "MON"]}, "duplicate"),
        ({"closed_dates": ["2026-12-25", "2026-12-25"]}, "duplicate"),
        (
            {"hours": [{"weekdays": ["SAT"], "from": "9:00", "until": "17:00"}], "closed_weekdays": ["SAT"]},
            "never-open",
        ),
        ({"hours": [{"weekdays": ["SAT"], "from": "17:00", "until": "17:00"}]}, "hours-crossed"),
        ({"hours": [{"weekdays": ["SAT"], "from": "25:00", "until": "26:00"}]}, "hour-text"),
        ({"hours": [{"weekdays": ["SAT"], "from": "noon", "until": "26:00"}]}, "hour-text"),
        ({"preparation_days": -1}, "greater_than_equal"),
    ],
)
def test_what_does_not_fit_is_refused_by_its_name(parts: dict[str, Any], code: str) -> None:
    with pytest.raises(ValidationError) as refused:
        way(**parts)
    assert code in {error["type"] for error in refused.value.errors()}


def test_an_address_is_needed_by_what_goes_to_one_unless_it_is_said_otherwise() -> None:
    assert way(kind="courier").needs_address
    assert not way(kind="collection").needs_address
    assert not way(kind="courier", address=False).needs_address
    assert way(kind="own", address=True).needs_address


def test_the_first_price_that_holds_the_address_is_the_price() -> None:
    prices: list[dict[str, Any]] = [
        {"areas": ["islands", "west"], "fee": "9.00 EUR"},
        {"areas": ["spain"], "fee": "7.00 EUR"},
        {"fee": "4.00 EUR"},
    ]
    assert cost(prices, postcode="9000-082", town="Funchal") == DeliveryFee(900, None)
    assert cost(prices, postcode="8650", town="SAGRES") == DeliveryFee(900, None)
    assert cost(prices, postcode="1000", town="Lisboa") == DeliveryFee(400, None)
    assert cost(prices, country="ES") == DeliveryFee(700, None)
    assert cost(prices, country="FR") == DeliveryFee(400, None)
    # The postcode alone does not tell whether it is one of the towns.
    assert cost(prices, postcode="1000") is NoPrice.ADDRESS_UNKNOWN
    assert cost(prices[:2], country="FR") is NoPrice.OUTSIDE
    assert cost([], country="FR") == DeliveryFee(0, None)


def test_a_fee_by_weight_is_that_of_the_first_band_that_holds_the_weight() -> None:
    light: dict[str, Any] = {
        "by_weight": [{"up_to_grams": 500, "fee": "3.00 EUR"}, {"up_to_grams": 2000, "fee": "6.00 EUR"}]
    }
    grams = {0: 300, 500: 300, 501: 600, 2000: 600}
    assert {
        weight: fee.minor for weight in grams if isinstance(fee := cost([light], grams=weight), DeliveryFee)
    } == (grams)
    assert cost([light], grams=2001) is NoPrice.TOO_HEAVY
    assert cost([light]) is NoPrice.WEIGHT_UNKNOWN
    any_heavier = {"by_weight": [*light["by_weight"], {"fee": "9.00 EUR"}]}
    assert cost([any_heavier], grams=10**8) == DeliveryFee(900, None)


def test_a_fee_is_brought_over_and_rounded_and_its_limit_is_not() -> None:
    # 3.33 EUR at 1.25 are 4.1625 USD; 60.01 EUR are 75.0125 USD.
    there = cost([{"fee": "3.33 EUR", "free_from": "60.01 EUR"}], currency="USD")
    assert isinstance(there, DeliveryFee)
    assert there.minor == 416
    assert (there.to_pay(7501), there.to_pay(7502)) == (7501 + 416, 7502)
    assert cost([{"fee": "3.33 EUR"}], currency="KWD") is NoPrice.NO_RATE
    assert cost([{"free_from": "60.01 KWD"}]) is NoPrice.NO_RATE


@given(
    fee=st.integers(0, 2000),
    free=st.none() | st.integers(0, 10000),
    goods=st.integers(0, 20000),
)
def test_goods_and_delivery_add_up_to_the_amount(fee: int, free: int | None, goods: int) -> None:
    price = DeliveryFee(fee, None if free is None else Fraction(free))
    amount = price.to_pay(goods)
    assert amount in (goods, goods + fee)
    # Told the goods, the amount is taken apart as it was made; not told, it is an order that comes to this amount.
    assert price.goods(amount, usual=goods) == goods
    found = price.goods(amount)
    assert found is not None
    assert price.to_pay(found) == amount


def test_an_amount_under_the_fee_has_no_goods() -> None:
    price = DeliveryFee(400, Fraction(6000))
    assert price.goods(399) is None
    assert price.goods(400) == 0
    # 62.00 is 62.00 of goods that come free, or 58.00 and the fee, where 58.00 is what is usual.
    assert (price.goods(6200), price.goods(6200, usual=5800)) == (6200, 5800)


def test_it_comes_on_an_open_day_once_it_is_ready() -> None:
    courier = way(preparation_days=2, closed_weekdays=["SAT", "SUN"], closed_dates=["2026-12-01"])
    # Friday; Monday and, past the closed Tuesday, Wednesday are spent on it.
    assert first_day(courier, date(2026, 11, 27)) == date(2026, 12, 2)
    assert first_day(way(), DAY) == DAY
    pier = way(hours=[{"weekdays": ["SAT"], "from": "9:00", "until": "12:30"}], ahead_days=20)
    assert days_to_choose(pier, DAY) == [date(2026, 11, 28), date(2026, 12, 5), date(2026, 12, 12)]
    assert [(hours.from_, hours.until) for hours in hours_on(pier, date(2026, 11, 28))] == [("09:00", "12:30")]
    assert hours_on(pier, DAY) == []
    # The first day can be chosen all the same if nothing lies so near.
    assert days_to_choose(way(preparation_days=9, ahead_days=3), DAY) == [DAY + timedelta(days=9)]


def test_a_way_that_is_closed_for_years_has_the_day_itself() -> None:
    closed = [(DAY + timedelta(days=count)).isoformat() for count in range(740)]
    assert first_day(way(closed_dates=closed), DAY) == DAY


@given(
    weekdays=st.lists(st.sampled_from(["MON", "TUE", "WED", "THU", "FRI", "SAT"]), unique=True, max_size=6),
    closed=st.lists(st.dates(DAY, DAY + timedelta(days=30)), unique=True, max_size=8),
    preparation=st.integers(0, 9),
    ahead=st.none() | st.integers(0, 40),
)
def test_no_day_is_offered_on_which_it_does_not_come(
    weekdays: list[str], closed: list[date], preparation: int, ahead: int | None
) -> None:
    some = way(
        closed_weekdays=weekdays,
        closed_dates=[day.isoformat() for day in closed],
        preparation_days=preparation,
        ahead_days=ahead,
    )
    first = first_day(some, DAY)
    assert is_open(some, first)
    open_days = [
        day for count in range((first - DAY).days) if is_open(some, day := DAY + timedelta(days=count + 1))
    ]
    # The days after the order, up to and with the first, are those spent on it, or the one that it waits for.
    assert len(open_days) == max(preparation, 0 if first == DAY else 1)
    days = days_to_choose(some, DAY)
    assert all(is_open(some, day) for day in days)
    assert (days == []) is (ahead is None)
    assert not days or days[0] == first


@pytest.mark.parametrize(
    ("parts", "handover"),
    [
        ({"kind": "courier"}, "brought"),
        ({"kind": "own-round"}, "brought"),
        ({"kind": "collection"}, "collected"),
        ({"kind": "in-person"}, "collected"),
        ({"kind": "download"}, "not-delivered"),
        ({"kind": "courier", "address": False}, "brought"),
        ({"kind": "own"}, None),
        ({"kind": "own", "address": True}, "brought"),
        ({"kind": "own", "address": False}, "collected"),
    ],
)
def test_a_way_hands_over_by_its_kind_and_one_of_the_shops_own_by_its_address(
    parts: dict[str, Any], handover: str | None
) -> None:
    assert way(**parts).handover == handover
