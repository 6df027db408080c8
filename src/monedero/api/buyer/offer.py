"""Tells what the newest edition of a storefront offers to an order, worded for its buyer."""

from collections.abc import Sequence
from datetime import date
from typing import Annotated

from fastapi import Query
from pydantic import BaseModel, Field

from monedero.api.buyer.buyer_words import BuyerWords, LanguageOut, buyer_words, languages_out
from monedero.api.buyer.door import ContextDep, Returning, RunningDep, Wished, buyers_router
from monedero.api.buyer.offered import OfferedOut, OfferWriter
from monedero.api.buyer.order_lines import Item, OrderLineOut, order_lines
from monedero.api.buyer.ways_there import WayOut, ways_out
from monedero.api.requests import InHand, KnownFacts, buyers_sentence, day_asked
from monedero.core.account import Mode
from monedero.core.fields import Day
from monedero.core.money import Money
from monedero.core.payment.payment import BY_VOUCHER, ON_THE_DAY
from monedero.core.shop import Shop
from monedero.core.voucher.part import VoucherPart
from monedero.letters.texts import TextReader
from monedero.wording.buyer_formats import country_name, money
from monedero.wording.buyers import best_of, called, tell, to_buyer
from monedero.work.checkout.facts import asked_facts
from monedero.work.checkout.offer import newest, placed
from monedero.work.checkout.pausing import refuse_paused
from monedero.work.context import Context
from monedero.work.orders.returning import usual
from monedero.work.orders.vouchers import MOST_AT_ONCE
from monedero.work.shop.chosen_amount import chosen_between, refuse_outside
from monedero.work.shop.delivered import ways_there
from monedero.work.shop.in_cart import bought, price_in
from monedero.work.shop.order_in_hand import OrderInHand, order_in_hand

router = buyers_router()


class VoucherUsed(BaseModel):
    """A voucher that pays a part of the order: its handle, its name, and what would be left on it."""

    handle: str
    name: str
    left: str


class NothingLeft(BaseModel):
    """How an order is placed of which nothing is left to pay now: its tender, and what that is called."""

    tender: str
    pay: str


class Offer(BaseModel):
    """Holds what a buyer is offered: the shop, the order, and the ways to pay in sequence, in the buyer's language.

    `edition` None: the draft. `lines` are what there is to pay before a way to pay is chosen. `chooses` says what the
    buyer may choose the amount between, None where it is not chosen. `vouchers` are those that
    pay a part of it. Where nothing is left to pay now, `nothing_left` says how it is ordered, and is None else.
    """

    mode: Mode
    edition: int | None
    storefront: str
    order: InHand
    shop: str
    line_name: str
    country_name: str
    amount: str
    recurring: bool
    nothing_to_pay: bool
    lines: list[OrderLineOut]
    offered: list[OfferedOut]
    deliveries: list[WayOut]
    asks_postcode: bool
    asks_town: bool
    chooses: str | None
    takes_vouchers: bool
    vouchers: list[VoucherUsed]
    nothing_left: NothingLeft | None
    language: str
    languages: list[LanguageOut]
    words: BuyerWords


class Asked(KnownFacts):
    """The order as an address names it; what it leaves out comes from the shop.

    Without them: the shop's first storefront, market and line, the line's usual amount, the market's currency. Without
    a language that the shop has, the one of its languages that the browser asks for.
    """

    market: str | None = None
    line: str | None = None
    amount: str | None = None
    currency: str | None = None
    goods: str | None = None
    cart: str | None = None
    on: Day | None = None
    storefront: str | None = None
    language: str = ""
    voucher: Annotated[list[str], Field(max_length=MOST_AT_ONCE)] = []


def whole_order(asked: Asked, shop: Shop, day: date) -> InHand:
    """The order with what its address leaves out."""
    market = next((entry for entry in shop.markets if entry.id == asked.market), None)
    line = next((entry for entry in shop.lines if entry.id == asked.line), None)
    if asked.market is None and shop.markets:
        market = shop.markets[0]
    if asked.line is None and shop.lines:
        line = shop.lines[0]
    currency = asked.currency or (market.currency if market else "")
    amount = asked.amount or ""
    if line and not amount:
        amount = (price_in(line, shop, currency, day) or line.usual_amount).amount
    known = {name: getattr(asked, name) for name in KnownFacts.model_fields}
    goods = asked.goods
    if asked.cart:
        line = bought(shop, asked.cart, currency, day).line
    if line and line.deliveries:
        if asked.delivery is None:
            # Without a delivery way, use the line's first.
            known["delivery"] = next(way.id for way in shop.deliveries if way.id in line.deliveries)
        if asked.delivery is None or asked.amount is None:
            # An amount that nobody said with a way of delivery is that of the goods.
            goods = goods or amount
    return InHand(
        market=asked.market or (market.id if market else ""),
        line=asked.line or (line.id if line else ""),
        amount=amount,
        currency=currency,
        goods=goods,
        cart=asked.cart,
        on=asked.on,
        **known,
    )


