"""A draft arranged over HTTP: one tender changed, moved or put back, and conditions shared or written in."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field, StrictInt

from monedero.api.desk.checkout import Draft, draft_out
from monedero.api.desk.door import ContextDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.checkout.model import Tender
from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.core.fields import Identifier, Name
from monedero.work.checkout import arranging

router = APIRouter(prefix="/api/checkouts/{storefront}", tags=["checkout"], responses=PROBLEMS)


class TenderEdit(BaseModel):
    """A tender as it shall be, over the version of the draft that was read."""

    version: StrictInt
    tender: Tender


class TenderSaved(BaseModel):
    """The tender as it is now, with the version of its draft; `back` and `again` are as in the draft."""

    mode: Mode
    version: int
    storefront: str
    tender: Tender
    back: str
    again: str


class MoveNow(BaseModel):
    """A tender, and the one to whose place it moves."""

    version: StrictInt
    tender: Identifier
    over: Identifier


class MoveByNow(BaseModel):
    """A tender, and by how many places it moves: up where they are below nothing."""

    version: StrictInt
    tender: Identifier
    by: Annotated[StrictInt, Field(ge=-1000, le=1000)]


class PutBackNow(BaseModel):
    """A tender that was removed, and its place among all of the draft, counted from nothing."""

    version: StrictInt
    tender: Tender
    place: Annotated[StrictInt, Field(ge=0, le=1000)]


class ShareNow(BaseModel):
    """The name of the shared set that the conditions of a tender become."""

    version: StrictInt
    tender: Identifier
    name: Name


class WriteInNow(BaseModel):
    """The tender into which a shared set is written; without one, all that use it, and the set is dropped."""

    version: StrictInt
    tender: Identifier | None = None


@router.put("/tenders/{tender}")
def change_tender(context: ContextDep, tender: str, edit: TenderEdit) -> TenderSaved:
    """Save one tender of the draft."""
    if edit.tender.id != tender:
        raise InvalidInput(Fault(FaultCode.NOT_ONE_OF, "tender.id", edit.tender.id, {"expected": tender}))
    saved = arranging.change_tender(context, edit.tender, edit.version)
    told = draft_out(context, saved)
    return TenderSaved(
        mode=told.mode,
        version=told.version,
        storefront=told.storefront,
        tender=arranging.tender_in(saved.value, tender),
        back=told.back,
        again=told.again,
    )


@router.post("/moves")
def move(context: ContextDep, now: MoveNow) -> Draft:
    """Move a tender to where another one stands, under the heading of that one."""
    return draft_out(context, arranging.move_tender(context, now.tender, now.over, now.version))


@router.post("/moves-by")
def move_by(context: ContextDep, now: MoveByNow) -> Draft:
    """Move a tender up or down the sequence in which buyers meet it."""
    return draft_out(context, arranging.move_by(context, now.tender, now.by, now.version))


@router.post("/put-back")
def put_back(context: ContextDep, now: PutBackNow) -> Draft:
    """Put a tender back that was removed."""
    return draft_out(context, arranging.put_back(context, now.tender, now.place, now.version))


@router.post("/sets", status_code=201)
def share(context: ContextDep, now: ShareNow) -> Draft:
    """Make the conditions of a tender a shared set."""
    return draft_out(context, arranging.share_conditions(context, now.tender, now.name, now.version))


@router.post("/sets/{shared}/write-in")
def write_in(context: ContextDep, shared: str, now: WriteInNow) -> Draft:
    """Write a shared set into the tenders that use it."""
    return draft_out(context, arranging.write_in(context, shared, now.tender, now.version))
