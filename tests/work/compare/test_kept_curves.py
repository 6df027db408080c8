"""Curves that are kept for all orders that are alike are those of each order by itself."""

from dataclasses import replace
from itertools import product

from monedero.core.curve.pieces import Curve
from monedero.core.order.kinds import CardKind
from monedero.core.ratecard.linear import FeeCurve
from monedero.server.shops import RunningShop
from monedero.work.compare.candidates import InQuestion, in_question, open_candidates
from monedero.work.compare.curves import all_in_curve
from monedero.work.month.figures import month_of
from monedero.work.prices.kept import Kept
from monedero.work.shop.order_in_hand import OrderInHand, OrderSentence, order_in_hand
from tests.conftest import NOW, at_desk

TODAY = NOW.date()
CARDS = [(None, None), *product(("aster", "cygnet"), CardKind)]


def test_what_is_kept_for_orders_that_are_alike_is_right_for_each(demo: RunningShop) -> None:
    month = month_of(at_desk(demo.store), TODAY)
    every = []

    def curves(asked: InQuestion) -> dict[str, tuple[FeeCurve, Curve]]:
        return {entry.key: (entry.pieces, all_in_curve(asked, month, entry)) for entry in open_candidates(asked)}

    for hand in _orders(demo):
        asked = in_question(at_desk(demo.store), hand)
        by_itself = replace(asked, inputs=replace(asked.inputs, all_in_curves=Kept(), _curves=Kept()))
        kept = curves(asked)
        assert kept == curves(by_itself)
        every += list(kept.items())
    # They are not all alike, and most are.
    routes, different = {key for key, _ in every}, set(every)
    assert 2 * len(routes) < len(different) < len(every) / 5


def _orders(running: RunningShop) -> list[OrderInHand]:
    """Orders of every market and line, by several cards and in every way that a line may go."""
    held = running.store.description.read()
    assert held
    shop = held.value
    found = []
    for market, line in product(shop.markets, shop.lines):
        for way in (None, *(line.deliveries or ())):
            sentence = OrderSentence(market.id, line.id, "85.00", market.currency, TODAY)
            hand = order_in_hand(shop, sentence)
            found += [
                replace(hand, order=replace(hand.order, delivery=way, card_network=network, card_kind=kind))
                for network, kind in CARDS
            ]
    return found
