"""Rate cards: read from files, edited in place, each with its versions; out as JSON and as a table."""

from datetime import date
from typing import Annotated, Any

from fastapi import APIRouter, Path, Request, Response
from pydantic import BaseModel, StrictInt

from monedero.api.desk.compare import reasons_out
from monedero.api.desk.compare_schemas import ReasonOut
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHand, sentence
from monedero.core.account import Mode
from monedero.core.errors import FaultCode, refuse
from monedero.core.money import Money
from monedero.core.ratecard.model import Extra, Rate, RateCard, Route
from monedero.core.ratecard.passed_on import in_card
from monedero.formats import rate_card, rate_card_csv
from monedero.server import examples
from monedero.server.shops import RunningShop
from monedero.store.rate_cards import StoredCard, day_of
from monedero.wording.conditions import when_text
from monedero.work.compare.rate_cards import ALWAYS, Tried, day_in_address, in_force, stored_card, try_card
from monedero.work.context import Context
from monedero.work.shop.lookups import described_shop
from monedero.work.shop.order_in_hand import order_in_hand

LARGEST_CARD = 1_000_000


def file_of(kind: str) -> dict[str, Any]:
    """How a body that is a file is described."""
    return {"requestBody": {"required": True, "content": {kind: {"schema": {"type": "string"}}}}}


router = APIRouter(prefix="/api/rate-cards", tags=["rate cards"], responses=PROBLEMS)
Day = Annotated[str, Path(pattern=r"^(always|\d{4}-\d{2}-\d{2})$", description="`always`, or a day")]


class CardOut(BaseModel):
    """A rate card that was kept."""

    mode: Mode
    provider: str
    provider_name: str
    valid_from: str
    routes: int


class CardsOut(BaseModel):
    """How many rate cards were put in; below zero, how many were put away."""

    mode: Mode
    added: int


class CardVersionOut(BaseModel):
    """One version of a card: the day as an address says it, and whether it prices today."""

    day: str
    valid_from: date | None
    in_force: bool


class ProviderCardsOut(BaseModel):
    """The versions of a provider's card, the newest first."""

    provider: str
    provider_name: str
    example: bool
    versions: list[CardVersionOut]


class StoredCardOut(BaseModel):
    """A rate card with the version of what is kept, and for which orders each rate and extra is, in words by its id."""

    mode: Mode
    version: int
    day: str
    card: RateCard
    conditions: dict[str, str]


class CardEdit(BaseModel):
    """A card as it shall be, over the version that was read; version 0 is a card that shall be new."""

    version: StrictInt
    card: RateCard


class TryCard(BaseModel):
    """A card that is not kept yet, and the order in hand."""

    card: RateCard
    hand: InHand


class TriedOut(BaseModel):
    """The fee of the order in hand on a route of the card, or why there is none."""

    route: Route
    fee: str | None
    rate: str
    reasons: list[ReasonOut]


async def body_of(request: Request, largest: int = LARGEST_CARD) -> bytes:
    """The bytes of a file, as long as it is not larger than it could be."""
    content = bytearray()
    async for chunk in request.stream():
        content += chunk
        if len(content) > largest:
            raise refuse(FaultCode.FILE_TOO_LARGE, "file", f"over {largest}", largest=largest)
    return bytes(content)


def kept_out(mode: Mode, card: RateCard) -> CardOut:
    """A card that was kept."""
    return CardOut(
        mode=mode,
        provider=card.provider.id,
        provider_name=card.provider.name,
        valid_from=day_of(card),
        routes=len(card.routes),
    )


def _held(running: RunningShop, context: Context, provider: str, day: str) -> StoredCardOut:
    return _out(running, context, stored_card(context, provider, day))


def _out(running: RunningShop, context: Context, stored: StoredCard) -> StoredCardOut:
    card = stored.card
    entries: list[Rate | Extra] = [*card.rates, *card.extras]
    return StoredCardOut(
        mode=context.mode,
        version=stored.version,
        day=day_of(card) or ALWAYS,
        card=card,
        conditions={entry.id: when_text(entry.when, short=True) for entry in entries},
    )


@router.get("")
def read_rate_cards(running: RunningDep) -> list[ProviderCardsOut]:
    """Every provider with the versions of its card."""
    cards = running.store.rate_cards.all()
    now = in_force(cards, running.clock.now().date())
    invented = examples.examples_in(running.store)
    found: dict[str, ProviderCardsOut] = {}
    for card in sorted(cards, key=day_of, reverse=True):
        version = CardVersionOut(
            day=day_of(card) or ALWAYS,
            valid_from=card.valid_from,
            in_force=(card.provider.id, day_of(card)) in now,
        )
        provider = found.setdefault(
            card.provider.id,
            ProviderCardsOut(
                provider=card.provider.id,
                provider_name=card.provider.name,
                example=card.provider.id in invented,
                versions=[],
            ),
        )
        provider.versions.append(version)
    return [found[name] for name in dict.fromkeys(card.provider.id for card in cards)]


