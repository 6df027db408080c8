"""How many ways to pay there are for every line in every market, amount by amount.

A cell holds neighbouring amounts at which the same least and most ways are offered over all the orders that are looked
at. Markets in which everything is the same stand together. Two lines in one cart are a row of their own only where
nobody can pay for both though each can be paid for alone.

Source: own design.

>>> from datetime import date
>>> from monedero.core.account import Mode
>>> from monedero.core.checkout.coverage.parts import Examined
>>> from monedero.core.checkout.coverage.space import Space
>>> from monedero.core.fx import ReferenceRates
>>> from monedero.core.method import Method
>>> from monedero.core.shop import Line, Market
>>> from monedero.core.checkout.decision import Decision, Setting
>>> from monedero.core.checkout.model import Tender
>>> market = Market(id="pt", country="PT", currency="EUR", share="100")
>>> line = Line(id="chart", name="Chart", kind="goods", usual_amount="9 EUR", recurring=False)
>>> space = Space.of([market], [line], [], [], [], date(2026, 11, 27))
>>> class NoTable:
...     days: list[date] = []
>>> traits = Method(id="cash", name="Cash", family="cash", buyer="Pays.", recurring=True, own=True)
>>> setting = Setting("PT", "EUR", Mode.TEST, {"cash": traits}, {}, ReferenceRates(NoTable()))
>>> cash = Tender(id="cash", method="cash", on=True, name="Cash", windows=[{"up_to": "50.00 EUR"}])
>>> [part] = Examined(Decision([cash], setting), space).parts
>>> [block] = blocks(part, Look())
>>> [(cell.first, cell.last, cell.least, cell.most, cell.only) for cell in block.rows[0].cells]
[(0, 0, 1, 1, 'cash'), (1, 1, 0, 0, '')]
"""

from collections.abc import Iterator, Sequence
from functools import cache
from typing import NamedTuple

from monedero.core.checkout.coverage.parts import Part
from monedero.core.checkout.coverage.possible import bits_of
from monedero.core.checkout.coverage.reach import Reach
from monedero.core.order.model import Device


class Look(NamedTuple):
    """Holds which orders are looked at; None: all of them."""

    delivery: str | None = None
    group: str | None = None
    device: Device | None = None
    signed_in: bool | None = None
    recurring: bool | None = None


class Cell(NamedTuple):
    """Stretches of amounts from one to another, both included, with the least and the most ways that orders have there.

    `only` is the one tender that all of them have, where it is one.
    """

    first: int
    last: int
    least: int
    most: int
    only: str = ""


class Row(NamedTuple):
    """A cart, by its place in the space, with its cells from the lowest amounts on."""

    cart: int
    cells: tuple[Cell, ...]


class Block(NamedTuple):
    """Markets of a region, by their places in it, and the rows that are the same in all of them."""

    markets: tuple[int, ...]
    rows: tuple[Row, ...]


def blocks(part: Part, look: Look) -> list[Block]:
    """The grid of one currency; carts and markets without an order that is looked at are left out."""
    seen = looked_at(part, look)
    found = [
        (some, meets)
        for some, reaches in part.where.items()
        for reach in reaches
        if part.possible.any(meets := reach.meets(seen))
    ]
    carts = {
        cart: sum(1 << at for at, (_, reach) in enumerate(found) if _holds(part, reach, cart))
        for cart in range(len(part.region.space.carts))
    }

    @cache
    def cells(own: int) -> tuple[Cell, ...]:
        return _cells(part, [found[at] for at in bits_of(own)])

    by_rows: dict[tuple[Row, ...], list[int]] = {}
    for market in range(len(part.region.markets)):
        places = part.boxes.places(1 << market, (1 << part.region.width) - 1)
        here = sum(1 << at for at, (_, reach) in enumerate(found) if reach.places & places)
        rows = [Row(cart, cells(own & here)) for cart, own in carts.items() if own & here]
        by_rows.setdefault(tuple(_told(part, rows)), []).append(market)
    return [Block(tuple(markets), rows) for rows, markets in by_rows.items() if rows]


def looked_at(part: Part, look: Look) -> Reach:
    """The orders of a part that are looked at."""
    space, everything = part.region.space, part.boxes.everything

    def among(values: Sequence[object], wanted: object) -> int:
        return sum(1 << at for at, value in enumerate(values) if wanted is None or value == wanted)

    recurring = [space.lines[cart.lines[0]].recurring for cart in space.carts]
    return everything._replace(
        carts=among(recurring, look.recurring),
        deliveries=among(space.deliveries, look.delivery),
        groups=among(space.groups, look.group),
        devices=among(space.devices, look.device),
        signed_in=among(space.signed_in, look.signed_in),
    )


def _holds(part: Part, reach: Reach, cart: int) -> bool:
    """True if a reach holds an order of a cart."""
    return bool(reach.carts >> cart & 1) and part.possible.any(reach._replace(carts=1 << cart))


def _cells(part: Part, found: Sequence[tuple[int, Reach]]) -> tuple[Cell, ...]:
    """The cells of orders that are offered sets of tenders, neighbours that say the same as one."""
    by_count: dict[int, int] = {}
    alone: dict[int, int] = {}
    for some, reach in found:
        count = some.bit_count()
        by_count[count] = by_count.get(count, 0) | reach.amounts
        if count == 1:
            alone[some] = alone.get(some, 0) | reach.amounts
    counts = sorted(by_count.items())
    cells: list[Cell] = []
    for at in range(len(part.region.begins)):
        there = [count for count, amounts in counts if amounts >> at & 1]
        only = [some for some, amounts in alone.items() if amounts >> at & 1] if there[-1] == 1 == there[0] else []
        name = part.tenders[only[0].bit_length() - 1] if len(only) == 1 else ""
        cell = Cell(at, at, there[0], there[-1], name)
        if cells and cells[-1][2:] == cell[2:]:
            cells[-1] = cells[-1]._replace(last=at)
        else:
            cells.append(cell)
    return tuple(cells)


def _told(part: Part, rows: Sequence[Row]) -> Iterator[Row]:
    """Every line by itself, and two in one cart where nobody can pay for both, but for each alone."""
    carts = part.region.space.carts
    dead = {carts[row.cart].classes: _dead(row) for row in rows}
    for row in rows:
        classes = carts[row.cart].classes
        alone = 0
        for each in classes if len(classes) > 1 else ():
            alone |= dead.get((each,), 0)
        if len(classes) == 1 or dead[classes] & ~alone:
            yield row


def _dead(row: Row) -> int:
    """The stretches of a row in which somebody cannot pay."""
    return sum((1 << cell.last + 1) - (1 << cell.first) for cell in row.cells if cell.least == 0)
