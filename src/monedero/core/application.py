"""An application: what one provider asks before it approves a shop, and what of that is still missing.

Source: own design.

>>> missing([Ask.LEGAL, Ask.RETURN_POLICY], Business(facts=["return-policy"]), frozenset(), Application())
[<Ask.LEGAL: 'legal'>]
"""

from collections.abc import Collection, Iterable
from datetime import datetime
from enum import StrEnum

from monedero.core.business import Business, StatedFact
from monedero.core.fields import Description, Identifier, Strict


class Ask(StrEnum):
    """Everything that a provider may ask."""

    LEGAL = "legal"
    PEOPLE = "people"
    PAYOUT_ACCOUNT = "payout-account"
    PHONE = "phone"
    TERMS = "terms"
    # Papers.
    IDENTITY = "identity"
    REGISTER_EXTRACT = "register-extract"
    YEARLY_ACCOUNTS = "yearly-accounts"
    CARD_DATA_ANSWERS = "card-data-answers"
    # These facts stand in public.
    RETURN_POLICY = "return-policy"
    PRIVACY_POLICY = "privacy-policy"
    LINES_LISTED = "lines-listed"
    STOREFRONT_OPEN = "storefront-open"


PAPERS = frozenset({Ask.IDENTITY, Ask.REGISTER_EXTRACT, Ask.YEARLY_ACCOUNTS, Ask.CARD_DATA_ANSWERS})
ALWAYS = (Ask.LEGAL, Ask.PEOPLE, Ask.PAYOUT_ACCOUNT, Ask.PHONE, Ask.TERMS)


class ReviewExchange(Strict):
    """A question of the provider with the answer of the shop, or a refusal with its reason."""

    at: datetime
    said: Description
    refusal: bool = False
    answer: Description = ""


class Application(Strict):
    """An application as far as it is. `reference` is what the provider calls it once it was sent."""

    payout: Identifier | None = None
    phone: Description = ""
    phone_confirmed_at: datetime | None = None
    terms_version: Description = ""
    terms_accepted_at: datetime | None = None
    sent_at: datetime | None = None
    reference: str | None = None
    exchanges: list[ReviewExchange] = []


def missing(
    asks: Iterable[Ask], business: Business, papers: Collection[Ask], application: Application
) -> list[Ask]:
    """Tells what of the asks is not there yet, in their sequence."""
    there = {
        Ask.LEGAL: all((business.legal_name, business.legal_form, business.tax_number, business.address)),
        Ask.PEOPLE: any(person.signs for person in business.people),
        Ask.PAYOUT_ACCOUNT: (application.payout or business.payout) is not None,
        Ask.PHONE: application.phone_confirmed_at is not None,
        Ask.TERMS: application.terms_accepted_at is not None,
        **{paper: paper in papers for paper in PAPERS},
        **{Ask(fact.value): fact in business.facts for fact in StatedFact},
    }
    return [ask for ask in asks if not there[ask]]
