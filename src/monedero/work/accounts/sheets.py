"""The sheet of a provider: what it would bring to this shop, and where the accounts with it stand."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import date
from fractions import Fraction

from monedero.core.account import Account, Mode, Stage
from monedero.core.application import Ask
from monedero.core.cost.assumed import ZERO
from monedero.core.openness import shut_to
from monedero.core.payment.due import due
from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.model import RateCard
from monedero.core.reasons import Reason
from monedero.core.tender.model import Tender
from monedero.store import Store
from monedero.work.accounts.applying import Applying
from monedero.work.basis import draft
from monedero.work.grounds import UNDER_WAY, Grounds, grounds_of
from monedero.work.month import mix_of, month_of


@dataclass(frozen=True, slots=True)
class Brings:
    """What a provider brings over the month: orders its methods can carry, and what the cheapest mix saves by it.

    `saves` is None where the mix does without it; `more_carried` are orders that no other provider carries.
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
    """What leaving an account takes away: tenders of the draft and of what buyers see, and orders under way there."""

    draft: list[Tender]
    published: list[Tender]
    orders: list[int]


def sheet(store: Store, applying: Applying, provider: str, mode: Mode, day: date) -> Sheet:
    """The sheet of a provider in a mode."""
    facts = applying.facts(provider)
    grounds = grounds_of(store)
    accounts = [
        held
        for held in store.accounts.of(mode).values()
        if held.provider == provider and held.stage not in (Stage.NOT_BEGUN, Stage.WITHDRAWN)
    ]
    blank = Account(provider=provider, mode=mode, stage=Stage.NOT_BEGUN, active_methods=[])
    lacking = set(applying.missing(accounts[0] if accounts else blank))
    cards = [pricer.card for pricer in grounds.catalogue.pricers(day) if pricer.card.provider.id == provider]
    providers = store.providers.all()
    held = {account.provider for account in store.accounts.of(mode).values() if account.stage in UNDER_WAY}
    excluded = [entry for entry in providers.values() if entry.id in facts.excludes or provider in entry.excludes]
    return Sheet(
        facts=facts,
        card=cards[0] if cards else None,
        brings=_brings(store, grounds, provider, day),
        shut=list(shut_to(facts, "", replace(grounds.holding, accounts=frozenset(held)))),
        asks=[(ask, ask not in lacking) for ask in facts.asks],
        excludes=[(entry, entry.id in held) for entry in excluded],
        accounts=accounts,
        tenders=[
            tender for tender in draft(store).value.tenders if tender.route and tender.route.provider == provider
        ],
    )


def _brings(store: Store, grounds: Grounds, provider: str, day: date) -> Brings:
    month = month_of(store, day)
    by_method: dict[str, Fraction] = {}
    for name, held in month.routes.items():
        owner, _, rest = name.partition("/")
        method = rest.rpartition("/")[2]
        if owner == provider:
            by_method[method] = max(by_method.get(method, ZERO), held.orders)
    mix = mix_of(store, day)
    plans = [plan for plan in month.plans if plan.startswith(f"{provider}/")]
    carried = max((month.plans[plan].carried for plan in plans), default=ZERO)
    saves, more = None, ZERO
    if any(plan.startswith(f"{provider}/") for plan in mix.plans):
        without = mix_of(store, day, without=provider)
        more = mix.carried - without.carried
        saves = without.cost - mix.cost if not more else ZERO
    return Brings(carried, month.orders, by_method, saves, more)


def leaving(store: Store, account: Account) -> Leaving:
    """What leaving an account takes away."""

    def carried(tenders: list[Tender]) -> list[Tender]:
        return [tender for tender in tenders if tender.carried_by == account.id and (tender.on or tender.follows)]

    newest = store.editions.newest()
    under_way = [
        record.number
        for _, record in store.orders.all()
        if record.mode is account.mode and record.payment.chosen.account == account.id and due(record)
    ]
    in_mode = draft(store).value.mode is account.mode
    published = newest.held.checkout if newest else None
    return Leaving(
        draft=carried(draft(store).value.tenders) if in_mode else [],
        published=carried(published.tenders) if published and published.mode is account.mode else [],
        orders=sorted(under_way),
    )
