"""Countries by name.

Source: CLDR territory names (package `babel`).

>>> country_names(["PT", "ES"])
'Portugal, Spain'
>>> country_names(["PT", "ES", "FR"], at_most=2)
'Portugal, Spain and 1 more'
>>> country_name("??")
'??'
"""

from collections.abc import Sequence

from babel import Locale

ENGLISH = Locale("en")


def country_name(code: str) -> str:
    """The name of a country; a code without one comes back as it is."""
    return str(ENGLISH.territories.get(code, code))


def country_names(codes: Sequence[str], at_most: int = 99) -> str:
    """Names, joined; where there are more than `at_most`, the number of the rest."""
    names = ", ".join(country_name(code) for code in codes[:at_most])
    rest = len(codes) - at_most
    return f"{names} and {rest} more" if rest > 0 else names
