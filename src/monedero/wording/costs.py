"""An all-in cost in words: every part with its formula and the figures in it, and the assumptions that move it.

Source: own design.

>>> rate_text(Fraction(15, 1000))
'1.5 %'
>>> plain(Fraction(1, 3), "EUR")
'0.333333… EUR'
"""

from collections.abc import Callable, Mapping
from fractions import Fraction
from typing import NamedTuple

from monedero.core.cost.all_in import OtherCosts, parts_of
from monedero.core.cost.parts import CostPart
from monedero.core.money import Money, minor_units, round_half_up, split
from monedero.core.ratecard.linear import FeePiece
from monedero.wording.catalogue import say
from monedero.wording.show import any_of, exact

MOVED_BY: Mapping[CostPart, tuple[str, ...]] = {
    CostPart.FEE: (),
    CostPart.TAX: ("tax-recoverable",),
    CostPart.MONTHLY: (),
    CostPart.REFUNDS: ("refund-rate",),
    CostPart.DISPUTES: ("dispute-rate", "win-rate", "dispute-minutes", "hour-cost"),
    CostPart.FAILED: ("failure-rate",),
    CostPart.REFUSED: ("refusal-rate", "delivery-out", "delivery-back", "collection-fee"),
    CostPart.HANDLING: ("minutes", "hour-cost"),
    CostPart.WAITING: ("money-cost",),
    CostPart.RESERVE: ("money-cost",),
    CostPart.SOFTWARE: (),
    CostPart.BUYER_FEE: (),
}
# A part of nothing is shown where an assumption of the owner's could make it something.
ALWAYS = frozenset({CostPart.FEE, CostPart.HANDLING, CostPart.WAITING})


class ShownCost(NamedTuple):
    """One part of a cost: what it is, its formula, its exact figure, its share of the rounded cost, what moves it."""

    part: CostPart
    label: str
    formula: str
    exact: str
    amount: str
    moved_by: tuple[str, ...]


class Case(NamedTuple):
    """One order on one route: the piece of its fee, what it bears, its amount, and the shop's currency."""

    fee: FeePiece
    other_costs: OtherCosts
    amount: Fraction
    books: str


def rate_text(share: Fraction) -> str:
    """A share of one as a percentage, exact."""
    return f"{exact(share * 100)} %"


def plain(value: Fraction, currency: str) -> str:
    """An exact amount with its currency."""
    return f"{exact(value)} {currency}"


def cost_parts(case: Case) -> list[ShownCost]:
    """Every part that is something, or that an assumption could make something, adding up to the rounded cost."""
    fee, other_costs = case.fee, case.other_costs
    lines = parts_of(fee.fee, fee.returned(other_costs.events.refund_returns), other_costs)
    values = [(part, line.at(case.amount)) for part, line in lines]
    shown = [(part, value) for part, value in values if value or part in ALWAYS or _movable(part, other_costs)]
    units = minor_units(case.books)
    minor = [value * units for _, value in shown]
    total = sum(minor, Fraction(0))
    shares = split(minor, round_half_up(total.numerator, total.denominator))
    return [
        ShownCost(
            part,
            say(f"cost-{part.value}"),
            FORMULAS[part](case),
            plain(value, case.books),
            str(Money(share, case.books)),
            MOVED_BY[part],
        )
        for (part, value), share in zip(shown, shares, strict=True)
    ]


def unknown_parts(other_costs: OtherCosts) -> list[str]:
    """Tells what is not known of a provider's route and counts as nothing, in sentences."""
    events = {
        "refund": other_costs.events.refund,
        "dispute": other_costs.events.dispute,
        "failed": other_costs.events.failed,
    }
    silent = [say(f"event-{name}") for name, price in events.items() if price is None]
    told = [say("unknown-events", events=any_of(silent))] if silent else []
    return [*told, say("unknown-share")] if other_costs.monthly_share is None else told


