"""Tells what the simulated provider knows: merchants, applications, payments, and what it still has to send."""

from datetime import datetime
from typing import Literal

from pydantic import BaseModel

from monedero.core.account import MethodStanding, Mode, Standing
from monedero.core.money import Money
from monedero.core.payment.books import Books
from monedero.core.payment.notice import Notice
from monedero.core.payment.state import Move, State
from monedero.formats.gateway import AccountHeld, ApplicationAsked, MethodHeld, PaymentAsked


class CredentialSet(BaseModel):
    """One set of credentials. An older one works until `until`, so that it can be replaced without a gap."""

    fields: dict[str, str]
    until: datetime | None = None


class Endpoint(BaseModel):
    """Holds where notifications of a merchant go."""

    path: str
    secret: str


class Merchant(BaseModel):
    """A merchant with one provider in one mode; `methods` None stands for an active one."""

    number: str
    provider: str
    mode: Mode
    holder: str
    email: str
    country: str
    methods: dict[str, MethodStanding | None]
    credentials: list[CredentialSet] = []
    tokens: list[str] = []
    endpoint: Endpoint | None = None

    @property
    def held(self) -> AccountHeld:
        """The account as the shop may see it."""
        methods = [
            MethodHeld(method=method, active=standing is None, standing=standing)
            for method, standing in self.methods.items()
        ]
        return AccountHeld(number=self.number, mode=self.mode, holder=self.holder, methods=methods)

    def ripened(self, now: datetime) -> "Merchant":
        """The merchant with every method active whose moment has come."""
        methods = {
            method: None
            if standing
            and standing.standing is Standing.ACTIVATING
            and standing.ready_at
            and standing.ready_at <= now
            else standing
            for method, standing in self.methods.items()
        }
        return self.model_copy(update={"methods": methods})


Verdict = Literal["approve", "refuse", "ask"]


class Review(BaseModel):
    """An application in review: when it is due, and what the review will find."""

    reference: str
    provider: str
    asked: ApplicationAsked
    due_at: datetime
    state: Literal["in-review", "question", "refused", "approved"] = "in-review"
    verdict: Verdict = "approve"
    said: str = ""
    refused_method: str = ""
    answers: list[str] = []
    number: str = ""


class Coming(BaseModel):
    """A move that happens by itself when its moment comes."""

    at: datetime
    move: Move
    minor: int | None = None
    reason: str = ""


class Taking(BaseModel):
    """A payment at the provider, with everything that has happened to it, and will."""

    reference: str
    provider: str
    merchant: str
    asked: PaymentAsked
    state: State
    books: Books
    begun_at: datetime
    told: list[Notice] = []
    coming: list[Coming] = []

    def money(self, minor: int | None) -> Money | None:
        """An amount of this payment."""
        return None if minor is None else Money(minor, self.books.currency)


class Answered(BaseModel):
    """The answer to an idempotency key, so that the same thing asked again is done once."""

    key: str
    body: str
    reference: str


class Outgoing(BaseModel):
    """A notification on its way: tried again until it is taken, or given up."""

    id: str
    provider: str
    merchant: str
    body: str
    due_at: datetime
    tries: int = 0
    outcomes: list[str] = []
    done: bool = False
    forged: bool = False


class Faults(BaseModel):
    """Holds what a provider is told to do wrong."""

    provider: str
    down: bool = False
    double: bool = False
    shuffle: bool = False
    forge: bool = False
    late_minutes: int = 0


class SignIn(BaseModel):
    """A code that was given to a shop's browser, for one merchant, once (RFC 6749, RFC 7636)."""

    code: str
    merchant: str
    redirect: str
    challenge: str
    at: datetime
