"""How much of the shop a way to be paid reaches: the share of its orders, by market, that it can carry."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from monedero.core.cost.assumed import ZERO
from monedero.core.fx import NoReferenceRate
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.ratecard.model import Route
from monedero.core.ratecard.priced import Priced
from monedero.core.tender.decision import cannot_carry
from monedero.work.compare.candidates import Candidate, InQuestion


@dataclass(frozen=True, slots=True)
class ReachedMarket:
    """A market of the shop with an order like the one in hand from there, and the routes that have a price for it."""

    share: Fraction
    order: Order
    priced: frozenset[Route]


def markets_of(asked: InQuestion) -> list[ReachedMarket]:
    """The shop's markets that an order like the one in hand may come from; one without a reference rate is none."""
    inputs, found = asked.inputs, []
    for market in inputs.shop.markets:
        try:
            exact = inputs.rates.convert(asked.hand.order.amount, market.currency, asked.day)
        except NoReferenceRate:
            continue
        amount = Money(max(Money.rounded(exact, market.currency).minor, 1), market.currency)
        order = replace(asked.hand.order, amount=amount, country=market.country)
        pricings = inputs.catalogue.price(order, asked.takings)
        priced = frozenset(entry.route for entry in pricings if isinstance(entry, Priced))
        found.append(ReachedMarket(Fraction(market.share), order, priced))
    return found


def reach(asked: InQuestion, markets: Sequence[ReachedMarket], candidate: Candidate) -> Fraction | None:
    """The share of the shop's orders, by market, that a candidate can carry; None where no market has a share."""
    together = sum((Fraction(market.share) for market in asked.inputs.shop.markets), ZERO)
    reached = (
        market.share
        for market in markets
        if (candidate.route is None or candidate.route in market.priced)
        and not any(cannot_carry(candidate.method, market.order, asked.inputs.setting))
    )
    return sum(reached, ZERO) / together if together else None
