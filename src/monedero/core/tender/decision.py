"""What is offered to an order: every tender in sequence, with its place or with all the reasons it is held back.

A tender is offered when it is on, its method can carry the order, its account stands ready in the checkout's
mode with this method active, and the amount lies in its window. Reasons come in this sequence: off; method
(shop's country, buyer's country, currency, amount, recurring, kind); account; the shop's conditions. The decision
is pure: the same values give the same answer.

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

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass

from monedero.core.account import Account, Mode, Stage
from monedero.core.fx import ReferenceRates
from monedero.core.method import Method, UnknownMethod
from monedero.core.order.facts import COUNTRY, CURRENCY, KIND, RECURRING
from monedero.core.order.model import Order
from monedero.core.reasons import Reason, ReasonCode
from monedero.core.shop import Storefront
from monedero.core.tender.checks import (
    COUNTRY_CODES,
    CURRENCY_CODES,
    KIND_CODES,
    METHOD_LIMITS,
    RECURRING_CODES,
    WINDOW_LIMITS,
    Check,
    Is,
    Never,
    OneOf,
    Within,
)
from monedero.core.tender.model import Tender


@dataclass(frozen=True, slots=True)
class Setting:
    """What a decision needs besides tenders and order: shop, mode, storefront, methods, accounts by id, rates."""

    shop_country: str
    shop_currency: str
    mode: Mode
    methods: Mapping[str, Method]
    accounts: Mapping[str, Account]
    rates: ReferenceRates
    storefront: Storefront | None = None


@dataclass(frozen=True, slots=True)
class Outcome:
    """What a tender is for one order: offered at a place (from 1), or held back for reasons (place None)."""

    tender: Tender
    place: int | None
    reasons: tuple[Reason, ...]

    @property
    def offered(self) -> bool:
        """Whether the buyer sees it."""
        return self.place is not None


class Decision:
    """A checkout with its setting, compiled: for each tender the checks that an order must pass.

    It is made once, and then asked for any number of orders.
    """

    def __init__(self, tenders: Iterable[Tender], setting: Setting) -> None:
        """Compile; `setting.methods` must know every method used."""
        self.tenders = [(tender, tuple(checks_of(tender, setting))) for tender in tenders]
        self._possible = [
            (tender, checks)
            for tender, checks in self.tenders
            if not any(isinstance(check, Never) for check in checks)
        ]

    def offered(self, order: Order) -> list[Tender]:
        """The tenders that are offered for an order, in sequence."""
        return [tender for tender, checks in self._possible if all(check.holds(order) for check in checks)]

    def outcomes(self, order: Order) -> list[Outcome]:
        """Every tender in sequence with its outcome for an order."""
        outcomes: list[Outcome] = []
        place = 0
        for tender, checks in self.tenders:
            reasons = tuple(reason for check in checks for reason in check.reasons(order))
            if not reasons:
                place += 1
            outcomes.append(Outcome(tender, None if reasons else place, reasons))
        return outcomes


def decide(tenders: Iterable[Tender], order: Order, setting: Setting) -> list[Outcome]:
    """Every tender in sequence with its outcome for one order."""
    return Decision(tenders, setting).outcomes(order)


def checks_of(tender: Tender, setting: Setting) -> Iterator[Check]:
    """What must hold for a tender to be offered, in sequence."""
    if not tender.on and not tender.follows:
        yield Never(Reason(ReasonCode.OFF))
    yield from carrying(setting.methods[tender.method], setting)
    if tender.route is not None:
        yield from map(Never, _account(tender, tender.route.provider, setting))
    if tender.windows:
        windows = {window.currency: window for window in tender.windows}
        yield Within(windows, setting.shop_currency, setting.rates, WINDOW_LIMITS)


def carrying(method: Method, setting: Setting) -> Iterator[Check]:
    """What must hold for a method to carry an order, in sequence."""
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


def cannot_carry(method: Method, order: Order, setting: Setting) -> Iterator[Reason]:
    """Every reason why a method cannot carry an order, in sequence."""
    return (reason for check in carrying(method, setting) for reason in check.reasons(order))


def _account(tender: Tender, provider: str, setting: Setting) -> Iterable[Reason]:
    account, method = setting.accounts.get(tender.carried_by or ""), tender.method
    ready = account is not None and account.stage is Stage.CONNECTED and account.mode is setting.mode
    if account is not None and ready and method in account.active_methods:
        front = setting.storefront
        if front is not None and account.storefronts is not None and front.id not in account.storefronts:
            yield Reason(ReasonCode.ACCOUNT_STOREFRONT, own=front.name, fields={"provider": provider})
        return
    fields = {"provider": provider, "mode": setting.mode.value}
    if account is not None and ready:
        yield Reason(ReasonCode.ACCOUNT_METHOD, own=method, fields={**fields, **_standing(account, method)})
    else:
        stage = Stage.NOT_BEGUN if account is None else account.stage
        since = account.since.isoformat() if account and account.since else ""
        yield Reason(ReasonCode.ACCOUNT_STAGE, own=stage.value, fields={**fields, "since": since})


def _standing(account: Account, method: str) -> dict[str, str]:
    """Where a method that is not active stands, and why."""
    other = account.standing_of(method)
    return {"standing": other.standing.value, "why": other.reason} if other else {"standing": "", "why": ""}
