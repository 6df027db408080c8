"""The merchant as providers ask for it, and its papers. A paper is given out only to be saved, never shown in place."""

from datetime import datetime
from typing import Annotated, Any
from urllib.parse import quote

from fastapi import APIRouter, File, Form, Response, UploadFile
from pydantic import BaseModel, StrictInt

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.application import PAPERS, Ask
from monedero.core.business import Business, LegalForm, StatedFact
from monedero.formats.paper import LARGEST
from monedero.server.shops import RunningShop
from monedero.store.papers import Paper
from monedero.wording.accounts import ask_text
from monedero.wording.catalogue import say
from monedero.work.accounts.merchant_file import VersionedBusiness, read_business, save_business
from monedero.work.context import Context

PAPER: dict[int | str, dict[str, Any]] = {
    200: {
        "description": "The paper as a file",
        "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
    }
}
router = APIRouter(prefix="/api", tags=["accounts"], responses=PROBLEMS)


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
        kind_name=ask_text(Ask(paper.kind)) if known else say("paper-receipt"),
        name=paper.name,
        media_type=paper.media_type,
        size=paper.size,
        added_at=paper.added_at,
    )


def _state(running: RunningShop, context: Context, stored: VersionedBusiness) -> BusinessState:
    return BusinessState(
        mode=context.mode,
        version=stored.version,
        business=stored.business,
        papers=[paper_out(paper) for paper in running.store.papers.of_shop()],
        paper_kinds=[Kind(code=ask.value, name=ask_text(ask)) for ask in Ask if ask in PAPERS],
        legal_forms=[Kind(code=form.value, name=say(f"form-{form.value}")) for form in LegalForm],
        facts=[Kind(code=fact.value, name=ask_text(Ask(fact.value))) for fact in StatedFact],
        largest_paper=LARGEST,
    )


@router.get("/business")
def read(running: RunningDep, context: ContextDep) -> BusinessState:
    """The business as far as it was typed."""
    return _state(running, context, read_business(running.store))


@router.put("/business")
def save(running: RunningDep, context: ContextDep, edit: BusinessEdit) -> BusinessState:
    """Save the business as a whole."""
    return _state(running, context, save_business(running.store, edit.business, edit.version))


@router.post("/papers", status_code=201)
def add_paper(running: RunningDep, kind: Annotated[Ask, Form()], file: Annotated[UploadFile, File()]) -> PaperOut:
    """Keep a paper."""
    return paper_out(running.merchant_file.add(kind, file.filename or "", file.file.read(LARGEST + 1)))


@router.get("/papers/{id}", response_class=Response, responses=PAPER)
def read_paper(running: RunningDep, id: str) -> Response:
    """A paper, to be saved; the browser is told not to show it in place, nor to guess what it is."""
    paper, content = running.merchant_file.open(id)
    return as_attachment(paper, content)


def as_attachment(paper: Paper, content: bytes) -> Response:
    """A paper as a file to be saved (RFC 6266)."""
    headers = {
        "Content-Disposition": f"attachment; filename*=UTF-8''{quote(paper.name)}",
        "Content-Security-Policy": "sandbox",
    }
    return Response(content, media_type="application/octet-stream", headers=headers)


@router.delete("/papers/{id}", status_code=204)
def drop_paper(running: RunningDep, id: str) -> None:
    """Take a paper away."""
    running.merchant_file.drop(id)
