"""The month of a checkout, and what its limits cost, against every order followed one by one."""

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction

from hypothesis import given
from hypothesis import strategies as st
from tests.properties import tried_on

from monedero.core.best_set.demand import Demand, RouteTerms, Way, cells_of
from monedero.core.best_set.month import Chosen, MonthMove, SetMonth, SettledSet, month_at, moved_to
from monedero.core.best_set.offered import OfTender, limit_costs, of_tenders
from monedero.core.buyers.ranking import Ranking, Rankings
from monedero.core.checkout.limit_cost import End, LimitCost, Offer
from monedero.core.columns.order_class import At, Fees, OrderClass

METHODS = ("card", "transfer", "cash")
IDS = ("a", "b", "c", "d")
ENDS: tuple[End, ...] = ("from", "up_to")
HALF = Fraction(1, 2)
BUYERS = Rankings(
    {
        "PT": (Ranking(HALF, ("card", "transfer")), Ranking(HALF, ("cash",))),
        "ES": (Ranking(Fraction(1), ("transfer", "card")),),
    }
)


@dataclass(frozen=True)
class Drawn:
    """A checkout of tenders with no volume in their prices, over classes of orders in parts."""

    tenders: dict[str, OfTender]
    terms: dict[str, RouteTerms]
    offers: list[Offer]
    classes: list[OrderClass]
    lost_order: Fraction


@st.composite
def drawn(draw: st.DrawFn) -> Drawn:
    tenders, terms = {}, {}
    for id in IDS:
        method = draw(st.sampled_from(METHODS))
        # Two tenders may lie on one route.
        route = f"{method}-{draw(st.sampled_from('xy'))}"
        tenders[id] = OfTender(Way(method, id, None), route)
        completes = draw(st.sampled_from([Fraction(1), Fraction(9, 10)]))
        terms[route] = RouteTerms(
            Fraction(1, 100), Fraction(1, 4), Fraction(1), Fraction(0), completes, Fraction(2)
        )
    offers = []
    for _ in range(3):
        there = draw(st.lists(st.sampled_from(IDS), unique=True))
        kept = [id for id in IDS if id not in there and draw(st.booleans())]
        ends: list[End] = [draw(st.sampled_from(ENDS)) for _ in kept]
        offers.append(Offer(tuple(id for id in IDS if id in there), tuple(zip(kept, ends, strict=True))))
    routes = sorted({entry.route for entry in tenders.values()})
    classes = []
    for _ in range(draw(st.integers(1, 4))):
        fees = {
            At(route, None): Fees(Fraction(draw(st.integers(0, 9))), Fraction(0))
            for route in routes
            if draw(st.integers(0, 3))
        }
        charged = {id: Fraction(draw(st.integers(-2, 2))) for id in IDS}
        margin = draw(st.sampled_from([Fraction(5), Fraction(60), None]))
        orders, part = Fraction(draw(st.integers(1, 5))), draw(st.integers(0, 2))
        country = draw(st.sampled_from(["PT", "ES"]))
        classes.append(OrderClass(country, {}, orders, 20 * orders, margin, fees, part, charged))
    return Drawn(tenders, terms, offers, classes, Fraction(draw(st.integers(0, 3))))


def settled(shop: Drawn) -> SettledSet:
    classes = list(of_tenders(shop.classes, shop.offers, shop.tenders, kept=False))
    ways = [entry.way for entry in shop.tenders.values()]
    terms = {id: shop.terms[entry.route] for id, entry in shop.tenders.items()}
    demand = Demand(cells_of(classes, BUYERS, ways), classes, {}, ways, terms, Fraction(0), shop.lost_order)
    return SettledSet(demand, Chosen((), tuple(ways)))


