"""The share of buyers from which on a way pays for itself, against the months on both sides of it."""

from fractions import Fraction

import pytest
from tests.core.best_set.test_against_brute_force import demand_of, small_shop

from monedero.core.best_set.best import best_set
from monedero.core.best_set.month import month_of
from monedero.core.best_set.programme import Limits, in_sequence
from monedero.core.best_set.share import pays_from, with_insisting

HUNDREDTH = Fraction(1, 10_000)


@pytest.mark.parametrize("seed", range(24))
def test_below_the_share_a_way_costs_and_from_it_on_it_pays(seed: int) -> None:
    demand = demand_of(small_shop(seed))
    best = best_set(demand, Limits())
    assert best is not None
    plans, ways = best.month.chosen
    for way in demand.ways:
        held = {demand.plans[name].plan.provider for name in plans if name != way.plan}
        if way.method in {other.method for other in ways} or demand.plans[str(way.plan)].plan.provider in held:
            continue
        chosen = in_sequence(demand, {*plans, str(way.plan)}, {*ways, way})
        share = pays_from(demand, best.month, month_of(demand, chosen), way)

        def gains(part: Fraction, chosen: object = chosen, way: object = way) -> Fraction:
            others = with_insisting(demand, way, part)  # type: ignore[arg-type]
            pair = month_of(others, chosen), month_of(others, best.month.chosen)  # type: ignore[arg-type]
            return pair[0].merit[-1] - pair[1].merit[-1]

        if not demand.knows_margins:
            assert share is None
        elif share is None:
            assert gains(Fraction(1)) <= 0
        else:
            assert gains(share) >= 0
            assert share == 0 or gains(max(Fraction(0), share - HUNDREDTH)) < 0
