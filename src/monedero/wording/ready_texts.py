"""Ready-made texts of a tender, in the language of the buyer who reads now, filled from the settings.

They follow the settings until the owner writes a text; a text that is taken back is ready-made again.

Source: own design.

>>> from monedero.figures.methods import method
>>> card = Setting(method("card"), provider="Orlenta", networks=["Aster", "Borealis"])
>>> ready_text(TextKind.DESCRIPTION, card)
'Aster and Borealis. You confirm with your bank.'
>>> ready_text(TextKind.BEFORE, card)
'Your card is charged by Orlenta. Its number goes there and never reaches this shop.'
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from decimal import Decimal
from fractions import Fraction

from babel.numbers import format_decimal

from monedero.core.checkout.fee import BuyerFee
from monedero.core.method import Family, Method
from monedero.core.money import Money
from monedero.core.words.texts import TextKind
from monedero.wording.buyer_formats import listed, money
from monedero.wording.buyers import catalogue, locale, tell, to_buyer, worded_in
from monedero.wording.catalogue import FALLBACK


@dataclass(frozen=True, slots=True)
class Setting:
    """Holds what of a tender and its shop a ready-made text says.

    `provider` is who processes the payment (empty: the shop), `days` until it is to be paid, `where` the places at
    which an order is collected.
    """

    method: Method
    provider: str = ""
    networks: Sequence[str] = ()
    fee: BuyerFee | None = None
    days: int | None = None
    where: Sequence[str] = ()


SIMPLE = {
    Family.DEVICE_WALLET: "ready-device-wallet",
    Family.ACCOUNT_WALLET: "ready-account-wallet",
    Family.PAY_LATER: "ready-pay-later",
    Family.BANK_DEBIT: "ready-bank-debit",
    Family.ONLINE_BANKING: "ready-online-banking",
    Family.CHEQUE: "ready-cheque",
    Family.COUNTER_VOUCHER: "ready-counter-voucher",
    Family.SHOP_CREDIT: "ready-shop-credit",
}
BEFORE = {
    Family.CREDIT_TRANSFER: "ready-before-transfer",
    Family.CHEQUE: "ready-before-cheque",
    Family.INVOICE: "ready-before-invoice",
    Family.COUNTER_VOUCHER: "ready-before-counter",
}
AFTER = {
    Family.CREDIT_TRANSFER: "ready-after-transfer",
    Family.CHEQUE: "ready-after-cheque",
    Family.INVOICE: "ready-after-invoice",
    Family.COUNTER_VOUCHER: "ready-after-counter",
    Family.CASH: "ready-after-cash",
}


def ready_text(kind: TextKind, setting: Setting, values: Mapping[str, str] | None = None) -> str:
    """The ready-made text of a kind, filled with parts of an order where it names them.

    What follows a payment or a failure is said by the state of the order (`after_paying`): nothing here.
    """
    if kind is TextKind.DESCRIPTION:
        return _description(setting)
    if kind is TextKind.BEFORE:
        return _before(setting)
    if kind is TextKind.AFTER:
        given = values or {}
        message = AFTER.get(setting.method.family)
        fields = {"reference": given.get("reference", ""), "amount": given.get("amount", "")}
        return tell(message, **fields) if message and not setting.provider else ""
    return ""


def ready_names(method: Method, languages: Sequence[str]) -> dict[str, str]:
    """The ready-made names of a method in those of some languages for which there is wording.

    >>> from monedero.figures.methods import method
    >>> ready_names(method("invoice"), ["pt", "fi", "en"])
    {'pt': 'Fatura', 'en': 'Invoice'}
    """
    message, names = f"method-name-{method.id}", {}
    for language in languages:
        if worded_in(language) == language.partition("-")[0] and message in catalogue(FALLBACK).fields:
            with to_buyer(language):
                names[language] = tell(message)
    return names


def _description(setting: Setting) -> str:
    family = setting.method.family
    if family is Family.CARD and setting.method.takes_card:
        if setting.networks:
            return tell("ready-card-networks", networks=listed(setting.networks))
        return tell("ready-card")
    if family in (Family.CREDIT_TRANSFER, Family.INVOICE):
        name = "credit-transfer" if family is Family.CREDIT_TRANSFER else "invoice"
        return tell(f"ready-{name}", days=setting.days or 0)
    if family is Family.CASH:
        if setting.method.at_the_door:
            return tell("ready-cash-door")
        return tell("ready-cash-collect", where=listed(setting.where)) if setting.where else tell("ready-cash")
    # The owner alone knows this, so that it is said in the owner's words.
    return tell(SIMPLE[family]) if family in SIMPLE else setting.method.buyer


def _before(setting: Setting) -> str:
    told = []
    if setting.provider:
        message = "ready-no-card-data" if setting.method.takes_card else "ready-processed"
        told.append(tell(message, provider=setting.provider))
    elif setting.method.family in BEFORE:
        told.append(tell(BEFORE[setting.method.family]))
    if setting.fee is not None and (fee := _fee(setting.fee)):
        told.append(fee)
    return " ".join(told)


def _fee(fee: BuyerFee) -> str:
    """Tells what a fee or a discount is with its tax, whatever the order; nothing where it depends on the network
    alone.

    >>> _fee(BuyerFee(percent="5", tax_percent="23"))
    '6.15 % is added.'
    """
    tax = 1 + Decimal(fee.tax_percent or 0) / 100
    percent = fee.percent * tax if fee.percent else None
    fixed = Money.rounded(fee.fixed.exact * Fraction(tax), fee.fixed.currency) if fee.fixed else None
    parts = [f"{format_decimal(abs(percent), locale=locale())} %" if percent else ""]
    parts.append(money(Money(abs(fixed.minor), fixed.currency)) if fixed and fixed.minor else "")
    text = " + ".join(filter(None, parts))
    signs = {value < 0 for value in (percent, fixed.minor if fixed else None) if value}
    if not text or len(signs) > 1:
        return ""
    return tell("ready-discount" if True in signs else "ready-fee", fee=text)
