"""Compare: everything that could pay for the order in hand, ranked by what it costs all in, and why others cannot."""

from fractions import Fraction
from typing import Annotated

from fastapi import APIRouter, Query

from monedero.api.compare_schemas import (
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
from monedero.api.problems import PROBLEMS
from monedero.api.rooms import InHand, InHandQuery, RoomDep, sentence
from monedero.core.account import Mode
from monedero.core.cost.all_in import Bearing
from monedero.core.cost.assumed import about
from monedero.core.cost.assumption import Assumption, Unit, value_of
from monedero.core.cost.bands import bands_of
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.method import Method
from monedero.core.money import Money
from monedero.core.numbers import decimal_text
from monedero.core.reasons import Reason
from monedero.figures import assumptions
from monedero.figures.assumptions import card_duties
from monedero.wording import reason_text
from monedero.wording.costs import Case, cost_parts, unknown_parts
from monedero.wording.derivation import derive
from monedero.wording.facts import Known, facts
from monedero.wording.show import exact, percent
from monedero.work.basis import Basis, draft_basis, hand
from monedero.work.candidates import Candidate
from monedero.work.comparing import Comparison, RankedRoute, compare
from monedero.work.month import RouteMonth
from monedero.work.premises import Room
from monedero.work.turning import Turning, turnings

router = APIRouter(prefix="/api", tags=["compare"], responses=PROBLEMS)


def reasons_out(reasons: tuple[Reason, ...], names: dict[str, str]) -> list[ReasonOut]:
    """Reasons with their sentences."""
    return [ReasonOut(code=reason.code.value, text=reason_text(reason, names)) for reason in reasons]


def assumption_out(assumption: Assumption, where: str, chosen: dict[tuple[str, str], str]) -> AssumptionOut:
    """An assumption as it holds for a family, a method or the shop, with where its default comes from."""
    value = value_of(assumption, where, chosen)
    return AssumptionOut(
        id=assumption.id,
        about=where,
        name=assumption.name,
        unit=assumption.unit,
        value=value,
        typed=(assumption.id, where) in chosen,
        source=assumption.source,
    )


class RouteWriter:
    """Turns candidates into routes with their names."""

    def __init__(self, basis: Basis, comparison: Comparison) -> None:
        """Names come from the cards of the day, tenders from the draft."""
        self._tenders = basis.checkout.tenders
        self._cards = comparison.cards
        self._grounds = comparison.grounds
        self.names = {key: card.provider.name for key, card in comparison.cards.items()}

    def route(self, candidate: Candidate) -> RouteOut:
        """A candidate with the names of its parts and the tenders that hold it."""
        route, method = candidate.route, candidate.method
        plans = {plan.id: plan.name for plan in candidate.card.plans} if candidate.card else {}
        if route is not None:
            held = [tender.id for tender in self._tenders if tender.route == route]
        else:
            held = [tender.id for tender in self._tenders if tender.route is None and tender.method == method.id]
        account = self._grounds.accounts.get(route.provider) if route else None
        return RouteOut(
            key=candidate.key,
            route=route,
            method=method.id,
            method_name=method.name,
            family=method.family.value,
            provider_name=self.names[route.provider] if route else "",
            plan_name=plans.get(route.plan, "") if route and len(plans) > 1 else "",
            tenders=held,
            stage=account.stage if account else None,
        )


class _Writer(RouteWriter):
    """Turns a comparison into an answer."""

    def __init__(self, basis: Basis, comparison: Comparison) -> None:
        super().__init__(basis, comparison)
        self.comparison = comparison
        self._books = basis.shop.currency
        self._order = comparison.hand.order

    def _money(self, value: Fraction) -> str:
        return str(Money.rounded(value, self._books))

    def _assumption(self, name: str, method: Method) -> AssumptionOut:
        assumption = assumptions.every()[name]
        return assumption_out(assumption, about(assumption, method), self.comparison.grounds.chosen)

    def ranked(self, entry: RankedRoute) -> RankedOut:
        """A ranked route as a row of the ranking."""
        amount = self.comparison.amount
        bands = bands_of(entry.piece.parts, self._order.amount.exact)
        completes = entry.bearing.assumed.completion_rate
        return RankedOut(
            route=self.route(entry.candidate),
            cost=self._money(entry.cost),
            fee=self._money(entry.fee),
            bands=BandsOut(**{band.value: decimal_text(value, 4) for band, value in bands.items()}),
            effective_percent=percent(entry.cost / amount) if amount else None,
            earns=None if entry.earns is None else self._money(entry.earns),
            completion=None if completes is None else exact(completes * 100),
            facts=self._facts(entry),
            month=self._month(entry.month),
        )

    def _facts(self, entry: RankedRoute) -> list[FactOut]:
        """What is not a price, worded once for orders that differ in their amount alone."""
        key = (entry.candidate.key, self._order.placed_on, entry.arrives_on, entry.reach)
        told = self.comparison.grounds.worded.get(key, lambda: facts(self._known(entry)))
        return [FactOut.model_construct(key=fact.key, text=fact.text, sort=fact.sort) for fact in told]

    def detail(self, entry: RankedRoute) -> RouteDetailOut:
        """Everything that a row of the ranking opens into."""
        candidate = entry.candidate
        case = Case(entry.piece.fee, entry.bearing, self._order.amount.exact, self._books)
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
            unknown=self._unknown(candidate, entry.bearing),
            earns=None if entry.earns is None else self._money(entry.earns),
            completion=self._assumption("completion-rate", candidate.method),
            lost_order=self._assumption("lost-order", candidate.method),
            fee_taken_apart=self._fee(candidate),
        )

    def _unknown(self, candidate: Candidate, bearing: Bearing) -> list[str]:
        return unknown_parts(bearing) if candidate.card else []

    def _fee(self, candidate: Candidate) -> FeeOut | None:
        if candidate.priced is None or candidate.card is None:
            return None
        rates = self.comparison.grounds.rates
        order = (self._order.amount, self._order.placed_on)
        derived = derive(candidate.priced, candidate.card, order, self._books, rates)
        return FeeOut(
            charged=str(candidate.priced.charged),
            rate=derived.rate,
            card_day=candidate.card.valid_from,
            conditions=derived.conditions,
            parts=[FeePartOut(**part._asdict()) for part in derived.parts],
            steps=derived.steps,
        )

    def _known(self, entry: RankedRoute) -> Known:
        candidate, grounds = entry.candidate, self.comparison.grounds
        provider = candidate.route.provider if candidate.route else ""
        held = grounds.providers.get(provider)
        return Known(
            method=candidate.method,
            card=candidate.card,
            facts=held,
            account=grounds.accounts.get(provider),
            placed_on=self._order.placed_on,
            arrives_on=entry.arrives_on,
            reach=entry.reach,
            card_duty=card_duties()[held.card_data.value] if held else "",
            terminal=provider in grounds.shop.terminals,
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
        """What would let another method come first."""
        ranked = self.comparison.ranked
        return TurningsOut(
            first=self.route(ranked[0].candidate) if ranked else None,
            turnings=[self._turning(entry) for entry in turnings(self.comparison)[:3]],
        )

    def _turning(self, turning: Turning) -> TurningOut:
        scale = 100 if turning.assumption.unit is Unit.PERCENT else 1
        return TurningOut(
            assumption=assumption_out(turning.assumption, turning.about, self.comparison.grounds.chosen),
            turns_at=exact(turning.turns_at * scale, 4),
            rival=self.route(turning.rival.candidate),
        )

    def answer(self) -> ComparisonOut:
        """The whole comparison."""
        comparison = self.comparison
        paid = not self._order.nothing_to_pay
        return ComparisonOut(
            mode=Mode.TEST,
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


def _compared(room: Room, asked: InHand) -> _Writer:
    basis = draft_basis(room.store)
    comparison = compare(room.store, hand(basis.shop, sentence(asked, room)), asked.card_kind, asked.card_network)
    return _Writer(basis, comparison)


@router.get("/compare")
def read_comparison(room: RoomDep, asked: InHandQuery) -> ComparisonOut:
    """Everything for the order in hand: ranked by its all-in cost, or with the reasons why not."""
    return _compared(room, asked).answer()


class KeyQuery(InHand):
    """The order in hand, and the key of a route or arrangement."""

    key: str


@router.get("/compare/route")
def read_route(room: RoomDep, asked: Annotated[KeyQuery, Query()]) -> RouteDetailOut:
    """How the cost of one route came about for the order in hand."""
    writer = _compared(room, asked)
    entry = next((entry for entry in writer.comparison.ranked if entry.candidate.key == asked.key), None)
    if entry is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "key", asked.key, {"what": "route for this order"}))
    return writer.detail(entry)


@router.get("/compare/turnings")
def read_turnings(room: RoomDep, asked: InHandQuery) -> TurningsOut:
    """Which assumptions would let another method come first, and from which value on."""
    return _compared(room, asked).turnings()
