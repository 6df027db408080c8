"""The shop: its country, the currency of its books, its markets and its lines.

A market is a country with a currency, and a country may stand in several; a line is of one of five kinds. Ids are
unique, and names too.

Source: own design.

>>> Market(id="es-eur", country="ES", currency="EUR", share="35").share
Decimal('35')
>>> Line(id="chart", name="Star chart", kind="goods", usual_amount="24.5555 EUR", recurring=False)
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Line
usual_amount
  amount-decimals [type=amount-decimals, input_value='24.5555 EUR', input_type=str]
"""

from fractions import Fraction
from typing import Annotated, Self

from pydantic import Field, StrictBool, StrictInt, model_validator

from monedero.core.chosen_amount import ChosenAmount
from monedero.core.delivery.model import CustomerGroup, Delivery, Grams
from monedero.core.errors import FaultCode
from monedero.core.fields import (
    AnyOf,
    CountryCode,
    CurrencyCode,
    Identifier,
    MoneyPositive,
    MoneyText,
    Name,
    Percent,
    Quantity,
    Share,
    Strict,
    broken,
    known,
    once,
    ordered,
)
from monedero.core.language import Language, OtherNames
from monedero.core.method import Method
from monedero.core.order.area import Area
from monedero.core.order.kinds import LineKind
from monedero.core.paid_later import Deposit
from monedero.core.papers.arrangement import Arrangements
from monedero.core.web_address import DomainName
from monedero.core.words.folded import folded


class Market(Strict):
    """A country that buyers come from with a currency, and their share of orders in percent."""

    id: Identifier
    country: CountryCode
    currency: CurrencyCode
    share: Share


class Line(Strict):
    """Something sold; `names` are its names in the other languages of the shop.

    `margin` is in percent of the amount; `delivery_days` is None where nothing is delivered.

    `deliveries` are the ways of delivery that it may go, by their ids (None: it is not delivered). One that
    `sells_voucher` gives its buyer a voucher over what was paid for it. `chosen` is what its buyer may choose the
    amount between (None: the buyer does not choose it). `deposit` is what of a booking is paid when it is made, the
    rest on the day (None: all of it when it is made). `highest` is the most that an order of the usual amount may come
    to, where that is known only when the goods go out (None: it is known when it is ordered).
    """

    id: Identifier
    name: Name
    names: OtherNames = {}
    kind: LineKind
    usual_amount: MoneyPositive
    recurring: StrictBool
    margin: Share | None = None
    delivery_days: Annotated[StrictInt, Field(ge=0, le=365)] | None = None
    deliveries: AnyOf[Identifier] | None = None
    weight_grams: Grams | None = None
    sells_voucher: StrictBool = False
    chosen: ChosenAmount | None = None
    deposit: Deposit | None = None
    highest: MoneyPositive | None = None

    @model_validator(mode="after")
    def _usual_between(self) -> Self:
        if self.chosen is not None:
            ordered(self.chosen.from_, self.usual_amount, touching=True)
            ordered(self.usual_amount, self.chosen.to, touching=True)
        return self

    @model_validator(mode="after")
    def _paid_later(self) -> Self:
        once_only = not self.recurring and not self.sells_voucher
        if self.deposit is not None and not (self.kind is LineKind.BOOKING and once_only):
            raise broken(FaultCode.DEPOSIT_LINE, where=self.name)
        if self.highest is not None:
            ordered(self.usual_amount, self.highest, touching=True)
            if not (self.kind is LineKind.GOODS and once_only and self.chosen is None):
                raise broken(FaultCode.WEIGHED_LINE, where=self.name)
        return self


class Storefront(Strict):
    """One place where the shop sells; a counter or an order form on somebody else's site has no domain of its own.

    Accounts know it by its id, which stays when it is named anew.
    """

    id: Identifier
    name: Name
    domain: DomainName | None = None


WEB_SHOP = Storefront(id="web-shop", name="Web shop")
"""The storefront of a shop that names none."""


class TypedRate(Strict):
    """A reference rate that the owner typed: units of a currency for one euro."""

    currency: CurrencyCode
    per_euro: Quantity


class SoftwarePlan(Strict):
    """A plan of the software under the storefront: its month, and its own fee on every order."""

    id: Identifier
    name: Name
    monthly: MoneyText | None = None
    percent: Percent | None = None
    fixed: MoneyText | None = None


