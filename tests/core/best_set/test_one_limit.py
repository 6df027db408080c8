"""One limit at a time against every limit tried on every way, and money by day by hand."""

from dataclasses import replace
from datetime import date, timedelta
from fractions import Fraction
from itertools import product

from hypothesis import given
from hypothesis import strategies as st
from tests.core.best_set.test_offered import BUYERS, METHODS
from tests.properties import tried_on

from monedero.core.best_set.demand import Demand, RouteTerms, Way, cells_of
from monedero.core.best_set.money_by_day import Arriving, money_by_day
from monedero.core.best_set.month import Chosen, SettledSet, month_at
from monedero.core.best_set.one_limit import one_limit
from monedero.core.buyers.ranking import Ranking, Rankings
from monedero.core.checkout.limit_cost import End
from monedero.core.columns.order_class import At, Fees, OrderClass

AMOUNTS = [Fraction(amount) for amount in (10, 20, 50, 120)]
WAYS = [Way(method, method, None) for method in METHODS]
ENDS: tuple[End, ...] = ("from", "up_to")
CLASSES = st.lists(
    st.builds(
        lambda country, orders, part, fees, margin: OrderClass(
            country,
            {},
            Fraction(orders),
            orders * AMOUNTS[part],
            orders * AMOUNTS[part] * margin / 100,
            {
                At(method, None): Fees(Fraction(fee), Fraction(0))
                for method, fee in zip(METHODS, fees, strict=True)
                if fee >= 0
            },
            part,
        ),
        st.sampled_from(["PT", "ES"]),
        st.integers(1, 4),
        st.integers(0, len(AMOUNTS) - 1),
        st.lists(st.integers(-3, 30), min_size=3, max_size=3),
        st.sampled_from([5, 40]),
    ),
    min_size=1,
    max_size=8,
)


def settled(classes: list[OrderClass]) -> SettledSet:
    terms = {way.route: RouteTerms() for way in WAYS}
    demand = Demand(cells_of(classes, BUYERS, WAYS), classes, {}, WAYS, terms, Fraction(0), Fraction(1))
    return SettledSet(demand, Chosen((), tuple(WAYS)))


def limited(classes: list[OrderClass], way: Way, end: End, place: int) -> list[OrderClass]:
    """The classes where a way takes only the amounts from one on, or up to one."""
    out = []
    for entry in classes:
        beyond = entry.part < place if end == "from" else entry.part > place
        kept = {at: fees for at, fees in entry.fees.items() if not beyond or at.route != way.route}
        out.append(replace(entry, fees=kept))
    return out


@tried_on(150)
@given(CLASSES)
def test_the_limit_that_is_told_is_the_best_of_all_limits_of_its_way(classes: list[OrderClass]) -> None:
    before = month_at(settled(classes)).left or Fraction(0)
    told = {limit.way: limit for limit in one_limit(settled(classes), classes, BUYERS, AMOUNTS)}
    for way in WAYS:
        adds = {
            (end, place): (month_at(settled(limited(classes, way, end, place))).left or Fraction(0)) - before
            for end, place in product(ENDS, range(len(AMOUNTS)))
        }
        most = max(adds.values())
        if way in told:
            assert told[way].adds == most == adds[told[way].end, AMOUNTS.index(told[way].amount)]
        else:
            assert most <= 0


def test_money_comes_with_the_payouts_and_a_reserve_later() -> None:
    """310 a month less 31 of fees: 9 a day, of which a tenth of the amount comes ten days later; 5 at the end."""

    def in_two_days(day: date) -> date:
        return day + timedelta(days=2)

    way = Arriving(Fraction(310), Fraction(31), in_two_days, Fraction(1, 10), 10)
    days = money_by_day([way], date(2026, 1, 1), Fraction(5))
    assert days[date(2026, 1, 2)] == 0
    assert days[date(2026, 1, 3)] == 8
    assert days[date(2026, 1, 13)] == 11 * 8 + 1
    assert list(days)[-1] == date(2026, 2, 12)
    assert days[date(2026, 2, 12)] == 310 - 31 - 5


def test_buyers_of_two_kinds_who_take_one_way_count_both() -> None:
    ways = tuple(WAYS[:2])
    half = Fraction(1, 2)
    alike = Rankings({"PT": (Ranking(half, ("card", "transfer")), Ranking(half, ("card",)))})
    fees = {At("card", None): Fees(Fraction(9), Fraction(0)), At("transfer", None): Fees(Fraction(1), Fraction(0))}
    classes = [
        OrderClass("PT", {}, Fraction(1), Fraction(10), Fraction(1), fees, 0),
        OrderClass("PT", {}, Fraction(1), Fraction(20), Fraction(90), fees, 1),
    ]
    terms = {way.route: RouteTerms() for way in ways}
    demand = Demand(cells_of(classes, alike, list(ways)), classes, {}, ways, terms)
    (limit,) = one_limit(SettledSet(demand, Chosen((), ways)), classes, alike, AMOUNTS[:2])
    # Without the order of ten: 4 more of the half that transfers, 4 of the half that leaves.
    assert (limit.way, limit.end, limit.amount, limit.adds) == (ways[0], "from", Fraction(20), Fraction(8))
