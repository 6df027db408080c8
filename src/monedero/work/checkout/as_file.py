"""A draft as a file, `monedero/checkout/1`, with everything that a decision over it needs."""

from monedero.core.checkout.model import Tender
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.method import Method, UnknownMethod
from monedero.core.words.texts import Texts
from monedero.formats.checkout_file import (
    FORMAT,
    CheckoutFile,
    FileAccount,
    FileLine,
    FileMarket,
    FileMethod,
    FileShop,
    FileTender,
)
from monedero.work.checkout.checkout_snapshot import drafted, setting_of
from monedero.work.context import Context
from monedero.work.shop.lookups import storefront_of


def checkout_as_file(context: Context) -> CheckoutFile:
    """The draft of a storefront with its shop, and the accounts as they stand in its mode.

    Refuses a tender of a method that nobody has described: what it can carry, the file could not say.
    """
    snapshot = drafted(context)
    shop, checkout = snapshot.shop, snapshot.checkout
    setting = setting_of(context, snapshot)
    used = dict.fromkeys(tender.method for tender in checkout.tenders)
    return CheckoutFile(
        format=FORMAT,
        shop=FileShop(name=shop.name, country=shop.country, currency=shop.currency, languages=shop.languages),
        storefront=storefront_of(shop, context.storefront),
        mode=checkout.mode,
        markets=[FileMarket(**market.model_dump()) for market in shop.markets],
        lines=[FileLine(**line.model_dump()) for line in shop.lines],
        deliveries=shop.deliveries,
        customer_groups=shop.customer_groups,
        areas=shop.areas,
        methods=[_method(setting.methods[id]) for id in used],
        accounts=[
            FileAccount(**account.model_dump(include=set(FileAccount.model_fields)))
            for account in setting.accounts.values()
        ],
        shared_conditions=checkout.shared_conditions,
        headings=checkout.headings,
        tenders=[
            _tender(tender, shop.languages[0]).model_copy(update={"details": setting.details.get(tender.id)})
            for tender in checkout.tenders
        ],
        typed_rates=shop.typed_rates,
    )


def _method(method: Method) -> FileMethod:
    if isinstance(method, UnknownMethod):
        raise NotFound(Fault(FaultCode.NOT_FOUND, "method", method.id, {"what": "method"}))
    return FileMethod(**method.model_dump(by_alias=True))


def _tender(tender: Tender, language: str) -> FileTender:
    kept = {name: getattr(tender, name) for name in FileTender.model_fields if name in Tender.model_fields}
    described = {tag: texts.description for tag, texts in tender.texts.items() if texts.description is not None}
    others = {tag: texts.model_copy(update={"description": None}) for tag, texts in tender.texts.items()}
    texts = {
        "name": {language: tender.name, **tender.names},
        "description": described,
        "texts": {tag: texts for tag, texts in others.items() if texts != Texts()},
    }
    return FileTender(**{**kept, **texts})
