"""The catalogue from both ends, in the owner's own words."""

from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.compare import reasons_out
from monedero.api.compare_schemas import ReasonOut
from monedero.api.problems import PROBLEMS
from monedero.api.rooms import RoomDep
from monedero.core.account import Mode, Stage
from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.model import Rate
from monedero.wording.accounts import ASKS
from monedero.wording.conditions import when_text
from monedero.wording.show import money
from monedero.work.grounds import grounds_of
from monedero.work.searching import Entry, search

router = APIRouter(prefix="/api", tags=["catalogue"], responses=PROBLEMS)


class FacetOut(BaseModel):
    """One thing that was understood in a question."""

    kind: str
    value: str
    words: str


class PriceOut(BaseModel):
    """A rate in short: for which plans, its price, and for which orders."""

    plans: str
    price: str
    conditions: str


class EntryOut(BaseModel):
    """A method by a provider; without a provider it is an arrangement of the shop's own."""

    provider: str
    provider_name: str
    method: str
    method_name: str
    family: str
    buyer: str
    limits: list[str]
    prices: list[PriceOut]
    reasons: list[ReasonOut]


class ProviderOut(BaseModel):
    """A provider besides its prices, and the shop's account with it."""

    facts: ProviderFacts
    stage: Stage | None
    excludes: list[str]
    asks: list[str]


class CatalogueOut(BaseModel):
    """What was understood of a question, what was not, and everything that fits."""

    mode: Mode
    facets: list[FacetOut]
    unknown: list[str]
    entries: list[EntryOut]
    providers: list[ProviderOut]


def _price(rate: Rate) -> str:
    parts = []
    if rate.graduated:
        first, last = rate.graduated[0].percent, rate.graduated[-1].percent
        parts.append(f"{first} % falling to {last} %")
    if rate.percent:
        parts.append(f"{rate.percent} %")
    if rate.fixed and rate.fixed.minor:
        parts.append(money(str(rate.fixed)))
    text = " + ".join(parts) or "nothing"
    limits = (("at least", rate.minimum), ("at most", rate.maximum))
    return ", ".join([text, *(f"{word} {money(str(limit))}" for word, limit in limits if limit)])


def _limits(entry: Entry) -> list[str]:
    method = entry.method
    told = []
    if method.currencies:
        told.append("in " + ", ".join(method.currencies))
    if method.buyer_countries:
        told.append(f"buyers in {len(method.buyer_countries)} countries")
    if method.amount:
        ends = (("from", method.amount.from_), ("up to", method.amount.up_to), ("below", method.amount.below))
        told.append(" ".join(f"{word} {money(str(end))}" for word, end in ends if end))
    if method.kinds:
        told.append("for " + ", ".join(kind.value for kind in method.kinds))
    told.append("repeats" if method.recurring else "once only")
    return told


def _entry(entry: Entry, names: dict[str, str]) -> EntryOut:
    plans = {plan.id: plan.name for plan in entry.card.plans} if entry.card else {}
    return EntryOut(
        provider=entry.card.provider.id if entry.card else "",
        provider_name=entry.card.provider.name if entry.card else "",
        method=entry.method.id,
        method_name=entry.method.name,
        family=entry.method.family.value,
        buyer=entry.method.buyer,
        limits=_limits(entry),
        prices=[
            PriceOut(
                plans=", ".join(plans[plan] for plan in rate.plans) if rate.plans and len(plans) > 1 else "",
                price=_price(rate),
                conditions=when_text(rate.when),
            )
            for rate in entry.rates
        ],
        reasons=reasons_out(tuple(entry.reasons), names),
    )


@router.get("/catalogue")
def read_catalogue(room: RoomDep, asks: str = "") -> CatalogueOut:
    """Who carries what is asked for; without a question everything."""
    grounds = grounds_of(room.store)
    answer = search(grounds, asks[:300], room.clock.now().date())
    names = {card.provider.id: card.provider.name for card in grounds.cards}
    named = dict.fromkeys(entry.card.provider.id for entry in answer.entries if entry.card)
    return CatalogueOut(
        mode=Mode.TEST,
        facets=[FacetOut(**facet._asdict()) for facet in answer.question.facets],
        unknown=answer.question.unknown,
        entries=[_entry(entry, names) for entry in answer.entries],
        providers=[
            ProviderOut(
                facts=grounds.providers[name],
                stage=grounds.accounts[name].stage if name in grounds.accounts else None,
                excludes=[names.get(other, other) for other in grounds.providers[name].excludes],
                asks=[ASKS[ask] for ask in grounds.providers[name].asks],
            )
            for name in named
            if name in grounds.providers
        ],
    )
