"""Tells at which prices, assumptions and shares of buyers another set is best."""

from fractions import Fraction
from typing import Annotated, Literal

from fastapi import APIRouter, Query
from pydantic import BaseModel

from monedero.api.desk.best_set import LimitsAsked, plan_called
from monedero.api.desk.buyers import name_of
from monedero.api.desk.compare_schemas import Exact
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.best_set.month import Chosen
from monedero.core.best_set.turning import Turning
from monedero.core.columns.level import ZERO
from monedero.core.cost.assumption import ALL, Unit
from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.numbers import decimal_text, short_text
from monedero.wording.best_set import allowed, changed, lowered, needed, value_text
from monedero.wording.catalogue import say
from monedero.wording.show import money
from monedero.work.context import Context
from monedero.work.month.assumption_turns import AssumptionTurns, assumption_turns
from monedero.work.month.best import plans_in_force
from monedero.work.month.demand import demand_of
from monedero.work.month.turns import PriceKind, PriceTurns, price_turns, share_turns
from monedero.work.prices.inputs import inputs_of

router = APIRouter(prefix="/api/compare/best-set", tags=["compare"], responses=PROBLEMS)


class PriceAsked(LimitsAsked):
    """A plan, as `provider/plan`, and the limits of the set."""

    plan: str


class SharesAsked(LimitsAsked):
    """A family, and the limits of the set."""

    family: Family


class PriceTurnOut(BaseModel):
    """A price at which the best set changes, as a sentence.

    `exactly` says how much it moves, in percentage points or in whole units of the shop's currency; None where no move
    of it changes the set.
    """

    kind: PriceKind
    text: str
    exactly: Exact | None


class PriceTurnsOut(BaseModel):
    """The prices of a plan at which the best set changes: lower ones where it is out, higher ones where it is in."""

    mode: Mode
    plan: str
    inside: bool
    turns: list[PriceTurnOut]


class ShareTurnOut(BaseModel):
    """A share of buyers at which the best set changes, as a sentence."""

    kind: Literal["fewer", "more"]
    text: str
    exactly: Exact


class ShareTurnsOut(BaseModel):
    """The nearest shares of a family at which the best set changes; with none of them `text` says so."""

    mode: Mode
    family: Family
    share: str
    text: str
    turns: list[ShareTurnOut]


class ValueAsked(LimitsAsked):
    """An assumption and the family or method that it is about, and the limits of the set."""

    assumption: str
    about: str = ALL


class ValueTurnOut(BaseModel):
    """A value of an assumption at which the best set changes, as a sentence.

    `exactly` is in percent, minutes or whole units of the shop's currency; yes is 1 and no is 0.
    """

    kind: Literal["lower", "higher"]
    text: str
    exactly: Exact


class ValueTurnsOut(BaseModel):
    """The nearest values of an assumption at which the best set changes; with none of them `text` says so."""

    mode: Mode
    assumption: str
    about: str
    text: str
    turns: list[ValueTurnOut]


class _Words:
    """Words what another set is."""

    def __init__(self, context: Context) -> None:
        self._inputs = inputs_of(context)
        self.books = self._inputs.shop.currency

    def change(self, before: Chosen, after: Chosen) -> str:
        old, new = ({way.method: way.route for way in chosen.ways} for chosen in (before, after))
        name = {method: self._inputs.methods[method].name for method in old | new}
        return changed(
            [name[method] for method in new if method not in old],
            [name[method] for method in old if method not in new],
            [name[method] for method in new if method in old and new[method] != old[method]],
        )


@router.get("/price")
def read_price_turns(
    running: RunningDep, context: ContextDep, asked: Annotated[PriceAsked, Query()]
) -> PriceTurnsOut:
    """The prices at which a plan comes into the best set, or up to which it stays in it."""
    day = running.clock.now().date()
    found = price_turns(context, day, asked.limits(), asked.plan)
    if found is None:
        raise Conflict(Fault(FaultCode.NO_SET))
    demand, words = demand_of(context, day), _Words(context)
    charge = demand.plans[asked.plan].plan.monthly
    name = plan_called(*plans_in_force(inputs_of(context), day)[asked.plan])
    turns = [
        PriceTurnOut(
            kind=kind,
            text=_price_text(words, found, kind, turn, (name, charge)),
            exactly=_exact(turn.at * (100 if kind == "percent" else 1)) if turn else None,
        )
        for kind, turn in found.turns
        if demand.knows_margins and (kind != "monthly" or charge or found.inside)
    ]
    return PriceTurnsOut(mode=context.mode, plan=asked.plan, inside=found.inside, turns=turns)


