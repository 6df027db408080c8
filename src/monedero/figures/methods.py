"""The methods that Monedero knows, with their traits, as dated data.

A method id that is not among them is the shop's own: it has no limits but those of its rate card.

Source: `methods.json`; each entry names its own.

>>> known()["sepa-direct-debit"].currencies
['EUR']
>>> method("phone-transfer").family.value
'own'
>>> method("Phone transfer")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Method
id
  identifier-text [type=identifier-text, input_value='Phone transfer', input_type=str]
"""

import json
from functools import cache
from importlib.resources import files

from monedero.core.method import Family, Method


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
    """A method by its id; an unknown id is the shop's own."""
    if method_id in known():
        return known()[method_id]
    name = method_id.replace("-", " ").capitalize()
    return Method(id=method_id, name=name, family=Family.OWN, buyer="A method of the shop's own.", recurring=True)


def own_arrangements() -> list[Method]:
    """The arrangements that need no provider."""
    return [entry for entry in known().values() if entry.own]
