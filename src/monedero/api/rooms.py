"""Which shop a request is about, and what of the order in hand it names."""

from datetime import date
from typing import Annotated

from fastapi import Depends, Query, Request
from pydantic import BaseModel

from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.core.fields import Identifier
from monedero.core.ratecard.model import CardKind
from monedero.work.basis import Sentence
from monedero.work.premises import Premises, Room

COOKIE = "monedero_shop"
# The days of an order in hand: calendars know their holidays, and what is counted on from them is a day too.
FIRST_DAY, LAST_DAY = date(1990, 1, 1), date(2199, 12, 31)


def premises(request: Request) -> Premises:
    """The shops of this server."""
    held: Premises = request.app.state.premises
    return held


def room(request: Request) -> Room:
    """The shop that this browser is in: the one it chose, else the one the server was started for."""
    held = premises(request)
    chosen = request.cookies.get(COOKIE, request.app.state.first_room)
    return held.demo if chosen == "demo" else held.own


class InHand(BaseModel):
    """The order in hand as a request names it."""

    market: str
    line: str
    amount: str
    currency: str
    on: date | None = None
    card_kind: CardKind | None = None
    card_network: Identifier | None = None


PremisesDep = Annotated[Premises, Depends(premises)]
RoomDep = Annotated[Room, Depends(room)]
InHandQuery = Annotated[InHand, Query()]


def sentence(asked: InHand, room: Room) -> Sentence:
    """The sentence of the order in hand; without a day, today."""
    day = asked.on or room.clock.now().date()
    if not FIRST_DAY <= day <= LAST_DAY:
        told = {"first": FIRST_DAY.isoformat(), "last": LAST_DAY.isoformat()}
        raise InvalidInput(Fault(FaultCode.DATE_RANGE, "on", day.isoformat(), told))
    return Sentence(asked.market, asked.line, asked.amount, asked.currency, day)
