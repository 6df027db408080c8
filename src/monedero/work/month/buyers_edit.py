"""Types what buyers pay with, kept in the order profile."""

from decimal import Decimal
from typing import NamedTuple

from monedero.core.buyers.typed import BuyersOf, with_share
from monedero.core.method import Family
from monedero.work.context import Context
from monedero.work.month.buyers import BuyersOfCountry, buyers_of
from monedero.work.month.profile import profile_of
from monedero.work.prices.inputs import inputs_of

Typed = tuple[Decimal | None, Decimal | None, list[Family] | None]
"""A share, how many would take another way, and which: each as it was typed, or None where it stays."""


class Shares(NamedTuple):
    """Shares of buyers by country (None: every other one), over a version of the order profile."""

    version: int
    value: dict[str | None, BuyersOfCountry]


def shares_of(context: Context) -> Shares:
    """The shares of every other country first, then of each that something is typed for or was read of."""
    inputs, profile = inputs_of(context), profile_of(context)
    typed = {entry.country for entry in profile.value.buyers}
    named = sorted(country for country in typed | inputs.read_shares.keys() if country)
    return Shares(profile.version, {country: buyers_of(inputs, country) for country in (None, *named)})


def type_share(context: Context, country: str | None, family: Family, typed: Typed, version: int) -> None:
    """Type what is known of a family in a country; its first guess, or what all pay with, is where it begins."""
    share, stay, instead = typed
    families = list(buyers_of(inputs_of(context), country).families)
    if share is not None:
        families = with_share(families, family, share)
    changed = {name: value for name, value in (("stay", stay), ("instead", instead)) if value is not None}
    families = [entry.model_copy(update=changed) if entry.family is family else entry for entry in families]
    _save(context, country, [BuyersOf(country=country, families=families)], version)


def forget(context: Context, country: str | None, version: int) -> None:
    """Take away what was typed of a country."""
    _save(context, country, [], version)


def _save(context: Context, country: str | None, typed: list[BuyersOf], version: int) -> None:
    profile = profile_of(context).value
    others = [entry for entry in profile.buyers if entry.country != country]
    context.shop.profile.save(profile.model_copy(update={"buyers": [*others, *typed]}), version)
