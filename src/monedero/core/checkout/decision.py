"""Tells what is offered to an order: every tender in sequence, with its place or with all the reasons it is held back.

A tender is offered when it is on, its method can carry the order, its account stands ready in the checkout's mode with
this method active and serves the storefront, the amount lies in its window, and each of the shop's conditions holds.
Reasons come in this sequence: off; method (shop's country, buyer's country, currency, amount, recurring, kind, taking
later, delivery, due before); what its buyer needs to pay; account; windows; conditions; card networks. Tenders without
a heading come first, then heading by heading. The decision is pure: the same values give the same answer.

Source: own design.

>>> from datetime import date
>>> from monedero.core.money import Money
>>> cash = Tender(id="cash", method="cash", on=False, name="Cash on the day")
>>> order = Order(Money(8500, "EUR"), "ES", date(2026, 11, 24), recurring=False)
>>> traits = Method(id="cash", name="Cash", family="cash", buyer="Pays on the day.", recurring=False, own=True)
>>> setting = Setting("PT", "EUR", Mode.TEST, {"cash": traits}, {}, None)
>>> [reason.code.value for reason in decide([cash], order, setting)[0].reasons]
['off']
"""

from collections.abc import Hashable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date
from types import MappingProxyType
from typing import Any, NamedTuple

from monedero.core.account import Account, Mode, Stage
from monedero.core.bounded import Bounded
from monedero.core.checkout.checks import (
    COUNTRY_CODES,
    CURRENCY_CODES,
    DELIVERY_CODES,
    DETAILS_CODES,
    KIND_CODES,
    METHOD_LIMITS,
    RECURRING_CODES,
    WINDOW_LIMITS,
    Check,
    Is,
    Never,
    NoneOf,
    OneOf,
    Within,
)
from monedero.core.checkout.condition import SharedConditions
from monedero.core.checkout.condition_checks import OnNetwork, condition_checks
from monedero.core.checkout.fee import Charge, Charged
from monedero.core.checkout.kept_checks import MOST_KEPT, Checks, KeptChecks, Said, values_of
from monedero.core.checkout.model import Heading, Tender, place_by
from monedero.core.delivery.model import Delivery, Handover
from monedero.core.fx import ReferenceRates
from monedero.core.method import Method, UnknownMethod
from monedero.core.order.area import Area
from monedero.core.order.facts import COUNTRY, CURRENCY, DELIVERY, KIND, LINE, RECURRING
from monedero.core.order.model import NOT_DELIVERED, Order
from monedero.core.reasons import Reason, ReasonCode
from monedero.core.shop import Storefront

NO_SETS: Mapping[str, SharedConditions] = MappingProxyType({})


@dataclass(frozen=True, slots=True)
class Setting:
    """The setting of a decision besides checkout and order; methods, accounts and areas are by their ids.

    `weighed` are the lines, by their ids, of which it is known only when they go out what they come to; of those with a
    deposit (`due_before`) a part is paid before the day. `details` are the currencies for which the buyers of some
    tenders, by their ids, get what they need to pay.
    """

    shop_country: str
    shop_currency: str
    mode: Mode
    methods: Mapping[str, Method]
    accounts: Mapping[str, Account]
    rates: ReferenceRates
    storefront: Storefront | None = None
    areas: Mapping[str, Area] = field(default_factory=dict)
    weighed: frozenset[str] = frozenset()
    due_before: frozenset[str] = frozenset()
    deliveries: Sequence[Delivery] = ()
    details: Mapping[str, Sequence[str]] = field(default_factory=dict)


class Outcome(NamedTuple):
    """Holds what a tender is for one order: offered at a place (from 1), or held back for reasons (place None).

    `heading` is the id of the heading that is shown above it, if one is; `charged` what its buyer pays on top.
    """

    tender: Tender
    place: int | None
    reasons: tuple[Reason, ...] = ()
    heading: str | None = None
    charged: Charged | None = None

    @property
    def offered(self) -> bool:
        """True if the buyer sees it."""
        return self.place is not None


class _Asked(NamedTuple):
    """Holds what was said of every tender for some values of facts, and those of them that nothing said holds back."""

    every: list[tuple[Tender, Said]]
    open: list[tuple[Tender, Checks]]


