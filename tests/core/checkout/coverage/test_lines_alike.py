"""Lines that nothing tells apart are looked at as one, and every order of theirs is still answered for rightly."""

from dataclasses import replace
from typing import Any

import pytest

from monedero.core.checkout.coverage.answer import coverage
from monedero.core.checkout.coverage.difference import more_offered, new_dead_ends
from monedero.core.checkout.coverage.fixes import Fixes
from monedero.core.checkout.coverage.widen import Widening
from monedero.core.checkout.decision import Decision
from monedero.core.order.model import Device, Order
from monedero.figures import reference_rates
from monedero.formats.checkout_file import CheckoutFile
from monedero.formats.coverage_json import box_of
from monedero.work.checkout.coverage import coverage_report
from monedero.work.checkout.examined import Asked
from tests.core.checkout.coverage.spelled_orders import DAY, Spelled, examined, plain, spelled, with_tenders

GOODS = {"kind": "goods", "recurring": False, "deliveries": ["courier", "pier"]}
LINES: list[dict[str, Any]] = [
    *({"id": id, "name": id.title(), **GOODS} for id in ("chart", "lamp", "map")),
    {"id": "course", "name": "Course", "kind": "course", "recurring": False, "deliveries": None},
]


def conditioned(*conditions: dict[str, Any], lines: list[dict[str, Any]] | None = None) -> CheckoutFile:
    """A shop of three goods that are alike and a course, with one way to pay under some conditions."""
    return with_tenders(
        {"id": "cash", "conditions": list(conditions), "windows": [{"up_to": "50 EUR"}]}, lines=lines or LINES
    )


def orders_of(file: CheckoutFile) -> list[Spelled]:
    """The orders of a shop by retail buyers who are signed in on a phone: the others are the same here."""
    return spelled(file, groups=("retail",), devices=(Device.PHONE,), signed_in=(True,))


CONDITIONED = [
    ([], [{"chart", "lamp", "map"}, {"course"}]),
    ([{"fact": "line", "not": ["map"]}], [{"chart", "lamp"}, {"map"}, {"course"}]),
    ([{"fact": "line", "only": ["map", "lamp"]}], [{"chart"}, {"lamp", "map"}, {"course"}]),
    ([{"fact": "kind", "only": ["goods"]}], [{"chart", "lamp", "map"}, {"course"}]),
]


@pytest.mark.parametrize(("conditions", "classes"), CONDITIONED)
def test_what_a_condition_tells_apart_stands_apart(
    conditions: list[dict[str, Any]], classes: list[set[str]]
) -> None:
    file = conditioned(*conditions)
    assert sorted(map(sorted, examined(file).space.classes)) == sorted(map(sorted, classes))
    report = coverage_report(file, Asked(DAY))
    dead, single = ([plain(each["box"]) for each in report[name]] for name in ("dead_ends", "single_tenders"))
    for order in orders_of(file):
        assert any(box.holds(order) for box in dead) is (not order.offered), order
        assert any(box.holds(order) for box in single) is bool(order.offered), order


@pytest.mark.parametrize("conditions", [conditions for conditions, _ in CONDITIONED])
def test_a_fix_lets_in_every_line_that_stands_for_others(conditions: list[dict[str, Any]]) -> None:
    file = conditioned(*conditions)
    over, setting = examined(file), file.setting(reference_rates.bundled())
    fixes = Fixes(over, Widening(over, file.shared_conditions, setting))
    found = coverage(over).dead_ends
    assert found
    for each in found:
        for fix in fixes.of_dead_end(each):
            decision = Decision(list(fix.tenders), setting, file.shared_conditions)
            box = plain(box_of(each.region, each.box))
            inside = [order for order in orders_of(file) if box.holds(order)]
            assert inside
            assert all(decision.offered(file.order_of(order.order)) for order in inside)


def test_a_fix_lets_in_the_places_that_a_condition_keeps_out() -> None:
    markets = [{"id": f"m-{code.lower()}", "country": code, "currency": "EUR"} for code in ("PT", "ES", "FR")]
    for condition in ({"fact": "country", "only": ["PT"]}, {"fact": "country", "not": ["ES", "FR"]}):
        file = with_tenders({"id": "cash", "conditions": [condition]}, lines=LINES, markets=markets, areas=[])
        over, setting = examined(file), file.setting(reference_rates.bundled())
        [found] = coverage(over).dead_ends
        [fix] = Fixes(over, Widening(over, file.shared_conditions, setting)).of_dead_end(found)
        decision = Decision(list(fix.tenders), setting, file.shared_conditions)
        for country in ("PT", "ES", "FR"):
            assert decision.offered(file.order_of(replace(_order(), country=country)))


