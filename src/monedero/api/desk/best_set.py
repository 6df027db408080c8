"""The best set of ways for the shop's buyers, with its reasons, and putting it in the checkout."""

from datetime import date
from fractions import Fraction
from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel, Field, StrictInt

from monedero.api.desk.assumption_views import assumption_out
from monedero.api.desk.best_set_schemas import (
    AskableOut,
    BestSetOut,
    ChangingOut,
    InsideOut,
    LeftAccountOut,
    NeededAccountOut,
    OutsideOut,
    PlacedOut,
    SetOut,
)
from monedero.api.desk.buyers import name_of
from monedero.api.desk.checkout import draft_out
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.core.best_set.demand import Way
from monedero.core.best_set.month import SetMonth, WayMonth
from monedero.core.best_set.programme import Limits
from monedero.core.cost.assumption import ALL
from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.fields import Identifier
from monedero.core.money import Money
from monedero.core.numbers import decimal_text
from monedero.core.ratecard.model import Plan, RateCard
from monedero.wording.catalogue import say
from monedero.wording.ready_texts import ready_names
from monedero.work.checkout.best_ways import put_in_checkout
from monedero.work.checkout.offered_month import month_as_it_stands
from monedero.work.context import Context
from monedero.work.month.assumption_turns import Asked, askable
from monedero.work.month.best import BestOfShop, With, best_of_shop
from monedero.work.month.changing import Changing, changing
from monedero.work.prices.inputs import CompareInputs

router = APIRouter(prefix="/api", tags=["compare"], responses=PROBLEMS)


class LimitsAsked(BaseModel):
    """Limits of the set; `keep` are methods that stay, `apart` two providers of which it has one at most."""

    most_accounts: Annotated[int | None, Field(ge=0, le=99)] = None
    most_ways: Annotated[int | None, Field(ge=0, le=99)] = None
    every_order: Annotated[int, Field(ge=0, le=2)] = 0
    keep: list[Identifier] = []
    apart: list[Identifier] = []

    def limits(self) -> Limits:
        """The limits as the search has them."""
        apart = (frozenset(self.apart),) if len(self.apart) > 1 else ()
        return Limits(
            self.most_accounts, self.most_ways, apart, frozenset(self.keep), every_order=self.every_order
        )


class PutIn(LimitsAsked):
    """The best set within limits, to be put in a draft over the version that was read."""

    version: StrictInt


def plan_called(card: RateCard, plan: Plan) -> str:
    """A plan as the owner reads it: by its provider, and its own name where the provider has several."""
    return f"{card.provider.name} {plan.name}" if len(card.plans) > 1 else card.provider.name


def assumption_called(inputs: CompareInputs, asked: Asked) -> str:
    """An assumption as the owner reads it, with what it is about; it may be the margin."""
    if asked.assumption is None:
        return say("value-margin")
    out = assumption_out(asked.assumption, asked.about, inputs)
    return out.name if asked.about == ALL else f"{out.name}, {out.about_name}"


