"""How many ways there are line by line, how many orders of a month lie somewhere, and what is beyond all measure."""

import json
from fractions import Fraction
from itertools import product
from typing import Any

import pytest
from hypothesis import given

from monedero.core.checkout.coverage.answer import coverage
from monedero.core.checkout.coverage.boxes import Box
from monedero.core.checkout.coverage.fixes import Fixes
from monedero.core.checkout.coverage.grid import Block, Look, blocks
from monedero.core.checkout.coverage.share import PlacedMonth, Share, share_of
from monedero.core.checkout.coverage.space import Space
from monedero.core.checkout.coverage.widen import Widening
from monedero.core.checkout.limit_cost import SameOrders
from monedero.core.money import Money
from monedero.core.order.kinds import LineKind
from monedero.core.order.model import Device, Order
from monedero.figures import reference_rates
from monedero.formats.checkout_file import CheckoutFile, read
from tests.core.checkout.coverage.spelled_orders import DAY, MARKETS, examined, file_of, spelled, with_tenders
from tests.core.checkout.drawn_checkouts import BASE, checkouts
from tests.properties import tried_on

RATES = reference_rates.bundled()


def cells(block: Block, carts: list[tuple[str, ...]], begins: tuple[int, ...]) -> dict[tuple[str, ...], Any]:
    """The cells of a block by the lines of their row: where each begins, the least and most ways, the only one."""
    return {
        carts[row.cart]: [(begins[cell.first], cell.least, cell.most, cell.only) for cell in row.cells]
        for row in block.rows
    }


def carts_of_row(space: Space, cart: int) -> list[set[str]]:
    """Every cart of single lines for which a row stands."""
    every = product(*(space.classes[place] for place in space.carts[cart].classes))
    return [set(lines) for lines in every if len(set(lines)) == len(lines)]


def grid_of(file: CheckoutFile, look: Look | None = None) -> dict[tuple[str, ...], Any]:
    """The cells of a checkout in one currency, of its first block."""
    [part] = examined(file).parts
    [block, *_] = blocks(part, look or Look())
    return cells(block, [cart.lines for cart in part.region.space.carts], part.region.begins)


@tried_on(8)
@given(checkouts())
def test_every_cell_holds_the_fewest_and_the_most_ways_of_its_orders(raw: dict[str, Any]) -> None:
    file = file_of(raw, MARKETS[:2])
    over = examined(file)
    orders = spelled(file)
    for look in (Look(), Look(device=Device.PHONE, signed_in=False), Look(delivery="none", recurring=True)):
        seen = [
            each
            for each in orders
            if look.device in (None, each.order.device)
            and look.signed_in in (None, each.order.signed_in)
            and look.delivery in (None, each.values[3])
            and look.recurring in (None, file.order_of(each.order).recurring)
        ]
        for part in over.parts:
            begins = part.region.begins
            for block in blocks(part, look):
                for row in block.rows:
                    carts = carts_of_row(over.space, row.cart)
                    for cell in row.cells:
                        below = begins[cell.last + 1] if cell.last + 1 < len(begins) else 10**12
                        for place in block.markets:
                            market = over.space.markets[part.region.markets[place]].id
                            counts = {
                                len(each.offered)
                                for each in seen
                                if each.values[0] == market
                                and set(each.values[2]) in carts
                                and begins[cell.first] <= each.amount.minor < below
                            }
                            assert (min(counts), max(counts)) == (cell.least, cell.most)


def test_cells_tell_the_only_way_and_a_range_where_orders_differ() -> None:
    file = with_tenders(
        {"id": "card", "windows": [{"up_to": "50.00 EUR"}]},
        {"id": "cash", "conditions": [{"fact": "device", "only": ["phone"]}], "windows": [{"up_to": "90.00 EUR"}]},
    )
    whole = grid_of(file)
    assert whole["chart",] == [(1, 1, 2, ""), (5001, 0, 1, ""), (9001, 0, 0, "")]
    assert grid_of(file, Look(device=Device.PHONE))["chart",] == [
        (1, 2, 2, ""),
        (5001, 1, 1, "cash"),
        (9001, 0, 0, ""),
    ]
    assert grid_of(file, Look(device=Device.DESKTOP))["chart",] == [(1, 1, 1, "card"), (5001, 0, 0, "")]
    # The line that can go by courier; the club, which repeats, is not delivered.
    assert sorted(grid_of(file, Look(delivery="courier"))) == [("chart",), ("lamp",)]
    assert list(grid_of(file, Look(recurring=True))) == [("club",)]


