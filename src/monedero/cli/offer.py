"""`monedero offer`: what a checkout offers to every order in a file, as CSV."""

import sys
from pathlib import Path
from typing import Annotated

import typer

from monedero.cli.reading import errors_of
from monedero.formats import checkout_file
from monedero.work.checkout.offer_lines import offer_lines


def offer(
    checkout: Annotated[Path, typer.Argument(help="A checkout, format monedero/checkout/1.")],
    orders: Annotated[Path, typer.Option(help="Orders, CSV.")],
    why: Annotated[bool, typer.Option("--why", help="Every tender, and what holds it back.")] = False,
    ignore_unknown: Annotated[bool, typer.Option(help="Pass over columns that are not known.")] = False,
) -> None:
    """Decide what every order of a file is offered: a row per order and tender, on standard output."""
    with errors_of(str(checkout)):
        file = checkout_file.read(checkout.read_bytes())
    with errors_of(str(orders)), orders.open(encoding="utf-8", newline="") as lines:
        sys.stdout.writelines(offer_lines(file, lines, why=why, ignore_unknown=ignore_unknown))
