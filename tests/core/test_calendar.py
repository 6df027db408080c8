"""Business days, payouts and clipped months against published calendars."""

from datetime import date, timedelta
from fractions import Fraction

import pytest
import QuantLib

from monedero.core.calendar import add_business_days, is_business_day, mean_days, months_after, next_payout
from monedero.core.cost.arrival import arrives
from monedero.core.ratecard.model import Settlement
from monedero.figures import reference_rates

TARGET = QuantLib.TARGET()


def quant(day: date) -> QuantLib.Date:
    return QuantLib.Date(day.day, day.month, day.year)


def test_target_days_are_those_of_the_reference_library() -> None:
    """QuantLib's TARGET calendar, every day from 1999 to 2030."""
    day = date(1999, 1, 1)
    while day.year < 2031:
        assert is_business_day(day, "TARGET") == TARGET.isBusinessDay(quant(day)), day
        day += timedelta(days=1)


def test_the_ecb_publishes_rates_on_target_days() -> None:
    """The days in the ECB's own file of reference rates."""
    published = set(reference_rates.bundled().days)
    day, last = min(published), max(published)
    while day <= last:
        assert (day in published) == is_business_day(day, "TARGET"), day
        day += timedelta(days=1)


# ECB, long-term calendar of TARGET closing days; each confirmed by QuantLib's TARGET calendar below.
STEPS = [
    ("2026-04-01", 1, "2026-04-02"),
    ("2026-04-02", 1, "2026-04-07"),
    ("2026-04-02", 2, "2026-04-08"),
    ("2026-04-03", 1, "2026-04-07"),
    ("2026-03-30", 5, "2026-04-08"),
    ("2026-04-30", 1, "2026-05-04"),
    ("2026-04-30", 2, "2026-05-05"),
    ("2026-05-13", 1, "2026-05-14"),
    ("2026-05-14", 1, "2026-05-15"),
    ("2026-12-23", 2, "2026-12-28"),
    ("2026-12-24", 1, "2026-12-28"),
    ("2026-12-21", 5, "2026-12-29"),
    ("2026-12-31", 1, "2027-01-04"),
    ("2027-03-25", 1, "2027-03-30"),
    ("2027-03-25", 2, "2027-03-31"),
    ("2027-04-30", 1, "2027-05-03"),
    ("2027-12-24", 1, "2027-12-27"),
]


@pytest.mark.parametrize(("start", "days", "end"), STEPS)
def test_business_days_after(start: str, days: int, end: str) -> None:
    began, expected = date.fromisoformat(start), date.fromisoformat(end)
    assert add_business_days(began, days, "TARGET") == expected
    assert TARGET.advance(quant(began), QuantLib.Period(days, QuantLib.Days)) == quant(expected)


def test_a_countrys_bank_holidays_are_its_own() -> None:
    """10 June is Portugal Day (Decree-Law 39-B/78); TARGET is open."""
    assert not is_business_day(date(2026, 6, 10), "PT")
    assert is_business_day(date(2026, 6, 10), "TARGET")


def test_months_are_clipped() -> None:
    """SEPA core scheme (EPC016-06): 13 months after 31 January is the last of February."""
    assert months_after(date(2026, 1, 31), 13) == date(2027, 2, 28)
    assert months_after(date(2027, 1, 31), 13) == date(2028, 2, 29)
    assert months_after(date(2026, 11, 24), 1) == date(2026, 12, 24)


@pytest.mark.parametrize(
    ("payout", "ready", "paid"),
    [
        ("daily", "2026-04-03", "2026-04-07"),
        ("weekly:FRI", "2026-04-03", "2026-04-07"),
        ("weekly:THU", "2026-11-24", "2026-11-26"),
        ("monthly:1", "2026-12-02", "2027-01-04"),
        ("monthly:28", "2026-11-24", "2026-11-30"),
        ("monthly:28", "2026-11-29", "2026-12-28"),
    ],
)
def test_the_next_payout(payout: str, ready: str, paid: str) -> None:
    assert next_payout(date.fromisoformat(ready), payout, "TARGET") == date.fromisoformat(paid)


def test_the_mean_is_over_the_seven_weekdays() -> None:
    """By hand: placed Monday to Sunday, ready after two business days and paid daily: 2 2 2 4 4 3 2 days."""
    assert mean_days(2, "daily") == Fraction(19, 7)
    # Ready the same business day, paid on Mondays: 0 6 5 4 3 2 1 days, Saturday and Sunday ready on Monday.
    assert mean_days(0, "weekly:MON") == Fraction(0 + 6 + 5 + 4 + 3 + 2 + 1, 7)
    assert mean_days(0, "monthly:1") == mean_days(0, "daily") + Fraction(353, 24)


def test_money_of_a_new_account_comes_with_its_first_payout() -> None:
    rule = Settlement(business_days=1, calendar="TARGET", payout="daily")
    assert arrives(date(2026, 12, 24), rule) == date(2026, 12, 28)
    assert arrives(date(2026, 12, 24), rule, first_payout_days=7) == date(2026, 12, 31)