class Software(Strict):
    """The software under the storefront. It takes no fee of its own on the routes of `waived` providers.

    Where `allows` is given, it works with no other provider.
    """

    name: Name
    plan: Identifier
    plans: AnyOf[SoftwarePlan]
    waived: list[Identifier] = []
    allows: AnyOf[Identifier] | None = None

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        once((plan.id for plan in self.plans), "plan")
        if self.plan not in {plan.id for plan in self.plans}:
            raise broken(FaultCode.REFERENCE_DANGLING, what="plan", value=self.plan, where=self.name)
        return self

    @property
    def held(self) -> SoftwarePlan:
        """The plan that the shop is on."""
        return next(plan for plan in self.plans if plan.id == self.plan)


class OwnMethod(Strict):
    """A method of the shop's own with what it costs an order: a local phone transfer, a meal voucher."""

    method: Method
    percent: Percent | None = None
    fixed: MoneyText | None = None
    business_days: Annotated[StrictInt, Field(ge=0, le=365)] = 0


class Shop(Strict):
    """The merchant's business.

    `takings` is what its accounts take in a month, for prices that depend on it; `terminals` are the providers whose
    terminal it holds; `trade` is what providers may refuse. The first of its languages is the one that buyers read
    where another lacks a text. `arrangements` is what its own arrangements tell buyers.
    """

    name: Name
    country: CountryCode
    currency: CurrencyCode
    markets: list[Market] = []
    lines: list[Line] = []
    typed_rates: list[TypedRate] = []
    takings: MoneyPositive | None = None
    trade: Identifier | None = None
    terminals: list[Identifier] = []
    software: Software | None = None
    own_methods: list[OwnMethod] = []
    storefronts: AnyOf[Storefront] = [WEB_SHOP]
    languages: AnyOf[Language] = ["en"]
    customer_groups: list[CustomerGroup] = []
    deliveries: list[Delivery] = []
    areas: list[Area] = []
    arrangements: Arrangements = Arrangements()

    @model_validator(mode="after")
    def _unique(self) -> Self:
        once((f"{market.country} {market.currency}" for market in self.markets), "market")
        once((market.id for market in self.markets), "market id")
        once((line.id for line in self.lines), "line id")
        once((storefront.id for storefront in self.storefronts), "storefront id")
        once((storefront.name.casefold() for storefront in self.storefronts), "storefront")
        once((own.method.id for own in self.own_methods), "method id")
        once((own.method.name.casefold() for own in self.own_methods), "method")
        once((rate.currency for rate in self.typed_rates), "typed rate")
        once(self.languages, "language")
        for what, things in (
            ("customer group", self.customer_groups),
            ("way of delivery", self.deliveries),
            ("area", self.areas),
        ):
            once((thing.id for thing in things), f"{what} id")
            once((thing.name.casefold() for thing in things), what)
        for what, named in (("line", self.lines), ("way of delivery", self.deliveries)):
            # A language in which nothing has a name of its own reads like the first.
            for language in dict.fromkeys(("", *(tag for thing in named for tag in thing.names))):
                once((folded(thing.names.get(language, thing.name)) for thing in named), what)
        deliveries, areas = {way.id for way in self.deliveries}, {area.id for area in self.areas}
        for line in self.lines:
            known(line.deliveries or [], deliveries, "way of delivery", line.name)
        for way in self.deliveries:
            known(way.area_ids, areas, "area", way.name)
        for rate in self.typed_rates:
            if not rate.per_euro:
                raise broken(FaultCode.AMOUNT_ZERO, currency=rate.currency)
        return self

    @property
    def weighed(self) -> frozenset[str]:
        """The lines, by their ids, of which it is known only when they go out what they come to."""
        return frozenset(line.id for line in self.lines if line.highest is not None)

    @property
    def due_before(self) -> frozenset[str]:
        """The lines, by their ids, of which a deposit is paid before the day."""
        return frozenset(line.id for line in self.lines if line.deposit and not line.deposit.nothing_now)

    @property
    def typed(self) -> dict[str, Fraction]:
        """The typed rates as units of a currency for one euro."""
        return {rate.currency: Fraction(rate.per_euro) for rate in self.typed_rates}

    def storefront(self, id: str) -> Storefront | None:
        """A storefront by its id."""
        return next((storefront for storefront in self.storefronts if storefront.id == id), None)
