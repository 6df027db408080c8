"""A tender widened just as far as some orders need it, and the acts that do it.

Every act ends one reason, told by its code, for all of the orders: the tender is switched on, a limit is moved just as
far as the amounts go, a condition lets in just the values that are there, an account has to be ready.

Source: own design.

>>> Act("cash", ReasonCode.WINDOW_OVER, limit=Money(6000, "EUR"))
Act(tender='cash', code=<ReasonCode.WINDOW_OVER: 'window-over'>, values=(), limit=Money(minor=6000, currency='EUR'))
"""

from collections.abc import Iterable, Iterator, Sequence
from math import ceil, floor
from typing import NamedTuple

from monedero.core.checkout.checks import Check, Never
from monedero.core.checkout.condition import SharedConditions
from monedero.core.checkout.coverage.parts import Examined, Part
from monedero.core.checkout.coverage.possible import bits_of
from monedero.core.checkout.coverage.reach import PLACE_IN, Compiled, Reach, Region, less
from monedero.core.checkout.decision import Decision, Setting
from monedero.core.checkout.model import Tender
from monedero.core.checkout.widening import Around, can_widen, own_values, widened, without_limits
from monedero.core.money import Money
from monedero.core.order.facts import Part as PartOf
from monedero.core.order.model import Order
from monedero.core.reasons import ReasonCode
from monedero.core.window import Window

WINDOWS = (ReasonCode.WINDOW_UNDER, ReasonCode.WINDOW_OVER)
OF_ACCOUNT = (ReasonCode.ACCOUNT_STAGE, ReasonCode.ACCOUNT_METHOD, ReasonCode.ACCOUNT_STOREFRONT)


class Act(NamedTuple):
    """One act on a tender, by its id: the code of the reason that it ends; `code` None: its fee is taken off.

    `values` are those that a condition lets in then; `limit` is where a limit stands then, None where it is gone.
    """

    tender: str
    code: ReasonCode | None
    values: tuple[str, ...] = ()
    limit: Money | None = None


class Fix(NamedTuple):
    """Acts that end a finding: the tenders as they are then, and the accounts that have to be ready first, by id."""

    acts: tuple[Act, ...]
    tenders: tuple[Tender, ...]
    accounts: tuple[str, ...] = ()


