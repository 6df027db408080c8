"""How much of the shop a way to be paid reaches: the share of its orders, by market, that it can carry."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from fractions import Fraction

from monedero.core.cost.assumed import ZERO
from monedero.core.fx import NoReferenceRate
from monedero.core.method import Method
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.ratecard.model import Route
from monedero.core.ratecard.priced import Priced
from monedero.work.compare.candidates import Candidate, InQuestion
from monedero.work.prices.kept import Kept


@dataclass(frozen=True, slots=True)
class ReachedMarket:
    """A market of the shop with an order like the one in hand from there, and the routes that have a price for it."""

    id: str
    order: Order
    priced: frozenset[Route]


class Reach:
    """Holds what candidates reach of the shop's markets, for one order in hand."""

    def __init__(self, asked: InQuestion) -> None:
        """Price an order like the one in hand in every market."""
        self._inputs = asked.inputs
        self._markets = list(_markets_of(asked))
        self._share_of = {market.id: Fraction(market.share) for market in asked.inputs.shop.markets}
        self._together = sum(self._share_of.values(), ZERO)
        # Several routes have one method, and many reach the same markets.
        self._carried: Kept[list[ReachedMarket]] = Kept()
        self._shares: Kept[Fraction] = Kept()

    def of(self, candidate: Candidate) -> Fraction | None:
        """The share of the shop's orders that a candidate can carry; None where no market has a share."""
        if not self._together:
            return None
        markets, route = self._carried_in(candidate.method), candidate.route
        reached = tuple(market.id for market in markets if route is None or route in market.priced)
        return self._shares.get(
            reached, lambda: sum(map(self._share_of.__getitem__, reached), ZERO) / self._together
        )

    def _carried_in(self, method: Method) -> list[ReachedMarket]:
        """The markets from which a method can carry the order."""
        return self._carried.get(
            method.id,
            lambda: [market for market in self._markets if not self._inputs.cannot_carry(method, market.order)],
        )


def _markets_of(asked: InQuestion) -> Iterator[ReachedMarket]:
    """The shop's markets that an order like the one in hand may come from; one without a reference rate is left out."""
    inputs = asked.inputs
    for market in inputs.shop.markets:
        try:
            exact = inputs.rates.convert(asked.hand.order.amount, market.currency, asked.day)
        except NoReferenceRate:
            continue
        amount = Money(max(Money.rounded(exact, market.currency).minor, 1), market.currency)
        order = replace(asked.hand.order, amount=amount, country=market.country)
        pricings = inputs.catalogue.price(order, asked.takings)
        priced = frozenset(entry.route for entry in pricings if isinstance(entry, Priced))
        yield ReachedMarket(market.id, order, priced)
