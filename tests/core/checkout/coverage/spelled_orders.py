"""Every order that a shop of a drawn checkout can receive, spelled out, with what the decision says of it."""

import json
from collections.abc import Iterator, Sequence
from datetime import date
from itertools import combinations, product
from typing import Any, NamedTuple

from monedero.core.checkout.coverage.parts import Examined
from monedero.core.checkout.decision import Decision
from monedero.core.checkout.stretches import begins_of
from monedero.core.money import Money
from monedero.core.order.model import Device, Order
from monedero.figures import reference_rates
from monedero.formats.checkout_file import CheckoutFile, read
from monedero.work.checkout.examined import Asked, looked_into, space_of
from tests.core.checkout.drawn_checkouts import BASE

DAY = date(2025, 6, 11)
MARKETS = [
    {"id": "pt-eur", "country": "PT", "currency": "EUR"},
    {"id": "us-eur", "country": "US", "currency": "EUR"},
    {"id": "jp-jpy", "country": "JP", "currency": "JPY"},
]
# A postcode in each set of areas of the drawn checkouts, by country.
POSTCODES: dict[str, dict[tuple[str, ...], str | None]] = {
    "PT": {(): "1000", ("islands",): "9000", ("north",): "4000"},
    "US": {(): "10001", ("north",): "AK1"},
    "JP": {(): None},
}
FACTS = ("markets", "areas", "carts", "deliveries", "groups", "devices", "signed_in")


class Spelled(NamedTuple):
    """An order with its values, and what the decision says of it."""

    values: tuple[Any, ...]
    amount: Money
    offered: tuple[str, ...]
    costs: bool
    order: Order


def file_of(raw: dict[str, Any], markets: list[dict[str, str]]) -> CheckoutFile:
    """A drawn checkout; in every other one the lamp goes the same ways as the chart, and may stand as one with it."""
    [chart, lamp, *others] = raw["lines"]
    if len(json.dumps(raw)) % 2:
        lamp = {**lamp, "deliveries": chart["deliveries"]}
    return read(json.dumps({**raw, "markets": markets, "lines": [chart, lamp, *others]}).encode())


def examined(file: CheckoutFile) -> Examined:
    """A checkout with the orders of its shop, as the product looks into it."""
    return looked_into(file.decision(reference_rates.bundled()), space_of(file, DAY), Asked(DAY), {})


def carts_of(file: CheckoutFile) -> Iterator[tuple[tuple[str, ...], tuple[str, ...]]]:
    for some in [*combinations(file.lines, 1), *combinations(file.lines, 2)]:
        if len({line.recurring for line in some}) > 1:
            continue
        delivered = [set(line.deliveries) for line in some if line.deliveries is not None]
        ways = set.intersection(*delivered) if delivered else {"none"}
        if ways:
            yield tuple(line.id for line in some), tuple(sorted(ways))


def amounts_of(decision: Decision, currency: str) -> list[int]:
    """Amounts at and beside every limit, and where the fees of the drawn checkouts begin to cost something."""
    limits = begins_of(decision, currency, DAY)
    beside = {minor for limit in limits for minor in (limit - 1, limit) if minor}
    return sorted(beside | {18, 19, 33, 34, 36, 37, 10**7})


def spelled(
    file: CheckoutFile,
    groups: Sequence[str] = ("retail", "wholesale"),
    devices: Sequence[Device] = tuple(Device),
    signed_in: Sequence[bool] = (False, True),
) -> list[Spelled]:
    """Every order of the shop, at every amount at which something may change, and one minor unit beside each."""
    decision = file.decision(reference_rates.bundled())
    amounts = {currency: amounts_of(decision, currency) for currency in ("EUR", "JPY")}
    found = []
    for market, (cart, ways) in product(file.markets, list(carts_of(file))):
        for inside, postcode in POSTCODES[market.country].items():
            for way, group, device, signed in product(ways, groups, devices, signed_in):
                order = Order(
                    Money(1, market.currency),
                    market.country,
                    DAY,
                    lines=cart,
                    delivery=way,
                    postcode=postcode,
                    customer_group=group,
                    device=device,
                    signed_in=signed,
                )
                known = file.order_of(order)
                for minor in amounts[market.currency]:
                    asked = known.on(Money(minor, market.currency), DAY)
                    placed = decision.placed(asked)
                    fees = [entry.charged.amount if entry.charged else None for entry in placed]
                    values = (market.id, inside, cart, way, group, device.value, signed)
                    costs = bool(placed) and all(fee is not None and fee.minor > 0 for fee in fees)
                    ids = tuple(sorted(entry.tender.id for entry in placed))
                    found.append(Spelled(values, asked.amount, ids, costs, order.on(asked.amount, DAY)))
    return found


class Plain(NamedTuple):
    """A box as sets of values, with the currency and the ends of its amounts."""

    values: tuple[frozenset[Any], ...]
    currency: str
    start: int
    below: int

    def holds(self, order: Spelled) -> bool:
        amount = order.amount
        if amount.currency != self.currency or not self.start <= amount.minor < self.below:
            return False
        return all(value in some for value, some in zip(order.values, self.values, strict=True))


def _carts(told: list[list[list[str]]]) -> frozenset[tuple[str, ...]]:
    """Every cart of single lines, in whatever sequence."""
    each = (some for cart in told for lines in product(*cart) for some in (lines, lines[::-1]))
    return frozenset(some for some in each if len(set(some)) == len(some))


def plain(box: dict[str, Any]) -> Plain:
    values = (
        _carts(box[fact])
        if fact == "carts"
        else frozenset(tuple(value) if isinstance(value, list) else value for value in box[fact])
        for fact in FACTS
    )
    start, below = Money.parse(box["amount"]["from"]), box["amount"]["below"]
    return Plain(tuple(values), start.currency, start.minor, Money.parse(below).minor if below else 10**12)


def with_tenders(*tenders: dict[str, Any], **more: Any) -> CheckoutFile:
    """A checkout of arrangements of the shop's own, in one market."""
    methods = [
        {"id": tender["id"], "name": tender["id"], "family": "own", "own": True, "recurring": True}
        | tender.pop("method_is", {})
        for tender in tenders
    ]
    whole = [
        {"on": True, "method": tender["id"], "name": {"en": tender["id"].title()}} | tender for tender in tenders
    ]
    raw = {**BASE, "markets": MARKETS[:1], "methods": methods, "tenders": whole, **more}
    return read(json.dumps(raw).encode())
