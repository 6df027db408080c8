"""Groups of countries that can be picked at once, by the rules of their members or by where they lie.

Source: `country_groups.json`; each entry names its own. Continents are those of GeoNames.

>>> "PT" in groups()["euro-area"].countries, len(groups()["european-union"].countries)
(True, 27)
>>> groups()["atlantis"]
Traceback (most recent call last):
...
KeyError: 'atlantis'
"""

import json
from functools import cache
from importlib.resources import files
from types import MappingProxyType

from monedero.core.fields import AnyOf, CountryCode, Description, Identifier, Name, Strict


class CountryGroup(Strict):
    """A group of countries, with where it is from and the day on which that was read."""

    id: Identifier
    name: Name
    source: Description
    countries: AnyOf[CountryCode]


@cache
def groups() -> MappingProxyType[str, CountryGroup]:
    """Every group by its id."""
    data = json.loads(files("monedero.figures").joinpath("country_groups.json").read_text("utf-8"))
    return MappingProxyType({entry["id"]: CountryGroup.model_validate(entry) for entry in data})
