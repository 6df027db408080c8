"""Accounts: the sheet of every provider, applications, connections, and what leaving takes away."""

from typing import Annotated

from fastapi import APIRouter, Cookie, Response
from fastapi.responses import RedirectResponse

from monedero.api.account_schemas import (
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
    Named,
    Pasted,
    PayoutChosen,
    PhoneNamed,
    Serves,
    SheetOut,
)
from monedero.api.account_views import account_out, sheet_out, since_text
from monedero.api.problems import PROBLEMS
from monedero.api.rooms import RoomDep
from monedero.core.account import Mode, Stage
from monedero.core.errors import Refused
from monedero.wording.accounts import STANDS
from monedero.work.accounts.own_gateway import put_gateway
from monedero.work.accounts.serving import serve
from monedero.work.accounts.sheets import leaving, sheet

router = APIRouter(prefix="/api", tags=["accounts"], responses=PROBLEMS)
BOUND = "monedero_sign_in"


@router.get("/accounts")
def read_accounts(room: RoomDep, mode: Mode = Mode.TEST) -> AccountsOut:
    """Every provider with where it stands, in a mode."""
    held = room.store.accounts.by_provider(mode)
    found = []
    for provider in room.store.providers.all().values():
        best = held.get(provider.id)
        stage = best.stage if best else Stage.NOT_BEGUN
        stands = STANDS[stage].format(provider=provider.name)
        found.append(
            Indexed(
                provider=provider.id,
                name=provider.name,
                stage=stage,
                stands=stands,
                since=since_text(best),
                accounts=[
                    Named(id=entry.id, name=entry.name or provider.name)
                    for entry in room.store.accounts.of(mode).values()
                    if entry.provider == provider.id
                ],
            )
        )
    return AccountsOut(mode=mode, providers=found)


@router.get("/accounts/{provider}")
def read_sheet(room: RoomDep, provider: str, mode: Mode = Mode.TEST) -> SheetOut:
    """The sheet of a provider; where its accounts stand is asked there anew."""
    for account in room.store.accounts.of(mode).values():
        if account.provider == provider:
            room.connecting.refresh(room.applying.refresh(account))
    found = sheet(room.store, room.applying, provider, mode, room.clock.now().date())
    return sheet_out(room, found, mode)


@router.post("/gateways", status_code=201)
def add_gateway(room: RoomDep, new: GatewayNew) -> GoTo:
    """Put a gateway of the shop's own among the providers; the browser goes to its sheet."""
    facts = put_gateway(room.store, room.gateways.hosts, new.name, new.address, new.parts)
    return GoTo(mode=Mode.TEST, go_to=f"/accounts/{facts.id}")


@router.post("/accounts/{provider}/begin", status_code=201)
def begin_account(room: RoomDep, provider: str, asked: Begin) -> AccountOut:
    """Begin an application; a first one that is under way stays as it is."""
    return account_out(room, room.applying.begin(provider, asked.mode, asked.name))


@router.put("/accounts/{id}/payout")
def choose_payout(room: RoomDep, id: str, chosen: PayoutChosen, mode: Mode = Mode.TEST) -> AccountOut:
    """Choose the account for payouts."""
    account = room.applying.account(id, mode)
    room.applying.choose_payout(account, chosen.payout)
    return account_out(room, account)


@router.post("/accounts/{id}/phone", status_code=202)
def send_code(room: RoomDep, id: str, named: PhoneNamed, mode: Mode = Mode.TEST) -> CodeSent:
    """Send a code by phone."""
    until = room.applying.send_code(room.applying.account(id, mode), named.phone, named.way)
    return CodeSent(mode=mode, good_until=until)


@router.post("/accounts/{id}/phone/code")
def check_code(room: RoomDep, id: str, given: CodeGiven, mode: Mode = Mode.TEST) -> AccountOut:
    """Confirm the number by its code."""
    account = room.applying.account(id, mode)
    room.applying.check_code(account, given.code)
    return account_out(room, account)


@router.post("/accounts/{id}/terms")
def accept_terms(room: RoomDep, id: str, mode: Mode = Mode.TEST) -> AccountOut:
    """Accept the provider's terms as they stand."""
    account = room.applying.account(id, mode)
    room.applying.accept_terms(account)
    return account_out(room, account)


