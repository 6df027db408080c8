"""The smallest changes that end what coverage found.

A dead end is ended by one tender that is offered to all of its orders then, or, where no tender can be, by two. What
keeps a tender from them are checks, each with a code; those that are the shop's own to end are ended, one act for each:
the tender is switched on, a limit is moved just as far as the amounts go, a condition lets in just the values that are
there, an account is connected. A single tender is ended by a second one in the same way, orders that all bear a fee by
a tender without one or by a fee that is taken off, a tender that nothing reaches by the fewest acts that let one order
in.

Source: own design, as in `docs/coverage.md`.

>>> from datetime import date
>>> from monedero.core.account import Mode
>>> from monedero.core.checkout.coverage.answer import coverage
>>> from monedero.core.checkout.coverage.parts import Examined
>>> from monedero.core.checkout.coverage.space import Space
>>> from monedero.core.fx import ReferenceRates
>>> from monedero.core.method import Method
>>> from monedero.core.shop import Line, Market
>>> from monedero.core.checkout.decision import Decision, Setting
>>> from monedero.core.checkout.model import Tender
>>> market = Market(id="pt", country="PT", currency="EUR", share="100")
>>> line = Line(id="chart", name="Chart", kind="goods", usual_amount="9 EUR", recurring=False)
>>> class NoTable:
...     days: list[date] = []
>>> traits = Method(id="cash", name="Cash", family="cash", buyer="Pays.", recurring=True, own=True)
>>> setting = Setting("PT", "EUR", Mode.TEST, {"cash": traits}, {}, ReferenceRates(NoTable()))
>>> cash = Tender(id="cash", method="cash", on=False, name="Cash", windows=[{"up_to": "50.00 EUR"}])
>>> space = Space.of([market], [line], [], [], [], date(2026, 11, 27))
>>> examined = Examined(Decision([cash], setting), space)
>>> fixes = Fixes(examined, Widening(examined, [], setting))
>>> [fix] = fixes.of_dead_end(coverage(examined).dead_ends[0])
>>> [(act.tender, act.code.value) for act in fix.acts], fix.tenders[0].on, fix.tenders[0].windows
([('cash', 'off'), ('cash', 'window-over')], True, [])
"""

from collections.abc import Container, Iterable, Iterator, Sequence
from itertools import combinations

from monedero.core.checkout.coverage.answer import Found
from monedero.core.checkout.coverage.boxes import Box
from monedero.core.checkout.coverage.parts import Examined, Part
from monedero.core.checkout.coverage.reach import Reach, less
from monedero.core.checkout.coverage.widen import Act, Fix, Widening, but

MOST, MOST_IN_PAIRS = 3, 40


