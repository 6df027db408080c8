"""`monedero card`: a provider's price list as text, read into a rate card."""

import sys
from pathlib import Path
from typing import Annotated

import typer

from monedero.cli.reading import errors_of
from monedero.core.errors import FaultCode, refuse
from monedero.core.fields import country as country_code
from monedero.core.fields import currency as currency_code
from monedero.core.fields import identifier
from monedero.formats import rate_card
from monedero.formats.price_text import reader

FINDING = 1


def card(
    file: Annotated[Path, typer.Argument(help="The price list, text in UTF-8.")],
    provider: Annotated[str, typer.Option(help="The provider's name.")],
    country: Annotated[str, typer.Option(help="The shop's country, two letters.")],
    currency: Annotated[str, typer.Option(help="The currency in which the provider pays out.")],
    networks: Annotated[str, typer.Option(help="Card networks of the shop, by their ids, with commas.")] = "",
) -> None:
    """Read a price list into a rate card: JSON on standard output, a line on standard error for each unread line."""
    with errors_of("--country"):
        country_code(country)
    with errors_of("--currency"):
        currency_code(currency)
    with errors_of("--networks"):
        named = tuple(identifier(network.strip()) for network in networks.split(",") if network.strip())
    with errors_of(str(file)):
        text = reader.decoded(file.read_bytes())
        found = reader.read(text, reader.Given(provider, country, currency, named))
        for line in found.unread:
            print(f"{file}:{found.source(line.number)}: {line.text}", file=sys.stderr)  # noqa: T201 - this is its output
        if found.card is None:
            raise refuse(FaultCode.TEXT_NO_PRICE)
        sys.stdout.write(rate_card.write(found.card).decode())
    if found.unread:
        raise typer.Exit(FINDING)
