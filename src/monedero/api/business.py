"""The merchant as providers ask for it, and its papers. A paper is given out only to be saved, never shown in place."""

from datetime import datetime
from typing import Annotated, Any
from urllib.parse import quote

from fastapi import APIRouter, File, Form, Response, UploadFile
from pydantic import BaseModel, StrictInt

from monedero.api.problems import PROBLEMS
from monedero.api.rooms import RoomDep
from monedero.core.account import Mode
from monedero.core.application import PAPERS, Ask
from monedero.core.business import Business, Fact, LegalForm
from monedero.formats.paper import LARGEST
from monedero.store.papers import Paper
from monedero.wording.accounts import ASKS
from monedero.work.accounts.business import HeldBusiness, read_business, save_business
from monedero.work.premises import Room

PAPER: dict[int | str, dict[str, Any]] = {
    200: {
        "description": "The paper as a file",
        "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
    }
}
router = APIRouter(prefix="/api", tags=["accounts"], responses=PROBLEMS)
FORMS = {
    LegalForm.SOLE_TRADER: "sole trader",
    LegalForm.COMPANY: "company",
    LegalForm.PARTNERSHIP: "partnership",
    LegalForm.ASSOCIATION: "association",
}


class PaperOut(BaseModel):
    """A paper that is there."""

    id: str
    kind: str
    kind_name: str
    name: str
    media_type: str
    size: int
    added_at: datetime


class Kind(BaseModel):
    """Something that can be chosen, with its name."""

    code: str
    name: str


class BusinessState(BaseModel):
    """The business with its version and its papers, and what can be chosen."""

    mode: Mode
    version: int
    business: Business
    papers: list[PaperOut]
    paper_kinds: list[Kind]
    legal_forms: list[Kind]
    facts: list[Kind]
    largest_paper: int


class BusinessEdit(BaseModel):
    """The business as it shall be, over the version that was read."""

    version: StrictInt
    business: Business


def paper_out(paper: Paper) -> PaperOut:
    """A paper as it is listed."""
    known = paper.kind in {ask.value for ask in PAPERS}
    return PaperOut(
        id=paper.id,
        kind=paper.kind,
        kind_name=ASKS[Ask(paper.kind)] if known else "a receipt of a transfer",
        name=paper.name,
        media_type=paper.media_type,
        size=paper.size,
        added_at=paper.added_at,
    )


def _state(room: Room, held: HeldBusiness) -> BusinessState:
    return BusinessState(
        mode=Mode.TEST,
        version=held.version,
        business=held.business,
        papers=[paper_out(paper) for paper in room.store.papers.of_shop()],
        paper_kinds=[Kind(code=ask.value, name=ASKS[ask]) for ask in Ask if ask in PAPERS],
        legal_forms=[Kind(code=form.value, name=name) for form, name in FORMS.items()],
        facts=[Kind(code=fact.value, name=ASKS[Ask(fact.value)]) for fact in Fact],
        largest_paper=LARGEST,
    )


@router.get("/business")
def read(room: RoomDep) -> BusinessState:
    """The business as far as it was typed."""
    return _state(room, read_business(room.store))


@router.put("/business")
def save(room: RoomDep, edit: BusinessEdit) -> BusinessState:
    """Save the business as a whole."""
    return _state(room, save_business(room.store, edit.business, edit.version))


@router.post("/papers", status_code=201)
def add_paper(room: RoomDep, kind: Annotated[Ask, Form()], file: Annotated[UploadFile, File()]) -> PaperOut:
    """Keep a paper."""
    return paper_out(room.drawer.add(kind, file.filename or "", file.file.read(LARGEST + 1)))


@router.get("/papers/{id}", response_class=Response, responses=PAPER)
def read_paper(room: RoomDep, id: str) -> Response:
    """A paper, to be saved; the browser is told not to show it in place, nor to guess what it is."""
    paper, content = room.drawer.open(id)
    return as_attachment(paper, content)


def as_attachment(paper: Paper, content: bytes) -> Response:
    """A paper as a file to be saved (RFC 6266)."""
    headers = {
        "Content-Disposition": f"attachment; filename*=UTF-8''{quote(paper.name)}",
        "X-Content-Type-Options": "nosniff",
        "Content-Security-Policy": "sandbox",
        "Cache-Control": "no-store",
    }
    return Response(content, media_type="application/octet-stream", headers=headers)


@router.delete("/papers/{id}", status_code=204)
def drop_paper(room: RoomDep, id: str) -> None:
    """Take a paper away."""
    room.drawer.drop(id)