class Fixes:
    """Finds what ends a finding of one checkout."""

    def __init__(self, examined: Examined, widening: Widening) -> None:
        """The checkout, and what widens its tenders."""
        self._examined, self._widening = examined, widening
        self._tenders = widening.tenders

    def of_dead_end(self, found: Found) -> list[Fix]:
        """Tells what ends a dead end."""
        part = self._part(found)
        return self._best(
            self._by_one_or_two(part, _within(part, part.nobody, found.box), range(len(self._tenders)))
        )

    def of_single(self, found: Found) -> list[Fix]:
        """Tells what puts a second tender beside the single one."""
        part = self._part(found)
        at = part.tenders.index(found.tender)
        others = [other for other in range(len(self._tenders)) if other != at]
        carried_by = self._tenders[at].carried_by
        beside = {tender.id for tender in self._tenders if carried_by and tender.carried_by == carried_by}
        return self._best(self._by_one_or_two(part, _within(part, part.only(at), found.box), others), beside)

    def of_fee_only(self, found: Found) -> list[Fix]:
        """Tells what lets the orders be paid without a fee: a fee that is taken off, or a tender without one."""
        part = self._part(found)
        wanted = _within(part, part.costly, found.box)
        fixes = [
            Fix((Act(tender.id, None),), (tender.model_copy(update={"fee": None}),))
            for at, tender in enumerate(self._tenders)
            if not any(rest for reach in wanted for rest in less(reach, part.compiled[at].reach))
        ]
        free = [
            at for at in range(len(self._tenders)) if not any(reach.amounts & part.costs[at] for reach in wanted)
        ]
        return self._best([*fixes, *self._by_one_or_two(part, wanted, free)])

    def of_unreachable(self, tender: str) -> list[Fix]:
        """The fewest acts that let an order reach a tender; nothing where none of the shop's own does."""
        at = next(place for place, each in enumerate(self._tenders) if each.id == tender)
        codes = {code for part in self._examined.parts for code in part.compiled[at].by_code}
        own = [code for code in sorted(codes) if self._widening.can_end(at, code)]
        for size in range(1, len(own) + 1):
            for some in combinations(own, size):
                for part in self._examined.parts:
                    reach = but(part.compiled[at], part.boxes.everything, some)
                    if part.possible.any(reach):
                        [piece, *_] = part.pieces([reach])
                        one = part.boxes.reach(_one_of(part, piece))
                        return self._best([self._widening.widened(part, at, [one])])
        return []

    def _part(self, found: Found) -> Part:
        return next(part for part in self._examined.parts if part.region.currency == found.region.currency)

    def _by_one_or_two(self, part: Part, wanted: Sequence[Reach], tenders: Iterable[int]) -> list[Fix]:
        """Fixes by one of some tenders; where there is none, by two of them."""
        lacks = {}
        for at in tenders:
            able = self._widening.able(part, at)
            lacks[at] = [rest for reach in wanted for rest in less(reach, able) if part.possible.any(rest)]
        alone = [self._widening.widened(part, at, wanted) for at, rest in lacks.items() if not rest]
        if alone:
            return alone
        pairs = []
        # Two of very many are not looked for: a shop has no use for more than a few ways anyhow.
        some = [at for at, rest in lacks.items() if rest != list(wanted)][:MOST_IN_PAIRS]
        for one, other in combinations(some, 2):
            if any(reach for rest in lacks[one] for reach in _left(part, rest, self._widening.able(part, other))):
                continue
            second = self._widening.widened(part, other, lacks[one])
            covered = self._widening.reach(part, second.tenders[0])
            first = self._widening.widened(
                part, one, [rest for reach in wanted for rest in _left(part, reach, covered)]
            )
            pairs.append(
                Fix(
                    (*first.acts, *second.acts),
                    (*first.tenders, *second.tenders),
                    tuple(dict.fromkeys((*first.accounts, *second.accounts))),
                )
            )
        return pairs

    def _best(self, fixes: Iterable[Fix], later: Container[str] = ()) -> list[Fix]:
        """The fixes with the fewest acts; those that wait for an account last, and those by some tenders after others.

        A second tender that fails together with the first is such a one.
        """

        def rank(fix: Fix) -> tuple[int, bool, int]:
            return len(fix.accounts), any(tender.id in later for tender in fix.tenders), len(fix.acts)

        return sorted(fixes, key=rank)[:MOST]


def _within(part: Part, reaches: Iterable[Reach], box: Box) -> list[Reach]:
    """The orders of some reaches that lie in a box."""
    held = part.boxes.reach(box)
    return [meets for reach in reaches if part.possible.any(meets := reach.meets(held))]


def _left(part: Part, reach: Reach, other: Reach) -> Iterator[Reach]:
    return (rest for rest in less(reach, other) if part.possible.any(rest))


def _one_of(part: Part, piece: Box) -> Box:
    """A piece with one value of every fact and its first stretch of amounts."""
    facts = {fact: getattr(piece, fact) & -getattr(piece, fact) for fact in Box._fields[:7]}
    return piece._replace(**facts, last=piece.first)