class Decision:
    """A checkout with its setting, compiled: for each tender the checks that an order must pass.

    It is made once, and then asked for any number of orders.
    """

    def __init__(
        self,
        tenders: Iterable[Tender],
        setting: Setting,
        shared: Iterable[SharedConditions] = (),
        headings: Iterable[Heading] = (),
    ) -> None:
        """Compile; `setting` must know every method and area used, `shared` and `headings` every one named."""
        sets = {each.id: each for each in shared}
        self.tenders = [(tender, KeptChecks(list(checks_of(tender, setting, sets)))) for tender in tenders]
        self._rates = setting.rates
        self._fees = {
            tender.id: Charge(tender.fee, tender.networks) for tender, _ in self.tenders if tender.fee is not None
        }
        place = place_by(headings)
        self._by_place = sorted(range(len(self.tenders)), key=lambda number: place(self.tenders[number][0]))
        fields = {field for _, checks in self.tenders for field in checks.fields}
        self._values, self._but_lines = values_of(fields), values_of(fields - {LINE.field})
        self._about_lines: list[Check] = []
        for _, checks in self.tenders:
            self._about_lines += [
                check for check in checks.checks if check.fact is LINE and check not in self._about_lines
            ]
        self._of_lines: Bounded[tuple[str, ...], tuple[bool, ...]] = Bounded(MOST_KEPT)
        self._alike: Bounded[Hashable, Hashable] = Bounded(MOST_KEPT)
        self._kept: Bounded[Any, _Asked] = Bounded(MOST_KEPT)

    @property
    def in_place(self) -> list[Tender]:
        """Every tender as buyers meet them: without a heading first, then heading by heading."""
        return [self.tenders[number][0] for number in self._by_place]

    def alike(self, order: Order) -> Hashable:
        """Tells what is said of an order but for its amount and day: the codes of the reasons against each tender."""
        lines = order.lines
        told = self._of_lines.get(lines)
        if told is None:
            told = self._of_lines.put(lines, self.told_of_lines(order))
        values = (self._but_lines(order), told)
        return self._alike.get(values) or self._alike.put(
            values, tuple(checks.said(order).codes for _, checks in self.tenders)
        )

    def told_of_lines(self, order: Order) -> tuple[bool, ...]:
        """Tells which checks about the lines of an order hold."""
        return tuple(check.holds(order) for check in self._about_lines)

    def offered(self, order: Order) -> list[Tender]:
        """The tenders that are offered for an order, as buyers meet them."""
        return [tender for tender, checks in self._asked(order).open if all(holds(order) for holds in checks)]

    def placed(self, order: Order) -> list[Outcome]:
        """The tenders that are offered for an order, as buyers meet them, each with its place, heading and fee."""
        tenders = self.offered(order)
        several = len({tender.heading for tender in tenders}) > 1
        return [
            Outcome(tender, place, (), tender.heading if several else None, self.charged(tender.id, order))
            for place, tender in enumerate(tenders, 1)
        ]

    def outcomes(self, order: Order) -> list[Outcome]:
        """Every tender in the sequence of the checkout with its outcome for an order."""
        placed = {outcome.tender.id: outcome for outcome in self.placed(order)}
        return [
            placed.get(tender.id) or Outcome(tender, None, said.reasons(order))
            for tender, said in self._asked(order).every
        ]

    def costs_more(self, tender: str, order: Order) -> bool:
        """True if an order costs its buyer more with a tender; no where that is not known."""
        charged = self.charged(tender, order)
        return charged is not None and charged.amount is not None and charged.amount.minor > 0

    def charged(self, tender: str, order: Order) -> Charged | None:
        """Tells what the buyer of an order pays on top of it with a tender, whether it is offered or not."""
        fee = self._fees.get(tender)
        return None if fee is None else fee.of(order, self._rates)

    def fee_turns(self, currency: str, day: date) -> set[int]:
        """The amounts, in minor units of a currency on a day, at which a buyer fee may begin or end to cost."""
        return {minor for charge in self._fees.values() for minor in charge.turns(currency, day, self._rates)}

    def _asked(self, order: Order) -> "_Asked":
        values = self._values(order)
        if asked := self._kept.get(values):
            return asked
        every = [(tender, checks.said(order)) for tender, checks in self.tenders]
        in_place = (every[number] for number in self._by_place)
        open_ = [(tender, said.checks) for tender, said in in_place if not said.only]
        return self._kept.put(values, _Asked(every, open_))


def decide(tenders: Iterable[Tender], order: Order, setting: Setting) -> list[Outcome]:
    """Every tender in sequence with its outcome for one order."""
    return Decision(tenders, setting).outcomes(order)


