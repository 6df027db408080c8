"""Tells what an order must be for a tender to be offered: a list of checks, each about one fact of the order.

A check tells whether it holds for an order, and, where it does not, why. What does not depend on the order (a tender
that is off, an account that is not connected) is a check that never holds. Coverage asks the same checks
for every order that could be.

Source: own design.

>>> from datetime import date
>>> from monedero.core.order.facts import COUNTRY, KIND
>>> order = Order(Money(8500, "EUR"), "ES", date(2026, 11, 24))
>>> check = OneOf(COUNTRY, ("PT", "FR"), COUNTRY_CODES)
>>> check.holds(order), [(reason.code.value, reason.limit, reason.own) for reason in check.reasons(order)]
(False, [('method-country', ('PT', 'FR'), ('ES',))])
>>> [reason.code.value for reason in OneOf(KIND, ("goods",), KIND_CODES).reasons(order)]
['method-kind-unknown']
"""

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date
from math import ceil, floor
from typing import ClassVar, Protocol

from monedero.core.bounded import Bounded
from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.money import Money
from monedero.core.order.facts import AMOUNT, Fact
from monedero.core.order.model import Order
from monedero.core.reasons import Reason, ReasonCode
from monedero.core.window import Window

# More minor units than any amount has, and how many currencies on a day are kept.
ENDLESS, MOST_KEPT = 10**30, 2_000


class Check(Protocol):
    """One thing that must hold; `fact` is what of the order it is about, None where the order does not matter."""

    @property
    def fact(self) -> Fact | None:
        """Tells what of the order it is about."""
        ...

    def holds(self, order: Order) -> bool:
        """True if it holds for an order."""
        ...

    def reasons(self, order: Order) -> Iterator[Reason]:
        """Why it does not hold for an order; nothing where it does."""
        ...


@dataclass(frozen=True, slots=True)
class Never:
    """Holds for no order."""

    reason: Reason
    fact: ClassVar[Fact | None] = None

    def holds(self, order: Order) -> bool:
        """It never does."""
        return False

    def reasons(self, order: Order) -> Iterator[Reason]:
        """Always the same."""
        yield self.reason


@dataclass(frozen=True, slots=True)
class OneOf:
    """Every value of a fact is one of some; `codes` say that one is not, and that the fact is unknown."""

    fact: Fact
    allowed: Sequence[str]
    codes: tuple[ReasonCode, ReasonCode]

    def holds(self, order: Order) -> bool:
        """True if the order's own values are all among them; what is unknown is not."""
        values = self.fact.values(order)
        return bool(values) and all(value in self.allowed for value in values)

    def reasons(self, order: Order) -> Iterator[Reason]:
        """The values that are allowed, and the order's own."""
        if not self.holds(order):
            own, (other, unknown) = self.fact.values(order), self.codes
            yield Reason(other if own else unknown, limit=tuple(self.allowed), own=own)


@dataclass(frozen=True, slots=True)
class Is:
    """A fact that is yes or no is the one that is wanted; `codes` say that it is the other, and that it is unknown.

    `shared` is the id of the set of conditions to which it belongs.
    """

    fact: Fact
    wanted: bool
    codes: tuple[ReasonCode, ReasonCode]
    shared: str = ""

    def holds(self, order: Order) -> bool:
        """True if it is; what is unknown is not."""
        return self.fact.value(order) is self.wanted

    def reasons(self, order: Order) -> Iterator[Reason]:
        """Says that it is the other, or unknown."""
        value, (other, unknown) = self.fact.value(order), self.codes
        if value is not self.wanted:
            fields = {"asks": "yes" if self.wanted else "no"}
            if self.shared:
                fields["shared"] = self.shared
            yield Reason(unknown if value is None else other, fields=fields)


@dataclass(frozen=True, slots=True)
class NoneOf:
    """No value of a fact is one of some; what is unknown speaks against nothing."""

    fact: Fact
    barred: frozenset[str]
    code: ReasonCode

    def holds(self, order: Order) -> bool:
        """True if none of the order's own values is among them."""
        return not any(value in self.barred for value in self.fact.values(order))

    def reasons(self, order: Order) -> Iterator[Reason]:
        """Those of the order's own values that are."""
        if not self.holds(order):
            own = tuple(value for value in self.fact.values(order) if value in self.barred)
            yield Reason(self.code, own=own)


