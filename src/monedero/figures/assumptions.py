"""The assumptions that Monedero computes with, each with its default and where that comes from, as dated data.

Source: `assumptions.json`; each entry names its own.

>>> every()["refund-rate"].defaults["*"]
'2'
>>> every()["never-heard-of"]
Traceback (most recent call last):
...
KeyError: 'never-heard-of'
"""

import json
from functools import cache
from importlib.resources import files
from types import MappingProxyType

from monedero.core.cost.assumption import Assumption


@cache
def every() -> MappingProxyType[str, Assumption]:
    """Every assumption by its id, in the sequence of the data file."""
    data = json.loads(files("monedero.figures").joinpath("assumptions.json").read_text("utf-8"))
    return MappingProxyType({entry["id"]: Assumption.model_validate_json(json.dumps(entry)) for entry in data})


@cache
def card_duties() -> dict[str, str]:
    """Tells what handling card data asks of the shop, by where the number is typed."""
    data = json.loads(files("monedero.figures").joinpath("card_duties.json").read_text("utf-8"))
    return dict(data["duties"])


@cache
def trades() -> dict[str, str]:
    """The trades that a provider may refuse, by id with their names."""
    data = json.loads(files("monedero.figures").joinpath("trades.json").read_text("utf-8"))
    return {entry["id"]: entry["name"] for entry in data}