def checks_of(
    tender: Tender, setting: Setting, shared: Mapping[str, SharedConditions] = NO_SETS
) -> Iterator[Check]:
    """Tells what must hold for a tender to be offered, in sequence."""
    method = setting.methods[tender.method]
    if not tender.on and not tender.follows:
        yield Never(Reason(ReasonCode.OFF))
    yield from carrying(method, setting)
    if tender.id in setting.details:
        yield OneOf(CURRENCY, setting.details[tender.id], DETAILS_CODES)
    if not method.own and (tender.carried_by or not isinstance(method, UnknownMethod)):
        yield from map(Never, _account(tender, setting))
    if tender.windows:
        windows = {window.currency: window for window in tender.windows}
        yield Within(windows, setting.shop_currency, setting.rates, WINDOW_LIMITS)
    yield from condition_checks(tender.conditions, [shared[id] for id in tender.shared], setting.areas)
    if tender.networks is not None:
        yield OnNetwork(frozenset(tender.networks))


def carrying(method: Method, setting: Setting) -> Iterator[Check]:
    """Tells what must hold for a method to carry an order, in sequence."""
    if isinstance(method, UnknownMethod):
        yield Never(Reason(ReasonCode.METHOD_UNKNOWN, own=method.id))
        return
    if method.shop_countries is not None and setting.shop_country not in method.shop_countries:
        limit = tuple(method.shop_countries)
        yield Never(Reason(ReasonCode.METHOD_SHOP_COUNTRY, limit=limit, own=setting.shop_country))
    if method.buyer_countries is not None:
        yield OneOf(COUNTRY, method.buyer_countries, COUNTRY_CODES)
    if method.currencies is not None:
        yield OneOf(CURRENCY, method.currencies, CURRENCY_CODES)
    if method.amount is not None:
        currency = method.amount.currency
        yield Within({currency: method.amount}, currency, setting.rates, METHOD_LIMITS)
    if not method.recurring:
        yield Is(RECURRING, False, RECURRING_CODES)
    if method.kinds is not None:
        yield OneOf(KIND, method.kinds, KIND_CODES)
    if setting.weighed and method.authorisation_days is None:
        yield NoneOf(LINE, setting.weighed, ReasonCode.METHOD_TAKES_AT_ONCE)
    if method.handovers is not None:
        yield OneOf(DELIVERY, _fitting(method.handovers, setting.deliveries), DELIVERY_CODES)
    if setting.due_before and method.paid_at_handover:
        yield NoneOf(LINE, setting.due_before, ReasonCode.METHOD_DUE_BEFORE)


def _fitting(handovers: Sequence[Handover], deliveries: Iterable[Delivery]) -> tuple[str, ...]:
    """The ways of delivery that fit a method; one of the shop's own that does not say how it hands over fits all."""
    ways = [way.id for way in deliveries if way.handover is None or way.handover in handovers]
    return (*ways, *((NOT_DELIVERED,) if Handover.NOTHING in handovers else ()))


def cannot_carry(method: Method, order: Order, setting: Setting) -> Iterator[Reason]:
    """Every reason why a method cannot carry an order, in sequence."""
    return (reason for check in carrying(method, setting) for reason in check.reasons(order))


def _account(tender: Tender, setting: Setting) -> Iterator[Reason]:
    """Everything about its account that holds it back, each tested by itself; of one that is not begun only that."""
    account, method = setting.accounts.get(tender.carried_by or ""), tender.method
    provider = tender.route.provider if tender.route else account.provider if account else tender.carried_by or ""
    fields = {"provider": provider, "mode": setting.mode.value}
    if account is None:
        yield Reason(ReasonCode.ACCOUNT_STAGE, own=Stage.NOT_BEGUN.value, fields={**fields, "since": ""})
        return
    if account.stage is not Stage.CONNECTED or account.mode is not setting.mode:
        since = account.since.isoformat() if account.since else ""
        yield Reason(ReasonCode.ACCOUNT_STAGE, own=account.stage.value, fields={**fields, "since": since})
    if method not in account.active_methods:
        yield Reason(ReasonCode.ACCOUNT_METHOD, own=method, fields={**fields, **_standing(account, method)})
    front = setting.storefront
    if front is not None and account.storefronts is not None and front.id not in account.storefronts:
        yield Reason(ReasonCode.ACCOUNT_STOREFRONT, own=front.name, fields={"provider": provider})


def _standing(account: Account, method: str) -> dict[str, str]:
    """Tells where a method that is not active stands, and why."""
    other = account.standing_of(method)
    return {"standing": other.standing.value, "why": other.reason} if other else {"standing": "", "why": ""}