def test_two_lines_in_one_cart_stand_there_only_where_none_can_pay_for_both() -> None:
    file = with_tenders(
        {"id": "goods", "method_is": {"kinds": ["goods"]}},
        {"id": "others", "method_is": {"kinds": ["course", "membership"]}},
    )
    rows = grid_of(file)
    # The chart and the lamp are both goods; a course with goods is carried by none.
    assert set(rows) == {("chart",), ("lamp",), ("course",), ("club",), ("chart", "course"), ("lamp", "course")}
    assert rows["chart", "course"] == [(1, 0, 0, "")]


def test_markets_in_which_everything_is_the_same_stand_together() -> None:
    spain = {"id": "es-eur", "country": "ES", "currency": "EUR"}
    whole = with_tenders({"id": "card"}, markets=[*MARKETS[:2], spain])
    [part] = examined(whole).parts
    assert [block.markets for block in blocks(part, Look())] == [(0, 1, 2)]
    only = [{"fact": "country", "only": ["PT", "ES"]}]
    [part] = examined(with_tenders({"id": "card", "conditions": only}, markets=[*MARKETS[:2], spain])).parts
    assert [block.markets for block in blocks(part, Look())] == [(0, 2), (1,)]


@pytest.mark.parametrize(
    ("order", "share"),
    [
        # The chart is sure to be goods; whether it goes by courier is not told.
        (Order(Money(1, "EUR"), "PT", DAY, lines=("chart",)), Share(Fraction(3), False)),
        (Order(Money(1, "EUR"), "PT", DAY, lines=("lamp",)), Share(Fraction(3), True)),
        (Order(Money(1, "EUR"), "PT", DAY, lines=("club",)), Share(Fraction(0), True)),
        (Order(Money(1, "EUR"), "PT", DAY, lines=("unheard",)), Share(Fraction(0), True)),
        # A market without a line may mean either; one of them goes by courier in any case.
        (Order(Money(1, "EUR"), "PT", DAY, frozenset({LineKind.GOODS})), Share(Fraction(3), False)),
        (
            Order(Money(1, "EUR"), "PT", DAY, frozenset({LineKind.COURSE}), recurring=True),
            Share(Fraction(0), True),
        ),
        (Order(Money(1, "EUR"), "US", DAY, lines=("lamp",)), Share(Fraction(0), True)),
        (Order(Money(1, "JPY"), "PT", DAY, lines=("lamp",)), Share(Fraction(0), True)),
    ],
)
def test_orders_of_a_month_are_counted_where_they_may_lie(order: Order, share: Share) -> None:
    file = with_tenders({"id": "card", "windows": [{"up_to": "5 EUR"}]}, areas=[])
    over = examined(file)
    [part] = over.parts
    [by_courier] = [way for way, id in enumerate(over.space.deliveries) if id == "courier"]
    every = part.boxes.everything
    goods = sum(1 << at for at, cart in enumerate(over.space.carts) if cart.lines in {("chart",), ("lamp",)})
    whole = part.boxes.pieces(every._replace(carts=goods, deliveries=1 << by_courier, amounts=0b10))
    [box] = list(whole)
    month = [SameOrders(order, {0: Fraction(9), 500: Fraction(2), 501: Fraction(3)})]
    placed = PlacedMonth(month)
    assert share_of([(part.region, box)], placed) == share
    # An order in two boxes is counted once.
    assert share_of([(part.region, box)] * 2, placed) == share
    assert placed
    assert not PlacedMonth([])


