"""What comes from outside, and what was said: notifications, the record of exchanges, letters, and the clock."""

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Path, Request, Response
from fastapi.responses import PlainTextResponse
from pydantic import BaseModel, StrictInt
from starlette.concurrency import run_in_threadpool

from monedero.api.problems import PROBLEMS
from monedero.api.rooms import PremisesDep, RoomDep
from monedero.core.account import Mode
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.record import Message
from monedero.standins.letterbox import Letter
from monedero.standins.provider.contract import WELL_KNOWN
from monedero.store.exchanges import Exchange, Kept
from monedero.wording.exchanges import exchange_text
from monedero.work.accounts.hearing import LARGEST

router = APIRouter(tags=["outside"], responses=PROBLEMS)


class Heard(BaseModel):
    """What became of a notification."""

    verdict: str


class ExchangeOut(BaseModel):
    """Something that was said between the shop and a gateway, with its number, and in words."""

    number: int
    said: str
    exchange: Exchange


class ExchangesOut(BaseModel):
    """The newest exchanges of an account, the newest first."""

    mode: Mode
    exchanges: list[ExchangeOut]


class ClockOut(BaseModel):
    """The time in the shop, and by how many minutes its clock is ahead."""

    mode: Mode
    now: datetime
    ahead_minutes: int


class Wind(BaseModel):
    """By how many minutes to wind the clock forward."""

    minutes: StrictInt


class LettersOut(BaseModel):
    """The simulated phone and mailbox: what came to the owner, and what went to buyers."""

    mode: Mode
    letters: list[Letter]
    messages: list[Message]


@router.post("/notify/{endpoint}")
async def notify(held: PremisesDep, endpoint: str, request: Request) -> Heard:
    """A notification of a gateway (Standard Webhooks)."""
    body = b""
    async for chunk in request.stream():
        body += chunk
        if len(body) > LARGEST:
            break
    exchange = await run_in_threadpool(_heard, held, endpoint, dict(request.headers), body)
    return Heard(verdict=exchange.verdict)


def _heard(held: PremisesDep, endpoint: str, headers: dict[str, str], body: bytes) -> Exchange:
    for room in (held.own, held.demo):
        account = room.hearing.account_at(endpoint)
        if account is not None:
            exchange = room.hearing.hear(account, headers, body)
            if exchange.what == "account.changed":
                room.connecting.refresh(account)
            return exchange
    raise NotFound(Fault(FaultCode.NOT_FOUND, "endpoint", endpoint[:40], {"what": "address for notifications"}))


@router.get("/api/accounts/{id}/exchanges")
def read_exchanges(room: RoomDep, id: str, mode: Mode = Mode.TEST) -> ExchangesOut:
    """What was said between the shop and the gateway of an account."""
    account = room.applying.account(id, mode)
    kept = room.store.exchanges.newest(account.id, mode)
    return ExchangesOut(mode=mode, exchanges=[_exchange_out(entry) for entry in kept])


def _exchange_out(kept: Kept) -> ExchangeOut:
    exchange = kept.exchange
    said = exchange_text(exchange.what, incoming=exchange.incoming)
    return ExchangeOut(number=kept.number, said=said, exchange=exchange)


@router.post("/api/exchanges/{number}/replay")
def replay(room: RoomDep, number: Annotated[int, Path(ge=1, le=2**63 - 1)]) -> Heard:
    """Count a kept notification by hand, as it came."""
    return Heard(verdict=room.hearing.replay(number).verdict)


@router.post("/api/accounts/{id}/notifications/check", status_code=202)
def check_notifications(room: RoomDep, id: str, mode: Mode = Mode.TEST) -> None:
    """Ask the gateway for a notification that only says that they arrive."""
    room.connecting.check_endpoint(room.applying.account(id, mode))


@router.post("/api/accounts/{id}/notifications/secret", status_code=202)
def new_secret(room: RoomDep, id: str, mode: Mode = Mode.TEST) -> None:
    """Replace the secret that signs notifications; the old one is believed for a day more."""
    room.connecting.new_secret(room.applying.account(id, mode))


@router.get("/api/clock")
def read_clock(room: RoomDep) -> ClockOut:
    """The time in the shop."""
    ahead = int(room.clock.ahead.total_seconds()) // 60
    return ClockOut(mode=Mode.TEST, now=room.clock.now(), ahead_minutes=ahead)


@router.post("/api/clock")
def wind_clock(room: RoomDep, wind: Wind) -> ClockOut:
    """Wind the clock of the shop and of the world that is played for it forward, in test mode."""
    room.clock.wind(wind.minutes)
    room.beat()
    room.ask_around()
    return read_clock(room)


@router.get("/api/letters")
def read_letters(room: RoomDep) -> LettersOut:
    """The simulated phone and mailbox."""
    return LettersOut(
        mode=Mode.TEST, letters=room.provider.letters.all(), messages=room.store.orders.all_messages()
    )


@router.get(f"{WELL_KNOWN}{{number}}", include_in_schema=False)
def domain_file(held: PremisesDep, number: str) -> Response:
    """The file that shows a provider that a domain is the shop's (RFC 8615), where the storefront has one."""
    for room in (held.own, held.demo):
        shop = room.store.shop.read()
        numbers = {account.number for mode in Mode for account in room.store.accounts.of(mode).values()}
        if shop and number in numbers and any(front.domain for front in shop.value.storefronts):
            return PlainTextResponse(number)
    raise NotFound(Fault(FaultCode.NOT_FOUND, "file", number[:40], {"what": "file"}))
