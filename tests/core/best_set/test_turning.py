"""The nearest price at which another set is best, against every set of small shops priced at many prices."""

from fractions import Fraction

import pytest
from tests.core.best_set.test_against_brute_force import demand_of, every_set, small_shop

from monedero.core.best_set.best import best_set
from monedero.core.best_set.demand import Demand
from monedero.core.best_set.month import Chosen, month_of
from monedero.core.best_set.programme import Limits
from monedero.core.best_set.turning import Price, at_margin, at_price, prices, turning
from monedero.core.columns.level import ZERO


def best_left(demand: Demand) -> Fraction:
    """The most that any set leaves."""
    return max(month_of(demand, chosen).left or ZERO for chosen in every_set(demand))


def left(demand: Demand, chosen: Chosen) -> Fraction:
    return month_of(demand, chosen).left or ZERO


@pytest.mark.parametrize("seed", range(10))
@pytest.mark.parametrize("kind", Price._fields)
@pytest.mark.parametrize("sign", [1, -1], ids=["cheaper", "dearer"])
def test_before_the_turn_the_set_is_best_and_behind_it_another_one_is(seed: int, kind: str, sign: int) -> None:
    demand = demand_of(small_shop(seed))
    best = best_set(demand, Limits())
    assert best is not None
    for plan in demand.plans:
        # A plan that is out gets better by taking less, one that is in worse by taking more.
        if (plan in best.month.chosen.plans) == (sign == 1):
            continue
        end = getattr(prices(demand, plan)[sign == -1], kind)

        def moved(at: Fraction, plan: str = plan) -> Demand:
            return at_price(demand, plan, Price()._replace(**{kind: sign * at}))

        found = turning(moved, best.month.chosen, Limits(), end)
        if not demand.knows_margins:
            assert found is None
            continue
        turn = end if found is None else found.at
        for part in (Fraction(1, 3), Fraction(9, 10)):
            before = moved(turn * part)
            if not any(entry.card.by_volume or entry.plan.minimum for entry in demand.plans.values()):
                assert best_left(before) == left(before, best.month.chosen)
        if found is not None:
            there = moved(found.at)
            assert left(there, found.month.chosen) >= left(there, best.month.chosen)
            if not any(entry.card.by_volume or entry.plan.minimum for entry in demand.plans.values()):
                assert left(there, found.month.chosen) == left(there, best.month.chosen) == best_left(there)


def test_without_margins_and_without_a_way_to_move_there_is_no_turn() -> None:
    demand = demand_of(small_shop(3))
    best = best_set(demand, Limits())
    assert best is not None
    assert turning(lambda at: demand, best.month.chosen, Limits(), ZERO) is None
    assert turning(lambda at: demand, best.month.chosen, Limits(every_order=2, most_ways=0), Fraction(1)) is None
    unknown = next(found for seed in range(99) if not (found := demand_of(small_shop(seed))).knows_margins)
    assert turning(lambda at: unknown, Chosen((), ()), Limits(), Fraction(1)) is None


def test_a_set_has_so_many_accounts_at_least() -> None:
    demand = demand_of(small_shop(3))
    providers = {entry.plan.provider for entry in demand.plans.values()}
    found = best_set(demand, Limits(least_accounts=len(providers)))
    assert found is None or len(found.month.chosen.plans) == len(providers)
    assert best_set(demand, Limits(least_accounts=len(providers) + 1)) is None


@pytest.mark.parametrize("seed", range(6))
def test_a_margin_that_moves_moves_what_every_carried_order_leaves(seed: int) -> None:
    """A share of the amount more of every order leaves that much more of what a set carries, and keeps its costs."""
    demand = demand_of(small_shop(seed))
    best = best_set(demand, Limits())
    assert best is not None
    moved = at_margin(demand, Fraction(1, 50))
    month = month_of(moved, best.month.chosen)
    if not demand.knows_margins:
        assert month.left is None
        return
    assert month.cost == best.month.cost
    finished = sum((moved.terms[way.way.route].completes * way.orders.amount for way in best.month.ways), ZERO)
    assert month.left is not None
    assert best.month.left is not None
    assert month.left - best.month.left == finished / 50
