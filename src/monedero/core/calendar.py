"""Business days by calendar, the wait for a payout, and dates whose months are clipped.

TARGET is the calendar of the euro's settlement system; any other calendar is a country's bank holidays. Saturdays
and Sundays are never business days. No business days from a closed day means the next open one.

Source: ECB closing days of TARGET and national holidays (package `holidays`); payouts and the clipping of months
are an *own design*.

>>> add_business_days(date(2026, 4, 2), 1, "TARGET")
datetime.date(2026, 4, 7)
>>> months_after(date(2026, 1, 31), 13)
datetime.date(2027, 2, 28)
>>> add_business_days(date(2026, 4, 2), -1, "TARGET")
Traceback (most recent call last):
...
ValueError: business days are counted forward, not -1
"""

from calendar import monthrange
from datetime import date, timedelta
from fractions import Fraction
from functools import lru_cache

import holidays

TARGET = "TARGET"
DAY = timedelta(days=1)
WEEKDAYS = ("MON", "TUE", "WED", "THU", "FRI", "SAT", "SUN")
MEAN_MONTH = Fraction(365, 12)
# A Monday; the week that begins with it has no holiday, since means are asked of a calendar without any.
ANY_MONDAY = date(2026, 1, 5)


@lru_cache(maxsize=64)
def _closings(calendar: str) -> holidays.HolidayBase:
    """The closing days of a calendar."""
    return holidays.financial_holidays("XECB") if calendar == TARGET else holidays.country_holidays(calendar)


@lru_cache(maxsize=65536)
def is_business_day(day: date, calendar: str | None) -> bool:
    """True if the calendar is open on a day; with no calendar every weekday is a business day."""
    return day.weekday() < 5 and (calendar is None or day not in _closings(calendar))


def next_business_day(day: date, calendar: str | None) -> date:
    """The day itself, or the first open one after it."""
    while not is_business_day(day, calendar):
        day += DAY
    return day


def add_business_days(day: date, count: int, calendar: str | None) -> date:
    """So many business days later; none from a closed day is the next open one."""
    if count < 0:
        raise ValueError(f"business days are counted forward, not {count}")
    if count == 0:
        return next_business_day(day, calendar)
    for _ in range(count):
        day = next_business_day(day + DAY, calendar)
    return day


def months_after(day: date, months: int) -> date:
    """The same day so many months later, or the last day of a month that is shorter."""
    years, month = divmod(day.month - 1 + months, 12)
    year = day.year + years
    return date(year, month + 1, min(day.day, monthrange(year, month + 1)[1]))


def next_payout(day: date, payout: str, calendar: str | None) -> date:
    """The first payout on or after a day; one that falls on a closed day comes on the next open one.

    >>> next_payout(date(2026, 11, 24), "weekly:MON", "TARGET")
    datetime.date(2026, 11, 30)
    """
    kind, _, which = payout.partition(":")
    if kind == "weekly":
        day += (WEEKDAYS.index(which) - day.weekday()) % 7 * DAY
    elif kind == "monthly":
        day = (
            day.replace(day=int(which)) if day.day <= int(which) else months_after(day.replace(day=int(which)), 1)
        )
    return next_business_day(day, calendar)


@lru_cache(maxsize=1024)
def mean_days(business_days: int, payout: str) -> Fraction:
    """Days from an order to its money, as the exact mean over the seven weekdays of a week without holidays.

    A monthly payout comes every 365/12 days, so that its mean wait is half of that less a day.

    >>> mean_days(2, "daily")
    Fraction(19, 7)
    """
    total = 0
    for weekday in range(7):
        placed = ANY_MONDAY + weekday * DAY
        ready = add_business_days(placed, business_days, None)
        weekly = payout if payout.startswith("weekly") else "daily"
        total += (next_payout(ready, weekly, None) - placed).days
    mean = Fraction(total, 7)
    return mean + (MEAN_MONTH - 1) / 2 if payout.startswith("monthly") else mean
