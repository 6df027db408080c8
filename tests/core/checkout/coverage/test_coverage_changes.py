"""Tests what a change would take away, held against the decision before and after, order by order."""

import json
from typing import Any

from hypothesis import given

from monedero.core.checkout.coverage.difference import more_offered, new_dead_ends
from monedero.figures import reference_rates
from monedero.formats.checkout_file import CheckoutFile
from monedero.formats.coverage_json import box_of
from tests.core.checkout.coverage.spelled_orders import MARKETS, examined, file_of, plain, spelled
from tests.core.checkout.drawn_checkouts import BASE, checkouts
from tests.properties import tried_on


@tried_on(10)
@given(checkouts(), checkouts())
def test_a_new_dead_end_is_an_order_that_could_be_paid_before(
    raw: dict[str, Any], changed: dict[str, Any]
) -> None:
    before, after = file_of(raw, MARKETS[:2]), file_of(changed, MARKETS[1:])
    boxes = [plain(box_of(*found)) for found in new_dead_ends(examined(before), examined(after))]
    decision = before.decision(reference_rates.bundled())
    for order in spelled(after):
        received = order.values[0] == MARKETS[1]["id"]
        paid = bool(decision.offered(before.order_of(order.order)))
        new = not order.offered and paid and received
        assert any(box.holds(order) for box in boxes) is new, order


def checkout(market: dict[str, str], *tenders: dict[str, Any]) -> CheckoutFile:
    """A checkout in one market; each tender's method may be of one currency."""
    methods = [
        {"id": tender["id"], "name": tender["id"], "family": "own", "own": True, "recurring": True}
        | ({"currencies": only} if (only := tender.get("currencies")) else {})
        for tender in tenders
    ]
    whole = [
        {"id": tender["id"], "method": tender["id"], "on": True, "name": {"en": tender["id"].title()}}
        | ({"windows": windows} if (windows := tender.get("windows")) else {})
        for tender in tenders
    ]
    return file_of(json.loads(json.dumps({**BASE, "methods": methods, "tenders": whole})), [market])


def test_a_market_that_has_another_currency_keeps_the_ways_that_are_left_in_it() -> None:
    tenders = (
        {"id": "cash"},
        {"id": "bank", "currencies": ["EUR"]},
        {"id": "small", "windows": [{"up_to": "9 EUR"}]},
    )
    euro = {"id": "pt", "country": "PT", "currency": "EUR"}
    before, after = examined(checkout(euro, *tenders)), examined(checkout({**euro, "currency": "GBP"}, *tenders))
    lost = more_offered(before, after, changed=True)
    # Cash stays, the small way too, at some amounts; what carries euro alone leaves.
    assert [more.tender for more in lost] == ["bank"]
    assert [more.tender for more in more_offered(after, before, changed=True)] == []
    assert more_offered(after, after, changed=True) == []
    # As two checkouts of two shops, orders in euro are not received there at all.
    assert [more.tender for more in more_offered(before, after)] == ["cash", "bank", "small"]


def test_who_could_not_pay_in_the_currency_before_is_no_new_dead_end() -> None:
    euro = {"id": "pt", "country": "PT", "currency": "EUR"}
    pound = {**euro, "currency": "GBP"}
    small = {"id": "small", "windows": [{"up_to": "9 EUR"}]}
    # Above a limit nobody could pay before either.
    assert new_dead_ends(examined(checkout(euro, small)), examined(checkout(pound, small))) == []
    # Nobody can pay any more if the only way carries euro alone.
    bank = {"id": "bank", "currencies": ["EUR"]}
    assert new_dead_ends(examined(checkout(euro, bank)), examined(checkout(pound, bank)))


def test_a_market_that_is_not_there_any_more_loses_everything() -> None:
    tenders = ({"id": "cash"},)
    before = examined(checkout({"id": "pt", "country": "PT", "currency": "EUR"}, *tenders))
    after = examined(checkout({"id": "es", "country": "ES", "currency": "EUR"}, *tenders))
    assert [more.tender for more in more_offered(before, after)] == ["cash"]
    assert new_dead_ends(before, after) == []
    # A buyer who was never sold to before loses nothing.
    assert new_dead_ends(before, examined(checkout({"id": "es", "country": "ES", "currency": "EUR"}))) == []
