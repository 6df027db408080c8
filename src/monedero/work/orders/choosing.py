"""A way to pay as a buyer chose it: what was filled in for it, and whether it is paid in cash."""

from collections.abc import Mapping

from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.tender.decision import Outcome
from monedero.core.words.asked import answered
from monedero.work.checkout.asked_fields import asked_fields
from monedero.work.checkout.composed import Composed
from monedero.work.orders.progress import Buying
from monedero.work.shop.lookups import method_in


def buying_of(
    composed: Composed, chosen: Outcome, amount: Money, answers: Mapping[str, str], language: str
) -> Buying:
    """A tender with what its buyer filled in; answers that are wrong or missing are refused by their fields."""
    method = method_in(composed.methods, chosen.tender.method)
    given = answered(asked_fields(chosen.tender, method), answers, language)
    return Buying(chosen, amount, method.family is Family.CASH, given, language)
