"""An account: the shop's contract with one provider, in one mode, at some stage.

A payment goes through it where it is connected in the mode, serves the storefront, and its method is active there.
A provider may be held twice; the first account bears the provider's own id.

Source: own design.

>>> held = Account(provider="orlenta", mode="test", stage="in-review", active_methods=[])
>>> held.can(Act.WITHDRAW), held.can(Act.EDIT)
(True, False)
>>> Account(provider="orlenta", mode="test", stage="connected", active_methods=["card"]).id
'orlenta'
>>> Account(id="orlenta", provider="Orlenta", mode="test", stage="connected", active_methods=[])
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Account
provider
  identifier-text [type=identifier-text, input_value='Orlenta', input_type=str]
"""

from collections.abc import Mapping
from datetime import datetime
from enum import StrEnum
from typing import Annotated, Any

from pydantic import Field, StrictBool, StrictInt, model_validator

from monedero.core.fields import AnyOf, Day, Description, Identifier, MoneyPositive, Name, Strict


class Mode(StrEnum):
    """Test takes no money; live does."""

    TEST = "test"
    LIVE = "live"


class Stage(StrEnum):
    """How far an account is."""

    NOT_BEGUN = "not-begun"
    BEGUN = "begun"
    IN_REVIEW = "in-review"
    QUESTION = "question"
    REFUSED = "refused"
    APPROVED = "approved"
    CONNECTED = "connected"
    LAPSED = "lapsed"
    DISCONNECTED = "disconnected"
    WITHDRAWN = "withdrawn"


class Act(StrEnum):
    """Names what an owner can do with an account."""

    BEGIN = "begin"
    EDIT = "edit"
    CONNECT = "connect"
    WITHDRAW = "withdraw"
    DISCONNECT = "disconnect"
    RECONNECT = "reconnect"
    TAKE_AWAY = "take-away"


CAN: Mapping[Act, frozenset[Stage]] = {
    Act.BEGIN: frozenset((Stage.NOT_BEGUN, Stage.LAPSED, Stage.DISCONNECTED, Stage.WITHDRAWN)),
    Act.EDIT: frozenset((Stage.BEGUN, Stage.QUESTION, Stage.REFUSED)),
    # A connected account is connected anew with other credentials.
    Act.CONNECT: frozenset(
        (Stage.BEGUN, Stage.IN_REVIEW, Stage.QUESTION, Stage.REFUSED, Stage.APPROVED, Stage.CONNECTED)
    ),
    Act.WITHDRAW: frozenset((Stage.BEGUN, Stage.IN_REVIEW, Stage.QUESTION, Stage.REFUSED, Stage.APPROVED)),
    Act.DISCONNECT: frozenset((Stage.CONNECTED,)),
    Act.RECONNECT: frozenset((Stage.DISCONNECTED,)),
    Act.TAKE_AWAY: frozenset((Stage.DISCONNECTED, Stage.WITHDRAWN, Stage.LAPSED)),
}
"""At which stages each act is possible: the one place that says so, to whoever refuses and to whoever shows."""


class Standing(StrEnum):
    """Names where a method stands at the provider, where it is not active."""

    ACTIVATING = "activating"
    REFUSED = "refused"
    NEEDS_DOMAIN = "needs-domain"
    OFF = "off"


class MethodStanding(Strict):
    """A method that is not active in an account, with the reason, or the moment from which it will be."""

    method: Identifier
    standing: Standing
    reason: Description = ""
    ready_at: datetime | None = None


class LeavingTerms(Strict):
    """The terms of leaving a contract, as the owner read them there; None is not known, or nothing."""

    notice_days: Annotated[StrictInt, Field(ge=0, le=3650)] | None = None
    exit_fee: MoneyPositive | None = None
    runs_until: Day | None = None


class Account(Strict):
    """The shop's contract with one provider; `since` is the day on which it reached its stage.

    `storefronts` by their ids; None: it serves all of them. `pooled`: an account of the shop's software, not its own.
    `elsewhere`: it is held, and Monedero carries none of its payments; then `plan`, `takings` (in a month) and
    `saved_details` (buyers whose details lie there) are what the owner said. `number` is what the provider calls the
    merchant, `leaving` what its contract says of leaving, `endpoint` the end of the address for its notifications.
    """

    id: Identifier = ""
    name: Name | None = None
    provider: Identifier
    mode: Mode
    stage: Stage
    active_methods: list[Identifier]
    other_methods: list[MethodStanding] = []
    since: Day | None = None
    pooled: StrictBool = False
    elsewhere: StrictBool = False
    plan: Identifier | None = None
    takings: MoneyPositive | None = None
    saved_details: Annotated[StrictInt, Field(ge=0, le=10**9)] | None = None
    storefronts: AnyOf[Identifier] | None = None
    leaving: LeavingTerms = LeavingTerms()
    number: Description = ""
    endpoint: Description = ""

    def standing_of(self, method: str) -> MethodStanding | None:
        """Tells where a method stands that is not active; None for one that is active, or is not in the account."""
        return next((entry for entry in self.other_methods if entry.method == method), None)

    def can(self, act: Act) -> bool:
        """True if an act is possible at its stage."""
        return self.stage in CAN[act]

    @model_validator(mode="before")
    @classmethod
    def _named(cls, given: Any) -> Any:
        """The first account with a provider bears its id."""
        return {"id": given.get("provider"), **given} if isinstance(given, dict) else given
