"""Facts that an order's lines say of it, where nothing else does: its kinds, whether it repeats, that nothing is
delivered.

A fact that is given goes before what the lines say. What a line says that nobody described is unknown.

Source: own design.

>>> from datetime import date
>>> from monedero.core.money import Money
>>> from monedero.core.shop import Line
>>> course = Line(id="course", name="Course", kind="course", usual_amount="49.00 EUR", recurring=False)
>>> order = Order(Money(4900, "EUR"), "ES", date(2026, 11, 24), lines=("course",))
>>> told = with_lines(order, {"course": course})
>>> sorted(told.kinds), told.recurring, told.delivery
([<LineKind.COURSE: 'course'>], False, 'none')
>>> with_lines(order, {}).recurring is None
True
"""

from collections.abc import Mapping
from dataclasses import replace
from typing import Protocol

from monedero.core.order.kinds import LineKind
from monedero.core.order.model import NOT_DELIVERED, Order


class Sold(Protocol):
    """Holds what a line says of an order that it is in."""

    @property
    def kind(self) -> LineKind:
        """Its kind."""
        ...

    @property
    def recurring(self) -> bool:
        """True if it repeats."""
        ...

    @property
    def deliveries(self) -> list[str] | None:
        """The ways of delivery that it may go; None where it is not delivered."""
        ...


def with_lines(order: Order, described: Mapping[str, Sold]) -> Order:
    """The order with what its lines say of it."""
    if not order.lines:
        return order
    lines = [described[id] for id in order.lines if id in described]
    every = len(lines) == len(order.lines)
    kinds, recurring, delivery = order.kinds, order.recurring, order.delivery
    if not kinds and every:
        kinds = frozenset(line.kind for line in lines)
    if recurring is None:
        repeats = any(line.recurring for line in lines)
        recurring = repeats if repeats or every else None
    if delivery is None and every and all(line.deliveries is None for line in lines):
        delivery = NOT_DELIVERED
    return replace(order, kinds=kinds, recurring=recurring, delivery=delivery)
