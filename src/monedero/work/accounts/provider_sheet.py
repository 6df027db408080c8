"""The sheet of a provider: what it would bring to this shop, and where the accounts with it stand."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import date
from fractions import Fraction

from monedero.core.account import Account, Mode, Stage
from monedero.core.application import Ask
from monedero.core.best_set.programme import Limits
from monedero.core.checkout.model import Checkout, Tender
from monedero.core.cost.assumed import ZERO
from monedero.core.due import due
from monedero.core.openness import shut_to
from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.model import RateCard
from monedero.core.reasons import Reason
from monedero.work.accounts.applications import Applications
from monedero.work.context import Context
from monedero.work.month.best import alone_of, best_within
from monedero.work.month.demand import demand_of
from monedero.work.month.figures import month_of
from monedero.work.prices.inputs import UNDER_WAY, CompareInputs, inputs_of


@dataclass(frozen=True, slots=True)
class Brings:
    """Holds what a provider brings over the month: orders its methods carry, and what the best set leaves more by it.

    `saves` is None where the set does without it; `more_carried` are orders that no other provider carries.
    """

    orders: Fraction
    of_orders: Fraction
    by_method: Mapping[str, Fraction]
    saves: Fraction | None
    more_carried: Fraction


@dataclass(frozen=True, slots=True)
class Sheet:
    """Everything that a sheet says."""

    facts: ProviderFacts
    card: RateCard | None
    brings: Brings
    shut: list[Reason]
    asks: list[tuple[Ask, bool]]
    excludes: list[tuple[ProviderFacts, bool]]
    accounts: list[Account]
    tenders: list[Tender]


@dataclass(frozen=True, slots=True)
class Leaving:
    """Holds what leaving an account takes away: tenders of the draft and of what buyers see, and orders under way
    there.
    """

    draft: list[Tender]
    published: list[Tender]
    orders: list[int]


def sheet(context: Context, applications: Applications, provider: str, mode: Mode, day: date) -> Sheet:
    """The sheet of a provider in a mode."""
    facts = applications.facts(provider)
    inputs = inputs_of(context)
    accounts = [
        entry
        for entry in context.shop.accounts.of(mode).values()
        if entry.provider == provider and entry.stage not in (Stage.NOT_BEGUN, Stage.WITHDRAWN)
    ]
    blank = Account(provider=provider, mode=mode, stage=Stage.NOT_BEGUN, active_methods=[])
    lacking = set(applications.missing(accounts[0] if accounts else blank))
    cards = [pricer.card for pricer in inputs.catalogue.pricers(day) if pricer.card.provider.id == provider]
    providers = context.shop.providers.all()
    under_way = {
        account.provider for account in context.shop.accounts.of(mode).values() if account.stage in UNDER_WAY
    }
    excluded = [entry for entry in providers.values() if entry.id in facts.excludes or provider in entry.excludes]
    return Sheet(
        facts=facts,
        card=cards[0] if cards else None,
        brings=_brings(context, inputs, provider, day),
        shut=list(shut_to(facts, "", replace(inputs.holding, accounts=frozenset(under_way)))),
        asks=[(ask, ask not in lacking) for ask in facts.asks],
        excludes=[(entry, entry.id in under_way) for entry in excluded],
        accounts=accounts,
        tenders=[
            tender
            for checkout in context.shop.checkouts.all()
            for tender in checkout.tenders
            if tender.route and tender.route.provider == provider
        ],
    )


def _brings(context: Context, inputs: CompareInputs, provider: str, day: date) -> Brings:
    month = month_of(context, day)
    by_method: dict[str, Fraction] = {}
    for entry in month.routes.values():
        if entry.provider == provider:
            by_method[entry.method] = max(by_method.get(entry.method, ZERO), entry.orders)
    demand = demand_of(context, day)
    own = {name for name, entry in demand.plans.items() if entry.plan.provider == provider}
    found = {month.chosen.plans[0]: month for month in alone_of(context, day)}
    carried = max((found[name].carried for name in own), default=ZERO)
    best = best_within(context, day, Limits())
    saves, more = None, ZERO
    if best is not None and own.intersection(best.month.chosen.plans):
        without = best_within(context, day, Limits(closed=frozenset(own)))
        if without is not None:
            more = best.month.carried - without.month.carried
            better = best.month.merit[-1] - without.month.merit[-1]
            saves = better if best.month.left is not None or not more else ZERO
    return Brings(carried, month.orders, by_method, saves, more)


def leaving(context: Context, account: Account) -> Leaving:
    """Tells what leaving an account takes away."""

    def carried(checkouts: Iterable[Checkout]) -> list[Tender]:
        return [
            tender
            for checkout in checkouts
            if checkout.mode is account.mode
            for tender in checkout.tenders
            if tender.carried_by == account.id and (tender.on or tender.follows)
        ]

    under_way = [
        record.number
        for _, record in context.shop.orders.all()
        if record.mode is account.mode and record.payment.chosen.account == account.id and due(record)
    ]
    newest = (context.shop.editions.newest(storefront) for storefront in context.shop.editions.storefronts())
    return Leaving(
        draft=carried(context.shop.checkouts.all()),
        published=carried(edition.published.checkout for edition in newest if edition),
        orders=sorted(under_way),
    )
