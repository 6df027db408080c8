"""Tells what to decide next: what a shop still lacks before its buyers can pay, the most urgent first."""

from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from datetime import date
from enum import StrEnum
from itertools import zip_longest

from monedero.core.account import Stage
from monedero.core.checkout.decision import Decision
from monedero.core.method import Family
from monedero.core.profile import Source
from monedero.core.shop import Line, Market, Shop, Storefront
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted
from monedero.work.checkout.offer import decision_of
from monedero.work.checkout.publish import pending
from monedero.work.context import Context
from monedero.work.prices.inputs import UNDER_WAY, inputs_of
from monedero.work.shop.in_cart import price_in
from monedero.work.shop.lookups import described_shop, method_in
from monedero.work.shop.order_in_hand import usual_order

MOST = 5
# An account at one of these stages waits for the owner.
WAITING = (Stage.QUESTION, Stage.REFUSED, Stage.APPROVED, Stage.LAPSED)


class NextCode(StrEnum):
    """Everything that may be decided next."""

    NO_PRICES = "no-prices"
    ONLY_EXAMPLES = "only-examples"
    NO_MONTH = "no-month"
    ACCOUNT_WAITS = "account-waits"
    NOTHING_ON = "nothing-on"
    NOBODY_PAYS = "nobody-pays"
    NO_ACCOUNT = "no-account"
    NO_ADDRESS = "no-address"
    NONE_HELD = "none-held"
    NO_TRADE = "no-trade"
    NO_MARGIN = "no-margin"
    NOT_PUBLISHED = "not-published"
    NOT_LIVE = "changes-wait"


@dataclass(frozen=True, slots=True)
class NextStep:
    """Something to decide: a code with fields, all of them names, ids or counts; at a storefront, or at the shop."""

    code: NextCode
    fields: dict[str, str | int] = field(default_factory=dict)
    storefront: Storefront | None = None


def next_steps(context: Context, day: date) -> list[NextStep]:
    """At most five things to decide; none where nothing is left."""
    found = []
    for step in _steps(context, day):
        found.append(step)
        if len(found) == MOST:
            break
    return found


def _steps(context: Context, day: date) -> Iterator[NextStep]:
    yield from _prices(context)
    yield from _accounts(context)
    shop = described_shop(context.shop).value
    at_each = (_at(context, front, day) for front in shop.storefronts)
    # The first of each storefront, then the second of each: none waits behind all those of another.
    yield from (step for steps in zip_longest(*at_each) for step in steps if step)
    inputs = inputs_of(context)
    if any(facts.trades_refused for facts in inputs.providers.values()) and shop.trade is None:
        yield NextStep(NextCode.NO_TRADE)
    lacking = [line.name for line in shop.lines if line.margin is None]
    if lacking:
        yield NextStep(NextCode.NO_MARGIN, {"line": lacking[0], "count": len(lacking)})


def _prices(context: Context) -> Iterator[NextStep]:
    inputs = inputs_of(context)
    if not inputs.cards:
        yield NextStep(NextCode.NO_PRICES)
    elif all((facts := inputs.providers.get(card.provider.id)) and facts.example for card in inputs.cards):
        yield NextStep(NextCode.ONLY_EXAMPLES)
    past = inputs.profile.source is Source.PAST_ORDERS
    if not (context.shop.past_orders.counts().paid if past else inputs.profile.cells):
        yield NextStep(NextCode.NO_MONTH)


def _accounts(context: Context) -> Iterator[NextStep]:
    inputs = inputs_of(context)
    for account in inputs.accounts.values():
        facts = inputs.providers.get(account.provider)
        if account.stage in WAITING and facts:
            yield NextStep(NextCode.ACCOUNT_WAITS, {"provider": facts.name, "id": account.provider})
    own = {
        card.provider.id
        for card in inputs.cards
        if not ((facts := inputs.providers.get(card.provider.id)) and facts.example)
    }
    if own and not any(account.stage in UNDER_WAY for account in inputs.accounts.values()):
        yield NextStep(NextCode.NONE_HELD, {"count": len(own)})


def _checkout(context: Context, day: date) -> Iterator[NextStep]:
    shop = described_shop(context.shop).value
    snapshot = drafted(context)
    if not any(tender.on for tender in snapshot.checkout.tenders):
        yield NextStep(NextCode.NOTHING_ON)
        return
    decision = decision_of(context, snapshot)
    for market in shop.markets:
        lacking = [line for line in shop.lines if not _can_pay(decision, shop, market, line, day)]
        if lacking:
            what = {"country": market.country, "currency": market.currency, "line": lacking[0].name}
            yield NextStep(NextCode.NOBODY_PAYS, {**what, "count": len(lacking), "of": len(shop.lines)})
    yield from _arrangements(snapshot)
    if context.shop.editions.newest(context.storefront) is None:
        yield NextStep(NextCode.NOT_PUBLISHED)
    elif pending(context)[1]:
        yield NextStep(NextCode.NOT_LIVE)


def _at(context: Context, front: Storefront, day: date) -> Iterator[NextStep]:
    return (replace(step, storefront=front) for step in _checkout(context.at(front.id), day))


def _arrangements(snapshot: CheckoutSnapshot) -> Iterator[NextStep]:
    """Tells what buyers of the shop's own arrangements would not be told: where to send a transfer, or a cheque."""
    shop, told = snapshot.shop, snapshot.shop.arrangements
    currencies = dict.fromkeys((shop.currency, *(market.currency for market in shop.markets)))
    for tender in snapshot.checkout.tenders:
        method = method_in(snapshot.methods, tender.method)
        if not tender.on or tender.route is not None:
            continue
        pays_to_account = method.family in (Family.CREDIT_TRANSFER, Family.INVOICE)
        taken = [one for one in currencies if method.currencies is None or one in method.currencies]
        lacking = [one for one in taken if told.account_for(one) is None] if pays_to_account else []
        if lacking:
            yield NextStep(NextCode.NO_ACCOUNT, {"name": tender.name, "currency": lacking[0]})
            return
        if method.family is Family.CHEQUE and not told.post_to:
            yield NextStep(NextCode.NO_ADDRESS, {"name": tender.name})
            return


def _can_pay(decision: Decision, shop: Shop, market: Market, line: Line, day: date) -> bool:
    """True if a buyer of a market can order a line at its usual amount, in the market's currency.

    Without a reference rate nothing is known of that amount, and nothing is said.
    """
    price = price_in(line, shop, market.currency, day)
    if price is None:
        return True
    order = usual_order(shop, market, line, price, day)
    return order.nothing_to_pay or bool(decision.offered(order))
