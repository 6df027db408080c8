"""Why a route is not open to a shop, whatever the order: every reason there is.

The plan does not have the method; the method is only announced; the provider does not take the shop's trade, needs
another account or method first, or cannot be on beside an account that the shop holds; the shop's software does not
work with it. What the shop already holds counts.

Source: own design.

>>> held = Holding(trade="outings", accounts=frozenset(), methods=frozenset(), software=None)
>>> mirabou = ProviderFacts(id="mirabou", name="Mirabou", about="", contract="all-in-one", review_days=1,
...     trades_refused=["outings"])
>>> [reason.code.value for reason in shut_to(mirabou, "pay-after-delivery", held)]
['trade-refused']
>>> shut_to(None, "card", held)
[]
"""

from dataclasses import dataclass

from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.reasons import Reason, ReasonCode
from monedero.core.shop import Software


@dataclass(frozen=True, slots=True)
class Holding:
    """Holds what the shop holds: its trade, providers with an account under way, methods in its checkout, its
    software.
    """

    trade: str | None
    accounts: frozenset[str]
    methods: frozenset[str]
    software: Software | None


def not_in_plan(card: RateCard, route: Route) -> Reason | None:
    """The reason for a method that no rate of the plan prices, with the plans that have it."""
    rates = [rate for rate in card.rates if rate.method == route.method]
    if any(rate.plans is None or route.plan in rate.plans for rate in rates):
        return None
    names = {plan.id: plan.name for plan in card.plans}
    having = dict.fromkeys(names[plan] for rate in rates for plan in rate.plans or [])
    return Reason(ReasonCode.NOT_IN_PLAN, limit=names[route.plan], own=" or ".join(having))


def shut_to(provider: ProviderFacts | None, method: str, holding: Holding) -> list[Reason]:
    """Every reason why a provider's method is not open to a shop; nothing where nothing is known of the provider."""
    if provider is None:
        return []
    reasons = []
    if holding.trade in provider.trades_refused:
        reasons.append(Reason(ReasonCode.TRADE_REFUSED, own=holding.trade or ""))
    for need in provider.needs:
        if need.method == method and need.account and need.account not in holding.accounts:
            reasons.append(Reason(ReasonCode.NEEDS_ACCOUNT, fields={"provider": need.account}))
        if need.method == method and need.other_method and need.other_method not in holding.methods:
            reasons.append(Reason(ReasonCode.NEEDS_METHOD, limit=need.other_method))
    reasons += [
        Reason(ReasonCode.EXCLUDED_BY, fields={"provider": other})
        for other in provider.excludes
        if other in holding.accounts
    ]
    software = holding.software
    if software is not None and software.allows is not None and provider.id not in software.allows:
        reasons.append(Reason(ReasonCode.SOFTWARE_REFUSES, limit=software.name))
    return reasons
