"""Tells what a limit on the amount of a tender costs or saves the shop over its orders of a month.

The orders that count are those that the tender would be offered but for this one end of its window. Each would cost
what the tender costs; as it is, it costs what the cheapest other tender costs that is offered. The difference is what
the limit costs; below nothing, the limit saves. Where no other tender is offered the order is lost, and counted by
itself; where one of the two costs is not known it is counted too.

Source: own design.

>>> from datetime import date
>>> from monedero.core.account import Mode
>>> from monedero.core.curve.pieces import Piece
>>> from monedero.core.fx import ReferenceRates
>>> from monedero.core.method import Method
>>> from monedero.core.checkout.decision import Setting
>>> from monedero.core.checkout.model import Tender
>>> class NoTable:
...     days: list[date] = []
>>> ways = {id: Method(id=id, name=id, family="own", buyer="Pays.", recurring=True, own=True) for id in ("a", "b")}
>>> a = Tender(id="a", method="a", on=True, name="A", windows=[{"up_to": "50.00 EUR"}])
>>> b = Tender(id="b", method="b", on=True, name="B")
>>> decision = Decision([a, b], Setting("PT", "EUR", Mode.TEST, ways, {}, ReferenceRates(NoTable())))
>>> percent = Curve((Piece(Fraction(0), None, Fraction(1, 100), Fraction(0)),))
>>> flat = Curve((Piece(Fraction(0), None, Fraction(0), Fraction(2)),))
>>> order = Order(Money(1, "EUR"), "PT", date(2026, 11, 27))
>>> month = [SameOrders(order, {4000: Fraction(3), 10000: Fraction(5)}, {"a": percent, "b": flat})]
>>> limit_costs(decision, month)[("a", "up_to")]
LimitCost(orders=Fraction(5, 1), cost=Fraction(5, 1), lost=Fraction(0, 1), unknown=Fraction(0, 1))
"""

from bisect import bisect_right
from collections.abc import Iterable, Iterator, Mapping, Sequence
from fractions import Fraction
from typing import Literal, NamedTuple

from monedero.core.checkout.decision import Decision, Outcome
from monedero.core.checkout.stretches import begins_of
from monedero.core.curve.pieces import Curve
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.reasons import Reason, ReasonCode

End = Literal["from", "up_to"]
OF_END = {ReasonCode.WINDOW_UNDER: "from", ReasonCode.WINDOW_OVER: "up_to"}
ZERO = Fraction(0)


class SameOrders(NamedTuple):
    """Orders that differ in their amount alone: one of them, how many a month are of each amount, what tenders cost.

    `amounts` are in minor units of the order's currency; `costs` by the ids of tenders, from whole units of the
    order's currency to whole units of the shop's. A tender that is not there has no cost that is known.
    """

    order: Order
    amounts: Mapping[int, Fraction]
    costs: Mapping[str, Curve]


class LimitCost(NamedTuple):
    """Orders a month that a limit keeps from a tender, and what that costs in whole units of the shop's currency.

    `lost` are those of them that have no way to pay left, `unknown` those whose costs are not known; neither is in
    the cost.
    """

    orders: Fraction
    cost: Fraction
    lost: Fraction
    unknown: Fraction


NOTHING = LimitCost(ZERO, ZERO, ZERO, ZERO)


def limit_costs(decision: Decision, month: Iterable[SameOrders]) -> dict[tuple[str, str], LimitCost]:
    """Tells what each end of each window costs, by tender and end (`from`, or `up_to` for either upper end).

    Only ends that keep some order of the month from their tender are there.
    """
    found: dict[tuple[str, str], LimitCost] = {}
    for same in month:
        for outcomes, amounts in by_stretch(decision, same):
            offered = [outcome.tender.id for outcome in outcomes if outcome.offered]
            for outcome in outcomes:
                end = _kept_by(outcome.reasons)
                if end is not None:
                    key = (outcome.tender.id, end)
                    found[key] = _more(found.get(key, NOTHING), same, key[0], offered, amounts)
    return found


def by_stretch(decision: Decision, same: SameOrders) -> Iterator[tuple[Sequence[Outcome], Sequence[int]]]:
    """The amounts of some orders, in groups for which the decision is the same, each with its outcomes."""
    currency, day = same.order.amount.currency, same.order.placed_on
    begins = sorted(begins_of(decision, currency, day))
    groups: dict[int, list[int]] = {}
    for minor in same.amounts:
        groups.setdefault(bisect_right(begins, minor), []).append(minor)
    for amounts in groups.values():
        yield decision.outcomes(same.order.on(Money(amounts[0], currency), day)), amounts


def _kept_by(reasons: Sequence[Reason]) -> str | None:
    """The end of a window that alone keeps an order from a tender."""
    return OF_END.get(reasons[0].code) if len(reasons) == 1 else None


def _more(
    so_far: LimitCost, same: SameOrders, tender: str, offered: Sequence[str], amounts: Iterable[int]
) -> LimitCost:
    """The cost with some more amounts, for which the same others are offered."""
    orders, cost, lost, unknown = so_far
    own = same.costs.get(tender)
    for minor in amounts:
        weight, amount = same.amounts[minor], Money(minor, same.order.amount.currency).exact
        orders += weight
        if not offered:
            lost += weight
            continue
        here = own.at(amount) if own else None
        others = [curve.at(amount) for id in offered if (curve := same.costs.get(id))]
        known = [other for other in others if other is not None]
        if here is None or not known:
            unknown += weight
        else:
            cost += weight * (min(known) - here)
    return LimitCost(orders, cost, lost, unknown)


class Moved(NamedTuple):
    """Orders a month that a tender is offered for after a change and was not before, and the other way round."""

    gained: Fraction
    lost: Fraction


def moved(before: Decision, after: Decision, month: Iterable[SameOrders]) -> dict[str, Moved]:
    """Tells which orders of the month every tender gains and loses by a change; tenders that keep theirs are left
    out.
    """
    found: dict[str, Moved] = {}
    for same in month:
        both = [_offers(decision, same) for decision in (before, after)]
        for minor, weight in same.amounts.items():
            old, new = (offers[minor] for offers in both)
            for id in old ^ new:
                gained, lost = found.get(id, Moved(ZERO, ZERO))
                found[id] = Moved(gained + weight, lost) if id in new else Moved(gained, lost + weight)
    return found


def _offers(decision: Decision, same: SameOrders) -> dict[int, frozenset[str]]:
    """The tenders that are offered at every amount of some orders."""
    found: dict[int, frozenset[str]] = {}
    for outcomes, amounts in by_stretch(decision, same):
        found |= dict.fromkeys(amounts, frozenset(outcome.tender.id for outcome in outcomes if outcome.offered))
    return found
