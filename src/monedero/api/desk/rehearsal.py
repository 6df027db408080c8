"""Rehearse: every way to pay with every outcome in every form of order, the evidence of each, and playing them."""

from collections import Counter
from collections.abc import Iterable
from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Query, Request, Response
from fastapi.responses import HTMLResponse
from pydantic import BaseModel, Field

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.pages_to_print import TEMPLATES
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.checkout.model import Tender
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.rehearsal.cases import Case, Outcome, end_of
from monedero.core.rehearsal.evidence import Evidence
from monedero.letters.rehearsal_report import rehearsal_report
from monedero.server.rehearsals import Progress, Rehearsals
from monedero.wording import fault_text
from monedero.wording.order_story import by_text, state_text
from monedero.wording.rehearsal import case_name, difference_texts, evidence_order, outcome_name
from monedero.wording.show import day
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted
from monedero.work.rehearsal.plan import PlannedCase, Standing, planned_cases

router = APIRouter(prefix="/api/checkouts/{storefront}/rehearsal", tags=["rehearse"], responses=PROBLEMS)
CaseIds = Annotated[list[str], Field(max_length=2000)]


class CaseOut(BaseModel):
    """A case: the form of its order or the side of a limit, how it stands, and what differs, in sentences."""

    id: str
    name: str
    standing: Standing
    differences: list[str]


class PlayedCellOut(BaseModel):
    """The cases of a way with one outcome, and how they stand together: as the worst of them."""

    tender: str
    outcome: Outcome
    standing: Standing
    cases: list[CaseOut]


class OutcomeRowOut(BaseModel):
    """An outcome with a cell for each way that can have it."""

    outcome: Outcome
    name: str
    cells: list[PlayedCellOut]


class RehearsedWayOut(BaseModel):
    """A way to pay of the draft that is on."""

    tender: str
    name: str


class PlayingOut(BaseModel):
    """How far a rehearsal is that is under way, or how the last one ended."""

    done: int
    of: int
    over: bool
    stopped: bool
    broke: bool


class RehearsalOut(BaseModel):
    """The grid of a draft: ways across, outcomes down; how many cases stand how, and what is under way.

    `waiting` are the ids of the cases that are to be played yet, or again.
    """

    mode: Mode
    storefront: str
    ways: list[RehearsedWayOut]
    rows: list[OutcomeRowOut]
    counts: dict[Standing, int]
    waiting: list[str]
    progress: PlayingOut | None


class RehearsalState(BaseModel):
    """How many cases of a draft stand how."""

    mode: Mode
    counts: dict[Standing, int]


class KeptMessageOut(BaseModel):
    """A message as it was sent."""

    at: datetime
    subject: str
    text: str


class KeptStepOut(BaseModel):
    """One step of the record of the order, in a sentence, with the state after it."""

    at: datetime
    text: str
    by: str
    state: str


class EvidenceOut(BaseModel):
    """The end to which a case came when it was played: what differs, and all that was sent and kept.

    `refused` is why it could not be played to its end; `page` is what the page after paying said in the end.
    """

    id: str
    tender: str
    outcome: str
    name: str
    standing: Standing
    at: datetime
    order: str
    ways: list[str]
    page: str
    messages: list[KeptMessageOut]
    received: list[str]
    steps: list[KeptStepOut]
    books: dict[str, str]
    fees: list[str]
    differences: list[str]
    refused: str


class PlayNow(BaseModel):
    """The cases to play, by their ids; none: all of the draft."""

    cases: CaseIds = []


TO_PLAY = (Standing.FAILED, Standing.STALE, Standing.OPEN)
WORST = (*TO_PLAY, Standing.PASSED, Standing.NO_ORDER)


@router.get("")
def read_rehearsal(request: Request, running: RunningDep, context: ContextDep, storefront: str) -> RehearsalOut:
    """Tells how every case of the draft stands."""
    snapshot, planned = drafted(context), planned_cases(context)
    tenders = {tender.id: tender for tender in snapshot.checkout.in_place if tender.on}
    rows = [_row(outcome, planned, tenders) for outcome in Outcome]
    return RehearsalOut(
        mode=context.mode,
        storefront=storefront,
        ways=[RehearsedWayOut(tender=tender.id, name=tender.name) for tender in tenders.values()],
        rows=[row for row in rows if row.cells],
        counts=_counts(planned),
        waiting=[each.case.id for each in planned if each.standing in TO_PLAY],
        progress=_progress(_rehearsals(request).progress(running, storefront)),
    )


