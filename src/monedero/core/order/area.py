"""Areas: countries, and parts of countries by the beginnings of their postcodes.

An order lies in an area when its country is listed, or its postcode begins with a prefix of its country; spaces and
hyphens are taken out, and letters are capital. Where the country has prefixes and the postcode is not known, it is
unknown whether it lies in it.

Source: own design.

>>> islands = Area(id="islands", name="Islands", countries=["MT"], postcodes={"PT": ["9"], "ES": ["07", "35"]})
>>> islands.holds("MT", None), islands.holds("PT", "9000-082"), islands.holds("ES", "28 001"), islands.holds("FR", None)
(True, True, False, False)
>>> islands.holds("PT", None) is None
True
>>> Area(id="islands", name="Islands", postcodes={"PT": ["9*"]})
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Area
postcodes.PT.0
  postcode-prefix [type=postcode-prefix, input_value='9*', input_type=str]
"""

import re
from typing import Annotated, Self

from pydantic import PlainValidator, WithJsonSchema, model_validator

from monedero.core.errors import FaultCode, refuse
from monedero.core.fields import AnyOf, CountryCode, Identifier, Name, Strict, checked, once

LONGEST = 20


def plain(postcode: str) -> str:
    """A postcode as it is compared: capital letters, no spaces, no hyphens.

    >>> plain("sw1a 1aa"), plain("9000-082")
    ('SW1A1AA', '9000082')
    """
    return re.sub(r"[\s-]", "", postcode).upper()


def prefix(text: str) -> str:
    """The beginning of a postcode: letters and digits."""
    found = plain(text)
    if not re.fullmatch(r"[A-Z0-9]{1,20}", found, re.ASCII):
        raise refuse(FaultCode.POSTCODE_PREFIX, value=text)
    return found


PostcodePrefix = Annotated[
    str,
    PlainValidator(checked(prefix)),
    WithJsonSchema({"type": "string", "minLength": 1, "maxLength": LONGEST, "pattern": "^[A-Za-z0-9 -]+$"}),
]


class Area(Strict):
    """Countries, and beginnings of postcodes by their country."""

    id: Identifier
    name: Name
    countries: list[CountryCode] = []
    postcodes: dict[CountryCode, AnyOf[PostcodePrefix]] = {}

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        once(self.countries, "country")
        for prefixes in self.postcodes.values():
            once(prefixes, "postcode prefix")
        return self

    def holds(self, country: str, postcode: str | None) -> bool | None:
        """Whether an order of a country and a postcode lies in it; None where that is unknown."""
        if country in self.countries:
            return True
        prefixes = self.postcodes.get(country)
        if prefixes is None:
            return False
        return None if postcode is None else plain(postcode).startswith(tuple(prefixes))
