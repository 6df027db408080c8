"""Cash is paid in the coins that there are: an amount is rounded to the cash step of its currency, halves up.

Source: CLDR supplemental data on currencies, cash digits and cash rounding (package `babel`); minor units by ISO 4217.

>>> [cash_step(currency) for currency in ("EUR", "CHF", "DKK", "SEK", "JPY")]
[1, 5, 50, 100, 1]
>>> in_coins(Money(1233, "CHF")), in_coins(Money(1225, "DKK")), in_coins(Money(-1225, "DKK"))
(Money(minor=1235, currency='CHF'), Money(minor=1250, currency='DKK'), Money(minor=-1250, currency='DKK'))
>>> cash_step("ABC")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: currency-unknown ='ABC'
"""

from functools import lru_cache

from babel.core import get_global

from monedero.core.money import Money, minor_digits, round_half_up


@lru_cache(maxsize=512)
def cash_step(currency: str) -> int:
    """The least amount of a currency that can be paid in cash, in its minor units."""
    digits = minor_digits(currency)
    data = get_global("currency_fractions")
    _, _, cash_digits, rounding = data.get(currency, data["DEFAULT"])
    # CLDR counts in units of the digits that cash has, which may be fewer than ISO 4217 gives the currency.
    return int((rounding or 1) * 10 ** max(digits - cash_digits, 0))


def in_coins(amount: Money) -> Money:
    """An amount as it is paid in cash."""
    step = cash_step(amount.currency)
    return Money(round_half_up(amount.minor, step) * step, amount.currency)
