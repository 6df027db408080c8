"""A provider as a company: what it is besides its prices.

Source: own design.

>>> ProviderFacts(id="orlenta", name="Orlenta", about="Cards.", contract="all-in-one", review_days=3).excludes
[]
>>> ProviderFacts(id="Orlenta", name="Orlenta", about="Cards.", contract="all-in-one", review_days=3)
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for ProviderFacts
id
  identifier-text [type=identifier-text, input_value='Orlenta', input_type=str]
"""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, StrictBool, StrictInt

from monedero.core.application import Ask
from monedero.core.fields import Day, Description, Identifier, Name, Strict
from monedero.core.web_address import WebAddress


class Contract(StrEnum):
    """True if the provider brings the acquiring contract, or the shop has one of its own."""

    ALL_IN_ONE = "all-in-one"
    OWN_CONTRACT = "own-contract"


class CardData(StrEnum):
    """Names where a buyer's card number is typed, which decides the shop's duty for card data."""

    PROVIDER_PAGE = "provider-page"
    OWN_PAGE = "own-page"
    TERMINAL = "terminal"
    NONE = "none"


class Need(Strict):
    """A method that the provider gives only where another one is there: another account, or another method."""

    method: Identifier
    account: Identifier | None = None
    other_method: Identifier | None = None


class Announced(Strict):
    """A method that the provider has announced, and from when it shall be there."""

    method: Identifier
    from_day: Day | None = None


class ConnectBy(StrEnum):
    """How a shop and its account come together."""

    SIGN_IN = "sign-in"
    CREDENTIALS = "credentials"
    EMAIL = "email"


class CredentialField(Strict):
    """One part of the credentials that a provider gives, and where the shop finds it."""

    id: Identifier
    label: Name
    found_at: Description
    secret: StrictBool = True
    file: StrictBool = False


class PaymentPage(StrEnum):
    """Names where a buyer pays: on the provider's page, or in a form of the provider's within the shop's."""

    OWN_PAGE = "own-page"
    EMBEDDED = "embedded"


class ProviderFacts(Strict):
    """A company that carries payments: what it asks, whom it does not take, what it excludes and unlocks.

    `activation_minutes` pass until a method of an approved account is active; those of `domain_for` also need the
    storefront's domain to be checked. `gateway` is the address of a gateway of the shop's own (None: it is simulated).
    `example`: an invented one, put in to look at.
    """

    id: Identifier
    name: Name
    about: Description
    contract: Contract
    card_data: CardData = CardData.NONE
    review_days: Annotated[StrictInt, Field(ge=0, le=365)]
    asks: list[Ask] = []
    terms_version: Name = "1"
    connects: ConnectBy = ConnectBy.CREDENTIALS
    credentials: list[CredentialField] = []
    payment_page: PaymentPage = PaymentPage.OWN_PAGE
    activation_minutes: Annotated[StrictInt, Field(ge=0, le=10000)] = 0
    domain_for: list[Identifier] = []
    gateway: WebAddress | None = None
    trades_refused: list[Identifier] = []
    excludes: list[Identifier] = []
    needs: list[Need] = []
    unlocks: list[Description] = []
    announced: list[Announced] = []
    example: StrictBool = False
