"""Past orders read from files: looked at, matched, read in the background, counted, and taken away."""

from fractions import Fraction
from itertools import islice
from typing import Any

from fastapi import APIRouter, Request, Response
from fastapi.concurrency import run_in_threadpool
from pydantic import BaseModel

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.desk.leaving import stopped_when_left
from monedero.api.desk.rate_cards import body_of
from monedero.api.problems import PROBLEMS, FieldProblem
from monedero.core.account import Mode
from monedero.core.errors import Fault
from monedero.core.order.facts import LINE
from monedero.formats.matching import NAMES, REQUIRED, Matching
from monedero.formats.paid_with import CARDS, PaidWith
from monedero.formats.past_orders import ReadOrder, RefusedRow
from monedero.letters.refused_rows import refused_csv
from monedero.store.past_orders import Counts
from monedero.wording import fault_text
from monedero.wording.show import percent
from monedero.work.month.orders_in_columns import months_between
from monedero.work.shop.past_orders import ImportState, Look, Progress

LARGEST_FILE = 60_000_000
REFUSED_SHOWN = 50
FILE: dict[str, Any] = {
    "requestBody": {
        "required": True,
        "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
    }
}

router = APIRouter(prefix="/api", tags=["month"], responses=PROBLEMS)


class PastOrdersOut(BaseModel):
    """Holds what is kept of past orders."""

    mode: Mode
    paid: int
    free: int
    refunds: int
    first: str | None
    last: str | None
    months: int
    refund_share: str | None


class ReadOrderOut(BaseModel):
    """A past order as it was understood."""

    row: int
    id: str
    placed_on: str
    amount: str
    country: str
    line: str | None
    card: str
    method: str | None


class RefusedRowOut(BaseModel):
    """A row that was refused: its line, the column, the value as it came, and the reason."""

    line: int
    column: str
    value: str
    reason: str


class LookOut(BaseModel):
    """A file as it is understood."""

    mode: Mode
    file: str
    header: list[str]
    total: int
    sample: list[list[str]]
    fields: list[str]
    required: list[str]
    matching: Matching
    remembered: bool
    read: list[ReadOrderOut]
    refused: list[RefusedRowOut]
    looked_at: int
    refused_of_them: int
    statuses: list[str]
    paid: dict[str, PaidWith | None]
    card_methods: list[str]
    problems: list[FieldProblem]


class ProgressOut(BaseModel):
    """How far the reading of a file is, and what came of it."""

    mode: Mode
    id: str
    state: ImportState
    total: int
    done: int
    new: int
    already: int
    free: int
    refunds: int
    refused: int
    unknown_lines: int
    left_out: int
    refused_rows: list[RefusedRowOut]


@router.get("/past-orders")
def read_past_orders(running: RunningDep, context: ContextDep) -> PastOrdersOut:
    """How many past orders are kept, from when to when, and the share of refunds among them."""
    return _past_orders(context.mode, running.store.past_orders.counts())


def _past_orders(mode: Mode, counts: Counts) -> PastOrdersOut:
    share = Fraction(counts.refunds, counts.paid) if counts.paid else None
    return PastOrdersOut(
        mode=mode,
        **counts._asdict(),
        months=months_between(counts.first, counts.last),
        refund_share=None if share is None else percent(share),
    )


@router.delete("/past-orders")
def remove_past_orders(running: RunningDep, context: ContextDep) -> PastOrdersOut:
    """Take all past orders away."""
    running.store.past_orders.clear()
    return _past_orders(context.mode, running.store.past_orders.counts())


@router.post("/past-orders/files", status_code=201, openapi_extra=FILE)
async def take_file(request: Request, running: RunningDep, context: ContextDep) -> LookOut:
    """Take a file in, CSV or XLSX, and say how it is understood; nothing is kept yet."""
    content = await body_of(request, LARGEST_FILE)
    # The event loop answers everybody: whatever takes long is done beside it.
    async with stopped_when_left(request) as stop:
        file = await run_in_threadpool(running.imports.take, content, stop)
    return _look(context.mode, await run_in_threadpool(running.imports.look, file, None))


@router.post("/past-orders/files/{file}/look")
def look_at_file(running: RunningDep, context: ContextDep, file: str, matching: Matching) -> LookOut:
    """How a file is understood by another matching."""
    return _look(context.mode, running.imports.look(file, matching))


@router.post("/past-orders/files/{file}/import", status_code=202)
def begin_import(running: RunningDep, context: ContextDep, file: str, matching: Matching) -> ProgressOut:
    """Begin to read a file; all of it is kept, or, where it is stopped, nothing."""
    return _progress(context.mode, running.imports.begin(file, matching))


@router.get("/past-orders/imports/{name}")
def read_import(running: RunningDep, context: ContextDep, name: str) -> ProgressOut:
    """How far a reading is."""
    return _progress(context.mode, running.imports.progress(name))


@router.delete("/past-orders/imports/{name}")
def stop_import(running: RunningDep, context: ContextDep, name: str) -> ProgressOut:
    """Stop a reading; nothing of it is kept."""
    return _progress(context.mode, running.imports.stop(name))


@router.get("/past-orders/imports/{name}/refused.csv", response_class=Response)
def refused_rows(running: RunningDep, name: str) -> Response:
    """The refused rows with line, column and reason."""
    text = refused_csv(running.imports.progress(name))
    return Response(
        text, media_type="text/csv", headers={"Content-Disposition": 'attachment; filename="refused-rows.csv"'}
    )


def _look(mode: Mode, look: Look) -> LookOut:
    return LookOut(
        mode=mode,
        file=look.file,
        header=look.header,
        total=look.total,
        sample=look.sample,
        fields=list(NAMES),
        required=list(REQUIRED),
        matching=look.matching,
        remembered=look.remembered,
        read=[_order(row) for row in look.read],
        refused=[_refused(row) for row in look.refused],
        looked_at=look.looked_at,
        refused_of_them=look.refused_of_them,
        statuses=look.statuses,
        paid=look.paid,
        card_methods=list(CARDS),
        problems=[_problem(fault) for fault in look.faults],
    )


def _problem(fault: Fault) -> FieldProblem:
    return FieldProblem(field=fault.field, value=fault.value, code=fault.code.value, detail=fault_text(fault))


def _order(row: ReadOrder) -> ReadOrderOut:
    return ReadOrderOut(
        row=row.row,
        id=row.id,
        placed_on=row.order.placed_on.isoformat(),
        amount=str(row.order.amount),
        country=row.order.country,
        line=LINE.text(row.order) or None,
        card=" ".join(part for part in (row.order.card_network, row.order.card_kind) if part),
        method=row.method,
    )


def _refused(row: RefusedRow) -> RefusedRowOut:
    return RefusedRowOut(
        line=row.line, column=row.fault.field, value=row.fault.value, reason=fault_text(row.fault)
    )


def _progress(mode: Mode, progress: Progress) -> ProgressOut:
    counts = progress.counts
    return ProgressOut(
        mode=mode,
        id=progress.id,
        state=progress.state,
        total=progress.spool.total,
        new=counts.new or 0,
        already=progress.already,
        **counts.model_dump(exclude={"new"}),
        refused_rows=[_refused(row) for row in islice(progress.refused_rows(), REFUSED_SHOWN)],
    )
