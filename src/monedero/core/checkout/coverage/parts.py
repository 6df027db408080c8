"""A compiled checkout with the orders that its shop can receive, and what of them each tender is offered for.

It is worked out once, currency by currency, and then asked for dead ends, for what stands where, for what would end a
dead end.

Source: own design.

>>> from datetime import date
>>> from monedero.core.account import Mode
>>> from monedero.core.fx import ReferenceRates
>>> from monedero.core.method import Method
>>> from monedero.core.shop import Line, Market
>>> from monedero.core.checkout.decision import Setting
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
>>> [(reach.amounts, str(part.example(part.pieces([reach])[0]).amount)) for reach in part.nobody]
[(2, '50.01 EUR')]
"""

from collections.abc import Callable, Hashable, Iterable, Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property

from monedero.core.checkout.checks import Check, Never
from monedero.core.checkout.coverage.boxes import Box, Boxes
from monedero.core.checkout.coverage.possible import Possible, bits_of
from monedero.core.checkout.coverage.reach import Compiled, Reach, Region, compiled, regions
from monedero.core.checkout.coverage.sets import Sets, sets_of
from monedero.core.checkout.coverage.space import NamedLine, Space, Values
from monedero.core.checkout.decision import Decision
from monedero.core.checkout.stretches import begins_of
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.order.of_lines import with_lines

Kept = Callable[[Check], bool]


def every_check(check: Check) -> bool:
    """No check is left aside."""
    return True


def accounts_aside(kept: Iterable[str]) -> Kept:
    """Leaves aside how accounts stand, but those of some providers or with some ids.

    >>> from monedero.core.reasons import Reason, ReasonCode
    >>> stands = Never(Reason(ReasonCode.ACCOUNT_STAGE, fields={"provider": "orlenta"}))
    >>> accounts_aside([])(stands), accounts_aside(["orlenta"])(stands)
    (False, True)
    """
    names = frozenset(kept)

    def keep(check: Check) -> bool:
        if not isinstance(check, Never) or not check.reason.code.value.startswith("account-"):
            return True
        return check.reason.fields.get("provider", "") in names

    return keep


@dataclass(frozen=True)
class Part:
    """The orders of one currency: what each tender is offered for, and the stretches in which its fee is above nothing.

    Tenders are told by their ids, in the sequence of the checkout.
    """

    region: Region
    boxes: Boxes
    tenders: Sequence[str]
    compiled: Sequence[Compiled]
    costs: Sequence[int]

    @property
    def possible(self) -> Possible:
        """Tells which values go together."""
        return self.region.possible

    @cached_property
    def where(self) -> Sets:
        """Every set of tenders that some order is offered, nothing among them, and where just that one is."""
        return sets_of([each.reach for each in self.compiled], self.boxes.everything, self.possible)

    @property
    def nobody(self) -> list[Reach]:
        """Tells where nothing is offered."""
        return self.where.get(0, [])

    def only(self, tender: int) -> list[Reach]:
        """Tells where one tender, by its place, is the only one that is offered."""
        return self.where.get(1 << tender, [])

    @cached_property
    def costly(self) -> list[Reach]:
        """Tells where something is offered, and all of it costs more than nothing."""
        found = []
        for some, reaches in self.where.items():
            amounts = self.boxes.everything.amounts if some else 0
            for at in bits_of(some):
                amounts &= self.costs[at]
            found += [reach._replace(amounts=reach.amounts & amounts) for reach in reaches]
        return [reach for reach in found if reach.amounts]

    def pieces(self, reaches: Iterable[Reach]) -> list[Box]:
        """Reaches as boxes in which everything goes together."""
        return [box for reach in reaches for box in self.boxes.pieces(reach)]

    def example(self, piece: Box) -> Order:
        """An order of a box in which everything goes together."""
        return self.region.space.order(self.values(piece))

    def values(self, piece: Box) -> Values:
        """The first value of every fact in a box."""
        firsts = {fact: next(bits_of(getattr(piece, fact))) for fact in Box._fields[:7]}
        return Values(
            market=self.region.markets[firsts["markets"]],
            area=firsts["areas"],
            cart=firsts["carts"],
            delivery=firsts["deliveries"],
            group=firsts["groups"],
            device=firsts["devices"],
            signed_in=firsts["signed_in"],
            minor=self.region.begins[piece.first],
        )


@dataclass(frozen=True)
class Examined:
    """A compiled checkout with the orders that its shop can receive, and which of its checks count."""

    decision: Decision
    space: Space
    keep: Kept = every_check

    def told_of_line(self, line: NamedLine) -> Hashable:
        """Tells which checks about the lines of an order hold for one of this line."""
        order = with_lines(Order(Money(1, "EUR"), "PT", self.space.day, lines=(line.id,)), {line.id: line})
        return self.decision.told_of_lines(order)

    @cached_property
    def parts(self) -> list[Part]:
        """Its parts, one for each currency."""
        return [self.part(region) for region in self.regions()]

    def regions(self, *others: Decision) -> Iterator[Region]:
        """The orders of each currency, cut at every amount at which a decision or a buyer fee may say something else.

        With other decisions they are cut where those may say something else too.
        """
        if not self.space.carts:
            return iter(())
        day = self.space.day
        cuts = {
            currency: {
                minor
                for each in (self.decision, *others)
                for minor in begins_of(each, currency, day) | each.fee_turns(currency, day)
            }
            for currency in dict.fromkeys(market.currency for market in self.space.markets)
        }
        return regions(self.space, cuts)

    def part(self, region: Region) -> Part:
        """Tells where every tender is offered in a region."""
        decision = self.decision
        found = [compiled(filter(self.keep, sifted.checks), region) for _, sifted in decision.tenders]
        tenders = [tender.id for tender, _ in decision.tenders]
        first = Values(market=region.markets[0])
        orders = [region.space.order(first._replace(minor=minor)) for minor in region.begins]
        costs = [
            sum(1 << at for at, order in enumerate(orders) if decision.costs_more(id, order)) for id in tenders
        ]
        return Part(region, Boxes(region), tenders, found, costs)