def _movable(part: CostPart, other_costs: OtherCosts) -> bool:
    events = other_costs.events
    return (
        (part is CostPart.TAX and other_costs.fee_tax > 0)
        or (part is CostPart.MONTHLY and other_costs.monthly_share is None)
        or (part is CostPart.REFUNDS and events.refund is not None)
        or (part is CostPart.DISPUTES and (events.dispute is not None or other_costs.assumed.dispute_rate > 0))
        or (part is CostPart.FAILED and events.failed is not None)
        or (part is CostPart.REFUSED and other_costs.at_the_door)
    )


def _tax(case: Case) -> str:
    recovered = "yes" if case.other_costs.assumed.tax_recoverable else "no"
    return say("formula-tax", rate=rate_text(case.other_costs.fee_tax), recovered=recovered)


def _monthly(case: Case) -> str:
    return say("formula-monthly-unknown" if case.other_costs.monthly_share is None else "formula-monthly")


def _refunds(case: Case) -> str:
    events = case.other_costs.events
    back = case.fee.returned(events.refund_returns).at(case.amount)
    rate = rate_text(case.other_costs.assumed.refund_rate)
    return say("formula-refunds", rate=rate, price=_price(events.refund, case), back=plain(back, case.books))


def _disputes(case: Case) -> str:
    assumed, events = case.other_costs.assumed, case.other_costs.events
    amount = plain(case.amount * case.other_costs.to_books, case.books)
    parts = [
        _price(events.dispute, case),
        say("formula-dispute-lost", rate=rate_text(1 - assumed.win_rate), amount=amount),
    ]
    if events.dispute_returned_if_won:
        parts.append(say("formula-dispute-won", rate=rate_text(assumed.win_rate)))
    parts.append(_work(assumed.dispute_minutes, case))
    return say("formula-disputes", rate=rate_text(assumed.dispute_rate), parts="; ".join(parts))


def _failed(case: Case) -> str:
    rate = rate_text(case.other_costs.assumed.failure_rate)
    return say("formula-failed", rate=rate, price=_price(case.other_costs.events.failed, case))


def _price(price: Fraction | None, case: Case) -> str:
    return say("price-unknown") if price is None else plain(price, case.books)


def _refused(case: Case) -> str:
    assumed = case.other_costs.assumed
    trips = plain(assumed.delivery_out + assumed.delivery_back, case.books)
    refused = say("formula-refused", rate=rate_text(assumed.refusal_rate), trips=trips)
    if not case.other_costs.at_the_door:
        return refused
    accepted, fee = rate_text(1 - assumed.refusal_rate), plain(assumed.collection_fee, case.books)
    return say("formula-refused-collected", refused=refused, rate=accepted, fee=fee)


def _handling(case: Case) -> str:
    return _work(case.other_costs.assumed.minutes, case)


def _work(minutes: Fraction, case: Case) -> str:
    hour = plain(case.other_costs.assumed.hour_cost, case.books)
    return say("formula-work", minutes=exact(minutes), hour=hour)


def _waiting(case: Case) -> str:
    other_costs = case.other_costs
    amount = plain(case.amount * other_costs.to_books, case.books)
    rate = rate_text(other_costs.assumed.money_cost)
    return say("formula-waiting", amount=amount, rate=rate, days=exact(other_costs.days))


def _reserve(case: Case) -> str:
    other_costs = case.other_costs
    kept = plain(case.amount * other_costs.to_books * other_costs.reserve, case.books)
    rate = rate_text(other_costs.assumed.money_cost)
    return say("formula-reserve", amount=kept, rate=rate, days=str(other_costs.reserve_days))


def _software(case: Case) -> str:
    software = case.other_costs.software
    return say("formula-software", rate=rate_text(software.slope), fixed=plain(software.intercept, case.books))


FORMULAS: Mapping[CostPart, Callable[[Case], str]] = {
    CostPart.FEE: lambda _: say("formula-fee"),
    CostPart.TAX: _tax,
    CostPart.MONTHLY: _monthly,
    CostPart.REFUNDS: _refunds,
    CostPart.DISPUTES: _disputes,
    CostPart.FAILED: _failed,
    CostPart.REFUSED: _refused,
    CostPart.HANDLING: _handling,
    CostPart.WAITING: _waiting,
    CostPart.RESERVE: _reserve,
    CostPart.SOFTWARE: _software,
    CostPart.BUYER_FEE: lambda _: say("formula-buyer-fee"),
}