# A country and a currency are always known: the second code is never given.
COUNTRY_CODES = (ReasonCode.METHOD_COUNTRY, ReasonCode.METHOD_COUNTRY)
CURRENCY_CODES = (ReasonCode.METHOD_CURRENCY, ReasonCode.METHOD_CURRENCY)
RECURRING_CODES = (ReasonCode.METHOD_RECURRING, ReasonCode.METHOD_RECURRING_UNKNOWN)
KIND_CODES = (ReasonCode.METHOD_KIND, ReasonCode.METHOD_KIND_UNKNOWN)
DELIVERY_CODES = (ReasonCode.METHOD_DELIVERY, ReasonCode.METHOD_DELIVERY_UNKNOWN)
DETAILS_CODES = (ReasonCode.DETAILS_MISSING, ReasonCode.DETAILS_MISSING)
METHOD_LIMITS = (
    (ReasonCode.METHOD_AMOUNT_UNDER, ReasonCode.METHOD_AMOUNT_UNDER_UNKNOWN),
    (ReasonCode.METHOD_AMOUNT_OVER, ReasonCode.METHOD_AMOUNT_OVER_UNKNOWN),
)
WINDOW_LIMITS = (
    (ReasonCode.WINDOW_UNDER, ReasonCode.WINDOW_UNDER_UNKNOWN),
    (ReasonCode.WINDOW_OVER, ReasonCode.WINDOW_OVER_UNKNOWN),
)


@dataclass(frozen=True, slots=True)
class Within:
    """The amount lies within the window of its own currency, else within the one of the books, brought over exactly.

    `codes` are those of an amount under its lower end and over its upper one, each with the one for a missing rate.
    """

    windows: Mapping[str, Window]
    books: str | None
    rates: ReferenceRates
    codes: tuple[tuple[ReasonCode, ReasonCode], tuple[ReasonCode, ReasonCode]]
    _ends: Bounded[tuple[str, date], tuple[int, int]] = field(
        default_factory=lambda: Bounded(MOST_KEPT), compare=False, repr=False
    )
    fact: ClassVar[Fact] = AMOUNT

    def window(self, currency: str) -> Window | None:
        """The window that holds for orders in a currency."""
        return self.windows.get(currency) or self.windows.get(self.books or "")

    def holds(self, order: Order) -> bool:
        """True if the amount lies within."""
        low, high = self.ends(order.amount.currency, order.placed_on)
        return low <= order.amount.minor <= high

    def ends(self, currency: str, day: date) -> tuple[int, int]:
        """The least and the greatest amount within, in minor units of a currency on a day; crossed where none is."""
        return self._ends.get((currency, day)) or self._ends.put((currency, day), self._ends_in(currency, day))

    def _ends_in(self, currency: str, day: date) -> tuple[int, int]:
        window = self.window(currency)
        if window is None:
            return 0, ENDLESS
        try:
            factor = self.rates.per_minor(window.currency, currency, day)
        except NoReferenceRate:
            return ENDLESS, 0
        low, high = 0, ENDLESS
        if window.from_ is not None:
            low = ceil(window.from_.minor * factor)
        if window.up_to is not None:
            high = floor(window.up_to.minor * factor)
        elif window.below is not None:
            high = ceil(window.below.minor * factor) - 1
        return low, high

    def reasons(self, order: Order) -> Iterator[Reason]:
        """The limits that the amount is beyond; those in another currency say that they were brought over."""
        window = None if self.holds(order) else self.window(order.amount.currency)
        if window is None:
            return
        for end, limit in (("from", window.from_), ("up_to", window.up_to), ("below", window.below)):
            if limit is None:
                continue
            beyond, unknown = self.codes[end != "from"]
            try:
                against = self._against(order, limit)
            except NoReferenceRate as missing:
                yield Reason(unknown, limit=missing.currency, own=order.amount, fields={"end": end})
            else:
                if BEYOND[end](against):
                    yield _limit(beyond, limit, end, order.amount)

    def _against(self, order: Order, limit: Money) -> int:
        """True if the amount is over a limit (above nothing), at it (nothing) or under it; exact, never rounded."""
        amount = order.amount
        if limit.currency == amount.currency:
            return amount.minor - limit.minor
        factor = self.rates.per_minor(limit.currency, amount.currency, order.placed_on)
        return amount.minor * factor.denominator - limit.minor * factor.numerator


BEYOND: Mapping[str, Callable[[int], bool]] = {
    "from": lambda against: against < 0,
    "up_to": lambda against: against > 0,
    "below": lambda against: against >= 0,
}
"""True if an amount is beyond an end, by how it stands against it."""


def _limit(code: ReasonCode, limit: Money, end: str, amount: Money) -> Reason:
    brought = "" if limit.currency == amount.currency else limit.currency
    return Reason(code, limit=limit, own=amount, fields={"end": end, "brought_from": brought})
