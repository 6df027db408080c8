"""The simulated provider's side of the contract: what shops ask of it over HTTP (`docs/gateway.md`).

Source: access by RFC 6750, refusals by RFC 9457, sign-in by RFC 6749 section 4.1.3 with RFC 7636.
"""

from collections.abc import Callable
from typing import Annotated, Any, cast

from fastapi import APIRouter, Depends, FastAPI, Form, Header, Request, Response
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic_core import ErrorDetails

from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound, Refused
from monedero.formats.gateway import (
    IDEMPOTENCY_KEY,
    AccountHeld,
    AmountAsked,
    AnswerGiven,
    ApplicationAsked,
    ApplicationHeld,
    Connection,
    ConnectionAsked,
    EndpointAsked,
    Notification,
    PaymentAsked,
    PaymentHeld,
)
from monedero.formats.json_text import faults
from monedero.standins.provider.program import SimulatedProvider
from monedero.standins.provider.things import Merchant
from monedero.wording import fault_text

STATUS = {InvalidInput: 422, NotFound: 404, Conflict: 409}
WELL_KNOWN = "/.well-known/payment-domain/"


Key = Annotated[str, Header(alias=IDEMPOTENCY_KEY, min_length=8, max_length=200)]


class NoAccess(Exception):
    """The token opens no account here."""


class Down(Exception):
    """The provider was told to be down."""


def contract_app(provider: SimulatedProvider, fetch: Callable[[str], str | None]) -> FastAPI:
    """The contract of every provider, to be mounted at its path; `fetch` reads a file of the storefront's domain."""
    app = FastAPI(title="Simulated provider", openapi_url=None)
    app.include_router(_account_routes(provider, fetch))
    app.include_router(_payment_routes(provider))
    app.include_router(_application_routes(provider))
    _answer_refusals(app)
    return app


def _problem(status: int, found: list[Fault]) -> JSONResponse:
    errors = [
        {"code": fault.code.value, "field": fault.field, "value": fault.value, "detail": fault_text(fault)}
        for fault in found
    ]
    body = {
        "type": f"urn:monedero:problem:{found[0].code.value}" if found else "about:blank",
        "title": "Refused by the simulated provider",
        "status": status,
        "detail": " ".join(error["detail"] for error in errors),
        "errors": errors,
    }
    return JSONResponse(body, status_code=status, media_type="application/problem+json")


def _answer_refusals(app: FastAPI) -> None:
    def refused(_: Request, problem: Exception) -> JSONResponse:
        found = list(problem.faults) if isinstance(problem, Refused) else []
        return _problem(next(status for kind, status in STATUS.items() if isinstance(problem, kind)), found)

    def invalid(_: Request, problem: Exception) -> JSONResponse:
        errors: Any = problem.errors() if isinstance(problem, RequestValidationError) else []
        located = [cast("ErrorDetails", {**error, "loc": error["loc"][1:]}) for error in errors]
        return _problem(422, list(faults(located)))

    for kind in STATUS:
        app.add_exception_handler(kind, refused)
    app.add_exception_handler(RequestValidationError, invalid)
    app.add_exception_handler(NoAccess, lambda _, __: _problem(401, [Fault(FaultCode.ACCESS_REFUSED)]))
    app.add_exception_handler(Down, lambda _, __: Response(status_code=503))


def _opened(provider: SimulatedProvider, name: str) -> None:
    """Refuse a provider that is not played here, and answer nothing where it was told to be down."""
    if name not in provider.world.facts:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "provider", name, {"what": "provider"}))
    if provider.courier.faults(name).down:
        raise Down


def _merchant(provider: SimulatedProvider) -> Callable[..., Merchant]:
    def find(name: str, authorization: Annotated[str, Header()] = "") -> Merchant:
        _opened(provider, name)
        scheme, _, token = authorization.partition(" ")
        merchant = provider.merchants.by_token(token) if scheme.lower() == "bearer" and token else None
        if merchant is None or merchant.provider != name:
            raise NoAccess
        return merchant

    return find


