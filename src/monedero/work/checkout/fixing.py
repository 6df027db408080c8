"""Tells what ends a finding of a draft: the changes with what they cost over the month, and making one of them."""

from collections.abc import Collection
from datetime import date
from fractions import Fraction
from typing import NamedTuple

from monedero.core.checkout.coverage.fixes import Fixes
from monedero.core.checkout.coverage.parts import Examined
from monedero.core.checkout.coverage.share import orders_in
from monedero.core.checkout.coverage.widen import Fix, Widening
from monedero.core.checkout.model import Checkout
from monedero.core.checkout.month_sums import cost_of
from monedero.core.curve.pieces import Curve
from monedero.core.errors import Conflict, Fault, FaultCode, NotFound
from monedero.core.order.model import Known, Order
from monedero.store.documents import Versioned
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted, setting_of
from monedero.work.checkout.examined import (
    Asked,
    decided,
    examined,
    looked_into,
    out_of,
    setting_without,
    space_of,
)
from monedero.work.checkout.findings import Finding, FindingKind, findings
from monedero.work.checkout.month_of_orders import curves_of, placed_orders
from monedero.work.checkout.tenders import Edit, save_draft
from monedero.work.context import Context
from monedero.work.prices.inputs import inputs_of
from monedero.work.shop.delivered import way_of
from monedero.work.shop.order_in_hand import OrderInHand


class FixFor(NamedTuple):
    """A fix with its id, the orders of the month that are paid so, and what that costs in the shop's currency.

    `cost` is against the way that they have now where they have one (`beside`), None where it is not known.
    """

    id: str
    fix: Fix
    orders: Fraction
    cost: Fraction | None
    beside: bool


class Named(NamedTuple):
    """A finding and one of its fixes, by their ids."""

    finding: str
    fix: str


def fixes_for(context: Context, snapshot: CheckoutSnapshot, asked: Asked, finding: Finding) -> list[FixFor]:
    """Tells what ends a finding of a draft, the best first."""
    fixes = fixes_of(context, snapshot, examined(context, snapshot, asked), asked, finding)
    return [_with_cost(context, snapshot, asked.day, finding, fix) for fix in fixes]


def fixes_of(
    context: Context, snapshot: CheckoutSnapshot, over: Examined, asked: Asked, finding: Finding
) -> list[Fix]:
    """The fixes, without what they cost."""
    setting = setting_of(context, snapshot)
    out = out_of(setting.accounts.values(), asked.without)
    if asked.without:
        setting = setting_without(setting, asked.without)
    fixes = Fixes(over, Widening(over, snapshot.checkout.shared_conditions, setting, out))
    if finding.found is None:
        return fixes.of_unreachable(finding.tender)
    of_kind = {
        FindingKind.DEAD_END: fixes.of_dead_end,
        FindingKind.SINGLE: fixes.of_single,
        FindingKind.FEE_ONLY: fixes.of_fee_only,
    }
    return of_kind[finding.kind](finding.found)


def fix_id(fix: Fix) -> str:
    """An id from its acts, so that a fix can be named in a request."""
    return ",".join(f"{act.tender}.{act.code.value if act.code else 'fee'}" for act in fix.acts)


def with_fix(checkout: Checkout, fix: Fix) -> Checkout:
    """A checkout with a fix made in it."""
    by_id = {tender.id: tender for tender in fix.tenders}
    return checkout.model_copy(update={"tenders": [by_id.get(tender.id, tender) for tender in checkout.tenders]})


def fixed(context: Context, snapshot: CheckoutSnapshot, asked: Asked, fix: Fix) -> Examined:
    """A draft as it would be with a fix."""
    setting = setting_of(context, snapshot)
    kept = setting_without(setting, asked.without) if asked.without else setting
    decision = decided(with_fix(snapshot.checkout, fix), kept)
    return looked_into(decision, space_of(snapshot.shop, asked.day), asked, setting.accounts)


def named_fix(context: Context, snapshot: CheckoutSnapshot, asked: Asked, named: Named) -> tuple[Finding, Fix]:
    """A fix by its finding and its id; refused where there is none like it any more, and where an account waits."""
    over = examined(context, snapshot, asked)
    held = next(
        (each for each in findings(over, placed_orders(context, asked.day)) if each.id == named.finding), None
    )
    if held is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "finding", named.finding, {"what": "finding"}))
    fix = next(
        (each for each in fixes_of(context, snapshot, over, asked, held) if fix_id(each) == named.fix), None
    )
    if fix is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "fix", named.fix, {"what": "fix"}))
    if fix.accounts:
        raise Conflict(Fault(FaultCode.FIX_WAITS, "fix", named.fix, {"account": fix.accounts[0]}))
    return held, fix


def make_fix(context: Context, asked: Asked, named: Named, version: int) -> Versioned[Checkout]:
    """Make a fix in the draft, over the version that was looked at; it can be undone like any change."""
    snapshot = drafted(context)
    _, fix = named_fix(context, snapshot, asked, named)
    return save_draft(context, version, Edit(with_fix(snapshot.checkout, fix).tenders))


def _with_cost(context: Context, snapshot: CheckoutSnapshot, day: date, finding: Finding, fix: Fix) -> FixFor:
    beside = finding.kind is not FindingKind.DEAD_END
    id, [*tenders] = fix_id(fix), fix.tenders
    if finding.found is None or finding.kind is FindingKind.FEE_ONLY or len(tenders) > 1:
        return FixFor(id, fix, Fraction(0), None, beside)
    box, curves = (
        (finding.found.region, finding.found.box),
        _Curves(context, snapshot, {tenders[0].id, finding.tender}),
    )
    orders, cost, known = Fraction(0), Fraction(0), True
    within = orders_in([box], placed_orders(context, day))
    for same, stretch in ((same, stretch) for placed, stretch, _ in within for same in placed.orders):
        here, _ = same.sums.between(*stretch)
        if not here:
            continue
        orders += here
        of_each = curves.of(same.order)
        currency = same.order.amount.currency
        own, now = (
            cost_of(same.sums, curve, currency, *stretch) if (curve := of_each.get(id)) else None
            for id in (tenders[0].id, finding.tender)
        )
        if own is None or (beside and now is None):
            known = False
        else:
            cost += own - (now or 0) if beside else own
    return FixFor(id, fix, orders, cost if known else None, beside)


class _Curves:
    """The costs of some tenders of a draft for orders of the month; those of which nothing is known are left out."""

    def __init__(self, context: Context, snapshot: CheckoutSnapshot, tenders: Collection[str]) -> None:
        self._context, self._inputs, self._shop = context, inputs_of(context), snapshot.shop
        self._tenders = [tender for tender in snapshot.checkout.tenders if tender.id in tenders]
        self._markets = {(market.country, market.currency): market for market in snapshot.shop.markets}
        self._lines = {line.id: line for line in snapshot.shop.lines}
        self._kept: dict[tuple[Known, str | None], dict[str, Curve]] = {}

    def of(self, order: Order) -> dict[str, Curve]:
        """The curves by tender for orders like one."""
        market = self._markets[order.country, order.amount.currency]
        only = order.lines[0] if len(order.lines) == 1 else ""
        hand = OrderInHand(order, market, self._lines.get(only, self._shop.lines[0]))
        way = way_of(self._shop, hand)
        key = (order.known, way.id if way else None)
        if key not in self._kept:
            self._kept[key] = curves_of(self._context, self._inputs, hand, self._tenders)
        return self._kept[key]
