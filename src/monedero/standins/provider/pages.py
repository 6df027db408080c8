"""The simulated provider's own pages: where a buyer pays, where a shop signs in, and its back office.

In the back office whoever tries things out plays the provider: decides reviews, reads credentials, lets buyers
dispute, and tells notifications to misbehave.
"""

from collections.abc import Callable
from pathlib import Path
from typing import Annotated, Literal
from urllib.parse import urlencode

from fastapi import APIRouter, FastAPI, Form, Query, Request, Response
from fastapi.responses import HTMLResponse, RedirectResponse
from fastapi.templating import Jinja2Templates
from pydantic import BaseModel, Field

from monedero.core.account import Mode
from monedero.core.errors import Conflict, Fault, FaultCode, NotFound
from monedero.core.payment.state import MOVES, Move, State
from monedero.figures import methods
from monedero.standins.provider.merchants import Holder
from monedero.standins.provider.model import Faults, Taking, Verdict
from monedero.standins.provider.paying import Ending, Payments
from monedero.standins.provider.program import SimulatedProvider
from monedero.wording.show import money

TEMPLATES = Jinja2Templates(Path(__file__).parent.parent / "templates")
TEMPLATES.env.filters["money"] = lambda value: money(str(value))

ENDINGS = {
    Ending.PAID: "Paid",
    Ending.PAID_LATER: "Paid later: the debit is confirmed in some days",
    Ending.FAILS_LATER: "Fails later: no money on the day of the debit",
    Ending.DECLINED_MONEY: "Declined: not enough money",
    Ending.DECLINED_BANK: "Declined: refused by the bank",
    Ending.DECLINED_CONFIRMATION: "Declined: the buyer was not confirmed",
    Ending.ABANDONED: "Abandoned: back to the shop",
    Ending.EXPIRES: "Left open: it expires in half an hour",
}
# Things that can be played after a payment, by the move that they make.
AFTERWARDS = {
    "dispute": (Move.DISPUTED, "The buyer disputes it"),
    "win": (Move.DISPUTE_WON, "Decide for the shop"),
    "lose": (Move.DISPUTE_LOST, "Decide for the buyer"),
    "take-back": (Move.RETURNED, "The buyer takes the debit back"),
}


class SignInAsked(BaseModel):
    """Holds what a shop's browser brings to the sign-in (RFC 6749 section 4.1.1, RFC 7636 section 4.3).

    A browser goes back nowhere but to the address that Monedero is registered with (section 3.1.2.2).
    """

    mode: Mode
    redirect_uri: Literal["/accounts/connected"]
    state: str
    code_challenge: str


class SignInAnswered(SignInAsked):
    """Holds what was asked, with the account that is allowed; none: it is not allowed."""

    merchant: str = ""


class ReviewTold(BaseModel):
    """Holds what the reviewer is told to find."""

    verdict: Verdict
    said: Annotated[str, Field(max_length=300)] = ""
    method: str = ""
    now: bool = False


Play = Callable[[str], SimulatedProvider]


def provider_pages(play: Play) -> FastAPI:
    """The pages, to be mounted over `/{shop}`; `play` gives who is played in a shop."""
    app = FastAPI(title="Simulated provider", openapi_url=None)
    app.include_router(_paying(play))
    app.include_router(_signing_in(play))
    app.include_router(_office(play))
    app.add_exception_handler(NotFound, lambda request, _: _unknown(request))
    return app


def _unknown(request: Request) -> HTMLResponse:
    return TEMPLATES.TemplateResponse(request, "unknown_payment.html", {}, status_code=404)


def _paying(play: Play) -> APIRouter:
    router = APIRouter(prefix="/{shop}")

    def found(payments: Payments, name: str, reference: str) -> Taking | None:
        try:
            payment = payments.get(reference)
        except NotFound:
            return None
        return payment if payment.provider == name else None

    @router.get("/{name}/pay/{reference}", response_class=HTMLResponse)
    def page(request: Request, shop: str, name: str, reference: str, within: bool = False) -> Response:
        provider = play(shop)
        payments = provider.payments
        payment = found(payments, name, reference)
        if payment is None:
            return _unknown(request)
        fields = {
            "payment": payment,
            "provider": provider.world.facts[name].name,
            "method": methods.method(payment.asked.method),
            "open": payment.state is State.AT_PROVIDER,
            "later": payment.asked.take == "later",
            "endings": [(ending.value, ENDINGS[ending]) for ending in payments.endings(payment)],
            "within": within,
        }
        return TEMPLATES.TemplateResponse(request, "pay.html", fields)

    @router.post("/{name}/pay/{reference}")
    def choose(
        request: Request, shop: str, name: str, reference: str, ending: Annotated[Ending, Form()]
    ) -> Response:
        provider = play(shop)
        payment = found(provider.payments, name, reference)
        if payment is None:
            return _unknown(request)
        provider.payments.end(reference, ending)
        provider.courier.carry()
        back = urlencode({"payment": reference})
        return RedirectResponse(f"{payment.asked.return_to}?{back}", status_code=303)

    return router


