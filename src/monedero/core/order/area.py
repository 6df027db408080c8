"""Areas: countries, and parts of countries by the beginnings of their postcodes or by their towns.

An order lies in an area when its country is listed, its postcode begins with a prefix of its country, or its town is
one of its country's; spaces and hyphens are taken out of postcodes, and letters are capital; towns are compared without
capitals and accents. Where the country has prefixes and the postcode is not known, or towns and the town is not known,
it is unknown whether it lies in it, unless the other decides.

Source: own design.

>>> islands = Area(id="islands", name="Islands", countries=["MT"], postcodes={"PT": ["9"], "ES": ["07", "35"]})
>>> islands.holds("MT", None), islands.holds("PT", "9000-082"), islands.holds("ES", "28 001"), islands.holds("FR", None)
(True, True, False, False)
>>> islands.holds("PT", None) is None
True
>>> west = Area(id="west", name="West", towns={"PT": ["Sagres", "Aljezur"]})
>>> west.holds("PT", "8650", "SAGRES"), west.holds("PT", None, "Lagos"), west.holds("PT", "8650") is None
(True, False, True)
>>> Area(id="islands", name="Islands", postcodes={"PT": ["9*"]})
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Area
postcodes.PT.0
  postcode-prefix [type=postcode-prefix, input_value='9*', input_type=str]
"""

import re
from typing import Annotated, Self
from unicodedata import combining, normalize

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


def plain_town(name: str) -> str:
    """A town as it is compared: no capitals, no accents, one space between words.

    >>> plain_town(" Vila  do Bispo"), plain_town("Évora")
    ('vila do bispo', 'evora')
    """
    letters = (letter for letter in normalize("NFKD", name.casefold()) if not combining(letter))
    return " ".join("".join(letters).split())


PostcodePrefix = Annotated[
    str,
    PlainValidator(checked(prefix)),
    WithJsonSchema({"type": "string", "minLength": 1, "maxLength": LONGEST, "pattern": "^[A-Za-z0-9 -]+$"}),
]


class Area(Strict):
    """Countries, and by their country beginnings of postcodes and names of towns."""

    id: Identifier
    name: Name
    countries: list[CountryCode] = []
    postcodes: dict[CountryCode, AnyOf[PostcodePrefix]] = {}
    towns: dict[CountryCode, AnyOf[Name]] = {}

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        once(self.countries, "country")
        for prefixes in self.postcodes.values():
            once(prefixes, "postcode prefix")
        for towns in self.towns.values():
            once(map(plain_town, towns), "town")
        return self

    def holds(self, country: str, postcode: str | None, town: str | None = None) -> bool | None:
        """True if an order of a country, a postcode and a town lies in it; None where that is unknown."""
        if country in self.countries:
            return True
        held = {self._by_postcode(country, postcode), self._by_town(country, town)}
        return True if True in held else None if None in held else False

    def _by_postcode(self, country: str, postcode: str | None) -> bool | None:
        prefixes = self.postcodes.get(country)
        if prefixes is None:
            return False
        return None if postcode is None else plain(postcode).startswith(tuple(prefixes))

    def _by_town(self, country: str, town: str | None) -> bool | None:
        towns = self.towns.get(country)
        if towns is None:
            return False
        return None if town is None else plain_town(town) in map(plain_town, towns)
