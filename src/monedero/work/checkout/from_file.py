"""A checkout from a file describes an empty shop: the shop, its accounts as held elsewhere, and the draft."""

from fractions import Fraction

from monedero.core.account import Account
from monedero.core.checkout.model import Checkout
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput
from monedero.core.method import Method
from monedero.core.money import split
from monedero.core.shop import Line, Market, OwnMethod, Shop
from monedero.figures import methods
from monedero.formats.checkout_file import CheckoutFile, FileMethod
from monedero.store import Store
from monedero.work.checkout.written import refuse_texts

WHOLE = 100


def open_file(store: Store, file: CheckoutFile) -> str:
    """Describe an empty shop by a file and put its draft in; the id of its storefront.

    Markets without a share get equal ones. Refuses a shop that is described already, and a line without a usual amount,
    which a shop needs. Methods that are not as they are known here become the shop's own.
    """
    if store.description.read() is not None:
        raise Conflict(Fault(FaultCode.SHOP_DESCRIBED))
    lacking = [(place, line.name) for place, line in enumerate(file.lines) if line.usual_amount is None]
    if lacking:
        code = FaultCode.LINE_WITHOUT_AMOUNT
        raise InvalidInput(*(Fault(code, f"lines.{place}.usual_amount", name) for place, name in lacking))
    shop = _shop(file)
    tenders = [tender.tender(file.shop.languages[0]) for tender in file.tenders]
    checkout = Checkout(
        storefront=file.storefront.id,
        mode=file.mode,
        headings=file.headings,
        shared_conditions=file.shared_conditions,
        tenders=tenders,
    )
    refuse_texts(None, checkout)
    with store.together():
        store.description.save(shop, 0)
        for account in file.accounts:
            held = Account.model_validate({**account.model_dump(), "elsewhere": True})
            store.accounts.put(held)
        store.checkouts.save(checkout, 0)
    return file.storefront.id


def _shop(file: CheckoutFile) -> Shop:
    """The shop that a file describes."""
    equal = split([Fraction(WHOLE, len(file.markets))] * len(file.markets), WHOLE) if file.markets else []
    return Shop(
        name=file.shop.name,
        country=file.shop.country,
        currency=file.shop.currency,
        languages=file.shop.languages,
        markets=[
            Market.model_validate(
                {**market.model_dump(), "share": str(share) if market.share is None else market.share}
            )
            for market, share in zip(file.markets, equal, strict=True)
        ],
        lines=[Line.model_validate(line.model_dump()) for line in file.lines],
        storefronts=[file.storefront],
        customer_groups=file.customer_groups,
        deliveries=file.deliveries,
        areas=file.areas,
        typed_rates=file.typed_rates,
        own_methods=[
            OwnMethod(method=Method.model_validate(method.model_dump(by_alias=True)))
            for method in file.methods
            if not _known(method)
        ],
    )


def _known(method: FileMethod) -> bool:
    """True if a method is as it is known here."""
    held = methods.known().get(method.id)
    return held is not None and held.model_dump() == method.model_dump()
