"""The ways of a storefront's draft as a set: of each method the first tender that is on."""

from monedero.core.best_set.demand import Demand, Way
from monedero.core.best_set.month import Chosen
from monedero.core.best_set.programme import in_sequence
from monedero.core.columns.fees import name_of
from monedero.work.context import Context


def ways_of_checkout(context: Context, demand: Demand) -> Chosen:
    """The ways that are on. What has no price in the month is left out."""
    checkout = context.shop.checkouts.read(context.storefront)
    by_route = {way.route: way for way in demand.ways}
    ways: dict[str, Way] = {}
    for tender in checkout.value.in_place if checkout else []:
        way = by_route.get(name_of(tender.route) if tender.route else tender.method)
        if tender.on and way is not None:
            ways.setdefault(way.method, way)
    plans: dict[str, str] = {}
    for way in ways.values():
        if way.plan is not None:
            plans.setdefault(demand.plans[way.plan].plan.provider, way.plan)
    kept = [way for way in ways.values() if way.plan is None or way.plan in plans.values()]
    return in_sequence(demand, set(plans.values()), kept)