class _Answer:
    """Turns a best set into an answer."""

    def __init__(self, found: BestOfShop, stands: SetMonth | None) -> None:
        self._found, self._stands = found, stands
        self._books = found.inputs.shop.currency

    def money(self, value: Fraction) -> str:
        return str(Money.rounded(value, self._books))

    def by(self, way: Way) -> str:
        """The provider and plan that carry a way; empty where it is the shop's own."""
        if way.plan is None:
            return ""
        return self._plan(way.plan)

    def _plan(self, name: str) -> str:
        return plan_called(*self._found.plans[name])

    def method(self, way: Way) -> str:
        return self._found.inputs.methods[way.method].name

    def set(self, month: SetMonth | None) -> SetOut | None:
        if month is None:
            return None
        return SetOut(
            carried=decimal_text(month.carried, 1),
            lost=decimal_text(month.lost, 1),
            cost=self.money(month.cost),
            left=None if month.left is None else self.money(month.left),
            accounts=len(month.chosen.plans),
            ways=[self.method(way) for way in month.chosen.ways],
        )

    def inside(self, held: WayMonth, without: SetMonth, best: SetMonth) -> InsideOut:
        return InsideOut(
            method=held.way.method,
            method_name=self.method(held.way),
            by=self.by(held.way),
            orders=decimal_text(held.orders.orders, 1),
            cost=self.money(held.cost),
            without=self.money(best.merit[-1] - without.merit[-1]),
            orders_without=decimal_text(best.carried - without.carried, 1),
        )

    def outside(self, entry: With, best: SetMonth) -> OutsideOut:
        share = entry.pays_from
        return OutsideOut(
            method=entry.way.method,
            method_name=self.method(entry.way),
            by=self.by(entry.way),
            changes=self.money(entry.month.merit[-1] - best.merit[-1]),
            more_orders=decimal_text(entry.month.carried - best.carried, 1),
            pays_from=None if share is None else decimal_text(share * 100, 2),
        )

    def accounts(self, month: SetMonth, change: Changing) -> list[NeededAccountOut]:
        found, opened = [], {entry.provider: entry.days for entry in change.opened}
        for name in month.chosen.plans:
            card, _ = self._found.plans[name]
            provider = card.provider.id
            held = provider not in opened
            found.append(
                NeededAccountOut(provider=provider, name=self._plan(name), held=held, days=opened.get(provider))
            )
        return found

    def changing(self, change: Changing, better: Fraction | None, day: date) -> ChangingOut:
        names = {facts.id: facts.name for facts in self._found.inputs.providers.values()}
        return ChangingOut(
            left=[
                LeftAccountOut(
                    provider=account.provider,
                    name=account.name or names.get(account.provider, account.provider),
                    ends=ends if ends > day else None,
                    exit_fee=str(fee) if fee is not None and fee.minor else None,
                    saved_details=account.saved_details,
                )
                for account, ends, fee in change.left
            ],
            days=change.days,
            fees=self.money(change.fees) if change.fees else None,
            fees_known=change.fees is not None,
            costs_now=None if self._stands is None else self.money(self._stands.cost),
            a_year=None if better is None else self.money(12 * better),
        )

    def answer(self, day: date) -> BestSetOut:
        found = self._found
        best, stands = found.best.month if found.best else None, self._stands
        better = None
        if best is not None and best.left is not None and stands is not None and stands.left is not None:
            better = best.left - stands.left
        change = changing(found.inputs, found.demand, best, day) if best else None
        names = {way.method: self.method(way) for way in found.demand.ways}
        months = {held.way: held for held in best.ways} if best else {}
        return BestSetOut(
            mode=found.inputs.mode,
            currency=self._books,
            orders=decimal_text(found.demand.every.orders + found.demand.unbrought, 1),
            best=self.set(best),
            lost_margin=None if best is None or best.lost_margin is None else self.money(best.lost_margin),
            stands=self.set(stands),
            better=None if better is None else self.money(better),
            accounts=self.accounts(best, change) if best and change else [],
            changing=self.changing(change, better, day) if change else None,
            inside=[self.inside(months[entry.way], entry.month, best) for entry in found.inside] if best else [],
            outside=[self.outside(entry, best) for entry in found.outside] if best else [],
            one_less=self.set(found.one_less),
            one_more=self.set(found.one_more),
            plans={plan: self._plan(plan) for plan in found.demand.plans},
            families={family.value: name_of(family) for family in found.families},
            assumptions=[
                AskableOut(assumption=asked.id, about=asked.about, name=assumption_called(found.inputs, asked))
                for asked in askable(found.inputs, found.demand)
            ],
            methods=names,
            providers={card.provider.id: card.provider.name for card, _ in found.plans.values()},
        )


@router.get("/compare/best-set")
def read_best_set(running: RunningDep, context: ContextDep, asked: Annotated[LimitsAsked, Query()]) -> BestSetOut:
    """The set of ways that leaves most of the month, proven, and why each way is in it or out."""
    day = running.clock.now().date()
    return _Answer(best_of_shop(context, day, asked.limits()), _stands(context, day)).answer(day)


def _stands(context: Context, day: date) -> SetMonth | None:
    """The month of the checkout as it stands; None where nothing is on."""
    stands = month_as_it_stands(context, day)
    return stands.month if stands else None


@router.post("/checkouts/{storefront}/best-set")
def put_best_set(running: RunningDep, context: ContextDep, storefront: str, now: PutIn) -> PlacedOut:
    """Put the best set in the draft: its ways are switched on where their accounts are there, others off."""
    day = running.clock.now().date()
    found = best_of_shop(context, day, now.limits())
    if found.best is None:
        raise Conflict(Fault(FaultCode.NO_SET))
    placed = put_in_checkout(context, found.best.month.chosen, now.version, ready_names)
    answer = _Answer(found, None)
    waiting = [f"{answer.method(way)} ({answer.by(way)})" for way in placed.waiting]
    return PlacedOut(draft=draft_out(context, placed.saved), waiting=waiting)
