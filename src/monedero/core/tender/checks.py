"""What an order must be for a tender to be offered: a list of checks, each about one fact of the order.

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

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import ClassVar, Protocol

from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.money import Money
from monedero.core.order.facts import AMOUNT, Fact
from monedero.core.order.model import Order
from monedero.core.reasons import Reason, ReasonCode
from monedero.core.window import Window


class Check(Protocol):
    """One thing that must hold; `fact` is what of the order it is about, None where the order does not matter."""

    @property
    def fact(self) -> Fact | None:
        """What of the order it is about."""
        ...

    def holds(self, order: Order) -> bool:
        """Whether it holds for an order."""
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
        """Whether the order's own values are all among them; what is unknown is not."""
        values = self.fact.values(order)
        return bool(values) and all(value in self.allowed for value in values)

    def reasons(self, order: Order) -> Iterator[Reason]:
        """The values that are allowed, and the order's own."""
        if not self.holds(order):
            own, (other, unknown) = self.fact.values(order), self.codes
            yield Reason(other if own else unknown, limit=tuple(self.allowed), own=own)


@dataclass(frozen=True, slots=True)
class Is:
    """A fact that is yes or no is the one that is wanted; `codes` say that it is the other, and that it is unknown."""

    fact: Fact
    wanted: bool
    codes: tuple[ReasonCode, ReasonCode]

    def holds(self, order: Order) -> bool:
        """Whether it is; what is unknown is not."""
        return self.fact.value(order) is self.wanted

    def reasons(self, order: Order) -> Iterator[Reason]:
        """That it is the other, or unknown."""
        value, (other, unknown) = self.fact.value(order), self.codes
        if value is not self.wanted:
            yield Reason(unknown if value is None else other)


# A country and a currency are always known: the second code is never given.
COUNTRY_CODES = (ReasonCode.METHOD_COUNTRY, ReasonCode.METHOD_COUNTRY)
CURRENCY_CODES = (ReasonCode.METHOD_CURRENCY, ReasonCode.METHOD_CURRENCY)
RECURRING_CODES = (ReasonCode.METHOD_RECURRING, ReasonCode.METHOD_RECURRING_UNKNOWN)
KIND_CODES = (ReasonCode.METHOD_KIND, ReasonCode.METHOD_KIND_UNKNOWN)
METHOD_LIMITS = (
    ReasonCode.METHOD_AMOUNT_UNDER,
    ReasonCode.METHOD_AMOUNT_OVER,
    ReasonCode.METHOD_AMOUNT_UNKNOWN,
)
WINDOW_LIMITS = (ReasonCode.WINDOW_UNDER, ReasonCode.WINDOW_OVER, ReasonCode.WINDOW_UNKNOWN)


@dataclass(frozen=True, slots=True)
class Within:
    """The amount lies within the window of its own currency, else within the one of the books, brought over exactly."""

    windows: Mapping[str, Window]
    books: str | None
    rates: ReferenceRates
    codes: tuple[ReasonCode, ReasonCode, ReasonCode]
    fact: ClassVar[Fact] = AMOUNT

    def window(self, currency: str) -> Window | None:
        """The window that holds for orders in a currency."""
        return self.windows.get(currency) or self.windows.get(self.books or "")

    def holds(self, order: Order) -> bool:
        """Whether the amount lies within."""
        return next(self.reasons(order), None) is None

    def reasons(self, order: Order) -> Iterator[Reason]:
        """The limits that the amount is beyond; those in another currency say that they were brought over."""
        window = self.window(order.amount.currency)
        if window is None:
            return
        under, over, unknown = self.codes
        try:
            if window.from_ is not None and self._against(order, window.from_) < 0:
                yield _limit(under, window.from_, "from", order.amount)
            if window.up_to is not None and self._against(order, window.up_to) > 0:
                yield _limit(over, window.up_to, "up_to", order.amount)
            if window.below is not None and self._against(order, window.below) >= 0:
                yield _limit(over, window.below, "below", order.amount)
        except NoReferenceRate as missing:
            yield Reason(unknown, limit=missing.currency, own=order.amount)

    def _against(self, order: Order, limit: Money) -> int:
        """Whether the amount is over a limit (above nothing), at it (nothing) or under it; exact, never rounded."""
        amount = order.amount
        if limit.currency == amount.currency:
            return amount.minor - limit.minor
        factor = self.rates.per_minor(limit.currency, amount.currency, order.placed_on)
        return amount.minor * factor.denominator - limit.minor * factor.numerator


def _limit(code: ReasonCode, limit: Money, end: str, amount: Money) -> Reason:
    brought = "" if limit.currency == amount.currency else limit.currency
    return Reason(code, limit=limit, own=amount, fields={"end": end, "brought_from": brought})
