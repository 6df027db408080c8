"""A telephone number, written with its country code.

Source: ITU-T E.164; the national plans as in the package phonenumbers.

>>> phone("912 345 678", "PT")
'+351912345678'
>>> phone("12", "PT")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: phone-number phone='12'
"""

import phonenumbers
from phonenumbers import NumberParseException, PhoneNumberFormat

from monedero.core.errors import FaultCode, refuse


def phone(text: str, country: str) -> str:
    """A number in the form of E.164; without a country code it is of `country`."""
    try:
        number = phonenumbers.parse(text, country)
    except NumberParseException as wrong:
        raise refuse(FaultCode.PHONE_NUMBER, "phone", text[:40]) from wrong
    if not phonenumbers.is_valid_number(number):
        raise refuse(FaultCode.PHONE_NUMBER, "phone", text[:40])
    return str(phonenumbers.format_number(number, PhoneNumberFormat.E164))