@router.get("/state")
def read_state(context: ContextDep, storefront: str) -> RehearsalState:
    """Tells how many cases of the draft stand how."""
    return RehearsalState(mode=context.mode, counts=_counts(planned_cases(context)))


@router.get("/case")
def read_case(context: ContextDep, storefront: str, id: Annotated[str, Query(max_length=200)]) -> EvidenceOut:
    """Tells what one case came to when it was last played."""
    snapshot = drafted(context)
    planned = next((each for each in planned_cases(context) if each.case.id == id), None)
    evidence = planned.evidence if planned else None
    if planned is None or evidence is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "id", id, {"what": "case"}))
    return _evidence(planned, evidence, snapshot)


@router.get("/report", response_class=HTMLResponse)
def read_report(
    request: Request, context: ContextDep, storefront: str, edition: Annotated[int | None, Query()] = None
) -> Response:
    """A page to print: every case of the draft, or of an edition by its id, and what it came to."""
    given = {"report": rehearsal_report(context, edition), "day": day(context.day.isoformat())}
    return TEMPLATES.TemplateResponse(request, "rehearsal_report.html", given)


@router.post("/play", status_code=202)
def play_cases(
    request: Request, running: RunningDep, context: ContextDep, storefront: str, now: PlayNow
) -> PlayingOut:
    """Play cases of the draft, in a room of their own: nothing of the shop is touched."""
    shops = request.app.state.shops
    return _out(_rehearsals(request).begin(shops, running, context, now.cases))


@router.post("/stop", status_code=204)
def stop_playing(request: Request, running: RunningDep, context: ContextDep, storefront: str) -> None:
    """Stop what is being played; what was played until then is kept."""
    _rehearsals(request).stop(running, storefront)


def _counts(planned: Iterable[PlannedCase]) -> dict[Standing, int]:
    found = Counter(each.standing for each in planned)
    return {standing: found[standing] for standing in Standing}


def _rehearsals(request: Request) -> Rehearsals:
    held: Rehearsals = request.app.state.rehearsals
    return held


def _progress(progress: Progress | None) -> PlayingOut | None:
    return None if progress is None else _out(progress)


def _out(progress: Progress) -> PlayingOut:
    told = {name: getattr(progress, name) for name in PlayingOut.model_fields}
    return PlayingOut(**told)


def _row(outcome: Outcome, planned: Iterable[PlannedCase], tenders: dict[str, Tender]) -> OutcomeRowOut:
    cells = []
    own = [each for each in planned if each.case.outcome is outcome]
    for tender in tenders.values():
        cases = [_case(each, tender) for each in own if each.case.tender == tender.id]
        if cases:
            standing = min((case.standing for case in cases), key=WORST.index)
            cells.append(PlayedCellOut(tender=tender.id, outcome=outcome, standing=standing, cases=cases))
    return OutcomeRowOut(outcome=outcome, name=outcome_name(outcome), cells=cells)


def _case(planned: PlannedCase, tender: Tender) -> CaseOut:
    return CaseOut(
        id=planned.case.id,
        name=_name(planned.case, tender),
        standing=planned.standing,
        differences=_differences(planned),
    )


def _name(case: Case, tender: Tender) -> str:
    return case_name(case, str(end_of(tender, case.limit))) if case.limit else case_name(case)


def _differences(planned: PlannedCase) -> list[str]:
    return difference_texts(planned.evidence) if planned.evidence else []


def _evidence(planned: PlannedCase, evidence: Evidence, snapshot: CheckoutSnapshot) -> EvidenceOut:
    case = planned.case
    tender = next(tender for tender in snapshot.checkout.tenders if tender.id == case.tender)
    return EvidenceOut(
        id=case.id,
        tender=tender.name,
        outcome=outcome_name(case.outcome),
        name=_name(case, tender),
        standing=planned.standing,
        at=evidence.at,
        order=evidence_order(evidence),
        ways=evidence.ways,
        page=evidence.page,
        messages=[KeptMessageOut(**message.model_dump()) for message in evidence.messages],
        received=evidence.received,
        steps=[
            KeptStepOut(at=step.at, text=step.text, by=by_text(step.by), state=state_text(step.state))
            for step in evidence.steps
        ],
        books={part: str(amount) for part, amount in evidence.books.items()},
        fees=list(map(str, evidence.fees)),
        differences=difference_texts(evidence),
        refused=fault_text(evidence.refused) if evidence.refused else "",
    )
