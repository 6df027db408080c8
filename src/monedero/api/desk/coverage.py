"""Coverage of a draft: who can pay and how, what was found, what ends it, and what a fix would change."""

from datetime import date
from typing import Annotated

from fastapi import APIRouter, Query

from monedero.api.desk.checkout import Draft, draft_out
from monedero.api.desk.coverage_schemas import (
    CellQuery,
    CoverageOut,
    CoverageQuery,
    CoverageState,
    FixesOut,
    FixOut,
    FoundOut,
    LookQuery,
    MakeFix,
    NameOut,
    OrderToHand,
    PreviewOut,
)
from monedero.api.desk.coverage_views import blocks_out, findings_out, looked_text, order_out
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.api.requests import day_asked
from monedero.core.checkout.coverage.grid import Look
from monedero.core.errors import Fault, FaultCode, InvalidInput, NotFound
from monedero.core.money import Money
from monedero.letters.impact import dead_ends_text, impact_texts
from monedero.server.shops import RunningShop
from monedero.wording.catalogue import say
from monedero.wording.coverage import cost_text
from monedero.wording.coverage_fixes import fix_text
from monedero.wording.names import names_of
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted
from monedero.work.checkout.coverage_orders import InCell, order_of_cell
from monedero.work.checkout.coverage_state import coverage_state
from monedero.work.checkout.examined import Asked, examined
from monedero.work.checkout.findings import findings
from monedero.work.checkout.fixing import FixFor, Named, fixed, fixes_for, make_fix, named_fix
from monedero.work.checkout.impact import Months, moves
from monedero.work.checkout.month_of_orders import placed_orders
from monedero.work.context import Context
from monedero.work.shop.lookups import rates_of

router = APIRouter(prefix="/api/checkouts/{storefront}/coverage", tags=["coverage"], responses=PROBLEMS)
# More findings than these are counted, and their fixes are not worked out.
MOST_FIXED = 24


@router.get("")
def read_coverage(
    running: RunningDep, context: ContextDep, storefront: str, query: Annotated[CoverageQuery, Query()]
) -> CoverageOut:
    """Tells who can pay and how, over every order that the shop can receive; with a fix as if that was made."""
    snapshot, asked, look = _asked(running, context, storefront, query)
    over = before = examined(context, snapshot, asked)
    month = placed_orders(context, asked.day)
    names, preview = names_of(snapshot.shop, snapshot.checkout), None
    if query.finding and query.fix:
        _, fix = named_fix(context, snapshot, asked, Named(query.finding, query.fix))
        over = fixed(context, snapshot, asked, fix)
        changes = impact_texts(moves(before, over, Months(month, month)), names)
        preview = PreviewOut(
            finding=query.finding, fix=query.fix, text=fix_text(fix.acts, names, {}), changes=changes
        )
    found = findings(over, month)
    told = findings_out(over, found, look, snapshot, month_known=bool(month))
    return CoverageOut(
        mode=snapshot.checkout.mode,
        draft_version=snapshot.draft_version or 0,
        on=asked.day,
        currency=snapshot.shop.currency,
        blocks=blocks_out(over, look, snapshot),
        findings=told,
        looked=looked_text(over),
        clean=_clean(over.space.carts, over.parts, told),
        providers=_providers(running, snapshot),
        preview=preview,
    )


@router.get("/fixes")
def read_fixes(
    running: RunningDep, context: ContextDep, storefront: str, query: Annotated[LookQuery, Query()]
) -> FixesOut:
    """Tells what ends each finding, with what that costs over the month."""
    snapshot, asked, _ = _asked(running, context, storefront, query)
    found = findings(examined(context, snapshot, asked), placed_orders(context, asked.day))
    return FixesOut(
        mode=snapshot.checkout.mode,
        draft_version=snapshot.draft_version or 0,
        fixes={
            finding.id: [_fix(running, snapshot, fix) for fix in fixes_for(context, snapshot, asked, finding)]
            for finding in found[:MOST_FIXED]
        },
    )


@router.post("/fix")
def make(running: RunningDep, context: ContextDep, storefront: str, now: MakeFix) -> Draft:
    """Make a fix in the draft."""
    query = LookQuery(ready=now.ready, without=now.without)
    _, asked, _ = _asked(running, context, storefront, query)
    saved = make_fix(context, asked, Named(now.finding, now.fix), now.version)
    return draft_out(context, saved)


