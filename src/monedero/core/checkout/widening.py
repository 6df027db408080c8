"""The smallest change of a tender that ends one reason why it is held back for an order.

What is the shop's own can be changed: a tender that is off is switched on, the end of a window that the amount is
beyond is taken away, a list lets in the order's own value, a yes or no and a span of days are taken out, a card network
is added. What the method, its account or an unknown fact says stays. A shared set that fails is written into the
tender, so that its other users keep it as it is.

Source: own design.

>>> from datetime import date
>>> from monedero.core.money import Money
>>> tender = Tender(id="card", method="card", on=True, name="Card", conditions=[{"fact": "country", "only": ["PT"]}])
>>> order = Order(Money(8500, "EUR"), "ES", date(2026, 11, 24))
>>> wider = widened(tender, ReasonCode.CONDITION_COUNTRY, order, Around([], {}, "EUR"))
>>> wider.conditions[0].only if wider else None
['PT', 'ES']
>>> widened(tender, ReasonCode.METHOD_COUNTRY, order, Around([], {}, "EUR")) is None
True
"""

from collections.abc import Container, Iterable, Mapping, Sequence
from typing import NamedTuple

from monedero.core.checkout.condition import Condition, SharedConditions
from monedero.core.checkout.condition_checks import condition_checks
from monedero.core.checkout.model import Tender
from monedero.core.money import Money
from monedero.core.order.area import Area
from monedero.core.order.facts import BY_ID
from monedero.core.order.model import Order
from monedero.core.reasons import ReasonCode
from monedero.core.window import Window

CONDITION, UNKNOWN = "condition-", "-unknown"


class Around(NamedTuple):
    """Holds what a tender's conditions rest on: the shared sets, the areas by their ids, the currency of the books."""

    shared: Sequence[SharedConditions]
    areas: Mapping[str, Area]
    books: str


def can_widen(code: ReasonCode) -> bool:
    """True if a reason is the shop's own and can be ended by a change of the tender.

    >>> can_widen(ReasonCode.WINDOW_OVER), can_widen(ReasonCode.CONDITION_DEVICE_UNKNOWN)
    (True, False)
    """
    if code in (ReasonCode.OFF, ReasonCode.WINDOW_UNDER, ReasonCode.WINDOW_OVER):
        return True
    return code.value.startswith(CONDITION) and not code.value.endswith(UNKNOWN)


def widened(tender: Tender, code: ReasonCode, order: Order, around: Around) -> Tender | None:
    """The tender without the reason for an order; None where it is not the tender's to end."""
    if not can_widen(code):
        return None
    if code is ReasonCode.OFF:
        return tender.model_copy(update={"on": True})
    if code in (ReasonCode.WINDOW_UNDER, ReasonCode.WINDOW_OVER):
        return tender.model_copy(update={"windows": list(_lifted(tender.windows, code, order, around.books))})
    if code is ReasonCode.CONDITION_CARD_NETWORK:
        networks = [*(tender.networks or []), order.card_network]
        return tender.model_copy(update={"networks": networks})
    fact = _fact_of(code)
    failing = [
        each
        for each in around.shared
        if each.id in tender.shared
        and any(_fails(condition, fact, order, around) for condition in each.conditions)
    ]
    written = [condition for each in failing for condition in each.conditions]
    kept = [id for id in tender.shared if id not in {each.id for each in failing}]
    conditions = list(_let_in([*tender.conditions, *written], fact, order, around))
    return tender.model_copy(update={"shared": kept, "conditions": conditions})


def _lifted(windows: Iterable[Window], code: ReasonCode, order: Order, books: str) -> Iterable[Window]:
    """The windows without the end that an amount is beyond; one that has no end left is gone."""
    every = list(windows)
    currencies = {window.currency for window in every}
    holds = order.amount.currency if order.amount.currency in currencies else books
    for window in every:
        if window.currency != holds:
            yield window
        elif code is ReasonCode.WINDOW_OVER and window.from_ is not None:
            yield Window(from_=window.from_)
        elif code is ReasonCode.WINDOW_UNDER and (window.up_to is not None or window.below is not None):
            yield Window(up_to=window.up_to, below=window.below)
        else:
            yield from without_limits(holds, currencies, books)


def without_limits(currency: str, currencies: Container[str], books: str) -> Iterable[Window]:
    """Tells what stands for a window that has no end left: nothing, or every amount, where the books' own would hold
    then.

    >>> list(without_limits("EUR", {"EUR"}, "EUR")), list(without_limits("JPY", {"JPY"}, "EUR"))
    ([], [])
    >>> [window.from_ for window in without_limits("JPY", {"JPY", "EUR"}, "EUR")]
    [Money(minor=1, currency='JPY')]
    """
    if currency != books and books in currencies:
        yield Window(from_=Money(1, currency))


def _fails(condition: Condition, fact: str, order: Order, around: Around) -> bool:
    if condition.fact != fact:
        return False
    return not all(check.holds(order) for check in condition_checks([condition], [], around.areas))


def _let_in(conditions: Iterable[Condition], fact: str, order: Order, around: Around) -> Iterable[Condition]:
    """The conditions, those about a fact let the order in; one that lets everything in then is gone."""
    for condition in conditions:
        if not _fails(condition, fact, order, around):
            yield condition
            continue
        own = _own(fact, order, around)
        if condition.only is not None and own:
            more = [value for value in own if value not in condition.only]
            yield condition.model_copy(update={"only": [*condition.only, *more]})
        elif condition.not_ is not None and (left := [value for value in condition.not_ if value not in own]):
            yield condition.model_copy(update={"not_": left})


def own_values(code: ReasonCode, order: Order, around: Around) -> list[str]:
    """Tells what an order has of the fact that a reason is about; nothing where it is about no condition."""
    return _own(_fact_of(code), order, around) if code.value.startswith(CONDITION) else []


def _fact_of(code: ReasonCode) -> str:
    return code.value.removeprefix(CONDITION).replace("-", "_")


def _own(fact: str, order: Order, around: Around) -> list[str]:
    """The order's own values of a fact; of areas the ids of those in which it lies."""
    if fact == "area":
        lies = (area.id for area in around.areas.values() if area.holds(order.country, order.postcode, order.town))
        return list(lies)
    return [str(value) for value in BY_ID[fact].values(order)]
