"""Tells what an answer about comparing is made of."""

from datetime import date

from pydantic import BaseModel

from monedero.core.account import Mode, Stage
from monedero.core.cost.assumption import Unit
from monedero.core.ratecard.model import Route


class ReasonOut(BaseModel):
    """A reason: its code, and the sentence."""

    code: str
    text: str


class RouteOut(BaseModel):
    """A route with the names of its parts; without a provider it is an arrangement of the shop's own."""

    key: str
    route: Route | None
    method: str
    method_name: str
    family: str
    provider_name: str
    plan_name: str
    tenders: list[str]
    stage: Stage | None
    can_begin: bool


class AssumptionOut(BaseModel):
    """An assumption as it holds: its value, whether the owner typed it, and where the default comes from."""

    id: str
    about: str
    about_name: str
    name: str
    unit: Unit
    value: str | None
    typed: bool
    source: str


class CostPartOut(BaseModel):
    """A part of an all-in cost, its formula, its exact figure, its share of the rounded cost, what moves it."""

    part: str
    label: str
    formula: str
    exact: str
    amount: str
    assumptions: list[AssumptionOut]


class FeePartOut(BaseModel):
    """A part of a fee, its formula, its exact figure, and its share of the rounded fee."""

    kind: str
    label: str
    formula: str
    exact: str
    amount: str
    conditions: str


class FeeOut(BaseModel):
    """A provider's fee taken apart, down to the rate on its card; `assumptions` are what it adds of card networks."""

    charged: str
    rate: str
    card_day: date | None
    conditions: str
    parts: list[FeePartOut]
    assumptions: list[AssumptionOut]
    steps: list[str]


class FactOut(BaseModel):
    """Holds what is not a price: its key, its text, and what to sort by."""

    key: str
    text: str
    sort: str


class MonthOut(BaseModel):
    """A route over the month's orders that it can carry."""

    orders: str
    amount: str
    fees: str
    cost: str


class BandsOut(BaseModel):
    """A cost in three bands, for drawing: fee and its tax; month and software; risk, work and waiting."""

    fee: str
    month: str
    risk: str


class RankedOut(BaseModel):
    """A route or arrangement for the order in hand, with its cost and what is not a price."""

    route: RouteOut
    cost: str
    fee: str
    bands: BandsOut
    effective_percent: str | None
    earns: str | None
    completion: str | None
    facts: list[FactOut]
    month: MonthOut | None


class RouteDetailOut(BaseModel):
    """How the cost of one route came about: part by part, with what each assumes, and its fee down to the rate."""

    cost: str
    exact_cost: str
    parts: list[CostPartOut]
    unknown: list[str]
    earns: str | None
    completion: AssumptionOut
    lost_order: AssumptionOut
    fee_taken_apart: FeeOut | None


class ShutOut(BaseModel):
    """A route that is not open to this shop or this order, or an arrangement, with every reason against it."""

    route: RouteOut
    reasons: list[ReasonOut]


class TurningOut(BaseModel):
    """An assumption, and the value of it from which a route of another method comes first."""

    assumption: AssumptionOut
    turns_at: str
    rival: RouteOut


class TurningsOut(BaseModel):
    """The first of the ranking, and what would let another method come before it."""

    first: RouteOut | None
    turnings: list[TurningOut]


class ComparisonOut(BaseModel):
    """Everything for the order in hand, money in the shop's currency."""

    mode: Mode
    nothing_to_pay: bool
    currency: str
    rate_cards: int
    month_orders: str
    ranked: list[RankedOut]
    shut: list[ShutOut]


class Exact(BaseModel):
    """An exact number as a fraction, and its decimals; one of more than 40 digits has only these, rounded."""

    exact: str | None
    decimal: str


class StretchOut(BaseModel):
    """From an amount to another one route is cheapest (its key), or none has a price.

    `first` is the first amount in it that a buyer can pay, to the minor unit of the order's currency.
    """

    first: str
    from_amount: Exact
    below: Exact
    route: str | None


class CurveOut(BaseModel):
    """A curve: the cost at each of the amounts, in the shop's currency; null where there is no price."""

    route: RouteOut
    values: list[str | None]
    percents: list[str | None]


class CurvesOut(BaseModel):
    """Curves over amounts in the order's currency, and who is cheapest where."""

    mode: Mode
    currency: str
    order_currency: str
    amounts: list[str]
    curves: list[CurveOut]
    cheapest: list[StretchOut]


class VolumeStretchOut(BaseModel):
    """From a volume a month one plan is cheapest; `from_money` is it rounded to the minor unit."""

    from_amount: Exact
    from_money: str
    plan: str
    plan_name: str


class PlanOut(BaseModel):
    """A plan alone over the month."""

    provider: str
    provider_name: str
    plan: str
    plan_name: str
    carried: str
    not_carried: str
    fees: str
    monthly: str
    shortfall: str
    cost: str
    held: bool


class VolumesOut(BaseModel):
    """Holds which plan is cheapest from which volume, and the shop's own.

    Only plans that carry the same orders are compared; the provider's others stand beside them.
    """

    name: str
    own: str
    own_plan: str
    stretches: list[VolumeStretchOut]
    beside: list[PlanOut]


class OneProviderOut(BaseModel):
    """A plan with all its ways over the month and nothing beside it, by what buyers choose.

    `left` is None where a margin is not known.
    """

    provider: str
    provider_name: str
    plan: str
    plan_name: str
    carried: str
    lost: str
    fees: str
    monthly: str
    shortfall: str
    cost: str
    left: str | None
    held: bool


class PlansOut(BaseModel):
    """Plans and providers over the shop's month."""

    mode: Mode
    currency: str
    source: str
    orders: str
    amount: str
    months: int
    left_out: str
    alone: list[OneProviderOut]
    by_provider: list[VolumesOut]
    software: VolumesOut | None
