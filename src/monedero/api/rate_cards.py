"""Rate cards: read from files, edited in place, each with its versions; out as JSON and as a table."""

from datetime import date
from typing import Annotated, Any

from fastapi import APIRouter, Path, Request, Response
from pydantic import BaseModel, StrictInt

from monedero.api.compare import reasons_out
from monedero.api.compare_schemas import ReasonOut
from monedero.api.problems import PROBLEMS
from monedero.api.rooms import InHand, RoomDep, sentence
from monedero.core.account import Mode
from monedero.core.errors import FaultCode, refuse
from monedero.core.money import Money
from monedero.core.ratecard.model import RateCard, Route
from monedero.formats import rate_card, rate_card_csv
from monedero.store.rate_cards import day_of
from monedero.work.basis import described_shop, hand
from monedero.work.beginning import put_example_cards
from monedero.work.cards import ALWAYS, day_in_address, held_card, in_force, try_card
from monedero.work.premises import Room

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
    """How many rate cards were put in."""

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
    versions: list[CardVersionOut]


class HeldCardOut(BaseModel):
    """A rate card with the version of what is kept."""

    mode: Mode
    version: int
    day: str
    card: RateCard


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


def _kept(card: RateCard) -> CardOut:
    return CardOut(
        mode=Mode.TEST,
        provider=card.provider.id,
        provider_name=card.provider.name,
        valid_from=day_of(card),
        routes=len(card.routes),
    )


def _held(room: Room, provider: str, day: str) -> HeldCardOut:
    held = held_card(room.store, provider, day)
    return HeldCardOut(mode=Mode.TEST, version=held.version, day=day, card=held.card)


@router.get("")
def read_rate_cards(room: RoomDep) -> list[ProviderCardsOut]:
    """Every provider with the versions of its card."""
    cards = room.store.rate_cards.all()
    now = in_force(cards, room.clock.now().date())
    found: dict[str, ProviderCardsOut] = {}
    for card in sorted(cards, key=day_of, reverse=True):
        version = CardVersionOut(
            day=day_of(card) or ALWAYS,
            valid_from=card.valid_from,
            in_force=(card.provider.id, day_of(card)) in now,
        )
        provider = found.setdefault(
            card.provider.id,
            ProviderCardsOut(provider=card.provider.id, provider_name=card.provider.name, versions=[]),
        )
        provider.versions.append(version)
    return [found[name] for name in dict.fromkeys(card.provider.id for card in cards)]


@router.post("", status_code=201, openapi_extra=file_of("application/json"))
async def add_rate_card(request: Request, room: RoomDep) -> CardOut:
    """Read a rate card, `monedero/rate-card/1`; a wrong one is refused with every place, and nothing changes."""
    card = rate_card.read(await body_of(request))
    room.store.rate_cards.put(card)
    return _kept(card)


@router.post("/examples", status_code=201)
def add_example_cards(room: RoomDep) -> CardsOut:
    """Put in the seven invented providers with their rate cards."""
    return CardsOut(mode=Mode.TEST, added=put_example_cards(room.store))


@router.post("/try")
def try_rate_card(room: RoomDep, tried: TryCard) -> list[TriedOut]:
    """What the order in hand would cost on a card that is not kept yet."""
    order = hand(described_shop(room.store).value, sentence(tried.hand, room))
    found = try_card(room.store, tried.card, order, tried.hand.card_kind, tried.hand.card_network)
    books = described_shop(room.store).value.currency
    names = {tried.card.provider.id: tried.card.provider.name}
    priced = [
        TriedOut(
            route=entry.pricing.route,
            fee=str(Money.rounded(entry.fee, books)),
            rate=entry.pricing.rate,
            reasons=[],
        )
        for entry in found.priced
    ]
    return priced + [
        TriedOut(route=entry.route, fee=None, rate="", reasons=reasons_out((entry.reason,), names))
        for entry in found.not_priced
    ]


@router.get("/{provider}/{day}")
def read_rate_card(room: RoomDep, provider: str, day: Day) -> HeldCardOut:
    """One version of a provider's card."""
    return _held(room, provider, day)


@router.put("/{provider}/{day}")
def save_rate_card(room: RoomDep, provider: str, day: Day, edit: CardEdit) -> HeldCardOut:
    """Save a card as a whole; it may take another day."""
    kept = room.store.rate_cards.save(edit.card, provider, day_in_address(day), edit.version)
    return HeldCardOut(mode=Mode.TEST, version=kept.version, day=day_of(kept.card) or ALWAYS, card=kept.card)


@router.delete("/{provider}/{day}", status_code=204)
def remove_rate_card(room: RoomDep, provider: str, day: Day) -> None:
    """Take one version of a card away."""
    held_card(room.store, provider, day)
    room.store.rate_cards.remove(provider, day_in_address(day))


@router.get("/{provider}/{day}/card.json", response_class=Response)
def rate_card_as_json(room: RoomDep, provider: str, day: Day) -> Response:
    """A card as a file, `monedero/rate-card/1`."""
    content = rate_card.write(held_card(room.store, provider, day).card)
    return _file(content, "application/json", f"{provider}-{day}.json")


@router.get("/{provider}/{day}/rates.csv", response_class=Response)
def rate_card_as_table(room: RoomDep, provider: str, day: Day) -> Response:
    """The rates and extras of a card as a table."""
    content = rate_card_csv.write(held_card(room.store, provider, day).card)
    return _file(content, "text/csv", f"{provider}-{day}-rates.csv")


@router.post("/{provider}/{day}/rates.csv", openapi_extra=file_of("text/csv"))
async def read_rates_from_table(request: Request, room: RoomDep, provider: str, day: Day) -> HeldCardOut:
    """Put a table's rates and extras in the place of a card's; a wrong one is refused, and nothing changes."""
    held = held_card(room.store, provider, day)
    card = rate_card_csv.read(await body_of(request), held.card)
    room.store.rate_cards.save(card, provider, day_in_address(day), held.version)
    return _held(room, provider, day)


def _file(content: bytes, kind: str, name: str) -> Response:
    return Response(content, media_type=kind, headers={"Content-Disposition": f'attachment; filename="{name}"'})
