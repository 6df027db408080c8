"""`monedero mix`: the best set of ways for the orders of a file and what buyers choose, proven, as JSON."""

import json
from collections.abc import Iterator
from datetime import date
from fractions import Fraction
from pathlib import Path
from typing import Annotated, Any

import typer

from monedero.cli.reading import errors_of
from monedero.core.best_set.programme import Limits
from monedero.core.cost.assumption import Assumptions
from monedero.core.errors import Fault, FaultCode, InvalidInput, refuse
from monedero.core.fields import country, currency, identifier, share
from monedero.core.money import Money
from monedero.core.order.facts import day as read_day
from monedero.core.order.model import Order
from monedero.formats import buyers_file, orders_csv, rate_card
from monedero.formats.json_text import read_model
from monedero.work.month.set_report import SetAsked, set_report

MOST_ALIKE = 10_000


def mix(  # noqa: PLR0913, PLR0917 - an option each
    rate_cards: Annotated[list[Path], typer.Argument(help="Rate cards, format monedero/rate-card/1.")],
    orders: Annotated[Path, typer.Option(help="The orders of a month, CSV.")],
    buyers: Annotated[Path, typer.Option(help="Kinds of buyer, format monedero/buyers/1.")],
    shop_country: Annotated[str, typer.Option(help="The shop's country, two letters.")],
    shop_currency: Annotated[str, typer.Option(help="The currency of the shop's books.")],
    margin: Annotated[str | None, typer.Option(help="What is left of an order before paying, in percent.")] = None,
    most_accounts: Annotated[int | None, typer.Option(min=0, help="At most so many accounts.")] = None,
    most_ways: Annotated[int | None, typer.Option(min=0, help="At most so many ways to pay.")] = None,
    not_together: Annotated[
        list[str] | None, typer.Option(help="Providers of which the set has one at most: A,B.")
    ] = None,
    every_order: Annotated[int, typer.Option(min=0, max=2, help="So many ways must carry each order.")] = 0,
    on: Annotated[str | None, typer.Option(help="The day whose cards price; the last order's without it.")] = None,
    given: Annotated[
        str | None, typer.Option("--set", help="A set to price: provider/plan:method,method;...")
    ] = None,
    assumptions: Annotated[
        Path | None, typer.Option(help="Assumptions (JSON); with them costs are all-in, else fees alone.")
    ] = None,
    ignore_unknown: Annotated[bool, typer.Option(help="Pass over columns that are not known.")] = False,
) -> None:
    """The set that leaves most, every plan alone, and a given set; exit status 1 where no set keeps the limits."""
    with errors_of("--shop-country"):
        place = country(shop_country)
    with errors_of("--shop-currency"):
        books = currency(shop_currency)
    with errors_of("--margin"):
        part = None if margin is None else Fraction(share(margin))
    with errors_of("--on"):
        day: date | None = None if on is None else read_day(on)
    cards = []
    for path in rate_cards:
        with errors_of(str(path)):
            cards.append(rate_card.read(path.read_bytes()))
    with errors_of("--not-together"):
        providers = {card.provider.id for card in cards}
        apart = tuple(_apart(text, providers) for text in not_together or [])
    with errors_of(str(buyers)):
        kinds = buyers_file.read(buyers.read_bytes())
    chosen = None
    if assumptions is not None:
        with errors_of(str(assumptions)):
            chosen = read_model(assumptions.read_bytes(), Assumptions)
    with errors_of(str(orders)), orders.open(encoding="utf-8", newline="") as lines:
        month = list(_month(lines, ignore_unknown=ignore_unknown))
    limits = Limits(most_accounts, most_ways, apart, every_order=every_order)
    with errors_of("mix"):
        report: dict[str, Any] = set_report(
            cards, month, SetAsked((place, books), kinds, part, limits, day, given, chosen)
        )
    typer.echo(json.dumps(report, indent=2, ensure_ascii=False))
    raise typer.Exit(0 if report["best"] is not None else 1)


def _apart(text: str, providers: set[str]) -> frozenset[str]:
    """Two or more providers that the set has one of at most."""
    names = [identifier(name.strip()) for name in text.split(",")]
    for name in names:
        if name not in providers:
            raise refuse(FaultCode.ROUTE_UNKNOWN, value=name)
        if names.count(name) > 1:
            raise refuse(FaultCode.DUPLICATE, value=name, what="provider")
    if len(names) < 2:
        raise refuse(FaultCode.NOT_ONE_OF, value=text, expected="two or more providers, with commas between")
    return frozenset(names)


def _month(lines: Iterator[str], *, ignore_unknown: bool) -> Iterator[Order]:
    """The orders of the file but for refunds; an amount below zero is refused."""
    alike: dict[tuple[str, ...], Order] = {}
    for row in orders_csv.split(lines, ignore_unknown=ignore_unknown):
        order = _order(row, alike)
        if row.cells.get("refund_of"):
            continue
        if order.amount.minor < 0:
            row.refused("amount", Fault(FaultCode.AMOUNT_NEGATIVE, "amount", str(order.amount)))
        yield order


def _order(row: orders_csv.Row, alike: dict[tuple[str, ...], Order]) -> Order:
    """The order in a row; everything but its id and amount is read once for all rows that are alike."""
    own = (row.names.index("id"), row.names.index("amount"))
    key = tuple(value for place, value in enumerate(row.values) if place not in own)
    before = alike.get(key)
    if before is not None and row.values[own[0]]:
        try:
            return before.on(Money.of(row.values[own[1]], before.amount.currency), before.placed_on)
        except InvalidInput:
            # Read as a whole below, which says where it is wrong.
            pass
    found = orders_csv.order_of(row).order
    if len(alike) < MOST_ALIKE:
        alike[key] = found
    return found
