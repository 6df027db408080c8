"""The pages before the checkout, worded for their buyer: the page of a line, and the cart."""

from collections.abc import Callable, Set
from dataclasses import dataclass
from typing import Annotated, Any
from urllib.parse import urlencode

from fastapi import Query
from pydantic import BaseModel

from monedero.api.buyer.buyer_words import LanguageOut, languages_out
from monedero.api.buyer.door import ContextDep, RunningDep, Wished, buyers_router
from monedero.api.buyer.offer import Asked, item_of, whole_order
from monedero.api.buyer.order_lines import Item, OrderLineOut, order_lines
from monedero.api.requests import InHand, buyers_sentence, day_asked, sentence
from monedero.core.account import Mode
from monedero.core.cart import in_parts, ordered_alone
from monedero.core.checkout.decision import Outcome
from monedero.core.checkout.model import Tender
from monedero.core.errors import InvalidInput
from monedero.core.money import Money
from monedero.core.shop import Line, Shop
from monedero.formats.markdown import PICTURES
from monedero.server.shops import RunningShop
from monedero.wording.buyer_faults import buyer_fault_text
from monedero.wording.buyer_formats import money
from monedero.wording.buyers import best_of, called, tag, tell, to_buyer
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted
from monedero.work.checkout.offer import newest, placed
from monedero.work.context import Context
from monedero.work.shop.chosen_amount import chosen_between
from monedero.work.shop.in_cart import ordered, price_in, priced, still_sold
from monedero.work.shop.lookups import method_in
from monedero.work.shop.order_in_hand import OrderInHand, order_in_hand

router = buyers_router()


class PageWords(BaseModel):
    """Words of the pages before the checkout; each is a message of the buyers' catalogue of the same name."""

    add_to_cart: str
    order_this: str
    ways_here: str
    other_lines: str
    cart: str
    cart_empty: str
    cart_less: str
    cart_more: str
    cart_remove: str
    to_checkout: str
    test_mode: str
    language_label: str
    page_failed: str
    page_failed_next: str
    load_again: str
    no_answer: str
    no_answer_again: str


class ShownWay(BaseModel):
    """A way to pay that is shown before the checkout; `note` says what its parts would be, or what it costs on top."""

    name: str
    note: str
    picture: str | None


class LineLink(BaseModel):
    """Another line that the shop sells, with what it costs as it is shown."""

    line: str
    name: str
    price: str


class BeforeCheckout(BaseModel):
    """Every page before the checkout says this.

    Buyers' pages of the shop lie below `at`; `search` is the address of the order's checkout, after that path.
    """

    mode: Mode
    storefront: str
    shop: str
    ways: list[ShownWay]
    at: str
    search: str
    others: list[LineLink]
    language: str
    languages: list[LanguageOut]
    words: PageWords


class LinePage(BeforeCheckout):
    """The page of a line. `notes` say how it is paid; one that is ordered `alone` goes in no cart."""

    line: str
    name: str
    price: str
    notes: list[str]
    alone: bool


class InCart(BaseModel):
    """A line in the cart, with how often it is ordered and what that comes to."""

    line: str
    name: str
    times: int
    amount: str


class CartPage(BeforeCheckout):
    """The cart: its items, and what there is to pay besides what each comes to.

    `problem` is why they do not go together; empty where they do.
    """

    items: list[InCart]
    lines: list[OrderLineOut]
    problem: str


AskedFor = Annotated[Asked, Query()]


@router.get("/api/shops/{shop}/offer/line")
def read_line_page(
    running: RunningDep, context: ContextDep, asked: AskedFor, accept_language: Wished = ""
) -> LinePage:
    """The page of a line for its buyer: what it costs, how it is paid, and the ways to pay that are shown there."""
    return line_page(PageOf(running, context, for_buyer=True), asked, accept_language)


@router.get("/api/shops/{shop}/offer/cart")
def read_cart(running: RunningDep, context: ContextDep, asked: AskedFor, accept_language: Wished = "") -> CartPage:
    """The cart for its buyer; without anything in it, what the shop sells."""
    return cart_page(PageOf(running, context, for_buyer=True), asked, accept_language)


@dataclass(frozen=True, slots=True)
class PageOf:
    """Whose page it is: a buyer's, by the newest edition, or the desk's, by the draft."""

    running: RunningShop
    context: Context
    for_buyer: bool

    @property
    def snapshot(self) -> CheckoutSnapshot:
        """The checkout that decides."""
        return (newest if self.for_buyer else drafted)(self.context)

    def page(self, asked: Asked) -> "_Page":
        """The page for an order; a buyer's is of today and priced by the shop."""
        snapshot, running = self.snapshot, self.running
        whole = whole_order(asked, snapshot.shop, day_asked(None if self.for_buyer else asked.on, running))
        said = buyers_sentence(whole, running, snapshot.shop) if self.for_buyer else sentence(whole, running)
        return _Page(self.context, snapshot, whole, order_in_hand(snapshot.shop, said), f"/buy/{running.id}")


