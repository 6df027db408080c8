"""The letter of an order in its buyer's language: what its page says, and the codes of vouchers issued for it."""

from monedero.core.money import Money
from monedero.core.voucher.books import VoucherKind
from monedero.letters.buyer_message import buyer_message
from monedero.wording.buyer_formats import day, money
from monedero.wording.buyers import tell, to_buyer
from monedero.work.orders.buyer_papers import language_of
from monedero.work.orders.letter import Letter, LetterAsked
from monedero.work.orders.vouchers import Issued


def write_letter(asked: LetterAsked) -> Letter:
    """The letter that is asked for."""
    snapshot, record = asked.snapshot, asked.record
    told = buyer_message(asked.context, snapshot, record, asked.link)
    with to_buyer(language_of(snapshot, record), snapshot.shop.country):
        vouchers = [_voucher(issued) for issued in asked.issued]
    return Letter(told.subject, "\n\n".join(filter(None, [told.plain, *vouchers])))


def _voucher(issued: Issued) -> str:
    """A voucher with its code, which is nowhere else."""
    voucher = issued.voucher
    kind = "voucher-credit" if voucher.kind is VoucherKind.CREDIT else "voucher-sold"
    amount = money(Money(voucher.issued, voucher.currency))
    until = tell("voucher-sold-until", day=day(voucher.expires)) if voucher.expires else ""
    told = (f"{tell(kind, amount=amount, code=issued.code)}.", until, tell("voucher-keep"))
    return " ".join(filter(None, told))
