"""The way by which a payment was made, by name: a tender of the checkout, or one that has no tender.

What is paid by vouchers alone, and what is paid on the day, goes by a code in a record; the reader's language words it.

Source: own design.

>>> by_voucher = Chosen(tender=BY_VOUCHER, method="gift-voucher", provider=None, name=BY_VOUCHER)
>>> tender_name(by_voucher)
'Voucher'
"""

from monedero.core.payment.payment import BY_VOUCHER, ON_THE_DAY, Chosen
from monedero.core.record import Happening, OrderRecord
from monedero.wording.buyers import tell
from monedero.wording.catalogue import say

AT_DESK = {BY_VOUCHER: "by-voucher", ON_THE_DAY: "on-the-day"}
TO_BUYER = {BY_VOUCHER: "voucher-voucher", ON_THE_DAY: "on-the-day"}


def tender_name(chosen: Chosen) -> str:
    """The name as the owner reads it."""
    return say(AT_DESK[chosen.tender]) if chosen.tender in AT_DESK else chosen.name


def tender_of(record: OrderRecord, happening: Happening) -> str:
    """The name of the way by which something that happened was paid, as the owner reads it."""
    chosen = record.numbered(happening.payment).chosen
    return tender_name(chosen) if chosen.tender in AT_DESK else happening.tender


def buyers_tender_name(chosen: Chosen) -> str:
    """The name that the buyer reads."""
    return tell(TO_BUYER[chosen.tender]) if chosen.tender in TO_BUYER else chosen.buyers_name or chosen.name
