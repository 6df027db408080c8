"""The methods that Monedero knows, with their traits, as dated data.

A method id that is neither among them nor described by the owner is unknown: what it can carry, nobody has said.

Source: `methods.json`; each entry names its own.

>>> known()["sepa-direct-debit"].currencies
['EUR']
>>> unknown("moon-transfer").name
'Moon transfer'
>>> unknown("Phone transfer")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for UnknownMethod
id
  identifier-text [type=identifier-text, input_value='Phone transfer', input_type=str]
"""

import json
from functools import cache
from importlib.resources import files

from monedero.core.method import Family, Method, UnknownMethod


@cache
def known() -> dict[str, Method]:
    """Every known method by its id, in the sequence of the data file."""
    data = json.loads(files("monedero.figures").joinpath("methods.json").read_text("utf-8"))
    countries = data["areas"]["sepa"]["countries"]
    methods = {}
    for entry in data["methods"]:
        traits = {key: value for key, value in entry.items() if key not in ("source", "read_on")}
        for key in ("shop_countries", "buyer_countries"):
            if traits.get(key) == "sepa":
                traits[key] = countries
        methods[entry["id"]] = Method.model_validate(traits)
    return methods


def method(method_id: str) -> Method:
    """A method by its id."""
    return known().get(method_id) or unknown(method_id)


def unknown(method_id: str) -> UnknownMethod:
    """A method that nobody described, so that no order can be carried by it."""
    name = method_id.replace("-", " ").capitalize()
    return UnknownMethod(id=method_id, name=name, family=Family.OWN, buyer="", recurring=True)


def own_arrangements() -> list[Method]:
    """The arrangements that need no provider."""
    return [entry for entry in known().values() if entry.own]
