"""The desk's own orders and pages: the draft, as a buyer of the order in hand would meet it.

Only here is the sentence of an order believed as it is said: its amount, day, customer group and sign-in.
"""

from typing import Annotated

from fastapi import APIRouter, Query

from monedero.api.buyer.door import CallerDep, Wished
from monedero.api.buyer.line_pages import CartPage, LinePage, PageOf, cart_page, line_page
from monedero.api.buyer.offer import Asked
from monedero.api.buyer.orders import OrderNew, Placed, once, place
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.api.requests import sentence
from monedero.work.checkout.checkout_snapshot import drafted
from monedero.work.orders.choosing import Ordering

router = APIRouter(prefix="/api/checkouts/{storefront}", tags=["checkout"], responses=PROBLEMS)
AskedFor = Annotated[Asked, Query()]


@router.post("/orders", status_code=201)
def place_by_draft(running: RunningDep, context: ContextDep, caller: CallerDep, new: OrderNew) -> Placed:
    """Place the order in hand by the draft; asked again under the same key, it is placed once."""
    key, kept = once(running.intake, new, caller, context.mode)
    if kept is not None:
        return kept
    return place(running.intake, drafted(context), new, sentence(new.order, running), Ordering(key=key))


@router.get("/line-page")
def read_drafted_line(
    running: RunningDep, context: ContextDep, asked: AskedFor, accept_language: Wished = ""
) -> LinePage:
    """The page of a line by the draft."""
    return line_page(PageOf(running, context, for_buyer=False), asked, accept_language)


@router.get("/cart-page")
def read_drafted_cart(
    running: RunningDep, context: ContextDep, asked: AskedFor, accept_language: Wished = ""
) -> CartPage:
    """The cart by the draft; without anything in it, what the shop sells."""
    return cart_page(PageOf(running, context, for_buyer=False), asked, accept_language)
