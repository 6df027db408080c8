"""Providers besides their prices: what is known of them, typed in place, out as a file and in from one."""

from fastapi import APIRouter, Request, Response
from pydantic import BaseModel

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.desk.rate_cards import body_of, file_of
from monedero.api.desk.shop import Choice
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.application import Ask
from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.model import RateCard
from monedero.formats import provider_file
from monedero.store.rate_cards import day_of
from monedero.wording.accounts import ask_text
from monedero.work.accounts.taking_away import take_provider_away
from monedero.work.compare.provider_facts import change_facts, facts_of, keep_file
from monedero.work.compare.rate_cards import in_force

router = APIRouter(prefix="/api/providers", tags=["rate cards"], responses=PROBLEMS)


class FactsOut(BaseModel):
    """Holds what is known of a provider, and everything that one may ask, by name."""

    mode: Mode
    facts: ProviderFacts
    every_ask: list[Choice]


class FactsEdit(BaseModel):
    """Holds what is known of a provider as it was read, and as it shall be."""

    before: ProviderFacts
    facts: ProviderFacts


class FileRead(BaseModel):
    """Holds what a file held: a provider, and whether its rate card was in it."""

    mode: Mode
    provider: str
    provider_name: str
    with_card: bool


def _out(running: RunningDep, context: ContextDep, facts: ProviderFacts) -> FactsOut:
    asks = [Choice(code=ask.value, name=ask_text(ask)) for ask in Ask]
    return FactsOut(mode=context.mode, facts=facts, every_ask=asks)


@router.post("/file", status_code=201, openapi_extra=file_of("application/json"))
async def read_provider_file(request: Request, running: RunningDep, context: ContextDep) -> FileRead:
    """Read a provider, `monedero/provider/1`, with its rate card where the file holds one."""
    facts, card = provider_file.read(await body_of(request))
    keep_file(context, facts, card)
    return FileRead(mode=context.mode, provider=facts.id, provider_name=facts.name, with_card=card is not None)


@router.get("/{provider}")
def read_facts(running: RunningDep, context: ContextDep, provider: str) -> FactsOut:
    """Tells what is known of a provider besides its prices."""
    return _out(running, context, facts_of(context, provider))


@router.put("/{provider}")
def save_facts(running: RunningDep, context: ContextDep, provider: str, edit: FactsEdit) -> FactsOut:
    """Save what is known of a provider over what was read."""
    before = edit.before.model_copy(update={"id": provider})
    return _out(running, context, change_facts(context, before, edit.facts))


@router.delete("/{provider}", status_code=204)
def remove_provider(running: RunningDep, provider: str) -> None:
    """Take a provider away for good, with its rate card; what uses it is told, and then nothing is changed."""
    take_provider_away(running.store, provider)


@router.get("/{provider}/provider.json", response_class=Response)
def provider_as_file(running: RunningDep, context: ContextDep, provider: str) -> Response:
    """A provider as a file, `monedero/provider/1`, with the rate card that prices today."""
    facts, cards = facts_of(context, provider), running.store.rate_cards.all()
    now = in_force(cards, running.clock.now().date())
    card = next((card for card in cards if card.provider.id == provider and _key(card) in now), None)
    headers = {"Content-Disposition": f'attachment; filename="{provider}.json"'}
    return Response(provider_file.write(facts, card), media_type="application/json", headers=headers)


def _key(card: RateCard) -> tuple[str, str]:
    return card.provider.id, day_of(card)
