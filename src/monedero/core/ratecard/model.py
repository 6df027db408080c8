"""A rate card: one provider's plans, rates, extras, events, settlement and terms, as it is read from a file.

Unknown keys are refused, money and percentages are strings, ids are unique, what a rate names exists.

Source: own design, format `monedero/rate-card/1`.

>>> Rate(id="card-any", method="card", when={}, percent="2.9", fixed="0.25 EUR").fixed
Money(minor=25, currency='EUR')
>>> Rate(id="card-any", method="card", when={}, percent="-1")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Rate
percent
  percent-text [type=percent-text, input_value='-1', input_type=str]
"""

import re
from enum import StrEnum
from itertools import pairwise
from typing import Annotated, Literal, Self

from pydantic import Field, PlainValidator, StrictBool, StrictInt, WithJsonSchema, model_validator

from monedero.core.errors import FaultCode, refuse
from monedero.core.fields import (
    AnyOf,
    CountryCode,
    CurrencyCode,
    Day,
    Identifier,
    MoneyText,
    Name,
    Percent,
    Share,
    Strict,
    broken,
    checked,
    country,
    once,
    ordered,
)
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.ratecard.terms import CardSource, Terms

FORMAT = "monedero/rate-card/1"
# More entries than any price list has; every order is held against each of them.
MOST_ENTRIES, MOST_PLANS = 500, 50
PAYOUT = re.compile(r"daily|weekly:(MON|TUE|WED|THU|FRI|SAT|SUN)|monthly:([1-9]|1[0-9]|2[0-8])")


class Origin(StrEnum):
    """Names where the buyer is, seen from the shop and the provider."""

    DOMESTIC = "domestic"
    REGION = "region"
    ABROAD = "abroad"


class Adds(StrEnum):
    """Names costs of the card networks that a rate adds as they are."""

    INTERCHANGE = "interchange"
    SCHEME = "scheme"


def _payout(text: str) -> str:
    if not PAYOUT.fullmatch(text):
        raise refuse(FaultCode.PAYOUT_TEXT, value=text)
    return text


def _calendar(text: str) -> str:
    if text != "TARGET":
        try:
            country(text)
        except Exception as unknown:
            raise refuse(FaultCode.CALENDAR_UNKNOWN, value=text) from unknown
    return text


class Band(Strict):
    """Amounts from `from` (inclusive) to `below` (exclusive)."""

    from_: MoneyText | None = Field(default=None, alias="from")
    below: MoneyText | None = None

    @model_validator(mode="after")
    def _in_sequence(self) -> Self:
        ordered(self.from_, self.below, touching=False)
        return self


class When(Strict):
    """Holds what an order must be for a rate or an extra to fit; every key present must hold."""

    amount: Band | None = None
    monthly_volume: Band | None = None
    currency: AnyOf[CurrencyCode] | None = None
    buyer_country: AnyOf[CountryCode] | None = None
    origin: AnyOf[Origin] | None = None
    card_network: AnyOf[Identifier] | None = None
    card_kind: AnyOf[CardKind] | None = None
    recurring: StrictBool | None = None
    line_kind: AnyOf[LineKind] | None = None
    conversion: StrictBool | None = None


class GraduatedBand(Strict):
    """The percentage up to a monthly volume; the last band has no end."""

    below: MoneyText | None
    percent: Percent


class Rate(Strict):
    """The price of one method for the orders that fit; `adds` are costs of the card networks that come on top."""

    id: Identifier
    method: Identifier
    plans: AnyOf[Identifier] | None = None
    when: When
    adds: AnyOf[Adds] | None = None
    percent: Percent | None = None
    graduated: AnyOf[GraduatedBand] | None = None
    fixed: MoneyText | None = None
    minimum: MoneyText | None = None
    maximum: MoneyText | None = None

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        ordered(self.minimum, self.maximum, touching=True)
        if self.graduated is not None:
            if self.percent is not None:
                raise broken(FaultCode.RATE_TWICE_PRICED, rate=self.id)
            ends = [band.below for band in self.graduated]
            if ends[-1] is not None or any(end is None for end in ends[:-1]):
                raise broken(FaultCode.BANDS_ORDER, rate=self.id)
            for low, high in pairwise(ends[:-1]):
                ordered(low, high, touching=False)
        return self


