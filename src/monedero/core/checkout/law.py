"""Tells what law says of what a tender asks of its buyers: rules as data, held against its fee and its conditions.

A rule on fees speaks where a fee is asked of buyers in one of its countries; a rule on terms by country where some of
its countries that the shop sells to are offered the tender and others are not. A finding is information, not advice.

Source: own design; the rules and their sources come in as values.

>>> from datetime import date
>>> rule = Rule("fee-within-cost", "fee", frozenset({"PT"}), None, "limits", "Directive", date(2026, 11, 27))
>>> tender = Tender.model_validate(
...     {"id": "cash", "method": "cash", "on": True, "name": "Cash", "fee": {"percent": "1"}})
>>> [found.rule.id for found in findings(tender, "cash", Sold(["PT", "US"], []), [rule])]
['fee-within-cost']
>>> list(findings(tender, "cash", Sold(["US"], []), [rule]))
[]
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal, NamedTuple

from monedero.core.checkout.condition import Condition
from monedero.core.checkout.fee import BuyerFee
from monedero.core.checkout.model import Tender
from monedero.core.order.area import Area


@dataclass(frozen=True, slots=True)
class Rule:
    """A rule of law: what it is about, in which countries, for which families of methods (None: all), its source."""

    id: str
    about: Literal["fee", "country"]
    countries: frozenset[str]
    families: frozenset[str] | None
    grade: Literal["forbids", "limits"]
    source: str
    read_on: date


class Sold(NamedTuple):
    """The countries that a shop sells to, and its areas."""

    countries: Sequence[str]
    areas: Sequence[Area]


class Finding(NamedTuple):
    """A rule that speaks of a tender, and the countries in which: those that pay the fee, or are left out."""

    rule: Rule
    countries: tuple[str, ...]


def findings(
    tender: Tender, family: str, sold: Sold, rules: Iterable[Rule], shared: Iterable[Condition] = ()
) -> Iterator[Finding]:
    """Every rule that speaks of a tender; `shared` are the conditions of its shared sets."""
    asks = [*tender.conditions, *shared]
    open_to = [country for country in sold.countries if _may_pay(country, asks, sold.areas)]
    for rule in rules:
        if rule.families is not None and family not in rule.families:
            continue
        there = [country for country in sold.countries if country in rule.countries]
        reached = tuple(country for country in there if country in open_to)
        left_out = tuple(country for country in there if country not in open_to)
        if rule.about == "fee" and tender.fee is not None and reached and _asks_more(tender.fee):
            yield Finding(rule, reached)
        if rule.about == "country" and reached and left_out:
            yield Finding(rule, left_out)


def _asks_more(fee: BuyerFee) -> bool:
    """True if some part of a fee is above nothing."""
    parts = [fee, *fee.networks.values()]
    return any((part.percent or 0) > 0 or (part.fixed is not None and part.fixed.minor > 0) for part in parts)


def _may_pay(country: str, asks: Iterable[Condition], areas: Sequence[Area]) -> bool:
    """True if a buyer of a country may be offered it, as far as conditions on country and area say."""
    by_id = {area.id: area for area in areas}
    for condition in asks:
        if condition.fact == "country":
            held = country in condition.values
        elif condition.fact == "area":
            # Part of a country may be in an area: what is offered to some of its buyers is offered there.
            held = any(country in by_id[id].countries for id in condition.values if id in by_id)
            parts = (area for id in condition.values if (area := by_id.get(id)))
            if any(country in area.postcodes or country in area.towns for area in parts):
                continue
        else:
            continue
        if held is not (condition.only is not None):
            return False
    return True
