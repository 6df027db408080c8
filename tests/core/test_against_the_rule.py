"""The pricer against the rule itself, written out slowly with fractions, on made-up cards and orders."""

from hypothesis import given, settings

from monedero.core.fx import NoReferenceRate
from monedero.core.ratecard.context import OrderContext
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.priced import NotPriced, Priced
from monedero.core.ratecard.pricing import CardPricer
from tests.core.made_up import RATES, cards, orders
from tests.core.slowly import Slowly


@settings(max_examples=400, deadline=None)
@given(cards(graduated=True), orders())
def test_every_fee_is_the_rules_fee(card: RateCard, order: OrderContext) -> None:
    for priced in CardPricer(card, "PT", RATES).price(order):
        try:
            expected = Slowly(card, order).fee(priced.route.plan)
        except NoReferenceRate:
            assert isinstance(priced, NotPriced)
            assert priced.reason.code.value == "no-reference-rate"
            continue
        if expected is None:
            assert isinstance(priced, NotPriced)
            assert priced.reason.code.value == "no-rate-fits"
        else:
            assert isinstance(priced, Priced)
            assert priced.exact == expected
            assert sum(share.minor for _, share in priced.shown) == priced.charged.minor
