"""The items about a checkout itself: who can pay, what buyers are told, and what the law and the cost say of fees."""

from collections.abc import Iterator, Mapping
from datetime import date

from monedero.core.checkout.coverage.answer import Coverage, coverage
from monedero.core.checkout.coverage.share import share_of
from monedero.core.checkout.law import Sold, findings
from monedero.core.checkout.model import Tender
from monedero.core.ready import ReadyCode, ReadyItem
from monedero.core.shop import Market
from monedero.figures import law
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, details_of
from monedero.work.checkout.examined import Asked, examined
from monedero.work.checkout.figures import FeeFigures, fee_figures
from monedero.work.checkout.findings import OFF
from monedero.work.checkout.month_of_orders import placed_orders
from monedero.work.context import Context
from monedero.work.shop.in_cart import price_in
from monedero.work.shop.lookups import method_in
from monedero.work.shop.order_in_hand import OrderInHand, usual_order

OF_FEES = {"forbids": ReadyCode.FEE_FORBIDDEN, "limits": ReadyCode.FEE_LIMITED}


def of_checkout(context: Context, snapshot: CheckoutSnapshot, day: date) -> Iterator[ReadyItem]:
    """The items of a draft, with its accounts as they stand in its mode."""
    tenders = [tender for tender in snapshot.checkout.tenders if tender.on]
    if not tenders:
        yield ReadyItem(ReadyCode.NOTHING_ON)
        return
    yield from _of_coverage(context, snapshot, day)
    lacking = details_of(snapshot)
    for tender in tenders:
        yield from _of_details(tender, lacking, snapshot)
        yield from _of_law(tender, snapshot)
    yield from _over_cost(context, snapshot, tenders, day)
    yield from _unknown_law(snapshot, tenders)


def _of_coverage(context: Context, snapshot: CheckoutSnapshot, day: date) -> Iterator[ReadyItem]:
    answer: Coverage = coverage(examined(context, snapshot, Asked(day)))
    month = placed_orders(context, day)
    for code, found in ((ReadyCode.DEAD_END, answer.dead_ends), (ReadyCode.SINGLE_WAY, answer.single_tenders)):
        if found:
            share = share_of([(each.region, each.box) for each in found], month)
            fields: dict[str, str | int] = {"count": len(found), "orders": round(share.orders)}
            yield ReadyItem(code, fields=fields)
    names = {tender.id: tender.name for tender in snapshot.checkout.tenders}
    for tender, codes in answer.unreachable.items():
        if tuple(codes) != OFF:
            yield ReadyItem(ReadyCode.UNREACHABLE, tender, {"name": names[tender]})


def _of_details(
    tender: Tender, lacking: Mapping[str, list[str]], snapshot: CheckoutSnapshot
) -> Iterator[ReadyItem]:
    """The item of a tender whose buyers lack what they need to pay: in every currency, or in some."""
    if tender.id not in lacking:
        return
    shop, has = snapshot.shop, lacking[tender.id]
    sold = dict.fromkeys(market.currency for market in shop.markets)
    method = method_in(snapshot.methods, tender.method)
    lacks = [one for one in sold if one not in has and (method.currencies is None or one in method.currencies)]
    if not lacks:
        return
    code = ReadyCode.DETAILS_IN_PART if any(one in has for one in sold) else ReadyCode.NO_DETAILS
    yield ReadyItem(code, tender.id, {"name": tender.name, "currencies": "+".join(lacks)})


def _of_law(tender: Tender, snapshot: CheckoutSnapshot) -> Iterator[ReadyItem]:
    shop, sets = snapshot.shop, {shared.id: shared for shared in snapshot.checkout.shared_conditions}
    sold = Sold(list(dict.fromkeys(market.country for market in shop.markets)), shop.areas)
    shared = [condition for id in tender.shared for condition in sets[id].conditions]
    family = method_in(snapshot.methods, tender.method).family.value
    for found in findings(tender, family, sold, law.rules(), shared):
        fields: dict[str, str | int] = {
            "name": tender.name,
            "rule": found.rule.id,
            "countries": "+".join(found.countries),
            "read_on": found.rule.read_on.isoformat(),
        }
        code = OF_FEES[found.rule.grade] if found.rule.about == "fee" else ReadyCode.COUNTRY_FORBIDDEN
        yield ReadyItem(code, tender.id, fields, found.rule.source)


def _over_cost(
    context: Context, snapshot: CheckoutSnapshot, tenders: list[Tender], day: date
) -> Iterator[ReadyItem]:
    """Fees that take more than the provider's own fee at some amount, as far as the usual orders of a market tell."""
    asking = {tender.id: tender for tender in tenders if tender.fee is not None}
    for market in snapshot.shop.markets if asking else ():
        hand = usual_in(snapshot, market, day)
        figures: Mapping[str, FeeFigures] = fee_figures(context, snapshot, hand) if hand else {}
        for id in [id for id in asking if id in figures and figures[id].over]:
            yield ReadyItem(ReadyCode.FEE_OVER_COST, id, {"name": asking.pop(id).name, "country": market.country})


def usual_in(snapshot: CheckoutSnapshot, market: Market, day: date) -> OrderInHand | None:
    """The usual order of the first line that has a price in a market."""
    for line in snapshot.shop.lines:
        price = price_in(line, snapshot.shop, market.currency, day)
        if price is not None:
            return OrderInHand(usual_order(snapshot.shop, market, line, price, day), market, line)
    return None


def _unknown_law(snapshot: CheckoutSnapshot, tenders: list[Tender]) -> Iterator[ReadyItem]:
    """The countries in which buyers are asked a fee, and of which no rule of law is known here."""
    if not any(tender.fee for tender in tenders):
        return
    known = set().union(*(rule.countries for rule in law.rules() if rule.about == "fee"))
    unknown = [
        country
        for country in dict.fromkeys(market.country for market in snapshot.shop.markets)
        if country not in known
    ]
    if unknown:
        yield ReadyItem(ReadyCode.LAW_UNKNOWN, fields={"countries": "+".join(unknown)})
