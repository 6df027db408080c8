"""Parts of an order that are paid later than it is placed: the rest of a booking, and goods weighed at dispatch.

A booking is paid when it is made, by a deposit with the rest on the day, or all of it on the day. What is paid at once
is a share in percent, or an amount, and never more than the booking; a share is rounded up to the minor unit. Weighed
goods may come to `highest` where they usually come to less: that much is authorised, and what they came to is taken.

Source: own design; deposits and authorising the highest amount are common practice, no source.

>>> class NoTable:
...     days: list[date] = []
>>> rates, day = ReferenceRates(NoTable()), date(2026, 11, 27)
>>> Deposit(percent="30").of(Money(8599, "EUR"), day, rates)
Money(minor=2580, currency='EUR')
>>> Deposit(percent="0").of(Money(8599, "EUR"), day, rates)
Money(minor=0, currency='EUR')
>>> Deposit(amount="90.00 EUR").of(Money(8599, "EUR"), day, rates)
Money(minor=8599, currency='EUR')
>>> Deposit(percent="30", amount="20.00 EUR")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Deposit
  deposit-either [type=deposit-either, input_value={'percent': '30', 'amount': '20.00 EUR'}, input_type=dict]
"""

from datetime import date
from fractions import Fraction
from typing import Self

from pydantic import model_validator

from monedero.core.errors import FaultCode
from monedero.core.fields import MoneyPositive, Share, Strict, broken
from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.money import Money


class Deposit(Strict):
    """The part of a booking that is paid when it is made: a share in percent (0: all is paid on the day) or an amount.

    The rest is paid on the day.
    """

    percent: Share | None = None
    amount: MoneyPositive | None = None

    @model_validator(mode="after")
    def _either(self) -> Self:
        if (self.percent is None) is (self.amount is None):
            raise broken(FaultCode.DEPOSIT_EITHER)
        return self

    @property
    def nothing_now(self) -> bool:
        """True if nothing is paid when it is made: no way to pay is asked for."""
        return self.percent == 0

    def of(self, whole: Money, day: date, rates: ReferenceRates) -> Money:
        """The part of an order that is paid at once; all of it where an amount cannot be brought over to its
        currency.
        """
        if self.percent is not None:
            return Money.not_below(whole.exact * Fraction(self.percent) / 100, whole.currency)
        assert self.amount is not None  # one of the two is given
        try:
            amount = rates.convert(self.amount, whole.currency, day)
        except NoReferenceRate:
            return whole
        return min(whole, Money.not_below(amount, whole.currency), key=lambda money: money.minor)
