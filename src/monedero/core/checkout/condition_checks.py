"""The conditions of a tender as checks over the facts of an order.

A condition about something that is not known does not hold, one that says *not* included. Where an order has several
values, *only* holds when every one is in the list, *not* when none is. The network of a card is the exception: while it
is not known it holds nothing back, since it is chosen while paying.

Source: own design.

>>> from datetime import date
>>> from monedero.core.money import Money
>>> order = Order(Money(8500, "EUR"), "ES", date(2026, 11, 24), delivery="courier")
>>> [check] = condition_checks([Condition(fact="delivery", **{"not": ["courier"]})], [], {})
>>> check.holds(order), [reason.code.value for reason in check.reasons(order)]
(False, ['condition-delivery'])
>>> [check] = condition_checks([Condition(fact="device", **{"not": ["phone"]})], [], {})
>>> [reason.code.value for reason in check.reasons(order)]
['condition-device-unknown']
>>> next(condition_checks([Condition(fact="area", only=["islands"])], [], {}))
Traceback (most recent call last):
...
KeyError: 'islands'
"""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import ClassVar

from monedero.core.checkout.checks import Check, Is
from monedero.core.checkout.condition import SEQUENCE, Condition, SharedConditions
from monedero.core.order.area import Area
from monedero.core.order.facts import BY_ID, CARD_NETWORK, DAY, POSTCODE, Fact
from monedero.core.order.model import Order
from monedero.core.reasons import Reason, ReasonCode

Codes = tuple[ReasonCode, ReasonCode]


@dataclass(frozen=True, slots=True)
class Among:
    """The values of a fact are all among some, or none of them is; `codes`: they are not, and they are unknown.

    `shared` is the id of the set to which the condition belongs.
    """

    fact: Fact
    values: tuple[str, ...]
    only: bool
    codes: Codes
    shared: str = ""

    def holds(self, order: Order) -> bool:
        """True if it holds; what is unknown does not."""
        own = self.fact.values(order)
        if not own:
            return False
        listed = (value in self.values for value in own)
        return all(listed) if self.only else not any(listed)

    def reasons(self, order: Order) -> Iterator[Reason]:
        """The values that are asked for, and the order's own."""
        if not self.holds(order):
            own = self.fact.values(order)
            yield _reason(self, self.values, own, unknown=not own)


@dataclass(frozen=True, slots=True)
class Lies:
    """The order lies in one of some areas, or in none of them."""

    areas: Sequence[Area]
    only: bool
    codes: Codes
    shared: str = ""
    fact: ClassVar[Fact] = POSTCODE

    def holds(self, order: Order) -> bool:
        """True if it holds; where it cannot be known, it does not."""
        return self._lies(order) is self.only

    def _lies(self, order: Order) -> bool | None:
        """True if it lies in one of them; an area that is known may decide for all."""
        unknown = False
        for area in self.areas:
            held = area.holds(order.country, order.postcode, order.town)
            if held:
                return True
            unknown = unknown or held is None
        return None if unknown else False

    def reasons(self, order: Order) -> Iterator[Reason]:
        """The areas, and the order's country, postcode and town."""
        if not self.holds(order):
            own = tuple(filter(None, (order.country, order.postcode, order.town)))
            areas = tuple(area.id for area in self.areas)
            yield _reason(self, areas, own, unknown=self._lies(order) is None)


@dataclass(frozen=True, slots=True)
class During:
    """The order is placed from a day on (inclusive), and before another one."""

    begins: date | None
    below: date | None
    code: ReasonCode
    shared: str = ""
    fact: ClassVar[Fact] = DAY

    def holds(self, order: Order) -> bool:
        """True if the day lies between them."""
        day = order.placed_on
        return (self.begins is None or self.begins <= day) and (self.below is None or day < self.below)

    def reasons(self, order: Order) -> Iterator[Reason]:
        """The end that it is beyond, and the order's own day."""
        if not self.holds(order):
            early = self.begins is not None and order.placed_on < self.begins
            limit, end = (self.begins, "from") if early else (self.below, "below")
            yield Reason(self.code, limit=limit or "", own=order.placed_on, fields=_fields(self.shared, end=end))


@dataclass(frozen=True, slots=True)
class OnNetwork:
    """The order is not known to be on a card network that the tender does not take."""

    networks: frozenset[str]
    fact: ClassVar[Fact] = CARD_NETWORK

    def holds(self, order: Order) -> bool:
        """True if the network is one of them, or not known yet."""
        return order.card_network is None or order.card_network in self.networks

    def reasons(self, order: Order) -> Iterator[Reason]:
        """The networks that it takes, and the order's own."""
        if not self.holds(order):
            limit = tuple(sorted(self.networks))
            yield Reason(ReasonCode.CONDITION_CARD_NETWORK, limit=limit, own=order.card_network or "")


def _reason(check: Among | Lies, limit: tuple[str, ...], own: tuple[str, ...], *, unknown: bool) -> Reason:
    fields = _fields(check.shared, asks="only" if check.only else "not")
    return Reason(check.codes[unknown], limit=limit, own=() if unknown else tuple(map(str, own)), fields=fields)


def _fields(shared: str, **fields: str) -> dict[str, str]:
    return {**fields, "shared": shared} if shared else fields


def codes_of(fact: str) -> Codes:
    """The codes of a condition about a fact: that it does not hold, and that the fact is unknown.

    A currency, a country and a day are always known: their second code is never given.
    """
    name = f"condition-{fact.replace('_', '-')}"
    known = ReasonCode(name)
    return known, ReasonCode(f"{name}-unknown") if fact not in ("currency", "country", "day") else known


def condition_checks(
    own: Iterable[Condition], shared: Iterable[SharedConditions], areas: Mapping[str, Area]
) -> Iterator[Check]:
    """Every condition as a check: fact by fact, of one fact the tender's own before those of its shared sets."""
    named = [("", condition) for condition in own]
    named += [(each.id, condition) for each in shared for condition in each.conditions]
    for fact in SEQUENCE:
        for of, condition in named:
            if condition.fact == fact:
                yield _check(condition, of, areas)


def _check(condition: Condition, shared: str, areas: Mapping[str, Area]) -> Check:
    codes, only = codes_of(condition.fact), condition.only is not None
    if condition.is_ is not None:
        return Is(BY_ID[condition.fact], condition.is_, codes, shared)
    if condition.fact == "day":
        return During(condition.from_, condition.below, codes[0], shared)
    if condition.fact == "area":
        return Lies([areas[id] for id in condition.values], only, codes, shared)
    return Among(BY_ID[condition.fact], tuple(condition.values), only, codes, shared)