def test_a_fix_lets_in_the_buyers_and_ways_that_a_condition_keeps_out() -> None:
    for condition in (
        {"fact": "customer_group", "only": ["retail"]},
        {"fact": "device", "not": ["phone"]},
        {"fact": "delivery", "not": ["courier"]},
    ):
        file = with_tenders({"id": "cash", "conditions": [condition]}, lines=LINES[:1], areas=[])
        over, setting = examined(file), file.setting(reference_rates.bundled())
        fixes = Fixes(over, Widening(over, file.shared_conditions, setting))
        [found] = coverage(over).dead_ends
        [fix] = fixes.of_dead_end(found)
        decision = Decision(list(fix.tenders), setting, file.shared_conditions)
        assert all(decision.offered(file.order_of(order.order)) for order in spelled(file))


OTHERS = [
    conditioned({"fact": "line", "not": ["lamp"]}),
    conditioned({"fact": "line", "only": ["chart", "course"]}),
    # The other shop has no chart, sells the map every month, and lets the lamp go one way alone.
    conditioned(
        lines=[
            {**LINES[1], "deliveries": ["pier"]},
            {**LINES[2], "recurring": True},
            LINES[3],
        ]
    ),
]


@pytest.mark.parametrize("other", OTHERS)
@pytest.mark.parametrize("here", [conditioned(), OTHERS[0]])
def test_two_checkouts_are_held_against_each_other_line_by_line(here: CheckoutFile, other: CheckoutFile) -> None:
    for one, beside in ((here, other), (other, here)):
        boxes = [
            plain(box_of(region, box))
            for more in more_offered(examined(one), examined(beside))
            for region, box in more.boxes
        ]
        decision = beside.decision(reference_rates.bundled())
        for order in orders_of(one):
            known = order.order if _sold(beside, order) else None
            also = bool(known and decision.offered(one.order_of(known)))
            assert any(box.holds(order) for box in boxes) is (bool(order.offered) and not also), order


def _sold(file: CheckoutFile, order: Spelled) -> bool:
    """True if the lines of an order can be ordered together in a shop."""
    by_id = {line.id: line for line in file.lines}
    lines = [by_id.get(id) for id in order.values[2]]
    if not all(lines) or len({line.recurring for line in lines if line}) > 1:
        return False
    ways = [set(line.deliveries) for line in lines if line and line.deliveries is not None]
    return not ways or bool(set.intersection(*ways))


def test_a_new_dead_end_is_told_by_the_lines_that_were_told_apart_before_or_after() -> None:
    courses = conditioned({"fact": "kind", "only": ["course"]})
    for before, after in ((conditioned(), OTHERS[0]), (OTHERS[0], courses), (OTHERS[0], conditioned())):
        boxes = [plain(box_of(region, box)) for region, box in new_dead_ends(examined(before), examined(after))]
        were = {(order.values, order.amount) for order in orders_of(before) if order.offered}
        for order in orders_of(after):
            newly = not order.offered and (order.values, order.amount) in were
            assert any(box.holds(order) for box in boxes) is newly, order


def test_a_cart_is_found_by_any_of_its_lines() -> None:
    space = examined(conditioned()).space
    goods = space.cart_of(["map"])
    assert goods == space.cart_of(["chart"])
    assert space.cart_of(["lamp", "map"]) == space.cart_of(["map", "chart"]) != goods
    assert space.cart_of(["unheard-of"]) is None
    assert space.cart_of(["map", "map"]) is None
    # Three goods, a course; three pairs of goods, three of goods with a course.
    assert sum(space.count(cart) for cart in space.carts) == 3 + 1 + 3 + 3
    lines = {order.lines for order in space.with_each_line(_order(), range(len(space.carts)))}
    assert {line for some in lines for line in some} == {line["id"] for line in LINES}


def _order() -> Order:
    [first, *_] = orders_of(conditioned())
    return replace(first.order, lines=("chart",))
