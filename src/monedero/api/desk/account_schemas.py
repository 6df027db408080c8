"""Tells what is said about accounts over HTTP."""

from datetime import datetime
from typing import Annotated, Literal

from pydantic import BaseModel, Field, StrictInt

from monedero.core.account import Act, LeavingTerms, Mode, Stage
from monedero.core.fields import Name
from monedero.core.provider import ConnectBy, CredentialField
from monedero.core.web_address import WebAddress
from monedero.work.accounts.elsewhere import HeldElsewhere


class AskOut(BaseModel):
    """Something that a provider asks, and whether it is there."""

    ask: str
    text: str
    there: bool


class MethodSides(BaseModel):
    """Both sides of a method: where it stands at the provider, and in the draft of the checkout."""

    method: str
    name: str
    share: str
    active: bool
    there: str
    needs_domain: bool
    tender: str | None
    here: str
    follows: bool
    warning: str


class Masked(BaseModel):
    """A part of the credentials that is held, so that it can be told and not read."""

    id: str
    label: str
    shown: str


class SaidOut(BaseModel):
    """A question or a refusal of the provider, with the answer."""

    at: datetime
    said: str
    refusal: bool
    answer: str


class ApplicationOut(BaseModel):
    """An application as far as it is."""

    payout: str | None
    phone: str
    phone_confirmed: bool
    terms_version: str
    terms_accepted_at: datetime | None
    sent_at: datetime | None
    said: list[SaidOut]
    missing: list[str]


class NotificationsOut(BaseModel):
    """How the notifications of an account fare."""

    address: str
    last_seen: datetime | None
    failing_since: datetime | None


class AccountOut(BaseModel):
    """An account with a provider, and where it stands."""

    id: str
    name: str
    stage: Stage
    can: list[Act]
    stands: str
    since: str
    waits_for: str
    number: str
    pooled: bool
    elsewhere: HeldElsewhere | None
    elsewhere_text: str
    storefronts: list[str] | None
    leaving: LeavingTerms
    saved_details: int | None
    application: ApplicationOut
    credentials: list[Masked]
    connected_as: str
    changed_at: datetime | None
    notifications: NotificationsOut | None


class Excluded(BaseModel):
    """A provider that cannot be on beside this one, what it alone unlocks, and whether the shop holds it."""

    provider: str
    name: str
    unlocks: list[str]
    held: bool


class BringsOut(BaseModel):
    """Holds what a provider brings over the month."""

    orders: str
    of_orders: str
    percent: str
    saves: str


class Named(BaseModel):
    """An account or a plan by its id and what it is called."""

    id: str
    name: str


class SheetOut(BaseModel):
    """The sheet of a provider."""

    mode: Mode
    provider: str
    name: str
    about: str
    brings: BringsOut
    methods: list[MethodSides]
    plans: list[Named]
    shut: list[str]
    asks: list[AskOut]
    review_days: int
    terms: str
    terms_version: str
    excludes: list[Excluded]
    unlocks: list[str]
    connects: ConnectBy
    connects_text: str
    fields: list[CredentialField]
    domain: str
    domain_file: str
    office: str
    own_gateway: str
    accounts: list[AccountOut]


class Indexed(BaseModel):
    """A provider in the list of sheets, by how far its accounts are."""

    provider: str
    name: str
    stage: Stage
    stands: str
    since: str
    accounts: list[Named]


class AccountsOut(BaseModel):
    """Every provider with where it stands in a mode."""

    mode: Mode
    providers: list[Indexed]


class Begin(BaseModel):
    """An application to begin; a second account with a provider needs a name."""

    mode: Mode
    name: str | None = None


class GatewayNew(BaseModel):
    """A gateway of the shop's own: its name, its address, and what the parts of its credentials are called."""

    name: Name
    address: WebAddress
    parts: Annotated[list[Name], Field(min_length=1, max_length=8)]


class Pasted(BaseModel):
    """Credentials as they were pasted, by the names of their fields."""

    fields: dict[str, str]


class EmailNamed(BaseModel):
    """The address of an account."""

    email: str


class GoTo(BaseModel):
    """Holds where the browser goes next."""

    mode: Mode
    go_to: str


class PhoneNamed(BaseModel):
    """A number for a code, sent as a text or said in a call."""

    phone: str
    way: Literal["text", "call"] = "text"


class CodeSent(BaseModel):
    """Until when a code is good."""

    mode: Mode
    good_until: datetime


class CodeGiven(BaseModel):
    """The code as it was typed."""

    code: str


class Answer(BaseModel):
    """The answer to a question or a refusal; empty for a first application."""

    answer: str = ""


class PayoutChosen(BaseModel):
    """The account that payouts of this provider go to."""

    payout: str


class Serves(BaseModel):
    """The storefronts that an account serves, by id (none: all), and whether it is the software's pooled one."""

    storefronts: list[str] = []
    pooled: bool = False


class LeavingTermsTold(LeavingTerms):
    """The terms of leaving an account, and how many buyers have details saved there."""

    saved_details: Annotated[StrictInt, Field(ge=0, le=10**9)] | None = None


class LeavingOut(BaseModel):
    """Holds what leaving an account would take away.

    `moves` says it of orders: of what buyers see now, or of the draft where nothing is published.
    """

    mode: Mode
    draft: list[str]
    published: list[str]
    orders: list[int]
    moves: list[str]
