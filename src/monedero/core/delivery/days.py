"""The days on which an order can come by a way of delivery, or can be collected.

It is made ready in so many open days after the day of the order, and comes on an open day: the day on which it is
ready, or the first open one after it.

Source: own design.

>>> pier = Delivery(id="pier", name="Pier", kind="collection", preparation_days=1, ahead_days=4,
...     hours=[{"weekdays": ["FRI", "SAT"], "from": "17:00", "until": "19:00"}], closed_dates=["2026-11-28"])
>>> first_day(pier, date(2026, 11, 26)).isoformat()
'2026-11-27'
>>> [day.isoformat() for day in days_to_choose(pier, date(2026, 11, 27))]
['2026-12-04']
>>> days_to_choose(Delivery(id="post", name="Post"), date(2026, 11, 27))
[]
"""

from datetime import date, timedelta

from monedero.core.calendar import WEEKDAYS
from monedero.core.delivery.model import Delivery, Hours

DAY = timedelta(days=1)
LONGEST_CLOSED = 366 * 2
"""A way that is closed on every day for two years is taken not to come at all."""


def is_open(way: Delivery, day: date) -> bool:
    """True if it comes, or can be collected, on a day."""
    return WEEKDAYS[day.weekday()] in way.open_weekdays and day not in way.closed_dates


def next_open(way: Delivery, day: date) -> date:
    """The day itself, or the first open one after it; the day itself where none follows within two years."""
    later = (day + DAY * count for count in range(LONGEST_CLOSED))
    return next((found for found in later if is_open(way, found)), day)


def first_day(way: Delivery, placed_on: date) -> date:
    """The first day on which an order can come by it."""
    day = placed_on
    for _ in range(way.preparation_days):
        day = next_open(way, day + DAY)
    return next_open(way, day)


def days_to_choose(way: Delivery, placed_on: date) -> list[date]:
    """The days that its buyer may choose from, the first always among them; none where the buyer does not choose."""
    if way.ahead_days is None:
        return []
    first, last = first_day(way, placed_on), placed_on + DAY * way.ahead_days
    between = (first + DAY * count for count in range((last - first).days + 1))
    return [day for day in between if is_open(way, day)] or [first]


def hours_on(way: Delivery, day: date) -> list[Hours]:
    """Its hours on a day."""
    return [hours for hours in way.hours if WEEKDAYS[day.weekday()] in hours.weekdays]
