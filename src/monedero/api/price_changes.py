"""Prices that end or begin, told where they move the first place."""

from datetime import date
from fractions import Fraction

from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.compare import RouteWriter
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHandQuery, RunningDep, sentence
from monedero.core.account import Mode
from monedero.core.money import Money
from monedero.wording.catalogue import say
from monedero.wording.show import day as day_text
from monedero.wording.show import listed, money
from monedero.work.checkout.composed import drafted
from monedero.work.compare.inputs import inputs_of
from monedero.work.compare.price_changes import PriceChange, price_changes
from monedero.work.compare.ranking import RankedRoute
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(prefix="/api", tags=["compare"], responses=PROBLEMS)


class PriceChangeOut(BaseModel):
    """A day on which another route comes first, in a sentence."""

    on: date
    text: str


class PriceChangesOut(BaseModel):
    """Every day after the order's on which newer prices move the first place."""

    mode: Mode
    changes: list[PriceChangeOut]


@router.get("/compare/changes")
def read_price_changes(running: RunningDep, asked: InHandQuery) -> PriceChangesOut:
    """Prices that end or begin after the order in hand and let another route come first."""
    composed, inputs = drafted(running.store), inputs_of(running.store)
    hand = order_in_hand(composed.shop, sentence(asked, running))
    writer = RouteWriter(composed, inputs, hand.order.placed_on)

    def named(ranked: RankedRoute) -> str:
        route = writer.route(ranked.candidate)
        return " ".join(part for part in (route.method_name, route.provider_name, route.plan_name) if part)

    def cost(exact: Fraction) -> str:
        return money(str(Money.rounded(exact, inputs.shop.currency)))

    def told(change: PriceChange) -> PriceChangeOut:
        text = say(
            "price-change",
            day=day_text(change.day.isoformat()),
            providers=listed(change.providers),
            after=named(change.after),
            cost=cost(change.after.cost),
            before=named(change.before),
            cost_before=cost(change.before.cost),
        )
        return PriceChangeOut(on=change.day, text=text)

    return PriceChangesOut(
        mode=running.mode, changes=[told(change) for change in price_changes(running.store, hand)]
    )
