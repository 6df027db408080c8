"""The pricer against the rule itself, written out slowly with fractions, on made-up cards and orders."""

from hypothesis import given

from monedero.core.fx import NoReferenceRate
from monedero.core.order.model import Order
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.priced import NotPriced, Priced
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.volume import Takings, Volume
from tests.core.columns.slowly import Slowly
from tests.core.ratecard.made_up import RATES, TAKINGS, cards, orders
from tests.properties import tried_on


@tried_on(200)
@given(cards(graduated=True), orders(), TAKINGS)
def test_every_fee_is_the_rules_fee(card: RateCard, order: Order, takings: Takings) -> None:
    for priced in CardPricer(card, "PT", RATES).price(order, takings):
        try:
            expected = Slowly(card, order, Volume.of(takings.every) if takings.every else None).fee(
                priced.route.plan
            )
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
