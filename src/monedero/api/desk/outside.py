"""The world outside as the desk sees it: the record of exchanges, letters, and the clock."""

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Path, Query
from pydantic import BaseModel, StrictInt

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.hooks.notifications import Heard
from monedero.api.modes import ModeDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.letter import Letter
from monedero.core.record import Message
from monedero.store.exchanges import Exchange, KeptExchange
from monedero.wording import fault_text
from monedero.wording.exchanges import exchange_text

# How many exchanges or letters are told at once.
AT_ONCE = 200

router = APIRouter(tags=["outside"], responses=PROBLEMS)


class ExchangeOut(BaseModel):
    """Something that was said between the shop and a gateway, with its number, in words, and why it was refused."""

    number: int
    said: str
    why: str
    exchange: Exchange


class ExchangesOut(BaseModel):
    """Some exchanges of an account, the newest first, and before which number older ones begin."""

    mode: Mode
    exchanges: list[ExchangeOut]
    older: int | None


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


@router.get("/api/accounts/{id}/exchanges")
def read_exchanges(
    running: RunningDep,
    id: str,
    mode: ModeDep,
    before: Annotated[int | None, Query(ge=1, le=2**63 - 1)] = None,
) -> ExchangesOut:
    """Tells what was said between the shop and the gateway of an account, from before a number on where one is
    given.
    """
    account = running.applications.account(id, mode)
    kept = running.store.exchanges.newest(account.id, mode, before=before, at_most=AT_ONCE + 1)
    shown = kept[:AT_ONCE]
    older = shown[-1].number if len(kept) > AT_ONCE else None
    return ExchangesOut(mode=mode, exchanges=[_exchange_out(entry) for entry in shown], older=older)


def _exchange_out(kept: KeptExchange) -> ExchangeOut:
    exchange = kept.exchange
    said = exchange_text(exchange.what, incoming=exchange.incoming, by_hand=exchange.by_hand)
    why = " ".join(map(fault_text, exchange.faults)) or exchange.told
    return ExchangeOut(number=kept.number, said=said, why=why, exchange=exchange)


@router.post("/api/exchanges/{number}/replay")
def replay(running: RunningDep, number: Annotated[int, Path(ge=1, le=2**63 - 1)]) -> Heard:
    """Count a kept notification by hand, as it came."""
    return Heard(verdict=running.notifications.replay(number).verdict)


@router.post("/api/accounts/{id}/notifications/check", status_code=202)
def check_notifications(running: RunningDep, id: str, mode: ModeDep) -> None:
    """Ask the gateway for a notification that only says that they arrive."""
    running.connections.check_endpoint(running.applications.account(id, mode))


@router.post("/api/accounts/{id}/notifications/secret", status_code=202)
def new_secret(running: RunningDep, id: str, mode: ModeDep) -> None:
    """Replace the secret that signs notifications; the old one is believed for a day more."""
    running.connections.new_secret(running.applications.account(id, mode))


@router.get("/api/clock")
def read_clock(running: RunningDep, context: ContextDep) -> ClockOut:
    """The time in the shop."""
    ahead = int(running.clock.ahead.total_seconds()) // 60
    return ClockOut(mode=context.mode, now=running.clock.now(), ahead_minutes=ahead)


@router.post("/api/clock")
def wind_clock(running: RunningDep, context: ContextDep, wind: Wind) -> ClockOut:
    """Wind the clock of the shop and of the world that is played for it forward, in test mode."""
    running.clock.wind(wind.minutes)
    running.beat()
    running.ask_around()
    return read_clock(running, context)


@router.get("/api/letters")
def read_letters(running: RunningDep, context: ContextDep) -> LettersOut:
    """The simulated phone and mailbox."""
    return LettersOut(
        mode=context.mode,
        letters=running.provider.letters.all()[:AT_ONCE],
        messages=running.store.orders.all_messages(context.mode),
    )
