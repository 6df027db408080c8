"""Tells what vouchers pay of an order, and how what is given back goes to where each part came from.

A voucher pays as much as there is on it, up to what is left to pay; the other tenders meet the rest. What is given back
is split by what each part still holds, to the minor unit, so that giving all of it back makes every part whole.

Source: own design; shares by largest remainders.

>>> parts = [VoucherPart(voucher="a", ends_in="R38E", amount="20.00 EUR"),
...          VoucherPart(voucher="b", ends_in="7K2M", amount="10.00 EUR", returned="10.00 EUR")]
>>> shares_back(Money(4250, "EUR"), [6500, *(part.held for part in parts)])
[3250, 1000, 0]
>>> given_up = parts[0].came_back(500, Back.LAPSED)
>>> parts[1].paid, given_up.paid, given_up.taken_again(500) == parts[0]
(1000, 1500, True)
"""

from collections.abc import Sequence
from datetime import timedelta
from enum import StrEnum
from fractions import Fraction
from typing import Self

from pydantic import StrictBool

from monedero.core.fields import Identifier, MoneyPositive, MoneyText, Name, Strict
from monedero.core.money import Money, split

KEPT_FOR_ANOTHER_TRY = timedelta(days=1)
"""How long the vouchers of an order whose payment failed are kept for another try. Own design."""


class Back(StrEnum):
    """Why money goes back to a voucher: a refund, an order that was given up, or goods that came to less."""

    REFUNDED = "refunded"
    LAPSED = "lapsed"
    CAME_TO_LESS = "came-to-less"


class VoucherPart(Strict):
    """Holds what one voucher pays of an order, and what of that went back to it.

    `less` is what the order did not need, because its goods came to less than the most that they could. What went back
    because the order was given up is `waiting`: it is taken again if the order is paid after all.
    """

    voucher: Identifier
    ends_in: Name
    amount: MoneyPositive
    returned: MoneyText | None = None
    less: MoneyText | None = None
    waiting: StrictBool = False

    @property
    def back(self) -> int:
        """The amount that went back to it after it had paid, in minor units."""
        return self.returned.minor if self.returned else 0

    @property
    def held(self) -> int:
        """The amount that the order still holds of it, in minor units."""
        return self.amount.minor - self.back - (self.less.minor if self.less else 0)

    @property
    def paid(self) -> int:
        """The amount that it paid of the order, in minor units, whether or not that was refunded later."""
        return self.held + (0 if self.waiting else self.back)

    @property
    def lacks(self) -> int:
        """The amount it does not pay because it went back when the order was given up, in minor units."""
        return self.back if self.waiting else 0

    def came_back(self, minor: int, why: Back) -> Self:
        """The part after some minor units of it went back to the voucher."""
        if why is Back.CAME_TO_LESS:
            before = self.less.minor if self.less else 0
            return self.model_copy(update={"less": Money(before + minor, self.amount.currency)})
        more = Money(self.back + minor, self.amount.currency)
        return self.model_copy(update={"returned": more, "waiting": why is Back.LAPSED})

    def taken_again(self, minor: int) -> Self:
        """The part after some minor units that had gone back were taken from the voucher again."""
        rest = self.back - minor
        returned = Money(rest, self.amount.currency) if rest else None
        return self.model_copy(update={"returned": returned, "waiting": bool(rest)})


def covered(parts: Sequence[VoucherPart]) -> int:
    """Tells what vouchers pay and did not get back, in minor units."""
    return sum(part.held for part in parts)


def shares_back(amount: Money, held: Sequence[int]) -> list[int]:
    """An amount that is given back, by what is held of each payment and voucher; at most as much as is held.

    What is held, and the shares, are in minor units.
    """
    whole = sum(held)
    return (
        split([Fraction(amount.minor * part, whole) for part in held], amount.minor) if whole else [0] * len(held)
    )
