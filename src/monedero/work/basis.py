"""What a decision rests on: the draft that the owner edits, or the newest edition that buyers see."""

from dataclasses import dataclass
from datetime import date
from fractions import Fraction
from functools import lru_cache

from monedero.core.account import Mode
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound
from monedero.core.fields import currency as read_currency
from monedero.core.fields import money_not_negative
from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.method import Method
from monedero.core.order import Order
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import RateCard
from monedero.core.shop import Line, Market, Shop
from monedero.core.tender.decision import Setting
from monedero.core.tender.model import Checkout
from monedero.figures import methods, reference_rates
from monedero.store import Store
from monedero.store.documents import Held

STOREFRONT = "Web shop"


@dataclass(frozen=True, slots=True)
class Basis:
    """A shop with its checkout; `edition` is None for the draft, whose version is then given."""

    shop: Shop
    checkout: Checkout
    edition: int | None
    draft_version: int | None


@dataclass(frozen=True, slots=True)
class Hand:
    """The order in hand, with the market and the line that it came from."""

    order: Order
    market: Market
    line: Line


@dataclass(frozen=True, slots=True)
class Sentence:
    """The order in hand as it is said: ids of a market and a line, an amount and its currency, the day."""

    market: str
    line: str
    amount: str
    currency: str
    on: date


def described_shop(store: Store) -> Held[Shop]:
    """The shop; refused until it is described."""
    held = store.shop.read()
    if held is None:
        raise Conflict(Fault(FaultCode.SHOP_NOT_DESCRIBED))
    return held


def draft(store: Store) -> Held[Checkout]:
    """The draft of the checkout; an empty one, version 0, before anything was put in it."""
    return store.draft.read() or Held(0, Checkout(storefront=STOREFRONT, mode=Mode.TEST))


def draft_basis(store: Store) -> Basis:
    """What the owner's views rest on."""
    held = draft(store)
    return Basis(described_shop(store).value, held.value, None, held.version)


def newest_basis(store: Store) -> Basis:
    """What buyers see; refused until the first edition is published."""
    edition = store.editions.newest()
    if edition is None:
        raise Conflict(Fault(FaultCode.NOT_PUBLISHED))
    return Basis(edition.held.shop, edition.held.checkout, edition.number, None)


def edition_basis(store: Store, number: int) -> Basis:
    """One edition, by its number."""
    edition = store.editions.get(number)
    if edition is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "edition", str(number), {"what": "edition"}))
    return Basis(edition.held.shop, edition.held.checkout, edition.number, None)


def hand(shop: Shop, said: Sentence) -> Hand:
    """The order in hand from its sentence; each part that is wrong is refused by its name."""
    markets = {entry.id: entry for entry in shop.markets}
    lines = {entry.id: entry for entry in shop.lines}
    if said.market not in markets:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "market", said.market, {"what": "market"}))
    if said.line not in lines:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "line", said.line, {"what": "line"}))
    market, line = markets[said.market], lines[said.line]
    try:
        money = money_not_negative(f"{said.amount} {read_currency(said.currency)}")
    except InvalidInput as refused:
        fault = refused.faults[0]
        if fault.code is FaultCode.MONEY_TEXT:
            fault = Fault(FaultCode.AMOUNT_TEXT, value=said.amount)
        unknown = fault.code is FaultCode.CURRENCY_UNKNOWN
        raise InvalidInput(fault.at("currency" if unknown else "amount")) from refused
    order = Order(
        amount=money,
        country=market.country,
        kinds=frozenset({line.kind}),
        recurring=line.recurring,
        placed_on=said.on,
    )
    return Hand(order, market, line)


def rates_of(shop: Shop) -> ReferenceRates:
    """The published reference rates with the shop's typed ones over them."""
    return _rates(tuple(sorted(shop.typed.items())))


@lru_cache(maxsize=8)
def _rates(typed: tuple[tuple[str, Fraction], ...]) -> ReferenceRates:
    return ReferenceRates(reference_rates.bundled(), dict(typed))


def methods_of(shop: Shop) -> dict[str, Method]:
    """Every known method by its id, with the shop's own."""
    return methods.known() | {own.method.id: own.method for own in shop.own_methods}


def method_of(shop: Shop, method_id: str) -> Method:
    """A method by its id; one that nobody described is the shop's own."""
    return methods_of(shop).get(method_id) or methods.method(method_id)


def catalogue_of(cards: list[RateCard], shop: Shop) -> Catalogue:
    """The rate cards as this shop's prices."""
    return Catalogue(cards, shop.country, rates_of(shop))


def setting_of(store: Store, basis: Basis) -> Setting:
    """What the decision needs besides tenders and order; accounts as they stand now."""
    return Setting(
        shop_country=basis.shop.country,
        shop_currency=basis.shop.currency,
        mode=basis.checkout.mode,
        methods={tender.method: method_of(basis.shop, tender.method) for tender in basis.checkout.tenders},
        accounts=store.accounts.of(basis.checkout.mode),
        rates=rates_of(basis.shop),
        storefront=basis.shop.storefront_of(basis.checkout.storefront),
    )


def amount_in_books(basis: Basis, hand: Hand) -> Fraction | None:
    """The order's amount in the shop currency, exact, or None where there is no reference rate."""
    try:
        return rates_of(basis.shop).convert(hand.order.amount, basis.shop.currency, hand.order.placed_on)
    except NoReferenceRate:
        return None
