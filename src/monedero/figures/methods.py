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
from datetime import date
from functools import cache
from importlib.resources import files
from typing import Any, NamedTuple

from monedero.core.method import Family, Method, UnknownMethod


class Source(NamedTuple):
    """Holds where the traits of a method come from, the day on which that was read, and how payment messages name it.

    `service_level` and `local_instrument` are codes of the ISO 20022 external code sets; empty where it has none.
    """

    text: str
    read_on: date
    service_level: str = ""
    local_instrument: str = ""


@cache
def _data() -> dict[str, Any]:
    data: dict[str, Any] = json.loads(files("monedero.figures").joinpath("methods.json").read_text("utf-8"))
    return data


@cache
def sepa() -> frozenset[str]:
    """The countries of the SEPA schemes."""
    return frozenset(_data()["areas"]["sepa"]["countries"])


@cache
def known() -> dict[str, Method]:
    """Every known method by its id, in the sequence of the data file."""
    countries = _data()["areas"]["sepa"]["countries"]
    methods = {}
    for entry in _data()["methods"]:
        traits = {key: value for key, value in entry.items() if key not in ("source", "read_on", "iso_20022")}
        for key in ("shop_countries", "buyer_countries"):
            if traits.get(key) == "sepa":
                traits[key] = countries
        methods[entry["id"]] = Method.model_validate(traits)
    return methods


@cache
def sources() -> dict[str, Source]:
    """Tells where each known method's traits come from, by its id."""
    return {
        entry["id"]: Source(entry["source"], date.fromisoformat(entry["read_on"]), **entry.get("iso_20022", {}))
        for entry in _data()["methods"]
    }


def method(method_id: str) -> Method:
    """A method by its id."""
    return known().get(method_id) or unknown(method_id)


def unknown(method_id: str) -> UnknownMethod:
    """A method that nobody described, so that no order can be carried by it."""
    name = method_id.replace("-", " ").capitalize()
    return UnknownMethod(id=method_id, name=name, family=Family.OWN, buyer="", recurring=True)
