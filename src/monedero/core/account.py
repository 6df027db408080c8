"""An account: the shop's contract with one provider, in one mode, at some stage.

A payment goes through it where it is connected in the mode and its method is active there.

Source: own design.

>>> Account(provider="orlenta", mode="test", stage="connected", active_methods=["card"]).stage.value
'connected'
>>> Account(provider="Orlenta", mode="test", stage="connected", active_methods=[])
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Account
provider
  identifier-text [type=identifier-text, input_value='Orlenta', input_type=str]
"""

from datetime import date
from enum import StrEnum

from monedero.core.fields import Identifier, Strict


class Mode(StrEnum):
    """Test takes no money; live does."""

    TEST = "test"
    LIVE = "live"


class Stage(StrEnum):
    """How far an account is."""

    NOT_BEGUN = "not-begun"
    BEGUN = "begun"
    IN_REVIEW = "in-review"
    REFUSED = "refused"
    CONNECTED = "connected"


class Account(Strict):
    """The shop's contract with one provider; `since` is the day on which it reached its stage."""

    provider: Identifier
    mode: Mode
    stage: Stage
    active_methods: list[Identifier]
    since: date | None = None
