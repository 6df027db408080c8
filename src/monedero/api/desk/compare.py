"""Compare: everything that could pay for the order in hand, ranked by what it costs all in, and why others cannot."""

from datetime import date
from fractions import Fraction
from typing import Annotated

from fastapi import APIRouter, Query

from monedero.api.desk.assumption_views import assumption_out
from monedero.api.desk.compare_schemas import (
    AssumptionOut,
    BandsOut,
    ComparisonOut,
    CostPartOut,
    FactOut,
    FeeOut,
    FeePartOut,
    MonthOut,
    RankedOut,
    ReasonOut,
    RouteDetailOut,
    RouteOut,
    ShutOut,
    TurningOut,
    TurningsOut,
)
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHand, InHandQuery, sentence
from monedero.core.account import Act
from monedero.core.cost.all_in import OtherCosts
from monedero.core.cost.assumed import about
from monedero.core.cost.assumption import Unit
from monedero.core.cost.parts import bands_at
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.method import Method
from monedero.core.money import Money
from monedero.core.numbers import decimal_text
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.ratecard.passed_on import PassedOnRate
from monedero.core.reasons import Reason
from monedero.figures import assumptions, network_costs
from monedero.figures.assumptions import card_duties
from monedero.server.shops import RunningShop
from monedero.wording import reason_text
from monedero.wording.catalogue import language
from monedero.wording.costs import Case, cost_parts, unknown_parts
from monedero.wording.derivation import derive
from monedero.wording.facts import ToldFrom, facts
from monedero.wording.show import exact, percent
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted
from monedero.work.compare.candidates import Candidate
from monedero.work.compare.ranking import Comparison, RankedRoute, cards_of, compare
from monedero.work.compare.turning_points import Turning, turnings
from monedero.work.context import Context
from monedero.work.month.figures import RouteMonth
from monedero.work.prices.inputs import CompareInputs
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(prefix="/api", tags=["compare"], responses=PROBLEMS)


def reasons_out(reasons: tuple[Reason, ...], names: dict[str, str]) -> list[ReasonOut]:
    """Reasons with their sentences."""
    return [ReasonOut(code=reason.code.value, text=reason_text(reason, names)) for reason in reasons]


class RouteWriter:
    """Turns candidates into routes with their names."""

    def __init__(self, snapshot: CheckoutSnapshot, inputs: CompareInputs, day: date) -> None:
        """Names come from the cards of the day, tenders from the draft."""
        self._tenders: dict[Route | str, list[str]] = {}
        for tender in snapshot.checkout.tenders:
            self._tenders.setdefault(tender.route or tender.method, []).append(tender.id)
        self._inputs = inputs
        self.names = {key: card.provider.name for key, card in cards_of(inputs, day).items()}

    def route(self, candidate: Candidate) -> RouteOut:
        """A candidate with the names of its parts and the tenders that hold it."""
        route, method = candidate.route, candidate.method
        plans = {plan.id: plan.name for plan in candidate.card.plans} if candidate.card else {}
        account = self._inputs.accounts.get(route.provider) if route else None
        return RouteOut(
            key=candidate.key,
            route=route,
            method=method.id,
            method_name=method.name,
            family=method.family.value,
            provider_name=self.names[route.provider] if route else "",
            plan_name=plans.get(route.plan, "") if route and len(plans) > 1 else "",
            tenders=self._tenders.get(route or method.id, []),
            stage=account.stage if account else None,
            can_begin=route is not None and (account is None or account.can(Act.BEGIN)),
        )


