"""The rules of a rate card and of a month, written out slowly with fractions, for tests to hold the fast ones to.

Source: the text of the rules (own design). Nothing here shares code with what is tested but the reference rates, which
are checked on their own.
"""

from collections.abc import Callable
from fractions import Fraction
from typing import Any

from monedero.core.fx import NoReferenceRate
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.volume import Volume
from tests.core.ratecard.made_up import RATES

DIGITS = {"EUR": 2, "GBP": 2, "JPY": 0, "USD": 2, "KWD": 3}


class Slowly:
    """The rule, word by word."""

    def __init__(
        self, card: RateCard, order: Order, whole: Volume | None = None, so_far: Volume | None = None
    ) -> None:
        settles = card.provider.settles_in
        self.whole, self.so_far = whole, so_far or whole
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

    def at_volume(self, band: Any) -> bool:
        """A volume that is not known lies in no band; one without a reference rate leaves the route unpriced."""
        if band is None or self.whole is None:
            return band is None
        return self.in_band(band, self.volume(self.whole))

    def volume(self, volume: Volume) -> Fraction:
        return volume.amount * RATES.find(volume.currency, self.settlement, self.order.placed_on).value

    def fits(self, entry: Any, plan: str) -> bool:
        """Keys first: an entry of which one does not hold asks for no reference rate."""
        if not self.static(entry, plan):
            return False
        verdicts: list[bool | NoReferenceRate] = []
        judges: list[Callable[[], bool]] = [
            lambda: self.in_band(entry.when.amount, self.amount),
            lambda: self.at_volume(entry.when.monthly_volume),
        ]
        for judge in judges:
            try:
                verdicts.append(judge())
            except NoReferenceRate as missing:
                verdicts.append(missing)
        if False in verdicts:
            return False
        for verdict in verdicts:
            if isinstance(verdict, NoReferenceRate):
                raise verdict
        for money in (entry.fixed, getattr(entry, "minimum", None), getattr(entry, "maximum", None)):
            if money is not None:
                self.over(money)
        return True

    def static(self, entry: Any, plan: str) -> bool:
        """Every key but the amount and the volume."""
        when, order = entry.when, self.order
        if order.country == "PT":
            origin = "domestic"
        else:
            origin = "region" if order.country in self.card.provider.region else "abroad"
        kinds = {kind.value for kind in order.kinds}
        return all(
            (
                entry.plans is None or plan in entry.plans,
                when.currency is None or order.amount.currency in when.currency,
                when.buyer_country is None or order.country in when.buyer_country,
                when.origin is None or origin in when.origin,
                when.card_kind is None or order.card_kind in when.card_kind,
                when.recurring is None or order.recurring == when.recurring,
                when.line_kind is None or (kinds and kinds <= set(when.line_kind)),
                when.conversion is None or when.conversion == (self.settlement != order.amount.currency),
            )
        )

    def percent(self, entry: Any) -> Fraction:
        """The percentage of a graduated rate at the band that the volume has reached; unknown: the first."""
        steps = getattr(entry, "graduated", None)
        if steps is None:
            return Fraction(entry.percent or 0)
        if self.so_far is None:
            return Fraction(steps[0].percent)
        volume = self.volume(self.so_far)
        reached = [step for step in steps if step.below is None or volume < self.over(step.below)]
        return Fraction(reached[0].percent)

    def price(self, entry: Any) -> Fraction:
        fixed = Fraction(0) if entry.fixed is None else self.over(entry.fixed)
        return self.percent(entry) / 100 * self.amount + fixed

    def fee(self, plan: str, method: str = "card") -> Fraction | None:
        """The fee in whole units of the settlement currency; None: no rate fits."""
        rates = [rate for rate in self.card.rates if rate.method == method]
        rate = next((rate for rate in rates if self.fits(rate, plan)), None)
        if rate is None:
            return None
        total = self.price(rate)
        total = total if rate.minimum is None else max(total, self.over(rate.minimum))
        total = total if rate.maximum is None else min(total, self.over(rate.maximum))
        return total + sum(
            (self.price(extra) for extra in self.card.extras if self.fits(extra, plan)), Fraction(0)
        )


Weighed = tuple[Order, Fraction]


class SlowMonth:
    """A month of orders on one plan, walked order by order. `books` is the shop's currency, `orders` have weights."""

    def __init__(self, card: RateCard, plan: str, orders: list[Weighed], books: str = "EUR") -> None:
        self.card, self.plan, self.orders, self.books = card, plan, orders, books
        self.methods = list(dict.fromkeys(rate.method for rate in card.rates))

    def worth(self, order: Order) -> Fraction:
        """The amount of an order in the shop's currency."""
        rate = RATES.find(order.amount.currency, self.books, order.placed_on).value
        return Fraction(order.amount.minor, 10 ** DIGITS[order.amount.currency]) * rate

    def fee(self, order: Order, whole: Fraction, so_far: Fraction) -> Fraction | None:
        """Tells what an order costs on the plan's cheapest method, in the shop's currency; None: nothing carries it."""
        fees = []
        for method in self.methods:
            slowly = Slowly(self.card, order, Volume(whole, self.books), Volume(so_far, self.books))
            try:
                fee = slowly.fee(self.plan, method)
            except NoReferenceRate:
                continue
            if fee is not None:
                fees.append(fee * RATES.find(slowly.settlement, self.books, order.placed_on).value)
        return min(fees, default=None)

    def carried(self, volume: Fraction) -> list[Weighed]:
        return [held for held in self.orders if self.fee(held[0], volume, volume) is not None]

    def amount(self, orders: list[Weighed]) -> Fraction:
        return sum((self.worth(order) * weight for order, weight in orders), Fraction(0))

    def volume(self) -> Fraction:
        """Tells what the plan carries: asked again at what came out, from beyond every band on; of a circle the
        largest.
        """
        seen = [self.amount(self.carried(Fraction(10**12)))]
        while True:
            again = self.amount(self.carried(seen[-1]))
            if again in seen:
                return max(seen[seen.index(again) :])
            seen.append(again)

    def bands(self, order: Order, volume: Fraction) -> list[tuple[Fraction, Fraction]]:
        """Tells where each graduated band begins that a volume fills, and its share of the volume, on an order's
        day.
        """
        ends = set()
        for below in (step.below for rate in self.card.rates for step in rate.graduated or []):
            if below is None:
                continue
            try:
                ends.add(Volume.of(below).amount * RATES.find(below.currency, self.books, order.placed_on).value)
            except NoReferenceRate:
                continue  # what asks for it has no price at all
        starts = [Fraction(0), *sorted(end for end in ends if 0 < end < volume)]
        return [
            (start, (below - start) / volume) for start, below in zip(starts, [*starts[1:], volume], strict=True)
        ]

    def fees(self, orders: list[Weighed], volume: Fraction) -> Fraction:
        """The fees of a month of some orders at a volume: every order spread evenly over the bands that it fills."""
        total = Fraction(0)
        for order, weight in orders:
            for start, share in self.bands(order, volume):
                fee = self.fee(order, volume, start)
                total += 0 if fee is None else fee * share * weight
        return total
