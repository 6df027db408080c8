"""The simulated provider's side of the contract: what shops ask of it over HTTP (`docs/gateway.md`).

Source: access by RFC 6750, refusals by RFC 9457, sign-in by RFC 6749 section 4.1.3 with RFC 7636.
"""

from collections.abc import Callable
from typing import Annotated, Any, NamedTuple, cast

from fastapi import APIRouter, Depends, FastAPI, Form, Header, Request, Response
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel
from pydantic_core import ErrorDetails

from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound, Refused
from monedero.formats.gateway import (
    IDEMPOTENCY_KEY,
    WELL_KNOWN,
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
from monedero.standins.provider.model import Merchant
from monedero.standins.provider.program import SimulatedProvider
from monedero.standins.provider.reviewing import Reviews
from monedero.wording import fault_text

STATUS = {InvalidInput: 422, NotFound: 404, Conflict: 409}


Key = Annotated[str, Header(alias=IDEMPOTENCY_KEY, min_length=8, max_length=200)]


class TokenAsked(BaseModel):
    """Holds what a sign-in is ended with (RFC 6749 section 4.1.3, RFC 7636 section 4.5)."""

    grant_type: str
    code: str
    redirect_uri: str
    code_verifier: str


class NoAccess(Exception):
    """The token opens no account here."""


class Down(Exception):
    """The provider was told to be down."""


class Played(NamedTuple):
    """A provider that is played for one shop, and how it reads a file of the storefront's domain."""

    provider: SimulatedProvider
    fetch: Callable[[str], str | None]


Find = Callable[[str], Played]


def contract_app(find: Find) -> FastAPI:
    """The contract of every provider, to be mounted at its path; `find` gives who is played in a shop."""
    app = FastAPI(title="Simulated provider", openapi_url=None)
    desk = _Desk(find)
    app.include_router(_account_routes(desk))
    app.include_router(_payment_routes(desk))
    app.include_router(_application_routes(desk))
    _answer_refusals(app)
    return app


class _Desk:
    """Holds who is asked: the provider of a shop, open, and the merchant whom a token names."""

    def __init__(self, find: Find) -> None:
        self.find = find

    def open(self, shop: str, name: str) -> SimulatedProvider:
        """A provider; one that is not played is not found, one that was told to be down answers nothing."""
        provider = self.find(shop).provider
        if name not in provider.world.facts:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "provider", name, {"what": "provider"}))
        if provider.courier.faults(name).down:
            raise Down
        return provider

    def asked(self, shop: str, name: str, authorization: Annotated[str, Header()] = "") -> "AskedOfProvider":
        """Tells who asks with a token."""
        provider = self.open(shop, name)
        scheme, _, token = authorization.partition(" ")
        merchant = provider.merchants.by_token(token) if scheme.lower() == "bearer" and token else None
        if merchant is None or merchant.provider != name:
            raise NoAccess
        return AskedOfProvider(provider, merchant)


class AskedOfProvider(NamedTuple):
    """A provider and the merchant who asks it."""

    provider: SimulatedProvider
    merchant: Merchant

    def own(self, reference: str) -> str:
        """The reference of a payment of this merchant; another's is not found."""
        if self.provider.payments.get(reference).merchant != self.merchant.number:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "payment", reference, {"what": "payment"}))
        return reference

    def key(self, key: str) -> str:
        """An idempotency key, apart from those of other merchants."""
        return f"{self.merchant.number} {key}"

    def told(self, reference: str) -> PaymentHeld:
        """A payment after it was changed; what it has to tell is on its way."""
        self.provider.courier.carry()
        return self.provider.payments.held(self.provider.payments.get(reference))


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


def _connected(provider: SimulatedProvider, merchant: Merchant) -> Connection:
    return Connection(access_token=provider.merchants.new_token(merchant.number), account=merchant.held)


