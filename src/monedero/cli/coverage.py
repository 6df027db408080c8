"""`monedero coverage`: what a checkout offers to every order that its shop can receive, as JSON."""

import json
from datetime import UTC, datetime
from pathlib import Path
from typing import Annotated

import typer

from monedero.cli.reading import errors_of
from monedero.core.order.facts import day as read_day
from monedero.formats import checkout_file
from monedero.work.checkout.coverage import coverage_report
from monedero.work.checkout.examined import Asked


def coverage(
    checkout: Annotated[Path, typer.Argument(help="A checkout, format monedero/checkout/1.")],
    on: Annotated[str | None, typer.Option(help="The day of the orders; today without it.")] = None,
    as_if_ready: Annotated[bool, typer.Option("--as-if-ready", help="Leave aside how accounts stand.")] = False,
    without: Annotated[str | None, typer.Option(help="A provider whose accounts are left out.")] = None,
    against: Annotated[Path | None, typer.Option(help="Another checkout, for what it gains and loses.")] = None,
) -> None:
    """Dead ends, single tenders and all that is offered; exit status 1 where there is a dead end, 2 on an error."""
    with errors_of("--on"):
        day = datetime.now(UTC).date() if on is None else read_day(on)
    with errors_of(str(checkout)):
        file = checkout_file.read(checkout.read_bytes())
    other = None
    if against is not None:
        with errors_of(str(against)):
            other = checkout_file.read(against.read_bytes())
    report = coverage_report(file, Asked(day, as_if_ready, without), other)
    typer.echo(json.dumps(report, indent=2, ensure_ascii=False))
    raise typer.Exit(1 if report["dead_ends"] else 0)
