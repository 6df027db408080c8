"""Prices that end or begin, and another plan of one's own: told where they move the first place or the month."""

from datetime import date
from fractions import Fraction

from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.desk.compare import RouteWriter
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHandQuery, sentence
from monedero.core.account import Mode
from monedero.core.money import Money
from monedero.wording.catalogue import say
from monedero.wording.draft_figures import month_move_text
from monedero.wording.show import day as day_text
from monedero.wording.show import listed, money
from monedero.work.checkout.checkout_snapshot import drafted
from monedero.work.checkout.month_moves import moved_by_prices
from monedero.work.compare.price_changes import plan_change, price_changes
from monedero.work.compare.ranking import RankedRoute, compare
from monedero.work.prices.inputs import inputs_of
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(prefix="/api", tags=["compare"], responses=PROBLEMS)


class PriceChangeOut(BaseModel):
    """Holds what lets another route come first, in a sentence; `on` a day, or at once (None) by another plan."""

    on: date | None
    text: str


class PriceChangesOut(BaseModel):
    """The plan that would bring the first place, and every later day on which newer prices move it, or the month of the
    checkout as it stands.
    """

    mode: Mode
    changes: list[PriceChangeOut]


@router.get("/compare/changes")
def read_price_changes(running: RunningDep, context: ContextDep, asked: InHandQuery) -> PriceChangesOut:
    """A change of plan, and prices that end or begin, that let another route come first for the order in hand."""
    snapshot, inputs = drafted(context), inputs_of(context)
    hand = order_in_hand(snapshot.shop, sentence(asked, running))
    writer = RouteWriter(snapshot, inputs, hand.order.placed_on)

    def named(ranked: RankedRoute) -> str:
        route = writer.route(ranked.candidate)
        return " ".join(part for part in (route.method_name, route.provider_name, route.plan_name) if part)

    def cost(exact: Fraction) -> str:
        return money(str(Money.rounded(exact, inputs.shop.currency)))

    def told(
        message: str, on: date | None, after: RankedRoute, before: RankedRoute, **fields: str
    ) -> PriceChangeOut:
        sides = {
            "after": named(after),
            "cost": cost(after.cost),
            "before": named(before),
            "cost_before": cost(before.cost),
        }
        return PriceChangeOut(on=on, text=say(message, **sides, **fields))

    changes = []
    if plan := plan_change(compare(context, hand, snapshot.checkout.tenders)):
        after, before = (writer.route(entry.candidate) for entry in (plan.first, plan.held))
        names = {"provider": after.provider_name, "plan": after.plan_name, "held": before.plan_name}
        changes.append(told("plan-change", None, plan.first, plan.held, **names))
    for change in price_changes(context, hand, snapshot.checkout.tenders):
        on = {"day": day_text(change.day.isoformat()), "providers": listed(change.providers)}
        changes.append(told("price-change", change.day, change.after, change.before, **on))
    for on_day, providers, move in moved_by_prices(context, running.clock.now().date()):
        text = say(
            "month-change",
            day=day_text(on_day.isoformat()),
            providers=listed(providers),
            move=month_move_text(move, inputs.shop.currency),
        )
        changes.append(PriceChangeOut(on=on_day, text=text))
    return PriceChangesOut(mode=context.mode, changes=changes)