@router.post("", status_code=201, openapi_extra=file_of("application/json"))
async def add_rate_card(request: Request, running: RunningDep, context: ContextDep) -> CardOut:
    """Read a rate card, `monedero/rate-card/1`; a wrong one is refused with every place, and nothing changes."""
    card = rate_card.read(await body_of(request))
    running.store.rate_cards.put(card)
    return kept_out(context.mode, card)


@router.post("/examples", status_code=201)
def add_example_cards(running: RunningDep, context: ContextDep) -> CardsOut:
    """Put in the seven invented providers with their rate cards."""
    return CardsOut(mode=context.mode, added=examples.put_in(running.store, marked=not running.demo))


@router.delete("/examples")
def put_example_cards_away(running: RunningDep, context: ContextDep) -> CardsOut:
    """Take the invented providers away, with their rate cards and their ways to pay in drafts."""
    return CardsOut(mode=context.mode, added=-examples.put_away(running.store))


@router.post("/try")
def try_rate_card(running: RunningDep, context: ContextDep, tried: TryCard) -> list[TriedOut]:
    """Tells what the order in hand would cost on a card that is not kept yet."""
    order = order_in_hand(described_shop(running.store).value, sentence(tried.hand, running))
    books = described_shop(running.store).value.currency
    return tried_out(try_card(context, tried.card, order), tried.card, books)


def tried_out(found: Tried, card: RateCard, books: str) -> list[TriedOut]:
    """The fees of a card that is not kept yet, in the currency of the books, and why others have none."""
    names = {card.provider.id: card.provider.name}
    priced = [
        TriedOut(
            route=entry.pricing.route,
            fee=str(Money.rounded(entry.fee, books)),
            rate=in_card(entry.pricing.rate),
            reasons=[],
        )
        for entry in found.priced
    ]
    return priced + [
        TriedOut(route=entry.route, fee=None, rate="", reasons=reasons_out((entry.reason,), names))
        for entry in found.not_priced
    ]


@router.get("/{provider}/{day}")
def read_rate_card(running: RunningDep, context: ContextDep, provider: str, day: Day) -> StoredCardOut:
    """One version of a provider's card."""
    return _held(running, context, provider, day)


@router.put("/{provider}/{day}")
def save_rate_card(
    running: RunningDep, context: ContextDep, provider: str, day: Day, edit: CardEdit
) -> StoredCardOut:
    """Save a card as a whole; it may take another day."""
    kept = running.store.rate_cards.save(edit.card, provider, day_in_address(day), edit.version)
    return _out(running, context, kept)


@router.delete("/{provider}/{day}", status_code=204)
def remove_rate_card(running: RunningDep, context: ContextDep, provider: str, day: Day) -> None:
    """Take one version of a card away."""
    stored_card(context, provider, day)
    running.store.rate_cards.remove(provider, day_in_address(day))


@router.get("/{provider}/{day}/card.json", response_class=Response)
def rate_card_as_json(running: RunningDep, context: ContextDep, provider: str, day: Day) -> Response:
    """A card as a file, `monedero/rate-card/1`."""
    content = rate_card.write(stored_card(context, provider, day).card)
    return _file(content, "application/json", f"{provider}-{day}.json")


@router.get("/{provider}/{day}/rates.csv", response_class=Response)
def rate_card_as_table(running: RunningDep, context: ContextDep, provider: str, day: Day) -> Response:
    """The rates and extras of a card as a table."""
    content = rate_card_csv.write(stored_card(context, provider, day).card)
    return _file(content, "text/csv", f"{provider}-{day}-rates.csv")


@router.post("/{provider}/{day}/rates.csv", openapi_extra=file_of("text/csv"))
async def read_rates_from_table(
    request: Request, running: RunningDep, context: ContextDep, provider: str, day: Day
) -> StoredCardOut:
    """Put a table's rates and extras in the place of a card's; a wrong one is refused, and nothing changes."""
    stored = stored_card(context, provider, day)
    card = rate_card_csv.read(await body_of(request), stored.card)
    running.store.rate_cards.save(card, provider, day_in_address(day), stored.version)
    return _held(running, context, provider, day)


def _file(content: bytes, kind: str, name: str) -> Response:
    return Response(content, media_type=kind, headers={"Content-Disposition": f'attachment; filename="{name}"'})
