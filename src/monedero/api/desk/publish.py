"""Publish: what is pending, and the editions."""

from datetime import UTC, datetime

from fastapi import APIRouter
from pydantic import AwareDatetime, BaseModel

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.checkout.edition import Published
from monedero.core.checkout.model import Tender
from monedero.core.fields import Description
from monedero.core.language import in_language
from monedero.letters.impact import impact_texts
from monedero.store.planned import Planned
from monedero.store.providers_and_editions import Edition
from monedero.wording.changes import change_text, tender_summary
from monedero.wording.names import names_of
from monedero.wording.ready import ready_text
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted, published_as
from monedero.work.checkout.impact_before import publishing_would_move
from monedero.work.checkout.publish import pending
from monedero.work.context import Context
from monedero.work.ready.publishing import back_would_change, go_back, plan, plan_no_more, publish_now

router = APIRouter(prefix="/api/checkouts/{storefront}", tags=["publish"], responses=PROBLEMS)


class EditionOut(BaseModel):
    """A published state; `summary` says of every tender that is on what it is limited to, and what it costs on top.

    `of_edition` is the edition that it goes back to, `fingerprint` the same for the same content and for no other;
    `is_shown`: buyers see it, or one that is the same.
    """

    number: int
    published_at: datetime
    note: str
    actor: str
    of_edition: int | None
    fingerprint: str
    is_shown: bool
    tenders: list[Tender]
    summary: list[str]


class PlannedOut(BaseModel):
    """An edition that is to be published from a moment on; `stopped` says why it was not when the moment came."""

    at: datetime
    note: str
    stopped: list[str]


class Publication(BaseModel):
    """Holds what publishing would change for buyers, the fingerprint of all of it, and the editions, the newest
    first.
    """

    mode: Mode
    storefront: str
    fingerprint: str
    changes: list[str]
    planned: PlannedOut | None
    editions: list[EditionOut]


class PublicationMoves(BaseModel):
    """The orders that every way to pay gains and loses when a draft is published, in sentences."""

    mode: Mode
    sentences: list[str]


class EditionDifference(BaseModel):
    """The changes for buyers when an edition is gone back to, in sentences."""

    mode: Mode
    changes: list[str]


class PublishNow(BaseModel):
    """The fingerprint of what the owner looked at, and a note on it."""

    fingerprint: str
    note: Description = ""


class PlanNow(PublishNow):
    """The same, and the moment from which buyers shall see it."""

    at: AwareDatetime


class BackNow(BaseModel):
    """A note on why an earlier edition is published again."""

    note: Description = ""


def _edition(edition: Edition, shown: Edition | None = None) -> EditionOut:
    """An edition; `shown` is the one that buyers see (None: this)."""
    names = names_of(edition.published.shop, edition.published.checkout)
    return EditionOut(
        number=edition.number,
        published_at=edition.published_at,
        note=edition.note,
        actor=edition.actor,
        of_edition=edition.of_edition,
        fingerprint=edition.published.fingerprint,
        is_shown=shown is None or edition.published.fingerprint == shown.published.fingerprint,
        tenders=edition.published.checkout.tenders,
        summary=[tender_summary(tender, names) for tender in edition.published.checkout.tenders if tender.on],
    )


@router.get("/publication")
def read_publication(running: RunningDep, context: ContextDep, storefront: str) -> Publication:
    """Tells what is pending and what is published for a storefront."""
    shown, differs = pending(context)
    names = _names(context, shown)
    planned = running.store.planned.of(storefront)
    editions = running.store.editions.of(storefront)
    return Publication(
        mode=shown.checkout.mode,
        storefront=storefront,
        fingerprint=shown.fingerprint,
        changes=[change_text(change, names) for change in differs],
        planned=_planned(planned) if planned else None,
        editions=[_edition(edition, editions[0]) for edition in editions],
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
    return _edition(publish_now(context, now.fingerprint, now.note))


@router.get("/editions/{number}/difference")
def read_difference(context: ContextDep, storefront: str, number: int) -> EditionDifference:
    """Tells what going back to an earlier edition would change for buyers."""
    shown = published_as(context, number)
    names = _names(context, shown)
    return EditionDifference(
        mode=context.mode,
        changes=[change_text(change, names) for change in back_would_change(context, number)],
    )


@router.post("/editions/{number}/again", status_code=201)
def go_back_to(context: ContextDep, storefront: str, number: int, now: BackNow) -> EditionOut:
    """Publish an earlier edition again, as the next one; the draft stays as it is."""
    return _edition(go_back(context, number, now.note))


@router.put("/planned-edition")
def plan_edition(context: ContextDep, storefront: str, now: PlanNow) -> PlannedOut:
    """Plan what the owner looked at as the edition from a moment on."""
    return _planned(plan(context, now.fingerprint, now.at.astimezone(UTC), now.note))


@router.delete("/planned-edition", status_code=204)
def unplan_edition(context: ContextDep, storefront: str) -> None:
    """Take a planned edition back."""
    plan_no_more(context)


def _names(context: Context, shown: Published | CheckoutSnapshot) -> dict[str, str]:
    """The names of all that a change can be about, by ids."""
    names = {card.provider.id: card.provider.name for card in context.shop.rate_cards.all()}
    names |= names_of(shown.shop, shown.checkout)
    first = shown.shop.languages[0]
    return names | {
        f"heading/{heading.id}": in_language(heading.name, first) for heading in shown.checkout.headings
    }


def _planned(planned: Planned) -> PlannedOut:
    return PlannedOut(
        at=planned.at, note=planned.note, stopped=[ready_text(item) for item in planned.stopped or ()]
    )