def test_orders_between_two_boxes_are_in_none_of_them() -> None:
    over = examined(with_tenders({"id": "card", "windows": [{"from": "5 EUR", "up_to": "9 EUR"}]}, areas=[]))
    [part] = over.parts
    low, high = ([*part.boxes.pieces(part.boxes.everything._replace(amounts=bit))] for bit in (0b001, 0b100))
    month = [
        SameOrders(
            Order(Money(1, "EUR"), "PT", DAY, lines=("chart",)),
            {100: Fraction(1), 700: Fraction(5), 950: Fraction(2)},
        )
    ]
    assert share_of([(part.region, box) for box in (*low, *high)], PlacedMonth(month)).orders == 3


def test_an_order_that_may_lie_in_an_area_is_not_sure_to() -> None:
    over = examined(with_tenders({"id": "card"}))
    [part] = over.parts
    [outside, *_] = [at for at, area in enumerate(over.space.areas) if area == ()]
    boxes: list[Box] = [box for box in part.pieces([part.boxes.everything]) if box.areas >> outside & 1]
    some = [(part.region, box._replace(areas=1 << outside)) for box in boxes]
    month = [SameOrders(Order(Money(1, "EUR"), "PT", DAY, lines=("club",)), {500: Fraction(2)})]
    assert share_of(some, PlacedMonth(month)) == Share(Fraction(2), False)
    none = [(part.region, box._replace(areas=0)) for box in boxes]
    assert share_of(none, PlacedMonth(month)) == Share(Fraction(0), True)


def test_ways_that_depend_on_area_delivery_and_device_at_once() -> None:
    islands = [{"fact": "area", "not": ["islands"]}]
    desk = [{"fact": "device", "only": ["desktop"]}, {"fact": "delivery", "only": ["courier"]}]
    file = with_tenders({"id": "card", "conditions": islands}, {"id": "cash", "conditions": desk})
    assert {each.tenders for each in coverage(examined(file)).offered} == {("card",), ("cash",), ("card", "cash")}
    # On the islands only what goes by courier is paid, at a desk.
    assert grid_of(file)["chart",] == [(1, 0, 2, "")]
    assert grid_of(file)["club",] == [(1, 0, 1, "")]
    assert grid_of(file, Look(delivery="courier", device=Device.DESKTOP))["lamp",] == [(1, 1, 2, "")]


def test_windows_that_touch_leave_neither_a_gap_nor_an_overlap() -> None:
    file = with_tenders(
        {"id": "small", "windows": [{"below": "50.00 EUR"}]}, {"id": "large", "windows": [{"from": "50.00 EUR"}]}
    )
    assert grid_of(file)["chart",] == [(1, 1, 1, "small"), (5000, 1, 1, "large")]
    assert coverage(examined(file)).dead_ends == []


def test_limits_in_currencies_without_a_rate_hold_back_and_have_no_fix() -> None:
    limits = [{"up_to": f"50 {currency}"} for currency in ("GBP", "USD", "KWD", "BHD", "OMR")]
    markets = [{"id": "la", "country": "LA", "currency": "LAK"}]
    file = with_tenders({"id": "card", "windows": [*limits, {"up_to": "9 EUR"}]}, markets=markets)
    over = examined(file)
    [found] = coverage(over).dead_ends
    fixes = Fixes(over, Widening(over, [], file.setting(RATES)))
    assert fixes.of_dead_end(found) == []
    assert coverage(over).unreachable == {"card": ("window-over-unknown",)}


def test_very_many_tenders_are_answered() -> None:
    many = [{"id": f"t-{number}", "on": number % 2 == 0} for number in range(600)]
    file = with_tenders(*many, {"id": "last", "windows": [{"up_to": "9.00 EUR"}]})
    answer = coverage(examined(file))
    assert len(answer.offered) == 2
    assert {len(each.tenders) for each in answer.offered} == {300, 301}
    assert len(answer.unreachable) == 300


def test_a_checkout_without_tenders_is_a_dead_end_without_a_fix() -> None:
    file = read(json.dumps({**BASE, "markets": MARKETS[:1], "methods": [], "tenders": []}).encode())
    over = examined(file)
    [found] = coverage(over).dead_ends
    assert Fixes(over, Widening(over, [], file.setting(RATES))).of_dead_end(found) == []
