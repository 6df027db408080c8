"""The books of one payment: what was authorised, taken and given back, in minor units of one currency.

Every amount is nothing or more, and they never disagree: what was taken and released lies within what was
authorised, and that within what was ordered; what was refunded, is disputed, was lost or was returned lies within
what was taken. Shop credit is a promise and not money, so that it is bounded by what was taken alone. The fees that
the provider charged stand beside, in the currency in which it charges.

Source: own design.

>>> books = Books(currency="EUR", ordered=8500).with_(authorised=8500, taken=8500, refunded=2000)
>>> books.kept
6500
>>> books.with_(refunded=9000)
Traceback (most recent call last):
...
monedero.core.errors.Conflict: books-disagree refunded='90.00 EUR'
"""

from typing import Annotated, Self

from pydantic import Field, StrictInt

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.fields import CurrencyCode, MoneyText, Strict
from monedero.core.money import Money

Minor = Annotated[StrictInt, Field(ge=0)]


PARTS_OF_BOOKS = (
    *("ordered", "authorised", "taken", "open", "released", "refunded", "credited"),
    *("disputed", "lost", "returned", "kept"),
)
"""The amounts of the books, by their names."""


class Books(Strict):
    """The amounts of one payment, in minor units; `fees` is what the provider charged for it so far."""

    currency: CurrencyCode
    ordered: Minor
    authorised: Minor = 0
    taken: Minor = 0
    released: Minor = 0
    refunded: Minor = 0
    credited: Minor = 0
    disputed: Minor = 0
    lost: Minor = 0
    returned: Minor = 0
    fees: list[MoneyText] = []

    @property
    def open(self) -> int:
        """The amount that was authorised and is neither taken nor released."""
        return self.authorised - self.taken - self.released

    @property
    def kept(self) -> int:
        """The buyer's money that the shop has, fees aside."""
        return self.taken - self.refunded - self.disputed - self.lost - self.returned

    @property
    def can_give_back(self) -> int:
        """The amount that may still be refunded, or given as shop credit."""
        return max(0, min(self.kept, self.kept - self.credited))

    def with_(self, **amounts: int) -> Self:
        """The books with some amounts changed; amounts that would disagree are refused by name."""
        after = self.model_copy(update=amounts)
        for name, minor in amounts.items():
            if minor < 0 or after.disagree:
                raise Conflict(Fault(FaultCode.BOOKS_DISAGREE, name, str(Money(minor, self.currency))))
        return after

    @property
    def disagree(self) -> bool:
        """True if some amount lies beyond what bounds it."""
        return self.authorised > self.ordered or self.credited > self.taken or self.open < 0 or self.kept < 0

    def charged(self, fee: Money | None, given_back: Money | None = None) -> Self:
        """The books with one more fee, or with one given back; fees of one currency are added up."""
        fees = {fee.currency: fee.minor for fee in self.fees}
        for change, sign in ((fee, 1), (given_back, -1)):
            if change is not None:
                fees[change.currency] = fees.get(change.currency, 0) + sign * change.minor
        if any(minor < 0 for minor in fees.values()):
            raise Conflict(Fault(FaultCode.BOOKS_DISAGREE, "fee_given_back", str(given_back)))
        return self.model_copy(update={"fees": [Money(minor, currency) for currency, minor in fees.items()]})

    def money(self, minor: int) -> Money:
        """An amount of these books as money."""
        return Money(minor, self.currency)
