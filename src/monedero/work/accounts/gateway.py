"""Asking a gateway over HTTP, by the contract of `docs/gateway.md`; every exchange is kept, without its secrets."""

import time
from collections.abc import Callable, Mapping
from typing import Any, TypeVar

import httpx2
from pydantic import BaseModel, ValidationError

from monedero.core.account import Mode
from monedero.core.card_number import masked
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput
from monedero.core.fields import BY_PROGRAM
from monedero.core.money import Money
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
    PaymentAsked,
    PaymentHeld,
)
from monedero.store.exchanges import Exchange

M = TypeVar("M", bound=BaseModel)
Tell = Callable[[Exchange], object]
AT_MOST = 4000
# The most that an answer of a gateway may be, in bytes and in seconds from beginning to end.
LARGEST = 1024 * 1024
SECONDS = 15


class Wire:
    """The way to one gateway for one account: sends, reads the answer, and keeps what was said.

    A gateway that does not answer, or answers that it cannot now, is `provider-silent`: it may have done what was
    asked. One that says no is `provider-refused`: it has not.
    """

    def __init__(self, client: httpx2.Client, base: str, provider: str, blank: Exchange, tell: Tell) -> None:
        """`blank` is an exchange with the account, its mode and a moment; `tell` keeps one."""
        self._client = client
        self._base = base
        self._provider = provider
        self._blank = blank
        self._tell = tell

    def ask(
        self,
        method: str,
        path: str,
        model: type[M] | None,
        *,
        body: BaseModel | Mapping[str, str] | None = None,
        headers: Mapping[str, str] | None = None,
    ) -> M | None:
        """Ask, and read the answer as a model; None where no answer is wanted."""
        sent: dict[str, Any] = {"headers": dict(headers or {})}
        if isinstance(body, BaseModel):
            sent["content"] = body.model_dump_json(exclude_none=True).encode()
            sent["headers"]["content-type"] = "application/json"
        elif body is not None:
            sent["data"] = dict(body)
        try:
            answer = self._bounded(method, f"{self._base}{path}", sent)
        except (httpx2.HTTPError, httpx2.InvalidURL, ValueError) as silent:
            self._keep(f"{method} {path}", None, "")
            raise self._silent() from silent
        self._keep(f"{method} {path}", answer.status_code, "" if path in SECRET_PATHS else answer.text)
        if answer.status_code >= 500:
            raise self._silent()
        if answer.status_code >= 400:
            raise self._refusal(answer)
        if model is None:
            return None
        try:
            return model.model_validate_json(answer.content, context=BY_PROGRAM)
        except ValidationError as broken:
            raise self._silent() from broken

    def _bounded(self, method: str, url: str, sent: Mapping[str, Any]) -> httpx2.Response:
        """An answer that is neither larger nor slower, from its first byte to its last, than one may be."""
        until = time.monotonic() + SECONDS
        with self._client.stream(method, url, **sent) as answer:
            parts, size = [], 0
            for part in answer.iter_bytes():
                parts.append(part)
                size += len(part)
                if size > LARGEST or time.monotonic() > until:
                    raise ValueError("the answer is larger or slower than one may be")
        plain = {"content-type": answer.headers.get("content-type", "")}
        return httpx2.Response(answer.status_code, content=b"".join(parts), headers=plain)

    def _silent(self) -> Conflict:
        return Conflict(Fault(FaultCode.PROVIDER_SILENT, "provider", self._provider))

    def _refusal(self, answer: httpx2.Response) -> InvalidInput:
        try:
            errors = answer.json()["errors"]
            faults = [
                Fault(
                    FaultCode.PROVIDER_REFUSED,
                    str(error.get("field", "")),
                    str(error.get("value", "")),
                    {"why": str(error.get("detail", "")).rstrip("."), "code": str(error.get("code", ""))},
                )
                for error in errors
            ]
        except (ValueError, KeyError, TypeError, AttributeError, RecursionError):
            faults = []
        why = {"why": f"status {answer.status_code}", "code": ""}
        return InvalidInput(*(faults or [Fault(FaultCode.PROVIDER_REFUSED, "", "", why)]))

    def _keep(self, what: str, status: int | None, text: str) -> None:
        verdict = "sent" if status is not None and status < 400 else "failed"
        update = {"what": what, "answer": status, "text": masked(text[:AT_MOST]), "verdict": verdict}
        self._tell(self._blank.model_copy(update=update))


# These answers open an account; they are kept nowhere but sealed.
SECRET_PATHS = ("/connection", "/connection/confirmed", "/token")


