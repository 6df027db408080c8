"""Plans and providers: which plan is cheaper from which volume a month, each provider alone, and the cheapest mix."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from fractions import Fraction
from math import ceil

from monedero.core.columns.carried import carried, limits_in
from monedero.core.columns.fees import Asking, FeeColumns
from monedero.core.columns.month import Month, Plan, PlanMonth
from monedero.core.cost.assumed import ZERO
from monedero.core.cost.volume import Step, plan_curve
from monedero.core.curve.envelope import Stretch, envelope
from monedero.core.curve.pieces import Curve, Piece
from monedero.core.money import Money, minor_units
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import Extra, Rate, RateCard
from monedero.store import Store
from monedero.work.bearing import in_books, software_fee
from monedero.work.grounds import Grounds, grounds_of
from monedero.work.month import (
    DETAILS,
    MonthFigures,
    MonthRows,
    mix_of,
    month_of,
    plans_by_provider,
    rows_of,
)

# How many times the shop's own volume the comparison of plans reaches.
BEYOND = 20


@dataclass(frozen=True, slots=True)
class Volumes:
    """The month's cost of several plans for every volume, and which is cheapest where."""

    plans: Sequence[str]
    curves: Sequence[Curve]
    cheapest: Sequence[Stretch]
    own: Fraction


@dataclass(frozen=True, slots=True)
class PlansAndProviders:
    """Everything about plans over the month; `alone` is from the one that carries most and costs least."""

    grounds: Grounds
    month: MonthFigures
    cards: Mapping[str, RateCard]
    by_provider: Mapping[str, Volumes]
    alone: Sequence[PlanMonth]
    mix: PlanMonth
    software: Volumes | None


def one_instead_of_mix(found: PlansAndProviders) -> Fraction | None:
    """What having the best one provider costs over the mix; None where none alone carries as many orders."""
    best = found.alone[0] if found.alone else None
    return best.cost - found.mix.cost if best and best.carried == found.mix.carried else None


def plans_and_providers(store: Store, day: date) -> PlansAndProviders:
    """Compare the plans of every provider, the providers, and the plans of the shop's software."""
    grounds, month, rows = grounds_of(store), month_of(store, day), rows_of(store, day)
    cards = {pricer.card.provider.id: pricer.card for pricer in grounds.catalogue.pricers(day)}
    by_provider = {}
    for plans in plans_by_provider(grounds, day):
        provider = plans[0].id.partition("/")[0]
        held = _volumes(rows, cards[provider], plans, month, day)
        if held is not None:
            by_provider[provider] = held
    return PlansAndProviders(
        grounds=grounds,
        month=month,
        cards=cards,
        by_provider=by_provider,
        alone=sorted(month.plans.values(), key=lambda plan: (-plan.carried, plan.cost)),
        mix=mix_of(store, day),
        software=_software(grounds, month, day),
    )


def _volumes(
    rows: MonthRows, card: RateCard, plans: Sequence[Plan], month: MonthFigures, day: date
) -> Volumes | None:
    """The plans of a provider over the volume that it would carry; None where it carries nothing."""
    own = max((month.plans[plan.id].amount for plan in plans), default=ZERO)
    if not own:
        return None
    edges = sorted({ZERO, *_volume_edges(rows.grounds, card, day)})
    steps: dict[str, list[Step]] = {plan.id: [] for plan in plans}
    for edge in edges:
        priced = _at_volume(rows, card, edge) if len(edges) > 1 else None
        for plan in plans:
            amount = month.plans[plan.id].amount
            if not amount:
                continue
            graduated, rest = priced.graduated(plan) if priced else (ZERO, month.plans[plan.id].fees)
            steps[plan.id].append(Step(edge, rest / amount, graduated / amount))
    curves = [plan_curve(steps[plan.id], plan.monthly, plan.minimum) for plan in plans]
    high = BEYOND * max([own, *edges])
    return Volumes([plan.id for plan in plans], curves, envelope(curves, Fraction(1), high), own)


def _volume_edges(grounds: Grounds, card: RateCard, day: date) -> list[Fraction]:
    """The volumes at which a band of the card ends, in the shop's currency."""
    entries: list[Rate | Extra] = [*card.rates, *card.extras]
    bands = [entry.when.monthly_volume for entry in entries]
    ends = [end for band in bands if band for end in (band.from_, band.below)]
    ends += [step.below for rate in card.rates for step in rate.graduated or []]
    brought = [in_books(grounds, end, day) for end in ends if end]
    return [end for end in brought if end]


def _at_volume(rows: MonthRows, card: RateCard, volume: Fraction) -> Month:
    """The month on one provider's routes, if its account took so much in a month."""
    grounds, books = rows.grounds, rows.grounds.shop.currency
    columns = FeeColumns(Catalogue([card], grounds.shop.country, grounds.rates), books, grounds.rates)
    orders = columns.orders(rows.frame, limits_in(grounds.methods.values()))
    reached = Money(ceil(volume * minor_units(books)), books)
    fits = carried(grounds.methods, orders, grounds.setting)
    return Month(columns, orders, columns.price(orders, Asking(reached, DETAILS, fits)), rows.over)


def _software(grounds: Grounds, month: MonthFigures, day: date) -> Volumes | None:
    """The plans of the shop's software over the volume of the whole shop."""
    software = grounds.shop.software
    if software is None or not month.amount:
        return None
    curves = []
    for plan in software.plans:
        fee = software_fee(grounds, plan, day)
        slope = fee.slope + fee.intercept * month.orders / month.amount
        curves.append(Curve((Piece(ZERO, None, slope, in_books(grounds, plan.monthly, day) or ZERO),)))
    cheapest = envelope(curves, Fraction(1), BEYOND * month.amount)
    return Volumes([plan.id for plan in software.plans], curves, cheapest, month.amount)
