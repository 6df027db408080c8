"""One order of those that coverage speaks of, to put in hand: of one line, at its usual amount if that is there."""

from collections.abc import Iterable
from typing import NamedTuple

from monedero.core.checkout.coverage.boxes import Box
from monedero.core.checkout.coverage.grid import Look, looked_at
from monedero.core.checkout.coverage.parts import Examined, Part
from monedero.core.checkout.coverage.possible import bits_of
from monedero.core.checkout.coverage.reach import Reach
from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.money import Money, round_half_up
from monedero.core.order.model import Order
from monedero.core.shop import Shop
from monedero.work.checkout.findings import Finding, FindingKind


class InCell(NamedTuple):
    """A cell of the grid: a market and lines by their ids, amounts in minor units from one on and below another."""

    market: str
    lines: tuple[str, ...]
    first: int
    below: int | None


def order_of_finding(
    examined: Examined, finding: Finding, look: Look, shop: Shop, rates: ReferenceRates
) -> Order | None:
    """An order of a finding that is looked at; None where the finding is about none."""
    if finding.found is None:
        return None
    part = next(part for part in examined.parts if part.region.currency == finding.found.region.currency)
    held = part.boxes.reach(finding.found.box).meets(looked_at(part, look))
    return best_order(part, [reach.meets(held) for reach in _of_kind(part, finding)], shop, rates)


def order_of_cell(examined: Examined, cell: InCell, look: Look, shop: Shop, rates: ReferenceRates) -> Order | None:
    """An order of a cell, one of those with the fewest ways to pay; None where there is no such cell."""
    space = examined.space
    for part in examined.parts:
        region = part.region
        places = [at for at, market in enumerate(region.markets) if space.markets[market].id == cell.market]
        if not places:
            continue
        cart = space.cart_of(cell.lines)
        every = part.boxes.everything
        held = looked_at(part, look).meets(
            every._replace(
                places=part.boxes.places(1 << places[0], (1 << region.width) - 1),
                carts=0 if cart is None else 1 << cart,
                amounts=sum(
                    1 << at
                    for at, begin in enumerate(region.begins)
                    if cell.first <= begin and (cell.below is None or begin < cell.below)
                ),
            )
        )
        by_count: dict[int, list[Reach]] = {}
        for some, reaches in part.where.items():
            meets = [reach.meets(held) for reach in reaches]
            by_count.setdefault(some.bit_count(), []).extend(reach for reach in meets if part.possible.any(reach))
        fewest = min((count for count, reaches in by_count.items() if reaches), default=None)
        return None if fewest is None else best_order(part, by_count[fewest], shop, rates)
    return None


def _of_kind(part: Part, finding: Finding) -> list[Reach]:
    if finding.kind is FindingKind.DEAD_END:
        return part.nobody
    if finding.kind is FindingKind.FEE_ONLY:
        return part.costly
    return part.only(part.tenders.index(finding.tender))


def best_order(part: Part, reaches: Iterable[Reach], shop: Shop, rates: ReferenceRates) -> Order | None:
    """An order of one line, of the first market and line in the shop's sequence; None where all are of two lines."""
    pieces = part.pieces(reach for reach in reaches if part.possible.any(reach))
    single = (1 << len(part.region.space.classes)) - 1
    own = [piece._replace(carts=piece.carts & single) for piece in pieces if piece.carts & single]
    if not own:
        return None
    piece = min(own, key=lambda piece: (next(bits_of(piece.markets)), next(bits_of(piece.carts)), piece.first))
    order = part.example(piece)
    return order.on(Money(_amount(part, piece, order, shop, rates), order.amount.currency), order.placed_on)


def _amount(part: Part, piece: Box, order: Order, shop: Shop, rates: ReferenceRates) -> int:
    """The usual amount of the order's line, or what is nearest to it among the amounts of a piece."""
    begins = part.region.begins
    first = begins[piece.first]
    last = begins[piece.last + 1] - 1 if piece.last + 1 < len(begins) else None
    usual = next(line.usual_amount for line in shop.lines if line.id == order.lines[0])
    try:
        factor = rates.per_minor(usual.currency, order.amount.currency, order.placed_on)
    except NoReferenceRate:
        return first
    exact = usual.minor * factor
    wished = max(round_half_up(exact.numerator, exact.denominator), first)
    return wished if last is None else min(wished, last)
