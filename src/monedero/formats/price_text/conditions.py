"""Tells what a line says of orders, as the conditions of a rate; and which of two conditions is the narrower one.

Which countries *European* means depends on the whole text: it becomes the provider's region. A shop outside it has no
region there, so that its countries are named one by one.

Source: `areas.json`; that a narrower price goes before a wider one is common practice, no source.

>>> region, abroad, british = Region("PT", ["eea"]), When(origin=["abroad"]), When(buyer_country=["GB"])
>>> places = region.buyers(british), region.buyers(abroad)
>>> within(british, abroad, places), within(abroad, british, places[::-1])
(True, False)
"""

import json
from collections.abc import Iterable, Sequence
from functools import cache
from importlib.resources import files

import pycountry

from monedero.core.money import Money
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.ratecard.model import Band, Origin, When
from monedero.formats.price_text.model import Ends, Facets
from monedero.formats.price_text.unread import NotRead, Why

LISTS = ("currency", "card_network", "card_kind", "line_kind")
Places = frozenset[str] | None
"""The countries of buyers; None is every country."""


@cache
def area(name: str) -> list[str]:
    """The countries of an area."""
    text = files("monedero.formats.price_text").joinpath("areas.json").read_text("utf-8")
    countries: list[str] = json.loads(text)[name]["countries"]
    return countries


@cache
def every_country() -> frozenset[str]:
    """Every country of ISO 3166-1."""
    return frozenset(country.alpha_2 for country in pycountry.countries)


class Region:
    """The provider's region, by what the whole text calls it: nothing, the Union, or the economic area."""

    def __init__(self, country: str, said: Iterable[str], named: Sequence[str] = ()) -> None:
        """`said` are the origins that the lines name, `named` the countries that the text itself calls European."""
        names = set(said)
        wide = bool(names & {"eea", "outside-eea"})
        self.name = "eea" if wide else ("eu" if names & {"eu", "outside-eu"} else "")
        self.inside = bool(self.name) and country in area(self.name)
        self.countries = area(self.name) if self.inside else []
        self._called = list(named)
        if named:
            self.name, self.inside, self.countries = self.name or "eea", country in named, list(named)
        self._country = country

    def buyers(self, when: When) -> Places:
        """From which countries the buyers are that a condition is about."""
        found: Places = None
        if when.origin:
            near = {self._country, *self.countries}
            by_origin = {
                Origin.DOMESTIC: {self._country},
                Origin.REGION: near - {self._country},
                Origin.ABROAD: every_country() - near,
            }
            found = frozenset().union(*(by_origin[origin] for origin in when.origin))
        if when.buyer_country:
            named = frozenset(when.buyer_country)
            found = named if found is None else named & found
        return found

    def condition(self, origins: tuple[str, ...]) -> tuple[list[Origin], list[str]]:
        """Origins and buyers' countries for what a line says; refuses what cannot be said with this region."""
        found: list[Origin] = []
        named: list[str] = []
        for origin in origins:
            if origin == "domestic":
                found.append(Origin.DOMESTIC)
            elif origin == "abroad":
                found.append(Origin.ABROAD if self.inside or not self.name else self._outside(origin))
            elif origin.startswith("outside-"):
                found.append(self._outside(origin.removeprefix("outside-")))
            elif origin == self.name and self.inside:
                found += [Origin.DOMESTIC, Origin.REGION]
            else:
                named += self._called if self._called and origin == self.name else area(origin)
        if found and named:
            raise NotRead(Why.WHICH_REGION)
        return [origin for origin in Origin if origin in found], named

    def _outside(self, name: str) -> Origin:
        if name != self.name or not self.inside:
            raise NotRead(Why.WHICH_REGION)
        return Origin.ABROAD


def when_of(facets: Facets, region: Region) -> When:
    """The conditions that a line names."""
    origins, countries = region.condition(facets.origins)
    if countries and facets.countries:
        raise NotRead(Why.WHICH_REGION)
    return When(
        amount=_band(facets.amount),
        monthly_volume=_band(facets.volume),
        currency=list(facets.currencies) or None,
        buyer_country=[*facets.countries, *countries] or None,
        origin=origins or None,
        card_network=list(facets.networks) or None,
        card_kind=[CardKind(kind) for kind in facets.card_kinds] or None,
        recurring=facets.recurring,
        line_kind=[LineKind(kind) for kind in facets.line_kinds] or None,
        conversion=facets.conversion,
    )


def _band(ends: Ends | None) -> Band | None:
    if ends is None:
        return None
    return Band.model_validate({"from": ends.from_ and str(ends.from_), "below": ends.below and str(ends.below)})


def within(one: When, other: When, places: tuple[Places, Places]) -> bool:
    """True if every order of one is an order of the other; `places` are the countries of both."""
    here, there = places
    if there is not None and not (here is not None and here <= there):
        return False
    for name in LISTS:
        mine, theirs = getattr(one, name), getattr(other, name)
        if theirs and not (mine and set(mine) <= set(theirs)):
            return False
    for name in ("recurring", "conversion"):
        if getattr(other, name) is not None and getattr(one, name) != getattr(other, name):
            return False
    return all(_band_within(getattr(one, name), getattr(other, name)) for name in ("amount", "monthly_volume"))


def apart(one: When, other: When, places: tuple[Places, Places]) -> bool:
    """True if no order can be one of both; `places` are the countries of both."""
    here, there = places
    if here is not None and there is not None and not here & there:
        return True
    for name in LISTS:
        mine, theirs = getattr(one, name), getattr(other, name)
        if mine and theirs and not set(mine) & set(theirs):
            return True
    if one.recurring is not None and other.recurring is not None and one.recurring != other.recurring:
        return True
    return any(
        _bands_apart(getattr(one, name), getattr(other, name))
        or _bands_apart(getattr(other, name), getattr(one, name))
        for name in ("amount", "monthly_volume")
    )


def _band_within(one: Band | None, other: Band | None) -> bool:
    if other is None:
        return True
    if one is None:
        return False
    low = other.from_ is None or _not_over(other.from_, one.from_)
    high = other.below is None or _not_over(one.below, other.below)
    return low and high


def _not_over(one: Money | None, other: Money | None) -> bool:
    return one is not None and other is not None and one.currency == other.currency and one.minor <= other.minor


def _bands_apart(one: Band | None, other: Band | None) -> bool:
    if one is None or other is None or one.below is None or other.from_ is None:
        return False
    return _not_over(one.below, other.from_)
