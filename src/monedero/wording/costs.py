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

from monedero.core.cost.all_in import Bearing, CostPart, parts_of
from monedero.core.money import Money, minor_units, round_half_up, split
from monedero.core.ratecard.linear import FeePiece
from monedero.wording.show import exact

LABELS: dict[CostPart, str] = {
    CostPart.FEE: "Provider's fee",
    CostPart.TAX: "Tax on the fee",
    CostPart.MONTHLY: "Share of the month",
    CostPart.REFUNDS: "Refunds",
    CostPart.DISPUTES: "Disputes",
    CostPart.FAILED: "Failed debits",
    CostPart.REFUSED: "Refused deliveries",
    CostPart.HANDLING: "Work",
    CostPart.WAITING: "Waiting",
    CostPart.RESERVE: "Reserve",
    CostPart.SOFTWARE: "Shop software",
}
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
    bearing: Bearing
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
    fee, bearing = case.fee, case.bearing
    lines = parts_of(fee.fee, fee.returned(bearing.events.refund_returns), bearing)
    values = [(part, line.at(case.amount)) for part, line in lines]
    shown = [(part, value) for part, value in values if value or part in ALWAYS or _movable(part, bearing)]
    units = minor_units(case.books)
    minor = [value * units for _, value in shown]
    total = sum(minor, Fraction(0))
    shares = split(minor, round_half_up(total.numerator, total.denominator))
    return [
        ShownCost(
            part,
            LABELS[part],
            FORMULAS[part](case),
            plain(value, case.books),
            str(Money(share, case.books)),
            MOVED_BY[part],
        )
        for (part, value), share in zip(shown, shares, strict=True)
    ]


def unknown_parts(bearing: Bearing) -> list[str]:
    """What is not known of a provider's route and counts as nothing, in sentences."""
    events = {
        "a refund": bearing.events.refund,
        "a dispute": bearing.events.dispute,
        "a failed payment": bearing.events.failed,
    }
    silent = [name for name, price in events.items() if price is None]
    told = []
    if silent:
        listed = silent[0] if len(silent) == 1 else f"{', '.join(silent[:-1])} or {silent[-1]}"
        told.append(f"The rate card does not say what {listed} costs: that fee counts as nothing.")
    if bearing.monthly_share is None:
        told.append(
            "The share of the plan's month is unknown, since it carries no orders of a month: it counts as nothing."
        )
    return told


def _movable(part: CostPart, bearing: Bearing) -> bool:
    events = bearing.events
    return (
        (part is CostPart.TAX and bearing.fee_tax > 0)
        or (part is CostPart.MONTHLY and bearing.monthly_share is None)
        or (part is CostPart.REFUNDS and events.refund is not None)
        or (part is CostPart.DISPUTES and (events.dispute is not None or bearing.assumed.dispute_rate > 0))
        or (part is CostPart.FAILED and events.failed is not None)
        or (part is CostPart.REFUSED and bearing.at_the_door)
    )


def _tax(case: Case) -> str:
    recovered = "which you recover" if case.bearing.assumed.tax_recoverable else "which you cannot recover"
    return f"{rate_text(case.bearing.fee_tax)} of the fee, {recovered}"


def _refunds(case: Case) -> str:
    events = case.bearing.events
    back = case.fee.returned(events.refund_returns).at(case.amount)
    price = _price(events.refund, case)
    return (
        f"{rate_text(case.bearing.assumed.refund_rate)} of orders x ({price} - {plain(back, case.books)} returned)"
    )


def _disputes(case: Case) -> str:
    assumed, events = case.bearing.assumed, case.bearing.events
    lost = rate_text(1 - assumed.win_rate)
    parts = [
        _price(events.dispute, case),
        f"{lost} lost of {plain(case.amount * case.bearing.to_books, case.books)}",
    ]
    if events.dispute_returned_if_won:
        parts.append(f"less {rate_text(assumed.win_rate)} won of the fee")
    hour = plain(assumed.hour_cost, case.books)
    parts.append(f"{exact(assumed.dispute_minutes)} minutes at {hour} an hour")
    return f"{rate_text(assumed.dispute_rate)} of orders x ({'; '.join(parts)})"


def _failed(case: Case) -> str:
    price = _price(case.bearing.events.failed, case)
    return f"{rate_text(case.bearing.assumed.failure_rate)} of orders x {price}"


def _price(price: Fraction | None, case: Case) -> str:
    return "a fee that is not known" if price is None else plain(price, case.books)


def _refused(case: Case) -> str:
    assumed = case.bearing.assumed
    trips = plain(assumed.delivery_out + assumed.delivery_back, case.books)
    refused = f"{rate_text(assumed.refusal_rate)} refused x {trips} out and back"
    if not case.bearing.at_the_door:
        return refused
    fee = plain(assumed.collection_fee, case.books)
    return f"{refused}; {rate_text(1 - assumed.refusal_rate)} accepted x {fee} for collecting"


def _handling(case: Case) -> str:
    assumed = case.bearing.assumed
    return f"{exact(assumed.minutes)} minutes at {plain(assumed.hour_cost, case.books)} an hour"


def _waiting(case: Case) -> str:
    bearing = case.bearing
    amount = plain(case.amount * bearing.to_books, case.books)
    return f"{amount} x {rate_text(bearing.assumed.money_cost)} a year x {exact(bearing.days)} days / 365"


def _reserve(case: Case) -> str:
    bearing = case.bearing
    kept = plain(case.amount * bearing.to_books * bearing.reserve, case.books)
    return f"{kept} kept x {rate_text(bearing.assumed.money_cost)} a year x {bearing.reserve_days} days / 365"


def _software(case: Case) -> str:
    software = case.bearing.software
    return f"{rate_text(software.slope)} of the order + {plain(software.intercept, case.books)}"


FORMULAS: Mapping[CostPart, Callable[[Case], str]] = {
    CostPart.FEE: lambda _: "by its rate card, not rounded",
    CostPart.TAX: _tax,
    CostPart.MONTHLY: lambda case: (
        "unknown: the plan carries no orders of a month"
        if case.bearing.monthly_share is None
        else "the plan's month and shortfall over the orders it would carry"
    ),
    CostPart.REFUNDS: _refunds,
    CostPart.DISPUTES: _disputes,
    CostPart.FAILED: _failed,
    CostPart.REFUSED: _refused,
    CostPart.HANDLING: _handling,
    CostPart.WAITING: _waiting,
    CostPart.RESERVE: _reserve,
    CostPart.SOFTWARE: _software,
}
