"""Open or paused: whether a storefront takes orders of buyers, and what they read while it does not."""

from datetime import date, datetime

from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.desk.door import ContextDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.fields import Day, Description
from monedero.work.checkout.pausing import open_again, pause, paused
from monedero.work.context import Context

router = APIRouter(prefix="/api/checkouts/{storefront}/pause", tags=["publish"], responses=PROBLEMS)


class PauseOut(BaseModel):
    """The pause of a storefront: since when, the day on which it opens by itself, and the words that buyers read."""

    since: datetime
    opens_on: date | None
    said: str


class OpenOrPaused(BaseModel):
    """The pause that a storefront is in; None where it is open."""

    mode: Mode
    pause: PauseOut | None


class PauseNow(BaseModel):
    """The day on which the storefront opens again (None: when its owner opens it), and the words for buyers."""

    opens_on: Day | None = None
    said: Description = ""


@router.get("")
def read_pause(context: ContextDep, storefront: str) -> OpenOrPaused:
    """Tells whether buyers can order."""
    return _told(context)


@router.put("")
def pause_storefront(context: ContextDep, storefront: str, now: PauseNow) -> OpenOrPaused:
    """Take no orders of buyers; those that there are go on."""
    pause(context, now.opens_on, now.said)
    return _told(context)


@router.delete("")
def open_storefront(context: ContextDep, storefront: str) -> OpenOrPaused:
    """Take orders again."""
    open_again(context)
    return _told(context)


def _told(context: Context) -> OpenOrPaused:
    found = paused(context)
    told = PauseOut(since=found.since, opens_on=found.opens_on, said=found.said) if found else None
    return OpenOrPaused(mode=context.mode, pause=told)
