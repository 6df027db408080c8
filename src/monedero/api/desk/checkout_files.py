"""Checkouts that come in as files, and the sheet by which shop software is set up by hand."""

from typing import Annotated

from fastapi import APIRouter, File, Request, Response, UploadFile
from fastapi.responses import HTMLResponse
from pydantic import BaseModel

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.pages_to_print import TEMPLATES
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.formats.checkout_file import read
from monedero.letters.setup_sheet import as_csv, setup_sheet
from monedero.wording.show import day
from monedero.work.checkout.from_file import open_file

router = APIRouter(prefix="/api", tags=["checkout"], responses=PROBLEMS)


class Opened(BaseModel):
    """The storefront whose checkout came in."""

    mode: Mode
    storefront: str


@router.post("/checkout-files", status_code=201)
def open_checkout_file(running: RunningDep, context: ContextDep, file: Annotated[UploadFile, File()]) -> Opened:
    """Describe an empty shop by a checkout in a file, `monedero/checkout/1`, and put its draft in."""
    storefront = open_file(running.store, read(file.file.read()))
    return Opened(mode=context.mode, storefront=storefront)


@router.get("/checkouts/{storefront}/set-up-sheet", response_class=HTMLResponse)
def read_sheet(running: RunningDep, context: ContextDep, request: Request, storefront: str) -> Response:
    """Every way to pay that is on, in words, with boxes to tick: a page to print."""
    today = day(running.clock.now().date().isoformat())
    given = {"sheet": setup_sheet(context), "day": today}
    return TEMPLATES.TemplateResponse(request, "setup_sheet.html", given)


@router.get("/checkouts/{storefront}/set-up-sheet.csv", response_class=Response)
def read_sheet_csv(running: RunningDep, context: ContextDep, storefront: str) -> Response:
    """The same as a table."""
    content = as_csv(setup_sheet(context))
    name = {"Content-Disposition": f'attachment; filename="set-up-sheet-{storefront}.csv"'}
    return Response(content, media_type="text/csv; charset=utf-8; header=present", headers=name)
