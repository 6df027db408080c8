"""Countries and card networks by name.

Source: CLDR territory names (package `babel`).

>>> country_names(["PT", "ES"])
'Portugal, Spain'
>>> country_names(["PT", "ES", "FR"], at_most=2)
'3 countries'
>>> country_name("??")
'??'
"""

from collections.abc import Sequence
from functools import cache

from babel import Locale

from monedero.wording.catalogue import language, say
from monedero.wording.show import listed


@cache
def _territories(language: str) -> dict[str, str]:
    return {code: str(name) for code, name in Locale.parse(language, sep="-").territories.items()}


def country_name(code: str) -> str:
    """The name of a country; a code without one comes back as it is."""
    return _territories(language()).get(code, code)


def language_name(tag: str) -> str:
    """The name of a language; a tag without one comes back as it is.

    >>> language_name("pt"), language_name("x-own")
    ('Portuguese', 'x-own')
    """
    return str(Locale.parse(language(), sep="-").languages.get(tag, tag))


def country_names(codes: Sequence[str], at_most: int = 99) -> str:
    """Names, joined; where there are more than `at_most`, only how many they are."""
    if len(codes) > at_most:
        return say("countries", count=len(codes))
    return listed(country_name(code) for code in codes)


def network_name(network: str) -> str:
    """A card network by its id.

    >>> network_name("aster")
    'Aster'
    """
    return network.replace("-", " ").title()
