"""The inputs of prices from files alone, without a shop to look at."""

from monedero.core.cost.assumption import Assumptions
from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.core.fx import ReferenceRates
from monedero.core.profile import Profile
from monedero.core.ratecard.model import RateCard
from monedero.core.shop import Shop
from monedero.figures import assumptions, network_costs, reference_rates
from monedero.store import FIRST_MODE
from monedero.work.prices.inputs import CompareInputs


def inputs_of_files(cards: list[RateCard], shop: tuple[str, str], chosen: Assumptions) -> CompareInputs:
    """Inputs of some cards, for a shop of which its country and currency are known; refuses an unknown assumption."""
    for number, entry in enumerate(chosen.chosen):
        if entry.id not in {**assumptions.every(), **network_costs.every(shop[0])}:
            raise InvalidInput(Fault(FaultCode.ASSUMPTION_UNKNOWN, f"chosen.{number}.id", entry.id))
    rates = ReferenceRates(reference_rates.bundled())
    return CompareInputs(
        shop=Shop(name="Shop", country=shop[0], currency=shop[1]),
        mode=FIRST_MODE,
        cards=cards,
        rates=rates,
        providers={},
        accounts={},
        assumptions=chosen,
        profile=Profile(),
        in_checkout=frozenset(),
    )
