"""Tells which orders every tender gains and loses by a change, and which of them nobody can pay for then."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from typing import NamedTuple

from monedero.core.checkout.coverage.boxes import Box, largest
from monedero.core.checkout.coverage.difference import MoreOffered, more_offered, new_dead_ends
from monedero.core.checkout.coverage.parts import Examined
from monedero.core.checkout.coverage.reach import Region
from monedero.core.checkout.coverage.share import PlacedMonth, Share, share_of


class Move(NamedTuple):
    """Holds what a tender, by its id, gains or loses: largest boxes, those of most orders first, and the orders in
    them.
    """

    tender: str
    gains: bool
    boxes: Sequence[tuple[Region, Box]]
    share: Share


@dataclass(frozen=True, slots=True)
class Impact:
    """Holds what a change does: moves, losses and those of most orders first, and the dead ends that it makes."""

    before: Examined
    after: Examined
    moves: Sequence[Move]
    dead_ends: Sequence[tuple[Region, Box]]
    knows_month: bool

    @property
    def takes_away(self) -> bool:
        """True if somebody has fewer ways to pay then."""
        return bool(self.dead_ends) or any(not move.gains for move in self.moves)


class Months(NamedTuple):
    """The orders of a month as the shop sells before a change, and after it."""

    before: PlacedMonth
    after: PlacedMonth


def moves(before: Examined, after: Examined, months: Months) -> Impact:
    """Tells what changes from one checkout to another: what is lost of the month before, what is gained of the one
    after.
    """
    lost = {more.tender: more for more in more_offered(before, after, changed=True)}
    gained = {more.tender: more for more in more_offered(after, before, changed=True)}
    tenders = dict.fromkeys(tender.id for each in (after, before) for tender, _ in each.decision.tenders)
    found = []
    for tender in tenders:
        if tender in lost:
            found.append(_move(lost[tender], months.before, gains=False))
        if tender in gained:
            found.append(_move(gained[tender], months.after, gains=True))
    # Losses come before gains, and those of most orders first, so that no loss is out of sight.
    found.sort(key=lambda move: (move.gains, -move.share.orders))
    dead = largest_of(new_dead_ends(before, after))
    return Impact(before, after, found, _by_share(dead, months.after), bool(months.before))


def _move(more: MoreOffered, month: PlacedMonth, *, gains: bool) -> Move:
    boxes = _by_share(largest_of(more.boxes), month)
    return Move(more.tender, gains, boxes, share_of(boxes, month))


def largest_of(pieces: Iterable[tuple[Region, Box]]) -> list[tuple[Region, Box]]:
    """Pieces of any regions as largest boxes."""
    return list(_largest(pieces))


def _largest(pieces: Iterable[tuple[Region, Box]]) -> Iterator[tuple[Region, Box]]:
    by_currency: dict[str, tuple[Region, list[Box]]] = {}
    for region, box in pieces:
        by_currency.setdefault(region.currency, (region, []))[1].append(box)
    for region, boxes in by_currency.values():
        for box in largest(region, boxes):
            yield region, box


def _by_share(boxes: Sequence[tuple[Region, Box]], month: PlacedMonth) -> list[tuple[Region, Box]]:
    return sorted(boxes, key=lambda box: -share_of([box], month).orders)