def line_page(of: PageOf, asked: Asked, wished: str) -> LinePage:
    """The page of a line, in the language of the address, or one that the browser wishes for."""
    page = of.page(asked)
    line, shop = page.hand.line, page.snapshot.shop
    with to_buyer(best_of(asked.language or wished, shop.languages), shop.country):
        item = item_of(shop, page.hand)
        goods = money(item.goods)
        return LinePage(
            **page.around(item, lambda tender: tender.on_line_page, {line.id}),
            line=line.id,
            name=called(line.name, line.names),
            price=tell("at-most", amount=goods) if item.at_most else goods,
            notes=_notes(shop, page.hand),
            alone=ordered_alone(line),
        )


def cart_page(of: PageOf, asked: Asked, wished: str) -> CartPage:
    """The cart, in the language of the address, or one that the browser wishes for."""
    shop, asked = of.snapshot.shop, asked.model_copy(update={"line": None})
    cart = still_sold(shop, asked.cart or "")
    with to_buyer(best_of(asked.language or wished, shop.languages), shop.country):
        try:
            page, problem = of.page(asked.model_copy(update={"cart": cart or None})), ""
            items = page.hand.items
        except InvalidInput as refused:
            # Lines that do not go together stay in the cart, so that something can be taken out of it.
            page = of.page(asked.model_copy(update={"cart": None}))
            problem, order = buyer_fault_text(refused.faults[0]), page.hand.order
            items = ordered(priced(shop, cart, order.amount.currency, order.placed_on))
        item, goes = item_of(shop, page.hand), bool(items) and not problem
        return CartPage(
            **page.around(item, lambda tender: tender.in_cart and goes, {one.line for one in items}),
            items=[
                InCart(
                    line=one.line,
                    name=called(one.name, one.names),
                    times=one.times,
                    amount=money(one.amount),
                )
                for one in items
            ],
            lines=order_lines(item)[len(items) :] if goes else [],
            problem=problem,
        )


@dataclass(frozen=True, slots=True)
class _Page:
    """The order that a page before the checkout is about, and where buyers' pages of its shop lie."""

    context: Context
    snapshot: CheckoutSnapshot
    whole: InHand
    hand: OrderInHand
    at: str

    def around(self, item: Item, shows: Callable[[Tender], bool], without: Set[str]) -> dict[str, Any]:
        """Tells what every such page says: the ways to pay that it `shows`, and the other lines of the shop."""
        checkout, shop = self.snapshot.checkout, self.snapshot.shop
        order = self.hand.order
        offered = placed(self.context, self.snapshot, order.on(item.left, order.placed_on))
        said = {**self.whole.model_dump(exclude_none=True), "storefront": checkout.storefront, "language": tag()}
        return {
            "mode": checkout.mode,
            "storefront": checkout.storefront,
            "shop": shop.name,
            "ways": [self._way(outcome, item) for outcome in offered if shows(outcome.tender)],
            "at": self.at,
            "search": f"?{urlencode({name: str(value) for name, value in said.items() if value})}",
            "others": self._others(without),
            "language": tag(),
            "languages": languages_out(shop.languages),
            "words": PageWords(**{name: tell(name.replace("_", "-")) for name in PageWords.model_fields}),
        }

    def _way(self, outcome: Outcome, item: Item) -> ShownWay:
        tender, fee = outcome.tender, outcome.charged.amount if outcome.charged else None
        paid = Money(item.left.minor + (fee.minor if fee else 0), item.amount.currency)
        parts = method_in(self.snapshot.methods, tender.method).parts
        note = tell("way-costs", amount=money(fee)) if fee and fee.minor > 0 else ""
        if parts:
            first, *others = in_parts(paid, parts)
            message = "in-parts" if first == others[-1] else "in-parts-first"
            note = tell(message, parts=parts, first=money(first), each=money(others[-1]))
        picture = f"{PICTURES}{tender.picture}" if tender.picture else None
        return ShownWay(name=tender.name_in(tag()), note=note, picture=picture)

    def _others(self, without: Set[str]) -> list[LineLink]:
        order, shop = self.hand.order, self.snapshot.shop
        found = []
        for line in shop.lines:
            price = price_in(line, shop, order.amount.currency, order.placed_on)
            if price is not None and line.id not in without:
                found.append(LineLink(line=line.id, name=called(line.name, line.names), price=_usual(line, price)))
        return found


def _usual(line: Line, price: Money) -> str:
    """Tells what a line costs, as it is shown where several stand."""
    if line.highest is not None:
        return tell("at-most", amount=money(price))
    return tell("each-month", amount=money(price)) if line.recurring else money(price)


def _notes(shop: Shop, hand: OrderInHand) -> list[str]:
    """How a line is paid, where it is not simply its price."""
    notes, between = [], chosen_between(shop, hand)
    if between:
        notes.append(tell("choose-between", least=money(between.least), most=money(between.most)))
    if hand.line.recurring:
        notes.append(tell("to-pay-monthly"))
    if hand.rest and not hand.order.nothing_to_pay:
        notes.append(tell("later-deposit", now=money(hand.order.amount), rest=money(hand.rest)))
    elif hand.rest:
        notes.append(tell("later-day"))
    if hand.line.highest is not None:
        notes.append(tell("weighed-later"))
    return notes
