"""Accounts: the sheet of every provider, applications, connections, and what leaving takes away."""

from typing import Annotated

from fastapi import APIRouter, Cookie, Response
from fastapi.responses import RedirectResponse

from monedero.api.desk.account_schemas import (
    AccountOut,
    AccountsOut,
    Answer,
    Begin,
    CodeGiven,
    CodeSent,
    EmailNamed,
    GatewayNew,
    GoTo,
    Indexed,
    LeavingOut,
    LeavingTermsTold,
    Named,
    Pasted,
    PayoutChosen,
    PhoneNamed,
    Serves,
    SheetOut,
)
from monedero.api.desk.account_views import account_out, sheet_out
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.desk.would_leave import WouldLeave, would_leave
from monedero.api.modes import ModeDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import LeavingTerms, Stage
from monedero.core.errors import Refused
from monedero.letters.impact import texts_of
from monedero.server.held_elsewhere import hold_elsewhere
from monedero.wording.accounts import since_text, stands_text
from monedero.work.accounts.elsewhere import HeldElsewhere, held_elsewhere
from monedero.work.accounts.leaving_terms import keep_terms
from monedero.work.accounts.own_gateway import put_gateway
from monedero.work.accounts.provider_sheet import leaving, sheet
from monedero.work.accounts.storefronts import serve, serving
from monedero.work.accounts.taking_away import take_account_away
from monedero.work.checkout.impact_before import account_would_move

router = APIRouter(prefix="/api", tags=["accounts"], responses=PROBLEMS)
BOUND = "monedero_sign_in"


@router.get("/accounts")
def read_accounts(running: RunningDep, mode: ModeDep) -> AccountsOut:
    """Every provider with where it stands, in a mode."""
    accounts = running.store.accounts.by_provider(mode)
    found = []
    for provider in running.store.providers.all().values():
        best = accounts.get(provider.id)
        stage = best.stage if best else Stage.NOT_BEGUN
        stands = stands_text(stage, provider.name)
        found.append(
            Indexed(
                provider=provider.id,
                name=provider.name,
                stage=stage,
                stands=stands,
                since=since_text(best),
                accounts=[
                    Named(id=entry.id, name=entry.name or provider.name)
                    for entry in running.store.accounts.of(mode).values()
                    if entry.provider == provider.id
                ],
            )
        )
    return AccountsOut(mode=mode, providers=found)


@router.get("/accounts/{provider}")
def read_sheet(running: RunningDep, context: ContextDep, provider: str, mode: ModeDep) -> SheetOut:
    """The sheet of a provider; where its accounts stand is asked there anew."""
    for account in running.store.accounts.of(mode).values():
        if account.provider == provider:
            running.connections.refresh(running.applications.refresh(account))
    found = sheet(context, running.applications, provider, mode, running.clock.now().date())
    return sheet_out(running, context, found, mode)


@router.post("/gateways", status_code=201)
def add_gateway(running: RunningDep, context: ContextDep, new: GatewayNew) -> GoTo:
    """Put a gateway of the shop's own among the providers; the browser goes to its sheet."""
    facts = put_gateway(running.store, running.gateways.hosts, new.name, new.address, new.parts)
    return GoTo(mode=context.mode, go_to=f"/accounts/{facts.id}")


@router.post("/accounts/{provider}/begin", status_code=201)
def begin_account(running: RunningDep, provider: str, asked: Begin) -> AccountOut:
    """Begin an application; a first one that is under way stays as it is."""
    return account_out(running, running.applications.begin(provider, asked.mode, asked.name))


@router.put("/accounts/{provider}/elsewhere")
def hold_account_elsewhere(running: RunningDep, provider: str, told: HeldElsewhere, mode: ModeDep) -> AccountOut:
    """Say that the account with a provider is held elsewhere, or say it anew; it counts as connected."""
    return account_out(running, hold_elsewhere(running, provider, mode, told))


@router.post("/accounts/{provider}/elsewhere/would-change")
def would_hold_elsewhere(
    running: RunningDep, context: ContextDep, provider: str, told: HeldElsewhere, mode: ModeDep
) -> WouldLeave:
    """Tells what saying it anew would take away from buyers; nothing is changed."""
    then = held_elsewhere(running.store, provider, mode, told)
    return would_leave(mode, account_would_move(context, then, then, running.clock.now().date()))


@router.put("/accounts/{id}/payout")
def choose_payout(running: RunningDep, id: str, chosen: PayoutChosen, mode: ModeDep) -> AccountOut:
    """Choose the account for payouts."""
    account = running.applications.account(id, mode)
    running.applications.choose_payout(account, chosen.payout)
    return account_out(running, account)


@router.post("/accounts/{id}/phone", status_code=202)
def send_code(running: RunningDep, id: str, named: PhoneNamed, mode: ModeDep) -> CodeSent:
    """Send a code by phone."""
    until = running.applications.send_code(running.applications.account(id, mode), named.phone, named.way)
    return CodeSent(mode=mode, good_until=until)


@router.post("/accounts/{id}/phone/code")
def check_code(running: RunningDep, id: str, given: CodeGiven, mode: ModeDep) -> AccountOut:
    """Confirm the number by its code."""
    account = running.applications.account(id, mode)
    running.applications.check_code(account, given.code)
    return account_out(running, account)


@router.post("/accounts/{id}/terms")
def accept_terms(running: RunningDep, id: str, mode: ModeDep) -> AccountOut:
    """Accept the provider's terms as they stand."""
    account = running.applications.account(id, mode)
    running.applications.accept_terms(account)
    return account_out(running, account)


