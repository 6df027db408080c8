"""First guesses of what buyers pay with, by family and group of countries, as dated data.

Source: `buyers.json`, which names its own; nothing better is known until an owner types or reads it.

>>> sum(entry.share for entry in guess("PT")), guess("NL")[0].family.value, source().text
(Decimal('100'), 'card', 'common practice, no source')
"""

import json
from datetime import date
from functools import cache
from importlib.resources import files
from typing import Any, NamedTuple

from monedero.core.buyers.typed import BuyersOf, FamilyShare


class GuessSource(NamedTuple):
    """The source of the guesses, and the day on which it was read."""

    text: str
    read_on: date


@cache
def _data() -> dict[str, Any]:
    data: dict[str, Any] = json.loads(files("monedero.figures").joinpath("buyers.json").read_text("utf-8"))
    return data


def source() -> GuessSource:
    """The source of the guesses."""
    return GuessSource(_data()["source"], date.fromisoformat(_data()["read_on"]))


@cache
def guess(country: str) -> list[FamilyShare]:
    """A first guess of what the buyers of a country pay with."""
    for group in _data()["groups"]:
        if group["countries"] is None or country in group["countries"]:
            found = {"country": None, "families": group["families"]}
            return BuyersOf.model_validate_json(json.dumps(found)).families
    raise LookupError(country)
