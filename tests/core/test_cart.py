"""Carts: lines ordered together as one, and amounts in parts that add up to the cent."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.cart import MOST_ITEMS, Priced, cart_of, in_parts, ordered_alone, together
from monedero.core.errors import FaultCode, InvalidInput
from monedero.core.money import Money
from monedero.core.shop import Line
from tests.properties import tried_on


def line(id: str, kind: str = "goods", **more: Any) -> Line:
    held = {"id": id, "name": id.title(), "kind": kind, "usual_amount": "10.00 EUR", "recurring": False}
    return Line.model_validate({**held, **more})


def bought(*lines: Line, times: int = 1) -> Line:
    return together([Priced(each, times, Money(1000 * times, "EUR")) for each in lines])


def refused(*lines: Line, times: int = 1) -> tuple[FaultCode, str]:
    with pytest.raises(InvalidInput) as why:
        bought(*lines, times=times)
    return why.value.faults[0].code, why.value.faults[0].value


@pytest.mark.parametrize(
    "text",
    [
        *("", "chart", "chart:0", "chart:100", "chart:1,", "Chart:1", "chart:-1", "a:1;b:1", "chart:60,chart:60"),
        ",".join(f"line-{number}:1" for number in range(MOST_ITEMS + 1)),
    ],
)
def test_what_is_no_cart_is_refused(text: str) -> None:
    with pytest.raises(InvalidInput) as why:
        cart_of(text)
    assert why.value.faults[0].code is FaultCode.CART_TEXT


def test_a_line_that_stands_twice_is_ordered_as_often_as_both_say() -> None:
    assert [tuple(item) for item in cart_of("chart:2,lamp:1,chart:3")] == [("chart", 5), ("lamp", 1)]


def test_one_line_once_is_that_line() -> None:
    monthly = line("club", "membership", recurring=True)
    assert bought(monthly) is monthly
    assert ordered_alone(monthly)


def test_what_is_ordered_by_itself_stands_in_no_cart() -> None:
    chart = line("chart")
    monthly = line("club", "membership", recurring=True)
    voucher = line("voucher", "download", sells_voucher=True)
    gift = line("gift", "download", chosen={"from": "5.00 EUR", "to": "50.00 EUR"})
    for alone in (monthly, voucher, gift):
        assert refused(chart, alone) == (FaultCode.CART_ALONE, alone.name)
    assert refused(monthly, times=2) == (FaultCode.CART_ALONE, "Club")


def test_lines_go_together_by_a_way_that_all_of_them_may_go() -> None:
    chart = line("chart", deliveries=["van", "pier"], weight_grams=450)
    lamp = line("lamp", deliveries=["pier"], weight_grams=300)
    tour = line("tour", "booking")
    assert bought(chart, lamp).deliveries == ["pier"]
    assert bought(chart, tour, times=2).weight_grams == 900
    # A weight that is not known leaves that of all unknown.
    assert bought(chart, line("map", deliveries=["pier"])).weight_grams is None
    assert bought(tour, line("course", "course")).deliveries is None
    assert refused(chart, line("stone", deliveries=["own-round"])) == (FaultCode.CART_APART, "Chart, Stone")


def test_goods_among_them_make_it_goods_and_one_weighed_line_makes_it_weighed() -> None:
    tour, fish = line("tour", "booking"), line("fish", highest="14.00 EUR")
    assert (bought(tour, line("chart")).kind, bought(tour, times=3).kind) == ("goods", "booking")
    whole = bought(tour, fish)
    assert (whole.highest, whole.usual_amount) == (Money(2000, "EUR"), Money(2000, "EUR"))
    assert bought(tour, line("chart")).highest is None
    by_deposit = line("stay", "booking", deposit={"percent": "30"})
    assert refused(by_deposit, fish) == (FaultCode.CART_ALONE, "Stay")
    assert bought(by_deposit, line("chart")).deposit is None


@given(st.integers(0, 10**9), st.integers(1, 120))
@tried_on(200)
def test_parts_add_up_and_differ_by_a_cent_at_the_most(minor: int, parts: int) -> None:
    found = [part.minor for part in in_parts(Money(minor, "EUR"), parts)]
    assert (len(found), sum(found)) == (parts, minor)
    assert found == sorted(found, reverse=True)
    assert found[0] - found[-1] <= 1
