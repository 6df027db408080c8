"""The command line: one file per command."""

import typer

from monedero.cli.card import card
from monedero.cli.coverage import coverage
from monedero.cli.curve import curve
from monedero.cli.offer import offer
from monedero.cli.price import price
from monedero.cli.serve import serve

app = typer.Typer(no_args_is_help=True, add_completion=False, help=__doc__)
app.command()(card)
app.command()(coverage)
app.command()(curve)
app.command()(offer)
app.command()(price)
app.command()(serve)
