"""An exact number as text: a fraction in lowest terms, and its first decimals.

Source: own design, the numbers of `monedero curve`.

>>> exact_text(Fraction(220, 23)), decimal_text(Fraction(220, 23))
('220/23', '9.5652173913')
>>> decimal_text(Fraction(5, 2)), decimal_text(Fraction(-1, 3), 4), decimal_text(Fraction(7))
('2.5', '-0.3333', '7')
>>> decimal_text(None)
Traceback (most recent call last):
...
AttributeError: 'NoneType' object has no attribute 'numerator'
"""

from fractions import Fraction

from monedero.core.money import round_half_up

PLACES = 10


def exact_text(value: Fraction) -> str:
    """A fraction in lowest terms; a whole number without a denominator."""
    return str(value)


def decimal_text(value: Fraction, places: int = PLACES) -> str:
    """At most so many decimals, rounded half up, without zeros at the end."""
    whole = round_half_up(value.numerator * 10**places, value.denominator)
    digits = str(abs(whole)).rjust(places + 1, "0")
    text = f"{digits[:-places]}.{digits[-places:]}".rstrip("0").rstrip(".")
    return f"-{text}" if whole < 0 else text
