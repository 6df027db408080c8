"""What the shop's accounts take in a month, as prices of one order ask for it."""

from datetime import date

from monedero.core.ratecard.volume import Takings
from monedero.store import Store
from monedero.work.compare.inputs import inputs_of
from monedero.work.month.costs import month_of


def takings_of(store: Store, day: date) -> Takings:
    """The takings that the owner typed; without them, what each plan would carry in the month."""
    typed = inputs_of(store).shop.takings
    return Takings(every=typed) if typed else Takings(by_plan=month_of(store, day).volumes)
