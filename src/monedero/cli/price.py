"""`monedero price`: the fee of every order in a file on every route of some rate cards, as CSV."""

import gc
import os
import sys
from pathlib import Path
from typing import Annotated

import typer

from monedero.cli.reading import errors_of
from monedero.core.fields import country, money_not_negative
from monedero.core.fx import ReferenceRates
from monedero.core.ratecard.catalogue import Catalogue
from monedero.figures import network_costs, reference_rates
from monedero.formats import rate_card

# How many objects are made between two searches for garbage.
GARBAGE_THRESHOLD = 100_000


def price(
    rate_cards: Annotated[list[Path], typer.Argument(help="Rate cards, format monedero/rate-card/1.")],
    orders: Annotated[Path, typer.Option(help="Orders, CSV.")],
    shop_country: Annotated[str, typer.Option(help="The shop's country, two letters.")],
    monthly_volume: Annotated[
        str | None, typer.Option(help='What the account takes in a month, such as "5000 EUR".')
    ] = None,
    ignore_unknown: Annotated[bool, typer.Option(help="Pass over columns that are not known.")] = False,
) -> None:
    """Price every order of a file on every route: a row per order and route, on standard output."""
    with errors_of("--shop-country"):
        shop = country(shop_country)
    with errors_of("--monthly-volume"):
        volume = None if monthly_volume is None else money_not_negative(monthly_volume)
    cards = []
    for path in rate_cards:
        with errors_of(str(path)):
            cards.append(rate_card.read(path.read_bytes()))
    rates = ReferenceRates(reference_rates.bundled())
    with errors_of("rate cards"):
        catalogue = Catalogue(cards, shop, rates, network_costs.costs(shop, {}))
    # One thread reads and another works out the text: more of them would hold memory, and either shall wait for the
    # interpreter no longer than it must.
    os.environ.setdefault("POLARS_MAX_THREADS", "1")
    sys.setswitchinterval(0.0005)
    from monedero.work.compare.fee_lines import fee_lines

    # Rows are freed one by one: searching them for objects that refer to each other would take a tenth of the time.
    gc.freeze()
    gc.set_threshold(GARBAGE_THRESHOLD)
    with errors_of(str(orders)), orders.open(encoding="utf-8", newline="") as lines:
        sys.stdout.writelines(fee_lines(catalogue, rates, lines, volume, ignore_unknown=ignore_unknown))
