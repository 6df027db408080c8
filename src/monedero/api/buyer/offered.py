"""Ways to pay as their buyer meets them, on buyers' pages and in the buyer's view beside the work.

All of it is worded for the buyer who reads now (`wording/buyers.py`).
"""

from collections.abc import Mapping
from dataclasses import dataclass

from pydantic import BaseModel

from monedero.api.buyer.order_lines import Item, OnTop, OrderLineOut, order_lines
from monedero.core.checkout.decision import Outcome
from monedero.core.checkout.model import Tender
from monedero.core.language import in_language
from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.words.asked import AskedField, AskedKind
from monedero.core.words.placeholders import filled
from monedero.core.words.texts import TextKind
from monedero.formats.markdown import PICTURES, as_html
from monedero.letters.texts import TextReader
from monedero.wording.after_paying import fee_name
from monedero.wording.asked_fields import ready_label
from monedero.wording.buyer_formats import money
from monedero.wording.buyers import tag, tell, wording_language
from monedero.work.checkout.asked_fields import asked_fields
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.orders.order_events import rounding_of
from monedero.work.shop.lookups import method_in


class FieldOut(BaseModel):
    """A field that the buyer fills in; `label` says by itself where it may be left out."""

    id: str
    kind: AskedKind
    label: str
    needed: bool
    choices: list[str]


class OfferedOut(BaseModel):
    """A way to pay as its buyer sees it; `usual`: the buyer paid this way last time.

    `heading` stands above it where it is the first under one that is shown. `fee` is what it costs its buyer on top,
    with its name, `total` the order with it; both None where there is none. `to_pay` is what its buyer pays in
    all. `up_to`: it depends on the card's network.
    `rounding` is what paying in coins adds or takes off, which is in the total. `on_top` is the fee as it is shown,
    `lines` the whole order with it, `pay` what paying it is called. `before` are the instructions, a part of a page;
    `leaves` says that it is paid on a page of somebody else. `picture` is where its picture lies, `film` one to watch.
    """

    tender: str
    name: str
    description: str
    usual: bool = False
    heading: str = ""
    fee: str | None = None
    fee_label: str = ""
    up_to: bool = False
    rounding: str | None = None
    total: str | None = None
    to_pay: str
    on_top: str = ""
    lines: list[OrderLineOut]
    pay: str
    before: str
    leaves: str
    picture: str | None
    film: str | None
    fields: list[FieldOut]


@dataclass(frozen=True, slots=True)
class OfferWriter:
    """Words the ways to pay for one order."""

    snapshot: CheckoutSnapshot
    texts: TextReader
    item: Item

    def all(self, outcomes: list[Outcome], usual: str | None = None) -> list[OfferedOut]:
        """Ways to pay in the sequence in which their buyer meets them."""
        headings = {
            heading.id: in_language(heading.name, self._language(heading.name))
            for heading in self.snapshot.checkout.headings
        }
        shown: set[str] = set()
        found = []
        for outcome in outcomes:
            heading = "" if outcome.heading in shown else headings.get(outcome.heading or "", "")
            shown.add(outcome.heading or "")
            found.append(self.one(outcome, heading, usual))
        return found

    def one(self, outcome: Outcome, heading: str = "", usual: str | None = None) -> OfferedOut:
        """One way to pay."""
        tender, charged, amount = outcome.tender, outcome.charged, self.item.left
        fee = charged.amount if charged else None
        method = method_in(self.snapshot.methods, tender.method)
        paid = Money(amount.minor + (fee.minor if fee else 0), amount.currency)
        rounding = rounding_of(paid) if method.family is Family.CASH else None
        if rounding:
            paid = Money(paid.minor + rounding.minor, paid.currency)
        label = tender.fee.label if tender.fee else None
        on_top = OnTop(
            label=in_language(label, self._language(label)) if label else fee_name(fee),
            fee=fee,
            up_to=charged.up_to if charged else False,
            rounding=rounding,
        )
        provider = self.texts.provider_name(tender)
        return OfferedOut(
            tender=tender.id,
            name=tender.name_in(tag()),
            description=filled(self.texts.text(tender, TextKind.DESCRIPTION).text, self._values(tender, paid)),
            usual=tender.id == usual,
            heading=heading,
            fee=str(fee) if fee else None,
            fee_label=on_top.label,
            up_to=on_top.up_to,
            rounding=str(rounding) if rounding else None,
            total=str(paid) if fee or rounding else None,
            to_pay=str(paid),
            on_top=_shown(on_top),
            lines=order_lines(self.item, on_top),
            pay=tell(_pay(tender, self.item.at_most), amount=money(paid)),
            before=as_html(self.texts.text(tender, TextKind.BEFORE).text, self._values(tender, paid)),
            leaves=tell("leaves-page", provider=provider) if provider and method.leaves_page else "",
            picture=f"{PICTURES}{tender.picture}" if tender.picture else None,
            film=tender.film,
            fields=[_field(field) for field in asked_fields(tender, method)],
        )

    def _language(self, names: Mapping[str, str]) -> str:
        return tag() if tag() in names else self.snapshot.shop.languages[0]

    def _values(self, tender: Tender, paid: Money) -> dict[str, str]:
        """Tells what is known of an order before it is placed."""
        return {
            "shop": self.snapshot.shop.name,
            "line": self.item.name,
            "amount": money(paid),
            "way": tender.name_in(tag()),
        }


def _pay(tender: Tender, at_most: bool) -> str:
    """Tells what paying with a tender is called."""
    if at_most:
        return "pay-at-most"
    return "pay" if tender.route else "order-now"


def _shown(on_top: OnTop) -> str:
    if not on_top.fee:
        return ""
    return tell("at-most", amount=money(on_top.fee)) if on_top.up_to else money(on_top.fee)


def _field(field: AskedField) -> FieldOut:
    label = ready_label(_read(field.label))
    return FieldOut(
        id=field.id,
        kind=field.kind,
        label=label if field.needed else tell("optional", label=label),
        needed=field.needed,
        choices=[_read(choice) for choice in field.choices],
    )


def _read(names: Mapping[str, str]) -> str:
    """A name in the language of the buyer, else in that of the words around it, else in the first that there is."""
    return names.get(tag()) or names.get(wording_language()) or next(iter(names.values()))
