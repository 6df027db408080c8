"""Reference rates against the ECB's own table.

Source: ECB, euro foreign exchange reference rates, `eurofxref-hist.csv`; figures published on the days named.
"""

import csv
import io
import zipfile
from datetime import date
from fractions import Fraction
from importlib.resources import files

import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.fx import NoReferenceRate, RateOrigin, ReferenceRates
from monedero.core.money import Money
from monedero.figures import reference_rates

TABLE = reference_rates.bundled()


@pytest.mark.parametrize(
    ("day", "currency", "per_euro"),
    [
        ("1999-01-04", "USD", "1.1789"),
        ("1999-01-04", "JPY", "133.73"),
        ("2020-03-16", "GBP", "0.90918"),
        ("2020-03-16", "TRY", "7.1568"),
        ("2024-01-02", "USD", "1.0956"),
        ("2024-12-31", "CHF", "0.9412"),
        ("2024-12-31", "PLN", "4.275"),
        ("2026-10-30", "USD", "1.1172"),
        ("2026-10-30", "CZK", "24.353"),
    ],
)
def test_published_rates(rates: ReferenceRates, day: str, currency: str, per_euro: str) -> None:
    found = rates.find("EUR", currency, date.fromisoformat(day))
    assert (found.value, found.origin) == (Fraction(per_euro), RateOrigin.PUBLISHED)


def test_the_table_reaches_from_its_first_to_its_last_day() -> None:
    assert (TABLE.days[0], TABLE.days[-1], len(TABLE.days)) == (date(1999, 1, 4), date(2026, 10, 30), 7126)


def test_every_cell_agrees_with_an_independent_reading() -> None:
    packed = files("currency_converter").joinpath("eurofxref-hist.zip").read_bytes()
    text = zipfile.ZipFile(io.BytesIO(packed)).read("eurofxref-hist.csv").decode()
    rows = {row["Date"]: row for row in csv.DictReader(io.StringIO(text))}
    for index in range(0, len(TABLE.days), 97):
        row = rows[TABLE.days[index].isoformat()]
        for currency in ("USD", "GBP", "CYP", "BGN", "ISK", "RUB"):
            published = None if row[currency] in ("N/A", "") else Fraction(row[currency])
            assert TABLE.per_euro(index, currency) == published


@pytest.mark.parametrize(("quote", "rounded"), [("GBP", "79.81 GBP"), ("JPY", "15695 JPY")])
def test_crossing_through_the_euro(rates: ReferenceRates, quote: str, rounded: str) -> None:
    exact = rates.convert(Money.parse("100.00 USD"), quote, date(2024, 12, 31))
    assert str(Money.rounded(exact, quote)) == rounded


@pytest.mark.parametrize(
    ("day", "used"),
    [("2026-04-03", "2026-04-02"), ("2026-04-06", "2026-04-02"), ("2026-04-07", "2026-04-07")],
)
def test_a_closing_day_uses_the_last_rate_before_it(rates: ReferenceRates, day: str, used: str) -> None:
    assert rates.find("EUR", "USD", date.fromisoformat(day)).day == date.fromisoformat(used)


def test_after_the_last_day_its_rate_holds_and_says_so(rates: ReferenceRates) -> None:
    found = rates.find("USD", "EUR", date(2027, 3, 1))
    assert (found.day, found.origin) == (date(2026, 10, 30), RateOrigin.LAST_OF_TABLE)


@pytest.mark.parametrize(
    ("currency", "day"),
    [
        ("KWD", "2026-01-05"),  # never published
        ("USD", "1998-12-31"),  # before the table
        ("BGN", "2026-01-11"),  # ended on 2025-12-31, eleven days before
        ("BGN", "2027-01-01"),  # not on the last day of the table
        ("HRK", "2024-06-03"),  # ended years before
    ],
)
def test_no_rate_is_invented(rates: ReferenceRates, currency: str, day: str) -> None:
    with pytest.raises(NoReferenceRate) as missing:
        rates.find(currency, "EUR", date.fromisoformat(day))
    assert (missing.value.currency, missing.value.day.isoformat()) == (currency, day)


def test_ten_days_old_is_the_oldest(rates: ReferenceRates) -> None:
    assert rates.find("BGN", "EUR", date(2026, 1, 10)).day == date(2025, 12, 31)


def test_a_typed_rate_goes_before_the_published_one_and_is_marked() -> None:
    typed = ReferenceRates(TABLE, {"USD": Fraction("1.25"), "KWD": Fraction("0.35")})
    found = typed.find("EUR", "USD", date(2024, 1, 2))
    assert (found.value, found.origin) == (Fraction("1.25"), RateOrigin.TYPED)
    assert typed.find("KWD", "GBP", date(2024, 1, 2)).origin is RateOrigin.TYPED


@given(st.sampled_from(["USD", "GBP", "JPY", "SEK", "EUR"]), st.sampled_from(["USD", "CHF", "EUR"]))
def test_there_and_back_is_one(base: str, quote: str) -> None:
    rates, day = ReferenceRates(TABLE), date(2024, 12, 31)
    assert rates.find(base, quote, day).value * rates.find(quote, base, day).value == 1
