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
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted, edition_of
from monedero.work.checkout.impact_before import publishing_would_move
from monedero.work.checkout.publish import pending
from monedero.work.context import Context
from monedero.work.ready.publishing import back_would_change, go_back, plan, plan_no_more, publish_now

router = APIRouter(prefix="/api/checkouts/{storefront}", tags=["publish"], responses=PROBLEMS)


class EditionOut(BaseModel):
    """A published state; `summary` says of every tender that is on what it is limited to, and what it costs on top.

    `number` counts the editions of its storefront in its mode, `of_edition` is the number of the one that it goes back
    to, `can_go_back` says whether it can be published again. `fingerprint` is the same for the same content and for no
    other; `is_shown`: buyers see it, or one that is the same.
    """

    id: int
    number: int
    mode: Mode
    published_at: datetime
    note: str
    actor: str
    of_edition: int | None
    fingerprint: str
    is_shown: bool
    can_go_back: bool
    tenders: list[Tender]
    summary: list[str]


class PlannedOut(BaseModel):
    """An edition that is to be published from a moment on; `stopped` says why it was not when the moment came."""

    at: datetime
    note: str
    stopped: list[str]


class Publication(BaseModel):
    """Holds what publishing would change for buyers, the fingerprint of all of it, and the editions, the newest first.

    `next` is the number that the draft has when it is published.
    """

    mode: Mode
    storefront: str
    fingerprint: str
    changes: list[str]
    planned: PlannedOut | None
    next: int
    editions: list[EditionOut]


class PublicationMoves(BaseModel):
    """The orders that every way to pay gains and loses when a draft is published, in sentences."""

    mode: Mode
    sentences: list[str]


class EditionDifference(BaseModel):
    """The changes for buyers when an edition is gone back to, in sentences, and the number that it then has."""

    mode: Mode
    next: int
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


def _edition(context: Context, edition: Edition) -> EditionOut:
    names = names_of(edition.published.shop, edition.published.checkout)
    newest = context.shop.editions.newest(context.storefront) or edition
    mode, is_shown = edition.published.checkout.mode, edition.published.fingerprint == newest.published.fingerprint
    return EditionOut(
        id=edition.id,
        number=edition.number,
        mode=mode,
        published_at=edition.published_at,
        note=edition.note,
        actor=edition.actor,
        of_edition=context.shop.editions.number_of(edition.of_edition),
        fingerprint=edition.published.fingerprint,
        is_shown=is_shown,
        can_go_back=not is_shown and mode is newest.published.checkout.mode,
        tenders=edition.published.checkout.tenders,
        summary=[tender_summary(tender, names) for tender in edition.published.checkout.tenders if tender.on],
    )


@router.get("/publication")
def read_publication(running: RunningDep, context: ContextDep, storefront: str) -> Publication:
    """Tells what is pending and what is published for a storefront."""
    shown, differs = pending(context)
    names = _names(context, shown)
    planned = running.store.planned.of(storefront)
    return Publication(
        mode=shown.checkout.mode,
        storefront=storefront,
        fingerprint=shown.fingerprint,
        changes=[change_text(change, names) for change in differs],
        planned=_planned(planned) if planned else None,
        next=running.store.editions.next_number(storefront, shown.checkout.mode),
        editions=[_edition(context, edition) for edition in running.store.editions.of(storefront)],
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
    return _edition(context, publish_now(context, now.fingerprint, now.note))


@router.get("/editions/{id}/difference")
def read_difference(context: ContextDep, storefront: str, id: int) -> EditionDifference:
    """Tells what going back to an earlier edition would change for buyers."""
    shown = edition_of(context, id).published
    names, mode = _names(context, shown), shown.checkout.mode
    return EditionDifference(
        mode=mode,
        next=context.shop.editions.next_number(context.storefront, mode),
        changes=[change_text(change, names) for change in back_would_change(context, id)],
    )


@router.post("/editions/{id}/again", status_code=201)
def go_back_to(context: ContextDep, storefront: str, id: int, now: BackNow) -> EditionOut:
    """Publish an earlier edition again, as the next one; the draft stays as it is."""
    return _edition(context, go_back(context, id, now.note))


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
