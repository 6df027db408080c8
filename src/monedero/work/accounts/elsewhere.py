"""Accounts that the shop holds elsewhere: they count like any other, and their payments are carried there."""

from collections.abc import Iterable
from typing import Annotated

from pydantic import Field, StrictInt

from monedero.core.account import Account, Act, Mode, Stage
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound
from monedero.core.fields import AnyOf, Day, Identifier, MoneyPositive, Strict
from monedero.core.ratecard.model import RateCard
from monedero.store import Store
from monedero.work.accounts.applications import refuse_excluded
from monedero.work.shop.lookups import described_shop


class HeldElsewhere(Strict):
    """Holds what the owner says of an account that is held elsewhere; storefronts None: it serves all of them."""

    plan: Identifier | None = None
    since: Day | None = None
    methods: AnyOf[Identifier]
    storefronts: AnyOf[Identifier] | None = None
    takings: MoneyPositive | None = None
    saved_details: Annotated[StrictInt, Field(ge=0, le=10**9)] | None = None


def held_elsewhere(store: Store, provider: str, mode: Mode, told: HeldElsewhere) -> Account:
    """The account as the owner says that it is held, not kept yet.

    Refuses a provider that is not known, is excluded by another one, or whose account is under way here, and what its
    card or the shop does not have.
    """
    facts = store.providers.all().get(provider)
    cards = [card for card in store.rate_cards.all() if card.provider.id == provider]
    if facts is None or not cards:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "provider", provider, {"what": "provider"}))
    before = store.accounts.get(provider, mode)
    if before is not None and not before.elsewhere and not before.can(Act.BEGIN):
        raise Conflict(Fault(FaultCode.ACCOUNT_HELD, "provider", facts.name))
    if before is None or before.stage is not Stage.CONNECTED:
        refuse_excluded(store, facts, mode)
    faults = [*_unknown(store, cards, told)]
    if faults:
        raise InvalidInput(*faults)
    kept = before.model_dump() if before is not None else {"provider": provider, "mode": mode}
    return Account.model_validate(
        kept
        | {
            "stage": Stage.CONNECTED,
            "elsewhere": True,
            "since": told.since,
            "active_methods": told.methods,
            "other_methods": [],
            "storefronts": told.storefronts,
            "plan": told.plan,
            "takings": str(told.takings) if told.takings else None,
            "saved_details": told.saved_details,
        }
    )


def _unknown(store: Store, cards: list[RateCard], told: HeldElsewhere) -> Iterable[Fault]:
    plans = {plan.id for card in cards for plan in card.plans}
    priced = {rate.method for card in cards for rate in card.rates}
    fronts = {storefront.id for storefront in described_shop(store).value.storefronts}
    if told.plan is not None and told.plan not in plans:
        yield Fault(FaultCode.NOT_FOUND, "plan", told.plan, {"what": "plan"})
    for name, values, known, what in (
        ("methods", told.methods, priced, "method"),
        ("storefronts", told.storefronts or [], fronts, "storefront"),
    ):
        for place, value in enumerate(values):
            if value not in known:
                yield Fault(FaultCode.NOT_FOUND, f"{name}.{place}", value, {"what": what})
