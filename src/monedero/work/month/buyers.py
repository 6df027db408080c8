"""Shares of the shop's buyers: as the owner typed them, else as past orders were paid, else a first guess."""

from collections.abc import Iterable, Mapping
from enum import StrEnum
from typing import NamedTuple

from monedero.core.buyers.ranking import Ranking, Rankings, written_out
from monedero.core.buyers.typed import FamilyShare, kinds_of
from monedero.core.method import Family
from monedero.figures import buyers, methods
from monedero.work.prices.inputs import CompareInputs


class BuyersFrom(StrEnum):
    """Names where shares of buyers come from."""

    TYPED = "typed"
    PAST_ORDERS = "past-orders"
    GUESS = "guess"


class BuyersOfCountry(NamedTuple):
    """The shares of a country's buyers, and their origin: of shares that were read, how many orders say so."""

    families: list[FamilyShare]
    origin: BuyersFrom
    orders: int = 0


def buyers_of(inputs: CompareInputs, country: str | None) -> BuyersOfCountry:
    """The shares of a country's buyers: typed, else read from past orders, else what is known of all, else a guess.

    With None they are those of every country of which nothing else is known.
    """
    typed = {entry.country: entry.families for entry in inputs.profile.buyers}
    for group in dict.fromkeys((country, None)):
        if group in typed:
            return BuyersOfCountry(typed[group], BuyersFrom.TYPED)
        if group in inputs.read_shares:
            read = inputs.read_shares[group]
            return BuyersOfCountry(read.families, BuyersFrom.PAST_ORDERS, read.orders)
    return BuyersOfCountry(buyers.guess(country or inputs.shop.country), BuyersFrom.GUESS)


def families_of(inputs: CompareInputs) -> Mapping[str, Family]:
    """The methods that are known, each with its family: in the sequence of the catalogue, then the shop's own by id."""
    catalogue = methods.known()
    own = sorted(inputs.methods.keys() - catalogue.keys())
    return {name: inputs.methods[name].family for name in (*catalogue, *own) if name in inputs.methods}


def shop_rankings(inputs: CompareInputs, countries: Iterable[str]) -> Rankings:
    """The rankings of methods of the buyers of some countries."""
    families = families_of(inputs)
    return Rankings(
        {
            country: tuple(
                Ranking(kind.share, written_out([family.value for family in kind.families], families))
                for kind in kinds_of(buyers_of(inputs, country).families)
            )
            for country in countries
        }
    )
