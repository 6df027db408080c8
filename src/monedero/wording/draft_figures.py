"""Tells what limits and buyer fees of a draft come to, in words.

Source: own design.

>>> from fractions import Fraction
>>> limit_text(LimitCost(Fraction(5), Fraction(-3), Fraction(0), Fraction(0)), "EUR")
'saves 3.00 EUR a month'
>>> limit_text(LimitCost(Fraction(5), Fraction(12), Fraction(2), Fraction(0)), "EUR")
'loses 2 orders a month, costs 12.00 EUR a month'
>>> over_text([Amounts(Fraction(0), Fraction(490, 51))], "EUR")
'takes more than it costs below 9.61 EUR'
>>> [over_text([Amounts(Fraction(50), None, after)], "EUR") for after in (False, True)]
['takes more than it costs from 50.00 EUR on', 'takes more than it costs from 50.01 EUR on']
>>> over_text([], "EUR")
'never takes more than it costs'
"""

from collections.abc import Sequence
from fractions import Fraction

from monedero.core.best_set.month import MonthMove
from monedero.core.checkout.limit_cost import LimitCost, Moved
from monedero.core.cost.buyer_fee import Amounts
from monedero.core.money import Money
from monedero.core.numbers import decimal_text
from monedero.wording.catalogue import say
from monedero.wording.show import exact, listed, money


def limit_text(cost: LimitCost, books: str) -> str:
    """Tells what a limit does over a month: costs, saves, loses orders; in the shop's currency."""
    rounded = Money.rounded(cost.cost, books)
    told = []
    if cost.lost:
        told.append(say("limit-lost", orders=_orders(cost.lost), one=_one(cost.lost)))
    if cost.orders > cost.unknown:
        name = "limit-saves" if rounded.minor < 0 else "limit-costs" if rounded.minor else "limit-even"
        told.append(say(name, amount=money(str(Money(abs(rounded.minor), books)))))
    if cost.unknown:
        told.append(say("limit-unknown", orders=_orders(cost.unknown), one=_one(cost.unknown)))
    return listed(told)


def month_move_text(move: MonthMove, books: str) -> str:
    """Tells what a change does to a month: what it leaves more or less (costs, where no margin is known), and who is
    lost.

    >>> month_move_text(MonthMove(Fraction(-12), Fraction(3), Fraction(0)), "EUR")
    'leaves 12.00 EUR less a month, loses 3 orders more'
    >>> month_move_text(MonthMove(None, Fraction(0), Fraction(0)), "EUR")
    'changes nothing in a month'
    """
    told = []
    worse = move.cost if move.left is None else -move.left
    rounded = Money.rounded(worse, books)
    if rounded.minor:
        kind = "cost" if move.left is None else "left"
        name = f"month-{kind}-{'more' if (rounded.minor > 0) == (kind == 'cost') else 'less'}"
        told.append(say(name, amount=money(str(Money(abs(rounded.minor), books)))))
    if move.lost:
        name = "month-loses-more" if move.lost > 0 else "month-loses-fewer"
        told.append(say(name, orders=_orders(abs(move.lost)), one=_one(abs(move.lost))))
    return listed(told) if told else say("month-same")


def moved_text(name: str, moved: Moved) -> str:
    """Tells what a change does to a tender over a month."""
    told = []
    if moved.gained:
        told.append(say("moved-gained", orders=exact(moved.gained, 2), one=_one(moved.gained)))
    if moved.lost:
        told.append(say("moved-lost", orders=exact(moved.lost, 2), one=_one(moved.lost)))
    return say("moved", name=name, told=listed(told))


def _one(orders: Fraction) -> str:
    return "yes" if _orders(orders) == "1" else "no"


def _orders(orders: Fraction) -> str:
    return decimal_text(orders, 1)


def over_text(over: Sequence[Amounts], currency: str) -> str:
    """At which amounts a buyer fee takes more than the provider's fee; the ends are the first and last such amounts."""
    if not over:
        return say("over-never")
    return say("over", amounts=listed(_amounts(stretch, currency) for stretch in over))


def _amounts(stretch: Amounts, currency: str) -> str:
    first = Money.not_below(stretch.from_, currency)
    if first.minor == 0 or (stretch.after and first.exact == stretch.from_):
        first = Money(first.minor + 1, currency)
    start = money(str(first))
    if stretch.below is None:
        return say("over-always") if first.minor == 1 else say("over-from", amount=start)
    below = money(str(Money.not_below(stretch.below, currency)))
    return say("over-below", amount=below) if first.minor == 1 else say("over-between", amount=start, below=below)