@router.post("/accounts/{id}/send")
def send_application(room: RoomDep, id: str, answer: Answer, mode: Mode = Mode.TEST) -> AccountOut:
    """Send the application, or the answer to what was asked."""
    return account_out(room, room.applying.send(room.applying.account(id, mode), answer.answer))


@router.post("/accounts/{id}/withdraw")
def withdraw_application(room: RoomDep, id: str, mode: Mode = Mode.TEST) -> AccountOut:
    """Leave an application; begun again, it goes on where it was."""
    return account_out(room, room.applying.withdraw(room.applying.account(id, mode)))


@router.post("/accounts/{id}/credentials")
def paste_credentials(room: RoomDep, id: str, pasted: Pasted, mode: Mode = Mode.TEST) -> AccountOut:
    """Connect by credentials, or put new ones in the place of the old."""
    return account_out(room, room.connecting.by_credentials(room.applying.account(id, mode), pasted.fields))


@router.post("/accounts/{id}/sign-in")
def begin_sign_in(room: RoomDep, id: str, response: Response, mode: Mode = Mode.TEST) -> GoTo:
    """Begin a sign-in at the provider; this browser alone can end it."""
    begun = room.connecting.begin_sign_in(room.applying.account(id, mode))
    response.set_cookie(BOUND, begun.state, httponly=True, samesite="lax", max_age=600)
    return GoTo(mode=mode, go_to=begun.go_to)


@router.post("/accounts/{id}/email", status_code=202)
def name_email(room: RoomDep, id: str, named: EmailNamed, mode: Mode = Mode.TEST) -> None:
    """Connect by the address of the account: the provider writes there."""
    room.connecting.begin_by_email(room.applying.account(id, mode), named.email)


@router.post("/accounts/{id}/domain")
def check_domain(room: RoomDep, id: str, mode: Mode = Mode.TEST) -> AccountOut:
    """Let the provider look at the storefront's domain."""
    return account_out(room, room.connecting.check_domain(room.applying.account(id, mode)))


@router.put("/accounts/{id}/serves")
def serve_storefronts(room: RoomDep, id: str, serves: Serves, mode: Mode = Mode.TEST) -> AccountOut:
    """Say which storefronts an account serves, and whose it is."""
    account = room.applying.account(id, mode)
    return account_out(room, serve(room.store, account, serves.storefronts, pooled=serves.pooled))


@router.get("/accounts/{id}/leaving")
def read_leaving(room: RoomDep, id: str, mode: Mode = Mode.TEST) -> LeavingOut:
    """What leaving an account would take away."""
    found = leaving(room.store, room.applying.account(id, mode))
    return LeavingOut(
        mode=mode,
        draft=[tender.name for tender in found.draft],
        published=[tender.name for tender in found.published],
        orders=found.orders,
    )


@router.post("/accounts/{id}/disconnect")
def disconnect(room: RoomDep, id: str, mode: Mode = Mode.TEST) -> AccountOut:
    """Leave an account; it can be taken up again."""
    return account_out(room, room.connecting.disconnect(room.applying.account(id, mode)))


@router.post("/accounts/{id}/reconnect")
def reconnect(room: RoomDep, id: str, mode: Mode = Mode.TEST) -> AccountOut:
    """Take an account up again that was left."""
    return account_out(room, room.connecting.reconnect(room.applying.account(id, mode)))


came_back = APIRouter()


@came_back.get("/accounts/connected", include_in_schema=False)
def end_connecting(
    room: RoomDep,
    state: str = "",
    code: str = "",
    confirms: str = "",
    bound: Annotated[str, Cookie(alias=BOUND)] = "",
) -> RedirectResponse:
    """Where a sign-in or a mail's link comes back to: the account's sheet, or what was wrong with the return."""
    try:
        connect = room.connecting
        account = connect.end_by_email(confirms) if confirms else connect.end_sign_in(state, bound, code)
    except Refused as refused:
        answer = RedirectResponse(f"/accounts?refused={refused.faults[0].code.value}", status_code=303)
    else:
        where = f"/accounts/{account.provider}?mode={account.mode.value}&connected={account.id}"
        answer = RedirectResponse(where, status_code=303)
    answer.delete_cookie(BOUND)
    return answer
