"""Coverage agrees with the decision, order by order, on checkouts drawn at random: every order is looked at.

Nothing of the core's way of working is used here: orders are spelled out one by one, and the decision is asked.
"""

import json
from datetime import date
from itertools import combinations
from typing import Any

from bench.coverage import shop
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.checkout.coverage.boxes import Boxes
from monedero.core.checkout.coverage.reach import Reach, regions, shut_out_by
from monedero.core.checkout.coverage.space import Cart, Space
from monedero.core.order.area import Area
from monedero.core.order.facts import order_from
from monedero.core.shop import Line, Market
from monedero.figures import reference_rates
from monedero.formats.checkout_file import read, write
from monedero.work.checkout.coverage import coverage_report
from monedero.work.checkout.examined import Asked
from tests.conftest import DATA
from tests.core.checkout.coverage.spelled_orders import (
    DAY,
    FACTS,
    MARKETS,
    Plain,
    Spelled,
    file_of,
    plain,
    spelled,
)
from tests.core.checkout.drawn_checkouts import BASE, checkouts
from tests.properties import tried_on

LINE = Line.model_validate(
    {"id": "chart", "name": "Chart", "kind": "goods", "usual_amount": "9 EUR", "recurring": False}
)
MARKET = Market.model_validate({"id": "pt", "country": "PT", "currency": "EUR", "share": "100"})


def exactly(boxes: list[Plain], orders: list[Spelled], wanted: Any) -> None:
    """The boxes hold the orders that are wanted, and no other."""
    for order in orders:
        assert any(box.holds(order) for box in boxes) is wanted(order), order


def widest(box: Plain, orders: list[Spelled], wanted: Any) -> None:
    """With any value more in any fact, or a lower or higher amount, the box would hold an order that is not wanted."""
    others = [order for order in orders if not wanted(order) and order.amount.currency == box.currency]
    every = [{order.values[at] for order in orders if order.amount.currency == box.currency} for at in range(7)]
    for at, values in enumerate(every):
        for more in values - box.values[at]:
            wider = box._replace(values=(*box.values[:at], box.values[at] | {more}, *box.values[at + 1 :]))
            assert any(wider.holds(order) for order in others), (FACTS[at], more)
    for wider in (box._replace(below=10**12), box._replace(start=1)):
        assert wider == box or any(wider.holds(order) for order in others)


@tried_on(14)
@given(
    checkouts(), st.lists(st.sampled_from(MARKETS), min_size=1, max_size=2, unique_by=lambda market: market["id"])
)
def test_coverage_agrees_with_the_decision_order_by_order(
    raw: dict[str, Any], markets: list[dict[str, str]]
) -> None:
    file = file_of(raw, markets)
    orders = spelled(file)
    report = coverage_report(file, Asked(DAY))

    def dead(order: Spelled) -> bool:
        return not order.offered

    def costly(order: Spelled) -> bool:
        return order.costs

    ends = [plain(each["box"]) for each in report["dead_ends"]]
    exactly(ends, orders, dead)
    exactly([plain(each["box"]) for each in report["fee_only"]], orders, costly)
    for box in ends:
        widest(box, orders, dead)
    for each in report["fee_only"]:
        widest(plain(each["box"]), orders, costly)
    for tender in file.tenders:

        def alone(order: Spelled, id: str = tender.id) -> bool:
            return order.offered == (id,)

        boxes = [plain(each["box"]) for each in report["single_tenders"] if each["tender"] == tender.id]
        exactly(boxes, orders, alone)
        for box in boxes:
            widest(box, orders, alone)
    sets = {tuple(sorted(each["tenders"])): [*map(plain, each["boxes"])] for each in report["offered"]}
    assert len(sets) == len(report["offered"])
    for order in orders:
        found = [some for some, boxes in sets.items() for box in boxes if box.holds(order)]
        assert found == ([order.offered] if order.offered else [])
    reached = {id for order in orders for id in order.offered}
    unreachable = {each["tender"] for each in report["unreachable"]}
    assert not reached & unreachable


