"""Tells what a buyer reads of a tender: the owner's own text, else the ready-made one, with parts of the order filled
in.
"""

from collections.abc import Mapping
from dataclasses import dataclass

from monedero.core.checkout.model import Tender
from monedero.core.delivery.model import DeliveryKind
from monedero.core.papers.reference import grouped, of_order
from monedero.core.ratecard.model import RateCard
from monedero.core.record import OrderRecord
from monedero.core.shop import Shop
from monedero.core.words.texts import Own, TextKind, own_text
from monedero.wording.after_paying import buyers_name, line_called
from monedero.wording.buyer_formats import day, money
from monedero.wording.buyers import called, tag, worded_in
from monedero.wording.places import network_name
from monedero.wording.ready_texts import Setting, ready_text
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.context import Context
from monedero.work.prices.inputs import inputs_of
from monedero.work.shop.lookups import method_in
from monedero.work.shop.order_in_hand import OrderInHand

# A number that no order has yet, for looking at texts before there is one.
SAMPLE_NUMBER = 1001


@dataclass(frozen=True, slots=True)
class Told:
    """A text as a buyer reads it: Markdown, and whether the owner wrote it, in which language."""

    text: str
    own: Own | None


class TextReader:
    """Reads the texts of the tenders of a checkout for the buyer who reads now."""

    def __init__(self, context: Context, snapshot: CheckoutSnapshot) -> None:
        """Look up once what ready-made texts are filled with."""
        self._composed = snapshot
        self._cards = {card.provider.id: card for card in inputs_of(context).cards}

    def text(self, tender: Tender, kind: TextKind, values: Mapping[str, str] | None = None) -> Told:
        """A text of a tender; the ready-made one is empty where its state says all (after paying, after failing)."""
        own = own_text(tender.texts, kind, tag(), self._composed.shop.languages)
        return Told(own.text if own else self.ready(tender, kind, values), own)

    def ready(self, tender: Tender, kind: TextKind, values: Mapping[str, str] | None = None) -> str:
        """The ready-made text of a tender."""
        return ready_text(kind, self._setting(tender), values)

    def provider_name(self, tender: Tender) -> str:
        """Tells who processes a payment; nothing where the shop does."""
        card = self._cards.get(tender.route.provider) if tender.route else None
        return card.provider.name if card else ""

    def missing(self, tender: Tender, kind: TextKind, language: str, ready: str) -> bool:
        """True if a text has to be written in a language: it is written in another, or nothing is ready-made in it.

        `ready` is what would be read where nobody wrote one.
        """
        own = own_text(tender.texts, kind, language, self._composed.shop.languages)
        if own is not None:
            return bool(own.text) and own.language != language
        return worded_in(language) != language.partition("-")[0] and bool(ready)

    def _setting(self, tender: Tender) -> Setting:
        card = self._cards.get(tender.route.provider) if tender.route else None
        ways = self._composed.shop.deliveries
        return Setting(
            method_in(self._composed.methods, tender.method),
            provider=card.provider.name if card else (tender.route.provider if tender.route else ""),
            networks=[network_name(id) for id in tender.networks or _networks(card)],
            fee=tender.fee,
            days=tender.due_days,
            where=[way.name for way in ways if way.kind in (DeliveryKind.COLLECTION, DeliveryKind.IN_PERSON)],
        )


def _networks(card: RateCard | None) -> list[str]:
    """The card networks that a rate card tells apart."""
    named: set[str] = set()
    for when in (*(rate.when for rate in card.rates), *(extra.when for extra in card.extras)) if card else ():
        named.update(when.card_network or ())
    return sorted(named)


def values_of_order(shop: Shop, record: OrderRecord, link: str) -> dict[str, str]:
    """Tells what the placeholders of a text stand for, of an order that was placed."""
    payment = record.payment
    return {
        "shop": shop.name,
        "line": line_called(record),
        "amount": money(payment.total),
        "way": buyers_name(record),
        "number": str(record.number),
        "reference": grouped(of_order(record.number, payment.number)),
        "until": day(payment.until.date()) if payment.until else "",
        "link": link,
    }


def values_in_hand(shop: Shop, hand: OrderInHand, tender: Tender, total: str) -> dict[str, str]:
    """Tells what the placeholders of a text would stand for, of the order in hand."""
    return {
        "shop": shop.name,
        "line": called(hand.line.name, hand.line.names),
        "amount": total,
        "way": tender.name_in(tag()),
        "number": str(SAMPLE_NUMBER),
        "reference": grouped(of_order(SAMPLE_NUMBER, 1)),
        "until": day(hand.order.placed_on),
        "link": f"/buy/orders/{SAMPLE_NUMBER}",
    }