@router.post("/accounts/{id}/send")
def send_application(running: RunningDep, id: str, answer: Answer, mode: ModeDep) -> AccountOut:
    """Send the application, or the answer to what was asked."""
    return account_out(running, running.applications.send(running.applications.account(id, mode), answer.answer))


@router.post("/accounts/{id}/withdraw")
def withdraw_application(running: RunningDep, id: str, mode: ModeDep) -> AccountOut:
    """Leave an application; begun again, it goes on where it was."""
    return account_out(running, running.applications.withdraw(running.applications.account(id, mode)))


@router.post("/accounts/{id}/credentials")
def paste_credentials(running: RunningDep, id: str, pasted: Pasted, mode: ModeDep) -> AccountOut:
    """Connect by credentials, or put new ones in the place of the old."""
    return account_out(
        running, running.connections.by_credentials(running.applications.account(id, mode), pasted.fields)
    )


@router.post("/accounts/{id}/sign-in")
def begin_sign_in(running: RunningDep, id: str, response: Response, mode: ModeDep) -> GoTo:
    """Begin a sign-in at the provider; this browser alone can end it."""
    begun = running.connections.begin_sign_in(running.applications.account(id, mode))
    response.set_cookie(BOUND, begun.state, httponly=True, samesite="lax", max_age=600)
    return GoTo(mode=mode, go_to=begun.go_to)


@router.post("/accounts/{id}/email", status_code=202)
def name_email(running: RunningDep, id: str, named: EmailNamed, mode: ModeDep) -> None:
    """Connect by the address of the account: the provider writes there."""
    running.connections.begin_by_email(running.applications.account(id, mode), named.email)


@router.post("/accounts/{id}/domain")
def check_domain(running: RunningDep, id: str, mode: ModeDep) -> AccountOut:
    """Let the provider look at the storefront's domain."""
    return account_out(running, running.connections.check_domain(running.applications.account(id, mode)))


@router.put("/accounts/{id}/serves")
def serve_storefronts(running: RunningDep, id: str, serves: Serves, mode: ModeDep) -> AccountOut:
    """Say which storefronts an account serves, and whose it is."""
    account = running.applications.account(id, mode)
    return account_out(running, serve(running.store, account, serves.storefronts, pooled=serves.pooled))


@router.post("/accounts/{id}/serves/would-change")
def would_serve(running: RunningDep, context: ContextDep, id: str, serves: Serves, mode: ModeDep) -> WouldLeave:
    """Tells what serving other storefronts would take away from buyers; nothing is changed."""
    account = running.applications.account(id, mode)
    then = serving(running.store, account, serves.storefronts, pooled=serves.pooled)
    found = account_would_move(context, account, then, running.clock.now().date())
    return would_leave(mode, found)


@router.put("/accounts/{id}/leaving-terms")
def save_leaving_terms(running: RunningDep, id: str, told: LeavingTermsTold, mode: ModeDep) -> AccountOut:
    """Say what leaving an account takes, as its contract has it."""
    account = running.applications.account(id, mode)
    terms = LeavingTerms(**told.model_dump(exclude={"saved_details"}))
    return account_out(running, keep_terms(running.store, account, terms, told.saved_details))


@router.get("/accounts/{id}/leaving")
def read_leaving(running: RunningDep, context: ContextDep, id: str, mode: ModeDep) -> LeavingOut:
    """Tells what leaving an account would take away."""
    account = running.applications.account(id, mode)
    found = leaving(context, account)
    return LeavingOut(
        mode=mode,
        draft=[tender.name for tender in found.draft],
        published=[tender.name for tender in found.published],
        orders=found.orders,
        moves=texts_of(account_would_move(context, account, None, running.clock.now().date())),
    )


@router.post("/accounts/{id}/disconnect")
def disconnect(running: RunningDep, id: str, mode: ModeDep) -> AccountOut:
    """Leave an account; it can be taken up again."""
    return account_out(running, running.connections.disconnect(running.applications.account(id, mode)))


@router.delete("/accounts/{id}", status_code=204)
def remove_account(running: RunningDep, id: str, mode: ModeDep) -> None:
    """Take an account away for good that is not under way any more."""
    take_account_away(running.store, running.applications.account(id, mode))


@router.post("/accounts/{id}/reconnect")
def reconnect(running: RunningDep, id: str, mode: ModeDep) -> AccountOut:
    """Take an account up again that was left."""
    return account_out(running, running.connections.reconnect(running.applications.account(id, mode)))


came_back = APIRouter()


@came_back.get("/accounts/connected", include_in_schema=False)
def end_connecting(
    running: RunningDep,
    state: str = "",
    code: str = "",
    confirms: str = "",
    bound: Annotated[str, Cookie(alias=BOUND)] = "",
) -> RedirectResponse:
    """Tells where a sign-in or a mail's link comes back to: the account's sheet, or what was wrong with the return."""
    try:
        connect = running.connections
        account = connect.end_by_email(confirms) if confirms else connect.end_sign_in(state, bound, code)
    except Refused as refused:
        answer = RedirectResponse(f"/accounts?refused={refused.faults[0].code.value}", status_code=303)
    else:
        where = f"/accounts/{account.provider}?mode={account.mode.value}&connected={account.id}"
        answer = RedirectResponse(where, status_code=303)
    answer.delete_cookie(BOUND)
    return answer
