"""The orders of a month as a checkout decides on them: what is offered at which amounts, and what a change moves.

Orders that differ in their amount alone are decided on together. A month does not tell everything of an order: what
it leaves open of how a method carries an order (its kind, whether it repeats, how it is delivered) speaks against no
tender.

Source: own design.

>>> from datetime import date
>>> from monedero.core.account import Mode
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
>>> for begin, offer in offers_by_amount(decision, Order(Money(1, "EUR"), "PT", date(2026, 11, 27))):
...     print(begin, offer)
1 Offer(tenders=('a', 'b'), kept=())
5001 Offer(tenders=('b',), kept=(('a', 'up_to'),))
"""

from bisect import bisect_right
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import cached_property
from typing import Literal, NamedTuple

from monedero.core.checkout.decision import Decision, Outcome
from monedero.core.checkout.month_sums import Sums
from monedero.core.checkout.stretches import begins_of
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.reasons import MONTH_TELLS_NOT, Reason, ReasonCode

End = Literal["from", "up_to"]
OF_END: Mapping[ReasonCode, End] = {ReasonCode.WINDOW_UNDER: "from", ReasonCode.WINDOW_OVER: "up_to"}
ZERO = Fraction(0)


@dataclass(frozen=True)
class SameOrders:
    """Orders that differ in their amount alone: one of them, and how many a month are of each amount.

    `amounts` are in minor units of the order's currency.
    """

    order: Order
    amounts: Mapping[int, Fraction]

    @cached_property
    def sums(self) -> Sums:
        """Their sums between any two amounts; an order of zero is left out, since nothing is paid for it."""
        return Sums.of({minor: weight for minor, weight in self.amounts.items() if minor})


class LimitCost(NamedTuple):
    """Orders a month that a limit keeps from a tender that their buyers would take, and what that costs.

    The cost is in whole units of the shop's currency: what they would leave with the tender, less what they leave with
    the way that they take instead, or with none. `lost` are those of them that take none; `unknown` are those of the
    lost ones whose margin is not known: they are not in the cost.
    """

    orders: Fraction
    cost: Fraction
    lost: Fraction
    unknown: Fraction

    def plus(self, other: "LimitCost") -> "LimitCost":
        """The cost of both."""
        return LimitCost(*(one + two for one, two in zip(self, other, strict=True)))


NOTHING = LimitCost(ZERO, ZERO, ZERO, ZERO)


class Offer(NamedTuple):
    """The tenders that are offered for some orders, as buyers meet them, and those that one end of a window alone
    keeps away, each with that end (`from`, or `up_to` for either upper end).
    """

    tenders: tuple[str, ...]
    kept: tuple[tuple[str, End], ...]


def offers_by_amount(decision: Decision, order: Order) -> list[tuple[int, Offer]]:
    """Tells what is offered for orders like one, from each amount on at which that changes, in minor units."""
    currency, day = order.amount.currency, order.placed_on
    found: list[tuple[int, Offer]] = []
    for begin in sorted(begins_of(decision, currency, day)):
        outcomes = decision.outcomes(order.on(Money(begin, currency), day))
        against = {outcome.tender.id: _against(outcome) for outcome in outcomes}
        offered = tuple(tender.id for tender in decision.in_place if not against[tender.id])
        kept = tuple((id, end) for id, reasons in against.items() if (end := _kept_by(reasons)) is not None)
        if not found or found[-1][1] != (offered, kept):
            found.append((begin, Offer(offered, kept)))
    return found


def _against(outcome: Outcome) -> list[Reason]:
    """The reasons against a tender, but for those that the month does not tell."""
    return [reason for reason in outcome.reasons if reason.code not in MONTH_TELLS_NOT]


def _kept_by(reasons: Sequence[Reason]) -> End | None:
    """The end of a window that alone keeps an order from a tender."""
    return OF_END.get(reasons[0].code) if len(reasons) == 1 else None


def by_stretch(decision: Decision, same: SameOrders) -> Iterator[tuple[Sequence[Outcome], Sequence[int]]]:
    """The amounts of some orders, in groups for which the decision is the same, each with its outcomes."""
    currency, day = same.order.amount.currency, same.order.placed_on
    begins = sorted(begins_of(decision, currency, day))
    groups: dict[int, list[int]] = {}
    for minor in same.amounts:
        groups.setdefault(bisect_right(begins, minor), []).append(minor)
    for amounts in groups.values():
        yield decision.outcomes(same.order.on(Money(amounts[0], currency), day)), amounts


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
