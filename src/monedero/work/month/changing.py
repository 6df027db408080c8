"""Tells what changing to a set of ways takes: accounts to be opened and left, days, fees, saved details."""

from calendar import monthrange
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from fractions import Fraction
from typing import NamedTuple

from monedero.core.account import Account
from monedero.core.best_set.demand import Demand
from monedero.core.best_set.month import SetMonth
from monedero.core.columns.level import ZERO
from monedero.core.money import Money
from monedero.core.ratecard.terms import Terms
from monedero.work.prices.inputs import UNDER_WAY, CompareInputs
from monedero.work.prices.other_costs import in_books


class Opened(NamedTuple):
    """A provider with which an account is to be opened, the days that its review usually takes, and its set-up fee."""

    provider: str
    days: int | None
    set_up: Money | None


class Left(NamedTuple):
    """An account that the set does not need, the day on which it can end at the earliest, and its exit fee.

    What the owner told of the contract goes before what the rate card says.
    """

    account: Account
    ends: date
    exit_fee: Money | None


@dataclass(frozen=True)
class Changing:
    """A change to another set: `days` until the last account is usually there, `fees` in the shop's currency.

    Fees are None where one has no reference rate.
    """

    opened: Sequence[Opened]
    left: Sequence[Left]
    days: int
    fees: Fraction | None

    @property
    def saved_details(self) -> int:
        """How many buyers' details lie in the accounts that are left."""
        return sum(entry.account.saved_details or 0 for entry in self.left)


def changing(inputs: CompareInputs, demand: Demand, best: SetMonth, day: date) -> Changing:
    """The accounts, days and fees of a change to a set that is begun on a day."""
    cards = {pricer.card.provider.id: pricer.card for pricer in inputs.catalogue.in_force(day)}
    terms = {provider: card.terms or Terms() for provider, card in cards.items()}
    needed = {demand.plans[name].plan.provider for name in best.chosen.plans}
    held = {name: account for name, account in inputs.accounts.items() if account.stage in UNDER_WAY}
    opened = [
        Opened(name, _days(inputs, name), terms.get(name, Terms()).set_up) for name in sorted(needed - held.keys())
    ]
    left = [
        _left(account, terms.get(name, Terms()), day)
        for name, account in sorted(held.items())
        if name not in needed
    ]
    charged = [*(entry.set_up for entry in opened), *(entry.exit_fee for entry in left)]
    fees = [in_books(inputs, fee, day) for fee in charged if fee is not None]
    known = [fee for fee in fees if fee is not None]
    return Changing(
        opened=opened,
        left=left,
        days=max((entry.days or 0 for entry in opened), default=0),
        fees=sum(known, ZERO) if len(known) == len(fees) else None,
    )


def _days(inputs: CompareInputs, provider: str) -> int | None:
    facts = inputs.providers.get(provider)
    return facts.review_days if facts else None


def _left(account: Account, terms: Terms, day: date) -> Left:
    """An account with the first day on which its contract can end: after its notice, and not before it has run."""
    told = account.leaving
    notice = terms.notice_days if told.notice_days is None else told.notice_days
    ends = day + timedelta(days=notice or 0)
    runs_until = told.runs_until
    if runs_until is None and account.since is not None and terms.shortest_term_months:
        runs_until = months_later(account.since, terms.shortest_term_months)
    return Left(account, max(ends, runs_until or ends), terms.exit_fee if told.exit_fee is None else told.exit_fee)


def months_later(day: date, months: int) -> date:
    """The same day of a later month, or that month's last day where it has none.

    >>> months_later(date(2026, 8, 31), 6)
    datetime.date(2027, 2, 28)
    """
    year, month = divmod(day.month - 1 + months, 12)
    year, month = day.year + year, month + 1
    return date(year, month, min(day.day, monthrange(year, month)[1]))
