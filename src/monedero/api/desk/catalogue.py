"""The catalogue from both ends, in the owner's own words."""

from datetime import date
from functools import partial

from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.desk.compare import reasons_out
from monedero.api.desk.compare_schemas import ReasonOut
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.desk.shop import Choice
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode, Stage
from monedero.core.papers.arrangement import DETAILS, Details
from monedero.core.provider import ProviderFacts
from monedero.figures import methods
from monedero.wording.accounts import ask_text
from monedero.wording.catalogue import say
from monedero.wording.conditions import when_text
from monedero.wording.prices import price_text
from monedero.wording.question import facet_text, understand
from monedero.wording.tender_conditions import method_limits
from monedero.work.compare.search import Entry, search
from monedero.work.prices.inputs import inputs_of

router = APIRouter(prefix="/api", tags=["catalogue"], responses=PROBLEMS)


class FacetOut(BaseModel):
    """One thing that was understood in a question."""

    kind: str
    value: str
    words: str
    name: str


class PriceOut(BaseModel):
    """A rate in short: for which plans, its price, and for which orders."""

    plans: str
    price: str
    conditions: str


class EntryOut(BaseModel):
    """A method by a provider; without a provider an arrangement of the shop's own, or what nobody has a price for.

    `source` says where its traits come from, with the day on which that was read; both are empty for what the owner
    described. `plans` are those on which the provider carries it. `own` marks an arrangement of the shop's own,
    `open` a way that can be put in the checkout as it is. `details` are those that buyers of an arrangement are told.
    """

    provider: str
    provider_name: str
    method: str
    method_name: str
    family: str
    buyer: str
    limits: list[str]
    prices: list[PriceOut]
    plans: list[Choice]
    reasons: list[ReasonOut]
    also: list[str]
    own: bool
    open: bool
    details: list[Details]
    source: str
    read_on: date | None


class ProviderOut(BaseModel):
    """A provider besides its prices, and the shop's account with it."""

    facts: ProviderFacts
    stage: Stage | None
    excludes: list[str]
    asks: list[str]


class CatalogueOut(BaseModel):
    """Holds what was understood of a question, what was not, and everything that fits."""

    mode: Mode
    facets: list[FacetOut]
    unknown: list[str]
    entries: list[EntryOut]
    providers: list[ProviderOut]


def source_text(source: methods.Source) -> str:
    """Tells where a method's traits come from, with the codes by which payment messages name it."""
    if not source.service_level:
        return source.text
    codes = {"level": source.service_level, "instrument": source.local_instrument or "none"}
    return say("method-source", source=source.text, **codes)


def _entry(entry: Entry, names: dict[str, str]) -> EntryOut:
    plans = {plan.id: plan.name for plan in entry.card.plans} if entry.card else {}
    source = methods.sources().get(entry.method.id)
    own = entry.method.own and entry.card is None
    return EntryOut(
        provider=entry.card.provider.id if entry.card else "",
        provider_name=entry.card.provider.name if entry.card else "",
        method=entry.method.id,
        method_name=entry.method.name,
        family=entry.method.family.value,
        buyer=entry.method.buyer,
        limits=method_limits(entry.method),
        prices=[
            PriceOut(
                plans=", ".join(plans[plan] for plan in rate.plans) if rate.plans and len(plans) > 1 else "",
                price=price_text(rate),
                conditions=when_text(rate.when),
            )
            for rate in entry.rates
        ],
        plans=[
            Choice(code=code, name=name)
            for code, name in plans.items()
            if any(rate.plans is None or code in rate.plans for rate in entry.rates)
        ],
        reasons=reasons_out(tuple(entry.reasons), names),
        also=entry.method.also,
        own=own,
        open=own or (entry.card is not None and not entry.reasons),
        details=list(DETAILS.get(entry.method.family, ())) if own else [],
        source=source_text(source) if source else "",
        read_on=source.read_on if source else None,
    )


@router.get("/catalogue")
def read_catalogue(
    running: RunningDep, context: ContextDep, asks: str = "", unpriced: bool = False
) -> CatalogueOut:
    """Tells who carries what is asked for; without a question everything, and `unpriced` what nobody has a price for
    too.
    """
    inputs = inputs_of(context)
    answer = search(inputs, partial(understand, asks[:300]), running.clock.now().date(), unpriced=unpriced)
    names = {card.provider.id: card.provider.name for card in inputs.cards}
    named = dict.fromkeys(entry.card.provider.id for entry in answer.entries if entry.card)
    return CatalogueOut(
        mode=context.mode,
        facets=[
            FacetOut(**facet._asdict(), name=facet_text(facet, answer.names)) for facet in answer.question.facets
        ],
        unknown=answer.question.unknown,
        entries=[_entry(entry, names) for entry in answer.entries],
        providers=[
            ProviderOut(
                facts=inputs.providers[name],
                stage=inputs.accounts[name].stage if name in inputs.accounts else None,
                excludes=[names.get(other, other) for other in inputs.providers[name].excludes],
                asks=[ask_text(ask) for ask in inputs.providers[name].asks],
            )
            for name in named
            if name in inputs.providers
        ],
    )
