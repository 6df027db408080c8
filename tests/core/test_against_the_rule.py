"""The pricer against the rule itself, written out slowly with fractions, on made-up cards and orders.

Source: the text of the rate card's rules (own design). The slow version below shares no code with the pricer but
the reference rates, which are checked on their own.
"""

from fractions import Fraction
from typing import Any

from hypothesis import given, settings

from monedero.core.fx import NoReferenceRate
from monedero.core.money import Money
from monedero.core.ratecard.context import OrderContext
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.pricing import CardPricer, NotPriced, Priced
from tests.core.made_up import RATES, cards, orders

DIGITS = {"EUR": 2, "GBP": 2, "JPY": 0, "USD": 2, "KWD": 3}


class Slowly:
    """The rule, word by word."""

    def __init__(self, card: RateCard, order: OrderContext) -> None:
        settles = card.provider.settles_in
        self.card, self.order = card, order
        self.settlement = order.amount.currency if order.amount.currency in settles else settles[0]
        self.amount = self.over(order.amount)

    def over(self, money: Money) -> Fraction:
        """Brought to the settlement currency, in whole units."""
        units = Fraction(money.minor, 10 ** DIGITS[money.currency])
        return units * RATES.find(money.currency, self.settlement, self.order.placed_on).value

    def in_band(self, band: Any, value: Fraction | None) -> bool:
        if band is None:
            return True
        low = None if band.from_ is None else self.over(band.from_)
        below = None if band.below is None else self.over(band.below)
        return value is not None and (low is None or value >= low) and (below is None or value < below)

    def volume(self) -> Fraction | None:
        try:
            return None if self.order.monthly_volume is None else self.over(self.order.monthly_volume)
        except NoReferenceRate:
            return None

    def static(self, entry: Any, plan: str) -> bool:
        when, order = entry.when, self.order
        if order.buyer_country == "PT":
            origin = "domestic"
        else:
            origin = "region" if order.buyer_country in self.card.provider.region else "abroad"
        kinds = {kind.value for kind in order.line_kinds}
        return all(
            (
                entry.plans is None or plan in entry.plans,
                when.currency is None or order.amount.currency in when.currency,
                when.buyer_country is None or order.buyer_country in when.buyer_country,
                when.origin is None or origin in when.origin,
                when.card_kind is None or order.card_kind in when.card_kind,
                when.recurring is None or order.recurring == when.recurring,
                when.line_kind is None or (kinds and kinds <= set(when.line_kind)),
                when.conversion is None or when.conversion == (self.settlement != order.amount.currency),
            )
        )

    def price(self, entry: Any) -> Fraction:
        fixed = Fraction(0) if entry.fixed is None else self.over(entry.fixed)
        return Fraction(entry.percent or 0) / 100 * self.amount + fixed

    def needs(self, entry: Any) -> None:
        """Every figure of an entry must be brought over before it can be asked whether it fits."""
        bands = [band for band in (entry.when.amount, entry.when.monthly_volume) if band]
        own = [entry.fixed, getattr(entry, "minimum", None), getattr(entry, "maximum", None)]
        for money in [*own, *(end for band in bands for end in (band.from_, band.below))]:
            if money is not None:
                self.over(money)

    def fee(self, plan: str) -> Fraction | None:
        """The fee in whole units of the settlement currency; None: no rate fits."""
        for rate in self.card.rates:
            if self.static(rate, plan):
                self.needs(rate)
                if self.in_band(rate.when.amount, self.amount) and self.in_band(
                    rate.when.monthly_volume, self.volume()
                ):
                    total = self.price(rate)
                    total = total if rate.minimum is None else max(total, self.over(rate.minimum))
                    total = total if rate.maximum is None else min(total, self.over(rate.maximum))
                    break
        else:
            return None
        for extra in self.card.extras:
            if self.static(extra, plan):
                self.needs(extra)
                if self.in_band(extra.when.amount, self.amount) and self.in_band(
                    extra.when.monthly_volume, self.volume()
                ):
                    total += self.price(extra)
        return total


@settings(max_examples=300, deadline=None)
@given(cards(), orders())
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