def _account_routes(desk: _Desk) -> APIRouter:
    router = APIRouter(prefix="/{shop}/{name}")
    access = Depends(desk.asked)

    @router.post("/connection")
    def connect(shop: str, name: str, asked: ConnectionAsked) -> Connection:
        provider = desk.open(shop, name)
        return _connected(provider, provider.merchants.with_credentials(name, asked.mode, asked.fields))

    @router.post("/connection/by-email", status_code=202)
    def invite(shop: str, name: str, asked: ConnectionAsked) -> None:
        merchants = desk.open(shop, name).merchants
        merchants.invite(name, asked.mode, asked.fields.get("email", ""), asked.fields.get("link", ""))

    @router.post("/connection/confirmed")
    def confirmed(shop: str, name: str, asked: ConnectionAsked) -> Connection:
        provider = desk.open(shop, name)
        return _connected(provider, provider.merchants.by_email(name, asked.mode, asked.fields.get("email", "")))

    @router.post("/token")
    def token(shop: str, name: str, asked: Annotated[TokenAsked, Form()]) -> Connection:
        provider = desk.open(shop, name)
        if asked.grant_type != "authorization_code":
            raise InvalidInput(Fault(FaultCode.SIGN_IN_FORGED, "grant_type", asked.grant_type[:40]))
        merchant = provider.merchants.by_code(asked.code, asked.redirect_uri, asked.code_verifier)
        return _connected(provider, merchant)

    @router.get("/account")
    def account(who: Annotated[AskedOfProvider, access]) -> AccountHeld:
        return who.merchant.held

    @router.put("/endpoint", status_code=204)
    def endpoint(who: Annotated[AskedOfProvider, access], asked: EndpointAsked) -> None:
        who.provider.merchants.set_endpoint(who.merchant.number, asked.url, asked.secret)

    @router.post("/endpoint/check", status_code=202)
    def check(who: Annotated[AskedOfProvider, access]) -> None:
        merchant = who.merchant
        checked = Notification(type="endpoint.checked", mode=merchant.mode, account=merchant.number)
        who.provider.courier.take(merchant, checked)
        who.provider.courier.carry()

    @router.post("/domain")
    def domain(shop: str, who: Annotated[AskedOfProvider, access]) -> AccountHeld:
        path = f"{WELL_KNOWN}{who.merchant.number}"
        seen = desk.find(shop).fetch(path)
        if seen is None or seen.strip() != who.merchant.number:
            raise Conflict(Fault(FaultCode.DOMAIN_NOT_SEEN, "domain", path))
        return who.provider.merchants.domain_checked(who.merchant.number).held

    return router


def _payment_routes(desk: _Desk) -> APIRouter:
    router = APIRouter(prefix="/{shop}/{name}/payments")
    access = Depends(desk.asked)

    @router.post("", status_code=201)
    def begin(who: Annotated[AskedOfProvider, access], key: Key, asked: PaymentAsked) -> PaymentHeld:
        return who.provider.payments.begin(who.merchant, who.key(key), asked)

    @router.get("/{reference}")
    def read(who: Annotated[AskedOfProvider, access], reference: str) -> PaymentHeld:
        return who.provider.payments.held(who.provider.payments.get(who.own(reference)))

    @router.post("/{reference}/take")
    def take(who: Annotated[AskedOfProvider, access], key: Key, reference: str, asked: AmountAsked) -> PaymentHeld:
        who.provider.payments.take(who.own(reference), who.key(key), asked.amount)
        return who.told(reference)

    @router.post("/{reference}/refund")
    def refund(
        who: Annotated[AskedOfProvider, access], key: Key, reference: str, asked: AmountAsked
    ) -> PaymentHeld:
        who.provider.payments.refund(who.own(reference), who.key(key), asked.amount)
        return who.told(reference)

    @router.post("/{reference}/release")
    def release(who: Annotated[AskedOfProvider, access], key: Key, reference: str) -> PaymentHeld:
        who.provider.payments.release(who.own(reference), who.key(key))
        return who.told(reference)

    @router.post("/{reference}/cancel")
    def cancel(who: Annotated[AskedOfProvider, access], key: Key, reference: str) -> PaymentHeld:
        who.provider.payments.cancel(who.own(reference), who.key(key))
        return who.told(reference)

    return router


def _application_routes(desk: _Desk) -> APIRouter:
    router = APIRouter(prefix="/{shop}/{name}/applications")

    def own(shop: str, name: str, reference: str) -> Reviews:
        reviews = desk.open(shop, name).reviews
        if reviews.get(reference).provider != name:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "application", reference, {"what": "application"}))
        return reviews

    @router.post("", status_code=201)
    def apply(shop: str, name: str, asked: ApplicationAsked) -> ApplicationHeld:
        return desk.open(shop, name).reviews.take_in(name, asked)

    @router.get("/{reference}")
    def read(shop: str, name: str, reference: str) -> ApplicationHeld:
        return own(shop, name, reference).held(reference)

    @router.post("/{reference}/answer")
    def answer(shop: str, name: str, reference: str, given: AnswerGiven) -> ApplicationHeld:
        return own(shop, name, reference).answer(reference, given.answer, given.papers)

    return router
