"""The rules of law on what may be asked of a buyer for a way to pay, as dated data.

Source: `law.json`; each rule names its own.

>>> [rule.id for rule in rules() if rule.about == "country"]
['same-terms-by-country', 'account-of-any-country']
"""

import json
from datetime import date
from functools import cache
from importlib.resources import files
from typing import Any

from monedero.core.checkout.law import Rule


@cache
def _data() -> dict[str, Any]:
    data: dict[str, Any] = json.loads(files("monedero.figures").joinpath("law.json").read_text("utf-8"))
    return data


@cache
def areas() -> dict[str, frozenset[str]]:
    """The countries of the areas in which rules hold, by the ids of the areas."""
    return {id: frozenset(countries) for id, countries in _data()["areas"].items()}


@cache
def rules() -> tuple[Rule, ...]:
    """Every rule, in the sequence of the data file."""
    return tuple(
        Rule(
            id=entry["id"],
            about=entry["about"],
            countries=areas()[entry["area"]],
            families=None if entry["families"] is None else frozenset(entry["families"]),
            grade=entry["grade"],
            source=entry["source"],
            read_on=date.fromisoformat(entry["read_on"]),
        )
        for entry in _data()["rules"]
    )
