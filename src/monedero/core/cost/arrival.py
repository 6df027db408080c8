"""When the money of an order arrives: its business days, then the wait for the next payout.

Cash is there on the day on which it is handed over, a weekend included. A new account may have its first payout later
than that; what a reserve holds back comes so many days after the payout.

Source: own design; calendars as in `monedero.core.calendar`.

>>> rule = Settlement(business_days=2, calendar="TARGET", payout="weekly:MON")
>>> arrives(date(2026, 11, 24), rule)
datetime.date(2026, 11, 30)
>>> arrives(date(2026, 11, 24), rule, first_payout_days=14)
datetime.date(2026, 12, 14)
>>> settlement_of([], "card") is None
True
"""

from collections.abc import Iterable
from datetime import date, timedelta

from monedero.core.calendar import TARGET, add_business_days, next_business_day, next_payout
from monedero.core.method import Family, Method
from monedero.core.ratecard.model import Event, Settlement


def settlement_of(settlement: Iterable[Settlement], method: str) -> Settlement | None:
    """The first entry that names the method, or names none."""
    return next((entry for entry in settlement if entry.methods is None or method in entry.methods), None)


def event_of(events: Iterable[Event], method: str) -> Event | None:
    """The first entry that names the method, or names none; without one its events are unknown."""
    return next((entry for entry in events if entry.methods is None or method in entry.methods), None)


def taken_on(day: date, method: Method) -> date:
    """The day on which the money of an order is taken from the buyer: after the notice that comes before a collection.

    >>> debit = Method(id="debit", name="Debit", family="bank-debit", buyer="Pays.", recurring=True, notice_days=14)
    >>> taken_on(date(2026, 12, 11), debit)
    datetime.date(2026, 12, 28)
    """
    return next_business_day(day + timedelta(days=method.notice_days), TARGET) if method.notice_days else day


def handed_over(rule: Settlement, method: Method) -> bool:
    """True if the money is there as soon as the buyer hands it over.

    >>> cash = Method(id="cash", name="Cash", family="cash", buyer="Pays.", recurring=False)
    >>> handed_over(Settlement(business_days=0, calendar="TARGET", payout="daily"), cash)
    True
    """
    return method.family is Family.CASH and rule.business_days == 0


def arrives(day: date, rule: Settlement, first_payout_days: int = 0) -> date:
    """The day on which the money of an order of a day arrives; `first_payout_days` delays a new account's first."""
    ready = add_business_days(day, rule.business_days, rule.calendar)
    ready = max(ready, day + timedelta(days=first_payout_days))
    return next_payout(ready, rule.payout, rule.calendar)
