"""An exact number as text: a fraction in lowest terms, and its first decimals.

Source: own design, the numbers of `monedero curve`.

>>> exact_text(Fraction(220, 23)), decimal_text(Fraction(220, 23))
('220/23', '9.5652173913')
>>> decimal_text(Fraction(5, 2)), decimal_text(Fraction(-1, 3), 4), decimal_text(Fraction(7))
('2.5', '-0.3333', '7')
>>> short_text(Fraction(220, 23)), short_text(Fraction(1, 3**100)) is None
('220/23', True)
"""

from fractions import Fraction

from monedero.core.money import round_half_up

PLACES = 10
DIGITS = 40


def exact_text(value: Fraction) -> str:
    """A fraction in lowest terms; a whole number without a denominator."""
    return str(value)


def short_text(value: Fraction) -> str | None:
    """A fraction while it has at most 40 digits; None for a longer one, which nobody could read."""
    longest = 10**DIGITS
    if abs(value.numerator) >= longest or value.denominator >= longest:
        return None
    text = exact_text(value)
    return text if sum(character.isdigit() for character in text) <= DIGITS else None


def decimal_text(value: Fraction, places: int = PLACES) -> str:
    """At most so many decimals, rounded half up, without zeros at the end."""
    whole = round_half_up(value.numerator * 10**places, value.denominator)
    digits = str(abs(whole)).rjust(places + 1, "0")
    text = f"{digits[:-places]}.{digits[-places:]}".rstrip("0").rstrip(".")
    return f"-{text}" if whole < 0 else text