class Widening:
    """Widens the tenders of one checkout."""

    def __init__(
        self, examined: Examined, shared: Sequence[SharedConditions], setting: Setting, out: Iterable[str] = ()
    ) -> None:
        """`setting` is that of the decision; accounts that are `out`, by id, are never made ready."""
        self._examined, self._shared, self._setting = examined, shared, setting
        self._around = Around(shared, setting.areas, setting.shop_currency)
        self._out = frozenset(out)
        self.tenders = [tender for tender, _ in examined.decision.tenders]

    def can_end(self, at: int, code: str) -> bool:
        """True if a reason of a tender, by its place, is the shop's own to end."""
        if code in OF_ACCOUNT:
            return (self.tenders[at].carried_by or "") not in self._out
        return can_widen(ReasonCode(code))

    def able(self, part: Part, at: int) -> Reach:
        """The orders that a tender can be offered for once all is ended that is the shop's own to end."""
        compiled = part.compiled[at]
        return but(compiled, part.boxes.everything, [code for code in compiled.by_code if self.can_end(at, code)])

    def reach(self, part: Part, tender: Tender) -> Reach:
        """Tells what a changed tender is offered for, its account left aside."""
        decision = Decision([tender], self._setting, self._shared)
        changed = Examined(decision, self._examined.space, _not_the_account).part(part.region)
        return changed.compiled[0].reach

    def widened(self, part: Part, at: int, wanted: Sequence[Reach]) -> Fix:
        """A tender that can be offered for some orders, widened so that it is."""
        tender, compiled = self.tenders[at], part.compiled[at]
        acts: list[Act] = []
        accounts: list[str] = []
        for code in map(ReasonCode, compiled.by_code):
            lets_in = compiled.by_code[code.value]
            lacking = [rest for reach in wanted for rest in less(reach, lets_in) if part.possible.any(rest)]
            if not lacking:
                continue
            if code in OF_ACCOUNT:
                carried_by = tender.carried_by or ""
                if carried_by not in accounts:
                    accounts.append(carried_by)
                    acts.append(Act(tender.id, code))
            elif code in WINDOWS:
                tender, limit = self._moved(tender, code, part.region, lacking)
                acts.append(Act(tender.id, code, limit=limit))
            else:
                tender, values = self._let_in(tender, code, part, (lacking, lets_in))
                acts.append(Act(tender.id, code, values))
        return Fix(tuple(acts), (tender,), tuple(accounts))

    def _let_in(
        self, tender: Tender, code: ReasonCode, part: Part, wanted: tuple[Sequence[Reach], Reach]
    ) -> tuple[Tender, tuple[str, ...]]:
        """A tender without a reason for some orders, and the values that its condition lets in then.

        `wanted` are those orders, and what the reason lets in before.
        """
        lacking, lets_in = wanted
        values: dict[str, None] = {}
        for order in _one_of_each(part, lacking, lets_in):
            wider = widened(tender, code, order, self._around)
            if wider is not None and wider != tender:
                values |= dict.fromkeys(own_values(code, order, self._around))
                tender = wider
        return tender, tuple(values)

    def _moved(
        self, tender: Tender, code: ReasonCode, region: Region, lacking: Sequence[Reach]
    ) -> tuple[Tender, Money | None]:
        """A tender with one end of its window moved just as far as some orders go, and where it stands then."""
        by_currency = {window.currency: window for window in tender.windows}
        window = by_currency.get(region.currency) or by_currency[self._around.books]
        limit = self._limit(code, region, lacking, window.currency)
        upper = code is ReasonCode.WINDOW_OVER
        moved = {
            "from_": window.from_ if upper else limit,
            "up_to": limit if upper else window.up_to,
            "below": None if upper else window.below,
        }
        if any(end is not None for end in moved.values()):
            instead = [Window(**moved)]
        else:
            instead = list(without_limits(window.currency, by_currency, self._around.books))
        place = tender.windows.index(window)
        kept = [*tender.windows[:place], *instead, *tender.windows[place + 1 :]]
        return tender.model_copy(update={"windows": kept}), limit

    def _limit(self, code: ReasonCode, region: Region, lacking: Sequence[Reach], currency: str) -> Money | None:
        """The tightest limit, in a currency, that lets some orders in; None where they go on without an end."""
        amounts = 0
        for reach in lacking:
            amounts |= reach.amounts
        begins, day = region.begins, self._examined.space.day
        last = amounts.bit_length()
        factor = self._setting.rates.per_minor(currency, region.currency, day)
        if code is ReasonCode.WINDOW_OVER:
            if last == len(begins):
                return None
            return Money(ceil((begins[last] - 1) / factor), currency)
        first = begins[next(bits_of(amounts))]
        least = floor(first / factor)
        return Money(least, currency) if first > 1 and least > 0 else None


def _not_the_account(check: Check) -> bool:
    return not isinstance(check, Never) or check.reason.code not in OF_ACCOUNT


def but(compiled: Compiled, everything: Reach, ended: Iterable[str]) -> Reach:
    """Tells what a tender is offered for when some codes are ended."""
    reach = everything
    for code, lets_in in compiled.by_code.items():
        if code not in ended:
            reach = reach.meets(lets_in)
    return reach


def _one_of_each(part: Part, reaches: Iterable[Reach], lets_in: Reach) -> Iterator[Order]:
    """Orders of some reaches in which every value that is not let in stands once at least.

    A reason is about one fact, whatever the others are: values that it does not speak of are those of one order.
    """
    space, everything, pieces = part.region.space, part.boxes.everything, part.pieces(reaches)
    first = part.values(pieces[0])
    held = {fact: 0 for fact in Reach._fields if getattr(lets_in, fact) != getattr(everything, fact)}
    for reach in map(part.boxes.reach, pieces):
        for fact in held:
            held[fact] |= getattr(reach, fact) & ~getattr(lets_in, fact)
    for place in bits_of(held.pop("places", 0)):
        market, area = divmod(place, part.region.width)
        yield space.order(first._replace(market=part.region.markets[market], area=area))
    yield from space.with_each_line(space.order(first), bits_of(held.pop("carts", 0)))
    if held.pop("amounts", 0):
        yield space.order(first)
    for fact, values in held.items():
        for at in bits_of(values):
            yield space.order(first._replace(**{PLACE_IN[PartOf(fact)]: at}))
