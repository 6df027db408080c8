"""The amount ruler's curves, and plans and providers over the month."""

from fractions import Fraction
from typing import Annotated, Literal

from fastapi import APIRouter, Query

from monedero.api.desk.compare import RouteWriter
from monedero.api.desk.compare_schemas import (
    CurveOut,
    CurvesOut,
    Exact,
    OneProviderOut,
    PlanOut,
    PlansOut,
    StretchOut,
    VolumesOut,
    VolumeStretchOut,
)
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHand, sentence
from monedero.core.as_typed import amount_of
from monedero.core.best_set.month import SetMonth
from monedero.core.columns.month import PlanMonth
from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.core.fields import positive
from monedero.core.money import Money, minor_units
from monedero.core.numbers import decimal_text, short_text
from monedero.wording.show import exact
from monedero.work.checkout.checkout_snapshot import drafted
from monedero.work.compare.candidates import in_question
from monedero.work.compare.curves import DIGITS, curves
from monedero.work.month.plans import PlansAndProviders, Volumes, plans_and_providers
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(prefix="/api", tags=["compare"], responses=PROBLEMS)


class RulerQuery(InHand):
    """The order in hand, the ends of the ruler in its currency, and what the curves are of."""

    low: str
    high: str
    of: Literal["all-in", "fees"] = "all-in"


def exact_out(value: Fraction, currency: str) -> Exact:
    """An exact number with its decimals; a long one is an amount rounded to its currency's minor unit."""
    text = short_text(value)
    decimal = decimal_text(value) if text else Money.rounded(value, currency).amount
    return Exact(exact=text, decimal=decimal)


@router.get("/compare/curves")
def read_curves(running: RunningDep, context: ContextDep, asked: Annotated[RulerQuery, Query()]) -> CurvesOut:
    """The cost of every open route over the ruler, and the cheapest one for every amount."""
    snapshot = drafted(context)
    order = order_in_hand(snapshot.shop, sentence(asked, running))
    low, high = (positive(amount_of(end, asked.currency), end) for end in (asked.low, asked.high))
    if high.minor <= low.minor:
        raise InvalidInput(
            Fault(FaultCode.LIMITS_CROSSED, "high", str(high), {"low": str(low), "high": str(high)})
        )
    question = in_question(context, order, snapshot.checkout.tenders)
    drawn = curves(context, question, low, high, all_in_costs=asked.of == "all-in")
    writer = RouteWriter(snapshot, question.inputs, question.day)
    to_books, units = question.to_books or Fraction(1), minor_units(asked.currency)
    shares = [Fraction(units, minor) / to_books for minor in drawn.amounts]
    over = 10**DIGITS
    return CurvesOut(
        mode=context.mode,
        currency=snapshot.shop.currency,
        order_currency=asked.currency,
        amounts=[Money(minor, asked.currency).amount for minor in drawn.amounts],
        curves=[
            CurveOut(
                route=writer.route(candidate),
                values=[
                    None if value is None else decimal_text(Fraction(value, over), DIGITS) for value in values
                ],
                percents=[
                    None if value is None else decimal_text(Fraction(value, over) * share * 100, 3)
                    for value, share in zip(values, shares, strict=True)
                ],
            )
            for candidate, values in zip(drawn.candidates, drawn.readings, strict=True)
        ],
        cheapest=[
            StretchOut(
                first=Money.not_below(stretch.from_, asked.currency).amount,
                from_amount=exact_out(stretch.from_, asked.currency),
                below=exact_out(stretch.below, asked.currency),
                route=None if stretch.curve is None else drawn.candidates[stretch.curve].key,
            )
            for stretch in drawn.cheapest
        ],
    )


class _Plans:
    """Turns plans and providers into an answer."""

    def __init__(self, found: PlansAndProviders) -> None:
        self._found = found
        self._books = found.inputs.shop.currency

    def money(self, value: Fraction) -> str:
        return str(Money.rounded(value, self._books))

    def _name(self, plan: str) -> str:
        return self._found.plans[plan][1].name

    def plan(self, month: PlanMonth) -> PlanOut:
        card, plan = self._found.plans[month.plan]
        return PlanOut(
            provider=card.provider.id,
            provider_name=card.provider.name,
            plan=plan.id,
            plan_name=plan.name if len(card.plans) > 1 else "",
            carried=exact(month.carried, 2),
            not_carried=exact(self._found.month.orders - month.carried, 2),
            fees=self.money(month.fees),
            monthly=self.money(month.monthly),
            shortfall=self.money(month.shortfall),
            cost=self.money(month.cost),
            held=card.provider.id in self._found.inputs.holding.accounts,
        )

    def one(self, month: SetMonth) -> OneProviderOut:
        card, plan = self._found.plans[month.chosen.plans[0]]
        return OneProviderOut(
            provider=card.provider.id,
            provider_name=card.provider.name,
            plan=plan.id,
            plan_name=plan.name if len(card.plans) > 1 else "",
            carried=decimal_text(month.carried, 1),
            lost=decimal_text(month.lost, 1),
            fees=self.money(month.fees),
            monthly=self.money(month.monthly),
            shortfall=self.money(month.shortfall),
            cost=self.money(month.cost),
            left=None if month.left is None else self.money(month.left),
            held=card.provider.id in self._found.inputs.holding.accounts,
        )

    def volumes(self, name: str, by_volume: Volumes, names: dict[str, str]) -> VolumesOut:
        stretches = [stretch for stretch in by_volume.cheapest if stretch.curve is not None]
        starts = [stretch.from_ for stretch in stretches]
        own = next(
            (
                by_volume.plans[stretch.curve or 0]
                for stretch in stretches
                if stretch.from_ <= by_volume.own < stretch.below
            ),
            "",
        )
        return VolumesOut(
            name=name,
            own=self.money(by_volume.own),
            own_plan=names.get(own, ""),
            stretches=[
                VolumeStretchOut(
                    from_amount=exact_out(start, self._books),
                    from_money=self.money(start),
                    plan=by_volume.plans[stretch.curve or 0],
                    plan_name=names[by_volume.plans[stretch.curve or 0]],
                )
                for stretch, start in zip(stretches, [Fraction(0), *starts[1:]], strict=True)
            ],
            beside=[self.plan(month) for month in by_volume.beside],
        )

    def answer(self) -> PlansOut:
        found, software = self._found, self._found.inputs.shop.software
        return PlansOut(
            mode=found.inputs.mode,
            currency=self._books,
            source=found.month.source.value,
            orders=exact(found.month.orders, 2),
            amount=self.money(found.month.amount),
            months=found.month.months,
            left_out=exact(found.month.left_out, 2),
            alone=[self.one(month) for month in found.alone],
            by_provider=[
                self.volumes(
                    found.cards[provider].provider.name,
                    by_volume,
                    {plan: self._name(plan) for plan in by_volume.plans},
                )
                for provider, by_volume in found.by_provider.items()
            ],
            software=self.volumes(software.name, found.software, {plan.id: plan.name for plan in software.plans})
            if software and found.software
            else None,
        )


@router.get("/compare/plans")
def read_plans(running: RunningDep, context: ContextDep) -> PlansOut:
    """Plans by volume, and each provider alone over the month."""
    return _Plans(plans_and_providers(context, running.clock.now().date())).answer()
