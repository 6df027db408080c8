"""Tells what the shop's accounts take in a month, as prices of one order ask for it."""

from datetime import date

from monedero.core.ratecard.volume import Takings, Volume, plan_key
from monedero.work.context import Context
from monedero.work.month.figures import month_of
from monedero.work.prices.inputs import inputs_of


def takings_of(context: Context, day: date) -> Takings:
    """The takings that the owner typed, of one account or of all; without them, what each plan would carry a month."""
    inputs = inputs_of(context)
    told = {
        plan_key(card.provider.id, plan.id): Volume.of(account.takings)
        for card in inputs.cards
        if (account := inputs.accounts.get(card.provider.id)) and account.takings
        for plan in card.plans
    }
    if inputs.shop.takings:
        return Takings(every=inputs.shop.takings, by_plan=told)
    return Takings(by_plan={**month_of(context, day).volumes, **told})
