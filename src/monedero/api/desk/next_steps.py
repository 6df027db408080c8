"""Tells what to decide next, in sentences, each with the place where it is decided."""

from collections.abc import Mapping

from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.wording.catalogue import say
from monedero.wording.places import country_name
from monedero.work.next_steps import NextCode, NextStep, next_steps

router = APIRouter(prefix="/api", tags=["shop"], responses=PROBLEMS)
PLACES: Mapping[NextCode, str] = {
    NextCode.NO_PRICES: "/compare/new",
    NextCode.ONLY_EXAMPLES: "/compare/new",
    NextCode.NO_MONTH: "/shop/orders",
    NextCode.ACCOUNT_WAITS: "/accounts",
    NextCode.NOTHING_ON: "/checkout",
    NextCode.NOBODY_PAYS: "/coverage",
    NextCode.NO_ACCOUNT: "/shop/arrangements",
    NextCode.NO_ADDRESS: "/shop/arrangements",
    NextCode.NONE_HELD: "/accounts",
    NextCode.NO_TRADE: "/shop",
    NextCode.NO_MARGIN: "/shop",
    NextCode.NOT_PUBLISHED: "/publish",
    NextCode.NOT_LIVE: "/publish",
}


class NextOut(BaseModel):
    """Something to decide, in a sentence; the act that decides it, and the page where that is done.

    `storefront` is the id of the one whose checkout it is about (None: it is about the shop).
    """

    code: NextCode
    text: str
    act: str
    to: str
    storefront: str | None


class NextStepsOut(BaseModel):
    """Holds what to decide next, the most urgent first; nothing where nothing is left."""

    mode: Mode
    steps: list[NextOut]


@router.get("/next")
def read_next_steps(running: RunningDep, context: ContextDep) -> NextStepsOut:
    """Tells what to decide next: five things at the most."""
    steps = next_steps(context, running.clock.now().date())
    several = len({step.storefront.id for step in steps if step.storefront}) > 1 or any(
        step.storefront and step.storefront.id != context.shop.first_storefront() for step in steps
    )
    return NextStepsOut(mode=context.mode, steps=[_out(step, several=several) for step in steps])


def _out(step: NextStep, *, several: bool) -> NextOut:
    """A step in a sentence; it names its storefront where steps of `several` may stand there."""
    front, fields = step.storefront, dict(step.fields)
    if "country" in fields:
        fields["country"] = country_name(str(fields["country"]))
    to = PLACES[step.code]
    if step.code is NextCode.ACCOUNT_WAITS:
        to = f"{to}/{step.fields['id']}"
    name = f"next-{step.code.value}"
    text = say(name, **fields)
    if front and several:
        text = say("at-storefront", storefront=front.name, text=text)
    return NextOut(
        code=step.code, text=text, act=say(f"{name}.act"), to=to, storefront=front.id if front else None
    )