@tried_on(8)
@given(checkouts(), checkouts())
def test_the_difference_of_two_is_what_one_offers_and_the_other_does_not(
    raw: dict[str, Any], changed: dict[str, Any]
) -> None:
    file, other = file_of(raw, MARKETS[:2]), file_of(changed, MARKETS[1:])
    report = coverage_report(file, Asked(DAY), other)
    for here, there, name in ((file, other, "lost"), (other, file, "gained")):
        decision = there.decision(reference_rates.bundled())
        received = {market.id for market in there.markets}
        boxes = {each["tender"]: [*map(plain, each["boxes"])] for each in report[name]}
        for order in spelled(here):
            also: set[str] = set()
            if order.values[0] in received:
                also = {tender.id for tender in decision.offered(there.order_of(order.order))}
            more = set(order.offered) - also
            found = [id for id, some in boxes.items() for box in some if box.holds(order)]
            assert sorted(found) == sorted(more), order


@tried_on(12)
@given(checkouts())
def test_a_smallest_set_of_codes_shuts_out_what_no_order_reaches(raw: dict[str, Any]) -> None:
    file = file_of(raw, MARKETS[:1])
    decision = file.decision(reference_rates.bundled())
    orders = [each.order for each in spelled(file)]
    reasons = [
        {
            outcome.tender.id: {reason.code.value for reason in outcome.reasons}
            for outcome in decision.outcomes(order)
        }
        for order in map(file.order_of, orders)
    ]
    report = coverage_report(file, Asked(DAY))
    told = {each["tender"]: each["by"] for each in report["unreachable"]}
    for tender in file.tenders:
        codes = [every[tender.id] for every in reasons]
        assert (tender.id in told) is all(codes)
        if tender.id in told:
            by = set(told[tender.id])
            assert all(by & some for some in codes)
            # No fewer would do.
            fewer = combinations(sorted(set().union(*codes)), len(by) - 1)
            assert not any(all(set(some) & given_ for given_ in codes) for some in fewer)


def test_a_provider_can_be_left_out_and_accounts_left_aside() -> None:
    raw, today = json.loads((DATA / "checkout-example.json").read_text("utf-8")), date(2026, 11, 27)
    file = read(json.dumps(raw).encode())
    ready = {each["tender"] for each in coverage_report(file, Asked(today, as_if_ready=True))["unreachable"]}
    assert ready == set()
    for as_if_ready in (False, True):
        out = coverage_report(file, Asked(today, as_if_ready, "orlenta"))
        assert [each["by"] for each in out["unreachable"]] == [["account-stage"]]
    raw["accounts"][0]["stage"] = "in-review"
    held = read(json.dumps(raw).encode())
    assert [each["by"] for each in coverage_report(held, Asked(today))["unreachable"]] == [["account-stage"]]
    assert coverage_report(held, Asked(today, as_if_ready=True))["unreachable"] == []


def test_a_shop_without_markets_lines_or_tenders_is_answered() -> None:
    raw = {**BASE, "methods": [], "tenders": []}
    without = read(json.dumps({**raw, "markets": [], "lines": []}).encode())
    assert coverage_report(without, Asked(DAY))["dead_ends"] == []
    empty = coverage_report(read(json.dumps({**raw, "markets": MARKETS}).encode()), Asked(DAY))
    # One box for each currency holds everything that can be ordered.
    assert [each["box"]["amount"] for each in empty["dead_ends"]] == [
        {"from": "0.01 EUR", "below": None},
        {"from": "1 JPY", "below": None},
    ]
    assert empty["offered"] == []
    nobody = read(json.dumps({**raw, "markets": MARKETS[:1], "customer_groups": []}).encode())
    assert coverage_report(nobody, Asked(DAY))["dead_ends"][0]["box"]["groups"] == []


def test_no_set_of_at_most_so_many_codes_is_told_as_all_of_them() -> None:
    everything = Reach(1, 1, 1, 1, 1, 1, 0b11111)
    by_code = {
        code: everything._replace(amounts=0b11111 & ~(1 << at))
        for at, code in enumerate(
            ("method-kind", "window-under", "condition-country", "condition-kind", "condition-line")
        )
    }
    possible = Space.of([], [LINE], [], [], [], DAY).possible
    assert shut_out_by([(by_code, everything)], possible) == list(by_code)


def test_every_letter_may_be_the_beginning_of_a_postcode() -> None:
    letters = list("0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ")
    area = Area(id="all", name="All", postcodes={"PT": letters})
    space = Space.of([MARKET], [LINE], [], [], [area], DAY)
    assert set(space.postcodes) == {(0, 1)}


def test_two_lines_that_are_not_delivered_share_a_cart() -> None:
    other = LINE.model_copy(update={"id": "lamp", "name": "Lamp"})
    [_, _, both] = Space.of([MARKET], [LINE, other], [], [], [], DAY).carts
    assert both == Cart(("chart", "lamp"), ("none",), classes=(0, 1))


