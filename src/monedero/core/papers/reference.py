"""The reference of a payment and the number of a counter voucher, both made from the order and checked by their digits.

A reference carries the number of the order and of the try to pay it, so that two tries are told apart. A buyer who
mistypes a digit of either is noticed by whoever reads it.

Source: ISO 11649 (package `stdnum`), check digits by ISO/IEC 7064 MOD 97-10; Luhn check of ISO/IEC 7812-1 Annex B.

>>> reference("539007547034"), reference("ORDER2026000123")
('RF18539007547034', 'RF07ORDER2026000123')
>>> of_order(1001, 1), of_order(1001, 2)
('RF401001', 'RF741001X2')
>>> grouped("RF18539007547034")
'RF18 5390 0754 7034'
>>> counter_number(1001, 2)
'000001001023'
"""

from stdnum import iso11649, luhn
from stdnum.iso7064 import mod_97_10


def reference(body: str) -> str:
    """A creditor reference from letters and digits, of 21 at the most."""
    text = body.upper()
    return str(iso11649.validate(f"RF{mod_97_10.calc_check_digits(f'{text}RF')}{text}"))


def of_order(number: int, payment: int) -> str:
    """The reference of a payment of an order; the first payment of an order bears its number alone."""
    return reference(str(number) if payment == 1 else f"{number}X{payment}")


def grouped(text: str) -> str:
    """A reference or an IBAN as people read it, in fours."""
    return " ".join(text[start : start + 4] for start in range(0, len(text), 4))


def counter_number(number: int, payment: int) -> str:
    """The number of a counter voucher: nine digits of the order, the payment in the rest, and a check digit."""
    body = f"{number:09d}{payment:02d}"
    return f"{body}{luhn.calc_check_digit(body)}"