def _exact(value: Fraction) -> Exact:
    return Exact(exact=short_text(value), decimal=decimal_text(value))


def _price_text(
    words: _Words, found: PriceTurns, kind: PriceKind, turn: Turning | None, plan: tuple[str, Fraction]
) -> str:
    name, charge = plan
    what = "rise" if found.inside else "offer"
    if turn is None:
        return say(f"{what}-{kind}-none", name=name)
    if found.inside:
        return say(
            f"rise-{kind}",
            name=name,
            points=allowed(turn.at * 100),
            fixed=f"{allowed(turn.at)} {words.books}",
            monthly=lowered(charge + turn.at, words.books),
            change=words.change(found.chosen, turn.month.chosen),
        )
    carried = [way for way in turn.month.ways if way.way.plan == found.plan]
    amount = sum((way.orders.amount for way in carried), ZERO)
    fees = sum((way.fees for way in carried), ZERO)
    return say(
        f"offer-{kind}",
        name=name,
        points=needed(turn.at * 100),
        fixed=f"{needed(turn.at)} {words.books}",
        average=decimal_text(100 * fees / amount, 2) if amount else "0",
        monthly=lowered(charge - turn.at, words.books),
        before=money(str(Money.rounded(charge, words.books))),
        amount=money(str(Money.rounded(amount, words.books))),
        orders=decimal_text(sum((way.orders.orders for way in carried), ZERO), 1),
    )


@router.get("/shares")
def read_share_turns(
    running: RunningDep, context: ContextDep, asked: Annotated[SharesAsked, Query()]
) -> ShareTurnsOut:
    """The nearest lower and higher share of buyers who pay by a family first at which another set is best."""
    day = running.clock.now().date()
    found = share_turns(context, day, asked.limits(), asked.family)
    if found is None:
        raise Conflict(Fault(FaultCode.NO_SET))
    words, name = _Words(context), name_of(asked.family)
    turns = [
        ShareTurnOut(
            kind=kind,
            text=say(
                f"turn-{kind}",
                percent=decimal_text(turn.at * 100, 2),
                family=name,
                change=words.change(found.chosen, turn.month.chosen),
            ),
            exactly=_exact(turn.at * 100),
        )
        for kind, turn in (("fewer", found.fewer), ("more", found.more))
        if turn is not None
    ]
    return ShareTurnsOut(
        mode=context.mode,
        family=asked.family,
        share=decimal_text(found.share * 100, 1),
        text=_without_turns(name, known=demand_of(context, day).knows_margins) if not turns else "",
        turns=turns,
    )


def _without_turns(family: str, *, known: bool) -> str:
    return say("turn-none", family=family) if known else say("turns-without-margins")


@router.get("/assumption")
def read_value_turns(
    running: RunningDep, context: ContextDep, asked: Annotated[ValueAsked, Query()]
) -> ValueTurnsOut:
    """The nearest lower and higher value of an assumption at which another set is best."""
    day = running.clock.now().date()
    found = assumption_turns(context, day, asked.limits(), asked.assumption, asked.about)
    if found is None:
        raise Conflict(Fault(FaultCode.NO_SET))
    words, unit = _Words(context), _unit(found)

    def text(value: Fraction) -> str:
        return value_text(value, unit, words.books)

    turns = [
        ValueTurnOut(
            kind=kind,
            text=say(
                f"value-{text(turn.value)}" if unit is Unit.YES_NO else f"value-{kind}",
                value=text(turn.value),
                change=words.change(found.chosen, turn.month.chosen),
            ),
            exactly=_exact(turn.value * (100 if unit is Unit.PERCENT else 1)),
        )
        for kind, turn in (("lower", found.lower), ("higher", found.higher))
        if turn is not None
    ]
    said = [say("value-now", value=text(found.now))]
    if not demand_of(context, day).knows_margins:
        said.append(say("turns-without-margins"))
    elif not turns:
        none = "value-either" if unit is Unit.YES_NO else "value-none"
        said.append(say(none, least=text(found.least), most=text(found.most)))
    return ValueTurnsOut(
        mode=context.mode,
        assumption=asked.assumption,
        about=asked.about,
        text=" ".join(said),
        turns=turns,
    )


def _unit(found: AssumptionTurns) -> Unit:
    """The unit of an assumption; a margin is a percentage."""
    return found.asked.assumption.unit if found.asked.assumption else Unit.PERCENT