class _Writer(RouteWriter):
    """Turns a comparison into an answer."""

    def __init__(self, snapshot: CheckoutSnapshot, comparison: Comparison) -> None:
        super().__init__(snapshot, comparison.inputs, comparison.hand.order.placed_on)
        self.comparison = comparison
        self._books = snapshot.shop.currency
        self._order = comparison.hand.order

    def _money(self, value: Fraction) -> str:
        return str(Money.rounded(value, self._books))

    def _assumption(self, name: str, method: Method) -> AssumptionOut:
        assumption = assumptions.every()[name]
        return assumption_out(assumption, about(assumption, method), self.comparison.inputs)

    def ranked(self, entry: RankedRoute) -> RankedOut:
        """A ranked route as a row of the ranking."""
        amount = self.comparison.amount
        bands = bands_at(entry.piece.bands, self._order.amount.exact)
        completes = entry.other_costs.assumed.completion_rate
        return RankedOut(
            route=self.route(entry.candidate),
            cost=self._money(entry.cost),
            fee=self._money(entry.fee),
            bands=BandsOut(**{band.value: decimal_text(value, 4) for band, value in bands.items()}),
            effective_percent=percent(entry.cost / amount) if amount else None,
            earns=None if entry.earns is None else self._money(entry.earns),
            completion=None if completes is None else exact(completes * 100),
            facts=self._facts(entry),
            month=self.comparison.inputs.worded.get(
                ("month", entry.candidate.key, self._order.placed_on), lambda: self._month(entry.month)
            ),
        )

    def _facts(self, entry: RankedRoute) -> list[FactOut]:
        """Tells what is not a price, worded once for orders that differ in their amount alone."""
        key = (entry.candidate.key, self._order.placed_on, entry.arrives_on, entry.reach)
        told: list[FactOut] = self.comparison.inputs.worded.get((language(), *key), lambda: self._told(entry))
        return told

    def _told(self, entry: RankedRoute) -> list[FactOut]:
        return [FactOut(key=fact.key, text=fact.text, sort=fact.sort) for fact in facts(self._known(entry))]

    def detail(self, entry: RankedRoute) -> RouteDetailOut:
        """Everything that a row of the ranking opens into."""
        candidate = entry.candidate
        case = Case(entry.piece.fee, entry.other_costs, self._order.amount.exact, self._books)
        return RouteDetailOut(
            cost=self._money(entry.cost),
            exact_cost=f"{exact(entry.cost)} {self._books}",
            parts=[
                CostPartOut(
                    part=part.part.value,
                    label=part.label,
                    formula=part.formula,
                    exact=part.exact,
                    amount=part.amount,
                    assumptions=[self._assumption(name, candidate.method) for name in part.moved_by],
                )
                for part in cost_parts(case)
            ],
            unknown=self._unknown(candidate, entry.other_costs),
            earns=None if entry.earns is None else self._money(entry.earns),
            completion=self._assumption("completion-rate", candidate.method),
            lost_order=self._assumption("lost-order", candidate.method),
            fee_taken_apart=self._fee(candidate, entry.paid),
        )

    def _unknown(self, candidate: Candidate, other_costs: OtherCosts) -> list[str]:
        return unknown_parts(other_costs) if candidate.card else []

    def _fee(self, candidate: Candidate, paid: Money) -> FeeOut | None:
        if candidate.priced is None or candidate.card is None:
            return None
        rates = self.comparison.inputs.rates
        order = (paid, self._order.placed_on)
        derived = derive(candidate.priced, candidate.card, order, self._books, rates)
        return FeeOut(
            charged=str(candidate.priced.charged),
            rate=derived.rate,
            card_day=candidate.card.valid_from,
            conditions=derived.conditions,
            parts=[FeePartOut(**part._asdict()) for part in derived.parts],
            assumptions=self._added(candidate.card, candidate.priced.rate),
            steps=derived.steps,
        )

    def _added(self, card: RateCard, rate: str) -> list[AssumptionOut]:
        """Costs of the card networks that a rate adds, each as it holds."""
        inputs = self.comparison.inputs
        known = network_costs.every(inputs.shop.country)
        entry = next((entry for entry in card.rates if entry.id == rate), None)
        if not isinstance(entry, PassedOnRate):
            return []
        return [
            assumption_out(known[name], about, inputs)
            for name, about in network_costs.named(entry.case, entry.of.adds or ())
        ]

    def _known(self, entry: RankedRoute) -> ToldFrom:
        candidate, inputs = entry.candidate, self.comparison.inputs
        provider = candidate.route.provider if candidate.route else ""
        facts = inputs.providers.get(provider)
        return ToldFrom(
            method=candidate.method,
            card=candidate.card,
            facts=facts,
            account=inputs.accounts.get(provider),
            placed_on=self._order.placed_on,
            arrives_on=entry.arrives_on,
            reach=entry.reach,
            card_duty=card_duties()[facts.card_data.value] if facts else "",
            terminal=provider in inputs.shop.terminals,
        )

    def _month(self, month: RouteMonth | None) -> MonthOut | None:
        if month is None:
            return None
        return MonthOut(
            orders=exact(month.orders, 2),
            amount=self._money(month.amount),
            fees=self._money(month.fees),
            cost=self._money(month.cost),
        )

    def turnings(self) -> TurningsOut:
        """Tells what would let another method come first."""
        ranked = self.comparison.ranked
        return TurningsOut(
            first=self.route(ranked[0].candidate) if ranked else None,
            turnings=[self._turning(entry) for entry in turnings(self.comparison)[:3]],
        )

    def _turning(self, turning: Turning) -> TurningOut:
        scale = 100 if turning.assumption.unit is Unit.PERCENT else 1
        return TurningOut(
            assumption=assumption_out(turning.assumption, turning.about, self.comparison.inputs),
            turns_at=exact(turning.turns_at * scale, 4),
            rival=self.route(turning.rival.candidate),
        )

    def answer(self) -> ComparisonOut:
        """The whole comparison."""
        comparison = self.comparison
        paid = not self._order.nothing_to_pay
        return ComparisonOut(
            mode=comparison.inputs.mode,
            nothing_to_pay=not paid,
            currency=self._books,
            rate_cards=len(comparison.cards),
            month_orders=exact(comparison.month.orders, 2),
            ranked=[self.ranked(entry) for entry in comparison.ranked] if paid else [],
            shut=[
                ShutOut(route=self.route(entry.candidate), reasons=reasons_out(entry.reasons, self.names))
                for entry in (comparison.shut if paid else [])
            ],
        )


def _compared(running: RunningShop, context: Context, asked: InHand) -> _Writer:
    snapshot = drafted(context)
    comparison = compare(
        context, order_in_hand(snapshot.shop, sentence(asked, running)), snapshot.checkout.tenders
    )
    return _Writer(snapshot, comparison)


@router.get("/compare")
def read_comparison(running: RunningDep, context: ContextDep, asked: InHandQuery) -> ComparisonOut:
    """Everything for the order in hand: ranked by its all-in cost, or with the reasons why not."""
    return _compared(running, context, asked).answer()


class KeyQuery(InHand):
    """The order in hand, and the key of a route or arrangement."""

    key: str


@router.get("/compare/route")
def read_route(running: RunningDep, context: ContextDep, asked: Annotated[KeyQuery, Query()]) -> RouteDetailOut:
    """How the cost of one route came about for the order in hand."""
    writer = _compared(running, context, asked)
    entry = next((entry for entry in writer.comparison.ranked if entry.candidate.key == asked.key), None)
    if entry is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "key", asked.key, {"what": "route for this order"}))
    return writer.detail(entry)


@router.get("/compare/turnings")
def read_turnings(running: RunningDep, context: ContextDep, asked: InHandQuery) -> TurningsOut:
    """Tells which assumptions would let another method come first, and from which value on."""
    return _compared(running, context, asked).turnings()
