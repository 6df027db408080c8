"""`monedero curve`: what every route costs for every amount of a range, exactly, as JSON."""

import json
from datetime import UTC, date, datetime
from enum import StrEnum
from pathlib import Path
from typing import Annotated

import typer

from monedero.cli.reading import errors_of
from monedero.core.cost.assumption import Assumptions
from monedero.core.errors import FaultCode, refuse
from monedero.core.fields import country, currency, identifier, money_not_negative, money_positive
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.order.model import Order
from monedero.core.ratecard.volume import Takings
from monedero.formats import rate_card
from monedero.formats.json_text import read_model
from monedero.work.compare.curve_lines import CurvesAsked, Range, curve_report


class YesNo(StrEnum):
    """Yes or no, as it is typed."""

    YES = "yes"
    NO = "no"


def curve(  # noqa: PLR0913, PLR0917 - an option each
    rate_cards: Annotated[list[Path], typer.Argument(help="Rate cards, format monedero/rate-card/1.")],
    shop_country: Annotated[str, typer.Option(help="The shop's country, two letters.")],
    shop_currency: Annotated[str, typer.Option(help="The currency of the shop's books.")],
    buyer_country: Annotated[str, typer.Option(help="The buyer's country, two letters.")],
    order_currency: Annotated[str, typer.Option("--currency", help="The currency of the order.")],
    low: Annotated[str, typer.Option("--from", help="The first amount, in the order's currency.")],
    high: Annotated[str, typer.Option("--to", help="The amount below which the range ends.")],
    card_kind: Annotated[CardKind | None, typer.Option(help="The kind of the buyer's card.")] = None,
    card_network: Annotated[str | None, typer.Option(help="The network of the buyer's card.")] = None,
    line_kind: Annotated[LineKind | None, typer.Option(help="The kind of line that is ordered.")] = None,
    recurring: Annotated[YesNo | None, typer.Option(help="Whether the order repeats.")] = None,
    monthly_volume: Annotated[
        str | None, typer.Option(help='What the account takes in a month, such as "5000 EUR".')
    ] = None,
    on: Annotated[str | None, typer.Option(help="The day of the order; today without it.")] = None,
    assumptions: Annotated[
        Path | None, typer.Option(help="Assumptions (JSON); with them costs are all-in, else fees alone.")
    ] = None,
) -> None:
    """Every route's cost as exact pieces, and the cheapest route for every amount, on standard output."""
    with errors_of("--shop-country"):
        shop = country(shop_country)
    with errors_of("--shop-currency"):
        books = currency(shop_currency)
    with errors_of("--buyer-country"):
        buyer = country(buyer_country)
    with errors_of("--currency"):
        paid_in = currency(order_currency)
    with errors_of("--from"):
        start = money_positive(f"{low} {paid_in}")
    with errors_of("--to"):
        end = _over(money_positive(f"{high} {paid_in}"), start)
    with errors_of("--card-network"):
        network = None if card_network is None else identifier(card_network)
    with errors_of("--monthly-volume"):
        volume = None if monthly_volume is None else money_not_negative(monthly_volume)
    with errors_of("--on"):
        day = _day(on)
    cards = []
    for path in rate_cards:
        with errors_of(str(path)):
            cards.append(rate_card.read(path.read_bytes()))
    chosen = None
    if assumptions is not None:
        with errors_of(str(assumptions)):
            chosen = read_model(assumptions.read_bytes(), Assumptions)
    order = Order(
        start,
        buyer,
        day,
        kinds=frozenset({line_kind} if line_kind else ()),
        recurring=None if recurring is None else recurring is YesNo.YES,
        card_network=network,
        card_kind=card_kind,
    )
    asked = CurvesAsked(order, Takings(every=volume), Range(start.exact, end.exact), chosen)
    with errors_of("rate cards"):
        report = curve_report(cards, (shop, books), asked)
    typer.echo(json.dumps(report, indent=2, ensure_ascii=False))


def _over(end: Money, start: Money) -> Money:
    if end.minor <= start.minor:
        raise refuse(FaultCode.LIMITS_CROSSED, value=end, low=start, high=end)
    return end


def _day(text: str | None) -> date:
    if text is None:
        return datetime.now(UTC).date()
    try:
        return date.fromisoformat(text)
    except ValueError as broken:
        raise refuse(FaultCode.DATE_TEXT, value=text) from broken
