"""Tells what a condition can be about, and what can be picked for it."""

from collections.abc import Mapping, Sequence
from typing import Literal

import pycountry
from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.desk.shop import Choice
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.checkout.condition import SEQUENCE, FactOfCondition
from monedero.core.order.kinds import LineKind
from monedero.core.order.model import NOT_DELIVERED, Device
from monedero.core.shop import Shop
from monedero.wording.catalogue import say
from monedero.wording.condition_reasons import value_text
from monedero.wording.names import Named
from monedero.wording.places import country_name
from monedero.work.shop.lookups import described_shop

router = APIRouter(prefix="/api/condition-facts", tags=["checkout"], responses=PROBLEMS)
Asks = Literal["list", "truth", "day"]


class ConditionFact(BaseModel):
    """A fact that a condition can be about. Of a list its `choices`; of a yes or no what each of them reads as."""

    fact: FactOfCondition
    name: str
    asks: Asks
    choices: list[Choice]
    yes: str = ""
    no: str = ""


class ConditionFacts(BaseModel):
    """Every fact that a condition can be about in this shop; those of which the shop has nothing are left out."""

    mode: Mode
    facts: list[ConditionFact]


@router.get("")
def read_condition_facts(running: RunningDep, context: ContextDep) -> ConditionFacts:
    """Tells what conditions can be about, with everything that can be picked; the shop's own markets come first."""
    shop = described_shop(running.store).value
    found = [_fact(fact, _choices(fact, shop)) for fact in SEQUENCE]
    return ConditionFacts(
        mode=context.mode, facts=[entry for entry in found if entry.asks != "list" or entry.choices]
    )


def _fact(fact: FactOfCondition, choices: list[Choice]) -> ConditionFact:
    about = fact.replace("_", "-")
    name = say(f"about-{about}")
    if fact in ("recurring", "signed_in"):
        yes, no = (say(f"asks-{about}", asks=asks) for asks in ("yes", "no"))
        return ConditionFact(fact=fact, name=name, asks="truth", choices=[], yes=yes, no=no)
    return ConditionFact(fact=fact, name=name, asks="day" if fact == "day" else "list", choices=choices)


def _choices(fact: FactOfCondition, shop: Shop) -> list[Choice]:
    match fact:
        case "currency":
            codes = dict.fromkeys([shop.currency, *(market.currency for market in shop.markets)])
            return [Choice(code=code, name=code) for code in codes]
        case "country":
            own = dict.fromkeys(market.country for market in shop.markets)
            others = sorted((entry.alpha_2 for entry in pycountry.countries), key=country_name)
            return [Choice(code=code, name=country_name(code)) for code in dict.fromkeys([*own, *others])]
        case "kind":
            return [Choice(code=kind.value, name=say(f"kind-{kind.value}")) for kind in LineKind]
        case "device":
            return [Choice(code=device.value, name=value_text("device", device.value, {})) for device in Device]
        case "delivery":
            ways = [Choice(code=way.id, name=way.name) for way in shop.deliveries]
            return [*ways, Choice(code=NOT_DELIVERED, name=say("goes-none"))] if ways else []
        case _:
            things: Mapping[str, Sequence[Named]] = {
                "line": shop.lines,
                "area": shop.areas,
                "customer_group": shop.customer_groups,
            }
            return [Choice(code=thing.id, name=thing.name) for thing in things.get(fact, [])]
