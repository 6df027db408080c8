"""One limit at a time for the ways of the best set, and its money in the account, day by day."""

from datetime import date
from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel

from monedero.api.desk.best_set import LimitsAsked
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.best_set.money_by_day import half_on
from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.money import Money
from monedero.wording.catalogue import say
from monedero.wording.show import money
from monedero.work.month.limits import suggested_limits
from monedero.work.month.money import money_of_month
from monedero.work.prices.inputs import inputs_of

router = APIRouter(prefix="/api/compare/best-set", tags=["compare"], responses=PROBLEMS)


class SuggestedOut(BaseModel):
    """A limit that leaves more, all else as it is, as a sentence."""

    method: str
    text: str


class SuggestedLimitsOut(BaseModel):
    """One limit at a time for the ways of the best set."""

    mode: Mode
    limits: list[SuggestedOut]


class MoneyDayOut(BaseModel):
    """The money that has arrived by the end of a day."""

    day: date
    amount: str


class MoneyOut(BaseModel):
    """The money of a month as it arrives; what buyers pay in the month is `taken`, and of `unknown` nobody told when.

    Every day is there until all money has arrived; on `half_on` half of it is there, None where nobody told of any.
    """

    mode: Mode
    first: date
    taken: str
    unknown: str | None
    half_on: date | None
    days: list[MoneyDayOut]


@router.get("/limits")
def read_suggested_limits(
    running: RunningDep, context: ContextDep, asked: Annotated[LimitsAsked, Query()]
) -> SuggestedLimitsOut:
    """The limit of each way of the best set that leaves most, all else as it is."""
    inputs = inputs_of(context)
    books = inputs.shop.currency
    limits = [
        SuggestedOut(
            method=limit.way.method,
            text=say(
                f"one-limit-{limit.end.replace('_', '-')}",
                way=inputs.methods[limit.way.method].name,
                amount=money(str(Money.rounded(limit.amount, books))),
                adds=money(str(Money.rounded(limit.adds, books))),
            ),
        )
        for limit in suggested_limits(context, running.clock.now().date(), asked.limits())
    ]
    return SuggestedLimitsOut(mode=context.mode, limits=limits)


@router.get("/money")
def read_money(running: RunningDep, context: ContextDep, asked: Annotated[LimitsAsked, Query()]) -> MoneyOut:
    """The money of the best set in the account, day by day, from the first of next month on."""
    found = money_of_month(context, running.clock.now().date(), asked.limits())
    if found is None:
        raise Conflict(Fault(FaultCode.NO_SET))
    books = inputs_of(context).shop.currency
    return MoneyOut(
        mode=context.mode,
        first=found.first,
        taken=str(Money.rounded(found.taken, books)),
        unknown=str(Money.rounded(found.unknown, books)) if found.unknown else None,
        half_on=None if found.unknown == found.taken else half_on(found.by_day),
        days=[
            MoneyDayOut(day=day, amount=str(Money.rounded(amount, books))) for day, amount in found.by_day.items()
        ],
    )
