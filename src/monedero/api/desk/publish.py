"""Publish: what is pending, and the editions."""

from datetime import datetime

from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.checkout.model import Tender
from monedero.core.language import in_language
from monedero.letters.impact import impact_texts
from monedero.store.providers_and_editions import Edition
from monedero.wording.changes import change_text, tender_summary
from monedero.wording.names import names_of
from monedero.work.checkout.checkout_snapshot import drafted
from monedero.work.checkout.impact_before import publishing_would_move
from monedero.work.checkout.publish import pending, publish

router = APIRouter(prefix="/api/checkouts/{storefront}", tags=["publish"], responses=PROBLEMS)


class EditionOut(BaseModel):
    """A published state; `summary` says of every tender that is on what it is limited to, and what it costs on top."""

    number: int
    published_at: datetime
    tenders: list[Tender]
    summary: list[str]


class Publication(BaseModel):
    """Holds what publishing would change for buyers, the fingerprint of all of it, and the editions, the newest
    first.
    """

    mode: Mode
    storefront: str
    fingerprint: str
    changes: list[str]
    editions: list[EditionOut]


class PublicationMoves(BaseModel):
    """The orders that every way to pay gains and loses when a draft is published, in sentences."""

    mode: Mode
    sentences: list[str]


class PublishNow(BaseModel):
    """The fingerprint of what the owner looked at."""

    fingerprint: str


def _edition(edition: Edition) -> EditionOut:
    names = names_of(edition.published.shop, edition.published.checkout)
    return EditionOut(
        number=edition.number,
        published_at=edition.published_at,
        tenders=edition.published.checkout.tenders,
        summary=[tender_summary(tender, names) for tender in edition.published.checkout.tenders if tender.on],
    )


@router.get("/publication")
def read_publication(running: RunningDep, context: ContextDep, storefront: str) -> Publication:
    """Tells what is pending and what is published for a storefront."""
    shown, differs = pending(context)
    names = {card.provider.id: card.provider.name for card in running.store.rate_cards.all()}
    names |= names_of(shown.shop, shown.checkout)
    first = shown.shop.languages[0]
    names |= {f"heading/{heading.id}": in_language(heading.name, first) for heading in shown.checkout.headings}
    return Publication(
        mode=shown.checkout.mode,
        storefront=storefront,
        fingerprint=shown.fingerprint,
        changes=[change_text(change, names) for change in differs],
        editions=[_edition(edition) for edition in running.store.editions.of(storefront)],
    )


@router.get("/publication/moves")
def read_moves(running: RunningDep, context: ContextDep, storefront: str) -> PublicationMoves:
    """Tells what publishing would move; asked for by itself, since every order is looked at for it."""
    snapshot = drafted(context)
    moved = publishing_would_move(context, running.clock.now().date())
    sentences = impact_texts(moved, names_of(snapshot.shop, snapshot.checkout)) if moved else []
    return PublicationMoves(mode=snapshot.checkout.mode, sentences=sentences)


@router.post("/editions", status_code=201)
def add_edition(running: RunningDep, context: ContextDep, storefront: str, now: PublishNow) -> EditionOut:
    """Publish what the owner looked at as the next edition."""
    return _edition(publish(context, now.fingerprint))
