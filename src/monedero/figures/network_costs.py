"""Interchange and scheme fees of cards, in percent, as dated data; each is an assumption that the owner can correct.

Source: `network_costs.json`; each figure names its own. Caps: Regulation (EU) 2015/751, Articles 3 and 4.

>>> every("PT")["interchange-debit"].defaults, every("US")["interchange-debit"].defaults
({'*': '0.2'}, {'*': '0.8'})
>>> within("GB"), len(within("PT"))
(('GB',), 30)
"""

import json
from collections.abc import Mapping, Sequence
from decimal import Decimal
from functools import cache
from importlib.resources import files
from types import MappingProxyType

from monedero.core.cost.assumption import ALL, Assumption, value_of
from monedero.core.order.kinds import CardKind
from monedero.core.ratecard.model import Adds
from monedero.core.ratecard.passed_on import Case, NetworkCosts, Region
from monedero.figures.law import areas

INTERCHANGE = {
    (Region.WITHIN, CardKind.CONSUMER_DEBIT): "interchange-debit",
    (Region.WITHIN, CardKind.CONSUMER_CREDIT): "interchange-credit",
    (Region.WITHIN, CardKind.COMMERCIAL): "interchange-commercial",
    (Region.ABROAD, CardKind.CONSUMER_DEBIT): "interchange-abroad-debit",
    (Region.ABROAD, CardKind.CONSUMER_CREDIT): "interchange-abroad-credit",
    (Region.ABROAD, CardKind.COMMERCIAL): "interchange-abroad-commercial",
}
SCHEME = {Region.WITHIN: "scheme-fee", Region.ABROAD: "scheme-fee-abroad"}


def _area(country: str) -> str | None:
    """The area whose rules of interchange hold in a country, of those that are known."""
    return next((area for area in ("eea", "uk") if country in areas()[area]), None)


def within(country: str) -> tuple[str, ...]:
    """The countries whose cards are no cards from abroad for a shop of a country."""
    area = _area(country)
    return tuple(sorted(areas()[area])) if area else (country,)


@cache
def every(country: str) -> MappingProxyType[str, Assumption]:
    """Every figure by its id, with its default for a shop of a country."""
    data = json.loads(files("monedero.figures").joinpath("network_costs.json").read_text("utf-8"))
    found = {}
    for entry in data["figures"]:
        of = entry["of"].get(_area(country) or "", entry["of"]["elsewhere"])
        found[entry["id"]] = Assumption.model_validate_json(
            json.dumps(
                {
                    "id": entry["id"],
                    "name": entry["name"],
                    "unit": "percent",
                    "scope": entry["scope"],
                    "defaults": {ALL: of["value"]},
                    "source": of["source"],
                    "read_on": data["read_on"],
                }
            )
        )
    return MappingProxyType(found)


def named(case: Case, adds: Sequence[Adds]) -> list[tuple[str, str]]:
    """The figures that cards of a case cost by, each with what it is about.

    >>> named(Case(Region.ABROAD, CardKind.COMMERCIAL, "aster"), [Adds.SCHEME])
    [('scheme-fee-abroad', 'aster')]
    """
    found = {
        Adds.INTERCHANGE: (INTERCHANGE[case.region, case.kind], ALL),
        Adds.SCHEME: (SCHEME[case.region], case.network or ALL),
    }
    return [of for cost, of in found.items() if cost in adds]


def costs(country: str, chosen: Mapping[tuple[str, str], str]) -> NetworkCosts:
    """The figures as they hold for a shop of a country: as its owner typed them, else the defaults."""
    known = every(country)

    def percent(name: str) -> Decimal:
        return Decimal(value_of(known[name], ALL, chosen) or "0")

    return NetworkCosts(
        within=within(country),
        interchange={case: percent(name) for case, name in INTERCHANGE.items()},
        scheme={region: percent(name) for region, name in SCHEME.items()},
        scheme_of={
            (region, network): Decimal(text)
            for region, name in SCHEME.items()
            for (typed, network), text in chosen.items()
            if typed == name and network != ALL
        },
    )
