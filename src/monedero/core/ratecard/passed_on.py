"""Interchange and scheme fees that a rate adds to its own percentage: what they cost, and the rates that come of it.

A rate that adds them is several rates at once: one for each place from which a card comes, kind of card and network
for which they differ. Each has the condition of its case beside those of the rate, and the sum of the percentages. So
everything that prices by a card needs no more than a card. An order whose kind of card is not known costs as a
consumer's credit card does, the dearer of the two kinds that most buyers have.

Source: own design; regions and kinds as in Regulation (EU) 2015/751.

>>> costs = NetworkCosts(("PT", "ES"), {(region, kind): Decimal("0.2") for region in Region for kind in CardKind},
...                      {region: Decimal("0.1") for region in Region}, {})
>>> rate = Rate(id="plus", method="card", when={}, percent="0.6", adds=["interchange", "scheme"])
>>> [(case.id, str(case.percent)) for case in cases(rate, costs)][:2]
[('plus:within:consumer-debit', '0.9'), ('plus:within:consumer-credit', '0.9')]
"""

from collections.abc import Iterable, Mapping, Sequence
from decimal import Decimal
from enum import StrEnum
from typing import NamedTuple

from monedero.core.order.kinds import CardKind
from monedero.core.ratecard.model import Adds, Rate, RateCard, When


class Region(StrEnum):
    """Names where a card comes from: a country in which the shop's own rules of interchange hold, or another one."""

    WITHIN = "within"
    ABROAD = "abroad"


class NetworkCosts(NamedTuple):
    """Interchange and scheme fees in percent, as one shop sees them.

    `within` are the countries in which the rules of the shop's own country hold, `scheme_of` the scheme fees of
    networks of which they are known otherwise.
    """

    within: Sequence[str]
    interchange: Mapping[tuple[Region, CardKind], Decimal]
    scheme: Mapping[Region, Decimal]
    scheme_of: Mapping[tuple[Region, str], Decimal]

    def networks(self) -> list[str]:
        """The networks of which scheme fees are known otherwise."""
        return list(dict.fromkeys(network for _, network in self.scheme_of))


class PassedOn(NamedTuple):
    """Percentages that a rate adds in one case."""

    interchange: Decimal
    scheme: Decimal


class Case(NamedTuple):
    """Cards of one case: where they come from, their kind, and a network of which scheme fees are known otherwise."""

    region: Region
    kind: CardKind
    network: str | None


class PassedOnRate(Rate):
    """A rate of one case, with the rate in the card that it came of and what that adds in the case."""

    of: Rate
    case: Case
    passed_on: PassedOn


def in_card(rate: str) -> str:
    """The id that a rate has in its card.

    >>> in_card("plus:abroad:commercial"), in_card("card-any")
    ('plus', 'card-any')
    """
    return rate.partition(":")[0]


def with_network_costs(card: RateCard, costs: NetworkCosts) -> RateCard:
    """The card with the rates that come of those that add interchange or scheme fees; else the card as it is."""
    if not any(rate.adds for rate in card.rates):
        return card
    return card.model_copy(update={"rates": [case for rate in card.rates for case in cases(rate, costs)]})


def cases(rate: Rate, costs: NetworkCosts) -> Iterable[Rate]:
    """The rates that come of one, in the sequence in which the first that fits prices."""
    if not rate.adds:
        yield rate
        return
    for region in Region:
        countries = _countries(rate.when.buyer_country, region, costs.within)
        for network, networks in _networks(rate.when.card_network, costs):
            for kind in _kinds(rate.when.card_kind):
                when = {
                    "buyer_country": countries,
                    "card_network": networks,
                    "card_kind": [kind] if kind else rate.when.card_kind,
                }
                if [] not in when.values():
                    case = Case(region, kind or CardKind.CONSUMER_CREDIT, network)
                    name = ":".join(part for part in (rate.id, region, network, kind) if part)
                    yield _of_case(rate, name, rate.when.model_copy(update=when), case, costs)


def _of_case(rate: Rate, name: str, when: When, case: Case, costs: NetworkCosts) -> Rate:
    passed_on = _added(rate, costs, case)
    more = passed_on.interchange + passed_on.scheme
    bands = rate.graduated and [
        band.model_copy(update={"percent": band.percent + more}) for band in rate.graduated
    ]
    fields = {field: getattr(rate, field) for field in Rate.model_fields}
    fields |= {"id": name, "when": when, "graduated": bands, "adds": None}
    if not bands:
        fields["percent"] = (rate.percent or Decimal(0)) + more
    return PassedOnRate.model_construct(**fields, of=rate, case=case, passed_on=passed_on)


def _added(rate: Rate, costs: NetworkCosts, case: Case) -> PassedOn:
    region, kind, network = case
    adds, none = rate.adds or (), Decimal(0)
    scheme = costs.scheme_of.get((region, network), costs.scheme[region]) if network else costs.scheme[region]
    return PassedOn(
        interchange=costs.interchange[region, kind] if Adds.INTERCHANGE in adds else none,
        scheme=scheme if Adds.SCHEME in adds else none,
    )


def _countries(asked: list[str] | None, region: Region, within: Sequence[str]) -> list[str] | None:
    """The countries of a case; None is any, behind the cases of the countries within."""
    if asked is None:
        return list(within) if region is Region.WITHIN else None
    return [country for country in asked if (country in within) == (region is Region.WITHIN)]


def _networks(asked: list[str] | None, costs: NetworkCosts) -> Iterable[tuple[str | None, list[str] | None]]:
    """Each network of which the fees are known otherwise, by itself; then all others."""
    known = [network for network in costs.networks() if asked is None or network in asked]
    for network in known:
        yield network, [network]
    yield None, None if asked is None else [network for network in asked if network not in known]


def _kinds(asked: list[CardKind] | None) -> Iterable[CardKind | None]:
    """Each kind of card by itself; then, behind all of them, a kind that is not known."""
    yield from asked or CardKind
    if asked is None:
        yield None