class Extra(Strict):
    """Holds what comes on top for the orders that fit."""

    id: Identifier
    label: Name
    methods: AnyOf[Identifier] | None = None
    plans: AnyOf[Identifier] | None = None
    when: When
    percent: Percent | None = None
    fixed: MoneyText | None = None


class RefundEvent(Strict):
    """Holds what a refund costs, and how much of the fee comes back."""

    fixed: MoneyText | None = None
    returns: Literal["none", "percent", "all"]


class DisputeEvent(Strict):
    """Holds what a dispute costs."""

    fixed: MoneyText | None = None
    returned_if_won: StrictBool


class FailedEvent(Strict):
    """Holds what a payment that fails later costs."""

    fixed: MoneyText | None = None


class Event(Strict):
    """Prices of what may happen after an order is paid."""

    methods: AnyOf[Identifier] | None = None
    refund: RefundEvent | None = None
    dispute: DisputeEvent | None = None
    failed: FailedEvent | None = None


class Settlement(Strict):
    """When the money of a method arrives."""

    methods: AnyOf[Identifier] | None = None
    business_days: Annotated[StrictInt, Field(ge=0, le=365)]
    calendar: Annotated[
        str,
        PlainValidator(checked(_calendar)),
        WithJsonSchema({"type": "string", "pattern": "^(TARGET|[A-Z]{2})$"}),
    ]
    payout: Annotated[
        str,
        PlainValidator(checked(_payout)),
        WithJsonSchema({"type": "string", "pattern": f"^({PAYOUT.pattern})$"}),
    ]


class Plan(Strict):
    """One of the provider's price plans."""

    id: Identifier
    name: Name
    monthly: MoneyText | None = None
    minimum_monthly: MoneyText | None = None


class Provider(Strict):
    """The company, the countries of its shops, its region, and the currencies in which it pays out."""

    id: Identifier
    name: Name
    countries: AnyOf[CountryCode]
    region: list[CountryCode]
    settles_in: AnyOf[CurrencyCode]


class Route(Strict):
    """One method, by one provider, on one plan."""

    provider: Identifier
    plan: Identifier
    method: Identifier


class RateCard(Strict):
    """A provider's prices and terms from a day on."""

    format: Literal["monedero/rate-card/1"]
    valid_from: Day | None = None
    provider: Provider
    plans: AnyOf[Plan]
    rates: AnyOf[Rate]
    extras: list[Extra] = []
    events: list[Event] = []
    settlement: list[Settlement] = []
    fee_tax_percent: Share | None = None
    terms: Terms | None = None
    source: CardSource | None = None

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        count = len(self.rates) + len(self.extras)
        if count > MOST_ENTRIES or len(self.plans) > MOST_PLANS:
            raise broken(FaultCode.CARD_TOO_LONG, value=count, plans=len(self.plans))
        once((plan.id for plan in self.plans), "plan")
        plans = {plan.id for plan in self.plans}
        methods = {rate.method for rate in self.rates}
        entries: list[Rate | Extra] = [*self.rates, *self.extras]
        once((entry.id for entry in entries), "rate or extra")
        for entry in entries:
            for plan in entry.plans or []:
                if plan not in plans:
                    raise broken(FaultCode.REFERENCE_DANGLING, what="plan", value=plan, where=entry.id)
        naming: list[Extra | Event | Settlement] = [*self.extras, *self.events, *self.settlement]
        for named in naming:
            for method in named.methods or []:
                if method not in methods:
                    raise broken(FaultCode.REFERENCE_DANGLING, what="method", value=method, where="rates")
        return self

    @property
    def routes(self) -> list[Route]:
        """Every method under every plan: by plan, then by method in the sequence in which the rates name them first."""
        methods = dict.fromkeys(rate.method for rate in self.rates)
        return [
            Route(provider=self.provider.id, plan=plan.id, method=method)
            for plan in self.plans
            for method in methods
        ]
