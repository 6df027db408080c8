"""Tells what a line of a price list can mean.

Source: own design.

>>> Facets(methods=("card",), origins=("domestic",)).narrows
True
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from decimal import Decimal
from typing import Literal

from monedero.core.money import Money
from monedero.formats.price_text.unread import NotRead


@dataclass(frozen=True, slots=True)
class Ends:
    """A band of amounts: from `from_` (inclusive) to `below` (exclusive)."""

    from_: Money | None = None
    below: Money | None = None


@dataclass(frozen=True, slots=True)
class Facets:
    """Holds what a line says of the orders that it is for; what it does not say is empty."""

    methods: tuple[str, ...] = ()
    card_kinds: tuple[str, ...] = ()
    origins: tuple[str, ...] = ()
    countries: tuple[str, ...] = ()
    networks: tuple[str, ...] = ()
    line_kinds: tuple[str, ...] = ()
    currencies: tuple[str, ...] = ()
    plans: tuple[str, ...] = ()
    recurring: bool | None = None
    conversion: bool | None = None
    volume: Ends | None = None
    amount: Ends | None = None
    every_plan: bool = False
    rest: bool = False
    adds: bool = False

    @property
    def narrows(self) -> bool:
        """True if it is about some orders only."""
        parts = (self.card_kinds, self.origins, self.countries, self.networks, self.line_kinds, self.currencies)
        return any(parts) or self.recurring is not None

    @property
    def about_cards(self) -> bool:
        """True if it names what only cards have."""
        return bool(self.card_kinds or self.networks or self.adds)


@dataclass(frozen=True, slots=True)
class Price:
    """A percentage, a fixed amount, and the least and the most of both.

    `graduated` are percentages for each part of a month, up to its end; `adds` are costs of the card networks.
    """

    percent: Decimal | None = None
    fixed: Money | None = None
    minimum: Money | None = None
    maximum: Money | None = None
    graduated: tuple[tuple[Money | None, Decimal], ...] = ()
    adds: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Heading:
    """A line without figures; where all of it is understood, the lines below it are about that."""

    facets: Facets | None


@dataclass(frozen=True, slots=True)
class PlanLine:
    """The lines below are of this plan."""

    name: str
    monthly: Money | None = None
    minimum_monthly: Money | None = None


@dataclass(frozen=True, slots=True)
class MonthlyLine:
    """Holds what the plan costs in a month, or the least that its fees come to."""

    monthly: Money | None = None
    minimum_monthly: Money | None = None


@dataclass(frozen=True, slots=True)
class RateLine:
    """The price of a method; `first` says that the owner has it go before those that it crosses."""

    facets: Facets
    price: Price
    first: bool = False


@dataclass(frozen=True, slots=True)
class ExtraLine:
    """Holds what comes on top."""

    facets: Facets
    price: Price
    label: str


@dataclass(frozen=True, slots=True)
class EventLine:
    """Holds what a dispute, a refund or a failed debit costs; `returns` is of a refund, `if_won` of a dispute."""

    what: str
    methods: tuple[str, ...]
    fixed: Money | None
    returns: str = "none"
    if_won: bool = False


@dataclass(frozen=True, slots=True)
class SettlementLine:
    """When the money arrives; what the line does not say is None."""

    methods: tuple[str, ...]
    business_days: int | None
    payout: str | None


@dataclass(frozen=True, slots=True)
class TermLine:
    """Terms of contract, by their keys on a rate card."""

    terms: Mapping[str, object] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class TaxLine:
    """The tax on the provider's fees."""

    percent: Decimal


@dataclass(frozen=True, slots=True)
class ProviderLine:
    """Countries of the provider's shops, countries that it calls European, or currencies in which it pays out."""

    shops: tuple[str, ...] = ()
    region: tuple[str, ...] = ()
    settles_in: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class NoPrice:
    """A line of which the owner said that it is no price."""


Meaning = (
    Heading
    | PlanLine
    | MonthlyLine
    | RateLine
    | ExtraLine
    | EventLine
    | SettlementLine
    | TermLine
    | TaxLine
    | ProviderLine
    | NoPrice
)


@dataclass(frozen=True, slots=True)
class ReadLine:
    """A line of the text: what it means, or why it is not read.

    `entries` are the ids of the rates and extras that it became; `overlaps` is another line that is about some of the
    same orders, and goes before this one for them; where neither is the narrower one, the line `asks` which goes
    first. A blank line has neither meaning nor reason.
    """

    number: int
    text: str
    meaning: Meaning | None = None
    unread: NotRead | None = None
    entries: tuple[str, ...] = ()
    overlaps: int | None = None
    asks: bool = False


@dataclass(frozen=True, slots=True)
class Correction:
    """Holds what the owner says that a line means, in the place of what was read; None leaves it as it was read.

    With methods, words that nobody knows are passed over. `band` says whether ends are of one order's amount or of a
    month's volume; `first` has a price go before those that it crosses.
    """

    methods: tuple[str, ...] | None = None
    card_kinds: tuple[str, ...] | None = None
    origins: tuple[str, ...] | None = None
    plan: str | None = None
    band: Literal["amount", "volume"] | None = None
    no_price: bool = False
    first: bool = False