class Gateway:
    """Holds what can be asked of a gateway for an account; `token` opens the account."""

    def __init__(self, wire: Wire, token: str = "") -> None:
        """Ask over a wire."""
        self._wire = wire
        self._token = token

    def _headers(self, key: str | None = None) -> dict[str, str]:
        return {"authorization": f"Bearer {self._token}"} | ({IDEMPOTENCY_KEY: key} if key else {})

    def _read(self, model: type[M], method: str, path: str, **sent: Any) -> M:
        answer = self._wire.ask(method, path, model, **sent)
        assert answer is not None  # a model is asked for
        return answer

    def connect(self, mode: Mode, fields: Mapping[str, str]) -> Connection:
        """Open an account by its credentials."""
        body = ConnectionAsked(mode=mode, fields=dict(fields))
        return self._read(Connection, "POST", "/connection", body=body)

    def invite(self, mode: Mode, email: str, link: str) -> None:
        """Let the gateway write to an account's address, with a link that confirms."""
        body = ConnectionAsked(mode=mode, fields={"email": email, "link": link})
        self._wire.ask("POST", "/connection/by-email", None, body=body)

    def confirmed(self, mode: Mode, email: str) -> Connection:
        """Open an account whose holder has confirmed."""
        body = ConnectionAsked(mode=mode, fields={"email": email})
        return self._read(Connection, "POST", "/connection/confirmed", body=body)

    def token(self, code: str, redirect_uri: str, verifier: str) -> Connection:
        """Open an account by the code that a sign-in brought (RFC 6749 section 4.1.3, RFC 7636 section 4.5)."""
        form = {
            "grant_type": "authorization_code",
            "code": code,
            "redirect_uri": redirect_uri,
            "code_verifier": verifier,
        }
        return self._read(Connection, "POST", "/token", body=form)

    def account(self) -> AccountHeld:
        """The account as the gateway sees it."""
        return self._read(AccountHeld, "GET", "/account", headers=self._headers())

    def check_domain(self) -> AccountHeld:
        """Let the gateway look for its file on the storefront's domain."""
        return self._read(AccountHeld, "POST", "/domain", headers=self._headers())

    def set_endpoint(self, url: str, secret: str) -> None:
        """Tell where notifications go, and the secret that signs them."""
        body = EndpointAsked(url=url, secret=secret)
        self._wire.ask("PUT", "/endpoint", None, body=body, headers=self._headers())

    def check_endpoint(self) -> None:
        """Ask for a notification that only says that they arrive."""
        self._wire.ask("POST", "/endpoint/check", None, headers=self._headers())

    def begin(self, key: str, asked: PaymentAsked) -> PaymentHeld:
        """Begin a payment."""
        return self._read(PaymentHeld, "POST", "/payments", body=asked, headers=self._headers(key))

    def read(self, reference: str) -> PaymentHeld:
        """A payment, with all that has happened to it."""
        return self._read(PaymentHeld, "GET", f"/payments/{reference}", headers=self._headers())

    def take(self, reference: str, key: str, amount: Money) -> PaymentHeld:
        """Take a part of what was authorised, or all of it."""
        return self._change(reference, "take", key, AmountAsked(amount=amount))

    def refund(self, reference: str, key: str, amount: Money) -> PaymentHeld:
        """Send money back to the buyer."""
        return self._change(reference, "refund", key, AmountAsked(amount=amount))

    def release(self, reference: str, key: str) -> PaymentHeld:
        """Give back what was authorised and not taken."""
        return self._change(reference, "release", key)

    def cancel(self, reference: str, key: str) -> PaymentHeld:
        """End a payment whose buyer is still on the page."""
        return self._change(reference, "cancel", key)

    def _change(self, reference: str, what: str, key: str, body: AmountAsked | None = None) -> PaymentHeld:
        path = f"/payments/{reference}/{what}"
        return self._read(PaymentHeld, "POST", path, body=body, headers=self._headers(key))

    def apply(self, asked: ApplicationAsked) -> ApplicationHeld:
        """Send an application."""
        return self._read(ApplicationHeld, "POST", "/applications", body=asked)

    def application(self, reference: str) -> ApplicationHeld:
        """Tells where an application stands."""
        return self._read(ApplicationHeld, "GET", f"/applications/{reference}")

    def answer(self, reference: str, given: AnswerGiven) -> ApplicationHeld:
        """Answer a question, or correct what was refused."""
        return self._read(ApplicationHeld, "POST", f"/applications/{reference}/answer", body=given)
