"""Ready: one list of what stands between a checkout and real buyers, and why warnings are accepted."""

from datetime import datetime

from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.desk.door import ContextDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.fields import Description
from monedero.core.ready import ReadyCode, ReadyItem, Weight
from monedero.letters.ready_words import of_words
from monedero.wording.ready import ready_act, ready_place, ready_text
from monedero.work.checkout.checkout_snapshot import drafted
from monedero.work.context import Context
from monedero.work.ready.ready_list import ReadyEntry, accept, accept_no_more, ready_items, with_reasons

router = APIRouter(prefix="/api/checkouts/{storefront}/ready", tags=["publish"], responses=PROBLEMS)


class AcceptedOut(BaseModel):
    """The reason for which a warning is accepted, who gave it, and when."""

    reason: str
    actor: str
    at: datetime


class ReadyOut(BaseModel):
    """One thing that stands in the way, in a sentence; the act that ends it, and the page where that is done.

    `about` is the id of what it is about, `fields` what the sentence is made of, `source` the rule of law behind it.
    """

    id: str
    code: ReadyCode
    weight: Weight
    about: str
    fields: dict[str, str | int]
    text: str
    act: str
    to: str
    source: str
    accepted: AcceptedOut | None


class ReadyList(BaseModel):
    """Everything that stands in the way, what forbids first; how many forbid, and how many warn unaccepted."""

    mode: Mode
    forbids: int
    warns: int
    items: list[ReadyOut]


class AcceptNow(BaseModel):
    """A warning by its id, and the reason for which it is accepted."""

    id: str
    reason: Description


@router.get("")
def read_ready(context: ContextDep, storefront: str) -> ReadyList:
    """Tells what stands between the draft and real buyers."""
    return _list(context, _items(context))


@router.post("/acceptances")
def accept_warning(context: ContextDep, storefront: str, now: AcceptNow) -> ReadyList:
    """Accept a warning with a reason, until anything in it is another thing."""
    items = _items(context)
    accept(context, items, now.id, now.reason)
    return _list(context, items)


@router.delete("/acceptances/{item}")
def take_back_acceptance(context: ContextDep, storefront: str, item: str) -> ReadyList:
    """Accept a warning no more."""
    accept_no_more(context, item)
    return _list(context, _items(context))


def _items(context: Context) -> list[ReadyItem]:
    snapshot = drafted(context)
    return [*ready_items(context, snapshot, context.day), *of_words(context, snapshot, context.day)]


def _list(context: Context, items: list[ReadyItem]) -> ReadyList:
    told = [_out(entry) for entry in with_reasons(context, items)]
    return ReadyList(
        mode=context.mode,
        forbids=sum(item.weight is Weight.FORBIDS for item in told),
        warns=sum(item.weight is Weight.WARNS and item.accepted is None for item in told),
        items=told,
    )


def _out(entry: ReadyEntry) -> ReadyOut:
    item, accepted = entry.item, entry.accepted
    return ReadyOut(
        id=item.id,
        code=item.code,
        weight=item.weight,
        about=item.about,
        fields=dict(item.fields),
        text=ready_text(item),
        act=ready_act(item),
        to=ready_place(item),
        source=item.source,
        accepted=AcceptedOut(**accepted._asdict()) if accepted else None,
    )
