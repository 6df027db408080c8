"""Publish: what is pending, and the editions."""

from datetime import datetime

from fastapi import APIRouter
from pydantic import BaseModel, StrictInt

from monedero.api.problems import PROBLEMS
from monedero.api.rooms import RoomDep
from monedero.core.account import Mode
from monedero.core.tender.model import Tender
from monedero.store.shelves import Edition
from monedero.wording.letters import change_text
from monedero.work.basis import draft
from monedero.work.publishing import pending, publish

router = APIRouter(prefix="/api", tags=["publish"], responses=PROBLEMS)


class EditionOut(BaseModel):
    """A published state."""

    number: int
    published_at: datetime
    tenders: list[Tender]


class Publication(BaseModel):
    """What the draft would change for buyers, and the editions, the newest first."""

    mode: Mode
    draft_version: int
    changes: list[str]
    editions: list[EditionOut]


class PublishNow(BaseModel):
    """The version of the draft that the owner looked at."""

    version: StrictInt


def _edition(edition: Edition) -> EditionOut:
    return EditionOut(
        number=edition.number, published_at=edition.published_at, tenders=edition.held.checkout.tenders
    )


@router.get("/publication")
def read_publication(room: RoomDep) -> Publication:
    """What is pending and what is published."""
    held = draft(room.store)
    return Publication(
        mode=held.value.mode,
        draft_version=held.version,
        changes=[change_text(change) for change in pending(room.store)],
        editions=[_edition(edition) for edition in room.store.editions.all()],
    )


@router.post("/editions", status_code=201)
def add_edition(room: RoomDep, now: PublishNow) -> EditionOut:
    """Publish the draft as the next edition."""
    return _edition(publish(room.store, now.version, room.clock.now()))
