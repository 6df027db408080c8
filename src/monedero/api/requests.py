"""The shop and the context of a request, and the order in hand as it names it."""

from dataclasses import replace
from datetime import date
from typing import Annotated

from fastapi import Query, Request
from pydantic import BaseModel

from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.core.fields import Day
from monedero.core.order.facts import MAY_BE_UNKNOWN
from monedero.core.shop import Shop
from monedero.server.shops import RunningShop
from monedero.wording.catalogue import language
from monedero.work.context import Actor, Context
from monedero.work.shop.buyers_order import as_buyers_say
from monedero.work.shop.order_in_hand import OrderSentence

# The days of an order in hand: calendars know their holidays, and what is counted on from them is a day too.
FIRST_DAY, LAST_DAY = date(1990, 1, 1), date(2199, 12, 31)


def shop_answers(request: Request, running: RunningShop) -> RunningShop:
    """Note which shop answers a request: its revisions stand on the answer, and its first storefront's mode."""
    # A request about accounts may be about another mode than the checkout's, and says so.
    if not hasattr(request.state, "mode"):
        request.state.mode = running.store.mode(running.store.first_storefront())
    request.state.revisions = running.store.revisions
    return running


def at_door(request: Request, running: RunningShop, storefront: str | None, actor: Actor) -> Context:
    """The context of a request; its answer is in the mode of its storefront's checkout, unless it names another."""
    context = Context.of(running.store, actor, running.clock.now(), storefront or "", language())
    if "mode" not in request.query_params:
        request.state.mode = context.mode
    return replace(context, mode=request.state.mode)


class KnownFacts(BaseModel):
    """Holds what may be known of an order besides its sentence, each as text; what is left out is unknown."""

    card_kind: str | None = None
    card_network: str | None = None
    postcode: str | None = None
    town: str | None = None
    delivery: str | None = None
    customer_group: str | None = None
    device: str | None = None
    signed_in: str | None = None

    def facts(self) -> dict[str, str]:
        """Tells what is known, by the columns of the table of facts."""
        named = {fact.field: fact.column for fact in MAY_BE_UNKNOWN}
        texts = {name: getattr(self, name) for name in KnownFacts.model_fields}
        return {named[name]: text for name, text in texts.items() if text}


class InHand(KnownFacts):
    """The order in hand as a request names it; with `goods` its amount is that and what the delivery costs.

    A `cart` names lines with how many times each is ordered, such as `star-chart:2,sky-maps:1`; it stands for line and
    amount. Without a `storefront` it is at the shop's first.
    """

    market: str
    line: str
    amount: str
    currency: str
    goods: str | None = None
    cart: str | None = None
    on: Day | None = None
    storefront: str | None = None


InHandQuery = Annotated[InHand, Query()]


def day_asked(on: date | None, running: RunningShop) -> date:
    """The day of an order; today where none is asked for. Refuses one that no calendar knows."""
    day = on or running.clock.now().date()
    if not FIRST_DAY <= day <= LAST_DAY:
        told = {"first": FIRST_DAY.isoformat(), "last": LAST_DAY.isoformat()}
        raise InvalidInput(Fault(FaultCode.DATE_RANGE, "on", day.isoformat(), told))
    return day


def buyers_sentence(asked: InHand, running: RunningShop, shop: Shop) -> OrderSentence:
    """The sentence of an order that a buyer asks for: today, at the shop's price."""
    return as_buyers_say(shop, sentence(asked.model_copy(update={"on": None}), running))


def sentence(asked: InHand, running: RunningShop) -> OrderSentence:
    """The sentence of the order in hand; without a day, today."""
    day = day_asked(asked.on, running)
    return OrderSentence(
        asked.market,
        asked.line,
        asked.amount,
        asked.currency,
        day,
        asked.facts(),
        asked.goods or "",
        asked.cart or "",
    )