def followed(
    shop: Drawn, offers: list[Offer]
) -> Iterator[tuple[OrderClass, Fraction, str | None, Fraction | None]]:
    """Every class by every kind of buyer: its share, the tender that they take, and what is left."""
    for entry in shop.classes:
        for ranking in BUYERS.of(entry.country):
            there = [id for id in IDS if id in offers[entry.part].tenders]
            ranked = [id for method in ranking.methods for id in there if shop.tenders[id].way.method == method]
            taken = next((id for id in ranked if At(shop.tenders[id].route, None) in entry.fees), None)
            if taken is None:
                yield entry, ranking.share, None, -shop.lost_order * entry.orders
            elif entry.margin is None:
                yield entry, ranking.share, taken, None
            else:
                terms = shop.terms[shop.tenders[taken].route]
                fees = entry.fees[At(shop.tenders[taken].route, None)].fees
                cost = terms.slope * entry.amount + terms.intercept * entry.orders + fees - entry.surcharges[taken]
                left = terms.completes * (entry.margin - cost)
                yield entry, ranking.share, taken, left - (1 - terms.completes) * terms.lost_order * entry.orders


@tried_on(200)
@given(drawn())
def test_the_month_is_that_of_every_order_followed_to_the_tender_that_its_buyer_takes(shop: Drawn) -> None:
    month = month_at(settled(shop))
    every = list(followed(shop, shop.offers))
    assert month.lost == sum(share * entry.orders for entry, share, taken, _ in every if taken is None)
    taken = {way.way.route: way.orders.orders for way in month.ways}
    for id in IDS:
        assert taken[id] == sum(share * entry.orders for entry, share, found, _ in every if found == id)
    if all(entry.margin is not None for entry in shop.classes):
        assert month.left == sum(share * (left or 0) for _, share, _, left in every)
    else:
        assert month.left is None


@tried_on(200)
@given(drawn())
def test_an_end_costs_what_the_month_leaves_more_without_it(shop: Drawn) -> None:
    every = of_tenders(shop.classes, shop.offers, shop.tenders, kept=True)
    found = limit_costs(settled(shop), every, shop.offers, shop.tenders, BUYERS)
    for end in {kept for offer in shop.offers for kept in offer.kept}:
        lifted = [
            Offer(
                tuple(id for id in IDS if id in offer.tenders or ((id, end[1]) == end and end in offer.kept)), ()
            )
            for offer in shop.offers
        ]
        orders = cost = lost = unknown = Fraction(0)
        for (entry, share, now, left), (_, _, then, more) in zip(
            followed(shop, shop.offers), followed(shop, lifted), strict=True
        ):
            if now == then:
                continue
            orders += share * entry.orders
            lost += share * entry.orders * (now is None)
            if now is None and entry.margin is None:
                unknown += share * entry.orders
            elif more is not None and left is not None:
                cost += share * (more - left)
        if all(entry.margin is not None for entry in shop.classes):
            assert found.get(end, LimitCost(Fraction(0), Fraction(0), Fraction(0), Fraction(0))) == LimitCost(
                orders, cost, lost, unknown
            )
        elif end in found:
            assert (found[end].orders, found[end].lost, found[end].unknown) == (orders, lost, unknown)


def test_a_tender_without_a_price_carries_nothing_and_costs_no_limit() -> None:
    entry = OrderClass("PT", {}, Fraction(2), Fraction(40), Fraction(9), {At("card-x", None): Fees(HALF, HALF)})
    card = OfTender(Way("card", "a", None), "card-x")
    offers = [Offer(("a", "nobody"), (("nobody", "from"),))]
    terms = {"a": RouteTerms()}
    classes = list(of_tenders([entry], offers, {"a": card}, kept=True))
    demand = Demand(cells_of(classes, BUYERS, [card.way]), classes, {}, [card.way], terms)
    assert limit_costs(SettledSet(demand, Chosen((), (card.way,))), classes, offers, {"a": card}, BUYERS) == {}


def test_a_month_moves_by_what_it_leaves_loses_and_costs() -> None:
    def month(margin: Fraction | None, fee: int) -> SetMonth:
        fees = {At("cash", None): Fees(Fraction(fee), Fraction(0))}
        classes = [OrderClass("PT", {}, Fraction(2), Fraction(40), margin, fees)]
        way = Way("cash", "cash", None)
        demand = Demand(cells_of(classes, BUYERS, [way]), classes, {}, [way], {"cash": RouteTerms()})
        return month_at(SettledSet(demand, Chosen((), (way,))))

    # Half of the buyers take cash.
    assert moved_to(month(Fraction(9), 1), month(Fraction(9), 3)) == MonthMove(
        Fraction(-1), Fraction(0), Fraction(1)
    )
    assert moved_to(month(None, 1), month(Fraction(9), 1)).left is None