def _account_routes(provider: SimulatedProvider, fetch: Callable[[str], str | None]) -> APIRouter:
    router = APIRouter(prefix="/{name}")
    merchants = provider.merchants
    access = Depends(_merchant(provider))

    def connected(merchant: Merchant) -> Connection:
        return Connection(access_token=merchants.new_token(merchant.number), account=merchant.held)

    @router.post("/connection")
    def connect(name: str, asked: ConnectionAsked) -> Connection:
        _opened(provider, name)
        return connected(merchants.with_credentials(name, asked.mode, asked.fields))

    @router.post("/connection/by-email", status_code=202)
    def invite(name: str, asked: ConnectionAsked) -> None:
        _opened(provider, name)
        merchants.invite(name, asked.mode, asked.fields.get("email", ""), asked.fields.get("link", ""))

    @router.post("/connection/confirmed")
    def confirmed(name: str, asked: ConnectionAsked) -> Connection:
        _opened(provider, name)
        return connected(merchants.by_email(name, asked.mode, asked.fields.get("email", "")))

    @router.post("/token")
    def token(
        name: str,
        grant_type: Annotated[str, Form()],
        code: Annotated[str, Form()],
        redirect_uri: Annotated[str, Form()],
        code_verifier: Annotated[str, Form()],
    ) -> Connection:
        _opened(provider, name)
        if grant_type != "authorization_code":
            raise InvalidInput(Fault(FaultCode.SIGN_IN_FORGED, "grant_type", grant_type[:40]))
        return connected(merchants.by_code(code, redirect_uri, code_verifier))

    @router.get("/account")
    def account(merchant: Annotated[Merchant, access]) -> AccountHeld:
        return merchant.held

    @router.put("/endpoint", status_code=204)
    def endpoint(merchant: Annotated[Merchant, access], asked: EndpointAsked) -> None:
        merchants.set_endpoint(merchant.number, asked.url, asked.secret)

    @router.post("/endpoint/check", status_code=202)
    def check(merchant: Annotated[Merchant, access]) -> None:
        checked = Notification(type="endpoint.checked", mode=merchant.mode, account=merchant.number)
        provider.courier.take(merchant, checked)
        provider.courier.carry()

    @router.post("/domain")
    def domain(merchant: Annotated[Merchant, access]) -> AccountHeld:
        seen = fetch(f"{WELL_KNOWN}{merchant.number}")
        if seen is None or seen.strip() != merchant.number:
            raise Conflict(Fault(FaultCode.DOMAIN_NOT_SEEN, "domain", f"{WELL_KNOWN}{merchant.number}"))
        return merchants.domain_checked(merchant.number).held

    return router


def _payment_routes(provider: SimulatedProvider) -> APIRouter:
    router = APIRouter(prefix="/{name}/payments")
    payments = provider.payments
    access = Depends(_merchant(provider))

    def own(merchant: Merchant, reference: str) -> str:
        if payments.get(reference).merchant != merchant.number:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "payment", reference, {"what": "payment"}))
        return reference

    def told(reference: str) -> PaymentHeld:
        provider.courier.carry()
        return payments.held(payments.get(reference))

    @router.post("", status_code=201)
    def begin(merchant: Annotated[Merchant, access], key: Key, asked: PaymentAsked) -> PaymentHeld:
        return payments.begin(merchant, f"{merchant.number} {key}", asked)

    @router.get("/{reference}")
    def read(merchant: Annotated[Merchant, access], reference: str) -> PaymentHeld:
        return payments.held(payments.get(own(merchant, reference)))

    @router.post("/{reference}/take")
    def take(merchant: Annotated[Merchant, access], key: Key, reference: str, asked: AmountAsked) -> PaymentHeld:
        payments.take(own(merchant, reference), f"{merchant.number} {key}", asked.amount)
        return told(reference)

    @router.post("/{reference}/refund")
    def refund(merchant: Annotated[Merchant, access], key: Key, reference: str, asked: AmountAsked) -> PaymentHeld:
        payments.refund(own(merchant, reference), f"{merchant.number} {key}", asked.amount)
        return told(reference)

    @router.post("/{reference}/release")
    def release(merchant: Annotated[Merchant, access], key: Key, reference: str) -> PaymentHeld:
        payments.release(own(merchant, reference), f"{merchant.number} {key}")
        return told(reference)

    @router.post("/{reference}/cancel")
    def cancel(merchant: Annotated[Merchant, access], key: Key, reference: str) -> PaymentHeld:
        payments.cancel(own(merchant, reference), f"{merchant.number} {key}")
        return told(reference)

    return router


def _application_routes(provider: SimulatedProvider) -> APIRouter:
    router = APIRouter(prefix="/{name}/applications")
    reviews = provider.reviews

    def own(name: str, reference: str) -> str:
        if reviews.get(reference).provider != name:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "application", reference, {"what": "application"}))
        return reference

    @router.post("", status_code=201)
    def apply(name: str, asked: ApplicationAsked) -> ApplicationHeld:
        _opened(provider, name)
        return reviews.take_in(name, asked)

    @router.get("/{reference}")
    def read(name: str, reference: str) -> ApplicationHeld:
        _opened(provider, name)
        return reviews.held(own(name, reference))

    @router.post("/{reference}/answer")
    def answer(name: str, reference: str, given: AnswerGiven) -> ApplicationHeld:
        _opened(provider, name)
        return reviews.answer(own(name, reference), given.answer, given.papers)

    return router
