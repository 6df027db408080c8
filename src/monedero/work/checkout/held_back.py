"""The refusal of a tender that is held back: with all its reasons, and what they are about, as data."""

from collections.abc import Mapping

from monedero.core.checkout.decision import Outcome
from monedero.core.checkout.model import Checkout
from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.shop import Shop


class TenderHeldBack(Conflict):
    """A tender that is not offered for an order; `providers` are the names of providers by id."""

    def __init__(self, outcome: Outcome, shop: Shop, checkout: Checkout, providers: Mapping[str, str]) -> None:
        tender = outcome.tender
        super().__init__(Fault(FaultCode.TENDER_HELD_BACK, "tender", tender.name))
        self.reasons = outcome.reasons
        self.shop, self.checkout, self.providers = shop, checkout, providers
