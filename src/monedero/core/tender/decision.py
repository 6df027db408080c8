"""What is offered to an order: every tender in sequence, with its place or with all the reasons it is held back.

A tender is offered when it is on, its method can carry the order, its account stands ready in the checkout's
mode with this method active, and the amount lies in its window. Reasons come in this sequence: off; method
(shop's country, buyer's country, currency, amount, recurring, kind); account; the shop's conditions. The decision
is pure: the same values give the same answer.

Source: own design.

>>> from datetime import date
>>> cash = Tender(id="cash", method="cash", on=False, name="Cash on the day")
>>> order = Order(Money(8500, "EUR"), "ES", frozenset(), False, date(2026, 11, 24))
>>> traits = Method(id="cash", name="Cash", family="cash", buyer="Pays on the day.", recurring=False, own=True)
>>> setting = Setting("PT", "EUR", Mode.TEST, {"cash": traits}, {}, None)
>>> [reason.code.value for reason in decide([cash], order, setting)[0].reasons]
['off']
>>> decide([cash], order, Setting("PT", "EUR", Mode.TEST, {}, {}, None))
Traceback (most recent call last):
...
KeyError: 'cash'
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from monedero.core.account import Account, Mode, Stage
from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.method import Method
from monedero.core.money import Money
from monedero.core.order import Order
from monedero.core.reasons import Reason, ReasonCode
from monedero.core.shop import Storefront
from monedero.core.tender.model import Tender
from monedero.core.window import Window


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


def decide(tenders: Iterable[Tender], order: Order, setting: Setting) -> list[Outcome]:
    """Every tender in sequence with its outcome; `setting.methods` must know every method used."""
    outcomes: list[Outcome] = []
    place = 0
    for tender in tenders:
        reasons = tuple(held_back(tender, order, setting))
        if not reasons:
            place += 1
        outcomes.append(Outcome(tender, None if reasons else place, reasons))
    return outcomes


def held_back(tender: Tender, order: Order, setting: Setting) -> Iterable[Reason]:
    """Every reason why one tender is not offered, in sequence."""
    if not tender.on and not tender.follows:
        yield Reason(ReasonCode.OFF)
    yield from cannot_carry(setting.methods[tender.method], order, setting)
    if tender.route is not None:
        yield from _account(tender, tender.route.provider, setting)
    yield from _window(tender.windows, order, setting)


def cannot_carry(method: Method, order: Order, setting: Setting) -> Iterable[Reason]:
    """Every reason why a method cannot carry an order, in sequence."""
    if method.shop_countries is not None and setting.shop_country not in method.shop_countries:
        yield _not_in(ReasonCode.METHOD_SHOP_COUNTRY, method.shop_countries, setting.shop_country)
    if method.buyer_countries is not None and order.country not in method.buyer_countries:
        yield _not_in(ReasonCode.METHOD_COUNTRY, method.buyer_countries, order.country)
    if method.currencies is not None and order.amount.currency not in method.currencies:
        yield _not_in(ReasonCode.METHOD_CURRENCY, method.currencies, order.amount.currency)
    if method.amount is not None:
        yield from _limits(method.amount, order, setting, METHOD_LIMITS)
    if order.recurring and not method.recurring:
        yield Reason(ReasonCode.METHOD_RECURRING)
    if method.kinds is not None and not order.kinds.issubset(method.kinds):
        yield _not_in(ReasonCode.METHOD_KIND, method.kinds, "+".join(sorted(order.kinds)))


def _not_in(code: ReasonCode, allowed: Iterable[str], own: str) -> Reason:
    return Reason(code, limit=", ".join(allowed), own=own)


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
    held = next((entry for entry in account.other_methods if entry.method == method), None)
    return {"standing": held.standing.value, "why": held.reason} if held else {"standing": "", "why": ""}


def _window(windows: Iterable[Window], order: Order, setting: Setting) -> Iterable[Reason]:
    """The window in the order's own currency, else the one in the shop's currency, brought over unrounded."""
    own = books = None
    for window in windows:
        if window.currency == order.amount.currency:
            own = window
        elif window.currency == setting.shop_currency:
            books = window
    held = own or books
    if held is not None:
        yield from _limits(held, order, setting, WINDOW_LIMITS)


METHOD_LIMITS = (
    ReasonCode.METHOD_AMOUNT_UNDER,
    ReasonCode.METHOD_AMOUNT_OVER,
    ReasonCode.METHOD_AMOUNT_UNKNOWN,
)
WINDOW_LIMITS = (ReasonCode.WINDOW_UNDER, ReasonCode.WINDOW_OVER, ReasonCode.WINDOW_UNKNOWN)


def _limits(
    window: Window, order: Order, setting: Setting, codes: tuple[ReasonCode, ReasonCode, ReasonCode]
) -> Iterable[Reason]:
    """Reasons from an amount under or over limits; limits in another currency are brought over and say so."""
    under, over, unknown = codes
    amount = order.amount
    try:
        if window.from_ is not None and _against(amount, window.from_, order, setting) < 0:
            yield _limit(under, window.from_, "from", amount)
        if window.up_to is not None and _against(amount, window.up_to, order, setting) > 0:
            yield _limit(over, window.up_to, "up_to", amount)
        if window.below is not None and _against(amount, window.below, order, setting) >= 0:
            yield _limit(over, window.below, "below", amount)
    except NoReferenceRate as missing:
        yield Reason(unknown, limit=missing.currency, own=str(amount))


def _against(amount: Money, limit: Money, order: Order, setting: Setting) -> int:
    """Whether an amount lies over a limit (above nothing), at it (nothing) or under it; exact, never rounded."""
    if limit.currency == amount.currency:
        return amount.minor - limit.minor
    factor = setting.rates.per_minor(limit.currency, amount.currency, order.placed_on)
    return amount.minor * factor.denominator - limit.minor * factor.numerator


def _limit(code: ReasonCode, limit: Money, end: str, amount: Money) -> Reason:
    brought = "" if limit.currency == amount.currency else limit.currency
    return Reason(code, limit=str(limit), own=str(amount), fields={"end": end, "brought_from": brought})
