"""Tells what a buyer needs to pay, as labels with values, on the page of an order and in the message.

Source: own design; IBAN in fours by ISO 13616-1.
"""

from datetime import date
from typing import NamedTuple

from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.papers.account_number import scheme_of
from monedero.core.papers.bank_account import TransferAccount
from monedero.core.papers.paper import Cash, Cheque, Counter, Invoice, Paper, Transfer
from monedero.core.papers.reference import grouped
from monedero.wording.buyer_formats import day, money
from monedero.wording.buyers import tell


class PaperLine(NamedTuple):
    """A label with its value."""

    label: str
    value: str


def paper_title(paper: Paper) -> str:
    """Tells what a paper is."""
    return tell(f"paper-{paper.kind}")


def paper_lines(paper: Paper, total: Money) -> list[PaperLine]:
    """All that a paper says about a payment of an amount."""
    amount, due = _line("amount", money(total)), _until("until", paper.until)
    match paper:
        case Transfer():
            lines = [*account_lines(paper.account), reference_line(paper.reference), amount, due]
        case Cheque():
            sent = [_line("payee", paper.payee), _line("send-to", paper.post_to)]
            lines = [*sent, _line("reference", paper.reference), amount, due]
        case Cash():
            change = paper.change(total)
            brought = _line("pays-with", money(paper.pays_with) if paper.pays_with else "")
            lines = [amount, brought, _line("change", money(change) if change else ""), due]
        case Invoice():
            head = [_line("number", paper.number), _line("day", day(paper.day))]
            own = [_line("purchase-order", paper.purchase_order), _line("bill-to", paper.bill_to)]
            lines = [*head, *own, *account_lines(paper.account), reference_line(paper.reference), amount, due]
        case Counter():
            lines = [_line("number", grouped(paper.number)), amount, _until("last-day", paper.until)]
    return [line for line in lines if line.value]


def account_lines(account: TransferAccount | None) -> list[PaperLine]:
    """The account to which is paid, as its country writes it; nothing where there is none for the currency."""
    if account is None:
        return []
    scheme = scheme_of(account.country)
    return [
        _line("holder", account.holder),
        _line("iban", grouped(account.iban)) if account.iban else _line("iban", ""),
        _line(scheme.bank_code or "bank-code", "" if account.iban else account.bank_code or ""),
        _line(scheme.account_number, "" if account.iban else account.account_number or ""),
        _line("bic", account.bank_bic),
        _line("bank", account.bank_name),
    ]


def reference_line(reference: str) -> PaperLine:
    """The reference of a payment."""
    return _line("reference", grouped(reference))


def _until(name: str, until: date | None) -> PaperLine:
    return _line(name, day(until) if until else "")


def _line(name: str, value: str) -> PaperLine:
    return PaperLine(tell(f"paper-{name}"), value)


NEXT = {
    Family.CREDIT_TRANSFER: "next-credit-transfer",
    Family.CHEQUE: "next-cheque",
    Family.CASH: "next-cash",
    Family.INVOICE: "next-invoice",
    Family.COUNTER_VOUCHER: "next-counter-voucher",
}


def what_next(family: Family) -> str:
    """Tells what happens next and when while the shop waits for its money, and what to do when nothing happened."""
    return tell(NEXT.get(family, "next-other"))