def test_pieces_hold_only_what_goes_together() -> None:
    other = LINE.model_copy(update={"id": "lamp", "name": "Lamp", "deliveries": ["van"]})
    space = Space.of([MARKET], [LINE, other], ["van"], [], [], DAY)
    [region] = regions(space, {"EUR": set()})
    boxes = Boxes(region)
    # By the van alone the chart, which is not delivered, does not go by itself.
    found = [(box.carts, box.deliveries) for box in boxes.pieces(region.everything._replace(deliveries=0b01))]
    assert found == [(0b110, 0b01)]


def test_a_box_grows_along_the_amounts_both_ways_until_something_is_offered() -> None:
    [region] = regions(Space.of([MARKET], [LINE], [], [], [], DAY), {"EUR": {100, 200, 300, 400}})
    boxes = Boxes(region)
    [piece] = boxes.pieces(boxes.everything._replace(amounts=0b00100))
    alone = boxes.widest(piece, [])
    assert (alone.first, alone.last) == (0, 4)
    between = boxes.widest(piece, [boxes.everything._replace(amounts=0b10001)])
    assert (between.first, between.last) == (1, 3)


def test_what_cannot_be_ordered_is_in_no_box_s_way() -> None:
    lamp = LINE.model_copy(update={"id": "lamp", "name": "Lamp", "deliveries": ["van"]})
    space = Space.of([MARKET], [LINE, lamp], ["van"], [], [], DAY)
    [region] = regions(space, {"EUR": set()})
    boxes = Boxes(region)
    [chart, *_] = boxes.pieces(boxes.everything._replace(carts=0b001, devices=0b01))
    # The chart alone never goes by the van: an offer for it there is an offer to nobody.
    nobody = boxes.everything._replace(carts=0b001, deliveries=0b01)
    assert boxes.reach(boxes.widest(chart, [nobody])) == boxes.everything


def test_what_is_offered_on_phones_keeps_a_box_off_them() -> None:
    [region] = regions(Space.of([MARKET], [LINE], [], [], [], DAY), {"EUR": set()})
    boxes = Boxes(region)
    [piece] = boxes.pieces(boxes.everything._replace(devices=0b10, signed_in=0b01))
    grown = boxes.widest(piece, [boxes.everything._replace(devices=0b01)])
    assert (grown.devices, grown.signed_in) == (0b10, 0b11)


def test_what_is_offered_in_another_market_keeps_a_box_out_of_that_market_alone() -> None:
    spain = MARKET.model_copy(update={"id": "es", "country": "ES"})
    [region] = regions(Space.of([MARKET, spain], [LINE], [], [], [], DAY), {"EUR": set()})
    boxes = Boxes(region)
    [piece] = boxes.pieces(boxes.everything._replace(places=0b01, devices=0b01, signed_in=0b01))
    grown = boxes.widest(piece, [boxes.everything._replace(places=0b10)])
    assert (grown.markets, grown.devices, grown.signed_in) == (0b01, 0b11, 0b11)


def test_every_example_of_a_large_shop_is_decided_as_its_box_says() -> None:
    for tenders, markets in ((4, 9), (12, 40)):
        file, other = shop(tenders, markets), shop(tenders + 1, markets - 1)
        raw = json.loads(write(file))
        raw["tenders"] = [
            {
                **tender,
                "fee": {"percent": "1"},
                "windows": [{"from": f"{9 * place} EUR", "up_to": f"{200 + place} EUR"}],
            }
            for place, tender in enumerate(raw["tenders"], 1)
        ]
        limited = read(json.dumps(raw).encode())
        decision = limited.decision(reference_rates.bundled())
        report = coverage_report(limited, Asked(DAY), other)
        assert report["dead_ends"]
        assert report["gained"]
        for name, wanted in (("dead_ends", 0), ("single_tenders", 1)):
            for each in report[name]:
                placed = decision.offered(limited.order_of(order_from(each["example"])))
                assert len(placed) == wanted
                assert [tender.id for tender in placed] == ([each["tender"]] if wanted else [])
        for each in report["fee_only"]:
            fees = [entry.charged for entry in decision.placed(limited.order_of(order_from(each["example"])))]
            assert fees
            assert all(fee and fee.amount and fee.amount.minor > 0 for fee in fees)
