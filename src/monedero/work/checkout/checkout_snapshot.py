"""A shop with a checkout as it was composed: the draft that the owner edits, or an edition that buyers see."""

from collections.abc import Mapping
from dataclasses import dataclass
from fractions import Fraction

from monedero.core.checkout.decision import Setting
from monedero.core.checkout.edition import Published
from monedero.core.checkout.model import Checkout
from monedero.core.errors import Conflict, Fault, FaultCode, NotFound
from monedero.core.fx import NoReferenceRate
from monedero.core.method import Method
from monedero.core.shop import Shop
from monedero.store import FIRST_MODE
from monedero.store.documents import Versioned
from monedero.store.providers_and_editions import Edition
from monedero.work.context import Context
from monedero.work.shop.lookups import described_shop, method_in, methods_of, rates_of, storefront_of
from monedero.work.shop.order_in_hand import OrderInHand


@dataclass(frozen=True, slots=True)
class CheckoutSnapshot:
    """A shop with a checkout and what its methods can carry.

    `edition` is the id of the edition; None for a draft, whose version is given.
    """

    shop: Shop
    checkout: Checkout
    methods: Mapping[str, Method]
    edition: int | None
    draft_version: int | None


def draft(context: Context) -> Versioned[Checkout]:
    """The draft of a storefront's checkout; an empty one, version 0, before anything was put in it."""
    front = storefront_of(described_shop(context.shop).value, context.storefront)
    return context.shop.checkouts.read(front.id) or Versioned(0, Checkout(storefront=front.id, mode=FIRST_MODE))


def drafted(context: Context) -> CheckoutSnapshot:
    """Tells what the owner's views of a storefront rest on."""
    shop, saved = described_shop(context.shop).value, draft(context)
    return CheckoutSnapshot(shop, saved.value, methods_of(shop), None, saved.version)


def published(context: Context) -> CheckoutSnapshot:
    """Tells what buyers of a storefront see; refused until its first edition is published."""
    shop = context.shop.description.read()
    edition = context.shop.editions.newest(storefront_of(shop.value, context.storefront).id) if shop else None
    if edition is None:
        raise Conflict(Fault(FaultCode.NOT_PUBLISHED))
    return _published(edition)


def edition_now(context: Context) -> CheckoutSnapshot | None:
    """Tells what buyers of a storefront see; None until its first edition is published."""
    edition = context.shop.editions.newest(context.storefront)
    return None if edition is None else _published(edition)


def edition_of(context: Context, id: int) -> Edition:
    """One edition of the storefront, by its id."""
    edition = context.shop.editions.get(id)
    if edition is None or edition.published.checkout.storefront != context.storefront:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "edition", str(id), {"what": "edition"}))
    return edition


def published_as(context: Context, id: int) -> CheckoutSnapshot:
    """One edition of any storefront, by its id."""
    edition = context.shop.editions.get(id)
    if edition is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "edition", str(id), {"what": "edition"}))
    return _published(edition)


def _published(edition: Edition) -> CheckoutSnapshot:
    return as_published(edition.published, edition.id)


def as_published(published: Published, id: int | None) -> CheckoutSnapshot:
    """An edition decides by what its methods could carry when it was published; those of before hold none.

    `id` is None for one that is planned.
    """
    methods = methods_of(published.shop) | dict(published.by_id)
    return CheckoutSnapshot(published.shop, published.checkout, methods, id, None)


def setting_of(context: Context, snapshot: CheckoutSnapshot) -> Setting:
    """Tells what the decision needs besides tenders and order; accounts as they stand now."""
    return Setting(
        shop_country=snapshot.shop.country,
        shop_currency=snapshot.shop.currency,
        mode=snapshot.checkout.mode,
        methods={
            tender.method: method_in(snapshot.methods, tender.method) for tender in snapshot.checkout.tenders
        },
        accounts=context.shop.accounts.of(snapshot.checkout.mode),
        rates=rates_of(snapshot.shop),
        storefront=snapshot.shop.storefront(snapshot.checkout.storefront),
        areas={area.id: area for area in snapshot.shop.areas},
        weighed=snapshot.shop.weighed,
        due_before=snapshot.shop.due_before,
        deliveries=snapshot.shop.deliveries,
        details=details_of(snapshot),
    )


def details_of(snapshot: CheckoutSnapshot) -> dict[str, list[str]]:
    """By tender, the currencies for which its buyers get what they need to pay; only tenders that lack one."""
    told, shop = snapshot.shop.arrangements, snapshot.shop
    currencies = sorted({shop.currency, *(market.currency for market in shop.markets)})
    found = {}
    for tender in snapshot.checkout.tenders:
        method = method_in(snapshot.methods, tender.method)
        has = [code for code in currencies if not method.own or not told.lacks_for(method.family, code)]
        if len(has) < len(currencies):
            found[tender.id] = has
    return found


def amount_in_books(snapshot: CheckoutSnapshot, hand: OrderInHand) -> Fraction | None:
    """The order's amount in the shop currency, exact, or None where there is no reference rate."""
    try:
        return rates_of(snapshot.shop).convert(hand.order.amount, snapshot.shop.currency, hand.order.placed_on)
    except NoReferenceRate:
        return None