@router.get("/api/shops/{shop}/offer")
def read_offer(
    running: RunningDep,
    context: ContextDep,
    asked: Annotated[Asked, Query()],
    accept_language: Wished = "",
    returning: Returning = "",
) -> Offer:
    """The ways to pay for an order, by the newest edition of a storefront."""
    snapshot = newest(context)
    refuse_paused(context)
    whole = whole_order(asked, snapshot.shop, day_asked(None, running))
    said = buyers_sentence(whole, running, snapshot.shop)
    whole = whole.model_copy(update={"amount": said.amount, "goods": said.goods or None, "on": None})
    order = order_in_hand(snapshot.shop, said)
    language = best_of(asked.language or accept_language, snapshot.shop.languages)
    with to_buyer(language, snapshot.shop.country):
        parts = running.intake.vouchers.parts_of(asked.voucher, order.order.amount, snapshot.checkout.mode)
        item = item_of(snapshot.shop, order)._replace(vouchers=parts)
        refuse_outside(snapshot.shop, order, item.goods)
        between = chosen_between(snapshot.shop, order)
        left = order.order.on(item.left, order.order.placed_on)
        writer = OfferWriter(snapshot, TextReader(context, snapshot), item)
        asks = asked_facts(snapshot.shop, snapshot.checkout, order)
        return Offer(
            mode=snapshot.checkout.mode,
            edition=running.store.editions.number_of(snapshot.edition),
            storefront=snapshot.checkout.storefront,
            order=whole,
            shop=snapshot.shop.name,
            line_name=bought_called(order),
            country_name=country_name(order.order.country),
            amount=str(order.order.amount),
            recurring=order.order.recurring,
            nothing_to_pay=not order.whole.minor,
            lines=order_lines(item),
            offered=writer.all(placed(context, snapshot, left), usual(context, returning)),
            deliveries=ways_out(ways_there(snapshot.shop, order)),
            asks_postcode="postcode" in asks,
            asks_town="town" in asks,
            chooses=tell("choose-between", least=money(between.least), most=money(between.most))
            if between
            else None,
            takes_vouchers=running.store.vouchers.any(snapshot.checkout.mode),
            vouchers=_used(context, asked.voucher, parts),
            nothing_left=nothing_left(item),
            language=language,
            languages=languages_out(snapshot.shop.languages),
            words=buyer_words(),
        )


def _used(context: Context, handles: Sequence[str], parts: Sequence[VoucherPart]) -> list[VoucherUsed]:
    """The vouchers that pay a part, by the handles under which they are used."""
    by_id = {part.voucher: part for part in parts}
    found = []
    for handle in handles:
        voucher = context.shop.vouchers.by_handle(handle, context.mode, context.now)
        part = by_id.pop(voucher.id, None) if voucher else None
        if voucher and part:
            after = money(Money(voucher.balance - part.amount.minor, voucher.currency))
            name = tell("voucher-name", ends=voucher.ends_in)
            found.append(VoucherUsed(handle=handle, name=name, left=tell("voucher-left", amount=after)))
    return found


def item_of(shop: Shop, order: OrderInHand) -> Item:
    """Tells what the buyer of the order in hand is about to pay for."""
    way = next((there for there in ways_there(shop, order) if there.chosen and there.fee), None)
    return Item(
        bought_called(order),
        order.whole,
        way=called(way.way.name, way.way.names) if way else "",
        delivery=way.fee if way else None,
        recurring=bool(order.order.recurring),
        later=order.rest,
        at_most=order.line.highest is not None,
        items=order.items,
    )


def bought_called(order: OrderInHand) -> str:
    """Tells what the order in hand is called by what is bought, as its buyer reads it."""
    name, more = called(order.line.name, order.line.names), len(order.items) - 1
    return tell("line-and-more", line=name, more=more) if more > 0 else name


def nothing_left(item: Item) -> NothingLeft | None:
    """How an order is placed where vouchers pay all of it, or all of it is paid on the day."""
    if item.left.minor:
        return None
    if item.later:
        return NothingLeft(tender=ON_THE_DAY, pay=tell("book-on-the-day", amount=money(item.later)))
    return NothingLeft(tender=BY_VOUCHER, pay=tell("voucher-order")) if item.vouchers else None