def _signing_in(play: Play) -> APIRouter:
    router = APIRouter(prefix="/{shop}")

    @router.get("/{name}/authorize", response_class=HTMLResponse)
    def page(request: Request, shop: str, name: str, asked: Annotated[SignInAsked, Query()]) -> Response:
        provider = play(shop)
        if name not in provider.world.facts:
            return _unknown(request)
        own = [entry for entry in provider.merchants.all() if (entry.provider, entry.mode) == (name, asked.mode)]
        fields = {
            "provider": provider.world.facts[name].name,
            "mode": asked.mode.value,
            "merchants": own,
            "asked": asked.model_dump(mode="json"),
        }
        return TEMPLATES.TemplateResponse(request, "sign_in.html", fields)

    @router.post("/{name}/authorize")
    def allow(shop: str, name: str, asked: Annotated[SignInAnswered, Form()]) -> Response:
        merchants = play(shop).merchants
        answer = {"state": asked.state, "error": "access_denied"}
        if asked.merchant and merchants.get(asked.merchant).provider == name:
            code = merchants.code_for(asked.merchant, asked.redirect_uri, asked.code_challenge)
            answer = {"state": asked.state, "code": code}
        return RedirectResponse(f"{asked.redirect_uri}?{urlencode(answer)}", status_code=303)

    return router


def _office(play: Play) -> APIRouter:
    router = APIRouter(prefix="/{shop}")

    def played(shop: str, name: str) -> SimulatedProvider:
        provider = play(shop)
        if name not in provider.world.facts:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "provider", name, {"what": "provider"}))
        return provider

    def back(provider: SimulatedProvider, name: str, part: str) -> RedirectResponse:
        return RedirectResponse(f"{provider.world.mounted_at}/{name}/office#{part}", status_code=303)

    @router.get("/{name}/office", response_class=HTMLResponse)
    def office(request: Request, shop: str, name: str) -> Response:
        provider = played(shop, name)
        facts = provider.world.facts[name]
        payments = [payment for payment in provider.payments.all() if payment.provider == name]
        rates = provider.world.cards[name].rates
        fields = {
            "facts": facts,
            "here": f"{provider.world.mounted_at}/{name}/office",
            "reviews": [review for review in provider.reviews.all() if review.provider == name][::-1],
            "merchants": [entry for entry in provider.merchants.all() if entry.provider == name],
            "methods": [
                (rate, methods.method(rate).name) for rate in dict.fromkeys(rate.method for rate in rates)
            ],
            "payments": payments[::-1][:20],
            "afterwards": {payment.reference: _can_follow(payment) for payment in payments},
            "outgoing": [entry for entry in provider.courier.all() if entry.provider == name][::-1][:20],
            "faults": provider.courier.faults(name),
            "now": provider.world.now(),
        }
        return TEMPLATES.TemplateResponse(request, "office.html", fields)

    @router.post("/{name}/office/reviews/{reference}")
    def review(shop: str, name: str, reference: str, told: Annotated[ReviewTold, Form()]) -> Response:
        provider = played(shop, name)
        provider.reviews.instruct(reference, told.verdict, told.said, told.method)
        if told.now:
            provider.reviews.decide_now(reference)
        return back(provider, name, "reviews")

    @router.post("/{name}/office/merchants")
    def open_account(
        shop: str, name: str, mode: Annotated[Mode, Form()], holder: Annotated[str, Form(max_length=60)]
    ) -> Response:
        provider = played(shop, name)
        address = "owner@shop.example"
        provider.merchants.open(name, mode, Holder(holder.strip() or "A shop", address, "PT"))
        return back(provider, name, "accounts")

    @router.post("/{name}/office/merchants/{number}/credentials")
    def fresh(shop: str, name: str, number: str) -> Response:
        provider = played(shop, name)
        provider.merchants.new_credentials(number)
        return back(provider, name, "accounts")

    @router.get("/{name}/office/merchants/{number}/{field}")
    def file(shop: str, name: str, number: str, field: str) -> Response:
        provider = played(shop, name)
        newest = provider.merchants.get(number).credentials[0].fields
        if field not in newest:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "field", field[:40], {"what": "credential"}))
        headers = {"Content-Disposition": f"attachment; filename={number.lower()}-{field}.pem"}
        return Response(newest[field], media_type="application/x-pem-file", headers=headers)

    @router.post("/{name}/office/merchants/{number}/close")
    def close(shop: str, name: str, number: str) -> Response:
        provider = played(shop, name)
        provider.merchants.close(number)
        return back(provider, name, "accounts")

    @router.post("/{name}/office/payments/{reference}")
    def afterwards(shop: str, name: str, reference: str, happens: Annotated[str, Form()]) -> Response:
        provider = played(shop, name)
        plays = {
            "dispute": provider.payments.dispute,
            "win": lambda payment: provider.payments.decide_dispute(payment, won=True),
            "lose": lambda payment: provider.payments.decide_dispute(payment, won=False),
            "take-back": provider.payments.take_back,
        }
        try:
            if happens in plays:
                plays[happens](reference)
        except Conflict:
            return back(provider, name, "payments")
        provider.courier.carry()
        return back(provider, name, "payments")

    @router.post("/{name}/office/faults")
    def faults(shop: str, name: str, given: Annotated[list[str], Form()] = []) -> Response:  # noqa: B006
        provider = played(shop, name)
        late = 30 if "late" in given else 0
        switches = {fault: fault in given for fault in ("down", "double", "shuffle", "forge")}
        provider.courier.set_faults(Faults(provider=name, late_minutes=late, **switches))
        return back(provider, name, "notifications")

    @router.post("/{name}/office/outgoing/{message}")
    def again(shop: str, name: str, message: str) -> Response:
        provider = played(shop, name)
        provider.courier.send_again(message)
        return back(provider, name, "notifications")

    return router


def _can_follow(payment: Taking) -> list[tuple[str, str]]:
    debit = methods.method(payment.asked.method).family == "bank-debit"
    left = payment.books.kept
    return [
        (name, text)
        for name, (move, text) in AFTERWARDS.items()
        if move in MOVES[payment.state]
        and (debit if move is Move.RETURNED else True)
        and (left or move in (Move.DISPUTE_WON, Move.DISPUTE_LOST))
    ]
