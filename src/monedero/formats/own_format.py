"""Tells what files of our own formats share: their name is checked first, they are written alike, and have a JSON
Schema.

Source: own design; JSON Schema 2020-12.

>>> from monedero.core.ratecard.model import Band
>>> bytes_of({"from": "5.00 EUR"})
b'{\\n  "from": "5.00 EUR"\\n}\\n'
>>> read_own(b'{"format": "something/else"}', "monedero/band/1", Band)
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: format-unknown format='something/else'
"""

import json
from typing import Any, TypeVar

from pydantic import BaseModel

from monedero.core.errors import FaultCode, refuse
from monedero.formats.json_text import read_json, read_model, shown

M = TypeVar("M", bound=BaseModel)


def read_own(content: bytes, name: str, model: type[M]) -> M:
    """A file of the format of a name; refuses another format, else with every place that is wrong."""
    value = read_json(content)
    found = value.get("format") if isinstance(value, dict) else value
    if found != name:
        raise refuse(FaultCode.FORMAT_UNKNOWN, "format", shown(found), expected=name)
    return read_model(content, model)


def bytes_of(value: dict[str, Any]) -> bytes:
    """The bytes of a file with a value."""
    return (json.dumps(value, indent=2, ensure_ascii=False) + "\n").encode()


def schema_of(model: type[BaseModel], name: str) -> dict[str, Any]:
    """The JSON Schema of the format of a name."""
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        **model.model_json_schema(by_alias=True),
        "title": name,
    }
