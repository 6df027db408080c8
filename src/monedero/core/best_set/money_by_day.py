"""Money in the account, day by day: the takings of a month as they arrive, less fees, reserves and charges.

A month's orders are spread evenly over its days. What a provider pays out is what was taken less its fees; a reserve
comes so many days after the payout. The plans' charges are paid on the month's last day.

Source: own design; *common practice, no source*: fees are kept back from payouts, charges are taken at the end.

>>> at_once = Arriving(Fraction(310), Fraction(31), lambda day: day)
>>> days = money_by_day([at_once], date(2026, 1, 1), Fraction(9))
>>> [str(days[date(2026, 1, number)]) for number in (1, 2, 31)]
['9', '18', '270']
>>> half_on(days)
datetime.date(2026, 1, 15)
"""

from calendar import monthrange
from collections.abc import Callable, Mapping, Sequence
from datetime import date, timedelta
from fractions import Fraction
from typing import NamedTuple

from monedero.core.columns.level import ZERO


class Arriving(NamedTuple):
    """The takings of a way in a month and its fees, when the money of a day's orders arrives, and the reserve.

    `reserve` is the share that is held back, for so many days.
    """

    amount: Fraction
    fees: Fraction
    arrives: Callable[[date], date]
    reserve: Fraction = ZERO
    reserve_days: int = 0


def money_by_day(ways: Sequence[Arriving], first: date, charges: Fraction) -> dict[date, Fraction]:
    """All that has arrived by each day, from the first of a month on until the last of it is there."""
    days = monthrange(first.year, first.month)[1]
    month = [first + timedelta(days=number) for number in range(days)]
    moves: dict[date, Fraction] = {month[-1]: -charges}
    for way in ways:
        kept = way.reserve * way.amount / days
        paid = (way.amount - way.fees) / days - kept
        for day in month:
            there = way.arrives(day)
            moves[there] = moves.get(there, ZERO) + paid
            if kept:
                later = there + timedelta(days=way.reserve_days)
                moves[later] = moves.get(later, ZERO) + kept
    found, so_far, day = {}, ZERO, first
    while day <= max(moves):
        so_far += moves.get(day, ZERO)
        found[day] = so_far
        day += timedelta(days=1)
    return found


def half_on(by_day: Mapping[date, Fraction]) -> date:
    """The first day on which half of what is there in the end has arrived."""
    whole = by_day[max(by_day)]
    return next(day for day, amount in by_day.items() if 2 * amount >= whole)
