"""What vouchers pay of an order, and how what is given back goes to where each part came from.

A voucher pays as much as there is on it, up to what is left to pay; the other tenders meet the rest. What is given back
is split by what each part still holds, to the minor unit, so that giving all of it back makes every part whole.

Source: own design; shares by largest remainders.

>>> parts = [VoucherPart(voucher="a", ends_in="R38E", amount="20.00 EUR"),
...          VoucherPart(voucher="b", ends_in="7K2M", amount="10.00 EUR", returned="10.00 EUR")]
>>> shares_back(Money(4250, "EUR"), [6500, *(part.held for part in parts)])
[3250, 1000, 0]
"""

from collections.abc import Sequence
from fractions import Fraction

from monedero.core.fields import Identifier, MoneyPositive, MoneyText, Name, Strict
from monedero.core.money import Money, split


class VoucherPart(Strict):
    """What one voucher pays of an order, and what of that came back to it."""

    voucher: Identifier
    ends_in: Name
    amount: MoneyPositive
    returned: MoneyText | None = None

    @property
    def held(self) -> int:
        """What the order still holds of it, in minor units."""
        return self.amount.minor - (self.returned.minor if self.returned else 0)


def covered(parts: Sequence[VoucherPart]) -> int:
    """What vouchers pay and did not get back, in minor units."""
    return sum(part.held for part in parts)


def shares_back(amount: Money, held: Sequence[int]) -> list[int]:
    """An amount that is given back, by what is held of each payment and voucher; at most as much as is held.

    What is held, and the shares, are in minor units.
    """
    whole = sum(held)
    return (
        split([Fraction(amount.minor * part, whole) for part in held], amount.minor) if whole else [0] * len(held)
    )