@router.get("/order")
def read_order(
    running: RunningDep, context: ContextDep, storefront: str, query: Annotated[CellQuery, Query()]
) -> OrderToHand:
    """An order of a cell to put in hand: one of those with the fewest ways to pay."""
    snapshot, asked, look = _asked(running, context, storefront, query)
    market = next((market for market in snapshot.shop.markets if market.id == query.market), None)
    if market is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "market", query.market, {"what": "market"}))
    lines = tuple(query.lines.split("+"))
    if len(lines) > 1:
        raise InvalidInput(Fault(FaultCode.TWO_LINES, "lines", " and ".join(lines)))
    first = _minor("first", query.first, market.currency)
    below = _minor("below", query.below, market.currency) if query.below else None
    cell = InCell(market.id, lines, first, below)
    rates = rates_of(snapshot.shop)
    order = order_of_cell(examined(context, snapshot, asked), cell, look, snapshot.shop, rates)
    found = order_out(snapshot, order) if order else None
    if found is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "lines", query.lines, {"what": "order"}))
    return found


@router.get("/state")
def read_state(running: RunningDep, context: ContextDep, storefront: str) -> CoverageState:
    """How a draft stands, and which dead ends its last change made."""
    snapshot = drafted(context)
    state = coverage_state(context, snapshot, running.clock.now().date())
    note = say("coverage-state", ends=state.dead_ends, singles=state.singles)
    return CoverageState(
        mode=snapshot.checkout.mode,
        dead_ends=state.dead_ends,
        singles=state.singles,
        note=note if snapshot.shop.lines and snapshot.shop.markets else "",
        made=dead_ends_text(state, names_of(snapshot.shop, snapshot.checkout)),
    )


def _minor(field: str, amount: str, currency: str) -> int:
    """An amount of a query in minor units; refused by the name of its field."""
    try:
        return Money.of(amount, currency).minor
    except InvalidInput as refused:
        raise InvalidInput(*(fault.at(field) for fault in refused.faults)) from None


def _asked(
    running: RunningShop, context: Context, storefront: str, query: LookQuery
) -> tuple[CheckoutSnapshot, Asked, Look]:
    """Tells what a query asks for; what it names must be there."""
    snapshot = drafted(context)
    shop = snapshot.shop
    named = (
        ("delivery", query.delivery, {"none", *(way.id for way in shop.deliveries)}, "way of delivery"),
        ("customer_group", query.customer_group, {group.id for group in shop.customer_groups}, "customer group"),
        ("without", query.without, {entry.id for entry in _providers(running, snapshot)}, "provider"),
    )
    for field, value, known, what in named:
        if value is not None and value not in known:
            raise NotFound(Fault(FaultCode.NOT_FOUND, field, value, {"what": what}))
    day: date = day_asked(query.on, running)
    look = Look(query.delivery, query.customer_group, query.device, query.signed_in, query.recurring)
    return snapshot, Asked(day, query.ready, query.without), look


def _providers(running: RunningShop, snapshot: CheckoutSnapshot) -> list[NameOut]:
    """The providers that carry a tender of the draft."""
    names = {card.provider.id: card.provider.name for card in running.store.rate_cards.all()}
    used = dict.fromkeys(tender.route.provider for tender in snapshot.checkout.tenders if tender.route)
    return [NameOut(id=id, name=names.get(id, id)) for id in used]


def _fix(running: RunningShop, snapshot: CheckoutSnapshot, told: FixFor) -> FixOut:
    names = names_of(snapshot.shop, snapshot.checkout)
    by_id = {entry.id: entry.name for entry in _providers(running, snapshot)}
    providers = {
        tender.id: by_id.get(tender.route.provider, tender.route.provider)
        for tender in snapshot.checkout.tenders
        if tender.route
    }
    cost = cost_text(told.orders, told.cost, snapshot.shop.currency, beside=told.beside)
    go = ""
    if told.fix.accounts:
        [*routes] = (tender.route for tender in told.fix.tenders if tender.carried_by in told.fix.accounts)
        go = f"/accounts/{routes[0].provider}" if routes and routes[0] else "/accounts"
    return FixOut(id=told.id, text=fix_text(told.fix.acts, names, providers), cost=cost, go=go)


def _clean(carts: object, parts: object, found: list[FoundOut]) -> str:
    if not carts or not parts:
        return say("coverage-nothing")
    return "" if found else say("coverage-clean")
