"""Tells what a buyer is told of an order, on its page and in the message.

The state, the shop's own words, what is needed to pay, and what happens next.
"""

from collections.abc import Mapping
from typing import NamedTuple

from monedero.core.papers.paper import Counter, Invoice, Paper
from monedero.core.payment.state import State
from monedero.core.record import OrderRecord
from monedero.core.words.placeholders import without_unsaid
from monedero.core.words.texts import TextKind
from monedero.figures import methods
from monedero.formats.markdown import as_html, as_plain
from monedero.letters.texts import TextReader, values_of_order
from monedero.wording.after_paying import Page, after_paying
from monedero.wording.buyers import tell, to_buyer
from monedero.wording.paper_lines import PaperLine, paper_lines, paper_title, what_next
from monedero.work.accounts.merchant_file import read_business
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.context import Context
from monedero.work.orders.buyer_papers import WAITING, at_a_counter, language_of, paper_of
from monedero.work.shop.lookups import method_in

FAILED = frozenset({State.DECLINED, State.ABANDONED, State.EXPIRED, State.LAPSED})
HOLDS = frozenset({State.CONFIRMING, State.AUTHORISED, State.PART_TAKEN, State.PAID})


class ToldPaper(NamedTuple):
    """A paper as a buyer reads it; `code` is whether a banking app can read the transfer, `bars` a number as bars."""

    title: str
    lines: list[PaperLine]
    code: bool
    bars: str
    invoice: str


class BuyerMessage(NamedTuple):
    """Holds what a buyer is told. `text` is said of the state; where the shop's own words stand for it, only what is
    besides.

    `instead` are those words and `after` its instructions, as parts of a page; `contact` is whom to turn to, where the
    shop has an address for that; `plain` is everything as a message says it, under its subject.
    """

    page: Page
    text: str
    instead: str
    after: str
    paper: ToldPaper | None
    next: str
    contact: str
    subject: str
    plain: str


def buyer_message(
    context: Context, snapshot: CheckoutSnapshot, record: OrderRecord, link: str, language: str = ""
) -> BuyerMessage:
    """Tells what the buyer of an order is told, in the buyer's language or in another one that is asked for."""
    with to_buyer(language or language_of(snapshot, record), snapshot.shop.country):
        return _told(context, snapshot, record, link)


def _told(context: Context, snapshot: CheckoutSnapshot, record: OrderRecord, link: str) -> BuyerMessage:
    page, values = after_paying(record), values_of_order(snapshot.shop, record, link)
    instead, after = _own_words(context, snapshot, record, values)
    instead = None if instead is None else without_unsaid(instead, values)
    after = without_unsaid(after, values)
    paper = paper_of(snapshot, record)
    told = _paper(paper, record) if paper else None
    family = method_in(snapshot.methods, record.payment.chosen.method).family
    waits = record.state in WAITING and record.payment.chosen.provider is None
    following = what_next(family) if waits or at_a_counter(record, family) else ""
    address = read_business(context.shop).business.email
    contact = tell("order-contact", address=address) if address else ""
    sentence = page.besides if instead is not None else page.text
    plain = [
        as_plain(instead, values) if instead else ("" if instead == "" else page.sentence),
        page.besides,
        as_plain(after, values) if after else "",
        *(_plain(told, link) if told else ()),
        following,
        tell("order-page", link=link),
        contact,
    ]
    return BuyerMessage(
        page=page,
        text=sentence,
        instead=as_html(instead or "", values),
        after=as_html(after, values),
        paper=told,
        next=following,
        contact=contact,
        subject=tell("letter-subject", shop=snapshot.shop.name, number=str(record.number), headline=page.headline),
        plain="\n\n".join(filter(None, plain)),
    )


def _own_words(
    context: Context, snapshot: CheckoutSnapshot, record: OrderRecord, values: Mapping[str, str]
) -> tuple[str | None, str]:
    """Tells what the owner says instead of the sentence of the state (None: nothing is said instead), and after the
    order.
    """
    tender = next((one for one in snapshot.checkout.tenders if one.id == record.payment.chosen.tender), None)
    if tender is None:
        return None, ""
    texts, instead = TextReader(context, snapshot), None
    kind = TextKind.PAID if record.state is State.PAID else TextKind.FAILED if record.state in FAILED else None
    if kind is not None and (own := texts.text(tender, kind).own) is not None:
        instead = own.text
    if record.state in WAITING:
        return instead, texts.text(tender, TextKind.AFTER, values).text
    own = texts.text(tender, TextKind.AFTER).own if record.state in HOLDS else None
    return instead, own.text if own else ""


def _paper(paper: Paper, record: OrderRecord) -> ToldPaper:
    payment = record.payment
    account = getattr(paper, "account", None)
    return ToldPaper(
        title=paper_title(paper),
        lines=paper_lines(paper, payment.total),
        code=account is not None and account.takes_euro_code(methods.sepa()),
        bars=paper.number if isinstance(paper, Counter) else "",
        invoice=paper.number if isinstance(paper, Invoice) else "",
    )


def _plain(paper: ToldPaper, link: str) -> list[str]:
    said = "\n".join(f"{line.label}: {line.value}" for line in paper.lines)
    return [
        f"{paper.title}\n{said}",
        tell("paper-qr-link", link=link) if paper.code else "",
        tell("paper-invoice-link", link=f"{link}/invoice.pdf") if paper.invoice else "",
    ]
