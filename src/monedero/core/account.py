"""An account: the shop's contract with one provider, in one mode, at some stage.

A payment goes through it where it is connected in the mode, serves the storefront, and its method is active there.
A provider may be held twice; the first account bears the provider's own id.

Source: own design.

>>> Account(provider="orlenta", mode="test", stage="connected", active_methods=["card"]).id
'orlenta'
>>> Account(id="orlenta", provider="Orlenta", mode="test", stage="connected", active_methods=[])
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Account
provider
  identifier-text [type=identifier-text, input_value='Orlenta', input_type=str]
"""

from datetime import date, datetime
from enum import StrEnum
from typing import Any

from pydantic import StrictBool, model_validator

from monedero.core.fields import AnyOf, Description, Identifier, Name, Strict


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


class Standing(StrEnum):
    """Where a method stands at the provider, where it is not active."""

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


class Account(Strict):
    """The shop's contract with one provider; `since` is the day on which it reached its stage.

    `storefronts` by their ids; None: it serves all of them. `pooled`: an account of the shop's software, not its own.
    `number` is what the provider calls the merchant, `endpoint` the end of the address for its notifications.
    """

    id: Identifier = ""
    name: Name | None = None
    provider: Identifier
    mode: Mode
    stage: Stage
    active_methods: list[Identifier]
    other_methods: list[MethodStanding] = []
    since: date | None = None
    pooled: StrictBool = False
    storefronts: AnyOf[Identifier] | None = None
    number: Description = ""
    endpoint: Description = ""

    @model_validator(mode="before")
    @classmethod
    def _named(cls, given: Any) -> Any:
        """The first account with a provider bears its id."""
        return {"id": given.get("provider"), **given} if isinstance(given, dict) else given
