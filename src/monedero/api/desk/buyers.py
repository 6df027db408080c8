"""Shares of buyers by family, typed or guessed, and what follows for the checkout as it stands."""

from fractions import Fraction

from fastapi import APIRouter
from pydantic import BaseModel, StrictInt

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.buyers.typed import FamilyShare
from monedero.core.fields import CountryCode, Share
from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.numbers import decimal_text
from monedero.figures import buyers as guesses
from monedero.wording.catalogue import say
from monedero.wording.places import country_name
from monedero.work.checkout.lost import lost_where
from monedero.work.checkout.offered_month import OfferedMonth, month_as_it_stands
from monedero.work.context import Context
from monedero.work.month.buyers import BuyersFrom
from monedero.work.month.buyers_edit import forget, shares_of, type_share
from monedero.work.month.demand import demand_of
from monedero.work.prices.inputs import CompareInputs, inputs_of

router = APIRouter(prefix="/api/buyers", tags=["month"], responses=PROBLEMS)

ALL = "all"
MOST_SHOWN = 6


class FamilyOut(BaseModel):
    """A family with its share of buyers, and how many of them would take another way."""

    family: Family
    name: str
    share: str
    stay: str
    instead: list[Family]


class BuyersOut(BaseModel):
    """The shares of a country's buyers (`all`: of every other country) and their origin.

    `read_from` is the number of past orders that say so.
    """

    country: str
    name: str
    origin: BuyersFrom
    read_from: int
    families: list[FamilyOut]


class LostOut(BaseModel):
    """Orders a month that find no way that they take."""

    country: str
    family: str
    orders: str


class BuyersState(BaseModel):
    """Shares of buyers by country, and what follows for the ways of the checkout; amounts are of a month.

    `left` and `lost_margin` are None where a margin is not known or nothing is on in the checkout.
    """

    mode: Mode
    version: int
    source: str
    read_on: str
    buyers: list[BuyersOut]
    countries: dict[str, str]
    families: dict[Family, str]
    orders: str
    lost: str | None
    lost_margin: str | None
    left: str | None
    where: list[LostOut]


class ShareEdit(BaseModel):
    """A share typed anew (the others follow), or how many would take another way, over the version that was read."""

    version: StrictInt
    country: CountryCode | None
    family: Family
    share: Share | None = None
    stay: Share | None = None
    instead: list[Family] | None = None


class ForgetNow(BaseModel):
    """The country (None: every other one) whose shares shall be a first guess again."""

    version: StrictInt
    country: CountryCode | None


def _family(entry: FamilyShare) -> FamilyOut:
    return FamilyOut(
        family=entry.family,
        name=name_of(entry.family),
        share=str(entry.share),
        stay=str(entry.stay),
        instead=entry.instead,
    )


def name_of(family: Family) -> str:
    """A family as the owner reads it."""
    return say(f"family-{family.value}")


def _state(running: RunningDep, context: Context) -> BuyersState:
    held, source, inputs = shares_of(context), guesses.source(), inputs_of(context)
    day = running.clock.now().date()
    demand, stands = demand_of(context, day), month_as_it_stands(context, day)
    month = stands.month if stands else None

    def money(value: Fraction | None) -> str | None:
        return None if value is None else str(Money.rounded(value, inputs.shop.currency))

    return BuyersState(
        mode=context.mode,
        version=held.version,
        source=source.text,
        read_on=source.read_on.isoformat(),
        buyers=[
            BuyersOut(
                country=country or ALL,
                name=country_name(country) if country else say("buyers-all"),
                origin=entry.origin,
                read_from=entry.orders,
                families=[_family(family) for family in entry.families],
            )
            for country, entry in held.value.items()
        ],
        countries={
            country: country_name(country) for country in sorted({entry.country for entry in demand.classes})
        },
        families={family: name_of(family) for family in Family},
        orders=decimal_text(demand.every.orders + demand.unbrought, 1),
        lost=None if month is None else decimal_text(month.lost, 1),
        lost_margin=None if month is None else money(month.lost_margin),
        left=None if month is None else money(month.left),
        where=lost_out(inputs, stands) if stands else [],
    )


def lost_out(inputs: CompareInputs, month: OfferedMonth) -> list[LostOut]:
    """The most orders that are lost, by country and what their buyers take first."""
    return [
        LostOut(
            country=country_name(entry.country), family=name_of(entry.family), orders=decimal_text(entry.orders, 1)
        )
        for entry in lost_where(inputs, month)[:MOST_SHOWN]
    ]


@router.get("")
def read_buyers(running: RunningDep, context: ContextDep) -> BuyersState:
    """Shares of buyers, and what follows from them."""
    return _state(running, context)


@router.post("/shares")
def edit_share(running: RunningDep, context: ContextDep, edit: ShareEdit) -> BuyersState:
    """Type a share; the others of the country follow, so that they are a hundred together."""
    type_share(context, edit.country, edit.family, (edit.share, edit.stay, edit.instead), edit.version)
    return _state(running, context)


@router.post("/forget")
def forget_shares(running: RunningDep, context: ContextDep, now: ForgetNow) -> BuyersState:
    """Take what was typed of a country's buyers away: it is a first guess again, or as all other buyers."""
    forget(context, now.country, now.version)
    return _state(running, context)
