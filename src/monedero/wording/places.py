"""Countries by name.

Source: CLDR territory names (package `babel`).

>>> country_names(["PT", "ES"])
'Portugal, Spain'
>>> country_names(["PT", "ES", "FR"], at_most=2)
'3 countries'
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
    """Names, joined; where there are more than `at_most`, only how many they are."""
    if len(codes) > at_most:
        return f"{len(codes)} countries"
    return ", ".join(country_name(code) for code in codes)
